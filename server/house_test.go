package server

import (
	"bytes"
	"encoding/json"
	"fmt"
	"image"
	"image/color"
	"image/png"
	"net/http"
	"slices"
	"strings"
	"testing"
	"time"

	"happytray/core/board"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/server/api"
)

func (d *desk) food(id string) (api.FoodPage, food.Food) {
	d.tb.Helper()
	a := d.ask("GET", "/api/v1/foods/"+id, nil)
	if a.status != http.StatusOK {
		d.tb.Fatalf("%s: %d %s", id, a.status, a.body)
	}
	var p api.FoodPage
	a.into(d.tb, &p)
	var f food.Food
	if err := json.Unmarshal(p.Food, &f); err != nil {
		d.tb.Fatal(err)
	}
	return p, f
}

func (d *desk) save(f food.Food, version int64) answer {
	d.tb.Helper()
	raw, err := json.Marshal(f)
	if err != nil {
		d.tb.Fatal(err)
	}
	return d.ask("PUT", "/api/v1/foods/"+f.ID, raw, "If-Match", etag(version))
}

// A change to a built-in food is seen by every process, keeps only what differs,
// and can be handed back; a copy is one's own.
func TestALarderOfOnesOwn(t *testing.T) {
	d, other := open(t, db.DSN()), open(t, db.DSN())
	page, f := d.food("aged-hard")
	if page.Mine != "built-in" || page.Version != 0 || len(page.GoodWith) == 0 || len(page.Forms) != len(f.Ways()) {
		t.Fatalf("%+v", page)
	}
	f.Packs[0].Price, f.Liking = 777, .33
	if a := d.save(f, 0); a.status != http.StatusOK {
		t.Fatalf("%d %s", a.status, a.body)
	}
	changed, seenThere := other.food("aged-hard")
	if changed.Mine != "changed" || !slices.Equal(changed.Changed, []string{"liking", "packs"}) || seenThere.Packs[0].Price != 777 {
		t.Errorf("the other process sees %v %v", changed.Mine, changed.Changed)
	}
	if a := other.save(f, 0); a.status != http.StatusPreconditionFailed {
		t.Errorf("a change from an old version: %d", a.status)
	}
	if a := other.save(seenThere, changed.Version); a.status != http.StatusOK {
		t.Errorf("a change from this version: %d %s", a.status, a.body)
	}
	if a := d.ask("POST", "/api/v1/foods/aged-hard/hand-back", nil); a.status != http.StatusOK {
		t.Fatalf("%d %s", a.status, a.body)
	}
	if back, f := other.food("aged-hard"); back.Mine != "built-in" || f.Packs[0].Price == 777 {
		t.Errorf("handed back it is %s at %d", back.Mine, f.Packs[0].Price)
	}

	a := d.ask("POST", "/api/v1/foods", []byte(`{"name":"Käse vom Hof, reif","from":"aged-hard"}`))
	if a.status != http.StatusCreated {
		t.Fatalf("%d %s", a.status, a.body)
	}
	var copied api.FoodPage
	a.into(t, &copied)
	var mine food.Food
	if err := json.Unmarshal(copied.Food, &mine); err != nil || copied.Mine != "own" || mine.ID != "kse-vom-hof-reif" || mine.Name != "Käse vom Hof, reif" {
		t.Fatalf("%v %+v", err, copied)
	}
	second := d.ask("POST", "/api/v1/foods", []byte(`{"name":"Käse vom Hof, reif"}`))
	second.into(t, &copied)
	if second.status != http.StatusCreated || !strings.Contains(string(copied.Food), `"kse-vom-hof-reif-2"`) {
		t.Errorf("the same name again: %d %.200s", second.status, second.body)
	}
	for _, id := range []string{"kse-vom-hof-reif", "kse-vom-hof-reif-2"} {
		if a := d.ask("DELETE", "/api/v1/foods/"+id, nil); a.status != http.StatusNoContent {
			t.Errorf("%d %s", a.status, a.body)
		}
	}
	var shelves api.Shelves
	d.ask("GET", "/api/v1/larder/search?text=hof", nil).into(t, &shelves)
	if shelves.Total != 0 {
		t.Errorf("put away, %d are still on the shelves", shelves.Total)
	}
	d.ask("GET", "/api/v1/larder/search?text=hof&put_away=true", nil).into(t, &shelves)
	if shelves.Total != 2 {
		t.Errorf("%d put away, want 2", shelves.Total)
	}
	if a := d.ask("POST", "/api/v1/foods/kse-vom-hof-reif/take-out", nil); a.status != http.StatusNoContent {
		t.Errorf("%d", a.status)
	}
}

// A tray stays what it was when its foods change or are put away.
func TestTraysKeepTheirFoods(t *testing.T) {
	d := open(t, db.DSN())
	var page api.FoodPage
	d.ask("POST", "/api/v1/foods", []byte(`{"name":"Tower of fudge","from":"fudge"}`)).into(t, &page)
	var f food.Food
	if err := json.Unmarshal(page.Food, &f); err != nil {
		t.Fatal(err)
	}
	planned := d.ask("POST", "/api/v1/plan", []byte(fmt.Sprintf(`{"guests":{"adults":4},"foods":["honey",{"food":%q,"grams":90}]}`, f.ID)))
	if planned.status != http.StatusOK {
		t.Fatalf("%d %s", planned.status, planned.body)
	}
	tr, err := job.Read(planned.body, food.BuiltIn())
	if err != nil {
		t.Fatalf("a tray with an own food cannot be read without its larder: %v", err)
	}
	if own, ok := tr.Larder(food.BuiltIn()).Get(f.ID); !ok || own.Name != "Tower of fudge" {
		t.Fatal("the tray does not hold its own food")
	}
	scene := d.ask("POST", "/api/v1/scene", planned.body)
	f.Name, f.Colour, f.Forms[0].L = "Tower of toffee", "#112233", 60
	if a := d.save(f, page.Version); a.status != http.StatusOK {
		t.Fatalf("%d %s", a.status, a.body)
	}
	if a := d.ask("DELETE", "/api/v1/foods/"+f.ID, nil); a.status != http.StatusNoContent {
		t.Fatal(a.status)
	}
	if again := d.ask("POST", "/api/v1/scene", planned.body); !bytes.Equal(again.body, scene.body) || again.status != http.StatusOK {
		t.Error("the tray looks different once its food was changed and put away")
	}
	var basket struct{ Lines []struct{ Food, Name string } }
	d.ask("POST", "/api/v1/basket", planned.body).into(t, &basket)
	if len(basket.Lines) != 2 || basket.Lines[1].Name != "Tower of fudge" {
		t.Errorf("%+v", basket)
	}
	var shelves api.Larder // the screens still know what it is called
	d.ask("GET", "/api/v1/larder", nil).into(t, &shelves)
	named := false
	for _, x := range shelves.Foods {
		named = named || x.Id == f.ID && x.PutAway && x.Name == "Tower of toffee"
	}
	if !named {
		t.Error("a food that was put away has no name any more for the trays that use it")
	}
	// planned anew it is the food of today, put away or not
	replanned := d.ask("POST", "/api/v1/replan", planned.body)
	if replanned.status != http.StatusOK || !strings.Contains(string(replanned.body), "Tower of toffee") {
		t.Errorf("%d %.200s", replanned.status, replanned.body)
	}
	// and nobody gets it unasked
	if anew := d.ask("POST", "/api/v1/plan", []byte(`{"guests":{"adults":60}}`)); strings.Contains(string(anew.body), f.ID) {
		t.Error("a food that was put away is chosen unasked")
	}
}

func TestCupboardAndMeasures(t *testing.T) {
	d := open(t, db.DSN())
	if a := d.ask("PUT", "/api/v1/foods/pecans/stock", []byte(`{"lots":[{"grams":120,"best_before":""},{"grams":80,"best_before":"2020-01-01"},{"grams":0,"best_before":"2031-01-01"}]}`)); a.status != http.StatusOK {
		t.Fatalf("%d %s", a.status, a.body)
	}
	if p, _ := d.food("pecans"); len(p.Stock) != 2 {
		t.Errorf("%+v", p.Stock)
	}
	var shelves api.Shelves
	d.ask("GET", "/api/v1/larder/search?text=pecan+halves&category=nut", nil).into(t, &shelves)
	for _, s := range shelves.Shelves {
		for _, f := range s.Foods {
			if f.Id == "pecans" && f.OnHandG != 120 {
				t.Errorf("%v g on hand; what is past its day does not count", f.OnHandG)
			}
		}
	}
	var m api.FormMeasure
	d.ask("GET", "/api/v1/foods/fennel-sausage/forms/rosette?glass=45", nil).into(t, &m)
	if m.Slices == nil || *m.Slices != 21 || len(m.Box) != 4 || !strings.Contains(m.Svg, "<svg") {
		t.Errorf("%+v", m)
	}
	d.ask("GET", "/api/v1/foods/honey/forms/bowl?pieces=1", nil).into(t, &m)
	if m.Vessel == nil || len(m.Yields) != 2 {
		t.Errorf("%+v", m)
	}
	for _, c := range []struct {
		method, path, body string
		want               int
	}{
		{"GET", "/api/v1/foods/moon", "", 404}, {"GET", "/api/v1/foods/honey/forms/trail", "", 404}, {"GET", "/api/v1/foods/honey/forms/bowl?pieces=0", "", 400},
		{"PUT", "/api/v1/foods/pecans/stock", `{"lots":[{"grams":1,"best_before":"soon"}]}`, 422},
		{"PUT", "/api/v1/foods/pecans/stock", `{"lots":[{"grams":1,"best_before":""},{"grams":2,"best_before":""}]}`, 422},
		{"PUT", "/api/v1/foods/moon/stock", `{"lots":[]}`, 404},
		{"POST", "/api/v1/foods", `{"name":""}`, 400}, {"POST", "/api/v1/foods", `{"name":"x","from":"moon"}`, 422},
		{"POST", "/api/v1/foods/moon/hand-back", ``, 404}, {"DELETE", "/api/v1/foods/moon", ``, 404},
		{"GET", "/api/v1/larder/search?colour=red", "", 400}, {"GET", "/api/v1/larder/search?without=gravel", "", 422},
		{"PUT", "/api/v1/settings", `{"length":"ell","mass":"g","currency":"","hemisphere":"north"}`, 400},
	} {
		var b []byte
		if c.body != "" {
			b = []byte(c.body)
		}
		if a := d.ask(c.method, c.path, b); a.status != c.want {
			t.Errorf("%s %s: %d, want %d: %s", c.method, c.path, a.status, c.want, a.body)
		}
	}
	page, f := d.food("honey")
	f.Liking = 7
	if a := d.save(f, page.Version); a.status != 422 || !strings.Contains(string(a.body), "liking") {
		t.Errorf("%d %s", a.status, a.body)
	}
	f.ID = "other"
	raw, _ := json.Marshal(f)
	if a := d.ask("PUT", "/api/v1/foods/honey", raw, "If-Match", etag(page.Version)); a.status != 422 {
		t.Errorf("another id: %d", a.status)
	}
	if a := d.ask("PUT", "/api/v1/settings", []byte(`{"length":"in","mass":"oz","currency":"EUR","hemisphere":"south"}`)); a.status != 200 {
		t.Errorf("%d", a.status)
	}
	var st api.Settings
	d.ask("GET", "/api/v1/settings", nil).into(t, &st)
	if st.Length != "in" || st.Currency != "EUR" {
		t.Errorf("%+v", st)
	}
	d.ask("PUT", "/api/v1/settings", []byte(`{"length":"cm","mass":"g","currency":"","hemisphere":"north"}`))
}

func TestTablesOutAndIn(t *testing.T) {
	d := open(t, db.DSN())
	csv := "text/csv"
	for _, name := range []string{"larder", "packs", "stock"} {
		for _, how := range []string{"", "?separator=semicolon&decimal=comma", "?separator=tab"} {
			out := d.ask("GET", "/api/v1/larder/export/"+name+how, nil)
			if out.status != 200 || !strings.HasPrefix(out.header.Get("Content-Type"), csv) {
				t.Fatalf("%s: %d %.100s", name, out.status, out.body)
			}
			var r api.ImportReport
			d.ask("POST", "/api/v1/larder/import", out.body, "Content-Type", csv).into(t, &r)
			if r.Added+r.Changed+r.Refused != 0 || r.Applied || string(r.Table) != name {
				t.Errorf("%s%s: %+v", name, how, r)
			}
		}
	}
	file := []byte("id;name;category;colour;texture;form;shape;l_mm;w_mm;h_mm;mass_g;liking\nregatta-buns;Regatta buns;cracker;#c99a5a;soft;drift;oval;40;38;28;9,5;0,6\nwalnuts;;;;;;;;;;;0,41\n")
	var r api.ImportReport
	d.ask("POST", "/api/v1/larder/import", file, "Content-Type", csv).into(t, &r)
	if r.Added != 1 || r.Changed != 1 || r.Refused != 0 {
		t.Fatalf("%+v", r)
	}
	if a := d.ask("GET", "/api/v1/foods/regatta-buns", nil); a.status != 404 {
		t.Error("looking at a file changed the larder")
	}
	apply := fmt.Sprintf("/api/v1/larder/import?apply=true&version=%d", r.Version)
	if a := d.ask("POST", "/api/v1/larder/import?apply=true&version=1", file, "Content-Type", csv); a.status != http.StatusPreconditionFailed {
		t.Errorf("from an old look: %d", a.status)
	}
	bad := append(bytes.Clone(file), "honey;;gravel;;;;;;;;;\n"...)
	if a := d.ask("POST", apply, bad, "Content-Type", csv); a.status != 422 {
		t.Errorf("with a bad line: %d %s", a.status, a.body)
	}
	if a := d.ask("GET", "/api/v1/foods/regatta-buns", nil); a.status != 404 {
		t.Error("a file with a bad line was half taken")
	}
	d.ask("POST", apply, file, "Content-Type", csv).into(t, &r)
	if p, f := d.food("regatta-buns"); !r.Applied || p.Mine != "own" || f.Forms[0].MassG != 9.5 {
		t.Errorf("%+v %+v", r, f)
	}
	if p, f := d.food("walnuts"); !slices.Equal(p.Changed, []string{"liking"}) || f.Liking != .41 {
		t.Errorf("%+v", p.Changed)
	}
	d.ask("POST", "/api/v1/larder/import", file, "Content-Type", csv).into(t, &r)
	if r.Same != 2 {
		t.Errorf("taken once more: %+v", r)
	}
	d.ask("POST", "/api/v1/foods/walnuts/hand-back", nil)
	d.ask("DELETE", "/api/v1/foods/regatta-buns", nil)
	if a := d.ask("POST", "/api/v1/larder/import", []byte("a,b\n1,2\n"), "Content-Type", csv); a.status != 422 {
		t.Errorf("no table: %d", a.status)
	}
	if a := d.ask("POST", "/api/v1/larder/import", []byte(`{}`)); a.status != http.StatusUnsupportedMediaType {
		t.Errorf("JSON for a table: %d", a.status)
	}
}

func TestBoardsOfOnesOwn(t *testing.T) {
	d := open(t, db.DSN())
	svg := []byte(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 90 60"><path d="M5 5H85V55H45V40H5Z"/><circle cx="78" cy="12" r="3"/></svg>`)
	var found api.OutlineFound
	d.ask("POST", "/api/v1/boards/outline?length_mm=600", svg, "Content-Type", "image/svg+xml").into(t, &found)
	if found.Physical || found.Drawn == nil || len(found.Notes) == 0 || !strings.Contains(found.Drawn.Svg, "<svg") {
		t.Fatalf("%+v", found)
	}
	var b board.Board
	if err := json.Unmarshal(found.Drawn.Board, &b); err != nil || b.Outline.Bounds().W() < 599 || len(b.Keepouts) != 1 {
		t.Fatalf("%v %+v", err, b)
	}
	b.Name = "Grandmother's corner board"
	raw, _ := json.Marshal(b)
	if a := d.ask("PUT", "/api/v1/boards/corner-board", raw, "If-Match", etag(0)); a.status != 200 {
		t.Fatalf("%d %s", a.status, a.body)
	}
	if a := d.ask("PUT", "/api/v1/boards/corner-board", raw, "If-Match", etag(0)); a.status != http.StatusPreconditionFailed {
		t.Errorf("made twice: %d", a.status)
	}
	planned := d.ask("POST", "/api/v1/plan", []byte(`{"guests":{"adults":5},"board":"corner-board"}`))
	if planned.status != 200 || !strings.Contains(string(planned.body), "Grandmother") {
		t.Fatalf("%d %.300s", planned.status, planned.body)
	}
	if a := d.ask("DELETE", "/api/v1/boards/corner-board", nil); a.status != 204 {
		t.Errorf("%d", a.status)
	}
	if again := d.ask("POST", "/api/v1/replan", planned.body); again.status != 200 {
		t.Errorf("a job on a board that was put away: %d %s", again.status, again.body)
	}
	if unasked := d.ask("POST", "/api/v1/plan", []byte(`{"guests":{"adults":5}}`)); strings.Contains(string(unasked.body), "corner-board") {
		t.Error("a board that was put away is chosen unasked")
	}
	var made api.BoardDrawn
	d.ask("POST", "/api/v1/boards", []byte(`{"shape":"oval","length_mm":500,"width_mm":300,"not_food_safe":true,"name":"Painted tray"}`)).into(t, &made)
	if len(made.Says) == 0 || !strings.Contains(made.Says[0], "liner") || made.Guests < 3 {
		t.Errorf("%+v", made.Says)
	}
	b.Name = "Grandmother's board, sanded"
	raw, _ = json.Marshal(b)
	var now api.Cabinet
	d.ask("GET", "/api/v1/boards", nil).into(t, &now)
	for _, x := range now.Boards {
		if strings.Contains(string(x.Board), `"corner-board"`) {
			if a := d.ask("PUT", "/api/v1/boards/corner-board", raw, "If-Match", etag(x.Version)); a.status != 200 || !strings.Contains(string(a.body), `"put_away":true`) {
				t.Errorf("changed while put away: %d %.80s", a.status, a.body)
			}
		}
	}
	vessel := []byte(`{"id":"tin","name":"Biscuit tin","diameter_mm":90,"height_mm":40,"capacity_ml":150,"colour":"#b0b4b4","material":"metal"}`)
	if a := d.ask("PUT", "/api/v1/vessels/tin", vessel, "If-Match", etag(0)); a.status != 204 {
		t.Errorf("%d %s", a.status, a.body)
	}
	var cab api.Cabinet
	d.ask("GET", "/api/v1/boards", nil).into(t, &cab)
	if len(cab.Boards) < 27 || len(cab.Vessels) < 29 {
		t.Errorf("%d boards, %d vessels", len(cab.Boards), len(cab.Vessels))
	}
	for _, path := range []string{"/api/v1/boards/round-48-walnut/picture.svg", "/api/v1/boards/corner-board/picture.svg", "/api/v1/vessels/tin/picture.svg", "/api/v1/vessels/squash-bowl/picture.svg"} {
		if a := d.ask("GET", path, nil); a.status != 200 || !bytes.HasPrefix(a.body, []byte("<svg")) {
			t.Errorf("%s: %d", path, a.status)
		}
	}
	for _, c := range []struct {
		method, path, body, kind string
		want                     int
	}{
		{"PUT", "/api/v1/boards/round-48-walnut", string(raw), "application/json", 422},
		{"PUT", "/api/v1/boards/No-Capitals", string(raw), "application/json", 422},
		{"PUT", "/api/v1/vessels/tin-two", `{"id":"tin-two","name":"T","diameter_mm":9000,"height_mm":40,"capacity_ml":150,"colour":"#b0b4b4","material":"metal"}`, "application/json", 422},
		{"PUT", "/api/v1/vessels/dip-bowl", string(vessel), "application/json", 422},
		{"POST", "/api/v1/boards", `{"shape":"oval","length_mm":5}`, "application/json", 422},
		{"POST", "/api/v1/boards", `{"outline":[[0,0],[400,300],[400,0],[0,300]]}`, "application/json", 422},
		{"POST", "/api/v1/boards/outline", `<svg><script/></svg>`, "image/svg+xml", 422},
		{"POST", "/api/v1/boards/outline?length_mm=9", string(svg), "image/svg+xml", 422},
		{"POST", "/api/v1/boards/outline", `{}`, "application/json", 415},
		{"DELETE", "/api/v1/boards/none", ``, "application/json", 404},
		{"DELETE", "/api/v1/vessels/none", ``, "application/json", 404},
	} {
		if a := d.ask(c.method, c.path, []byte(c.body), "Content-Type", c.kind, "If-Match", etag(0)); a.status != c.want {
			t.Errorf("%s %s: %d, want %d: %s", c.method, c.path, a.status, c.want, a.body)
		}
	}
}

func TestColoursOfAPicture(t *testing.T) {
	d := open(t, db.DSN())
	img := image.NewNRGBA(image.Rect(0, 0, 300, 200))
	for i := range 300 * 200 {
		c := color.NRGBA{0xc2, 0x2a, 0x30, 255}
		if i%300 > 180 {
			c = color.NRGBA{0xf2, 0xeb, 0xd6, 255}
		}
		img.SetNRGBA(i%300, i/300, c)
	}
	var b bytes.Buffer
	if err := png.Encode(&b, img); err != nil {
		t.Fatal(err)
	}
	var found api.MainColours
	d.ask("POST", "/api/v1/colours", b.Bytes(), "Content-Type", "image/png").into(t, &found)
	if len(found.Colours) != 2 || found.Colours[0].Hex != "#c22a30" || found.Width != 300 {
		t.Errorf("%+v", found)
	}
	if a := d.ask("GET", "/api/v1/foods/figs/photo", nil); a.status != 404 {
		t.Errorf("a picture that nobody asked to keep is there: %d", a.status)
	}
	if a := d.ask("PUT", "/api/v1/foods/figs/photo", b.Bytes(), "Content-Type", "image/png"); a.status != 204 {
		t.Errorf("%d %s", a.status, a.body)
	}
	if a := d.ask("GET", "/api/v1/foods/figs/photo", nil); a.status != 200 || a.header.Get("Content-Type") != "image/jpeg" {
		t.Errorf("%d %v", a.status, a.header)
	}
	if p, _ := d.food("figs"); !p.Photo {
		t.Error("the page does not say that there is a photograph")
	}
	if a := d.ask("DELETE", "/api/v1/foods/figs/photo", nil); a.status != 204 {
		t.Errorf("%d", a.status)
	}
	start := time.Now()
	for name, c := range map[string]struct {
		b    []byte
		want int
	}{"words": {[]byte("hello"), 422}, "cut short": {b.Bytes()[:200], 422}, "heavy": {make([]byte, 13<<20), 413}} {
		if a := d.ask("POST", "/api/v1/colours", c.b, "Content-Type", "image/jpeg"); a.status != c.want {
			t.Errorf("%s: %d, want %d", name, a.status, c.want)
		}
	}
	if took := time.Since(start); took > 3*time.Second {
		t.Errorf("three refusals took %v", took)
	}
}

func TestSubstitutesAndCupboard(t *testing.T) {
	d := open(t, db.DSN())
	a := d.ask("POST", "/api/v1/substitutes", []byte(`{"brief":{"guests":{"adults":6},"month":10,"diets":[{"avoid":["milk"]}]},"food":"red-grapes","form":"cluster","on":["green-grapes"]}`))
	var subs []api.Substitute
	a.into(t, &subs)
	if a.status != 200 || len(subs) != 3 || subs[0].Food == "green-grapes" || subs[0].Near < subs[2].Near {
		t.Errorf("%d %+v", a.status, subs)
	}
	for _, bad := range []string{`{"brief":{"guests":{"adults":6}},"food":"moon"}`, `{"brief":{},"food":"figs"}`, `{"food":"figs"}`} {
		if a := d.ask("POST", "/api/v1/substitutes", []byte(bad)); a.status != 422 && a.status != 400 {
			t.Errorf("%s: %d", bad, a.status)
		}
	}
	d.ask("PUT", "/api/v1/foods/cashews/stock", []byte(`{"lots":[{"grams":90,"best_before":"2099-01-01"},{"grams":500,"best_before":"2020-01-01"}]}`))
	planned := d.ask("POST", "/api/v1/plan", []byte(`{"guests":{"adults":6},"foods":[{"food":"cashews","grams":200}]}`))
	var basket struct {
		Lines []struct {
			CupboardG float64 `json:"cupboard_g"`
		}
	}
	d.ask("POST", "/api/v1/basket", planned.body).into(t, &basket)
	if len(basket.Lines) != 1 || basket.Lines[0].CupboardG != 90 {
		t.Errorf("%+v", basket)
	}
	d.ask("PUT", "/api/v1/foods/cashews/stock", []byte(`{"lots":[]}`))
}
