package search_test

import (
	"context"
	"testing"
	"time"

	"happytray/core/brief"
	"happytray/core/plan/plantest"
	"happytray/core/review"
	"happytray/core/search"
	"happytray/core/tray"
)

// many is a tray of 400 elements on a very large board.
func many(tb testing.TB, n int) *tray.Tray {
	tr := plantest.Planned(tb, brief.Brief{Guests: brief.Guests{Adults: 120}, Occasion: "meal"})
	for k := 0; len(tr.Elements) < n; k++ {
		e := tr.Elements[k]
		e.ID += "-again"
		for tr.Find(e.ID) >= 0 {
			e.ID += "-again"
		}
		tr.Elements = append(tr.Elements, e)
	}
	tr.Elements = tr.Elements[:n]
	return tr
}

// Whenever it is stopped it answers at once with something legal, whole or partial,
// that loses nothing.
func TestStoppedAtOnce(t *testing.T) {
	for _, tr := range []*tray.Tray{plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 12}}), many(t, 400)} {
		g0, c0 := sums(tr)
		for _, after := range []time.Duration{0, 20 * time.Millisecond, 150 * time.Millisecond, 400 * time.Millisecond} {
			ctx, stop := context.WithTimeout(context.Background(), after)
			res, err := search.Lay(ctx, tr, plantest.Larder, search.Options{Seed: 3})
			stop()
			if err != nil {
				t.Fatal(err)
			}
			if rev := review.Judge(res.Tray, plantest.Larder); !rev.Legal() {
				t.Errorf("%d elements stopped after %v: %+v", len(tr.Elements), after, rev.Findings[0])
			}
			if err := res.Tray.Check(plantest.Larder); err != nil {
				t.Errorf("stopped after %v: %v", after, err)
			}
			g1, c1 := sums(res.Tray)
			for f := range g0 {
				if c0[f] != c1[f] || g0[f]-g1[f] > 1.5 || g1[f]-g0[f] > 1.5 {
					t.Errorf("stopped after %v: %s went from %d, %.1f g to %d, %.1f g", after, f, c0[f], g0[f], c1[f], g1[f])
				}
			}
		}
	}
}

// BenchmarkStop is how long after it is told to a search stops, at the worst moment of
// several: in the middle of the first layout of a tray of 400 elements.
func BenchmarkStop400(b *testing.B) {
	tr := many(b, 400)
	worst := time.Duration(0)
	for i := 0; b.Loop(); i++ {
		ctx, stop := context.WithCancel(context.Background())
		var told time.Time
		go func() {
			time.Sleep(time.Duration(100+137*(i%13)) * time.Millisecond)
			told = time.Now()
			stop()
		}()
		if _, err := search.Lay(ctx, tr, plantest.Larder, search.Options{Seed: uint64(i)}); err != nil {
			b.Fatal(err)
		}
		worst = max(worst, time.Since(told))
	}
	b.ReportMetric(float64(worst.Milliseconds()), "ms-worst")
}
