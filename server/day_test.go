package server

import (
	"bytes"
	"strings"
	"testing"
	"time"

	"happytray/clock/clocktest"
	"happytray/server/api"
)

// The work for a saved job against the clock, with more hands later; its sheets are files of their kind; a day that is
// over is late for nobody, and one that begins too late says so.
func TestDayAndSheets(t *testing.T) {
	d := open(t, db.DSN())
	serve := clocktest.Now().Add(72 * time.Hour).Truncate(time.Hour)
	made := func(title string, at time.Time) string {
		j := d.planned(title, `{"guests":{"adults":9},"serve_at":"`+at.Format(time.RFC3339)+`"}`)
		return "/api/v1/jobs/" + j.Id
	}
	id := "/api/v1/jobs/" + d.make("Whenever", `{"guests":{"adults":9}}`).Id
	if a := d.ask("PUT", id, file(t, laid(t, 9)), "If-Match", `"1"`); a.status != 200 {
		t.Fatalf("%.300s", a.body)
	}
	var untimed api.Day
	d.ask("GET", id+"/day", nil).into(t, &untimed)
	if untimed.Relative == nil || !*untimed.Relative || len(untimed.Tasks) < 20 {
		t.Errorf("a brief without a time: %+v", untimed.ServeAt)
	}
	id = made("Against the clock, again", serve)
	var one, three api.Day
	d.ask("GET", id+"/day", nil).into(t, &one)
	d.ask("GET", id+"/day?people=3&ovens=2", nil).into(t, &three)
	at := func(s string) time.Time {
		v, err := time.Parse(time.RFC3339, s)
		if err != nil {
			t.Fatal(err)
		}
		return v
	}
	if !at(one.ServeAt).Equal(serve) || one.LateMinutes != 0 || at(three.BeginAt).Before(at(one.BeginAt)) || three.People != 3 {
		t.Errorf("alone from %s, three from %s, to serve at %s", one.BeginAt, three.BeginAt, one.ServeAt)
	}
	for query, status := range map[string]int{"people=0": 400, "people=99": 400, "people=x": 400, "ovens=-1": 400, "people=2&people=3": 400} {
		if a := d.ask("GET", id+"/day?"+query, nil); a.status != status {
			t.Errorf("%s: %d", query, a.status)
		}
	}
	var soon, over api.Day
	d.ask("GET", made("In ten minutes", clocktest.Now().Add(10*time.Minute))+"/day", nil).into(t, &soon)
	if soon.LateMinutes < 10 || soon.Savings == nil || len(*soon.Savings) == 0 {
		t.Errorf("served in ten minutes: %v late", soon.LateMinutes)
	}
	d.ask("GET", made("Last week", clocktest.Now().Add(-170*time.Hour))+"/day", nil).into(t, &over)
	if over.LateMinutes != 0 {
		t.Errorf("a week ago: %v late", over.LateMinutes)
	}
	for kind, begins := range map[string]string{"mat": "%PDF-", "build": "%PDF-", "cards": "%PDF-", "markers": "%PDF-", "quote": "%PDF-", "calendar": "BEGIN:VCALENDAR", "table": "id,kind,food", "mat-svg": "<svg"} {
		a := d.ask("GET", id+"/sheet?kind="+kind+"&paper=a3", nil)
		if a.status != 200 || !bytes.HasPrefix(a.body, []byte(begins)) || !strings.Contains(a.header.Get("Content-Disposition"), "against-the-clock-again-"+kind) {
			t.Errorf("%s: %d %.60q %s", kind, a.status, a.body, a.header.Get("Content-Disposition"))
		}
	}
	for path, status := range map[string]int{id + "/sheet?kind=poster": 400, id + "/sheet": 400, id + "/sheet?kind=mat&paper=napkin": 400, id + "/sheet?kind=mat&tray=7": 422, "/api/v1/jobs/nobody/day": 404, "/api/v1/jobs/nobody/sheet?kind=mat": 404} {
		if a := d.ask("GET", path, nil); a.status != status {
			t.Errorf("%s: %d, want %d: %s", path, a.status, status, a.body)
		}
	}
	// all jobs of a day are one plan
	another := made("On the same day", serve.Add(20*time.Minute))
	var both api.Day
	d.ask("GET", "/api/v1/days/"+serve.Format(time.DateOnly)+"?people=2", nil).into(t, &both)
	if both.Jobs == nil || len(*both.Jobs) < 2 || len(both.Tasks) <= len(one.Tasks) {
		t.Errorf("%d tasks of %v", len(both.Tasks), both.Jobs)
	}
	calendar := d.ask("GET", "/api/v1/days/"+serve.Format(time.DateOnly)+"/sheet?kind=calendar", nil)
	if calendar.status != 200 || strings.Count(string(calendar.body), "SUMMARY:Serve: ") != len(*both.Jobs) || !strings.Contains(string(calendar.body), "SUMMARY:Serve: On the same day") {
		t.Errorf("%d, served %d times of %d", calendar.status, strings.Count(string(calendar.body), "SUMMARY:Serve: "), len(*both.Jobs))
	}
	if table := d.ask("GET", "/api/v1/days/"+serve.Format(time.DateOnly)+"/sheet?kind=table&people=2", nil); table.status != 200 || strings.Count(string(table.body), "\r\n") != len(both.Tasks)+1 {
		t.Errorf("%d rows of %d tasks", strings.Count(string(table.body), "\r\n"), len(both.Tasks))
	}
	for path, status := range map[string]int{"1999-01-01/sheet?kind=table": 422, "today/sheet?kind=table": 422, "1999-01-01/sheet?kind=mat": 400} {
		if a := d.ask("GET", "/api/v1/days/"+path, nil); a.status != status {
			t.Errorf("%s: %d", path, a.status)
		}
	}
	if a := d.ask("DELETE", another, nil); a.status >= 300 {
		t.Error(a.status)
	}
	var none api.Day
	d.ask("GET", "/api/v1/days/1999-01-01", nil).into(t, &none)
	if len(none.Tasks) != 0 {
		t.Errorf("%d tasks on a day without jobs", len(none.Tasks))
	}
	for path, status := range map[string]int{"/api/v1/days/today": 422, "/api/v1/days/2026-13-40": 422, "/api/v1/days/2026-11-30T00": 400} {
		if a := d.ask("GET", path, nil); a.status != status {
			t.Errorf("%s: %d", path, a.status)
		}
	}
	// what is ticked is ticked for everybody, and is not planned again
	first := one.Tasks[0].Id
	if a := d.ask("PUT", id+"/ticks/"+first, []byte(`{"done":true}`)); a.status != 204 {
		t.Fatalf("%d %s", a.status, a.body)
	}
	var ticks api.Ticks
	d.ask("GET", id+"/ticks", nil).into(t, &ticks)
	if len(ticks.Ticks) != 1 || ticks.Ticks[0].Task != first || clocktest.Now().Sub(ticks.Ticks[0].At) > time.Minute {
		t.Errorf("%+v", ticks)
	}
	var left api.Day
	d.ask("GET", id+"/day?left=true", nil).into(t, &left)
	if len(left.Tasks) != len(one.Tasks)-1 || left.Tasks[0].Id == first {
		t.Errorf("%d tasks are left of %d", len(left.Tasks), len(one.Tasks))
	}
	for _, k := range left.Tasks {
		for _, a := range k.After {
			if a == first {
				t.Errorf("%s waits for what is done", k.Id)
			}
		}
	}
	// a task that was moved begins then, for everybody, until it is given back
	moved := one.Tasks[len(one.Tasks)/2]
	for i := range one.Tasks {
		if one.Tasks[i].Kind == "slice" || one.Tasks[i].Kind == "fold" {
			moved = one.Tasks[i]
			break
		}
	}
	to := at(moved.Starts).Add(-15 * time.Minute)
	pin := id + "/pins/" + moved.Id
	if a := d.ask("PUT", pin, []byte(`{"starts":"`+to.Format(time.RFC3339)+`"}`)); a.status != 204 {
		t.Fatalf("%d %s", a.status, a.body)
	}
	starts := func() (string, bool) {
		var day api.Day
		d.ask("GET", id+"/day", nil).into(t, &day)
		for _, k := range day.Tasks {
			if k.Id == moved.Id {
				return k.Starts, k.Pinned != nil && *k.Pinned
			}
		}
		return "", false
	}
	if now, pinned := starts(); !pinned || !at(now).Equal(to) {
		t.Errorf("put at %s it begins at %s", to, now)
	}
	if a := d.ask("PUT", pin, []byte(`{}`)); a.status != 204 {
		t.Errorf("%d", a.status)
	}
	if _, pinned := starts(); pinned {
		t.Error("it is held still")
	}
	for body, status := range map[string]int{`{"starts":"soon"}`: 422, `{"starts":5}`: 400, `{"at":"x"}`: 400, `[`: 400} {
		if a := d.ask("PUT", pin, []byte(body)); a.status != status {
			t.Errorf("%s: %d", body, a.status)
		}
	}
	if a := d.ask("PUT", id+"/ticks/"+first, []byte(`{"done":false}`)); a.status != 204 {
		t.Errorf("%d", a.status)
	}
	d.ask("GET", id+"/ticks", nil).into(t, &ticks)
	if len(ticks.Ticks) != 0 {
		t.Errorf("%+v", ticks)
	}
	for body, status := range map[string]int{`{}`: 400, `{"done":"yes"}`: 400, `{"done":true,"by":"me"}`: 400, `[`: 400} {
		if a := d.ask("PUT", id+"/ticks/"+first, []byte(body)); a.status != status {
			t.Errorf("%s: %d", body, a.status)
		}
	}
	for path, status := range map[string]int{id + "/ticks/" + strings.Repeat("x", 300): 400, "/api/v1/jobs/nobody/ticks/x": 404} {
		if a := d.ask("PUT", path, []byte(`{"done":true}`)); a.status != status {
			t.Errorf("%.60s: %d", path, a.status)
		}
	}
	bare := "/api/v1/jobs/" + d.make("Not yet chosen", `{"guests":{"adults":3}}`).Id
	for _, kind := range []string{"mat", "build", "cards"} {
		if a := d.ask("GET", bare+"/sheet?kind="+kind, nil); a.status != 422 {
			t.Errorf("%s of nothing: %d %s", kind, a.status, a.body)
		}
	}
	if a := d.ask("GET", bare+"/day", nil); a.status != 200 {
		t.Errorf("a day of nothing: %d %s", a.status, a.body)
	}
}
