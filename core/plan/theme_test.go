package plan_test

import (
	"math"
	"slices"
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/colour"
	"happytray/core/food"
	"happytray/core/plan"
	"happytray/core/plan/plantest"
	"happytray/core/say"
	"happytray/core/theme"
)

// inPalette is the share of what is seen of a plan that lies within 15 CIEDE2000 of a palette: the
// food of each element by the room it takes.
func inPalette(t *testing.T, b brief.Brief, palette []string) float64 {
	t.Helper()
	j, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	near, all := 0.0, 0.0
	for _, one := range j.Trays {
		for _, e := range one.Elements {
			f, _ := larder.Get(e.Food)
			spec, _ := f.Spec(e.Form)
			area := food.FootprintMM2(spec, e.Count)
			if v, ok := one.Vessel(e.Vessel); ok {
				area = v.Footprint().Area()
			}
			all += area
			if slices.ContainsFunc(palette, func(hex string) bool { return colour.Difference(colour.Must(hex), colour.Must(f.Colour)) < 15 }) {
				near += area
			}
		}
	}
	return near / all
}

// A palette pulls foods of its colours: over briefs through the year what is seen of them doubles.
func TestAPalettePulls(t *testing.T) {
	for name, palette := range map[string][]string{"black, orange and purple": {"#201c1a", "#e88a2a", "#5a1a3c"}, "red": {"#c22a2a", "#8a1c2c"}, "green": {"#8fb85a", "#5f7a3a"}, "gold": {"#d9a441", "#b9822f"}} {
		with, without := 0.0, 0.0
		for _, month := range []int{2, 5, 8, 11} {
			for _, o := range []string{"nibble", "grazing"} {
				b := brief.Brief{Guests: brief.Guests{Adults: 14}, Month: month, Occasion: o}
				without += inPalette(t, b, palette)
				b.Theme = &brief.Theme{Palette: palette}
				with += inPalette(t, b, palette)
			}
		}
		t.Logf("%s: %.2f of what is seen, %.2f without", name, with/8, without/8)
		if with < math.Min(2*without, 8*.8) { // what most food looks like anyway can hardly double
			t.Errorf("%s: %.2f of what is seen, %.2f without", name, with/8, without/8)
		}
	}
}

// Every theme brings what belongs to it, and nothing that breaks it; a name that says nothing says so.
func TestThemesWork(t *testing.T) {
	short := map[string]bool{}
	for _, th := range theme.BuiltIn {
		for _, month := range []int{3, 7, 12} {
			j, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 14}, Month: month, Occasion: "grazing", Theme: &brief.Theme{Name: th.Name}}, larder, board.BuiltInCabinet())
			if err != nil {
				t.Fatal(err)
			}
			own := 0
			for id := range foodsOf(j) {
				if slices.Contains(th.Alien, id) {
					t.Errorf("%s in month %d: %s", th.Name, month, id)
				}
				if slices.Contains(th.Belongs, id) || slices.Contains(th.Garnish, id) {
					own++
				}
			}
			if own < 6 {
				t.Errorf("%s in month %d: %d foods that belong", th.Name, month, own)
			}
			for id := range foodsOf(j) {
				if f, _ := larder.Get(id); f.Breaks(th.Off) != "" {
					t.Errorf("%s: %s holds what is kept off", th.Name, id)
				}
			}
			says := slices.DeleteFunc(slices.Clone(j.Says), func(s say.Text) bool { return s.Sentences()[0].Code == "theme.cuisine" })
			if len(says) < len(j.Says) {
				short[th.Name] = true
			}
			if want := min(1, len(th.Off)); len(says) != want {
				t.Errorf("%s: %v", th.Name, j.Says)
			}
		}
	}
	if len(short) > 2 { // Greece and the Levant are known for dips and olives rather
		t.Errorf("too little from there: %v", short)
	}
	j, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 8}, Theme: &brief.Theme{Name: "glaze blue"}}, larder, board.BuiltInCabinet())
	if err != nil || len(j.Says) != 1 || !strings.Contains(j.Says[0].String(), "is a name only") {
		t.Errorf("%v, %v", err, j)
	}
}

// Of a cracker whose rest stands beside, eight and more are on the board or none, however small it is: four of one look
// forgotten.
func TestNoFewCrackers(t *testing.T) {
	for k := range plantest.Cases(120) {
		b := brief.Brief{Guests: brief.Guests{Adults: 3 + k%5}, Month: 1 + k%12, Occasion: []string{"nibble", "grazing", "meal"}[k%3], Theme: &brief.Theme{Name: theme.BuiltIn[k%len(theme.BuiltIn)].Name}}
		j, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
		if err != nil {
			t.Fatal(err)
		}
		for _, one := range j.Trays {
			on := map[string]int{}
			for _, e := range one.Elements {
				if e.Category == food.Cracker && e.Vessel == "" {
					on[e.Food] += e.Count
				}
			}
			for _, r := range one.Reserve {
				if n := on[r.Food]; n > 0 && n < 8 {
					t.Errorf("%s for %d in month %d, %s: %d of %s on the board, %d beside", b.Occasion, b.Guests.Adults, b.Month, b.Theme.Name, n, r.Food, r.Count)
				}
			}
		}
	}
}
