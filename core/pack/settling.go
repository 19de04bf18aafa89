package pack

import (
	"context"
	"math"

	"happytray/core/geom"
	"happytray/core/review"
)

// settling is the loose pieces of a share while they push each other to where they touch and do not overlap, kept in
// bins so that each asks only what is near it.
type settling struct {
	rs        *regions
	particles []particle
	bins      geom.Grid
	span      int     // bins that a piece reaches to either side
	starts    []int32 // of each bin in order
	order     []int32
	// a piece on which nothing pushes stays at rest until something near it moves: looked is when it
	// was looked at last and lay at rest, stirred when something in a bin moved last
	looked, stirred []int32
	tick            int32
}

const settlingBin = 34 // mm

func newSettling(rs *regions, particles []particle) *settling {
	most := 0.0
	for i := range particles {
		most = math.Max(most, particles[i].reach)
	}
	bins := geom.NewGrid(rs.l.Zone.Box, settlingBin, 60)
	return &settling{rs: rs, particles: particles, bins: bins, span: int(math.Ceil(2 * most / settlingBin)),
		starts: make([]int32, bins.Cells()+1), order: make([]int32, len(particles)),
		looked: make([]int32, len(particles)), stirred: make([]int32, bins.Cells())}
}

// cell is the bin of a place, or the nearest one.
func (c *settling) cell(p geom.Point) (x, y int) {
	x, y = c.bins.At(p)
	return max(0, min(c.bins.W-1, x)), max(0, min(c.bins.H-1, y))
}

func (c *settling) stir(p geom.Point) {
	x, y := c.cell(p)
	c.stirred[y*c.bins.W+x] = c.tick
}

// relax moves every piece once as all that touches it pushes, and reports whether nothing stood in anything else.
func (c *settling) relax() (rest bool) {
	inBins(c.particles, c.starts, c.order, func(p geom.Point) int {
		x, y := c.cell(p)
		return y*c.bins.W + x
	})
	rest = true
	for i := range c.particles {
		g := &c.particles[i]
		cx, cy := c.cell(g.at)
		near := geom.Window{X0: max(0, cx-c.span), X1: min(c.bins.W-1, cx+c.span), Y0: max(0, cy-c.span), Y1: min(c.bins.H-1, cy+c.span)}
		if c.looked[i] > 0 && calm(c.stirred, c.bins.W, near.X0, near.X1, near.Y0, near.Y1, c.looked[i]) {
			continue
		}
		c.tick++
		push, free := c.loose(i, near)
		push, clear := c.standing(g, push)
		push = c.dry(g, push)
		push = c.rooms(g, push)
		push, inside := c.edge(g, push)
		rest = rest && free && clear && inside
		n := push.Len()
		if n == 0 {
			c.looked[i] = c.tick
			continue
		}
		if n > 9 {
			push = push.Mul(9 / n)
		}
		c.stir(g.at)
		g.moveTo(g.at.Add(push))
		c.stir(g.at)
		c.looked[i] = 0
	}
	return rest
}

// loose is how the other loose pieces push: those of the same food until they touch, half as far where one lies on
// the other. free is false where it stands in one of another food.
func (c *settling) loose(i int, near geom.Window) (push geom.Point, free bool) {
	g, elements := &c.particles[i], c.rs.l.Tray.Elements
	free = true
	for y := near.Y0; y <= near.Y1; y++ {
		for x := near.X0; x <= near.X1; x++ {
			b := y*c.bins.W + x
			for _, j := range c.order[c.starts[b]:c.starts[b+1]] {
				o := &c.particles[j]
				if int(j) == i {
					continue
				}
				d := g.at.Dist(o.at)
				if d >= g.reach+o.reach {
					continue
				}
				if o.e == g.e {
					want := .94 * (g.r + o.r)
					if g.upper != o.upper {
						want *= .5
					}
					if g.laid && d < want {
						want = math.Min(want, g.home.Dist(o.home)-.2)
					}
					if d < want {
						push = push.Add(g.at.Sub(o.at).Unit().Mul(.35 * (want - d)))
					}
					continue
				}
				may := review.Touch(&elements[g.e], &elements[o.e]) * .7
				if p, away := geom.Deeper(&g.body, &o.body, may); p > 0 {
					push = push.Add(away.Mul(.5 * (p - may + .1)))
					free = false
				}
			}
		}
	}
	return push, free
}

// standing adds how what stands already pushes; clear is false where the piece stands in it.
func (c *settling) standing(g *particle, push geom.Point) (_ geom.Point, clear bool) {
	l := c.rs.l
	clear = true
	l.near(g.body.Box, func(o *placed) bool {
		may := review.Touch(&l.Tray.Elements[g.e], &l.Tray.Elements[o.element]) * .7
		if p, away := geom.Deeper(&g.body, &o.body, may); p > 0 {
			push = push.Add(away.Mul(.8 * (p - may + .1)))
			clear = false
		}
		return true
	})
	return push, clear
}

// dry adds what keeps wet off crisp.
func (c *settling) dry(g *particle, push geom.Point) geom.Point {
	if wet, crisp := c.rs.wetness(g.e); !wet && !crisp {
		return push
	}
	l := c.rs.l
	l.near(g.body.Box.Grow(keepOffMM), func(o *placed) bool {
		if l.Softens(g.e, o.element) || l.Softens(o.element, g.e) {
			edge := o.body.Outline.NearestOnEdge(g.at)
			if d := g.at.Dist(edge) - g.r; d < keepOffMM && d > 0 {
				push = push.Add(g.at.Sub(edge).Unit().Mul(.3 * (keepOffMM - d)))
			}
		}
		return true
	})
	return push
}

// rooms adds what keeps cutting room free.
func (c *settling) rooms(g *particle, push geom.Point) geom.Point {
	for k := range c.rs.rooms {
		if p, away := geom.Deeper(&g.body, &c.rs.rooms[k], 2); p > 0 {
			push = push.Add(away.Mul(.5 * (p - 2)))
		}
	}
	return push
}

// edge adds what draws the piece back inside; inside is false where it hangs over.
func (c *settling) edge(g *particle, push geom.Point) (_ geom.Point, inside bool) {
	z := c.rs.l.Zone
	if z.Depth(g.at) >= g.reach+z.Grid.Cell {
		return push, true
	}
	worst := 0.0
	for _, q := range g.body.Outline {
		if d := z.Depth(q); d < z.Grid.Cell {
			worst = math.Max(worst, -z.ExactDepth(q))
		}
	}
	if worst > 0 {
		push = push.Add(z.Inward(g.at).Mul(worst + .1))
	}
	return push, worst <= 0
}

// settle pushes pieces out of other elements' pieces and off the edge, and
// pieces of one element apart, until they rest.
func (rs *regions) settle(ctx context.Context, particles []particle) {
	c := newSettling(rs, particles)
	for round := range 26 {
		if ctx.Err() != nil {
			break
		}
		if rest := c.relax(); rest && round > 6 {
			break
		}
	}
	// what still stands in something looks for a free spot nearby, or goes
	for i := range particles {
		if g := &particles[i]; !rs.legal(particles, i) {
			g.gone = ctx.Err() != nil || !rs.nearby(particles, i)
		}
	}
}

// nearby moves a particle to the nearest free spot on five rings round it, and reports whether there is one.
func (rs *regions) nearby(particles []particle, i int) bool {
	g := &particles[i]
	from := g.at
	for ring := 1; ring <= 5; ring++ {
		for k := range 6 * ring {
			g.moveTo(from.Add(geom.Polar(float64(ring)*g.r*.55, float64(k)*60/float64(ring))))
			if rs.legal(particles, i) {
				return true
			}
		}
	}
	return false
}

// inBins sorts pieces by their bins: those of bin c are order[starts[c]:starts[c+1]].
func inBins(particles []particle, starts, order []int32, bin func(geom.Point) int) {
	clear(starts)
	for i := range particles {
		starts[bin(particles[i].at)+1]++
	}
	for c := 1; c < len(starts); c++ {
		starts[c] += starts[c-1]
	}
	for i := len(particles) - 1; i >= 0; i-- { // each end comes down to where its bin begins
		c := bin(particles[i].at) + 1
		starts[c]--
		order[starts[c]] = int32(i)
	}
	copy(starts, starts[1:])
	starts[len(starts)-1] = int32(len(particles))
}

// calm reports whether nothing has moved in some bins since a tick.
func calm(stirred []int32, w, x0, x1, y0, y1 int, since int32) bool {
	for y := y0; y <= y1; y++ {
		for _, at := range stirred[y*w+x0 : y*w+x1+1] {
			if at > since {
				return false
			}
		}
	}
	return true
}
