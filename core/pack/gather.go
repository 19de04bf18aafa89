package pack

import (
	"cmp"
	"context"
	"math"
	"slices"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/review"
)

const (
	gatherRounds = 2
	gatherReach  = 16.0 // mm that a thing is pushed at most
	slitMM       = 7.5  // a narrower gap is a slit between pieces, through which no board is seen
	fillableMM   = 15.0 // a wider one takes a small pile
	pressMM      = .6   // what is left between two things that were pushed together
	coarse       = 2.0  // mm by which the way is felt
)

// gathering is bowls, whole things and rows while they are pushed together.
type gathering struct {
	l      *Layout
	things []gatheredThing
	moved  []geom.Body // hulls of the thing that is tried
}

type gatheredThing struct {
	element int
	hulls   []geom.Body
	box     geom.Rect
	rooms   []geom.Body // that its knife wants
	tall    bool
	firm    bool // does not move
	area    float64
}

// Gather pushes bowls, whole things and rows against each other and the edge where a gap beside them is too wide for a slit
// and too narrow for food: what is bare flows together on the other side, until it takes a small pile.
func (l *Layout) Gather(ctx context.Context) {
	g := &gathering{l: l}
	for i := range l.Tray.Elements {
		e := &l.Tray.Elements[i]
		if k := e.Kind(); !e.Placed || len(e.Pieces) == 0 || k == food.KindLoose && e.Vessel == "" || k == food.KindGarnish {
			continue
		}
		g.things = append(g.things, g.thing(i))
	}
	order := make([]int, 0, len(g.things))
	for k := range g.things {
		if !g.things[k].firm {
			order = append(order, k)
		}
	}
	slices.SortStableFunc(order, func(a, b int) int { return cmp.Compare(g.things[a].area, g.things[b].area) })
	for range gatherRounds {
		any := false
		for _, k := range order {
			if ctx.Err() != nil {
				return
			}
			any = g.push(k) || any
		}
		if !any {
			return
		}
	}
}

// thing is an element as a few hulls.
func (g *gathering) thing(i int) gatheredThing {
	e := &g.l.Tray.Elements[i]
	t := gatheredThing{element: i, firm: e.Locked || e.Kind() == food.KindTrail}
	chunk := max(1, (len(e.Pieces)+3)/4)
	if e.Kind() == food.KindAnchor || food.Has(e.Form, food.CutInPlace) {
		chunk = len(e.Pieces)
	}
	if e.Kind() == food.KindTrail {
		chunk = 2
	}
	for group := range slices.Chunk(e.Pieces, chunk) {
		var all geom.Outline
		for _, p := range group {
			all = append(all, p.Outline...)
			t.tall = t.tall || p.ZMM+p.HeightMM > review.LowMM
		}
		h := all.Hull()
		t.area += h.Area()
		t.hulls = append(t.hulls, geom.NewBody(h))
	}
	t.box = t.hulls[0].Box
	for _, h := range t.hulls[1:] {
		t.box = t.box.Union(h.Box)
	}
	if room, ok := g.l.cuttingRoom(i); ok {
		t.rooms = append(t.rooms, room)
	}
	return t
}

// push moves a thing to where it closes a gap, if that leaves fewer of them, and reports whether it did.
func (g *gathering) push(k int) bool {
	const ways = 8
	var free [ways]float64
	for d := range ways {
		free[d] = g.free(k, geom.Polar(1, float64(d)*360/ways))
	}
	best, by := -1, .4
	for d, way := range free {
		if way < pressMM+.5 || way >= gatherReach {
			continue
		}
		step := way - pressMM
		saved := useless(way) + useless(free[(d+ways/2)%ways]) - useless(pressMM) - useless(free[(d+ways/2)%ways]+step)
		if saved > by {
			best, by = d, saved
		}
	}
	if best < 0 {
		return false
	}
	t := &g.things[k]
	e := &g.l.Tray.Elements[t.element]
	was, soft := *e, g.l.Softened(t.element)
	step := geom.Polar(free[best]-pressMM, float64(best)*360/ways)
	to := e.Pose()
	to.X, to.Y = to.X+step.X, to.Y+step.Y
	if e.MoveTo(to); !g.l.Fits(t.element) || !soft && g.l.Softened(t.element) {
		*e = was
		return false
	}
	g.l.again(t.element)
	g.things[k] = g.thing(t.element)
	return true
}

// useless is how much a gap of so many mm is in the way: nothing where it is a slit or takes a pile.
func useless(gap float64) float64 {
	switch {
	case gap < slitMM:
		return gap / slitMM * .2
	case gap < fillableMM:
		return 1
	}
	return .3
}

// free is how far a thing can go in a direction before it meets something, mm, at most gatherReach.
func (g *gathering) free(k int, dir geom.Point) float64 {
	open := 0.0
	for way := coarse; ; way += coarse {
		if way > gatherReach {
			return gatherReach
		}
		if !g.clear(k, dir.Mul(way)) {
			break
		}
		open = way
	}
	for step := coarse / 2; step > .2; step /= 2 {
		if g.clear(k, dir.Mul(open+step)) {
			open += step
		}
	}
	return open
}

// clear reports whether a thing moved by so much stands in nothing, nor in anyone's cutting room.
func (g *gathering) clear(k int, by geom.Point) bool {
	t := &g.things[k]
	for len(g.moved) < len(t.hulls) {
		g.moved = append(g.moved, geom.Body{})
	}
	box := geom.Rect{Min: t.box.Min.Add(by), Max: t.box.Max.Add(by)}
	for h := range t.hulls {
		if len(g.moved[h].Outline) != len(t.hulls[h].Outline) {
			g.moved[h] = t.hulls[h].Clone()
		}
		g.moved[h].Transform(&t.hulls[h], geom.Point{}, 0, by)
		if !g.l.Zone.Holds(&g.moved[h]) {
			return false
		}
	}
	for j := range g.things {
		o := &g.things[j]
		if j == k {
			continue
		}
		if box.Meets(o.box) {
			for a := range t.hulls {
				for b := range o.hulls {
					if d, _ := geom.Deeper(&g.moved[a], &o.hulls[b], .2); d > 0 {
						if was, _ := geom.Deeper(&t.hulls[a], &o.hulls[b], .2); d > was+.05 {
							return false
						}
					}
				}
			}
		}
		for r := range o.rooms {
			for a := range t.hulls {
				if d, _ := geom.Deeper(&g.moved[a], &o.rooms[r], 2); t.tall && d > 0 {
					if was, _ := geom.Deeper(&t.hulls[a], &o.rooms[r], 2); d > was+.05 {
						return false
					}
				}
			}
		}
	}
	return true
}

// again puts an element that was moved into the index anew.
func (l *Layout) again(e int) {
	l.forget(e)
	l.AddElement(e)
}

// forget takes an element out of the index.
func (l *Layout) forget(e int) {
	nowhere := geom.Body{Box: geom.Rect{Min: geom.Pt(math.Inf(1), math.Inf(1)), Max: geom.Pt(math.Inf(-1), math.Inf(-1))}}
	for k := range l.laid {
		if l.laid[k].element == e {
			l.laid[k].body = nowhere
		}
	}
}
