package pick

import (
	"math"
	"slices"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/theme"
)

// sizes are the tables that kinds are told apart by, in appetites: one plate, a couple, up to
// eight or so, up to twenty, up to forty, and a spread.
var sizes = []float64{1.25, 4.99, 10, 20, 40}

// usualKinds is how many foods of each category a table of each of those sizes carries
// (docs/craft.md, Shares: three cheeses and two meats for up to eight, five and three for more,
// up to seven cheeses on a spread; odd counts look better). A meal is wider than a nibble, and
// what fills it, fruit, vegetables, dips and bread, more than what is nibbled.
var usualKinds = map[string]map[food.Category][6]int{
	"nibble": {
		food.Cheese: {1, 2, 3, 3, 5, 5}, food.Meat: {1, 1, 2, 2, 3, 3}, food.Dip: {1, 1, 1, 2, 2, 3}, food.Brined: {1, 1, 1, 2, 2, 2},
		food.Fruit: {1, 2, 2, 3, 3, 4}, food.Vegetable: {1, 1, 1, 2, 2, 3}, food.Dried: {0, 1, 1, 1, 2, 2}, food.Nut: {1, 1, 1, 2, 2, 2},
		food.Cracker: {1, 1, 2, 2, 3, 3}, food.Sweet: {0, 0, 0, 1, 1, 2}, food.Garnish: {1, 1, 1, 2, 2, 2}},
	"grazing": {
		food.Cheese: {2, 2, 3, 5, 5, 7}, food.Meat: {1, 1, 2, 3, 3, 4}, food.Dip: {1, 1, 2, 2, 3, 3}, food.Brined: {1, 1, 1, 2, 2, 3},
		food.Fruit: {2, 2, 3, 3, 4, 5}, food.Vegetable: {1, 1, 1, 2, 3, 3}, food.Dried: {1, 1, 1, 2, 2, 2}, food.Nut: {1, 1, 1, 2, 2, 3},
		food.Cracker: {1, 1, 2, 3, 3, 4}, food.Sweet: {0, 0, 1, 1, 2, 2}, food.Garnish: {1, 1, 1, 2, 2, 2}},
	"meal": {
		food.Cheese: {2, 3, 5, 5, 7, 7}, food.Meat: {1, 2, 2, 3, 4, 4}, food.Dip: {1, 1, 2, 3, 3, 4}, food.Brined: {1, 1, 2, 2, 3, 3},
		food.Fruit: {2, 2, 3, 4, 4, 5}, food.Vegetable: {1, 1, 2, 3, 3, 4}, food.Dried: {1, 1, 1, 2, 2, 3}, food.Nut: {1, 1, 1, 2, 3, 3},
		food.Cracker: {1, 2, 2, 3, 4, 4}, food.Sweet: {0, 1, 1, 2, 2, 3}, food.Garnish: {1, 1, 1, 2, 2, 2}},
}

// sweetKinds is the same for a dessert tray, where sweets and fruit lead.
var sweetKinds = map[food.Category][6]int{
	food.Sweet: {3, 3, 5, 7, 7, 9}, food.Fruit: {2, 3, 3, 5, 5, 7}, food.Dip: {1, 1, 2, 3, 3, 3}, food.Nut: {1, 1, 1, 2, 2, 3},
	food.Dried: {1, 1, 1, 2, 2, 2}, food.Cracker: {1, 1, 1, 2, 2, 3}, food.Cheese: {0, 0, 1, 1, 1, 2}, food.Garnish: {1, 1, 1, 2, 2, 2},
}

// sizeOf is the column of a table of so many appetites.
func sizeOf(appetites float64) int {
	for i, most := range sizes {
		if appetites <= most {
			return i
		}
	}
	return len(sizes)
}

// KindsFor is how many foods of each category the brief's tray carries, by the occasion, the
// guests and the board it lies on.
func KindsFor(b brief.Brief, under Under) map[food.Category]int {
	rules, off := b.HouseRules(), b.OffTheTray()
	usual, size := usualKinds[b.For()], sizeOf(b.Guests.Appetites())
	if b.Course == "sweet" {
		usual = sweetKinds
	}
	k := map[food.Category]int{}
	for c, of := range usual {
		k[c] = of[size]
	}
	if b.Course != "sweet" && (slices.Contains(off, "meat") || slices.Contains(off, "animal")) {
		k[food.Vegetable] += k[food.Meat] // its share goes to what can stand in for it
		k[food.Dip]++
		k[food.Nut]++               // of one alone there would be a carpet
		k[food.Meat] = min(1, size) // a cold cut without meat, where the larder has one
	}
	if b.Course != "sweet" && !b.Plates() && b.Guests.Total() >= 8 && k[food.Brined] == 1 {
		k[food.Brined] = 2 // one alone would be a bowlful for everybody
	}
	if b.Plates() && b.Course != "sweet" { // a plate has no room for two bowls, and a child's for few kinds
		k[food.Brined], k[food.Sweet] = 0, 1
		if b.Guests.Appetites() < 1 {
			for _, c := range food.Categories {
				k[c] = min(k[c], 1)
			}
			k[food.Dip], k[food.Nut] = 0, 0
		}
	}
	if b.Course == "savoury" {
		k[food.Sweet] = 0
	}
	if b.Course != "sweet" && rules.Vegetarians == "shapes" {
		k[food.Vegetable]++ // one that folds as the meat does
	}
	switch rules.Greenery {
	case "none":
		k[food.Garnish] = 0
	case "generous":
		k[food.Garnish]++
	}
	for c, g := range rules.EachG {
		if g == 0 {
			k[food.Category(c)] = 0
		}
	}
	for c, tilt := range theme.Tilts(b) {
		c := food.Category(c)
		_, hosts := b.Tilt[string(c)]
		switch {
		case tilt == 0:
			k[c] = 0
		case hosts: // the host wants more of it, not more kinds
		case tilt >= 1.5 && !b.Plates():
			k[c] = int(math.Ceil(1.5 * float64(k[c])))
		case tilt <= .6:
			k[c] = int(math.Ceil(.6 * float64(k[c])))
		}
	}
	if k[food.Cracker] == 0 && k[food.Vegetable] == 0 && b.Course != "sweet" {
		k[food.Dip] = 0 // there is nothing to dip
	}
	return narrowed(hurried(k, under.Haste), under)
}

// lessKinds is how many of the usual kinds there are, by how far handwork is saved: each that is laid takes its minutes.
var lessKinds = [MostHaste + 1]float64{1, 1, .8, .65, .5}

func hurried(k map[food.Category]int, haste int) map[food.Category]int {
	for c, n := range k {
		k[c] = int(math.Ceil(lessKinds[min(haste, MostHaste)]*float64(n) - 1e-9))
	}
	return k
}

// each is the board that one kind of food wants so that it is a heap and not a crumb, cm2, and
// fewest is how many kinds there are on the smallest board (docs/craft.md, Kinds and amounts).
const (
	each   = 62.0
	fewest = 8
)

// narrowed leaves out kinds where the board has no room for so many, first of those categories
// that have most of theirs to spare.
func narrowed(k map[food.Category]int, under Under) map[food.Category]int {
	all := 0
	for _, n := range k {
		all += n
	}
	for under.CM2 > 0 && all > max(fewest, int(under.CM2/each)) {
		from, most := food.Category(""), 1
		for _, c := range food.Categories {
			if k[c] > most {
				from, most = c, k[c]
			}
		}
		if from == "" {
			break
		}
		k[from]--
		all--
	}
	return k
}
