package pack

import (
	"cmp"
	"math"
	"slices"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/round"
	"happytray/core/tray"
)

const (
	// RestsMM is how much higher, mm, than what it overlaps in the plan a piece of another element lies: so a
	// reader of the file sees which of the two lies on the other.
	RestsMM = 3.0
	// restsFrom is the depth of an overlap, mm, from which one piece lies on the other; under it they touch.
	restsFrom = .05
	// asPiled is how near two pieces of a heap lie, by the sum of their radii, where one lies on the other: pieces side
	// by side keep .94 of it, those on others .47.
	asPiled = .75
)

// Rest gives every piece that overlaps another element's in the plan its height: of two that overlap one lies RestsMM
// higher at least. What is stiff stays on the board and what is locked as it is; then rows, folded slices, loose food and
// greens, each as low as it can. Of a tray that was changed only the elements that changed names, and loose food that
// what is stiff among them has come to touch, are looked at.
func Rest(t *tray.Tray, changed func(i int) bool) {
	r := resting{t: t, mine: make([]bool, len(t.Elements))}
	box := geom.Rect{}
	for i := range t.Elements {
		e := &t.Elements[i]
		if !e.Placed || len(e.Pieces) == 0 {
			continue
		}
		if of := BoxOf(e.Pieces); r.lying == nil {
			box = of
		} else {
			box = box.Union(of)
		}
		r.mine[i] = !e.Locked && e.Kind() != food.KindAnchor && changed(i)
		for n := range e.Pieces {
			r.lying = append(r.lying, restingPiece{e: i, n: n, box: e.Pieces[n].Outline.Bounds()})
		}
	}
	if len(r.lying) == 0 {
		return
	}
	r.index(box)
	for i := range t.Elements { // what came to stand under something that stayed where it was
		if e := &t.Elements[i]; e.Placed && e.Kind() == food.KindAnchor && changed(i) {
			r.touched(i)
		}
	}
	var order []int
	for k := range r.lying {
		if r.mine[r.lying[k].e] {
			order = append(order, k)
			r.lying[k].open = true
		}
	}
	base := make([]float64, len(r.lying))
	for i := range t.Elements {
		if r.mine[i] {
			copy(base[r.first(i):], lowest(&t.Elements[i]))
		}
	}
	slices.SortStableFunc(order, func(a, b int) int {
		p, q := &t.Elements[r.lying[a].e], &t.Elements[r.lying[b].e]
		return cmp.Or(cmp.Compare(restOrder[p.Kind()], restOrder[q.Kind()]), cmp.Compare(base[a], base[b]))
	})
	for _, k := range order {
		r.lying[k].open = false
		r.piece(k).ZMM = r.height(k, base[k])
	}
}

// restOrder is which of two kinds lies lower.
var restOrder = map[food.Kind]int{food.KindRow: 1, food.KindTrail: 2, food.KindLoose: 3, food.KindGarnish: 4}

// resting are the pieces of a tray, found by where they lie.
type resting struct {
	t     *tray.Tray
	mine  []bool // elements whose pieces are lifted where need be
	lying []restingPiece
	grid  geom.Grid
	cells [][]int32 // of the grid, the pieces whose boxes meet it
}

type restingPiece struct {
	e, n  int // element and piece
	box   geom.Rect
	body  geom.Body
	ready bool // body is
	open  bool // its height is not known yet
}

const (
	restCell      = 24.0 // mm
	mostRestCells = 256  // along a side, however far apart the pieces of a file lie
)

func (r *resting) index(box geom.Rect) {
	r.grid = geom.NewGrid(box, math.Max(restCell, math.Max(box.W(), box.H())/mostRestCells), 1)
	r.cells = make([][]int32, r.grid.Cells())
	for k := range r.lying {
		w := r.grid.Window(r.lying[k].box, 0)
		for y := w.Y0; y < w.Y1; y++ {
			for x := w.X0; x < w.X1; x++ {
				r.cells[y*r.grid.W+x] = append(r.cells[y*r.grid.W+x], int32(k))
			}
		}
	}
}

func (r *resting) piece(k int) *tray.Piece {
	return &r.t.Elements[r.lying[k].e].Pieces[r.lying[k].n]
}

// first is where the pieces of an element begin.
func (r *resting) first(e int) int {
	k, _ := slices.BinarySearchFunc(r.lying, e, func(p restingPiece, e int) int { return cmp.Compare(p.e, e) })
	return k
}

func (r *resting) body(k int) *geom.Body {
	p := &r.lying[k]
	if !p.ready {
		p.body, p.ready = geom.NewBody(r.piece(k).Outline), true
	}
	return &p.body
}

// near calls f with every piece of another element that overlaps the k-th in the plan, some of them twice.
func (r *resting) near(k int, f func(o int)) {
	p := &r.lying[k]
	w := r.grid.Window(p.box, 0)
	for y := w.Y0; y < w.Y1; y++ {
		for x := w.X0; x < w.X1; x++ {
			for _, j := range r.cells[y*r.grid.W+x] {
				o := &r.lying[j]
				if o.e == p.e || geom.BoxDepth(p.box, o.box) <= restsFrom {
					continue
				}
				if d, _ := geom.Deeper(r.body(k), r.body(int(j)), restsFrom); d > 0 {
					f(int(j))
				}
			}
		}
	}
}

// touched takes in what is loose or folded and lies too low on a stiff element.
func (r *resting) touched(e int) {
	for n := range r.t.Elements[e].Pieces {
		k := r.first(e) + n
		r.near(k, func(o int) {
			q := &r.t.Elements[r.lying[o].e]
			if !q.Locked && q.Kind() != food.KindAnchor && math.Abs(r.piece(o).ZMM-r.piece(k).ZMM) < RestsMM {
				r.mine[r.lying[o].e] = true
			}
		})
	}
}

// height is the least, mm, from low at which a piece lies RestsMM above or below all that it overlaps.
func (r *resting) height(k int, low float64) float64 {
	var others []float64
	r.near(k, func(o int) {
		if !r.lying[o].open {
			others = append(others, r.piece(o).ZMM)
		}
	})
	slices.Sort(others)
	z := low
	for _, o := range others { // lowest first: what has come past one never comes back to it
		if math.Abs(z-o) < RestsMM-1e-9 {
			z = o + RestsMM
		}
	}
	return round.Hundredth(z)
}

// lowest are the heights, mm, at which the pieces of an element lie by themselves, whatever they were lifted for.
func lowest(e *tray.Element) []float64 {
	out := make([]float64, len(e.Pieces))
	switch e.Kind() {
	case food.KindLoose:
		for n, up := range piledIn(e) {
			if up {
				out[n] = e.Pieces[n].ZMM
			}
		}
	case food.KindRow, food.KindTrail: // the first lies on the board and all others lean as much
		lean := math.Inf(1)
		for n := 1; n < len(out); n++ {
			lean = math.Min(lean, math.Min(e.Pieces[n].ZMM, e.Pieces[n].HeightMM))
		}
		for n := 1; n < len(out); n++ {
			out[n] = lean
		}
	default:
		for n := range out {
			out[n] = e.Pieces[n].ZMM
		}
	}
	return out
}

// piledIn reports which pieces of a heap lie on others of it.
func piledIn(e *tray.Element) []bool {
	out := make([]bool, len(e.Pieces))
	var r []float64
	for n := range e.Pieces {
		p := &e.Pieces[n]
		if p.ZMM <= 0 {
			continue
		}
		if r == nil {
			r = make([]float64, len(e.Pieces))
			for m := range r {
				r[m] = math.Sqrt(e.Pieces[m].Outline.Area() / math.Pi)
			}
		}
		for m := range e.Pieces {
			if q := &e.Pieces[m]; q.ZMM < p.ZMM && q.At.Dist(p.At) < asPiled*(r[n]+r[m]) {
				out[n] = true
				break
			}
		}
	}
	return out
}
