package review

import (
	"slices"

	"happytray/core/geom"
)

// patch is a part of the chart that is painted anew, and the things that left it and came to it.
type patch struct {
	win          geom.Window
	cost         int // cells whose sums are counted anew
	leave, enter []*elem
}

// repaint brings the chart up to what was set since it was painted last. Sums are whole numbers of cells, each patch takes
// its own away and counts them anew, so that neither the order of the patches nor how they are put together matters.
func (l *Live) repaint() {
	if len(l.set) == 0 {
		return
	}
	slices.Sort(l.set)
	f := &l.chart
	var all []patch
	for _, i := range l.set {
		was, is := l.painted[i], &l.elems[i]
		l.painted[i] = nil
		if was.seenAs(is) {
			continue
		}
		if was.placed {
			all = f.with(all, patch{win: f.g.Window(was.reach(), 1), leave: []*elem{was}})
		}
		if is.placed {
			all = f.with(all, patch{win: f.g.Window(is.reach(), 1), enter: []*elem{is}})
		}
	}
	l.set = l.set[:0]
	for _, p := range all {
		f.refresh(l, p.win, true, func() {
			for _, e := range p.leave {
				f.addRoom(e, 255) // the count wraps back by one
			}
			for _, e := range p.enter {
				f.addRoom(e, 1)
			}
		})
	}
}

// with adds a patch, put together with those that are cheaper painted along with it than apart.
func (f *chart) with(all []patch, p patch) []patch {
	p.cost = f.touched(p.win).Cells()
	for n := 0; n < len(all); {
		both := p.win.Union(all[n].win)
		cost := f.touched(both).Cells()
		if cost > p.cost+all[n].cost {
			n++
			continue
		}
		p.leave, p.enter = append(p.leave, all[n].leave...), append(p.enter, all[n].enter...)
		p.win, p.cost = both, cost
		all = slices.Delete(all, n, n+1)
		n = 0 // it is larger now: what was passed may lie near
	}
	return append(all, p)
}

// touched is every cell whose sums can change when win is painted anew.
func (f *chart) touched(win geom.Window) geom.Window {
	if win.Empty() {
		return win
	}
	return f.g.Grow(win, 2*f.reach+1)
}

// reach is where an element is seen on the chart: its pieces and the room that a knife needs before them.
func (e *elem) reach() geom.Rect {
	if e.hasFace {
		return e.box.Union(e.room.Bounds())
	}
	return e.box
}

// seenAs reports whether an element is painted as another is.
func (e *elem) seenAs(o *elem) bool {
	if e.placed != o.placed || e.hangs() != o.hangs() || e.hasFace != o.hasFace || len(e.bodies) != len(o.bodies) || !slices.Equal(e.tops, o.tops) || !slices.Equal(e.room, o.room) {
		return false
	}
	for b := range e.bodies {
		if !slices.Equal(e.bodies[b].Outline, o.bodies[b].Outline) {
			return false
		}
	}
	return true
}
