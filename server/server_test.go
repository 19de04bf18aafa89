package server

import (
	"bytes"
	"context"
	"encoding/json"
	"fmt"
	"io"
	"log/slog"
	"net/http"
	"net/http/httptest"
	"os"
	"path/filepath"
	"strings"
	"testing"
	"testing/fstest"
	"time"

	"github.com/getkin/kin-openapi/openapi3filter"
	"github.com/getkin/kin-openapi/routers"
	"github.com/getkin/kin-openapi/routers/gorillamux"

	"happytray/app"
	"happytray/clock/clocktest"
	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/job"
	"happytray/core/plan"
	"happytray/core/search"
	"happytray/server/api"
	"happytray/store"
	"happytray/store/dbtest"
	"happytray/store/localdb"
)

var (
	db     *localdb.Server
	home   string
	larder = food.BuiltIn()
	site   = fstest.MapFS{"index.html": {Data: []byte("<!doctype html><title>Happy Tray</title>")}, "assets/a.js": {Data: []byte("1")}}
)

func TestMain(m *testing.M) {
	os.Exit(dbtest.Main(m, func(s *localdb.Server, dir string) { db, home = s, dir }))
}

// desk is a running server whose every answer is held against the contract.
type desk struct {
	tb     testing.TB
	url    string
	router routers.Router
}

// unhurried is how long a database may take in tests, which share two cores with much else.
const unhurried = 20 * time.Second

func open(tb testing.TB, source string) *desk {
	tb.Helper()
	return openWith(tb, source, Options{})
}

func openWith(tb testing.TB, source string, o Options) *desk {
	tb.Helper()
	st, err := store.Open(context.Background(), source, store.Options{Now: clocktest.Now, Patience: unhurried})
	if err != nil {
		tb.Fatal(err)
	}
	tb.Cleanup(func() { st.Close() })
	return openApp(tb, app.New(st, app.Options{Now: clocktest.Now, Shop: app.ShopPolicy{Loopback: true}}), o)
}

func openApp(tb testing.TB, a *app.App, o Options) *desk {
	tb.Helper()
	h, err := Handler(a, site, o)
	if err != nil {
		tb.Fatal(err)
	}
	srv := httptest.NewUnstartedServer(nil)
	srv.Config = New(h, slog.New(slog.DiscardHandler))
	srv.Start()
	tb.Cleanup(srv.Close)
	doc, err := readContract()
	if err != nil {
		tb.Fatal(err)
	}
	router, err := gorillamux.NewRouter(doc)
	if err != nil {
		tb.Fatal(err)
	}
	return &desk{tb, srv.URL, router}
}

type answer struct {
	status int
	header http.Header
	body   []byte
}

func (a answer) into(tb testing.TB, v any) {
	tb.Helper()
	if err := json.Unmarshal(a.body, v); err != nil {
		tb.Fatalf("%v: %.200s", err, a.body)
	}
}

// ask sends a request and checks that the answer keeps to the contract.
func (d *desk) ask(method, path string, body []byte, header ...string) answer {
	d.tb.Helper()
	req, err := http.NewRequest(method, d.url+path, bytes.NewReader(body))
	if err != nil {
		d.tb.Fatal(err)
	}
	if body != nil {
		req.Header.Set("Content-Type", "application/json")
	}
	for i := 0; i+1 < len(header); i += 2 {
		req.Header.Set(header[i], header[i+1])
	}
	res, err := http.DefaultClient.Do(req)
	if err != nil {
		d.tb.Fatal(err)
	}
	defer res.Body.Close()
	raw, err := io.ReadAll(res.Body)
	if err != nil {
		d.tb.Fatal(err)
	}
	a := answer{res.StatusCode, res.Header, raw}
	if res.StatusCode >= 400 {
		var p api.Problem
		if !strings.HasPrefix(res.Header.Get("Content-Type"), "application/problem+json") || json.Unmarshal(raw, &p) != nil || p.Title == "" || p.Status != res.StatusCode {
			if path != "/healthz" && path != "/readyz" {
				d.tb.Errorf("%s %s: %d is not a problem document: %s", method, path, res.StatusCode, raw)
			}
		}
	}
	route, params, err := d.router.FindRoute(req)
	if err != nil || strings.HasPrefix(path, "/api/v1/arrange") {
		return a // lines of JSON have no schema as a whole
	}
	in := &openapi3filter.RequestValidationInput{Request: req, PathParams: params, Route: route}
	out := &openapi3filter.ResponseValidationInput{RequestValidationInput: in, Status: res.StatusCode, Header: res.Header, Options: &openapi3filter.Options{IncludeResponseStatus: true}}
	out.SetBodyBytes(raw)
	if strings.Contains(res.Header.Get("Content-Type"), "json") {
		if err := openapi3filter.ValidateResponse(context.Background(), out); err != nil {
			d.tb.Errorf("%s %s answers off the contract: %v", method, path, err)
		}
	}
	return a
}

func (d *desk) make(title, brief string) api.Job {
	d.tb.Helper()
	a := d.ask("POST", "/api/v1/jobs", []byte(fmt.Sprintf(`{"title":%q,"brief":%s}`, title, brief)))
	if a.status != http.StatusCreated || a.header.Get("ETag") != `"1"` {
		d.tb.Fatalf("%d %s", a.status, a.body)
	}
	var j api.Job
	a.into(d.tb, &j)
	return j
}

// laid is a tray laid for so many adults.
// waiting is a job of one tray that waits to be laid.
func waiting(tb testing.TB, adults int) *job.Job {
	tb.Helper()
	t, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: adults}}, larder, board.BuiltInCabinet())
	if err != nil {
		tb.Fatal(err)
	}
	return t
}

func laid(tb testing.TB, adults int) *job.Job {
	tb.Helper()
	t := waiting(tb, adults)
	res, err := search.Lay(context.Background(), t.Trays[0], larder, search.Options{Effort: 1})
	if err != nil {
		tb.Fatal(err)
	}
	return t.With(0, res.Tray)
}

func file(tb testing.TB, t *job.Job) []byte {
	tb.Helper()
	raw, err := t.Write()
	if err != nil {
		tb.Fatal(err)
	}
	return raw
}

func TestJobFromBriefToUndo(t *testing.T) {
	d := open(t, db.DSN())
	j := d.make("Supper for six", `{"guests":{"adults":6},"serve_at":"2031-05-02T19:00"}`)
	id := "/api/v1/jobs/" + j.Id

	planned := d.ask("POST", "/api/v1/replan", j.Document)
	if planned.status != 200 {
		t.Fatalf("%d %s", planned.status, planned.body)
	}
	saved := d.ask("PUT", id+"?says=picked", planned.body, "If-Match", `"1"`)
	if saved.status != 200 || saved.header.Get("ETag") != `"2"` {
		t.Fatalf("%d %s", saved.status, saved.body)
	}
	// the same change sent again, because the answer was lost, is no clash
	if again := d.ask("PUT", id+"?says=picked", planned.body, "If-Match", `"1"`); again.status != 200 || again.header.Get("ETag") != `"2"` {
		t.Errorf("sent again: %d %s", again.status, again.body)
	}
	// another change by somebody who has not seen it: both versions are offered
	stale := d.ask("PUT", id, bytes.Replace(planned.body, []byte("Supper for six"), []byte("Supper for 6"), 1), "If-Match", `"1"`)
	var p api.Problem
	stale.into(t, &p)
	if stale.status != 412 || p.Current == nil || p.Current.Revision != 2 || len(p.Current.Document) < 100 {
		t.Errorf("%d %+v", stale.status, p)
	}
	for _, step := range []struct {
		do, match string
		status    int
		head      int64
		undo      bool
	}{{"undo", `"2"`, 200, 1, false}, {"undo", `"1"`, 409, 0, false}, {"redo", `"1"`, 200, 2, true}, {"redo", `"2"`, 409, 0, false}, {"undo", `"1"`, 412, 0, false}, {"undo", `nonsense`, 400, 0, false}} {
		a := d.ask("POST", id+"/"+step.do, nil, "If-Match", step.match)
		if a.status != step.status {
			t.Errorf("%s on %s: %d %s", step.do, step.match, a.status, a.body)
			continue
		}
		if a.status == 200 {
			var now api.Job
			a.into(t, &now)
			if now.Revision != step.head || now.Undo != step.undo {
				t.Errorf("%s: at %d, undo %v", step.do, now.Revision, now.Undo)
			}
		}
	}
	var history []api.Revision
	d.ask("GET", id+"/revisions", nil).into(t, &history)
	if len(history) != 2 || history[0].Says != "picked" {
		t.Errorf("%+v", history)
	}
	// put away and taken out
	listed := func() bool {
		var jobs api.JobList
		d.ask("GET", "/api/v1/jobs?text=supper", nil).into(t, &jobs)
		for _, s := range jobs.Jobs {
			if s.Id == j.Id {
				return s.State == api.JobSummaryStatePicked && s.Guests == 6
			}
		}
		return false
	}
	if !listed() || d.ask("DELETE", id, nil).status != 204 || listed() || d.ask("POST", id+"/take-out", nil).status != 204 || !listed() {
		t.Error("putting away does not work")
	}
	if a := d.ask("GET", id+"/tray.svg", nil); a.status != 200 || !bytes.HasPrefix(a.body, []byte("<svg")) {
		t.Errorf("%d %.80s", a.status, a.body)
	} else if again := d.ask("GET", id+"/tray.svg", nil, "If-None-Match", a.header.Get("ETag")); again.status != 304 {
		t.Errorf("an unchanged drawing is sent again: %d", again.status)
	}
}

func TestEverythingThatIsReckoned(t *testing.T) {
	d := open(t, db.DSN())
	tr := laid(t, 8)
	raw := file(t, tr)
	for _, path := range []string{"/api/v1/review", "/api/v1/scene", "/api/v1/basket", "/api/v1/prep"} {
		if a := d.ask("POST", path, raw); a.status != 200 {
			t.Errorf("%s: %d %.200s", path, a.status, a.body)
		}
	}
	const doc = `{"guests":{"adults":9,"children":2},"month":11,"diets":[{"who":"two","count":2,"avoid":["gluten"]}]}`
	for path, body := range map[string]string{"/api/v1/outlook": doc, "/api/v1/plan": doc, "/api/v1/choice": `{"brief":` + doc + `,"on":[{"food":"honey","form":"bowl"},{"food":"gone","form":"bowl"}]}`} {
		if a := d.ask("POST", path, []byte(body)); a.status != 200 {
			t.Errorf("%s: %d %.200s", path, a.status, a.body)
		}
	}
	for _, path := range []string{"/api/v1/larder", "/healthz", "/api/v1/foods/figs/picture.svg", "/api/v1/foods/orange-block/picture.svg?form=batons"} {
		if a := d.ask("GET", path, nil); a.status != 200 {
			t.Errorf("%s: %d %.200s", path, a.status, a.body)
		}
	}
}

// A bowl was pushed into its neighbours: a finding is mended, or it is said that nothing helps.
func TestMend(t *testing.T) {
	d := open(t, db.DSN())
	plan := d.ask("POST", "/api/v1/plan", []byte(`{"guests":{"adults":4},"month":9}`)).body
	var laid json.RawMessage
	for _, line := range bytes.Split(bytes.TrimSpace(d.ask("POST", "/api/v1/arrange?seconds=60&effort=3", plan).body), []byte("\n")) {
		var l struct {
			Tray json.RawMessage `json:"tray"`
		}
		if err := json.Unmarshal(line, &l); err != nil {
			t.Fatal(err)
		}
		if l.Tray != nil {
			laid = l.Tray
		}
	}
	tr, err := job.Read(laid, food.BuiltIn())
	if err != nil {
		t.Fatal(err)
	}
	k := 0
	for i := range tr.Trays[0].Elements {
		if tr.Trays[0].Elements[i].Vessel != "" && tr.Trays[0].Elements[i].Placed {
			k = i
		}
	}
	e := &tr.Trays[0].Elements[k]
	from := e.Pose()
	e.MoveTo(geom.Pose{X: from.X + 12, Y: from.Y + 9, Turn: from.Turn})
	raw, err := tr.Write()
	if err != nil {
		t.Fatal(err)
	}
	var rev struct {
		Score    float64
		Findings []struct {
			Check    string     `json:"check"`
			Elements []string   `json:"elements"`
			At       [2]float64 `json:"at"`
		}
	}
	d.ask("POST", "/api/v1/review", raw).into(t, &rev)
	f := rev.Findings[0]
	ids, _ := json.Marshal(f.Elements)
	var mend struct {
		Found bool            `json:"found"`
		Tray  json.RawMessage `json:"tray"`
		Gain  float64         `json:"gain"`
	}
	d.ask("POST", "/api/v1/mend", []byte(fmt.Sprintf(`{"tray":%s,"check":%q,"elements":%s,"at":[%v,%v]}`, raw, f.Check, ids, f.At[0], f.At[1]))).into(t, &mend)
	if mend.Found {
		before := rev.Score
		d.ask("POST", "/api/v1/review", mend.Tray).into(t, &rev)
		if rev.Score <= before || mend.Gain <= 0 {
			t.Errorf("mended, it scores %v after %v", rev.Score, before)
		}
	}
	if a := d.ask("POST", "/api/v1/mend", []byte(`{"tray":{"format":"happytray/1","title":"x","brief":{"guests":{"adults":1}},"board":null,"vessels":[],"elements":[],"reserve":[],"rules":{},"seed":1},"check":"fit.gap","elements":[],"at":[0,0]}`)); a.status != 422 {
		t.Errorf("without a board: %d", a.status)
	}
}

func TestBadRequests(t *testing.T) {
	d := open(t, db.DSN())
	j := d.make("Left alone", `{"guests":{"adults":4}}`)
	id := "/api/v1/jobs/" + j.Id
	good := string(j.Document)
	deep := strings.Repeat("[", 400) + strings.Repeat("]", 400)
	for _, c := range []struct {
		name, method, path, body string
		status                   int
		field                    string
	}{
		{"no json", "POST", "/api/v1/jobs", `title=x`, 400, ""},
		{"nothing", "POST", "/api/v1/jobs", ``, 400, ""},
		{"no title", "POST", "/api/v1/jobs", `{"brief":{"guests":{"adults":4}}}`, 400, "title"},
		{"empty title", "POST", "/api/v1/jobs", `{"title":"","brief":{"guests":{"adults":4}}}`, 400, "title"},
		{"unknown member", "POST", "/api/v1/jobs", `{"title":"a","brief":{"guests":{"adults":4}},"x":1}`, 400, ""},
		{"nobody comes", "POST", "/api/v1/jobs", `{"title":"a","brief":{"guests":{"adults":0}}}`, 422, "brief.guests"},
		{"everybody comes", "POST", "/api/v1/outlook", `{"guests":{"adults":100000}}`, 422, "guests"},
		{"tiny board", "POST", "/api/v1/plan", `{"guests":{"adults":4},"board":{"shape":"round","length_mm":20}}`, 422, "board.length_mm"},
		{"nan", "POST", "/api/v1/plan", `{"guests":{"adults":NaN}}`, 400, ""},
		{"infinity", "POST", "/api/v1/plan", `{"guests":{"adults":4},"budget":1e999}`, 422, "budget"},
		{"unknown food", "POST", "/api/v1/plan", `{"guests":{"adults":4},"foods":["cloud"]}`, 422, "foods[0]"},
		{"avoided food", "POST", "/api/v1/choice", `{"brief":{"guests":{"adults":4},"foods":["almonds"],"diets":[{"avoid":["nuts"]}]}}`, 422, "foods[0]"},
		{"deep", "POST", "/api/v1/review", `{"format":"happytray/1","elements":` + deep + `}`, 400, ""},
		{"list for a tray", "POST", "/api/v1/review", `[]`, 400, ""},
		{"text for a tray", "POST", "/api/v1/scene", `"tray"`, 400, ""},
		{"not utf-8", "POST", "/api/v1/review", "{\"format\":\"\xff\"}", 400, ""},
		{"wrong format", "POST", "/api/v1/basket", `{"format":"other/1"}`, 422, "format"},
		{"no board to lay on", "POST", "/api/v1/arrange", good, 422, "board"},
		{"unknown style", "POST", "/api/v1/arrange?style=zigzag", good, 400, "style"},
		{"an hour", "POST", "/api/v1/arrange?seconds=3600", good, 400, "seconds"},
		{"negative seed", "POST", "/api/v1/arrange?seed=-1", good, 400, "seed"},
		{"duplicate ids", "PUT", id, strings.Replace(good, `"elements":[]`, `"elements":[{"id":"a","food":"figs","form":"halves"},{"id":"a","food":"figs","form":"halves"}]`, 1), 422, "board"},
		{"bad save", "PUT", id, strings.Replace(good, `"adults":4`, `"adults":"four"`, 1), 422, "brief.guests.adults"},
		{"unknown job", "GET", "/api/v1/jobs/nope", ``, 404, ""},
		{"long id", "GET", "/api/v1/jobs/" + strings.Repeat("x", 99), ``, 400, "id"},
		{"unknown picture", "GET", "/api/v1/foods/nope/picture.svg", ``, 404, "id"},
		{"nothing there", "GET", "/api/v1/nothing", ``, 404, ""},
		{"wrong method", "PATCH", id, `{}`, 405, ""},
		{"missing script", "GET", "/assets/nope.js", ``, 404, ""},
	} {
		var body []byte
		if c.method != "GET" {
			body = []byte(c.body)
		}
		a := d.ask(c.method, c.path, body, "If-Match", `"1"`)
		var p api.Problem
		if a.status != c.status || json.Unmarshal(a.body, &p) != nil {
			t.Errorf("%s: %d, want %d: %.300s", c.name, a.status, c.status, a.body)
			continue
		}
		field := ""
		if p.Field != nil {
			field = *p.Field
		}
		if c.field != "" && field != c.field {
			t.Errorf("%s: field %q, want %q (%s)", c.name, field, c.field, a.body)
		}
		for _, leak := range []string{"goroutine", ".go:", "sql:", "SELECT"} {
			if bytes.Contains(a.body, []byte(leak)) {
				t.Errorf("%s: tells how the program is made: %s", c.name, a.body)
			}
		}
	}
	if a := d.ask("PUT", id, bytes.Repeat([]byte(" "), 9<<20), "If-Match", `"1"`); a.status != 413 {
		t.Errorf("9 MB: %d", a.status)
	}
	if a := d.ask("PUT", id, []byte(good)); a.status != 400 {
		t.Errorf("without If-Match: %d %s", a.status, a.body)
	}
	if a := d.ask("POST", "/api/v1/jobs", []byte(`{"title":"a","brief":{"guests":{"adults":4}}}`), "Sec-Fetch-Site", "cross-site"); a.status != 403 {
		t.Errorf("another site: %d", a.status)
	}
	// nothing of all this was kept
	var now api.Job
	d.ask("GET", id, nil).into(t, &now)
	if now.Revision != 1 || string(now.Document) != good {
		t.Errorf("revision %d", now.Revision)
	}
}

// Several ways come in the last line, the best first, each sound.
func TestWaysToLayStream(t *testing.T) {
	d := open(t, db.DSN())
	planned := d.ask("POST", "/api/v1/plan", []byte(`{"guests":{"adults":3}}`))
	a := d.ask("POST", "/api/v1/arrange?seconds=60&effort=2&seed=3&ways=3", planned.body)
	lines := bytes.Split(bytes.TrimSpace(a.body), []byte("\n"))
	var last struct {
		Done bool
		Ways []struct {
			Style, Says    string
			Score, Differs float64
			Tray           json.RawMessage
		}
	}
	if err := json.Unmarshal(lines[len(lines)-1], &last); err != nil || !last.Done || len(last.Ways) != 3 {
		t.Fatalf("%v: %d ways in the last of %d lines", err, len(last.Ways), len(lines))
	}
	for i, w := range last.Ways {
		if _, err := job.Read(w.Tray, larder); err != nil || w.Says == "" || w.Style == "" || i > 0 && w.Score > last.Ways[i-1].Score {
			t.Errorf("way %d: %s %q %v %v", i, w.Style, w.Says, w.Score, err)
		}
	}
	for _, bad := range []string{"0", "7", "many"} {
		if a := d.ask("POST", "/api/v1/arrange?ways="+bad, planned.body); a.status != 400 && a.status != 422 {
			t.Errorf("ways=%s: %d", bad, a.status)
		}
	}
}

func TestArrangeStreams(t *testing.T) {
	d := open(t, db.DSN())
	planned := d.ask("POST", "/api/v1/plan", []byte(`{"guests":{"adults":2},"board":{"shape":"rectangle","length_mm":500,"width_mm":350}}`))
	a := d.ask("POST", "/api/v1/arrange?seconds=60&effort=3&seed=3&style=corners", planned.body)
	if a.status != 200 || !strings.HasPrefix(a.header.Get("Content-Type"), "application/x-ndjson") {
		t.Fatalf("%d %s", a.status, a.header)
	}
	lines := bytes.Split(bytes.TrimSpace(a.body), []byte("\n"))
	last, tried := -1.0, 0
	for i, l := range lines {
		var p struct {
			Tried        int
			Share, Score float64
			Done         bool
			Tray         json.RawMessage
		}
		if err := json.Unmarshal(l, &p); err != nil {
			t.Fatalf("line %d: %v", i, err)
		}
		if p.Score < last || p.Tried < tried || p.Share > 1 || p.Done != (i == len(lines)-1) {
			t.Errorf("line %d goes backwards: %+v after %v", i, p, last)
		}
		last, tried = p.Score, p.Tried
		if p.Done {
			if _, err := job.Read(p.Tray, larder); err != nil {
				t.Errorf("the last tray: %v", err)
			}
		}
	}
	if len(lines) < 2 || tried != 3 {
		t.Errorf("%d lines, %d layouts tried of 3", len(lines), tried)
	}

	// closing the connection ends the search
	ctx, stop := context.WithCancel(context.Background())
	req, _ := http.NewRequestWithContext(ctx, "POST", d.url+"/api/v1/arrange?seconds=50", bytes.NewReader(planned.body))
	req.Header.Set("Content-Type", "application/json")
	res, err := http.DefaultClient.Do(req)
	if err != nil {
		t.Fatal(err)
	}
	if _, err := res.Body.Read(make([]byte, 1)); err != nil {
		t.Fatal(err)
	}
	stop()
	res.Body.Close()
	// the four places for searches are free again: this would wait for one otherwise
	for range 6 {
		start := time.Now()
		d.ask("POST", "/api/v1/arrange?effort=1", planned.body)
		if took := time.Since(start); took > 20*time.Second {
			t.Fatalf("a search waited %v", took)
		}
	}
}

func TestPagesAreServed(t *testing.T) {
	d := open(t, db.DSN())
	for path, want := range map[string]string{"/": "Happy Tray", "/jobs/123/lay": "Happy Tray", "/assets/a.js": "1", "/../../etc/passwd": "Happy Tray", "/larder": "Happy Tray"} {
		a := d.ask("GET", path, nil)
		if a.status != 200 || !bytes.Contains(a.body, []byte(want)) {
			t.Errorf("%s: %d %.80s", path, a.status, a.body)
		}
		if a.header.Get("Content-Security-Policy") == "" || a.header.Get("X-Content-Type-Options") != "nosniff" {
			t.Errorf("%s is sent unguarded", path)
		}
	}
	if a := d.ask("GET", "/assets/a.js", nil); !strings.Contains(a.header.Get("Cache-Control"), "immutable") {
		t.Error("scripts are fetched again and again")
	}
}

func TestLostDatabase(t *testing.T) {
	dir := filepath.Join(home, "lost")
	own, err := localdb.Start(context.Background(), dir, localdb.Options{})
	if err != nil {
		t.Fatal(err)
	}
	d := open(t, own.DSN())
	j := d.make("Still there", `{"guests":{"adults":4}}`)
	if err := own.Stop(); err != nil {
		t.Fatal(err)
	}
	for _, c := range [][2]string{{"GET", "/api/v1/jobs"}, {"GET", "/api/v1/jobs/" + j.Id}, {"PUT", "/api/v1/jobs/" + j.Id}} {
		var body []byte
		if c[0] == "PUT" {
			body = j.Document
		}
		a := d.ask(c[0], c[1], body, "If-Match", `"1"`)
		if a.status != 503 || !bytes.Contains(a.body, []byte("database")) {
			t.Errorf("%s %s with the database gone: %d %s", c[0], c[1], a.status, a.body)
		}
	}
	if a := d.ask("GET", "/healthz", nil); a.status != 503 || !bytes.Contains(a.body, []byte("does not answer")) {
		t.Errorf("health: %d %s", a.status, a.body)
	}
	// what needs no database still works
	if a := d.ask("POST", "/api/v1/outlook", []byte(`{"guests":{"adults":4}}`)); a.status != 200 {
		t.Errorf("outlook: %d", a.status)
	}
	if own, err = localdb.Start(context.Background(), dir, localdb.Options{Port: own.Port}); err != nil {
		t.Fatal(err)
	}
	defer own.Stop()
	if a := d.ask("GET", "/api/v1/jobs/"+j.Id, nil); a.status != 200 {
		t.Errorf("after it came back: %d %s", a.status, a.body)
	}
	if a := d.ask("GET", "/healthz", nil); a.status != 200 {
		t.Errorf("health after it came back: %d", a.status)
	}
}

func BenchmarkPreview(b *testing.B) {
	d := open(b, db.DSN())
	tr := laid(b, 26)
	j := d.make("Bench", `{"guests":{"adults":26}}`)
	id := "/api/v1/jobs/" + j.Id
	if a := d.ask("PUT", id, file(b, tr), "If-Match", `"1"`); a.status != 200 {
		b.Fatal(string(a.body))
	}
	for i := 0; b.Loop(); i++ {
		e := tr.Trays[0].Elements[3]
		body := fmt.Sprintf(`{"revision":2,"preview":true,"command":{"kind":"move","ids":[%q],"to":{"x":%v,"y":%v,"turn_deg":0}}}`, e.ID, e.X+float64(i%40), e.Y)
		if a := d.ask("POST", id+"/edits", []byte(body)); a.status != 200 {
			b.Fatal(string(a.body))
		}
	}
}

// What is shown small is sent with fewer marks; it is the same tray and the same food.
func TestWhatIsShownSmallIsSentSmall(t *testing.T) {
	d := open(t, db.DSN())
	id := "/api/v1/jobs/" + d.make("On a ticket", `{"guests":{"adults":4}}`).Id
	if a := d.ask("PUT", id, file(t, laid(t, 4)), "If-Match", `"1"`); a.status != 200 {
		t.Fatal(string(a.body))
	}
	for whole, small := range map[string]string{
		id + "/tray.svg?v=2": id + "/tray.svg?afar=true&v=2", "/api/v1/foods/fennel-sausage/picture.svg": "/api/v1/foods/fennel-sausage/picture.svg?thumb=true",
	} {
		a, b := d.ask("GET", whole, nil), d.ask("GET", small, nil)
		if a.status != 200 || b.status != 200 || len(b.body) >= len(a.body)*9/10 || !bytes.HasPrefix(b.body, []byte("<svg")) {
			t.Errorf("%s: %d, %d bytes; small: %d, %d bytes", whole, a.status, len(a.body), b.status, len(b.body))
		}
	}
	if a := d.ask("GET", id+"/tray.svg?afar=perhaps", nil); a.status != 400 {
		t.Errorf("afar=perhaps: %d", a.status)
	}
}
