package theme

import (
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
