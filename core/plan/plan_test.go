package plan_test

import (
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/job"
	"happytray/core/pick"
	"happytray/core/plan"
	"happytray/core/shop"
	"happytray/core/tray"
)

var larder = food.BuiltIn()

func TestCoverIsCheapest(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 6))
	for range 200 {
		packs := []food.Pack{{Grams: float64(50 + 5*r.IntN(40)), Price: 100 + r.IntN(400)}, {Grams: float64(100 + 5*r.IntN(80)), Price: 150 + r.IntN(600)}}
		need := 1 + r.Float64()*1500
		_, bought, cost := food.Cover(packs, need)
		if bought < need {
			t.Fatalf("bought %v for %v", bought, need)
		}
		best := math.MaxInt
		for i := 0; i <= 40; i++ {
			for j := 0; j <= 40; j++ {
				if float64(i)*packs[0].Grams+float64(j)*packs[1].Grams >= need {
					best = min(best, i*packs[0].Price+j*packs[1].Price)
					break
				}
			}
		}
		if cost != best {
			t.Fatalf("%v for %v g costs %d, best is %d", packs, need, cost, best)
		}
	}
	if _, bought, _ := food.Cover([]food.Pack{{Grams: 250, Price: 300}, {Grams: 500, Price: 500}}, 81234); bought < 81234 {
		t.Errorf("a large need is not covered: %v", bought)
	}
}

// briefs makes a spread of briefs of every size, shape and diet.
func briefs(n int) []brief.Brief {
	r := rand.New(rand.NewPCG(7, 8))
	occasions := []string{"", "nibble", "grazing", "meal"}
	diets := [][]string{nil, {"meat"}, {"nuts"}, {"gluten"}, {"milk"}, {"animal"}, {"meat", "rennet", "gluten"}}
	var out []brief.Brief
	for range n {
		b := brief.Brief{Guests: brief.Guests{Adults: 1 + int(math.Exp(r.Float64()*5.5)), Children: r.IntN(5)}, Occasion: occasions[r.IntN(4)], Month: r.IntN(13)}
		if d := diets[r.IntN(len(diets))]; d != nil {
			b.Diets = []brief.Diet{{Who: "guests", Avoid: d}}
		}
		if r.IntN(2) == 0 {
			shape := board.Shapes[r.IntN(len(board.Shapes)-1)]
			b.Board = &board.Request{Shape: shape, LengthMM: 180 + 900*r.Float64(), WidthMM: 160 + 400*r.Float64()}
			if shape == "figure" {
				b.Board.Figure = string(rune('A' + r.IntN(26)))
			}
		}
		out = append(out, b)
	}
	return out
}

func TestPlanProperties(t *testing.T) {
	for i, b := range briefs(150) {
		tr, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
		if err != nil {
			t.Fatalf("brief %d %+v: %v", i, b, err)
		}
		if err := tr.Check(larder); err != nil {
			t.Fatalf("brief %d: the plan does not pass its own check: %v", i, err)
		}
		off := b.OffTheTray()
		for _, e := range tr.Trays[0].Elements {
			f, _ := larder.Get(e.Food)
			if a := f.Breaks(off); a != "" {
				t.Errorf("brief %d: %s contains %s", i, f.Name, a)
			}
			if e.Placed || len(e.Pieces) > 0 || e.Count < 1 || e.Grams <= 0 {
				t.Errorf("brief %d: planned element %+v", i, e)
			}
		}
		basket := shop.NewBasket(tr, larder)
		used, paid := 0, 0
		for _, l := range basket.Lines {
			used += l.UsedCost
			paid += l.BasketCost
			have := 0.0
			for _, p := range l.Packs {
				have += p.Grams * float64(p.Count)
			}
			if have+1e-6 < l.OnTrayG+l.ReserveG-.2 {
				t.Errorf("brief %d: %s: packs hold %v of %v g", i, l.Food, have, l.OnTrayG+l.ReserveG)
			}
		}
		if used != basket.UsedCost || paid != basket.BasketCost || used > paid {
			t.Errorf("brief %d: costs do not add up: %+v", i, basket)
		}
	}
}

func TestPlanKeepsTheHostsList(t *testing.T) {
	b := brief.Brief{Guests: brief.Guests{Adults: 6}, Foods: []brief.Want{{Food: "figs"}, {Food: "almonds", Grams: 90}, {Food: "soft-white-round", Form: "whole"}}}
	tr, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	got := map[string]float64{}
	for _, e := range tr.Trays[0].Elements {
		got[e.Food] += e.Grams
	}
	for _, r := range tr.Trays[0].Reserve {
		got[r.Food] += r.Grams
	}
	if len(got) != 3 || math.Abs(got["almonds"]-90) > 2 {
		t.Errorf("got %v", got)
	}
}

func TestPickRefusals(t *testing.T) {
	for name, b := range map[string]brief.Brief{
		"avoided":  {Guests: brief.Guests{Adults: 4}, Diets: []brief.Diet{{Avoid: []string{"nuts"}}}, Foods: []brief.Want{{Food: "almonds"}}},
		"no board": {Guests: brief.Guests{Adults: 4}, Board: &board.Request{ID: "none-such"}},
		"no bowl":  {Guests: brief.Guests{Adults: 4}, Foods: []brief.Want{{Food: "honey", Vessel: "none-such"}}},
		"unknown":  {Guests: brief.Guests{Adults: 4}, Foods: []brief.Want{{Food: "moon-cheese"}}},
		"bad form": {Guests: brief.Guests{Adults: 4}, Foods: []brief.Want{{Food: "figs", Form: "trail"}}},
		"nobody":   {},
		"too many": {Guests: brief.Guests{Adults: 2001}},
	} {
		if _, err := plan.FromBrief(b, larder, board.BuiltInCabinet()); err == nil {
			t.Errorf("%s was planned", name)
		}
	}
}

func TestPickIsBalanced(t *testing.T) {
	chosen, err := pick.Pick(brief.Brief{Guests: brief.Guests{Adults: 12}, Month: 11, Occasion: "grazing"}, larder, pick.Under{})
	if err != nil {
		t.Fatal(err)
	}
	milks, firm, cats := map[string]bool{}, map[string]bool{}, map[food.Category]int{}
	for _, c := range chosen {
		cats[c.Food.Category]++
		if c.Food.Category == food.Cheese {
			milks[c.Food.Milk], firm[c.Food.Firmness] = true, true
		}
		if c.Why == "" {
			t.Errorf("%s has no reason", c.Food.Name)
		}
	}
	if len(milks) < 2 || len(firm) < 3 || cats[food.Cheese] != 5 || cats[food.Meat] != 3 {
		t.Errorf("milks %v, firmness %v, categories %v", milks, firm, cats)
	}
}

func TestMoreGuestsNeverLessFood(t *testing.T) {
	last := 0.0
	for _, n := range []int{1, 2, 5, 8, 13, 21, 34, 80, 200, 2000} {
		tr, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: n}}, larder, board.BuiltInCabinet())
		if err != nil {
			t.Fatal(err)
		}
		b := shop.NewBasket(tr, larder)
		if total := b.OnTrayG + b.ReserveG; total < last {
			t.Errorf("%d guests get %.0f g, fewer got %.0f", n, total, last)
		} else {
			last = total
		}
	}
}

func TestPartialDiets(t *testing.T) {
	few := brief.Brief{Guests: brief.Guests{Adults: 18}, Diets: []brief.Diet{{Who: "two", Count: 2, Avoid: []string{"meat", "gluten"}}}}
	if off := few.OffTheTray(); !slices.Equal(off, []string{"gluten"}) {
		t.Errorf("off the tray: %v, want gluten only", off)
	}
}

func ExampleCover() {
	packs, grams, cost := food.Cover([]food.Pack{{Grams: 150, Price: 290}, {Grams: 400, Price: 520}}, 500)
	fmt.Println(packs, grams, cost)
	// Output: [{400 520 1} {150 290 1}] 550 810
}

// A changed brief leaves in place what it does not change.
func TestReplanKeepsPlaces(t *testing.T) {
	b := brief.Brief{Guests: brief.Guests{Adults: 10}, Board: &board.Request{ID: "rectangle-60-cherry"},
		Foods: []brief.Want{{Food: "honey", Grams: 100}, {Food: "figs", Grams: 110}, {Food: "almonds", Grams: 90}, {Food: "fresh-goat-log"}}}
	old, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	old.Title, old.Trays[0].Seed = "mine", 9
	for i := range old.Trays[0].Elements {
		e := &old.Trays[0].Elements[i]
		e.Placed, e.X, e.Y = true, float64(100+i), 50
		e.Pieces = []tray.Piece{{Outline: geom.Box(10, 10, 0), HeightMM: 5, Colour: "#aabbcc"}}
	}
	old.Trays[0].Elements[old.Trays[0].Find("figs")].Locked = true

	next := old.Clone()
	next.Brief.Foods = append(slices.Clone(b.Foods), brief.Want{Food: "walnuts", Grams: 60})
	next.Brief.Foods[1].Grams = 300 // but the figs are locked
	got, err := plan.Replan(next, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	if got.Title != "mine" || got.Trays[0].Seed != 9 {
		t.Errorf("title %q, seed %d", got.Title, got.Trays[0].Seed)
	}
	at := func(id string) tray.Element { return got.Trays[0].Elements[got.Trays[0].Find(id)] }
	if e := at("honey"); !e.Placed || e.X != old.Trays[0].Elements[old.Trays[0].Find("honey")].X {
		t.Errorf("honey moved: %+v", e)
	}
	if e := at("figs"); !e.Placed || !e.Locked || e.Count != old.Trays[0].Elements[old.Trays[0].Find("figs")].Count {
		t.Errorf("the locked figs changed: %+v", e)
	}
	if e := at("walnuts"); e.Placed {
		t.Errorf("walnuts were laid by nobody")
	}
	// another board: nothing can stay where it was
	next.Brief.Board = &board.Request{ID: "round-48-walnut"}
	if got, err = plan.Replan(next, larder, board.BuiltInCabinet()); err != nil {
		t.Fatal(err)
	}
	for _, e := range got.Trays[0].Elements {
		if e.Placed {
			t.Errorf("%s lies where another board was", e.ID)
		}
	}
	// what cannot be planned leaves the old tray alone
	next.Brief.Foods = []brief.Want{{Food: "moon"}}
	if _, err := plan.Replan(next, larder, board.BuiltInCabinet()); err == nil {
		t.Error("an unknown food was planned")
	}
}

// A little more or less of a food is no reason to lay it anew: what lies stays, and
// the difference is in reserve.
func TestReplanLeavesLaidGroups(t *testing.T) {
	old, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 12}, Month: 9}, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	for i := range old.Trays[0].Elements {
		e := &old.Trays[0].Elements[i]
		e.Placed, e.X, e.Y = true, float64(100+i), 50
		e.Pieces = []tray.Piece{{Outline: geom.Box(10, 10, 0), HeightMM: 5, Colour: "#aabbcc"}}
		if e.Kind() == food.KindLoose && e.Count > 6 { // as a search leaves it that found no room for all
			spec, _ := larder.Get(e.Food)
			s, _ := spec.Spec(e.Form)
			e.Count -= 2
			e.Grams -= 2 * s.MassG
			old.Trays[0].Reserve = append(old.Trays[0].Reserve, tray.Reserve{Food: e.Food, Form: e.Form, Grams: 2 * s.MassG, Count: 2})
		}
	}
	next := old.Clone()
	next.Brief.Foods = plan.Wants(old)
	next.Brief.Guests.Hearty = 2 // a little more of everything
	got, err := plan.Replan(next, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	fresh, err := plan.FromBrief(next.Brief, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	stayed := 0
	for _, e := range got.Trays[0].Elements {
		if e.Placed {
			stayed++
			if o := old.Trays[0].Elements[old.Trays[0].Find(e.ID)]; o.X != e.X || o.Count != e.Count {
				t.Errorf("%s was changed", e.ID)
			}
		}
	}
	if got.Trays[0].Board.ID != old.Trays[0].Board.ID || stayed < len(old.Trays[0].Elements)*8/10 {
		t.Errorf("%d of %d groups stayed, on %s", stayed, len(old.Trays[0].Elements), got.Trays[0].Board.Name)
	}
	for _, w := range plan.Wants(fresh) {
		f, _ := larder.Get(w.Food)
		if s, _ := f.Spec(w.Form); got.Trays[0].GramsOf(w.Food) < fresh.Trays[0].GramsOf(w.Food)-math.Max(3, s.MassG) {
			t.Errorf("%s: %.0f g, planned anew %.0f", w.Food, got.Trays[0].GramsOf(w.Food), fresh.Trays[0].GramsOf(w.Food))
		}
	}
	next.Brief.Guests.Adults = 30 // for so many everything is laid anew
	if got, err = plan.Replan(next, larder, board.BuiltInCabinet()); err != nil || got.Trays[0].Board.ID == old.Trays[0].Board.ID {
		t.Errorf("thirty guests on %s, %v", got.Trays[0].Board.Name, err)
	}
}

func TestBasketExplainsItself(t *testing.T) {
	tr, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 10}}, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	for _, l := range shop.NewBasket(tr, larder).Lines {
		if l.Explanation.IsZero() || l.LeftG >= 1 && !strings.Contains(l.Explanation.String(), "left over") {
			t.Errorf("%s: %q", l.Food, l.Explanation)
		}
	}
}

// A ton of everything for two thousand guests is planned, and the plan can be read again.
func TestPlanOfATonOfEverything(t *testing.T) {
	b := brief.Brief{Guests: brief.Guests{Adults: 2000}, Board: &board.Request{Shape: "rectangle", LengthMM: 3000, WidthMM: 3000}}
	for _, f := range larder.All()[:120] { // as many as a brief may name
		b.Foods = append(b.Foods, brief.Want{Food: f.ID, Grams: 1e6})
	}
	tr, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	raw, err := tr.Write()
	if err != nil {
		t.Fatal(err)
	}
	if _, err := job.Read(raw, larder); err != nil {
		t.Error(err)
	}
	if basket := shop.NewBasket(tr, larder); basket.BasketCost <= 0 {
		t.Errorf("a ton of everything costs %d", basket.BasketCost)
	}
}

// A brief may ask for a vessel, a hollowed vegetable among them, which nobody gets unasked.
func TestVesselAskedFor(t *testing.T) {
	b := brief.Brief{Guests: brief.Guests{Adults: 8}, Foods: []brief.Want{{Food: "herb-dip", Vessel: "squash-bowl"}, {Food: "honey"}, {Food: "carrot-sticks"}}}
	tr, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	got := map[string]string{}
	for _, e := range tr.Trays[0].Elements {
		got[e.Food] = e.Vessel
	}
	if got["herb-dip"] != "squash-bowl" || got["honey"] == "" {
		t.Errorf("%v", got)
	}
	for n := 2; n < 200; n *= 2 {
		tr, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: n}}, larder, board.BuiltInCabinet())
		if err != nil {
			t.Fatal(err)
		}
		for _, v := range tr.Trays[0].Vessels {
			if v.Material == board.Hollowed {
				t.Errorf("%d guests get a %s unasked", n, v.Name)
			}
		}
	}
}

// Rings and criss-cross blocks come in groups, never as single slices.
func TestRingsComeWhole(t *testing.T) {
	for _, w := range []brief.Want{{Food: "round-crackers", Form: "ring"}, {Food: "orange-block", Form: "criss-cross"}, {Food: "orange-rounds", Form: "ring"}} {
		tr, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 10}, Foods: []brief.Want{w, {Food: "almonds"}, {Food: "soft-white-round"}}}, larder, board.BuiltInCabinet())
		if err != nil {
			t.Fatal(err)
		}
		n := 0
		for _, e := range tr.Trays[0].Elements {
			if e.Food == w.Food {
				n++
				if e.Count < 4 {
					t.Errorf("%s: a ring of %d", w.Food, e.Count)
				}
			}
		}
		if n == 0 {
			t.Errorf("%s is not on the tray", w.Food)
		}
	}
}

// A tray holds every food it uses as it was, and no other.
func TestTrayKeepsItsFoods(t *testing.T) {
	tr, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 12}}, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	uses := map[string]bool{}
	for _, e := range tr.Trays[0].Elements {
		uses[e.Food] = true
	}
	for _, r := range tr.Trays[0].Reserve {
		uses[r.Food] = true
	}
	if len(tr.Foods) != len(uses) {
		t.Errorf("%d foods kept, %d used", len(tr.Foods), len(uses))
	}
	raw, err := tr.Write()
	if err != nil {
		t.Fatal(err)
	}
	empty, err := food.ReadLarder([]byte("[]"))
	if err != nil {
		t.Fatal(err)
	}
	again, err := job.Read(raw, empty)
	if err != nil {
		t.Fatalf("the tray cannot be read where its foods are unknown: %v", err)
	}
	if rewritten, err := again.Write(); err != nil || string(rewritten) != string(raw) {
		t.Error("reading and writing changes the tray")
	}
}

// What stands in the cupboard and is still good is used first: less is bought,
// the till asks less, what lies on the tray is worth the same.
func TestCupboardIsUsedFirst(t *testing.T) {
	b := brief.Brief{Guests: brief.Guests{Adults: 8}, ServeAt: "2026-12-05T19:00", Foods: []brief.Want{{Food: "honey", Grams: 100}, {Food: "almonds", Grams: 300}, {Food: "soft-white-round"}}}
	tr, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	line := func(l *food.Larder, id string) shop.Line {
		for _, x := range shop.NewBasket(tr, l).Lines {
			if x.Food == id {
				return x
			}
		}
		t.Fatalf("no line for %s", id)
		return shop.Line{}
	}
	bare := line(larder, "almonds")
	need := bare.OnTrayG + bare.ReserveG
	for _, c := range []struct {
		name  string
		stock food.Stock
		here  float64
	}{
		{"none", food.Stock{}, 0},
		{"some", food.Stock{"almonds": {{Grams: 80}}}, 80},
		{"in two lots", food.Stock{"almonds": {{Grams: 80}, {Grams: 50, BestBefore: "2026-12-05"}}}, 130},
		{"past its day when it is served", food.Stock{"almonds": {{Grams: 80, BestBefore: "2026-12-04"}}}, 0},
		{"more than enough", food.Stock{"almonds": {{Grams: 5000}}}, math.Round(need*10) / 10},
	} {
		l := line(larder.Stocked(c.stock), "almonds")
		bought := 0.0
		for _, p := range l.Packs {
			bought += p.Grams * float64(p.Count)
		}
		if math.Abs(l.CupboardG-c.here) > .06 || bought+l.CupboardG < need-.1 {
			t.Errorf("%s: %v g here, %v g bought, %v g needed", c.name, l.CupboardG, bought, need)
		}
		if l.BasketCost > bare.BasketCost || c.here >= need-.1 && (l.BasketCost != 0 || len(l.Packs) != 0) {
			t.Errorf("%s: the till says %d, without a cupboard %d", c.name, l.BasketCost, bare.BasketCost)
		}
		if l.UsedCost < bare.UsedCost*7/10 || l.UsedCost > bare.UsedCost*13/10 {
			t.Errorf("%s: what lies there is worth %d, without a cupboard %d", c.name, l.UsedCost, bare.UsedCost)
		}
		if math.Abs(l.LeftG-(bought-(need-l.CupboardG))) > .2 && bought > 0 {
			t.Errorf("%s: %v g stay over", c.name, l.LeftG)
		}
	}
	if h := line(larder.Stocked(food.Stock{"almonds": {{Grams: 80}}}), "honey"); h.CupboardG != 0 {
		t.Error("almonds stand in for honey")
	}
	if again := tr.Larder(larder.Stocked(food.Stock{"honey": {{Grams: 70}}})); again.OnHand("honey", "") != 70 {
		t.Error("a tray's own foods hide the cupboard")
	}
}

// A board that turns has no front, whatever the brief says, and is reached from every side.
func TestATurningBoardHasNoFront(t *testing.T) {
	j, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 9}, Front: "bottom", Access: []string{"left"}, Photographed: "slant", Board: &board.Request{ID: "turntable-50-ash"}}, food.BuiltIn(), board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	if b := j.Trays[0].Board; !b.Turns || b.Front != "none" || len(b.Access) != 4 {
		t.Errorf("turns: %v, front %q, %v", b.Turns, b.Front, b.Access)
	}
}
