package arrange

import (
	"context"
	"math"

	"happytray/core/geom"
)

// rollsMM is how near the edge of a board without a rim round things roll off unless
// neighbours hold them on two sides (craft section 3).
const rollsMM = 40

// hold tucks round pieces that lie near an edge without a rim behind something that holds
// them on two sides, or farther in, where there is room within a hand's width. What finds
// no such place stays; the review says so.
func (sh *share) hold(ctx context.Context, grains []grain) {
	z := &sh.l.s.zone
	if z.board.RimMM > 0 {
		return
	}
	for range 2 { // what was tucked away may have held another
		moved := false
		for i := range grains {
			g := &grains[i]
			f, _ := sh.l.s.larder.Get(sh.l.t.Elements[g.e].Food)
			if g.gone || !f.Rolls || sh.steady(grains, i) {
				continue
			}
			if ctx.Err() != nil {
				return
			}
			if sh.tuck(grains, i) {
				moved = true
			}
		}
		if !moved {
			return
		}
	}
}

// tuck moves grain i to the nearest place where it is legal, steady and wets nothing, and
// reports whether there is one.
func (sh *share) tuck(grains []grain, i int) bool {
	g := &grains[i]
	from := g.at
	for ring := 1; ring <= 9; ring++ {
		for k := range 6 * ring {
			g.moveTo(from.Add(geom.Polar(float64(ring)*g.r*.5, float64(k)*60/float64(ring))))
			if sh.steady(grains, i) && sh.legal(grains, i) && !sh.stacked(grains, i) && !sh.softening(grains, i) {
				return true
			}
		}
	}
	g.moveTo(from)
	return false
}

// stacked reports whether grain i lies more than a little upon another one of its heap.
func (sh *share) stacked(grains []grain, i int) bool {
	g := &grains[i]
	for j := range grains {
		if o := &grains[j]; j != i && !o.gone && o.e == g.e && g.at.Dist(o.at) < .8*(g.r+o.r) {
			return true
		}
	}
	return false
}

// steady reports whether grain i cannot roll off, as the review has it: far enough from
// the edge, in a well, or with something at two sides of it that are not next to each other.
func (sh *share) steady(grains []grain, i int) bool {
	g := &grains[i]
	b := sh.l.s.zone.board
	box := g.body.Box
	c := box.Centre()
	if sh.l.s.zone.deep(c) > rollsMM+box.W()/2 || b.Outline.EdgeDistance(c)-box.W()/2 > rollsMM {
		return true
	}
	for _, w := range b.Wells {
		if w.Contains(c) {
			return true
		}
	}
	r := math.Max(box.W(), box.H())/2 + 5
	first := -1
	for k := range 8 {
		if !sh.stands(grains, i, c.Add(geom.Polar(r, float64(k)*45))) {
			continue
		}
		if first < 0 {
			first = k
		} else if d := k - first; d >= 2 && d <= 6 {
			return true
		}
	}
	return false
}

// stands reports whether anything but grain i lies at p.
func (sh *share) stands(grains []grain, i int, p geom.Point) bool {
	hit := false
	sh.l.near(geom.Rect{Min: p, Max: p}, func(o *placed) bool {
		hit = o.body.Outline.Contains(p)
		return !hit
	})
	for j := 0; j < len(grains) && !hit; j++ {
		o := &grains[j]
		hit = j != i && !o.gone && o.body.Box.Contains(p) && o.body.Outline.Contains(p)
	}
	return hit
}
