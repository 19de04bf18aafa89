package server

import (
	"context"
	"errors"
	"maps"
	"slices"
	"sort"
	"sync"
)

// errBusy is told where too many wait already.
var errBusy = errors.New("too much is being worked on")

// queue lets so many run at once and the next ones wait, up to a bound. Turns go round among those who ask, the house and
// each device, so that one who asks for much keeps nobody waiting longer than its own turn takes.
type queue struct {
	mu      sync.Mutex
	free    int
	most    int             // that may wait
	waiting []chan struct{} // in the order of their turns; each is told whenever its place changes
	whose   map[chan struct{}]string
	served  map[string]int // of each who waits: how many turns it has had since it began to
	turn    map[chan struct{}]bool
}

func newQueue(running, waiting int) *queue {
	return &queue{free: running, most: waiting, whose: map[chan struct{}]string{}, served: map[string]int{}, turn: map[chan struct{}]bool{}}
}

// enter waits for a turn for somebody, the house where who is "", which leave ends. While it waits, place is told how
// many come before; it may be nil. It is errBusy where too many wait, all together or of one device, and ctx's error
// where that ends first.
func (q *queue) enter(ctx context.Context, who string, place func(before int)) (leave func(), err error) {
	q.mu.Lock()
	if q.free > 0 && len(q.waiting) == 0 {
		q.free--
		q.mu.Unlock()
		return q.once(), nil
	}
	if len(q.waiting) >= q.most || who != "" && q.waitFor(who) >= max(1, q.most/3) {
		q.mu.Unlock()
		return nil, errBusy
	}
	moved := make(chan struct{}, 1)
	q.whose[moved] = who
	q.waiting = append(q.waiting, moved)
	q.order()
	before := q.placeOf(moved)
	for _, w := range q.waiting[before+1:] { // it may have come before others
		notify(w)
	}
	q.mu.Unlock()
	if place != nil {
		place(before)
	}
	for {
		select {
		case <-moved:
		case <-ctx.Done():
			q.mu.Lock()
			defer q.mu.Unlock()
			if q.turn[moved] { // its turn came at the same moment
				delete(q.turn, moved)
				q.pass()
				return nil, ctx.Err()
			}
			q.drop(moved)
			return nil, ctx.Err()
		}
		q.mu.Lock()
		mine := q.turn[moved]
		delete(q.turn, moved)
		before = q.placeOf(moved)
		q.mu.Unlock()
		if mine {
			return q.once(), nil
		}
		if place != nil && before >= 0 {
			place(before)
		}
	}
}

// once gives the turn on, the first time it is called.
func (q *queue) once() func() {
	return sync.OnceFunc(func() {
		q.mu.Lock()
		defer q.mu.Unlock()
		q.pass()
	})
}

// pass gives a turn to the first that waits, or keeps it free.
func (q *queue) pass() {
	if len(q.waiting) == 0 {
		q.free++
		return
	}
	first := q.waiting[0]
	q.waiting = q.waiting[1:]
	q.turn[first] = true
	q.forget(first, 1)
	notify(first)
	for _, w := range q.waiting {
		notify(w)
	}
}

// drop takes one that no longer waits out of the line.
func (q *queue) drop(gone chan struct{}) {
	if i := q.placeOf(gone); i >= 0 {
		q.waiting = append(q.waiting[:i:i], q.waiting[i+1:]...)
		q.forget(gone, 0)
		q.order()
		for _, w := range q.waiting[i:] {
			notify(w)
		}
	}
}

// waitFor is how many of somebody's wait.
func (q *queue) waitFor(who string) (n int) {
	for _, w := range q.waiting {
		if q.whose[w] == who {
			n++
		}
	}
	return n
}

// forget notes that one no longer waits, and how many turns it had.
func (q *queue) forget(w chan struct{}, turns int) {
	who := q.whose[w]
	delete(q.whose, w)
	if q.waitFor(who) == 0 {
		delete(q.served, who)
	} else {
		q.served[who] += turns
	}
}

// order puts those who wait in the order of their turns: round by round, of each who asks the first that came.
func (q *queue) order() {
	round := maps.Clone(q.served)
	least := 0
	if len(round) > 0 {
		least = slices.Min(slices.Collect(maps.Values(round)))
	}
	at := make(map[chan struct{}]int, len(q.waiting))
	for _, w := range q.waiting {
		who := q.whose[w]
		if _, met := round[who]; !met {
			round[who] = least // who comes new begins with the round that is on
			q.served[who] = least
		}
		at[w] = round[who]
		round[who]++
	}
	sort.SliceStable(q.waiting, func(a, b int) bool { return at[q.waiting[a]] < at[q.waiting[b]] })
}

func (q *queue) placeOf(w chan struct{}) int {
	for i, x := range q.waiting {
		if x == w {
			return i
		}
	}
	return -1
}

func notify(w chan struct{}) {
	select {
	case w <- struct{}{}:
	default: // it has not looked yet
	}
}

// length is how many wait.
func (q *queue) length() (waiting int) {
	q.mu.Lock()
	defer q.mu.Unlock()
	return len(q.waiting)
}
