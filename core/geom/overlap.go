package geom

import "math"

// Body is an outline made ready for repeated overlap questions.
type Body struct {
	Outline Outline
	Box     Rect
	Hull    Outline
	convex  bool
	sign    float64 // of the hull's turn: 1 where the normal of an edge points outward as it is
	parts   [][]int // of a concave outline: the points of its convex parts; shared by all copies
}

// NewBody prepares an outline; it is kept, not copied.
func NewBody(o Outline) Body {
	b := Body{Outline: o, Hull: o}
	b.survey()
	if !b.convex {
		h := b.Outline.Hull()
		b.Hull, b.sign = h, outward(h)
		b.parts = convexParts(o)
	}
	return b
}

// ConvexBody prepares an outline that is known to be convex; it is kept, not copied.
func ConvexBody(o Outline) Body {
	return Body{Outline: o, Hull: o, Box: o.Bounds(), convex: true, sign: outward(o)}
}

// survey finds box, turn and whether the outline is convex in one walk round it.
func (b *Body) survey() {
	o := b.Outline
	if len(o) == 0 {
		b.convex, b.sign = true, 1
		return
	}
	box := Rect{o[0], o[0]}
	area, turn := 0.0, 0.0
	b.convex = true
	p := o[len(o)-1]
	e := p.Sub(o[(len(o)*2-2)%len(o)])
	for _, q := range o {
		box.Min.X, box.Min.Y = min(box.Min.X, q.X), min(box.Min.Y, q.Y)
		box.Max.X, box.Max.Y = max(box.Max.X, q.X), max(box.Max.Y, q.Y)
		area += p.Cross(q)
		d := q.Sub(p)
		if x := e.Cross(d); x > 1e-6 || x < -1e-6 { // less is rounding
			if turn*x < 0 {
				b.convex = false
			}
			turn = x
		}
		p, e = q, d
	}
	b.Box, b.sign = box, 1
	if area > 0 {
		b.sign = -1
	}
}

// outward is the sign that makes the normals of an outline's edges point outward.
func outward(o Outline) float64 {
	if o.SignedArea() > 0 {
		return -1
	}
	return 1
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

// Transform puts a body where home lies, turned by deg degrees round a point and shifted. The body must be
// a Clone of home; nothing is made anew.
func (b *Body) Transform(home *Body, about Point, deg float64, by Point) {
	if deg == 0 {
		b.Box = home.Box.Move(by)
		for i, q := range home.Outline {
			b.Outline[i] = Point{q.X + by.X, q.Y + by.Y}
		}
		if !b.convex {
			for i, q := range home.Hull {
				b.Hull[i] = Point{q.X + by.X, q.Y + by.Y}
			}
		}
		return
	}
	sin, cos := math.Sincos(deg * math.Pi / 180)
	turned := func(q Point) Point {
		x, y := q.X-about.X, q.Y-about.Y
		return Point{about.X + x*cos - y*sin + by.X, about.Y + x*sin + y*cos + by.Y}
	}
	for i, q := range home.Outline {
		b.Outline[i] = turned(q)
	}
	if !b.convex {
		for i, q := range home.Hull {
			b.Hull[i] = turned(q)
		}
	}
	b.Box = b.Outline.Bounds()
}

// Clone is a body that shares nothing with b.
func (b *Body) Clone() Body {
	c := *b
	c.Outline = append(Outline(nil), b.Outline...)
	if c.Hull = c.Outline; !b.convex {
		c.Hull = append(Outline(nil), b.Hull...)
	}
	return c
}

// Penetration says how deep a and b overlap, in mm: for convex outlines the
// smallest shift that parts them (separating axes, Gottschalk 1996), with the
// direction in which a must move; for others the most that two of their convex
// parts overlap, which is no more than that. Zero depth means they are apart or only touch.
func Penetration(a, b *Body) (depth float64, away Point) {
	if !a.Box.Meets(b.Box) {
		return 0, Point{}
	}
	return deeper(a, b, 0)
}

// Deeper is Penetration where only a depth of more than limit, mm, matters; for one up to it the
// answer is zero, and found sooner: one axis along which they overlap by no more is enough.
func Deeper(a, b *Body, limit float64) (depth float64, away Point) {
	if BoxDepth(a.Box, b.Box) <= limit {
		return 0, Point{}
	}
	if depth, away = deeper(a, b, limit); depth <= limit {
		return 0, Point{}
	}
	return depth, away
}

func deeper(a, b *Body, limit float64) (depth float64, away Point) {
	depth, away = hullPenetration(a, b, limit)
	if depth <= 0 || a.convex && b.convex {
		return depth, away
	}
	most := 0.0
	theirs := b.Parts()
	for _, p := range a.Parts() {
		for i := range theirs {
			if !p.Box.Meets(theirs[i].Box) {
				continue
			}
			if d, way := hullPenetration(&p, &theirs[i], math.Max(limit, most)); d > most {
				most, away = d, way
			}
		}
	}
	return math.Min(most, depth), away
}

// hullPenetration is zero where the hulls overlap by no more than limit along some axis that is
// looked at.
func hullPenetration(a, b *Body, limit float64) (float64, Point) {
	// Most neighbours in a search are apart, and most of those are parted by the
	// line between their middles.
	between := b.Box.Centre().Sub(a.Box.Centre())
	if between != (Point{}) && -least(a.Hull, between.Mul(-1))-limit*between.Len() <= least(b.Hull, between) {
		return 0, Point{}
	}
	deep := shallowest{square: math.Inf(1), limit: limit}
	if !deep.along(a, b, -1) || !deep.along(b, a, 1) || math.IsInf(deep.square, 1) {
		return 0, Point{}
	}
	return math.Sqrt(deep.square), deep.axis.Unit()
}

// shallowest is the smallest shift found so far that parts two hulls: its square, and a
// direction, of any length.
type shallowest struct {
	square float64
	axis   Point
	limit  float64 // mm, up to which it does not matter
}

// along tries to part two hulls along the normals of a's edges; away is the way, along or
// against such a normal, in which the first of the two moves. It is false where they are
// parted already, or nearly. Normals are not kept ready: most hulls are asked once or twice.
func (s *shallowest) along(a, b *Body, away float64) bool {
	h := a.Hull
	far := -1 // the point of b that reaches back farthest; it goes round b as the normal goes round a
	on := 1
	if a.sign != b.sign {
		on = -1
	}
	for i, p := range h {
		q := h[0]
		if i+1 < len(h) {
			q = h[i+1]
		}
		n := Point{(p.Y - q.Y) * a.sign, (q.X - p.X) * a.sign}
		long := n.Dot(n)
		if long < 1e-18 {
			continue // an edge without length has no normal, and parts nothing
		}
		var back float64
		back, far = leastFrom(b.Hull, n, far, on)
		d := n.Dot(p) - back
		if d <= 0 || d*d <= s.limit*s.limit*long {
			return false
		}
		if d*d < s.square*long {
			s.square, s.axis = d*d/long, n.Mul(away)
		}
	}
	return true
}

// leastFrom is least of a convex outline, looked for from a point of it on, first forward in steps of
// on; and the point that it is. From -1 all are looked at.
func leastFrom(o Outline, n Point, at, on int) (float64, int) {
	if at < 0 {
		lo := math.Inf(1)
		for i, p := range o {
			if d := p.X*n.X + p.Y*n.Y; d < lo {
				lo, at = d, i
			}
		}
		return lo, max(at, 0)
	}
	lo := o[at].X*n.X + o[at].Y*n.Y
	for _, way := range [2]int{on, -on} {
		for range o {
			i := at + way
			if i < 0 {
				i = len(o) - 1
			} else if i == len(o) {
				i = 0
			}
			d := o[i].X*n.X + o[i].Y*n.Y
			if d > lo || d == lo && way != on { // on over points that reach as far
				break
			}
			lo, at = d, i
		}
	}
	return lo, at
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

// Towards is the least way from outline a to outline b that do not overlap, mm: moved by it, a touches b.
func Towards(a, b *Body) Point {
	best, way := math.Inf(1), Point{}
	for _, p := range a.Outline {
		if v := b.Outline.NearestOnEdge(p).Sub(p); v.Len() < best {
			best, way = v.Len(), v
		}
	}
	for _, q := range b.Outline {
		if v := q.Sub(a.Outline.NearestOnEdge(q)); v.Len() < best {
			best, way = v.Len(), v
		}
	}
	return way
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

// BoxDepth is how deep two boxes overlap, mm, below zero when they are apart; never less
// than the depth of what they hold.
func BoxDepth(a, b Rect) float64 {
	return min(a.Max.X-b.Min.X, b.Max.X-a.Min.X, a.Max.Y-b.Min.Y, b.Max.Y-a.Min.Y)
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
