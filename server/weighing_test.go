package server

import (
	"math"
	"strings"
	"testing"
	"time"

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
	j := d.planned("Held", `{"guests":{"adults":6},"foods":["soft-white-round","round-crackers","red-grapes","wide-sausage"],"serve_at":"`+time.Now().Add(2*time.Hour).UTC().Format(time.RFC3339)+`"}`)
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
	if len(w.Weights) != 2 || w.Weights[0].Food != "almonds" || math.Abs(w.Weights[0].Grams-118) > .01 || time.Since(w.Weights[0].At) > time.Minute {
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
	if a := d.ask("PUT", "/api/v1/jobs/nobody/weights", []byte(`{"food":"a","form":"b","grams":1}`)); a.status != 404 {
		t.Errorf("%d", a.status)
	}
}
