package repair

import (
	"context"
	"testing"
	"time"

	"happytray/core/brief"
	"happytray/core/plan/plantest"
	"happytray/core/review"
	"happytray/core/search"
)

// mended counts, over generated trays of about 40 elements as the search leaves them, the findings
// for which there is a change that raises the total, and how long the looking took.
func mended(tb testing.TB, trays int) (offered, judged int, longest, all time.Duration) {
	for k := range trays {
		tr := plantest.Planned(tb, brief.Brief{Guests: brief.Guests{Adults: 10 + k%6}, Month: 1 + k%12, Occasion: []string{"nibble", "grazing", "meal"}[k%3], Choice: k})
		t := plantest.Lay(tb, tr, search.Options{Seed: uint64(k), Effort: 30}).Tray
		rev := review.Judge(t, plantest.Larder)
		for _, f := range rev.Findings {
			began := time.Now()
			m, ok := Suggest(context.Background(), t, plantest.Larder, f)
			took := time.Since(began)
			longest, all = max(longest, took), all+took
			judged++
			if !ok {
				continue
			}
			offered++
			if after := review.Judge(m.Tray, plantest.Larder); after.Score <= rev.Score || rev.Legal() && !after.Legal() || after.Score != m.Score || len(onBoard(m.Tray)) < len(onBoard(t)) {
				tb.Errorf("%d, %s: %v after %v (%s)", k, f.Check, after.Score, rev.Score, m.Says)
			}
			if err := m.Tray.Check(plantest.Larder); err != nil {
				tb.Errorf("%d, %s: %v", k, m.Says, err)
			}
			if g, h := m.Tray.GramsOf(t.Elements[0].Food), t.GramsOf(t.Elements[0].Food); g < .99*h {
				tb.Errorf("%d: %g g of %g are left (%s)", k, g, h, m.Says)
			}
		}
	}
	return offered, judged, longest, all
}

// At least half of what the second look finds on laid trays has a change that raises the total.
func TestHalfOfTheFindingsAreMended(t *testing.T) {
	if testing.Short() {
		t.Skip("lays many trays")
	}
	offered, judged, longest, all := mended(t, 6)
	t.Logf("%d of %d findings are mended, in %v at most and %v in the mean", offered, judged, longest, all/time.Duration(judged))
	if 2*offered < judged {
		t.Errorf("%d of %d findings are mended", offered, judged)
	}
}
