package pack

import (
	"context"
	"math"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/review"
	"happytray/core/tray"
)

// solver parts what lies on a tray: overlaps are projected along their least way out, lighter things
// giving way more, with a weak spring to where each thing was (position-based dynamics, Muller,
// Heidelberger, Hennix & Ratcliff 2007). Only what something that moved comes near to is looked at.
type solver struct {
	z      *Zone
	t      *tray.Tray
	held   map[int]bool // what was put down
	bodies []body
	may    []float64 // how deep two elements may stand in each other; NaN until it is asked

	active   []int // bodies that may stand in something
	isOn     []bool
	big      []int // bodies too large for the grid
	grid     geom.Grid
	small    [2]bins // what stands, and what is loose, in the cells of the grid
	standing bool    // only what stands is parted: loose food settles afterwards
	blocker  int     // what stood in the way last
	tries    int     // places that were looked at
}

// bins are bodies by the cells in which their middles lie: those of cell c are order[starts[c]:starts[c+1]].
type bins struct {
	starts []int32
	order  []int32
	most   float64 // the largest reach of one
}

// smallReach is the half-diagonal up to which a body is found by the grid, mm.
const smallReach = 34.0

// newSolver prepares what lies on a tray; what is held stays, unless it is loose and flows.
func newSolver(z *Zone, t *tray.Tray, held []int, flows bool) *solver {
	p := &solver{z: z, t: t, held: map[int]bool{}, may: make([]float64, len(t.Elements)*len(t.Elements)), blocker: -1}
	for _, k := range held {
		p.held[k] = true
	}
	for i := range p.may {
		p.may[i] = math.NaN()
	}
	for i := range t.Elements {
		e := &t.Elements[i]
		if !e.Placed || len(e.Pieces) == 0 || !p.held[i] && e.Kind() == food.KindGarnish {
			continue
		}
		box := BoxOf(e.Pieces)
		light := 1e4 / math.Max(200, box.W()*box.H())
		kind := e.Kind()
		switch {
		case kind == food.KindLoose && e.Vessel == "" && (!p.held[i] || flows):
			piled := piledIn(e)
			for n := range e.Pieces {
				p.add(i, n, e.Pieces[n:n+1], mobilityOf(&e.Pieces[n]))
				l := &p.bodies[len(p.bodies)-1]
				l.loose, l.upper, l.r = true, piled[n], math.Sqrt(e.Pieces[n].Outline.Area()/math.Pi)
			}
		case kind == food.KindTrail && !p.held[i]:
			for n := range e.Pieces {
				p.add(i, n, e.Pieces[n:n+1], light*4)
			}
		default:
			p.add(i, -1, e.Pieces, light)
			if long := math.Max(box.W(), box.H()) / math.Max(1, math.Min(box.W(), box.H())); long > 1.25 {
				p.bodies[len(p.bodies)-1].inertia = (box.W()*box.W() + box.H()*box.H()) / 12
			}
		}
		if e.Locked || p.held[i] {
			for n := len(p.bodies) - 1; n >= 0 && p.bodies[n].e == i; n-- {
				if !p.held[i] || !p.bodies[n].loose {
					p.bodies[n].mobility = 0
				}
			}
		}
	}
	p.survey()
	return p
}

func (p *solver) add(e, piece int, pieces []tray.Piece, light float64) {
	p.bodies = append(p.bodies, newBody(e, piece, pieces, light))
}

// survey readies the grid for the bodies there are.
func (p *solver) survey() {
	p.isOn = make([]bool, len(p.bodies))
	p.active, p.big = p.active[:0], p.big[:0]
	p.grid = geom.NewGrid(p.z.Box, smallReach, 60)
	for k := range p.small {
		p.small[k] = bins{starts: make([]int32, p.grid.Cells()+1), order: make([]int32, len(p.bodies))}
	}
	for i := range p.bodies {
		if l := &p.bodies[i]; l.reach > smallReach {
			p.big = append(p.big, i)
		} else {
			b := &p.small[l.bin()]
			b.most = math.Max(b.most, l.reach)
		}
	}
	p.sort()
}

// cell is the cell of the grid that a point belongs to; what lies beyond the grid belongs to its rim.
func (p *solver) cell(q geom.Point) (x, y int) {
	x, y = p.grid.At(q)
	return max(0, min(p.grid.W-1, x)), max(0, min(p.grid.H-1, y))
}

// sort puts the small bodies into the grid by their middles.
func (p *solver) sort() {
	cells := func(f func(b *bins, i, c int)) {
		for i := len(p.bodies) - 1; i >= 0; i-- {
			if l := &p.bodies[i]; l.reach <= smallReach {
				x, y := p.cell(l.middle())
				f(&p.small[l.bin()], i, y*p.grid.W+x)
			}
		}
	}
	for k := range p.small {
		clear(p.small[k].starts)
	}
	cells(func(b *bins, _, c int) { b.starts[c+1]++ })
	for k := range p.small {
		s := p.small[k].starts
		for c := 1; c < len(s); c++ {
			s[c] += s[c-1]
		}
	}
	ends := [2]int32{p.small[0].starts[p.grid.Cells()], p.small[1].starts[p.grid.Cells()]}
	cells(func(b *bins, i, c int) { // each end comes down to where its cell begins
		b.starts[c+1]--
		b.order[b.starts[c+1]] = int32(i)
	})
	for k := range p.small {
		s := p.small[k].starts
		copy(s, s[1:])
		s[len(s)-1] = ends[k]
	}
}

// slip is how far small bodies may have moved since the grid was sorted, mm.
const slip = 12.0

// near calls f with the bodies whose boxes meet that of a body, until it answers false; loose ones only where they are asked for.
func (p *solver) near(i int, loose bool, f func(j int) bool) {
	l := &p.bodies[i]
	for _, j := range p.big {
		if o := &p.bodies[j]; j != i && (loose || !o.loose) && o.box.Meets(l.box) && !f(j) {
			return
		}
	}
	for k := range p.small {
		if k == 1 && !loose {
			return
		}
		b := &p.small[k]
		box := l.box.Grow(b.most + slip)
		x0, y0 := p.cell(box.Min)
		x1, y1 := p.cell(box.Max)
		for y := y0; y <= y1; y++ {
			row := y * p.grid.W
			for _, j := range b.order[b.starts[row+x0]:b.starts[row+x1+1]] {
				if int(j) != i && p.bodies[j].box.Meets(l.box) && !f(int(j)) {
					return
				}
			}
		}
	}
}

// wake notes a body as one that may stand in something.
func (p *solver) wake(i int) {
	if !p.isOn[i] {
		p.isOn[i] = true
		p.active = append(p.active, i)
	}
}

// sleep lets all bodies be.
func (p *solver) sleep() {
	for _, i := range p.active {
		p.isOn[i] = false
	}
	p.active = p.active[:0]
}

// roomRounds bounds the projections; most end after a dozen.
const roomRounds = 48

// resolve projects overlaps of the bodies that are awake, and of those that they wake, until none is left,
// or the rounds are over. It reports whether all came to rest.
func (p *solver) resolve(ctx context.Context, rounds int) bool {
	defer p.sort()
	for round := range rounds {
		if ctx.Err() != nil {
			return false
		}
		p.sort()
		rest, shifted := true, false
		for n := 0; n < len(p.active); n++ {
			i := p.active[n]
			shifted = shifted || p.bodies[i].hasMoved()
			p.near(i, !p.standing, func(j int) bool {
				if p.isOn[j] && j < i {
					return true // looked at from there
				}
				if p.project(i, j) {
					if round < looseRounds || !p.bodies[i].loose && !p.bodies[j].loose {
						rest = false
					}
					p.wake(j)
				}
				return true
			})
		}
		for _, i := range p.active {
			if l := &p.bodies[i]; l.mobility > 0 && l.hasMoved() {
				if push := p.inside(l); push != (geom.Point{}) {
					l.shift(push)
					rest = rest && l.loose
				}
			}
		}
		if rest && (round >= springs || !shifted) {
			return true
		}
		if round < rounds*3/4 {
			p.link()
		}
		if round >= 3 && round < springs {
			for _, i := range p.active {
				if l := &p.bodies[i]; l.mobility > 0 && l.hasMoved() {
					l.put(l.moved.Lerp(l.from.moved, .06), l.turned+.06*(l.from.turned-l.turned))
				}
			}
		}
	}
	return false
}

// looseRounds is how many rounds are for loose food that nothing else waits for.
const looseRounds = 12

// springs is the round up to which things are drawn back towards where they were.
const springs = 9

// touching is how deep two elements may stand in each other, with a little in hand.
func (p *solver) touching(a, b int) float64 {
	if a < b {
		a, b = b, a
	}
	v := &p.may[a*len(p.t.Elements)+b]
	if math.IsNaN(*v) {
		*v = review.Touch(&p.t.Elements[a], &p.t.Elements[b]) * touchSlack
	}
	return *v
}

// overlap is how deep two bodies stand in each other beyond what they may, the way out of the first, and
// which of their bodies do.
func (p *solver) overlap(i, j int) (depth float64, away geom.Point, x, y int) {
	a, b := &p.bodies[i], &p.bodies[j]
	if a.gone || b.gone || !a.box.Meets(b.box) {
		return
	}
	if a.e == b.e {
		if a.loose && b.loose {
			depth, away = heaped(a, b)
		}
		if a.part == b.part {
			return
		}
	}
	may := p.touching(a.e, b.e)
	if geom.BoxDepth(a.box, b.box) <= may {
		return
	}
	for m := range a.outlines {
		if geom.BoxDepth(a.outlines[m].Box, b.box) <= may {
			continue
		}
		for n := range b.outlines {
			if d, way := geom.Deeper(&a.outlines[m], &b.outlines[n], may+depth); d-may > depth {
				depth, away, x, y = d-may, way, m, n
			}
		}
	}
	return
}

// project parts two bodies by what they overlap, each by how readily it gives way; long things turn.
func (p *solver) project(i, j int) bool {
	a, b := &p.bodies[i], &p.bodies[j]
	if a.mobility+b.mobility == 0 {
		return false
	}
	depth, away, x, y := p.overlap(i, j)
	if depth <= .02 {
		return false
	}
	at := geom.Point{}
	if a.inertia > 0 || b.inertia > 0 {
		at = contact(&a.outlines[x], &b.outlines[y], away)
	}
	wa, ta := a.yields(at, away)
	wb, tb := b.yields(at, away)
	la, lb := a.mobility, b.mobility
	if a.loose != b.loose { // loose food flows out of the way of what stands
		if a.loose && la > 0 {
			wb, lb = 0, 0
		} else if b.loose && lb > 0 {
			wa, la = 0, 0
		}
	}
	step := (depth + .08) / (wa + wb)
	if la > 0 {
		a.put(a.moved.Add(away.Mul(step*la)), leaning(a.turned, step*ta))
	}
	if lb > 0 {
		b.put(b.moved.Sub(away.Mul(step*lb)), leaning(b.turned, -step*tb))
	}
	return true
}

// inside is the shift that draws a body in from over the edge.
func (p *solver) inside(l *body) geom.Point {
	cell := p.z.Grid.Cell
	if p.z.Depth(l.box.Centre()) > l.reach+2*cell {
		return geom.Point{}
	}
	worst, at := 0.0, geom.Point{}
	for i := range l.outlines {
		for _, q := range l.outlines[i].Outline {
			if p.z.Depth(q) > .8*cell { // it is read from the middle of a cell
				continue
			}
			if d := -p.z.ExactDepth(q); d > worst {
				worst, at = d, q
			}
		}
	}
	if worst < .004 {
		return geom.Point{}
	}
	return p.z.Inward(at).Mul(worst + .05)
}

// tolerance is how deep something may stand in another, or over the edge, and still count as parted, mm.
const tolerance = .06

// hair is how deep two bodies may stand in each other beyond what they are given room for and still be as the review
// allows, with a little in hand: what is stuck by a hair would be sent far for nothing.
func (p *solver) hair(i, j int) float64 {
	return math.Max(tolerance, .8*(1/touchSlack-1)*p.touching(p.bodies[i].e, p.bodies[j].e))
}

// stuck reports whether something still stands in another that stands, or over the edge; loose food flows
// out of its way, and settles by itself.
func (p *solver) stuck(i int) bool {
	l := &p.bodies[i]
	if l.gone || l.mobility == 0 || l.loose {
		return false
	}
	if b := p.blocker; b >= 0 && b < len(p.bodies) && b != i && !p.bodies[b].loose { // what stood in the way last most often does again
		if d, _, _, _ := p.overlap(i, b); d > p.hair(i, b) {
			return true
		}
	}
	if p.inside(l).Len() > tolerance {
		return true
	}
	hit := false
	p.near(i, false, func(j int) bool {
		if d, _, _, _ := p.overlap(i, j); d > p.hair(i, j) {
			hit, p.blocker = true, j
		}
		return !hit
	})
	return hit
}
