package shop

import (
	"testing"

	"happytray/core/food"
)

// What stands in the cupboard is used first, what keeps shortest before the rest, and only while it is good; the rest is
// bought, and what stays over is what was bought beyond the need.
func TestBuyUsesTheCupboardFirst(t *testing.T) {
	larder := food.BuiltIn()
	f, _ := larder.Get("almonds")
	pack := f.Packs[0].Grams
	job := func(day string, grams float64) Needs {
		return Needs{Job: day, Title: "For " + day, Day: day, Grams: map[string]float64{"almonds": grams}}
	}
	for _, c := range []struct {
		name             string
		jobs             []Needs
		stock            []food.Lot
		need, have, left float64
		packs            bool
	}{
		{"nothing there", []Needs{job("2026-12-01", pack)}, nil, pack, 0, 0, true},
		{"a little more than a pack", []Needs{job("2026-12-01", pack-30)}, nil, pack - 30, 0, 30, true},
		{"all of it there", []Needs{job("2026-12-01", 80)}, []food.Lot{{Grams: 100}}, 80, 80, 0, false},
		{"there to a hair", []Needs{job("2026-12-01", 80.04)}, []food.Lot{{Grams: 80}}, 80, 80, 0, false},
		{"some of it there", []Needs{job("2026-12-01", pack+20)}, []food.Lot{{Grams: 20}}, pack + 20, 20, 0, true},
		{"past its day", []Needs{job("2026-12-02", pack)}, []food.Lot{{Grams: 500, BestBefore: "2026-12-01"}}, pack, 0, 0, true},
		{"on its last day", []Needs{job("2026-12-01", 60)}, []food.Lot{{Grams: 60, BestBefore: "2026-12-01"}}, 60, 60, 0, false},
		{"the short one for the first job", []Needs{job("2026-12-01", 50), job("2026-12-05", 50)}, []food.Lot{{Grams: 50}, {Grams: 50, BestBefore: "2026-12-02"}}, 100, 100, 0, false},
		{"a day that nobody set", []Needs{job("", 40)}, []food.Lot{{Grams: 40, BestBefore: "2020-01-01"}}, 40, 40, 0, false},
	} {
		l := Buy(c.jobs, larder, food.Stock{"almonds": c.stock})
		if len(l.Sections) != 1 || len(l.Sections[0].Items) != 1 || l.Items != 1 {
			t.Fatalf("%s: %+v", c.name, l)
		}
		it := l.Sections[0].Items[0]
		if it.NeedG != c.need || it.CupboardG != c.have || it.LeftG != c.left || (len(it.Packs) > 0) != c.packs || len(it.For) != len(c.jobs) {
			t.Errorf("%s: %+v", c.name, it)
		}
		if l.Cost != it.Cost || l.Sections[0].Cost != it.Cost || (it.Cost > 0) != c.packs {
			t.Errorf("%s: costs %d, %d and %d", c.name, it.Cost, l.Sections[0].Cost, l.Cost)
		}
	}
	if l := Buy([]Needs{{Grams: map[string]float64{"almonds": 0, "no-such-food": 5}}}, larder, nil); l.Items != 0 || len(l.Sections) != 0 {
		t.Errorf("nothing is needed: %+v", l)
	}
}
