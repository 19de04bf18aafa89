package arrange

import (
	"context"

	"happytray/core/geom"
	"happytray/core/review"
)

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

// steady reports whether grain i cannot roll off, as the review has it.
func (sh *share) steady(grains []grain, i int) bool {
	z := &sh.l.s.zone
	box := grains[i].body.Box
	return z.deep(box.Centre()) > review.RollsMM+box.W()/2 || // most are, and asked at once
		review.Steady(z.board, box, func(p geom.Point) bool { return sh.stands(grains, i, p) })
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
