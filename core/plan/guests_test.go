package plan_test

import (
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/diet"
	"happytray/core/food"
	"happytray/core/plan"
	"happytray/core/plan/plantest"
	"happytray/core/tray"
)

// Pregnant guests are a group like any other: they find their share without what they are commonly advised against, in
// briefs of all kinds, also beside guests who avoid something else.
func TestThePregnantFindTheirShare(t *testing.T) {
	r := rand.New(rand.NewPCG(24, 4))
	briefs := 160
	if testing.Short() {
		briefs = 30
	}
	worst, most := 9.0, 0.0
	for n := range briefs {
		b := dietBrief(r)
		if n%2 == 0 {
			b.Diets = nil
		}
		b.Guests.Frail = 1 + r.IntN(max(1, b.Guests.Total()/3))
		j, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
		if err != nil {
			t.Fatal(err)
		}
		got := finds(b, foodsOf(j))["those pregnant or of weak health"]
		worst, most = min(worst, got), max(most, got)
		if got < .85 || got > 1.35 {
			t.Errorf("%d: they find %.2f of their share, %s for %d, %v", n, got, b.Occasion, b.Guests.Total(), b.Diets)
		}
	}
	t.Logf("from %.2f to %.2f of their share", worst, most)
}

// Who wishes for little carbohydrate finds a share without bread, sweets and dried fruit, with something crisp in it, and
// the others keep theirs.
func TestLittleCarbohydrate(t *testing.T) {
	r := rand.New(rand.NewPCG(24, 6))
	for n := range plantest.Cases(60) {
		b := brief.Brief{Guests: brief.Guests{Adults: 6 + r.IntN(30)}, Month: 1 + r.IntN(12), Occasion: []string{"nibble", "grazing", "meal"}[n%3], Choice: n}
		b.Diets = []brief.Diet{{Who: "they", Count: 1 + r.IntN(b.Guests.Adults/4), Avoid: []string{food.LowCarb}}}
		j, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
		if err != nil {
			t.Fatal(err)
		}
		if got := finds(b, foodsOf(j))["they"]; got < .85 || got > 1.35 {
			t.Errorf("%d: they find %.2f of their share, %s for %d", n, got, b.Occasion, b.Guests.Total())
		}
		crisp, bread := false, false
		for id := range foodsOf(j) {
			f, _ := larder.Get(id)
			crisp = crisp || f.LowInCarb() && f.PartOf()&food.CrispPart != 0
			bread = bread || f.Category == food.Cracker && !f.LowInCarb()
		}
		if !crisp || !bread {
			t.Errorf("%d: something crisp for them: %v, bread for the others: %v", n, crisp, bread)
		}
	}
}

// Where they are told to stay off, or are most of the guests, nothing that they are advised against is on the board.
func TestWhatIsAdvisedAgainstFallsAway(t *testing.T) {
	for _, b := range []brief.Brief{
		{Guests: brief.Guests{Adults: 10, Frail: 4}, Rules: &brief.Rules{Pregnant: "off"}},
		{Guests: brief.Guests{Adults: 10, Frail: 6}},
		{Guests: brief.Guests{Adults: 10}, Diets: []brief.Diet{{Who: "Ilka", Count: 5, Avoid: []string{food.Advised}}}},
	} {
		j, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
		if err != nil {
			t.Fatal(err)
		}
		for id := range foodsOf(j) {
			if f, _ := larder.Get(id); f.Holds(food.Advised) {
				t.Errorf("%+v: %s is there (%v)", b.Guests, id, f.Advised)
			}
		}
	}
}

// Where children come nothing is chosen unasked that holds alcohol or that they can choke on as it lies there, and where
// infants come no honey.
func TestNothingChokesOrHoldsAlcohol(t *testing.T) {
	r := rand.New(rand.NewPCG(24, 5))
	for n := range plantest.Cases(80) {
		b := brief.Brief{Guests: brief.Guests{Adults: 2 + r.IntN(20), Children: 1 + r.IntN(12)}, Month: 1 + r.IntN(12), Occasion: []string{"nibble", "grazing", "meal"}[n%3], Choice: n}
		if n%4 == 0 {
			b.Guests.Infants = 1
		}
		if n%5 == 0 {
			b.Theme = &brief.Theme{Name: []string{"harvest", "tea time", "hearts", "snow"}[n%4]}
		}
		j, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
		if err != nil {
			t.Fatal(err)
		}
		for _, one := range j.Trays {
			for _, e := range one.Elements {
				f, _ := larder.Get(e.Food)
				switch {
				case f.Holds("alcohol"):
					t.Errorf("%d: %s holds alcohol", n, e.Food)
				case f.ChokesAs(e.Form):
					t.Errorf("%d: they can choke on %s as %s", n, e.Food, e.Form)
				case b.Guests.Infants > 0 && diet.IsHoney(f):
					t.Errorf("%d: infants and %s", n, e.Food)
				}
			}
		}
	}
}

// A plate apart leaves the others what one guest avoids, is for those guests alone, on a board of its own, and holds
// none of it.
func TestAPlateApart(t *testing.T) {
	b := brief.Brief{Guests: brief.Guests{Adults: 12}, Occasion: "grazing", Month: 6, Diets: []brief.Diet{{Who: "Bas", Count: 1, Avoid: []string{"gluten"}}}}
	lost := plan.ForSome(b, larder)
	if !slices.ContainsFunc(lost, func(l plan.Lost) bool { return l.Kind == food.Cracker && l.Off > l.Of/2 }) {
		t.Fatalf("most bread falls away, and that is not told: %v", lost)
	}
	together, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	b.PlateApart = true
	if plan.ForSome(b, larder) != nil {
		t.Error("a plate apart is offered to who has one")
	}
	j, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	wheat, plates := 0, 0
	for _, one := range j.Trays {
		theirs := one.Part.Whose() == "Bas"
		if theirs {
			plates++
			if !one.Part.Apart || one.Part.Guests.Total() != 1 || len(one.Elements) < 4 {
				t.Errorf("the plate apart: %+v with %d things", one.Part, len(one.Elements))
			}
		}
		for _, e := range one.Elements {
			f, _ := larder.Get(e.Food)
			if theirs && !diet.CanEat([]string{"gluten"}, f) {
				t.Errorf("%s lies on the plate without gluten", e.Food)
			}
			if !theirs && f.Holds("gluten") {
				wheat++
			}
		}
	}
	if plates != 1 || wheat == 0 {
		t.Errorf("%d plates, %d things with gluten for the others", plates, wheat)
	}
	if off := plan.ForBoard(b).OffTheTray(); len(off) > 0 {
		t.Errorf("the others' board does without %v", off)
	}
	b.Diets = append(b.Diets, brief.Diet{Who: "Ilka", Count: 2, Avoid: []string{"gluten"}})
	both, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	if last := both.Trays[len(both.Trays)-1].Part; last.Who != "Bas and Ilka" || last.Guests.Total() != 3 {
		t.Errorf("who avoid the same have one plate, by their names: %+v", last)
	}
	for id := range foodsOf(together) {
		if f, _ := larder.Get(id); f.Holds("gluten") {
			t.Errorf("together, %s", id)
		}
	}
}

// Who asks for camembert reads of camembert, in the plan and in its file, and what is banned by its usual name stays away.
func TestFoodsGoByWhatTheHostCallsThem(t *testing.T) {
	b := brief.Brief{Guests: brief.Guests{Adults: 8}, Pins: []brief.Want{{Food: "camembert"}, {Food: "proscuitto"}, {Food: "orange-block"}}, Bans: []string{"stilton", "Grapes"}}
	j, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	own := j.Larder(larder)
	for id, want := range map[string]string{"soft-white-round": "Camembert", "air-dried-ham": "Proscuitto", "orange-block": "Cheddar"} {
		if f, ok := own.Get(id); !ok || f.Name != want {
			t.Errorf("%s is %v", id, f)
		}
	}
	if len(j.Brief.Pins) != 3 || j.Brief.Pins[0].Food != "soft-white-round" || j.Brief.Pins[0].Name != "Camembert" || !slices.Contains(j.Brief.Bans, "blue-wedge") {
		t.Errorf("%+v, %v", j.Brief.Pins, j.Brief.Bans)
	}
	again, err := plan.Replan(j, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	if f, _ := again.Larder(larder).Get("soft-white-round"); f.Name != "Camembert" {
		t.Errorf("planned again it is %s", f.Name)
	}
	b.Pins, b.Foods = nil, []brief.Want{{Food: "camembert"}, {Food: "brie"}, {Food: "soft white cheese"}, {Food: "figs"}}
	if twice, err := plan.FromBrief(b, larder, board.BuiltInCabinet()); err != nil || len(twice.Brief.Foods) != 2 {
		t.Errorf("one food by several names: %v", err)
	}
	b.Foods = nil
	b.Pins = []brief.Want{{Food: "chedar of dreams"}}
	if _, err := plan.FromBrief(b, larder, board.BuiltInCabinet()); err == nil || !strings.Contains(err.Error(), "add it to the larder") {
		t.Errorf("a food that there is not: %v", err)
	}
}

// Where the diets name more guests than come, somebody is in two of them, and nobody knows who: no plate holds what its
// guest might avoid, and there is a plate for every guest.
func TestPlatesWhereOneGuestIsInTwoDiets(t *testing.T) {
	for _, c := range []struct {
		brief brief.Brief
		free  map[string]int // plates without a word
	}{
		{brief.Brief{Guests: brief.Guests{Adults: 1}, Diets: []brief.Diet{{Who: "vegan", Count: 1, Avoid: []string{"animal"}}, {Who: "nuts", Count: 1, Avoid: []string{"nuts"}}}}, map[string]int{"animal": 1, "nuts": 1}},
		{brief.Brief{Guests: brief.Guests{Adults: 2}, Diets: []brief.Diet{{Who: "no milk", Count: 2, Avoid: []string{"milk"}}, {Who: "no nuts", Count: 1, Avoid: []string{"nuts"}}}}, map[string]int{"milk": 2, "nuts": 2}},
		{brief.Brief{Guests: brief.Guests{Adults: 2, Children: 1}, Diets: []brief.Diet{{Count: 1, Avoid: []string{"milk"}}, {Count: 1, Avoid: []string{"nuts"}}, {Count: 2, Avoid: []string{"sesame"}}}}, map[string]int{"milk": 1, "nuts": 1, "sesame": 3}},
		{brief.Brief{Guests: brief.Guests{Adults: 3, Frail: 2}, Diets: []brief.Diet{{Count: 2, Avoid: []string{"gluten"}}}}, map[string]int{"gluten": 2, food.Advised: 3}},
	} {
		c.brief.Serving = "plates"
		j, err := plan.FromBrief(c.brief, larder, board.BuiltInCabinet())
		if err != nil {
			t.Fatal(err)
		}
		all, free := 0, map[string]int{}
		for _, tr := range j.Trays {
			all += tr.Copies()
			for w := range c.free {
				if !holds(tr, w) {
					free[w] += tr.Copies()
				}
			}
		}
		if all != c.brief.Guests.Total() {
			t.Errorf("%v: %d plates for %d guests", c.brief.Diets, all, c.brief.Guests.Total())
		}
		for w, n := range c.free {
			if free[w] < n {
				t.Errorf("%v: %d plates without %s, and should be %d", c.brief.Diets, free[w], w, n)
			}
		}
	}
	apart := brief.Brief{Guests: brief.Guests{Adults: 3}, PlateApart: true, Diets: []brief.Diet{{Who: "no meat", Count: 3, Avoid: []string{"meat"}}, {Who: "no nuts", Count: 1, Avoid: []string{"nuts"}}}}
	j, err := plan.FromBrief(apart, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	for _, tr := range j.Trays {
		if holds(tr, "meat") {
			t.Errorf("meat for %s, where all three eat none", tr.Part.Who)
		}
	}
}

// holds reports whether something on a tray or in its reserve holds, or may hold, what a word names.
func holds(t *tray.Tray, word string) bool {
	return slices.ContainsFunc(t.Foods(), func(id string) bool {
		f, _ := larder.Get(id)
		return f.Category != food.NotFood && !diet.CanEat([]string{word}, f)
	})
}
