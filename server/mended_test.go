package server

import (
	"context"
	"encoding/json"
	"fmt"
	"net/http"
	"path/filepath"
	"slices"
	"strings"
	"sync"
	"syscall"
	"testing"
	"time"

	"happytray/app"
	"happytray/server/api"
	"happytray/store"
	"happytray/store/dbtest"
	"happytray/store/localdb"
)

// What is done is said in any words, and kept as far as there is room.
func TestWordsOfAnyKindAreKept(t *testing.T) {
	d := open(t, db.DSN())
	title := strings.Repeat("é", 160)
	j := d.make(title, `{"guests":{"adults":3},"host":"Ödile","place":"quai d’hiver"}`)
	id := "/api/v1/jobs/" + j.Id
	for i, says := range []string{"%ff%fe", "%C3%A9migr%C3%A9", "%F0%9F%A7%80", strings.Repeat("%C3%A9", 200), "a%00b"} {
		a := d.ask("PUT", id+"?says="+says, []byte(strings.Replace(string(j.Document), `"seed":1`, fmt.Sprintf(`"seed":%d`, i+5), 1)), "If-Match", fmt.Sprintf(`"%d"`, i+1))
		if a.status != 200 {
			t.Errorf("says %q: %d %s", says, a.status, a.body)
		}
	}
	var history []api.Revision
	d.ask("GET", id+"/revisions", nil).into(t, &history)
	if len(history) != 6 || history[3].Says != "émigré" || history[2].Says != "🧀" || history[1].Says != strings.Repeat("é", 200) {
		t.Errorf("%+v", history)
	}
	var page []api.Revision
	d.ask("GET", id+"/revisions?before=3", nil).into(t, &page)
	if len(page) != 2 || page[0].Number != 2 {
		t.Errorf("before the third: %+v", page)
	}
	if a := d.ask("POST", "/api/v1/jobs", []byte(`{"title":"`+title+`é","brief":{"guests":{"adults":3}}}`)); a.status != 400 {
		t.Errorf("161 letters: %d", a.status)
	}
}

// Undo takes back what the list of jobs, the week's list and other jobs read of a job.
func TestUndoIsSeenOnTheBench(t *testing.T) {
	d := open(t, db.DSN())
	j := d.planned("Undone", `{"guests":{"adults":4},"serve_at":"2033-03-02T19:00"}`)
	id := "/api/v1/jobs/" + j.Id
	changed := strings.Replace(strings.Replace(string(j.Document), "2033-03-02T19:00", "2033-04-20T19:00", -1), `"title":"Undone"`, `"title":"Moved"`, 1)
	var job api.Job
	d.ask("GET", id, nil).into(t, &job)
	if a := d.ask("PUT", id, []byte(changed), "If-Match", fmt.Sprintf(`"%d"`, job.Revision)); a.status != 200 {
		t.Fatalf("%d %s", a.status, a.body)
	}
	card := func(text string) (c api.JobSummary) {
		var l api.JobList
		d.ask("GET", "/api/v1/jobs?text="+text, nil).into(t, &l)
		for _, s := range l.Jobs {
			if s.Id == j.Id {
				return s
			}
		}
		return c
	}
	weekHas := func(day string) bool {
		var l api.ShoppingList
		d.ask("GET", "/api/v1/shopping?week="+day, nil).into(t, &l)
		// other tests' jobs may fall in the same week
		return l.List.Items > 0 && slices.ContainsFunc(l.Jobs, func(of api.ShoppingJob) bool { return of.Id == j.Id })
	}
	if c := card("moved"); c.Title != "Moved" || !weekHas("2033-04-20") || weekHas("2033-03-02") {
		t.Errorf("after the change: %+v", c)
	}
	if a := d.ask("POST", id+"/undo", nil, "If-Match", fmt.Sprintf(`"%d"`, job.Revision+1)); a.status != 200 {
		t.Fatalf("%d %s", a.status, a.body)
	}
	if c := card("undone"); c.Title != "Undone" || *c.ServeAt != "2033-03-02T19:00" || c.Due == nil || c.Due.Year() != 2033 || c.Due.Month() != 3 || weekHas("2033-04-20") || !weekHas("2033-03-02") {
		t.Errorf("after undo: %+v", c)
	}
}

// ownDatabase is a server that no other test uses, and a store on it.
func ownDatabase(t *testing.T, name string) (*localdb.Server, *store.Store) {
	t.Helper()
	own, err := localdb.Start(context.Background(), filepath.Join(home, name), localdb.Options{})
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = own.Stop() })
	st, err := store.Open(context.Background(), own.DSN(), store.Options{})
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = st.Close() })
	return own, st
}

// Settings that cannot be read are not taken for the usual ones, nor written over.
func TestSettingsThatCannotBeRead(t *testing.T) {
	own, st := ownDatabase(t, "unread")
	d := openApp(t, app.New(st, app.Options{}), Options{}) // with the patience of a house
	rates := `{"length":"cm","mass":"g","currency":"EUR","hemisphere":"north","rates":{"hourly":9000,"setup_min":60,"packaging":100,"delivery":100,"overhead_pct":10,"margin_pct":40}}`
	if a := d.ask("PUT", "/api/v1/settings", []byte(rates)); a.status != 200 {
		t.Fatalf("%d %s", a.status, a.body)
	}
	tr := file(t, laid(t, 6))
	var dear api.Quote
	d.ask("POST", "/api/v1/quote", tr).into(t, &dear)

	// kept settings that make no sense
	kept, err := st.Fact(context.Background(), "settings")
	if err != nil {
		t.Fatal(err)
	}
	if err := st.SetFact(context.Background(), "settings", `{"length":`); err != nil {
		t.Fatal(err)
	}
	for _, c := range [][2]string{{"GET", "/api/v1/settings"}, {"POST", "/api/v1/quote"}, {"PUT", "/api/v1/settings"}} {
		body := map[string][]byte{"GET": nil, "POST": tr, "PUT": []byte(rates)}[c[0]]
		if a := d.ask(c[0], c[1], body); a.status < 500 {
			t.Errorf("%s %s on settings that cannot be read: %d %s", c[0], c[1], a.status, a.body)
		}
	}
	if still, _ := st.Fact(context.Background(), "settings"); still != `{"length":` {
		t.Errorf("they were written over: %s", still)
	}
	if err := st.SetFact(context.Background(), "settings", kept); err != nil {
		t.Fatal(err)
	}

	// the database away: what needs it says so, in good time, and what does not goes on
	dbtest.Hang(t, own.PID())
	for _, c := range []struct {
		method, path string
		body         []byte
		want         int
	}{{"GET", "/api/v1/settings", nil, 503}, {"POST", "/api/v1/quote", tr, 503}, {"PUT", "/api/v1/settings", []byte(rates), 503}, {"GET", "/api/v1/jobs", nil, 503},
		{"POST", "/api/v1/basket", []byte(strings.Replace(string(tr), `"guests":{`, `"serve_at":"2033-01-01T19:00","guests":{`, 1)), 503},
		{"POST", "/api/v1/review", tr, 200}, {"POST", "/api/v1/plan", []byte(`{"guests":{"adults":4}}`), 200}, {"POST", "/api/v1/plan", []byte(`{"guests":{"adults":4},"host":"The quay","serve_at":"2033-01-04T19:00"}`), 200}, {"GET", "/", nil, 200}, {"GET", "/assets/a.js", nil, 200}, {"GET", "/healthz", nil, 503}} {
		began := time.Now()
		a := d.ask(c.method, c.path, c.body)
		if took := time.Since(began); a.status != c.want || took > 3*time.Second {
			t.Errorf("%s %s with the database hanging: %d after %v, want %d: %.200s", c.method, c.path, a.status, took, c.want, a.body)
		}
	}
	_ = syscall.Kill(own.PID(), syscall.SIGCONT)
	var again api.Quote
	for began := time.Now(); time.Since(began) < 5*time.Second; time.Sleep(100 * time.Millisecond) {
		if a := d.ask("POST", "/api/v1/quote", tr); a.status == 200 {
			a.into(t, &again)
			break
		}
	}
	if again.Total != dear.Total || dear.Total == 0 {
		t.Errorf("a quote of %d became %d", dear.Total, again.Total)
	}
}

// The house has a time zone, and a serving time without one is meant in it.
func TestTheHouseHasATimeZone(t *testing.T) {
	_, st := ownDatabase(t, "zone")
	now := time.Date(2026, 11, 26, 2, 0, 0, 0, time.UTC) // the day before in the west
	a := app.New(st, app.Options{Now: func() time.Time { return now }})
	d := openApp(t, a, Options{})
	set := func(zone string) answer {
		return d.ask("PUT", "/api/v1/settings", []byte(`{"length":"cm","mass":"g","currency":"JPY","hemisphere":"north","zone":"`+zone+`"}`))
	}
	if a := set("Mars/Olympus"); a.status != 422 || !strings.Contains(string(a.body), "zone") {
		t.Errorf("%d %s", a.status, a.body)
	}
	var s api.Settings
	set("America/St_Johns").into(t, &s)
	if *s.Zone != "America/St_Johns" || *s.Digits != 0 {
		t.Errorf("%+v", s)
	}
	j := d.make("In the west", `{"guests":{"adults":4},"serve_at":"2026-11-25T20:00"}`)
	var l api.JobList
	d.ask("GET", "/api/v1/jobs", nil).into(t, &l)
	if l.Today != "2026-11-25" || len(l.Jobs) != 1 || l.Jobs[0].Id != j.Id || l.Jobs[0].Due.UTC().Format(time.RFC3339) != "2026-11-25T23:30:00Z" {
		t.Errorf("%+v", l)
	}
	set("Asia/Tokyo")
	if d.ask("GET", "/api/v1/jobs", nil).into(t, &l); l.Today != "2026-11-26" {
		t.Errorf("in the east it is tomorrow: %+v", l)
	}
	var o struct{ Says []string }
	d.ask("POST", "/api/v1/outlook", []byte(`{"guests":{"adults":4},"serve_at":"2026-11-26T12:00"}`)).into(t, &o)
	if strings.Contains(strings.Join(o.Says, " "), "has passed") {
		t.Errorf("noon of today in Tokyo has not passed at eleven: %v", o.Says)
	}
	d.ask("POST", "/api/v1/outlook", []byte(`{"guests":{"adults":4},"serve_at":"2026-11-26T10:00"}`)).into(t, &o)
	if !strings.Contains(strings.Join(o.Says, " "), "has passed") {
		t.Errorf("ten o'clock has passed: %v", o.Says)
	}
}

func TestTwentyFoodsOfOneName(t *testing.T) {
	d := open(t, db.DSN())
	var all sync.WaitGroup
	var mu sync.Mutex
	ids := map[string]bool{}
	for range 20 {
		all.Go(func() {
			a := d.ask("POST", "/api/v1/foods", []byte(`{"name":"Kelp crisps"}`))
			var p api.FoodPage
			if a.status != http.StatusCreated {
				t.Errorf("%d %s", a.status, a.body)
				return
			}
			a.into(t, &p)
			var f struct{ ID string }
			_ = json.Unmarshal(p.Food, &f)
			mu.Lock()
			ids[f.ID] = true
			mu.Unlock()
		})
	}
	all.Wait()
	if len(ids) != 20 {
		t.Errorf("%d foods of 20: %v", len(ids), ids)
	}
}

func TestListsOfJobsGoOn(t *testing.T) {
	own, err := localdb.Start(context.Background(), filepath.Join(home, "lists"), localdb.Options{})
	if err != nil {
		t.Fatal(err)
	}
	defer own.Stop()
	d := open(t, own.DSN())
	for i := range 130 {
		day := "2033-05-01"
		if i%2 == 1 {
			day = "2020-05-01"
		}
		d.make(fmt.Sprintf("Job %03d", i), fmt.Sprintf(`{"guests":{"adults":3},"serve_at":"%sT%02d:%02d"}`, day, 10+i/60, i%60))
	}
	for which, want := range map[string]string{"coming": "Job 000 Job 128", "past": "Job 129 Job 001"} {
		var got []string
		after := ""
		for range 5 {
			var l api.JobList
			d.ask("GET", "/api/v1/jobs?which="+which+"&after="+after, nil).into(t, &l)
			for _, j := range l.Jobs {
				got = append(got, j.Title)
			}
			if l.More == nil {
				break
			}
			after = *l.More
		}
		if len(got) != 65 || got[0]+" "+got[64] != want {
			t.Errorf("%s: %d jobs, %s to %s", which, len(got), got[0], got[len(got)-1])
		}
	}
}
