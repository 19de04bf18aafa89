package plan

import (
	"slices"

	"happytray/core/amount"
	"happytray/core/brief"
	"happytray/core/diet"
	"happytray/core/food"
	"happytray/core/pick"
)

// enoughPieces is how many pieces there are at least for each guest who takes some of a food: with fewer it is rather
// left out, and the others of its kind are more.
const enoughPieces = .8

// mostLeftOut bounds the kinds that are left out of one choice.
const mostLeftOut = 6

// forTakers is a choice without the cheeses, meats and crackers of which there would be too few pieces
// for those who take some: rather one kind less.
func forTakers(b brief.Brief, chosen []pick.Choice) []pick.Choice {
	for range mostLeftOut {
		amounts := amount.Apportion(b, chosen)
		k := scarce(b, amounts)
		if k < 0 {
			break
		}
		id := amounts[k].Food.ID
		chosen = slices.DeleteFunc(slices.Clone(chosen), func(c pick.Choice) bool { return c.Food.ID == id })
	}
	return chosen
}

// scarce finds the amount of which there are fewest pieces for its takers, too few and with others of its kind; -1 where
// there is none.
func scarce(b brief.Brief, amounts []amount.Amount) int {
	if b.Plates() || b.Course == "sweet" {
		return -1
	}
	kinds := map[food.Category]int{}
	foods := make([]*food.Food, len(amounts))
	for i, a := range amounts {
		kinds[a.Food.Category]++
		foods[i] = a.Food
	}
	worst, least := -1, enoughPieces
	for i, a := range amounts {
		s, ok := a.Food.Spec(a.Form)
		c := a.Food.Category
		if c != food.Cheese && c != food.Meat && c != food.Cracker {
			continue
		}
		if !ok || a.Pinned || a.Liked || kinds[c] < 2 || c == food.Cheese && kinds[c] <= 3 || food.InVessel(a.Form) || food.WholeG(s) > 0 && !a.Parts {
			continue
		}
		takers := 0.0
		for _, g := range b.Groups() {
			if diet.CanEat(g.Avoid, a.Food) {
				takers += float64(g.Count) * a.Food.Liking
			}
		}
		if share := a.Grams / s.MassG / takers; takers > 0 && share < least && missesNothing(b, foods, i) {
			worst, least = i, share
		}
	}
	return worst
}

// missesNothing reports whether a choice without its i-th food breaks no rule more, and leaves no group of guests without
// a part of its plate that it found before.
func missesNothing(b brief.Brief, foods []*food.Food, i int) bool {
	rest := slices.Delete(slices.Clone(foods), i, i+1)
	if pick.Broken(b, rest) > pick.Broken(b, foods) {
		return false
	}
	was, is := pick.Servings(b, foods), pick.Servings(b, rest)
	for g := range was {
		for k := range was[g].Parts {
			if was[g].Parts[k].Foods > 0 && is[g].Parts[k].Foods == 0 {
				return false
			}
		}
	}
	return true
}
