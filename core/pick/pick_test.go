package pick

import (
	"slices"
	"strings"
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
)

var larder = food.BuiltIn()

func adults(n int) brief.Brief { return brief.Brief{Guests: brief.Guests{Adults: n}, Month: 6} }

func TestKindsFollowTheTable(t *testing.T) {
	at := func(n int, occasion string) brief.Brief { b := adults(n); b.Occasion = occasion; return b }
	sum := func(k map[food.Category]int) (n int) {
		for _, v := range k {
			n += v
		}
		return n
	}
	for _, c := range []struct {
		guests       int
		occasion     string
		cheese, meat int
	}{{4, "grazing", 2, 1}, {8, "grazing", 3, 2}, {18, "grazing", 5, 3}, {60, "grazing", 7, 4}, {8, "meal", 5, 2}, {18, "nibble", 3, 2}, {60, "nibble", 5, 3}} {
		k := KindsFor(at(c.guests, c.occasion), Under{})
		if k[food.Cheese] != c.cheese || k[food.Meat] != c.meat {
			t.Errorf("%d guests, %s: %d cheeses and %d meats, want %d and %d", c.guests, c.occasion, k[food.Cheese], k[food.Meat], c.cheese, c.meat)
		}
	}
	for _, o := range []string{"nibble", "grazing", "meal"} {
		for n, before := 1, 0; n <= 60; n++ {
			all := sum(KindsFor(at(n, o), Under{}))
			if all < before {
				t.Errorf("%s: %d kinds for %d guests, %d for one fewer", o, all, n, before)
			}
			before = all
			if n > 12 && KindsFor(at(n, "meal"), Under{})[food.Vegetable] < 2 {
				t.Errorf("a single vegetable for %d at a meal", n)
			}
		}
	}
	if n, g, m := sum(KindsFor(at(14, "nibble"), Under{})), sum(KindsFor(at(14, "grazing"), Under{})), sum(KindsFor(at(14, "meal"), Under{})); n >= g || g >= m {
		t.Errorf("%d kinds for a nibble, %d for grazing, %d for a meal", n, g, m)
	}
	// a small board carries fewer kinds, and still some of every one
	small, wide := KindsFor(at(14, "grazing"), Under{CM2: 900}), KindsFor(at(14, "grazing"), Under{CM2: 6000})
	if float64(sum(small)) > 900/each || sum(wide) != sum(KindsFor(at(14, "grazing"), Under{})) {
		t.Errorf("%d kinds on 900 cm2, %d on 6000", sum(small), sum(wide))
	}
	for c, n := range wide {
		if n > 0 && small[c] == 0 {
			t.Errorf("no %s on a small board", c)
		}
	}
	b := at(20, "grazing")
	b.Diets, b.Rules = []brief.Diet{{Avoid: []string{"meat"}}}, &brief.Rules{Greenery: "none"}
	if none := KindsFor(b, Under{}); none[food.Meat] != 1 || none[food.Garnish] != 0 || none[food.Vegetable] <= KindsFor(at(20, "grazing"), Under{})[food.Vegetable] {
		t.Errorf("without meat and greens: %v", none)
	}
}

// Whatever is avoided by all never comes, for every single word of the list.
func TestPickNeverBreaksAnAvoid(t *testing.T) {
	for _, word := range append(slices.Clone(brief.Allergens), brief.DietWords...) {
		b := adults(14)
		b.Diets = []brief.Diet{{Avoid: []string{word}}}
		chosen, err := Pick(b, larder, Under{})
		if err != nil {
			t.Errorf("without %s nothing is found: %v", word, err)
			continue
		}
		for _, c := range chosen {
			if c.Food.Breaks([]string{word}) != "" {
				t.Errorf("%s was picked for a table without %s", c.Food.Name, word)
			}
		}
	}
	b := adults(14)
	b.Diets = []brief.Diet{{Avoid: append(slices.Clone(brief.Allergens), brief.DietWords...)}}
	chosen, err := Pick(b, larder, Under{})
	if err != nil && !strings.Contains(err.Error(), "diets") {
		t.Errorf("with everything avoided: %v", err)
	}
	for _, c := range chosen {
		if len(c.Food.Allergens) > 0 {
			t.Errorf("%s has allergens", c.Food.Name)
		}
	}
}

func TestBalanceNamesWhatIsMissing(t *testing.T) {
	get := func(id string) *food.Food {
		f, ok := larder.Get(id)
		if !ok {
			t.Fatal(id)
		}
		return f
	}
	side := func(sides []Side, name string) Side {
		for _, s := range sides {
			if s.Name == name {
				return s
			}
		}
		t.Fatalf("no side %s in %+v", name, sides)
		return Side{}
	}
	foods := []*food.Food{get("soft-white-round"), get("almonds")}
	sides := Balance(adults(8), foods, larder)
	if m := side(sides, "milk"); !slices.Equal(m.Have, []string{"cow"}) || !slices.Contains(m.Lack, "goat") {
		t.Errorf("milk %+v", m)
	}
	if tx := side(sides, "texture"); !slices.Contains(tx.Have, "crunchy") || !slices.Contains(tx.Lack, "juicy") {
		t.Errorf("texture %+v", tx)
	}
	needs := Needs(adults(8), sides, foods, larder, Under{}, 3)
	lacking := 0
	for _, side := range sides {
		lacking += len(side.Lack)
	}
	if len(needs) < lacking {
		t.Errorf("%d needs for %d lacking: %+v", len(needs), lacking, needs)
	}
	for _, n := range needs {
		if len(n.Fillers) == 0 || len(n.Fillers) > 3 || n.Says == "" {
			t.Errorf("%+v", n)
		}
		for _, f := range n.Fillers {
			if f.Food == "almonds" || n.Group == "" && !strings.HasPrefix(f.Why, "brings ") {
				t.Errorf("filler %+v", f)
			}
			if n.Group != "" {
				continue
			}
			// taking it must fill something
			after := Balance(adults(8), append(slices.Clone(foods), get(f.Food)), larder)
			before, now := 0, 0
			for i := range sides {
				before += len(sides[i].Lack)
				now += len(after[i].Lack)
			}
			if now >= before {
				t.Errorf("%s fills nothing", f.Food)
			}
		}
	}
	// nobody is told to get goat's cheese where nobody takes milk
	dairyFree := adults(8)
	dairyFree.Diets = []brief.Diet{{Avoid: []string{"milk"}}}
	for _, s := range Balance(dairyFree, foods[1:], larder) {
		if s.Name == "milk" && len(s.Lack) > 0 {
			t.Errorf("%+v", s)
		}
	}
	for _, n := range Needs(dairyFree, Balance(dairyFree, nil, larder), nil, larder, Under{}, 20) {
		for _, f := range n.Fillers {
			if get(f.Food).Breaks([]string{"milk"}) != "" {
				t.Errorf("%s has milk", f.Food)
			}
		}
	}
}

func TestThemeAndSeasonCount(t *testing.T) {
	winter, summer := adults(12), adults(12)
	winter.Month, summer.Month = 1, 7
	out := func(b brief.Brief) (n int) {
		chosen, err := Pick(b, larder, Under{})
		if err != nil {
			t.Fatal(err)
		}
		for _, c := range chosen {
			if !c.Food.InSeason(b.Month, "north") {
				n++
			}
		}
		return n
	}
	if w, s := out(winter), out(summer); w > 1 || s > 1 {
		t.Errorf("%d in winter and %d in summer are out of season", w, s)
	}
	// in the south January is summer: what only ripens in a northern summer is welcome
	south := winter
	south.Hemisphere = "south"
	chosen, err := Pick(south, larder, Under{})
	if err != nil {
		t.Fatal(err)
	}
	off := 0
	for _, c := range chosen {
		if !c.Food.InSeason(1, "south") {
			off++
		}
	}
	if off > 1 {
		t.Errorf("%d foods are out of season in a southern January", off)
	}
	blue := adults(12)
	blue.Theme = &brief.Theme{Palette: []string{"#f2ebd6"}}
	themed, err := Pick(blue, larder, Under{})
	if err != nil {
		t.Fatal(err)
	}
	if !slices.ContainsFunc(themed, func(c Choice) bool { return c.Why == "in the theme's colours" }) {
		t.Error("the theme brought nothing")
	}
}

// A food that stands in the cupboard is picked before one that has to be bought.
func TestCupboardIsPickedFrom(t *testing.T) {
	b := brief.Brief{Guests: brief.Guests{Adults: 8}, ServeAt: "2026-12-05T19:00"}
	picked := func(l *food.Larder) map[string]string {
		chosen, err := Pick(b, l, Under{})
		if err != nil {
			t.Fatal(err)
		}
		out := map[string]string{}
		for _, c := range chosen {
			out[c.Food.ID] = c.Why
		}
		return out
	}
	before := picked(food.BuiltIn())
	moved := 0
	for _, id := range []string{"hazelnuts", "macadamias", "grainy-mustard", "raisins", "milk-chocolate", "oat-biscuits"} {
		if before[id] != "" {
			continue
		}
		after := picked(food.BuiltIn().Stocked(food.Stock{id: {{Grams: 400, BestBefore: "2027-06-01"}}}))
		if after[id] != "" {
			moved++
			if after[id] != "you already have some" {
				t.Errorf("%s is picked because it is %q", id, after[id])
			}
		}
		stale := picked(food.BuiltIn().Stocked(food.Stock{id: {{Grams: 400, BestBefore: "2026-12-01"}}}))
		if stale[id] != "" {
			t.Errorf("%s is picked though it is past its day when served", id)
		}
	}
	if moved == 0 {
		t.Error("nothing is ever picked from the cupboard")
	}
}
