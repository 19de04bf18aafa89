package amount_test

import (
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/plan"
)

// What was learnt of a food changes how much of it there is, with the evenings that say so; refused, nothing changes;
// and nobody makes up for what a crowd does not eat.
func TestLearnt(t *testing.T) {
	of := func(learnt ...brief.Learnt) map[string]float64 {
		t.Helper()
		b := brief.Brief{Guests: brief.Guests{Adults: 24}, Occasion: "grazing", Foods: []brief.Want{{Food: "orange-block"}, {Food: "holey-wheel"}, {Food: "wide-sausage"}, {Food: "round-crackers"}, {Food: "red-grapes"}, {Food: "almonds"}, {Food: "dried-apricots"}}, Learnt: learnt}
		j, err := plan.FromBrief(b, food.BuiltIn(), board.BuiltInCabinet())
		if err != nil {
			t.Fatal(err)
		}
		out := map[string]float64{}
		for _, tr := range j.Trays {
			for _, id := range tr.Foods() {
				out[id] += tr.GramsOf(id)
			}
		}
		return out
	}
	usual := of()
	less := of(brief.Learnt{Food: "red-grapes", Factor: .6, Because: []string{"5 March 2026: most were left."}}, brief.Learnt{Food: "orange-block", Factor: 1.5})
	if r := less["red-grapes"] / usual["red-grapes"]; r < .5 || r > .72 {
		t.Errorf("grapes: %.0f g, were %.0f", less["red-grapes"], usual["red-grapes"])
	}
	if r := less["orange-block"] / usual["orange-block"]; r < 1.35 || r > 1.65 {
		t.Errorf("cheese: %.0f g, were %.0f", less["orange-block"], usual["orange-block"])
	}
	if r := less["almonds"] / usual["almonds"]; r < .93 || r > 1.07 {
		t.Errorf("almonds, of which nothing was learnt: %.0f g, were %.0f", less["almonds"], usual["almonds"])
	}
	refused := of(brief.Learnt{Food: "red-grapes", Factor: .6, Refused: true})
	if refused["red-grapes"] != usual["red-grapes"] {
		t.Errorf("refused: %.0f g, were %.0f", refused["red-grapes"], usual["red-grapes"])
	}
	var all []brief.Learnt
	for id := range usual {
		all = append(all, brief.Learnt{Food: id, Factor: .7})
	}
	small := of(all...)
	is, was := 0.0, 0.0
	for id := range usual {
		is, was = is+small[id], was+usual[id]
	}
	if is > .8*was {
		t.Errorf("a crowd that eats seven tenths gets %.0f g of %.0f", is, was)
	}
	for name, bad := range map[string][]brief.Learnt{"no food": {{Factor: 1}}, "nothing": {{Food: "almonds"}}, "ninefold": {{Food: "almonds", Factor: 9}}, "twice": {{Food: "almonds", Factor: 1}, {Food: "almonds", Factor: 1.2}},
		"a book": {{Food: "almonds", Factor: 1, Because: []string{strings.Repeat("x", 500)}}}} {
		b := brief.Brief{Guests: brief.Guests{Adults: 4}, Learnt: bad}
		if err := b.Check(); err == nil || !strings.Contains(err.Error(), "learnt[") {
			t.Errorf("%s: %v", name, err)
		}
	}
}
