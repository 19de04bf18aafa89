package review

import (
	"math"

	"happytray/core/adjacency"
	"happytray/core/board"
	"happytray/core/diet"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/safety"
	"happytray/core/say"
)

// planned calls f with every element, on the board or still beside it: what guests avoid
// is to be said before it is laid.
func (m *measures) planned(f func(i int, e *elem)) {
	for i := range m.l.elems {
		e := &m.l.elems[i]
		if !e.placed {
			waits := *e
			waits.middle = m.l.centre
			e = &waits
		}
		f(i, e)
	}
}

func (m *measures) care() {
	m.wetBesideCrisp()
	m.rolls()
	m.allergens()
	m.notForEating()
	m.stones()
	m.ground()
	m.choking()
}

// wetBesideCrisp counts places where something wet and open lies too near to something crisp.
func (m *measures) wetBesideCrisp() {
	l := m.l
	places := 0
	for i := range l.elems {
		for j := range l.elems {
			if i == j || !l.wets(i, j) {
				continue
			}
			if g := l.at(i, j).wet; g < adjacency.WetBesideCrisp {
				places++
				at := l.elems[i].middle.Lerp(l.elems[j].middle, .5)
				says := say.New("care.wetdry", m.it(i), say.MM(math.Floor(g)), m.it(j), say.MM(adjacency.WetBesideCrisp))
				if saidToTouch(g) {
					says = say.New("care.wetdry.touch", m.it(i), m.it(j), say.MM(adjacency.WetBesideCrisp))
				}
				m.find("care.wetdry", Mend, (adjacency.WetBesideCrisp-g)/4, at, []int{i, j}, says)
			}
		}
	}
	m.values["care.wetdry"] = float64(places)
}

// rolls counts round things near an edge without a rim that nothing holds.
func (m *measures) rolls() {
	l := m.l
	loose := 0
	if l.tray.Board.RimMM == 0 {
		m.each(func(i int, e *elem) {
			if !e.food.Rolls || l.tray.Elements[i].Vessel != "" {
				return
			}
			n := 0
			var at geom.Point
			for b := range e.bodies {
				box := e.bodies[b].Box
				if !Steady(l.tray.Board, box, l.chart.occupied) {
					n++
					at = box.Centre()
				}
			}
			loose += n
			if n > 0 {
				m.find("care.roll", Mend, float64(n), at, []int{i}, say.New("care.roll", say.N(n), m.it(i)))
			}
		})
	}
	m.values["care.roll"] = float64(loose)
}

// allergens counts what holds something that guests avoid; traces that its label may name are told and not counted.
func (m *measures) allergens() {
	l := m.l
	broken := 0
	m.planned(func(i int, e *elem) {
		if v, a := diet.Avoiding(l.off, e.food); v == diet.Avoided {
			broken++
			m.find("care.allergen", Stop, 100, e.middle, []int{i}, say.New("care.allergen", m.it(i), say.Word(a)))
		}
	})
	m.values["care.allergen"] = float64(broken)
	m.planned(func(i int, e *elem) {
		if v, a := diet.Avoiding(l.off, e.food); v == diet.Traces {
			m.find("care.allergen", Note, 50, e.middle, []int{i}, say.New("care.traces", m.it(i), say.Word(a)))
		}
	})
}

// notForEating counts garnishes that are no food.
func (m *measures) notForEating() {
	inedible := 0
	m.planned(func(i int, e *elem) {
		if food.NotForEating(e.food) {
			inedible++
			m.find("care.garnish", Stop, 100, e.middle, []int{i}, say.New("care.garnish", m.it(i)))
		}
	})
	m.values["care.garnish"] = float64(inedible)
}

// stones counts foods whose stones have no dish to go to.
func (m *measures) stones() {
	l := m.l
	stones, dish := map[*food.Food]bool{}, false
	m.planned(func(i int, e *elem) {
		dish = dish || e.food.ID == safety.StoneDish
		if safety.LeavesStones(e.food) && !stones[e.food] {
			stones[e.food] = true
		}
	})
	if dish || l.tray.Brief.Plates() { // beside plates it stands on the table; the kit has it
		clear(stones)
	}
	m.values["care.stone"] = float64(len(stones))
	m.planned(func(i int, e *elem) {
		if stones[e.food] {
			delete(stones, e.food)
			m.find("care.stone", Note, 1, e.middle, []int{i}, say.New("care.stone", m.it(i)))
		}
	})
}

// ground asks for a liner on a surface that is not for food.
func (m *measures) ground() {
	l := m.l
	if b := l.tray.Board; !b.FoodSafe {
		m.values["care.ground"] = 0
		if b.Liner == "" {
			m.values["care.ground"] = 1
			m.find("care.ground", Mend, 20, b.FoodZone.Centroid(), nil, say.New("care.ground"))
		}
	}
}

// choking counts foods that small children can choke on as they are cut.
func (m *measures) choking() {
	l := m.l
	if l.tray.Brief.Young() {
		seen := map[string]bool{}
		m.planned(func(i int, e *elem) {
			if e.food.ChokesAs(l.tray.Elements[i].Form) && !seen[e.food.ID] {
				seen[e.food.ID] = true
				m.find("care.child", Note, 1, e.middle, []int{i}, say.New("care.child", m.it(i)))
			}
		})
		m.values["care.child"] = float64(len(seen))
	}
}

// RollsMM is how near the edge of a board without a rim round things roll off unless
// something holds them (docs/craft.md, Boards).
const RollsMM = 40

// Steady reports whether a round piece in a box cannot roll off its board: there is a rim,
// the edge is far enough, a well or groove holds it, or things lie within 5 mm on two sides
// of it that are not next to each other. lies says whether anything but the piece lies at p.
func Steady(b *board.Board, box geom.Rect, lies func(p geom.Point) bool) bool {
	c := box.Centre()
	if b.RimMM > 0 || b.Outline.EdgeDistance(c)-box.W()/2 >= RollsMM {
		return true
	}
	for _, w := range b.Wells {
		if w.Contains(c) {
			return true
		}
	}
	r := math.Max(box.W(), box.H())/2 + 5
	first := -1
	for k := range 8 {
		if lies(c.Add(geom.Polar(r, float64(k)*45))) {
			if first < 0 {
				first = k
			} else if d := k - first; d >= 2 && d <= 6 {
				return true
			}
		}
	}
	return false
}
