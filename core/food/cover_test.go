package food

import (
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"testing"
	"time"
)

// cheapest is the oracle: the least that covers a need, by trying what each pack as
// the last one leaves to be covered, in hundredths of a gram.
func cheapest(packs []Pack, need float64) int {
	n := int(math.Ceil(need*100 - 1e-6))
	cost := make([]int, n+1)
	for left := 1; left <= n; left++ {
		cost[left] = math.MaxInt
		for _, p := range packs {
			if g := int(math.Round(p.Grams * 100)); g > 0 {
				cost[left] = min(cost[left], cost[max(0, left-g)]+p.Price)
			}
		}
	}
	return cost[n]
}

func TestCover(t *testing.T) {
	oz := []Pack{{Grams: 28.35, Price: 120}, {Grams: 113, Price: 400}, {Grams: 170, Price: 560}, {Grams: 227, Price: 700}, {Grams: 340, Price: 990}, {Grams: 454, Price: 1240}}
	for _, c := range []struct {
		name  string
		packs []Pack
		need  float64
		buy   string
	}{
		{"one that is no multiple of five", []Pack{{Grams: 113, Price: 300}}, 113, "[{113 300 1}]"},
		{"one of two sizes", []Pack{{Grams: 113, Price: 300}, {Grams: 227, Price: 550}}, 227, "[{227 550 1}]"},
		{"under five grams", []Pack{{Grams: 1, Price: 40}, {Grams: 4, Price: 90}}, 9, "[{4 90 2} {1 40 1}]"},
		{"a tenth of a gram", []Pack{{Grams: .1, Price: 2}}, 1, "[{0.1 2 10}]"},
		{"an ounce", oz, 28.35, "[{28.35 120 1}]"},
		{"a little over an ounce", oz, 28.36, "[{28.35 120 2}]"},
		{"a pound", oz, 454, "[{454 1240 1}]"},
		{"a pound and a crumb", oz, 454.1, "[{454 1240 1} {28.35 120 1}]"},
		{"the larger one is cheaper", []Pack{{Grams: 100, Price: 500}, {Grams: 300, Price: 450}}, 90, "[{300 450 1}]"},
		{"nothing", oz, 0, "[]"},
		{"less than nothing", oz, -5, "[]"},
		{"no number", oz, math.NaN(), "[]"},
		{"no packs", nil, 100, "[]"},
		{"packs of nothing", []Pack{{Grams: 0, Price: 5}, {Grams: math.NaN(), Price: 5}, {Grams: math.Inf(1), Price: 5}, {Grams: .001, Price: 5}}, 100, "[]"},
	} {
		if buy, _, _ := Cover(c.packs, c.need); fmt.Sprint(buy) != c.buy {
			t.Errorf("%s: %v, want %s", c.name, buy, c.buy)
		}
	}
}

func TestCoverIsTheCheapest(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 14))
	for i := range 3000 {
		packs := make([]Pack, 1+r.IntN(6))
		for k := range packs {
			g := []float64{math.Round(r.Float64()*30000) / 100, float64(1 + r.IntN(500)), []float64{28.35, 113, 170, 227, 340, 454}[r.IntN(6)], .1 + r.Float64()*4}[r.IntN(4)]
			g = math.Max(.01, math.Round(g*100)/100)
			packs[k] = Pack{Grams: g, Price: 1 + r.IntN(1000)}
			if r.IntN(3) == 0 { // about the same by weight, which is hardest
				packs[k].Price = max(1, int(math.Round(g*2.3)))
			}
		}
		need := math.Round(r.Float64()*float64([]int{2000, 40000, 100000}[r.IntN(3)])) / 100
		buy, bought, cost := Cover(packs, need)
		if want := cheapest(packs, need); cost != want {
			t.Fatalf("case %d: %.2f g of %v costs %d with %v, and %d is enough", i, need, packs, cost, buy, want)
		}
		g, sum := 0.0, 0
		for _, b := range buy {
			g += b.Grams * float64(b.Count)
			sum += b.Price * b.Count
			if !slices.Contains(packs, Pack{Grams: b.Grams, Price: b.Price}) {
				t.Fatalf("case %d: nobody sells %v", i, b)
			}
		}
		if g < need-1e-6 || math.Abs(g-bought) > 1e-6 || sum != cost {
			t.Fatalf("case %d: %v holds %.2f g for %d, told %.2f g for %d, needed %.2f", i, buy, g, sum, bought, cost, need)
		}
	}
}

// Packs may come from a file: however they are made, an answer comes soon and holds.
func TestCoverOfHostilePacks(t *testing.T) {
	same := func(grams ...float64) (out []Pack) {
		for _, g := range grams {
			out = append(out, Pack{Grams: g, Price: max(1, int(g*7))})
		}
		return out
	}
	r := rand.New(rand.NewPCG(1, 1))
	cases := map[string][]Pack{
		"tiny":           {{Grams: .1, Price: 1e7}},
		"huge":           {{Grams: 100000, Price: 1e7}, {Grams: .1, Price: 1}},
		"alike, coprime": same(99991, 99989, 99971, 99961, 99929, 99923, 99907, 99901, 99881, 99877, 99871, 99859),
		"even needs odd": same(200, 202, 204, 206, 208, 210, 212, 214, 216, 218, 220, 222),
		"one step apart": {{Grams: 1000, Price: 1000}, {Grams: 999.9, Price: 999}, {Grams: 999.8, Price: 998}, {Grams: 999.7, Price: 997}, {Grams: 999.6, Price: 996}, {Grams: 999.5, Price: 995}, {Grams: 999.4, Price: 994}, {Grams: 999.3, Price: 993}, {Grams: 999.2, Price: 992}, {Grams: 999.1, Price: 991}, {Grams: 999, Price: 990}, {Grams: 998.9, Price: 989}},
	}
	for i := range 60 {
		var packs []Pack
		for range 12 {
			g := math.Round(math.Exp(r.Float64()*13)*10) / 10
			packs = append(packs, Pack{Grams: math.Max(.1, math.Min(1e5, g)), Price: max(1, int(g*(1+.001*r.Float64())))})
		}
		cases[fmt.Sprint("random ", i)] = packs
	}
	for name, packs := range cases {
		for _, need := range []float64{.05, 1, 113.7, 9999.9, 123456.7, 1e8, 1e30, math.Inf(1)} {
			began := time.Now()
			_, bought, cost := Cover(packs, need)
			if took := time.Since(began); took > time.Second {
				t.Errorf("%s, %g g: %v", name, need, took)
			}
			if bought < math.Min(need, 1e8)-1e-3 || cost <= 0 {
				t.Errorf("%s, %g g: %g g for %d", name, need, bought, cost)
			}
		}
	}
}

func BenchmarkCover(b *testing.B) {
	oz := []Pack{{Grams: 28.35, Price: 120}, {Grams: 113, Price: 400}, {Grams: 170, Price: 560}, {Grams: 227, Price: 700}, {Grams: 340, Price: 990}, {Grams: 454, Price: 1240}}
	for b.Loop() {
		Cover(oz, 1733)
	}
}
