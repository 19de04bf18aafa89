package review

import (
	"math"

	"happytray/core/adjacency"
	"happytray/core/food"
	"happytray/core/tray"
)

// Touch is how far, in mm, pieces of two elements may overlap before it counts
// against fit.overlap. Greens are tucked under and over anything; folded slices
// drape on their neighbours; loose pieces lean on each other; rigid things may
// only touch. Nothing lies on what is wet, and nothing wet on what is crisp.
func Touch(a, b *tray.Element) float64 {
	return touch(nature{a.Kind(), a.Wetness, drapes(a)}, nature{b.Kind(), b.Wetness, drapes(b)})
}

// nature is what of an element decides what may lie on it.
type nature struct {
	kind    food.Kind
	wetness food.Wetness
	drapes  bool
}

func touch(a, b nature) float64 {
	if a.kind == food.KindGarnish || b.kind == food.KindGarnish {
		return math.Inf(1)
	}
	if a.kind == food.KindAnchor || b.kind == food.KindAnchor {
		return 1
	}
	if adjacency.EitherSoftens(a.wetness, b.wetness) {
		return 1
	}
	if a.drapes || b.drapes {
		return 6
	}
	if a.kind == food.KindLoose || b.kind == food.KindLoose {
		return 2
	}
	return 1
}

// drapes is true for soft slices that lean on what they lie against.
func drapes(e *tray.Element) bool {
	return food.Has(e.Form, food.Drapes)
}

// hangs is true for what may lean out over the edge of the food zone.
func (e *elem) hangs() bool { return e.kind == food.KindGarnish }

// lean is how far greenery may reach beyond the food zone, mm.
const lean = 10
