package pack_test

import (
	"context"
	"math/rand/v2"
	"testing"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
	"happytray/core/plan/plantest"
	"happytray/core/review"
	"happytray/core/tray"
)

func overlap(t *tray.Tray) float64 {
	for _, c := range review.Judge(t, food.BuiltIn()).Checks {
		if c.ID == "fit.overlap" {
			return c.Value
		}
	}
	return -1
}

// Bowls and rounds are pushed about at random: loose neighbours make room, nothing
// else moves, nothing is lost, and the same move gives the same tray.
func TestNeighboursGiveWay(t *testing.T) {
	larder := food.BuiltIn()
	base := plantest.LaidFor(t, 10)
	base.Elements[2].Locked = true
	r := rand.New(rand.NewPCG(5, 9))
	amounts := func(t *tray.Tray) map[string]float64 {
		out := map[string]float64{}
		for _, e := range t.Elements {
			out[e.Food] += e.Grams
		}
		for _, r := range t.Reserve {
			out[r.Food] += r.Grams
		}
		return out
	}
	tries, better, clear := 0, 0, 0
	for i := range base.Elements {
		if k := base.Elements[i].Kind(); k != food.KindAnchor || base.Elements[i].Locked {
			continue
		}
		for range 4 {
			moved, from := plantest.Moved(t, base, i, geom.Polar(8+14*r.Float64(), 360*r.Float64()), 0)
			before := overlap(moved)
			if before < .5 {
				continue
			}
			tries++
			given := moved.Clone()
			now, _ := pack.GiveWay(context.Background(), moved, larder, base.Elements[i].ID, from)
			after := overlap(now)
			if after > before+.05 {
				t.Errorf("%s: %.2f mm of overlap became %.2f", base.Elements[i].ID, before, after)
			}
			if after < before-.05 {
				better++
			}
			if after <= 1e-6 {
				clear++
			}
			for n, e := range moved.Elements {
				if e.X != given.Elements[n].X || len(e.Pieces) != len(given.Elements[n].Pieces) {
					t.Fatal("the tray that was given was changed")
				}
				o := now.Elements[now.Find(e.ID)]
				if (e.Locked || e.Kind() != food.KindLoose || n == i) && o.Pose() != e.Pose() {
					t.Errorf("%s gave way to %s", e.ID, base.Elements[i].ID)
				}
			}
			was, is := amounts(moved), amounts(now)
			for id, g := range was {
				if d := is[id] - g; d > .11 || d < -.11 {
					t.Errorf("%s: %.1f g became %.1f", id, g, is[id])
				}
			}
			if err := now.Check(larder); err != nil {
				t.Error(err)
			}
			again, _ := pack.GiveWay(context.Background(), moved, larder, base.Elements[i].ID, from)
			for n := range now.Elements {
				if now.Elements[n].Pose() != again.Elements[n].Pose() {
					t.Errorf("%s lies elsewhere the second time", now.Elements[n].ID)
				}
			}
		}
	}
	t.Logf("%d moves: %d with less overlap, %d with none", tries, better, clear)
	if tries < 10 || better*2 < tries {
		t.Errorf("%d of %d moves found neighbours that gave way", better, tries)
	}
	if same, did := pack.GiveWay(context.Background(), base, larder, "nobody", geom.Pose{}); did || same != base {
		t.Error("what is not there was given way to")
	}
}

func BenchmarkGiveWay(b *testing.B) {
	base := plantest.LaidFor(b, 20)
	k := 0
	for i := range base.Elements {
		if base.Elements[i].Kind() == food.KindAnchor && base.Elements[i].Vessel != "" {
			k = i
			break
		}
	}
	moved, from := plantest.Moved(b, base, k, geom.Pt(14, 9), 0)
	b.ReportMetric(float64(len(base.Elements)), "elements")
	for b.Loop() {
		pack.GiveWay(context.Background(), moved, food.BuiltIn(), base.Elements[k].ID, from)
	}
}
