package price

import (
	"errors"
	"math/rand/v2"
	"strings"
	"testing"

	"happytray/core/fault"
	"happytray/core/shop"
)

// A job worked out on paper: 100.00 at the till, 5.00 from the cupboard, 60 minutes by hand
// and 30 besides at 20.00, two boxes at 3.00, a trip of 10.00, a tenth of overhead on
// 151.00, a margin of a third of the price for 11 guests.
func TestOfWorkedOut(t *testing.T) {
	q := NewQuote(shop.Basket{BasketCost: 10000, CupboardCost: 500}, Work{HandMin: 60}, 2, 11, true, Rates{Hourly: 2000, Setup: 30, Packaging: 300, Delivery: 1000, Overhead: 10, Margin: 100.0 / 3})
	want := []int{10000, 500, 3000, 600, 1000, 1510}
	for i, m := range want {
		if q.Lines[i].Money != m {
			t.Errorf("%s: %d, want %d", q.Lines[i].Name, q.Lines[i].Money, m)
		}
	}
	if q.Cost != 16610 {
		t.Errorf("cost %d, want 16610", q.Cost)
	}
	// 24915 for the job is 2265 a guest, which is 22.65 rounded up to 22.70
	if q.PerHead != 2270 || q.Total != 24970 || q.Lines[6].Money != 24970-16610 {
		t.Errorf("%d for each, %d in all, %d of margin", q.PerHead, q.Total, q.Lines[6].Money)
	}
	if says := q.Lines[6].Says; says != "33.5 % of the price" {
		t.Errorf("the margin is %q", says)
	}
}

// Whatever the rates, the lines add up, nobody pays less than it costs, and no more than ten
// minor units for each guest come of rounding.
func TestOfAddsUp(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 2))
	for range 2000 {
		rates := Rates{Hourly: r.IntN(5000), Setup: r.Float64() * 120, Packaging: r.IntN(900), Delivery: r.IntN(3000), Overhead: r.Float64() * 60, Margin: r.Float64() * 90}
		guests, travels := 1+r.IntN(200), r.IntN(2) == 0
		q := NewQuote(shop.Basket{BasketCost: r.IntN(100000), CupboardCost: r.IntN(3) * r.IntN(5000)}, Work{r.Float64() * 500, 60 * r.Float64()}, 1+r.IntN(9), guests, travels, rates)
		sum, delivered := 0, false
		for _, l := range q.Lines {
			sum += l.Money
			delivered = delivered || l.Name == "Delivery"
		}
		if sum != q.Total || q.Total != q.PerHead*guests || q.PerHead%10 != 0 || delivered != travels {
			t.Fatalf("%+v: lines %d, %d for each of %d", q, sum, q.PerHead, guests)
		}
		asked := float64(q.Cost) / (1 - rates.Margin/100)
		if over := float64(q.Total) - asked; over < -1e-6*asked-.01 || over > 10*float64(guests) {
			t.Fatalf("%+v: %.2f more than asked", q, over)
		}
	}
}

func TestOfNobody(t *testing.T) {
	if q := NewQuote(shop.Basket{BasketCost: 1000}, Work{}, 1, 0, false, Rates{}); q.Guests != 1 || q.Total != 1000 {
		t.Errorf("%+v", q)
	}
}

func TestRatesCheck(t *testing.T) {
	if err := Usual.Check(); err != nil {
		t.Error(err)
	}
	for field, r := range map[string]Rates{
		"hourly": {Hourly: -1}, "setup_min": {Setup: 1441}, "packaging": {Packaging: 2e6}, "delivery": {Delivery: -5}, "overhead_pct": {Overhead: 301}, "margin_pct": {Margin: 91},
	} {
		var bad *fault.Error
		if err := r.Check(); !errors.As(err, &bad) || bad.Field != field {
			t.Errorf("%s: %v", field, err)
		}
	}
}

// The road is a line of its own, there and back, and only where there is one.
func TestTheRoadIsALine(t *testing.T) {
	q := NewQuote(shop.Basket{BasketCost: 1000}, Work{HandMin: 60, RoadMin: 30}, 1, 10, true, Rates{Hourly: 2000})
	road := 0
	for _, l := range q.Lines {
		if l.Name == "Road" {
			road = l.Money
		}
	}
	if road != 2000 {
		t.Errorf("an hour there and back costs %d", road)
	}
}

// Tax comes on top of the price, and a seller is bounded.
func TestSellerAndTax(t *testing.T) {
	q := Quote{Total: 10005}.Taxed(12.5)
	if q.Tax != 1251 || q.Pays != 11256 {
		t.Errorf("%+v", q)
	}
	for _, s := range []Seller{{TaxPct: -1}, {TaxPct: 101}, {ValidDays: 366}, {Name: strings.Repeat("x", 121)}} {
		if s.Check() == nil {
			t.Errorf("%+v is let through", s)
		}
	}
	if err := (Seller{Name: "Tern & Tallow", Address: "Quay 4\nSaltmere", TaxPct: 7, ValidDays: 30}).Check(); err != nil {
		t.Error(err)
	}
}
