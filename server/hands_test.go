package server

import (
	"bytes"
	"encoding/json"
	"fmt"
	"reflect"
	"slices"
	"testing"

	"happytray/core/tray"
	"happytray/server/api"
)

// handed reads an answer of /like as a tray file.
func handed(t *testing.T, a answer) (doc struct {
	Elements []tray.Element `json:"elements"`
	Vessels  []struct {
		ID string `json:"id"`
	} `json:"vessels"`
}) {
	t.Helper()
	var out api.LaidAnswer
	a.into(t, &out)
	if err := json.Unmarshal(out.Tray, &doc); err != nil {
		t.Fatal(err)
	}
	return doc
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
