package food

import (
	"math"
	"strconv"

	"happytray/core/geom"
)

// whole is one uncut wedge, round, log or block, or whatever else stands in one piece of the size of its Spec. What is
// cut wants room in front of its face (CutFace).
type whole struct{ id, says string }

func (f whole) ID() string   { return f.id }
func (f whole) Says() string { return f.says }
func (f whole) Kind() Kind   { return KindAnchor }
func (f whole) Lay(_ string, s Spec, n int) []Piece {
	var out []Piece
	for i := range n { // several wholes of one element stand side by side
		out = append(out, Piece{Pose: geom.Pose{Y: (float64(i) - float64(n-1)/2) * (s.W + 6)}, Height: s.H, Variant: i % Variants})
	}
	return out
}

// cutRound is a round cut into Spec.N equal sectors, kept in its round 2.5 mm
// apart (a knife's width and the spring of the paste), one pulled 12 mm forward.
// into is how many it is cut into where that is not left to the food's entry: many guests want small pieces.
type cutRound struct{ into int }

func (c cutRound) ID() string {
	if c.into > 0 {
		return "cut-round-" + strconv.Itoa(c.into)
	}
	return "cut-round"
}
func (c cutRound) Says() string {
	if c.into > 0 {
		return "cut in " + strconv.Itoa(c.into) + " wedges, kept in its round, one pulled out"
	}
	return "cut in wedges, kept in its round, one pulled out"
}
func (cutRound) Kind() Kind { return KindAnchor }
func (cutRound) Lay(_ string, s Spec, n int) []Piece {
	per := max(3, s.N)
	half := math.Pi / float64(per)
	part := 1.25 / math.Sin(half) // moving each tip out by this opens 2.5 mm between faces
	var out []Piece
	for i := range n {
		round, k := i/per, i%per
		a := (float64(k) + .5) * 360 / float64(per)
		d := part
		if k == 0 {
			d += 12
		}
		p := geom.Polar(d, a)
		out = append(out, Piece{Pose: geom.Pose{X: p.X + float64(round)*(s.L+22), Y: p.Y, Turn: a}, Height: s.H, Variant: k % Variants})
	}
	return out
}

// rosette is slices lapped round the rim of a glass and turned out: a closed
// round as wide as the glass, never smaller. Slices = layers x rim / half a
// slice; Spec.N holds them.
type rosette struct{}

func (rosette) ID() string   { return "rosette" }
func (rosette) Says() string { return "lapped round a glass and turned out" }
func (rosette) Kind() Kind   { return KindAnchor }
func (rosette) Lay(_ string, s Spec, n int) []Piece {
	var out []Piece
	for i := range n { // a cluster of them: one, a pair, or a triangle
		p := geom.Point{}
		if n > 1 {
			p = geom.Polar((s.L/2+1)/math.Sin(math.Pi/float64(max(2, n))), float64(i)*360/float64(n))
		}
		out = append(out, Piece{Pose: geom.Pose{X: p.X, Y: p.Y}, Height: s.H, Variant: i % Variants})
	}
	return out
}

// SlicesInRosette is how many slices of the given diameter a rosette takes when
// they are lapped half over each other round a glass, in layers.
func SlicesInRosette(glass, slice float64, layers int) int {
	return layers * int(math.Ceil(math.Pi*glass/(slice/2)))
}

// Glass is a rim that rosettes are lapped round (docs/craft.md, Where things go).
type Glass struct {
	Name string  `json:"name"`
	MM   float64 `json:"mm"` // across its rim
}

// Glasses lists the usual ones, narrow to wide.
func Glasses() []Glass {
	return []Glass{{"shot glass", 45}, {"flute", 50}, {"small wine glass", 65}, {"wine glass", 75}}
}

// Round is the spec of a rosette lapped round another glass of rim mm, from
// slices of the same size in as many layers. A rosette whose spec does not know
// its slice cannot be made otherwise; ok is then false.
func (s Spec) Round(rim float64) (out Spec, slices int, ok bool) {
	if !Has(s.Form, Curled) || s.SliceMM <= 0 || rim <= 0 {
		return s, 0, false
	}
	was := SlicesInRosette(s.L, s.SliceMM, rosetteLayers)
	slices = SlicesInRosette(rim, s.SliceMM, rosetteLayers)
	k := float64(slices) / float64(was)
	out = s
	out.L, out.W, out.MassG, out.Seconds = rim, rim, s.MassG*k, s.Seconds*k
	return out, slices, true
}

// rosetteLayers is how often slices go round the rim until the hole closes.
const rosetteLayers = 3

// Rounder is a form that can be laid round a vessel or a cheese.
type Rounder interface {
	Form
	// Round lays n pieces round something of the given radius in mm, whose middle
	// is the origin, or, for a line that does not close, lies at (0, radius of the line).
	Round(foodID string, s Spec, n int, inner float64) []Piece
}

// ring is slices laid in a closed circle, long side to the middle, round a
// hollow that a bowl or a small drift fills. Its middle line is n x pitch long.
type ring struct{}

func (ring) ID() string   { return "ring" }
func (ring) Says() string { return "overlapped in a closed ring" }
func (ring) Kind() Kind   { return KindAnchor }
func (f ring) Lay(id string, s Spec, n int) []Piece {
	return f.Round(id, s, n, 0)
}

// Round lays the ring round something of the given radius in mm, or as tight as
// its pitch allows. Pieces are never farther apart than their own width.
func (ring) Round(_ string, s Spec, n int, inner float64) []Piece {
	r := ringRadius(s, n, inner)
	out := make([]Piece, 0, n)
	for i := range n {
		a := float64(i) * 360 / float64(n)
		p := geom.Polar(r, a)
		z := 0.0
		if i > 0 && s.Pitch < s.W {
			z = s.H
		}
		out = append(out, Piece{Pose: geom.Pose{X: p.X, Y: p.Y, Turn: a}, Z: z, Height: s.H, Variant: i % Variants})
	}
	return out
}

// ringHollow is the least a ring leaves open in its middle, mm across.
const ringHollow = 36

// ringRadius is the radius of the ring's middle line.
func ringRadius(s Spec, n int, inner float64) float64 {
	pitch := s.Pitch
	if pitch == 0 {
		pitch = s.W + 1
	}
	return math.Max(math.Max(inner, ringHollow/2)+s.L/2, float64(n)*pitch/(2*math.Pi))
}

// crissCross is sticks laid in layers, each across the one below, like a
// stack of firewood: a block as wide and as long as a stick.
type crissCross struct{}

func (crissCross) ID() string   { return "criss-cross" }
func (crissCross) Says() string { return "stacked criss-cross" }
func (crissCross) Kind() Kind   { return KindAnchor }
func (crissCross) Lay(_ string, s Spec, n int) []Piece {
	side := s.perLayer(n)
	out := make([]Piece, 0, n)
	for i := range n {
		layer, k := i/side, i%side
		d := 0.0
		if side > 1 {
			d = (float64(k)/float64(side-1) - .5) * (s.L - s.W - 4)
		}
		pose := geom.Pose{Y: d}
		if layer%2 == 1 {
			pose = geom.Pose{X: d, Turn: 90}
		}
		out = append(out, Piece{Pose: pose, Z: float64(layer) * s.H, Height: s.H, Variant: i % Variants})
	}
	return out
}

// perLayer is how many sticks lie side by side in one layer: as many as make
// about three layers, and no more than leave a finger's air between them.
func (s Spec) perLayer(n int) int {
	return max(2, min(int(s.L/(s.W*1.5)), (n+2)/3))
}

// WholeG is the mass of the least that a form comes in, grams, where that is more than a bite; 0 for
// what is counted out piece by piece.
func WholeG(s Spec) float64 {
	switch {
	case Has(s.Form, CutInPlace):
		return s.MassG * float64(max(3, s.N))
	case FormByID(s.Form).Kind() == KindAnchor && !InVessel(s.Form) && s.MassG > 40:
		return s.MassG
	}
	return 0
}

// Divisible reports whether less than a whole of a food can be laid: some pieces of a round, or
// another form of it.
func Divisible(f *Food, s Spec) bool {
	if Has(s.Form, CutInPlace) {
		return true
	}
	for _, o := range f.Forms {
		if !Has(o.Form, OnFood) && WholeG(o) == 0 {
			return true
		}
	}
	return false
}
