package app

import (
	"context"
	"fmt"
	"sync"

	lru "github.com/hashicorp/golang-lru/v2"

	"happytray/core/fault"
	"happytray/core/geom"
	"happytray/core/review"
)

// mostJudged is how many revisions have their review prepared at a time.
const mostJudged = 24

// judgedCache holds the prepared reviews of the revisions that are being dragged about.
// It is only a cache: any process can prepare one again from the database.
type judgedCache struct {
	mu  sync.Mutex
	all *lru.Cache[string, *judged]
}

// judged is one revision's prepared review and the poses its elements have in it now.
type judged struct {
	mu   sync.Mutex
	live *review.Live
	home []geom.Pose // as saved
	at   []geom.Pose // as they stand
}

func newJudgedCache(most int) *judgedCache {
	all, err := lru.New[string, *judged](most)
	if err != nil {
		panic(err) // only for a size under one
	}
	return &judgedCache{all: all}
}

func (c *judgedCache) get(key string) *judged {
	c.mu.Lock()
	defer c.mu.Unlock()
	v, ok := c.all.Get(key)
	if !ok {
		v = &judged{}
		c.all.Add(key, v)
	}
	return v
}

// Move is where an element would lie.
type Move struct {
	ID string
	To geom.Pose
}

// ReviewMoves judges a tray of a saved job with some elements moved and everything else
// where it was saved. It is fast enough to follow a hand.
func (a *App) ReviewMoves(ctx context.Context, id string, revision int64, which int, moves []Move) (review.Review, error) {
	v := a.judged.get(fmt.Sprintf("%s/%d/%d", id, revision, which))
	v.mu.Lock()
	defer v.mu.Unlock()
	if v.live == nil {
		h, err := a.House(ctx)
		if err != nil {
			return review.Review{}, err
		}
		t, larder, err := a.trayOf(ctx, id, revision, which, h)
		if err != nil {
			return review.Review{}, err
		}
		v.live = review.NewLive(t, larder)
		v.home = nil
		for i := range t.Elements {
			v.home = append(v.home, t.Elements[i].Pose())
		}
		v.at = append([]geom.Pose(nil), v.home...)
	}
	want := append([]geom.Pose(nil), v.home...)
	for i, m := range moves {
		k := v.live.Tray().Find(m.ID)
		if k < 0 {
			return review.Review{}, fault.Bad(fmt.Sprintf("moves[%d].id", i), "there is no element %.60q on this tray", m.ID)
		}
		want[k] = m.To
	}
	for k := range want {
		if want[k] != v.at[k] {
			v.live.Move(k, want[k])
			v.at[k] = want[k]
		}
	}
	return v.live.Review(), nil
}
