package edit

import (
	"context"

	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
	"happytray/core/tray"
)

const (
	mostLiftMM = 80
	// mostOfOne is how many pieces a hand gives one group: more than any heap has, few enough that room is made soon.
	mostOfOne = 600
)

// byHand does a command on a copy of a tray, and lets everything else make room for what came of it. Food that
// is added comes from reserve as far as there is some, and what is taken away goes there. What cannot
// be done is told as a fault.
func byHand(ctx context.Context, t *tray.Tray, larder *food.Larder, c Command) (pack.Displacement, error) {
	e, f, spec, err := pack.Lookup(t, larder, c.IDs[0])
	if err != nil {
		return pack.Displacement{}, err
	}
	if !e.Placed || len(e.Pieces) == 0 {
		return pack.Displacement{}, fault.Bad("element", "%s: not on the board yet; lay it first", f.Name)
	}
	h := hand{t: t.Clone(), larder: larder, food: f, spec: spec}
	h.k = h.t.Find(c.IDs[0])
	h.e = &h.t.Elements[h.k]
	if h.e.Locked && c.Kind != Duplicate {
		return pack.Displacement{}, fault.Bad("element", "%s: locked; unlock it first", f.Name)
	}
	switch c.Kind {
	case Pile:
		given, err := h.pile(ctx)
		return pack.Displacement{Tray: given}, err
	case HideFoot:
		given, err := h.hideFoot(ctx)
		return pack.Displacement{Tray: given}, err
	case Lean:
		if leans, err := h.lean(); err != nil || leans {
			return pack.Displacement{Tray: h.t}, err
		}
		return pack.MakeRoomAround(ctx, larder, t, h.t, nil, []int{h.k}), nil
	}
	held, err := h.do(c)
	if err != nil {
		return pack.Displacement{}, err
	}
	return pack.MakeRoomAround(ctx, larder, t, h.t, nil, held), nil
}

// hand is a tray on which an act is done.
type hand struct {
	t      *tray.Tray
	larder *food.Larder
	k      int
	e      *tray.Element
	food   *food.Food
	spec   food.Spec
}

// do changes the tray; it answers with what the others make room for.
func (h *hand) do(c Command) (held []int, err error) {
	switch c.Kind {
	case Swap:
		return h.swap(c.IDs[1])
	case Duplicate:
		return h.duplicate()
	case Split:
		return h.split()
	case Join:
		return h.join(c.IDs[1])
	case Amount:
		err = h.amount(c.Count)
	case Vessel:
		err = h.vessel(c.Vessel)
	case Lift:
		err = h.lift(c.LiftMM)
	case Circle:
		err = h.circle(c.Deg)
	case Open:
		err = h.open(c.Open)
	case Bend:
		err = h.bend(c.Path)
	}
	return []int{h.k}, err
}

// other finds what an act is done with.
func (h *hand) other(id string) (int, error) {
	o := h.t.Find(id)
	if o < 0 || o == h.k {
		return 0, fault.Bad("other", "choose a second thing on this tray")
	}
	if e := &h.t.Elements[o]; !e.Placed || len(e.Pieces) == 0 {
		return 0, fault.Bad("other", "that does not lie on the board; lay it first")
	}
	return o, nil
}

// shift shifts an element with all its pieces.
func shift(e *tray.Element, by geom.Point) {
	p := e.Pose()
	e.MoveTo(geom.Pose{X: p.X + by.X, Y: p.Y + by.Y, Turn: p.Turn})
}
