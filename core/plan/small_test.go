package plan_test

import (
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/plan"
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
