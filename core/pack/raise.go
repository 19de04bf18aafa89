package pack

import (
	"math"

	"happytray/core/board"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/review"
	"happytray/core/round"
	"happytray/core/tray"
)

const (
	raisedTo  = review.TallMM + 2 // mm, over which what stands on a board reads as tall
	mostRaise = 25.0              // mm: a folded cloth, a small plate or a lid upside down
	leastFoot = 55.0              // mm, what is narrower would tip
	standFoot = 90.0              // mm, the same on something higher
)

// Lifts are by how many mm something may be set higher, in steps of 5, least first: so that it stands above what lies round
// it, and on a long table so that it stands a storey above the rest, on a stand or an upturned bowl. What can be set higher
// is a bowl, or a cheese that is cut already: nobody leans on it with a knife. None where it stands high already, would have
// to be set too high, is narrow, is locked or does not stand in the open.
func Lifts(t *tray.Tray, i int) (out []float64) {
	e := &t.Elements[i]
	if !e.Placed || e.Locked || len(e.Pieces) == 0 || e.RaisedMM() > 0 {
		return nil
	}
	high, foot := 0.0, 0.0
	if v, in := t.Vessel(e.Vessel); in {
		high, foot = v.HeightMM, across(v)
	} else if food.Has(e.Form, food.CutInPlace) {
		var all geom.Outline
		for _, p := range e.Pieces {
			all, high = append(all, p.Outline...), math.Max(high, p.ZMM+p.HeightMM)
		}
		box := all.Bounds()
		foot = math.Min(box.W(), box.H())
	}
	lift := func(to, most, least float64) {
		by := 5 * math.Ceil((to-high)/5)
		if lid := t.Board.LidMM; foot >= least && by > 0 && by <= most && (lid == 0 || high+by <= lid) {
			out = append(out, by)
		}
	}
	lift(raisedTo, mostRaise, leastFoot)
	if review.Storeys(t.Board) > 0 {
		lift(review.StoreyMM, review.StoreyMM, standFoot)
	}
	return out
}

// Raised is an element so many mm above the board.
func Raised(e tray.Element, mm float64) tray.Element {
	e.Pieces = append([]tray.Piece(nil), e.Pieces...)
	for n := range e.Pieces {
		e.Pieces[n].ZMM = round.Tenth(mm)
	}
	return e
}

// across is the narrower way over a vessel, mm.
func across(v board.Vessel) float64 {
	if len(v.Outline) > 0 {
		box := v.Outline.Bounds()
		return math.Min(box.W(), box.H())
	}
	return v.DiameterMM
}
