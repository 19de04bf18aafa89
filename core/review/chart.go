package review

import (
	"math"
	"slices"

	"happytray/core/geom"
	"happytray/core/workers"
)

// Constants of the raster measures.
const (
	slitMM    = 8.0   // a narrower slit between pieces counts as covered
	lookMM    = 45.0  // gaps are measured up to twice this
	rasterMax = 40000 // cells of the food zone; against 600,000 of them cover is 1 % off, borders 1 %
)

// chart is the tray as a raster: who lies on each cell, how far each bare cell
// is from food, and the sums over it. All sums are whole numbers of cells, so
// that following a move gives exactly what counting afresh would.
type chart struct {
	g      geom.Grid
	zone   []bool
	owner  []int16 // element on top, -1 for bare
	top    []uint8 // mm above the board of what lies there
	room   []uint8 // cells kept for cutting, counted
	near   []int16 // owner, or the nearest one within half of slitMM, or -1
	closed []bool
	block  []uint8 // 255 where no empty disc reaches over it: food, cutting room, not of the zone; else 0
	gaps   gaps
	sight  sight

	offsets []offset // cells within half of slitMM, nearest first
	reach   int      // rows and columns they go

	covered, open int
	frontier      []int32 // cell sides between near-labels, upper triangle
	n             int
}

type offset struct{ dx, dy, cells int } // cells: the way between them in the raster

// disc lists the cells of a disc that closes slits up to so many cells wide, nearest to its
// first cell first. It is as wide as fits that best: with an even number of cells its
// middle lies between cells, which closing with it and its reflection does not mind.
func disc(slit float64, w int) []offset {
	wide := max(3, int(math.Round(slit))+1)
	mid, r := float64((wide-1)%2)/2, float64(wide-1)/2
	var out []offset
	for dy := -wide; dy <= wide; dy++ {
		for dx := -wide; dx <= wide; dx++ {
			x, y := float64(dx)-mid, float64(dy)-mid
			if x*x+y*y <= r*r+.25+1e-9 && (dx != 0 || dy != 0) {
				out = append(out, offset{dx, dy, dy*w + dx})
			}
		}
	}
	slices.SortStableFunc(out, func(a, b offset) int { return a.dx*a.dx + a.dy*a.dy - b.dx*b.dx - b.dy*b.dy })
	return out
}

// reachOf is how many rows and columns the offsets go.
func reachOf(offsets []offset) int {
	most := 0
	for _, d := range offsets {
		most = max(most, d.dx, -d.dx, d.dy, -d.dy)
	}
	return most
}

func (f *chart) init(l *Live) {
	zone := l.tray.Board.FoodZone
	cell := math.Max(2, math.Sqrt(zone.Area()/rasterMax))
	f.g = geom.NewGrid(zone.Bounds(), cell, math.Max(16, 2*cell)) // the outermost cells are never part of the zone
	n := f.g.Cells()
	f.n = len(l.elems)
	f.zone, f.closed, f.block = make([]bool, n), make([]bool, n), make([]uint8, n)
	f.owner, f.near, f.top = make([]int16, n), make([]int16, n), make([]uint8, n)
	f.room = make([]uint8, n)
	f.frontier = make([]int32, f.n*(f.n+1)/2)
	f.gaps.init(f.g)
	f.sight.init(f.g, f.n, LooksFrom(l.tray.Board.Front, l.tray.Board.Access))
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
	f.offsets = disc(slitMM/cell, f.g.W)
	f.reach = reachOf(f.offsets)
	f.refresh(l, geom.Window{X0: 0, Y0: 0, X1: f.g.W, Y1: f.g.H}, false, func() {
		for i := range l.elems {
			f.addRoom(&l.elems[i], 1)
		}
	})
}

func (f *chart) addRoom(e *elem, d uint8) {
	if !e.hasFace {
		return
	}
	f.g.Spans(e.room, func(y, x0, x1 int) {
		for x := x0; x < x1; x++ {
			f.room[y*f.g.W+x] += d // wraps back when taken away again
		}
	})
}

// refresh repaints win and corrects every sum that depends on it; change alters
// the cutting room in between. undo is false for the first painting, when there
// are no sums yet.
func (f *chart) refresh(l *Live, win geom.Window, undo bool, change func()) {
	if win.Empty() {
		change()
		return
	}
	near := f.g.Grow(win, f.reach)    // where near-labels can change
	closed := f.g.Grow(near, f.reach) // where closing can change
	if undo {
		f.count(closed, -1)
		f.frontiers(near, -1)
	}
	change()
	f.paint(l, win)
	covers := func() {
		f.label(near)
		f.close(closed)
		f.count(closed, 1)
		f.frontiers(near, 1)
	}
	bares := func() {
		f.gaps.update(f, win)
		f.sight.update(f, win)
	}
	if undo { // a move touches too little to be worth a second core
		covers()
		bares()
		return
	}
	workers.Both(covers, bares)
}

// paint draws who lies on each cell of win, later elements on top.
func (f *chart) paint(l *Live, win geom.Window) {
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
		if !e.placed || !e.box.Meets(box) || e.hangs() {
			continue
		}
		for b := range e.bodies {
			if !e.bodies[b].Box.Meets(box) {
				continue
			}
			top := e.tops[b]
			f.g.Spans(e.bodies[b].Outline, func(y, x0, x1 int) {
				if y < win.Y0 || y >= win.Y1 {
					return
				}
				x0, x1 = y*w+max(x0, win.X0), y*w+min(x1, win.X1)
				if x0 >= x1 {
					return
				}
				owner, tops := f.owner[x0:x1], f.top[x0:x1]
				for k := range owner {
					owner[k] = int16(i)
				}
				for k := range tops {
					tops[k] = top
				}
			})
		}
	}
	for y := win.Y0; y < win.Y1; y++ {
		a, b := y*w+win.X0, y*w+win.X1
		zone, owner, room, block := f.zone[a:b], f.owner[a:b], f.room[a:b], f.block[a:b]
		for x := range block {
			v := uint8(255)
			if zone[x] && owner[x] < 0 && room[x] == 0 {
				v = 0
			}
			block[x] = v
		}
	}
}

// label gives each cell of win its owner, or the nearest one within half of slitMM.
func (f *chart) label(win geom.Window) {
	w := f.g.W
	for y := win.Y0; y < win.Y1; y++ {
		row := f.near[y*w : (y+1)*w]
		copy(row[win.X0:win.X1], f.owner[y*w+win.X0:y*w+win.X1])
		for x := win.X0; x < win.X1; x++ {
			if row[x] >= 0 {
				continue
			}
			i, inner := y*w+x, f.inner(x, y)
			for _, d := range f.offsets {
				if inner || f.g.In(x+d.dx, y+d.dy) {
					if o := f.owner[i+d.cells]; o >= 0 {
						row[x] = o
						break
					}
				}
			}
		}
	}
}

// inner reports whether all offsets from a cell lead to cells of the grid.
func (f *chart) inner(x, y int) bool {
	r := f.reach
	return x >= r && y >= r && x < f.g.W-r && y < f.g.H-r
}

// close marks what counts as covered: morphological closing of the food by a
// disc (Serra 1982).
func (f *chart) close(win geom.Window) {
	w := f.g.W
	for y := win.Y0; y < win.Y1; y++ {
		a, b := y*w+win.X0, y*w+win.X1
		owner, near, closed := f.owner[a:b], f.near[a:b], f.closed[a:b]
		for k := range closed {
			c := near[k] >= 0
			if c && owner[k] < 0 {
				x := win.X0 + k
				inner := f.inner(x, y)
				for _, d := range f.offsets {
					if !inner && !f.g.In(x-d.dx, y-d.dy) || f.near[a+k-d.cells] < 0 {
						c = false
						break
					}
				}
			}
			closed[k] = c
		}
	}
}

func (f *chart) count(win geom.Window, sign int) {
	w, open, covered := f.g.W, 0, 0
	for y := win.Y0; y < win.Y1; y++ {
		a, b := y*w+win.X0, y*w+win.X1
		zone, owner, room, closed := f.zone[a:b], f.owner[a:b], f.room[a:b], f.closed[a:b]
		for x := range closed {
			if !zone[x] || owner[x] < 0 && room[x] > 0 {
				continue
			}
			open++
			if closed[x] {
				covered++
			}
		}
	}
	f.open += sign * open
	f.covered += sign * covered
}

// frontiers adds the borders of the cells of win with all four neighbours, each once.
func (f *chart) frontiers(win geom.Window, sign int32) {
	w := f.g.W
	border := func(a, b int16) {
		if b >= 0 && a >= 0 && a != b {
			f.frontier[f.tri(a, b)] += sign
		}
	}
	for y := win.Y0; y < win.Y1; y++ {
		near := f.near[y*w : (y+1)*w]
		below := near // the last row has none
		if y+1 < f.g.H {
			below = f.near[(y+1)*w : (y+2)*w]
		}
		if win.X1 < w {
			border(near[win.X1-1], near[win.X1])
		}
		if win.X0 > 0 {
			border(near[win.X0], near[win.X0-1])
		}
		near, below = near[win.X0:win.X1], below[win.X0:win.X1]
		before := near[0]
		for x, a := range near {
			if a != before {
				border(a, before)
			}
			if b := below[x]; a != b {
				border(a, b)
			}
			before = a
		}
	}
	if win.Y0 > 0 { // sides whose other cell lies above the window
		for x := win.X0; x < win.X1; x++ {
			border(f.near[win.Y0*w+x], f.near[(win.Y0-1)*w+x])
		}
	}
}

func (f *chart) tri(a, b int16) int {
	if a < b {
		a, b = b, a
	}
	return int(a)*(int(a)+1)/2 + int(b)
}

// frontierMM is the length of the border between two elements, mm.
func (f *chart) frontierMM(i, j int) float64 {
	return float64(f.frontier[f.tri(int16(i), int16(j))]) * f.g.Cell
}

// occupied reports whether any food but greenery lies at p.
func (f *chart) occupied(p geom.Point) bool {
	x, y := f.g.At(p)
	return f.g.In(x, y) && f.owner[y*f.g.W+x] >= 0
}
