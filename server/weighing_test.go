package server

import (
	"fmt"
	"math"
	"strings"
	"testing"
	"time"

	"happytray/clock/clocktest"
	"happytray/server/api"
)

// Without a scale it is said; weights are recorded by hand, changed and taken away, and bad ones are refused.
func TestWeighing(t *testing.T) {
	d := open(t, db.DSN())
	var r api.ScaleReading
	d.ask("GET", "/api/v1/scale", nil).into(t, &r)
	if r.There || !strings.Contains(r.Says, "by hand") {
		t.Errorf("%+v", r)
	}
	for _, path := range []string{"/api/v1/scale/tare", "/api/v1/scale/load"} {
		if a := d.ask("POST", path, []byte(`{"grams":5}`)); a.status != 404 {
			t.Errorf("%s without a scale: %d", path, a.status)
		}
	}
	// what perishes: nothing is out yet, then since it was ticked
	j := d.planned("Held", `{"guests":{"adults":6},"foods":["soft-white-round","round-crackers","red-grapes","wide-sausage"],"serve_at":"`+clocktest.Now().Add(2*time.Hour).UTC().Format(time.RFC3339)+`"}`)
	var h api.Holding
	d.ask("GET", "/api/v1/jobs/"+j.Id+"/holding", nil).into(t, &h)
	if h.Since != nil || h.HoldMin != 120 || len(h.Says) == 0 || !strings.Contains(h.Says[len(h.Says)-1], "Local food rules") {
		t.Errorf("%+v", h)
	}
	var day api.Day
	d.ask("GET", "/api/v1/jobs/"+j.Id+"/day", nil).into(t, &day)
	for _, k := range day.Tasks {
		if k.Kind == "get-out" && (k.Food == "soft-white-round" || k.Food == "round-crackers") {
			d.ask("PUT", "/api/v1/jobs/"+j.Id+"/ticks/"+k.Id, []byte(`{"done":true}`))
		}
	}
	d.ask("GET", "/api/v1/jobs/"+j.Id+"/holding", nil).into(t, &h)
	if h.Since == nil || h.ClearAt == nil || h.LeftMin < 118 || h.LeftMin > 120 {
		t.Errorf("%+v", h)
	}
	if len(h.Trays) != 1 || h.Trays[0].Since == nil || *h.Trays[0].ClearAt != *h.ClearAt {
		t.Errorf("its only tray: %+v", h.Trays)
	}
	if a := d.ask("GET", "/api/v1/jobs/nobody/holding", nil); a.status != 404 {
		t.Errorf("%d", a.status)
	}
	id := "/api/v1/jobs/" + d.make("Weighed out", `{"guests":{"adults":4}}`).Id + "/weights"
	put := func(body string) int { return d.ask("PUT", id, []byte(body)).status }
	if put(`{"food":"almonds","form":"drift","grams":120.5}`) != 204 || put(`{"food":"honey","form":"bowl","grams":80}`) != 204 || put(`{"food":"almonds","form":"drift","grams":118}`) != 204 {
		t.Error("not recorded")
	}
	var w api.Weights
	d.ask("GET", id, nil).into(t, &w)
	if len(w.Weights) != 2 || w.Weights[0].Food != "almonds" || math.Abs(w.Weights[0].Grams-118) > .01 || clocktest.Now().Sub(w.Weights[0].At) > time.Minute {
		t.Errorf("%+v", w)
	}
	if put(`{"food":"almonds","form":"drift","grams":0}`) != 204 {
		t.Error("not taken away")
	}
	d.ask("GET", id, nil).into(t, &w)
	if len(w.Weights) != 1 {
		t.Errorf("%+v", w)
	}
	for _, bad := range []string{`{}`, `{"food":"a","form":"b","grams":-1}`, `{"food":"","form":"b","grams":1}`, `{"food":"a","form":"b","grams":1e9}`, `{"food":"a","form":"b","grams":"1"}`, `[`} {
		if got := put(bad); got != 400 && got != 422 {
			t.Errorf("%s: %d", bad, got)
		}
	}
	if a := d.ask("POST", "/api/v1/jobs/nobody/weights/take", nil); a.status != 404 {
		t.Errorf("%d", a.status)
	}
	// what was weighed becomes the job's amounts, as a step that can be undone
	at := "/api/v1/jobs/" + j.Id
	d.ask("GET", at+"/weights", nil).into(t, &w)
	was := len(w.Portions)
	grapes := w.Portions[0]
	for _, p := range w.Portions {
		if p.Food == "red-grapes" {
			grapes = p
		}
	}
	take := func() (out api.WeightsTaken) {
		t.Helper()
		a := d.ask("POST", at+"/weights/take", nil)
		if a.status != 200 {
			t.Fatalf("%d %s", a.status, a.body)
		}
		a.into(t, &out)
		return out
	}
	if says := take().Says; len(says) != 0 {
		t.Errorf("nothing was weighed: %v", says)
	}
	more := math.Round(grapes.Grams * 1.3)
	d.ask("PUT", at+"/weights", fmt.Appendf(nil, `{"food":"red-grapes","form":%q,"grams":%v}`, grapes.Form, more))
	if says := take().Says; len(says) != 1 || !strings.Contains(says[0], "in reserve") {
		t.Errorf("%v", says)
	}
	d.ask("GET", at+"/weights", nil).into(t, &w)
	for _, p := range w.Portions {
		if p.Food == "red-grapes" && math.Abs(p.Grams-more) > 1 || len(w.Portions) != was {
			t.Errorf("%+v, weighed %v", p, more)
		}
	}
	if says := take().Says; len(says) != 0 {
		t.Errorf("once more: %v", says)
	}
	var head api.Job
	d.ask("GET", at, nil).into(t, &head)
	if a := d.ask("POST", at+"/undo", nil, "If-Match", fmt.Sprintf(`"%d"`, head.Revision)); a.status != 200 {
		t.Errorf("undo: %d %s", a.status, a.body)
	}
	d.ask("GET", at+"/weights", nil).into(t, &w)
	for _, p := range w.Portions {
		if p.Food == "red-grapes" && p.Grams != grapes.Grams {
			t.Errorf("undone: %+v, was %v", p, grapes.Grams)
		}
	}
	if a := d.ask("PUT", "/api/v1/jobs/nobody/weights", []byte(`{"food":"a","form":"b","grams":1}`)); a.status != 404 {
		t.Errorf("%d", a.status)
	}
}
