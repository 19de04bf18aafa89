package review

import (
	"happytray/core/board"
	"happytray/core/food"
	"happytray/core/say"
)

// tasting measures, where the house lays in tasting order, of how many pairs of different strength the milder comes first:
// Kendall's share of concordant pairs. What it says is the pair that is farthest the wrong way round.
func (m *measures) tasting() {
	type lying struct {
		i, strength int
		kind        food.Category
		at          float64
	}
	var row []lying
	for _, t := range m.l.turns {
		if e := &m.l.elems[t.Element]; e.placed {
			if at, ok := m.l.tray.Board.Along(e.middle); ok {
				row = append(row, lying{t.Element, t.Strength, t.Category, at})
			}
		}
	}
	right, all, worst := 0, 0, 0.0
	var first, then int
	for k, a := range row {
		for _, b := range row[:k] {
			if a.kind != b.kind || a.strength == b.strength {
				continue
			}
			mild, strong := a, b
			if a.strength > b.strength {
				mild, strong = b, a
			}
			all++
			if mild.at < strong.at {
				right++
			} else if off := (mild.at - strong.at) * float64(strong.strength-mild.strength); off > worst {
				worst, first, then = off, strong.i, mild.i
			}
		}
	}
	if all == 0 {
		return
	}
	m.values["flow.tasting"] = float64(right) / float64(all)
	if worst > 0 {
		m.find("flow.tasting", Mend, 1+3*worst, m.l.elems[then].middle, []int{first, then}, say.New("flow.tasting", m.it(first), m.it(then), say.Word(board.WaySays[m.l.tray.Board.Way()])))
	}
}
