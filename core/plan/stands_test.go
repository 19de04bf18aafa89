package plan_test

import (
	"math"
	"strings"
	"testing"

	"happytray/core/amount"
	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/pick"
	"happytray/core/plan"
	"happytray/core/plan/plantest"
	"happytray/core/review"
	"happytray/core/search"
)

// On a tiered stand every tier is laid of itself, with a fair share of the food: nothing at the post, hardly any board to be seen.
func TestTieredStands(t *testing.T) {
	for _, s := range board.Stands() {
		area := 0.0
		for _, id := range s.Boards {
			b, _ := board.BuiltInCabinet().Board(id)
			area += b.UsableMM2() / 100
		}
		guests := max(2, int(math.Round(area/210)))
		j, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: guests}, Occasion: "nibble", Month: 5, Board: &board.Request{ID: s.ID}}, plantest.Larder, board.BuiltInCabinet())
		if err != nil {
			t.Fatal(err)
		}
		if len(j.Trays) != len(s.Boards) || j.Brief.Board != nil || len(j.Brief.Boards) != len(s.Boards) {
			t.Fatalf("%s: %d trays, asked for %+v", s.ID, len(j.Trays), j.Brief.Boards)
		}
		for n, tr := range j.Trays {
			if tr.Board.ID != s.Boards[n] {
				t.Errorf("%s: tier %d is %s", s.ID, n, tr.Board.ID)
			}
			tr = plantest.Lay(t, tr, search.Options{Seed: 3, Effort: 6}).Tray
			if plates := tr.Beside(plantest.Larder); (plates.Count > 0) != (n == 0) { // one table beside a stand
				t.Errorf("%s: %d plates stand beside tier %d", s.ID, plates.Count, n)
			}
			rev := review.Judge(tr, plantest.Larder)
			if k, ok := rev.Value("service.kinds"); !ok || k > 0 {
				t.Errorf("%s: told that %v kinds are too much or too little, where the other tiers make up for it", tr.Board.ID, k)
			}
			cover, _ := rev.Value("fit.cover")
			gap, _ := rev.Value("fit.gap")
			placed, _ := rev.Value("fit.placed")
			t.Logf("%s, %s: %d foods, cover %.3f, gap %.0f mm, placed %.2f, %.0f points", s.ID, tr.Board.ID, len(tr.Foods()), cover, gap, placed, rev.Score)
			least := .85
			if tr.Board.Outline.Bounds().W() < 270 { // a small round is half edge and post
				least = .78
			}
			if !rev.Legal() || cover < least || placed < .85 || len(tr.Foods()) < 4 {
				t.Errorf("%s, %s: legal %v, cover %.3f, placed %.2f, %d foods", s.ID, tr.Board.ID, rev.Legal(), cover, placed, len(tr.Foods()))
			}
		}
	}
}

// What cannot be served on a stand is told, not half planned.
func TestStandsThatCannotBe(t *testing.T) {
	stand := board.Request{ID: "stand-3"}
	for name, b := range map[string]brief.Brief{
		"plates":      {Guests: brief.Guests{Adults: 6}, Serving: "plates", Board: &stand},
		"five stands": {Guests: brief.Guests{Adults: 60}, Boards: []board.Request{stand, stand, stand, stand, stand}},
		"no such":     {Guests: brief.Guests{Adults: 6}, Board: &board.Request{ID: "stand-9"}},
	} {
		if j, err := plan.FromBrief(b, plantest.Larder, board.BuiltInCabinet()); err == nil || !strings.Contains(err.Error(), "board") {
			t.Errorf("%s: %d trays, %v", name, len(j.Trays), err)
		}
	}
	j, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 12}, Boards: []board.Request{{ID: "stand-2"}, {ID: "rectangle-45-slate"}}}, plantest.Larder, board.BuiltInCabinet())
	if err != nil || len(j.Trays) != 3 {
		t.Errorf("a stand beside a board: %v", err)
	}
	if _, err := j.Write(); err != nil {
		t.Error(err)
	}
}

// A tier is offered to nobody as a board of its own: it is nothing without its stand.
func TestTiersAreNoBoards(t *testing.T) {
	for _, guests := range []int{2, 6, 9, 13} {
		b := brief.Brief{Guests: brief.Guests{Adults: guests}, Occasion: "nibble", Month: 5}
		chosen, err := pick.Pick(b, plantest.Larder, pick.Under{})
		if err != nil {
			t.Fatal(err)
		}
		for _, s := range plan.Surfaces(b, amount.Apportion(b, chosen), board.BuiltInCabinet(), 12) {
			if strings.Contains(strings.Join(s.Boards, " "), "tier-") {
				t.Errorf("%d guests are offered %v", guests, s.Boards)
			}
		}
	}
}
