package arrange

import (
	"math"

	"happytray/core/board"
	"happytray/core/geom"
	"happytray/core/review"
)

// zone is the board made ready for quick questions.
type zone struct {
	board   *board.Board
	outline geom.Outline
	convex  bool
	centre  geom.Point
	box     geom.Rect
	half    float64    // half-diagonal of the box, mm
	wells   [][]ball   // discs inside each well
	front   geom.Point // towards where it is seen from; zero when from all round
	grid    geom.Grid
	depth   []float32 // distance to the nearest edge or keep-out, negative outside, mm
}

func newZone(b *board.Board) zone { return newZoneIn(b, b.FoodZone.Bounds().Grow(1e4)) }

// newZoneIn makes the board ready for questions about points inside a window.
func newZoneIn(b *board.Board, window geom.Rect) zone {
	z := zone{board: b, outline: b.FoodZone, convex: b.FoodZone.Convex(), centre: b.FoodZone.Centroid(), box: b.FoodZone.Bounds(), front: frontOf(b)}
	for _, w := range b.Wells {
		z.wells = append(z.wells, ballsIn(w.Hull(), 6))
	}
	z.half = math.Hypot(z.box.W(), z.box.H()) / 2
	cell := math.Max(3, math.Sqrt(z.box.W()*z.box.H()/12000))
	z.grid = geom.NewGrid(z.box, cell, 30)
	z.depth = make([]float32, z.grid.Cells())
	const block = 8
	for y := 0; y < z.grid.H; y += block {
		for x := 0; x < z.grid.W; x += block {
			z.measure(geom.Window{X0: x, Y0: y, X1: min(x+block, z.grid.W), Y1: min(y+block, z.grid.H)}, window)
		}
	}
	return z
}

// measure fills in the depth of the cells of a block whose middles lie in a window. An
// edge that is farther from the middle of the block than the nearest one, by more than the
// block is across, is the nearest of none of its cells; where even that one is far, all
// are on one side.
func (z *zone) measure(cells geom.Window, window geom.Rect) {
	box := geom.Rect{Min: z.grid.Centre(cells.X0, cells.Y0), Max: z.grid.Centre(cells.X1-1, cells.Y1-1)}
	if !box.Meets(window) {
		return
	}
	mid, half := box.Centre(), box.Min.Dist(box.Max)/2
	for k, o := range append([]geom.Outline{z.outline}, z.board.Keepouts...) {
		edges, sign := o.EdgesNear(mid, 2*half), 1.0
		if o.Contains(mid) == (k > 0) {
			sign = -1
		}
		far := o.EdgeDistance(mid) > half
		for y := cells.Y0; y < cells.Y1; y++ {
			for x := cells.X0; x < cells.X1; x++ {
				c := z.grid.Centre(x, y)
				if !window.Contains(c) {
					continue
				}
				d := edges.Distance(c)
				if far {
					d *= sign
				} else if o.Contains(c) == (k > 0) {
					d = -d
				}
				if at := &z.depth[y*z.grid.W+x]; k == 0 || float32(d) < *at {
					*at = float32(d)
				}
			}
		}
	}
}

// exact is the signed depth of p inside the zone and outside its keep-outs.
func (z *zone) exact(p geom.Point) float64 {
	d := z.outline.EdgeDistance(p)
	if !z.outline.Contains(p) {
		d = -d
	}
	for _, k := range z.board.Keepouts {
		e := k.EdgeDistance(p)
		if k.Contains(p) {
			e = -e
		}
		d = math.Min(d, e)
	}
	return d
}

// deep is exact read from the raster; beyond the raster it is far outside.
func (z *zone) deep(p geom.Point) float64 {
	x, y := z.grid.At(p)
	if !z.grid.In(x, y) {
		return -30 - geom.BoxGap(geom.Rect{Min: p, Max: p}, z.box)
	}
	return float64(z.depth[y*z.grid.W+x])
}

// inward is the direction in which depth grows fastest at p.
func (z *zone) inward(p geom.Point) geom.Point {
	h := z.grid.Cell
	g := geom.Pt(z.deep(geom.Pt(p.X+h, p.Y))-z.deep(geom.Pt(p.X-h, p.Y)), z.deep(geom.Pt(p.X, p.Y+h))-z.deep(geom.Pt(p.X, p.Y-h)))
	if g.Len() < 1e-6 {
		g = z.centre.Sub(p)
	}
	return g.Unit()
}

// holds reports whether the whole convex outline lies in the zone.
func (z *zone) holds(b *geom.Body) bool {
	c := b.Box.Centre()
	if z.deep(c) > math.Hypot(b.Box.W(), b.Box.H())/2+1.5*z.grid.Cell {
		return true
	}
	for _, p := range b.Outline {
		if d := z.deep(p); d < 1.5*z.grid.Cell && (d < -1.5*z.grid.Cell || z.exact(p) < 0) {
			return false
		}
	}
	if !z.convex && geom.SharedArea(z.outline, b.Hull) < b.Hull.Area()*.999 {
		return false
	}
	for _, k := range z.board.Keepouts {
		if geom.SharedArea(k, b.Hull) > .2 {
			return false
		}
	}
	return true
}

// tall is what it costs to stand something high at p: it hides what lies behind it, so
// on a tray with a front it wants to the back, and on one that is seen from all round
// away from the edges (docs/craft.md, Where things go).
func (z *zone) tall(p geom.Point, height float64) float64 {
	over := math.Min(1.5, (height-18)/50)
	if over <= 0 {
		return 0
	}
	if z.front != (geom.Point{}) {
		near := p.Sub(z.centre).Dot(z.front) / z.half // 1 at the front edge
		return over * math.Max(-.4, near)
	}
	return .09 * over * p.Dist(z.centre) / z.half
}

// frontOf is the direction to the side a board is seen from, or zero.
func frontOf(b *board.Board) geom.Point {
	switch from := review.LooksFrom(b.Front, b.Access); {
	case len(from) != 1:
		return geom.Point{}
	case from[0] == "top":
		return geom.Pt(0, -1)
	case from[0] == "bottom":
		return geom.Pt(0, 1)
	case from[0] == "left":
		return geom.Pt(-1, 0)
	}
	return geom.Pt(1, 0)
}

// ray is how far the zone reaches from its centre in direction deg.
func (z *zone) ray(deg float64) float64 {
	d := geom.Polar(1, deg)
	lo, hi := 0.0, 2*z.half
	for range 24 {
		mid := (lo + hi) / 2
		if z.exact(z.centre.Add(d.Mul(mid))) > 0 {
			lo = mid
		} else {
			hi = mid
		}
	}
	return lo
}

// at is the point at share rho of the way from the centre to the edge.
func (z *zone) at(deg, rho float64) geom.Point {
	return z.centre.Add(geom.Polar(z.ray(deg)*rho, deg))
}
