package plan

import (
	"math"
	"slices"

	"happytray/core/amount"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/pick"
	"happytray/core/say"
)

// A small table is served whole packs where that is nearly what it gets anyway: a rest of so little is laid as well, and
// a pack is not opened for so little more. From smallTable appetites on less of a rest is laid, because there are more
// packs of everything, and from midTable on none.
const (
	smallTable = 10.0
	midTable   = 30.0
	layRest    = 1.33 // times the amount, with the rest of the pack
	layLess    = 1.1
	fewerPacks = .88
)

// inPacks is a choice with its amounts, in whole packs where that is nearly what they are. What a hand tilts starts from
// what whole packs make of its usual amount: at 140 % there is more than at 100 %, not the same packs again.
func inPacks(b brief.Brief, chosen []pick.Choice, lean float64, larder *food.Larder) []amount.Amount {
	amounts := reckoned(b, chosen, lean)
	if !smallEnough(b) {
		return amounts
	}
	if len(b.Tilt) > 0 {
		usual := b
		usual.Tilt = nil
		was := reckoned(usual, chosen, lean)
		times := map[string]float64{}
		for i, a := range toPacks(usual, slices.Clone(was), larder) {
			if was[i].Grams > 0 {
				times[a.Food.ID] = a.Grams / was[i].Grams
			}
		}
		for i := range amounts {
			a := &amounts[i]
			if _, tilted := b.Tilt[string(a.Food.Category)]; tilted && times[a.Food.ID] > 0 && a.Choice.Grams == 0 && wholeOf(*a) == 0 {
				a.Grams *= times[a.Food.ID]
			}
		}
	}
	return toPacks(b, amounts, larder)
}

// toPacks rounds amounts that nobody set to whole packs where little is missing. What stands in the cupboard, comes as
// a whole or is eaten in the house anyway is left as it is, and so is what some guests cannot eat the others of.
func toPacks(b brief.Brief, amounts []amount.Amount, larder *food.Larder) []amount.Amount {
	most := layRest
	if b.Guests.Appetites() >= smallTable {
		most = layLess
	}
	day := b.ServeDay()
	for i := range amounts {
		a := &amounts[i]
		f := a.Food
		if a.Choice.Grams > 0 || f.Category == food.Garnish || f.Category == food.NotFood || food.Has(a.Form, food.OnFood) || wholeOf(*a) > 0 || larder.OnHand(f.ID, day) > 0 || b.HouseRules().EatsAnyway(f.ID) {
			continue
		}
		need := f.BoughtFor(a.Form, a.Grams)
		packs := larder.PacksOf(f)
		_, full, cost := food.Cover(packs, need)
		if full <= 0 || need >= full-1 {
			continue
		}
		to := full
		if _, less, cheaper := food.Cover(packs, fewerPacks*need); f.Category != food.Cracker && b.Tilt[string(f.Category)] <= 1 && less > 0 && less < need && cheaper < cost {
			to = less
		} else if full > most*need {
			continue
		}
		was, before := a.Grams, ofOne(b, amounts, f.Category)
		if a.Grams = math.Floor(to * f.YieldAs(a.Form)); ofOne(b, amounts, f.Category) > math.Max(1, before) {
			a.Grams = was
			continue
		}
		a.Why = a.Why.Also(say.That("amount.pack"))
	}
	return amounts
}

// smallEnough reports whether whole packs are laid for a brief at all.
func smallEnough(b brief.Brief) bool { return !b.Plates() && b.Guests.Appetites() < midTable }

// ofOne is how far a kind goes beyond what one food of it may be, 1 where it just may: one cheese of all cheese, a
// pickle for a guest; 0 where nothing bounds it.
func ofOne(b brief.Brief, amounts []amount.Amount, of food.Category) float64 {
	all, largest, kinds := 0.0, 0.0, 0
	for _, a := range amounts {
		if a.Food.Category == of {
			all += a.Grams
			largest = math.Max(largest, a.Grams)
			kinds++
		}
	}
	switch {
	case of == food.Cheese && kinds >= 3:
		return largest / (amount.MostOfCheese * all)
	case of == food.Brined:
		return largest / (amount.EachPickle * float64(b.Guests.Total()))
	}
	return 0
}
