package food

import (
	"math"
	"slices"

	"happytray/core/geom"
)

// heap is a form of loose pieces that settle into the room there is, or of what lies on others.
type heap struct {
	id, says string
	kind     Kind
	deep     bool // a third of many pieces lie upon the others
}

func (f heap) ID() string   { return f.id }
func (f heap) Says() string { return f.says }
func (f heap) Kind() Kind   { return f.kind }

// Lay settles n loose pieces round the origin on a sunflower spiral (Vogel 1979), which packs evenly for any n.
func (f heap) Lay(_ string, s Spec, n int) []Piece {
	low := n
	if f.deep && n > 6 {
		low = n - n/3
	}
	step := math.Sqrt(s.L*s.W) * .56
	out := make([]Piece, n)
	for i := range out {
		k, z := i, 0.0
		if i >= low {
			k, z = i-low, s.H*.7
		}
		p := geom.Polar(step*math.Sqrt(float64(k)+.3), 137.508*float64(k))
		out[i] = Piece{Pose: geom.Pose{X: p.X, Y: p.Y}, Z: z, Height: s.H, Variant: (i * 5) % Variants}
	}
	return out
}

// tinyMM is the mean of length and width under which a loose piece is tiny, mm.
const tinyMM = 14.0

// Tiny reports whether loose food comes in pieces so small that a heap of them looks like a
// carpet: seeds, raisins, small dried fruit. It lies in a vessel, or in small drifts that
// neighbours hold (docs/craft.md, Where things go).
func Tiny(s Spec) bool {
	return FormByID(s.Form).Kind() == KindLoose && (s.L+s.W)/2 < tinyMM
}

const (
	gapMM  = 7.0 // mean radius of a loose piece that still goes into the pockets between other things, mm
	crumbG = .4  // grams of one below which it is a crumb, which nobody lays one by one
)

// FillsGaps reports whether a form comes in pieces that go into the narrow pockets between other things: dried berries,
// small nuts and seeds. Without one of them board shows through however full it is.
func (s Spec) FillsGaps() bool {
	return FormByID(s.Form).Kind() == KindLoose && !InVessel(s.Form) && !Has(s.Form, OnFood|Halved) && s.MassG >= crumbG && s.AreaMM2() <= math.Pi*gapMM*gapMM
}

// FillsGaps reports whether the food comes in such a form.
func (f *Food) FillsGaps() bool { return slices.ContainsFunc(f.Forms, Spec.FillsGaps) }
