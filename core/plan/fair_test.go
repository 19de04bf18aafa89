package plan_test

import (
	"fmt"
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/plan"
	"happytray/core/portion"
	"happytray/core/shop"
)

// finds reckons by itself what each group of guests finds over its share, if all share what they
// may eat: grams of each food over the appetites of those who eat it.
func finds(b brief.Brief, grams map[string]float64) map[string]float64 {
	groups := b.Groups()
	guests := 0.0
	for _, g := range groups {
		guests += float64(g.Count)
	}
	target := 0.0
	for _, g := range portion.Shares(b, portion.WithMeat) {
		target += g
	}
	out := map[string]float64{}
	for id, g := range grams {
		f, ok := larder.Get(id)
		if !ok || f.Category == "garnish" || f.Category == "prop" {
			continue
		}
		eaters := 0.0
		for _, x := range groups {
			if f.Breaks(x.Avoid) == "" {
				eaters += float64(x.Count)
			}
		}
		for _, x := range groups {
			if f.Breaks(x.Avoid) == "" && x.Count > 0 {
				out[x.Who] += g * f.EatenShare() / eaters / (target / guests)
			}
		}
	}
	return out
}

func dietBrief(r *rand.Rand) brief.Brief {
	b := brief.Brief{Guests: brief.Guests{Adults: 4 + r.IntN(40), Children: r.IntN(3) * r.IntN(6)}, Month: 1 + r.IntN(12), Occasion: []string{"nibble", "grazing", "meal"}[r.IntN(3)]}
	words := [][]string{{"animal"}, {"meat"}, {"pork"}, {"gluten"}, {"milk"}, {"nuts"}, {"rennet", "meat"}, {"beef"}, {"alcohol", "pork"}, {"egg"}, {"soy"}, {"mustard", "sesame"}}
	for k := range 1 + r.IntN(3) {
		b.Diets = append(b.Diets, brief.Diet{Who: fmt.Sprint("group ", k), Count: 1 + r.IntN(max(1, b.Guests.Total()/4)), Avoid: words[r.IntN(len(words))]})
	}
	return b
}

// Every group of guests finds its share: from 0.85 of it, so that nobody goes without, to 1.35, so
// that nothing is heaped; on single plates to 1.25.
func TestEveryGroupFindsItsShare(t *testing.T) {
	cabinet := board.BuiltInCabinet()
	r := rand.New(rand.NewPCG(5, 6))
	briefs := []brief.Brief{}
	for _, c := range []struct {
		guests, who int
		occasion    string
		avoid       string
	}{{10, 2, "grazing", "animal"}, {10, 4, "meal", "animal"}, {9, 3, "grazing", "meat"}, {20, 5, "meal", "animal"}, {12, 1, "grazing", "milk"}, {10, 0, "grazing", ""}, {12, 0, "grazing", ""}} {
		b := brief.Brief{Guests: brief.Guests{Adults: c.guests}, Occasion: c.occasion, Month: 6}
		if c.who > 0 {
			b.Diets = []brief.Diet{{Who: "they", Count: c.who, Avoid: []string{c.avoid}}}
		}
		briefs = append(briefs, b)
	}
	for len(briefs) < 500 {
		briefs = append(briefs, dietBrief(r))
	}
	planned := 0
	for n, b := range briefs {
		j, err := plan.FromBrief(b, larder, cabinet)
		if err != nil {
			if !strings.Contains(err.Error(), "diets") {
				t.Fatal(err)
			}
			continue
		}
		planned++
		for who, v := range finds(b, foodsOf(j)) {
			if v < .85 || v > 1.35 {
				t.Errorf("%d: %s find %.2f of their share, %s for %d, %v", n, who, v, b.Occasion, b.Guests.Total(), b.Diets)
			}
		}
	}
	if planned < 450 {
		t.Errorf("only %d of %d briefs were planned", planned, len(briefs))
	}
}

func TestPlatesAreNotHeaped(t *testing.T) {
	cabinet := board.BuiltInCabinet()
	r := rand.New(rand.NewPCG(7, 7))
	for n := range 60 {
		b := dietBrief(r)
		b.Serving = "plates"
		j, err := plan.FromBrief(b, larder, cabinet)
		if err != nil {
			continue
		}
		for _, one := range j.Trays {
			grams := map[string]float64{}
			for _, e := range one.Elements {
				grams[e.Food] += e.Grams
			}
			for _, x := range one.Reserve {
				grams[x.Food] += x.Grams
			}
			for who, v := range finds(one.Brief, grams) {
				if v < .85 || v > 1.25 {
					t.Errorf("%d: the plate of %s (%s) holds %.2f of a share, %s, %v: %v", n, one.Part.Who, who, v, b.Occasion, one.Brief.Diets, grams)
				}
			}
		}
	}
}

// Two guests more get two guests' food more, and no kind of it doubles.
func TestKindsGrowSmoothly(t *testing.T) {
	for _, occasion := range []string{"nibble", "grazing", "meal"} {
		for _, n := range []int{8, 10, 12, 18, 24, 40} {
			share := func(n int) map[food.Category]float64 {
				b := brief.Brief{Guests: brief.Guests{Adults: n}, Occasion: occasion, Month: 9}
				j, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
				if err != nil {
					t.Fatal(err)
				}
				out, want := map[food.Category]float64{}, portion.Shares(b, portion.WithMeat)
				for id, g := range foodsOf(j) {
					f, _ := larder.Get(id)
					out[f.Category] += g * f.EatenShare() / want[f.Category]
				}
				return out
			}
			few, more := share(n), share(n+2)
			for _, c := range []food.Category{food.Cheese, food.Meat, food.Cracker, food.Fruit} {
				if few[c] < .75 || few[c] > 1.45 || more[c] > 1.35*few[c]+.01 {
					t.Errorf("%s: %s is %.2f of its share for %d guests and %.2f for %d", occasion, c, few[c], n, more[c], n+2)
				}
			}
		}
	}
}

// Boards give a guest from 170 to 300 cm2 where the cabinet has them, or it is said what to borrow.
func TestBoardsSuitTheGuests(t *testing.T) {
	for _, occasion := range []string{"nibble", "grazing", "meal"} {
		for _, n := range []int{2, 3, 5, 8, 12, 16, 25, 40, 60, 90, 150, 300, 700, 1200, 2000} {
			b := brief.Brief{Guests: brief.Guests{Adults: n}, Occasion: occasion, Month: 9}
			j, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
			if err != nil {
				t.Fatal(err)
			}
			have := 0.0
			for _, one := range j.Trays {
				have += one.Board.UsableMM2() / 100 * float64(one.Copies())
			}
			if each := have / float64(n); (each < 170 || each > 300) && len(j.Says) == 0 {
				t.Errorf("%s for %d: %.0f cm2 a guest on %d boards, and nothing is said", occasion, n, each, len(j.Trays))
			} else if n >= 3 && (each < 170 || each > 300) {
				t.Errorf("%s for %d: %.0f cm2 a guest on %d boards: %v", occasion, n, each, len(j.Trays), j.Says)
			}
		}
	}
	// a house with one small board is told what to borrow
	cabinet := board.BuiltInCabinet()
	hide := map[string]bool{}
	for _, c := range cabinet.Boards() {
		if c.ID != "round-40-marble" {
			hide[c.ID] = true
		}
	}
	j, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 20}, Month: 9}, larder, cabinet.Without(hide, nil))
	if err != nil || len(j.Trays) != 1 || len(j.Says) != 1 || !strings.Contains(j.Says[0].String(), "borrow") {
		t.Errorf("%v, %v", err, j)
	}
}

// A budget is kept, by an oracle that adds up packs by itself, or the plan says by how much not.
func TestBudgetsAreKept(t *testing.T) {
	kept, over := 0, 0
	r := rand.New(rand.NewPCG(9, 1))
	for n := range 80 {
		b := dietBrief(r)
		if n%2 == 0 {
			b.Diets = nil
		}
		free, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
		if err != nil {
			continue
		}
		b.Budget = math.Round(float64(shop.NewBasket(free, larder).BasketCost) * (.55 + .5*r.Float64()))
		j, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
		if err != nil {
			t.Fatal(err)
		}
		basket, sum := shop.NewBasket(j, larder), 0
		for _, l := range basket.Lines {
			for _, p := range l.Packs {
				sum += p.Count * p.Price
			}
		}
		if sum != basket.BasketCost {
			t.Errorf("%d: packs come to %d, the basket says %d", n, sum, basket.BasketCost)
		}
		says := fmt.Sprint(j.Says)
		switch told := strings.Contains(says, "Over the budget"); {
		case float64(sum) > b.Budget && !told:
			t.Errorf("%d: %d of %v, and nothing is said", n, sum, b.Budget)
		case float64(sum) <= b.Budget && told:
			t.Errorf("%d: %d of %v, and it says %s", n, sum, b.Budget, says)
		case told:
			over++
		default:
			kept++
		}
	}
	if kept < 2*over {
		t.Errorf("%d budgets kept, %d not", kept, over)
	}
	b := brief.Brief{Guests: brief.Guests{Adults: 10}, Month: 9, Budget: 1}
	j, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
	if err != nil || len(j.Says) == 0 || !strings.Contains(j.Says[0].String(), "Over the budget") {
		t.Errorf("a budget of one coin: %v, %v", err, j)
	}
}

// A kind that is tilted away is away, and the others make up for it.
func TestTiltedAway(t *testing.T) {
	b := brief.Brief{Guests: brief.Guests{Adults: 12}, Month: 9, Occasion: "grazing", Tilt: map[string]float64{"nut": 0, "sweet": 0}}
	j, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	for id := range foodsOf(j) {
		if f, _ := larder.Get(id); f.Category == food.Nut || f.Category == food.Sweet {
			t.Errorf("%s is there", id)
		}
	}
	b.Tilt = map[string]float64{}
	for _, c := range food.Categories {
		b.Tilt[string(c)] = 0
	}
	if _, err := plan.FromBrief(b, larder, board.BuiltInCabinet()); err == nil || !strings.Contains(err.Error(), "tilt") {
		t.Errorf("everything tilted away: %v", err)
	}
}
