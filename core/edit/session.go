package edit

import (
	"context"

	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
	"happytray/core/tray"
)

// Session follows a hand that carries things over a tray. A place gives the same answer whatever way led
// there. It is not safe for use by several goroutines at once.
type Session struct {
	was    *tray.Tray
	larder *food.Larder
	c      Command
	carry  *pack.Carry

	to      geom.Pose // where the hand is
	shown   pack.Carried
	settled *Result // what putting down there comes to, where that is known
}

// NewSession prepares a tray for what a move is of, that lies on the board, to be carried over it.
func NewSession(t *tray.Tray, larder *food.Larder, move Command) (*Session, error) {
	if move.Kind != Move || len(move.IDs) == 0 {
		return nil, fault.Bad("kind", "only what is moved can be carried")
	}
	if move.To == nil { // it is followed
		move.To = &geom.Pose{}
	}
	if err := move.check(); err != nil {
		return nil, err
	}
	for _, id := range move.IDs {
		if err := known(t, id); err != nil {
			return nil, err
		}
	}
	if t.Elements[t.Find(move.IDs[0])].Locked {
		return nil, fault.Bad("ids", "it is locked; unlock it first")
	}
	carry, err := pack.NewCarry(t, move.IDs[0], move.IDs[1:]...)
	if err != nil {
		return nil, err
	}
	return &Session{was: t, larder: larder, c: move, carry: carry, to: t.Elements[t.Find(move.IDs[0])].Pose()}, nil
}

// Preview is how the tray lies while the first of what is held is at a pose: everything else makes room, and
// goes back when the hand goes on. It is quick enough to follow a hand.
func (s *Session) Preview(ctx context.Context, to geom.Pose) pack.Carried {
	s.to, s.settled = to, nil
	switch {
	case s.c.Alone:
		s.shown = s.carry.Alone(to)
	case s.c.Hugs:
		s.shown = s.carry.Hugging(ctx, to)
	default:
		s.shown = s.carry.At(ctx, to)
	}
	return s.shown
}

// Commit puts down what is held where it was shown last, and keeps what was shown: only what was seen to find
// no room, and loose food that had not found its place yet, is still moved. Asked while the hand rests, it is
// what will lie there when the hand lets go: asked again, it is the very same.
func (s *Session) Commit(ctx context.Context) (Result, error) {
	if s.settled == nil {
		d := doing{ctx: ctx, was: s.was, larder: s.larder, c: s.c}
		res := s.commit(ctx)
		if ctx.Err() != nil { // half a change is none
			return Result{}, context.Cause(ctx)
		}
		d.now, d.Displaced = res.Tray, res.Displaced
		res = d.result()
		s.settled = &res
	}
	return *s.settled, nil
}

// To is where the hand was last.
func (s *Session) To() geom.Pose { return s.to }

func (s *Session) commit(ctx context.Context) Result {
	if s.c.Alone {
		now := s.was.Clone()
		for k, e := range s.shown.Elements {
			now.Elements[k] = e
		}
		return Result{Tray: now}
	}
	if s.shown.Elements == nil {
		s.Preview(ctx, s.to)
	}
	room := s.carry.PutDown(ctx, s.larder)
	out := Result{Tray: room.Tray, Displaced: Displaced{Moved: room.Moved, Lifted: room.Lifted, Fewer: room.Fewer}}
	if !s.c.Hugs && len(s.c.IDs) == 1 && s.shown.At != s.to {
		out.DrawnInMM = s.shown.At.At().Dist(s.to.At())
	}
	return out
}
