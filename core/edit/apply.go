package edit

import (
	"context"

	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
	"happytray/core/search"
	"happytray/core/tray"
)

// Result is a tray after a command.
type Result struct {
	Tray    *tray.Tray
	Changed []string // elements that are new or otherwise than before, in the order of the tray
	Gone    []string // elements that are no more: joined into another
	Displaced
	Says string // what was done, for the history: "moved the honey; the figs made room"
}

// Displaced is what a command did to what it was not meant for.
type Displaced struct {
	Moved     []string         // what made room, in the order of the tray
	Lifted    []string         // what found no room: it waits beside the board
	Fewer     []pack.Shortfall // of which some pieces found none: they went to reserve
	DrawnInMM float64          // how far what was put down was drawn in from the edge
	NoRoom    []string         // what was to be laid where there is room, and lies in the middle as there is none
}

// Apply does a command on a copy of a tray. What cannot be done is told as a fault, and the tray that was
// given stays as it is.
func Apply(ctx context.Context, t *tray.Tray, larder *food.Larder, c Command) (Result, error) {
	if err := c.check(); err != nil {
		return Result{}, err
	}
	if t.Board == nil {
		return Result{}, fault.Bad("board", "choose a board before laying the tray")
	}
	for _, id := range c.IDs {
		if err := known(t, id); err != nil {
			return Result{}, err
		}
	}
	if ctx.Err() != nil {
		return Result{}, context.Cause(ctx)
	}
	d := doing{ctx: ctx, was: t, larder: larder, c: c}
	err := d.do()
	if err == nil && ctx.Err() != nil { // half a change is none
		err = context.Cause(ctx)
	}
	if err != nil {
		return Result{}, err
	}
	return d.result(), nil
}

func known(t *tray.Tray, id string) error {
	if t.Find(id) < 0 {
		return fault.Bad("ids", "there is no element %.60q on this tray", id)
	}
	return nil
}

// doing is a command on its way.
type doing struct {
	ctx    context.Context
	was    *tray.Tray
	larder *food.Larder
	c      Command

	now *tray.Tray
	Displaced
}

func (d *doing) do() error {
	switch d.c.Kind {
	case Move:
		return d.move()
	case Lay:
		return d.lay()
	case TakeOff:
		return d.each(func(e *tray.Element) {
			e.Placed, e.Pieces, e.Path = false, []tray.Piece{}, nil
		})
	case Lock, Unlock:
		d.now = d.was.Clone()
		for _, id := range d.c.IDs {
			d.now.Elements[d.now.Find(id)].Locked = d.c.Kind == Lock
		}
		return nil
	case Form:
		return d.form()
	}
	room, err := byHand(d.ctx, d.was, d.larder, d.c)
	d.take(room)
	return err
}

// take keeps what a room came to.
func (d *doing) take(room pack.Displacement) {
	d.now, d.Moved, d.Lifted, d.Fewer = room.Tray, room.Moved, room.Lifted, room.Fewer
}

// each changes what it is done to, but what is locked.
func (d *doing) each(change func(e *tray.Element)) error {
	d.now = d.was.Clone()
	free := 0
	for _, id := range d.c.IDs {
		if e := &d.now.Elements[d.now.Find(id)]; !e.Locked {
			change(e)
			free++
		}
	}
	if free == 0 {
		return fault.Bad("ids", "it is locked; unlock it first")
	}
	return nil
}

// move puts things down, as they would be shown under a hand there.
func (d *doing) move() error {
	if d.was.Elements[d.was.Find(d.c.IDs[0])].Placed {
		s, err := NewSession(d.was, d.larder, d.c)
		if err != nil {
			return err
		}
		s.Preview(d.ctx, *d.c.To)
		res := s.commit(d.ctx)
		d.now, d.Displaced = res.Tray, res.Displaced
		return nil
	}
	if d.c.Alone {
		laid, err := pack.Put(d.was, d.larder, d.c.IDs[0], *d.c.To)
		if err != nil {
			return err
		}
		d.now = d.was.Clone()
		d.now.Elements[d.now.Find(laid.ID)] = laid
		return nil
	}
	room, err := pack.MakeRoom(d.ctx, d.was, d.larder, d.c.IDs[0], *d.c.To)
	if d.take(room); err == nil {
		d.DrawnInMM = drawnIn(d.now, d.c.IDs[0], *d.c.To)
	}
	return err
}

func drawnIn(t *tray.Tray, id string, to geom.Pose) float64 {
	return t.Elements[t.Find(id)].Pose().At().Dist(to.At())
}

// lay finds room for things, one after the other.
func (d *doing) lay() error {
	d.now = d.was.Clone()
	for _, id := range d.c.IDs {
		laid, room, err := search.FindRoom(d.ctx, d.now, d.larder, id)
		if err != nil {
			return err
		}
		if d.now.Elements[d.now.Find(id)] = laid; !room {
			d.NoRoom = append(d.NoRoom, id)
		}
	}
	return nil
}

// form gives a thing another form where it lies; everything else makes room.
func (d *doing) form() error {
	id := d.c.IDs[0]
	if e := &d.was.Elements[d.was.Find(id)]; e.Locked {
		return fault.Bad("ids", "it is locked; unlock it first")
	}
	e, err := pack.Reform(d.was, d.larder, id, d.c.Form)
	if err != nil {
		return err
	}
	d.now = d.was.Clone()
	d.now.Elements[d.now.Find(id)] = e
	if !e.Placed || d.c.Alone {
		return nil
	}
	room, err := pack.MakeRoom(d.ctx, d.now, d.larder, id, e.Pose())
	d.take(room)
	return err
}

// result tells what has become of the tray.
func (d *doing) result() Result {
	out := Result{Tray: d.now, Displaced: d.Displaced}
	changed := func(i int) bool {
		k := d.was.Find(d.now.Elements[i].ID)
		return k < 0 || !d.was.Elements[k].Alike(&d.now.Elements[i])
	}
	pack.Rest(d.now, changed)
	for i := range d.now.Elements {
		if changed(i) {
			out.Changed = append(out.Changed, d.now.Elements[i].ID)
		}
	}
	for i := range d.was.Elements {
		if id := d.was.Elements[i].ID; d.now.Find(id) < 0 {
			out.Gone = append(out.Gone, id)
		}
	}
	out.Says = d.says()
	return out
}
