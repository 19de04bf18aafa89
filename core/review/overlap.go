package review

import (
	"math"

	"happytray/core/adjacency"
	"happytray/core/food"
	"happytray/core/tray"
)

// Touch is how far, in mm, pieces of two elements may overlap before it counts
// against fit.overlap: who may lie on whom, and by how much. Greens are tucked under and over anything. Nothing lies on
// what is wet, and nothing wet on what is crisp. What stands only touches what stands; folded slices drape over its foot,
// rows lean on it, and small food runs under its rim. Folded slices drape on their neighbours, rows lap over what lies
// beside them, loose pieces lean on each other.
func Touch(a, b *tray.Element) float64 {
	return touch(nature{a.Kind(), a.Wetness, drapes(a)}, nature{b.Kind(), b.Wetness, drapes(b)})
}

// nature is what of an element decides what may lie on it.
type nature struct {
	kind    food.Kind
	wetness food.Wetness
	drapes  bool
}

// laps is how far in mm one kind may lie over another, in the order of the kinds; what drapes has its own.
var laps = map[[2]food.Kind]float64{
	{food.KindAnchor, food.KindAnchor}: 1, {food.KindAnchor, food.KindRow}: 1, {food.KindAnchor, food.KindTrail}: 2, {food.KindAnchor, food.KindLoose}: 1,
	{food.KindRow, food.KindRow}: 3, {food.KindRow, food.KindTrail}: 3, {food.KindRow, food.KindLoose}: 3,
	{food.KindTrail, food.KindTrail}: 4, {food.KindLoose, food.KindTrail}: 3, {food.KindLoose, food.KindLoose}: 2,
}

const (
	drapesOver   = 6.0 // mm, a folded slice on its neighbour
	drapesOnFoot = 4.0 // and on the foot of what stands
)

func touch(a, b nature) float64 {
	if a.kind == food.KindGarnish || b.kind == food.KindGarnish {
		return math.Inf(1)
	}
	if adjacency.EitherSoftens(a.wetness, b.wetness) {
		return 1
	}
	over, ok := laps[[2]food.Kind{a.kind, b.kind}]
	if !ok {
		over = laps[[2]food.Kind{b.kind, a.kind}]
	}
	switch stand := a.kind == food.KindAnchor || b.kind == food.KindAnchor; {
	case stand && a.kind == b.kind:
	case stand && (a.drapes || b.drapes):
		over = drapesOnFoot
	case a.drapes || b.drapes:
		over = drapesOver
	}
	return over
}

// drapes is true for soft slices that lean on what they lie against.
func drapes(e *tray.Element) bool {
	return food.Has(e.Form, food.Drapes)
}

// hangs is true for what may lean out over the edge of the food zone.
func (e *elem) hangs() bool { return e.kind == food.KindGarnish }

// lean is how far greenery may reach beyond the food zone, mm.
const lean = 10
