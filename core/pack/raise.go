package pack

import (
	"math"

	"happytray/core/board"
	"happytray/core/round"
	"happytray/core/tray"
)

const (
	raisedTo  = 42.0 // mm, over which what stands on a board reads as tall
	mostRaise = 25.0 // mm: a folded cloth, a small plate or a lid upside down under a bowl
	leastFoot = 55.0 // mm, a bowl narrower than that would tip
)

// RaiseBy is how many mm a bowl is to be set higher so that it stands above what lies round it, in steps of 5; 0 where it
// does already, would have to be set too high, is narrow, or does not stand in the open.
func RaiseBy(t *tray.Tray, i int) float64 {
	e := &t.Elements[i]
	v, in := t.Vessel(e.Vessel)
	if !in || !e.Placed || e.Locked || len(e.Pieces) == 0 || e.Pieces[0].ZMM > 0 || across(v) < leastFoot {
		return 0
	}
	by := 5 * math.Ceil((raisedTo-v.HeightMM)/5)
	if lid := t.Board.LidMM; by <= 0 || by > mostRaise || lid > 0 && v.HeightMM+by > lid {
		return 0
	}
	return by
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
