package shop_test

import (
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/plan"
	"happytray/core/shop"
)

// at is a shop with some foods at a price for 100 g.
func at(name string, prices map[string]int) shop.Stop {
	m := food.Market{Offers: map[string]food.Offer{}}
	for id, p := range prices {
		m.Offers[id] = food.Offer{Packs: []food.Pack{{Grams: 100, Price: max(1, p)}}, Out: p < 0}
	}
	return shop.Stop{Name: name, Larder: food.BuiltIn().Priced(m)}
}

func stopsOf(l shop.List) (names []string) {
	for _, s := range l.Stops {
		names = append(names, s.Name)
	}
	return names
}

func TestTwoShops(t *testing.T) {
	jobs := []shop.Needs{{Title: "Supper", Day: "2026-12-01", Grams: map[string]float64{"honey": 100, "figs": 200, "almonds": 100}}}
	stores := at("Stores", map[string]int{"honey": 300, "figs": 500, "almonds": 200})
	hall := at("Hall", map[string]int{"figs": 300})

	list := shop.BuyAt(jobs, food.BuiltIn(), nil, []shop.Stop{stores, hall}, 300)
	if got := strings.Join(stopsOf(list), ", "); got != "Stores, Hall" || list.Cost != 300+600+200 || list.Saves != 100 {
		t.Errorf("figs are 4.00 less at the hall, whose way counts 3.00: %s, %d, saves %d", got, list.Cost, list.Saves)
	}
	for _, s := range list.Sections {
		for _, it := range s.Items {
			if want := map[string]string{"honey": "Stores", "almonds": "Stores", "figs": "Hall"}[it.Food]; s.Stop != want {
				t.Errorf("%s is bought at %s", it.Food, s.Stop)
			}
		}
	}
	if says := list.Says.String(); !strings.Contains(says, "Stores and Hall") {
		t.Error(says)
	}
	list = shop.BuyAt(jobs, food.BuiltIn(), nil, []shop.Stop{stores, hall}, 500)
	if got := strings.Join(stopsOf(list), ", "); got != "Stores" || list.Saves != 0 || !strings.Contains(list.Says.String(), "less than the way") {
		t.Errorf("with a way that counts 5.00: %s, %s", got, list.Says)
	}
	stores = at("Stores", map[string]int{"honey": 300, "figs": -1, "almonds": 200})
	list = shop.BuyAt(jobs, food.BuiltIn(), nil, []shop.Stop{stores, hall}, 5000)
	if got := strings.Join(stopsOf(list), ", "); got != "Stores, Hall" || !strings.Contains(list.Says.String(), "has no fresh figs today") {
		t.Errorf("what one shop is out of is bought at the other, whatever the way counts: %s, %s", got, list.Says)
	}
}

func TestAPackOfSeveralOnAList(t *testing.T) {
	stores := at("Stores", map[string]int{"wide-sausage": 300, "air-dried-ham": 500, "walnuts": 300, "honey": 200})
	market := food.Market{Offers: map[string]food.Offer{"wide-sausage": {Packs: []food.Pack{{Grams: 100, Price: 300}}}, "air-dried-ham": {Packs: []food.Pack{{Grams: 100, Price: 500}}}},
		Mixed: []food.Mixed{{Name: "Cold cuts", Price: 450, Holds: []food.Held{{Food: "wide-sausage", Grams: 60}, {Food: "air-dried-ham", Grams: 60}, {Food: "walnuts", Grams: 30}}}}}
	stores.Larder = food.BuiltIn().Priced(market)
	needs := shop.Needs{Title: "Supper", Grams: map[string]float64{"wide-sausage": 50, "air-dried-ham": 60}}
	list := shop.BuyAt([]shop.Needs{needs}, food.BuiltIn(), nil, []shop.Stop{stores}, 0)
	if list.Cost != 450 || len(list.Sections) != 2 || list.Sections[0].Items[0].Name != "Cold cuts" || list.Items != 2 {
		t.Fatalf("%+v", list)
	}
	if says := list.Sections[0].Items[0].Buys().String(); !strings.Contains(says, "it holds 60 g of salami") {
		t.Error(says)
	}
	for _, it := range list.Sections[1].Items {
		if says := it.Buys().String(); it.Cost != 0 || says != "in Cold cuts" {
			t.Errorf("%s: %d, %s", it.Food, it.Cost, says)
		}
	}
	needs.Avoid = []string{"nuts"} // which lie in the same pack
	if list := shop.BuyAt([]shop.Needs{needs}, food.BuiltIn(), nil, []shop.Stop{stores}, 0); list.Cost != 800 {
		t.Errorf("a pack with walnuts comes to a guest who avoids nuts: %+v", list)
	}
}

// Whatever shops ask, a list costs no more than at any one of them that lacks nothing, all needs are covered, and the sums agree.
func TestSplitIsNeverDearer(t *testing.T) {
	r := rand.New(rand.NewPCG(9, 4))
	ids := food.BuiltIn().IDs()
	for n := range 120 {
		needs := shop.Needs{Title: "Supper", Grams: map[string]float64{}}
		var stops []shop.Stop
		for range 1 + r.IntN(14) {
			needs.Grams[ids[r.IntN(len(ids))]] = float64(1 + r.IntN(800))
		}
		for k := range 1 + r.IntN(4) {
			prices := map[string]int{}
			for _, id := range ids {
				if _, ok := needs.Grams[id]; ok && r.IntN(5) > 0 {
					prices[id] = 50 + r.IntN(400)
				}
			}
			prices["honey"] = 300
			stops = append(stops, at(string(rune('A'+k)), prices))
		}
		perStop := r.IntN(600)
		list := shop.BuyAt([]shop.Needs{needs}, food.BuiltIn(), nil, stops, perStop)
		sum, foods := 0, 0
		for _, s := range list.Sections {
			for _, it := range s.Items {
				got := 0.0
				for _, p := range it.Packs {
					got += p.Grams * float64(p.Count)
					sum += p.Price * p.Count
				}
				f, _ := food.BuiltIn().Get(it.Food)
				if foods++; got < it.NeedG-.1 && len(f.Packs) > 0 {
					t.Errorf("%d: %.0f of %.0f g of %s", n, got, it.NeedG, it.Food)
				}
			}
		}
		if sum != list.Cost || foods != len(needs.Grams) || list.Items != foods {
			t.Errorf("%d: the lines come to %d, the list says %d; %d of %d foods", n, sum, list.Cost, foods, len(needs.Grams))
		}
		way := perStop * max(0, len(list.Stops)-1)
		for _, s := range stops {
			whole := true
			for id := range needs.Grams {
				whole = whole && s.Larder.Sells(id)
			}
			if one := shop.Buy([]shop.Needs{needs}, s.Larder, nil); whole && one.Cost < list.Cost+way {
				t.Errorf("%d: %d and the way %d, all of it at %s %d", n, list.Cost, way, s.Name, one.Cost)
			}
		}
	}
}

func BenchmarkFourShops(b *testing.B) {
	r := rand.New(rand.NewPCG(1, 1))
	ids := food.BuiltIn().IDs()
	needs := shop.Needs{Grams: map[string]float64{}}
	for range 60 {
		needs.Grams[ids[r.IntN(len(ids))]] = float64(100 + r.IntN(3000))
	}
	var stops []shop.Stop
	for k := range 4 {
		prices := map[string]int{}
		for _, id := range ids {
			prices[id] = 50 + r.IntN(400)
		}
		stops = append(stops, at(string(rune('A'+k)), prices))
	}
	for b.Loop() {
		shop.BuyAt([]shop.Needs{needs}, food.BuiltIn(), nil, stops, 300)
	}
}

// What a job is said to cost and what its list asks for are the same packs.
func TestABasketIsItsList(t *testing.T) {
	larder := food.BuiltIn()
	for n := range 60 {
		b := brief.Brief{Guests: brief.Guests{Adults: []int{3, 6, 12, 40}[n%4]}, Month: 1 + n%12, Choice: n / 12}
		for i, f := range larder.All() {
			if n < 30 && i%30 == n && len(f.Packs) > 0 && f.Category != food.NotFood { // just what a pack yields
				b.Foods = append(b.Foods, brief.Want{Food: f.ID, Grams: math.Floor(f.Packs[0].Grams * f.YieldAs(f.Forms[0].Form))})
			}
		}
		j, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
		if err != nil {
			t.Fatal(err)
		}
		basket, list := shop.NewBasket(j, larder), shop.Buy([]shop.Needs{shop.NeedsOf(j, larder)}, larder, nil)
		if basket.BasketCost != list.Cost {
			t.Errorf("%d: the basket costs %d, the list %d", n, basket.BasketCost, list.Cost)
			for _, l := range basket.Lines {
				for _, s := range list.Sections {
					for _, it := range s.Items {
						if it.Food == l.Food && it.Cost != l.BasketCost {
							t.Logf("%s: %v for %.1f g as bought, on the list %v for %.1f g", l.Food, l.Packs, l.BoughtG, it.Packs, it.NeedG)
						}
					}
				}
			}
		}
	}
}
