package server

import (
	"bytes"
	"encoding/json"
	"fmt"
	"image"
	"image/jpeg"
	"sync"
	"testing"
	"time"

	"happytray/clock/clocktest"
	"happytray/server/api"
)

const key = "0b7c3a52-9d1e-4f60-8a2b-6c5d4e3f2a10"

// What a device notes counts once however often it is sent, and is of when it was made, not of when it came.
func TestEntriesCountOnceAndAreOfTheirTime(t *testing.T) {
	d := open(t, db.DSN())
	id := "/api/v1/jobs/" + d.laidOut("Away for a while", `{"guests":{"adults":10},"foods":["orange-block","almonds","red-grapes"],"serve_at":"`+clocktest.Now().Add(-50*time.Minute).UTC().Format(time.RFC3339)+`"}`)
	at := id + "/evening"
	var e api.Evening
	d.ask("GET", at, nil).into(t, &e)
	laid, element := 0.0, ""
	for _, x := range e.Dishes {
		if x.Food == "almonds" {
			laid += x.LaidG
		}
		if x.Food == "red-grapes" {
			element = *x.Element
		}
	}
	for range 3 {
		a := d.ask("POST", at+"/topped?ago_s=1200", []byte(`{"tray":0,"food":"almonds","grams":40}`), "Idempotency-Key", key)
		if a.status != 200 {
			t.Fatalf("%d %s", a.status, a.body)
		}
		d.ask("POST", at+"/notes?ago_s=1800", []byte(`{"says":"Nobody finds the spoon."}`), "Idempotency-Key", key)
	}
	d.ask("PUT", at+"/gone?ago_s=1500", fmt.Appendf(nil, `{"tray":0,"element":%q,"gone":true}`, element)).into(t, &e)
	now := 0.0
	for _, x := range e.Dishes {
		if x.Food == "almonds" {
			now += x.LaidG
		}
		if x.Food == "red-grapes" && *x.Element == element && (x.GoneAtMin == nil || *x.GoneAtMin != 25) {
			t.Errorf("gone 25 minutes ago, noted at %v", x.GoneAtMin)
		}
	}
	if e.Topped == nil || len(*e.Topped) != 1 || (*e.Topped)[0].AtMin != 30 || now < laid+39.9 || now > laid+40.1 {
		t.Errorf("topped %+v, %v g of %v", e.Topped, now, laid)
	}
	if len(e.Notes) != 1 || clocktest.Now().Sub(e.Notes[0].At).Round(time.Minute) != 30*time.Minute {
		t.Errorf("notes %+v", e.Notes)
	}
	for range 2 { // taken back once, too
		e = api.Evening{}
		d.ask("DELETE", at+"/topped", nil, "Idempotency-Key", key).into(t, &e)
	}
	if e.Topped != nil && len(*e.Topped) != 0 {
		t.Errorf("taken back: %+v", *e.Topped)
	}
	var b bytes.Buffer
	if err := jpeg.Encode(&b, image.NewGray(image.Rect(0, 0, 40, 30)), nil); err != nil {
		t.Fatal(err)
	}
	for range 2 {
		if a := d.ask("POST", at+"/photos", b.Bytes(), "Content-Type", "image/jpeg", "Idempotency-Key", key); a.status != 201 {
			t.Fatalf("%d %s", a.status, a.body)
		}
	}
	var photos api.PhotoList
	d.ask("GET", at+"/photos", nil).into(t, &photos)
	if len(photos.Photos) != 1 || photos.Photos[0].Id != key {
		t.Errorf("%+v", photos)
	}
	if a := d.ask("PUT", id+"/ticks/lay?ago_s=600", []byte(`{"done":true}`), "Idempotency-Key", key); a.status != 204 {
		t.Fatalf("%d %s", a.status, a.body)
	}
	var ticks struct{ Ticks []struct{ At time.Time } }
	d.ask("GET", id+"/ticks", nil).into(t, &ticks)
	if len(ticks.Ticks) != 1 || clocktest.Now().Sub(ticks.Ticks[0].At).Round(time.Minute) != 10*time.Minute {
		t.Errorf("%+v", ticks)
	}
	for query, header := range map[string]string{"?ago_s=-5": key, "?ago_s=900000": key, "": "once"} {
		if a := d.ask("POST", at+"/notes"+query, []byte(`{"says":"x"}`), "Idempotency-Key", header); a.status != 400 {
			t.Errorf("%s %s: %d", query, header, a.status)
		}
	}
}

// Two look back on one evening at a time, each on other dishes: both are kept, and what was foreseen with them.
func TestTwoLookBackAtOnce(t *testing.T) {
	d := open(t, db.DSN())
	at := "/api/v1/jobs/" + d.laidOut("Two remember", `{"guests":{"adults":8},"foods":["orange-block","almonds","red-grapes","round-crackers"],"serve_at":"`+clocktest.Now().Add(-5*time.Hour).UTC().Format(time.RFC3339)+`"}`) + "/evening"
	defer d.ask("DELETE", at, nil) // what it teaches is nothing to other tests
	var e api.Evening
	d.ask("GET", at, nil).into(t, &e)
	var all sync.WaitGroup
	for _, x := range e.Dishes {
		all.Go(func() {
			if a := d.ask("PATCH", at, fmt.Appendf(nil, `{"dishes":[{"tray":%d,"element":%q,"food":%q,"left_g":%v,"gone_at_min":null,"reasons":["too much"]}]}`, x.Tray, *x.Element, x.Food, x.LaidG/2)); a.status != 200 {
				t.Errorf("%s: %d %s", x.Food, a.status, a.body)
			}
		})
	}
	all.Wait()
	if a := d.ask("PATCH", at, []byte(`{"done":true}`)); a.status != 200 {
		t.Fatalf("%d %s", a.status, a.body)
	}
	d.ask("GET", at, nil).into(t, &e)
	for _, x := range e.Dishes {
		if x.LeftG < .49*x.LaidG || len(x.Reasons) != 1 || x.Foreseen == nil {
			t.Errorf("%+v", x)
		}
	}
	for body, status := range map[string]int{`{}`: 400, `{"dishes":[{"tray":0,"food":"nothing","left_g":1,"gone_at_min":null,"reasons":[]}]}`: 422, `{"dishes":[{"tray":0}]}`: 400,
		fmt.Sprintf(`{"dishes":[{"tray":%d,"element":%q,"food":%q,"left_g":1e6,"gone_at_min":null,"reasons":[]}]}`, e.Dishes[0].Tray, *e.Dishes[0].Element, e.Dishes[0].Food): 422} {
		if a := d.ask("PATCH", at, []byte(body)); a.status != status {
			t.Errorf("%s: %d %s", body, a.status, a.body)
		}
	}
}

// What came home of four evenings goes into the cupboard at once, and the same save of an evening may come twice.
func TestRemainsOfFourEveningsAtOnce(t *testing.T) {
	d := open(t, db.DSN())
	var places []string
	want := 0.0
	for n := range 4 {
		at := "/api/v1/jobs/" + d.laidOut(fmt.Sprintf("Comes home %d", n), `{"guests":{"adults":8},"foods":["pecans","orange-block","round-crackers"],"serve_at":"`+clocktest.Now().Add(-6*time.Hour).UTC().Format(time.RFC3339)+`"}`) + "/evening"
		defer d.ask("DELETE", at, nil)
		var e api.Evening
		d.ask("GET", at, nil).into(t, &e)
		e.Done = true
		left := 0.0
		for i := range e.Dishes {
			if e.Dishes[i].Food == "pecans" {
				e.Dishes[i].LeftG = float64(int(e.Dishes[i].LaidG / 2))
				left += e.Dishes[i].LeftG
			}
		}
		long := "The long table in the reading room upstairs, oak, with both its leaves drawn out and the liner on"
		for i := range *e.Trays {
			(*e.Trays)[i].Board = long
		}
		e.Advice = nil
		raw, err := json.Marshal(e)
		if err != nil {
			t.Fatal(err)
		}
		for range 2 {
			if a := d.ask("PUT", at, raw, "If-Match", fmt.Sprintf(`"%d"`, e.Version)); a.status != 200 {
				t.Fatalf("%d %s", a.status, a.body)
			}
		}
		if left >= 1 { // a hasty search may leave them beside the board
			places, want = append(places, at), want+left
		}
	}
	if len(places) < 2 {
		t.Fatalf("pecans were laid on %d of four boards", len(places))
	}
	stock := func() (grams float64) {
		page, _ := d.food("pecans")
		for _, l := range page.Stock {
			grams += l.Grams
		}
		return grams
	}
	was := stock()
	var all sync.WaitGroup
	for _, at := range append(places, places...) { // and each is pressed twice
		all.Go(func() {
			if a := d.ask("POST", at+"/keep", []byte(`{"food":"pecans"}`)); a.status != 200 {
				t.Errorf("%d %s", a.status, a.body)
			}
		})
	}
	all.Wait()
	if got := stock() - was; got < want-.5 || got > want+.5 {
		t.Errorf("%v g came home, %v g are in the cupboard", want, got)
	}
}

// Two windows change different settings, and the cupboard, without taking each other's changes back.
func TestTwoWindowsOfTheHouse(t *testing.T) {
	d := open(t, db.DSN())
	usual := []byte(`{"length":"cm","mass":"g","currency":"","hemisphere":"north","zone":""}`)
	defer d.ask("PUT", "/api/v1/settings", usual)
	d.ask("PUT", "/api/v1/settings", usual)
	d.ask("PUT", "/api/v1/settings", []byte(`{"currency":"NOK"}`))
	var s api.Settings
	d.ask("PUT", "/api/v1/settings", []byte(`{"zone":"Atlantic/Faroe"}`)).into(t, &s)
	if s.Currency != "NOK" || s.Zone == nil || *s.Zone != "Atlantic/Faroe" || s.Length != "cm" {
		t.Errorf("%+v", s)
	}
	for _, bad := range []string{`{}`, `{"digits":"many"}`, `{"currency":"kr"}`} {
		if a := d.ask("PUT", "/api/v1/settings", []byte(bad)); a.status != 400 {
			t.Errorf("%s: %d", bad, a.status)
		}
	}
	if page, _ := d.food("hazelnuts"); page.LotUntil <= clocktest.Now().Format(time.DateOnly) {
		t.Errorf("what is opened today keeps until %q", page.LotUntil)
	}
	at := "/api/v1/foods/hazelnuts/stock"
	d.ask("PUT", at, []byte(`{"lots":[]}`))
	if a := d.ask("PUT", at, []byte(`{"seen":[],"lots":[{"grams":100,"best_before":""}]}`)); a.status != 200 {
		t.Fatalf("%d %s", a.status, a.body)
	}
	if a := d.ask("PUT", at, []byte(`{"seen":[],"lots":[{"grams":30,"best_before":""}]}`)); a.status != 412 {
		t.Errorf("from what is no more: %d %s", a.status, a.body)
	}
	if a := d.ask("PUT", at, []byte(`{"seen":[{"grams":100,"best_before":""}],"lots":[]}`)); a.status != 200 {
		t.Errorf("%d %s", a.status, a.body)
	}
}
