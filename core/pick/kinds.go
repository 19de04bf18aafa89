package pick

import (
	"slices"

	"happytray/core/brief"
	"happytray/core/food"
)

// Kinds is how many foods of each category a tray for so many appetites carries
// (docs/craft.md, Shares: three cheeses and two meats for up to eight, five and three
// for more, up to seven cheeses on a spread; odd counts look better).
func Kinds(appetites float64, off []string, rules brief.Rules) map[food.Category]int {
	step := func(single, small, middle, large, spread int) int {
		switch {
		case appetites <= 1.25:
			return single
		case appetites < 5:
			return small
		case appetites <= 10:
			return middle
		case appetites <= 30:
			return large
		}
		return spread
	}
	k := map[food.Category]int{
		food.Cheese: step(2, 2, 3, 5, 7), food.Meat: step(1, 1, 2, 3, 3), food.Dip: step(1, 1, 2, 2, 3),
		food.Brined: step(1, 1, 1, 2, 2), food.Fruit: step(2, 2, 3, 3, 5), food.Vegetable: step(1, 1, 1, 1, 2),
		food.Dried: step(1, 1, 1, 2, 2), food.Nut: step(1, 1, 1, 2, 3), food.Cracker: step(1, 1, 2, 3, 3),
		food.Sweet: step(0, 0, 1, 1, 2), food.Garnish: step(1, 1, 2, 2, 2),
	}
	if slices.Contains(off, "meat") || slices.Contains(off, "animal") {
		k[food.Vegetable] += k[food.Meat] // its share goes to what can stand in for it
		k[food.Dip]++
		k[food.Meat] = step(0, 1, 1, 1, 1) // a cold cut without meat, where the larder has one
	}
	if rules.Greenery == "none" {
		k[food.Garnish] = 0
	}
	return k
}

// sweetKinds is the same for a dessert tray, where sweets and fruit lead.
func sweetKinds(appetites float64, rules brief.Rules) map[food.Category]int {
	step := func(small, middle, large, spread int) int {
		switch {
		case appetites < 5:
			return small
		case appetites <= 10:
			return middle
		case appetites <= 30:
			return large
		}
		return spread
	}
	k := map[food.Category]int{
		food.Sweet: step(3, 5, 7, 9), food.Fruit: step(3, 3, 5, 7), food.Dip: step(1, 2, 3, 3), food.Nut: step(1, 1, 2, 3),
		food.Dried: step(1, 1, 2, 2), food.Cracker: step(1, 1, 2, 3), food.Cheese: step(0, 1, 1, 2), food.Garnish: step(1, 2, 2, 2),
	}
	if rules.Greenery == "none" {
		k[food.Garnish] = 0
	}
	return k
}

// KindsFor is how many foods of each category the brief's tray carries.
func KindsFor(b brief.Brief) map[food.Category]int {
	if b.Course == "sweet" {
		return sweetKinds(b.Guests.Appetites(), b.HouseRules())
	}
	k := Kinds(b.Guests.Appetites(), b.OffTheTray(), b.HouseRules())
	if b.Plates() { // a plate has no room for two bowls
		k[food.Brined], k[food.Sweet] = 0, 1
	}
	if b.Course == "savoury" {
		k[food.Sweet] = 0
	}
	if b.HouseRules().Vegetarians == "shapes" {
		k[food.Vegetable]++ // one that folds as the meat does
	}
	return k
}
