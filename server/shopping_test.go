package server

import (
	"encoding/json"
	"net/http"
	"net/http/httptest"
	"slices"
	"strings"
	"testing"
	"time"

	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/price"
	buying "happytray/core/shop"
	"happytray/server/api"
	"happytray/standin/shop"
)

// planned makes a job with its food picked.
func (d *desk) planned(title, brief string) api.Job {
	d.tb.Helper()
	j := d.make(title, brief)
	a := d.ask("POST", "/api/v1/plan", []byte(brief))
	if a.status != http.StatusOK {
		d.tb.Fatalf("%d %s", a.status, a.body)
	}
	t, err := job.Read(a.body, food.BuiltIn())
	if err != nil {
		d.tb.Fatal(err)
	}
	t.Title = title
	raw, err := t.Write()
	if err != nil {
		d.tb.Fatal(err)
	}
	if a := d.ask("PUT", "/api/v1/jobs/"+j.Id, raw, "If-Match", `"1"`); a.status != http.StatusOK {
		d.tb.Fatalf("%d %s", a.status, a.body)
	}
	d.ask("GET", "/api/v1/jobs/"+j.Id, nil).into(d.tb, &j)
	return j
}

func TestShoppingForAJobAndAWeek(t *testing.T) {
	d := open(t, db.DSN())
	one := d.planned("Early list", `{"guests":{"adults":6},"serve_at":"2031-03-04T19:00"}`)
	two := d.planned("Late list", `{"guests":{"adults":9},"serve_at":"2031-03-08T12:00"}`)
	d.make("Only briefed", `{"guests":{"adults":3},"serve_at":"2031-03-09T12:00"}`)
	d.planned("Next week", `{"guests":{"adults":3},"serve_at":"2031-03-10T12:00"}`)
	var job, week api.ShoppingList
	d.ask("GET", "/api/v1/shopping?job="+one.Id, nil).into(t, &job)
	d.ask("GET", "/api/v1/shopping?week=2031-03-05", nil).into(t, &week)
	if job.Key != "job:"+one.Id || job.List.Items < 10 || len(job.Ticks) != 0 || job.From != "2031-03-04" {
		t.Errorf("%s, %d items", job.Key, job.List.Items)
	}
	if week.Key != "week:2031-03-03" || week.To != "2031-03-09" || len(week.Jobs) != 3 || week.List.Cost <= job.List.Cost {
		t.Errorf("%s to %s, %d jobs, %d", week.Key, week.To, len(week.Jobs), week.List.Cost)
	}
	both := false
	for _, s := range week.List.Sections {
		for _, it := range s.Items {
			both = both || slices.Equal(it.For, []string{"Early list", "Late list"})
		}
	}
	if !both {
		t.Error("nothing is bought for both jobs together")
	}
	// ticked off on one machine, seen on another, and taken back
	id := job.List.Sections[0].Items[0].Food
	if a := d.ask("PUT", "/api/v1/shopping/ticks", []byte(`{"key":"`+job.Key+`","food":"`+id+`","done":true}`)); a.status != http.StatusNoContent {
		t.Fatalf("%d %s", a.status, a.body)
	}
	other := open(t, db.DSN())
	other.ask("GET", "/api/v1/shopping?job="+one.Id, nil).into(t, &job)
	if !slices.Equal(job.Ticks, []string{id}) {
		t.Errorf("ticks %v", job.Ticks)
	}
	text := other.ask("GET", "/api/v1/shopping/export?as=text&job="+one.Id, nil)
	if text.status != 200 || strings.Count(string(text.body), "[x]") != 1 || !strings.Contains(string(text.body), "For Early list") {
		t.Errorf("%d %s", text.status, text.body)
	}
	if pdf := other.ask("GET", "/api/v1/shopping/export?as=pdf&job="+one.Id, nil); pdf.status != 200 || !strings.HasPrefix(string(pdf.body), "%PDF-") {
		t.Errorf("%d %.100s", pdf.status, pdf.body)
	}
	csv := other.ask("GET", "/api/v1/shopping/export?as=csv&separator=semicolon&decimal=comma&week=2031-03-05", nil)
	if csv.status != 200 || !strings.Contains(string(csv.body), "section;food;name") {
		t.Errorf("%d %.100s", csv.status, csv.body)
	}
	d.ask("PUT", "/api/v1/shopping/ticks", []byte(`{"key":"`+job.Key+`","food":"`+id+`","done":false}`))
	d.ask("GET", "/api/v1/shopping?job="+one.Id, nil).into(t, &job)
	if len(job.Ticks) != 0 {
		t.Errorf("ticks %v", job.Ticks)
	}
	for path, status := range map[string]int{"/api/v1/shopping": 422, "/api/v1/shopping?week=soon": 422, "/api/v1/shopping?job=none": 404, "/api/v1/shopping/export?as=odt&week=2031-03-05": 400} {
		if a := d.ask("GET", path, nil); a.status != status {
			t.Errorf("%s: %d, want %d: %s", path, a.status, status, a.body)
		}
	}
	// what stays over of the early job goes into the late one
	var b buying.Basket
	d.ask("POST", "/api/v1/basket", one.Document).into(t, &b)
	next := 0
	for _, l := range b.Lines {
		if l.Next != nil && l.Next.Job == two.Id {
			next++
		}
	}
	if next == 0 {
		t.Error("nothing that stays over goes into the next job")
	}
}

func TestShopsPricesAreRead(t *testing.T) {
	s := &shop.Shop{Seed: 3, Now: func() time.Time { return time.Date(2031, 3, 1, 9, 0, 0, 0, time.UTC) }}
	srv := httptest.NewServer(s)
	defer srv.Close()
	d := open(t, db.DSN())
	const usual = `{"length":"cm","mass":"g","currency":"","hemisphere":"north"}`
	settings := func(shop string) string { return strings.Replace(usual, "{", `{"shop":"`+shop+`",`, 1) }
	defer d.ask("PUT", "/api/v1/settings", []byte(settings("")))
	if a := d.ask("POST", "/api/v1/shop/ask", nil); a.status != 422 {
		t.Errorf("no shop is set: %d %s", a.status, a.body)
	}
	if a := d.ask("PUT", "/api/v1/settings", []byte(settings("ftp://x"))); a.status != 422 {
		t.Errorf("an address that cannot be one: %d", a.status)
	}
	doc := []byte(`{"guests":{"adults":9},"foods":["honey","strawberries","aged-hard"],"serve_at":"2031-03-04T19:00"}`)
	cost := func() int {
		var plan json.RawMessage
		d.ask("POST", "/api/v1/plan", doc).into(t, &plan)
		var b buying.Basket
		d.ask("POST", "/api/v1/basket", plan).into(t, &b)
		return b.BasketCost
	}
	before := cost()
	d.ask("PUT", "/api/v1/settings", []byte(settings(srv.URL+"/feed.json")))
	if got := cost(); got != before {
		t.Errorf("not asked yet, and it costs %d instead of %d", got, before)
	}
	var known api.Shop
	d.ask("POST", "/api/v1/shop/ask", nil).into(t, &known)
	if known.Wrong != "" || known.Day != "2031-03-01" || known.Foods < 180 || known.SoldOut == 0 || known.AskedAt == "" {
		t.Errorf("%+v", known)
	}
	after := cost()
	if after == before {
		t.Error("the shop's prices change nothing")
	}
	// the shop is away: its prices of before stay, and it is said
	s.Mood(shop.Nonsense)
	d.ask("POST", "/api/v1/shop/ask", nil).into(t, &known)
	if known.Wrong == "" || known.Day != "2031-03-01" || cost() != after {
		t.Errorf("%+v", known)
	}
	s.Mood(shop.Well)
	var choice api.Choice
	d.ask("POST", "/api/v1/choice", []byte(`{"brief":{"guests":{"adults":9}}}`)).into(t, &choice)
	out := map[string]bool{}
	for _, sh := range choice.Shelves {
		out[sh.Food] = sh.OutOfStock
	}
	for _, c := range choice.Chosen {
		if out[c.Food] {
			t.Errorf("%s is sold out and picked", c.Food)
		}
	}
}

// A further shop is gone to where it saves more than the way there counts; a list says what is bought where, on the screen and in
// every file; a shop that is away loses nothing.
func TestTwoShopsOneList(t *testing.T) {
	now := func() time.Time { return time.Date(2031, 3, 1, 9, 0, 0, 0, time.UTC) }
	stores, hall := &shop.Shop{Seed: 3, Now: now}, &shop.Shop{Seed: 4, Now: now, Hall: true}
	mux := http.NewServeMux()
	mux.Handle("/", stores)
	mux.Handle("/hall/", http.StripPrefix("/hall", hall))
	srv := httptest.NewServer(mux)
	defer srv.Close()
	d := open(t, db.DSN())
	set := func(change string, status int) {
		t.Helper()
		if a := d.ask("PUT", "/api/v1/settings", []byte(change)); a.status != status {
			t.Errorf("%s: %d %s", change, a.status, a.body)
		}
	}
	defer set(`{"shop":"","further_shops":[],"stop_cost":0}`, 200)
	usual, other := srv.URL+"/feed.json", srv.URL+"/hall/feed.json"
	for _, bad := range []string{
		`{"further_shops":["ftp://x"]}`, `{"shop":"` + usual + `","further_shops":["` + usual + `"]}`, `{"stop_cost":-1}`,
		`{"further_shops":["` + other + `","` + other + `"]}`, `{"further_shops":["` + strings.Join([]string{other, other + "?a", other + "?b", other + "?c"}, `","`) + `"]}`,
	} {
		if a := d.ask("PUT", "/api/v1/settings", []byte(bad)); a.status != 422 && a.status != 400 {
			t.Errorf("%s: %d", bad, a.status)
		}
	}
	set(`{"shop":"`+usual+`","further_shops":["`+other+`"],"stop_cost":100}`, 200)
	var known api.Shop
	d.ask("POST", "/api/v1/shop/ask", nil).into(t, &known)
	if len(known.Further) != 1 || known.Further[0].Name != shop.HallName || known.Further[0].Foods < 60 || known.Further[0].Wrong != "" {
		t.Fatalf("%+v", known)
	}
	j := d.planned("Split list", `{"guests":{"adults":24},"serve_at":"2031-03-04T19:00"}`)
	read := func() (l api.ShoppingList) {
		d.ask("GET", "/api/v1/shopping?job="+j.Id, nil).into(t, &l)
		return l
	}
	split := read()
	if len(split.List.Stops) != 2 || split.List.Says == "" || split.List.Stops[0].Foods+split.List.Stops[1].Foods > split.List.Items {
		t.Fatalf("%+v", split.List)
	}
	at := map[string]bool{}
	for _, s := range split.List.Sections {
		at[s.Stop] = true
	}
	if len(at) != 2 || !at[shop.Name] || !at[shop.HallName] {
		t.Errorf("sections of %v", at)
	}
	for as, want := range map[string]string{"text": "=== " + shop.HallName + " ===", "csv": ",shop", "pdf": "%PDF"} {
		if a := d.ask("GET", "/api/v1/shopping/export?job="+j.Id+"&as="+as, nil); a.status != 200 || !strings.Contains(string(a.body), want) {
			t.Errorf("%s: %d %.200s", as, a.status, a.body)
		}
	}
	set(`{"further_shops":[]}`, 200)
	one := read()
	if len(one.List.Stops) != 0 || one.List.Cost < split.List.Cost || strings.Contains(string(d.ask("GET", "/api/v1/shopping/export?job="+j.Id+"&as=csv", nil).body), ",shop") {
		t.Errorf("at one shop %d, at two %d: %+v", one.List.Cost, split.List.Cost, one.List.Stops)
	}
	set(`{"further_shops":["`+other+`"]}`, 200)
	hall.Mood(shop.Down)
	d.ask("POST", "/api/v1/shop/ask", nil).into(t, &known)
	if known.Wrong != "" || known.Further[0].Wrong == "" {
		t.Errorf("the hall is away: %+v", known)
	}
	if again := read(); again.List.Cost != split.List.Cost {
		t.Errorf("with the hall away it costs %d, before %d", again.List.Cost, split.List.Cost)
	}
}

func TestQuotesAndSavings(t *testing.T) {
	d := open(t, db.DSN())
	plan := d.ask("POST", "/api/v1/plan", []byte(`{"guests":{"adults":18},"travels":true}`)).body
	var q price.Quote
	d.ask("POST", "/api/v1/quote", plan).into(t, &q)
	sum := 0
	for _, l := range q.Lines {
		sum += l.Money
	}
	if q.Guests != 18 || sum != q.Total || q.PerHead*18 != q.Total || q.PerHead < 300 {
		t.Errorf("%+v", q)
	}
	var s []buying.Saving
	d.ask("POST", "/api/v1/savings", plan).into(t, &s)
	if len(s) != 3 || s[0].Saves <= 0 {
		t.Errorf("%+v", s)
	}
	rates := `{"length":"cm","mass":"g","currency":"","hemisphere":"north","rates":{"hourly":0,"setup_min":0,"packaging":0,"delivery":0,"overhead_pct":0,"margin_pct":0}}`
	if a := d.ask("PUT", "/api/v1/settings", []byte(rates)); a.status != 200 {
		t.Fatalf("%d %s", a.status, a.body)
	}
	defer d.ask("PUT", "/api/v1/settings", []byte(strings.Replace(rates, `"margin_pct":0`, `"margin_pct":30`, 1)))
	var free price.Quote
	d.ask("POST", "/api/v1/quote", plan).into(t, &free)
	if free.Total >= q.Total {
		t.Errorf("for nothing it costs %d, not less than %d", free.Total, q.Total)
	}
	seller := `{"seller":{"name":"Tern & Tallow","address":"Saltmere","tax_pct":12.5,"valid_days":14,"terms":""}}`
	if a := d.ask("PUT", "/api/v1/settings", []byte(seller)); a.status != 200 || !strings.Contains(string(a.body), `"tax_pct":12.5`) {
		t.Fatalf("%d %s", a.status, a.body)
	}
	defer d.ask("PUT", "/api/v1/settings", []byte(strings.Replace(seller, "12.5", "0", 1)))
	var taxed price.Quote
	d.ask("POST", "/api/v1/quote", plan).into(t, &taxed)
	if taxed.Total != free.Total || taxed.Tax == 0 || taxed.Pays != taxed.Total+taxed.Tax {
		t.Errorf("%+v", taxed)
	}
	if a := d.ask("PUT", "/api/v1/settings", []byte(strings.Replace(seller, "12.5", "101", 1))); a.status != 400 {
		t.Errorf("a tax of more than all: %d", a.status)
	}
	if a := d.ask("PUT", "/api/v1/settings", []byte(strings.Replace(rates, `"margin_pct":0`, `"margin_pct":100`, 1))); a.status != 400 {
		t.Errorf("a margin of everything: %d", a.status)
	}
}

func TestPalettes(t *testing.T) {
	d := open(t, db.DSN())
	var p api.Palette
	d.ask("POST", "/api/v1/palettes", []byte("GIMP Palette\nName: Kiln\n59 68 104\n185 138 46\n"), "Content-Type", "text/plain").into(t, &p)
	if p.Name != "Kiln" || !slices.Equal(p.Colours, []string{"#3b4468", "#b98a2e"}) {
		t.Errorf("%+v", p)
	}
	many := "GIMP Palette\n"
	for i := range 200 {
		many += strings.Repeat(" ", i%3) + strings.Join([]string{itoa(i), itoa(255 - i), itoa((i * 7) % 256)}, " ") + "\n"
	}
	d.ask("POST", "/api/v1/palettes", []byte(many), "Content-Type", "text/plain").into(t, &p)
	if len(p.Colours) < 3 || len(p.Colours) > 5 {
		t.Errorf("200 colours became %v", p.Colours)
	}
	d.ask("GET", "/api/v1/palettes/region/alpine", nil).into(t, &p)
	if len(p.Colours) < 3 {
		t.Errorf("%+v", p)
	}
	file := d.ask("GET", "/api/v1/palettes/file?name=Kiln&colours=3b4468", nil)
	if !strings.HasPrefix(string(file.body), "GIMP Palette\nName: Kiln\n") || !strings.Contains(string(file.body), " 59  68 104") {
		t.Errorf("%s", file.body)
	}
	if a := d.ask("POST", "/api/v1/palettes", []byte("nothing"), "Content-Type", "text/plain"); a.status != 422 {
		t.Errorf("%d %s", a.status, a.body)
	}
	if a := d.ask("GET", "/api/v1/palettes/region/lunar", nil); a.status != 404 {
		t.Errorf("%d", a.status)
	}
}

func itoa(n int) string { b, _ := json.Marshal(n); return string(b) }

// A job of several boards is one document; each of its trays is judged by itself.
func TestAJobOfSeveralTrays(t *testing.T) {
	d := open(t, db.DSN())
	j := d.planned("Two planks", `{"guests":{"adults":20},"boards":["plank-100-oak","plank-100-oak"]}`)
	whole, err := job.Read(j.Document, food.BuiltIn())
	if err != nil || len(whole.Trays) != 2 {
		t.Fatalf("%d further trays, %v", len(whole.Trays), err)
	}
	second := 1
	ask := func(which *int, id string) answer {
		yes := true
		raw, err := json.Marshal(api.EditAsked{Revision: j.Revision, Tray: which, Preview: &yes, Command: api.Command{Kind: api.CommandKindLock, Ids: []string{id}}})
		if err != nil {
			t.Fatal(err)
		}
		return d.ask("POST", "/api/v1/jobs/"+j.Id+"/edits", raw)
	}
	if a := ask(&second, whole.Trays[1].Elements[0].ID); a.status != 200 {
		t.Errorf("%d %s", a.status, a.body)
	}
	third := 2
	if a := ask(&third, "x"); a.status != 422 {
		t.Errorf("a third tray: %d", a.status)
	}
	var o api.Outlook
	d.ask("POST", "/api/v1/outlook", []byte(`{"guests":{"adults":20},"boards":["plank-100-oak","plank-100-oak"]}`)).into(t, &o)
	if len(o.Trays) != 2 || o.RoomCm2 <= 0 || o.HoldMinutes != 120 || o.Board.Id != "plank-100-oak" {
		t.Errorf("%+v", o)
	}
}
