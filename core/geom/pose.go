package geom

import "math"

// Pose puts a shape drawn round its own origin onto the board: first it is
// turned by Turn degrees, then moved to (X, Y).
type Pose struct {
	X, Y, Turn float64
}

// Apply moves one point from the shape's own coordinates to the board.
func (p Pose) Apply(q Point) Point {
	s, c := math.Sincos(p.Turn * math.Pi / 180)
	return Point{p.X + q.X*c - q.Y*s, p.Y + q.X*s + q.Y*c}
}

// ApplyAll moves a whole outline onto the board, into a new outline.
func (p Pose) ApplyAll(o Outline) Outline {
	s, c := math.Sincos(p.Turn * math.Pi / 180)
	out := make(Outline, len(o))
	for i, q := range o {
		out[i] = Point{p.X + q.X*c - q.Y*s, p.Y + q.X*s + q.Y*c}
	}
	return out
}

// Inverse takes a point on the board back into the shape's own coordinates.
func (p Pose) Inverse(q Point) Point {
	s, c := math.Sincos(-p.Turn * math.Pi / 180)
	d := Point{q.X - p.X, q.Y - p.Y}
	return Point{d.X*c - d.Y*s, d.X*s + d.Y*c}
}

// Then is the pose of a part with pose q inside a shape with pose p.
func (p Pose) Then(q Pose) Pose {
	o := p.Apply(Point{q.X, q.Y})
	return Pose{o.X, o.Y, NormalTurn(p.Turn + q.Turn)}
}

// At is the pose's place.
func (p Pose) At() Point { return Point{p.X, p.Y} }

// NormalTurn brings an angle into 0 <= turn < 360.
func NormalTurn(deg float64) float64 {
	deg = math.Mod(deg, 360)
	if deg < 0 {
		deg += 360
	}
	return deg
}
