package pack

import (
	"cmp"
	"context"
	"math"
	"slices"

	"happytray/core/geom"
)

const (
	// spreadTo is the radius of a bare disc that draws no eye, mm: half of what fit.gap calls good.
	spreadTo = 11.0
	// spreadFrom is how far pieces are brought to a bare spot, mm.
	spreadFrom = 240.0
	// spreadLooks bounds the pieces that are tried for one spot, spreadSpots the spots.
	spreadLooks = 10
	spreadSpots = 40
)

// spread fills the widest bare spots, such as the one from which something was taken, with pieces of the
// heaps round them, as long as what they leave bare is narrower.
func (rs *regions) spread(ctx context.Context, particles []particle) {
	g := rs.g
	n := g.Cells()
	covers, block := make([]uint8, n), make([]bool, n)
	for i, v := range rs.label {
		if v < 0 {
			covers[i], block[i] = 1, true
		}
	}
	paint := func(o geom.Outline, by uint8) {
		g.Spans(o, func(y, x0, x1 int) {
			for i := y*g.W + x0; i < y*g.W+x1; i++ {
				covers[i] += by // all ones takes away
				block[i] = covers[i] > 0
			}
		})
	}
	heap := map[int]int{}
	for i := range particles {
		if !particles[i].gone {
			paint(particles[i].body.Outline, 1)
			heap[particles[i].e]++
		}
	}
	dist, wide, tmp := make([]int32, n), make([]int32, n), make([]int32, n)
	skip := make([]bool, n)
	g.DistanceField(dist, tmp, geom.Window{X0: 0, Y0: 0, X1: g.W, Y1: g.H}, block, true)
	radius := func(d int32) float64 { return (math.Sqrt(float64(d)) - .5) * g.Cell }
	again := func(box geom.Rect, reach float64) (most int32) { // measures round a box anew
		near := g.Grow(g.Window(box, 0), int(reach/g.Cell)+1)
		g.DistanceField(wide, tmp, g.Grow(near, int(reach/g.Cell)+1), block, true)
		for y := near.Y0; y < near.Y1; y++ {
			for i := y*g.W + near.X0; i < y*g.W+near.X1; i++ {
				dist[i] = wide[i]
				if !skip[i] {
					most = max(most, wide[i])
				}
			}
		}
		return most
	}
	type choice struct {
		i    int
		cost float64
	}
	var choices []choice
	for range spreadSpots {
		best, where := int32(0), -1
		for i, d := range dist {
			if d > best && !skip[i] {
				best, where = d, i
			}
		}
		r := radius(best)
		if where < 0 || r < spreadTo || ctx.Err() != nil {
			return
		}
		at := g.Centre(where%g.W, where/g.W)
		choices = choices[:0]
		for i := range particles {
			o := &particles[i]
			if d := o.at.Dist(at); !o.gone && o.r < r && heap[o.e] > 2 && d < spreadFrom && d > r && (o.upper || o.r < .7*r) {
				cost := d + 5*math.Abs(.8*r-o.r)
				if !o.upper {
					cost += 4 * o.r
				}
				choices = append(choices, choice{i, cost})
			}
		}
		slices.SortFunc(choices, func(a, b choice) int { return cmp.Or(cmp.Compare(a.cost, b.cost), a.i-b.i) })
		done := false
		for _, c := range choices[:min(spreadLooks, len(choices))] {
			o := &particles[c.i]
			was, upper, soft := o.at, o.upper, rs.softening(particles, c.i)
			box := o.body.Box
			o.moveTo(at)
			if !rs.legal(particles, c.i) || !soft && rs.softening(particles, c.i) {
				o.moveTo(was)
				continue
			}
			o.moveTo(was)
			paint(o.body.Outline, ^uint8(0))
			o.moveTo(at)
			paint(o.body.Outline, 1)
			left := again(box, r)
			again(o.body.Box, r)
			if left < best { // what it leaves bare is narrower than what it fills
				done, o.upper = true, false
				break
			}
			paint(o.body.Outline, ^uint8(0))
			o.moveTo(was)
			o.upper = upper
			paint(o.body.Outline, 1)
			again(box, r)
			again(o.body.Box.Union(geom.Rect{Min: at, Max: at}), r)
		}
		if !done {
			skipDisc(skip, g, where, int(math.Sqrt(float64(best))*.7)+1)
		}
	}
}
