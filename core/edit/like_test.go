package edit

import (
	"context"
	"math"
	"slices"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/pack"
	"happytray/core/plan/plantest"
	"happytray/core/review"
	"happytray/core/search"
	"happytray/core/tray"
)

// away is how far anchors and bowls lie from where they lay on another tray when that is scaled, as a share of
// the half-diagonal: the mean over those that both have.
func away(t, other *tray.Tray) (mean float64, n int) {
	to := scaling(other, t)
	box := t.Board.FoodZone.Bounds()
	for i, k := range matched(t, other) {
		e := &t.Elements[i]
		if k < 0 || !e.Placed || e.Kind() != food.KindAnchor {
			continue
		}
		mean += pack.BoxOf(e.Pieces).Centre().Dist(to(pack.BoxOf(other.Elements[k].Pieces).Centre())) / (math.Hypot(box.W(), box.H()) / 2)
		n++
	}
	return mean / math.Max(1, float64(n)), n
}

// A tray for more guests, for fewer, or on a board of another size keeps its look: legal, nearly all of it on
// board, anchors within a tenth of the half-diagonal of their place, forms as they were.
func TestLaidLikeAnother(t *testing.T) {
	if testing.Short() {
		t.Skip("no other goroutines meet in it than in a search")
	}
	ctx := context.Background()
	for _, c := range []struct {
		from, to int
		on       string
	}{{12, 12, ""}, {12, 18, ""}, {16, 10, ""}, {12, 14, "round"}} {
		b := brief.Brief{Guests: brief.Guests{Adults: c.from}, Month: 6, Occasion: "grazing"}
		other := plantest.Lay(t, plantest.Planned(t, b), search.Options{Seed: 5, Effort: 6}).Tray
		b.Guests.Adults = c.to
		for _, f := range other.Foods() {
			b.Foods = append(b.Foods, brief.Want{Food: f})
		}
		if c.on != "" {
			side := math.Sqrt(other.Board.UsableMM2() * 1.35)
			b.Board = &board.Request{Shape: c.on, LengthMM: side, WidthMM: side}
		}
		fresh := plantest.Planned(t, b)
		room, err := LayLike(ctx, fresh, other, plantest.Larder)
		if err != nil {
			t.Fatal(err)
		}
		rev := review.Judge(room.Tray, plantest.Larder)
		far, n := away(room.Tray, other)
		was := review.Judge(other, plantest.Larder)
		t.Logf("%d to %d guests %s: %d anchors and bowls %.3f away, score %.1f, was %.1f, %d wait", c.from, c.to, c.on, n, far, rev.Score, was.Score, len(room.Lifted))
		if !rev.Legal() {
			t.Errorf("%v: not legal: %v", c, rev.Findings[0])
		}
		if far > .1 || n < 4 {
			t.Errorf("%v: %d anchors and bowls lie %.3f of the half-diagonal away", c, n, far)
		}
		if len(room.Lifted) > len(room.Tray.Elements)/8 {
			t.Errorf("%v: %v wait beside the board", c, room.Lifted)
		}
		for i, k := range matched(room.Tray, other) {
			if k >= 0 && room.Tray.Elements[i].Food == other.Elements[k].Food && slices.Contains(room.Lifted, room.Tray.Elements[i].ID) && c.from == c.to && c.on == "" {
				t.Errorf("%s found no room on the same board", room.Tray.Elements[i].ID)
			}
		}
		if again, _ := LayLike(ctx, fresh, other, plantest.Larder); review.Judge(again.Tray, plantest.Larder).Score != rev.Score {
			t.Errorf("%v: another tray each time", c)
		}
	}
}

func TestLikeWantsALaidTray(t *testing.T) {
	fresh := plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 6}})
	if _, err := LayLike(context.Background(), fresh, fresh, plantest.Larder); err == nil {
		t.Error("like one that is not laid")
	}
	bare := fresh.Clone()
	bare.Board = nil
	if _, err := LayLike(context.Background(), bare, fresh, plantest.Larder); err == nil {
		t.Error("no board")
	}
}
