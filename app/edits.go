package app

import (
	"context"
	"reflect"
	"slices"
	"time"

	"happytray/core/board"
	"happytray/core/edit"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/job"
	"happytray/core/pack"
	"happytray/core/review"
	"happytray/core/say"
	"happytray/core/tray"
	"happytray/store"
)

// openTray is a tray of a job as it was saved in a revision, ready for hands.
type openTray struct {
	*judged
	reading *job.Reading
	larder  *food.Larder // that the job was planned with
	units   say.Units    // of the house

	session *edit.Session // what is in a hand, guarded by mu of the review
	held    edit.Command  // and what is done with it
}

func (o *openTray) tray(which int) *tray.Tray { return o.reading.Trays[which] }

// Edit is a command to a tray of a saved job.
type Edit struct {
	Revision int64 // to which it is done
	Tray     int
	Command  edit.Command
	VesselID string // of a command that wants one; "" for the next that holds the element
}

// Edited is what a command came to.
type Edited struct {
	Revision int64
	SavedAt  time.Time // zero in a preview
	edit.Displaced
	Says    string
	Changed []tray.Element // new ones last
	Gone    []string
	Vessels []board.Vessel // of the tray, where one has come
	Reserve []tray.Reserve // of the tray, where Kept
	Kept    bool           // the reserve is otherwise than before
	Carried *Carried       // in the preview of a move
	Review  review.Review
}

// Carried is how a tray lies while something is held over it.
type Carried struct {
	At     geom.Pose // where what is held would be put down
	Shifts []pack.Shift
	Stuck  []string // what finds no room
}

// open readies a tray of a job as it was saved. Only its last state is prepared for hands; an earlier one is
// read where past is asked for: a command that was done already, and is sent again as its answer was lost,
// comes to the same.
func (a *App) open(ctx context.Context, id string, revision int64, which int, past bool) (*openTray, error) {
	key := savedTray{id, revision, which}
	if o, ok := a.judged.saved.Get(key); ok {
		return o, nil
	}
	h, err := a.House(ctx)
	if err != nil {
		return nil, err
	}
	now, err := a.savedTray(ctx, id, which, h)
	if err == nil && now.revision != revision {
		if !past {
			return nil, store.ErrConflict
		}
		now, err = a.trayAt(ctx, id, revision, which, h)
	}
	if err != nil {
		return nil, err
	}
	o := &openTray{judged: prepare(now.tray(), now.larder), reading: now.reading, larder: now.larder, units: a.units(ctx)}
	a.judged.saved.Add(key, o)
	return o, nil
}

// Preview tells how a command would leave a tray; of a move that everything makes room, and goes back when the
// hand goes on. It is quick enough to follow a hand; where the hand rests, it is what putting down comes to.
func (a *App) Preview(ctx context.Context, id string, e Edit, rests bool) (Edited, error) {
	o, err := a.open(ctx, id, e.Revision, e.Tray, false)
	if err != nil {
		return Edited{}, err
	}
	if e.Command.Kind == edit.Move && e.Command.To != nil && e.lies(o) {
		return o.carry(ctx, e, rests)
	}
	res, err := a.apply(ctx, o, e)
	if err != nil {
		return Edited{}, err
	}
	out := edited(o.tray(e.Tray), res)
	out.Revision = e.Revision
	out.Review = review.Judge(res.Tray, o.larder).Shown(o.units)
	return out, nil
}

// lies reports whether what is moved lies on the board.
func (e Edit) lies(o *openTray) bool {
	t := o.tray(e.Tray)
	k := -1
	if len(e.Command.IDs) > 0 {
		k = t.Find(e.Command.IDs[0])
	}
	return k >= 0 && t.Elements[k].Placed
}

// carry tells how everything makes room for what is held.
func (o *openTray) carry(ctx context.Context, e Edit, rests bool) (Edited, error) {
	o.mu.Lock()
	defer o.mu.Unlock()
	if err := o.take(e); err != nil {
		return Edited{}, err
	}
	was := o.tray(e.Tray)
	if rests {
		if o.session.To() != *e.Command.To {
			o.session.Preview(ctx, *e.Command.To)
		}
		res, err := o.session.Commit(ctx)
		if err != nil {
			return Edited{}, err
		}
		out := edited(was, res)
		out.Changed = nil
		lies := map[int]tray.Element{}
		for _, id := range res.Changed {
			lies[was.Find(id)] = res.Tray.Elements[res.Tray.Find(id)]
		}
		held := res.Tray.Elements[res.Tray.Find(e.Command.IDs[0])].Pose()
		out.Carried = &Carried{At: held, Shifts: shifts(was, lies), Stuck: res.Lifted}
		out.Revision, out.Review = e.Revision, o.with(lies).Shown(o.units)
		return out, nil
	}
	now := o.session.Preview(ctx, *e.Command.To)
	out := Edited{Revision: e.Revision, Carried: &Carried{At: now.At, Shifts: now.Shifts}, Review: o.with(now.Elements).Shown(o.units)}
	for _, k := range now.Stuck {
		out.Carried.Stuck = append(out.Carried.Stuck, was.Elements[k].ID)
	}
	return out, nil
}

// take makes what a command moves what is in the hand.
func (o *openTray) take(e Edit) error {
	c := e.Command
	if o.session != nil && slices.Equal(o.held.IDs, c.IDs) && o.held.Hugs == c.Hugs && o.held.Alone == c.Alone {
		return nil
	}
	s, err := edit.NewSession(o.tray(e.Tray), o.larder, c)
	if err == nil {
		o.session, o.held = s, c
	}
	return err
}

// shifts are the pieces of some elements that lie otherwise than on a tray; of those with other pieces than
// before none.
func shifts(was *tray.Tray, lies map[int]tray.Element) (out []pack.Shift) {
	for k := range was.Elements {
		e, ok := lies[k]
		if !ok || len(e.Pieces) != len(was.Elements[k].Pieces) {
			continue
		}
		for n := range e.Pieces {
			p, o := &e.Pieces[n], &was.Elements[k].Pieces[n]
			if p.At != o.At || p.TurnDeg != o.TurnDeg {
				out = append(out, pack.Shift{Element: k, Piece: n, At: p.At, TurnDeg: p.TurnDeg})
			}
		}
	}
	return out
}

// EditJob does a command to a tray of a job and keeps it as the next revision. store.ErrConflict means that the
// job has moved on. What is put down where it was seen to rest lies as it was seen.
func (a *App) EditJob(ctx context.Context, id string, e Edit) (Edited, error) {
	o, err := a.open(ctx, id, e.Revision, e.Tray, true)
	if err != nil {
		return Edited{}, err
	}
	res, err := a.apply(ctx, o, e)
	if err != nil {
		return Edited{}, err
	}
	if e.Command.Kind == edit.Lean && len(res.Changed) == 0 { // it is told, and no step to undo
		return Edited{}, fault.Bad("element", "%s", say.Upper(res.Says))
	}
	raw, err := o.reading.With(e.Tray, res.Tray).Write()
	if err != nil {
		return Edited{}, err
	}
	out := edited(o.tray(e.Tray), res)
	if out.Revision, out.SavedAt, err = a.SaveJob(ctx, id, e.Revision, raw, res.Says); err != nil {
		return Edited{}, err
	}
	now, err := a.open(ctx, id, out.Revision, e.Tray, true)
	if err == nil {
		out.Review = now.review.Shown(now.units)
	}
	return out, err
}

// apply does a command.
func (a *App) apply(ctx context.Context, o *openTray, e Edit) (edit.Result, error) {
	was, c := o.tray(e.Tray), e.Command
	if c.Kind == edit.Vessel && len(c.IDs) > 0 {
		v, err := a.vessel(ctx, was, o.larder, c.IDs[0], e.VesselID)
		if err != nil {
			return edit.Result{}, err
		}
		c.Vessel = v
	}
	o.mu.Lock()
	defer o.mu.Unlock()
	if s := o.session; s != nil && c.Kind == edit.Move && c.To != nil && slices.Equal(o.held.IDs, c.IDs) && o.held.Hugs == c.Hugs && o.held.Alone == c.Alone && s.To() == *c.To {
		return s.Commit(ctx)
	}
	return edit.Apply(ctx, was, o.larder, c)
}

// vessel is one of a tray's vessels, or of the house's; where none is named, the next that holds the element.
func (a *App) vessel(ctx context.Context, t *tray.Tray, larder *food.Larder, element, id string) (*board.Vessel, error) {
	h, err := a.House(ctx)
	if err != nil {
		return nil, err
	}
	vessels := h.Cabinet.Vessels()
	if id == "" {
		return edit.NextVessel(t, larder, element, vessels)
	}
	if v, ok := t.Vessel(id); ok {
		return &v, nil
	}
	for i := range vessels {
		if vessels[i].ID == id {
			return &vessels[i], nil
		}
	}
	return nil, fault.Bad("vessel", "there is no vessel %.60q", id)
}

// edited tells what a command has changed of a tray.
func edited(was *tray.Tray, res edit.Result) Edited {
	out := Edited{Displaced: res.Displaced, Says: res.Says, Gone: res.Gone}
	for _, id := range res.Changed {
		out.Changed = append(out.Changed, res.Tray.Elements[res.Tray.Find(id)])
	}
	if len(was.Vessels) != len(res.Tray.Vessels) {
		out.Vessels = res.Tray.Vessels
	}
	if !reflect.DeepEqual(was.Reserve, res.Tray.Reserve) {
		out.Reserve, out.Kept = res.Tray.Reserve, true
	}
	return out
}
