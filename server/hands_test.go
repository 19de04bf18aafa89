package server

import (
	"bytes"
	"encoding/json"
	"fmt"
	"reflect"
	"slices"
	"testing"

	"happytray/core/board"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/tray"
	"happytray/server/api"
)

// handed reads an answer of /by-hand or /like as a tray file.
func handed(t *testing.T, a answer) (doc struct {
	Elements []tray.Element `json:"elements"`
	Vessels  []struct {
		ID string `json:"id"`
	} `json:"vessels"`
}) {
	t.Helper()
	var out api.HandAnswer
	a.into(t, &out)
	if err := json.Unmarshal(out.Tray, &doc); err != nil {
		t.Fatal(err)
	}
	return doc
}

// Each act of a hand is done over HTTP, and what cannot be done is refused with a sentence.
func TestByHand(t *testing.T) {
	d := open(t, db.DSN())
	j := laid(t, 12)
	tr, raw := j.Trays[0], file(t, j)
	find := func(want func(e *tray.Element) bool) string {
		i := slices.IndexFunc(tr.Elements, func(e tray.Element) bool { return e.Placed && want(&e) })
		if i < 0 {
			t.Fatal("the tray lacks something")
		}
		return tr.Elements[i].ID
	}
	bowl := find(func(e *tray.Element) bool { return e.Vessel != "" })
	heap := find(func(e *tray.Element) bool { return e.Vessel == "" && e.Kind() == food.KindLoose && e.Count > 4 })
	row := find(func(e *tray.Element) bool { return e.Vessel == "" && e.Kind() == food.KindRow && e.Count > 4 })
	act := func(more string) answer {
		return d.ask("POST", "/api/v1/by-hand", fmt.Appendf(nil, `{"tray":%s,%s}`, raw, more))
	}
	at := func(doc []tray.Element, id string) *tray.Element {
		return &doc[slices.IndexFunc(doc, func(e tray.Element) bool { return e.ID == id })]
	}
	was := at(tr.Elements, heap)
	if doc := handed(t, act(fmt.Sprintf(`"kind":"duplicate","element":%q`, heap))); len(doc.Elements) != len(tr.Elements)+1 {
		t.Errorf("duplicated, %d elements of %d", len(doc.Elements), len(tr.Elements))
	}
	if doc := handed(t, act(fmt.Sprintf(`"kind":"amount","element":%q,"count":%d`, heap, was.Count-2))); at(doc.Elements, heap).Count != was.Count-2 {
		t.Errorf("two less: %d of %d", at(doc.Elements, heap).Count, was.Count)
	}
	if doc := handed(t, act(fmt.Sprintf(`"kind":"lift","element":%q,"lift_mm":20`, bowl))); at(doc.Elements, bowl).Pieces[0].ZMM != 20 {
		t.Error("it is not lifted")
	}
	if doc := handed(t, act(fmt.Sprintf(`"kind":"move","moves":[{"id":%q,"x":%v,"y":%v,"turn_deg":0},{"id":%q,"x":%v,"y":%v,"turn_deg":10}]`, bowl, was.X, was.Y, row, tr.Elements[0].X, tr.Elements[0].Y))); at(doc.Elements, bowl).X == at(tr.Elements, bowl).X {
		t.Error("nothing was moved")
	}
	vs := board.BuiltInCabinet().Vessels()
	large := vs[len(vs)-1].ID
	if doc := handed(t, act(fmt.Sprintf(`"kind":"vessel","element":%q,"vessel":%q`, bowl, large))); at(doc.Elements, bowl).Vessel != large {
		t.Errorf("it stands in %s", at(doc.Elements, bowl).Vessel)
	}
	for more, status := range map[string]int{
		`"kind":"fly","element":"x"`: 400, `"kind":"swap"`: 422, `"kind":"move"`: 422,
		fmt.Sprintf(`"kind":"swap","element":%q,"other":"nobody"`, bowl):                  422,
		fmt.Sprintf(`"kind":"vessel","element":%q,"vessel":"no-such"`, bowl):              422,
		fmt.Sprintf(`"kind":"lift","element":%q,"lift_mm":900`, bowl):                     400,
		fmt.Sprintf(`"kind":"bend","element":%q,"path":[[1,2],[3]]`, row):                 400,
		fmt.Sprintf(`"kind":"open","element":%q,"open":1.2`, heap):                        422,
		`"kind":"move","moves":[{"id":"nobody","x":1,"y":1,"turn_deg":0}]`:                422,
		fmt.Sprintf(`"kind":"move","moves":[{"id":%q,"x":1e7,"y":1,"turn_deg":0}]`, bowl): 400,
	} {
		if a := act(more); a.status != status || !bytes.Contains(a.body, []byte(`"title"`)) {
			t.Errorf("%s: %d, want %d: %.200s", more, a.status, status, a.body)
		}
	}
}

// A tray is seen through lenses, drawn from all sides, and laid like another.
func TestLooksAndLikes(t *testing.T) {
	d := open(t, db.DSN())
	j := laid(t, 10)
	raw := file(t, j)
	var v api.LensView
	d.ask("POST", "/api/v1/lens", fmt.Appendf(nil, `{"tray":%s,"lens":"allergens","word":"milk"}`, raw)).into(t, &v)
	if v.Word == nil || *v.Word != "milk" || len(v.Tints) == 0 || v.Number == "" {
		t.Errorf("milk: %+v", v.Number)
	}
	for body, status := range map[string]int{
		fmt.Sprintf(`{"tray":%s,"lens":"x-ray"}`, raw):                   400,
		fmt.Sprintf(`{"tray":%s,"lens":"allergens","word":"dust"}`, raw): 422,
		`{"tray":{},"lens":"gaps"}`:                                      422,
	} {
		if a := d.ask("POST", "/api/v1/lens", []byte(body)); a.status != status {
			t.Errorf("%.60s: %d, want %d", body[len(body)-60:], a.status, status)
		}
	}
	seen := map[string]bool{}
	for _, query := range []string{"", "?names=true", "?from=bottom", "?from=left&names=true"} {
		a := d.ask("POST", "/api/v1/picture"+query, raw)
		if a.status != 200 || a.header.Get("Content-Type") != "image/svg+xml" || !bytes.HasPrefix(a.body, []byte("<svg")) {
			t.Errorf("%s: %d %s", query, a.status, a.header.Get("Content-Type"))
		}
		seen[string(a.body)] = true
	}
	if len(seen) != 4 {
		t.Errorf("four pictures, %d of them differ", len(seen))
	}
	if a := d.ask("POST", "/api/v1/picture?from=below", raw); a.status != 400 {
		t.Errorf("from below: %d", a.status)
	}
	other := d.make("A pattern", `{"guests":{"adults":10}}`)
	if a := d.ask("PUT", "/api/v1/jobs/"+other.Id, raw, "If-Match", `"1"`); a.status != 200 {
		t.Fatal(string(a.body))
	}
	fresh := file(t, waiting(t, 12))
	if doc := handed(t, d.ask("POST", "/api/v1/like", fmt.Appendf(nil, `{"tray":%s,"job":%q}`, fresh, other.Id))); slices.IndexFunc(doc.Elements, func(e tray.Element) bool { return e.Placed }) < 0 {
		t.Error("nothing is laid")
	}
	for body, status := range map[string]int{
		fmt.Sprintf(`{"tray":%s,"job":"nobody"}`, fresh):                                         404,
		fmt.Sprintf(`{"tray":%s,"job":%q,"which":3}`, fresh, other.Id):                           422,
		fmt.Sprintf(`{"tray":%s,"job":%q}`, fresh, d.make("Bare", `{"guests":{"adults":3}}`).Id): 422,
	} {
		if a := d.ask("POST", "/api/v1/like", []byte(body)); a.status != status {
			t.Errorf("%.60s: %d, want %d: %s", body[len(body)-60:], a.status, status, a.body)
		}
	}
}

// A laid tray is kept as a pattern: what others are laid like stays as it was kept, whatever becomes of its job.
func TestPatterns(t *testing.T) {
	d := open(t, db.DSN())
	j := d.make("Worth keeping", `{"guests":{"adults":8}}`)
	id := "/api/v1/jobs/" + j.Id
	if a := d.ask("PUT", id, file(t, laid(t, 8)), "If-Match", `"1"`); a.status != 200 {
		t.Fatal(string(a.body))
	}
	ask := func(name string, revision, tray int) []byte {
		return fmt.Appendf(nil, `{"name":%q,"laid":{"job":%q,"revision":%d,"tray":%d}}`, name, j.Id, revision, tray)
	}
	var k api.Kept
	d.ask("POST", "/api/v1/shelf/pattern", ask("Rings of eight", 2, 0)).keep(t, &k)
	if k.Laid == nil || k.Laid.Job != j.Id || k.Laid.Revision != 2 {
		t.Fatalf("%+v", k)
	}
	fresh := file(t, waiting(t, 10))
	like := func() []tray.Element {
		doc := handed(t, d.ask("POST", "/api/v1/like", fmt.Appendf(nil, `{"tray":%s,"job":%q,"revision":%d,"which":%d}`, fresh, k.Laid.Job, k.Laid.Revision, k.Laid.Tray)))
		return doc.Elements
	}
	before := like()
	if a := d.ask("PUT", id, file(t, laid(t, 5)), "If-Match", `"2"`); a.status != 200 {
		t.Fatal(string(a.body))
	}
	if a := d.ask("DELETE", id, nil); a.status >= 300 {
		t.Fatal(string(a.body))
	}
	if after := like(); !reflect.DeepEqual(before, after) {
		t.Error("the pattern changed with its job")
	}
	var renamed api.Kept
	d.ask("PUT", "/api/v1/shelf/pattern/"+k.Id, []byte(`{"name":"Rings"}`), "If-Match", fmt.Sprintf("%q", fmt.Sprint(k.Version))).into(t, &renamed)
	if renamed.Name != "Rings" || renamed.Laid == nil || *renamed.Laid != *k.Laid {
		t.Errorf("renamed it is %+v", renamed)
	}
	for body, status := range map[string]int{
		string(ask("Of what is not laid", 1, 0)): 422,
		string(ask("Of no tray", 2, 7)):          422,
		string(ask("Of no state", 99, 0)):        404,
		`{"name":"Of nothing"}`:                  422,
		string(ask("", 2, 0)):                    400,
	} {
		if a := d.ask("POST", "/api/v1/shelf/pattern", []byte(body)); a.status != status {
			t.Errorf("%s: %d, want %d: %s", body, a.status, status, a.body)
		}
	}
	if a := d.ask("DELETE", "/api/v1/shelf/pattern/"+k.Id, nil); a.status != 204 {
		t.Errorf("off the shelf: %d %s", a.status, a.body)
	}
	var shelf api.ShelfKept
	d.ask("GET", "/api/v1/shelf", nil).into(t, &shelf)
	if i := slices.IndexFunc(shelf.Kept, func(o api.Kept) bool { return o.Id == k.Id }); i < 0 || !shelf.Kept[i].PutAway {
		t.Error("it is still on the shelf")
	}
}

// Saved states are read one by one, drawn, named and un-named; the head tells of another window's save.
func TestSavedStates(t *testing.T) {
	d := open(t, db.DSN())
	j := d.make("Looked back on", `{"guests":{"adults":5}}`)
	id := "/api/v1/jobs/" + j.Id
	var head struct{ Revision int64 }
	d.ask("GET", id+"/head", nil).into(t, &head)
	if head.Revision != 1 {
		t.Errorf("head %d", head.Revision)
	}
	if a := d.ask("PUT", id+"?says=laid", file(t, laid(t, 5)), "If-Match", `"1"`); a.status != 200 {
		t.Fatal(string(a.body))
	}
	d.ask("GET", id+"/head", nil).into(t, &head)
	if head.Revision != 2 {
		t.Errorf("head %d after a save", head.Revision)
	}
	if a := d.ask("PUT", id+"/revisions/2", []byte(`{"name":"  For the jury "}`)); a.status != 204 {
		t.Errorf("naming: %d %s", a.status, a.body)
	}
	var list []api.Revision
	d.ask("GET", id+"/revisions", nil).into(t, &list)
	if len(list) != 2 || list[0].Name != "For the jury" || list[1].Name != "" {
		t.Errorf("the list: %+v", list)
	}
	var one api.SavedState
	d.ask("GET", id+"/revisions/1", nil).into(t, &one)
	if one.Number != 1 || !bytes.Contains(one.Document, []byte(`"Looked back on"`)) {
		t.Errorf("the first: %d, %.80s", one.Number, one.Document)
	}
	if a := d.ask("GET", id+"/revisions/2/tray.svg", nil); a.status != 200 || !bytes.HasPrefix(a.body, []byte("<svg")) || a.header.Get("Cache-Control") == "" {
		t.Errorf("its picture: %d", a.status)
	}
	if a := d.ask("PUT", id+"/revisions/2", []byte(`{"name":""}`)); a.status != 204 {
		t.Errorf("taking the name away: %d", a.status)
	}
	for _, c := range []struct {
		method, path, body string
		status             int
	}{{"GET", "/revisions/9", "", 404}, {"GET", "/revisions/0", "", 400}, {"GET", "/revisions/9/tray.svg", "", 404}, {"PUT", "/revisions/9", `{"name":"x"}`, 404},
		{"PUT", "/revisions/2", `{}`, 400}, {"PUT", "/revisions/2", fmt.Sprintf(`{"name":%q}`, bytes.Repeat([]byte("n"), 130)), 422}, {"PUT", "/revisions/2", `{"name":"` + string(bytes.Repeat([]byte("n"), 500)) + `"}`, 400}} {
		var body []byte
		if c.body != "" {
			body = []byte(c.body)
		}
		if a := d.ask(c.method, id+c.path, body); a.status != c.status {
			t.Errorf("%s %s: %d, want %d: %s", c.method, c.path, a.status, c.status, a.body)
		}
	}
	if a := d.ask("GET", "/api/v1/jobs/nobody/head", nil); a.status != 404 && a.status != 400 {
		t.Errorf("the head of nothing: %d", a.status)
	}
}

// What is pushed over the edge goes as far as the edge lets it, and it is said by how much less.
func TestWhatIsDrawnInIsSaid(t *testing.T) {
	d := open(t, db.DSN())
	j := laid(t, 6)
	tr := j.Trays[0]
	k := slices.IndexFunc(tr.Elements, func(e tray.Element) bool { return e.Placed && e.Vessel != "" })
	e := &tr.Elements[k]
	from := e.Pose()
	box := tr.Board.FoodZone.Bounds()
	for name, by := range map[string]float64{"over the edge": box.Max.X - from.X + 5, "a little": 0} {
		moved := j.Clone()
		moved.Trays[0].Elements[k].MoveTo(geom.Pose{X: from.X + by, Y: from.Y, Turn: from.Turn})
		raw, err := json.Marshal(map[string]any{"tray": json.RawMessage(file(t, moved)), "element": e.ID, "from": map[string]float64{"x": from.X, "y": from.Y, "turn_deg": from.Turn}})
		if err != nil {
			t.Fatal(err)
		}
		a := d.ask("POST", "/api/v1/give-way", raw)
		var out api.GiveWayAnswer
		a.into(t, &out)
		if drawn := out.DrawnInMm != nil && *out.DrawnInMm > 5; a.status != 200 || drawn != (by > 1) {
			t.Errorf("%s: %d, drawn in %v", name, a.status, out.DrawnInMm)
		}
	}
}
