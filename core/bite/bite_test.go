package bite

import (
	"slices"
	"strings"
	"testing"

	"happytray/core/brief"
	"happytray/core/diet"
	"happytray/core/food"
)

func foodsOf(t *testing.T, ids ...string) (out []*food.Food) {
	t.Helper()
	for _, id := range ids {
		f, ok := food.BuiltIn().Get(id)
		if !ok {
			t.Fatalf("there is no %s", id)
		}
		out = append(out, f)
	}
	return out
}

var plain = []string{"soft-white-round", "blue-wedge", "orange-block", "air-dried-ham", "wide-sausage", "gherkins", "honey", "chickpea-dip", "red-grapes", "pear", "apple",
	"carrot-sticks", "walnuts", "almonds", "round-crackers", "water-biscuits", "dark-chocolate"}

func TestBitesAreMouthfuls(t *testing.T) {
	foods := foodsOf(t, plain...)
	got := Of(foods, brief.Brief{Guests: brief.Guests{Adults: 8}})
	if len(got) != 3 {
		t.Fatalf("%d bites: %v", len(got), got)
	}
	used := map[string]int{}
	for _, b := range got {
		if len(b.Foods) < 3 || len(b.Foods) > 4 || b.Why == "" || !strings.Contains(b.Name, " with ") {
			t.Errorf("%+v", b)
		}
		parts := map[part]int{}
		for i, f := range foodsOf(t, b.Foods...) {
			parts[partOf(f)]++
			if used[f.ID]++; used[f.ID] > 1 && f.Category != food.Cracker {
				t.Errorf("%s is in two bites", f.ID)
			}
			if p := partOf(f); i == 0 && p != rich && p != dip {
				t.Errorf("%s: nothing rich comes first", b.Name)
			}
		}
		if parts[none] > 0 || parts[carrier] > 1 || parts[rich] > 1 {
			t.Errorf("%s: %v", b.Name, parts)
		}
	}
	if all := strings.Join(got[0].Foods, " "); !strings.Contains(all, "blue-wedge") && !strings.Contains(all, "soft-white-round") {
		t.Errorf("the first is %v, and nobody thinks of blue or soft cheese", got[0])
	}
	again := slices.Clone(foods)
	slices.Reverse(again)
	if other := Of(again, brief.Brief{Guests: brief.Guests{Adults: 8}}); other[0].Name != got[0].Name {
		t.Errorf("another order of foods: %s, before %s", other[0].Name, got[0].Name)
	}
}

// Guests who avoid something have a bite of their own, wherever the board has one.
func TestEveryGroupHasABite(t *testing.T) {
	for _, avoid := range [][]string{{"meat"}, {"milk"}, {"gluten"}, {"nuts"}} {
		foods := foodsOf(t, append(plain, "rice-crackers", "gf-crackers", "smoked-salmon", "cucumber", "pepper-sticks")...)
		b := brief.Brief{Guests: brief.Guests{Adults: 8}, Diets: []brief.Diet{{Who: "two", Count: 2, Avoid: avoid}}}
		got := Of(foods, b)
		if !slices.ContainsFunc(got, func(m Bite) bool {
			return !slices.ContainsFunc(foodsOf(t, m.Foods...), func(f *food.Food) bool { return !diet.CanEat(avoid, f) })
		}) {
			t.Errorf("without %v: %v", avoid, got)
		}
	}
}

func TestFewFoodsMakeFewBites(t *testing.T) {
	b := brief.Brief{Guests: brief.Guests{Adults: 2}}
	if got := Of(nil, b); len(got) != 0 {
		t.Errorf("of nothing: %v", got)
	}
	if got := Of(foodsOf(t, "cherries", "pistachios", "soft-white-round"), b); len(got) != 0 {
		t.Errorf("of stones and shells: %v", got)
	}
	got := Of(foodsOf(t, "soft-white-round", "fig-jam", "baguette-fresh"), b)
	if len(got) != 1 || got[0].Name != "Brie with fig jam on fresh baguette" || got[0].Why != "ripe cream under something sweet" {
		t.Errorf("%+v", got)
	}
	if got := Of(foodsOf(t, "chickpea-dip", "carrot-sticks", "flatbread", "pita-chips"), b); len(got) != 1 || !strings.HasPrefix(got[0].Name, "Hummus with carrots and ") {
		t.Errorf("%+v", got)
	}
}

func BenchmarkOf(b *testing.B) {
	larder := food.BuiltIn()
	var foods []*food.Food
	for _, id := range plain {
		f, _ := larder.Get(id)
		foods = append(foods, f)
	}
	for b.Loop() {
		Of(foods, brief.Brief{Guests: brief.Guests{Adults: 8}})
	}
}
