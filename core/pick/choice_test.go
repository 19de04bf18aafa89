package pick

import (
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"happytray/core/brief"
	"happytray/core/colour"
	"happytray/core/diet"
	"happytray/core/food"
	"happytray/core/portion"
	"happytray/core/theme"
)

// anyBrief is a made-up brief; r decides everything about it.
func anyBrief(r *rand.Rand) brief.Brief {
	b := brief.Brief{Guests: brief.Guests{Adults: 1 + r.IntN(60), Children: r.IntN(12)}, Month: r.IntN(13),
		Occasion: []string{"", "grazing", "meal"}[r.IntN(3)], Course: []string{"", "", "savoury", "sweet"}[r.IntN(4)]}
	for range r.IntN(3) {
		d := brief.Diet{Who: "some", Count: r.IntN(1 + b.Guests.Total()/2)}
		words := append(slices.Clone(brief.Allergens), brief.DietWords...)
		for range 1 + r.IntN(2) {
			d.Avoid = append(d.Avoid, words[r.IntN(len(words))])
		}
		b.Diets = append(b.Diets, d)
	}
	if r.IntN(3) == 0 {
		b.Theme = &brief.Theme{Palette: []string{"#3b4468", "#b98a2e"}, Region: food.Regions[r.IntN(len(food.Regions))]}
	}
	if r.IntN(3) == 0 {
		b.Budget = float64(500 + r.IntN(20000))
	}
	return b
}

func ids(chosen []Choice) []string {
	var out []string
	for _, c := range chosen {
		out = append(out, c.Food.ID)
	}
	return out
}

// Over many made-up briefs: nothing that is avoided, pins kept, bans kept out, the
// same twice, a reason for each, and every group of guests finds every part that
// the larder has for it.
func TestChoicesHold(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 4))
	all := larder.All()
	for n := range cases(150) {
		b := anyBrief(r)
		off := b.OffTheTray()
		first, err := Pick(b, larder, Under{})
		if err != nil {
			if !strings.Contains(err.Error(), "diets") {
				t.Fatalf("%d: %v", n, err)
			}
			continue
		}
		b.Bans = ids(first)[:r.IntN(3)]
		for range 3 {
			if f := all[r.IntN(len(all))]; f.Breaks(off) == "" && !slices.Contains(b.Bans, f.ID) && !slices.ContainsFunc(b.Pins, func(w brief.Want) bool { return w.Food == f.ID }) {
				b.Pins = append(b.Pins, brief.Want{Food: f.ID})
			}
		}
		chosen, err := Pick(b, larder, Under{Colour: "#8c6a48"})
		if err != nil {
			t.Fatalf("%d: %v", n, err)
		}
		got := ids(chosen)
		for _, w := range b.Pins {
			if !slices.Contains(got, w.Food) {
				t.Errorf("%d: the pin %s was dropped", n, w.Food)
			}
		}
		seen := map[string]bool{}
		for _, c := range chosen {
			if w := c.Food.Breaks(off); w != "" {
				t.Errorf("%d: %s contains %s", n, c.Food.ID, w)
			}
			if slices.Contains(b.Bans, c.Food.ID) || seen[c.Food.ID] || c.Why == "" {
				t.Errorf("%d: %s is banned, twice there or without a reason: %+v", n, c.Food.ID, c)
			}
			seen[c.Food.ID] = true
		}
		again, _ := Pick(b, larder, Under{Colour: "#8c6a48"})
		if !slices.Equal(got, ids(again)) {
			t.Errorf("%d: another choice the second time", n)
		}
		var foods []*food.Food
		for _, c := range chosen {
			foods = append(foods, c.Food)
		}
		for g, s := range Servings(b, foods) {
			for k, p := range s.Parts {
				if p.Foods == 0 && possible(b, g, k) {
					t.Errorf("%d: %s find nothing that is %s in %v", n, s.Who, p.Says, got)
				}
			}
		}
	}
}

// possible reports whether the larder holds something that could play a part for a group.
func possible(b brief.Brief, g, k int) bool {
	off, avoid := b.OffTheTray(), b.Groups()[g].Avoid
	kinds := KindsFor(b, Under{})
	all := larder.All()
	for i := range all {
		f := &all[i]
		if diet.CanEat(off, f) && diet.CanEat(avoid, f) && suits(b, theme.ForBrief(b), diet.TableOf(b), larder, f) && f.PartOf()&food.Parts[k].Part != 0 && kinds[f.Category] > 0 && !slices.Contains(b.Bans, f.ID) {
			return true
		}
	}
	return false
}

// The exchange ends where no single swap is better, and is worth no less than the
// greedy choice it began with.
func TestNoSwapIsBetter(t *testing.T) {
	for _, n := range []int{6, 14, 40} {
		b := adults(n)
		kinds := KindsFor(b, Under{})
		f := newCandidates(b, larder, Under{}, kinds, portion.Shares(b, portion.WithMeat))
		s := f.empty()
		worth := 0.0
		for _, c := range food.Categories {
			for range kinds[c] {
				if i, v := f.best(s, c); i >= 0 {
					f.put(s, i, 1)
					worth += v
				}
			}
		}
		f.settle(s, nil)
		settled := f.empty()
		after := 0.0
		for _, i := range s.on {
			after += f.marginal(settled, i)
			f.put(settled, i, 1)
		}
		if after < worth-1e-9 {
			t.Errorf("%d guests: %v after %v", n, after, worth)
		}
		for _, i := range slices.Clone(s.on) {
			f.put(s, i, -1)
			had := f.marginal(s, i)
			for _, j := range f.of[f.cands[i].food.Category] {
				if !slices.Contains(s.on, j) && f.marginal(s, j) > had+1e-5 {
					t.Errorf("%d guests: %s would be better than %s", n, f.cands[j].food.ID, f.cands[i].food.ID)
				}
			}
			f.put(s, i, 1)
		}
	}
}

func TestWhatGives(t *testing.T) {
	b := adults(8)
	for _, f := range larder.All() {
		b.Bans = append(b.Bans, f.ID)
	}
	if _, err := Pick(b, larder, Under{}); err == nil || !strings.HasPrefix(err.Error(), "bans:") || !strings.Contains(err.Error(), "without the bans there would be") {
		t.Errorf("everything banned: %v", err)
	}
	bare, err := food.ReadLarder([]byte(`[]`))
	if err != nil {
		t.Fatal(err)
	}
	if _, err := Pick(adults(8), bare, Under{}); err == nil {
		t.Error("an empty larder gave a choice")
	}
	var milk []food.Food
	for _, f := range larder.All() {
		if slices.Contains(f.Allergens, "milk") {
			milk = append(milk, f)
		}
	}
	b = adults(8)
	b.Diets = []brief.Diet{{Count: 1, Avoid: []string{"milk"}}}
	if _, err := Pick(b, bare.With(milk), Under{}); err == nil || !strings.Contains(err.Error(), "those who avoid milk") {
		t.Errorf("a larder of milk alone: %v", err)
	}
}

// House rules decide forms and kinds.
func TestHouseRulesChoose(t *testing.T) {
	form := func(r brief.Rules, id string) string {
		b := adults(9)
		b.Rules, b.Pins = &r, []brief.Want{{Food: id}}
		chosen, err := Pick(b, larder, Under{})
		if err != nil {
			t.Fatal(err)
		}
		return chosen[slices.Index(ids(chosen), id)].Form
	}
	for _, c := range []struct {
		id   string
		r    brief.Rules
		want string
	}{
		{"soft-white-round", brief.Rules{}, "cut-round"}, {"soft-white-round", brief.Rules{SoftRound: "whole"}, "whole"},
		{"old-wheel", brief.Rules{HardCheese: "broken"}, "tumble"}, {"old-wheel", brief.Rules{HardCheese: "cut"}, "shingle"},
		{"red-grapes", brief.Rules{Grapes: "plucked"}, "drift"}, {"red-grapes", brief.Rules{}, "cluster"},
		{"cucumber", brief.Rules{Vegetarians: "shapes"}, "ribbon"},
	} {
		if _, ok := larder.Get(c.id); !ok {
			t.Fatal(c.id)
		}
		if got := form(c.r, c.id); got != c.want {
			t.Errorf("%s under %+v is laid as %s, want %s", c.id, c.r, got, c.want)
		}
	}
	b := adults(9)
	b.Rules = &brief.Rules{Olives: "stones"}
	with, _ := Pick(b, larder, Under{})
	without, _ := Pick(adults(9), larder, Under{})
	for _, c := range without {
		if c.Food.Category == food.Brined && c.Food.Stone {
			t.Errorf("%s has stones", c.Food.Name)
		}
	}
	if len(with) != len(without) {
		t.Errorf("%d and %d foods", len(with), len(without))
	}
}

func TestSweetAndSavoury(t *testing.T) {
	for _, course := range []string{"sweet", "savoury", ""} {
		b := adults(20)
		b.Course = course
		chosen, err := Pick(b, larder, Under{})
		if err != nil {
			t.Fatal(err)
		}
		for _, c := range chosen {
			f := c.Food
			switch {
			case course == "sweet" && (f.Category == food.Meat || f.Category == food.Brined || f.Strength >= 4):
				t.Errorf("%s on a dessert tray", f.Name)
			case course == "savoury" && f.Category == food.Sweet, course != "sweet" && (f.ID == "salted-caramel" || f.ID == "chocolate-dip"):
				t.Errorf("%s on a %q tray", f.Name, course)
			}
		}
	}
}

// A tray for the lens shows no fewer colours, and another choice for some tables.
func TestTheLensWantsColour(t *testing.T) {
	more := 0
	for n := 4; n <= 40; n += 3 {
		families := func(photographed string) int {
			b := adults(n)
			b.Photographed = photographed
			chosen, err := Pick(b, larder, Under{})
			if err != nil {
				t.Fatal(err)
			}
			seen := map[string]bool{}
			for _, c := range chosen {
				seen[colour.Must(c.Food.Colour).Family()] = true
			}
			return len(seen)
		}
		more += families("above") - families("")
	}
	if more <= 0 {
		t.Errorf("%d colours more than without a lens, over all tables", more)
	}
}

func TestShopsStockIsHeeded(t *testing.T) {
	b := adults(9)
	first, _ := Pick(b, larder, Under{})
	out := first[0].Food
	l := larder.Priced(food.Market{Offers: map[string]food.Offer{out.ID: {Packs: out.Packs, Out: true}}})
	second, err := Pick(b, l, Under{})
	if err != nil {
		t.Fatal(err)
	}
	if slices.Contains(ids(second), out.ID) {
		t.Errorf("%s is sold out and picked", out.Name)
	}
}

func BenchmarkPick(b *testing.B) {
	for _, n := range []int{12, 40} {
		br := adults(n)
		b.Run(string(rune('0'+n/10))+"0s", func(b *testing.B) {
			for b.Loop() {
				if _, err := Pick(br, larder, Under{}); err != nil {
					b.Fatal(err)
				}
			}
		})
	}
}

// TestWhatIsOnlyForSomeTables: unasked it comes where it is at home, and nowhere else.
func TestWhatIsOnlyForSomeTables(t *testing.T) {
	larder := food.BuiltIn()
	only := []string{"pulled-sticks", "marshmallows", "potato-crisps", "garden-hard", "coriander"}
	for month := 1; month <= 12; month++ {
		for choice := range 3 {
			b := brief.Brief{Guests: brief.Guests{Adults: 20}, Month: month, Choice: choice}
			chosen, err := Pick(b, larder, Under{})
			if err != nil {
				t.Fatal(err)
			}
			for _, id := range ids(chosen) {
				if slices.Contains(only, id) {
					t.Errorf("month %d, choice %d: %s", month, choice, id)
				}
			}
		}
	}
	for _, c := range []struct {
		food string
		b    brief.Brief
		home bool
	}{
		{"pulled-sticks", brief.Brief{Guests: brief.Guests{Adults: 6, Children: 6}}, true},
		{"potato-crisps", brief.Brief{Guests: brief.Guests{Adults: 6}, Theme: &brief.Theme{Name: "match night"}}, true},
		{"garden-hard", brief.Brief{Guests: brief.Guests{Adults: 6}, Diets: []brief.Diet{{Count: 2, Avoid: []string{"meat", "rennet"}}}}, true},
		{"coriander", brief.Brief{Guests: brief.Guests{Adults: 6}, Theme: &brief.Theme{Name: "lunar new year"}}, true},
		{"coriander", brief.Brief{Guests: brief.Guests{Adults: 6}, Theme: &brief.Theme{Name: "wedding"}}, false},
		{"chickpea-dip", brief.Brief{Guests: brief.Guests{Adults: 6}, Theme: &brief.Theme{Name: "passover"}}, false},
	} {
		f, _ := larder.Get(c.food)
		th := theme.ForBrief(c.b)
		if got := atHome(c.b, th, f) && !alien(th, f); got != c.home {
			t.Errorf("%s at home for %+v: %v", c.food, c.b.Theme, got)
		}
	}
}
