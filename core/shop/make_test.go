package shop

import (
	"strings"
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/plan/plantest"
)

// What is made in the house is bought by its parts, at what they cost, on basket and list alike; two jobs share a part.
func TestWhatIsMadeIsBoughtByItsParts(t *testing.T) {
	larder := food.BuiltIn()
	b := brief.Brief{Guests: brief.Guests{Adults: 10}, Month: 6, ServeAt: "2031-06-04T19:00:00Z", Pins: []brief.Want{{Food: "chickpea-dip"}}}
	j := plantest.Laid(t, b)
	line := func() (l Line) {
		for _, l := range NewBasket(j, larder).Lines {
			if l.Food == "chickpea-dip" {
				return l
			}
		}
		t.Fatal("no hummus")
		return l
	}
	if l := line(); !l.Makeable || l.Parts != nil || len(l.Packs) == 0 {
		t.Errorf("bought: %+v", l)
	}
	before := NewBasket(j, larder).BasketCost - line().BasketCost
	j.Brief.Makes = []string{"chickpea-dip"}
	l := line()
	sum := 0
	for _, p := range l.Parts {
		sum += p.Cost
	}
	if len(l.Packs) != 0 || len(l.Parts) < 4 || l.BasketCost != sum || sum == 0 || l.LeftG != 0 || l.UsedCost != sum || !strings.Contains(l.Explanation.String(), "Made in the house of") {
		t.Errorf("made: %+v", l)
	}
	if got := NewBasket(j, larder).BasketCost; got != before+sum {
		t.Errorf("the basket costs %d, not %d", got, before+sum)
	}
	one := NeedsOf(j, larder)
	if one.Grams["chickpea-dip"] != 0 || one.Makes["chickpea-dip"] <= 0 {
		t.Errorf("%v %v", one.Grams, one.Makes)
	}
	two := one
	two.Title = "Another"
	list := Buy([]Needs{one, two}, larder, nil)
	found := 0
	for _, s := range list.Sections {
		cost := 0
		for _, it := range s.Items {
			cost += it.Cost
			if it.Food == "chickpea-dip" {
				t.Error("hummus is on the list")
			}
			if it.Loose {
				found++
				if s.Name != makeSection || len(it.For) != 2 || it.NeedG <= 0 || !strings.HasPrefix(it.Buys().String(), "About ") && !strings.HasPrefix(it.Buys().String(), "about ") {
					t.Errorf("%s: %+v, %s", s.Name, it, it.Buys())
				}
			}
		}
		if cost != s.Cost {
			t.Errorf("%s costs %d, its things %d", s.Name, s.Cost, cost)
		}
	}
	if found != len(l.Parts) {
		t.Errorf("%d parts on the list, %d on the basket", found, len(l.Parts))
	}
}
