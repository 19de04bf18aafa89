package plan_test

import (
	"encoding/json"
	"math"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"happytray/core/amount"
	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/pick"
	"happytray/core/plan"
	"happytray/core/plan/plantest"
	"happytray/core/portion"
	"happytray/core/price"
	"happytray/core/shop"
	"happytray/core/tray"
)

// anyBrief is a made-up brief; r decides everything about it.
func anyBrief(r *rand.Rand) brief.Brief {
	b := brief.Brief{Guests: brief.Guests{Adults: 1 + r.IntN(50), Children: r.IntN(8)}, Month: r.IntN(13),
		Occasion: []string{"", "grazing", "meal"}[r.IntN(3)], Course: []string{"", "", "savoury", "sweet"}[r.IntN(4)],
		Besides: []string{"", "some", "plenty"}[r.IntN(3)], LastsMinutes: float64(r.IntN(3) * 90)}
	for range r.IntN(3) {
		d := brief.Diet{Who: "some", Count: r.IntN(1 + b.Guests.Total()/2)}
		words := append(slices.Clone(brief.Allergens), brief.DietWords...)
		for range 1 + r.IntN(2) {
			d.Avoid = append(d.Avoid, words[r.IntN(len(words))])
		}
		b.Diets = append(b.Diets, d)
	}
	switch r.IntN(5) {
	case 0:
		b.Serving = "plates"
	case 1:
		b.Boards = []board.Request{{ID: "rectangle-60-cherry"}, {ID: "round-48-walnut"}, {ID: "oval-62-walnut"}}[:2+r.IntN(2)]
	case 2:
		b.Rules = &brief.Rules{Vegetarians: "separate"}
	}
	return b
}

// foodsOf adds up the grams of every food on the trays of a made and in reserve.
func foodsOf(t *job.Job) map[string]float64 {
	return t.GramsOf()
}

// Whatever the brief: no tray holds what its guests avoid, each holds something,
// packs cover what is needed, costs add up to the cent, the file can be read again.
func TestPlansHold(t *testing.T) {
	r := rand.New(rand.NewPCG(8, 15))
	cabinet := board.BuiltInCabinet()
	for n := range plantest.Cases(120) {
		b := anyBrief(r)
		made, err := plan.FromBrief(b, larder, cabinet)
		if err != nil {
			if !strings.Contains(err.Error(), "diets") {
				t.Fatalf("%d: %v", n, err)
			}
			continue
		}
		for _, one := range made.Trays {
			off := one.Brief.OffTheTray()
			if len(one.Elements) == 0 {
				t.Errorf("%d: an empty tray for %+v", n, one.Part)
			}
			for _, e := range one.Elements {
				if f, _ := larder.Get(e.Food); f.Breaks(off) != "" {
					t.Errorf("%d: %s on a tray without %v", n, f.Name, off)
				}
			}
		}
		if b.Plates() {
			plates := 0
			for _, one := range made.Trays {
				plates += one.Copies()
			}
			if counted := overlapping(b); !counted && plates != b.Guests.Total() {
				t.Errorf("%d: %d plates for %d guests, %+v", n, plates, b.Guests.Total(), b.Diets)
			}
		}
		basket := shop.NewBasket(made, larder)
		cost, used := 0, 0
		for _, l := range basket.Lines {
			bought, line := 0.0, 0
			for _, p := range l.Packs {
				bought += p.Grams * float64(p.Count)
				line += p.Price * p.Count
			}
			if need := l.OnTrayG + l.ReserveG - l.CupboardG; bought < need-.11 || line != l.BasketCost || l.UsedCost > l.BasketCost {
				t.Errorf("%d: %s needs %.1f g, %.1f are bought; %d is %d", n, l.Food, need, bought, line, l.BasketCost)
			}
			if l.Explanation.IsZero() || strings.Contains(l.Explanation.String(), "NaN") {
				t.Errorf("%d: %s explains itself with %q", n, l.Food, l.Explanation)
			}
			cost += line
			used += l.UsedCost
		}
		if cost != basket.BasketCost || used != basket.UsedCost {
			t.Errorf("%d: lines come to %d and %d, the basket says %d and %d", n, cost, used, basket.BasketCost, basket.UsedCost)
		}
		raw, err := made.Write()
		if err != nil {
			t.Fatal(err)
		}
		again, err := job.Read(raw, larder)
		if err != nil {
			t.Fatalf("%d: %v", n, err)
		}
		if twice, _ := json.Marshal(again); string(twice) != string(raw) {
			t.Errorf("%d: the file reads as another", n)
		}
	}
}

// overlapping reports whether diets name more guests than there are in all.
func overlapping(b brief.Brief) bool {
	n := 0
	for _, d := range b.Diets {
		n += d.Count
	}
	return n > b.Guests.Total()
}

// More guests never get less in all, and every guest gets one of what everybody wants.
func TestMonotoneInGuests(t *testing.T) {
	for _, occasion := range []string{"nibble", "grazing", "meal"} {
		last := 0.0
		for n := 1; n <= 120; n += 1 + n/6 {
			b := brief.Brief{Guests: brief.Guests{Adults: n}, Occasion: occasion, Month: 9}
			chosen, err := pick.Pick(b, larder, pick.Under{})
			if err != nil {
				t.Fatal(err)
			}
			all := 0.0
			for _, a := range amount.Apportion(b, chosen) {
				all += a.Grams
				spec, _ := a.Food.Spec(a.Form)
				takers := float64(n)
				if food.WholeG(spec) > 0 {
					takers *= .8 * a.Food.Liking // a round is cut finer, to sixteenths, before it is more than its part of the cheese
				}
				if a.Food.Liking >= portion.Wanted && !amount.OneByOne(spec) && a.Food.Category != food.Garnish && a.Grams < spec.MassG*takers-1e-6 {
					t.Errorf("%d guests, %s: %.0f g of %s is not one for each", n, occasion, a.Grams, a.Food.Name)
				}
				if a.Why.IsZero() || !strings.HasSuffix(a.Why.String(), ".") {
					t.Errorf("%s explains itself with %q", a.Food.Name, a.Why)
				}
			}
			if all < last-1e-6 {
				t.Errorf("%d guests, %s: %.0f g, fewer guests had %.0f", n, occasion, all, last)
			}
			last = all
		}
	}
}

// What is set by hand holds, and the rest of its kind makes up for it.
func TestTheRestMakesUpForWhatIsSet(t *testing.T) {
	b := brief.Brief{Guests: brief.Guests{Adults: 20}, Occasion: "grazing", Month: 9}
	chosen, err := pick.Pick(b, larder, pick.Under{})
	if err != nil {
		t.Fatal(err)
	}
	of := func(amounts []amount.Amount, c food.Category) (sum float64) {
		for _, a := range amounts {
			if a.Food.Category == c {
				sum += a.Grams * a.Food.EatenShare()
			}
		}
		return sum
	}
	before := amount.Apportion(b, chosen)
	for i, a := range before {
		if a.Food.Category != food.Nut {
			continue
		}
		for _, times := range []float64{.5, 1.4, 30} {
			set := slices.Clone(chosen)
			set[i].Grams = math.Round(a.Grams * times)
			after := amount.Apportion(b, set)
			if after[i].Grams != set[i].Grams {
				t.Errorf("set to %v, it is %v", set[i].Grams, after[i].Grams)
			}
			spent := true // all the others have the least that is left of them
			for k := range after {
				spent = spent && (k == i || after[k].Food.Category != food.Nut || after[k].Grams < .41*before[k].Grams)
			}
			if was, is := of(before, food.Nut), of(after, food.Nut); times < 2 && !spent && math.Abs(was-is) > 1 {
				t.Errorf("%.1f times: nuts come to %.0f g, they were %.0f", times, is, was)
			}
			for k := range after {
				if k != i && after[k].Grams < .39*before[k].Grams {
					t.Errorf("nothing is left of %s", after[k].Food.Name)
				}
			}
		}
	}
}

// A substitute keeps every diet, wherever it is put.
func TestSubstitutionKeepsDiets(t *testing.T) {
	r := rand.New(rand.NewPCG(16, 23))
	for range 40 {
		b := anyBrief(r)
		chosen, err := pick.Pick(b, larder, pick.Under{})
		if err != nil {
			continue
		}
		var on []*food.Food
		for _, c := range chosen {
			on = append(on, c.Food)
		}
		c := chosen[r.IntN(len(chosen))]
		for _, s := range pick.Substitutes(b, c.Food, c.Form, on, larder, 5) {
			if w := s.Food.Breaks(b.OffTheTray()); w != "" {
				t.Errorf("%s for %s contains %s", s.Food.Name, c.Food.Name, w)
			}
		}
	}
}

func TestBoardsShareFairly(t *testing.T) {
	for _, boards := range [][]board.Request{{{ID: "plank-100-oak"}, {ID: "plank-100-oak"}}, {{ID: "rectangle-60-cherry"}, {ID: "rectangle-52-ash"}, {ID: "round-48-walnut"}}} {
		b := brief.Brief{Guests: brief.Guests{Adults: 24}, Month: 9, Boards: boards}
		made, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
		if err != nil {
			t.Fatal(err)
		}
		trays := made.Trays
		if len(trays) != len(boards) {
			t.Fatalf("%d trays on %d boards", len(trays), len(boards))
		}
		total := map[food.Category]float64{}
		for _, one := range trays {
			for _, e := range one.Elements {
				total[e.Category] += e.Grams
			}
		}
		for i, one := range trays {
			if one.Part == nil || one.Part.Number != i+1 || one.Part.Of != len(trays) || one.Part.Share <= 0 {
				t.Errorf("part %+v", one.Part)
			}
			has := map[food.Category]float64{}
			for _, e := range one.Elements {
				has[e.Category] += e.Grams
			}
			for c, g := range total {
				if c == food.Garnish || g < 60 {
					continue
				}
				if part := has[c] / g / one.Part.Share; part < .6 || part > 1.6 {
					t.Errorf("board %d of %d carries %.2f of its fair share of %s", i+1, len(trays), part, c)
				}
			}
		}
	}
}

func TestPlatesFollowTastes(t *testing.T) {
	b := brief.Brief{Guests: brief.Guests{Adults: 6, Children: 6}, Serving: "plates", Diets: []brief.Diet{{Avoid: []string{"nuts"}}, {Who: "two vegans", Count: 2, Avoid: []string{"animal", "meat"}}}}
	made, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	if trays := made.Trays; len(trays) != 3 || trays[0].Copies() != 6 || trays[1].Copies() != 4 || trays[2].Copies() != 2 {
		t.Fatalf("%d kinds of plate", len(trays))
	}
	for _, one := range made.Trays {
		g := 0.0
		for _, e := range one.Elements {
			g += e.Grams
			f, _ := larder.Get(e.Food)
			if f.Breaks([]string{"nuts"}) != "" {
				t.Errorf("%s on a plate without nuts", f.Name)
			}
			if f.Choking && f.Category == food.Nut && one.Part.Guests.Children > 0 {
				t.Errorf("%s for a child", f.Name)
			}
		}
		if g < 90 || g > 420 {
			t.Errorf("a plate of %.0f g for %s", g, one.Part.Who)
		}
	}
	// an amount that is set is that of all plates together
	b.Foods = plan.Wants(made)
	for i, w := range b.Foods {
		if f, _ := larder.Get(w.Food); f.Category == food.Fruit {
			b.Foods[i].Grams = 720
			set, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
			if err != nil {
				t.Fatal(err)
			}
			if g := foodsOf(set)[w.Food]; g < 600 || g > 840 {
				t.Errorf("720 g of %s are set, %.0f g planned", w.Food, g)
			}
			break
		}
	}
	if n := shop.NewBasket(made, larder); n.PerGuest < 50 || n.PerGuest > 3000 {
		t.Errorf("%d for each guest", n.PerGuest)
	}
}

func TestMeatlessTraysApart(t *testing.T) {
	b := brief.Brief{Guests: brief.Guests{Adults: 20}, Month: 7, Rules: &brief.Rules{Vegetarians: "separate"},
		Diets: []brief.Diet{{Who: "three", Count: 3, Avoid: []string{"meat", "rennet"}}, {Who: "one", Count: 1, Avoid: []string{"sesame"}}}}
	made, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	trays := made.Trays
	if len(trays) != 2 {
		t.Fatalf("%d trays", len(trays))
	}
	meat := func(one *tray.Tray) (n int) {
		for _, e := range one.Elements {
			f, _ := larder.Get(e.Food)
			if f.Breaks([]string{"meat", "rennet"}) != "" {
				n++
			}
			if f.Breaks([]string{"sesame"}) != "" {
				t.Errorf("%s holds sesame", f.Name)
			}
		}
		return n
	}
	if meat(trays[0]) == 0 || meat(trays[1]) != 0 {
		t.Errorf("%d meats on the one, %d on the other", meat(trays[0]), meat(trays[1]))
	}
}

func TestBudgetIsFelt(t *testing.T) {
	cost := func(budget float64) int {
		made, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 20}, Budget: budget}, larder, board.BuiltInCabinet())
		if err != nil {
			t.Fatal(err)
		}
		return shop.NewBasket(made, larder).BasketCost
	}
	if free, poor := cost(0), cost(6000); float64(poor) > .9*float64(free) {
		t.Errorf("%d within a budget of 6000, %d without", poor, free)
	}
}

// The three savings save what they say, and no food is in two of them.
func TestSavingsSave(t *testing.T) {
	cabinet := board.BuiltInCabinet()
	b := brief.Brief{Guests: brief.Guests{Adults: 18}, Month: 11, Pins: []brief.Want{{Food: "aged-hard"}}}
	made, err := plan.FromBrief(b, larder, cabinet)
	if err != nil {
		t.Fatal(err)
	}
	was := shop.NewBasket(made, larder).BasketCost
	savings := shop.Savings(made, larder, cabinet, 3)
	if len(savings) != 3 {
		t.Fatalf("%+v", savings)
	}
	seen := map[string]bool{"aged-hard": true}
	for _, s := range savings {
		if seen[s.Food] || s.Saves <= 0 || s.Says.IsZero() {
			t.Errorf("%+v", s)
		}
		seen[s.Food] = true
		nb := b
		for _, w := range plan.Wants(made) {
			switch {
			case w.Food != s.Food:
			case s.Instead != "":
				w = brief.Want{Food: s.Instead, Form: s.Form}
			case s.Grams > 0:
				w.Grams = s.Grams
			default:
				continue
			}
			nb.Foods = append(nb.Foods, w)
		}
		cheaper, err := plan.FromBrief(nb, larder, cabinet)
		if err != nil {
			t.Fatal(err)
		}
		if now := shop.NewBasket(cheaper, larder).BasketCost; was-now != s.Saves {
			t.Errorf("%s is said to save %d and saves %d", s.Says, s.Saves, was-now)
		}
	}
}

// A worked quote: 60.00 of food, an hour and a half of work at 18.00, two boxes at
// 3.50, a trip at 12.00, an eighth on top of that, and 30 % of the price is margin.
func TestQuoteAddsUp(t *testing.T) {
	q := price.NewQuote(shop.Basket{BasketCost: 6000}, price.Work{HandMin: 45}, 2, 18, true, price.Rates{Hourly: 1800, Setup: 45, Packaging: 350, Delivery: 1200, Overhead: 12.5, Margin: 30})
	if want := 6000 + 2700 + 700 + 1200 + 1325; q.Cost != want {
		t.Errorf("cost %d, want %d", q.Cost, want)
	}
	if q.PerHead != 950 || q.Total != 17100 { // 11925 / 0.7 / 18 = 946.4, rounded up to tens
		t.Errorf("%d for each, %d in all", q.PerHead, q.Total)
	}
	r := rand.New(rand.NewPCG(42, 1))
	for range 300 {
		rates := price.Rates{Hourly: r.IntN(4000), Setup: float64(r.IntN(90)), Packaging: r.IntN(900), Delivery: r.IntN(3000), Overhead: float64(r.IntN(40)), Margin: float64(r.IntN(80))}
		if err := rates.Check(); err != nil {
			t.Fatal(err)
		}
		q := price.NewQuote(shop.Basket{BasketCost: r.IntN(90000), CupboardCost: r.IntN(3000)}, price.Work{HandMin: r.Float64() * 300, RoadMin: 90 * r.Float64()}, 1+r.IntN(4), 1+r.IntN(90), r.IntN(2) == 0, rates)
		sum := 0
		for _, l := range q.Lines {
			sum += l.Money
		}
		if sum != q.Total || q.Total != q.PerHead*q.Guests || float64(q.Total-q.Cost) < rates.Margin/100*float64(q.Total)-1 {
			t.Errorf("%d, %+v", sum, q)
		}
	}
	if (price.Rates{Margin: 95}).Check() == nil || (price.Rates{Hourly: -1}).Check() == nil {
		t.Error("rates without sense were taken")
	}
}

// Two jobs of a week: needs are added up, the cupboard is used once, the earlier
// made first, and packs are bought together.
func TestListForAWeek(t *testing.T) {
	jobs := []shop.Needs{
		{Title: "second", Day: "2026-12-05", Grams: map[string]float64{"honey": 200, "almonds": 100, "radishes": 90}},
		{Title: "first", Day: "2026-12-02", Grams: map[string]float64{"honey": 150, "walnuts": 60}},
	}
	stock := food.Stock{"honey": {{Grams: 180, BestBefore: "2026-12-03"}, {Grams: 50}}, "almonds": {{Grams: 500}}, "walnuts": {{Grams: 200, BestBefore: "2026-12-01"}}}
	list := shop.Buy(jobs, larder, stock)
	items := map[string]shop.Item{}
	cost := 0
	for i, s := range list.Sections {
		if i > 0 && slices.Index(shop.Sections, s.Name) <= slices.Index(shop.Sections, list.Sections[i-1].Name) {
			t.Errorf("%s after %s", s.Name, list.Sections[i-1].Name)
		}
		sum := 0
		for _, it := range s.Items {
			items[it.Food] = it
			sum += it.Cost
		}
		if sum != s.Cost {
			t.Errorf("%s comes to %d, not %d", s.Name, sum, s.Cost)
		}
		cost += sum
	}
	if cost != list.Cost || list.Items != 4 {
		t.Errorf("%d, %d items in %+v", cost, list.Items, list)
	}
	// 150 g of the first come from the lot that goes off; its last 30 g are too old for the second, which gets the 50 g
	if h := items["honey"]; h.NeedG != 350 || h.CupboardG != 200 || !slices.Equal(h.For, []string{"first", "second"}) {
		t.Errorf("honey %+v", h)
	}
	if a := items["almonds"]; a.CupboardG != 100 || a.Cost != 0 || len(a.Packs) != 0 {
		t.Errorf("almonds %+v", a)
	}
	if w := items["walnuts"]; w.CupboardG != 0 || w.Cost == 0 {
		t.Errorf("walnuts past their day %+v", w)
	}
}

func TestWhereLeftoversGo(t *testing.T) {
	f := food.Food{ID: "x", KeepsDays: 5, Allergens: []string{"milk"}}
	coming := []shop.Needs{
		{Job: "late", Title: "late", Day: "2026-12-12", Grams: map[string]float64{"x": 10}},
		{Job: "off", Title: "off", Day: "2026-12-02", Off: []string{"milk"}},
		{Job: "can", Title: "can", Day: "2026-12-03"},
		{Job: "uses", Title: "uses", Day: "2026-12-04", Grams: map[string]float64{"x": 10}},
	}
	if u, ok := shop.NextUse(&f, "2026-12-01", coming); !ok || u.Job != "uses" {
		t.Errorf("%+v", u)
	}
	if u, ok := shop.NextUse(&f, "2026-12-01", coming[:3]); !ok || u.Job != "can" {
		t.Errorf("%+v", u)
	}
	if u, ok := shop.NextUse(&f, "2026-12-01", coming[:2]); ok {
		t.Errorf("%+v", u)
	}
	if _, ok := shop.NextUse(&f, "", coming); ok {
		t.Error("a made without a day has a next one")
	}
}

func TestSurfacesCarry(t *testing.T) {
	cabinet := board.BuiltInCabinet()
	last := 0.0
	for _, n := range []int{2, 8, 20, 44, 120, 400} {
		b := brief.Brief{Guests: brief.Guests{Adults: n}}
		chosen, err := pick.Pick(b, larder, pick.Under{})
		if err != nil {
			t.Fatal(err)
		}
		amounts := amount.Apportion(b, chosen)
		room := plan.BoardAreaCM2(b, amounts, cabinet)
		if room <= last {
			t.Errorf("%d guests want %v cm2, fewer wanted %v", n, room, last)
		}
		last = room
		list := plan.Surfaces(b, amounts, cabinet, 3)
		if n < 400 && len(list) == 0 {
			t.Errorf("nothing carries %d guests", n)
		}
		for _, s := range list {
			if s.CM2 < room || s.Fill > 1 || s.Says == "" || s.Name == "" {
				t.Errorf("%d guests want %.0f cm2: %+v", n, room, s)
			}
		}
	}
}
