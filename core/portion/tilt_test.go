package portion

import (
	"math"
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
)

// A tilt moves grams between kinds and leaves the whole as it is; where everything is tilted away nothing is moved.
func TestATiltLeavesTheWhole(t *testing.T) {
	sum := func(b brief.Brief) (all float64) {
		for _, g := range Shares(b, WithMeat) {
			all += g
		}
		return all
	}
	b := brief.Brief{Guests: brief.Guests{Adults: 10}}
	whole, cheese := sum(b), Shares(b, WithMeat)[food.Cheese]
	b.Tilt = map[string]float64{"cheese": 2, "nut": 0}
	if got := sum(b); math.Abs(got-whole) > 1e-6 {
		t.Errorf("tilted it is %v g, %v before", got, whole)
	}
	if s := Shares(b, WithMeat); s[food.Cheese] <= cheese || s[food.Nut] != 0 {
		t.Errorf("%v", s)
	}
	b.Tilt = map[string]float64{}
	for _, c := range food.Categories {
		b.Tilt[string(c)] = 0
	}
	for c, g := range Shares(b, WithMeat) {
		if math.IsNaN(g) || g != 0 {
			t.Errorf("everything tilted away: %v g of %s", g, c)
		}
	}
}
