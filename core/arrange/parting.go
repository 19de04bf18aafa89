package arrange

import (
	"context"
	"math"
	"slices"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/review"
	"happytray/core/tray"
)

// lump is what moves as one while things are parted: a thing that stands, one fold of a trail, or one
// loose piece.
type lump struct {
	e      int    // element
	piece  int    // of a trail or of loose food, else -1
	part   [2]int // of a row that was parted in two: its pieces from, up to; else both 0
	loose  bool
	upper  bool // lies upon others of its heap
	homes  []geom.Body
	bodies []geom.Body // the same where they have come to
	box    geom.Rect
	home   geom.Point // middle of its box
	reach  float64    // half the diagonal of its box, mm
	r      float64    // mean radius of a loose piece, mm
	spin   float64    // mm2 by which it resists being turned; 0 where a turn would not show
	by     geom.Point // moved so far
	turn   float64    // and turned, degrees, round its middle
	light  float64    // how readily it gives way; 0 stays
	from   lying      // where the spring draws it: where it was, unless a hand holds it
	gone   bool
}

// lying is how a lump lies: moved from where it was, mm, and turned round its middle, degrees.
type lying struct {
	by   geom.Point
	turn float64
}

// parting parts what lies on a tray: overlaps are projected along their least way out, lighter things
// giving way more, with a weak spring to where each thing was (position-based dynamics, Muller,
// Heidelberger, Hennix & Ratcliff 2007). Only what something that moved comes near to is looked at.
type parting struct {
	z     *zone
	t     *tray.Tray
	held  map[int]bool // what was put down
	lumps []lump
	may   []float64 // how deep two elements may stand in each other; NaN until it is asked

	active   []int // lumps that may stand in something
	isOn     []bool
	big      []int // lumps too large for the grid
	grid     geom.Grid
	small    [2]bins // what stands, and what is loose, in the cells of the grid
	standing bool    // only what stands is parted: loose food settles afterwards
	blocker  int     // what stood in the way last
	tries    int     // places that were looked at
}

// bins are lumps by the cells in which their middles lie: those of cell c are order[starts[c]:starts[c+1]].
type bins struct {
	starts []int32
	order  []int32
	most   float64 // the largest reach of one
}

// smallReach is the half-diagonal up to which a lump is found by the grid, mm.
const smallReach = 34.0

// newParting prepares what lies on a tray; what is held stays, unless it is loose and flows.
func newParting(z *zone, t *tray.Tray, held []int, flows bool) *parting {
	p := &parting{z: z, t: t, held: map[int]bool{}, may: make([]float64, len(t.Elements)*len(t.Elements)), blocker: -1}
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
		box := boxOf(e.Pieces)
		light := 1e4 / math.Max(200, box.W()*box.H())
		kind := e.Kind()
		switch {
		case kind == food.KindLoose && e.Vessel == "" && (!p.held[i] || flows):
			for n := range e.Pieces {
				p.add(i, n, e.Pieces[n:n+1], lightOf(&e.Pieces[n]))
				l := &p.lumps[len(p.lumps)-1]
				l.loose, l.upper, l.r = true, e.Pieces[n].ZMM > 0, math.Sqrt(e.Pieces[n].Outline.Area()/math.Pi)
			}
		case kind == food.KindTrail && !p.held[i]:
			for n := range e.Pieces {
				p.add(i, n, e.Pieces[n:n+1], light*4)
			}
		default:
			p.add(i, -1, e.Pieces, light)
			if long := math.Max(box.W(), box.H()) / math.Max(1, math.Min(box.W(), box.H())); long > 1.25 {
				p.lumps[len(p.lumps)-1].spin = (box.W()*box.W() + box.H()*box.H()) / 12
			}
		}
		if e.Locked || p.held[i] {
			for n := len(p.lumps) - 1; n >= 0 && p.lumps[n].e == i; n-- {
				if !p.held[i] || !p.lumps[n].loose {
					p.lumps[n].light = 0
				}
			}
		}
	}
	p.survey()
	return p
}

func (p *parting) add(e, piece int, pieces []tray.Piece, light float64) {
	p.lumps = append(p.lumps, newLump(e, piece, pieces, light))
}

// lightOf is how readily a loose piece gives way.
func lightOf(q *tray.Piece) float64 { return 1e4 / math.Max(100, q.Outline.Area()) }

func newLump(e, piece int, pieces []tray.Piece, light float64) lump {
	l := lump{e: e, piece: piece, light: light, box: boxOf(pieces)}
	l.home = l.box.Centre()
	l.reach = math.Hypot(l.box.W(), l.box.H()) / 2
	for i := range pieces {
		b := geom.NewBody(slices.Clone(pieces[i].Outline))
		l.homes, l.bodies = append(l.homes, b), append(l.bodies, b.Clone())
	}
	return l
}

// survey readies the grid for the lumps there are.
func (p *parting) survey() {
	p.isOn = make([]bool, len(p.lumps))
	p.active, p.big = p.active[:0], p.big[:0]
	p.grid = geom.NewGrid(p.z.box, smallReach, 60)
	for k := range p.small {
		p.small[k] = bins{starts: make([]int32, p.grid.Cells()+1), order: make([]int32, len(p.lumps))}
	}
	for i := range p.lumps {
		if l := &p.lumps[i]; l.reach > smallReach {
			p.big = append(p.big, i)
		} else {
			b := &p.small[l.bin()]
			b.most = math.Max(b.most, l.reach)
		}
	}
	p.sort()
}

// bin is 0 for what stands, 1 for what is loose.
func (l *lump) bin() int {
	if l.loose {
		return 1
	}
	return 0
}

// cell is the cell of the grid that a point belongs to; what lies beyond the grid belongs to its rim.
func (p *parting) cell(q geom.Point) (x, y int) {
	x, y = p.grid.At(q)
	return max(0, min(p.grid.W-1, x)), max(0, min(p.grid.H-1, y))
}

// sort puts the small lumps into the grid by their middles.
func (p *parting) sort() {
	cells := func(f func(b *bins, i, c int)) {
		for i := len(p.lumps) - 1; i >= 0; i-- {
			if l := &p.lumps[i]; l.reach <= smallReach {
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

// slip is how far small lumps may have moved since the grid was sorted, mm.
const slip = 12.0

// near calls f with the lumps whose boxes meet that of a lump, until it answers false; loose ones only where they are asked for.
func (p *parting) near(i int, loose bool, f func(j int) bool) {
	l := &p.lumps[i]
	for _, j := range p.big {
		if o := &p.lumps[j]; j != i && (loose || !o.loose) && o.box.Meets(l.box) && !f(j) {
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
				if int(j) != i && p.lumps[j].box.Meets(l.box) && !f(int(j)) {
					return
				}
			}
		}
	}
}

// put puts a lump where it has come to, moved and turned so far.
func (l *lump) put(by geom.Point, turn float64) {
	l.by, l.turn = by, turn
	for i := range l.bodies {
		l.bodies[i].Carry(&l.homes[i], l.home, turn, by)
		if i == 0 {
			l.box = l.bodies[i].Box
		} else {
			l.box = l.box.Union(l.bodies[i].Box)
		}
	}
}

func (l *lump) shift(by geom.Point) { l.put(l.by.Add(by), l.turn) }
func (l *lump) middle() geom.Point  { return l.home.Add(l.by) }
func (l *lump) moved() bool         { return l.by != (geom.Point{}) || l.turn != 0 }

// carries is where a point has come to that moves along.
func (l *lump) carries(q geom.Point) geom.Point {
	return l.middle().Add(geom.Pose{Turn: l.turn}.Apply(q.Sub(l.home)))
}

// goBack puts a lump where it was.
func (l *lump) goBack() {
	l.from, l.gone = lying{}, false
	l.put(geom.Point{}, 0)
}

// wake notes a lump as one that may stand in something.
func (p *parting) wake(i int) {
	if !p.isOn[i] {
		p.isOn[i] = true
		p.active = append(p.active, i)
	}
}

// sleep lets all lumps be.
func (p *parting) sleep() {
	for _, i := range p.active {
		p.isOn[i] = false
	}
	p.active = p.active[:0]
}

// roomRounds bounds the projections; most end after a dozen.
const roomRounds = 48

// part projects overlaps of the lumps that are awake, and of those that they wake, until none is left,
// or the rounds are over. It reports whether all came to rest.
func (p *parting) part(ctx context.Context, rounds int) bool {
	defer p.sort()
	for round := range rounds {
		if ctx.Err() != nil {
			return false
		}
		p.sort()
		rest, shifted := true, false
		for n := 0; n < len(p.active); n++ {
			i := p.active[n]
			shifted = shifted || p.lumps[i].moved()
			p.near(i, !p.standing, func(j int) bool {
				if p.isOn[j] && j < i {
					return true // looked at from there
				}
				if p.project(i, j) {
					if round < looseRounds || !p.lumps[i].loose && !p.lumps[j].loose {
						rest = false
					}
					p.wake(j)
				}
				return true
			})
		}
		for _, i := range p.active {
			if l := &p.lumps[i]; l.light > 0 && l.moved() {
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
				if l := &p.lumps[i]; l.light > 0 && l.moved() {
					l.put(l.by.Lerp(l.from.by, .06), l.turn+.06*(l.from.turn-l.turn))
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
func (p *parting) touching(a, b int) float64 {
	if a < b {
		a, b = b, a
	}
	v := &p.may[a*len(p.t.Elements)+b]
	if math.IsNaN(*v) {
		*v = review.Touch(&p.t.Elements[a], &p.t.Elements[b]) * touchSlack
	}
	return *v
}

// overlap is how deep two lumps stand in each other beyond what they may, the way out of the first, and
// which of their bodies do.
func (p *parting) overlap(i, j int) (depth float64, away geom.Point, x, y int) {
	a, b := &p.lumps[i], &p.lumps[j]
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
	for m := range a.bodies {
		if geom.BoxDepth(a.bodies[m].Box, b.box) <= may {
			continue
		}
		for n := range b.bodies {
			if d, way := geom.Deeper(&a.bodies[m], &b.bodies[n], may+depth); d-may > depth {
				depth, away, x, y = d-may, way, m, n
			}
		}
	}
	return
}

// heaped is how much nearer two pieces of one heap have come than pieces in a heap lie, or than they lay.
func heaped(a, b *lump) (depth float64, away geom.Point) {
	want := .94 * (a.r + b.r)
	if a.upper != b.upper {
		want *= .5
	}
	way := a.middle().Sub(b.middle())
	d := way.Len()
	if d >= want {
		return 0, way
	}
	if want = math.Min(want, a.home.Dist(b.home)); d >= want-.3 {
		return 0, way
	}
	if d < .01 {
		return want, geom.Pt(1, 0)
	}
	return .7 * (want - d), way.Mul(1 / d)
}

// project parts two lumps by what they overlap, each by how readily it gives way; long things turn.
func (p *parting) project(i, j int) bool {
	a, b := &p.lumps[i], &p.lumps[j]
	if a.light+b.light == 0 {
		return false
	}
	depth, away, x, y := p.overlap(i, j)
	if depth <= .02 {
		return false
	}
	at := geom.Point{}
	if a.spin > 0 || b.spin > 0 {
		at = contact(&a.bodies[x], &b.bodies[y], away)
	}
	wa, ta := a.yields(at, away)
	wb, tb := b.yields(at, away)
	la, lb := a.light, b.light
	if a.loose != b.loose { // loose food flows out of the way of what stands
		if a.loose && la > 0 {
			wb, lb = 0, 0
		} else if b.loose && lb > 0 {
			wa, la = 0, 0
		}
	}
	step := (depth + .08) / (wa + wb)
	if la > 0 {
		a.put(a.by.Add(away.Mul(step*la)), leaning(a.turn, step*ta))
	}
	if lb > 0 {
		b.put(b.by.Sub(away.Mul(step*lb)), leaning(b.turn, -step*tb))
	}
	return true
}

// mostLean is how far a thing is turned to make room, degrees.
const mostLean = 24.0

// leaning is a turn changed by a little, within what is allowed.
func leaning(turn, by float64) float64 {
	by = math.Max(-4, math.Min(4, by))
	if now := turn + by; math.Abs(now) <= mostLean {
		return now
	}
	return turn
}

// yields is how readily a lump gives way at a point along a way, and by how many degrees it turns for
// each of that.
func (l *lump) yields(at, away geom.Point) (weight, turn float64) {
	if l.light == 0 || l.spin == 0 {
		return l.light, 0
	}
	arm := at.Sub(l.middle()).Cross(away)
	return l.light * (1 + arm*arm/l.spin), l.light * arm / l.spin * 180 / math.Pi
}

// contact is where two bodies touch that stand in each other: the middle of the narrower of the two
// sides by which they do; away is the way out of the first.
func contact(a, b *geom.Body, away geom.Point) geom.Point {
	p, wa := farSide(a.Hull, away.Mul(-1))
	q, wb := farSide(b.Hull, away)
	if wa < wb {
		return p
	}
	return q
}

// farSide is the middle and the width of what of an outline reaches farthest along a way.
func farSide(o geom.Outline, along geom.Point) (mid geom.Point, width float64) {
	most := math.Inf(-1)
	for _, q := range o {
		most = math.Max(most, q.Dot(along))
	}
	across := geom.Pt(-along.Y, along.X)
	lo, hi := math.Inf(1), math.Inf(-1)
	for _, q := range o {
		if q.Dot(along) > most-1 {
			v := q.Dot(across)
			lo, hi = math.Min(lo, v), math.Max(hi, v)
		}
	}
	return along.Mul(most).Add(across.Mul((lo + hi) / 2)), hi - lo
}

// link keeps the folds of a trail together: two that follow each other move nearly alike, and each
// turns as the line does.
func (p *parting) link() {
	for _, i := range p.active {
		if i == 0 {
			continue
		}
		a, b := &p.lumps[i-1], &p.lumps[i]
		if b.loose || b.light == 0 || b.piece < 0 {
			continue
		}
		const stretch = .35 // of how far they lay apart
		if a.e == b.e {
			if pull, ok := stretched(a, b, stretch); ok {
				a.shift(pull)
				b.shift(pull.Mul(-1))
				p.wake(i - 1)
			}
		}
		if i+1 < len(p.lumps) {
			if c := &p.lumps[i+1]; c.e == b.e {
				if pull, ok := stretched(b, c, stretch); ok && !p.isOn[i+1] {
					b.shift(pull)
					c.shift(pull.Mul(-1))
					p.wake(i + 1)
				}
				if a.e == b.e {
					b.follow(a, c)
				}
			}
		}
	}
}

// stretched is by how much two neighbours in a trail are drawn together.
func stretched(a, b *lump, stretch float64) (geom.Point, bool) {
	was := b.home.Sub(a.home)
	now := b.by.Sub(a.by)
	over := now.Len() - stretch*math.Max(6, was.Len())
	if over <= 0 {
		return geom.Point{}, false
	}
	return now.Unit().Mul(over / 2), true
}

// follow turns a fold a little towards the way its trail goes there now.
func (l *lump) follow(a, c *lump) {
	was, now := c.home.Sub(a.home), c.middle().Sub(a.middle())
	if was.Len() < 6 || now.Len() < 6 {
		return
	}
	want := math.Atan2(was.Cross(now), was.Dot(now)) * 180 / math.Pi
	want = math.Max(-40, math.Min(40, want))
	if d := want - l.turn; math.Abs(d) > .8 {
		l.put(l.by, l.turn+.3*d)
	}
}

// inside is the shift that draws a lump in from over the edge.
func (p *parting) inside(l *lump) geom.Point {
	cell := p.z.grid.Cell
	if p.z.deep(l.box.Centre()) > l.reach+2*cell {
		return geom.Point{}
	}
	worst, at := 0.0, geom.Point{}
	for i := range l.bodies {
		for _, q := range l.bodies[i].Outline {
			if p.z.deep(q) > .8*cell { // it is read from the middle of a cell
				continue
			}
			if d := -p.z.exact(q); d > worst {
				worst, at = d, q
			}
		}
	}
	if worst < .004 {
		return geom.Point{}
	}
	return p.z.inward(at).Mul(worst + .05)
}

// tolerance is how deep something may stand in another, or over the edge, and still count as parted, mm.
const tolerance = .06

// stuck reports whether something still stands in another that stands, or over the edge; loose food flows
// out of its way, and settles by itself.
func (p *parting) stuck(i int) bool {
	l := &p.lumps[i]
	if l.gone || l.light == 0 || l.loose {
		return false
	}
	if b := p.blocker; b >= 0 && b < len(p.lumps) && b != i && !p.lumps[b].loose { // what stood in the way last most often does again
		if d, _, _, _ := p.overlap(i, b); d > tolerance {
			return true
		}
	}
	if p.inside(l).Len() > tolerance {
		return true
	}
	hit := false
	p.near(i, false, func(j int) bool {
		if d, _, _, _ := p.overlap(i, j); d > tolerance {
			hit, p.blocker = true, j
		}
		return !hit
	})
	return hit
}
