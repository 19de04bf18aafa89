package pack

import (
	"context"
	"math"
	"slices"

	"happytray/core/adjacency"
	"happytray/core/colour"
	"happytray/core/food"
	"happytray/core/tray"
)

// side is a border of a region with another region, or with element e as -2-e.
type side struct {
	other int
	cells float64
}

// borders counts, for each region, the cells that have another region or a laid element
// look cells to the right or below, and all of them together.
func (rs *regions) borders(look int) (sides [][]side, all float64) {
	between := map[[2]int]float64{}
	w := rs.g.W
	for i, v := range rs.label {
		x := i % w
		for _, j := range [2]int{i + look, i + look*w} {
			if j >= len(rs.label) || j == i+look && x+look >= w {
				continue
			}
			u := rs.label[j]
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
	sides = make([][]side, len(rs.elems))
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

// exchange swaps the foods of regions wherever that lowers the cost of their
// borders and spreads each kind better. It reports whether anything changed.
func (rs *regions) exchange(ctx context.Context) bool {
	n := len(rs.elems)
	t := rs.l.Tray
	sides, all := rs.borders(max(1, int(9/rs.g.Cell))) // across a slit as well
	reach, _ := rs.borders(max(1, int(WetKeepMM/rs.g.Cell)))
	foods := make([]*food.Food, len(t.Elements))
	for e := range foods {
		foods[e], _ = rs.l.Larder.Get(t.Elements[e].Food)
	}
	elementAt := func(other int) int {
		if other >= 0 {
			return rs.elems[other]
		}
		return -2 - other
	}
	known := make([]float64, len(foods)*len(foods)) // cost of a border; NaN where it was not asked for yet
	for i := range known {
		known[i] = math.NaN()
	}
	cost := func(a, b int) float64 {
		if a < b {
			a, b = b, a
		}
		v := &known[a*len(foods)+b]
		if math.IsNaN(*v) {
			*v = rs.l.borderCost(a, b, t, foods[a], foods[b])
		}
		return *v
	}
	z := rs.l.Zone
	local := func(k int) float64 {
		e := rs.elems[k]
		v := 0.0
		for _, s := range sides[k] {
			v += s.cells * cost(e, elementAt(s.other))
		}
		for _, s := range reach[k] {
			switch o := elementAt(s.other); {
			case rs.l.Softens(e, o) || rs.l.Softens(o, e):
				v += 3 * s.cells
			case rs.l.KeptApart(e, o):
				v += 2 * s.cells
			}
		}
		v *= 6 / math.Max(1, all)
		f := foods[e]
		for j := range n { // the same again, or the same kind, far across
			if j == k {
				continue
			}
			g := foods[rs.elems[j]]
			near := math.Max(0, 1-rs.sites[k].Dist(rs.sites[j])/z.Half)
			switch {
			case f == g:
				v += .5 * near
			case f.Category == g.Category:
				v += .2 * near
			}
		}
		v += turnPull * rs.l.OutOfTurn(e, rs.sites[k])
		if f.Rolls && z.Board.RimMM == 0 && z.Depth(rs.sites[k]) < 50 {
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
				if t.Elements[rs.elems[a]].Food == t.Elements[rs.elems[b]].Food || rs.alone[a] || rs.alone[b] {
					continue
				}
				twinA, twinB := Alone, Alone
				if rs.twin != nil { // pairs change places with pairs, so that each keeps its answer
					twinA, twinB = rs.twin[a], rs.twin[b]
					if (twinA == Alone) != (twinB == Alone) || twinA == b {
						continue
					}
				}
				cost := func() float64 {
					v := local(a) + local(b)
					if twinA != Alone {
						v += local(twinA) + local(twinB)
					}
					return v
				}
				swap := func() {
					rs.elems[a], rs.elems[b] = rs.elems[b], rs.elems[a]
					if twinA != Alone {
						rs.elems[twinA], rs.elems[twinB] = rs.elems[twinB], rs.elems[twinA]
					}
				}
				before := cost()
				swap()
				if cost() < before-1e-6 {
					rs.want[a], rs.want[b] = rs.want[b], rs.want[a]
					if twinA != Alone {
						rs.want[twinA], rs.want[twinB] = rs.want[twinB], rs.want[twinA]
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

// turnPull is what it costs a region to lie the whole way off its turn in the tasting order: more than any border.
const turnPull = 4.0

// borderCost is what a border between elements ia and ib costs, per cell of border: near
// colours, one kind beside itself, wet beside crisp, what is kept apart or clashes;
// pairs earn a little.
func (l *Layout) borderCost(ia, ib int, t *tray.Tray, fa, fb *food.Food) float64 {
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
	if l.Softens(ia, ib) || l.Softens(ib, ia) {
		v += 4
	}
	if l.KeptApart(ia, ib) {
		v += 3
	}
	switch goes := l.Affinity(ia, ib); {
	case l.InOneBite(ia, ib):
		v -= 1
	case adjacency.ArePartners(goes):
		v -= .5
	case adjacency.SpoilEachOther(goes):
		v += 1
	}
	return v
}
