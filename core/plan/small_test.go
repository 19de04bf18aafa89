package plan_test

import (
	"slices"
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/plan"
	"happytray/core/plan/plantest"
	"happytray/core/shop"
)

// Of the money of a basket a small table leaves little in its packs, and no amount is more than a third over what it would be without them.
func TestSmallTablesGetWholePacks(t *testing.T) {
	for guests, most := range map[int]float64{4: .32, 8: .24} {
		paid, used := 0, 0
		for k := range 36 {
			j, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: guests}, Month: 1 + k%12, Occasion: []string{"nibble", "grazing", "meal"}[k%3], Choice: k / 12}, larder, board.BuiltInCabinet())
			if err != nil {
				t.Fatal(err)
			}
			basket := shop.NewBasket(j, larder)
			paid, used = paid+basket.BasketCost, used+basket.UsedCost
			largest, cheese, kinds := 0.0, 0.0, 0
			for _, l := range basket.Lines {
				if g := l.OnTrayG + l.ReserveG; l.Category == string(food.Cheese) {
					cheese, largest, kinds = cheese+g, max(largest, g), kinds+1
				}
			}
			if kinds >= 3 && largest > .42*cheese {
				t.Errorf("%d guests, %d: %.2f of the cheese is one", guests, k, largest/cheese)
			}
		}
		if left := 1 - float64(used)/float64(paid); left > most {
			t.Errorf("%d guests leave %.0f %% of their money in packs", guests, 100*left)
		}
	}
}

// A kind made more of by hand is more, whatever its packs: they are laid whole at the usual share already.
func TestWholePacksSwallowNoSlider(t *testing.T) {
	cabinet := board.BuiltInCabinet()
	for k := range plantest.Cases(40) {
		b := brief.Brief{Guests: brief.Guests{Adults: []int{4, 8, 12, 16}[k%4]}, Occasion: "grazing", Month: 6, Choice: k / 4}
		if k%2 == 1 {
			b.Budget = 4200
		}
		j, err := plan.FromBrief(b, larder, cabinet)
		if err != nil {
			t.Fatal(err)
		}
		b.Foods = plan.Wants(j)
		for _, kind := range []food.Category{food.Cheese, food.Meat} {
			grams := func(tilt float64) (g float64) {
				b.Tilt = map[string]float64{string(kind): tilt}
				j, err := plan.FromBrief(b, larder, cabinet)
				if err != nil {
					t.Fatal(err)
				}
				for _, l := range shop.NewBasket(j, larder).Lines {
					if l.Category == string(kind) {
						g += l.OnTrayG + l.ReserveG
					}
				}
				return g
			}
			usual := grams(1)
			if usual == 0 {
				continue
			}
			least := 1.1
			if b.Budget > 0 { // which may leave no money for it
				least = 1.02
			}
			if more := grams(1.4); more < least*usual {
				t.Errorf("%d: 140 %% of %.0f g of %s are %.0f g", k, usual, kind, more)
			}
			if less := grams(.6); less > .9*usual {
				t.Errorf("%d: 60 %% of %.0f g of %s are %.0f g", k, usual, kind, less)
			}
		}
	}
}

// What the house eats anyway is chosen rather than what would go to waste, is not laid for want of another use, and says so.
func TestWhatTheHouseEatsAnyway(t *testing.T) {
	var eats []string
	for i, f := range larder.All() {
		if i%4 == 0 && f.Category != food.NotFood && f.Category != food.Garnish {
			eats = append(eats, f.ID)
		}
	}
	count := func(rules *brief.Rules) (theirs int) {
		for k := range 24 {
			b := brief.Brief{Guests: brief.Guests{Adults: 3}, Month: 1 + k%12, Choice: k / 12, Rules: rules}
			j, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
			if err != nil {
				t.Fatal(err)
			}
			for _, l := range shop.NewBasket(j, larder).Lines {
				if slices.Contains(eats, l.Food) {
					theirs++
				}
				if l.HouseEats != (rules != nil && slices.Contains(eats, l.Food)) {
					t.Errorf("%s: is told otherwise than the brief says", l.Food)
				}
				says := l.Explanation.String()
				if l.HouseEats && (l.LeftG >= 1 && !strings.Contains(says, "for the house") || strings.Contains(says, "the whole pack")) {
					t.Errorf("%s: %s", l.Food, says)
				}
			}
		}
		return theirs
	}
	usual, with := count(nil), count(&brief.Rules{Eats: eats})
	t.Logf("%d, with the rule %d", usual, with)
	if float64(with) < 1.15*float64(usual) {
		t.Errorf("of what the house eats anyway %d are chosen, %d without the rule", with, usual)
	}
	if _, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 3}, Rules: &brief.Rules{Eats: make([]string, 101)}}, larder, board.BuiltInCabinet()); err == nil {
		t.Error("a hundred and one foods that are eaten anyway")
	}
}
