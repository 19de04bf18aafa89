package repair

import (
	"context"
	"testing"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/plan/plantest"
	"happytray/core/review"
)

// A tray is laid, then spoiled by hand; what is offered for its findings raises the
// total, keeps it legal or makes it so, and moves nothing that is locked.
func TestMendRaisesTheTotal(t *testing.T) {
	larder := food.BuiltIn()
	base := plantest.LaidFor(t, 10)
	k := -1
	for i := range base.Elements {
		if base.Elements[i].Vessel != "" {
			k = i
			break
		}
	}
	spoiled, _ := plantest.Moved(t, base, k, geom.Pt(17, 11), 0)
	for i := range spoiled.Elements {
		if i != k && i%5 == 0 {
			spoiled.Elements[i].Locked = true
		}
	}
	offered, judged, most := 0, 0, 5
	if testing.Short() { // under the race detector, where it is the workers that matter
		most = 1
	}
	for _, tray := range []struct {
		name string
		of   int
	}{{"spoiled", 0}, {"as laid", 1}} {
		now := spoiled
		if tray.of == 1 {
			now = base
		}
		rev := review.Judge(now, larder)
		for _, f := range rev.Findings[:min(most, len(rev.Findings))] {
			judged++
			m, ok := Suggest(context.Background(), now, larder, f)
			if !ok {
				continue
			}
			offered++
			after := review.Judge(m.Tray, larder)
			if after.Score <= rev.Score || after.Score != m.Score || m.Gain <= 0 || m.Says == "" {
				t.Errorf("%s, %s: %v after %v, said to be %v (%s)", tray.name, f.Check, after.Score, rev.Score, m.Score, m.Says)
			}
			if rev.Legal() && !after.Legal() {
				t.Errorf("%s, %s: the tray is legal no more", tray.name, f.Check)
			}
			for i, e := range now.Elements {
				if o := m.Tray.Find(e.ID); e.Locked && (o < 0 || m.Tray.Elements[o].Pose() != e.Pose()) {
					t.Errorf("%s is locked and was moved", now.Elements[i].ID)
				}
			}
			if err := m.Tray.Check(larder); err != nil {
				t.Error(err)
			}
		}
	}
	t.Logf("%d of %d findings could be mended by one change", offered, judged)
	if offered == 0 {
		t.Error("nothing was offered for any finding")
	}
	stopped, cancel := context.WithCancel(context.Background())
	cancel()
	if _, ok := Suggest(stopped, spoiled, larder, review.Judge(spoiled, larder).Findings[0]); ok {
		t.Error("stopped before it began, and still something was offered")
	}
}

func BenchmarkMend(b *testing.B) {
	base := plantest.LaidFor(b, 12)
	f := review.Judge(base, food.BuiltIn()).Findings[0]
	for b.Loop() {
		Suggest(context.Background(), base, food.BuiltIn(), f)
	}
}
