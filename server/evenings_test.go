package server

import (
	"bytes"
	"encoding/json"
	"fmt"
	"image"
	"image/color"
	"image/jpeg"
	"image/png"
	"math"
	"strings"
	"testing"
	"time"

	"happytray/clock/clocktest"
	"happytray/core/colour"
	"happytray/core/geom"
	"happytray/core/job"
	"happytray/core/learn"
	"happytray/core/prep"
	"happytray/server/api"
	"happytray/standin/camera"
)

// From serving to the next brief: what was noted on the evening and looked back on changes what the same crowd gets the
// next time, says so, can be refused, and is undone with the record.
func TestFromServingToTheNextBrief(t *testing.T) {
	d := open(t, db.DSN())
	served := clocktest.Now().Add(-40 * time.Minute)
	brief := func(at time.Time) string {
		return `{"guests":{"adults":12},"host":"The tide gauge club","foods":["orange-block","wide-sausage","round-crackers","red-grapes","almonds","chickpea-dip"],"serve_at":"` + at.UTC().Format(time.RFC3339) + `"}`
	}
	first := d.laidOut("The first evening", brief(served))
	at := "/api/v1/jobs/" + first + "/evening"
	var e api.Evening
	d.ask("GET", at, nil).into(t, &e)
	if e.Version != 0 || e.Done || e.Crowd != "The tide gauge club" || len(e.Dishes) < 5 || e.LastedMin != 60 {
		t.Fatalf("%+v", e)
	}
	for _, x := range e.Dishes {
		if x.LaidG <= 0 || x.LeftG != 0 || x.ShareG <= 0 || x.GoneAtMin != nil {
			t.Errorf("before anything was noted: %+v", x)
		}
	}
	// on the evening: one tap, and a note, each with the time
	grapes := ""
	for _, x := range e.Dishes {
		if x.Food == "red-grapes" {
			grapes = *x.Element
		}
	}
	gone := d.ask("PUT", at+"/gone", fmt.Appendf(nil, `{"tray":0,"element":%q,"gone":true}`, grapes))
	if gone.status != 200 {
		t.Fatalf("%d %s", gone.status, gone.body)
	}
	d.ask("POST", at+"/notes", []byte(`{"says":"They stand at the window side."}`)).into(t, &e)
	if e.Version != 2 || e.Done || len(e.Notes) != 1 || clocktest.Now().Sub(e.Notes[0].At) > time.Minute {
		t.Errorf("%+v", e.Notes)
	}
	for _, x := range e.Dishes {
		if *x.Element == grapes && (x.GoneAtMin == nil || *x.GoneAtMin < 39 || *x.GoneAtMin > 41) {
			t.Errorf("gone at %v", x.GoneAtMin)
		}
	}
	for body, status := range map[string]int{`{"element":"nothing","gone":true}`: 422, `{}`: 400, `{"element":"x","gone":"yes"}`: 400} {
		if a := d.ask("PUT", at+"/gone", []byte(body)); a.status != status {
			t.Errorf("%s: %d", body, a.status)
		}
	}
	// looked back: most of the dip came home
	e.Done = true
	for i := range e.Dishes {
		switch e.Dishes[i].Food {
		case "chickpea-dip":
			e.Dishes[i].LeftG = .8 * e.Dishes[i].LaidG
			e.Dishes[i].Reasons = []api.Reason{api.ReasonTooSour}
		case "red-grapes": // all of them went early
			x := 20.0
			e.Dishes[i].GoneAtMin = &x
		default:
			e.Dishes[i].LeftG = .02 * e.Dishes[i].LaidG
		}
	}
	save := func(version int64, e api.Evening) answer {
		raw, _ := json.Marshal(e)
		return d.ask("PUT", at, raw, "If-Match", fmt.Sprint(version))
	}
	if a := save(1, e); a.status != 412 {
		t.Errorf("over what somebody else noted: %d", a.status)
	}
	worse := e
	worse.Dishes = append([]api.EveningDish{}, e.Dishes...)
	worse.Dishes[0].LeftG = worse.Dishes[0].LaidG + 50
	if a := save(2, worse); a.status != 422 || !strings.Contains(string(a.body), "left") {
		t.Errorf("more left than laid: %d %s", a.status, a.body)
	}
	if a := save(2, e); a.status != 200 {
		t.Fatalf("%d %s", a.status, a.body)
	}

	for _, x := range e.Dishes {
		if x.Foreseen != nil {
			t.Error("before it was looked back on there is something foreseen")
		}
	}
	// what came home is advised on, and kept in the cupboard once
	d.ask("GET", at, nil).into(t, &e)
	if e.Dishes[0].Foreseen == nil || e.Dishes[0].Foreseen.P90 > e.Dishes[0].LaidG+.2 {
		t.Errorf("nothing was foreseen: %+v", e.Dishes[0])
	}
	if e.Advice == nil || len(*e.Advice) < 4 {
		t.Fatalf("%+v", e.Advice)
	}
	kept := ""
	for _, x := range *e.Advice {
		if x.Food == "almonds" || x.Food == "round-crackers" {
			if x.Grams >= 15 && x.Days > 1 {
				kept = x.Food
			}
		}
		if x.Food == "chickpea-dip" && x.Days > 5 {
			t.Errorf("a dip that stood out keeps %d days", x.Days)
		}
	}
	if kept == "" {
		kept = "chickpea-dip"
	}
	for range 2 {
		if a := d.ask("POST", at+"/keep", fmt.Appendf(nil, `{"food":%q}`, kept)); a.status != 200 || !strings.Contains(string(a.body), `"kept"`) {
			t.Fatalf("%d %s", a.status, a.body)
		}
	}
	if page := d.ask("GET", "/api/v1/foods/"+kept, nil); strings.Count(string(page.body), "best_before") < 1 {
		t.Errorf("nothing of it is in the cupboard: %.300s", page.body)
	}
	if a := d.ask("POST", at+"/keep", []byte(`{"food":"honey"}`)); a.status != 422 {
		t.Errorf("of what was not there: %d", a.status)
	}
	if a := d.ask("PUT", "/api/v1/foods/"+kept+"/stock", []byte(`{"lots":[]}`)); a.status != 204 && a.status != 200 {
		t.Logf("emptying the cupboard: %d %s", a.status, a.body)
	}

	grams := func(document any) map[string]float64 {
		var doc struct {
			Elements []struct {
				Food  string
				Grams float64
			}
			Reserve []struct {
				Food  string
				Grams float64
			}
		}
		raw, _ := json.Marshal(document)
		if err := json.Unmarshal(raw, &doc); err != nil {
			t.Fatal(err)
		}
		out := map[string]float64{}
		for _, x := range doc.Elements {
			out[x.Food] += x.Grams
		}
		for _, x := range doc.Reserve {
			out[x.Food] += x.Grams
		}
		return out
	}
	plan := func(brief string) (map[string]float64, string) {
		a := d.ask("POST", "/api/v1/plan", []byte(brief))
		if a.status != 200 {
			t.Fatalf("%d %s", a.status, a.body)
		}
		var doc any
		a.into(t, &doc)
		return grams(doc), string(a.body)
	}
	next := brief(clocktest.Now().Add(100 * time.Hour))
	with, file := plan(next)
	if !strings.Contains(file, `"learnt"`) || !strings.Contains(file, "too sour") {
		t.Error("the next brief does not say what was learnt")
	}
	refusedBrief := strings.Replace(next, `"host"`, `"learnt":[{"food":"chickpea-dip","factor":1,"refused":true}],"host"`, 1)
	refused, _ := plan(refusedBrief)
	before, _ := plan(brief(served.Add(-48 * time.Hour))) // an evening cannot teach one before it
	if with["chickpea-dip"] > .8*before["chickpea-dip"] || with["red-grapes"] < 1.1*before["red-grapes"] {
		t.Errorf("dip %.0f g, was %.0f; grapes %.0f g, were %.0f", with["chickpea-dip"], before["chickpea-dip"], with["red-grapes"], before["red-grapes"])
	}
	if r := refused["chickpea-dip"] / before["chickpea-dip"]; r < .97 || r > 1.03 {
		t.Errorf("refused: dip %.0f g, was %.0f", refused["chickpea-dip"], before["chickpea-dip"])
	}
	// what lies already keeps its amounts when it is planned again for another reason
	var was api.Job
	d.ask("GET", "/api/v1/jobs/"+first, nil).into(t, &was)
	raw, _ := json.Marshal(was.Document)
	a := d.ask("POST", "/api/v1/replan", raw)
	if a.status != 200 {
		t.Fatalf("%d %s", a.status, a.body)
	}
	var again any
	a.into(t, &again)
	if is, were := grams(again), grams(was.Document); math.Abs(is["chickpea-dip"]-were["chickpea-dip"]) > 1 {
		t.Errorf("a laid dip of %.0f g is %.0f g when it is planned again", were["chickpea-dip"], is["chickpea-dip"])
	}
	if a := d.ask("DELETE", at, nil); a.status != 204 {
		t.Fatal(a.status)
	}
	if undone, _ := plan(next); undone["chickpea-dip"] != before["chickpea-dip"] || undone["red-grapes"] != before["red-grapes"] {
		t.Errorf("undone: dip %.0f g, was %.0f", undone["chickpea-dip"], before["chickpea-dip"])
	}
	if a := d.ask("DELETE", at, nil); a.status != 404 {
		t.Errorf("once more: %d", a.status)
	}
}

// laidOut is a job planned from a brief, with its tray laid, saved.
func (d *desk) laidOut(title, brief string) string {
	d.tb.Helper()
	j := d.planned(title, brief)
	var now api.Job
	d.ask("GET", "/api/v1/jobs/"+j.Id, nil).into(d.tb, &now)
	raw, _ := json.Marshal(now.Document)
	var laid []byte
	for _, line := range bytes.Split(bytes.TrimSpace(d.ask("POST", "/api/v1/arrange?seconds=1&effort=1", raw).body), []byte("\n")) {
		var p struct{ Tray json.RawMessage }
		if json.Unmarshal(line, &p) == nil && len(p.Tray) > 0 {
			laid = p.Tray
		}
	}
	if a := d.ask("PUT", "/api/v1/jobs/"+j.Id, laid, "If-Match", fmt.Sprintf(`"%d"`, now.Revision)); a.status != 200 {
		d.tb.Fatalf("%d %.300s", a.status, a.body)
	}
	return j.Id
}

func TestForecastAndPhotos(t *testing.T) {
	d := open(t, db.DSN())
	id := "/api/v1/jobs/" + d.laidOut("Foreseen", `{"guests":{"adults":8}}`)
	var f api.Forecast
	d.ask("GET", id+"/forecast", nil).into(t, &f)
	if f.Guests != 8 || len(f.Elements) < 6 || len(f.Looks) != 3 || f.Evenings < 100 {
		t.Errorf("%+v", f)
	}
	if a := d.ask("GET", "/api/v1/jobs/nobody/forecast", nil); a.status != 404 {
		t.Error(a.status)
	}
	img := image.NewNRGBA(image.Rect(0, 0, 60, 40))
	for i := range img.Pix {
		img.Pix[i] = 200
	}
	img.Set(3, 3, color.Black)
	var b bytes.Buffer
	if err := png.Encode(&b, img); err != nil {
		t.Fatal(err)
	}
	var kept api.PhotoKept
	a := d.ask("POST", id+"/evening/photos", b.Bytes(), "Content-Type", "image/png")
	if a.status != 201 {
		t.Fatalf("%d %s", a.status, a.body)
	}
	a.into(t, &kept)
	if p := d.ask("GET", id+"/evening/photos/"+kept.Id, nil); p.status != 200 || !bytes.HasPrefix(p.body, []byte{0xff, 0xd8}) || !strings.Contains(p.header.Get("Cache-Control"), "private") {
		t.Errorf("%d %s", p.status, p.header)
	}
	for range 11 {
		d.ask("POST", id+"/evening/photos", b.Bytes(), "Content-Type", "image/png")
	}
	if a := d.ask("POST", id+"/evening/photos", b.Bytes(), "Content-Type", "image/png"); a.status != 422 || !strings.Contains(string(a.body), "12 photographs") {
		t.Errorf("a thirteenth: %d %s", a.status, a.body)
	}
	if a := d.ask("POST", id+"/evening/photos", []byte("no picture"), "Content-Type", "image/png"); a.status != 422 {
		t.Errorf("no picture: %d", a.status)
	}
	var list api.PhotoList
	d.ask("GET", id+"/evening/photos", nil).into(t, &list)
	if len(list.Photos) != 12 || list.Photos[0].Id != kept.Id {
		t.Errorf("%d photographs", len(list.Photos))
	}
	if a := d.ask("DELETE", id+"/evening/photos/"+kept.Id, nil); a.status != 204 {
		t.Error(a.status)
	}
	if a := d.ask("GET", id+"/evening/photos/"+kept.Id, nil); a.status != 404 {
		t.Error(a.status)
	}
	if a := d.ask("POST", "/api/v1/jobs/nobody/evening/photos", b.Bytes(), "Content-Type", "image/png"); a.status != 404 {
		t.Error(a.status)
	}
}

// A photograph from above is held against the plan: its corners are found or given and kept, and what was put down
// elsewhere is named.
func TestAPhotographBesideThePlan(t *testing.T) {
	d := open(t, db.DSN())
	id := "/api/v1/jobs/" + d.laidOut("Photographed", `{"guests":{"adults":12},"board":{"shape":"rectangle","length_mm":620,"width_mm":420,"colour":"#744a2b"}}`)
	var now api.Job
	d.ask("GET", id, nil).into(t, &now)
	raw, _ := json.Marshal(now.Document)
	j, err := job.Read(raw, larder)
	if err != nil {
		t.Fatal(err)
	}
	tr := j.Trays[0]
	// the bowl whose colour is least like the rest's: that it was moved can be seen
	bowl, by, most := "", geom.Pt(36, 20), 0.0
	for _, e := range tr.Elements {
		if e.Vessel == "" || !e.Placed {
			continue
		}
		near := math.Inf(1)
		for _, o := range tr.Elements {
			if o.ID != e.ID {
				near = math.Min(near, colour.Difference(colour.Must(o.Colour), colour.Must(e.Colour)))
			}
		}
		if near <= most {
			continue
		}
		bowl, most = e.ID, near
	}
	// it is put where the rest looks least like it
	for k, to := range []geom.Point{geom.Pt(36, 20), geom.Pt(-36, 20), geom.Pt(36, -20), geom.Pt(-36, -20)} {
		e := &tr.Elements[max(0, tr.Find(bowl))]
		at, near := e.Pose().At().Add(to), math.Inf(1)
		for i := range tr.Elements {
			o := &tr.Elements[i]
			for _, p := range o.Pieces {
				if o.ID != e.ID && p.Outline.Centroid().Dist(at) < 75 {
					near = math.Min(near, colour.Difference(colour.Must(p.Colour), colour.Must(e.Colour)))
				}
			}
		}
		if at.X < 60 || at.X > 560 || at.Y < 60 || at.Y > 360 {
			near = 0
		}
		if k == 0 || near > most {
			by, most = to, near
		}
	}
	take := func(s camera.Shot) string {
		t.Helper()
		img, _, err := camera.Take(tr, s)
		if err != nil {
			t.Fatal(err)
		}
		var b bytes.Buffer
		if err := jpeg.Encode(&b, img, nil); err != nil {
			t.Fatal(err)
		}
		var kept api.PhotoKept
		d.ask("POST", id+"/evening/photos", b.Bytes(), "Content-Type", "image/jpeg").into(t, &kept)
		return id + "/evening/photos/" + kept.Id
	}
	photo := take(camera.Shot{Tilt: .03, Uneven: .2, Noise: 2, Moved: map[string]geom.Point{bowl: by}, Seed: 2})
	if a := d.ask("GET", photo+"/straight", nil); a.status != 422 || !strings.Contains(string(a.body), "corners") {
		t.Errorf("straight before anybody knows how: %d %s", a.status, a.body)
	}
	var b api.Beside
	a := d.ask("POST", photo+"/beside", []byte(`{}`))
	if a.status != 200 {
		t.Fatalf("%d %s", a.status, a.body)
	}
	a.into(t, &b)
	moved := 0
	for _, s := range b.Seen {
		if s.Moved != nil {
			moved++
			if s.Element != bowl {
				t.Errorf("%s is said to be moved", s.Element)
			}
		}
	}
	if !b.Found || len(b.Corners) != 4 || bowl != "" && (moved != 1 || len(b.Says) == 0 || !strings.Contains(strings.Join(b.Says, " "), "from where it was planned")) {
		t.Errorf("found %v, %d moved, %q: %s %+v", b.Found, moved, b.Says, bowl, b.Seen)
	}
	if a := d.ask("GET", photo+"/straight?v=1", nil); a.status != 200 || !bytes.HasPrefix(a.body, []byte{0xff, 0xd8}) {
		t.Errorf("straight: %d", a.status)
	}
	for body, status := range map[string]int{`{"corners":[[0,0],[10,0],[20,0],[30,0]]}`: 422, `{"corners":[[0,0]]}`: 400, `{"corners":[[0,0],[1,"x"],[2,2],[3,3]]}`: 400, `{"tray":7}`: 422, `{"corners":[[0],[1],[2],[3]]}`: 400} {
		if a := d.ask("POST", photo+"/beside", []byte(body)); a.status != status {
			t.Errorf("%s: %d %s", body, a.status, a.body)
		}
	}
	if a := d.ask("POST", id+"/evening/photos/none/beside", []byte(`{}`)); a.status != 404 {
		t.Errorf("no photograph: %d", a.status)
	}
	// a photograph of something else: the corners are asked for
	var kept api.PhotoKept
	d.ask("POST", id+"/evening/photos", greyPicture(t), "Content-Type", "image/png").into(t, &kept)
	d.ask("POST", id+"/evening/photos/"+kept.Id+"/beside", []byte(`{}`)).into(t, &b)
	if b.Found || len(b.Corners) != 4 || !strings.Contains(b.Says[0], "Drag them") {
		t.Errorf("a grey picture: %+v", b)
	}
}

// What was laid later counts as laid, where it was gone, and can be taken back.
func TestToppedUp(t *testing.T) {
	d := open(t, db.DSN())
	at := "/api/v1/jobs/" + d.laidOut("Topped up", `{"guests":{"adults":10},"foods":["orange-block","almonds","red-grapes"],"serve_at":"`+clocktest.Now().Add(-30*time.Minute).UTC().Format(time.RFC3339)+`"}`) + "/evening"
	var e api.Evening
	d.ask("GET", at, nil).into(t, &e)
	laid := func() (grams float64) {
		for _, x := range e.Dishes {
			if x.Food == "almonds" {
				grams += x.LaidG
			}
		}
		return grams
	}
	dish := func(id string) (out api.EveningDish) {
		for _, x := range e.Dishes {
			if *x.Element == id {
				out = x
			}
		}
		return out
	}
	planned, nuts := laid(), ""
	for _, x := range e.Dishes {
		if x.Food == "almonds" {
			nuts = *x.Element
		}
	}
	d.ask("PUT", at+"/gone", fmt.Appendf(nil, `{"element":%q,"gone":true}`, nuts)).into(t, &e)
	before := dish(nuts)
	d.ask("POST", at+"/topped", []byte(`{"food":"almonds","grams":45.5}`)).into(t, &e)
	if x := dish(nuts); x.GoneAtMin != nil || math.Abs(x.LaidG-before.LaidG-45.5) > .06 || math.Abs(laid()-planned-45.5) > .06 {
		t.Errorf("topped up where it was gone: %+v", x)
	}
	if e.Topped == nil || len(*e.Topped) != 1 || (*e.Topped)[0].Element != nuts || (*e.Topped)[0].AtMin < 29 || (*e.Topped)[0].AtMin > 31 {
		t.Fatalf("%+v", e.Topped)
	}
	for body, status := range map[string]int{`{"food":"sea-salt","grams":5}`: 422, `{"food":"almonds","grams":0}`: 400, `{"food":"almonds","grams":1e9}`: 400, `{"food":"almonds","tray":7,"grams":5}`: 422, `{"grams":5}`: 400} {
		if a := d.ask("POST", at+"/topped", []byte(body)); a.status != status {
			t.Errorf("%s: %d %s", body, a.status, a.body)
		}
	}
	d.ask("POST", at+"/topped", []byte(`{"food":"almonds","grams":20}`)).into(t, &e)
	d.ask("DELETE", at+"/topped", nil).into(t, &e)
	e = api.Evening{} // what is left out then is not there
	d.ask("DELETE", at+"/topped", nil).into(t, &e)
	if x := dish(nuts); x.GoneAtMin == nil || *x.GoneAtMin != *before.GoneAtMin {
		t.Errorf("it was gone before what is taken back: %v, was %v", x.GoneAtMin, *before.GoneAtMin)
	}
	if math.Abs(laid()-planned) > .06 || e.Topped != nil && len(*e.Topped) > 0 {
		t.Errorf("%g g of %g after both were taken back; %v", laid(), planned, e.Topped)
	}
	if a := d.ask("DELETE", at+"/topped", nil); a.status != 422 {
		t.Errorf("nothing to take back: %d", a.status)
	}
	// what was laid later and came home is of all that was laid
	d.ask("POST", at+"/topped", []byte(`{"food":"almonds","grams":60}`)).into(t, &e)
	e.Done = true
	for i := range e.Dishes {
		if e.Dishes[i].Food == "almonds" {
			e.Dishes[i].LeftG = e.Dishes[i].LaidG / 2
		}
	}
	raw, _ := json.Marshal(e)
	if a := d.ask("PUT", at, raw, "If-Match", fmt.Sprint(e.Version)); a.status != 200 {
		t.Fatalf("%d %s", a.status, a.body)
	}
	d.ask("GET", at, nil).into(t, &e)
	if math.Abs(laid()-planned-60) > .06 || e.Topped == nil || len(*e.Topped) != 1 {
		t.Errorf("kept: %g g, %v", laid(), e.Topped)
	}
	if a := d.ask("DELETE", at, nil); a.status != 204 {
		t.Error(a.status)
	}
}

func TestLogbook(t *testing.T) {
	d := open(t, db.DSN())
	id := d.laidOut("Logged", `{"guests":{"adults":6},"host":"=The lamp room","serve_at":"2025-11-02T18:00:00Z"}`)
	at := "/api/v1/jobs/" + id + "/evening"
	var e api.Evening
	d.ask("GET", at, nil).into(t, &e)
	if e.GoneShare == nil || *e.GoneShare != learn.GoneShare {
		t.Errorf("what counts as gone: %v", e.GoneShare)
	}
	e.Done = true
	half := e.Dishes[0].Food // of all its heaps; of everything else a little
	for i, dish := range e.Dishes {
		if e.Dishes[i].LeftG = dish.LaidG / 8; dish.Food == half {
			e.Dishes[i].LeftG = dish.LaidG / 2
		}
	}
	raw, _ := json.Marshal(e)
	if a := d.ask("PUT", at, raw, "If-Match", "0"); a.status != 200 {
		t.Fatalf("%d %s", a.status, a.body)
	}
	var l api.Logbook
	d.ask("GET", "/api/v1/logbook?crowd=%3DThe+lamp+room", nil).into(t, &l)
	if len(l.Evenings) != 1 || l.Evenings[0].LeftG <= 0 || l.Evenings[0].LeftG >= l.Evenings[0].LaidG || len(l.Foods) == 0 || len(l.Foods[0].Because) == 0 || len(l.Reasons) != 9 || len(l.Emptied) < 3 || l.Emptied[0].By != "board" || l.Emptied[0].LeftG <= 0 {
		t.Errorf("%+v", l)
	}
	for _, f := range l.Evenings[0].Foods {
		if f.Much != (f.Food == half) {
			t.Errorf("%s: %g of %g g came home, much: %v", f.Food, f.LeftG, f.LaidG, f.Much)
		}
	}
	for i, f := range l.Foods[1:] {
		before := l.Foods[i]
		if sure := math.Abs(math.Log(before.Factor)) / before.Sd * before.Factor; sure < math.Abs(math.Log(f.Factor))/f.Sd*f.Factor-1e-9 && before.Sd > .05 && f.Sd > .05 {
			t.Errorf("%s stands before %s, which is surer to be other than reckoned", before.Food, f.Food)
		}
	}
	for query, n := range map[string]int{"year=1999": 0, "year=2025&crowd=%3DThe+lamp+room": 1, "food=nothing-such": 0, "food=" + e.Dishes[0].Food + "&crowd=%3DThe+lamp+room": 1} {
		var one api.Logbook
		d.ask("GET", "/api/v1/logbook?"+query, nil).into(t, &one)
		if len(one.Evenings) != n {
			t.Errorf("%s: %d evenings", query, len(one.Evenings))
		}
	}
	csv := d.ask("GET", "/api/v1/logbook/export", nil)
	if csv.status != 200 || !strings.Contains(string(csv.body), "'=The lamp room") {
		t.Errorf("%d %.300s", csv.status, csv.body)
	}
	if a := d.ask("DELETE", at, nil); a.status != 204 {
		t.Error(a.status)
	}
}

func TestWhatStoodOutBeforeServing(t *testing.T) {
	d := open(t, db.DSN())
	id := "/api/v1/jobs/" + d.laidOut("Out early", `{"guests":{"adults":8},"foods":["orange-block","wide-sausage","almonds","red-grapes"],"serve_at":"`+clocktest.Now().Add(3*time.Hour).UTC().Format(time.RFC3339)+`"}`)
	var e api.Evening
	d.ask("GET", id+"/evening", nil).into(t, &e)
	e.Done = true
	for i := range e.Dishes {
		e.Dishes[i].LeftG = e.Dishes[i].LaidG
	}
	raw, _ := json.Marshal(e)
	if a := d.ask("PUT", id+"/evening", raw, "If-Match", fmt.Sprint(e.Version)); a.status != 200 {
		t.Fatalf("%d %s", a.status, a.body)
	}
	do := func() map[string]string {
		out := map[string]string{}
		var e api.Evening
		d.ask("GET", id+"/evening", nil).into(t, &e)
		if e.Caution == nil || !strings.Contains(*e.Caution, "Local food rules") {
			t.Errorf("%+v", e.Caution)
		}
		for _, x := range *e.Advice {
			out[x.Food] = string(x.Do)
		}
		return out
	}
	if was := do(); was["wide-sausage"] == "throw away" {
		t.Fatalf("an hour among guests: %v", was)
	}
	var day api.Day
	d.ask("GET", id+"/day", nil).into(t, &day)
	ticked := map[string]bool{}
	for _, k := range day.Tasks {
		if k.Kind == prep.GetOut {
			d.ask("PUT", id+"/ticks/"+k.Id, []byte(`{"done":true}`))
			ticked[k.Food] = true
		}
	}
	if !ticked["orange-block"] {
		t.Fatalf("the cheese is not got out: %v", ticked)
	}
	now := do() // three hours before the guests came, and one with them
	if now["orange-block"] != "throw away" || now["almonds"] == "throw away" {
		t.Errorf("%v", now)
	}
}
