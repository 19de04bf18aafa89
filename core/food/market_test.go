package food

import "testing"

// Of two shops the first one's offer counts, but where it is out and the other is not, or it does not know the food.
func TestMarketOr(t *testing.T) {
	offer := func(price int, out bool) Offer { return Offer{Packs: []Pack{{Grams: 100, Price: price}}, Out: out} }
	mine := Market{Offers: map[string]Offer{"brie": offer(1, false), "figs": offer(1, true), "dates": offer(1, true)}}
	other := Market{Offers: map[string]Offer{"brie": offer(2, false), "figs": offer(2, false), "dates": offer(2, true), "salami": offer(2, false)}}
	got := mine.Or(other)
	for id, want := range map[string]int{"brie": 1, "figs": 2, "dates": 1, "salami": 2} {
		if p := got.Offers[id].Packs[0].Price; p != want {
			t.Errorf("%s is bought at %d", id, p)
		}
	}
	if len(mine.Offers) != 3 || mine.Offers["figs"].Packs[0].Price != 1 {
		t.Error("the first market is changed")
	}
	if alone := (Market{}).Or(other); len(alone.Offers) != 4 {
		t.Errorf("an empty one takes %d of the other's four", len(alone.Offers))
	}
}

// Sticks on end fill a cup by their ends: ten of 9 by 9 mm, 50 mm deep, with the air between them, take 61 ml; longer ones no more.
func TestSticksOnEndFillByTheirEnds(t *testing.T) {
	s := Spec{Form: "upright", Shape: "cylinder", L: 180, W: 9, H: 9, MassG: 5}
	if ml := FillOf(&Food{Density: .4}, s, 10); ml < 61 || ml > 62 {
		t.Errorf("ten sticks fill %.1f ml", ml)
	}
	short := s
	short.L = 90
	if a, b := FillOf(&Food{Density: .4}, s, 10), FillOf(&Food{Density: .4}, short, 10); a != b {
		t.Errorf("long ones fill %.1f ml, short ones %.1f", a, b)
	}
}
