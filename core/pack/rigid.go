package pack

import (
	"math"
	"slices"

	"happytray/core/geom"
	"happytray/core/tray"
)

// body is what moves as one while things are parted: a thing that stands, one fold of a trail, or one
// loose piece.
type body struct {
	e        int    // element
	piece    int    // of a trail or of loose food, else -1
	part     [2]int // of a row that was parted in two: its pieces from, up to; else both 0
	loose    bool
	upper    bool // lies upon others of its heap
	rest     []geom.Body
	outlines []geom.Body // the same where they have come to
	box      geom.Rect
	home     geom.Point // middle of its box
	reach    float64    // half the diagonal of its box, mm
	r        float64    // mean radius of a loose piece, mm
	inertia  float64    // mm2 by which it resists being turned; 0 where a turn would not show
	moved    geom.Point // moved so far
	turned   float64    // and turned, degrees, round its middle
	mobility float64    // how readily it gives way; 0 stays
	from     offset     // where the spring draws it: where it was, unless a hand holds it
	gone     bool
}

// offset is how a body lies: moved from where it was, mm, and turned round its middle, degrees.
type offset struct {
	moved  geom.Point
	turned float64
}

func newBody(e, piece int, pieces []tray.Piece, light float64) body {
	l := body{e: e, piece: piece, mobility: light, box: BoxOf(pieces)}
	l.home = l.box.Centre()
	l.reach = math.Hypot(l.box.W(), l.box.H()) / 2
	for i := range pieces {
		b := geom.NewBody(slices.Clone(pieces[i].Outline))
		l.rest, l.outlines = append(l.rest, b), append(l.outlines, b.Clone())
	}
	return l
}

// mobilityOf is how readily a loose piece gives way.
func mobilityOf(q *tray.Piece) float64 { return 1e4 / math.Max(100, q.Outline.Area()) }

// bin is 0 for what stands, 1 for what is loose.
func (l *body) bin() int {
	if l.loose {
		return 1
	}
	return 0
}

// put puts a body where it has come to, moved and turned so far.
func (l *body) put(by geom.Point, turn float64) {
	l.moved, l.turned = by, turn
	for i := range l.outlines {
		l.outlines[i].Transform(&l.rest[i], l.home, turn, by)
		if i == 0 {
			l.box = l.outlines[i].Box
		} else {
			l.box = l.box.Union(l.outlines[i].Box)
		}
	}
}

func (l *body) shift(by geom.Point) { l.put(l.moved.Add(by), l.turned) }

func (l *body) middle() geom.Point { return l.home.Add(l.moved) }

func (l *body) hasMoved() bool { return l.moved != (geom.Point{}) || l.turned != 0 }

// imageOf is where a point has come to that moves along.
func (l *body) imageOf(q geom.Point) geom.Point {
	return l.middle().Add(geom.Pose{Turn: l.turned}.Apply(q.Sub(l.home)))
}

// goBack puts a body where it was.
func (l *body) goBack() {
	l.from, l.gone = offset{}, false
	l.put(geom.Point{}, 0)
}

// mostLean is how far a thing is turned to make room, degrees.
const mostLean = 24.0

// leaning is a turn changed by a little, within what is allowed.
func leaning(turn, by float64) float64 {
	by = math.Max(-4, math.Min(4, by))
	if now := turn + by; math.Abs(now) <= mostLean {
		return now
	}
	return turn
}

// yields is how readily a body gives way at a point along a way, and by how many degrees it turns for
// each of that.
func (l *body) yields(at, away geom.Point) (weight, turn float64) {
	if l.mobility == 0 || l.inertia == 0 {
		return l.mobility, 0
	}
	arm := at.Sub(l.middle()).Cross(away)
	return l.mobility * (1 + arm*arm/l.inertia), l.mobility * arm / l.inertia * 180 / math.Pi
}
