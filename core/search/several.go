package search

import (
	"context"
	"runtime"

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
	beside := max(1, min(cores, len(trays)))
	out, faults := make([]Result, len(trays)), make([]error, len(trays))
	workers.Do(len(trays), beside, func(i int) {
		each := o
		each.Seed = o.Seed + uint64(i)
		each.Workers = cores / beside
		each.Seconds = o.Seconds / float64((len(trays)+beside-1)/beside) // they are begun in so many rounds
		if i >= len(trays)/beside*beside {                               // those of the last round have all cores among them
			each.Workers = cores / (len(trays) % beside)
		}
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
