package theme

import (
	"slices"
	"testing"

	"happytray/core/brief"
)

// What the brief says of a theme goes before what the built-in one says, and the rest of that stays.
func TestTheBriefsOwnGoesFirst(t *testing.T) {
	i := slices.IndexFunc(BuiltIn, func(b Theme) bool { return len(b.Belongs) > 0 && len(b.Palette) > 0 })
	base := BuiltIn[i]
	plain := ForBrief(brief.Brief{Theme: &brief.Theme{Name: "  " + base.Name}})
	if plain.Liner != base.Liner || !slices.Equal(plain.Belongs, base.Belongs) || plain.NameOnly {
		t.Errorf("%+v, want %+v", plain, base)
	}
	own := ForBrief(brief.Brief{Theme: &brief.Theme{Name: base.Name, Liner: "#112233", Palette: []string{"#445566"}, Belongs: []string{"honey"}}})
	if own.Liner != "#112233" || !slices.Equal(own.Palette, []string{"#445566"}) || !slices.Equal(own.Belongs, []string{"honey"}) || !slices.Equal(own.Alien, base.Alien) {
		t.Errorf("%+v", own)
	}
	if only := ForBrief(brief.Brief{Theme: &brief.Theme{Name: "Nobody knows it"}}); !only.NameOnly {
		t.Errorf("%+v", only)
	}
	if ForBrief(brief.Brief{}) != nil {
		t.Error("a theme that nobody asked for")
	}
}
