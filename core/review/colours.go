package review

import (
	"math"

	"happytray/core/colour"
	"happytray/core/food"
	"happytray/core/say"
)

func (m *measures) colours() {
	l := m.l
	sum, length := 0.0, 0.0
	var alike alike
	for i := range l.elems {
		for j := range i {
			side := l.chart.frontierMM(i, j)
			if side == 0 {
				continue
			}
			d, rim := l.beside(i, j)
			sum += side * math.Min(d, 40)
			length += side
			if worst := math.Min(d, rim); worst < 9 && side > 30 && !m.quiet {
				alike.note(l, i, j, side*(12-worst)/60, rim < d)
			}
		}
	}
	for _, a := range alike.list {
		at := l.elems[a.i].middle.Lerp(l.elems[a.j].middle, .5)
		here := func(code string, with ...say.Value) say.Sentence { // once, or in so many places
			if a.places > 1 {
				return say.New(code+"s", append(with, say.N(a.places))...)
			}
			return say.New(code, with...)
		}
		if a.rim {
			bowl, other := a.i, a.j
			if l.tray.Elements[bowl].Vessel == "" {
				bowl, other = other, bowl
			}
			m.find("colour.neighbour", Mend, a.worth, at, []int{a.i, a.j}, here("colour.rim", say.Word(l.elems[bowl].surface.Family()), m.it(other)))
		} else if l.elems[a.i].food == l.elems[a.j].food {
			m.find("spread.kind", Mend, a.worth, at, []int{a.i, a.j}, here("spread.kind", m.it(a.i)))
		} else {
			m.find("colour.neighbour", Mend, a.worth, at, []int{a.i, a.j}, here("colour.neighbour", m.it(a.i), m.it(a.j)))
		}
	}
	if length > 0 {
		m.values["colour.neighbour"] = sum / length
	}
	sum, area := 0.0, 0.0
	families := map[string]*centroid{}
	m.each(func(i int, e *elem) {
		d := e.stands
		sum += e.area * math.Min(40, d)
		area += e.area
		if d < 8 && e.area > 4000 && l.tray.Elements[i].Vessel == "" {
			m.find("colour.ground", Note, e.area/4000, e.middle, []int{i}, say.New("colour.ground", m.it(i)))
		}
		add(families, e.top.Family(), i, e, e.area)
	})
	if area > 0 {
		m.values["colour.ground"] = sum / area
	}
	m.balance("colour.spread", families, area)
	m.repeats(families, area)
	if _, accents := m.values["colour.repeat"]; accents || len(l.elems) < manyElems {
		return
	}
	for _, c := range families {
		if c.weight > oneFamily*area { // nothing to balance, and nothing bright to repeat
			m.values["colour.repeat"] = 0
			delete(m.values, "colour.spread")
		}
	}
}

// A tray of many things of which nearly all is of one family has no colours.
const (
	oneFamily = .85
	manyElems = 8
)

// beside is how far the colours of two neighbours differ, dE00: what each shows from above, half of it
// by the rims where one of them stands in a bowl, for the eye sees both; and how far a bowl's rim
// differs from what it stands beside, infinite where there is no bowl.
func (l *Live) beside(i, j int) (d, rim float64) {
	a, b := &l.elems[i], &l.elems[j]
	d = l.difference(a.top, b.top)
	if a.surface == a.top && b.surface == b.top {
		return d, math.Inf(1)
	}
	rim = l.difference(a.surface, b.surface)
	return (d + rim) / 2, rim
}

// star is the thing that the eye goes to first, which need not come again: the largest whole one - a round, a showpiece - where it
// is plainly larger than the next; -1 where there is none.
func (l *Live) star() int {
	first, second := -1, 0.0
	for i := range l.elems {
		e := &l.elems[i]
		if !e.placed || e.kind != food.KindAnchor || l.tray.Elements[i].Vessel != "" {
			continue
		}
		switch {
		case first < 0 || e.area > l.elems[first].area:
			if first >= 0 {
				second = math.Max(second, l.elems[first].area)
			}
			first = i
		default:
			second = math.Max(second, e.area)
		}
	}
	if first >= 0 && l.elems[first].area < starOver*second {
		return -1
	}
	return first
}

// starOver is how much larger than the next whole thing the star is.
const starOver = 1.3

// repeats counts in how many separate places each accent colour turns up: elements
// that touch are one place, single greens each their own.
func (m *measures) repeats(families map[string]*centroid, area float64) {
	l := m.l
	sum, weight := 0.0, 0.0
	for _, key := range colour.Families {
		c := families[key]
		if c == nil || c.weight < .02*area || c.weight > .15*area {
			continue // not an accent
		}
		places := 0
		var mine []int
		for _, i := range c.members {
			e := &l.elems[i]
			if l.elems[i].hangs() {
				places += len(e.bodies)
				continue
			}
			mine = append(mine, i)
		}
		places += l.clumps(mine)
		sum += math.Min(3, float64(places)) * c.weight
		weight += c.weight
		if places < 2 && len(c.members) > 0 && !(len(c.members) == 1 && c.members[0] == l.star()) {
			i := c.members[0]
			m.find("colour.repeat", Note, 3*c.weight/area, l.elems[i].middle, []int{i}, say.New("colour.repeat", say.Word(key)))
		}
	}
	if weight > 0 {
		m.values["colour.repeat"] = sum / weight
	}
}

// clumps counts groups of elements that touch.
func (l *Live) clumps(members []int) int {
	n := 0
	seen := make(map[int]bool, len(members))
	for _, i := range members {
		if seen[i] {
			continue
		}
		n++
		seen[i] = true
		queue := []int{i}
		for len(queue) > 0 {
			a := queue[0]
			queue = queue[1:]
			for _, b := range members {
				if !seen[b] && l.chart.frontierMM(a, b) > 0 {
					seen[b] = true
					queue = append(queue, b)
				}
			}
		}
	}
	return n
}

// alike gathers neighbours of nearly one colour by their two foods, so that the
// same sentence is said once, at its worst spot.
type alike struct {
	at   map[[2]*food.Food]int
	list []alikePair
}

type alikePair struct {
	i, j, places int
	worth, worst float64
	rim          bool // it is a bowl's rim that is alike
}

func (a *alike) note(l *Live, i, j int, worth float64, rim bool) {
	key := [2]*food.Food{l.elems[i].food, l.elems[j].food}
	if key[1].ID < key[0].ID {
		key[0], key[1] = key[1], key[0]
	}
	k, seen := a.at[key]
	if !seen {
		if a.at == nil {
			a.at = map[[2]*food.Food]int{}
		}
		k = len(a.list)
		a.at[key] = k
		a.list = append(a.list, alikePair{i: i, j: j, worst: worth, rim: rim})
	}
	p := &a.list[k]
	p.places++
	p.worth += worth
	if worth > p.worst {
		p.i, p.j, p.worst, p.rim = i, j, worth, rim
	}
}
