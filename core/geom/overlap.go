package geom

import "math"

// Body is an outline made ready for repeated overlap questions.
type Body struct {
	Outline Outline
	Box     Rect
	Hull    Outline
	convex  bool
	normals []Point // of the hull's edges, outward, of length one
}

// NewBody prepares an outline; it is kept, not copied.
func NewBody(o Outline) Body {
	if o.Convex() {
		return ConvexBody(o)
	}
	h := o.Hull()
	return Body{Outline: o, Box: o.Bounds(), Hull: h, normals: outward(h)}
}

// ConvexBody prepares an outline that is known to be convex; it is kept, not copied.
func ConvexBody(o Outline) Body {
	return Body{Outline: o, Hull: o, Box: o.Bounds(), convex: true, normals: outward(o)}
}

func outward(o Outline) []Point {
	sign := 1.0
	if o.SignedArea() > 0 {
		sign = -1
	}
	out := make([]Point, len(o))
	for i, p := range o {
		if e := o[(i+1)%len(o)].Sub(p); e.Len() > 1e-9 {
			out[i] = e.Unit().Normal().Mul(sign)
		} // an edge without length has no normal, and parts nothing
	}
	return out
}

// Shift puts a convex body at a place: local is its outline round the origin.
// It is what a search does most, so nothing is made anew.
func (b *Body) Shift(local Outline, to Point) {
	o := b.Outline
	box := Rect{Pt(math.Inf(1), math.Inf(1)), Pt(math.Inf(-1), math.Inf(-1))}
	for i, q := range local {
		p := Point{q.X + to.X, q.Y + to.Y}
		o[i] = p
		if p.X < box.Min.X {
			box.Min.X = p.X
		}
		if p.X > box.Max.X {
			box.Max.X = p.X
		}
		if p.Y < box.Min.Y {
			box.Min.Y = p.Y
		}
		if p.Y > box.Max.Y {
			box.Max.Y = p.Y
		}
	}
	b.Box = box
}

// Penetration says how deep a and b overlap, in mm: for convex outlines the
// smallest shift that parts them (separating axes, Gottschalk 1996), with the
// direction in which a must move; for others the deepest point of one inside
// the other. Zero depth means they are apart or only touch.
func Penetration(a, b *Body) (depth float64, away Point) {
	if !a.Box.Meets(b.Box) {
		return 0, Point{}
	}
	depth, away = hullPenetration(a, b)
	if depth <= 0 || a.convex && b.convex {
		return depth, away
	}
	d := math.Max(deepest(a.Outline, b.Outline), deepest(b.Outline, a.Outline))
	return math.Min(d, depth), away
}

func hullPenetration(a, b *Body) (float64, Point) {
	// Most neighbours in a search are apart, and most of those are parted by the
	// line between their middles.
	between := b.Box.Centre().Sub(a.Box.Centre())
	if between != (Point{}) && -least(a.Hull, between.Mul(-1)) <= least(b.Hull, between) {
		return 0, Point{}
	}
	best := math.Inf(1)
	var axis Point
	for i, n := range a.normals {
		d := n.Dot(a.Hull[i]) - least(b.Hull, n)
		if d < best && n != (Point{}) {
			if d <= 0 {
				return 0, Point{}
			}
			best, axis = d, n.Mul(-1)
		}
	}
	for i, n := range b.normals {
		d := n.Dot(b.Hull[i]) - least(a.Hull, n)
		if d < best && n != (Point{}) {
			if d <= 0 {
				return 0, Point{}
			}
			best, axis = d, n
		}
	}
	if math.IsInf(best, 1) {
		return 0, Point{}
	}
	return best, axis
}

// least is how far back along n the outline reaches.
func least(o Outline, n Point) float64 {
	lo := math.Inf(1)
	for _, p := range o {
		if d := p.X*n.X + p.Y*n.Y; d < lo {
			lo = d
		}
	}
	return lo
}

func deepest(a, b Outline) float64 {
	d := 0.0
	for i, p := range a {
		for _, q := range [2]Point{p, p.Lerp(a[(i+1)%len(a)], .5)} {
			if b.Contains(q) {
				d = math.Max(d, b.EdgeDistance(q))
			}
		}
	}
	return d
}

// Gap is the distance between two outlines in mm, zero when they touch or
// overlap. Beyond most it need not be exact, only larger than most.
func Gap(a, b *Body, most float64) float64 {
	if g := BoxGap(a.Box, b.Box); g > most {
		return g
	}
	if d, _ := Penetration(a, b); d > 0 {
		return 0
	}
	best := math.Inf(1)
	for _, pair := range [2][2]Outline{{a.Outline, b.Outline}, {b.Outline, a.Outline}} {
		edges := pair[1]
		for _, p := range pair[0] {
			for i, q := range edges {
				n := i + 1
				if n == len(edges) {
					n = 0
				}
				if d := segmentDistance2(p, q, edges[n]); d < best {
					best = d
				}
			}
		}
	}
	return math.Sqrt(best)
}

// segmentDistance2 is the squared distance from p to the segment from a to b.
func segmentDistance2(p, a, b Point) float64 {
	ex, ey := b.X-a.X, b.Y-a.Y
	px, py := p.X-a.X, p.Y-a.Y
	if l2 := ex*ex + ey*ey; l2 > 0 {
		t := (px*ex + py*ey) / l2
		if t > 1 {
			t = 1
		}
		if t > 0 {
			px, py = px-t*ex, py-t*ey
		}
	}
	return px*px + py*py
}

// BoxGap is the distance between two boxes, zero when they meet; never more
// than the gap between what they hold.
func BoxGap(a, b Rect) float64 {
	var dx, dy float64
	if d := a.Min.X - b.Max.X; d > 0 {
		dx = d
	} else if d := b.Min.X - a.Max.X; d > 0 {
		dx = d
	}
	if d := a.Min.Y - b.Max.Y; d > 0 {
		dy = d
	} else if d := b.Min.Y - a.Max.Y; d > 0 {
		dy = d
	}
	switch {
	case dy == 0:
		return dx
	case dx == 0:
		return dy
	}
	return math.Sqrt(dx*dx + dy*dy)
}

// SharedArea is the area in mm2 that subject shares with a convex clip outline
// (Sutherland and Hodgman 1974). The subject may be concave.
func SharedArea(subject, clip Outline) float64 {
	sign := 1.0
	if clip.SignedArea() < 0 {
		sign = -1
	}
	cur := append(Outline(nil), subject...)
	for i := range clip {
		if len(cur) == 0 {
			return 0
		}
		a, b := clip[i], clip[(i+1)%len(clip)]
		e := b.Sub(a)
		side := func(p Point) float64 { return sign * e.Cross(p.Sub(a)) }
		var next Outline
		for j := range cur {
			p, q := cur[j], cur[(j+1)%len(cur)]
			sp, sq := side(p), side(q)
			if sp >= 0 {
				next = append(next, p)
			}
			if sp >= 0 != (sq >= 0) {
				next = append(next, p.Lerp(q, sp/(sp-sq)))
			}
		}
		cur = next
	}
	return cur.Area()
}
