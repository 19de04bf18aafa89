package search

import (
	"context"
	"sync"
	"testing"
	"time"

	"happytray/core/tray"
)

// counted is a method whose layouts score what a list says by their numbers.
type counted struct {
	mu     sync.Mutex
	scores []float64
	asked  []int
	takes  time.Duration
}

func (c *counted) layout(ctx context.Context, number int, best candidate) candidate {
	select {
	case <-time.After(c.takes):
	case <-ctx.Done():
	}
	c.mu.Lock()
	defer c.mu.Unlock()
	c.asked = append(c.asked, number)
	if number >= len(c.scores) {
		return candidate{score: -1}
	}
	return candidate{tray: &tray.Tray{Seed: uint64(number)}, score: c.scores[number]}
}

func TestRunnerKeepsTheBest(t *testing.T) {
	for _, c := range []struct {
		name        string
		scores      []float64
		first       candidate
		most        int
		patience    int
		tried, best int // number of the best, -1 for the first
	}{
		{"the first of equals", []float64{3, 7, 7, 2, 7}, candidate{score: -1}, 5, 0, 5, 1},
		{"nothing better than what was given", []float64{3, 7}, candidate{tray: &tray.Tray{Seed: 99}, score: 8}, 4, 0, 4, -1},
		{"no more than asked", []float64{1, 2, 3, 4, 5, 6, 7, 8, 9}, candidate{score: -1}, 6, 0, 6, 5},
		{"patience is over", []float64{5}, candidate{score: -1}, 1000, 8, 9, 0},
		{"patience begins anew", []float64{5, 1, 1, 1, 6}, candidate{score: -1}, 1000, 8, 13, 4},
		{"nothing at all", nil, candidate{score: -1}, 3, 0, 3, -1},
	} {
		for _, cores := range []int{1, 2, 5} {
			m := &counted{scores: c.scores}
			told, better := 0, 0
			best, tried := runner{method: m, most: c.most, patience: c.patience, workers: cores, tell: func(s standing) {
				told++
				if s.better {
					better++
				}
				if s.share < 0 || s.share > 1 {
					t.Errorf("%s: a share of %v", c.name, s.share)
				}
			}}.run(t.Context(), c.first)
			want := c.first.tray
			if c.best >= 0 {
				want = &tray.Tray{Seed: uint64(c.best)}
			}
			if (best.tray == nil) != (want == nil) || want != nil && best.tray.Seed != want.Seed || tried != c.tried || len(m.asked) != tried {
				t.Errorf("%s, %d cores: %+v after %d, asked for %v", c.name, cores, best, tried, m.asked)
			}
			if told != 1+(tried-1+sideBySide-1)/sideBySide || (better > 0) != (c.best >= 0) {
				t.Errorf("%s: told %d times, %d better", c.name, told, better)
			}
		}
	}
}

func TestRunnerEndsInTime(t *testing.T) {
	m := &counted{scores: []float64{4}, takes: 2 * time.Millisecond}
	began := time.Now()
	best, tried := runner{method: m, most: 1 << 20, within: 30 * time.Millisecond, workers: 2}.run(t.Context(), candidate{score: -1})
	if took := time.Since(began); took > 2*time.Second || best.tray == nil || tried == 1<<20 {
		t.Errorf("%d tried in %v, best %+v", tried, took, best)
	}
	ctx, stop := context.WithCancel(t.Context())
	stop()
	if _, tried := (runner{method: m, most: 50, workers: 2}).run(ctx, candidate{score: -1}); tried != 1 {
		t.Errorf("stopped before it began, and %d were tried", tried)
	}
}
