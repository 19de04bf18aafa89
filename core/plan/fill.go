package plan

import (
	"fmt"
	"math"
	"slices"

	"happytray/core/amount"
	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/round"
	"happytray/core/tray"
)

// lay fills t with the elements that fit its board, most of everything first:
// crackers move beside the board before anything else is held back.
func lay(t *tray.Tray, b brief.Brief, amounts []amount.Amount, cabinet *board.Cabinet) {
	room := Full * t.Board.UsableMM2()
	if t.Rules.Gaps == "airy" {
		room = airy * t.Board.UsableMM2()
	}
	all := amounts
	amounts = amount.Held(all, *t.Board)
	shares := crackersOn[t.Rules.Crackers]
	var gs []amount.Group
	fits := false
	on := 0.0
	for _, on = range shares {
		if gs = amount.Split(amounts, b, *t.Board, cabinet, 1, on); amount.Footprint(gs) <= room && amount.Stiff(gs) <= Stiff*t.Board.UsableMM2() {
			fits = true
			break
		}
	}
	if !fits {
		on = shares[len(shares)-1] // hold back the same part of everything, as much as it takes
		lo, hi := 0.0, 1.0
		for range 24 {
			mid := (lo + hi) / 2
			if try := amount.Split(amounts, b, *t.Board, cabinet, mid, on); amount.Footprint(try) <= room && amount.Stiff(try) <= (Stiff+.04)*t.Board.UsableMM2() {
				lo = mid
			} else {
				hi = mid
			}
		}
		gs = amount.Split(amounts, b, *t.Board, cabinet, lo, on)
		for amount.Footprint(gs) > room && len(gs) > 1 { // even one of each is too much
			gs = dropLargest(gs)
		}
	}
	for len(gs) > tray.MaxElements {
		gs = gs[:tray.MaxElements]
	}
	type way struct{ food, form string }
	laid := map[way]float64{}
	number := map[string]int{}
	pieces := 0
	for _, g := range gs {
		f := g.Food
		if pieces += g.Count; pieces > tray.MaxPieces/2 {
			break
		}
		number[f.ID]++
		id := f.ID
		if n := number[f.ID]; n > 1 {
			id = fmt.Sprintf("%s-%d", f.ID, n)
		}
		spec, _ := f.Spec(g.Form)
		e := tray.Element{ID: id, Food: f.ID, Form: spec.Form, Category: f.Category, Grams: fine(g.Weight), Count: g.Count,
			Colour: f.SurfaceColour(spec), Wetness: f.Wetness, Layer: food.Layer(f, spec), Pieces: []tray.Piece{}}
		if left := g.Grams - laid[way{f.ID, spec.Form}]; g.Packed && e.Grams > left && left >= .1 { // rounding makes no more of a pack
			e.Grams = math.Floor(10*left+1e-9) / 10
		}
		if g.Vessel != nil {
			e.Vessel = g.Vessel.ID
			if _, have := t.Vessel(e.Vessel); !have {
				t.Vessels = append(t.Vessels, *g.Vessel)
			}
		}
		t.Elements = append(t.Elements, e)
		laid[way{f.ID, spec.Form}] += e.Grams
	}
	for i := range all {
		a := &all[i]
		left := a.Grams - laid[way{a.Food.ID, a.Form}]
		spec, _ := a.Food.Spec(a.Form)
		least := math.Max(2, spec.MassG*.6)
		if spec.Shape == "vessel" { // it has no pieces: what is not in the bowl stays in its tub
			least = 5
		}
		if left < least && !(spec.MassG > 40 && left > 30) {
			continue
		}
		why := "the board is full; top up from this"
		if a.Food.Category == food.Cracker {
			why = tray.KeptCrisp
		}
		t.Reserve = append(t.Reserve, tray.Reserve{Food: a.Food.ID, Form: a.Form, Grams: round.Tenth(left),
			Count: int(math.Round(left / spec.MassG)), Why: why})
	}
}

// fine rounds grams to a tenth, petals to a hundredth.
func fine(g float64) float64 {
	if g < 1 {
		return math.Max(.01, round.Hundredth(g))
	}
	return round.Tenth(g)
}

// dropLargest leaves the largest group out, one of a food that has several first; of a cracker that would be left with
// too few to be seen all go.
func dropLargest(gs []amount.Group) []amount.Group {
	per := map[string]int{}
	for _, g := range gs {
		per[g.Food.ID]++
	}
	worst := 0
	for i, g := range gs { // a second group of a food goes before an only one
		a, w := g.Area(), gs[worst].Area()
		if per[g.Food.ID] > 1 {
			a *= 10
		}
		if per[gs[worst].Food.ID] > 1 {
			w *= 10
		}
		if a > w {
			worst = i
		}
	}
	gone := gs[worst].Food
	rest, left := slices.Delete(slices.Clone(gs), worst, worst+1), 0
	for _, g := range rest {
		if g.Food.ID == gone.ID {
			left += g.Count
		}
	}
	if gone.Category == food.Cracker && !gs[worst].Pinned && left < amount.FewCrackers {
		if others := slices.DeleteFunc(slices.Clone(rest), func(g amount.Group) bool { return g.Food.ID == gone.ID }); len(others) > 0 {
			return others
		}
	}
	return rest
}
