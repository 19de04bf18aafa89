package plan_test

import (
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/plan"
)

// What is planned for a box goes under its lid: food in low forms, low bowls, and enough of it all the same.
func TestUnderALid(t *testing.T) {
	for _, id := range []string{"box-22-card", "box-36-card", "box-46-card"} {
		made, err := board.Make(board.Request{ID: id})
		if err != nil {
			t.Fatal(err)
		}
		guests := map[string]int{"box-22-card": 2, "box-36-card": 5, "box-46-card": 8}[id]
		for _, occasion := range []string{"nibble", "grazing", "meal"} {
			j, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: guests}, Occasion: occasion, Month: 6, Board: &board.Request{ID: id}}, larder, board.BuiltInCabinet())
			if err != nil {
				t.Fatal(id, err)
			}
			tr := j.Trays[0]
			if tr.Board.LidMM != made.LidMM || made.LidMM == 0 {
				t.Errorf("%s: the lid is at %v", id, tr.Board.LidMM)
			}
			if len(tr.Elements) < 8 {
				t.Errorf("%s: %d elements for %d guests", id, len(tr.Elements), guests)
			}
			for _, e := range tr.Elements {
				f, _ := larder.Get(e.Food)
				s, ok := f.Spec(e.Form)
				if !ok {
					t.Fatalf("%s: %s has no form %s", id, e.Food, e.Form)
				}
				high := food.Stands(e.Food, s)
				if v, in := tr.Vessel(e.Vessel); in {
					high = max(high, v.HeightMM)
				}
				if high > made.LidMM {
					t.Errorf("%s, %s: %s as %s stands %.0f mm high under a lid at %.0f", id, occasion, e.Food, e.Form, high, made.LidMM)
				}
			}
			for _, k := range j.Foods {
				if f, ok := larder.Get(k.Food.ID); !ok || len(f.Forms) != len(k.Food.Forms) {
					t.Errorf("%s: %s is kept with %d forms", id, k.Food.ID, len(k.Food.Forms))
				}
			}
		}
	}
}

// Who asks for something tall gets it; the review says that it does not go under the lid.
func TestAskedForUnderALid(t *testing.T) {
	j, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 4}, Board: &board.Request{ID: "box-36-card"}, Pins: []brief.Want{{Food: "ham-breadsticks"}}}, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	has := false
	for _, e := range j.Trays[0].Elements {
		has = has || e.Food == "ham-breadsticks"
	}
	if !has {
		t.Error("what was pinned is not there")
	}
}

func BenchmarkPlanUnderALid(b *testing.B) {
	for b.Loop() {
		if _, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 8}, Board: &board.Request{ID: "box-46-card"}}, larder, board.BuiltInCabinet()); err != nil {
			b.Fatal(err)
		}
	}
}
