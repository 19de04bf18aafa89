package plan

import (
	"math"
	"slices"

	"happytray/core/amount"
	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
)

// showpiece is a fruit or vegetable that holds a dip, hollowed: the largest and tallest thing on its board, to which the eye goes
// first. Months are those in which it is cheap and good in the north (docs/craft.md, Schools).
type showpiece struct {
	vessel string
	months []int
	holds  []string // foods; empty for any savoury dip
}

var showpieces = []showpiece{
	{"squash-bowl", []int{9, 10, 11, 12}, nil},
	{"melon-bowl", []int{6, 7, 8, 9}, []string{"berry-compote", "vanilla-cream", "lemon-curd", "yoghurt-granola"}},
	{"cabbage-bowl", []int{1, 2, 3, 4, 10, 11, 12}, nil},
}

// suits reports whether a dip is good in it.
func (s showpiece) suits(f *food.Food) bool {
	if len(s.holds) > 0 {
		return slices.Contains(s.holds, f.ID)
	}
	return !food.SweetDip(f)
}

const (
	// showpieceFrom is for how many appetites a board gets a showpiece unasked: on a smaller one it takes the room of what is eaten.
	showpieceFrom = 20
	// showpieceBoards is on how many boards at most: nobody hollows out a dozen.
	showpieceBoards = 2
	// leastFull and mostFull are how full its dip fills it unasked, of its capacity: less looks like leavings, more waits in its tub.
	leastFull, mostFull = .3, 1.2
	// showpieceRoom is how much of the shorter side of a board it takes at most.
	showpieceRoom = .42
)

// withShowpiece has the dip that fills it best stand in a hollowed fruit or vegetable of the season, where the house or the size of
// the board wants one.
func withShowpiece(b brief.Brief, amounts []amount.Amount, surfaces []board.Board, cabinet *board.Cabinet) []amount.Amount {
	wish := b.HouseRules().Showpiece
	own := len(b.Foods) > 0 || len(b.Packs) > 0 || b.Money() > 0 // what is bought is said already, or counted
	switch {
	case wish == "none" || b.Plates() || len(surfaces) > showpieceBoards:
		return amounts
	case wish != "always" && (own || b.Occasion == "nibble" || b.Guests.Appetites() < showpieceFrom || b.Travels.Yes):
		return amounts
	}
	short := math.Inf(1)
	for i := range surfaces {
		if surfaces[i].LidMM > 0 {
			return amounts // nothing so tall goes under a lid
		}
		box := surfaces[i].FoodZone.Bounds()
		short = math.Min(short, math.Min(box.W(), box.H()))
	}
	all := cabinet.Vessels()
	inSeason := func(s showpiece) bool {
		f := food.Food{Season: s.months}
		return f.SeasonIn(b.SeasonMonth(), b.Hemisphere) == food.AtBest
	}
	best, in, worth := -1, "", 0.0
	for i := range amounts {
		a := &amounts[i]
		if a.Food.Category != food.Dip || !food.Has(a.Form, food.Spooned) || a.Vessel != "" {
			continue
		}
		spec, _ := a.Food.Spec(a.Form)
		for _, s := range showpieces {
			at := slices.IndexFunc(all, func(v board.Vessel) bool { return v.ID == s.vessel })
			if at < 0 {
				continue // the house has put it out of sight
			}
			v := all[at]
			if !s.suits(a.Food) || v.Across() > showpieceRoom*short || wish != "always" && !inSeason(s) {
				continue
			}
			full := food.FillOf(a.Food, spec, 1) * a.Grams / spec.MassG / float64(len(surfaces)) / v.CapacityML
			if wish != "always" && (full < leastFull || full > mostFull) {
				continue
			}
			w := v.Across() * math.Min(1, full)
			if inSeason(s) {
				w *= 1.5
			}
			if w > worth {
				best, in, worth = i, s.vessel, w
			}
		}
	}
	if best < 0 {
		return amounts
	}
	out := slices.Clone(amounts)
	out[best].Vessel, out[best].Bowls = in, 1
	return out
}
