package food

import (
	"math"

	"happytray/core/geom"
)

// heap settles n loose pieces round the origin on a sunflower spiral (Vogel
// 1979), which packs evenly for any n, two deep when deep is true.
func heap(s Spec, n int, deep bool) []Piece {
	low := n
	if deep && n > 6 {
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

// Tumble is cubes or rough lumps in a loose heap, one to two deep.
type Tumble struct{}

func (Tumble) ID() string                          { return "tumble" }
func (Tumble) Says() string                        { return "heaped" }
func (Tumble) Kind() Kind                          { return KindLoose }
func (Tumble) Lay(_ string, s Spec, n int) []Piece { return heap(s, n, true) }

// Ribbon is long thin slices gathered back and forth, about 45 x 35 mm and 25 mm
// high, laid in a heap.
type Ribbon struct{}

func (Ribbon) ID() string                          { return "ribbon" }
func (Ribbon) Says() string                        { return "gathered into ribbons" }
func (Ribbon) Kind() Kind                          { return KindLoose }
func (Ribbon) Lay(_ string, s Spec, n int) []Piece { return heap(s, n, false) }

// Drift is a small heap that follows the gap it fills.
type Drift struct{}

func (Drift) ID() string                          { return "drift" }
func (Drift) Says() string                        { return "in a small scattered pile" }
func (Drift) Kind() Kind                          { return KindLoose }
func (Drift) Lay(_ string, s Spec, n int) []Piece { return heap(s, n, true) }

// Cluster is grapes or tomatoes snipped into small bunches, two deep.
type Cluster struct{}

func (Cluster) ID() string                          { return "cluster" }
func (Cluster) Says() string                        { return "snipped into small clusters" }
func (Cluster) Kind() Kind                          { return KindLoose }
func (Cluster) Lay(_ string, s Spec, n int) []Piece { return heap(s, n, true) }

// Halves is fruit cut open and laid face up, one deep.
type Halves struct{}

func (Halves) ID() string                          { return "halves" }
func (Halves) Says() string                        { return "halved, cut side up" }
func (Halves) Kind() Kind                          { return KindLoose }
func (Halves) Lay(_ string, s Spec, n int) []Piece { return heap(s, n, false) }

// Quarters is small round fruit cut in four lengthwise, for the smallest guests, one deep.
type Quarters struct{}

func (Quarters) ID() string                          { return "quarters" }
func (Quarters) Says() string                        { return "quartered lengthwise" }
func (Quarters) Kind() Kind                          { return KindLoose }
func (Quarters) Lay(_ string, s Spec, n int) []Piece { return heap(s, n, false) }

// Fanned is what holds together at one end - half a pear, a strawberry, a gherkin - sliced nearly through and pressed
// open, one deep.
type Fanned struct{}

func (Fanned) ID() string                          { return "fanned" }
func (Fanned) Says() string                        { return "sliced nearly through and pressed into a fan" }
func (Fanned) Kind() Kind                          { return KindLoose }
func (Fanned) Lay(_ string, s Spec, n int) []Piece { return heap(s, n, false) }

// Sprig is greenery tucked in with its end hidden.
type Sprig struct{}

func (Sprig) ID() string                          { return "sprig" }
func (Sprig) Says() string                        { return "tucked in, ends hidden" }
func (Sprig) Kind() Kind                          { return KindGarnish }
func (Sprig) Lay(_ string, s Spec, n int) []Piece { return heap(s, n, false) }

// Scatter is single small bright things set on the borders of patches.
type Scatter struct{}

func (Scatter) ID() string                          { return "scatter" }
func (Scatter) Says() string                        { return "scattered singly" }
func (Scatter) Kind() Kind                          { return KindGarnish }
func (Scatter) Lay(_ string, s Spec, n int) []Piece { return heap(s, n, false) }

// Petals is single petals of a flower grown for eating, let fall.
type Petals struct{}

func (Petals) ID() string                          { return "petals" }
func (Petals) Says() string                        { return "as petals, let fall" }
func (Petals) Kind() Kind                          { return KindGarnish }
func (Petals) Lay(_ string, s Spec, n int) []Piece { return heap(s, n, false) }

// Topping is a spoon of jam, a drizzle, seeds or berries on a soft cheese or a
// dip. It takes no room of its own and goes on late; one piece for each thing it
// is put on.
type Topping struct{}

func (Topping) ID() string                          { return "topping" }
func (Topping) Says() string                        { return "spooned on top, late" }
func (Topping) Kind() Kind                          { return KindGarnish }
func (Topping) Lay(_ string, s Spec, n int) []Piece { return heap(s, n, false) }

// Strewing is a pinch of seeds, arils, leaves or petals over what lies there already. It takes no room of its own and
// goes on last; one piece for each thing it is strewn over.
type Strewing struct{}

func (Strewing) ID() string                          { return "strewn" }
func (Strewing) Says() string                        { return "strewn over, last" }
func (Strewing) Kind() Kind                          { return KindGarnish }
func (Strewing) Lay(_ string, s Spec, n int) []Piece { return heap(s, n, false) }

// Drizzle is a thread of honey, syrup or oil over a cheese or a dip: 2 to 3 g on 100 cm2. It takes no room of its own
// and goes on last.
type Drizzle struct{}

func (Drizzle) ID() string                          { return "drizzled" }
func (Drizzle) Says() string                        { return "drizzled over, last" }
func (Drizzle) Kind() Kind                          { return KindGarnish }
func (Drizzle) Lay(_ string, s Spec, n int) []Piece { return heap(s, n, false) }

// tinyMM is the mean of length and width under which a loose piece is tiny, mm.
const tinyMM = 14.0

// Tiny reports whether loose food comes in pieces so small that a heap of them looks like a
// carpet: seeds, raisins, small dried fruit. It lies in a vessel, or in small drifts that
// neighbours hold (docs/craft.md, Where things go).
func Tiny(s Spec) bool {
	return FormByID(s.Form).Kind() == KindLoose && (s.L+s.W)/2 < tinyMM
}
