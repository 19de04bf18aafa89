package search

import (
	"context"
	"math"
	"runtime"
	"time"

	"happytray/core/tray"
	"happytray/core/workers"
)

// method makes layouts, one a number. For one number and one best so far it makes the same layout each time,
// whatever else is made beside it; what it has not done when ctx ends it leaves out.
type method interface {
	layout(ctx context.Context, number int, best candidate) candidate
}

// candidate is one layout: tray is nil where there is none.
type candidate struct {
	tray  *tray.Tray
	plan  plan // what another may start from
	score float64
}

// runner lets a method try layouts, and keeps the best: how many, for how long, what is told meanwhile and when it
// ends are the same for every method, and so is that the outcome does not depend on the number of cores.
type runner struct {
	method   method
	most     int           // layouts
	within   time.Duration // 0 for as long as it takes
	patience int           // layouts without a better one after which it ends; 0 for never
	workers  int           // 0 means one per core
	tell     func(standing)
}

// standing is how far a run is.
type standing struct {
	tried  int
	share  float64 // 0 to 1 of the layouts or of the time, whichever is farther
	best   candidate
	better bool // best is new
}

// sideBySide is how many layouts are tried side by side from one best: a constant,
// so that the outcome does not depend on the number of cores.
const sideBySide = 4

// run tries layouts from a first one, whose score is -1 where there is none, until there were enough, time is up,
// patience is over or ctx ends. It answers with the best, and how many were tried.
func (r runner) run(ctx context.Context, first candidate) (best candidate, tried int) {
	start := time.Now()
	if r.within > 0 {
		var stop context.CancelFunc
		ctx, stop = context.WithDeadline(ctx, start.Add(r.within))
		defer stop()
	}
	cores := r.workers
	if cores <= 0 {
		cores = runtime.GOMAXPROCS(0)
	}
	best = first
	stale := 0
	for tried < r.most {
		n := min(sideBySide, r.most-tried)
		if tried == 0 { // something to look at first
			n = 1
		}
		got := make([]candidate, n)
		workers.Do(n, cores, func(k int) { got[k] = r.method.layout(ctx, tried+k, best) })
		better := false
		for _, c := range got {
			if c.tray != nil && c.score > best.score {
				best, better = c, true
			}
		}
		tried += n
		if stale += n; better {
			stale = 0
		}
		if r.tell != nil {
			share := float64(tried) / float64(r.most)
			if r.within > 0 {
				share = math.Max(share, time.Since(start).Seconds()/r.within.Seconds())
			}
			r.tell(standing{tried, math.Min(1, share), best, better})
		}
		if ctx.Err() != nil || r.patience > 0 && stale >= r.patience {
			break
		}
	}
	return best, tried
}
