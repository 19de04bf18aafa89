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
