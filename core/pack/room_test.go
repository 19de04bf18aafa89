package pack_test

import (
	"context"
	"math"
	"math/rand/v2"
	"reflect"
	"testing"
	"time"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
	"happytray/core/plan/plantest"
	"happytray/core/review"
	"happytray/core/search"
	"happytray/core/tray"
)

// drop is what putting an element down anywhere came to.
type drop struct {
	legal, whole bool
	lost, moved  float64 // points of the total, and the largest way that another went
	took         time.Duration
}

// dropped puts an element down and judges what comes of it.
func dropped(tb testing.TB, t *tray.Tray, before review.Review, k int, to geom.Pose) drop {
	tb.Helper()
	began := time.Now()
	room, err := pack.MakeRoom(context.Background(), t, plantest.Larder, t.Elements[k].ID, to)
	d := drop{took: time.Since(began)}
	if err != nil {
		tb.Fatal(err)
	}
	after := review.Judge(room.Tray, plantest.Larder)
	d.legal = after.Legal()
	d.whole = len(room.Lifted) == 0 && kept(t, room.Tray)
	d.lost = before.Score - after.Score
	for i := range t.Elements {
		if o := room.Tray.Find(t.Elements[i].ID); i != k && room.Tray.Elements[o].Placed && t.Elements[i].Placed {
			d.moved = math.Max(d.moved, room.Tray.Elements[o].Pose().At().Dist(t.Elements[i].Pose().At()))
		}
	}
	for i := range t.Elements {
		if e := &t.Elements[i]; e.Locked && i != k && !pack.LiesAlike(e, &room.Tray.Elements[room.Tray.Find(e.ID)]) {
			tb.Errorf("%s is locked and gave way", e.ID)
		}
		if f := t.Elements[i].Food; math.Abs(room.Tray.GramsOf(f)-t.GramsOf(f)) > .11 {
			tb.Errorf("%s: %g g of %g", f, room.Tray.GramsOf(f), t.GramsOf(f))
		}
	}
	return d
}

// drops counts what generated drops come to: near ones within the thing's own breadth, and to anywhere.
func drops(tb testing.TB, trays, each int) (near, far []drop) {
	r := rand.New(rand.NewPCG(13, 1))
	for n := range trays {
		t := plantest.Lay(tb, plantest.Planned(tb, brief.Brief{Guests: brief.Guests{Adults: 5 + 3*n}, Month: 1 + n%12, Occasion: []string{"nibble", "grazing", "meal"}[n%3], Choice: n}), search.Options{Seed: uint64(n), Effort: 6}).Tray
		before := review.Judge(t, plantest.Larder)
		if !before.Legal() {
			continue
		}
		zone := t.Board.FoodZone.Bounds()
		for m := 0; m < each; m++ {
			k := r.IntN(len(t.Elements))
			if e := &t.Elements[k]; !e.Placed || e.Locked || len(e.Path) > 0 || e.Kind() == food.KindTrail || e.Kind() == food.KindGarnish {
				continue
			}
			pose := t.Elements[k].Pose()
			box := pack.BoxOf(t.Elements[k].Pieces)
			if m%2 == 0 {
				by := geom.Polar(r.Float64()*math.Min(box.W(), box.H()), r.Float64()*360)
				near = append(near, dropped(tb, t, before, k, geom.Pose{X: pose.X + by.X, Y: pose.Y + by.Y, Turn: pose.Turn}))
				continue
			}
			to := geom.Pt(zone.Min.X+r.Float64()*zone.W(), zone.Min.Y+r.Float64()*zone.H())
			far = append(far, dropped(tb, t, before, k, geom.Pose{X: to.X, Y: to.Y, Turn: pose.Turn}))
		}
	}
	return near, far
}

func summed(ds []drop) (well float64, lost, moved float64, longest time.Duration) {
	for _, d := range ds {
		if d.legal && d.whole {
			well++
		}
		lost += d.lost / float64(len(ds))
		moved = math.Max(moved, d.moved)
		longest = max(longest, d.took)
	}
	return well / float64(len(ds)), lost, moved, longest
}

// Room is made: nearly always within the thing's own breadth, mostly anywhere, with everything still
// on board; what is locked stays, no gram is lost, and the tray fits in any case.
func TestRoomIsMade(t *testing.T) {
	trays, each := 10, 28
	if testing.Short() {
		trays, each = 1, 12
	}
	near, far := drops(t, trays, each)
	for _, c := range []struct {
		what string
		ds   []drop
		well float64
	}{{"within its own breadth", near, .95}, {"to anywhere", far, .85}} {
		legal, all := 0, time.Duration(0)
		for _, d := range c.ds {
			if d.legal {
				legal++
			}
			all += d.took
		}
		well, lost, moved, longest := summed(c.ds)
		t.Logf("%s: %d drops, %.2f legal and whole, %d legal, %.1f points lost, others moved %.0f mm at most, %v in the mean, %v at most", c.what, len(c.ds), well, legal, lost, moved, all/time.Duration(len(c.ds)), longest)
		few := testing.Short() // a dozen drops say whether goroutines meet, not how often room is found
		if !few && (well < c.well || lost > 6) || legal < len(c.ds) {
			t.Errorf("%s: %.2f of %d drops end legal and whole, %d legal, %.1f points lost", c.what, well, len(c.ds), legal, lost)
		}
	}
}

// The same drop gives the same tray; one that is put back where it lay moves nothing; bad ones are told.
func TestRoomIsTheSameEachTime(t *testing.T) {
	tr := plantest.LaidFor(t, 10)
	k := 0
	for i := range tr.Elements {
		if tr.Elements[i].Vessel != "" {
			k = i
		}
	}
	id, pose := tr.Elements[k].ID, tr.Elements[k].Pose()
	to := geom.Pose{X: pose.X + 60, Y: pose.Y - 35, Turn: pose.Turn}
	a, err := pack.MakeRoom(context.Background(), tr, plantest.Larder, id, to)
	if err != nil {
		t.Fatal(err)
	}
	b, err := pack.MakeRoom(context.Background(), tr, plantest.Larder, id, to)
	if err != nil || !reflect.DeepEqual(a, b) {
		t.Errorf("two answers: %v", err)
	}
	if len(a.Moved) == 0 {
		t.Error("nothing moved")
	}
	same, err := pack.MakeRoom(context.Background(), tr, plantest.Larder, id, pose)
	if err != nil || len(same.Lifted) > 0 {
		t.Errorf("put back: %v, %v", same.Lifted, err)
	}
	over, err := pack.MakeRoom(context.Background(), tr, plantest.Larder, id, geom.Pose{X: -900, Y: 4000, Turn: 77})
	if err != nil || !review.Judge(over.Tray, plantest.Larder).Fits() {
		t.Errorf("dropped over the edge it does not fit: %v", err)
	}
	for i := range tr.Elements {
		tr.Elements[i].Locked = i != k
	}
	stuck, err := pack.MakeRoom(context.Background(), tr, plantest.Larder, id, to)
	if err != nil || len(stuck.Moved)+len(stuck.Lifted) > 0 {
		t.Errorf("everything is locked, and %v moved, %v were lifted: %v", stuck.Moved, stuck.Lifted, err)
	}
	if _, err := pack.MakeRoom(context.Background(), tr, plantest.Larder, "no-such", to); err == nil {
		t.Error("an element that is not there")
	}
	tr.Board = nil
	if _, err := pack.MakeRoom(context.Background(), tr, plantest.Larder, id, to); err == nil {
		t.Error("no board")
	}
}

func BenchmarkMakeRoom(b *testing.B) {
	t := plantest.LaidFor(b, 14)
	k := 0
	for i := range t.Elements {
		if t.Elements[i].Vessel != "" {
			k = i
		}
	}
	pose := t.Elements[k].Pose()
	for i := 0; b.Loop(); i++ {
		by := geom.Polar(60, float64(i*40))
		if _, err := pack.MakeRoom(context.Background(), t, plantest.Larder, t.Elements[k].ID, geom.Pose{X: pose.X + by.X, Y: pose.Y + by.Y, Turn: pose.Turn}); err != nil {
			b.Fatal(err)
		}
	}
}

// kept reports whether everything lies with as many pieces as before, and small food that waited may have come to it.
func kept(was, now *tray.Tray) bool {
	for i := range was.Elements {
		e := &was.Elements[i]
		if len(now.Elements[now.Find(e.ID)].Pieces) < len(e.Pieces) {
			return false
		}
	}
	return true
}
