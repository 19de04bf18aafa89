package arrange

import (
	"context"
	"math"
	"math/rand/v2"
	"slices"

	"happytray/core/adjacency"
	"happytray/core/colour"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/review"
	"happytray/core/tray"
)

// share is what is left of the board, shared out among the loose elements: a
// power diagram on the raster whose cells have the areas the elements want
// (Aurenhammer, Hoffmann and Aronov 1998; Balzer, Schlomer and Deussen 2009).
type share struct {
	l     *layout
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

// mirrored pairs the regions of foods that answer each other, and sets the sites so.
func (sh *share) mirrored() {
	t := sh.l.t
	el := func(k int) *tray.Element { return &t.Elements[sh.elems[k]] }
	sh.twin = twins(len(sh.elems), func(k int) string { return el(k).Food }, func(k int) string { return string(el(k).Category) }, func(k int) float64 { return math.Max(1, sh.want[k]) })
	sh.reflect()
}

// reflect makes the sites and the sizes of answering regions mirror images.
func (sh *share) reflect() {
	z := &sh.l.s.zone
	for k, j := range sh.twin {
		switch {
		case sh.alone[k] || j != alone && sh.alone[j]: // it stays in its well
		case j == alone:
			sh.sites[k].X = z.centre.X
		case k < j:
			sh.sites[k] = sh.sites[k].Lerp(z.flipped(sh.sites[j]), .5)
			if d := sh.sites[k].X - z.centre.X; math.Abs(d) < sh.g.Cell { // on the line both would be one
				sh.sites[k].X = z.centre.X + math.Copysign(sh.g.Cell, d)
			}
			sh.sites[j] = z.flipped(sh.sites[k])
			p := (sh.power[k] + sh.power[j]) / 2
			sh.power[k], sh.power[j] = p, p
		}
	}
}

// fill shares out the free room and packs it with pieces.
func (l *layout) fill(ctx context.Context, p *plan, r *rand.Rand) {
	var elems []int
	for _, e := range p.loose {
		if el := &l.t.Elements[e]; !el.Locked || !el.Placed {
			elems = append(elems, e)
		}
	}
	if len(elems) == 0 {
		return
	}
	for again := true; again; {
		sh := newShare(l, elems, p.style == "mirrored", r)
		if len(sh.free) == 0 {
			return
		}
		sh.relax(ctx, 30)
		for range 3 {
			if !sh.exchange(ctx) || ctx.Err() != nil {
				break
			}
			sh.relax(ctx, 14)
		}
		grains := sh.grains(ctx, r)
		sh.settle(ctx, grains)
		left := sh.withRoom(grains)
		if again = ctx.Err() == nil && len(left) < len(elems) && len(left) > 0; again {
			sh.keep(grains, left)
			elems = left
			continue
		}
		sh.finish(ctx, grains)
	}
}

// open marks a free cell until it is given to a region.
const open = int16(math.MinInt16)

// newRaster is the board with what covers it so far: cells outside are -1, those
// under element e are -2-e, free ones open.
func newRaster(l *layout, elems []int) *share {
	z := &l.s.zone
	cell := math.Max(2.5, math.Sqrt(z.box.W()*z.box.H()/16000))
	sh := &share{l: l, g: geom.NewGrid(z.box, cell, 2), elems: elems}
	sh.label = make([]int16, sh.g.Cells())
	for i := range sh.label {
		sh.label[i] = -1
	}
	sh.g.Spans(z.outline, func(y, x0, x1 int) {
		for x := x0; x < x1; x++ {
			sh.label[y*sh.g.W+x] = open
		}
	})
	mark := func(o geom.Outline, as int16) {
		sh.g.Spans(o, func(y, x0, x1 int) {
			for x := x0; x < x1; x++ {
				sh.label[y*sh.g.W+x] = as
			}
		})
	}
	for _, k := range z.board.Keepouts {
		mark(k, -1)
	}
	for _, b := range l.laid {
		mark(b.body.Outline, -2-int16(b.e))
	}
	for i := range l.t.Elements {
		e := &l.t.Elements[i]
		if !e.Placed || !food.Has(e.Form, food.AsItComes) {
			continue
		}
		f, _ := l.s.larder.Get(e.Food)
		spec, _ := f.Spec(e.Form)
		if face, ok := food.CutFace(f, spec); ok {
			pose := e.Pose()
			face.At, face.Dir = pose.Apply(face.At), face.Dir+pose.Turn
			room := review.CutRoom(face)
			sh.rooms = append(sh.rooms, geom.NewBody(room))
			sh.g.Spans(room, func(y, x0, x1 int) {
				for x := x0; x < x1; x++ {
					if i := y*sh.g.W + x; sh.label[i] == open {
						sh.label[i] = -1
					}
				}
			})
		}
	}
	return sh
}

func newShare(l *layout, elems []int, mirrored bool, r *rand.Rand) *share {
	sh := newRaster(l, elems)
	cell := sh.g.Cell
	for i, v := range sh.label {
		if v == open {
			sh.label[i] = 0
			sh.free = append(sh.free, int32(i))
			sh.at = append(sh.at, sh.g.Centre(i%sh.g.W, i/sh.g.W))
		}
	}
	total := 0.0
	for _, e := range elems {
		el := &l.t.Elements[e]
		f, _ := l.s.larder.Get(el.Food)
		spec, _ := f.Spec(el.Form)
		a := food.FootprintMM2(spec, el.Count) / cell / cell
		sh.want = append(sh.want, a)
		total += a
	}
	for i := range sh.want {
		sh.want[i] *= float64(len(sh.free)) / math.Max(1, total)
	}
	sh.power = make([]float64, len(elems))
	if len(sh.free) > 0 && l.s.begin != nil {
		for _, e := range elems {
			sh.sites = append(sh.sites, l.s.begin[e])
		}
		sh.wells()
		return sh
	}
	// far-apart sites (Gonzalez 1985), so that heaps of one food start apart
	if len(sh.free) > 0 {
		first := sh.at[r.IntN(len(sh.at))]
		sh.sites = append(sh.sites, first)
		dist := make([]float64, len(sh.at))
		for i := range dist {
			dist[i] = math.Inf(1)
		}
		for len(sh.sites) < len(elems) {
			last := sh.sites[len(sh.sites)-1]
			best, at := -1.0, 0
			for i, q := range sh.at {
				d := (q.X-last.X)*(q.X-last.X) + (q.Y-last.Y)*(q.Y-last.Y)
				if d < dist[i] {
					dist[i] = d
				}
				if dist[i] > best {
					best, at = dist[i], i
				}
			}
			sh.sites = append(sh.sites, sh.at[at])
		}
		sh.wells()
		if mirrored {
			sh.mirrored()
		}
	}
	return sh
}

// wells gives each well or groove of the board to the loose food that fits it best by
// area: small things that roll or pile, which it holds (docs/craft.md, Boards). A well that
// suits nothing is board like any other.
func (sh *share) wells() {
	sh.alone = make([]bool, len(sh.elems))
	sh.well = make([]int16, len(sh.free))
	for i := range sh.well {
		sh.well[i] = -1
	}
	for _, w := range sh.l.s.zone.board.Wells {
		var cells []int
		for i, q := range sh.at {
			if w.Contains(q) {
				cells = append(cells, i)
			}
		}
		across := w.Bounds()
		room := math.Min(across.W(), across.H())
		best, pick := math.Log(1.8), -1
		for k, e := range sh.elems {
			el := &sh.l.t.Elements[e]
			f, _ := sh.l.s.larder.Get(el.Food)
			spec, _ := f.Spec(el.Form)
			if sh.alone[k] || math.Max(spec.L, spec.W) > .8*room || len(cells) == 0 {
				continue
			}
			off := math.Abs(math.Log(math.Max(1, sh.want[k]) / float64(len(cells))))
			if f.Rolls {
				off -= .35
			}
			if off < best {
				best, pick = off, k
			}
		}
		if pick < 0 {
			continue
		}
		sh.alone[pick] = true
		sh.sites[pick], sh.want[pick] = w.Centroid(), float64(len(cells))
		for _, i := range cells {
			sh.well[i] = int16(pick)
		}
	}
}

// relax moves sites to the middle of their regions and lets regions grow or
// shrink to the area they want.
func (sh *share) relax(ctx context.Context, rounds int) {
	n := len(sh.elems)
	for round := range rounds {
		area := make([]float64, n)
		sum := make([]geom.Point, n)
		d := newDiagram(sh.sites, sh.power, func(s int) bool { return !sh.alone[s] })
		y, hint := math.NaN(), 0
		for i, q := range sh.at { // row by row, from left to right
			if q.Y != y {
				y, hint = q.Y, 0
				d.row(y)
			}
			k := int(sh.well[i])
			if k < 0 {
				k, hint = d.at(q.X, hint)
			}
			sh.label[sh.free[i]] = int16(k)
			area[k]++
			sum[k].X += q.X
			sum[k].Y += q.Y
		}
		if round == rounds-1 || ctx.Err() != nil {
			return
		}
		cell := sh.g.Cell * sh.g.Cell
		for k := range n {
			if sh.alone[k] {
				continue
			}
			if area[k] > 0 {
				c := sum[k].Mul(1 / area[k])
				sh.sites[k] = sh.sites[k].Lerp(c, .6)
			} else {
				sh.power[k] += sh.want[k] * cell * .5
			}
			sh.power[k] += .35 * (sh.want[k] - area[k]) * cell
		}
		if sh.twin != nil {
			sh.reflect()
		}
	}
}

// side is a border of a region with another region, or with element e as -2-e.
type side struct {
	other int
	cells float64
}

// borders counts, for each region, the cells that have another region or a laid element
// look cells to the right or below, and all of them together.
func (sh *share) borders(look int) (sides [][]side, all float64) {
	between := map[[2]int]float64{}
	w := sh.g.W
	for i, v := range sh.label {
		x := i % w
		for _, j := range [2]int{i + look, i + look*w} {
			if j >= len(sh.label) || j == i+look && x+look >= w {
				continue
			}
			u := sh.label[j]
			if u == v || v == -1 || u == -1 || v < 0 && u < 0 {
				continue
			}
			a, b := int(v), int(u)
			if a < b {
				a, b = b, a
			}
			between[[2]int{a, b}]++
		}
	}
	sides = make([][]side, len(sh.elems))
	for ab, c := range between {
		all += c
		sides[ab[0]] = append(sides[ab[0]], side{ab[1], c})
		if ab[1] >= 0 {
			sides[ab[1]] = append(sides[ab[1]], side{ab[0], c})
		}
	}
	for k := range sides { // the order of a map must not decide
		slices.SortFunc(sides[k], func(a, b side) int { return a.other - b.other })
	}
	return sides, all
}

// softens reports whether element a, lying open, would soften element b.
func (s *search) softens(a, b int) bool {
	ea, eb := &s.tray.Elements[a], &s.tray.Elements[b]
	return ea.Vessel == "" && eb.Vessel == "" && adjacency.Softens(ea.Wetness, eb.Wetness)
}

// exchange swaps the foods of regions wherever that lowers the cost of their
// borders and spreads each kind better. It reports whether anything changed.
func (sh *share) exchange(ctx context.Context) bool {
	n := len(sh.elems)
	t := sh.l.t
	sides, all := sh.borders(max(1, int(9/sh.g.Cell))) // across a slit as well
	reach, _ := sh.borders(max(1, int(wetKeepMM/sh.g.Cell)))
	foodOf := func(e int) *food.Food { f, _ := sh.l.s.larder.Get(t.Elements[e].Food); return f }
	elementAt := func(other int) int {
		if other >= 0 {
			return sh.elems[other]
		}
		return -2 - other
	}
	known := map[[2]int]float64{}
	cost := func(a, b int) float64 {
		if a < b {
			a, b = b, a
		}
		if v, ok := known[[2]int{a, b}]; ok {
			return v
		}
		v := sh.l.s.beside(a, b, t, foodOf(a), foodOf(b))
		known[[2]int{a, b}] = v
		return v
	}
	z := &sh.l.s.zone
	local := func(k int) float64 {
		e := sh.elems[k]
		v := 0.0
		for _, s := range sides[k] {
			v += s.cells * cost(e, elementAt(s.other))
		}
		for _, s := range reach[k] {
			switch o := elementAt(s.other); {
			case sh.l.s.softens(e, o) || sh.l.s.softens(o, e):
				v += 3 * s.cells
			case sh.l.s.apart(e, o):
				v += 2 * s.cells
			}
		}
		v *= 6 / math.Max(1, all)
		f := foodOf(e)
		for j := range n { // the same again, or the same kind, far across
			if j == k {
				continue
			}
			g := foodOf(sh.elems[j])
			near := math.Max(0, 1-sh.sites[k].Dist(sh.sites[j])/z.half)
			switch {
			case f == g:
				v += .5 * near
			case f.Category == g.Category:
				v += .2 * near
			}
		}
		if f.Rolls && z.board.RimMM == 0 && z.deep(sh.sites[k]) < 50 {
			v += .25
		}
		return v
	}
	changed := false
	for range 4 {
		better := false
		for a := range n {
			if ctx.Err() != nil {
				return changed
			}
			for b := range a {
				if t.Elements[sh.elems[a]].Food == t.Elements[sh.elems[b]].Food || sh.alone[a] || sh.alone[b] {
					continue
				}
				twinA, twinB := alone, alone
				if sh.twin != nil { // pairs change places with pairs, so that each keeps its answer
					twinA, twinB = sh.twin[a], sh.twin[b]
					if (twinA == alone) != (twinB == alone) || twinA == b {
						continue
					}
				}
				cost := func() float64 {
					v := local(a) + local(b)
					if twinA != alone {
						v += local(twinA) + local(twinB)
					}
					return v
				}
				swap := func() {
					sh.elems[a], sh.elems[b] = sh.elems[b], sh.elems[a]
					if twinA != alone {
						sh.elems[twinA], sh.elems[twinB] = sh.elems[twinB], sh.elems[twinA]
					}
				}
				before := cost()
				swap()
				if cost() < before-1e-6 {
					sh.want[a], sh.want[b] = sh.want[b], sh.want[a]
					if twinA != alone {
						sh.want[twinA], sh.want[twinB] = sh.want[twinB], sh.want[twinA]
					}
					better, changed = true, true
				} else {
					swap()
				}
			}
		}
		if !better {
			break
		}
	}
	return changed
}

// beside is what a border between elements ia and ib costs, per cell of border: near
// colours, one kind beside itself, wet beside crisp, what is kept apart or clashes;
// pairs earn a little.
func (s *search) beside(ia, ib int, t *tray.Tray, fa, fb *food.Food) float64 {
	a, b := &t.Elements[ia], &t.Elements[ib]
	v := 0.0
	la, lb := colour.Must(a.Colour), colour.Must(b.Colour)
	if vs, ok := t.Vessel(b.Vessel); ok {
		lb = colour.Must(vs.Colour)
	}
	if vs, ok := t.Vessel(a.Vessel); ok {
		la = colour.Must(vs.Colour)
	}
	v += math.Max(0, math.Min(1, (22-colour.Difference(la, lb))/14))
	if fa == fb {
		v += 1
	} else if fa.Category == fb.Category {
		v += .6
	}
	if s.softens(ia, ib) || s.softens(ib, ia) {
		v += 4
	}
	if s.apart(ia, ib) {
		v += 3
	}
	switch goes := s.goes(ia, ib); {
	case adjacency.ArePartners(goes):
		v -= .5
	case adjacency.SpoilEachOther(goes):
		v += 1
	}
	return v
}
