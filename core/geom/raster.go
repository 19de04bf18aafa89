package geom

import "math"

// Grid is a raster of square cells laid over the plane; cell (0, 0) has its
// upper left corner at Origin.
type Grid struct {
	Origin Point   // mm
	Cell   float64 // mm
	W, H   int     // cells
}

// NewGrid covers box, grown by margin mm, with cells of the given size.
func NewGrid(box Rect, cell, margin float64) Grid {
	b := box.Grow(margin)
	return Grid{Origin: b.Min, Cell: cell, W: int(math.Ceil(b.W()/cell)) + 1, H: int(math.Ceil(b.H()/cell)) + 1}
}

// Centre is the middle of cell (x, y) on the board.
func (g Grid) Centre(x, y int) Point {
	return Point{g.Origin.X + (float64(x)+.5)*g.Cell, g.Origin.Y + (float64(y)+.5)*g.Cell}
}

// At is the cell that holds p; it may lie outside the grid.
func (g Grid) At(p Point) (x, y int) {
	return int(math.Floor((p.X - g.Origin.X) / g.Cell)), int(math.Floor((p.Y - g.Origin.Y) / g.Cell))
}

// In reports whether cell (x, y) belongs to the grid.
func (g Grid) In(x, y int) bool { return x >= 0 && y >= 0 && x < g.W && y < g.H }

// Cells is the number of cells.
func (g Grid) Cells() int { return g.W * g.H }

// Window is a box of cells, X1 and Y1 not included.
type Window struct{ X0, Y0, X1, Y1 int }

// Window is the part of the grid that r touches, grown by pad cells and cut to the grid.
func (g Grid) Window(r Rect, pad int) Window {
	x0, y0 := g.At(r.Min)
	x1, y1 := g.At(r.Max)
	return Window{max(0, x0-pad), max(0, y0-pad), min(g.W, x1+1+pad), min(g.H, y1+1+pad)}
}

// Grow is the window with pad cells added on every side, cut to the grid.
func (g Grid) Grow(w Window, pad int) Window {
	return Window{max(0, w.X0-pad), max(0, w.Y0-pad), min(g.W, w.X1+pad), min(g.H, w.Y1+pad)}
}

// Empty reports whether the window holds no cell.
func (w Window) Empty() bool { return w.X0 >= w.X1 || w.Y0 >= w.Y1 }

// Cells is how many cells the window holds.
func (w Window) Cells() int { return max(0, w.X1-w.X0) * max(0, w.Y1-w.Y0) }

// Union is the smallest window that holds both.
func (w Window) Union(o Window) Window {
	switch {
	case w.Empty():
		return o
	case o.Empty():
		return w
	}
	return Window{min(w.X0, o.X0), min(w.Y0, o.Y0), max(w.X1, o.X1), max(w.Y1, o.Y1)}
}

// Spans calls f with every run of cells [x0, x1) in row y whose centres lie in o.
func (g Grid) Spans(o Outline, f func(y, x0, x1 int)) {
	if !g.spansOfTwo(o, f) {
		g.spansOfMany(o, f)
	}
}

// ceilInt is v rounded up; the outlines of a tray are far within an int.
func ceilInt(v float64) int {
	n := int(v)
	if float64(n) < v {
		n++
	}
	return n
}

// spansOfTwo is Spans for what every row cuts twice at most, as it does most pieces: each
// edge is looked at once, and not once for each row. It reports false, with nothing
// called, where it cannot tell.
func (g Grid) spansOfTwo(o Outline, f func(y, x0, x1 int)) bool {
	const most = 64
	if len(o) < 3 {
		return true
	}
	// in rows and columns of cells, so that centres are whole numbers
	per := 1 / g.Cell
	at := func(p Point) (u, v float64) {
		return (p.X-g.Origin.X)*per - .5, (p.Y-g.Origin.Y)*per - .5
	}
	top, bottom := math.Inf(1), math.Inf(-1)
	for _, p := range o {
		if p.Y < top {
			top = p.Y
		}
		if p.Y > bottom {
			bottom = p.Y
		}
	}
	_, vTop := at(Point{0, top})
	_, vBottom := at(Point{0, bottom})
	y0, y1 := max(0, ceilInt(max(vTop, -1))), min(g.H, ceilInt(min(vBottom, float64(g.H))))
	if y0 >= y1 {
		return true
	}
	if y1-y0 > most {
		return false
	}
	var lo, hi [most]float64
	var cuts [most]uint8
	ua, va := at(o[len(o)-1])
	for _, p := range o {
		ub, vb := at(p)
		from, to := va, vb
		if from > to {
			from, to = to, from
		}
		if from != to {
			first, last := max(y0, ceilInt(max(from, float64(y0)))), min(y1, ceilInt(min(to, float64(y1))))
			slope := 0.0
			if first < last {
				slope = (ub - ua) / (vb - va)
			}
			for y := first; y < last; y++ {
				x := ua + (float64(y)-va)*slope
				switch k := y - y0; cuts[k] {
				case 0:
					lo[k], cuts[k] = x, 1
				case 1:
					if hi[k] = x; x < lo[k] {
						lo[k], hi[k] = x, lo[k]
					}
					cuts[k] = 2
				default:
					return false
				}
			}
		}
		ua, va = ub, vb
	}
	for k := range y1 - y0 {
		if cuts[k] < 2 {
			continue
		}
		x0 := max(0, ceilInt(max(lo[k], -1)))
		x1 := min(g.W, int(max(hi[k], -1)+1)) // a run begins at 0, so this rounds down
		if x0 < x1 {
			f(y0+k, x0, x1)
		}
	}
	return true
}

// spansOfMany is Spans for any outline.
func (g Grid) spansOfMany(o Outline, f func(y, x0, x1 int)) {
	b := o.Bounds()
	y0 := max(0, int(math.Ceil((b.Min.Y-g.Origin.Y)/g.Cell-.5)))
	y1 := min(g.H-1, int(math.Floor((b.Max.Y-g.Origin.Y)/g.Cell-.5)))
	var buf [64]float64
	for y := y0; y <= y1; y++ {
		py := g.Origin.Y + (float64(y)+.5)*g.Cell
		xs := buf[:0]
		for i, j := 0, len(o)-1; i < len(o); j, i = i, i+1 {
			a, c := o[i], o[j]
			if (a.Y > py) != (c.Y > py) {
				xs = append(xs, (c.X-a.X)*(py-a.Y)/(c.Y-a.Y)+a.X)
			}
		}
		insertionSort(xs)
		for i := 0; i+1 < len(xs); i += 2 {
			x0 := max(0, int(math.Ceil((xs[i]-g.Origin.X)/g.Cell-.5)))
			x1 := min(g.W, int(math.Floor((xs[i+1]-g.Origin.X)/g.Cell-.5))+1)
			if x0 < x1 {
				f(y, x0, x1)
			}
		}
	}
}

func insertionSort(v []float64) {
	for i := 1; i < len(v); i++ {
		for j := i; j > 0 && v[j] < v[j-1]; j-- {
			v[j], v[j-1] = v[j-1], v[j]
		}
	}
}

// Far is the squared distance, in cells, that DistanceField writes where no
// obstacle is within reach.
const Far = 1 << 28

// DistanceField writes into dst, for each cell of win, the squared distance in
// cells to the nearest cell for which blocked is true, exactly, for the cells
// inside win (Meijster, Roerdink and Hesselink 2000). Cells outside the grid
// count as blocked when edge is true. scratch must hold as many ints as dst.
func (g Grid) DistanceField(dst, scratch []int32, win Window, blocked []bool, edge bool) {
	if win.Empty() {
		return
	}
	w := win.X1 - win.X0
	const inf = 1 << 13
	for x := win.X0; x < win.X1; x++ {
		d := int32(inf)
		if edge && win.Y0 == 0 {
			d = 0
		}
		for y := win.Y0; y < win.Y1; y++ {
			i := y*g.W + x
			if blocked[i] {
				d = 0
			} else if d < inf {
				d++
			}
			scratch[i] = d
		}
		d = inf
		if edge && win.Y1 == g.H {
			d = 0
		}
		for y := win.Y1 - 1; y >= win.Y0; y-- {
			i := y*g.W + x
			if blocked[i] {
				d = 0
			} else if d < inf {
				d++
			}
			if d < scratch[i] {
				scratch[i] = d
			}
		}
	}
	e := envelope{s: make([]int, w+2), t: make([]int, w+2), h: make([]int, w+2)}
	for y := win.Y0; y < win.Y1; y++ {
		row, out := scratch[y*g.W:(y+1)*g.W], dst[y*g.W:(y+1)*g.W]
		for x := win.X0; x < win.X1; {
			if row[x] == 0 {
				out[x] = 0
				x++
				continue
			}
			// A run of free cells: whatever lies beyond the blocked cell at its
			// end is farther than that cell, so each run stands for itself.
			end := x + 1
			for end < win.X1 && row[end] != 0 {
				end++
			}
			e.run(row, out, x, end, x > win.X0 || edge && x == 0, end < win.X1 || edge && end == g.W)
			x = end
		}
	}
}

// envelope is the room that DistanceField needs for the lower envelope of the
// parabolas of one run.
type envelope struct{ s, t, h []int }

// run writes the squared distances of the free cells x0 to x1 of a row, from the
// distances along their columns; before and after say whether the cells next to
// the run are blocked.
func (e *envelope) run(row, out []int32, x0, x1 int, before, after bool) {
	s, t, h := e.s, e.t, e.h
	lo, n := x0, 0
	if before {
		lo, h[0], n = x0-1, 0, 1
	}
	for x := x0; x < x1; x++ {
		h[n] = int(row[x])
		n++
	}
	if after {
		h[n] = 0
		n++
	}
	f := func(x, u int) int { return (x-u)*(x-u) + h[u]*h[u] }
	q := 0
	s[0], t[0] = 0, 0
	for u := 1; u < n; u++ {
		for q >= 0 && f(t[q], s[q]) > f(t[q], u) {
			q--
		}
		if q < 0 {
			q = 0
			s[0], t[0] = u, 0
			continue
		}
		sep := 1 + floorDiv(u*u-s[q]*s[q]+h[u]*h[u]-h[s[q]]*h[s[q]], 2*(u-s[q]))
		if sep < n {
			q++
			s[q], t[q] = u, sep
		}
	}
	for u := n - 1; u >= 0; u-- {
		if x := u + lo; x >= x0 && x < x1 {
			out[x] = int32(min(f(u, s[q]), Far))
		}
		if u == t[q] {
			q--
		}
	}
}

// floorDiv is a / b rounded down, for b above zero.
func floorDiv(a, b int) int {
	q := a / b
	if q*b > a {
		q--
	}
	return q
}
