package food

import (
	"cmp"
	"flag"
	"fmt"
	"os"
	"regexp"
	"slices"
	"strings"
	"testing"
)

var update = flag.Bool("update", false, "write docs/larder-facts.md anew")

// ingredients are the words of what a food is made of that bring an allergen or a diet word with them.
var ingredients = map[string]string{
	"gluten": `wheat|rye|oats|malt|barley`, "crustaceans": `prawns`, "egg": `egg`, "fish": `a fish|anchovy`, "peanuts": `peanuts`, "soy": `soy`,
	"milk": `milk|cream|butter|yoghurt|butterfat|whey`, "nuts": `nuts|almonds|walnuts`, "celery": `celery`, "mustard": `mustard`, "sesame": `sesame`,
	"sulphites": `sulphites`, "molluscs": `mussels`, "lupin": `lupin`,
	"rennet": `rennet`, "pork": `pork`, "beef": `beef`, "poultry": `poultry`, "game": `a game|venison`, "gelatine": `gelatine`, "raw milk": `raw (cow|sheep|goat)’s`,
	"honey": `honey`, "alcohol": `(red|white) wine|brandy|spirit|egg, wine with`,
}

// Kept twice, from two sides: what a food holds is what it is made of holds, entry by entry, and nothing else.
func TestFactsFollowFromWhatItIsMadeOf(t *testing.T) {
	asked := 0
	for _, f := range BuiltIn().All() {
		if f.Category == NotFood {
			continue
		}
		if f.MadeOf == "" {
			t.Errorf("%s does not say what it is made of", f.ID)
		}
		made := strings.ReplaceAll(f.MadeOf, "butter-fat", "fat")
		for word, of := range ingredients {
			asked++
			listed := slices.Contains(f.Allergens, word) || slices.Contains(f.Diet, word)
			if is := regexp.MustCompile(`(^|[^\pL])(` + of + `)([^\pL]|$)`).MatchString(made); is != listed {
				t.Errorf("%s lists %s: %v, and is made of %s", f.ID, word, listed, f.MadeOf)
			}
		}
	}
	if asked < 5000 {
		t.Errorf("only %d were asked", asked)
	}
}

// docs/larder-facts.md says for every entry on what its facts rest.
func TestFactsAreWrittenDown(t *testing.T) {
	const file = "../../docs/larder-facts.md"
	var b strings.Builder
	b.WriteString("# What the facts of the larder rest on\n\nWritten by `go test ./core/food -run WrittenDown -update` from the entries; a test keeps it so. Allergens and what diets ask after follow from what\nsuch a food usually is made of, and a second test derives them from that column and holds them against the entry. Traces are of where such food is usually made, and\n`perhaps` of what some of its kind hold. Set with animal rennet is what says nothing else. The pack's label decides, and nothing here is a promise.\n\n")
	b.WriteString("| food | usually made of | allergens | may contain | diets ask after | perhaps | rennet | children can choke on it | commonly advised against in pregnancy |\n|---|---|---|---|---|---|---|---|---|\n")
	for _, f := range BuiltIn().All() {
		if f.Category == NotFood {
			continue
		}
		var chokes []string
		for _, s := range f.Forms {
			if f.ChokesAs(s.Form) {
				chokes = append(chokes, s.Form)
			}
		}
		rennet := ""
		if f.Category == Cheese && f.Milk != "plant" {
			rennet = cmp.Or(f.SetWith, "animal")
		}
		choke := strings.Join(chokes, ", ")
		if len(chokes) == len(f.Forms) {
			choke = "in every form"
		}
		fmt.Fprintf(&b, "| %s (`%s`) | %s | %s | %s | %s | %s | %s | %s | %s |\n", f.Name, f.ID, f.MadeOf, strings.Join(f.Allergens, ", "), strings.Join(f.MayContain, ", "),
			strings.Join(f.Diet, ", "), strings.Join(f.Perhaps, ", "), rennet, choke, strings.Join(f.Advised, ", "))
	}
	if *update {
		if err := os.WriteFile(file, []byte(b.String()), 0o644); err != nil {
			t.Fatal(err)
		}
	}
	if kept, err := os.ReadFile(file); err != nil || string(kept) != b.String() {
		t.Errorf("%s is not what the larder says (go test ./core/food -run WrittenDown -update): %v", file, err)
	}
}
