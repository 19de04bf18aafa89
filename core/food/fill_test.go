package food_test

import (
	"maps"
	"math/rand/v2"
	"slices"
	"testing"

	"happytray/core/food"
)

// selection is a larder with packs of several foods.
func selection(mixed ...food.Mixed) *food.Larder {
	return food.BuiltIn().Priced(food.Market{Offers: map[string]food.Offer{
		"wide-sausage":   {Packs: []food.Pack{{Grams: 100, Price: 300}}},
		"air-dried-ham":  {Packs: []food.Pack{{Grams: 100, Price: 500}}},
		"pepper-sausage": {Packs: []food.Pack{{Grams: 150, Price: 350}}},
	}, Mixed: mixed})
}

func TestOnePackOfSeveralFoods(t *testing.T) {
	cuts := food.Mixed{Name: "Three cold cuts", Price: 450, Holds: []food.Held{{Food: "wide-sausage", Grams: 60}, {Food: "air-dried-ham", Grams: 60}, {Food: "coppa", Grams: 40}}}
	l := selection(cuts)
	needs := map[string]float64{"wide-sausage": 50, "air-dried-ham": 60}
	got := l.Fill(needs, nil)
	if got.Cost != 450 || len(got.Mixed) != 1 || got.Mixed[0].Count != 1 {
		t.Fatalf("two foods that one pack holds for 4.50, by themselves 8.00: %+v", got)
	}
	if a, b := got.Of["wide-sausage"], got.Of["air-dried-ham"]; a.Grams != 60 || b.Grams != 60 || a.Cost+b.Cost != 450 || a.Cost >= b.Cost || len(a.Packs) > 0 {
		t.Errorf("its money is shared by what its foods are worth: %+v, %+v", a, b)
	}
	if got := l.Fill(map[string]float64{"wide-sausage": 50}, nil); len(got.Mixed) > 0 || got.Cost != 300 {
		t.Errorf("one food alone: %+v", got)
	}
	if got := l.Fill(needs, func(food.Mixed) bool { return false }); len(got.Mixed) > 0 || got.Cost != 800 {
		t.Errorf("a pack that may not be bought: %+v", got)
	}
	if got := l.Fill(map[string]float64{"wide-sausage": 160, "air-dried-ham": 60}, nil); got.Cost != 750 {
		t.Errorf("what the pack leaves is bought beside it: %+v", got)
	}
}

// Whatever is needed is there, it costs no more than without packs of several foods, and the lines come to the whole.
func TestFillCovers(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 1))
	ids := food.BuiltIn().IDs()
	some := func() string { return ids[r.IntN(len(ids))] }
	saved := 0
	for range 300 {
		var mixed []food.Mixed
		needs := map[string]float64{}
		for range 2 + r.IntN(10) {
			needs[some()] = float64(r.IntN(900))
		}
		for range r.IntN(20) {
			m := food.Mixed{Name: "mix", Price: 100 + r.IntN(900)}
			for _, id := range slices.Sorted(maps.Keys(needs)) {
				if r.IntN(3) == 0 {
					m.Holds = append(m.Holds, food.Held{Food: id, Grams: float64(20 + r.IntN(200))})
				}
			}
			m.Holds = append(m.Holds, food.Held{Food: some() + "?", Grams: 50})
			mixed = append(mixed, m)
		}
		offers := map[string]food.Offer{"honey": {Packs: []food.Pack{{Grams: 100, Price: 100}}}}
		with, without := food.BuiltIn().Priced(food.Market{Offers: offers, Mixed: mixed}), food.BuiltIn().Priced(food.Market{Offers: offers})
		got, plain := with.Fill(needs, nil), without.Fill(needs, nil)
		if got.Cost > plain.Cost {
			t.Fatalf("%d with packs of several foods, %d without", got.Cost, plain.Cost)
		}
		if got.Cost < plain.Cost {
			saved++
		}
		sum, there := 0, map[string]float64{}
		for _, m := range got.Mixed {
			for _, h := range m.Holds {
				there[h.Food] += h.Grams * float64(m.Count)
			}
		}
		for id, b := range got.Of {
			sum += b.Cost
			for _, p := range b.Packs {
				there[id] += p.Grams * float64(p.Count)
			}
			if f, _ := with.Get(id); there[id] < needs[id]-.01 && len(with.PacksOf(f)) > 0 {
				t.Fatalf("%s: %.1f of %.1f g", id, there[id], needs[id])
			}
			if d := there[id] - b.Grams; d > .01 || d < -.01 {
				t.Fatalf("%s: %.1f g told, %.1f g there", id, b.Grams, there[id])
			}
		}
		if sum != got.Cost {
			t.Fatalf("the lines come to %d, the till says %d", sum, got.Cost)
		}
	}
	if saved < 60 {
		t.Errorf("packs of several foods save on %d of 300", saved)
	}
}

func BenchmarkFill(b *testing.B) {
	l := food.BuiltIn()
	ids := l.IDs()
	needs := map[string]float64{}
	for i := range 26 {
		needs[ids[i*11]] = float64(80 + 40*i)
	}
	var mixed []food.Mixed
	for i := range 12 {
		mixed = append(mixed, food.Mixed{Name: "mix", Price: 500, Holds: []food.Held{{Food: ids[i*22], Grams: 60}, {Food: ids[(i*22+11)%286], Grams: 60}}})
	}
	l = l.Priced(food.Market{Offers: map[string]food.Offer{"honey": {Packs: []food.Pack{{Grams: 100, Price: 100}}}}, Mixed: mixed})
	for b.Loop() {
		l.Fill(needs, nil)
	}
}
