package server

import (
	"context"
	"errors"
	"sync"
)

// errBusy is told where too many wait already.
var errBusy = errors.New("too much is being worked on")

// queue lets so many run at once and the next ones wait in order, up to a bound.
type queue struct {
	mu      sync.Mutex
	free    int
	most    int             // that may wait
	waiting []chan struct{} // each told whenever its place changes; closed when it is its turn
	turn    map[chan struct{}]bool
}

func newQueue(running, waiting int) *queue {
	return &queue{free: running, most: waiting, turn: map[chan struct{}]bool{}}
}

// enter waits for a turn, which leave ends. While it waits, place is told how many come
// before; it may be nil. It is errBusy where too many wait, and ctx's error where that
// ends first.
func (q *queue) enter(ctx context.Context, place func(before int)) (leave func(), err error) {
	q.mu.Lock()
	if q.free > 0 && len(q.waiting) == 0 {
		q.free--
		q.mu.Unlock()
		return q.once(), nil
	}
	if len(q.waiting) >= q.most {
		q.mu.Unlock()
		return nil, errBusy
	}
	moved := make(chan struct{}, 1)
	q.waiting = append(q.waiting, moved)
	before := len(q.waiting) - 1
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
	notify(first)
	for _, w := range q.waiting {
		notify(w)
	}
}

// drop takes one that no longer waits out of the line.
func (q *queue) drop(gone chan struct{}) {
	if i := q.placeOf(gone); i >= 0 {
		q.waiting = append(q.waiting[:i:i], q.waiting[i+1:]...)
		for _, w := range q.waiting[i:] {
			notify(w)
		}
	}
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
