package pack

import (
	"context"
	"maps"
	"math"
	"slices"

	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/review"
	"happytray/core/round"
	"happytray/core/tray"
)

// Carry follows an element in a hand, and what moves along with it: wherever it is held, it tells how everything else makes room for
// it, and goes back when the hand goes on. It is MakeRoom without what takes longer than a frame: nothing
// looks for another place. It is not safe for use by several goroutines at once.
type Carry struct {
	t *tray.Tray
	k int // the one that the hand has hold of
	z *Zone
	p *solver
	h hugging

	lies map[int]tray.Element // what lies otherwise in what was shown last, with every piece
	to   geom.Pose            // where what is held was shown
}

// Carried is how a tray lies while an element is held at a pose.
type Carried struct {
	// At is the pose to which what is held would be put down: drawn inside, and against what it comes near to.
	At geom.Pose
	// Elements that lie otherwise than on the tray itself, by their place on it; the one that is held
	// among them, as it would be put down: drawn inside, or flown into place. Loose pieces that have not
	// found their place yet, as they will when it is put down, are left out.
	Elements map[int]tray.Element
	// Shifts are the same, piece by piece.
	Shifts []Shift
	// Stuck lists what finds no room where it is, by its place on the tray.
	Stuck []int
}

// Shift is how a piece lies otherwise than before.
type Shift struct {
	Element, Piece int        // places in Tray.Elements and in the element's Pieces
	At             geom.Point // where its middle lies then, board coordinates in mm
	TurnDeg        float64
}

// carryRounds bounds the projections of a frame.
const carryRounds = 24

// NewCarry prepares a tray for an element of it, that lies on the board, to be carried, and for others that
// move along as it goes.
func NewCarry(t *tray.Tray, id string, along ...string) (*Carry, error) {
	k := t.Find(id)
	switch {
	case t.Board == nil:
		return nil, fault.Bad("board", "choose a board before laying the tray")
	case k < 0:
		return nil, fault.Bad("element", "there is no element %.60q on this tray", id)
	case !t.Elements[k].Placed || len(t.Elements[k].Pieces) == 0:
		return nil, fault.Bad("element", "%.60q does not lie on the board", id)
	}
	c := &Carry{t: t.Clone(), k: k, h: newHugging(t, k)}
	held := []int{k}
	for _, id := range along {
		i := t.Find(id)
		if i < 0 {
			return nil, fault.Bad("along", "there is no element %.60q on this tray", id)
		}
		if i != k && t.Elements[i].Placed && !t.Elements[i].Locked {
			held = append(held, i)
		}
	}
	c.z = NewZone(c.t.Board)
	c.p = newSolver(c.z, c.t, held, true)
	return c, nil
}

// At is how the tray lies while the element is held at a pose.
func (c *Carry) At(ctx context.Context, to geom.Pose) Carried {
	return c.at(ctx, geom.Pose{X: to.X, Y: to.Y, Turn: geom.NormalTurn(to.Turn)})
}

// Hugging is At for what is drawn against what it comes near to.
func (c *Carry) Hugging(ctx context.Context, to geom.Pose) Carried {
	to.Turn = geom.NormalTurn(to.Turn)
	if len(c.p.held) == 1 {
		to = c.h.drawn(to)
	}
	return c.at(ctx, to)
}

// Alone is At where nothing else makes room, and nothing is drawn inside.
func (c *Carry) Alone(to geom.Pose) Carried {
	from := c.t.Elements[c.k].Pose()
	out := Carried{At: to, Elements: map[int]tray.Element{}}
	for i := range c.t.Elements {
		if !c.p.held[i] {
			continue
		}
		e := c.t.Elements[i]
		e.Pieces = slices.Clone(e.Pieces)
		turned := geom.Pose{Turn: to.Turn - from.Turn}
		at := to.At().Add(turned.Apply(e.Pose().At().Sub(from.At())))
		e.MoveTo(geom.Pose{X: at.X, Y: at.Y, Turn: geom.NormalTurn(e.TurnDeg + turned.Turn)})
		out.Elements[i] = e
		for n := range e.Pieces {
			out.Shifts = append(out.Shifts, Shift{i, n, e.Pieces[n].At, e.Pieces[n].TurnDeg})
		}
	}
	c.lies, c.to = out.Elements, to
	return out
}

func (c *Carry) at(ctx context.Context, to geom.Pose) Carried {
	p := c.p
	held := c.t.Elements[c.k]
	held.MoveTo(to)
	if len(c.p.held) == 1 {
		DrawIn(c.z, &held)
	}
	if c.part(ctx, held.Pose(), true); c.crowded() { // loose food that cannot flow round what stands: that makes room
		c.part(ctx, held.Pose(), false)
	}
	out := Carried{At: held.Pose(), Elements: map[int]tray.Element{}}
	stuck := map[int]bool{}
	for _, i := range p.active {
		l := &p.bodies[i]
		if !p.held[l.e] && !l.loose && !stuck[l.e] && p.stands(i) {
			stuck[l.e] = true
			out.Stuck = append(out.Stuck, l.e)
		}
		if !l.hasMoved() && !p.held[l.e] {
			continue
		}
		e, ok := out.Elements[l.e]
		if !ok {
			e = c.t.Elements[l.e]
			e.Pieces = append([]tray.Piece(nil), e.Pieces...)
		}
		first, last := 0, len(e.Pieces)
		if l.piece >= 0 {
			first, last = l.piece, l.piece+1
		}
		for n := first; n < last; n++ {
			q := &e.Pieces[n]
			q.Outline, q.At, q.TurnDeg = l.outlines[n-first].Outline.Round(), l.imageOf(q.At).Round(), round.Hundredth(geom.NormalTurn(q.TurnDeg+l.turned))
			out.Shifts = append(out.Shifts, Shift{l.e, n, q.At, q.TurnDeg})
		}
		if l.piece < 0 {
			pose := e.Pose()
			at := l.imageOf(pose.At()).Round()
			e.X, e.Y, e.TurnDeg = at.X, at.Y, round.Hundredth(geom.NormalTurn(pose.Turn+l.turned))
		}
		out.Elements[l.e] = e
	}
	c.lies, c.to = maps.Clone(out.Elements), out.At
	for i, e := range out.Elements {
		if e.Kind() == food.KindLoose && e.Vessel == "" {
			if e.Pieces = c.settled(i, e.Pieces); len(e.Pieces) == 0 {
				e.Placed, e.Pieces = false, []tray.Piece{}
				out.Elements[i] = e
				continue
			}
			at := MiddleOf(e.Pieces).Round()
			e.X, e.Y = at.X, at.Y
			out.Elements[i] = e
		}
	}
	return out
}

// PutDown puts what is held down where it was shown last, and everything else stays as it made room then: only
// what was seen to find none, and loose food that had not found its place yet, is still moved. Where something
// finds no room like that, room is made anew, from how the tray lay before, if more finds its place so.
func (c *Carry) PutDown(ctx context.Context, larder *food.Larder) Displacement {
	held := make([]int, 0, len(c.p.held))
	for i := range c.t.Elements { // in the order of the tray
		if c.p.held[i] && i != c.k {
			held = append(held, i)
		}
	}
	held = append([]int{c.k}, held...)
	lies := c.t.Clone()
	for i, e := range c.lies {
		e.Pieces = slices.Clone(e.Pieces)
		if lies.Elements[i] = e; e.Kind() == food.KindLoose && e.Vessel == "" {
			Recentre(&lies.Elements[i])
		}
	}
	m := newRoomMaking(ctx, larder, c.t, lies, c.z, held)
	for _, i := range c.p.active { // loose food settles wherever something made room
		if l := &c.p.bodies[i]; l.hasMoved() {
			m.windows = append(m.windows, l.box, l.box.Move(l.moved.Mul(-1)))
		}
	}
	flows := slices.ContainsFunc(held, func(i int) bool { return c.t.Elements[i].Kind() == food.KindLoose })
	if out := m.asShown(flows); out.short <= fewToReserve && review.NewLive(out.tray, larder).Fits() {
		return m.displacement(out)
	}
	out := m.refilled(m.finish(m.part(false), flows))
	if flows && out.short == 0 && !review.NewLive(out.tray, larder).Fits() { // as pieces that flow may come to lie
		out.short = m.whole
	}
	if out.short > fewToReserve {
		bare := c.t.Clone()
		for _, i := range held {
			to := lies.Elements[i].Pose()
			if i == c.k { // the middle of what has flowed is another
				to = c.to
			}
			bare.Elements[i].MoveTo(to)
			DrawIn(c.z, &bare.Elements[i])
		}
		if anew := newRoomMaking(ctx, larder, c.t, bare, c.z, held).best(); anew.short < out.short {
			out = anew
		}
	}
	return m.displacement(out)
}

// fewToReserve is how many loose pieces go to reserve rather than that what was shown lies elsewhere.
const fewToReserve = 3

// settled are the loose pieces of an element that lie in nothing else's.
func (c *Carry) settled(e int, pieces []tray.Piece) (out []tray.Piece) {
	still := map[int]bool{}
	for _, i := range c.p.active {
		l := &c.p.bodies[i]
		if l.e != e || !l.loose {
			continue
		}
		c.p.near(i, true, func(j int) bool {
			if c.p.bodies[j].e != e {
				if d, _, _, _ := c.p.overlap(i, j); d > tolerance {
					still[l.piece] = true
				}
			}
			return !still[l.piece]
		})
	}
	for n := range pieces {
		if !still[n] {
			out = append(out, pieces[n])
		}
	}
	return out
}

// part puts what is held at a pose and parts everything round it; loose food that is held flows, too, or
// stays as it is.
func (c *Carry) part(ctx context.Context, now geom.Pose, flows bool) {
	p := c.p
	for _, i := range p.active {
		p.bodies[i].goBack()
	}
	p.sleep()
	from := c.t.Elements[c.k].Pose()
	for i := range p.bodies {
		l := &p.bodies[i]
		if !p.held[l.e] {
			continue
		}
		if l.loose {
			if l.mobility = 0; flows {
				l.mobility = mobilityOf(&c.t.Elements[l.e].Pieces[l.piece])
			}
		}
		turn := now.Turn - from.Turn
		l.put(now.At().Add(geom.Pose{Turn: turn}.Apply(l.home.Sub(from.At()))).Sub(l.home), turn)
		l.from = offset{l.moved, l.turned}
		p.wake(i)
	}
	p.resolve(ctx, carryRounds)
}

// crowded reports whether loose food that is held is seen to lie in something that stands.
func (c *Carry) crowded() bool {
	for _, i := range c.p.active {
		if l := &c.p.bodies[i]; c.p.held[l.e] && l.loose && c.p.stands(i) {
			return true
		}
	}
	return false
}

// MiddleOf is the mean place of some pieces.
func MiddleOf(pieces []tray.Piece) (mid geom.Point) {
	for n := range pieces {
		mid = mid.Add(pieces[n].At)
	}
	return mid.Mul(1 / math.Max(1, float64(len(pieces))))
}

// seen is how deep something must stand in another to be shown as finding no room, mm.
const seen = 2.5

// stands reports whether a body is seen to stand in another.
func (p *solver) stands(i int) bool {
	hit := false
	p.near(i, false, func(j int) bool {
		d, _, _, _ := p.overlap(i, j)
		hit = d > seen
		return !hit
	})
	return hit
}
