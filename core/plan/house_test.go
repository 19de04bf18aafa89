package plan_test

import (
	"math"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/plan"
)

// ofKinds is what a brief's plan lays of each kind with its reserve, grams, and how many foods.
func ofKinds(t *testing.T, b brief.Brief) (grams map[food.Category]float64, foods map[food.Category]int) {
	t.Helper()
	j, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	grams, foods = map[food.Category]float64{}, map[food.Category]int{}
	seen := map[string]bool{}
	add := func(id string, g float64) {
		f, _ := larder.Get(id)
		grams[f.Category] += g
		if !seen[id] {
			seen[id] = true
			foods[f.Category]++
		}
	}
	for _, tr := range j.Trays {
		for _, e := range tr.Elements {
			add(e.Food, e.Grams)
		}
		for _, r := range tr.Reserve {
			add(r.Food, r.Grams)
		}
	}
	return grams, foods
}

// A house's grams of a kind are what a grown-up gets of it, at other occasions in the same measure; of none there is none.
func TestTheHousesGrams(t *testing.T) {
	for _, occasion := range []string{"nibble", "grazing", "meal"} {
		b := brief.Brief{Guests: brief.Guests{Adults: 40}, Month: 6, Occasion: occasion}
		usual, _ := ofKinds(t, b)
		b.Rules = &brief.Rules{EachG: map[string]float64{"cheese": 90, "sweet": 0}}
		own, kinds := ofKinds(t, b)
		if got := own[food.Cheese] / usual[food.Cheese]; math.Abs(got-1.5) > .12 {
			t.Errorf("%s: half as much cheese again is %.2f of the usual", occasion, got)
		}
		if kinds[food.Sweet] > 0 {
			t.Errorf("%s: %d sweets, where the house serves none", occasion, kinds[food.Sweet])
		}
		if got := own[food.Meat] / usual[food.Meat]; math.Abs(got-1) > .12 {
			t.Errorf("%s: %.2f of the usual meat", occasion, got)
		}
	}
	for _, bad := range []map[string]float64{{"cheese": 401}, {"cheese": -1}, {"porridge": 20}, {"garnish": 5}, {"cheese": math.NaN()}} {
		if _, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 4}, Rules: &brief.Rules{EachG: bad}}, larder, board.BuiltInCabinet()); err == nil {
			t.Errorf("%v is taken", bad)
		}
	}
}

// Greenery is none, sparing or generous.
func TestGreeneryAsTheHouseLikesIt(t *testing.T) {
	greens := map[string]float64{}
	for _, how := range []string{"none", "", "generous"} {
		for k := range 8 {
			b := brief.Brief{Guests: brief.Guests{Adults: 12}, Month: 1 + k, Rules: &brief.Rules{Greenery: how}}
			grams, _ := ofKinds(t, b)
			greens[how] += grams[food.Garnish]
		}
	}
	if greens["none"] != 0 || greens["generous"] < 1.6*greens[""] {
		t.Errorf("grams of greens: %v", greens)
	}
}

// A house that is generous with greens has 8 to 15 g of sprigs on a board, of heavy herbs up to 20, and as much again for two
// dozen guests more.
func TestGenerousGreensAreWeighed(t *testing.T) {
	for guests, want := range map[int][2]float64{4: {7.5, 11}, 12: {7.5, 13}, 24: {13, 20}, 48: {27, 36}} {
		for month := 1; month <= 12; month += 3 {
			j, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: guests}, Month: month, Rules: &brief.Rules{Greenery: "generous"}}, larder, board.BuiltInCabinet())
			if err != nil {
				t.Fatal(err)
			}
			g, sprigs := 0.0, false
			for _, tr := range j.Trays {
				for _, e := range tr.Elements {
					if food.Has(e.Form, food.Tucked) {
						g, sprigs = g+e.Grams*float64(tr.Copies()), true
					}
				}
			}
			if sprigs && (g < want[0] || g > want[1]) {
				t.Errorf("%d guests in month %d: %.1f g of sprigs", guests, month, g)
			}
		}
	}
}
