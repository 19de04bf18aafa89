// Package geom holds the plane geometry of a tray: points, outlines, poses,
// distances and rasters. Lengths are millimetres, x runs right and y runs down,
// angles are degrees and turn clockwise on the screen.
package geom

import (
	"bytes"
	"errors"
	"math"
	"strconv"
)

// Point is a place in the plane, in millimetres. It is written in JSON as [x, y].
type Point struct{ X, Y float64 }

// Pt is shorthand for Point{x, y}.
func Pt(x, y float64) Point { return Point{x, y} }

// Add is the sum of two vectors, mm.
func (p Point) Add(q Point) Point { return Point{p.X + q.X, p.Y + q.Y} }

// Sub is the vector from q to p, mm.
func (p Point) Sub(q Point) Point { return Point{p.X - q.X, p.Y - q.Y} }

// Mul is p made k times as long.
func (p Point) Mul(k float64) Point { return Point{p.X * k, p.Y * k} }

// Dot is the scalar product, mm2: 0 where the two stand square to each other.
func (p Point) Dot(q Point) float64 { return p.X*q.X + p.Y*q.Y }

// Cross is the third component of the vector product, mm2: above 0 where q points clockwise
// of p on the screen.
func (p Point) Cross(q Point) float64 { return p.X*q.Y - p.Y*q.X }

// Len is the length of p, mm.
func (p Point) Len() float64 { return math.Sqrt(p.X*p.X + p.Y*p.Y) }

// Dist is how far two points lie apart, mm.
func (p Point) Dist(q Point) float64 { return p.Sub(q).Len() }

// Lerp is the point that lies the share t of the way from p to q; t may be below 0 or above 1.
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
		return nil, errNotFinite
	}
	return p.AppendJSON(make([]byte, 0, 24)), nil
}

var errNotFinite = errors.New("a point must have ordinary numbers")

// AppendJSON writes the point, whose numbers must be ordinary, behind what b holds.
func (p Point) AppendJSON(b []byte) []byte {
	b = append(b, '[')
	b = strconv.AppendFloat(b, round2(p.X), 'f', -1, 64)
	b = append(b, ',')
	b = strconv.AppendFloat(b, round2(p.Y), 'f', -1, 64)
	return append(b, ']')
}

var errNotPoint = errors.New("a point is written as [x, y] in millimetres")

// UnmarshalJSON reads [x, y] and refuses anything but two numbers.
func (p *Point) UnmarshalJSON(b []byte) error {
	rest, err := p.parse(b)
	if err != nil || len(skip(rest)) != 0 {
		return errNotPoint
	}
	return nil
}

// parse reads one point from the head of b and returns what follows it. A tray
// holds tens of thousands of points, so they are not read by reflection.
func (p *Point) parse(b []byte) (rest []byte, err error) {
	if b = skip(b); len(b) == 0 || b[0] != '[' {
		return nil, errNotPoint
	}
	if p.X, b, err = number(b[1:]); err != nil || len(b) == 0 || b[0] != ',' {
		return nil, errNotPoint
	}
	if p.Y, b, err = number(b[1:]); err != nil || len(b) == 0 || b[0] != ']' {
		return nil, errNotPoint
	}
	return b[1:], nil
}

// number reads a JSON number and the white space round it.
func number(b []byte) (v float64, rest []byte, err error) {
	b = skip(b)
	n := 0
	for n < len(b) && (b[n] >= '0' && b[n] <= '9' || b[n] == '-' || b[n] == '+' || b[n] == '.' || b[n] == 'e' || b[n] == 'E') {
		n++
	}
	if v, err = strconv.ParseFloat(string(b[:n]), 64); err != nil { // also for 1e999
		return 0, nil, errNotPoint
	}
	return v, skip(b[n:]), nil
}

// skip is b without leading JSON white space.
func skip(b []byte) []byte {
	for len(b) > 0 && (b[0] == ' ' || b[0] == '\n' || b[0] == '\t' || b[0] == '\r') {
		b = b[1:]
	}
	return b
}

// UnmarshalJSON reads a list of points.
func (o *Outline) UnmarshalJSON(b []byte) error {
	if string(b) == "null" {
		*o = nil
		return nil
	}
	if b = skip(b); len(b) == 0 || b[0] != '[' {
		return errNotPoint
	}
	out := make(Outline, 0, min(1024, bytes.Count(b, []byte{'['})))
	for b = skip(b[1:]); len(b) > 0 && b[0] != ']'; {
		var p Point
		var err error
		if b, err = p.parse(b); err != nil {
			return err
		}
		out = append(out, p)
		if b = skip(b); len(b) > 0 && b[0] == ',' {
			b = skip(b[1:])
		}
	}
	*o = out
	return nil
}

// MarshalJSON writes the list of points; a nil outline is an empty list.
func (o Outline) MarshalJSON() ([]byte, error) {
	if !o.Finite() {
		return nil, errNotFinite
	}
	return o.AppendJSON(make([]byte, 0, 2+18*len(o))), nil
}

// AppendJSON writes the points, whose numbers must be ordinary, behind what b holds.
func (o Outline) AppendJSON(b []byte) []byte {
	b = append(b, '[')
	for i, p := range o {
		if i > 0 {
			b = append(b, ',')
		}
		b = p.AppendJSON(b)
	}
	return append(b, ']')
}

// Finite reports whether all points have ordinary numbers.
func (o Outline) Finite() bool {
	for _, p := range o {
		if !p.Finite() {
			return false
		}
	}
	return true
}

// Round is p rounded to a hundredth of a millimetre, as it is stored.
func (p Point) Round() Point { return Point{round2(p.X), round2(p.Y)} }
