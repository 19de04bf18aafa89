package plan

import (
	"math"
	"testing"

	"happytray/core/amount"
	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/pick"
)

// What fills the gaps becomes more out of what others of its kind weigh, and a spoonful of every kind but crackers; nobody gets more or less.
func TestFillersComeOutOfTheirKind(t *testing.T) {
	larder := food.BuiltIn()
	of := func(id, form string, g float64) amount.Amount {
		f, ok := larder.Get(id)
		if !ok {
			t.Fatal("no", id)
		}
		return amount.Amount{Choice: pick.Choice{Food: f, Form: form}, Grams: g}
	}
	big, err := board.Make(board.Request{ID: "rectangle-90-elm"})
	if err != nil {
		t.Fatal(err)
	}
	all := func() []amount.Amount {
		return []amount.Amount{of("blueberries", "drift", 90), of("nectarine", "slices", 400), of("red-grapes", "cluster", 300), of("walnuts", "drift", 120), of("roasted-chickpeas", "drift", 60),
			of("orange-block", "tumble", 300), of("soft-white-round", "cut-round", 250), of("round-crackers", "shingle", 200)}
	}
	kinds := func(as []amount.Amount) map[food.Category]float64 {
		out := map[food.Category]float64{}
		for _, a := range as {
			out[a.Food.Category] += a.Grams
		}
		return out
	}
	was := all()
	now := withFillers(brief.Brief{}, all(), []board.Board{big})
	all0, all1 := 0.0, 0.0
	for c, g := range kinds(was) {
		all0, all1 = all0+g, all1+kinds(now)[c]
		if least := (1 - allGiveFillers) * g; kinds(now)[c] < least-.01 || c == food.Cracker && kinds(now)[c] != g {
			t.Errorf("%s: %.1f g are %.1f", c, g, kinds(now)[c])
		}
	}
	if math.Abs(all0-all1) > .01 {
		t.Errorf("%.1f g of everything are %.1f", all0, all1)
	}
	more := false
	for i := range now {
		s, _ := now[i].Food.Spec(now[i].Form)
		switch d := now[i].Grams - was[i].Grams; {
		case s.FillsGaps():
			more = more || d > 1
			if d < -.01 || now[i].Grams > mostFillers*was[i].Grams+.01 {
				t.Errorf("%s: %.0f g are %.0f", now[i].Food.ID, was[i].Grams, now[i].Grams)
			}
		case d > .01 || now[i].Grams < (1-givesFillers)*(1-allGiveFillers)*was[i].Grams-.01:
			t.Errorf("%s: %.0f g are %.0f", now[i].Food.ID, was[i].Grams, now[i].Grams)
		}
	}
	if !more {
		t.Error("there is no more to fill gaps with")
	}
	set := all()
	set[1].Choice.Grams, set[2].Pinned = 400, true
	for i, a := range withFillers(brief.Brief{}, set, []board.Board{big})[:3] {
		if i > 0 && a.Grams != set[i].Grams {
			t.Errorf("%s, which the host set, is %.0f g", a.Food.ID, a.Grams)
		}
	}
	small, err := board.Make(board.Request{ID: "plate-24"})
	if err != nil {
		t.Fatal(err)
	}
	for name, c := range map[string]struct {
		b  brief.Brief
		on board.Board
	}{
		"it is full as it is":      {brief.Brief{}, small},
		"somebody avoids them":     {brief.Brief{Diets: []brief.Diet{{Who: "one", Count: 1, Avoid: []string{"nuts"}}}}, small},
		"each has a plate":         {brief.Brief{Serving: "plates"}, big},
		"the house wants some air": {brief.Brief{Rules: &brief.Rules{Gaps: "airy"}}, big},
	} {
		for i, a := range withFillers(c.b, all(), []board.Board{c.on}) {
			if a.Grams != was[i].Grams {
				t.Errorf("%s: %s is %.0f g, not %.0f", name, a.Food.ID, a.Grams, was[i].Grams)
			}
		}
	}
}
