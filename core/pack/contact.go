package pack

import (
	"math"

	"happytray/core/geom"
)

// heaped is how much nearer two pieces of one heap have come than pieces in a heap lie, or than they lay.
func heaped(a, b *body) (depth float64, away geom.Point) {
	want := .94 * (a.r + b.r)
	if a.upper != b.upper {
		want *= .5
	}
	way := a.middle().Sub(b.middle())
	d := way.Len()
	if d >= want {
		return 0, way
	}
	if want = math.Min(want, a.home.Dist(b.home)); d >= want-.3 {
		return 0, way
	}
	if d < .01 {
		return want, geom.Pt(1, 0)
	}
	return .7 * (want - d), way.Mul(1 / d)
}

// contact is where two bodies touch that stand in each other: the middle of the narrower of the two
// sides by which they do; away is the way out of the first.
func contact(a, b *geom.Body, away geom.Point) geom.Point {
	p, wa := farSide(a.Hull, away.Mul(-1))
	q, wb := farSide(b.Hull, away)
	if wa < wb {
		return p
	}
	return q
}

// farSide is the middle and the width of what of an outline reaches farthest along a way.
func farSide(o geom.Outline, along geom.Point) (mid geom.Point, width float64) {
	most := math.Inf(-1)
	for _, q := range o {
		most = math.Max(most, q.Dot(along))
	}
	across := geom.Pt(-along.Y, along.X)
	lo, hi := math.Inf(1), math.Inf(-1)
	for _, q := range o {
		if q.Dot(along) > most-1 {
			v := q.Dot(across)
			lo, hi = math.Min(lo, v), math.Max(hi, v)
		}
	}
	return along.Mul(most).Add(across.Mul((lo + hi) / 2)), hi - lo
}
