// Package template is what a stylist puts on the shelf to use again: a choice of foods with its amounts,
// an idea with its colours, a theme of one's own, a laid tray as a pattern.
package template

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"happytray/core/brief"
	"happytray/core/colour"
	"happytray/core/diet"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/pick"
	"happytray/core/plan"
	"happytray/core/say"
)

// Kinds of what is kept.
const (
	Choice  = "choice"
	Idea    = "idea"
	Theme   = "theme"
	Pattern = "pattern"
)

// Kinds in the order the shelf is read.
var Kinds = []string{Choice, Idea, Theme, Pattern}

// Portion is a food of a kept choice, with grams for each appetite.
type Portion struct {
	Food  string  `json:"food"`
	Form  string  `json:"form,omitempty"`
	EachG float64 `json:"each_g"`
}

// Template is one thing on the shelf. What its kind does not need is left out.
type Template struct {
	ID   string `json:"id"`
	Name string `json:"name"`

	Foods    []Portion `json:"foods,omitempty"`  // of a choice
	Guests   int       `json:"guests,omitempty"` // that it was chosen for
	Occasion string    `json:"occasion,omitempty"`

	Note  string `json:"note,omitempty"`  // of an idea
	Photo bool   `json:"photo,omitempty"` // it has a picture, which is kept beside it

	Palette []string `json:"palette,omitempty"` // of an idea or a theme, #rrggbb
	Region  string   `json:"region,omitempty"`  // of a theme
	Belongs []string `json:"belongs,omitempty"`
	Alien   []string `json:"alien,omitempty"`
	Garnish []string `json:"garnish,omitempty"`
	Liner   string   `json:"liner,omitempty"`

	Laid *Laid `json:"laid,omitempty"` // of a pattern
}

// Laid is a tray as a job's saved state has it. Saved states are never overwritten, so that nothing of it is
// kept twice.
type Laid struct {
	Job      string `json:"job"`
	Revision int64  `json:"revision"` // of that job, from 1
	Tray     int    `json:"tray"`     // from 0
}

// MaxFoods bounds a kept choice, and MaxNote the note of an idea, in letters.
const (
	MaxFoods = 120
	MaxNote  = 2000
)

// Check bounds what is kept.
func (k Template) Check(kind string) error {
	if err := fault.OneOf("kind", kind, Kinds...); err != nil {
		return err
	}
	if strings.TrimSpace(k.Name) == "" {
		return fault.Bad("name", "it needs a name")
	}
	if err := fault.Text("name", k.Name, 80); err != nil {
		return err
	}
	if err := fault.Text("note", k.Note, MaxNote); err != nil {
		return err
	}
	if kind == Choice && (len(k.Foods) == 0 || len(k.Foods) > MaxFoods) {
		return fault.Bad("foods", "a kept choice has 1 to %d foods", MaxFoods)
	}
	if kind == Pattern && k.Laid == nil {
		return fault.Bad("laid", "a pattern is kept of a tray that is laid")
	}
	for i, p := range k.Foods {
		at := fmt.Sprintf("foods[%d].", i)
		if err := fault.First(func() error { return fault.Text(at+"food", p.Food, 80) }, func() error { return fault.Text(at+"form", p.Form, 40) },
			func() error { return fault.Between(at+"each_g", p.EachG, 0, brief.MaxEachG, " g") }); err != nil {
			return err
		}
	}
	if kind == Theme && len(k.Palette)+len(k.Belongs) == 0 && k.Region == "" {
		return fault.Bad("palette", "a theme has colours, a region or foods that belong to it; a name alone says nothing")
	}
	if k.Liner != "" {
		if _, err := colour.Parse(k.Liner); err != nil {
			return fault.Bad("liner", "%s", err.Error())
		}
	}
	return k.theme().Check("")
}

func (k Template) theme() brief.Theme {
	return brief.Theme{Name: k.Name, Palette: k.Palette, Region: k.Region, Belongs: k.Belongs, Alien: k.Alien, Garnish: k.Garnish, Liner: k.Liner}
}

// FromJob is a job's choice, to be kept: each of its foods in its form, with grams for each appetite of
// those who share it. Props are not kept.
func FromJob(j *job.Job, larder *food.Larder) Template {
	k := Template{Guests: j.Brief.Guests.Total(), Occasion: j.Brief.For()}
	grams := map[string]float64{}
	for _, one := range j.Trays {
		times := float64(one.Copies())
		for _, e := range one.Elements {
			grams[e.Food] += e.Grams * times
		}
		for _, r := range one.Reserve {
			grams[r.Food] += r.Grams * times
		}
	}
	appetites := math.Max(.5, j.Brief.Guests.Appetites())
	for _, w := range plan.Wants(j) {
		f, ok := larder.Get(w.Food)
		if !ok || f.Category == food.NotFood || grams[w.Food] <= 0 || len(k.Foods) == MaxFoods {
			continue
		}
		k.Foods = append(k.Foods, Portion{Food: w.Food, Form: w.Form, EachG: math.Min(brief.MaxEachG, math.Round(grams[w.Food]/appetites*100)/100)})
	}
	return k
}

// Apply is a brief with a kept choice for its foods, as much of each for an appetite as it was; what the
// host pinned stays. What its guests avoid, or the larder does not have, is left out, with the nearest
// food in its place; what was done is said.
func Apply(k Template, b brief.Brief, larder *food.Larder) (brief.Brief, []string) {
	b.Foods = nil
	at := diet.TableOf(b)
	var on []*food.Food
	for _, p := range k.Foods {
		if f, ok := larder.Get(p.Food); ok {
			on = append(on, f)
		}
	}
	says := []string{}
	taken := map[string]bool{}
	bans := map[string]bool{}
	for _, id := range b.Bans {
		bans[id] = true
	}
	take := func(id, form string, each float64) {
		if !taken[id] {
			taken[id] = true
			b.Foods = append(b.Foods, brief.Want{Food: id, Form: form, EachG: each})
		}
	}
	for _, p := range k.Foods {
		f, ok := larder.Get(p.Food)
		if !ok {
			says = append(says, fmt.Sprintf("The larder has no %.60s any more; it is left out.", p.Food))
			continue
		}
		why := ""
		switch v, word := at.For(f); {
		case v == diet.Avoided:
			why = fmt.Sprintf("contains %s, which guests avoid", word)
		case v == diet.Traces:
			why = fmt.Sprintf("may contain %s, which guests avoid", word)
		case bans[f.ID]:
			why = "is not to come on this tray"
		case v == diet.NotForChildren:
			why = "is not for small children"
		case v == diet.DoesNotKeep:
			why = "does not keep in that heat or on that road"
		case larder.OutOfStock(f.ID):
			why = "is out of stock"
		}
		if why == "" {
			form := p.Form
			if _, has := f.Spec(form); !has || at.NotAs(f, form) || at.Suffers(f, form) != "" {
				form = "" // the choice finds one that suits
			}
			take(f.ID, form, p.EachG)
			continue
		}
		instead := ""
		for _, s := range pick.Substitutes(b, f, p.Form, on, larder, 5) {
			if !taken[s.Food.ID] && !bans[s.Food.ID] && s.Food.Category == f.Category {
				take(s.Food.ID, s.Form, p.EachG)
				instead = "; " + strings.ToLower(s.Food.Name) + " instead"
				break
			}
		}
		says = append(says, fmt.Sprintf("%s %s%s.", f.Name, why, instead))
	}
	if len(b.Foods) == 0 {
		says = append(says, "Nothing of it suits this job, so foods are chosen anew.")
	}
	if k.Guests > 0 && k.Guests != b.Guests.Total() {
		says = append(says, fmt.Sprintf("Kept for %s, now worked out for %d.", say.Count(k.Guests, "guest"), b.Guests.Total()))
	}
	return b, slices.Clip(says)
}
