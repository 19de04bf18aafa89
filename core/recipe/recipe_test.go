package recipe

import (
	"math"
	"slices"
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
)

// A recipe is of a food that there is, weighs what it should, and holds nothing that the food's own entry does not own up to: who is
// told that it is fine is told the same when it is made in the house.
func TestRecipesAreOfTheirFoods(t *testing.T) {
	larder := food.BuiltIn()
	if len(known) < 10 {
		t.Fatalf("%d recipes", len(known))
	}
	for id, r := range known {
		f, ok := larder.Get(id)
		if !ok {
			t.Errorf("%s is no food", id)
			continue
		}
		sum, cost := 0.0, 0.0
		for _, p := range r.Parts {
			sum += p.Grams
			cost += p.Grams * p.Price / 100
			for _, a := range p.Allergens {
				if !slices.Contains(brief.Allergens, a) || !slices.Contains(f.Allergens, a) {
					t.Errorf("%s: %s holds %s, and its entry says %v", id, p.Name, a, f.Allergens)
				}
			}
			for _, a := range p.MayContain {
				if !slices.Contains(f.Allergens, a) && !slices.Contains(f.MayContain, a) {
					t.Errorf("%s: %s may contain %s, and its entry says %v and %v", id, p.Name, a, f.Allergens, f.MayContain)
				}
			}
		}
		for _, a := range f.Allergens {
			if !slices.ContainsFunc(r.Parts, func(p Part) bool { return slices.Contains(p.Allergens, a) }) {
				t.Errorf("%s contains %s, and none of its parts does", id, a)
			}
		}
		if sum < 98 || sum > 150 {
			t.Errorf("100 g of %s are made of %.0f g", id, sum)
		}
		if price := larder.GramPrice(f) * 100; cost < price/8 || cost > price*1.6 {
			t.Errorf("100 g of %s cost %.0f to make and %.0f to buy", id, cost, price)
		}
		if r.AheadH <= 0 || r.AheadH > 24*float64(f.KeepsDays) || r.Tool == "" || len(r.Steps) == 0 {
			t.Errorf("%s: %+v", id, r)
		}
		for _, s := range r.Steps {
			if !slices.Contains(Doings, s.Do) || s.Minutes <= 0 || s.Minutes > 90 || s.Per100G < 0 || s.OvenC != 0 && (s.OvenC < 100 || s.OvenC > 240) || s.ByItself && s.OvenC > 0 {
				t.Errorf("%s: %+v", id, s)
			}
		}
	}
}

func TestWhatIsBoughtToMakeIt(t *testing.T) {
	r, ok := For(brief.Brief{Makes: []string{"chickpea-dip", "brie"}}, "chickpea-dip")
	if !ok {
		t.Fatal("no recipe for hummus")
	}
	parts, cost := r.Bought(400), 0
	for _, p := range parts {
		if p.Name == "water" || p.Grams <= 0 {
			t.Errorf("%+v is bought", p)
		}
		if p.Name == "cooked chickpeas" && math.Abs(p.Grams-220) > .1 {
			t.Errorf("%g g of chickpeas for 400 g", p.Grams)
		}
		cost += p.Cost
	}
	if len(parts) != len(r.Names()) || cost < 100 || cost > 400 {
		t.Errorf("%v for %d", parts, cost)
	}
	if _, made := For(brief.Brief{}, "chickpea-dip"); made {
		t.Error("made unasked")
	}
	if _, made := For(brief.Brief{Makes: []string{"brie"}}, "brie"); made {
		t.Error("brie is not made here")
	}
}
