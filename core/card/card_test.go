package card

import (
	"strings"
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/plan/plantest"
)

// A card tells pork, beef, fish, alcohol and raw milk where they are in it, vegetarian or vegan as far as the entry is
// sure, and never that there is nothing in it.
func TestTextOf(t *testing.T) {
	for id, want := range map[string]Text{
		"soft-white-round": {About: "Cow’s milk, mild", Contains: "Contains milk"},
		"mountain-wheel":   {About: "Cow’s milk, medium", Contains: "Contains milk", Holds: "With raw milk"},
		"squeaky-sticks":   {About: "Mixed milk, mild", Contains: "Contains milk"},
		"cashew-round":     {About: "Plant-based, mild", Contains: "Contains nuts", Traces: "May contain peanuts, soy and milk", Holds: "Vegan"},
		"garden-block":     {About: "Cow’s milk, mild", Contains: "Contains milk", Holds: "Vegetarian"},
		"fresh-curd":       {About: "Cow’s milk, mild", Contains: "Contains milk"}, // some is set with rennet
		"marshmallows":     {Contains: "Allergens: see the pack", Holds: "With pork, beef and gelatine"},
		"smoked-salmon":    {Contains: "Contains fish", Traces: "May contain crustaceans and molluscs", Holds: "With fish"},
		"truffles":         {Contains: "Contains milk and soy", Traces: "May contain nuts, gluten and sulphites", Holds: "With alcohol · Vegetarian"},
		"honey":            {Contains: "Allergens: see the pack", Holds: "With honey · Vegetarian"},
		"grainy-mustard":   {Contains: "Contains mustard and sulphites", Holds: "With alcohol · Vegan"},
		"red-grapes":       {Contains: "Allergens: see the pack", Holds: "Vegan"},
		"breadsticks":      {Contains: "Contains gluten", Traces: "May contain sesame, soy and milk"}, // some are made with lard
	} {
		f, ok := food.BuiltIn().Get(id)
		if !ok {
			t.Fatal(id)
		}
		if got := TextOf(f); got != want {
			t.Errorf("%s: %+v, not %+v", id, got, want)
		}
	}
	for _, f := range food.BuiltIn().All() {
		got := TextOf(&f)
		all := strings.ToLower(got.About + got.Contains + got.Traces + got.Holds)
		for _, never := range []string{"free", "no main", "’s’s", "safe", "mixed’s", "plant’s"} {
			if strings.Contains(all, never) {
				t.Errorf("%s: %q", f.ID, all)
			}
		}
		for _, w := range []string{"pork", "beef", "fish", "alcohol", "raw milk"} {
			if f.Holds(w) && !strings.Contains(got.Holds, w) {
				t.Errorf("%s holds %s, and its card says %q", f.ID, w, got.Holds)
			}
		}
		if strings.Contains(got.Holds, "Veg") && (f.Holds("meat") || f.Holds("rennet")) {
			t.Errorf("%s: %s", f.ID, got.Holds)
		}
	}
	hasty := food.Food{Name: "Something", Like: "brie", Allergens: []string{}}
	if got := TextOf(&hasty); got.Contains != "Allergens: see the pack" || got.Traces == "" || got.Holds != "" {
		t.Errorf("unread: %+v", got)
	}
}

// Who reads the card of a cheese reads of the nuts that are strewn over it, wherever these have a card of their own.
func TestACardTellsWhatLiesOverTheFood(t *testing.T) {
	b := brief.Brief{Guests: brief.Guests{Adults: 10}, Foods: []brief.Want{{Food: "soft-white-round"}, {Food: "cashew-round"}, {Food: "red-grapes"}, {Food: "oatcakes"},
		{Food: "pistachio-kernels", Form: "strewn", On: []string{"soft-white-round"}}, {Food: "honey", Form: "drizzled", On: []string{"cashew-round"}}}}
	j := plantest.Laid(t, b)
	set := For(j, food.BuiltIn())
	if got := TextOf(get(t, "soft-white-round"), set.Over["soft-white-round"]...); !strings.Contains(got.Contains, "milk and nuts") || !strings.Contains(got.Over, "pistachios") {
		t.Errorf("brie under pistachios: %+v", got)
	}
	if got := TextOf(get(t, "cashew-round"), set.Over["cashew-round"]...); strings.Contains(got.Holds, "Vegan") || !strings.Contains(got.Holds, "honey") {
		t.Errorf("a plant-based round under honey: %+v", got)
	}
	if len(set.Over["red-grapes"]) > 0 {
		t.Errorf("over the grapes lies %v", set.Over["red-grapes"])
	}
}

// Who has a plate of their own by name has a card at it: the name, what they avoid, and what lies there.
func TestANameCardForEachPlate(t *testing.T) {
	b := brief.Brief{Guests: brief.Guests{Adults: 3}, Serving: "plates", People: []brief.Person{{Name: "Ada"}, {Name: "Bo"}}, Diets: []brief.Diet{{Who: "Bo", Count: 1, Avoid: []string{"nuts", "milk"}}}}
	j := plantest.Laid(t, b)
	set := For(j, food.BuiltIn())
	if len(set.Names) != 2 || set.Names[0].Who != "Ada" || len(set.Names[0].Avoids) != 0 || strings.Join(set.Names[1].Avoids, ", ") != "nuts, milk" {
		t.Fatalf("%+v", set.Names)
	}
	for _, n := range set.Names {
		if len(n.Foods) < 4 {
			t.Errorf("on the plate of %s: %v", n.Who, n.Foods)
		}
	}
	b.Serving = ""
	if n := For(plantest.Laid(t, b), food.BuiltIn()).Names; len(n) != 0 {
		t.Errorf("on a shared board: %+v", n)
	}
}

func get(t *testing.T, id string) *food.Food {
	f, ok := food.BuiltIn().Get(id)
	if !ok {
		t.Fatal(id)
	}
	return f
}
