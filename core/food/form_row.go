package food

import (
	"math"

	"happytray/core/geom"
)

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

// Triangles is slices off a wheel, or slabs cut from corner to corner, lapped in a row with their tips the same way.
type Triangles struct{}

func (Triangles) ID() string   { return "triangles" }
func (Triangles) Says() string { return "in triangles, overlapped in a row" }
func (Triangles) Kind() Kind   { return KindRow }
func (f Triangles) Lay(id string, s Spec, n int) []Piece {
	return f.Bend(id, s, n, 0)
}
func (Triangles) Bend(_ string, s Spec, n int, radius float64) []Piece {
	return bend(s, n, s.Pitch, radius, -90, s.H)
}

// Rings is something hollow cut across, its rings lapped in a row.
type Rings struct{}

func (Rings) ID() string   { return "rings" }
func (Rings) Says() string { return "cut across in rings, overlapped" }
func (Rings) Kind() Kind   { return KindRow }
func (f Rings) Lay(id string, s Spec, n int) []Piece {
	return f.Bend(id, s, n, 0)
}
func (Rings) Bend(_ string, s Spec, n int, radius float64) []Piece {
	return bend(s, n, s.Pitch, radius, -90, s.H/2)
}

// Arc is a fan that hugs a bowl or a cheese: discs or oblongs along its rim.
type Arc struct{}

func (Arc) ID() string   { return "arc" }
func (Arc) Says() string { return "overlapped in an arc round its neighbour" }
func (Arc) Kind() Kind   { return KindRow }
func (f Arc) Lay(id string, s Spec, n int) []Piece {
	return f.Bend(id, s, n, 0)
}

// Round lays n pieces along the rim of something round of radius inner, mm, a
// finger's breadth off it; they go no farther than once round.
func (f Arc) Round(id string, s Spec, n int, inner float64) []Piece {
	return f.Bend(id, s, n, LineRadius(s, inner))
}

// LineRadius is the radius of the middle line of an arc round something of
// radius inner, mm.
func LineRadius(s Spec, inner float64) float64 { return inner + rimGap + s.L/2 }

// rimGap is how far slices lie off the rim they go round, mm.
const rimGap = 3

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

// Wound is slices of meat wound round breadsticks, side by side with a finger's width between their bare ends.
type Wound struct{}

func (Wound) ID() string   { return "wound" }
func (Wound) Says() string { return "wound round breadsticks, side by side" }
func (Wound) Kind() Kind   { return KindRow }
func (f Wound) Lay(id string, s Spec, n int) []Piece {
	return f.Bend(id, s, n, 0)
}
func (Wound) Bend(_ string, s Spec, n int, radius float64) []Piece {
	return bend(s, n, s.W+1, radius, -90, 0)
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

// Stack is crackers on edge, leaning on each other in a line like books: each
// takes its own thickness of line.
type Stack struct{}

func (Stack) ID() string   { return "stack" }
func (Stack) Says() string { return "on edge in a row" }
func (Stack) Kind() Kind   { return KindRow }
func (f Stack) Lay(id string, s Spec, n int) []Piece {
	return f.Bend(id, s, n, 0)
}
func (Stack) Bend(_ string, s Spec, n int, radius float64) []Piece {
	return bend(s, n, s.W+.5, radius, -90, 0)
}

// Slab is slices of a terrine or a pastry-wrapped pate, laid flat side by side
// with a knife's width between them.
type Slab struct{}

func (Slab) ID() string   { return "slab" }
func (Slab) Says() string { return "sliced, side by side" }
func (Slab) Kind() Kind   { return KindRow }
func (f Slab) Lay(id string, s Spec, n int) []Piece {
	return f.Bend(id, s, n, 0)
}
func (Slab) Bend(_ string, s Spec, n int, radius float64) []Piece {
	return bend(s, n, s.W+2, radius, -90, 0)
}

// Skewer is small things on a pick, laid side by side, heads the same way.
type Skewer struct{}

func (Skewer) ID() string   { return "skewer" }
func (Skewer) Says() string { return "on picks, side by side" }
func (Skewer) Kind() Kind   { return KindRow }
func (f Skewer) Lay(id string, s Spec, n int) []Piece {
	return f.Bend(id, s, n, 0)
}
func (Skewer) Bend(_ string, s Spec, n int, radius float64) []Piece {
	return bend(s, n, s.W+2.5, radius, -90, 0)
}
