package app

import (
	"context"
	"strings"
	"testing"
	"time"

	"happytray/core/brief"
	"happytray/core/edit"
	"happytray/core/food"
	"happytray/core/geom"
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

// What leans already is told so and keeps no revision: nobody undoes a step that did nothing.
func TestLeanedTwiceIsOneStep(t *testing.T) {
	ctx := context.Background()
	a, clock := product(t, 121)
	j := plantest.Laid(t, brief.Brief{Guests: brief.Guests{Adults: 10}, ServeAt: clock.now().Add(96 * time.Hour).UTC().Format(time.RFC3339)})
	tr := j.Trays[0]
	row, cup := -1, -1 // alone on the board, some way off
	for i := range tr.Elements {
		e := &tr.Elements[i]
		switch {
		case row < 0 && e.Placed && e.Kind() == food.KindRow:
			row = i
		case cup < 0 && e.Placed && e.Vessel != "":
			cup = i
		default:
			e.Placed, e.Pieces = false, nil
		}
	}
	c := tr.Board.FoodZone.Bounds().Centre()
	tr.Elements[row].MoveTo(geom.Pose{X: c.X, Y: c.Y - 60})
	tr.Elements[cup].MoveTo(geom.Pose{X: c.X, Y: c.Y + 50})
	id := kept(t, a, j)
	revision := func() int64 {
		t.Helper()
		_, r, err := a.store.Job(ctx, id)
		if err != nil {
			t.Fatal(err)
		}
		return r.Number
	}
	lean := edit.Command{Kind: edit.Lean, IDs: []string{tr.Elements[row].ID}}
	before := revision()
	if _, err := a.EditJob(ctx, id, Edit{Revision: before, Command: lean}); err != nil {
		t.Fatal(err)
	}
	once := revision()
	if once != before+1 {
		t.Errorf("revision %d after %d", once, before)
	}
	if _, err := a.EditJob(ctx, id, Edit{Revision: once, Command: lean}); err == nil || !strings.Contains(err.Error(), "leans on its neighbour already") {
		t.Errorf("leaned again: %v", err)
	}
	if now := revision(); now != once {
		t.Errorf("leaned again it is revision %d, not %d", now, once)
	}
}
