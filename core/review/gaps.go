package review

import (
	"math"

	"happytray/core/geom"
)

// gaps keeps how far every bare cell is from food, up to lookMM, and from it the largest
// bare disc. The distances are exact (two sweeps, first down the columns, then along the
// rows, as Meijster, Roerdink and Hesselink 2000); most of a tray is covered and most
// gaps are narrow, so the second sweep looks outwards from each bare cell.
type gaps struct {
	g        geom.Grid
	most     int      // lookMM in cells
	up, down []uint8  // cells to the next blocked one in the column, and no more than most
	dist     []uint16 // squared distance in cells
	rows     []int32  // of each row: the place of its farthest bare cell, the first of equals
}

func (s *gaps) init(g geom.Grid) {
	s.g = g
	s.most = int(math.Ceil(lookMM / g.Cell))
	n := g.Cells()
	s.up, s.down, s.dist = make([]uint8, n), make([]uint8, n), make([]uint16, n)
	s.rows = make([]int32, g.H)
	for y := range s.rows {
		s.rows[y] = int32(y * g.W)
	}
}

// update follows what was painted in win.
func (s *gaps) update(f *chart, win geom.Window) {
	w, most := s.g.W, uint8(s.most)
	reach := s.g.Grow(win, s.most)
	// the outermost rows are blocked all along, so both sweeps begin there with nothing before them
	sweep := func(to, before []uint8, y int) {
		a, b := y*w+win.X0, y*w+win.X1
		block, up := f.block[a:b], to[a:b]
		before = before[:len(up)]
		for x := range up {
			up[x] = min(before[x]+1, most) &^ block[x]
		}
	}
	for y := max(1, win.Y0); y < reach.Y1; y++ {
		sweep(s.up, s.up[(y-1)*w+win.X0:], y)
	}
	for y := min(s.g.H-1, win.Y1) - 1; y >= reach.Y0; y-- {
		sweep(s.down, s.down[(y+1)*w+win.X0:], y)
	}
	for y := reach.Y0; y < reach.Y1; y++ {
		s.row(y, reach.X0, reach.X1)
	}
}

// row measures the cells x0 to x1 of a row anew, from the distances in their columns.
func (s *gaps) row(y, x0, x1 int) {
	w := s.g.W
	up, down, dist := s.up[y*w:(y+1)*w], s.down[y*w:(y+1)*w], s.dist[y*w:(y+1)*w]
	best, at := uint16(0), -1
	for x := x0; x < x1; x++ {
		if up[x] == 0 { // blocked
			dist[x] = 0
			continue
		}
		h := int(min(up[x], down[x]))
		d := h * h
		// the outermost cells are blocked, so this ends within the row
		for k := 1; k*k < d; k++ {
			if h := int(min(up[x-k], down[x-k])); k*k+h*h < d {
				d = k*k + h*h
			}
			if h := int(min(up[x+k], down[x+k])); k*k+h*h < d {
				d = k*k + h*h
			}
		}
		dist[x] = uint16(d)
		if dist[x] > best {
			best, at = dist[x], x
		}
	}
	first := y * w
	was := int(s.rows[y]) - first
	switch {
	case was >= x0 && was < x1: // the farthest was among them, and may have come nearer
		at = 0
		for x, d := range dist {
			if d > dist[at] {
				at = x
			}
		}
	case at < 0 || best < dist[was] || best == dist[was] && was < at:
		at = was
	}
	s.rows[y] = int32(first + at)
}

// lostCells is by how many cells the distances from cell to cell make a disc wider than it
// is: its edge lies half a cell before the middle of the blocked ones on either side, and
// its own middle between cells. Against rasters of 15 times as many cells gaps on laid
// trays are about .4 mm too small in the mean with it, and 1.9 mm with a whole cell.
const lostCells = .4

// widest is the diameter in mm of the largest bare disc, and its middle.
func (s *gaps) widest() (mm float64, at geom.Point) {
	best, where := uint16(0), int(s.rows[0])
	for _, i := range s.rows {
		if d := s.dist[i]; d > best {
			best, where = d, int(i)
		}
	}
	at = s.g.Centre(where%s.g.W, where/s.g.W)
	if best == 0 {
		return 0, at
	}
	return (2*math.Sqrt(float64(best)) - lostCells) * s.g.Cell, at
}
