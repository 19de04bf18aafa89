package pick

import (
	"math/rand/v2"
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/theme"
)

// cases is how many of n generated ones are tried: a third of them in the quick half of the tests.
func cases(n int) int {
	if testing.Short() {
		return n / 3
	}
	return n
}

// plainBrief is a brief of a made-up table without diets, most with a theme.
func plainBrief(r *rand.Rand) brief.Brief {
	b := brief.Brief{Guests: brief.Guests{Adults: 4 + r.IntN(36), Children: r.IntN(3) * r.IntN(4)}, Month: 1 + r.IntN(12),
		Occasion: []string{"nibble", "grazing", "meal"}[r.IntN(3)], Choice: r.IntN(4) * r.IntN(3), Host: []string{"", "the rowing club", "lamp lighters"}[r.IntN(3)]}
	if r.IntN(4) > 0 {
		b.Theme = &brief.Theme{Name: theme.BuiltIn[r.IntN(len(theme.BuiltIn))].Name}
	}
	return b
}

// Over 600 tables every rule of a choice is kept; nothing that stands in for cheese or meat is there unasked, and
// nothing that would have to be cooked.
func TestRulesOfAChoice(t *testing.T) {
	r := rand.New(rand.NewPCG(25, 12))
	broken := map[string]int{}
	for range cases(600) {
		b := plainBrief(r)
		chosen, err := Pick(b, larder, Under{})
		if err != nil {
			t.Fatal(err)
		}
		var on []*food.Food
		have := map[food.Category]int{}
		for _, c := range chosen {
			on = append(on, c.Food)
			have[c.Food.Category]++
			if c.Food.IsStandIn() {
				t.Errorf("%s for nobody who asked: %+v", c.Food.ID, b)
			}
			if c.Food.Heat != nil && c.Food.ReadyAs == "" {
				t.Errorf("%s has to be cooked: %+v", c.Food.ID, b)
			}
		}
		for i := range rulesOfChoice {
			if x := &rulesOfChoice[i]; x.applies(b, have) && !x.kept(on) {
				broken[x.says]++
			}
		}
		if none, tilted := theme.Tilts(b)["brined"]; tilted && none == 0 {
			if have[food.Brined] > 0 {
				broken["nothing brined where the theme has none"]++
			}
		} else if b.Guests.Total() >= 8 && have[food.Brined] < 2 {
			broken["two kinds of pickle from eight guests"]++
		}
	}
	for says, n := range broken {
		t.Errorf("%s: broken on %d of the boards", says, n)
	}
}

// The first choice for a host covers the core of its size, as far as the season has it, in nine of ten briefs; later ones
// leave it step by step.
func TestTheClassicThenTheTurn(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 25))
	allowed := func(th *theme.Theme) (foods []*food.Food) {
		for i := range larder.All() {
			if f := &larder.All()[i]; !alien(th, f) {
				foods = append(foods, f)
			}
		}
		return foods
	}
	covered := func(choice int, themed bool) (whole, part float64) {
		briefs := cases(150)
		for range briefs {
			b := plainBrief(r)
			b.Choice = choice
			if !themed {
				b.Theme = nil
			}
			chosen, err := Pick(b, larder, Under{})
			if err != nil {
				t.Fatal(err)
			}
			plays, have := map[int]bool{}, map[food.Category]int{}
			for _, c := range chosen {
				role, _ := c.Food.RoleOf()
				plays[role] = true
				have[c.Food.Category]++
			}
			th, want, got := theme.ForBrief(b), 0, 0
			foods := allowed(th)
			for k, role := range food.Roles {
				if have[role.Category] == 0 || !th.Wants(role, foods) {
					continue
				}
				have[role.Category]--
				want++
				if plays[k] {
					got++
				}
			}
			if got == want {
				whole += 1 / float64(briefs)
			}
			part += float64(got) / float64(want) / float64(briefs)
		}
		return whole, part
	}
	first, roles := covered(0, false)
	themed, led := covered(0, true)
	_, later := covered(2, false)
	_, last := covered(5, false)
	t.Logf("the first choice covers its core in %.2f of briefs, %.2f of its roles, under themes %.2f and %.2f of those they have a place for; the third %.2f, the sixth %.2f", first, roles, themed, led, later, last)
	if first < .9 || themed < .9 || led < .98 || later >= roles || last >= later {
		t.Errorf("the first choice covers its core in %.2f of briefs, %.2f of its roles, under themes %.2f and %.2f of those they have a place for; the third %.2f, the sixth %.2f", first, roles, themed, led, later, last)
	}
}

// Who eats neither gets what stands in, and then it counts for all.
func TestStandInsAreForThoseWhoAsk(t *testing.T) {
	n := 0
	for m := range 12 {
		b := brief.Brief{Guests: brief.Guests{Adults: 10}, Month: m + 1, Occasion: "grazing", Diets: []brief.Diet{{Count: 3, Avoid: []string{"animal"}}}}
		chosen, err := Pick(b, larder, Under{})
		if err != nil {
			t.Fatal(err)
		}
		for _, c := range chosen {
			if c.Food.IsStandIn() {
				n++
			}
		}
	}
	if n < 6 {
		t.Errorf("%d stand-ins on twelve boards with vegans", n)
	}
}
