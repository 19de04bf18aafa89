package brief

import (
	"math"
	"testing"

	"happytray/core/food"
)

// A worked sum: twelve adults for nibbles get 12 x 40 g of cheese and so on.
func TestSharesFollowTheTable(t *testing.T) {
	b := Brief{Guests: Guests{Adults: 12}}
	got := b.Shares(WithMeat)
	for c, want := range map[food.Category]float64{food.Cheese: 480, food.Meat: 360, food.Cracker: 300, food.Nut: 144} {
		if math.Abs(got[c]-want) > 1e-9 {
			t.Errorf("%s: %v g, want %v", c, got[c], want)
		}
	}
	if fv := got[food.Fruit] + got[food.Vegetable]; math.Abs(fv-480) > 1e-9 {
		t.Errorf("fruit and vegetables %v g, want 480", fv)
	}
	without := b.Shares(WithoutMeat)
	if without[food.Meat] != 0 || math.Abs(without[food.Cheese]-(480+180)) > 1e-9 || math.Abs(without[food.Dip]-(180+60)) > 1e-9 {
		t.Errorf("without meat: %v", without)
	}
	kids := Brief{Guests: Guests{Adults: 10, Children: 4}}.Shares(WithMeat)
	if math.Abs(kids[food.Cheese]-480) > 1e-9 {
		t.Errorf("two children eat as one adult: %v", kids[food.Cheese])
	}
}
