package board

import (
	"math"

	"happytray/core/geom"
)

// Ways that guests follow over a board, as they are told to.
const (
	WayRound = "round" // clockwise, from the front
	WayAlong = "along" // from the left to the right
	WayDown  = "down"  // of a board that stands upright: from the back to the front
)

// WaySays is how guests are told each of them.
var WaySays = map[string]string{WayRound: "clockwise from the front", WayAlong: "from the left to the right", WayDown: "from the back to the front"}

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
		return math.Mod(d.Degrees()-90+720, 360) / 360, true // y is down: degrees grow clockwise, and 90 is the front
	case WayAlong:
		share = (p.X - box.Min.X) / box.W()
	default:
		share = (p.Y - box.Min.Y) / box.H()
	}
	return math.Max(0, math.Min(1, share)), true
}

// SideWord says a side of the board - top, bottom, left or right on its plan - as who stands before it would. The lower
// side is the front of a board that has none of its own.
func (b *Board) SideWord(side string) string {
	sideways := b.Front == "left" || b.Front == "right" // its front is one of these; the others are no front and no back
	switch {
	case side != "top" && side != "bottom":
		return side
	case sideways && side == "top":
		return "upper side"
	case sideways:
		return "lower side"
	case (side == "top") == (b.Front == "top"):
		return "front"
	}
	return "back"
}
