// Package safety says how long food may stand out, and what else the usual cautions count on. Local food rules come
// first, and nothing here promises that something is safe.
package safety

import (
	"happytray/core/brief"
	"happytray/core/say"
)

// WantsRim reports whether a brief's boards should have a rim: it keeps things on, on the road.
func WantsRim(b brief.Brief) bool { return b.Travels.Yes }

// HoldingTime is how long perishable food may stand out at a brief's table, minutes, and the usual caution
// in words (docs/craft.md, Time and care).
func HoldingTime(b brief.Brief) (minutes float64, says say.Text) {
	if b.Warmth() > brief.Hot {
		return 60, say.That("hold.hot", say.Celsius(b.Warmth()))
	}
	return 120, say.That("hold.usual", say.Celsius(brief.Hot))
}
