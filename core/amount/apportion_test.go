package amount

import (
	"fmt"
	"math"
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/pick"
)

// Shares by hand: at a party cheese and meat are found as 60 to 50; what nobody chose goes to the kinds there are, in
// proportion, so that all get as much as of a whole table, 306 g each, but for what is set by hand; a kind is shared out by
// how well its foods are liked, and a trail counts twice.
func TestApportionByHand(t *testing.T) {
	slices := func(c food.Category, id, form string, liking float64) pick.Choice {
		f := &food.Food{ID: id, Name: id, Category: c, Density: 1, Liking: liking, Forms: []food.Spec{{Form: form, MassG: 5, Group: 10, L: 60, W: 40, H: 4, Pitch: 10}}}
		if c == food.Meat {
			f.Diet = []string{"meat"}
		}
		return pick.Choice{Food: f, Form: form}
	}
	ten := brief.Brief{Guests: brief.Guests{Adults: 10}, Occasion: "grazing"}
	set := slices(food.Nut, "set", "shingle", .5)
	set.Grams = 70
	chosen := []pick.Choice{
		slices(food.Cheese, "a", "shingle", .6), slices(food.Cheese, "b", "shingle", .3),
		slices(food.Meat, "c", "trail", .4), slices(food.Meat, "d", "shingle", .4),
		set, slices(food.Nut, "e", "shingle", .4), slices(food.Nut, "f", "shingle", .4),
	}
	grams, all := map[string]float64{}, 0.0
	for _, a := range Apportion(ten, chosen) {
		grams[a.Food.ID] = a.Grams
		all += a.Grams
	}
	for _, c := range []struct {
		name      string
		is, equal float64
	}{
		{"the better liked cheese", grams["a"], 2 * grams["b"]},
		{"the trail", grams["c"], 2 * grams["d"]},
		{"cheese beside meat", (grams["a"] + grams["b"]) / 60, (grams["c"] + grams["d"]) / 50},
		{"what is set", grams["set"], 70},
		{"nuts of one liking", grams["e"], grams["f"]},
	} {
		if math.Abs(c.is-c.equal) > .002*c.equal {
			t.Errorf("%s: %.2f, by hand %.2f (%v)", c.name, c.is, c.equal, grams)
		}
	}
	parts := 0.0 // of the cheese, as it is said
	for _, a := range Apportion(ten, chosen[:2]) {
		var part float64
		if _, err := fmt.Sscanf(a.Why.String(), "%f %% of the cheese", &part); err != nil {
			t.Errorf("%q: %v", a.Why, err)
		}
		parts += part
	}
	if parts < 99 || parts > 101 {
		t.Errorf("%.0f %% of the cheese is told of", parts)
	}
	if all > 3060*1.01 || all < 3060*.92 {
		t.Errorf("%.0f g in all, 3,060 by hand", all)
	}
	// twice the guests, twice the amounts, but of what was set by hand
	twenty := ten
	twenty.Guests.Adults = 20
	for i, a := range Apportion(twenty, chosen) {
		if b := Apportion(ten, chosen)[i]; a.Food.ID != "set" && a.Food.Category != food.Nut && math.Abs(a.Grams-2*b.Grams) > 1 || a.Food.ID == "set" && a.Grams != 70 {
			t.Errorf("%s: %.1f g for twenty, %.1f for ten", a.Food.ID, a.Grams, b.Grams)
		}
	}
}
