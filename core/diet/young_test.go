package diet

import (
	"strings"
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
)

func TestAdvised(t *testing.T) {
	for id, want := range map[string]string{"soft-white-round": "soft", "blue-wedge": "strong", "sheep-blue": "strong", "washed-square": "strong", "goat-pyramid": "soft", "air-dried-ham": "raw cured", "pepper-sausage": "raw cured",
		"smoked-salmon": "fish", "country-terrine": "pate", "coarse-pate": "pate", "mountain-wheel": "", "orange-block": "", "aged-hard": "", "cooked-sausage": "", "smoked-turkey": "", "roast-beef": "", "plant-blue": "", "plant-coins": "", "cashew-round": "", "honey": ""} {
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
		if got := TableOf(party).tooSmallFor(get(id)); got != want {
			t.Errorf("a children's party, %s: %v", id, got)
		}
	}
	few := brief.Brief{Guests: brief.Guests{Adults: 9, Children: 1}}
	for id, want := range map[string]bool{"honey": false, "almonds": true, "green-olives": true, "carrot-sticks": true, "pepper-sausage": true, "blueberries": true, "red-grapes": false, "cherry-tomatoes": false, "wide-sausage": false, "pepper-sticks": false} {
		if got := TableOf(few).tooSmallFor(get(id)); got != want {
			t.Errorf("one child among ten, %s: %v", id, got)
		}
	}
	for _, c := range []struct {
		b          brief.Brief
		food, form string
		want       bool
	}{{few, "red-grapes", "cluster", true}, {few, "red-grapes", "halves", false}, {few, "cherry-tomatoes", "halves", false}, {few, "gherkins", "skewer", false}, {party, "gherkins", "skewer", true}, {brief.Brief{Guests: brief.Guests{Adults: 4}}, "red-grapes", "cluster", false}} {
		if got := TableOf(c.b).NotAs(get(c.food), c.form); got != c.want {
			t.Errorf("%d children, %s as %s: %v", c.b.Guests.Children, c.food, c.form, got)
		}
	}
	few.Guests.Infants = 1
	if !TableOf(few).tooSmallFor(get("honey")) || TableOf(few).tooSmallFor(get("fig-jam")) {
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
