package pack

import (
	"cmp"
	"math"
	"slices"

	"happytray/core/geom"
)

// diagram says to which site of a power diagram each point of a row belongs: along a row
// the power distance to a site, less what all sites share, is a straight line, and the
// nearest sites are the lower envelope of these lines.
type diagram struct {
	sites []geom.Point
	power []float64
	order []int  // the sites that take part, from left to right
	lines []line // the envelope, from left to right
}

// line is the power distance m*x + b to a site, where it is the least from x = from on.
type line struct {
	m, b, from float64
	site       int
}

// newDiagram prepares the sites for which takes answers true.
func newDiagram(sites []geom.Point, power []float64, takes func(site int) bool) *diagram {
	d := &diagram{sites: sites, power: power}
	for s := range sites {
		if takes(s) {
			d.order = append(d.order, s)
		}
	}
	slices.SortStableFunc(d.order, func(a, b int) int { return cmp.Compare(sites[a].X, sites[b].X) })
	return d
}

// row makes the diagram ready for the points at height y.
func (d *diagram) row(y float64) {
	d.lines = d.lines[:0]
	for _, s := range d.order {
		q := d.sites[s]
		l := line{m: -2 * q.X, b: q.X*q.X + (y-q.Y)*(y-q.Y) - d.power[s], from: math.Inf(-1), site: s}
		for n := len(d.lines); n > 0; n = len(d.lines) {
			top := &d.lines[n-1]
			if top.m == l.m {
				if l.b >= top.b {
					l.site = -1 // never the nearest
					break
				}
			} else if l.from = (l.b - top.b) / (top.m - l.m); l.from > top.from {
				break
			}
			d.lines = d.lines[:n-1]
			l.from = math.Inf(-1)
		}
		if l.site >= 0 {
			d.lines = append(d.lines, l)
		}
	}
}

// at is the site of the point at x in the row, for x that grow from question to question:
// hint is the last answer's second value, 0 for the first.
func (d *diagram) at(x float64, hint int) (site, next int) {
	for hint+1 < len(d.lines) && d.lines[hint+1].from < x {
		hint++
	}
	if len(d.lines) == 0 {
		return 0, 0
	}
	return d.lines[hint].site, hint
}

// Nearest is the index of the point that lies nearest to c, the first of several.
func Nearest(ps []geom.Point, c geom.Point) int {
	best, at := math.Inf(1), 0
	for i, p := range ps {
		d := (p.X-c.X)*(p.X-c.X) + (p.Y-c.Y)*(p.Y-c.Y)
		if d < best {
			best, at = d, i
		}
	}
	return at
}
