package prep

import (
	"slices"
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/plan"
	"happytray/core/search"
	"happytray/core/tray"
)

func laidFor(t *testing.T, guests int) *tray.Tray {
	t.Helper()
	j, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: guests}, Month: 6, Occasion: "grazing"}, food.BuiltIn(), board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	res, err := search.Lay(t.Context(), j.Trays[0], food.BuiltIn(), search.Options{Seed: 3, Effort: 2})
	if err != nil {
		t.Fatal(err)
	}
	return res.Tray
}

func names(s Sheet) (out []string) {
	for _, step := range s.Steps {
		out = append(out, StepName(step.Food, step.Form))
	}
	return out
}

// Every step comes after what it needs, in the usual order and in any that is wished; what may go first does.
func TestOrderOfHandsAsWished(t *testing.T) {
	tr := laidFor(t, 14)
	usual := Order(tr, food.BuiltIn())
	check := func(s Sheet) {
		t.Helper()
		for _, step := range s.Steps {
			for _, need := range step.After {
				if need.Step >= step.Number || !strings.Contains(need.Why.String(), " first; ") {
					t.Errorf("step %d, %s, comes before %d: %s", step.Number, step.Title, need.Step, need.Why)
				}
			}
		}
	}
	check(usual)
	free, bound := -1, -1
	for i, s := range usual.Steps {
		if i > 3 && len(s.After) == 0 {
			free = i
		}
		if len(s.After) > 0 && bound < 0 {
			bound = i
		}
	}
	if free < 0 || bound < 0 {
		t.Fatalf("free %d, bound %d of %d steps", free, bound, len(usual.Steps))
	}
	first := names(usual)[free]
	tr.Order = append([]string{first}, slices.DeleteFunc(names(usual), func(n string) bool { return n == first })...)
	now := Order(tr, food.BuiltIn())
	check(now)
	if names(now)[0] != first || len(now.Steps) != len(usual.Steps) || now.Minutes != usual.Minutes {
		t.Errorf("%s is wished first, and %s is", first, names(now)[0])
	}
	tr.Order = names(usual)
	slices.Reverse(tr.Order)
	back := Order(tr, food.BuiltIn())
	check(back)
	sorted := func(s Sheet) []string { return slices.Sorted(slices.Values(names(s))) }
	if !slices.Equal(sorted(back), sorted(usual)) {
		t.Error("steps are lost or doubled")
	}
	tr.Order = []string{"no/such", "", names(usual)[2], names(usual)[2]}
	check(Order(tr, food.BuiltIn()))
	tr.Order = nil
	if !slices.Equal(names(Order(tr, food.BuiltIn())), names(usual)) {
		t.Error("handed back, it is not the usual order")
	}
}
