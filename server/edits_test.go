package server

import (
	"bytes"
	"encoding/json"
	"fmt"
	"math"
	"reflect"
	"slices"
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/tray"
	"happytray/server/api"
)

// onTheTable saves a laid job; edit asks for a command to it, more are members of the request.
func onTheTable(t *testing.T, guests int) (d *desk, tr *tray.Tray, id string, edit func(revision int64, command, more string) answer) {
	t.Helper()
	d = open(t, db.DSN())
	j := laid(t, guests)
	made := d.make("On the table", fmt.Sprintf(`{"guests":{"adults":%d}}`, guests))
	id = "/api/v1/jobs/" + made.Id
	if a := d.ask("PUT", id, file(t, j), "If-Match", `"1"`); a.status != 200 {
		t.Fatal(string(a.body))
	}
	return d, j.Trays[0], id, func(revision int64, command, more string) answer {
		return d.ask("POST", id+"/edits", fmt.Appendf(nil, `{"revision":%d,"command":%s%s}`, revision, command, more))
	}
}

// told is an answer to a command with the core's types.
type told struct {
	Revision  int64          `json:"revision"`
	SavedAt   string         `json:"saved_at"`
	Changed   []tray.Element `json:"changed"`
	Gone      []string       `json:"gone"`
	Says      string         `json:"says"`
	Displaced api.Displaced  `json:"displaced"`
	Carried   *struct {
		At     [3]float64   `json:"at"`
		Shifts [][5]float64 `json:"shifts"`
		Stuck  []string     `json:"stuck"`
	} `json:"carried"`
	Review struct {
		Score float64 `json:"score"`
	} `json:"review"`
}

func lying(t *testing.T, tr *tray.Tray, want func(e *tray.Element) bool) *tray.Element {
	t.Helper()
	i := slices.IndexFunc(tr.Elements, func(e tray.Element) bool { return e.Placed && want(&e) })
	if i < 0 {
		t.Fatal("the tray lacks something")
	}
	return &tr.Elements[i]
}

func bowl(e *tray.Element) bool { return e.Vessel != "" }
func heap(e *tray.Element) bool {
	return e.Vessel == "" && e.Kind() == food.KindLoose && e.Count > 4
}

func moveTo(e *tray.Element, dx, dy float64) string {
	return fmt.Sprintf(`{"kind":"move","ids":[%q],"to":{"x":%v,"y":%v,"turn_deg":%v}}`, e.ID, e.X+dx, e.Y+dy, e.TurnDeg)
}

// A move that is previewed while the hand rests, and then done, leaves the very tray that was shown: the answer tells
// what has changed of the one before, and the saved one is that.
func TestAnEditKeepsWhatWasShown(t *testing.T) {
	d, tr, id, edit := onTheTable(t, 8)
	e := lying(t, tr, bowl)
	var shown, done told
	edit(2, moveTo(e, 45, 10), `,"preview":true`).into(t, &shown)
	if shown.Revision != 2 || shown.SavedAt != "" || len(shown.Carried.Shifts) < 2 || len(shown.Changed) > 0 {
		t.Errorf("shown: revision %d at %q, %d shifts, %d changed", shown.Revision, shown.SavedAt, len(shown.Carried.Shifts), len(shown.Changed))
	}
	edit(2, moveTo(e, 45, 10), `,"preview":true,"rests":true`).into(t, &shown)
	asked := fmt.Sprintf(`{"revision":2,"command":%s}`, moveTo(e, 45, 10))
	if len(asked) > 10_000 {
		t.Errorf("a drop asks %d bytes", len(asked))
	}
	edit(2, moveTo(e, 45, 10), "").into(t, &done)
	if done.Revision != 3 || done.SavedAt == "" || !strings.HasPrefix(done.Says, "moved the ") || done.Review.Score != shown.Review.Score {
		t.Errorf("done: %d %q %q, %v points, shown %v", done.Revision, done.SavedAt, done.Says, done.Review.Score, shown.Review.Score)
	}
	var saved api.Job
	d.ask("GET", id, nil).into(t, &saved)
	now, err := job.Read(saved.Document, food.BuiltIn())
	if err != nil {
		t.Fatal(err)
	}
	for _, m := range shown.Carried.Shifts {
		p := now.Trays[0].Elements[int(m[0])].Pieces[int(m[1])]
		if p.At.X != m[2] || p.At.Y != m[3] || p.TurnDeg != m[4] {
			t.Errorf("piece %v of element %v was shown at %v and lies at %v", m[1], m[0], m[2:], p.At)
		}
	}
	for _, c := range done.Changed {
		if got := now.Trays[0].Elements[now.Trays[0].Find(c.ID)]; !reflect.DeepEqual(got.Pieces, c.Pieces) || got.Pose() != c.Pose() {
			t.Errorf("%s is told to lie otherwise than it was saved", c.ID)
		}
	}
	if saved.Revision != 3 || !saved.Undo {
		t.Errorf("revision %d, undo %v", saved.Revision, saved.Undo)
	}
	// an answer that was lost: sent again it is the same, and saved once
	var again told
	edit(2, moveTo(e, 45, 10), "").into(t, &again)
	if again.Revision != 3 || !reflect.DeepEqual(again.Changed, done.Changed) {
		t.Errorf("sent again it comes to revision %d", again.Revision)
	}
	// another window's is refused with what there is now
	a := edit(2, moveTo(e, -45, 0), "")
	if a.status != 412 || !bytes.Contains(a.body, []byte(`"current":{`)) {
		t.Errorf("of an old state: %d %.200s", a.status, a.body)
	}
	if a := edit(2, moveTo(e, -45, 0), `,"preview":true`); a.status != 200 && a.status != 412 {
		t.Errorf("a preview of an old state: %d", a.status)
	}
	var history []api.Revision
	d.ask("GET", id+"/revisions", nil).into(t, &history)
	if history[0].Says != done.Says {
		t.Errorf("the history says %q", history[0].Says)
	}
}

// What is held goes back when the hand goes on, whatever else was held in between.
func TestPreviewsAreOfTheirPlace(t *testing.T) {
	_, tr, _, edit := onTheTable(t, 8)
	e := lying(t, tr, bowl)
	o := lying(t, tr, func(o *tray.Element) bool { return o.ID != e.ID })
	by := 60.0 // towards the middle, where something lies
	if e.X > tr.Board.FoodZone.Bounds().Centre().X {
		by = -by
	}
	held := func(command string) (v told) {
		t.Helper()
		edit(2, command, `,"preview":true`).into(t, &v)
		return v
	}
	home, away := held(moveTo(e, 0, 0)), held(moveTo(e, by, 0))
	both := held(strings.Replace(moveTo(e, by, 0), fmt.Sprintf("[%q]", e.ID), fmt.Sprintf("[%q,%q]", e.ID, o.ID), 1))
	hugged := held(strings.Replace(moveTo(e, by, 0), "{", `{"hugs":true,`, 1))
	alone := held(strings.Replace(moveTo(e, by, 0), "{", `{"alone":true,`, 1))
	if len(away.Carried.Shifts) < 2 || len(alone.Carried.Shifts) != len(e.Pieces) || alone.Review.Score >= home.Review.Score {
		t.Errorf("%d pieces make room, %d where nothing does, for %v points of %v", len(away.Carried.Shifts), len(alone.Carried.Shifts), alone.Review.Score, home.Review.Score)
	}
	if math.Abs(both.Carried.At[0]-e.X-by) > .01 || hugged.Carried.At[0] < away.Carried.At[0]-12 || hugged.Carried.At[0] > away.Carried.At[0]+12 {
		t.Errorf("held at %v with another, at %v against something, at %v by itself", both.Carried.At, hugged.Carried.At, away.Carried.At)
	}
	if still := held(moveTo(e, by, 0)); !reflect.DeepEqual(away, still) {
		t.Error("what was held before changes the answer")
	}
	if back := held(moveTo(e, 0, 0)); !reflect.DeepEqual(home, back) || len(home.Carried.Shifts) != len(e.Pieces) {
		t.Errorf("back where it lay %d pieces lie otherwise", len(back.Carried.Shifts))
	}
	var off told
	edit(2, fmt.Sprintf(`{"kind":"take-off","ids":[%q]}`, e.ID), `,"preview":true`).into(t, &off)
	if len(off.Changed) != 1 || off.Changed[0].Placed || off.Carried != nil || off.Revision != 2 {
		t.Errorf("taken off, as a preview: %+v", off)
	}
}

// Each command goes on from the state that the one before came to.
func TestCommandsOneAfterTheOther(t *testing.T) {
	d, tr, id, edit := onTheTable(t, 12)
	b, h := lying(t, tr, bowl), lying(t, tr, heap)
	vs := board.BuiltInCabinet().Vessels()
	large := vs[len(vs)-1].ID
	revision := int64(2)
	do := func(command string) (v told) {
		t.Helper()
		a := edit(revision, command, "")
		if a.status != 200 {
			t.Fatalf("%s: %d %s", command, a.status, a.body)
		}
		a.into(t, &v)
		if revision++; v.Revision != revision || len(v.Changed) == 0 || v.Says == "" {
			t.Errorf("%s: revision %d, %d changed, %q", command, v.Revision, len(v.Changed), v.Says)
		}
		return v
	}
	of := func(v told, id string) *tray.Element {
		t.Helper()
		i := slices.IndexFunc(v.Changed, func(e tray.Element) bool { return e.ID == id })
		if i < 0 {
			t.Fatalf("%s is not told to have changed", id)
		}
		return &v.Changed[i]
	}
	if v := do(fmt.Sprintf(`{"kind":"amount","ids":[%q],"count":%d}`, h.ID, h.Count-2)); of(v, h.ID).Count != h.Count-2 {
		t.Errorf("two less: %d of %d", of(v, h.ID).Count, h.Count)
	}
	if v := do(fmt.Sprintf(`{"kind":"duplicate","ids":[%q]}`, h.ID)); tr.Find(v.Changed[len(v.Changed)-1].ID) >= 0 {
		t.Error("nothing is new")
	} else if v := do(fmt.Sprintf(`{"kind":"join","ids":[%q,%q]}`, h.ID, v.Changed[len(v.Changed)-1].ID)); len(v.Gone) != 1 {
		t.Errorf("joined, %v are gone", v.Gone)
	}
	if v := do(fmt.Sprintf(`{"kind":"lift","ids":[%q],"lift_mm":20}`, b.ID)); of(v, b.ID).Pieces[0].ZMM != 20 {
		t.Error("it is not lifted")
	}
	if v := do(fmt.Sprintf(`{"kind":"vessel","ids":[%q],"vessel":%q}`, b.ID, large)); of(v, b.ID).Vessel != large {
		t.Errorf("it stands in %s", of(v, b.ID).Vessel)
	}
	box := tr.Board.FoodZone.Bounds()
	if v := do(fmt.Sprintf(`{"kind":"move","ids":[%q],"to":{"x":%v,"y":%v,"turn_deg":0}}`, b.ID, box.Max.X+5, b.Y)); v.Displaced.DrawnInMm < 5 {
		t.Errorf("over the edge it is drawn in by %v mm", v.Displaced.DrawnInMm)
	}
	if v := do(fmt.Sprintf(`{"kind":"lock","ids":[%q,%q]}`, b.ID, h.ID)); len(v.Changed) != 2 || !v.Changed[0].Locked {
		t.Errorf("locked: %+v", v.Changed)
	}
	for _, step := range []string{"undo", "redo"} {
		if a := d.ask("POST", id+"/"+step, nil, "If-Match", fmt.Sprintf(`"%d"`, revision)); a.status != 200 {
			t.Errorf("%s: %d", step, a.status)
		} else {
			var j api.Job
			a.into(t, &j)
			revision = j.Revision
		}
	}
	for command, status := range map[string]int{
		`{"kind":"fly","ids":["x"]}`: 400, `{"kind":"swap"}`: 400, `{"kind":"swap","ids":["x"]}`: 422, `{"kind":"move","ids":["x"]}`: 422, `{"kind":"lay","ids":[]}`: 400, `7`: 400,
		`{"kind":"lay","ids":["nobody"]}`:                                                            422,
		fmt.Sprintf(`{"kind":"take-off","ids":[%q]}`, b.ID):                                          422, // it is locked
		fmt.Sprintf(`{"kind":"swap","ids":[%q,"nobody"]}`, b.ID):                                     422,
		fmt.Sprintf(`{"kind":"vessel","ids":[%q],"vessel":"no-such"}`, b.ID):                         422,
		fmt.Sprintf(`{"kind":"lift","ids":[%q],"lift_mm":900}`, b.ID):                                400,
		fmt.Sprintf(`{"kind":"bend","ids":[%q],"path":[[1,2],[3]]}`, h.ID):                           400,
		fmt.Sprintf(`{"kind":"open","ids":[%q],"open":1.2}`, h.ID):                                   422,
		fmt.Sprintf(`{"kind":"form","ids":[%q],"form":"pyramid"}`, h.ID):                             422,
		fmt.Sprintf(`{"kind":"move","ids":[%q],"to":{"x":1e7,"y":1,"turn_deg":0}}`, h.ID):            400,
		fmt.Sprintf(`{"kind":"move","ids":[%q],"to":{"x":1,"y":1}}`, h.ID):                           400,
		`{"kind":"move","ids":["nobody"],"to":{"x":1,"y":1,"turn_deg":0}}`:                           422,
		`{"kind":"lock","ids":[` + strings.Repeat(`"a",`, 400) + `"a"]}`:                             400,
		fmt.Sprintf(`{"kind":"move","ids":[%q,"nobody"],"to":{"x":1,"y":1,"turn_deg":0}}`, vs[0].ID): 422,
	} {
		for _, more := range []string{"", `,"preview":true`, `,"preview":true,"rests":true`} {
			if a := edit(revision, command, more); a.status != status || !bytes.Contains(a.body, []byte(`"title"`)) {
				t.Errorf("%.80s %s: %d, want %d: %.200s", command, more, a.status, status, a.body)
			}
		}
	}
	if a := edit(revision, moveTo(h, 5, 5), `,"tray":7`); a.status != 422 {
		t.Errorf("a tray that there is not: %d", a.status)
	}
	if a := edit(99, moveTo(h, 5, 5), ``); a.status != 404 && a.status != 412 {
		t.Errorf("a state that never was: %d %s", a.status, a.body)
	}
	if a := d.ask("POST", "/api/v1/jobs/nobody/edits", []byte(`{"revision":1,"command":{"kind":"lay","ids":["x"]}}`)); a.status != 404 {
		t.Errorf("of no job: %d", a.status)
	}
}

// Only what is chosen is laid again; the rest lies where it lay, and locks are as they were.
func TestLayOnlyThese(t *testing.T) {
	d := open(t, db.DSN())
	j := laid(t, 8)
	tr := j.Trays[0]
	b := lying(t, tr, bowl)
	tr.Elements[tr.Find(b.ID)].Locked = true
	h := lying(t, tr, heap)
	a := d.ask("POST", "/api/v1/arrange?seconds=30&effort=3&afresh=true&seed=5&only="+h.ID, file(t, j))
	lines := bytes.Split(bytes.TrimSpace(a.body), []byte("\n"))
	for _, line := range lines {
		var l struct {
			Tray json.RawMessage `json:"tray"`
		}
		if err := json.Unmarshal(line, &l); err != nil {
			t.Fatal(err)
		}
		if l.Tray == nil {
			continue
		}
		now, err := job.Read(l.Tray, food.BuiltIn())
		if err != nil {
			t.Fatal(err)
		}
		for i, e := range now.Trays[0].Elements {
			was := tr.Elements[i]
			if e.ID != was.ID || e.Locked != was.Locked {
				t.Errorf("%s, locked %v, is %s, locked %v", was.ID, was.Locked, e.ID, e.Locked)
			}
			if e.ID != h.ID && (e.Pose() != was.Pose() || !reflect.DeepEqual(e.Pieces, was.Pieces)) {
				t.Errorf("%s does not lie where it lay", e.ID)
			}
		}
	}
	if a := d.ask("POST", "/api/v1/arrange?seconds=1&only=nobody", file(t, j)); a.status != 422 || !bytes.Contains(a.body, []byte("nobody")) {
		t.Errorf("only what there is not: %d %.200s", a.status, a.body)
	}
}
