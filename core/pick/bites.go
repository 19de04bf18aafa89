package pick

import (
	"slices"
	"strings"

	"happytray/core/bite"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/say"
)

// fewestBites is how many a choice is to make, from enoughForBites foods on.
const (
	fewestBites    = 2
	enoughForBites = 9
)

// toBites makes a choice make two bites at least: what is eaten with something rich is exchanged for what is known to go
// with it, each time where the choice loses least.
func (f *candidates) toBites(b brief.Brief, s *stats, fixed map[int]bool, core []int) {
	if len(s.on) < enoughForBites || b.Course == "sweet" {
		return
	}
	for range fewestBites {
		foods, _ := f.on(s)
		have := len(bite.Of(foods, b))
		if have >= fewestBites {
			return
		}
		broken, played := f.broken(b, s), f.played(s, core)
		if !f.swap(s, exchange{
			leaves: func(i int) bool { return !fixed[i] && slices.Contains(eatenWith, f.cands[i].food.Category) },
			comes: func(i, j int) bool {
				return !f.cands[j].notNow && !f.dearer(s, i, j) && f.classicWith(s, j)
			},
			holds: func() bool {
				foods, _ := f.on(s)
				return f.broken(b, s) <= broken && f.played(s, core) >= played && len(bite.Of(foods, b)) > have
			},
		}) {
			return
		}
	}
}

// eatenWith are the kinds that something rich is eaten with.
var eatenWith = []food.Category{food.Dip, food.Fruit, food.Dried, food.Brined, food.Vegetable}

// classicWith reports whether a food makes a classic pair with a cheese, meat or dip of the choice.
func (f *candidates) classicWith(s *stats, j int) bool {
	return slices.ContainsFunc(s.on, func(i int) bool {
		o := f.cands[i].food
		_, named := food.NamedPair(o, f.cands[j].food)
		return named && (o.Category == food.Cheese || o.Category == food.Meat || o.Category == food.Dip)
	})
}

// tellBites says of each food that is in a bite with what, and why.
func tellBites(bites []bite.Bite, larder *food.Larder) map[string]string {
	out := map[string]string{}
	for _, b := range bites {
		for _, id := range b.Foods {
			var others []string
			for _, o := range b.Foods {
				if f, ok := larder.Get(o); ok && o != id {
					name, _, _ := strings.Cut(f.Name, ",")
					others = append(others, "the "+say.Lower(name))
				}
			}
			out[id] = "one bite with " + say.And(others) + ": " + b.Why
		}
	}
	return out
}
