package geom

import (
	"errors"
	"math"
	"sort"
)

// Outline is a closed polygon without a repeated last point, mm.
type Outline []Point

// Rect is an axis-parallel box, mm.
type Rect struct{ Min, Max Point }

// W is how wide the box is, mm.
func (r Rect) W() float64 { return r.Max.X - r.Min.X }

// H is how high the box is, mm.
func (r Rect) H() float64 { return r.Max.Y - r.Min.Y }

// Centre is the middle of the box.
func (r Rect) Centre() Point { return r.Min.Lerp(r.Max, .5) }

// Grow is r with d added on every side.
func (r Rect) Grow(d float64) Rect {
	return Rect{Point{r.Min.X - d, r.Min.Y - d}, Point{r.Max.X + d, r.Max.Y + d}}
}

// Contains reports whether a point lies in the rectangle.
func (r Rect) Contains(p Point) bool {
	return p.X >= r.Min.X && p.X <= r.Max.X && p.Y >= r.Min.Y && p.Y <= r.Max.Y
}

// Move is the rectangle shifted by d.
func (r Rect) Move(d Point) Rect { return Rect{r.Min.Add(d), r.Max.Add(d)} }

// Meets reports whether the two boxes share a point.
func (r Rect) Meets(q Rect) bool {
	return r.Min.X <= q.Max.X && q.Min.X <= r.Max.X && r.Min.Y <= q.Max.Y && q.Min.Y <= r.Max.Y
}

// Union is the smallest box round both.
func (r Rect) Union(q Rect) Rect {
	return Rect{Point{math.Min(r.Min.X, q.Min.X), math.Min(r.Min.Y, q.Min.Y)},
		Point{math.Max(r.Max.X, q.Max.X), math.Max(r.Max.Y, q.Max.Y)}}
}

// Bounds is the box round the outline; the zero box for an empty one.
func (o Outline) Bounds() Rect {
	if len(o) == 0 {
		return Rect{}
	}
	r := Rect{o[0], o[0]}
	for _, p := range o[1:] {
		r.Min.X, r.Min.Y = min(r.Min.X, p.X), min(r.Min.Y, p.Y)
		r.Max.X, r.Max.Y = max(r.Max.X, p.X), max(r.Max.Y, p.Y)
	}
	return r
}

// SignedArea is positive when the points run clockwise on the screen, in mm2.
func (o Outline) SignedArea() float64 {
	if len(o) == 0 {
		return 0
	}
	a, p := 0.0, o[len(o)-1]
	for _, q := range o {
		a += p.Cross(q)
		p = q
	}
	return a / 2
}

// Area is the enclosed area in mm2.
func (o Outline) Area() float64 { return math.Abs(o.SignedArea()) }

// Centroid is the centre of area.
func (o Outline) Centroid() Point {
	var c Point
	a := 0.0
	if len(o) == 0 {
		return c
	}
	base := o[0]
	for i := 1; i+1 < len(o); i++ {
		p, q := o[i].Sub(base), o[i+1].Sub(base)
		w := p.Cross(q)
		a += w
		c = c.Add(p.Add(q).Mul(w / 3))
	}
	if math.Abs(a) < 1e-9 {
		return o.Bounds().Centre()
	}
	return base.Add(c.Mul(1 / a))
}

// Contains reports whether p lies inside, by the even-odd rule.
func (o Outline) Contains(p Point) bool {
	in := false
	for i, j := 0, len(o)-1; i < len(o); j, i = i, i+1 {
		a, b := o[i], o[j]
		if (a.Y > p.Y) != (b.Y > p.Y) && p.X < (b.X-a.X)*(p.Y-a.Y)/(b.Y-a.Y)+a.X {
			in = !in
		}
	}
	return in
}

// EdgeDistance is the distance from p to the nearest point of the outline's edge.
func (o Outline) EdgeDistance(p Point) float64 {
	best := math.Inf(1)
	for i, a := range o {
		n := i + 1
		if n == len(o) {
			n = 0
		}
		if d := segmentDistance2(p, a, o[n]); d < best {
			best = d
		}
	}
	return math.Sqrt(best)
}

// Edges are some of an outline's edges, as pairs of points.
type Edges [][2]Point

// EdgesNear is the edges whose distance from p is at most slack mm more than that of the
// nearest: all that can be the nearest to a point within slack/2 of p.
func (o Outline) EdgesNear(p Point, slack float64) Edges {
	most := o.EdgeDistance(p) + slack + 1e-9
	var out Edges
	for i, a := range o {
		b := o[(i+1)%len(o)]
		if segmentDistance2(p, a, b) <= most*most {
			out = append(out, [2]Point{a, b})
		}
	}
	return out
}

// Distance is the distance from p to the nearest of the edges.
func (e Edges) Distance(p Point) float64 {
	best := math.Inf(1)
	for i := range e {
		if d := segmentDistance2(p, e[i][0], e[i][1]); d < best {
			best = d
		}
	}
	return math.Sqrt(best)
}

// NearestOnEdge is the point of the outline's edge nearest to p.
func (o Outline) NearestOnEdge(p Point) Point {
	if len(o) == 0 {
		return p
	}
	best, at := math.Inf(1), 0
	a := o[len(o)-1]
	for i, b := range o {
		if d := segmentDistance2(p, a, b); d < best {
			best, at = d, i
		}
		a = b
	}
	return nearestOnSegment(p, o[(at+len(o)-1)%len(o)], o[at])
}

func nearestOnSegment(p, a, b Point) Point {
	ab := b.Sub(a)
	l2 := ab.Dot(ab)
	if l2 == 0 {
		return a
	}
	t := math.Max(0, math.Min(1, p.Sub(a).Dot(ab)/l2))
	return a.Add(ab.Mul(t))
}

// Convex reports whether the outline never turns back, within a small tolerance.
func (o Outline) Convex() bool {
	b := Body{Outline: o}
	b.survey()
	return b.convex
}

// Hull is the convex hull (Andrew's monotone chain), clockwise on the screen.
func (o Outline) Hull() Outline {
	if len(o) < 4 {
		return append(Outline(nil), o...)
	}
	ps := append(Outline(nil), o...)
	sort.Slice(ps, func(i, j int) bool {
		return ps[i].X < ps[j].X || ps[i].X == ps[j].X && ps[i].Y < ps[j].Y
	})
	half := func(at func(int) Point) Outline {
		var h Outline
		for i := range ps {
			p := at(i)
			for len(h) > 1 && h[len(h)-1].Sub(h[len(h)-2]).Cross(p.Sub(h[len(h)-1])) <= 0 {
				h = h[:len(h)-1]
			}
			h = append(h, p)
		}
		return h[:len(h)-1]
	}
	lower := half(func(i int) Point { return ps[i] })
	return append(lower, half(func(i int) Point { return ps[len(ps)-1-i] })...)
}

// Errors of Check.
var (
	ErrFewPoints  = errors.New("an outline needs at least three points")
	ErrManyPoints = errors.New("an outline may have at most 512 points")
	ErrNotNumber  = errors.New("an outline holds a number that is not finite")
	ErrNoArea     = errors.New("the outline encloses no area")
	ErrCrossing   = errors.New("the outline crosses itself")
)

// Check reports why an outline from outside cannot be used, or nil.
func (o Outline) Check() error {
	switch {
	case len(o) < 3:
		return ErrFewPoints
	case len(o) > 512:
		return ErrManyPoints
	}
	for _, p := range o {
		if !p.Finite() || math.Abs(p.X) > 1e5 || math.Abs(p.Y) > 1e5 {
			return ErrNotNumber
		}
	}
	if o.Area() < 1e-3 {
		return ErrNoArea
	}
	if o.crosses() {
		return ErrCrossing
	}
	return nil
}

func (o Outline) crosses() bool {
	n := len(o)
	for i := 0; i < n; i++ {
		a, b := o[i], o[(i+1)%n]
		for j := i + 2; j < n; j++ {
			if i == 0 && j == n-1 {
				continue
			}
			if segmentsCross(a, b, o[j], o[(j+1)%n]) {
				return true
			}
		}
	}
	return false
}

func segmentsCross(a, b, c, d Point) bool {
	o1, o2 := b.Sub(a).Cross(c.Sub(a)), b.Sub(a).Cross(d.Sub(a))
	o3, o4 := d.Sub(c).Cross(a.Sub(c)), d.Sub(c).Cross(b.Sub(c))
	return o1*o2 < -1e-9 && o3*o4 < -1e-9
}

// Round is the outline rounded to a hundredth of a millimetre, as it is stored.
func (o Outline) Round() Outline {
	out := make(Outline, len(o))
	for i, p := range o {
		out[i] = p.Round()
	}
	return out
}

// distinct is the outline without points that lie where the one before lies: between two of them there is no
// edge that has a direction.
func (o Outline) distinct() Outline {
	out := make(Outline, 0, len(o))
	for _, p := range o {
		if len(out) == 0 || p.Dist(out[len(out)-1]) > 1e-6 {
			out = append(out, p)
		}
	}
	for len(out) > 1 && out[0].Dist(out[len(out)-1]) <= 1e-6 {
		out = out[:len(out)-1]
	}
	return out
}

// Inset is the outline moved inwards by d (outwards when d is negative). Each
// edge is moved along its normal and neighbours are joined at their crossing,
// which is exact for convex outlines and close for gently concave ones; an inset
// wider than the outline gives an empty outline.
func (o Outline) Inset(d float64) Outline {
	if len(o) < 3 || d == 0 {
		return append(Outline(nil), o...)
	}
	o = o.distinct()
	n := len(o)
	if n < 3 {
		return nil
	}
	sign := 1.0
	if o.SignedArea() < 0 {
		sign = -1
	}
	out := make(Outline, 0, n)
	for i := range o {
		prev, cur, next := o[(i+n-1)%n], o[i], o[(i+1)%n]
		n1 := cur.Sub(prev).Unit().Normal().Mul(sign)
		n2 := next.Sub(cur).Unit().Normal().Mul(sign)
		mid := n1.Add(n2)
		if mid.Len() < 1e-6 {
			mid = n1
		}
		mid = mid.Unit()
		cos := math.Max(.35, mid.Dot(n1))
		p := cur.Add(mid.Mul(d / cos))
		if d > 0 && (!o.Contains(p) || o.EdgeDistance(p) < d*.5) {
			continue // a corner too narrow to hold the inset
		}
		out = append(out, p)
	}
	if len(out) < 3 || out.SignedArea()*sign <= 0 {
		return nil
	}
	return out
}
