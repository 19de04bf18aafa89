package arrange

import (
	"math"

	"happytray/core/geom"
	"happytray/core/review"
)

// crowd is the loose pieces of a share while they push each other to where they touch and do not overlap, kept in
// bins so that each asks only what is near it.
type crowd struct {
	sh     *share
	grains []grain
	bins   geom.Grid
	span   int     // bins that a piece reaches to either side
	starts []int32 // of each bin in order
	order  []int32
	// a piece on which nothing pushes stays at rest until something near it moves: looked is when it
	// was looked at last and lay at rest, stirred when something in a bin moved last
	looked, stirred []int32
	tick            int32
}

const crowdBin = 34 // mm

func newCrowd(sh *share, grains []grain) *crowd {
	most := 0.0
	for i := range grains {
		most = math.Max(most, grains[i].reach)
	}
	bins := geom.NewGrid(sh.l.s.zone.box, crowdBin, 60)
	return &crowd{sh: sh, grains: grains, bins: bins, span: int(math.Ceil(2 * most / crowdBin)),
		starts: make([]int32, bins.Cells()+1), order: make([]int32, len(grains)),
		looked: make([]int32, len(grains)), stirred: make([]int32, bins.Cells())}
}

// cell is the bin of a place, or the nearest one.
func (c *crowd) cell(p geom.Point) (x, y int) {
	x, y = c.bins.At(p)
	return max(0, min(c.bins.W-1, x)), max(0, min(c.bins.H-1, y))
}

func (c *crowd) stir(p geom.Point) {
	x, y := c.cell(p)
	c.stirred[y*c.bins.W+x] = c.tick
}

// relax moves every piece once as all that touches it pushes, and reports whether nothing stood in anything else.
func (c *crowd) relax() (rest bool) {
	inBins(c.grains, c.starts, c.order, func(p geom.Point) int {
		x, y := c.cell(p)
		return y*c.bins.W + x
	})
	rest = true
	for i := range c.grains {
		g := &c.grains[i]
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
func (c *crowd) loose(i int, near geom.Window) (push geom.Point, free bool) {
	g, elements := &c.grains[i], c.sh.l.t.Elements
	free = true
	for y := near.Y0; y <= near.Y1; y++ {
		for x := near.X0; x <= near.X1; x++ {
			b := y*c.bins.W + x
			for _, j := range c.order[c.starts[b]:c.starts[b+1]] {
				o := &c.grains[j]
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
func (c *crowd) standing(g *grain, push geom.Point) (_ geom.Point, clear bool) {
	l := c.sh.l
	clear = true
	l.near(g.body.Box, func(o *placed) bool {
		may := review.Touch(&l.t.Elements[g.e], &l.t.Elements[o.e]) * .7
		if p, away := geom.Deeper(&g.body, &o.body, may); p > 0 {
			push = push.Add(away.Mul(.8 * (p - may + .1)))
			clear = false
		}
		return true
	})
	return push, clear
}

// dry adds what keeps wet off crisp.
func (c *crowd) dry(g *grain, push geom.Point) geom.Point {
	if wet, crisp := c.sh.wetness(g.e); !wet && !crisp {
		return push
	}
	l := c.sh.l
	l.near(g.body.Box.Grow(keepOffMM), func(o *placed) bool {
		if l.s.softens(g.e, o.e) || l.s.softens(o.e, g.e) {
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
func (c *crowd) rooms(g *grain, push geom.Point) geom.Point {
	for k := range c.sh.rooms {
		if p, away := geom.Deeper(&g.body, &c.sh.rooms[k], 2); p > 0 {
			push = push.Add(away.Mul(.5 * (p - 2)))
		}
	}
	return push
}

// edge adds what draws the piece back inside; inside is false where it hangs over.
func (c *crowd) edge(g *grain, push geom.Point) (_ geom.Point, inside bool) {
	z := &c.sh.l.s.zone
	if z.deep(g.at) >= g.reach+z.grid.Cell {
		return push, true
	}
	worst := 0.0
	for _, q := range g.body.Outline {
		if d := z.deep(q); d < z.grid.Cell {
			worst = math.Max(worst, -z.exact(q))
		}
	}
	if worst > 0 {
		push = push.Add(z.inward(g.at).Mul(worst + .1))
	}
	return push, worst <= 0
}
