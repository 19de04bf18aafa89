package theme

import (
	"slices"
	"testing"

	"happytray/core/brief"
	"happytray/core/colour"
	"happytray/core/food"
)

// Every theme has a palette that can be read, names foods that are there, and nothing both belongs
// to it and breaks it.
func TestThemesAreWhole(t *testing.T) {
	if len(BuiltIn) < 14 {
		t.Errorf("%d themes", len(BuiltIn))
	}
	seen := map[string]bool{}
	for _, th := range BuiltIn {
		if seen[th.Name] || len(th.Palette) < 3 || len(th.Palette) > 5 || len(th.Belongs) < 10 || len(th.Garnish) == 0 {
			t.Errorf("%+v", th)
		}
		seen[th.Name] = true
		for _, hex := range append([]string{th.Liner}, th.Palette...) {
			if _, err := colour.Parse(hex); err != nil {
				t.Errorf("%s: %v", th.Name, err)
			}
		}
		in := map[string]bool{}
		for _, id := range th.Belongs {
			in[id] = true
			if f, ok := food.BuiltIn().Get(id); !ok || f.Category == food.Garnish {
				t.Errorf("%s: %s belongs", th.Name, id)
			}
		}
		for _, id := range th.Alien {
			if _, ok := food.BuiltIn().Get(id); !ok || in[id] {
				t.Errorf("%s: %s does not belong", th.Name, id)
			}
		}
		for _, id := range th.Garnish {
			if f, ok := food.BuiltIn().Get(id); !ok || f.Category != food.Garnish {
				t.Errorf("%s: %s is no garnish", th.Name, id)
			}
		}
	}
}

func TestThemeOf(t *testing.T) {
	if ForBrief(brief.Brief{}) != nil {
		t.Error("a theme of nothing")
	}
	of := func(th brief.Theme) *Theme { return ForBrief(brief.Brief{Theme: &th}) }
	if th := of(brief.Theme{Name: " Harbour "}); th.NameOnly || len(th.Regions) != 2 || len(th.Belongs) == 0 {
		t.Errorf("%+v", th)
	}
	if th := of(brief.Theme{Name: "glaze blue"}); !th.NameOnly {
		t.Errorf("%+v", th)
	}
	if th := of(brief.Theme{Name: "harbour", Palette: []string{"#ff0000"}, Region: "alpine"}); th.NameOnly || th.Palette[0] != "#ff0000" || th.Regions[0] != "alpine" || len(th.Belongs) == 0 {
		t.Errorf("%+v", th)
	}
}

// Themes go by their everyday words, spelt as people spell them.
func TestThemesByTheirUsualWords(t *testing.T) {
	for word, want := range map[string]string{
		"Christmas": "midwinter feast", "xmas party": "midwinter feast", "New Year’s Eve": "black and gold", "Valentines day": "hearts", "Halloween": "dusk and smoke", "haloween": "dusk and smoke",
		"Easter": "spring garden", "Thanksgiving": "harvest", "afternoon tea": "tea time", "Movie Night": "match night", "BBQ": "match night", "brunch": "brunch", "Mother's Day": "brunch",
		"wedding": "wedding", "Christening": "wedding", "birthday party": "open house", "child's birthday": "school's out", "kids": "school's out", "Italian": "italian", "antipasto": "italian", "Italain": "italian",
		"tapas": "spanish", "Greek": "greek", "Swiss": "alpine", "après ski": "alpine", "Scandinavian": "nordic", "mezze": "levantine", "Eid": "iftar", "Diwali": "diwali", "Hanukkah": "hanukkah",
		"wine and cheese evening": "wine and cheese", "office lunch": "office lunch", "garden party": "picnic", "seaside": "harbour", "glaze blue": "", "moon dust": "",
	} {
		got, ok := Named(word)
		if got.Name != want || ok != (want != "") {
			t.Errorf("%s is %q", word, got.Name)
		}
	}
	words, seen := 0, map[string]string{}
	for _, th := range BuiltIn {
		for _, w := range append([]string{th.Name}, th.Also...) {
			words++
			if other, twice := seen[plain(w)]; twice && plain(w) != "" && other != th.Name {
				t.Errorf("%q is a word for %s and for %s", w, other, th.Name)
			}
			seen[plain(w)] = th.Name
		}
		for _, off := range th.Off {
			if !slices.Contains(food.Avoidable, off) {
				t.Errorf("%s keeps off %q, which is no word", th.Name, off)
			}
		}
		for _, id := range th.Belongs {
			if f, _ := food.BuiltIn().Get(id); f.Breaks(th.Off) != "" {
				t.Errorf("%s keeps off what belongs to it: %s", th.Name, id)
			}
		}
	}
	if words < 120 {
		t.Errorf("%d words", words)
	}
	if got := Nearest("Chrismas eve dinner", 3); len(got) != 3 || got[0] != "midwinter feast" {
		t.Errorf("nearest to it are %v", got)
	}
	if th := ForBrief(brief.Brief{Theme: &brief.Theme{Name: "Xmas"}}); th.Called != "Xmas" || th.NameOnly {
		t.Errorf("%+v", th)
	}
}
