package review

import (
	"math"
	"slices"

	"happytray/core/access"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/portion"
	"happytray/core/say"
)

func (m *measures) service() {
	l := m.l
	sum, n := 0.0, 0
	m.each(func(i int, e *elem) {
		if !e.hasFace {
			return
		}
		free := l.freeRoom(i)
		share := math.Min(1, free/e.face.Need)
		sum += share
		n++
		if share < .8 {
			m.find("service.cutroom", Mend, 10*(1-share), e.face.At, []int{i}, say.New("service.cutroom", m.it(i), say.MM(free), say.MM(e.face.Need)))
		}
	})
	if n > 0 {
		m.values["service.cutroom"] = sum / float64(n)
	}
	m.reach()
	m.tools()
	m.started()
}

// reach is the share of popular foods, for each side that guests stand at, that lie
// within an arm's reach of it.
func (m *measures) reach() {
	l := m.l
	box := l.tray.Board.FoodZone.Bounds()
	ok, all := 0, 0
	for k, first := range l.tastes.first {
		f := l.elems[first].food
		if !portion.IsSought(f) {
			continue
		}
		if l.tray.Board.Turns { // it comes round to whoever wants it
			all++
			if at, best := m.nearestRim(l.tastes.all[k]); best <= access.Reach {
				ok++
			} else if at >= 0 {
				m.find("service.reach", Mend, (best-access.Reach)/100+1, l.elems[at].middle, []int{at}, say.New("service.turned", m.it(at), say.MM(best)))
			}
			continue
		}
		for _, side := range l.standAt() {
			from, in := SideLine(box, side)
			best := math.Inf(1)
			for _, i := range l.tastes.all[k] {
				if e := &l.elems[i]; e.placed {
					near := e.box.Min
					if in.X < 0 || in.Y < 0 {
						near = e.box.Max
					}
					best = math.Min(best, near.Sub(from).Dot(in))
				}
			}
			all++
			if best <= access.Reach {
				ok++
				continue
			}
			if math.IsInf(best, 1) {
				continue // it waits beside the board, out of everybody's reach; fit.placed says so
			}
			m.find("service.reach", Mend, (best-access.Reach)/100+1, l.elems[first].middle, []int{first}, say.New("service.reach", say.Word(l.tray.Board.SideWord(side)), m.it(first), say.MM(best)))
		}
	}
	if all > 0 {
		m.values["service.reach"] = float64(ok) / float64(all)
	}
}

// nearestRim is which of some elements lies nearest to the rim of the board, and how far from it, mm; -1 where none lies.
func (m *measures) nearestRim(of []int) (at int, best float64) {
	at, best = -1, math.Inf(1)
	box := m.l.tray.Board.FoodZone.Bounds()
	for _, i := range of {
		if e := &m.l.elems[i]; e.placed {
			if d := depth(box, allSides, e.box); d < best {
				at, best = i, d
			}
		}
	}
	return at, best
}

var allSides = []string{"top", "right", "bottom", "left"}

func (l *Live) standAt() []string { return access.StandAt(l.tray.Brief, l.tray.Board) }

// wantsTool reports whether guests cannot take an element with clean fingers.
func (m *measures) wantsTool(i int) bool {
	e := &m.l.elems[i]
	return e.food.Category != food.NotFood && (e.hasFace || food.Has(m.l.tray.Elements[i].Form, food.Spooned) || m.l.tray.Elements[i].Wetness == food.Runny)
}

func (m *measures) tools() {
	without := map[*food.Food]bool{}
	m.each(func(i int, e *elem) {
		if !m.wantsTool(i) || e.food.Tool != "" || without[e.food] {
			return
		}
		without[e.food] = true
		m.find("service.tool", Mend, 3, e.middle, []int{i}, say.New("service.tool", m.it(i)))
	})
	m.values["service.tool"] = float64(len(without))
}

// started counts foods to be cut of which nothing is cut, where they come in another form. A soft round
// left whole is a choice of the house.
func (m *measures) started() {
	l := m.l
	if !l.tray.Rules.Begins() {
		m.values["service.started"] = 0 // the house leaves the first cut to its guests
		return
	}
	cut := map[*food.Food]bool{}
	m.each(func(i int, e *elem) {
		if !food.Has(l.tray.Elements[i].Form, food.AsItComes) {
			cut[e.food] = true
		}
	})
	whole := map[*food.Food]bool{}
	m.each(func(i int, e *elem) {
		soft := e.food.Firmness == "soft" || e.food.Firmness == "fresh"
		if !e.hasFace || cut[e.food] || whole[e.food] || onlyWhole(e.food) || soft && l.tray.Rules.SoftRound == "whole" {
			return
		}
		whole[e.food] = true
		m.find("service.started", Note, 2, e.face.At, []int{i}, say.New("service.started", m.it(i)))
	})
	m.values["service.started"] = float64(len(whole))
}

// onlyWhole reports whether a food comes in no other form: its prep step says to begin it.
func onlyWhole(f *food.Food) bool {
	return !slices.ContainsFunc(f.Forms, func(s food.Spec) bool { return !food.Has(s.Form, food.AsItComes) && !food.Has(s.Form, food.OnFood) })
}

// LowMM is how high something may be and still let a knife pass over it.
const LowMM = 15.0

// freeRoom is how far, in mm, the room in front of an element's face is free or
// low, along five lines, the narrowest counting; beyond the food zone counts as taken.
func (l *Live) freeRoom(i int) float64 {
	e := &l.elems[i]
	dir, side := geom.Polar(1, e.face.Dir), geom.Polar(1, e.face.Dir+90)
	free := e.face.Need
	roomBox := e.room.Bounds()
	var near []*geom.Body
	for j := range l.elems {
		o := &l.elems[j]
		if j == i || !o.placed || o.height <= LowMM || !o.box.Meets(roomBox) {
			continue
		}
		for b := range o.bodies {
			if o.bodies[b].Box.Meets(roomBox) && l.tray.Elements[j].Pieces[b].ZMM+l.tray.Elements[j].Pieces[b].HeightMM > LowMM {
				near = append(near, &o.bodies[b])
			}
		}
	}
	for k := -2; k <= 2; k++ {
		from := e.face.At.Add(side.Mul(float64(k) * e.face.Width * .22))
		for d := 3.0; d < free; d += 3 {
			p := from.Add(dir.Mul(d))
			taken := !l.tray.Board.FoodZone.Contains(p)
			for _, b := range near {
				taken = taken || b.Outline.Contains(p)
			}
			if taken {
				free = d
				break
			}
		}
	}
	return free
}
