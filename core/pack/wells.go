package pack

import "math"

// wells gives each well or groove of the board to the loose food that fits it best by
// area: small things that roll or pile, which it holds (docs/craft.md, Boards). A well that
// suits nothing is board like any other.
func (rs *regions) wells() {
	rs.alone = make([]bool, len(rs.elems))
	rs.well = make([]int16, len(rs.free))
	for i := range rs.well {
		rs.well[i] = -1
	}
	for _, w := range rs.l.Zone.Board.Wells {
		var cells []int
		for i, q := range rs.at {
			if w.Contains(q) {
				cells = append(cells, i)
			}
		}
		across := w.Bounds()
		room := math.Min(across.W(), across.H())
		best, pick := math.Log(1.8), -1
		for k, e := range rs.elems {
			el := &rs.l.Tray.Elements[e]
			f, _ := rs.l.Larder.Get(el.Food)
			spec, _ := f.Spec(el.Form)
			if rs.alone[k] || math.Max(spec.L, spec.W) > .8*room || len(cells) == 0 {
				continue
			}
			off := math.Abs(math.Log(math.Max(1, rs.want[k]) / float64(len(cells))))
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
		rs.alone[pick] = true
		rs.sites[pick], rs.want[pick] = w.Centroid(), float64(len(cells))
		for _, i := range cells {
			rs.well[i] = int16(pick)
		}
	}
}
