package pack

import (
	"math"

	"happytray/core/board"
	"happytray/core/geom"
	"happytray/core/review"
)

// Zone is the board made ready for quick questions.
type Zone struct {
	Board   *board.Board
	Outline geom.Outline
	convex  bool
	Centre  geom.Point // of its area, mm
	Box     geom.Rect
	Half    float64    // half-diagonal of the box, mm
	Wells   [][]Disc   // discs inside each well
	Front   geom.Point // towards where it is seen from; zero when from all round
	Grid    geom.Grid
	depth   []float32 // distance to the nearest edge or keep-out, negative outside, mm
	inside  geom.Bands
	all     geom.Edges   // of the outline
	edges   []geom.Edges // of each block of cells those of the outline's edges that can be the nearest; nil where it was not measured
}

// block is how many cells a block has along a side.
const block = 8

// NewZone readies a board.
func NewZone(b *board.Board) *Zone { return newZoneIn(b, b.FoodZone.Bounds().Grow(1e4)) }

// newZoneIn makes the board ready for questions about points inside a window.
func newZoneIn(b *board.Board, window geom.Rect) *Zone {
	z := &Zone{Board: b, Outline: b.FoodZone, convex: b.FoodZone.Convex(), Centre: b.FoodZone.Centroid(), Box: b.FoodZone.Bounds(), Front: frontOf(b)}
	for _, w := range b.Wells {
		z.Wells = append(z.Wells, DiscsIn(w.Hull(), 6))
	}
	z.Half = math.Hypot(z.Box.W(), z.Box.H()) / 2
	cell := math.Max(3, math.Sqrt(z.Box.W()*z.Box.H()/12000))
	z.Grid = geom.NewGrid(z.Box, cell, 30)
	z.depth = make([]float32, z.Grid.Cells())
	z.inside, z.all = geom.NewBands(z.Outline), z.Outline.EdgesNear(z.Centre, math.Inf(1))
	z.edges = make([]geom.Edges, z.blocks()*((z.Grid.H+block-1)/block))
	for y := 0; y < z.Grid.H; y += block {
		for x := 0; x < z.Grid.W; x += block {
			z.measure(geom.Window{X0: x, Y0: y, X1: min(x+block, z.Grid.W), Y1: min(y+block, z.Grid.H)}, window)
		}
	}
	return z
}

// blocks is how many blocks lie in a row.
func (z *Zone) blocks() int { return (z.Grid.W + block - 1) / block }

// measure fills in the depth of the cells of a block whose middles lie in a window. An
// edge that is farther from the middle of the block than the nearest one, by more than the
// block is across, is the nearest of none of its cells; where even that one is far, all
// are on one side.
func (z *Zone) measure(cells geom.Window, window geom.Rect) {
	box := geom.Rect{Min: z.Grid.Centre(cells.X0, cells.Y0), Max: z.Grid.Centre(cells.X1-1, cells.Y1-1)}
	if !box.Meets(window) {
		return
	}
	mid, half := box.Centre(), box.Min.Dist(box.Max)/2
	for k, o := range append([]geom.Outline{z.Outline}, z.Board.Keepouts...) {
		// as far as the corners of its cells, that every point in them is answered
		edges, sign := o.EdgesNear(mid, 2*(half+z.Grid.Cell)), 1.0
		contains := o.Contains
		if k == 0 {
			contains = z.inside.Contains
			z.edges[cells.Y0/block*z.blocks()+cells.X0/block] = edges
		}
		if contains(mid) == (k > 0) {
			sign = -1
		}
		far := edges.Distance(mid) > half
		for y := cells.Y0; y < cells.Y1; y++ {
			for x := cells.X0; x < cells.X1; x++ {
				c := z.Grid.Centre(x, y)
				if !window.Contains(c) {
					continue
				}
				d := edges.Distance(c)
				if far {
					d *= sign
				} else if contains(c) == (k > 0) {
					d = -d
				}
				if at := &z.depth[y*z.Grid.W+x]; k == 0 || float32(d) < *at {
					*at = float32(d)
				}
			}
		}
	}
}

// edgesAt are edges of the outline among which is the one nearest to p.
func (z *Zone) edgesAt(p geom.Point) geom.Edges {
	if x, y := z.Grid.At(p); z.Grid.In(x, y) {
		if near := z.edges[y/block*z.blocks()+x/block]; near != nil {
			return near
		}
	}
	return z.all
}

// ExactDepth is the signed depth of p inside the zone and outside its keep-outs.
func (z *Zone) ExactDepth(p geom.Point) float64 {
	d := z.edgesAt(p).Distance(p)
	if !z.inside.Contains(p) {
		d = -d
	}
	for _, k := range z.Board.Keepouts {
		e := k.EdgeDistance(p)
		if k.Contains(p) {
			e = -e
		}
		d = math.Min(d, e)
	}
	return d
}

// Depth is exact read from the raster; beyond the raster it is far outside.
func (z *Zone) Depth(p geom.Point) float64 {
	x, y := z.Grid.At(p)
	if !z.Grid.In(x, y) {
		return -30 - geom.BoxGap(geom.Rect{Min: p, Max: p}, z.Box)
	}
	return float64(z.depth[y*z.Grid.W+x])
}

// Inward is the direction in which depth grows fastest at p.
func (z *Zone) Inward(p geom.Point) geom.Point {
	h := z.Grid.Cell
	g := geom.Pt(z.Depth(geom.Pt(p.X+h, p.Y))-z.Depth(geom.Pt(p.X-h, p.Y)), z.Depth(geom.Pt(p.X, p.Y+h))-z.Depth(geom.Pt(p.X, p.Y-h)))
	if g.Len() < 1e-6 {
		g = z.Centre.Sub(p)
	}
	return g.Unit()
}

// Holds reports whether the whole convex outline lies in the zone.
func (z *Zone) Holds(b *geom.Body) bool {
	c := b.Box.Centre()
	if z.Depth(c) > math.Hypot(b.Box.W(), b.Box.H())/2+1.5*z.Grid.Cell {
		return true
	}
	for _, p := range b.Outline {
		if d := z.Depth(p); d < 1.5*z.Grid.Cell && (d < -1.5*z.Grid.Cell || z.ExactDepth(p) < 0) {
			return false
		}
	}
	if !z.convex && geom.SharedArea(z.Outline, b.Hull) < b.Hull.Area()*.999 {
		return false
	}
	for _, k := range z.Board.Keepouts {
		if geom.SharedArea(k, b.Hull) > .2 {
			return false
		}
	}
	return true
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

// Pull brings a point at least d mm inside the zone.
func (z *Zone) Pull(p geom.Point, d float64) geom.Point {
	for range 40 {
		if z.Depth(p) >= d {
			return p
		}
		p = p.Lerp(z.Centre, .06)
	}
	return p
}

// Mirrored is a point seen in the upright middle line of the board.
func (z *Zone) Mirrored(p geom.Point) geom.Point { return geom.Pt(2*z.Centre.X-p.X, p.Y) }
