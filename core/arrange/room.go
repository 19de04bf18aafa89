package arrange

import (
	"cmp"
	"context"
	"math"
	"slices"

	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/review"
	"happytray/core/tray"
)

// Room is a tray on which one element was put down and the rest has made room.
type Room struct {
	Tray   *tray.Tray
	Moved  []string // elements that gave way, in the order of the tray
	Lifted []string // those that found no room: they wait beside the board
}

// MakeRoom lays an element at a pose, drawn inside where it would hang over the edge or a handle, and
// lets everything else make room: what stands slides as little as needed, trails bend round it, loose
// food flows. What is locked stays. What finds no room takes the place that came free, where it fits
// there, and else is lifted off the board.
//
// What stands is parted by position-based dynamics (Muller, Heidelberger, Hennix & Ratcliff 2007): overlaps
// are projected along their least way out, lighter things giving way more, with a weak spring to
// where each thing was; a trail is a chain of its folds. Loose food settles as it is laid.
func MakeRoom(ctx context.Context, t *tray.Tray, larder *food.Larder, id string, at geom.Pose) (Room, error) {
	e, _, _, err := element(t, larder, id)
	if err != nil {
		return Room{}, err
	}
	if t.Board == nil {
		return Room{}, fault.Bad("board", "choose a board before laying the tray")
	}
	c := t.Clone()
	k := c.Find(id)
	from, was := e.Pose(), e.Placed && len(e.Pieces) > 0
	if was {
		c.Elements[k].MoveTo(geom.Pose{X: at.X, Y: at.Y, Turn: geom.NormalTurn(at.Turn)})
	} else if c.Elements[k], err = Put(c, larder, id, at); err != nil {
		return Room{}, err
	}
	z := newZone(c.Board)
	drawIn(&z, &c.Elements[k])
	windows := []geom.Rect{boxOf(c.Elements[k].Pieces)}
	if was {
		windows = append(windows, boxOf(t.Elements[t.Find(id)].Pieces))
	}
	all := pieces(c)
	flow, flows := c, false
	if c.Elements[k].Kind() == food.KindLoose { // what is loose flows into place itself, unless it would end elsewhere
		to := c.Elements[k].Pose().At()
		flow = c.Clone()
		if given, did := giveWayIn(ctx, flow, larder, k, true, windows); did {
			flow = given
		}
		flows = pieces(flow) >= all && review.NewLive(flow, larder).Fits()
		if flows && flow.Elements[k].Pose().At().Dist(to) <= mostFlow {
			return Room{Tray: flow, Moved: movedOf(t, flow, k, nil)}, nil
		}
	}
	p := newParting(&z, c, k)
	p.part(ctx)
	if was {
		p.fillIn(from)
	}
	p.elsewhere(ctx)
	out := Room{Tray: c, Lifted: p.write(ctx)}
	if given, did := giveWayIn(ctx, c, larder, k, false, append(slices.Clone(windows), p.windows(t)...)); did {
		out.Tray = given
	}
	if flows && (len(out.Lifted) > 0 || pieces(out.Tray) < all) {
		out = Room{Tray: flow}
	}
	out.Moved = movedOf(t, out.Tray, k, out.Lifted)
	return out, nil
}

// mostFlow is how far the middle of loose food may end from where it was put, mm, before what stands
// makes room for it instead.
const mostFlow = 60.0

// pieces is how many pieces lie on a tray.
func pieces(t *tray.Tray) (n int) {
	for i := range t.Elements {
		n += len(t.Elements[i].Pieces)
	}
	return n
}

// movedOf lists the elements, other than k and what was lifted, that lie otherwise than before.
func movedOf(was, now *tray.Tray, k int, lifted []string) (out []string) {
	for i := range now.Elements {
		o := was.Find(now.Elements[i].ID)
		if i != k && o >= 0 && !liesAlike(&was.Elements[o], &now.Elements[i]) && !slices.Contains(lifted, now.Elements[i].ID) {
			out = append(out, now.Elements[i].ID)
		}
	}
	return out
}

// drawIn shifts an element until all of it lies in the zone, as far as it fits there.
func drawIn(z *zone, e *tray.Element) {
	lean := 0.0
	if e.Kind() == food.KindGarnish {
		lean = 10
	}
	for range 24 {
		push := overEdge(z, e.Pieces, lean)
		if push == (geom.Point{}) {
			return
		}
		pose := e.Pose()
		e.MoveTo(geom.Pose{X: pose.X + push.X, Y: pose.Y + push.Y, Turn: pose.Turn})
	}
}

// overEdge is the shift that draws in what hangs over most, a little more than needed.
func overEdge(z *zone, pieces []tray.Piece, lean float64) geom.Point {
	worst, at := 0.0, geom.Point{}
	for i := range pieces {
		for _, q := range pieces[i].Outline {
			if z.deep(q) > 2*z.grid.Cell {
				continue
			}
			if d := -z.exact(q) - lean; d > worst {
				worst, at = d, q
			}
		}
	}
	if worst < .004 {
		return geom.Point{}
	}
	return z.inward(at).Mul(worst + .05)
}

// lump is what moves as one while things are parted: a thing that stands, or one fold of a trail.
type lump struct {
	e      int    // element
	piece  int    // of a trail, else -1
	part   [2]int // of a row that was parted in two: its pieces from, up to; else both 0
	bodies []geom.Body
	box    geom.Rect
	home   geom.Point
	by     geom.Point // moved so far
	turn   float64    // and turned, degrees, round its middle
	light  float64    // how readily it gives way; 0 stays
	gone   bool
}

// parting parts what stands on a tray.
type parting struct {
	z     *zone
	t     *tray.Tray
	k     int // what was put down
	lumps []lump
	may   map[[2]int]float64
	tries int // places that were looked at
}

// mostTries bounds the places that are looked at for what found no room, so that an answer comes on
// the largest trays, too.
const mostTries = 9000

func newParting(z *zone, t *tray.Tray, k int) *parting {
	p := &parting{z: z, t: t, k: k, may: map[[2]int]float64{}}
	for i := range t.Elements {
		e := &t.Elements[i]
		if !e.Placed || len(e.Pieces) == 0 || i != k && (e.Kind() == food.KindLoose || e.Kind() == food.KindGarnish) {
			continue
		}
		light := 1 / math.Max(200, boxOf(e.Pieces).W()*boxOf(e.Pieces).H()) * 1e4
		if e.Locked || i == k {
			light = 0
		}
		if e.Kind() == food.KindTrail && i != k {
			for n := range e.Pieces {
				p.add(i, n, e.Pieces[n:n+1], light*4)
			}
			continue
		}
		p.add(i, -1, e.Pieces, light)
	}
	return p
}

func (p *parting) add(e, piece int, pieces []tray.Piece, light float64) {
	l := lump{e: e, piece: piece, light: light, box: boxOf(pieces)}
	l.home = l.box.Centre()
	for i := range pieces {
		l.bodies = append(l.bodies, geom.NewBody(slices.Clone(pieces[i].Outline)))
	}
	p.lumps = append(p.lumps, l)
}

// shift moves a lump.
func (l *lump) shift(by geom.Point) {
	l.by = l.by.Add(by)
	l.box = l.box.Move(by)
	for i := range l.bodies {
		b := &l.bodies[i]
		o := b.Outline.Move(by)
		*b = geom.NewBody(o)
	}
}

// turned turns a lump round its middle.
func (l *lump) turned(deg float64) {
	c := l.home.Add(l.by)
	l.turn += deg
	for i := range l.bodies {
		o := make(geom.Outline, len(l.bodies[i].Outline))
		for j, q := range l.bodies[i].Outline {
			o[j] = c.Add(geom.Pose{Turn: deg}.Apply(q.Sub(c)))
		}
		l.bodies[i] = geom.NewBody(o)
		if i == 0 {
			l.box = l.bodies[i].Box
		}
		l.box = l.box.Union(l.bodies[i].Box)
	}
}

// roomRounds bounds the projections; most end after a dozen.
const roomRounds = 48

// part projects overlaps until none is left, or the rounds are over.
func (p *parting) part(ctx context.Context) {
	for round := range roomRounds {
		if ctx.Err() != nil {
			return
		}
		rest := true
		for i := range p.lumps {
			for j := range i {
				if p.project(i, j) {
					rest = false
				}
			}
		}
		p.link()
		for i := range p.lumps {
			l := &p.lumps[i]
			if l.light == 0 || l.by == (geom.Point{}) {
				continue
			}
			if push := p.inside(l); push != (geom.Point{}) {
				l.shift(push)
				rest = false
			} else if round > 4 && round < roomRounds/2 { // back towards where it was, while there is time to part again
				l.shift(l.by.Mul(-.02))
			}
		}
		if rest && round > 0 {
			return
		}
	}
}

// touching is how deep two elements may stand in each other, with a little in hand.
func (p *parting) touching(a, b int) float64 {
	if a < b {
		a, b = b, a
	}
	v, ok := p.may[[2]int{a, b}]
	if !ok {
		v = review.Touch(&p.t.Elements[a], &p.t.Elements[b]) * touchSlack
		p.may[[2]int{a, b}] = v
	}
	return v
}

// overlap is how deep two lumps stand in each other beyond what they may, and the way out of the first.
func (p *parting) overlap(i, j int) (depth float64, away geom.Point) {
	a, b := &p.lumps[i], &p.lumps[j]
	if a.e == b.e || a.gone || b.gone || !a.box.Meets(b.box) {
		return 0, away
	}
	may := p.touching(a.e, b.e)
	if geom.BoxDepth(a.box, b.box) <= may {
		return 0, away
	}
	for x := range a.bodies {
		if geom.BoxDepth(a.bodies[x].Box, b.box) <= may {
			continue
		}
		for y := range b.bodies {
			if d, way := geom.Deeper(&a.bodies[x], &b.bodies[y], may+depth); d-may > depth {
				depth, away = d-may, way
			}
		}
	}
	return depth, away
}

// project parts two lumps by what they overlap, each by how readily it gives way.
func (p *parting) project(i, j int) bool {
	a, b := &p.lumps[i], &p.lumps[j]
	if a.light+b.light == 0 {
		return false
	}
	depth, away := p.overlap(i, j)
	if depth <= .02 {
		return false
	}
	step := away.Mul((depth + .08) / (a.light + b.light))
	if a.light > 0 {
		a.shift(step.Mul(a.light))
	}
	if b.light > 0 {
		b.shift(step.Mul(-b.light))
	}
	return true
}

// link keeps the folds of a trail together: two that follow each other move nearly alike.
func (p *parting) link() {
	for i := 1; i < len(p.lumps); i++ {
		a, b := &p.lumps[i-1], &p.lumps[i]
		if a.e != b.e || b.piece != a.piece+1 || a.light == 0 {
			continue
		}
		const stretch = .35 // of how far they lay apart
		was := b.home.Sub(a.home)
		now := b.by.Sub(a.by)
		if over := now.Len() - stretch*math.Max(6, was.Len()); over > 0 {
			pull := now.Unit().Mul(over / 2)
			a.shift(pull)
			b.shift(pull.Mul(-1))
		}
	}
}

// inside is the shift that draws a lump in from over the edge.
func (p *parting) inside(l *lump) geom.Point {
	worst, at := 0.0, geom.Point{}
	for i := range l.bodies {
		for _, q := range l.bodies[i].Outline {
			if p.z.deep(q) > 2*p.z.grid.Cell {
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

// stuck reports whether a lump still stands in something or over the edge.
func (p *parting) stuck(i int) bool {
	l := &p.lumps[i]
	if l.gone || l.light == 0 {
		return false
	}
	if p.inside(l).Len() > .06 {
		return true
	}
	for j := range p.lumps {
		if j != i {
			if d, _ := p.overlap(i, j); d > .06 {
				return true
			}
		}
	}
	return false
}

// fillIn moves what is still stuck to the place that came free, turned as it is, where it fits there.
func (p *parting) fillIn(from geom.Pose) {
	for i := range p.lumps {
		l := &p.lumps[i]
		if l.piece >= 0 || !p.stuck(i) {
			continue
		}
		back := l.by
		l.shift(from.At().Sub(l.box.Centre()))
		for range 12 { // a little about, until it fits
			if push := p.inside(l); push != (geom.Point{}) {
				l.shift(push)
			}
			for j := range p.lumps {
				if d, away := p.overlap(i, j); d > .02 {
					l.shift(away.Mul(d + .05))
				}
			}
		}
		if p.stuck(i) {
			l.shift(back.Sub(l.by))
			continue
		}
		return
	}
}

// elsewhere moves what is still stuck to the nearest place where nothing else stands: loose food
// flows out of its way. A fold of a trail stays by its trail.
func (p *parting) elsewhere(ctx context.Context) {
	for i := range p.lumps {
		l := &p.lumps[i]
		if p.stuck(i) {
			most := nearReach
			if l.piece >= 0 {
				most = foldReach
			}
			p.nearestFree(ctx, i, most)
		}
	}
}

// nearestFree moves a lump to the nearest place within reach where it stands in nothing, as it is
// turned or another way; it reports whether there is one, and leaves the lump where it was if not.
func (p *parting) nearestFree(ctx context.Context, i int, reach float64) bool {
	l := &p.lumps[i]
	turns := []float64{0, 90, -45, 90} // each after the one before: 0, 90, 45, 135
	if l.piece >= 0 {
		turns = turns[:1]
	}
	const step = 9.0
	for far := step; far < reach && ctx.Err() == nil; far += step {
		n := int(math.Min(32, 6+far/9))
		for a := range n {
			by := geom.Polar(far, float64(a)*360/float64(n)+far*7)
			if p.z.deep(l.home.Add(l.by).Add(by)) < 4 {
				continue
			}
			if p.tries++; p.tries > mostTries {
				return false
			}
			l.shift(by)
			for _, turn := range turns {
				if turn != 0 {
					l.turned(turn)
				}
				if !p.stuck(i) {
					return true
				}
			}
			if len(turns) > 1 {
				l.turned(-135)
			}
			l.shift(by.Mul(-1))
		}
	}
	return false
}

// nearReach is how far what stands is moved before other ways are tried, mm: nothing should jump across
// the tray.
const nearReach = 170.0

// foldReach is how far a fold may be laid from where its trail lay, mm.
const foldReach = 70.0

// write puts the lumps where they have come to; what is still stuck is lifted. It lists what was.
func (p *parting) write(ctx context.Context) (lifted []string) {
	off := map[int]bool{}
	for { // the one that stands in most goes first: the others may be free then
		worst, most := -1, .06
		for i := range p.lumps {
			l := &p.lumps[i]
			if l.gone || l.light == 0 {
				continue
			}
			deep := p.inside(l).Len()
			for j := range p.lumps {
				if j != i {
					if d, _ := p.overlap(i, j); d > deep {
						deep = d
					}
				}
			}
			if deep > most {
				worst, most = i, deep
			}
		}
		if worst < 0 {
			break
		}
		p.lumps[worst].gone = true
	}
	p.again(ctx)
	folds := map[int][]int{} // of a trail that are gone
	for i := range p.lumps {
		l := &p.lumps[i]
		e := &p.t.Elements[l.e]
		switch {
		case l.gone && l.piece < 0: // a row in two halves is lifted whole
			off[l.e] = true
		case l.gone:
			folds[l.e] = append(folds[l.e], l.piece)
		case l.by == (geom.Point{}) && l.turn == 0:
		case l.part != [2]int{}:
			for n := l.part[0]; n < l.part[1]; n++ {
				q := &e.Pieces[n]
				turn := func(pt geom.Point) geom.Point {
					return l.home.Add(l.by).Add(geom.Pose{Turn: l.turn}.Apply(pt.Sub(l.home))).Round()
				}
				o := make(geom.Outline, len(q.Outline))
				for m, pt := range q.Outline {
					o[m] = turn(pt)
				}
				q.Outline, q.At, q.TurnDeg = o, turn(q.At), round2(geom.NormalTurn(q.TurnDeg+l.turn))
			}
		case l.piece < 0:
			pose := e.Pose()
			at := l.home.Add(l.by).Add(geom.Pose{Turn: l.turn}.Apply(pose.At().Sub(l.home)))
			e.MoveTo(geom.Pose{X: at.X, Y: at.Y, Turn: pose.Turn + l.turn})
		default:
			q := &e.Pieces[l.piece]
			q.Outline, q.At = q.Outline.Move(l.by).Round(), q.At.Add(l.by).Round()
		}
	}
	for i := range p.t.Elements {
		e := &p.t.Elements[i]
		if gone := folds[i]; len(gone) > 0 {
			if 3*len(gone) > len(e.Pieces) {
				off[i] = true
			} else {
				p.short(i, gone)
			}
		}
		if off[i] {
			e.Placed, e.Pieces, e.Path = false, []tray.Piece{}, nil
			lifted = append(lifted, e.ID)
		}
	}
	return lifted
}

// again looks for room for what was to be lifted, the largest first: others that were lifted before it
// may have left some.
func (p *parting) again(ctx context.Context) {
	var gone []int
	for i := range p.lumps {
		if p.lumps[i].gone {
			gone = append(gone, i)
		}
	}
	slices.SortStableFunc(gone, func(a, b int) int { return cmp.Compare(p.lumps[a].light, p.lumps[b].light) })
	for _, i := range gone {
		l := &p.lumps[i]
		l.gone = false
		l.shift(l.by.Mul(-1))
		near, far := nearReach, math.Hypot(p.z.box.W(), p.z.box.H())
		if l.piece >= 0 {
			near, far = foldReach, 0
		}
		stays := !p.stuck(i) || p.nearestFree(ctx, i, near) || p.squeezed(ctx, i) || p.halved(ctx, i) || p.nearestFree(ctx, i, far)
		p.lumps[i].gone = !stays // the lumps may be others by now
	}
}

// halved lays a row that found no room in two halves, each at the nearest place where it stands in
// nothing.
func (p *parting) halved(ctx context.Context, i int) bool {
	e := &p.t.Elements[p.lumps[i].e]
	n := len(e.Pieces)
	if p.lumps[i].piece >= 0 || p.lumps[i].part != [2]int{} || e.Kind() != food.KindRow || n < 4 {
		return false
	}
	kept := p.snapshot()
	light := p.lumps[i].light
	at := p.lumps[i].e
	half := func(from, to int) lump {
		l := lump{e: at, piece: -1, part: [2]int{from, to}, light: light, box: boxOf(e.Pieces[from:to])}
		l.home = l.box.Centre()
		for k := from; k < to; k++ {
			l.bodies = append(l.bodies, geom.NewBody(slices.Clone(e.Pieces[k].Outline)))
		}
		return l
	}
	p.lumps[i] = half(0, n/2)
	p.lumps = append(p.lumps, half(n/2, n))
	reach := math.Hypot(p.z.box.W(), p.z.box.H())
	for _, k := range []int{i, len(p.lumps) - 1} {
		if p.stuck(k) && !p.nearestFree(ctx, k, reach) {
			p.lumps = kept
			return false
		}
	}
	return true
}

// squeezed puts a lump where it stands in least and parts everything again round it; where something
// still is stuck then, all is left as it was.
func (p *parting) squeezed(ctx context.Context, i int) bool {
	if p.lumps[i].piece >= 0 {
		return false
	}
	kept := p.snapshot()
	best, least := geom.Point{}, math.Inf(1)
	l := &p.lumps[i]
	box := p.z.box
	const step = 24.0
	for y := box.Min.Y + step/2; y < box.Max.Y; y += step {
		for x := box.Min.X + step/2; x < box.Max.X; x += step {
			to := geom.Pt(x, y)
			if p.z.deep(to) < 8 {
				continue
			}
			l.shift(to.Sub(l.home).Sub(l.by))
			bad := 1.5*p.inside(l).Len() + .02*to.Dist(l.home)
			for j := range p.lumps {
				if j == i || bad > least {
					continue
				}
				if d, _ := p.overlap(i, j); d > 0 {
					if p.lumps[j].light == 0 { // it will not give way
						d *= 4
					}
					bad += d
				}
			}
			if bad < least {
				best, least = to, bad
			}
		}
	}
	if math.IsInf(least, 1) || ctx.Err() != nil {
		p.lumps = kept
		return false
	}
	l.shift(best.Sub(l.home).Sub(l.by))
	p.part(ctx)
	for j := range p.lumps {
		if p.stuck(j) {
			p.lumps = kept
			return false
		}
	}
	return true
}

// snapshot is the lumps as they lie now.
func (p *parting) snapshot() []lump {
	out := slices.Clone(p.lumps)
	for i := range out {
		out[i].bodies = slices.Clone(out[i].bodies) // a shift replaces bodies, it does not change them
	}
	return out
}

// short takes folds out of a trail; what is taken out is for topping up.
func (p *parting) short(i int, gone []int) {
	e := &p.t.Elements[i]
	each := e.Grams / float64(max(1, e.Count))
	stay := make([]tray.Piece, 0, len(e.Pieces))
	for n, q := range e.Pieces {
		if !slices.Contains(gone, n) {
			stay = append(stay, q)
		}
	}
	e.Pieces = stay
	e.Count -= len(gone)
	e.Grams = round1(each * float64(e.Count))
	p.t.Reserve = append(p.t.Reserve, tray.Reserve{Food: e.Food, Form: e.Form, Grams: round1(each * float64(len(gone))), Count: len(gone), Why: noRoom})
}

// windows are the boxes in which something was moved, before and after.
func (p *parting) windows(was *tray.Tray) (out []geom.Rect) {
	for i := range p.lumps {
		if l := &p.lumps[i]; l.by != (geom.Point{}) || l.turn != 0 || l.gone {
			out = append(out, l.box, boxOf(was.Elements[l.e].Pieces))
		}
	}
	return out
}
