package review

import (
	"math"

	"happytray/core/geom"
)

// Constants of the raster measures.
const (
	closeMM   = 4.0  // half of the slit that still counts as covered
	lookMM    = 45.0 // gaps are measured up to twice this
	rasterMax = 40000
)

// field is the tray as a raster: who lies on each cell, how far each bare cell
// is from food, and the sums over it. All sums are whole numbers of cells, so
// that following a move gives exactly what counting afresh would.
type field struct {
	g      geom.Grid
	zone   []bool
	owner  []int16 // element on top, -1 for bare
	top    []uint8 // mm above the board of what lies there
	room   []uint8 // cells kept for cutting, counted
	near   []int16 // owner, or the nearest one within closeMM, or -1
	closed []bool
	block  []bool
	dist   []int32
	tmp    []int32
	wide   []int32
	rows   []int32 // of each row: the place of its farthest bare cell

	seenOwner []int16 // owner and top thinned out, for looking over them
	seenTop   []int32

	offsets []offset // cells within closeMM, nearest first
	look    int      // lookMM in cells

	covered, open int
	frontier      []int32 // cell sides between near-labels, upper triangle
	n             int
}

type offset struct{ dx, dy int }

func (f *field) init(l *Live) {
	zone := l.tray.Board.FoodZone
	cell := math.Max(2, math.Sqrt(zone.Area()/rasterMax))
	f.g = geom.NewGrid(zone.Bounds(), cell, 16)
	n := f.g.Cells()
	f.n = len(l.elems)
	f.zone, f.closed, f.block = make([]bool, n), make([]bool, n), make([]bool, n)
	f.owner, f.near, f.top = make([]int16, n), make([]int16, n), make([]uint8, n)
	f.room = make([]uint8, n)
	f.dist, f.tmp, f.wide = make([]int32, n), make([]int32, n), make([]int32, n)
	f.frontier = make([]int32, f.n*(f.n+1)/2)
	f.rows = make([]int32, f.g.H)
	for y := range f.rows {
		f.rows[y] = int32(y * f.g.W)
	}
	f.look = int(math.Ceil(lookMM / cell))
	f.g.Spans(zone, func(y, x0, x1 int) {
		for x := x0; x < x1; x++ {
			f.zone[y*f.g.W+x] = true
		}
	})
	for _, k := range l.tray.Board.Keepouts {
		f.g.Spans(k, func(y, x0, x1 int) {
			for x := x0; x < x1; x++ {
				f.zone[y*f.g.W+x] = false
			}
		})
	}
	r := closeMM / cell
	for d := 1; d <= int(r*r)+1; d++ {
		for dy := -int(r) - 1; dy <= int(r)+1; dy++ {
			for dx := -int(r) - 1; dx <= int(r)+1; dx++ {
				if dx*dx+dy*dy == d && float64(d) <= r*r {
					f.offsets = append(f.offsets, offset{dx, dy})
				}
			}
		}
	}
	if len(f.offsets) == 0 { // very large boards: one cell is already wider than the slit
		f.offsets = []offset{{1, 0}, {-1, 0}, {0, 1}, {0, -1}}
	}
	f.refresh(l, geom.Window{X0: 0, Y0: 0, X1: f.g.W, Y1: f.g.H}, false, func() {
		for i := range l.elems {
			f.addRoom(l.elems[i], 1)
		}
	})
}

func (f *field) addRoom(e elem, d uint8) {
	if !e.hasFace {
		return
	}
	f.g.Spans(e.room, func(y, x0, x1 int) {
		for x := x0; x < x1; x++ {
			f.room[y*f.g.W+x] += d // wraps back when taken away again
		}
	})
}

func (e elem) reach() geom.Rect {
	if e.hasFace {
		return e.box.Union(e.room.Bounds())
	}
	return e.box
}

// update follows one element from before to after.
func (f *field) update(l *Live, before, after elem) {
	leave := func() { f.addRoom(before, 255) } // the count wraps back by one
	enter := func() { f.addRoom(after, 1) }
	was, is := f.g.Window(before.reach(), 1), f.g.Window(after.reach(), 1)
	switch {
	case !before.placed && !after.placed:
	case !before.placed:
		f.refresh(l, is, true, enter)
	case !after.placed:
		f.refresh(l, was, true, leave)
	case f.touched(was).meets(f.touched(is)):
		both := geom.Window{X0: min(was.X0, is.X0), Y0: min(was.Y0, is.Y0), X1: max(was.X1, is.X1), Y1: max(was.Y1, is.Y1)}
		f.refresh(l, both, true, func() { leave(); enter() })
	default:
		f.refresh(l, was, true, leave)
		f.refresh(l, is, true, enter)
	}
}

type window geom.Window

func (a window) meets(b window) bool { return a.X0 < b.X1 && b.X0 < a.X1 && a.Y0 < b.Y1 && b.Y0 < a.Y1 }

// pad is how many cells beyond a repainted window the near-labels can change.
func (f *field) pad() int { return int(math.Ceil(closeMM/f.g.Cell)) + 1 }

// touched is every cell whose sums can change when win is repainted.
func (f *field) touched(win geom.Window) window { return window(f.g.Grow(win, 2*f.pad()+1)) }

// refresh repaints win and corrects every sum that depends on it; change alters
// the cutting room in between. undo is false for the first painting, when there
// are no sums yet.
func (f *field) refresh(l *Live, win geom.Window, undo bool, change func()) {
	if win.Empty() {
		change()
		return
	}
	near := f.g.Grow(win, f.pad())    // where near-labels can change
	closed := f.g.Grow(near, f.pad()) // where closing can change
	if undo {
		f.count(closed, -1)
		f.frontiers(near, -1)
	}
	change()
	f.paint(l, win)
	f.label(near)
	f.close(closed)
	f.count(closed, 1)
	f.frontiers(near, 1)
	f.distances(f.g.Grow(closed, f.look))
}

// paint draws who lies on each cell of win, later elements on top.
func (f *field) paint(l *Live, win geom.Window) {
	w := f.g.W
	for y := win.Y0; y < win.Y1; y++ {
		row := f.owner[y*w : (y+1)*w]
		tops := f.top[y*w : (y+1)*w]
		for x := win.X0; x < win.X1; x++ {
			row[x], tops[x] = -1, 0
		}
	}
	box := geom.Rect{Min: f.g.Centre(win.X0, win.Y0), Max: f.g.Centre(win.X1-1, win.Y1-1)}
	for i := range l.elems {
		e := &l.elems[i]
		if !e.placed || !e.box.Meets(box) || l.elems[i].hangs() {
			continue
		}
		for b := range e.bodies {
			if !e.bodies[b].Box.Meets(box) {
				continue
			}
			p := &l.tray.Elements[i].Pieces[b]
			top := uint8(math.Min(255, p.ZMM+p.HeightMM))
			f.g.Spans(e.bodies[b].Outline, func(y, x0, x1 int) {
				if y < win.Y0 || y >= win.Y1 {
					return
				}
				for x := max(x0, win.X0); x < min(x1, win.X1); x++ {
					f.owner[y*w+x], f.top[y*w+x] = int16(i), top
				}
			})
		}
	}
}

// label gives each cell of win its owner, or the nearest one within closeMM.
func (f *field) label(win geom.Window) {
	w, h := f.g.W, f.g.H
	for y := win.Y0; y < win.Y1; y++ {
		for x := win.X0; x < win.X1; x++ {
			i := y*w + x
			o := f.owner[i]
			if o < 0 {
				for _, d := range f.offsets {
					xx, yy := x+d.dx, y+d.dy
					if xx >= 0 && yy >= 0 && xx < w && yy < h && f.owner[yy*w+xx] >= 0 {
						o = f.owner[yy*w+xx]
						break
					}
				}
			}
			f.near[i] = o
		}
	}
}

// close marks what counts as covered: morphological closing of the food by a
// disc of closeMM (Serra 1982), and what blocks an empty disc.
func (f *field) close(win geom.Window) {
	w, h := f.g.W, f.g.H
	for y := win.Y0; y < win.Y1; y++ {
		for x := win.X0; x < win.X1; x++ {
			i := y*w + x
			c := f.near[i] >= 0
			if c && f.owner[i] < 0 {
				for _, d := range f.offsets {
					xx, yy := x+d.dx, y+d.dy
					if xx < 0 || yy < 0 || xx >= w || yy >= h || f.near[yy*w+xx] < 0 {
						c = false
						break
					}
				}
			}
			f.closed[i] = c
			f.block[i] = !f.zone[i] || f.owner[i] >= 0 || f.room[i] > 0
		}
	}
}

// distances recomputes the capped distance to food within win.
func (f *field) distances(win geom.Window) {
	wide := f.g.Grow(win, f.look)
	// The field of the wider window is exact up to look cells; only win is kept.
	f.g.DistanceField(f.wide, f.tmp, wide, f.block, true)
	most := int32(f.look * f.look)
	for y := win.Y0; y < win.Y1; y++ {
		for x := win.X0; x < win.X1; x++ {
			i := y*f.g.W + x
			f.dist[i] = min(f.wide[i], most)
		}
		best := int32(y * f.g.W)
		for i := best; i < int32((y+1)*f.g.W); i++ {
			if f.dist[i] > f.dist[best] {
				best = i
			}
		}
		f.rows[y] = best
	}
}

func (f *field) count(win geom.Window, sign int) {
	for y := win.Y0; y < win.Y1; y++ {
		for x := win.X0; x < win.X1; x++ {
			i := y*f.g.W + x
			if !f.zone[i] {
				continue
			}
			if f.room[i] > 0 && f.owner[i] < 0 {
				continue
			}
			f.open += sign
			if f.closed[i] {
				f.covered += sign
			}
		}
	}
}

func (f *field) frontiers(win geom.Window, sign int32) {
	w := f.g.W
	for y := win.Y0; y < win.Y1; y++ {
		for x := win.X0; x < win.X1; x++ {
			i := y*w + x
			a := f.near[i]
			if a < 0 {
				continue
			}
			if x+1 < w {
				if b := f.near[i+1]; b >= 0 && b != a {
					f.frontier[f.tri(a, b)] += sign
				}
			}
			if y+1 < f.g.H {
				if b := f.near[i+w]; b >= 0 && b != a {
					f.frontier[f.tri(a, b)] += sign
				}
			}
			// sides whose other cell lies left of or above the window
			if x == win.X0 && x > 0 {
				if b := f.near[i-1]; b >= 0 && b != a {
					f.frontier[f.tri(a, b)] += sign
				}
			}
			if y == win.Y0 && y > 0 {
				if b := f.near[i-w]; b >= 0 && b != a {
					f.frontier[f.tri(a, b)] += sign
				}
			}
		}
	}
}

func (f *field) tri(a, b int16) int {
	if a < b {
		a, b = b, a
	}
	return int(a)*(int(a)+1)/2 + int(b)
}

// frontierMM is the length of the border between two elements, mm.
func (f *field) frontierMM(i, j int) float64 {
	return float64(f.frontier[f.tri(int16(i), int16(j))]) * f.g.Cell
}

// widest is the diameter in mm of the largest bare disc, and its middle.
func (f *field) widest() (mm float64, at geom.Point) {
	best, where := int32(-1), 0
	for _, i := range f.rows {
		if d := f.dist[i]; d > best {
			best, where = d, int(i)
		}
	}
	if best <= 0 {
		return 0, f.g.Centre(where%f.g.W, where/f.g.W)
	}
	return (2*math.Sqrt(float64(best)) - 1) * f.g.Cell, f.g.Centre(where%f.g.W, where/f.g.W)
}

// occupied reports whether any food but greenery lies at p.
func (f *field) occupied(p geom.Point) bool {
	x, y := f.g.At(p)
	return f.g.In(x, y) && f.owner[y*f.g.W+x] >= 0
}
