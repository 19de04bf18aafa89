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
		out, in, most := -1, -1, 0.0
		for _, i := range slices.Clone(s.on) {
			c := f.cands[i].food.Category
			if fixed[i] || c != food.Dip && c != food.Fruit && c != food.Dried && c != food.Brined && c != food.Vegetable {
				continue
			}
			f.put(s, i, -1)
			had := f.marginal(s, i)
			for _, j := range f.of[c] {
				if f.cands[j].notNow || slices.Contains(s.on, j) || f.doubled(s, j) || !f.classicWith(s, j) {
					continue
				}
				v := f.marginal(s, j) - had
				if out >= 0 && v <= most || v < -forGroup/2 {
					continue
				}
				f.put(s, j, 1)
				if foods, _ := f.on(s); f.broken(b, s) <= broken && f.played(s, core) >= played && len(bite.Of(foods, b)) > have {
					out, in, most = i, j, v
				}
				f.put(s, j, -1)
			}
			f.put(s, i, 1)
		}
		if out < 0 {
			return
		}
		f.put(s, out, -1)
		f.put(s, in, 1)
	}
}

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
