package food

import (
	"math"

	"happytray/core/geom"
)

// row is a form whose pieces lie along a line, which may be bent round something.
type row struct {
	id, says string
	pitch    func(s Spec) float64 // mm of line that each piece takes
	lean     func(s Spec) float64 // mm that a piece is lifted by the one it lies on
	bow      func(s Spec) float64 // radius of the bend that it lies in by itself, mm; nil for a straight line
	least    func(s Spec) float64 // the tightest that it is bent, mm; nil for no bound
	uneven   bool                 // ends never line up when hands lay them
}

func (f row) ID() string   { return f.id }
func (f row) Says() string { return f.says }
func (f row) Kind() Kind   { return KindRow }

func (f row) Lay(id string, s Spec, n int) []Piece {
	if f.bow == nil {
		return f.Bend(id, s, n, 0)
	}
	return f.Bend(id, s, n, f.bow(s))
}

func (f row) Bend(id string, s Spec, n int, radius float64) []Piece {
	if f.least != nil && radius < f.least(s) {
		if radius = 0; f.bow != nil {
			radius = f.bow(s)
		}
	}
	out := bend(s, n, f.pitch(s), radius, -90, f.lean(s))
	if f.uneven {
		r := Rand(Seed(id, f.id))
		for i := range out {
			q := geom.Polar((r.Float64()-.5)*5, out[i].Turn)
			out[i].X, out[i].Y = out[i].X+q.X, out[i].Y+q.Y
		}
	}
	return out
}

// arc is a row that hugs a bowl or a cheese: discs or oblongs along its rim.
type arc struct{ row }

// Round lays n pieces along the rim of something round of radius inner, mm, a finger's breadth off it; they go no
// farther than once round.
func (f arc) Round(id string, s Spec, n int, inner float64) []Piece {
	return f.Bend(id, s, n, LineRadius(s, inner))
}

// lapped is a row of pieces each lying on the one before, at the pitch of their spec.
func lapped(id, says string) row {
	return row{id: id, says: says, pitch: ownPitch, lean: height}
}

// spaced is a row of pieces side by side, gap mm apart.
func spaced(id, says string, gap float64) row {
	return row{id: id, says: says, pitch: func(s Spec) float64 { return s.W + gap }, lean: func(Spec) float64 { return 0 }}
}

// bowed is a lapped row that lies in a bend of so many of its pieces' lengths by itself.
func bowed(id, says string, lengths, lean float64) row {
	return row{id: id, says: says, pitch: ownPitch, lean: func(s Spec) float64 { return s.H * lean }, bow: func(s Spec) float64 { return s.L * lengths }}
}

// fanned is a bowed row that is never bent tighter than its pieces are long: they turn about a point near their tips.
func fanned(id, says string, lengths float64) row {
	f := bowed(id, says, lengths, 1)
	f.least = func(s Spec) float64 { return s.L }
	return f
}

// onPicks is a row of skewers shoulder to shoulder. It is hardly bent: where the picks spread, board shows between them.
func onPicks(id, says string) row {
	f := spaced(id, says, .5)
	f.least = func(s Spec) float64 { return s.L * 5 }
	return f
}

func ownPitch(s Spec) float64   { return s.Pitch }
func height(s Spec) float64     { return s.H }
func halfHeight(s Spec) float64 { return s.H / 2 }

// rimGap is how far slices lie off the rim they go round, mm.
const rimGap = 3

// LineRadius is the radius of the middle line of an arc round something of radius inner, mm.
func LineRadius(s Spec, inner float64) float64 { return inner + rimGap + s.L/2 }

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

// trail is slices folded in four and set close along a winding line, each holding the next up: width half a slice,
// 10 to 14 mm of line each (Spec.Pitch).
type trail struct{}

func (trail) ID() string   { return "trail" }
func (trail) Says() string { return "folded in four, set close in a trail" }
func (trail) Kind() Kind   { return KindTrail }
func (trail) Lay(_ string, s Spec, n int) []Piece {
	out := make([]Piece, n)
	for i := range out {
		out[i] = Piece{Pose: geom.Pose{X: (float64(i) - float64(n-1)/2) * s.Pitch, Turn: -90}, Height: s.H, Variant: i % Variants}
		if i > 0 {
			out[i].Z = 2
		}
	}
	return out
}
