package server

import (
	"bytes"
	"encoding/json"
	"fmt"
	"image"
	"image/color"
	"image/jpeg"
	"strings"
	"testing"

	"happytray/server/api"
)

// A choice is kept from a job and used for another; ideas and themes are kept, changed, put away and
// taken out; nothing is half kept.
func TestTheShelf(t *testing.T) {
	d := open(t, db.DSN())
	first := d.planned("To keep", `{"guests":{"adults":10},"occasion":"grazing","month":6}`)
	ask, _ := json.Marshal(map[string]any{"name": "Summer ten", "job": first.Document})
	var k api.Kept
	if a := d.ask("POST", "/api/v1/shelf/choice", ask); a.status != 201 {
		t.Fatalf("%d %s", a.status, a.body)
	} else if err := json.Unmarshal(a.body, &k); err != nil || len(k.Foods) < 10 || k.Guests != 10 || k.Id != "summer-ten" {
		t.Fatalf("%+v %v", k, err)
	}
	var used api.UsedChoice
	d.ask("POST", "/api/v1/kept-choices/summer-ten/use", []byte(`{"guests":{"adults":25},"month":6,"diets":[{"count":2,"avoid":["gluten"]}]}`)).into(t, &used)
	if len(used.Says) == 0 {
		t.Error("nothing is said of 25 guests where it was kept for 10")
	}
	if a := d.ask("POST", "/api/v1/plan", used.Brief); a.status != 200 {
		t.Errorf("%d %s", a.status, a.body)
	}
	idea := api.Kept{}
	d.ask("POST", "/api/v1/shelf/idea", []byte(`{"name":"Rust & linen","note":"The awning by the quay.","palette":["#a05a3c","#efe8d9"]}`)).keep(t, &idea)
	var shot bytes.Buffer
	img := image.NewRGBA(image.Rect(0, 0, 60, 40))
	for i := range 60 * 40 {
		img.Set(i%60, i/60, color.RGBA{160, 90, 60, 255})
	}
	if err := jpeg.Encode(&shot, img, nil); err != nil {
		t.Fatal(err)
	}
	photo := "/api/v1/ideas/" + idea.Id + "/photo"
	if a := d.ask("GET", photo, nil); a.status != 404 {
		t.Errorf("before it has one: %d", a.status)
	}
	if a := d.ask("PUT", photo, shot.Bytes(), "Content-Type", "image/jpeg"); a.status != 204 {
		t.Errorf("%d %s", a.status, a.body)
	}
	if a := d.ask("GET", photo, nil); a.status != 200 || len(a.body) == 0 {
		t.Errorf("%d", a.status)
	}
	if a := d.ask("PUT", "/api/v1/ideas/no-such/photo", shot.Bytes(), "Content-Type", "image/jpeg"); a.status != 404 {
		t.Errorf("%d", a.status)
	}
	if a := d.ask("DELETE", photo, nil); a.status != 204 || d.ask("GET", photo, nil).status != 404 {
		t.Errorf("%d", a.status)
	}
	theme := api.Kept{}
	d.ask("POST", "/api/v1/shelf/theme", []byte(`{"name":"Kiln night","palette":["#2b2420","#c9a24a"],"belongs":["blackberries"],"liner":"#201c1a"}`)).keep(t, &theme)
	at := "/api/v1/shelf/theme/" + theme.Id
	version := fmt.Sprintf(`"%d"`, theme.Version)
	if a := d.ask("PUT", at, []byte(`{"name":"Kiln evening","palette":["#2b2420"]}`), "If-Match", version); a.status != 200 {
		t.Errorf("%d %s", a.status, a.body)
	}
	if a := d.ask("PUT", at, []byte(`{"name":"Kiln morning","palette":["#2b2420"]}`), "If-Match", version); a.status != 412 {
		t.Errorf("changed from an old version: %d", a.status)
	}
	find := func(id string) (out api.Kept) {
		var all api.ShelfKept
		d.ask("GET", "/api/v1/shelf", nil).into(t, &all)
		for _, k := range all.Kept {
			if k.Id == id {
				out = k
			}
		}
		return out
	}
	if k := find(theme.Id); k.Name != "Kiln evening" || k.PutAway || len(k.Belongs) != 0 {
		t.Errorf("%+v", k)
	}
	if a := d.ask("DELETE", at, nil); a.status != 204 || !find(theme.Id).PutAway {
		t.Errorf("%d", a.status)
	}
	if a := d.ask("POST", at+"/take-out", nil); a.status != 204 || find(theme.Id).PutAway {
		t.Errorf("%d", a.status)
	}
	for _, c := range []struct {
		method, at, body string
		status           int
	}{
		{"POST", "/api/v1/shelf/wardrobe", `{"name":"x"}`, 400}, {"POST", "/api/v1/shelf/theme", `{"name":"x"}`, 422}, {"POST", "/api/v1/shelf/idea", `{"name":""}`, 400},
		{"POST", "/api/v1/shelf/idea", `{"name":"` + strings.Repeat("x", 81) + `"}`, 400}, {"POST", "/api/v1/shelf/choice", `{"name":"x"}`, 422}, {"POST", "/api/v1/shelf/choice", `{"name":"x","job":{}}`, 422},
		{"POST", "/api/v1/kept-choices/no-such/use", `{"guests":{"adults":4}}`, 404}, {"POST", "/api/v1/kept-choices/summer-ten/use", `{"guests":{"adults":-4}}`, 422}, {"DELETE", "/api/v1/shelf/idea/no-such", ``, 404},
	} {
		if a := d.ask(c.method, c.at, []byte(c.body)); a.status != c.status {
			t.Errorf("%s %s %.60s: %d, want %d: %s", c.method, c.at, c.body, a.status, c.status, a.body)
		}
	}
}

// keep reads what was kept just now.
func (a answer) keep(t *testing.T, k *api.Kept) {
	t.Helper()
	if a.status != 201 {
		t.Fatalf("%d %s", a.status, a.body)
	}
	if err := json.Unmarshal(a.body, k); err != nil {
		t.Fatal(err)
	}
}
