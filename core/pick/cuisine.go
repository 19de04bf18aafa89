package pick

import (
	"math"
	"slices"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/theme"
)

// ofCuisine is the share of its cheeses and meats that a board of one cuisine has from there, and of what leads its meats.
const ofCuisine = .7

// kinOf is a category whose foods a theme wants from its own: all cheese and meat of a cuisine together, or the meats of a
// theme that something leads.
func kinOf(t *theme.Theme, c food.Category) bool {
	switch {
	case t == nil:
		return false
	case len(t.Origins) > 0:
		return c == food.Cheese || c == food.Meat
	}
	return len(t.Leads) > 0 && c == food.Meat
}

// Cuisine counts the foods of a choice that its theme wants from its own, and those that are.
func Cuisine(t *theme.Theme, foods []*food.Food) (own, of int) {
	for _, f := range foods {
		if kinOf(t, f.Category) {
			of++
			if t.Kin(f) {
				own++
			}
		}
	}
	return own, of
}

// FromThere reports whether so many foods of so many are enough for a board of one cuisine.
func FromThere(own, of int) bool { return own >= int(math.Ceil(ofCuisine*float64(of)-1e-9)) }

// toCuisine exchanges cheeses and meats for those of the theme's own, each time where the choice loses least, until most
// are from there or there are no more that suit.
func (f *candidates) toCuisine(b brief.Brief, s *stats, fixed map[int]bool) {
	t := theme.ForBrief(b)
	if t == nil || len(t.Origins)+len(t.Leads) == 0 {
		return
	}
	for range len(s.on) {
		foods, _ := f.on(s)
		if own, of := Cuisine(t, foods); FromThere(own, of) {
			return
		}
		broken := f.broken(b, s)
		out, in, most := -1, -1, 0.0
		for _, i := range slices.Clone(s.on) {
			c := f.cands[i].food
			if fixed[i] || !kinOf(t, c.Category) || t.Kin(c) {
				continue
			}
			f.put(s, i, -1)
			had := f.marginal(s, i)
			for _, j := range f.of[c.Category] {
				if slices.Contains(s.on, j) || !t.Kin(f.cands[j].food) || f.doubled(s, j) {
					continue
				}
				v := f.marginal(s, j) - had
				if out >= 0 && v <= most || v < -forGroup/2 { // no group of guests goes without for it
					continue
				}
				f.put(s, j, 1)
				if f.broken(b, s) <= broken {
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
