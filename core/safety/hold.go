// Package safety says how long food may stand out, and what else the usual cautions count on. Local food rules come
// first, and nothing here promises that something is safe.
package safety

import (
	"fmt"

	"happytray/core/brief"
)

// WantsRim reports whether a brief's boards should have a rim: it keeps things on, on the road.
func WantsRim(b brief.Brief) bool { return b.Travels.Yes }

// HoldingTime is how long perishable food may stand out at a brief's table, minutes, and the usual caution
// in words (docs/craft.md, Time and care).
func HoldingTime(b brief.Brief) (minutes float64, says string) {
	if b.Warmth() > brief.Hot {
		return 60, fmt.Sprintf("At %.0f °C perishable food stands out one hour in all, then it is thrown away. Local food rules come first.", b.Warmth())
	}
	return 120, "Perishable food stands out two hours in all, one hour above 32 °C, then it is thrown away. Local food rules come first."
}
