// Package weighing makes what was weighed out the amounts of a job.
package weighing

import (
	"cmp"
	"context"
	"fmt"
	"math"
	"slices"

	"happytray/core/brief"
	"happytray/core/edit"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/prep"
	"happytray/core/round"
	"happytray/core/tray"
)

// Weight is what a food in a form weighed, all trays and the reserve together, g.
type Weight struct {
	Food, Form string
	Grams      float64
}

// moreWeighed is why there is a reserve that nobody had planned.
const moreWeighed = "more was weighed out than planned"

// AsWeighed is a copy of a job with the amounts that were weighed out, and what became of that in sentences, none
// where all was right. What was planned to lie on a tray still lies there as long as there is enough: what is more
// goes into reserve, what is less comes out of it, and only then fewer pieces lie on the trays, the others making
// use of the room. What is locked keeps its pieces. The brief asks for these amounts from then on.
func AsWeighed(ctx context.Context, j *job.Job, larder *food.Larder, weights []Weight) (*job.Job, []string, error) {
	out := j.Clone()
	says := []string{}
	total := map[string]float64{} // by food, as it is then
	for _, w := range prep.Weighings(j, larder) {
		i := slices.IndexFunc(weights, func(v Weight) bool { return v.Food == w.Food && v.Form == w.Form })
		if i < 0 || weights[i].Grams <= 0 {
			total[w.Food] += w.Grams
			continue
		}
		total[w.Food] += weights[i].Grams
		diff := weights[i].Grams - w.Grams
		if math.Abs(diff) <= w.WithinG {
			continue
		}
		f, ok := larder.Get(w.Food)
		if !ok {
			continue
		}
		c := correction{j: out, larder: larder, food: f, form: w.Form, each: w.PieceG}
		if diff > 0 {
			says = append(says, fmt.Sprintf("%s: %.0f g more, in reserve.", f.Name, diff))
			c.putBy(diff)
			continue
		}
		fewer, err := c.takeOff(ctx, -diff)
		if err != nil {
			return nil, nil, err
		}
		switch {
		case c.missing >= 1:
			says = append(says, fmt.Sprintf("%s: %.0f g less; %.0f g of it are missing from what is locked or lies whole.", f.Name, -diff, c.missing))
		case fewer > 0:
			says = append(says, fmt.Sprintf("%s: %.0f g less; %s on the trays.", f.Name, -diff, pieces(fewer)))
		default:
			says = append(says, fmt.Sprintf("%s: %.0f g less, out of the reserve.", f.Name, -diff))
		}
	}
	if len(says) > 0 {
		out.Brief.Foods = asWeighed(out, weights, total)
	}
	return out, says, nil
}

func pieces(n int) string {
	if n == 1 {
		return "one piece fewer lies"
	}
	return fmt.Sprintf("%d pieces fewer lie", n)
}

// asWeighed is the brief's list of foods, each spelled out, with the grams of what was weighed.
func asWeighed(j *job.Job, weights []Weight, total map[string]float64) []brief.Want {
	list := slices.Clone(j.Brief.Foods)
	if len(list) == 0 {
		for _, t := range j.Trays {
			note := func(id, form string) {
				if !slices.ContainsFunc(list, func(w brief.Want) bool { return w.Food == id }) {
					list = append(list, brief.Want{Food: id, Form: form})
				}
			}
			for _, e := range t.Elements {
				note(e.Food, e.Form)
			}
			for _, r := range t.Reserve {
				note(r.Food, r.Form)
			}
		}
	}
	for i, w := range list {
		if slices.ContainsFunc(weights, func(v Weight) bool { return v.Food == w.Food && v.Grams > 0 }) && total[w.Food] > 0 {
			list[i].Grams, list[i].EachG = math.Round(total[w.Food]), 0
		}
	}
	return list
}

// correction changes how much of one food in one form there is.
type correction struct {
	j       *job.Job
	larder  *food.Larder
	food    *food.Food
	form    string
	each    float64 // grams of a piece; 0 where it is not counted
	missing float64 // what could not be taken off, g
}

func (c *correction) count(grams float64) int {
	if c.each <= 0 {
		return 0
	}
	return int(math.Round(grams / c.each))
}

// putBy puts grams into the reserve of the first tray that holds the food.
func (c *correction) putBy(grams float64) {
	t := c.j.Trays[0]
	for _, o := range c.j.Trays {
		if slices.ContainsFunc(o.Elements, func(e tray.Element) bool { return e.Food == c.food.ID && e.Form == c.form }) {
			t = o
			break
		}
	}
	grams /= float64(t.Copies())
	for i := range t.Reserve {
		if r := &t.Reserve[i]; r.Food == c.food.ID && r.Form == c.form {
			r.Grams, r.Count = round.Tenth(r.Grams+grams), r.Count+c.count(grams)
			return
		}
	}
	t.Reserve = append(t.Reserve, tray.Reserve{Food: c.food.ID, Form: c.form, Grams: round.Tenth(grams), Count: c.count(grams), Why: moreWeighed})
}

// takeOff takes grams out of the reserves and then off the trays, the largest groups first; it answers with how
// many pieces fewer lie on them.
func (c *correction) takeOff(ctx context.Context, grams float64) (fewer int, err error) {
	for _, t := range c.j.Trays {
		grams = c.fromReserve(t, grams)
	}
	for _, t := range c.j.Trays {
		order := []string{}
		for _, e := range t.Elements {
			if e.Food == c.food.ID && e.Form == c.form && !e.Locked {
				order = append(order, e.ID)
			}
		}
		slices.SortStableFunc(order, func(a, b string) int {
			return cmp.Compare(t.Elements[t.Find(b)].Grams, t.Elements[t.Find(a)].Grams)
		})
		for _, id := range order {
			if grams < 1 {
				return fewer, nil
			}
			took, n, err := c.fromElement(ctx, t, id, grams/float64(t.Copies()))
			if err != nil {
				return fewer, err
			}
			grams -= took * float64(t.Copies())
			fewer += n * t.Copies()
		}
	}
	c.missing = math.Max(0, grams)
	return fewer, nil
}

func (c *correction) fromReserve(t *tray.Tray, grams float64) (left float64) {
	for i := 0; i < len(t.Reserve) && grams > 0; i++ {
		r := &t.Reserve[i]
		if r.Food != c.food.ID || r.Form != "" && r.Form != c.form {
			continue
		}
		have := r.Grams * float64(t.Copies())
		if have <= grams {
			grams -= have
			t.Reserve = slices.Delete(t.Reserve, i, i+1)
			i--
			continue
		}
		part := grams / float64(t.Copies())
		r.Grams, r.Count = round.Tenth(r.Grams-part), max(0, r.Count-c.count(part))
		return 0
	}
	return grams
}

// fromElement takes grams off one element: whole pieces of a group, part of what fills a bowl or is weighed as a
// whole. It keeps at least one piece.
func (c *correction) fromElement(ctx context.Context, t *tray.Tray, id string, grams float64) (took float64, fewer int, err error) {
	e := &t.Elements[t.Find(id)]
	n := min(c.count(grams), e.Count-1)
	group := e.Vessel == "" && e.Kind() != food.KindAnchor && e.Placed && len(e.Pieces) > 0
	if group && n > 0 {
		with, err := edit.Apply(ctx, t, c.larder, edit.Command{Kind: edit.Amount, IDs: []string{id}, Count: e.Count - n})
		if err != nil {
			return 0, 0, err
		}
		was := e.Grams
		*t = *with.Tray
		took = was - t.Elements[t.Find(id)].Grams
		c.fromReserve(t, took*float64(t.Copies())) // where the hand has put them
		return took, n, nil
	}
	if group && c.each > 0 && grams >= c.each { // a single piece is left of it
		return 0, 0, nil
	}
	took = math.Min(grams, e.Grams/2) // what was far less than half is no weight of it
	e.Grams = round.Tenth(e.Grams - took)
	return took, 0, nil
}
