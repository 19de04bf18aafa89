package arrange

import (
	"context"
	"math"
	"math/rand/v2"

	"happytray/core/colour"
	"happytray/core/food"
	"happytray/core/geom"
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
	want  []float64 // cells
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
	sh := newShare(l, elems, r)
	if len(sh.free) == 0 {
		return
	}
	sh.relax(30)
	for range 3 {
		if !sh.exchange() || ctx.Err() != nil {
			break
		}
		sh.relax(14)
	}
	sh.pack(ctx, r)
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
		if !e.Placed || e.Form != "whole" {
			continue
		}
		f, _ := l.s.larder.Get(e.Food)
		spec, _ := f.Spec(e.Form)
		if face, ok := food.CutFace(f, spec); ok {
			pose := e.Pose()
			face.At, face.Dir = pose.Apply(face.At), face.Dir+pose.Turn
			sh.g.Spans(cutRoomOutline(face), func(y, x0, x1 int) {
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

func newShare(l *layout, elems []int, r *rand.Rand) *share {
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
	}
	return sh
}

// relax moves sites to the middle of their regions and lets regions grow or
// shrink to the area they want.
func (sh *share) relax(rounds int) {
	n := len(sh.elems)
	for round := range rounds {
		area := make([]float64, n)
		sum := make([]geom.Point, n)
		for i, q := range sh.at {
			best, k := math.Inf(1), 0
			for s := range sh.sites {
				dx, dy := q.X-sh.sites[s].X, q.Y-sh.sites[s].Y
				if d := dx*dx + dy*dy - sh.power[s]; d < best {
					best, k = d, s
				}
			}
			sh.label[sh.free[i]] = int16(k)
			area[k]++
			sum[k].X += q.X
			sum[k].Y += q.Y
		}
		if round == rounds-1 {
			return
		}
		cell := sh.g.Cell * sh.g.Cell
		for k := range n {
			if area[k] > 0 {
				c := sum[k].Mul(1 / area[k])
				sh.sites[k] = sh.sites[k].Lerp(c, .6)
			} else {
				sh.power[k] += sh.want[k] * cell * .5
			}
			sh.power[k] += .35 * (sh.want[k] - area[k]) * cell
		}
	}
}

// exchange swaps the foods of regions wherever that lowers the cost of their
// borders and spreads each kind better. It reports whether anything changed.
func (sh *share) exchange() bool {
	n := len(sh.elems)
	t := sh.l.t
	borders := map[[2]int]float64{} // region with region, or region with -2-element
	w := sh.g.W
	look := max(1, int(9/sh.g.Cell)) // across a slit as well
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
			borders[[2]int{a, b}]++
		}
	}
	type side struct {
		other int // region, or -2-element
		cells float64
	}
	sides := make([][]side, n)
	all := 0.0
	for ab, c := range borders {
		all += c
		sides[ab[0]] = append(sides[ab[0]], side{ab[1], c})
		if ab[1] >= 0 {
			sides[ab[1]] = append(sides[ab[1]], side{ab[0], c})
		}
	}
	// map order must not decide: sums of whole numbers times table values, per region
	for k := range sides {
		s := sides[k]
		for i := 1; i < len(s); i++ {
			for j := i; j > 0 && s[j].other < s[j-1].other; j-- {
				s[j], s[j-1] = s[j-1], s[j]
			}
		}
	}
	foodOf := func(e int) *food.Food { f, _ := sh.l.s.larder.Get(t.Elements[e].Food); return f }
	elementAt := func(other int) int {
		if other >= 0 {
			return sh.elems[other]
		}
		return -2 - other
	}
	table := map[[2]int]float64{}
	cost := func(a, b int) float64 {
		if a < b {
			a, b = b, a
		}
		if v, ok := table[[2]int{a, b}]; ok {
			return v
		}
		v := beside(&t.Elements[a], &t.Elements[b], foodOf(a), foodOf(b), t)
		table[[2]int{a, b}] = v
		return v
	}
	z := &sh.l.s.zone
	local := func(k int) float64 {
		e := sh.elems[k]
		v := 0.0
		for _, s := range sides[k] {
			v += s.cells * cost(e, elementAt(s.other))
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
			for b := range a {
				if t.Elements[sh.elems[a]].Food == t.Elements[sh.elems[b]].Food {
					continue
				}
				before := local(a) + local(b)
				sh.elems[a], sh.elems[b] = sh.elems[b], sh.elems[a]
				if local(a)+local(b) < before-1e-6 {
					sh.want[a], sh.want[b] = sh.want[b], sh.want[a]
					better, changed = true, true
				} else {
					sh.elems[a], sh.elems[b] = sh.elems[b], sh.elems[a]
				}
			}
		}
		if !better {
			break
		}
	}
	return changed
}

// beside is what a border between two elements costs, per cell of border: near
// colours, one kind beside itself, wet beside crisp; pairs earn a little.
func beside(a, b *tray.Element, fa, fb *food.Food, t *tray.Tray) float64 {
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
	if a.Vessel == "" && b.Vessel == "" && (fa.Wetness.Wets() && fb.Wetness == food.Crisp || fb.Wetness.Wets() && fa.Wetness == food.Crisp) {
		v += 4
	}
	for _, id := range fa.Pairs {
		if id == fb.ID {
			v -= .35
		}
	}
	for _, id := range fb.Pairs {
		if id == fa.ID {
			v -= .35
		}
	}
	return v
}
