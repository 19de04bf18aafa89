package arrange

import (
	"context"
	"math"
	"slices"

	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/review"
	"happytray/core/round"
	"happytray/core/tray"
	"happytray/core/workers"
)

// Room is a tray on which one element was put down and the rest has made room.
type Room struct {
	Tray   *tray.Tray
	Moved  []string // elements that gave way, in the order of the tray
	Lifted []string // those that found no room: they wait beside the board
	Fewer  []Fewer  // those of which some pieces found none: they went to reserve
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
	return MakeRoomFor(ctx, t, larder, Held{id, at})
}

// Held is an element that a hand puts at a pose.
type Held struct {
	ID string
	At geom.Pose
}

// MakeRoomFor is MakeRoom for several elements that are put down together.
func MakeRoomFor(ctx context.Context, t *tray.Tray, larder *food.Larder, all ...Held) (Room, error) {
	if t.Board == nil {
		return Room{}, fault.Bad("board", "choose a board before laying the tray")
	}
	if len(all) == 0 {
		return Room{}, fault.Bad("element", "say what is to be put down")
	}
	c := t.Clone()
	held := make([]int, 0, len(all))
	z := newZone(c.Board)
	for _, h := range all {
		e, _, _, err := element(t, larder, h.ID)
		if err != nil {
			return Room{}, err
		}
		k := c.Find(h.ID)
		if e.Placed && len(e.Pieces) > 0 {
			c.Elements[k].MoveTo(geom.Pose{X: h.At.X, Y: h.At.Y, Turn: geom.NormalTurn(h.At.Turn)})
		} else if c.Elements[k], err = Put(c, larder, h.ID, h.At); err != nil {
			return Room{}, err
		}
		held = append(held, k)
	}
	return roomOn(ctx, larder, t, c, &z, held), nil
}

// roomOn lets everything make room on a tray c for some of its elements, that were laid on it by hand, each
// drawn inside where it would hang over the edge or a handle; was is the tray as it lay before.
func roomOn(ctx context.Context, larder *food.Larder, was, c *tray.Tray, z *zone, held []int) Room {
	if z == nil {
		made := newZone(c.Board)
		z = &made
	}
	for _, k := range held {
		drawIn(z, &c.Elements[k])
	}
	m := newMaking(ctx, larder, was, c, z, held)
	return m.room(m.best())
}

// room is what an outcome came to.
func (m *making) room(out outcome) Room {
	return Room{Tray: out.tray, Moved: movedOf(m.was, out.tray, m.held, out.lifted), Lifted: out.lifted, Fewer: fewerOf(m.tray, out.tray)}
}

// newMaking readies a tray c on which some elements were put down for the rest to make room; was is the tray
// before.
func newMaking(ctx context.Context, larder *food.Larder, was, c *tray.Tray, z *zone, held []int) *making {
	m := &making{ctx: ctx, larder: larder, was: was, tray: c, held: held, z: z, whole: pieces(c)}
	for n, k := range held {
		m.windows = append(m.windows, boxOf(c.Elements[k].Pieces))
		if o := was.Find(c.Elements[k].ID); o >= 0 && was.Elements[o].Placed && len(was.Elements[o].Pieces) > 0 {
			from := boxOf(was.Elements[o].Pieces)
			if n == 0 && len(held) == 1 {
				m.from, m.carried = was.Elements[o].Pose(), true
			}
			m.left = append(m.left, from)
		}
	}
	return m
}

// Fewer is an element that lies with so many pieces less than before.
type Fewer struct {
	ID     string
	Pieces int // that are missing
}

// fewerOf lists what lies with fewer pieces than before.
func fewerOf(was, now *tray.Tray) (out []Fewer) {
	for i := range was.Elements {
		o := &now.Elements[i]
		if n := len(was.Elements[i].Pieces) - len(o.Pieces); n > 0 && o.Placed {
			out = append(out, Fewer{o.ID, n})
		}
	}
	return out
}

// making is room being made on a tray on which element k was put down.
type making struct {
	ctx     context.Context
	larder  *food.Larder
	was     *tray.Tray // before
	tray    *tray.Tray // with what is held where it was put, and nothing else moved
	held    []int
	z       *zone
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
func (m *making) best() outcome {
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
	var parted []*parting
	tries := 1
	if m.carried && geom.BoxDepth(m.windows[0], m.left[0]) < .3*math.Min(m.windows[0].W(), m.windows[0].H()) {
		tries = 2
	}
	parted = make([]*parting, tries)
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
		ways = append(ways, func() outcome { return m.finish(p, false) })
	}
	all := make([]outcome, len(ways))
	workers.Do(len(ways), 2, func(i int) {
		all[i] = ways[i]()
		if len(ways) > 1 {
			all[i].score = review.Of(all[i].tray, m.larder).Score
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
func (p *parting) left() (area float64) {
	for i := range p.lumps {
		if p.stuck(i) {
			area += p.lumps[i].box.W() * p.lumps[i].box.H()
		}
	}
	return area
}

// flow lets loose food that was put down flow round what stands.
func (m *making) flow() outcome {
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
func (m *making) part(change bool) *parting {
	c := m.tray.Clone()
	p := newParting(m.z, c, m.held, false)
	for i := range p.lumps {
		if p.held[p.lumps[i].e] || p.stuck(i) {
			p.wake(i)
		}
	}
	if change {
		p.change(m.windows[0], m.left[0])
	}
	p.part(m.ctx, roomRounds)
	if m.carried {
		p.fillIn(m.from)
	}
	p.standing = true
	return p
}

// finish finds places for what is still stuck, and lets loose food settle; with itself what is held does, too.
func (m *making) finish(p *parting, itself bool) outcome {
	c := p.t
	p.elsewhere(m.ctx)
	out := outcome{tray: c, lifted: p.write(m.ctx)}
	if given, did := giveWayIn(m.ctx, c, m.larder, m.z, m.held, itself, slices.Concat(m.windows, m.left, p.windows(m.was))); did {
		out.tray = given
	}
	out.short = m.whole - pieces(out.tray)
	return out
}

// change carries what stands in what was put down to where that was taken from: loose pieces as they
// lie, and what stands with its middle there.
func (p *parting) change(to, from geom.Rect) {
	by := from.Centre().Sub(to.Centre())
	for i := range p.lumps {
		l := &p.lumps[i]
		if p.held[l.e] || l.light == 0 || !l.box.Meets(to) || !l.loose && l.piece >= 0 {
			continue
		}
		under := false
		for j := range p.lumps {
			if p.held[p.lumps[j].e] {
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
		l.from = lying{l.by, l.turn}
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
		if !slices.Contains(held, i) && o >= 0 && !liesAlike(&was.Elements[o], &now.Elements[i]) && !slices.Contains(lifted, now.Elements[i].ID) {
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

// write puts the lumps where they have come to; what is still stuck is lifted. It lists what was.
func (p *parting) write(ctx context.Context) (lifted []string) {
	off := map[int]bool{}
	for { // the one that stands in most goes first: the others may be free then
		worst, most := -1, tolerance
		for i := range p.lumps {
			if !p.stuck(i) {
				continue
			}
			deep := p.inside(&p.lumps[i]).Len()
			p.near(i, false, func(j int) bool {
				if d, _, _, _ := p.overlap(i, j); d > deep {
					deep = d
				}
				return true
			})
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
		case !l.moved():
		case l.part != [2]int{}:
			for n := l.part[0]; n < l.part[1]; n++ {
				q := &e.Pieces[n]
				q.Outline, q.At, q.TurnDeg = l.bodies[n-l.part[0]].Outline.Round(), l.carries(q.At).Round(), round.Hundredth(geom.NormalTurn(q.TurnDeg+l.turn))
			}
		case l.piece < 0:
			pose := e.Pose()
			at := l.carries(pose.At())
			e.MoveTo(geom.Pose{X: at.X, Y: at.Y, Turn: pose.Turn + l.turn})
		default:
			q := &e.Pieces[l.piece]
			q.Outline, q.At, q.TurnDeg = l.bodies[0].Outline.Round(), l.carries(q.At).Round(), round.Hundredth(geom.NormalTurn(q.TurnDeg+l.turn))
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
	e.Grams = round.Tenth(each * float64(e.Count))
	p.t.Reserve = append(p.t.Reserve, tray.Reserve{Food: e.Food, Form: e.Form, Grams: round.Tenth(each * float64(len(gone))), Count: len(gone), Why: noRoom})
}

// windows are the boxes in which something was moved, before and after.
func (p *parting) windows(was *tray.Tray) (out []geom.Rect) {
	for i := range p.lumps {
		if l := &p.lumps[i]; l.moved() || l.gone {
			if out = append(out, l.box); l.e < len(was.Elements) && len(was.Elements[l.e].Pieces) > 0 {
				out = append(out, boxOf(was.Elements[l.e].Pieces))
			}
		}
	}
	return out
}
