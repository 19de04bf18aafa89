package diet

import (
	"strings"
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
)

func TestAdvised(t *testing.T) {
	for id, want := range map[string]string{"soft-white-round": "soft", "blue-wedge": "soft mould", "sheep-blue": "soft mould", "washed-square": "washed-rind", "washed-wheel": "washed-rind", "ash-goat-log": "soft mould", "goat-pyramid": "soft", "air-dried-ham": "raw cured", "pepper-sausage": "raw cured",
		"smoked-salmon": "fish", "country-terrine": "pâté", "coarse-pate": "pâté", "potted-duck": "pâté", "potted-pork": "pâté", "trout-spread": "smoked fish", "garlic-cream": "raw egg", "truffles": "alcohol", "grainy-mustard": "alcohol",
		"mountain-wheel": "raw milk", "orange-block": "", "aged-hard": "raw milk", "cooked-sausage": "", "smoked-turkey": "", "roast-beef": "not cooked through", "prawns": "", "cured-salmon": "not cooked", "sage": "little", "borage-stars": "little", "plant-blue": "", "plant-coins": "", "cashew-round": "", "honey": ""} {
		f, ok := food.BuiltIn().Get(id)
		if !ok {
			t.Fatal(id)
		}
		if got := Advised(f); (got == "") != (want == "") || !strings.Contains(got, want) {
			t.Errorf("%s: %q, want %q", id, got, want)
		}
	}
}

func TestNotForTheYoung(t *testing.T) {
	get := func(id string) *food.Food { f, _ := food.BuiltIn().Get(id); return f }
	party := brief.Brief{Guests: brief.Guests{Adults: 3, Children: 9}}
	for id, want := range map[string]bool{"almonds": true, "pumpkin-seeds": true, "caramels": true, "honey": true, "fruit-skewers": true, "brownie-cubes": false, "strawberries": false} {
		if got := TableOf(party).notForChildren(get(id)); got != want {
			t.Errorf("a children's party, %s: %v", id, got)
		}
	}
	few := brief.Brief{Guests: brief.Guests{Adults: 9, Children: 1}}
	for id, want := range map[string]bool{"honey": false, "truffles": true, "grainy-mustard": true, "almonds": true, "green-olives": true, "carrot-sticks": true, "pepper-sausage": true, "blueberries": false, "red-grapes": false, "cherry-tomatoes": false, "wide-sausage": false, "pepper-sticks": false} {
		if got := TableOf(few).notForChildren(get(id)); got != want {
			t.Errorf("one child among ten, %s: %v", id, got)
		}
	}
	for _, c := range []struct {
		b          brief.Brief
		food, form string
		want       bool
	}{{few, "red-grapes", "cluster", true}, {few, "red-grapes", "halves", true}, {few, "red-grapes", "quarters", false}, {few, "cherry-tomatoes", "quarters", false}, {few, "gherkins", "skewer", true}, {few, "gherkins", "halves", false}, {few, "radishes", "halves", true}, {few, "radishes", "coins", false}, {few, "orange-block", "tumble", true}, {few, "orange-block", "shingle", false}, {few, "pecans", "topping", true}, {party, "gherkins", "skewer", true}, {brief.Brief{Guests: brief.Guests{Adults: 4}}, "red-grapes", "cluster", false}} {
		if got := TableOf(c.b).NotAs(get(c.food), c.form); got != c.want {
			t.Errorf("%d children, %s as %s: %v", c.b.Guests.Children, c.food, c.form, got)
		}
	}
	few.Guests.Infants = 1
	if !TableOf(few).notForChildren(get("honey")) || TableOf(few).notForChildren(get("fig-jam")) {
		t.Error("an infant and honey")
	}
}

// A house's own honey is kept from infants like the larder's; what only sounds like it is not.
func TestHoneyOfAHouse(t *testing.T) {
	for _, c := range []struct {
		name  string
		diet  []string
		honey bool
	}{{"Heather honey", nil, true}, {"Honey-mustard dip", nil, true}, {"Honeycomb, cut", []string{"animal"}, true},
		{"Honeycomb toffee", nil, false}, {"Honeydew melon", nil, false}} {
		f := &food.Food{ID: "own-1", Name: c.name, Category: food.Dip, Diet: c.diet, Forms: []food.Spec{{Form: "bowl"}}}
		if IsHoney(f) != c.honey {
			t.Errorf("%s: %v", c.name, !c.honey)
		}
		if v, _ := (Table{Children: true, Infants: true}).For(f); (v == NotForChildren) != c.honey {
			t.Errorf("an infant and %s: %v", c.name, v)
		}
	}
}
