package pack

import (
	"context"
	"math"
	"slices"

	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/review"
	"happytray/core/tray"
	"happytray/core/workers"
)

// Displacement is a tray on which one element was put down and the rest has made room.
type Displacement struct {
	Tray   *tray.Tray
	Moved  []string    // elements that gave way, in the order of the tray
	Lifted []string    // those that found no room: they wait beside the board
	Fewer  []Shortfall // those of which some pieces found none: they went to reserve
}

// MakeRoom lays an element at a pose, drawn inside where it would hang over the edge or a handle, and
// lets everything else make room: what stands slides as little as needed, trails bend round it, loose
// food flows. What is locked stays. What finds no room takes the place that came free, where it fits
// there, and else is lifted off the board.
//
// What stands is parted by position-based dynamics (Muller, Heidelberger, Hennix & Ratcliff 2007): overlaps
// are projected along their least way out, lighter things giving way more, with a weak spring to
// where each thing was; a trail is a chain of its folds. Loose food settles as it is laid.
func MakeRoom(ctx context.Context, t *tray.Tray, larder *food.Larder, id string, at geom.Pose) (Displacement, error) {
	return MakeRoomFor(ctx, t, larder, Placement{id, at})
}

// Placement is an element that a hand puts at a pose.
type Placement struct {
	ID string
	At geom.Pose
}

// MakeRoomFor is MakeRoom for several elements that are put down together.
func MakeRoomFor(ctx context.Context, t *tray.Tray, larder *food.Larder, all ...Placement) (Displacement, error) {
	if t.Board == nil {
		return Displacement{}, fault.Bad("board", "choose a board before laying the tray")
	}
	if len(all) == 0 {
		return Displacement{}, fault.Bad("element", "say what is to be put down")
	}
	c := t.Clone()
	held := make([]int, 0, len(all))
	z := NewZone(c.Board)
	for _, h := range all {
		e, _, _, err := Lookup(t, larder, h.ID)
		if err != nil {
			return Displacement{}, err
		}
		k := c.Find(h.ID)
		if e.Placed && len(e.Pieces) > 0 {
			c.Elements[k].MoveTo(geom.Pose{X: h.At.X, Y: h.At.Y, Turn: geom.NormalTurn(h.At.Turn)})
		} else if c.Elements[k], err = Put(c, larder, h.ID, h.At); err != nil {
			return Displacement{}, err
		}
		held = append(held, k)
	}
	return MakeRoomAround(ctx, larder, t, c, z, held), nil
}

// MakeRoomAround lets everything make room on a tray c for some of its elements, that were laid on it by hand, each
// drawn inside where it would hang over the edge or a handle, and beside what is locked; was is the tray as it lay
// before.
func MakeRoomAround(ctx context.Context, larder *food.Larder, was, c *tray.Tray, z *Zone, held []int) Displacement {
	if z == nil {
		z = NewZone(c.Board)
	}
	for _, k := range held {
		DrawIn(z, &c.Elements[k])
		drawOff(z, c, k)
	}
	m := newRoomMaking(ctx, larder, was, c, z, held)
	return m.displacement(m.best())
}

// displacement is what an outcome came to.
func (m *roomMaking) displacement(out outcome) Displacement {
	out = m.refilled(out)
	return Displacement{Tray: out.tray, Moved: movedOf(m.was, out.tray, m.held, out.lifted), Lifted: out.lifted, Fewer: fewerOf(m.tray, out.tray)}
}

// asShown leaves all that stands where it came to lie under the hand, and lets loose food settle round it; with itself what is held
// does, too.
func (m *roomMaking) asShown(itself bool) outcome {
	c := m.tray.Clone()
	out := outcome{tray: c}
	if given, did := giveWayIn(m.ctx, c, m.larder, m.z, m.held, itself, slices.Concat(m.windows, m.left)); did {
		out.tray = given
	}
	out.short = m.whole - pieces(out.tray)
	return m.refilled(out)
}

// refilled is an outcome with small food that waits in the pockets that what went aside left; a hand that took something off, or
// made less of it, meant it.
func (m *roomMaking) refilled(out outcome) outcome {
	if len(out.lifted) == 0 && m.asMuch() {
		out.tray = fillFromReserve(m.ctx, out.tray, m.larder, false)
		out.short = max(0, m.whole-pieces(out.tray))
	}
	return out
}

// asMuch reports whether what is held lies with as many pieces as before.
func (m *roomMaking) asMuch() bool {
	for _, k := range m.held {
		e := &m.tray.Elements[k]
		if o := m.was.Find(e.ID); o >= 0 && m.was.Elements[o].Placed && m.was.Elements[o].Count != e.Count {
			return false
		}
	}
	return len(m.was.Elements) == len(m.tray.Elements)
}

// newRoomMaking readies a tray c on which some elements were put down for the rest to make room; was is the tray
// before.
func newRoomMaking(ctx context.Context, larder *food.Larder, was, c *tray.Tray, z *Zone, held []int) *roomMaking {
	m := &roomMaking{ctx: ctx, larder: larder, was: was, tray: c, held: held, z: z, whole: pieces(c)}
	for n, k := range held {
		m.windows = append(m.windows, BoxOf(c.Elements[k].Pieces))
		if o := was.Find(c.Elements[k].ID); o >= 0 && was.Elements[o].Placed && len(was.Elements[o].Pieces) > 0 {
			from := BoxOf(was.Elements[o].Pieces)
			if n == 0 && len(held) == 1 {
				m.from, m.carried = was.Elements[o].Pose(), true
			}
			m.left = append(m.left, from)
		}
	}
	return m
}

// Shortfall is an element that lies with so many pieces less than before.
type Shortfall struct {
	ID     string
	Pieces int // that are missing
}

// fewerOf lists what lies with fewer pieces than before.
func fewerOf(was, now *tray.Tray) (out []Shortfall) {
	for i := range was.Elements {
		o := &now.Elements[i]
		if n := len(was.Elements[i].Pieces) - len(o.Pieces); n > 0 && o.Placed {
			out = append(out, Shortfall{o.ID, n})
		}
	}
	return out
}

// roomMaking is room being made on a tray on which element k was put down.
type roomMaking struct {
	ctx     context.Context
	larder  *food.Larder
	was     *tray.Tray // before
	tray    *tray.Tray // with what is held where it was put, and nothing else moved
	held    []int
	z       *Zone
	from    geom.Pose   // where the one that is held lay
	carried bool        // one is held, and it lay on the board before
	windows []geom.Rect // where things were put
	left    []geom.Rect // where they were taken from
	whole   int         // pieces on the tray
}

// outcome is one way in which room was made.
type outcome struct {
	tray   *tray.Tray
	lifted []string
	short  int // pieces that found no room, those of what was lifted among them
	score  float64
}

// best makes room in each way that there is, and takes the one in which most stays on board, and of
// those that keep all the one that the review likes best.
func (m *roomMaking) best() outcome {
	var ways []func() outcome
	k := m.held[0]
	if len(m.held) == 1 && m.tray.Elements[k].Kind() == food.KindLoose { // what is loose flows into place itself, unless it would end elsewhere
		to := m.tray.Elements[k].Pose().At()
		flow := m.flow()
		if flow.short == 0 && flow.tray.Elements[k].Pose().At().Dist(to) <= mostFlow {
			return flow
		}
		ways = append(ways, func() outcome { return flow })
	}
	// a heap that was put down together with a bowl flows round that
	together := len(m.held) > 1 && slices.ContainsFunc(m.held, func(i int) bool { return m.tray.Elements[i].Kind() == food.KindLoose })
	var parted []*solver
	tries := 1
	if m.carried && geom.BoxDepth(m.windows[0], m.left[0]) < .3*math.Min(m.windows[0].W(), m.windows[0].H()) {
		tries = 2
	}
	parted = make([]*solver, tries)
	workers.Do(tries, 2, func(i int) { parted[i] = m.part(i == 1) })
	// looking for places costs the most: only where least is stuck
	if tries == 2 {
		switch a, b := parted[0].left(), parted[1].left(); {
		case a > 1.2*b:
			parted = parted[1:]
		case b > 1.2*a:
			parted = parted[:1]
		}
	}
	for _, p := range parted {
		ways = append(ways, func() outcome { return m.finish(p, together) })
	}
	all := make([]outcome, len(ways))
	workers.Do(len(ways), 2, func(i int) {
		all[i] = ways[i]()
		if len(ways) > 1 {
			all[i].score = review.Judge(all[i].tray, m.larder).Score
		}
	})
	best := all[0]
	for _, o := range all[1:] {
		if o.short < best.short || o.short == best.short && o.score > best.score {
			best = o
		}
	}
	return best
}

// left is how much of what stands is still stuck, mm2 of boxes.
func (p *solver) left() (area float64) {
	for i := range p.bodies {
		if p.stuck(i) {
			area += p.bodies[i].box.W() * p.bodies[i].box.H()
		}
	}
	return area
}

// flow lets loose food that was put down flow round what stands.
func (m *roomMaking) flow() outcome {
	c := m.tray.Clone()
	out := outcome{tray: c}
	if given, did := giveWayIn(m.ctx, c, m.larder, m.z, m.held, true, append(slices.Clone(m.windows), m.left...)); did {
		out.tray = given
	}
	if out.short = m.whole - pieces(out.tray); out.short == 0 && !review.NewLive(out.tray, m.larder).Fits() {
		out.short = m.whole
	}
	return out
}

// part parts what stands; with change what lay where k was put first goes to the place from which it was taken.
func (m *roomMaking) part(change bool) *solver {
	c := m.tray.Clone()
	p := newSolver(m.z, c, m.held, false)
	for i := range p.bodies {
		if p.held[p.bodies[i].e] || p.stuck(i) {
			p.wake(i)
		}
	}
	if change {
		p.change(m.windows[0], m.left[0])
	}
	if !p.resolve(m.ctx, roomRounds) { // on a full board it goes on for longer, rather than that something is sent far
		p.resolve(m.ctx, 2*roomRounds)
	}
	if m.carried {
		p.toFreed(m.from)
	}
	p.standing = true
	return p
}

// finish finds places for what is still stuck, and lets loose food settle; with itself what is held does, too.
func (m *roomMaking) finish(p *solver, itself bool) outcome {
	c := p.t
	p.relocate(m.ctx)
	out := outcome{tray: c, lifted: p.write(m.ctx)}
	if given, did := giveWayIn(m.ctx, c, m.larder, m.z, m.held, itself, slices.Concat(m.windows, m.left, p.windows(m.was))); did {
		out.tray = given
	}
	out.short = m.whole - pieces(out.tray)
	return out
}

// change carries what stands in what was put down to where that was taken from: loose pieces as they
// lie, and what stands with its middle there.
func (p *solver) change(to, from geom.Rect) {
	by := from.Centre().Sub(to.Centre())
	for i := range p.bodies {
		l := &p.bodies[i]
		if p.held[l.e] || l.mobility == 0 || !l.box.Meets(to) || !l.loose && l.piece >= 0 {
			continue
		}
		under := false
		for j := range p.bodies {
			if p.held[p.bodies[j].e] {
				d, _, _, _ := p.overlap(i, j)
				under = under || d > .25*math.Min(l.box.W(), l.box.H())
			}
		}
		switch {
		case !under:
			continue
		case l.loose:
			l.put(by, 0)
		default:
			l.put(from.Centre().Sub(l.home), 0)
		}
		p.wake(i)
		l.from = offset{l.moved, l.turned}
	}
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

// movedOf lists the elements, other than those held and what was lifted, that lie otherwise than before.
func movedOf(was, now *tray.Tray, held []int, lifted []string) (out []string) {
	for i := range now.Elements {
		o := was.Find(now.Elements[i].ID)
		if !slices.Contains(held, i) && o >= 0 && !LiesAlike(&was.Elements[o], &now.Elements[i]) && !slices.Contains(lifted, now.Elements[i].ID) {
			out = append(out, now.Elements[i].ID)
		}
	}
	return out
}

// PartStanding parts what stands in each other on a tray, all of it awake, and lifts what finds no place at all. Loose
// food may lie in what stands afterwards.
func PartStanding(ctx context.Context, t *tray.Tray, z *Zone) {
	p := newSolver(z, t, nil, false)
	for i := range p.bodies {
		p.wake(i)
	}
	p.resolve(ctx, 2*roomRounds)
	p.standing = true
	p.relocate(ctx)
	p.write(ctx)
}
