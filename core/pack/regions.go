package pack

import (
	"context"
	"math"
	"math/rand/v2"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/review"
)

// regions is what is left of the board, shared out among the loose elements: a
// power diagram on the raster whose cells have the areas the elements want
// (Aurenhammer, Hoffmann and Aronov 1998; Balzer, Schlomer and Deussen 2009).
type regions struct {
	l     *Layout
	g     geom.Grid
	free  []int32 // indices of free cells
	at    []geom.Point
	label []int16 // region of each cell of g; -1 outside, -2-e for what element e covers
	elems []int   // element of each region
	sites []geom.Point
	power []float64
	want  []float64   // cells
	twin  []int       // on a mirrored tray: the region that answers each one, or alone
	well  []int16     // of each free cell: the region that fills its well alone, or -1
	alone []bool      // regions that fill a well and nothing else
	rooms []geom.Body // room before cutting faces, which what is loose keeps out of
}

// Fill shares out the free room and packs it with pieces.
func (l *Layout) Fill(ctx context.Context, loose []int, mirrored bool, r *rand.Rand) {
	var elems []int
	for _, e := range loose {
		if el := &l.Tray.Elements[e]; !el.Locked || !el.Placed {
			elems = append(elems, e)
		}
	}
	if len(elems) == 0 {
		return
	}
	for again := true; again; {
		rs := newRegions(l, elems, mirrored, r)
		if len(rs.free) == 0 {
			return
		}
		rs.relax(ctx, 30)
		for range 3 {
			if !rs.exchange(ctx) || ctx.Err() != nil {
				break
			}
			rs.relax(ctx, 14)
		}
		particles := rs.scatter(ctx, r)
		rs.settle(ctx, particles)
		left := rs.withRoom(particles)
		if again = ctx.Err() == nil && len(left) < len(elems) && len(left) > 0; again {
			rs.writeFound(particles, left)
			elems = left
			continue
		}
		rs.finish(ctx, particles)
	}
}

// open marks a free cell until it is given to a region.
const open = int16(math.MinInt16)

// newRaster is the board with what covers it so far: cells outside are -1, those
// under element e are -2-e, free ones open.
func newRaster(l *Layout, elems []int) *regions {
	z := l.Zone
	cell := math.Max(2.5, math.Sqrt(z.Box.W()*z.Box.H()/16000))
	rs := &regions{l: l, g: geom.NewGrid(z.Box, cell, 2), elems: elems}
	rs.label = make([]int16, rs.g.Cells())
	for i := range rs.label {
		rs.label[i] = -1
	}
	rs.g.Spans(z.Outline, func(y, x0, x1 int) {
		for x := x0; x < x1; x++ {
			rs.label[y*rs.g.W+x] = open
		}
	})
	mark := func(o geom.Outline, as int16) {
		rs.g.Spans(o, func(y, x0, x1 int) {
			for x := x0; x < x1; x++ {
				rs.label[y*rs.g.W+x] = as
			}
		})
	}
	for _, k := range z.Board.Keepouts {
		mark(k, -1)
	}
	for _, b := range l.laid {
		mark(b.body.Outline, -2-int16(b.element))
	}
	rs.rooms = l.cuttingRooms()
	for k := range rs.rooms {
		rs.g.Spans(rs.rooms[k].Outline, func(y, x0, x1 int) {
			for x := x0; x < x1; x++ {
				if i := y*rs.g.W + x; rs.label[i] == open {
					rs.label[i] = -1
				}
			}
		})
	}
	return rs
}

// cuttingRooms is the room before the cutting faces of what lies on the board.
func (l *Layout) cuttingRooms() (rooms []geom.Body) {
	for i := range l.Tray.Elements {
		if room, ok := l.cuttingRoom(i); ok {
			rooms = append(rooms, room)
		}
	}
	return rooms
}

// cuttingRoom is the room that a knife wants before an element; ok is false where none cuts it.
func (l *Layout) cuttingRoom(i int) (room geom.Body, ok bool) {
	e := &l.Tray.Elements[i]
	if !e.Placed || !food.Has(e.Form, food.AsItComes|food.Begun) {
		return room, false
	}
	f, _ := l.Larder.Get(e.Food)
	spec, _ := f.Spec(e.Form)
	face, ok := food.CutFace(f, spec)
	if !ok {
		return room, false
	}
	pose := e.Pose()
	face.At, face.Dir = pose.Apply(face.At), face.Dir+pose.Turn
	return geom.NewBody(review.CutRoom(face)), true
}

func newRegions(l *Layout, elems []int, mirrored bool, r *rand.Rand) *regions {
	rs := newRaster(l, elems)
	cell := rs.g.Cell
	for i, v := range rs.label {
		if v == open {
			rs.label[i] = 0
			rs.free = append(rs.free, int32(i))
			rs.at = append(rs.at, rs.g.Centre(i%rs.g.W, i/rs.g.W))
		}
	}
	total := 0.0
	for _, e := range elems {
		el := &l.Tray.Elements[e]
		f, _ := l.Larder.Get(el.Food)
		spec, _ := f.Spec(el.Form)
		a := food.FootprintMM2(spec, el.Count) / cell / cell
		rs.want = append(rs.want, a)
		total += a
	}
	for i := range rs.want {
		rs.want[i] *= float64(len(rs.free)) / math.Max(1, total)
	}
	rs.power = make([]float64, len(elems))
	if len(rs.free) > 0 && l.Begin != nil {
		for _, e := range elems {
			rs.sites = append(rs.sites, l.Begin[e])
		}
		rs.wells()
		return rs
	}
	// far-apart sites (Gonzalez 1985), so that heaps of one food start apart
	if len(rs.free) > 0 {
		first := rs.at[r.IntN(len(rs.at))]
		rs.sites = append(rs.sites, first)
		dist := make([]float64, len(rs.at))
		for i := range dist {
			dist[i] = math.Inf(1)
		}
		for len(rs.sites) < len(elems) {
			last := rs.sites[len(rs.sites)-1]
			best, at := -1.0, 0
			for i, q := range rs.at {
				d := (q.X-last.X)*(q.X-last.X) + (q.Y-last.Y)*(q.Y-last.Y)
				if d < dist[i] {
					dist[i] = d
				}
				if dist[i] > best {
					best, at = dist[i], i
				}
			}
			rs.sites = append(rs.sites, rs.at[at])
		}
		rs.wells()
		if mirrored {
			rs.pairUp()
		}
	}
	return rs
}

// relax moves sites to the middle of their regions and lets regions grow or
// shrink to the area they want.
func (rs *regions) relax(ctx context.Context, rounds int) {
	n := len(rs.elems)
	for round := range rounds {
		area := make([]float64, n)
		sum := make([]geom.Point, n)
		d := newDiagram(rs.sites, rs.power, func(s int) bool { return !rs.alone[s] })
		y, hint := math.NaN(), 0
		for i, q := range rs.at { // row by row, from left to right
			if q.Y != y {
				y, hint = q.Y, 0
				d.row(y)
			}
			k := int(rs.well[i])
			if k < 0 {
				k, hint = d.at(q.X, hint)
			}
			rs.label[rs.free[i]] = int16(k)
			area[k]++
			sum[k].X += q.X
			sum[k].Y += q.Y
		}
		if round == rounds-1 || ctx.Err() != nil {
			return
		}
		cell := rs.g.Cell * rs.g.Cell
		for k := range n {
			if rs.alone[k] {
				continue
			}
			if area[k] > 0 {
				c := sum[k].Mul(1 / area[k])
				rs.sites[k] = rs.sites[k].Lerp(c, .6)
			} else {
				rs.power[k] += rs.want[k] * cell * .5
			}
			rs.power[k] += .35 * (rs.want[k] - area[k]) * cell
		}
		if rs.twin != nil {
			rs.reflect()
		}
	}
}
