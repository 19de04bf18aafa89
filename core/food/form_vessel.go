package food

import "math"

// Bowl is a vessel with the food in it; its outline is the vessel's own.
type Bowl struct{}

func (Bowl) ID() string   { return "bowl" }
func (Bowl) Says() string { return "in its bowl" }
func (Bowl) Kind() Kind   { return KindAnchor }
func (Bowl) Lay(_ string, s Spec, _ int) []Piece {
	return []Piece{{Height: s.H}}
}

// Pot is a shredded, potted meat pressed smooth in its vessel.
type Pot struct{}

func (Pot) ID() string                           { return "pot" }
func (Pot) Says() string                         { return "pressed into its pot" }
func (Pot) Kind() Kind                           { return KindAnchor }
func (Pot) Lay(id string, s Spec, n int) []Piece { return Bowl{}.Lay(id, s, n) }

// Upright is sticks or crackers standing in a cup: as many as its mouth holds.
type Upright struct{}

func (Upright) ID() string                           { return "upright" }
func (Upright) Says() string                         { return "standing in a cup" }
func (Upright) Kind() Kind                           { return KindAnchor }
func (Upright) Lay(id string, s Spec, n int) []Piece { return Bowl{}.Lay(id, s, n) }

// Flower is thin slices overlapped, folded and stood in a small dish, which its
// neighbours then hide.
type Flower struct{}

func (Flower) ID() string                           { return "flower" }
func (Flower) Says() string                         { return "folded and stood in a small dish like a flower" }
func (Flower) Kind() Kind                           { return KindAnchor }
func (Flower) Lay(id string, s Spec, n int) []Piece { return Bowl{}.Lay(id, s, n) }

// Loosely is the share of a vessel's mouth or bowl that whole pieces fill: the
// rest is air between them (docs/larder.md; sticks on end pack a little closer).
const (
	Loosely = .6
	OnEnd   = .66
)

// FillOf is how many ml of vessel n pieces of the form want. Sticks on end count
// by their ends: each stands in the cup to its own depth.
func FillOf(f *Food, s Spec, n int) float64 {
	switch {
	case s.Form == "upright":
		return float64(n) * s.W * s.H / OnEnd * uprightDepth / 1000
	case s.Form == "flower":
		return float64(n) * s.VolumeML() / .7 // they stand open, more than half of them above the rim
	case s.Shape == "vessel":
		return float64(n) * s.MassG / f.Density
	}
	return float64(n) * s.MassG / f.Density / Loosely
}

// uprightDepth is how deep, in mm, a cup holds what stands in it.
const uprightDepth = 50

// HoldsOf is how many pieces of the form fill so many ml of vessel, one at least.
func HoldsOf(f *Food, s Spec, ml float64) int {
	return max(1, int(math.Round(ml/FillOf(f, s, 1))))
}
