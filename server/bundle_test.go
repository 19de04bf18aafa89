package server

import (
	"bytes"
	"encoding/json"
	"fmt"
	"image"
	"image/png"
	"strings"
	"testing"
	"time"

	"happytray/clock/clocktest"
	"happytray/formats/bundle"
	"happytray/server/api"
)

// A job goes out as one file and comes in elsewhere as it was: tray, evening and photographs.
func TestAJobGoesOutAndComesIn(t *testing.T) {
	d := open(t, db.DSN())
	id := d.laidOut("Goes out", `{"guests":{"adults":7},"host":"The signal box","serve_at":"2025-10-04T18:00:00Z"}`)
	at := "/api/v1/jobs/" + id
	var e api.Evening
	d.ask("GET", at+"/evening", nil).into(t, &e)
	e.Done = true
	e.Dishes[0].LeftG = 12
	raw, _ := json.Marshal(e)
	if a := d.ask("PUT", at+"/evening", raw, "If-Match", "0"); a.status != 200 {
		t.Fatalf("%d %s", a.status, a.body)
	}
	if a := d.ask("POST", at+"/evening/photos", greyPicture(t), "Content-Type", "image/png"); a.status != 201 {
		t.Fatalf("%d %s", a.status, a.body)
	}
	out := d.ask("GET", at+"/bundle", nil)
	if out.status != 200 || out.header.Get("Content-Type") != "application/zip" {
		t.Fatalf("%d %s", out.status, out.header)
	}
	_, files, err := bundle.Read(out.body)
	if err != nil || len(files) != 4 {
		t.Fatal(len(files), err)
	}
	in := d.ask("POST", "/api/v1/bundle", out.body, "Content-Type", "application/zip")
	var got api.BroughtIn
	if in.status != 201 {
		t.Fatalf("%d %s", in.status, in.body)
	}
	in.into(t, &got)
	if len(got.Jobs) != 1 || got.Jobs[0].Title != "Goes out" || got.Jobs[0].Id == id || got.Photos != 1 {
		t.Fatalf("%+v", got)
	}
	var was, is api.Job
	d.ask("GET", at, nil).into(t, &was)
	there := "/api/v1/jobs/" + got.Jobs[0].Id
	d.ask("GET", there, nil).into(t, &is)
	one, _ := json.Marshal(was.Document)
	two, _ := json.Marshal(is.Document)
	if !bytes.Equal(one, two) {
		t.Error("the tray came in changed")
	}
	var again api.Evening
	d.ask("GET", there+"/evening", nil).into(t, &again)
	if !again.Done || again.Dishes[0].LeftG != 12 || *again.Job != got.Jobs[0].Id {
		t.Errorf("%+v", again.Dishes[0])
	}
	var photos api.PhotoList
	d.ask("GET", there+"/evening/photos", nil).into(t, &photos)
	if len(photos.Photos) != 1 || clocktest.Now().Sub(photos.Photos[0].MadeAt) > time.Minute {
		t.Errorf("%+v", photos)
	}
	for _, path := range []string{at, there} {
		d.ask("DELETE", path+"/evening", nil)
		if a := d.ask("DELETE", path, nil); a.status != 204 {
			t.Error(a.status)
		}
	}
}

func greyPicture(t *testing.T) []byte {
	img := image.NewNRGBA(image.Rect(0, 0, 30, 20))
	for i := range img.Pix {
		img.Pix[i] = 220
		if i%4 == 3 {
			img.Pix[i] = 255
		}
	}
	var b bytes.Buffer
	if err := png.Encode(&b, img); err != nil {
		t.Fatal(err)
	}
	return b.Bytes()
}

// What is hostile or broken changes nothing.
func TestHostileBundles(t *testing.T) {
	d := open(t, db.DSN())
	zip := func(files ...bundle.File) []byte {
		var b bytes.Buffer
		if err := bundle.Write(&b, files, clocktest.Now()); err != nil {
			t.Fatal(err)
		}
		return b.Bytes()
	}
	j := file(t, laid(t, 4))
	tray := bundle.File{Path: "job.tray.json", Media: "application/json", Data: j}
	broken := bundle.File{Path: "jobs/2/job.tray.json", Media: "application/json", Data: []byte(`{"format":"happytray/1","brief":{"guests":{"adults":-3}}}`)}
	count := func() int {
		var l api.JobList
		d.ask("GET", "/api/v1/jobs?text=&which=coming", nil).into(t, &l)
		var away api.JobList
		d.ask("GET", "/api/v1/jobs?which=past", nil).into(t, &away)
		return len(l.Jobs) + len(away.Jobs)
	}
	before := count()
	var flat bytes.Buffer
	if err := png.Encode(&flat, image.NewGray(image.Rect(0, 0, 6000, 6000))); err != nil {
		t.Fatal(err)
	}
	var huge []bundle.File
	for n := range 30 {
		huge = append(huge, bundle.File{Path: fmt.Sprintf("photos/2026-10-14T1010%02d.png", n), Media: "image/png", Data: flat.Bytes()})
	}
	for name, c := range map[string]struct {
		raw  []byte
		says string
	}{
		"no zip":                    {[]byte("nothing"), "no zip"},
		"too many pixels":           {zip(append([]bundle.File{tray}, huge...)...), "million pixels together"},
		"no job":                    {zip(), "no job in it"},
		"a job that is none":        {zip(tray, broken), "jobs/2/job.tray.json"},
		"an evening alone":          {zip(bundle.File{Path: "evening.json", Data: []byte(`{"date":"2026-01-01","guests":{"adults":2},"lasted_min":60}`)}), "without its job"},
		"an evening that lies":      {zip(tray, bundle.File{Path: "evening.json", Data: []byte(`{"date":"2026-01-01","guests":{"adults":2},"lasted_min":60,"dishes":[{"food":"honey","share_g":2,"laid_g":5,"left_g":9}]}`)}), "left"},
		"a photograph that is none": {zip(tray, bundle.File{Path: "photos/a.jpg", Data: []byte("<svg/>")}), "photos/a.jpg"},
		"something else":            {zip(tray, bundle.File{Path: "run.sh", Data: []byte("#!/bin/sh")}), "run.sh"},
	} {
		a := d.ask("POST", "/api/v1/bundle", c.raw, "Content-Type", "application/zip")
		if a.status != 422 && a.status != 400 || !strings.Contains(string(a.body), c.says) {
			t.Errorf("%s: %d %s, should say %q", name, a.status, a.body, c.says)
		}
	}
	if got := count(); got != before {
		t.Errorf("%d jobs, were %d", got, before)
	}
	if a := d.ask("POST", "/api/v1/bundle", []byte("{}")); a.status != 415 {
		t.Errorf("as JSON: %d", a.status)
	}
}

// The whole house goes out; elsewhere its jobs and evenings come in, and it is said what does not.
func TestAHouseGoesOut(t *testing.T) {
	d := open(t, db.DSN())
	id := d.make("In the house", `{"guests":{"adults":3}}`).Id
	old := d.make("Put away", `{"guests":{"adults":4}}`).Id
	if a := d.ask("DELETE", "/api/v1/jobs/"+old, nil); a.status >= 300 {
		t.Fatalf("%d %s", a.status, a.body)
	}
	out := d.ask("GET", "/api/v1/bundle", nil)
	if out.status != 200 {
		t.Fatalf("%d %.200s", out.status, out.body)
	}
	m, files, err := bundle.Read(out.body)
	if err != nil {
		t.Fatal(err)
	}
	names := map[string]bool{}
	for _, f := range files {
		names[f.Path] = true
	}
	for _, want := range []string{fmt.Sprintf("jobs/%s/job.tray.json", id), fmt.Sprintf("away/%s/job.tray.json", old), "house/things.json", "house/cupboard.json", "house/settings.json"} {
		if !names[want] {
			t.Errorf("no %s among %d files of %s", want, len(files), m.Format)
		}
	}
	// what was put away comes in put away
	if a := d.ask("POST", "/api/v1/bundle", out.body, "Content-Type", "application/zip"); a.status != 201 {
		t.Fatalf("%d %.200s", a.status, a.body)
	}
	for which, want := range map[string]int{"away": 2, "past": 0, "coming": 0} {
		if a := d.ask("GET", "/api/v1/jobs?which="+which, nil); strings.Count(string(a.body), `"Put away"`) != want {
			t.Errorf("%s: %.300s", which, a.body)
		}
	}
}

func TestPhotographsOfNoEveningGoOut(t *testing.T) {
	d := open(t, db.DSN())
	at := "/api/v1/jobs/" + d.laidOut("Only looked at", `{"guests":{"adults":6}}`)
	if a := d.ask("POST", at+"/evening/photos", greyPicture(t), "Content-Type", "image/png"); a.status != 201 {
		t.Fatalf("%d %s", a.status, a.body)
	}
	var got api.BroughtIn
	d.ask("POST", "/api/v1/bundle", d.ask("GET", at+"/bundle", nil).body, "Content-Type", "application/zip").into(t, &got)
	if len(got.Jobs) != 1 || got.Photos != 1 {
		t.Errorf("%+v", got)
	}
}
