package pack_test

import (
	"context"
	"math"
	"reflect"
	"testing"

	"happytray/core/board"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
	"happytray/core/plan/plantest"
	"happytray/core/review"
	"happytray/core/tray"
)

// ofKind is the place on a tray of the first element that stands in a vessel, or of a kind.
func ofKind(t *tray.Tray, vessel bool, kind food.Kind) int {
	for i := range t.Elements {
		if e := &t.Elements[i]; e.Placed && (vessel && e.Vessel != "" || !vessel && e.Vessel == "" && e.Kind() == kind) {
			return i
		}
	}
	return -1
}

func over(t *tray.Tray, k int, dx, dy float64) geom.Pose {
	p := t.Elements[k].Pose()
	return geom.Pose{X: p.X + dx, Y: p.Y + dy, Turn: p.Turn}
}

// What makes room under a hand goes back when the hand goes on, and a place gives the same answer whatever
// way led there; where nothing is touched nothing moves; what is locked stays.
func TestWhatMakesRoomGoesBack(t *testing.T) {
	tr := plantest.LaidFor(t, 10)
	k := ofKind(tr, true, "")
	locked := ofKind(tr, false, food.KindTrail)
	tr.Elements[locked].Locked = true
	c, err := pack.NewCarry(tr, tr.Elements[k].ID)
	if err != nil {
		t.Fatal(err)
	}
	ctx := context.Background()
	first := c.At(ctx, over(tr, k, 70, 20))
	if len(first.Shifts) < 3 {
		t.Errorf("only %d pieces made room", len(first.Shifts))
	}
	for _, s := range first.Shifts {
		if s.Element == locked {
			t.Errorf("piece %d of what is locked moved", s.Piece)
		}
	}
	for _, by := range [][2]float64{{-60, 40}, {10, -90}, {200, 0}} {
		c.At(ctx, over(tr, k, by[0], by[1]))
	}
	if again := c.At(ctx, over(tr, k, 70, 20)); !reflect.DeepEqual(first, again) {
		t.Error("the same place gives another answer")
	}
	back := c.At(ctx, tr.Elements[k].Pose())
	for i := range back.Elements {
		if i != k {
			t.Errorf("%s does not go back", tr.Elements[i].ID)
		}
	}
	if fresh, _ := pack.NewCarry(tr, tr.Elements[k].ID); !reflect.DeepEqual(fresh.At(ctx, over(tr, k, 70, 20)), first) {
		t.Error("another carry gives another answer")
	}
}

// Wherever a bowl is held, what is seen of the tray fits, or says what finds no room.
func TestCarriedFitsOrSays(t *testing.T) {
	tr := plantest.LaidFor(t, 12)
	ctx := context.Background()
	zone := tr.Board.FoodZone.Bounds()
	fits, all := 0, 0
	for _, k := range []int{ofKind(tr, true, ""), ofKind(tr, false, food.KindLoose), ofKind(tr, false, food.KindRow)} {
		if k < 0 {
			continue
		}
		c, err := pack.NewCarry(tr, tr.Elements[k].ID)
		if err != nil {
			t.Fatal(err)
		}
		for n := range 24 {
			at := geom.Pose{X: zone.Min.X + zone.W()*float64(n%6+1)/7, Y: zone.Min.Y + zone.H()*float64(n/6+1)/5, Turn: tr.Elements[k].TurnDeg}
			got := c.At(ctx, at)
			now := tr.Clone()
			for i, e := range got.Elements {
				now.Elements[i] = e
			}
			all++
			if review.NewLive(now, plantest.Larder).Fits() {
				fits++
			} else if len(got.Stuck) == 0 && pack.Deepest(now) > 4 {
				t.Errorf("%s at %.0f, %.0f: %.1f mm deep, and nothing is said", tr.Elements[k].ID, at.X, at.Y, pack.Deepest(now))
			}
		}
	}
	if fits*3 < all {
		t.Errorf("%d of %d places fit as they are seen", fits, all)
	}
	t.Logf("%d of %d fit as they are seen", fits, all)
}

func TestCarryWantsSomethingThatLies(t *testing.T) {
	tr := plantest.LaidFor(t, 6)
	if _, err := pack.NewCarry(tr, "no-such"); err == nil {
		t.Error("an element that is not there")
	}
	tr.Elements[0].Placed, tr.Elements[0].Pieces = false, nil
	if _, err := pack.NewCarry(tr, tr.Elements[0].ID); err == nil {
		t.Error("an element beside the board")
	}
	tr.Board = nil
	if _, err := pack.NewCarry(tr, tr.Elements[1].ID); err == nil {
		t.Error("no board")
	}
}

func BenchmarkCarry(b *testing.B) {
	t := plantest.LaidFor(b, 24)
	k := ofKind(t, true, "")
	c, err := pack.NewCarry(t, t.Elements[k].ID)
	if err != nil {
		b.Fatal(err)
	}
	for i := 0; b.Loop(); i++ {
		c.At(context.Background(), over(t, k, float64(i*7%160), float64(i*3%90)))
	}
}

// What is held near a bowl or a cheese touches it, lies nowhere else than asked for otherwise, and keeps its turn.
func TestHeldIsDrawnAgainst(t *testing.T) {
	tr := &tray.Tray{Board: pack.Made(t, board.Request{Shape: "rectangle", LengthMM: 420, WidthMM: 320})}
	round := func(id string, x, y, r float64) tray.Element {
		return tray.Element{ID: id, Food: "hummus", Form: "bowl", Vessel: "dip-bowl", Placed: true, X: x, Y: y,
			Pieces: []tray.Piece{{Outline: geom.Circle(r, 32).Move(geom.Pt(x, y)), At: geom.Pt(x, y), HeightMM: 40}}}
	}
	tr.Elements = []tray.Element{round("a", 150, 150, 40), round("b", 260, 150, 40), round("held", 205, 260, 30)}
	c, err := pack.NewCarry(tr, "held")
	if err != nil {
		t.Fatal(err)
	}
	gap := func(id int, at geom.Pose) float64 {
		return at.At().Dist(tr.Elements[id].Pose().At()) - tr.Elements[id].Pieces[0].Outline.Bounds().W()/2 - 30
	}
	for _, test := range []struct {
		name     string
		to       geom.Pose
		touching []int
	}{
		{"far off", geom.Pose{X: 205, Y: 270}, nil},
		{"near one", geom.Pose{X: 150, Y: 225, Turn: 30}, []int{0}},
		{"between two", geom.Pose{X: 203, Y: 199}, []int{0, 1}},
		{"in one", geom.Pose{X: 150, Y: 200}, nil}, // that makes room
	} {
		got := c.Hugging(context.Background(), test.to).At
		if got.Turn != test.to.Turn {
			t.Errorf("%s: turned to %g", test.name, got.Turn)
		}
		if d := got.At().Dist(test.to.At()); d > 1.5*pack.DrawsMM || len(test.touching) == 0 && d > .01 {
			t.Errorf("%s: drawn by %.1f mm", test.name, d)
		}
		for _, k := range test.touching {
			if g := gap(k, got); g < -.2 || g > pack.TouchMM+.5 {
				t.Errorf("%s: %.2f mm from %s", test.name, g, tr.Elements[k].ID)
			}
		}
		if free := c.At(context.Background(), test.to).At; free.At().Dist(test.to.At()) > .01 {
			t.Errorf("%s: drawn though nobody asked", test.name)
		}
	}
}

// An arc that is dragged runs round what it hugs, and comes off where it is drawn away.
func TestArcRunsRound(t *testing.T) {
	tr := &tray.Tray{Board: pack.Made(t, board.Request{Shape: "rectangle", LengthMM: 420, WidthMM: 320})}
	centre := geom.Pt(200, 150)
	at := centre.Add(geom.Pt(0, 60))
	var slices []tray.Piece
	for deg := 60.0; deg <= 120; deg += 15 {
		q := centre.Add(geom.Polar(60, deg))
		slices = append(slices, tray.Piece{Outline: geom.Circle(18, 16).Move(q), At: q, HeightMM: 4})
	}
	tr.Elements = []tray.Element{
		{ID: "bowl", Food: "hummus", Form: "bowl", Vessel: "dip-bowl", Placed: true, X: centre.X, Y: centre.Y, Pieces: []tray.Piece{{Outline: geom.Circle(38, 32).Move(centre), At: centre, HeightMM: 40}}},
		{ID: "arc", Food: "water-cracker", Form: "arc", Placed: true, X: at.X, Y: at.Y, Pieces: slices},
	}
	c, err := pack.NewCarry(tr, "arc")
	if err != nil {
		t.Fatal(err)
	}
	mid := pack.MiddleOf(slices)
	r := mid.Dist(centre)
	for _, deg := range []float64{0, 70, 135, 200, 300} {
		to := centre.Add(geom.Polar(r+12, deg)) // the hand is not quite on the way round
		got := c.Hugging(context.Background(), geom.Pose{X: at.X + to.X - mid.X, Y: at.Y + to.Y - mid.Y}).At
		want := pack.TurnedRound(geom.Pose{X: at.X, Y: at.Y}, centre, deg-90)
		if got.At().Dist(want.At()) > .1 || math.Abs(math.Remainder(got.Turn-want.Turn, 360)) > .1 {
			t.Errorf("at %g degrees: %.1f instead of %.1f", deg, got, want)
		}
	}
	off := geom.Pose{X: at.X - 60, Y: at.Y + 90}
	if got := c.Hugging(context.Background(), off).At; got.At().Dist(off.At()) > 8 || got.Turn != 0 {
		t.Errorf("drawn away it lies at %.1f", got)
	}
}

// Several that are carried together keep their distances, and everything else makes room for all of them.
func TestSeveralAreCarried(t *testing.T) {
	tr := plantest.LaidFor(t, 10)
	a, b := ofKind(tr, true, ""), ofKind(tr, false, food.KindAnchor)
	if a < 0 || b < 0 {
		t.Skip("no bowl or no cheese on this tray")
	}
	c, err := pack.NewCarry(tr, tr.Elements[a].ID, tr.Elements[b].ID)
	if err != nil {
		t.Fatal(err)
	}
	got := c.At(context.Background(), over(tr, a, 35, -20))
	for _, k := range []int{a, b} {
		e, ok := got.Elements[k]
		if by := e.Pose().At().Sub(tr.Elements[k].Pose().At()); !ok || by.Dist(geom.Pt(35, -20)) > .05 {
			t.Errorf("%s went %.1f", tr.Elements[k].ID, by)
		}
	}
	if len(got.Elements) < 3 {
		t.Error("nothing made room")
	}
	if _, err := pack.NewCarry(tr, tr.Elements[a].ID, "nobody"); err == nil {
		t.Error("something that is not on the tray is carried along")
	}
}
