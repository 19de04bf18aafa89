package plan

import (
	"slices"
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
)

// The only cheese that some guests eat is not spared, nor the only firm one, nor the last flat bread; a second of them is.
func TestWhatAChoiceCanSpare(t *testing.T) {
	var foods []*food.Food
	ids := []string{"soft-white-round", "blue-wedge", "fresh-goat-log", "orange-block", "cashew-round", "wide-sausage", "round-crackers", "corn-chips", "red-grapes", "green-grapes", "chickpea-dip", "honey"}
	for _, id := range ids {
		f, ok := food.BuiltIn().Get(id)
		if !ok {
			t.Fatal(id)
		}
		foods = append(foods, f)
	}
	b := brief.Brief{Guests: brief.Guests{Adults: 12}, Diets: []brief.Diet{{Who: "two vegans", Count: 2, Avoid: []string{"animal"}}}}
	for id, spared := range map[string]bool{"cashew-round": false, "orange-block": false, "round-crackers": false, "red-grapes": true, "fresh-goat-log": true, "corn-chips": true} {
		if got := missesNothing(b, foods, slices.Index(ids, id)); got != spared {
			t.Errorf("%s can be spared: %v", id, got)
		}
	}
}
