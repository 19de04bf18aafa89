package geom

import "math"

// Body is an outline made ready for repeated overlap questions.
type Body struct {
	Outline Outline
	Box     Rect
	Hull    Outline
	convex  bool
}

// NewBody prepares an outline; it is kept, not copied.
func NewBody(o Outline) Body {
	b := Body{Outline: o, Box: o.Bounds(), convex: o.Convex()}
	if b.convex {
		b.Hull = o
	} else {
		b.Hull = o.Hull()
	}
	return b
}

// ConvexBody prepares an outline that is known to be convex; it is kept, not copied.
func ConvexBody(o Outline) Body { return Body{Outline: o, Hull: o, Box: o.Bounds(), convex: true} }

// Penetration says how deep a and b overlap, in mm: for convex outlines the
// smallest shift that parts them (separating axes, Gottschalk 1996), with the
// direction in which a must move; for others the deepest point of one inside
// the other. Zero depth means they are apart or only touch.
func Penetration(a, b *Body) (depth float64, away Point) {
	if !a.Box.Meets(b.Box) {
		return 0, Point{}
	}
	depth, away = hullPenetration(a.Hull, b.Hull)
	if depth <= 0 || a.convex && b.convex {
		return depth, away
	}
	d := math.Max(deepest(a.Outline, b.Outline), deepest(b.Outline, a.Outline))
	return math.Min(d, depth), away
}

func hullPenetration(a, b Outline) (float64, Point) {
	best := math.Inf(1)
	var axis Point
	for pass := 0; pass < 2; pass++ {
		o := a
		if pass == 1 {
			o = b
		}
		for i := range o {
			e := o[(i+1)%len(o)].Sub(o[i])
			l := e.Len()
			if l < 1e-9 {
				continue
			}
			n := Point{-e.Y / l, e.X / l}
			amin, amax := span(a, n)
			bmin, bmax := span(b, n)
			right, left := bmax-amin, amax-bmin // shift a along +n, or along -n
			if right <= 0 || left <= 0 {
				return 0, Point{}
			}
			if right < best {
				best, axis = right, n
			}
			if left < best {
				best, axis = left, n.Mul(-1)
			}
		}
	}
	if math.IsInf(best, 1) {
		return 0, Point{}
	}
	return best, axis
}

func span(o Outline, n Point) (lo, hi float64) {
	lo, hi = math.Inf(1), math.Inf(-1)
	for _, p := range o {
		d := p.X*n.X + p.Y*n.Y
		if d < lo {
			lo = d
		}
		if d > hi {
			hi = d
		}
	}
	return lo, hi
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

// Gap is the distance between two outlines in mm, zero when they touch or overlap.
func Gap(a, b *Body) float64 {
	if d, _ := Penetration(a, b); d > 0 {
		return 0
	}
	best := math.Inf(1)
	for _, p := range a.Outline {
		best = math.Min(best, b.Outline.EdgeDistance(p))
	}
	for _, p := range b.Outline {
		best = math.Min(best, a.Outline.EdgeDistance(p))
	}
	return best
}

// BoxGap is the distance between two boxes, zero when they meet; never more
// than the gap between what they hold.
func BoxGap(a, b Rect) float64 {
	dx := math.Max(0, math.Max(a.Min.X-b.Max.X, b.Min.X-a.Max.X))
	dy := math.Max(0, math.Max(a.Min.Y-b.Max.Y, b.Min.Y-a.Max.Y))
	return math.Hypot(dx, dy)
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
