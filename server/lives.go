package server

import (
	"container/list"
	"fmt"
	"sync"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/review"
	"happytray/core/tray"
	"happytray/core/wire"
	"happytray/server/api"
)

// lives keeps the prepared reviews of the revisions that are being dragged
// about, least recently used first out. It is only a cache.
type lives struct {
	mu    sync.Mutex
	most  int
	order *list.List // of *life, newest in front
	byKey map[string]*list.Element
}

// life is one revision's prepared review and the poses its elements have in it now.
type life struct {
	key  string
	mu   sync.Mutex
	live *review.Live
	home []geom.Pose // as saved
	at   []geom.Pose // as they stand
}

func newLives(most int) *lives {
	return &lives{most: most, order: list.New(), byKey: map[string]*list.Element{}}
}

func (l *lives) get(key string) *life {
	l.mu.Lock()
	defer l.mu.Unlock()
	if e, ok := l.byKey[key]; ok {
		l.order.MoveToFront(e)
		return e.Value.(*life)
	}
	v := &life{key: key}
	l.byKey[key] = l.order.PushFront(v)
	for l.order.Len() > l.most {
		last := l.order.Back()
		delete(l.byKey, last.Value.(*life).key)
		l.order.Remove(last)
	}
	return v
}

// review moves elements to where they are wanted, everything else back to where
// it was saved, and judges.
func (l *lives) review(id string, in api.Moves, load func() (*tray.Tray, error), larder *food.Larder) (review.Review, error) {
	which := 0
	if in.Tray != nil {
		which = *in.Tray
	}
	v := l.get(fmt.Sprintf("%s/%d/%d", id, in.Revision, which))
	v.mu.Lock()
	defer v.mu.Unlock()
	if v.live == nil {
		t, err := load()
		if err != nil {
			return review.Review{}, err
		}
		v.live = review.NewLive(t, t.Larder(larder))
		for i := range t.Elements {
			v.home = append(v.home, t.Elements[i].Pose())
		}
		v.at = append([]geom.Pose(nil), v.home...)
	}
	want := append([]geom.Pose(nil), v.home...)
	for i, m := range in.Moves {
		k := v.live.Tray().Find(m.Id)
		if k < 0 {
			return review.Review{}, wire.Bad(fmt.Sprintf("moves[%d].id", i), "there is no element %.60q on this tray", m.Id)
		}
		want[k] = geom.Pose{X: m.X, Y: m.Y, Turn: m.TurnDeg}
	}
	for k := range want {
		if want[k] != v.at[k] {
			v.live.Move(k, want[k])
			v.at[k] = want[k]
		}
	}
	return v.live.Review(), nil
}
