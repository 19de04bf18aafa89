package review

import (
	"math"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/say"
)

// flow measures whether lines lead the eye: how far trails reach, whether they go
// on smoothly, and whether rows are turned along what they lie against.
func (m *measures) flow() {
	m.span()
	m.curve()
	m.follow()
	m.tasting()
}

// span is how much of the board's long axis the trails reach along. Where meat is
// kept apart for some guests its trails stay on their side, and it is not measured.
func (m *measures) span() {
	box := m.l.tray.Board.FoodZone.Bounds()
	along := func(p geom.Point) float64 { return (p.X - box.Min.X) / box.W() }
	if box.H() > box.W() {
		along = func(p geom.Point) float64 { return (p.Y - box.Min.Y) / box.H() }
	}
	const bins = 40
	var hit [bins]bool
	trails := false
	longest := -1
	for i := range m.l.elems { // a trail that waits beside the board leads nobody, and counts so
		trails = trails || m.l.elems[i].kind == food.KindTrail && m.l.keptApart(i) == ""
	}
	m.each(func(i int, e *elem) {
		if m.l.elems[i].kind != food.KindTrail || m.l.keptApart(i) != "" {
			return
		}
		if longest < 0 || len(e.bodies) > len(m.l.elems[longest].bodies) {
			longest = i
		}
		for b := range e.bodies {
			lo, hi := int(along(e.bodies[b].Box.Min)*bins), int(along(e.bodies[b].Box.Max)*bins)
			for k := max(0, lo); k <= min(bins-1, hi); k++ {
				hit[k] = true
			}
		}
	})
	if !trails {
		return
	}
	n := 0
	for _, h := range hit {
		if h {
			n++
		}
	}
	share := float64(n) / bins
	m.values["flow.span"] = share
	if share < .5 && longest >= 0 {
		m.find("flow.span", Note, 4*(1-share), m.l.elems[longest].middle, []int{longest}, say.New("flow.span", say.Share(share), m.it(longest)))
	}
}

// A step along a trail breaks when it is longer than so many times the usual one, and
// kinks when the line turns by more than so many degrees in it.
const (
	breakPitch = 1.9
	kinkDeg    = 48
)

// curve is the share of steps along the trails that neither break nor kink.
func (m *measures) curve() {
	good, all := 0, 0
	m.each(func(i int, e *elem) {
		el := &m.l.tray.Elements[i]
		if e.kind != food.KindTrail || len(el.Pieces) < 3 {
			return
		}
		breaks := 0
		var at geom.Point
		for k := 1; k < len(el.Pieces); k++ {
			step := el.Pieces[k].At.Sub(el.Pieces[k-1].At)
			bad := step.Len() > breakPitch*math.Max(e.spec.Pitch, 14)
			if !bad && k > 1 {
				before := el.Pieces[k-1].At.Sub(el.Pieces[k-2].At)
				bad = turnBetween(before, step) > kinkDeg && step.Len() > 6 && before.Len() > 6
			}
			all++
			if bad {
				breaks++
				at = el.Pieces[k].At
			} else {
				good++
			}
		}
		if breaks > 1+len(el.Pieces)/10 {
			m.find("flow.curve", Mend, float64(breaks), at, []int{i}, say.New("flow.curve", m.it(i), say.N(breaks)))
		}
	})
	if all > 0 {
		m.values["flow.curve"] = float64(good) / float64(all)
	}
}

// turnBetween is the angle between two directions, degrees, 0 to 180.
func turnBetween(a, b geom.Point) float64 {
	d := math.Abs(a.Degrees() - b.Degrees())
	return math.Min(d, 360-d)
}

// Rows follow within followDeg what lies within againstMM of them.
const (
	followDeg = 20
	againstMM = 16
)

// follow is the share of rows and fans that are turned along what they lie against:
// the edge of the board, a bowl, a cheese or a trail, whatever is nearest. A row that
// lies against nothing but loose food is free.
func (m *measures) follow() {
	good, all := 0, 0
	m.each(func(i int, e *elem) {
		el := &m.l.tray.Elements[i]
		if e.kind != food.KindRow || len(el.Pieces) < 3 {
			return
		}
		off, against, ok := m.l.offLine(i)
		if !ok {
			return
		}
		all++
		if off <= followDeg {
			good++
			return
		}
		says := say.New("flow.edge", m.it(i), say.Degrees(off))
		if against >= 0 {
			says = say.New("flow.follow", m.it(i), m.other(against, i), say.Degrees(off))
		}
		m.find("flow.follow", Note, off/60, e.middle, []int{i}, says)
	})
	if all > 0 {
		m.values["flow.follow"] = float64(good) / float64(all)
	}
}

// offLine is by how many degrees the middle of row i is turned off the border of what
// it lies against, and the element that is, or -1 for the board's edge.
func (l *Live) offLine(i int) (off float64, against int, ok bool) {
	el, e := &l.tray.Elements[i], &l.elems[i]
	k := len(el.Pieces) / 2
	at := el.Pieces[k].At
	along := el.Pieces[min(k+1, len(el.Pieces)-1)].At.Sub(el.Pieces[k-1].At)
	if along.Len() < 1e-6 {
		return 0, 0, false
	}
	reach := math.Max(e.spec.L, e.spec.W)/2 + againstMM
	near, dir := reach, geom.Point{}
	edge := l.tray.Board.FoodZone.NearestOnEdge(at)
	if d := at.Dist(edge); d < near {
		near, dir, against, ok = d, edge.Sub(at), -1, true
	}
	box := geom.Rect{Min: at, Max: at}.Grow(reach)
	for j := range l.elems {
		o := &l.elems[j]
		kind := o.kind
		if j == i || !o.placed || kind != food.KindAnchor && kind != food.KindTrail || !o.box.Meets(box) {
			continue
		}
		for b := range o.bodies {
			if !o.bodies[b].Box.Meets(box) {
				continue
			}
			q := o.bodies[b].Outline.NearestOnEdge(at)
			if d := at.Dist(q); d < near {
				near, dir, against, ok = d, q.Sub(at), j, true
			}
		}
	}
	if !ok || dir.Len() < 1e-6 {
		return 0, 0, false
	}
	off = math.Abs(90 - turnBetween(along, dir))
	return off, against, true
}
