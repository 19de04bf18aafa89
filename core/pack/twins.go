package pack

import (
	"math"

	"happytray/core/tray"
)

// Alone marks what lies on the middle line; paired things hold their answer's index.
const Alone = -1

// Twins pairs things that can answer each other: the same food first, then the same
// kind of about the same size, then anything of its size while too many are alone.
func Twins(n int, food func(i int) string, kind func(i int) string, size func(i int) float64) []int {
	twin := make([]int, n)
	for i := range twin {
		twin[i] = Alone
	}
	match := func(like func(a, b int) bool, keep int) {
		for i := range n {
			left := 0
			for _, t := range twin {
				if t == Alone {
					left++
				}
			}
			if left <= keep {
				return
			}
			if twin[i] != Alone {
				continue
			}
			best, pick := math.Inf(1), Alone
			for j := i + 1; j < n; j++ {
				if twin[j] == Alone && like(i, j) {
					if d := math.Abs(math.Log(size(i) / size(j))); d < best {
						best, pick = d, j
					}
				}
			}
			if pick != Alone {
				twin[i], twin[pick] = pick, i
			}
		}
	}
	about := func(i, j int, by float64) bool { return math.Abs(math.Log(size(i)/size(j))) < by }
	match(func(i, j int) bool { return food(i) == food(j) && about(i, j, .7) }, 0)
	match(func(i, j int) bool { return kind(i) == kind(j) && about(i, j, .35) }, 0)
	match(func(i, j int) bool { return about(i, j, .25) }, 3)
	return twin
}

// pairUp pairs the regions of foods that answer each other, and sets the sites so.
func (rs *regions) pairUp() {
	t := rs.l.Tray
	el := func(k int) *tray.Element { return &t.Elements[rs.elems[k]] }
	rs.twin = Twins(len(rs.elems), func(k int) string { return el(k).Food }, func(k int) string { return string(el(k).Category) }, func(k int) float64 { return math.Max(1, rs.want[k]) })
	rs.reflect()
}

// reflect makes the sites and the sizes of answering regions mirror images.
func (rs *regions) reflect() {
	z := rs.l.Zone
	for k, j := range rs.twin {
		switch {
		case rs.alone[k] || j != Alone && rs.alone[j]: // it stays in its well
		case j == Alone:
			rs.sites[k].X = z.Centre.X
		case k < j:
			rs.sites[k] = rs.sites[k].Lerp(z.Mirrored(rs.sites[j]), .5)
			if d := rs.sites[k].X - z.Centre.X; math.Abs(d) < rs.g.Cell { // on the line both would be one
				rs.sites[k].X = z.Centre.X + math.Copysign(rs.g.Cell, d)
			}
			rs.sites[j] = z.Mirrored(rs.sites[k])
			p := (rs.power[k] + rs.power[j]) / 2
			rs.power[k], rs.power[j] = p, p
		}
	}
}
