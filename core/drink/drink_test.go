package drink_test

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"happytray/core/brief"
	"happytray/core/drink"
	"happytray/core/food"
	"happytray/core/plan/plantest"
	"happytray/core/tray"
)

var larder = food.BuiltIn()

// with suggests drinks for a tray of these foods, 100 g each.
func with(b brief.Brief, foods ...string) []drink.Drink {
	t := &tray.Tray{Brief: b}
	for _, id := range foods {
		f, ok := larder.Get(id)
		if !ok {
			panic(id)
		}
		t.Elements = append(t.Elements, tray.Element{ID: id, Food: id, Form: f.Forms[0].Form, Category: f.Category, Grams: 100, Count: 1})
	}
	return drink.With(t, larder)
}

func names(ds []drink.Drink) (out []string) {
	for _, d := range ds {
		out = append(out, d.Name)
	}
	return out
}

// By opposites and by weight: each kind of tray gets what is known to suit it, and not what spoils it.
func TestRules(t *testing.T) {
	grown := brief.Brief{Guests: brief.Guests{Adults: 8}}
	for _, c := range []struct {
		foods []string
		want  string // a word of one of the drinks
		not   string
	}{
		{[]string{"blue-wedge", "sheep-blue", "figs", "walnuts"}, "sweet", "crisp dry"},
		{[]string{"mozzarella-balls", "fresh-goat-log", "cucumber", "cherry-tomatoes"}, "crisp dry white", "full red"},
		{[]string{"soft-white-round", "young-goat-round", "round-crackers"}, "sparkling", "full red"},
		{[]string{"smoked-ham", "smoked-round", "smoked-duck", "rye-crisps"}, "malt", "dessert"},
		{[]string{"aged-hard", "old-wheel", "air-dried-beef", "hazelnuts"}, "full", "green tea"},
		{[]string{"smoked-salmon", "trout-spread", "cucumber"}, "white", "full red"},
		{[]string{"brownie-cubes", "fudge", "strawberries", "shortbread"}, "sweet", "crisp dry"},
	} {
		got := with(grown, c.foods...)
		all := strings.Join(names(got), ", ")
		if len(got) < 2 || got[0].Alcohol || !strings.Contains(all, c.want) || strings.Contains(all, c.not) {
			t.Errorf("%v: %s; want something %s and nothing %s", c.foods, all, c.want, c.not)
		}
		for _, d := range got {
			if !strings.HasSuffix(d.Why, ".") || len(d.Why) < 20 || strings.Contains(d.Why, "  ") {
				t.Errorf("%s: %q", d.Name, d.Why)
			}
		}
	}
}

// Two or three for every tray, never twice the same; the first, and for those who drink none all of
// them, without alcohol; something hot only where it is cold.
func TestEveryTrayHasACard(t *testing.T) {
	cold := 2.0
	all := larder.All()
	seen := map[string]bool{}
	for n := range 300 {
		var foods []string
		for k := range 6 + n%20 {
			if f := all[(n*37+k*53+k*k*n)%len(all)]; f.Category != food.NotFood && f.Category != food.Garnish && !slices.Contains(foods, f.ID) {
				foods = append(foods, f.ID)
			}
		}
		for _, b := range []brief.Brief{{Guests: brief.Guests{Adults: 6}}, {Guests: brief.Guests{Adults: 2, Children: 9}}, {Guests: brief.Guests{Adults: 6}, Diets: []brief.Diet{{Count: 1, Avoid: []string{"alcohol"}}}}, {Guests: brief.Guests{Adults: 6}, TemperatureC: &cold}} {
			got := with(b, foods...)
			if len(got) < 2 || len(got) > drink.Most {
				t.Fatalf("%v: %d drinks", foods, len(got))
			}
			ids := map[string]bool{}
			for i, d := range got {
				ids[d.Name], seen[d.Name] = true, true
				if d.Alcohol && (i == 0 || drink.Sober(b)) {
					t.Errorf("%s as number %d for %v", d.Name, i+1, b)
				}
				if strings.HasPrefix(d.Name, "hot ") && b.TemperatureC == nil {
					t.Errorf("%s in a warm room", d.Name)
				}
			}
			if len(ids) != len(got) {
				t.Errorf("%v twice", names(got))
			}
		}
	}
	if len(seen) < 12 {
		t.Errorf("over all trays only %d kinds are named", len(seen))
	}
	if got := with(brief.Brief{}); got == nil || len(got) != 0 {
		t.Errorf("without food: %v", got)
	}
}

func ExampleWith() {
	for _, d := range with(brief.Brief{Guests: brief.Guests{Adults: 8}}, "blue-wedge", "walnuts", "figs", "round-crackers") {
		fmt.Println(d.Name)
	}
	// Output:
	// dark grape juice
	// fortified sweet wine
	// dark malty beer
}

// Where children come the first drink is theirs, and over different boards it is not always the same.
func TestTheFirstDrink(t *testing.T) {
	boards := [][]string{{"blue-wedge", "walnuts", "figs"}, {"smoked-ham", "smoked-round", "rye-crisps"}, {"soft-white-round", "green-grapes", "round-crackers"}, {"brownie-cubes", "fudge", "strawberries"},
		{"aged-hard", "old-wheel", "hazelnuts"}, {"cucumber", "cherry-tomatoes", "mozzarella-balls"}}
	first := map[string]bool{}
	for _, foods := range boards {
		first[with(brief.Brief{Guests: brief.Guests{Adults: 8}}, foods...)[0].Name] = true
		d := with(brief.Brief{Guests: brief.Guests{Adults: 8, Children: 2}}, foods...)[0]
		for _, no := range []string{"tea", "coffee", "tonic", "malt"} {
			if d.Alcohol || strings.Contains(d.Name, no) {
				t.Errorf("%v: children get %s", foods, d.Name)
			}
		}
	}
	if len(first) < 4 {
		t.Errorf("the first drinks of six boards: %v", first)
	}
}

// A feast without alcohol has no drink with it, whatever guests say of themselves.
func TestAFeastWithoutAlcoholNamesNone(t *testing.T) {
	for _, name := range []string{"iftar", "eid", "ramadan"} {
		b := brief.Brief{Guests: brief.Guests{Adults: 8}, Theme: &brief.Theme{Name: name}}
		for _, d := range drink.With(plantest.Planned(t, b), larder) {
			if d.Alcohol {
				t.Errorf("%s: %s", name, d.Name)
			}
		}
	}
}

// What an occasion is known for comes forward where it suits the food: sparkling wine at a wedding, juice and tea at a brunch.
func TestAThemeAsksForItsDrinks(t *testing.T) {
	for name, drinks := range map[string][]string{"wedding": {"dry sparkling wine"}, "match night": {"wheat beer"}, "orchard": {"dry cider", "cloudy apple juice"}, "brunch": {"orange juice with sparkling water"}} {
		got, boards := 0, 12
		for n := range boards {
			b := brief.Brief{Guests: brief.Guests{Adults: 4 + n}, Month: 1 + n, Theme: &brief.Theme{Name: name}}
			for _, d := range drink.With(plantest.Planned(t, b), larder) {
				if slices.Contains(drinks, d.Name) {
					got++
					break
				}
			}
		}
		if got < 2*boards/3 {
			t.Errorf("%s: %d of %d boards have one of %v", name, got, boards, drinks)
		}
	}
}
