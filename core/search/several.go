package search

import (
	"context"
	"runtime"
	"sync"
	"time"

	"happytray/core/food"
	"happytray/core/tray"
	"happytray/core/workers"
)

// Several lays trays beside each other, as many at a time as there are cores, in the time that is given for all: a first
// layout is built by one core, so that two trays are laid as soon as one. Each has its own seed, the options' and its place on
// the list, and is what Lay makes of it.
func Several(ctx context.Context, trays []*tray.Tray, larder *food.Larder, o Options) ([]Result, error) {
	cores := o.Workers
	if cores < 1 {
		cores = runtime.GOMAXPROCS(0)
	}
	beside := min(cores, len(trays))
	out, faults := make([]Result, len(trays)), make([]error, len(trays))
	end := time.Now().Add(time.Duration(o.Seconds * float64(time.Second)))
	var mu sync.Mutex
	left := len(trays) // that nobody has begun
	workers.Do(len(trays), beside, func(i int) {
		each := o
		each.Seed = o.Seed + uint64(i)
		each.Workers = max(1, cores/max(1, beside))
		mu.Lock()
		if rounds := (left + beside - 1) / beside; o.Seconds > 0 {
			each.Seconds = max(.02, time.Until(end).Seconds()/float64(rounds))
		}
		left--
		if left < beside-1 { // the last have the other cores to themselves
			each.Workers = max(1, cores/(left+1))
		}
		mu.Unlock()
		if out[i], faults[i] = Lay(ctx, trays[i], larder, each); faults[i] == nil {
			out[i].Tray.Seed = each.Seed
		}
	})
	for _, err := range faults {
		if err != nil {
			return nil, err
		}
	}
	return out, nil
}
