package pack

import (
	"context"

	"happytray/core/geom"
	"happytray/core/review"
)

// steadyAll tucks round pieces that lie near an edge without a rim behind something that holds
// them on two sides, or farther in, where there is room within a hand's width. What finds
// no such place stays; the review says so.
func (rs *regions) steadyAll(ctx context.Context, particles []particle) {
	z := rs.l.Zone
	if z.Board.RimMM > 0 {
		return
	}
	for range 2 { // what was tucked away may have held another
		moved := false
		for i := range particles {
			g := &particles[i]
			f, _ := rs.l.Larder.Get(rs.l.Tray.Elements[g.e].Food)
			if g.gone || !f.Rolls || rs.steady(particles, i) {
				continue
			}
			if ctx.Err() != nil {
				return
			}
			if rs.tuck(particles, i) {
				moved = true
			}
		}
		if !moved {
			return
		}
	}
}

// tuck moves particle i to the nearest place where it is legal, steady and wets nothing, and
// reports whether there is one.
func (rs *regions) tuck(particles []particle, i int) bool {
	g := &particles[i]
	from := g.at
	for ring := 1; ring <= 9; ring++ {
		for k := range 6 * ring {
			g.moveTo(from.Add(geom.Polar(float64(ring)*g.r*.5, float64(k)*60/float64(ring))))
			if rs.steady(particles, i) && rs.legal(particles, i) && !rs.stacked(particles, i) && !rs.softening(particles, i) {
				return true
			}
		}
	}
	g.moveTo(from)
	return false
}

// stacked reports whether particle i lies more than a little upon another one of its heap.
func (rs *regions) stacked(particles []particle, i int) bool {
	g := &particles[i]
	for j := range particles {
		if o := &particles[j]; j != i && !o.gone && o.e == g.e && g.at.Dist(o.at) < .8*(g.r+o.r) {
			return true
		}
	}
	return false
}

// steady reports whether particle i cannot roll off, as the review has it.
func (rs *regions) steady(particles []particle, i int) bool {
	z := rs.l.Zone
	box := particles[i].body.Box
	return z.Depth(box.Centre()) > review.RollsMM+box.W()/2 || // most are, and asked at once
		review.Steady(z.Board, box, func(p geom.Point) bool { return rs.stands(particles, i, p) })
}

// stands reports whether anything but particle i lies at p.
func (rs *regions) stands(particles []particle, i int, p geom.Point) bool {
	hit := false
	rs.l.near(geom.Rect{Min: p, Max: p}, func(o *placed) bool {
		hit = o.body.Outline.Contains(p)
		return !hit
	})
	for j := 0; j < len(particles) && !hit; j++ {
		o := &particles[j]
		hit = j != i && !o.gone && o.body.Box.Contains(p) && o.body.Outline.Contains(p)
	}
	return hit
}
