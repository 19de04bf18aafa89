package tray

import (
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
)

// Mildest first, those of one strength in one place, each kind by itself, and what is strewn over goes with what it lies on.
func TestTasting(t *testing.T) {
	larder := food.BuiltIn()
	tr := &Tray{}
	add := func(id, form string) { tr.Elements = append(tr.Elements, Element{ID: id, Food: id, Form: form}) }
	add("blue-wedge", "whole")
	add("mozzarella-balls", "tumble")
	add("soft-white-round", "whole")
	add("orange-block", "tumble")
	add("pepper-sausage", "coins")
	add("cooked-sausage", "trail")
	add("red-grapes", "cluster")
	for _, c := range []struct {
		rule string
		want []int
	}{{"", nil}, {"none", nil}, {"cheese", []int{1, 2, 3, 0}}, {"meat", []int{5, 4}}, {"both", []int{1, 2, 3, 0, 5, 4}}} {
		tr.Rules = brief.Rules{Tasting: c.rule}
		got := tr.Tasting(larder)
		if len(got) != len(c.want) {
			t.Fatalf("%s: %+v", c.rule, got)
		}
		for k, turn := range got {
			if turn.Element != c.want[k] || turn.From >= turn.To {
				t.Errorf("%s: %+v is the %d.", c.rule, turn, k)
			}
		}
	}
	tr.Rules.Tasting = "cheese"
	if got := tr.Tasting(larder); got[1].From != .25 || got[1].To != .75 || got[2].From != .25 || got[2].To != .75 {
		t.Errorf("two of one strength: %+v", got[1:3])
	}
	tr.Elements = tr.Elements[1:2]
	if got := tr.Tasting(larder); got != nil {
		t.Errorf("one cheese has an order: %+v", got)
	}
}
