package pick

import (
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/theme"
)

// A board of one cuisine has seven tenths of its cheeses and meats from there, for any number of guests and choice; where
// the larder has too few it takes all that suit.
func TestABoardOfOneCuisine(t *testing.T) {
	larder := food.BuiltIn()
	short := 0
	for _, name := range []string{"italian", "French", "Spanish", "Greek", "Swiss", "Scandinavian", "mezze", "seafood"} {
		th, _ := theme.Named(name)
		for k := range 8 {
			b := brief.Brief{Guests: brief.Guests{Adults: []int{4, 8, 12, 24}[k%4]}, Month: 1 + (5*k)%12, Choice: k / 4, Theme: &brief.Theme{Name: name}}
			got, err := Pick(b, larder, Under{})
			if err != nil {
				t.Fatal(err)
			}
			var foods []*food.Food
			on := map[string]bool{}
			for _, c := range got {
				foods = append(foods, c.Food)
				on[c.Food.ID] = true
			}
			own, of := Cuisine(&th, foods)
			if FromThere(own, of) {
				continue
			}
			if more := left(&th, foods, larder); len(more) > 0 {
				t.Errorf("%s, %d guests: %d of %d are from there, and nobody took %v", name, b.Guests.Adults, own, of, more)
			}
			short++
		}
	}
	if short > 16 { // Greece and the Levant are known for dips and olives; all others are whole
		t.Errorf("%d boards have too little from there", short)
	}
}

// left are foods of the theme's own that an exchange could have brought: of a kind that has something from elsewhere.
func left(th *theme.Theme, foods []*food.Food, larder *food.Larder) (out []string) {
	swaps := map[food.Category]bool{}
	on := map[string]bool{}
	for _, f := range foods {
		on[f.ID] = true
		if th.OfItsOwn(f.Category) && !th.Kin(f) {
			swaps[f.Category] = true
		}
	}
	for _, f := range larder.All() {
		if swaps[f.Category] && th.OfItsOwn(f.Category) && th.Kin(&f) && !on[f.ID] && !f.IsStandIn() && !f.Needs("heat") && len(f.Origin) == 1 {
			out = append(out, f.ID)
		}
	}
	return out
}
