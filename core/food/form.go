package food

import (
	"math"

	"happytray/core/geom"
)

// Kind says how the hands, and so the arranger, treat a form.
type Kind string

const (
	KindAnchor  Kind = "anchor"  // rigid: put down first, others build round it
	KindRow     Kind = "row"     // overlapped pieces along a straight or bent line
	KindTrail   Kind = "trail"   // a long winding line through the tray
	KindLoose   Kind = "loose"   // pieces that settle into the room there is
	KindGarnish Kind = "garnish" // tucked in last, half on its neighbours
)

// Piece is one thing to put down, placed round its element's origin.
type Piece struct {
	geom.Pose
	Z, Height float64 // mm above the board of its foot, and its own height
	Variant   int
}

// Form turns an amount of a food into pieces.
type Form interface {
	ID() string
	// Says is what hands do, as it is read out: "folded in four".
	Says() string
	Kind() Kind
	// Lay places n pieces of the food round the origin. Loose forms return them
	// as one tight heap, trails as a straight line along x.
	Lay(foodID string, s Spec, n int) []Piece
}

// Bender is a form whose line of pieces can follow a circle.
type Bender interface {
	Form
	// Bend lays n pieces along a circle of the given radius (mm, to the middle of
	// the line) whose centre lies at (0, radius). Radius zero is a straight line.
	Bend(foodID string, s Spec, n int, radius float64) []Piece
}

var forms = []Form{Whole{}, CutRound{}, Rosette{}, Bowl{},
	Shingle{}, Fan{}, Arc{}, Coins{}, Rolls{}, HalfFoldFan{}, Batons{}, Slices{},
	Trail{}, Tumble{}, Ribbon{}, Drift{}, Cluster{}, Halves{}, Sprig{}, Scatter{}}

// Forms lists every form.
func Forms() []Form { return forms }

// FormByID finds a form, or nil.
func FormByID(id string) Form {
	for _, f := range forms {
		if f.ID() == id {
			return f
		}
	}
	return nil
}

// Whole is one uncut wedge, round, log or block: one piece in the size of its
// Spec. It wants room in front of its cut face, which lies along +x for a log
// and along the long side of a wedge.
type Whole struct{}

func (Whole) ID() string   { return "whole" }
func (Whole) Says() string { return "left whole, with its knife" }
func (Whole) Kind() Kind   { return KindAnchor }
func (Whole) Lay(_ string, s Spec, n int) []Piece {
	var out []Piece
	for i := range n { // several wholes of one element stand side by side
		out = append(out, Piece{Pose: geom.Pose{Y: (float64(i) - float64(n-1)/2) * (s.W + 6)}, Height: s.H, Variant: i % Variants})
	}
	return out
}

// CutRound is a round cut into Spec.N equal sectors, kept in its round 2.5 mm
// apart (a knife's width and the spring of the paste), one pulled 12 mm forward.
type CutRound struct{}

func (CutRound) ID() string   { return "cut-round" }
func (CutRound) Says() string { return "cut in wedges, kept in its round, one pulled out" }
func (CutRound) Kind() Kind   { return KindAnchor }
func (CutRound) Lay(_ string, s Spec, n int) []Piece {
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

// Rosette is slices lapped round the rim of a glass and turned out: a closed
// round as wide as the glass, never smaller. Slices = layers x rim / half a
// slice; Spec.N holds them.
type Rosette struct{}

func (Rosette) ID() string   { return "rosette" }
func (Rosette) Says() string { return "lapped round a glass and turned out" }
func (Rosette) Kind() Kind   { return KindAnchor }
func (Rosette) Lay(_ string, s Spec, n int) []Piece {
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

// Bowl is a vessel with the food in it; its outline is the vessel's own.
type Bowl struct{}

func (Bowl) ID() string   { return "bowl" }
func (Bowl) Says() string { return "in its bowl" }
func (Bowl) Kind() Kind   { return KindAnchor }
func (Bowl) Lay(_ string, s Spec, _ int) []Piece {
	return []Piece{{Height: s.H}}
}

// bend lays n pieces at the given pitch along a circle, each turned with it by
// face degrees against the line.
func bend(s Spec, n int, pitch, radius, face, lean float64) []Piece {
	if n < 1 {
		return nil
	}
	if radius > 0 && pitch*float64(n-1) > radius*2*math.Pi*.92 {
		pitch = radius * 2 * math.Pi * .92 / float64(n-1) // never lap the first piece again
	}
	out := make([]Piece, 0, n)
	for i := range n {
		d := (float64(i) - float64(n-1)/2) * pitch
		pose := geom.Pose{X: d, Turn: face}
		if radius > 0 {
			a := d / radius
			pose = geom.Pose{X: radius * math.Sin(a), Y: radius * (1 - math.Cos(a)), Turn: face + a*180/math.Pi}
		}
		z := 0.0
		if i > 0 && pitch < s.W {
			z = math.Min(s.H, lean)
		}
		out = append(out, Piece{Pose: pose, Z: z, Height: s.H, Variant: i % Variants})
	}
	return out
}

// RowLength is the length in mm of a line of n pieces of width across at pitch:
// (n-1) x pitch and one piece.
func RowLength(n int, pitch, across float64) float64 {
	if n < 1 {
		return 0
	}
	return float64(n-1)*pitch + across
}

// Shingle is a row of slices each lapped over the one before, long sides across
// the line; its length is RowLength(n, pitch, width).
type Shingle struct{}

func (Shingle) ID() string   { return "shingle" }
func (Shingle) Says() string { return "overlapped in a row" }
func (Shingle) Kind() Kind   { return KindRow }
func (f Shingle) Lay(id string, s Spec, n int) []Piece {
	return f.Bend(id, s, n, 0)
}
func (Shingle) Bend(_ string, s Spec, n int, radius float64) []Piece {
	return bend(s, n, s.Pitch, radius, -90, s.H)
}

// Fan is slices turned about a common point near their tips; a bend of about
// one and a half slice lengths.
type Fan struct{}

func (Fan) ID() string   { return "fan" }
func (Fan) Says() string { return "fanned out" }
func (Fan) Kind() Kind   { return KindRow }
func (f Fan) Lay(id string, s Spec, n int) []Piece {
	return f.Bend(id, s, n, s.L*1.5)
}
func (Fan) Bend(_ string, s Spec, n int, radius float64) []Piece {
	if radius < s.L {
		radius = s.L * 1.5
	}
	return bend(s, n, s.Pitch, radius, -90, s.H)
}

// Arc is a fan that hugs a bowl or a cheese: discs or oblongs along its rim.
type Arc struct{}

func (Arc) ID() string   { return "arc" }
func (Arc) Says() string { return "overlapped in an arc round its neighbour" }
func (Arc) Kind() Kind   { return KindRow }
func (f Arc) Lay(id string, s Spec, n int) []Piece {
	return f.Bend(id, s, n, 0)
}
func (Arc) Bend(_ string, s Spec, n int, radius float64) []Piece {
	return bend(s, n, s.Pitch, radius, -90, s.H)
}

// Coins is hard sausage in thick slices, overlapped like fallen dominoes.
type Coins struct{}

func (Coins) ID() string   { return "coins" }
func (Coins) Says() string { return "sliced in coins, overlapped" }
func (Coins) Kind() Kind   { return KindRow }
func (f Coins) Lay(id string, s Spec, n int) []Piece {
	return f.Bend(id, s, n, 0)
}
func (Coins) Bend(_ string, s Spec, n int, radius float64) []Piece {
	return bend(s, n, s.Pitch, radius, -90, s.H)
}

// Rolls is slices rolled up, seam down, side by side with a millimetre between.
type Rolls struct{}

func (Rolls) ID() string   { return "rolls" }
func (Rolls) Says() string { return "rolled, seam down, side by side" }
func (Rolls) Kind() Kind   { return KindRow }
func (f Rolls) Lay(id string, s Spec, n int) []Piece {
	return f.Bend(id, s, n, 0)
}
func (Rolls) Bend(_ string, s Spec, n int, radius float64) []Piece {
	return bend(s, n, s.W+1, radius, -90, 0)
}

// HalfFoldFan is round slices folded once and spread like cards.
type HalfFoldFan struct{}

func (HalfFoldFan) ID() string   { return "half-fold-fan" }
func (HalfFoldFan) Says() string { return "folded once, spread like cards" }
func (HalfFoldFan) Kind() Kind   { return KindRow }
func (f HalfFoldFan) Lay(id string, s Spec, n int) []Piece {
	return f.Bend(id, s, n, s.L*1.2)
}
func (HalfFoldFan) Bend(_ string, s Spec, n int, radius float64) []Piece {
	return bend(s, n, s.Pitch, radius, -90, s.H)
}

// Batons is sticks side by side, a millimetre apart.
type Batons struct{}

func (Batons) ID() string   { return "batons" }
func (Batons) Says() string { return "in sticks, side by side" }
func (Batons) Kind() Kind   { return KindRow }
func (f Batons) Lay(id string, s Spec, n int) []Piece {
	return f.Bend(id, s, n, 0)
}
func (Batons) Bend(id string, s Spec, n int, radius float64) []Piece {
	out := bend(s, n, s.W+.8, radius, -90, 0)
	r := Rand(Seed(id, "batons"))
	for i := range out { // ends never line up when hands lay them
		q := geom.Polar((r.Float64()-.5)*5, out[i].Turn)
		out[i].X, out[i].Y = out[i].X+q.X, out[i].Y+q.Y
	}
	return out
}

// Slices is fruit slices leaning on each other along a bent line, skin out.
type Slices struct{}

func (Slices) ID() string   { return "slices" }
func (Slices) Says() string { return "sliced and fanned, skin out" }
func (Slices) Kind() Kind   { return KindRow }
func (f Slices) Lay(id string, s Spec, n int) []Piece {
	return f.Bend(id, s, n, s.L*2)
}
func (Slices) Bend(_ string, s Spec, n int, radius float64) []Piece {
	return bend(s, n, s.Pitch, radius, -90, s.H/2)
}

// Trail is slices folded in four and set close along a winding line, each
// holding the next up: width half a slice, 10 to 14 mm of line each (Spec.Pitch).
type Trail struct{}

func (Trail) ID() string   { return "trail" }
func (Trail) Says() string { return "folded in four, set close in a trail" }
func (Trail) Kind() Kind   { return KindTrail }
func (Trail) Lay(_ string, s Spec, n int) []Piece {
	out := make([]Piece, n)
	for i := range out {
		out[i] = Piece{Pose: geom.Pose{X: (float64(i) - float64(n-1)/2) * s.Pitch, Turn: -90}, Height: s.H, Variant: i % Variants}
		if i > 0 {
			out[i].Z = 2
		}
	}
	return out
}

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
func (Tumble) Says() string                        { return "tumbled in a heap" }
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
func (Drift) Says() string                        { return "in a small drift" }
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

// Face is a side from which food is cut or spread, in the element's own
// coordinates.
type Face struct {
	At    geom.Point // middle of the face
	Dir   float64    // degrees, away from the food
	Width float64    // mm
	Need  float64    // mm of free or low room a knife wants (craft: 60 spread, 80 cut)
}

// CutFace is the face of a whole food that guests will cut; ok is false for
// everything that comes in pieces.
func CutFace(f *Food, s Spec) (face Face, ok bool) {
	if s.Form != "whole" {
		return Face{}, false
	}
	need := 80.0
	if f.Firmness == "fresh" || f.Firmness == "soft" {
		need = 60
	}
	switch s.Shape {
	case "wedge":
		mid := geom.Pt(0, s.W*.27)
		return Face{At: mid, Dir: 90 + 13, Width: s.L * .7, Need: need}, true
	default:
		return Face{At: geom.Pt(s.L/2, 0), Dir: 0, Width: math.Min(s.W, 60), Need: need}, true
	}
}

// Deep is how many layers the form may lie deep: heaps stand up to about 26 mm,
// so small things pile two or three deep and large ones lie singly (craft: nuts
// carry 1.2 to 1.5 g on a square centimetre, which is about two layers).
func (s Spec) Deep() float64 {
	if s.Form == "halves" || s.Form == "ribbon" || !loose(s.Form) {
		return 1
	}
	return math.Max(1.15, math.Min(2.4, 26/s.H))
}

// FootprintMM2 is about how much board n pieces take in the form, packed as
// hands pack them: lapped rows by their pitch, heaps as deep as they stand.
func FootprintMM2(s Spec, n int) float64 {
	if n < 1 {
		return 0
	}
	switch f := FormByID(s.Form); {
	case f == nil:
		return 0
	case s.Form == "cut-round":
		d := s.L + 8
		return float64((n+max(3, s.N)-1)/max(3, s.N)) * math.Pi / 4 * d * d
	case f.Kind() == KindAnchor:
		return float64(n) * s.Outline("", 0).Area()
	case f.Kind() == KindRow:
		pitch := s.Pitch
		if pitch == 0 {
			pitch = s.W + 1
		}
		return RowLength(n, pitch, s.W) * s.L * .95
	case f.Kind() == KindTrail:
		return RowLength(n, s.Pitch, s.L*.6) * s.L * 1.05
	case s.Form == "halves", s.Form == "ribbon":
		return float64(n) * s.Outline("", 0).Area() / .82
	case f.Kind() == KindLoose:
		return float64(n) * s.Outline("", 0).Area() / .82 / (1 + .45*(s.Deep()-1))
	}
	return 0 // garnish lies on its neighbours
}

// Layer is how early hands put an element down: bowls and anchors first, then
// lines, then what closes the gaps, greens last (craft section 6).
func Layer(f *Food, s Spec) int {
	switch FormByID(s.Form).Kind() {
	case KindAnchor:
		if s.Form == "bowl" {
			return 0
		}
		return 1
	case KindTrail:
		return 2
	case KindRow:
		if f.Category == Cracker {
			return 4
		}
		return 3
	case KindGarnish:
		return 7
	}
	if f.Category == Fruit || f.Category == Vegetable {
		return 5
	}
	return 6
}
