package review

import (
	"math"

	"happytray/core/food"
	"happytray/core/tray"
)

// Touch is how far, in mm, pieces of two elements may overlap before it counts
// against fit.overlap. Greens are tucked under and over anything; folded slices
// drape on their neighbours; loose pieces lean on each other; rigid things may
// only touch. Nothing lies on what is wet, and nothing wet on what is crisp.
func Touch(a, b *tray.Element) float64 {
	ka, kb := a.Kind(), b.Kind()
	if ka == food.KindGarnish || kb == food.KindGarnish {
		return math.Inf(1)
	}
	if ka == food.KindAnchor || kb == food.KindAnchor {
		return 1
	}
	wetA, wetB := a.Wetness.Wets(), b.Wetness.Wets()
	if wetA && b.Wetness == food.Crisp || wetB && a.Wetness == food.Crisp {
		return 1
	}
	if drapes(a) || drapes(b) {
		return 6
	}
	if ka == food.KindLoose || kb == food.KindLoose {
		return 2
	}
	return 1
}

// drapes is true for soft slices that lean on what they lie against.
func drapes(e *tray.Element) bool {
	return e.Form == "trail" || e.Form == "ribbon" || e.Form == "half-fold-fan"
}

// hangs is true for what may lean out over the edge of the food zone.
func hangs(e *tray.Element) bool { return e.Kind() == food.KindGarnish }

func (e *elem) hangs() bool { return e.kind == food.KindGarnish }

// lean is how far greenery may reach beyond the food zone, mm.
const lean = 10
