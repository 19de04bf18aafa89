package pack

import (
	"context"
	"math"

	"happytray/core/geom"
)

// closeGaps looks for the widest bare spots and fills each with a piece that is not
// needed where it is: one from an upper layer, or one that found no place.
func (rs *regions) closeGaps(ctx context.Context, particles []particle) {
	g := rs.g
	n := g.Cells()
	block := make([]bool, n)
	for i, v := range rs.label {
		block[i] = v < 0
	}
	paint := func(o geom.Outline) {
		g.Spans(o, func(y, x0, x1 int) {
			for x := x0; x < x1; x++ {
				block[y*g.W+x] = true
			}
		})
	}
	for i := range particles {
		if !particles[i].gone {
			paint(particles[i].body.Outline)
		}
	}
	dist, wide, tmp := make([]int32, n), make([]int32, n), make([]int32, n)
	skip := make([]bool, n)
	g.DistanceField(dist, tmp, geom.Window{X0: 0, Y0: 0, X1: g.W, Y1: g.H}, block, true)
	for range 60 {
		if ctx.Err() != nil {
			return
		}
		best, where := int32(0), -1
		for i, d := range dist {
			if d > best && !skip[i] {
				best, where = d, i
			}
		}
		radius := (math.Sqrt(float64(best)) - .5) * g.Cell
		if where < 0 || radius < 5.5 {
			return
		}
		at := g.Centre(where%g.W, where/g.W)
		pick, score := -1, math.Inf(1)
		for i := range particles {
			o := &particles[i]
			if !o.upper && !o.gone || o.r > radius*1.45 {
				continue
			}
			d := o.at.Dist(at)
			if o.gone {
				d *= .5
			}
			d += 12 * math.Abs(radius-o.r)
			if d < score && d < 160 {
				pick, score = i, d
			}
		}
		done := false
		if pick >= 0 {
			o := &particles[pick]
			was, gone := o.at, o.gone
			o.gone = false
			o.moveTo(at)
			if done = rs.legal(particles, pick); done {
				o.upper = false
				paint(o.body.Outline)
				// no distance beyond the widest one can have come from here
				reach := int(math.Sqrt(float64(best))) + 1
				near := g.Grow(g.Window(o.body.Box, 0), reach)
				g.DistanceField(wide, tmp, g.Grow(near, reach), block, true)
				for y := near.Y0; y < near.Y1; y++ {
					copy(dist[y*g.W+near.X0:y*g.W+near.X1], wide[y*g.W+near.X0:y*g.W+near.X1])
				}
			} else {
				o.gone = gone
				o.moveTo(was)
			}
		}
		if !done {
			skipDisc(skip, g, where, int(math.Sqrt(float64(best))*.7)+1)
		}
	}
}

func skipDisc(skip []bool, g geom.Grid, at, r int) {
	cx, cy := at%g.W, at/g.W
	for y := max(0, cy-r); y < min(g.H, cy+r+1); y++ {
		for x := max(0, cx-r); x < min(g.W, cx+r+1); x++ {
			skip[y*g.W+x] = true
		}
	}
}
