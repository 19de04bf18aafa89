package arrange

import (
	"context"
	"reflect"
	"testing"

	"happytray/core/food"
	"happytray/core/geom"
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
	tr := laidFor(t, 10)
	k := ofKind(tr, true, "")
	locked := ofKind(tr, false, food.KindTrail)
	tr.Elements[locked].Locked = true
	c, err := NewCarry(tr, tr.Elements[k].ID)
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
	if fresh, _ := NewCarry(tr, tr.Elements[k].ID); !reflect.DeepEqual(fresh.At(ctx, over(tr, k, 70, 20)), first) {
		t.Error("another carry gives another answer")
	}
}

// Wherever a bowl is held, what is seen of the tray fits, or says what finds no room.
func TestCarriedFitsOrSays(t *testing.T) {
	tr := laidFor(t, 12)
	ctx := context.Background()
	zone := tr.Board.FoodZone.Bounds()
	fits, all := 0, 0
	for _, k := range []int{ofKind(tr, true, ""), ofKind(tr, false, food.KindLoose), ofKind(tr, false, food.KindRow)} {
		if k < 0 {
			continue
		}
		c, err := NewCarry(tr, tr.Elements[k].ID)
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
			if review.NewLive(now, larder).Fits() {
				fits++
			} else if len(got.Stuck) == 0 && deepest(now) > 4 {
				t.Errorf("%s at %.0f, %.0f: %.1f mm deep, and nothing is said", tr.Elements[k].ID, at.X, at.Y, deepest(now))
			}
		}
	}
	if fits*3 < all {
		t.Errorf("%d of %d places fit as they are seen", fits, all)
	}
	t.Logf("%d of %d fit as they are seen", fits, all)
}

// deepest is how deep things on a tray stand in each other, mm beyond what they may.
func deepest(t *tray.Tray) (most float64) {
	z := newZone(t.Board)
	p := newParting(&z, t, nil, false)
	for i := range p.lumps {
		p.near(i, true, func(j int) bool {
			if p.lumps[i].e != p.lumps[j].e {
				if d, _, _, _ := p.overlap(i, j); d > most {
					most = d
				}
			}
			return true
		})
	}
	return most
}

func TestCarryWantsSomethingThatLies(t *testing.T) {
	tr := laidFor(t, 6)
	if _, err := NewCarry(tr, "no-such"); err == nil {
		t.Error("an element that is not there")
	}
	tr.Elements[0].Placed, tr.Elements[0].Pieces = false, nil
	if _, err := NewCarry(tr, tr.Elements[0].ID); err == nil {
		t.Error("an element beside the board")
	}
	tr.Board = nil
	if _, err := NewCarry(tr, tr.Elements[1].ID); err == nil {
		t.Error("no board")
	}
}

func BenchmarkCarry(b *testing.B) {
	t := laidFor(b, 24)
	k := ofKind(t, true, "")
	c, err := NewCarry(t, t.Elements[k].ID)
	if err != nil {
		b.Fatal(err)
	}
	for i := 0; b.Loop(); i++ {
		c.At(context.Background(), over(t, k, float64(i*7%160), float64(i*3%90)))
	}
}
