package food

import (
	"slices"
	"testing"
)

// A food whose entry does not say what pregnant guests are advised against is judged with care by what it is.
func TestAdvisoriesOfFoodsThatSayNothing(t *testing.T) {
	for id, want := range map[string]string{
		"smoked-salmon": "cold-smoked fish", "soft-white-round": "soft mould-ripened", "air-dried-ham": "raw cured meat",
		"orange-block": "", "almonds": "", "red-grapes": "", "chickpea-dip": "", "round-crackers": "", "brined-white": "",
	} {
		f, ok := BuiltIn().Get(id)
		if !ok {
			t.Fatal("no", id)
		}
		silent := *f
		silent.Advised = nil
		got := silent.Advisories()
		if want == "" && len(got) > 0 || want != "" && !slices.Equal(got, []string{want}) {
			t.Errorf("%s: %v, not %q", id, got, want)
		}
	}
	for name, c := range map[string]struct {
		f    Food
		want string
	}{
		"wine":                      {Food{Category: Dip, Diet: []string{"alcohol"}}, "alcohol"},
		"a fish that is no meat":    {Food{Category: Dip, Allergens: []string{"fish"}}, ""},
		"a washed rind":             {Food{Category: Cheese, Diet: []string{"animal"}, Firmness: "semi", Smells: true, Strength: 4}, "soft mould-ripened"},
		"one that smells a bit":     {Food{Category: Cheese, Diet: []string{"animal"}, Firmness: "semi", Smells: true, Strength: 3}, ""},
		"soft, from plants":         {Food{Category: Cheese, Milk: "plant", Firmness: "soft", Rind: "edible"}, ""},
		"of raw milk, hard":         {Food{Category: Cheese, Diet: []string{"animal", "raw milk"}, Firmness: "hard"}, "raw milk"},
		"cooked ham":                {Food{Category: Meat, Diet: []string{"meat"}, Texture: "soft"}, ""},
		"a pate with egg":           {Food{Category: Meat, Diet: []string{"meat"}, Allergens: []string{"egg"}, Texture: "soft"}, "pate"},
		"a biscuit with egg":        {Food{Category: Cracker, Allergens: []string{"egg"}, Texture: "chewy"}, ""},
		"its own entry comes first": {Food{Category: Meat, Diet: []string{"meat"}, Texture: "chewy", Advised: []string{}}, ""},
	} {
		got := c.f.Advisories()
		if c.want == "" && len(got) > 0 || c.want != "" && !slices.Equal(got, []string{c.want}) {
			t.Errorf("%s: %v, not %q", name, got, c.want)
		}
	}
}
