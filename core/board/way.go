package board

import (
	"math"

	"happytray/core/geom"
)

// Ways that guests follow over a board, as they are told to.
const (
	WayRound = "round" // clockwise, from the near side
	WayAlong = "along" // from the left to the right
	WayDown  = "down"  // of a board that stands upright: from the far side to the near one
)

// WaySays is how guests are told each of them.
var WaySays = map[string]string{WayRound: "clockwise from the near side", WayAlong: "from the left to the right", WayDown: "from the far side to the near one"}

const (
	roundish = 1.25 // the longer side over the shorter one up to which a board is gone round
	midst    = .2   // of half the diagonal: what lies within is on nobody's way round
)

// Way is how guests go over a board who taste from one thing to the next: round it, or along it.
func (b *Board) Way() string {
	box := b.FoodZone.Bounds()
	switch {
	case math.Max(box.W(), box.H()) <= roundish*math.Min(box.W(), box.H()):
		return WayRound
	case box.W() >= box.H():
		return WayAlong
	}
	return WayDown
}

// Along is how far along that way a point lies, 0 to 1; ok is false for what lies in the midst of a board that is gone
// round.
func (b *Board) Along(p geom.Point) (share float64, ok bool) {
	box := b.FoodZone.Bounds()
	switch b.Way() {
	case WayRound:
		d := p.Sub(b.FoodZone.Centroid())
		if d.Len() < midst*math.Hypot(box.W(), box.H())/2 {
			return 0, false
		}
		return math.Mod(d.Degrees()-90+720, 360) / 360, true // y is down: degrees grow clockwise, and 90 is the near side
	case WayAlong:
		share = (p.X - box.Min.X) / box.W()
	default:
		share = (p.Y - box.Min.Y) / box.H()
	}
	return math.Max(0, math.Min(1, share)), true
}
