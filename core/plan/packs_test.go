package plan_test

import (
	"math"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/plan"
	"happytray/core/shop"
)

func fromPacks(t *testing.T, raw string) *job.Job {
	t.Helper()
	b, err := brief.Read([]byte(raw))
	if err != nil {
		t.Fatal(raw, err)
	}
	j, err := plan.FromBrief(b, food.BuiltIn(), board.BuiltInCabinet())
	if err != nil {
		t.Fatal(raw, err)
	}
	return j
}

// What the host has in packs is on the board with what its packs give, nothing of it is bought, and at most three foods beside it.
func TestPacksAreUsed(t *testing.T) {
	j := fromPacks(t, `{"guests":{"adults":8},"packs":[{"food":"camembert","grams":250},{"food":"cheddar","grams":400},{"food":"salami","grams":100,"count":2},{"food":"grapes","grams":500},{"food":"olives","grams":180}]}`)
	basket := shop.NewBasket(j, j.Larder(food.BuiltIn()))
	bought := 0
	for _, l := range basket.Lines {
		f, _ := food.BuiltIn().Get(l.Food)
		there := j.Brief.PackG()[l.Food]
		switch {
		case there > 0 && len(l.Packs) > 0:
			t.Errorf("%s is there and %v bought", l.Name, l.Packs)
		case there > 0:
			if got := (l.OnTrayG + l.ReserveG) / there / f.YieldAs(f.Forms[0].Form); got < .93 || got > 1.001 {
				t.Errorf("%.2f of the %s is used", got, l.Name)
			}
		case len(l.Packs) > 0:
			bought++
		}
	}
	if bought == 0 || bought > 3 {
		t.Errorf("%d foods are bought", bought)
	}
	if needs := shop.NeedsOf(j, food.BuiltIn()); len(needs.Grams) != bought {
		t.Errorf("the shopping list has %d foods and the basket %d", len(needs.Grams), bought)
	}
	if !strings.Contains(j.Says[0].String(), "for about 12 guests") {
		t.Errorf("says %q", j.Says)
	}
}

// Without guests a brief is for as many as its packs carry; packs for more carry more.
func TestGuestsFollowFromPacks(t *testing.T) {
	last := 0
	for _, count := range []string{"1", "2", "4"} {
		j := fromPacks(t, `{"packs":[{"food":"cheddar","grams":300,"count":`+count+`},{"food":"salami","grams":200,"count":`+count+`},{"food":"grapes","grams":400,"count":`+count+`},{"food":"round-crackers","grams":250,"count":`+count+`}]}`)
		n := j.Brief.Guests.Total()
		if last > 0 && n < 2*last-1 || n < 4 {
			t.Errorf("%s times: for %d", count, n)
		}
		last = n
	}
}

// Without any shopping only what is there is on the board; more than is eaten stays in its packs.
func TestNothingIsBoughtWhereNothingMayBe(t *testing.T) {
	j := fromPacks(t, `{"guests":{"adults":4},"buys_at_most":0,"packs":[{"food":"brie","grams":1000,"count":3},"crackers"]}`)
	for _, l := range shop.NewBasket(j, j.Larder(food.BuiltIn())).Lines {
		if len(l.Packs) > 0 {
			t.Errorf("%v of %s", l.Packs, l.Name)
		}
		if l.OnTrayG+l.ReserveG > 470 {
			t.Errorf("%.0f g of %s for four", l.OnTrayG+l.ReserveG, l.Name)
		}
	}
	if says := j.Says[0].String(); !strings.Contains(says, "stays in its packs") {
		t.Error(says)
	}
	stocked := food.BuiltIn().Stocked(food.Stock{"orange-block": {{Grams: 300}}, "round-crackers": {{Grams: 200}}})
	j, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 4}, Buys: new(int)}, stocked, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	var on []string
	for _, f := range j.Foods {
		on = append(on, f.ID)
	}
	if slices.Sort(on); !slices.Equal(on, []string{"orange-block", "round-crackers"}) {
		t.Errorf("from the cupboard alone: %v", on)
	}
}

// Plates from one set of packs buy no more foods together than one board would, and what a guest avoids is on none of theirs.
func TestPlatesShareThePacks(t *testing.T) {
	j := fromPacks(t, `{"guests":{"adults":6},"diets":[{"who":"Ida","count":1,"avoid":["gluten"]}],"serving":"plates","packs":[{"food":"gouda","grams":500},{"food":"ham","grams":200},{"food":"honey","grams":250}]}`)
	bought := 0
	for _, l := range shop.NewBasket(j, j.Larder(food.BuiltIn())).Lines {
		if len(l.Packs) > 0 {
			bought++
		}
	}
	if bought > 3 {
		t.Errorf("%d foods are bought", bought)
	}
}

// Whatever packs there are: no more of a food is used than there is, no more foods are bought than may be, and what guests avoid stays off.
func TestPacksOfAllKinds(t *testing.T) {
	larder := food.BuiltIn()
	all := larder.All()
	for seed := range uint64(80) {
		r := rand.New(rand.NewPCG(seed, 25))
		b := brief.Brief{Guests: brief.Guests{Adults: r.IntN(24)}, Occasion: []string{"", "grazing", "meal"}[r.IntN(3)], Choice: r.IntN(3)}
		for range 1 + r.IntN(7) {
			f := &all[r.IntN(len(all))]
			if f.Category != food.NotFood && f.Category != food.Garnish && !b.HasPacks(f.ID) {
				b.Packs = append(b.Packs, brief.Pack{Food: f.ID, Grams: 80 + float64(r.IntN(500)), Count: r.IntN(3)})
			}
		}
		if len(b.Packs) == 0 {
			continue
		}
		most := r.IntN(4)
		b.Buys = &most
		j, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
		if err != nil {
			t.Errorf("%d: %v", seed, err)
			continue
		}
		bought := 0
		for _, l := range shop.NewBasket(j, j.Larder(larder)).Lines {
			f, _ := larder.Get(l.Food)
			if there := j.Brief.PackG()[l.Food]; there > 0 && l.LeftG+float64(l.BasketCost) > 0 {
				t.Errorf("%d: %.0f g of %s in packs, and %v bought for %.1f + %.1f g (%s)", seed, there, f.Name, l.Packs, l.OnTrayG, l.ReserveG, f.Forms[0].Form)
			}
			if len(l.Packs) > 0 {
				bought++
			}
			if l.Packs != nil && math.IsNaN(l.OnTrayG) {
				t.Errorf("%d: %s", seed, l.Food)
			}
		}
		if bought > most {
			t.Errorf("%d: %d bought, %d at most", seed, bought, most)
		}
	}
}

// What guests avoid stays in its pack, and so does what the host banned; the board is made of the rest.
func TestPacksThatStayClosed(t *testing.T) {
	j := fromPacks(t, `{"guests":{"adults":4},"diets":[{"who":"Ida","count":1,"avoid":["milk"]}],"packs":["brie",{"food":"salami","grams":200},"olives"],"bans":["olives"]}`)
	for _, f := range j.Foods {
		if f.Holds("milk") || f.ID == "green-olives" || f.Name == "Olives" {
			t.Errorf("%s is on the board", f.Name)
		}
	}
	if says := j.Says[0].String(); !strings.Contains(says, "Guests avoid what is in brie, so it stays in its pack") || strings.Contains(says, "Olives") {
		t.Error(says)
	}
}

// A list as somebody in front of a fridge writes it.
func TestReadPacks(t *testing.T) {
	got, unknown, err := plan.ReadPacks("2 x 200 g brie\nolives, 180 g\n3 packs of crackers\n- 1.5 kg grapes\n4 oz salami\n\nxyzzy 20 g\n2 jars honey", food.BuiltIn())
	if err != nil {
		t.Fatal(err)
	}
	want := []struct {
		grams float64
		count int
	}{{200, 2}, {180, 0}, {0, 3}, {1500, 0}, {113.4, 0}, {0, 2}}
	if len(got) != len(want) || len(unknown) != 1 || unknown[0] != "xyzzy 20 g" {
		t.Fatalf("%+v, not known %q", got, unknown)
	}
	for i, w := range want {
		if got[i].Count != w.count || w.grams > 0 && math.Abs(got[i].Grams-w.grams) > .1 || got[i].Grams <= 0 {
			t.Errorf("%d: %+v, want %v", i, got[i], w)
		}
	}
	if got, _, err := plan.ReadPacks("1,5 kg grapes, 2 x 200 g brie", food.BuiltIn()); err != nil || len(got) != 2 || got[0].Grams != 1500 || got[1].Grams != 200 || got[1].Count != 2 {
		t.Errorf("with a comma in an amount: %+v %v", got, err)
	}
	if _, _, err := plan.ReadPacks(strings.Repeat("brie\n", 100), food.BuiltIn()); err == nil {
		t.Error("a hundred rows are read")
	}
}

func TestBadPacks(t *testing.T) {
	for raw, want := range map[string]string{
		`{"guests":{"adults":0}}`:                                             "guests",
		`{"packs":[]}`:                                                        "guests",
		`{"packs":[{"food":"brie","grams":-3}]}`:                              "packs[0].grams",
		`{"packs":[{"food":"brie","grams":1e9}]}`:                             "packs[0].grams",
		`{"packs":[{"food":"brie","count":-1}]}`:                              "packs[0].count",
		`{"packs":[{"grams":100}]}`:                                           "packs[0].food",
		`{"packs":["zzzzqqq"]}`:                                               "packs[0]",
		`{"packs":["brie"],"buys_at_most":-1}`:                                "buys_at_most",
		`{"guests":{"adults":4},"packs":[{"food":"brie","name":"<b>x</b>"}]}`: "packs[0].name",
		`{"guests":{"adults":4},"buys_at_most":0}`:                            "buys_at_most",
	} {
		b, err := brief.Read([]byte(raw))
		if err == nil {
			_, err = plan.FromBrief(b, food.BuiltIn(), board.BuiltInCabinet())
		}
		if err == nil || !strings.Contains(err.Error(), want) {
			t.Errorf("%s: %v, should name %s", raw, err, want)
		}
	}
}
