package pick

import (
	"math"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/theme"
)

// ofCuisine is the share of its cheeses and meats that a board of one cuisine has from there, and of what leads its meats.
const ofCuisine = .7

// Cuisine counts the foods of a choice that its theme wants from its own, and those that are.
func Cuisine(t *theme.Theme, foods []*food.Food) (own, of int) {
	for _, c := range food.Categories {
		theirs, all := cuisineOf(t, c, foods)
		own, of = own+theirs, of+all
	}
	return own, of
}

// cuisineOf is Cuisine of one category.
func cuisineOf(t *theme.Theme, c food.Category, foods []*food.Food) (own, of int) {
	for _, f := range foods {
		if f.Category == c && t.OfItsOwn(c) {
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
// of the cheeses are from there and most of the meats, or there are no more that suit.
func (f *candidates) toCuisine(b brief.Brief, s *stats, fixed map[int]bool, core []int) {
	t := theme.ForBrief(b)
	if t == nil || len(t.Origins)+len(t.Leads) == 0 {
		return
	}
	for _, c := range food.Categories {
		for range len(s.on) {
			foods, _ := f.on(s)
			if own, of := cuisineOf(t, c, foods); FromThere(own, of) {
				break
			}
			broken := f.broken(b, s)
			if !f.swapWithin(s, core, exchange{
				leaves: func(i int) bool {
					food := f.cands[i].food
					return !fixed[i] && food.Category == c && !t.Kin(food)
				},
				comes: func(_, j int) bool { return t.Kin(f.cands[j].food) },
				holds: func() bool { return f.broken(b, s) <= broken },
			}) {
				break
			}
		}
	}
}
