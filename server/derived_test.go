package server

import (
	"bytes"
	"encoding/json"
	"fmt"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/plan"
)

// What is asked of a saved job by its number is what is answered to its whole document, for
// each of its trays.
func TestJobDerived(t *testing.T) {
	d := open(t, db.DSN())
	b, err := brief.Read([]byte(`{"guests":{"adults":24},"boards":[{"shape":"plank","length_mm":700,"width_mm":200},{"shape":"plank","length_mm":700,"width_mm":200}]}`))
	if err != nil {
		t.Fatal(err)
	}
	two, err := plan.FromBrief(b, food.BuiltIn(), board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	if len(two.Trays) != 2 {
		t.Fatalf("%d trays", len(two.Trays))
	}
	j := d.make("Two planks", `{"guests":{"adults":24}}`)
	id := "/api/v1/jobs/" + j.Id
	if a := d.ask("PUT", id, file(t, two), "If-Match", `"1"`); a.status != 200 {
		t.Fatal(string(a.body))
	}
	for which := range 2 {
		alone := two.Clone()
		alone.Trays = alone.Trays[which : which+1]
		var got struct {
			Revision             int
			Review, Basket, Prep json.RawMessage
		}
		d.ask("GET", fmt.Sprintf("%s/derived?tray=%d", id, which), nil).into(t, &got)
		var drawn struct {
			Revision int
			Scene    json.RawMessage
		}
		d.ask("GET", fmt.Sprintf("%s/scene?tray=%d", id, which), nil).into(t, &drawn)
		if got.Revision != 2 || drawn.Revision != 2 {
			t.Errorf("revisions %d and %d, want 2", got.Revision, drawn.Revision)
		}
		for _, c := range []struct {
			path string
			of   []byte
			got  []byte
		}{
			{"/api/v1/review", file(t, alone), got.Review}, {"/api/v1/prep", file(t, alone), got.Prep},
			{"/api/v1/scene", file(t, alone), drawn.Scene}, {"/api/v1/basket", file(t, two), got.Basket},
		} {
			want := d.ask("POST", c.path, c.of)
			if want.status != 200 || !bytes.Equal(bytes.TrimSpace(want.body), c.got) {
				t.Errorf("tray %d: %s answers otherwise to the document:\n%.300s\n%.300s", which, c.path, want.body, c.got)
			}
		}
	}
	for path, status := range map[string]int{
		id + "/derived?tray=2": 422, id + "/scene?tray=2": 422, id + "/derived?tray=-1": 400, id + "/scene?tray=x": 400,
		"/api/v1/jobs/6f1c24d8-0000-4000-8000-000000000000/derived": 404, "/api/v1/jobs/6f1c24d8-0000-4000-8000-000000000000/scene": 404,
	} {
		if a := d.ask("GET", path, nil); a.status != status {
			t.Errorf("%s: %d, want %d: %s", path, a.status, status, a.body)
		}
	}
}
