package review

import (
	"math"

	"happytray/core/say"
)

func (m *measures) fit() {
	l := m.l
	outside := 0.0
	m.each(func(i int, e *elem) {
		outside += e.outside
		if e.outside > 0 {
			m.find("fit.inside", Stop, e.outside, e.middle, []int{i}, say.New("fit.inside", m.it(i), say.CM2(e.outside/100)))
		}
	})
	m.values["fit.inside"] = outside

	deepest := 0.0
	for i := range l.elems {
		for j := range i {
			if p := l.at(i, j); p.depth > 0 {
				deepest = math.Max(deepest, p.depth)
				m.find("fit.overlap", Stop, 100*p.depth, p.at, []int{i, j}, say.New("fit.overlap", m.it(i), m.other(j, i), say.MM(math.Ceil(p.depth))))
			}
		}
	}
	m.values["fit.overlap"] = deepest

	m.lid()

	f := &l.chart
	cover := 0.0
	if f.open > 0 {
		cover = float64(f.covered) / float64(f.open)
	}
	m.values["fit.cover"] = cover
	gap, at := f.gaps.widest()
	m.values["fit.gap"] = gap
	switch {
	case gap > 34:
		m.find("fit.gap", Mend, gap/4, at, nil, say.New("fit.gap", say.MM(gap)))
	case cover < .9:
		m.find("fit.cover", Mend, 5, at, nil, say.New("fit.cover", say.Share(1-cover)))
	case gap > 24:
		m.find("fit.gap", Note, gap/4, at, nil, say.New("fit.gap", say.MM(gap)))
	case cover < .94:
		m.find("fit.cover", Note, 3, at, nil, say.New("fit.cover", say.Share(1-cover)))
	}

	count, placed := 0, 0
	for i := range l.elems {
		count++
		if l.elems[i].placed {
			placed++
		}
	}
	if count > 0 {
		m.values["fit.placed"] = float64(placed) / float64(count)
		if placed < count {
			m.find("fit.placed", Mend, 20, l.centre, nil, say.New("fit.placed", say.N(count-placed), say.N(count)))
		}
	} else {
		m.values["fit.placed"] = 0
	}
}

// lid finds what stands too high for a board's lid.
func (m *measures) lid() {
	room := m.l.tray.Board.LidMM
	if room == 0 {
		return
	}
	most := 0.0
	m.each(func(i int, e *elem) {
		high := 0.0
		for _, p := range m.l.tray.Elements[i].Pieces {
			high = math.Max(high, p.ZMM+p.HeightMM)
		}
		if over := math.Ceil(high - room); over > 0 {
			most = math.Max(most, over)
			m.find("fit.lid", Mend, 8, e.middle, []int{i}, say.New("fit.lid", m.it(i), say.MM(over)))
		}
	})
	m.values["fit.lid"] = most
}
