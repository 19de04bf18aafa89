// Package workers does things on several goroutines at once, deterministically.
package workers

import (
	"fmt"
	"runtime/debug"
	"sync"
)

// Do does n things, numbers 0 to n-1 in order, on so many goroutines at once, one at least.
// A panic in one of them comes up in the goroutine of the caller, with the stack it
// came from, where a server can answer for it; it would end the process otherwise.
// It is the only place in the core where goroutines are started.
func Do(n, workers int, do func(i int)) {
	workers = max(1, workers)
	next := make(chan int, n)
	for i := range n {
		next <- i
	}
	close(next)
	broken := make(chan any, workers)
	var all sync.WaitGroup
	for range min(workers, n) {
		all.Go(func() {
			defer func() {
				if v := recover(); v != nil {
					broken <- fmt.Sprintf("%v\n%s", v, debug.Stack())
				}
			}()
			for i := range next {
				do(i)
			}
		})
	}
	all.Wait()
	select {
	case v := <-broken:
		panic(v)
	default:
	}
}

// Both does two things at once that do not touch each other.
func Both(one, other func()) {
	Do(2, 2, func(i int) {
		if i == 0 {
			one()
		} else {
			other()
		}
	})
}
