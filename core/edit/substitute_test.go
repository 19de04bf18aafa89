package edit

import (
	"context"
	"math"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/pack"
	planning "happytray/core/plan"
	"happytray/core/plan/plantest"
	"happytray/core/search"
	"happytray/core/tray"
)

// A food that is swapped for a substitute takes its place on a laid tray; nothing
// else moves, and the tray stays legal.
func TestASubstituteTakesThePlace(t *testing.T) {
	larder, cabinet := food.BuiltIn(), board.BuiltInCabinet()
	j, err := planning.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 8}, Month: 9, Foods: plantest.Usual, Board: &board.Request{ID: "rectangle-60-cherry"}}, larder, cabinet)
	if err != nil {
		t.Fatal(err)
	}
	laid, err := search.Lay(context.Background(), j.Trays[0], larder, search.Options{Seed: 4, Effort: 6})
	if err != nil {
		t.Fatal(err)
	}
	was := laid.Tray
	b := was.Brief
	b.Foods = nil
	for _, w := range planning.Wants(j.With(0, was)) {
		switch w.Food {
		case "round-crackers":
			w = brief.Want{Food: "water-biscuits", Form: w.Form}
		}
		b.Foods = append(b.Foods, w)
	}
	old := j.With(0, was.Clone())
	old.Brief = b
	again, err := planning.Replan(old, larder, cabinet)
	if err != nil {
		t.Fatal(err)
	}
	now := again.Trays[0]
	gone, come, ok := Substituted(was, now)
	if !ok || gone != "round-crackers" || come != "water-biscuits" {
		t.Fatalf("%s for %s, %v", come, gone, ok)
	}
	grams := func(t *tray.Tray) (all float64) {
		for _, e := range t.Elements {
			if e.Food == come {
				all += e.Grams
			}
		}
		for _, r := range t.Reserve {
			if r.Food == come {
				all += r.Grams
			}
		}
		return all
	}
	before := now.Clone()
	if err := Substitute(context.Background(), was, now, larder, gone, come); err != nil {
		t.Fatal(err)
	}
	if a, b := grams(before), grams(now); math.Abs(a-b) > 6 {
		t.Errorf("%.1f g were planned, %.1f g are laid and held", a, b)
	}
	placed := 0
	for _, e := range now.Elements {
		if e.Food == come {
			if e.Placed {
				placed++
			}
			continue
		}
		if o := before.Elements[before.Find(e.ID)]; o.Placed != e.Placed || o.Pose().At().Dist(e.Pose().At()) > 20 || e.Kind() != food.KindLoose && o.Pose() != e.Pose() {
			t.Errorf("%s was moved by %.0f mm (%v)", e.ID, o.Pose().At().Dist(e.Pose().At()), e.Placed)
		}
	}
	if placed == 0 || !pack.Legal(now, larder) {
		t.Errorf("%d groups took their places, legal: %v", placed, pack.Legal(now, larder))
	}
	if err := now.Check(larder); err != nil {
		t.Error(err)
	}
	if _, _, ok := Substituted(was, was); ok {
		t.Error("nothing was swapped")
	}
}
