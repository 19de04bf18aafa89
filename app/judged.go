package app

import (
	"bytes"
	"context"
	"fmt"
	"hash/maphash"
	"slices"
	"sync"

	lru "github.com/hashicorp/golang-lru/v2"

	"happytray/core/arrange"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/job"
	"happytray/core/review"
	"happytray/core/tray"
	"happytray/store"
)

// mostJudged is how many trays have their review prepared at a time, some 1.6 MB each, and
// mostElements how many elements such a tray may have.
const (
	mostJudged   = 24
	mostElements = 200
)

// judgedCache holds the prepared reviews of the trays that are being worked on: by what
// lies on them, and by the revision in which it was saved. It is only a cache: any process
// can prepare one again.
type judgedCache struct {
	surfaces *lru.Cache[uint64, *judged]
	saved    *lru.Cache[savedTray, *judged]
	seed     maphash.Seed
}

type savedTray struct {
	job      string
	revision int64
	tray     int
}

// judged is a tray's prepared review.
type judged struct {
	house   int64 // the version of the house whose foods it was judged by
	surface []byte
	review  review.Review // with everything where it lies

	mu    sync.Mutex
	live  *review.Live
	home  []tray.Element // as they lie
	moved map[int]bool   // which lie otherwise in live

	carry   *arrange.Carry // what is in a hand
	carried []string
}

func newJudgedCache(most int) judgedCache {
	surfaces, err := lru.New[uint64, *judged](most)
	if err != nil {
		panic(err) // only for a size under one
	}
	saved, err := lru.New[savedTray, *judged](most)
	if err != nil {
		panic(err)
	}
	return judgedCache{surfaces, saved, maphash.MakeSeed()}
}

// judge judges one of a job's trays, unless just that surface was judged lately.
func (a *App) judge(r *job.Reading, which int, larder *food.Larder, h *House) (*judged, error) {
	t := r.Trays[which]
	if len(t.Elements) > mostElements {
		return &judged{review: review.Of(t, larder)}, nil
	}
	surface, err := r.Surface(which)
	if err != nil {
		return nil, err
	}
	key := maphash.Bytes(a.judged.seed, surface)
	if was, ok := a.judged.surfaces.Get(key); ok && was.house == h.Version && bytes.Equal(was.surface, surface) {
		return was, nil
	}
	v := prepare(t, larder)
	v.house, v.surface = h.Version, surface
	a.judged.surfaces.Add(key, v)
	return v, nil
}

func prepare(t *tray.Tray, larder *food.Larder) *judged {
	v := &judged{live: review.NewLive(t, larder), moved: map[int]bool{}}
	v.home = slices.Clone(v.live.Tray().Elements)
	v.review = v.live.Review()
	return v
}

// with judges the tray with some elements lying otherwise, by their place on it.
func (v *judged) with(otherwise map[int]tray.Element) review.Review {
	for k := range v.moved {
		if _, still := otherwise[k]; !still {
			v.live.Set(k, v.home[k])
			delete(v.moved, k)
		}
	}
	for k, e := range otherwise {
		if now := &v.live.Tray().Elements[k]; now.Pose() != e.Pose() || !slices.EqualFunc(now.Pieces, e.Pieces, liesAlike) {
			v.live.Set(k, e)
		}
		v.moved[k] = true
	}
	return v.live.Review()
}

func liesAlike(a, b tray.Piece) bool { return a.At == b.At && a.TurnDeg == b.TurnDeg }

// ReviewTray judges a job's first tray.
func (a *App) ReviewTray(r *job.Reading, larder *food.Larder, h *House) (review.Review, error) {
	v, err := a.judge(r, 0, larder, h)
	if err != nil {
		return review.Review{}, err
	}
	return v.review, nil
}

// Move is where an element would lie.
type Move struct {
	ID string
	To geom.Pose
}

// saved is the prepared review of a tray of a job as it was saved in a revision.
func (a *App) saved(ctx context.Context, id string, revision int64, which int) (*judged, error) {
	key := savedTray{id, revision, which}
	if v, ok := a.judged.saved.Get(key); ok {
		return v, nil
	}
	h, err := a.House(ctx)
	if err != nil {
		return nil, err
	}
	now, err := a.savedTray(ctx, id, which, h)
	if err == nil && now.revision != revision {
		err = store.ErrConflict
	}
	if err != nil {
		return nil, err
	}
	v := prepare(now.tray(), now.larder)
	a.judged.saved.Add(key, v)
	return v, nil
}

// ReviewMoves judges a tray of a saved job with some elements moved and everything else
// where it was saved. It is fast enough to follow a hand.
func (a *App) ReviewMoves(ctx context.Context, id string, revision int64, which int, moves []Move) (review.Review, error) {
	v, err := a.saved(ctx, id, revision, which)
	if err != nil {
		return review.Review{}, err
	}
	v.mu.Lock()
	defer v.mu.Unlock()
	otherwise := map[int]tray.Element{}
	for i, m := range moves {
		k := v.live.Tray().Find(m.ID)
		if k < 0 {
			return review.Review{}, fault.Bad(fmt.Sprintf("moves[%d].id", i), "there is no element %.60q on this tray", m.ID)
		}
		e := v.home[k]
		e.MoveTo(m.To)
		otherwise[k] = e
	}
	return v.with(otherwise), nil
}

// Carrying is how a tray lies while something is held over it, and what the second look says of that.
type Carrying struct {
	At     geom.Pose // where what is held would be put down
	Shifts []arrange.Shift
	Stuck  []string
	Review review.Review
}

// CarryOver tells how everything on a tray of a saved job makes room for an element of it that is held
// at a pose; where it hugs, it is drawn against what it comes near to. It is fast enough to follow a hand.
func (a *App) CarryOver(ctx context.Context, id string, revision int64, which int, held Move, along []string, hugs bool) (Carrying, error) {
	v, err := a.saved(ctx, id, revision, which)
	if err != nil {
		return Carrying{}, err
	}
	v.mu.Lock()
	defer v.mu.Unlock()
	t := v.live.Tray()
	inHand := append([]string{held.ID}, along...)
	if v.carry == nil || !slices.Equal(v.carried, inHand) {
		was := t.Clone()
		copy(was.Elements, v.home)
		if v.carry, err = arrange.NewCarry(was, held.ID, along...); err != nil {
			v.carry = nil
			return Carrying{}, err
		}
		v.carried = inHand
	}
	at := v.carry.At
	if hugs {
		at = v.carry.Hugging
	}
	now := at(ctx, held.To)
	out := Carrying{At: now.At, Shifts: now.Shifts, Review: v.with(now.Elements)}
	for _, k := range now.Stuck {
		out.Stuck = append(out.Stuck, t.Elements[k].ID)
	}
	return out, nil
}
