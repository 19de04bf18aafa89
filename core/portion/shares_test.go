package portion

import (
	"math"
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
)

// A worked sum: twelve adults for nibbles get 12 x 40 g of cheese and so on.
func TestSharesFollowTheTable(t *testing.T) {
	b := brief.Brief{Guests: brief.Guests{Adults: 12}}
	got := Shares(b, WithMeat)
	for c, want := range map[food.Category]float64{food.Cheese: 480, food.Meat: 360, food.Cracker: 300, food.Nut: 144} {
		if math.Abs(got[c]-want) > 1e-9 {
			t.Errorf("%s: %v g, want %v", c, got[c], want)
		}
	}
	if fv := got[food.Fruit] + got[food.Vegetable]; math.Abs(fv-480) > 1e-9 {
		t.Errorf("fruit and vegetables %v g, want 480", fv)
	}
	without := Shares(b, WithoutMeat)
	if without[food.Meat] != 0 || math.Abs(without[food.Cheese]-(480+180)) > 1e-9 || math.Abs(without[food.Dip]-(180+60)) > 1e-9 {
		t.Errorf("without meat: %v", without)
	}
	kids := Shares(brief.Brief{Guests: brief.Guests{Adults: 10, Children: 4}}, WithMeat)
	if math.Abs(kids[food.Cheese]-480) > 1e-9 {
		t.Errorf("two children eat as one adult: %v", kids[food.Cheese])
	}
}

func TestSharesFollowTheOccasion(t *testing.T) {
	b := brief.Brief{Guests: brief.Guests{Adults: 10}, Occasion: "grazing"}
	usual := sum(Shares(b, WithMeat))
	for _, c := range []struct {
		name string
		edit func(b *brief.Brief)
		want float64 // of the usual sum
	}{
		{"beside some dishes", func(b *brief.Brief) { b.Besides = "some" }, .8},
		{"beside plenty", func(b *brief.Brief) { b.Besides = "plenty" }, .6},
		{"as long as usual", func(b *brief.Brief) { b.LastsMinutes = 150 }, 1},
		{"half as long again", func(b *brief.Brief) { b.LastsMinutes = 225 }, math.Pow(1.5, .45)},
		{"all night", func(b *brief.Brief) { b.LastsMinutes = 1000 }, 1.6},
		{"a dessert", func(b *brief.Brief) { b.Course = "sweet" }, .6},
		{"tilted to cheese", func(b *brief.Brief) { b.Tilt = map[string]float64{"cheese": 2} }, 1},
		{"without meat", func(b *brief.Brief) {}, 1},
	} {
		edited := b
		c.edit(&edited)
		meat := WithMeat
		if c.name == "without meat" {
			meat = StandIn
		}
		if got := sum(Shares(edited, meat)); math.Abs(got-c.want*usual) > 1e-6 {
			t.Errorf("%s: %.1f g, want %.1f", c.name, got, c.want*usual)
		}
	}
	b.Tilt = map[string]float64{"cheese": 2, "nut": 0}
	tilted := Shares(b, WithMeat)
	b.Tilt = nil
	if was := Shares(b, WithMeat); tilted[food.Cheese] <= 1.5*was[food.Cheese] || tilted[food.Nut] != 0 || tilted[food.Meat] >= was[food.Meat] {
		t.Errorf("%v after %v", tilted, was)
	}
	if b.Course = "savoury"; Shares(b, WithMeat)[food.Sweet] != 0 {
		t.Error("a savoury tray has sweets")
	}
	b.Course = ""
	if third := Shares(b, StandIn)[food.Meat]; math.Abs(third-500.0/3) > 1e-6 {
		t.Errorf("what stands in for meat gets %v g, want a third of 500", third)
	}
}

func sum(shares map[food.Category]float64) (all float64) {
	for _, g := range shares {
		all += g
	}
	return all
}
