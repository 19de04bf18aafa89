package plan

import (
	"math"

	"happytray/core/amount"
	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/diet"
	"happytray/core/food"
)

const (
	// fillerShare is how much of a board small food that goes into the gaps covers, laid side by side. Of 160 boards laid in
	// two seconds cover grew by .54 for each part of the board for which small food waited (a straight line through eight
	// measures of the plan, error .017); those under .92 had none left.
	fillerShare = .12
	// smallShare is what a board of smallMM2 and less needs more than that: more of it lies along its edge.
	smallShare, smallMM2, largeMM2 = .05, 80000.0, 180000.0
	// givesFillers is how much of its grams another food of the kind gives at most.
	givesFillers = .4
	// lendsFillers is how much another of the little kinds gives, where a filler's own kind has not enough.
	lendsFillers = .25
	// allGiveFillers is how much every other food gives, where both are not enough.
	allGiveFillers = .08
	// mostFillers is how many times its grams a filler becomes at most.
	mostFillers = 3
)

// withFillers gives what fills the gaps of some boards so much that it can, out of what others of the same kind weigh: nobody
// gets more or less of a kind, but that dried fruit, nuts and sweets together make up for one that is alone in its kind,
// and that every kind but crackers gives a spoonful where all that is not enough. What the host set, what is whole, and what some guests avoid stays as it is.
func withFillers(b brief.Brief, amounts []amount.Amount, surfaces []board.Board) []amount.Amount {
	if b.Plates() || b.HouseRules().Gaps == "airy" {
		return amounts
	}
	needed := 0.0 // mm2 of small food
	for _, s := range surfaces {
		small := math.Max(0, math.Min(1, (largeMM2-s.UsableMM2())/(largeMM2-smallMM2)))
		needed += (fillerShare + smallShare*small) * s.UsableMM2()
	}
	out := append([]amount.Amount(nil), amounts...)
	have := 0.0
	fills := make([]float64, len(out)) // mm2 that a gram covers; 0 for what fills no gap
	for i, a := range out {
		if s, ok := a.Food.Spec(a.Form); ok && s.FillsGaps() && s.MassG > 0 && diet.Everybodys(b, a.Food) {
			fills[i] = s.AreaMM2() / s.MassG
			have += fills[i] * a.Grams
		}
	}
	if have == 0 || have >= needed {
		return out
	}
	times := math.Min(mostFillers, needed/have)
	grows := func(i int) bool { return fills[i] > 0 && settable(out[i]) }
	gives := func(i int) bool { return fills[i] == 0 && settable(out[i]) && wholeOf(out[i]) == 0 }
	// from what one says, to each filler of a kind the same part of what it lacks
	hand := func(to, from func(food.Category) bool, part float64) {
		wants, given := 0.0, 0.0
		for i, a := range out {
			if grows(i) && to(a.Food.Category) {
				wants += times*amounts[i].Grams - a.Grams
			}
			if gives(i) && from(a.Food.Category) {
				given += part * a.Grams
			}
		}
		if wants < 1 || given == 0 {
			return
		}
		moved := math.Min(wants, given)
		for i := range out {
			a := &out[i]
			switch {
			case grows(i) && to(a.Food.Category):
				a.Grams += (times*amounts[i].Grams - a.Grams) * moved / wants
			case gives(i) && from(a.Food.Category):
				a.Grams -= part * a.Grams * moved / given
			}
		}
	}
	for _, kind := range food.Categories {
		same := func(c food.Category) bool { return c == kind }
		hand(same, same, givesFillers)
		if little[kind] { // a kind of one food has none of its own to give
			hand(same, func(c food.Category) bool { return c != kind && little[c] }, lendsFillers)
		}
	}
	hand(func(food.Category) bool { return true }, func(c food.Category) bool { return c != food.Cracker }, allGiveFillers)
	return out
}

// little are the kinds that close the gaps of a board together, and stand in for each other there.
var little = map[food.Category]bool{food.Dried: true, food.Nut: true, food.Sweet: true}

// settable reports whether nobody has said how much there is to be of it.
func settable(a amount.Amount) bool { return a.Choice.Grams == 0 && !a.Liked && !a.Pinned }
