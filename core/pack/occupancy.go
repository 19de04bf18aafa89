package pack

import (
	"math"

	"happytray/core/geom"
)

// occupancy tells at a glance most of the places where a body cannot lie: a disc in each of its bodies is held
// against a raster of what stands. What it lets through is looked at in full.
type occupancy struct {
	p     *solver
	e     int // the body's element
	home  geom.Point
	discs []Disc
	grid  geom.Grid
	on    []int32 // the element that covers each cell and one, 0 where none does
}

// occupancyCell is the side of a cell, mm.
const occupancyCell = 4.0

func (p *solver) newOccupancy(i int) occupancy {
	l := &p.bodies[i]
	c := occupancy{p: p, e: l.e, home: l.home, grid: geom.NewGrid(p.z.Box, occupancyCell, 0)}
	for k := range l.rest {
		o := l.rest[k].Outline
		if mid := o.Centroid(); o.Contains(mid) {
			c.discs = append(c.discs, Disc{mid.Sub(l.home), mid.Dist(o.NearestOnEdge(mid))})
		}
	}
	c.on = make([]int32, c.grid.Cells())
	for j := range p.bodies {
		o := &p.bodies[j]
		if o.e == l.e || o.loose || o.gone {
			continue
		}
		for k := range o.outlines {
			c.grid.Spans(o.outlines[k].Outline, func(y, x0, x1 int) {
				for x := max(0, x0); x < min(c.grid.W, x1); x++ {
					if y >= 0 && y < c.grid.H {
						c.on[y*c.grid.W+x] = int32(o.e + 1)
					}
				}
			})
		}
	}
	return c
}

// meets reports whether the body, moved and turned so, would surely stand in something or over the edge: a
// point of a disc that lies in another by the half-diagonal of a cell or more is at least so deep in it as the
// disc reaches beyond that point.
func (c *occupancy) meets(by geom.Point, turn float64) bool {
	const unsure = occupancyCell * .71
	pose := geom.Pose{Turn: turn}
	for _, d := range c.discs {
		at := c.home.Add(by).Add(pose.Apply(d.At))
		if c.p.z.Depth(at) < d.R-2*c.p.z.Grid.Cell {
			return true
		}
		if c.inside(at, d.R-unsure) {
			return true
		}
		if rest := .4*d.R - unsure; rest > tolerance {
			for k := range 6 {
				if c.inside(at.Add(geom.Polar(.6*d.R, float64(k)*60)), rest) {
					return true
				}
			}
		}
	}
	return false
}

// inside reports whether a point lies in something that may stand less deep in the body than that.
func (c *occupancy) inside(q geom.Point, depth float64) bool {
	x, y := c.grid.At(q)
	if !c.grid.In(x, y) {
		return false
	}
	e := c.on[y*c.grid.W+x]
	return e > 0 && depth > tolerance+math.Max(0, c.p.touching(c.e, int(e-1)))
}
