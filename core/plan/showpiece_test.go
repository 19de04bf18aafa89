package plan_test

import (
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/plan"
)

// hollowed lists the hollowed vessels of a brief's plan with the food in each.
func hollowed(t *testing.T, b brief.Brief) map[string]*food.Food {
	t.Helper()
	j, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	out := map[string]*food.Food{}
	for _, tr := range j.Trays {
		for _, e := range tr.Elements {
			if v, ok := tr.Vessel(e.Vessel); ok && v.Material == board.Hollowed {
				if out[v.ID], ok = larder.Get(e.Food); !ok {
					t.Fatal(e.Food)
				}
			}
		}
	}
	return out
}

// A large board has one showpiece, of the season, with a dip that suits it; where the house wants none, or something speaks
// against it, there is none.
func TestShowpiece(t *testing.T) {
	party := brief.Brief{Guests: brief.Guests{Adults: 26}, Occasion: "grazing", Month: 10}
	had := 0
	for choice := range 6 {
		b := party
		b.Choice = choice
		for v, f := range hollowed(t, b) {
			had++
			if v != "squash-bowl" && v != "cabbage-bowl" || f.Category != food.Dip || food.SweetDip(f) {
				t.Errorf("choice %d has %s in a %s in October", choice, f.Name, v)
			}
		}
		b.Hemisphere = "south"
		for v := range hollowed(t, b) {
			if v == "squash-bowl" {
				t.Errorf("choice %d has a %s in spring", choice, v)
			}
		}
	}
	if had < 3 || had > 6 {
		t.Errorf("%d showpieces on six boards", had)
	}
	for why, change := range map[string]func(b *brief.Brief){
		"the house wants none": func(b *brief.Brief) { b.Rules = &brief.Rules{Showpiece: "none"} },
		"few guests":           func(b *brief.Brief) { b.Guests.Adults = 8 },
		"a nibble":             func(b *brief.Brief) { b.Occasion = "nibble" },
		"the road":             func(b *brief.Brief) { b.Travels.Yes = true },
		"money is set":         func(b *brief.Brief) { b.Budget = 30000 },
		"money a guest is set": func(b *brief.Brief) { b.PerGuest = 1100 },
		"plates":               func(b *brief.Brief) { b.Serving = "plates" },
		"a box with a lid":     func(b *brief.Brief) { b.Board = &board.Request{ID: "box-46-card"} },
	} {
		b := party
		change(&b)
		if got := hollowed(t, b); len(got) > 0 {
			t.Errorf("%s: there are %v", why, got)
		}
	}
	always := brief.Brief{Guests: brief.Guests{Adults: 12}, Month: 4, Occasion: "nibble", Rules: &brief.Rules{Showpiece: "always"}, Foods: []brief.Want{{Food: "herb-dip"}, {Food: "carrot-sticks"}, {Food: "orange-block"}}}
	if got := hollowed(t, always); len(got) != 1 {
		t.Errorf("asked for, there are %v", got)
	}
}
