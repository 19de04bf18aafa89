package shop_test

import (
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/plan"
	"happytray/core/shop"
)

// At a counter one asks for thin slices of what is folded, and for firm cheese in one piece; what
// comes in packs is not asked for, and two jobs together ask for the slices of both.
func TestWhatIsAskedForAtTheCounter(t *testing.T) {
	larder := food.BuiltIn()
	needs := func(wants ...brief.Want) shop.Needs {
		t.Helper()
		j, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 8}, Foods: wants}, larder, board.BuiltInCabinet())
		if err != nil {
			t.Fatal(err)
		}
		return shop.NeedsOf(j, larder)
	}
	one := needs(brief.Want{Food: "air-dried-ham", Form: "ribbon", Grams: 84}, brief.Want{Food: "smoked-ham", Form: "trail", Grams: 119}, brief.Want{Food: "mountain-wheel", Grams: 200},
		brief.Want{Food: "orange-block"}, brief.Want{Food: "soft-white-round"}, brief.Want{Food: "paprika-sausage", Form: "coins", Grams: 80}, brief.Want{Food: "smoked-salmon"}, brief.Want{Food: "round-crackers"})
	for id, want := range map[string]string{"air-dried-ham": "10 slices, 1 mm thin, laid apart", "smoked-ham": "10 slices, 1 mm thin, laid apart", "mountain-wheel": "it in one piece, rind on", "orange-block": "it in one piece",
		"soft-white-round": "", "paprika-sausage": "it in one piece", "smoked-salmon": "", "round-crackers": ""} {
		if got := one.Cut[id].Says().String(); got != want {
			t.Errorf("%s: %q, should be %q", id, got, want)
		}
	}
	if got := needs(brief.Want{Food: "fennel-sausage", Form: "trail", Grams: 600}).Cut["fennel-sausage"].Says().String(); got != "it in slices, 1 mm thin, laid apart" {
		t.Errorf("600 g of small slices: %q", got)
	}
	list := shop.Buy([]shop.Needs{one, needs(brief.Want{Food: "air-dried-ham", Form: "ribbon", Grams: 42})}, larder, nil)
	for _, s := range list.Sections {
		for _, it := range s.Items {
			says := it.Buys().String()
			if it.Food == "air-dried-ham" && (it.Cut.Slices != 15 || !strings.Contains(says, "; ask for ")) {
				t.Errorf("%+v: %s", it.Cut, says)
			}
			if it.Food == "round-crackers" && strings.Contains(says, "ask") {
				t.Error(says)
			}
		}
	}
}
