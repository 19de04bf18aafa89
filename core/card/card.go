// Package card is what guests and those who carry are told on paper: a card for each food, one of the best bites, one of
// drinks, and one for each board.
package card

import (
	"slices"
	"sort"
	"strings"

	"happytray/core/board"
	"happytray/core/diet"
	"happytray/core/drink"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/job"
	"happytray/core/recipe"
	"happytray/core/say"
	"happytray/core/tray"
)

// Set is all cards of a job.
type Set struct {
	Foods  []*food.Food            // a card each, shelf by shelf
	Made   map[string][]string     // by food, what it is made of, where it is made in the house
	Labels map[string]string       // by food, what its label has to say for guests who come
	Over   map[string][]*food.Food // by food, what is spooned, drizzled or strewn over it
	Bites  []string                // lines of one card; none where there is no such card
	Turns  [][]string              // lines of a card each, for what lies in tasting order
	Drinks []string                // lines of one card
	Names  []Name                  // who has a plate of their own by name
	Rooms  int                     // cards for who carries a board in, one each
}

// Name is a guest with a name: what their card says.
type Name struct {
	Who    string
	Avoids []string // as it is said
	Foods  []string // on their plate, in lower case
}

// Count is how many cards are written or printed.
func (s Set) Count() int {
	n := len(s.Foods) + len(s.Names) + len(s.Turns) + s.Rooms
	if len(s.Bites) > 0 {
		n++
	}
	if len(s.Drinks) > 0 {
		n++
	}
	return n
}

// For is the cards of a job: for every food on its boards that is more than garnish.
func For(j *job.Job, larder *food.Larder) Set {
	out := Set{Made: map[string][]string{}, Labels: map[string]string{}, Over: map[string][]*food.Food{}}
	off := j.Brief.OffTheTray()
	seen := map[string]bool{}
	for _, t := range j.Trays {
		out.over(t, larder)
		for _, id := range t.Foods() {
			f, ok := larder.Get(id)
			if !ok || seen[id] || f.Category == food.NotFood || f.Category == food.Garnish {
				continue
			}
			seen[id] = true
			out.Foods = append(out.Foods, f)
			if r, made := recipe.For(j.Brief, id); made {
				out.Made[id] = r.Names()
			}
			if label := diet.Labelled(off, f); label != "" {
				out.Labels[id] = label
			}
		}
	}
	rank := map[food.Category]int{}
	for i, c := range food.Categories {
		rank[c] = i
	}
	sort.SliceStable(out.Foods, func(a, b int) bool { return rank[out.Foods[a].Category] < rank[out.Foods[b].Category] })
	if len(out.Foods) == 0 {
		return out
	}
	out.Names = names(j, larder)
	out.Bites, out.Rooms = bites(j, larder), len(j.Trays)
	out.Turns = turns(j, larder)
	for _, d := range drink.With(j.Trays[0], larder) {
		out.Drinks = append(out.Drinks, say.Upper(d.Name)+": "+d.Why)
	}
	return out
}

// names is who has a plate of their own, in the order of the plates.
func names(j *job.Job, larder *food.Larder) (out []Name) {
	if !j.Brief.Plates() {
		return nil
	}
	for _, t := range j.Trays {
		p, named := j.Brief.PersonCalled(t.Part.Whose())
		if !named {
			continue
		}
		n := Name{Who: p.Name}
		for _, d := range t.Part.Diets {
			for _, w := range d.Avoid {
				if says := diet.Says(w); !slices.Contains(n.Avoids, says) {
					n.Avoids = append(n.Avoids, says)
				}
			}
		}
		for _, id := range t.Foods() {
			if f, ok := larder.Get(id); ok && f.Category != food.NotFood && f.Category != food.Garnish {
				n.Foods = append(n.Foods, say.Lower(f.Name))
			}
		}
		out = append(out, n)
	}
	return out
}

// over notes what lies over what on a tray: guests who read the card of a cheese eat what is strewn over it, too.
func (s *Set) over(t *tray.Tray, larder *food.Larder) {
	for i := range t.Elements {
		e := &t.Elements[i]
		f, ok := larder.Get(e.Food)
		if !ok || !e.Placed || !food.Has(e.Form, food.OnFood) {
			continue
		}
		for _, p := range e.Pieces {
			id := under(t, p.At)
			if id != "" && !slices.Contains(s.Over[id], f) {
				s.Over[id] = append(s.Over[id], f)
			}
		}
	}
}

// besideMM is how far from a piece the middle of what lies over it may be: between the wedges of a round there is none.
const besideMM = 8.0

// under is the food on which something lies at a point of the board; "" where there is none.
func under(t *tray.Tray, at geom.Point) (id string) {
	nearest := besideMM
	for i := range t.Elements {
		o := &t.Elements[i]
		if !o.Placed || o.Kind() == food.KindGarnish {
			continue
		}
		for k := range o.Pieces {
			d := o.Pieces[k].Outline.EdgeDistance(at)
			if o.Pieces[k].Outline.Contains(at) {
				d = 0
			}
			if d < nearest {
				id, nearest = o.Food, d
			}
		}
	}
	return id
}

// with is a food with what lies over it, as far as a card tells of it.
func with(f *food.Food, over []*food.Food) *food.Food {
	if len(over) == 0 {
		return f
	}
	g := *f
	add := func(list *[]string, more []string) {
		*list = slices.Clone(*list)
		for _, w := range more {
			if !slices.Contains(*list, w) {
				*list = append(*list, w)
			}
		}
	}
	for _, o := range over {
		add(&g.Allergens, o.Allergens)
		add(&g.MayContain, o.MayContain)
		add(&g.Diet, o.Diet)
		add(&g.Perhaps, o.Perhaps)
		if g.Like == "" {
			g.Like = o.Like
		}
	}
	g.MayContain = slices.DeleteFunc(g.MayContain, func(w string) bool { return slices.Contains(g.Allergens, w) })
	return &g
}

// Text is what the card of a food says below its name.
type Text struct {
	About    string // of cheese: of what milk, and how strong
	Over     string // what lies over it, or ""
	Contains string // its allergens, and those of what lies over it
	Traces   string // what may be in it besides, or ""
	Holds    string // pork, beef, fish, alcohol, raw milk; vegetarian or vegan, as far as is sure
}

// strengths are how strong a cheese is, as guests read it.
var strengths = []string{"", "mild", "mild", "medium", "strong", "very strong"}

// told are the diet words that a card tells, with how they are read.
var told = []struct{ word, says string }{{"pork", "pork"}, {"beef", "beef"}, {"poultry", "poultry"}, {"game", "game"}, {"fish", "fish"}, {"shellfish", "shellfish"}, {"gelatine", "gelatine"}, {"alcohol", "alcohol"}, {"raw milk", "raw milk"}, {"honey", "honey"}}

// TextOf is the text of a food's card, with what lies over it. It never says that anything is free of something: where no allergen is known, the
// pack is to be read.
func TextOf(f *food.Food, over ...*food.Food) Text {
	var t Text
	if len(over) > 0 {
		var names []string
		for _, o := range over {
			names = append(names, say.Lower(o.Name))
		}
		t.Over = "With " + say.And(names) + " over it"
	}
	f = with(f, over)
	var about []string
	if f.Category == food.Cheese {
		if m := f.MilkSays(); m != "" {
			about = append(about, m)
		}
		about = append(about, strengths[min(5, max(0, f.Strength))])
	}
	t.About = strings.Trim(strings.Join(about, ", "), ", ")
	if t.About != "" {
		t.About = say.Upper(t.About)
	}
	t.Contains = "Allergens: see the pack"
	if len(f.Allergens) > 0 {
		t.Contains = "Contains " + say.And(f.Allergens)
	}
	if len(f.MayContain) > 0 {
		t.Traces = "May contain " + say.And(f.MayContain)
	}
	var holds []string
	for _, w := range told {
		if f.Holds(w.word) {
			holds = append(holds, w.says)
		}
	}
	switch {
	case f.Like != "":
		t.Traces = "Its label was not read yet"
	case len(holds) > 0:
		t.Holds = "With " + say.And(holds)
	}
	suits := ""
	switch {
	case f.Vegan():
		suits = "Vegan"
	case f.Vegetarian():
		suits = "Vegetarian"
	}
	t.Holds = strings.Trim(t.Holds+" · "+suits, " ·")
	return t
}

// mostBites is how many bites a card tells: more is a list that nobody reads.
const mostBites = 4

// bites are what is eaten together, as guests are told.
func bites(j *job.Job, larder *food.Larder) (out []string) {
	for _, b := range j.BitesNow(larder) {
		if len(out) < mostBites {
			out = append(out, b.Name)
		}
	}
	return out
}

// turns are what is tasted in its turn, as guests are told, a card for cheeses and one for meats: the way, then the foods from
// mild to strong, those of one strength on one line. Of several boards that lie alike the first is told.
func turns(j *job.Job, larder *food.Larder) (out [][]string) {
	for _, t := range j.Trays {
		if t.Board == nil {
			continue
		}
		of := map[food.Category][][]string{}
		seen := map[string]bool{}
		for _, turn := range t.Tasting(larder) {
			f, ok := larder.Get(t.Elements[turn.Element].Food)
			if !ok || seen[f.ID] {
				continue
			}
			seen[f.ID] = true
			rows := of[turn.Category]
			if rows == nil {
				rows = make([][]string, len(strengths))
			}
			k := slices.Index(strengths, strengths[turn.Strength])
			rows[k] = append(rows[k], say.Lower(f.Name))
			of[turn.Category] = rows
		}
		for _, kind := range []food.Category{food.Cheese, food.Meat} {
			lines := []string{say.Upper(string(kind)) + ", " + board.WaySays[t.Board.Way()] + ":"}
			for k, names := range of[kind] {
				if len(names) > 0 {
					lines = append(lines, strengths[k]+": "+say.And(names))
				}
			}
			if len(lines) > 1 {
				out = append(out, lines)
			}
		}
		if len(out) > 0 {
			return out
		}
	}
	return nil
}
