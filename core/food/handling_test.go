package food

import (
	"slices"
	"testing"
)

// Every built-in food says what is done to it, and says nothing that its other facts speak against.
func TestHandlingOfTheLarder(t *testing.T) {
	for _, f := range BuiltIn().All() {
		has := func(w string) bool { return slices.Contains(f.Handling, w) }
		if len(f.Handling) == 0 {
			t.Errorf("%s says nothing of its handling", f.ID)
		}
		if has(Ready) && len(f.Handling) > 1 {
			t.Errorf("%s is ready, and is not: %v", f.ID, f.Handling)
		}
		if has(Perishable) && !has(Cold) {
			t.Errorf("%s perishes, and lives in no fridge", f.ID)
		}
		if f.WarmUpMin > 0 && !has(Cold) {
			t.Errorf("%s is to warm up, and was not cold", f.ID)
		}
		if (f.Category == Cheese || f.Category == Meat) && !has(Perishable) {
			t.Errorf("the hours of %s outside the fridge are not counted", f.ID)
		}
		if f.Wetness == Crisp && !has(Softens) {
			t.Errorf("%s is crisp, and nothing softens it", f.ID)
		}
		if f.Category == Brined && !has(Drain) {
			t.Errorf("%s lies in brine or oil and is not drained", f.ID)
		}
		if f.Category == Garnish && !(has(Wash) && has(Wilts)) {
			t.Errorf("%s is not washed, or does not wilt", f.ID)
		}
		if f.Category == Fruit && !(has(Wash) || has(Peel)) {
			t.Errorf("%s is neither washed nor peeled", f.ID)
		}
		if has(StoneOut) && f.Stone {
			t.Errorf("%s loses its stone, and has one on the tray", f.ID)
		}
		if f.Heat != nil && f.Heat.Minutes <= 0 {
			t.Errorf("%s is cooked for no time", f.ID)
		}
	}
}

func TestHandlingIsChecked(t *testing.T) {
	f := *mustGet(t, "apple")
	for _, change := range []func(f *Food){
		func(f *Food) { f.Handling = []string{"polish"} },
		func(f *Food) { f.Handling = slices.Repeat([]string{Wash}, 30) },
		func(f *Food) { f.Heat = &Heat{How: "microwave", Minutes: 3} },
		func(f *Food) { f.Heat = &Heat{How: "toast", OvenC: 2000, Minutes: 3} },
		func(f *Food) { f.Heat = &Heat{How: "toast", Minutes: -3} },
	} {
		g := f
		change(&g)
		if g.Check() == nil {
			t.Errorf("%v %v is taken", g.Handling, g.Heat)
		}
	}
	f.Handling = nil
	if err := f.Check(); err != nil || !f.Needs(Wash) {
		t.Errorf("a fruit that says nothing: %v %v", f.Handled(), err)
	}
}

func mustGet(t *testing.T, id string) *Food {
	t.Helper()
	f, ok := BuiltIn().Get(id)
	if !ok {
		t.Fatalf("no %s", id)
	}
	return f
}
