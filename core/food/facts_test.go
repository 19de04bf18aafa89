package food

import (
	"slices"
	"strings"
	"testing"
)

// What can hurt somebody, entry by entry: what such a food usually holds, by
// culinary knowledge. docs/larder.md says why.
func TestFactsThatCanHurt(t *testing.T) {
	for id, holds := range map[string][]string{
		"oat-block":         {"gluten"}, // oats count among the 14
		"oat-biscuits":      {"gluten"},
		"marshmallows":      {"meat", "pork", "beef", "animal"}, // gelatine of either
		"venison-sausage":   {"meat", "pork", "animal"},         // lean game is mixed with pork fat
		"potted-duck":       {"meat", "pork", "animal"},
		"cheese-straws":     {"gluten", "milk", "egg", "rennet", "animal"},
		"garden-skewers":    {"milk", "rennet", "animal"},
		"country-terrine":   {"milk", "egg", "alcohol", "pork", "meat"},
		"coarse-pate":       {"milk", "egg", "alcohol", "pork", "meat"},
		"pastry-pate":       {"gluten", "milk", "egg", "alcohol", "pork", "meat"},
		"truffles":          {"milk", "soy", "alcohol"},
		"fennel-sausage":    {"pork", "alcohol"},
		"grainy-mustard":    {"mustard", "sulphites", "alcohol"},
		"garlic-cream":      {"egg", "mustard"},
		"dried-tomatoes":    {"sulphites"},
		"caper-berries":     {"sulphites"},
		"onion-jam":         {"sulphites"},
		"gherkins":          {"mustard"},
		"pickled-onions":    {"mustard", "sulphites"},
		"pickled-peppers":   {"mustard", "sulphites"},
		"pickled-mushrooms": {"mustard", "sulphites"},
		"pickled-carrots":   {"mustard", "sulphites"},
		"red-pepper-dip":    {"nuts", "gluten"}, // thickened with bread
		"wafer-rolls":       {"gluten", "milk", "egg", "soy"},
		"brownie-cubes":     {"gluten", "milk", "egg", "soy"},
		"cooked-sausage":    {"nuts", "pork", "milk"},
		"brown-whey":        {"milk", "rennet"}, // from the whey of cheese set with it
		"soft-white-round":  {"milk", "rennet"},
		"smoked-salmon":     {"fish", "meat"},
		"trout-spread":      {"fish", "milk", "meat"},
		"candied-pecans":    {"nuts", "egg"},
		"honey":             {"animal"},
		"nougat":            {"nuts", "egg", "animal"},
	} {
		f, ok := BuiltIn().Get(id)
		if !ok {
			t.Errorf("there is no %s", id)
			continue
		}
		for _, w := range holds {
			if f.Breaks([]string{w}) == "" {
				t.Errorf("%s does not say that it holds %s", f.Name, w)
			}
		}
	}
}

func TestFactsThatFollowFromOthers(t *testing.T) {
	holds := func(f *Food, w string) bool { return f.Breaks([]string{w}) != "" }
	perWord := map[string]int{}
	for _, f := range BuiltIn().All() {
		for _, w := range append(slices.Clone(f.Diet), f.Allergens...) {
			perWord[w]++
		}
		for _, w := range DietWords {
			if holds(&f, w) {
				perWord[w]++
			}
		}
		words := strings.FieldsFunc(strings.ToLower(f.Name), func(r rune) bool { return r == ' ' || r == ',' || r == '-' })
		named := func(ws ...string) bool {
			return slices.ContainsFunc(words, func(w string) bool { return slices.Contains(ws, w) })
		}
		plantBased := strings.Contains(f.Name, "plant-based")
		switch {
		case f.Category == Cheese && f.Milk != "plant" && !holds(&f, "rennet") && (f.SetWith == "" || f.SetWith == "rennet"):
			t.Errorf("%s is set with animal rennet unless it says how else", f.Name)
		case f.SetWith != "" && (holds(&f, "rennet") != (f.SetWith == "rennet") || !holds(&f, "milk")):
			t.Errorf("%s is set with %s and holds %v, %v", f.Name, f.SetWith, f.Allergens, f.Diet)
		case f.SetWith == "microbial" && !strings.Contains(f.Name, "rennet") && !strings.Contains(f.Caution, "rennet"):
			t.Errorf("%s: most of its kind are set with animal rennet; who buys it is to be told", f.Name)
		}
		for w, has := range map[string]bool{"oats": named("oat", "oats") != holds(&f, "gluten") && named("oat", "oats"), "no gluten in wheat or rye": named("wheat", "rye", "pastry", "shortbread", "sourdough", "baguette", "breadsticks", "pretzels", "pita", "brownie") && !holds(&f, "gluten"),
			"no nuts":              named("almond", "almonds", "walnut", "walnuts", "hazelnuts", "pecan", "pecans", "cashew", "cashews", "pistachio", "pistachios", "macadamias", "brazil") && !holds(&f, "nuts"),
			"no milk":              named("butter", "cream", "milk", "yoghurt", "fudge", "caramels") && !named("mustard", "hazelnut") && !holds(&f, "milk"),
			"no sesame":            named("sesame") && !holds(&f, "sesame"),
			"no fish":              named("trout", "salmon", "anchovy") && !named("without") && !holds(&f, "fish"),
			"no pork":              named("ham", "pork") && !plantBased && !holds(&f, "pork"),
			"no beef":              named("beef") && !plantBased && !holds(&f, "beef"),
			"no meat":              f.Category == Meat && !plantBased && !holds(&f, "meat") && !holds(&f, "egg"),
			"meat in what is none": plantBased && (holds(&f, "meat") || holds(&f, "animal")),
			"no soy":               named("soy") && !holds(&f, "soy"), "no celery": named("celery") && !holds(&f, "celery"),
			"egg and nothing animal": holds(&f, "egg") && !holds(&f, "animal"),
			"fish and no meat":       holds(&f, "fish") && !holds(&f, "meat"),
		} {
			if has {
				t.Errorf("%s: %s (%v, %v)", f.Name, w, f.Allergens, f.Diet)
			}
		}
	}
	for _, w := range DietWords {
		if perWord[w] == 0 {
			t.Errorf("guests may avoid %s, and no food carries it", w)
		}
	}
}

// Somebody who adds a food of their own may forget half of what follows from the rest.
func TestWhatAFoodHoldsFollowsFromItsEntry(t *testing.T) {
	for _, c := range []struct {
		name  string
		f     Food
		word  string
		holds bool
	}{
		{"cheese that does not say", Food{Category: Cheese, Milk: "cow"}, "rennet", true},
		{"cheese set with rennet", Food{Category: Cheese, Milk: "goat", SetWith: "rennet"}, "rennet", true},
		{"cheese set with thistle", Food{Category: Cheese, Milk: "sheep", SetWith: "thistle"}, "rennet", false},
		{"cheese of plants", Food{Category: Cheese, Milk: "plant"}, "rennet", false},
		{"cheese of plants is not animal", Food{Category: Cheese, Milk: "plant", Allergens: []string{"nuts"}}, "animal", false},
		{"pork is meat", Food{Diet: []string{"pork"}}, "meat", true},
		{"shellfish is meat", Food{Allergens: []string{"molluscs"}}, "meat", true},
		{"meat is animal", Food{Diet: []string{"beef"}}, "animal", true},
		{"milk is animal", Food{Allergens: []string{"milk"}}, "animal", true},
		{"egg is no meat", Food{Allergens: []string{"egg"}}, "meat", false},
		{"nuts are not animal", Food{Allergens: []string{"nuts"}}, "animal", false},
		{"an empty word", Food{}, "", false},
	} {
		if got := c.f.Holds(c.word); got != c.holds {
			t.Errorf("%s: holds %s %v, want %v", c.name, c.word, got, c.holds)
		}
	}
}

// A whole round, log, wedge or square weighs what its pack weighs, so that no whole costs a second
// pack for a few grams.
func TestWholesWeighTheirPack(t *testing.T) {
	n := 0
	for _, f := range BuiltIn().All() {
		if f.Category != Cheese {
			continue
		}
		for _, s := range f.Forms {
			whole := 0.0
			switch s.Form {
			case "whole":
				whole = s.MassG
			case "cut-round":
				whole = s.MassG * float64(s.N)
			default:
				continue
			}
			n++
			if pack := f.Packs[0].Grams; whole > pack+1e-9 || whole < pack-.5 {
				t.Errorf("%s, %s: %.2f g, its pack holds %g", f.ID, s.Form, whole, pack)
			}
		}
	}
	if n < 15 {
		t.Errorf("only %d wholes", n)
	}
}

// What may be in a food by traces is no ingredient of it, and is told where such food is usually
// made beside others: chocolate and nuts, crackers and sesame, nuts and peanuts.
func TestTraces(t *testing.T) {
	told := 0
	for _, f := range BuiltIn().All() {
		for _, a := range f.MayContain {
			if f.Holds(a) {
				t.Errorf("%s contains %s and may contain it", f.ID, a)
			}
			told++
		}
		if f.MayHold(f.Allergens) != "" {
			t.Errorf("%s: traces of what it is made of", f.ID)
		}
	}
	if told < 120 {
		t.Errorf("traces are told of %d", told)
	}
	for id, a := range map[string]string{"dark-chocolate": "nuts", "round-crackers": "sesame", "almonds": "peanuts", "bitter-chocolate": "milk", "corn-chips": "gluten", "pumpkin-seeds": "nuts", "olive-spread": "fish"} {
		f, _ := BuiltIn().Get(id)
		if f == nil || f.MayHold([]string{a}) != a {
			t.Errorf("%s: no traces of %s", id, a)
		}
	}
	bitter, _ := BuiltIn().Get("bitter-chocolate")
	if a := bitter.Breaks([]string{"milk", "animal", "meat"}); a != "" {
		t.Errorf("plant-based chocolate holds %s", a)
	}
}

// Where a food comes from is one of the countries and regions that are told apart, none named twice.
func TestOrigins(t *testing.T) {
	from := map[string]int{}
	for _, f := range BuiltIn().All() {
		for i, o := range f.Origin {
			from[o]++
			if !slices.Contains(Origins, o) || slices.Contains(f.Origin[:i], o) {
				t.Errorf("%s comes from %s", f.ID, o)
			}
		}
	}
	if len(from) != len(Origins) {
		t.Errorf("foods from %d countries, %d are told apart", len(from), len(Origins))
	}
	bad, _ := BuiltIn().Get("honey")
	own := *bad
	for _, origin := range [][]string{{""}, {strings.Repeat("x", 41)}, {"a", "b", "c", "d", "e"}} {
		if own.Origin = origin; own.Check() == nil {
			t.Errorf("%v was let through", origin)
		}
	}
	if own.Origin = []string{"Moonland"}; own.Check() != nil {
		t.Error("a house may name a country of its own")
	}
}
