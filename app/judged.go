package app

import (
	"bytes"
	"context"
	"hash/maphash"
	"slices"
	"sync"

	lru "github.com/hashicorp/golang-lru/v2"

	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/review"
	"happytray/core/tray"
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
	saved    *lru.Cache[savedTray, *openTray]
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

}

func newJudgedCache(most int) judgedCache {
	surfaces, err := lru.New[uint64, *judged](most)
	if err != nil {
		panic(err) // only for a size under one
	}
	saved, err := lru.New[savedTray, *openTray](most)
	if err != nil {
		panic(err)
	}
	return judgedCache{surfaces, saved, maphash.MakeSeed()}
}

// judge judges one of a job's trays, unless just that surface was judged lately.
func (a *App) judge(r *job.Reading, which int, larder *food.Larder, h *House) (*judged, error) {
	t := r.Trays[which]
	if len(t.Elements) > mostElements {
		return &judged{review: review.Judge(t, larder)}, nil
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

func liesAlike(a, b tray.Piece) bool { return a.At == b.At && a.TurnDeg == b.TurnDeg && a.ZMM == b.ZMM }

// ReviewTray judges a job's first tray.
func (a *App) ReviewTray(ctx context.Context, r *job.Reading, larder *food.Larder, h *House) (review.Review, error) {
	v, err := a.judge(r, 0, larder, h)
	if err != nil {
		return review.Review{}, err
	}
	return v.review.Shown(a.units(ctx)), nil
}
