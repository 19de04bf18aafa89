package food

import "math"

// filled is a vessel with food in it, or standing in it: its outline is the vessel's own.
type filled struct{ id, says string }

func (f filled) ID() string                          { return f.id }
func (f filled) Says() string                        { return f.says }
func (f filled) Kind() Kind                          { return KindAnchor }
func (f filled) Lay(_ string, s Spec, _ int) []Piece { return []Piece{{Height: s.H}} }

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
