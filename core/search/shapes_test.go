package search_test

import (
	"math"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/plan/plantest"
	"happytray/core/review"
	"happytray/core/search"
)

// The shapes that people ask for are laid well at three sizes: whole, legal, and hardly any board shows.
func TestShapesPeopleAskFor(t *testing.T) {
	for _, r := range []board.Request{{Shape: "ring"}, {Shape: "heart"}, {Shape: "tree"}, {Shape: "star"}, {Shape: "figure", Figure: "7"}, {Shape: "figure", Figure: "R"}} {
		for k, long := range []float64{300, 420, 640} {
			if testing.Short() && (k != 1 || r.Shape != "ring" && r.Figure != "R") {
				continue // the others are no other work for goroutines
			}
			r.LengthMM = long
			b, err := board.Make(r)
			if err != nil {
				t.Fatal(err)
			}
			guests := max(2, int(math.Round(b.FoodZone.Area()/100/200)))
			asked := r
			tr := plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: guests}, Month: 6, Choice: k, Board: &asked})
			laid := plantest.Lay(t, tr, search.Options{Seed: 3, Effort: 6})
			rev := review.Judge(laid.Tray, plantest.Larder)
			cover, _ := rev.Value("fit.cover")
			gap, _ := rev.Value("fit.gap")
			placed, _ := rev.Value("fit.placed")
			t.Logf("%s%s %.0f mm, %d guests: cover %.3f, gap %.0f mm, placed %.2f, %.1f points", r.Shape, r.Figure, long, guests, cover, gap, placed, rev.Score)
			least, lying := .82, .85
			if k == 0 { // a band of nine centimetres takes what fits in it
				least, lying = .7, .8
			}
			if !rev.Legal() || cover < least || placed < lying {
				t.Errorf("%s%s %.0f mm: legal %v, cover %.3f, placed %.2f", r.Shape, r.Figure, long, rev.Legal(), cover, placed)
			}
		}
	}
}
