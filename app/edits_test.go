package app

import (
	"testing"

	"happytray/core/edit"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/plan/plantest"
	"happytray/core/tray"
)

// What is in a hand stays in it from one preview to the next; another thing, or another manner of putting it down, is taken up anew.
func TestTakeKeepsWhatIsHeld(t *testing.T) {
	tr := plantest.LaidFor(t, 8)
	var ids []string
	for _, e := range tr.Elements {
		if e.Placed && e.Kind() == food.KindAnchor {
			ids = append(ids, e.ID)
		}
	}
	o := &openTray{reading: &job.Reading{Job: &job.Job{Trays: []*tray.Tray{tr}}}, larder: food.BuiltIn()}
	take := func(c edit.Command) *edit.Session {
		t.Helper()
		if err := o.take(Edit{Command: c}); err != nil {
			t.Fatal(err)
		}
		return o.session
	}
	c := edit.Command{Kind: edit.Move, IDs: ids[:1]}
	held := take(c)
	if take(c) != held {
		t.Error("the same is taken up again")
	}
	for name, other := range map[string]edit.Command{"another thing": {Kind: edit.Move, IDs: ids[1:2]}, "hugging": {Kind: edit.Move, IDs: ids[:1], Hugs: true}, "alone": {Kind: edit.Move, IDs: ids[:1], Alone: true}} {
		before := take(c)
		if take(other) == before {
			t.Errorf("%s is not taken up anew", name)
		}
	}
	if err := o.take(Edit{Command: edit.Command{Kind: edit.Move, IDs: []string{"no-such"}}}); err == nil {
		t.Error("something that is not there is held")
	}
}
