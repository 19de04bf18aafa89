// Package geom holds the plane geometry of a tray: points, outlines, poses,
// distances and rasters. Lengths are millimetres, x runs right and y runs down,
// angles are degrees and turn clockwise on the screen.
package geom

import (
	"encoding/json"
	"fmt"
	"math"
)

// Point is a place in the plane, in millimetres. It is written in JSON as [x, y].
type Point struct{ X, Y float64 }

// Pt is shorthand for Point{x, y}.
func Pt(x, y float64) Point { return Point{x, y} }

func (p Point) Add(q Point) Point     { return Point{p.X + q.X, p.Y + q.Y} }
func (p Point) Sub(q Point) Point     { return Point{p.X - q.X, p.Y - q.Y} }
func (p Point) Mul(k float64) Point   { return Point{p.X * k, p.Y * k} }
func (p Point) Dot(q Point) float64   { return p.X*q.X + p.Y*q.Y }
func (p Point) Cross(q Point) float64 { return p.X*q.Y - p.Y*q.X }
func (p Point) Len() float64          { return math.Sqrt(p.X*p.X + p.Y*p.Y) }
func (p Point) Dist(q Point) float64  { return p.Sub(q).Len() }
func (p Point) Lerp(q Point, t float64) Point {
	return Point{p.X + (q.X-p.X)*t, p.Y + (q.Y-p.Y)*t}
}

// Unit is p scaled to length one, or (1, 0) for the zero vector.
func (p Point) Unit() Point {
	l := p.Len()
	if l < 1e-12 {
		return Point{1, 0}
	}
	return Point{p.X / l, p.Y / l}
}

// Normal is p turned a quarter clockwise.
func (p Point) Normal() Point { return Point{-p.Y, p.X} }

// Degrees is the direction of p in degrees, from -180 to 180.
func (p Point) Degrees() float64 { return math.Atan2(p.Y, p.X) * 180 / math.Pi }

// Polar is the point at distance r in direction deg from the origin.
func Polar(r, deg float64) Point {
	s, c := math.Sincos(deg * math.Pi / 180)
	return Point{r * c, r * s}
}

// Finite reports whether both coordinates are ordinary numbers.
func (p Point) Finite() bool {
	return !math.IsNaN(p.X) && !math.IsInf(p.X, 0) && !math.IsNaN(p.Y) && !math.IsInf(p.Y, 0)
}

// round2 keeps a hundredth of a millimetre, which is finer than any knife.
func round2(v float64) float64 {
	r := math.Round(v*100) / 100
	if r == 0 {
		return 0 // no minus zero in files
	}
	return r
}

// MarshalJSON writes [x, y], rounded to a hundredth of a millimetre.
func (p Point) MarshalJSON() ([]byte, error) {
	if !p.Finite() {
		return nil, fmt.Errorf("a point must have ordinary numbers")
	}
	return json.Marshal([2]float64{round2(p.X), round2(p.Y)})
}

// UnmarshalJSON reads [x, y] and refuses anything but two numbers.
func (p *Point) UnmarshalJSON(b []byte) error {
	var xy []float64
	if err := json.Unmarshal(b, &xy); err != nil || len(xy) != 2 {
		return fmt.Errorf("a point is written as [x, y] in millimetres")
	}
	p.X, p.Y = xy[0], xy[1]
	return nil
}

// Round is p rounded to a hundredth of a millimetre, as it is stored.
func (p Point) Round() Point { return Point{round2(p.X), round2(p.Y)} }
