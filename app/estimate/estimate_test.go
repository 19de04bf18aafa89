package estimate

import (
	"fmt"
	"strings"
	"testing"
	"time"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/geom"
)

var (
	larder  = food.BuiltIn()
	cabinet = board.BuiltInCabinet()
)

func of(t *testing.T, doc, now string) Estimate {
	t.Helper()
	b, err := brief.Read([]byte(doc))
	if err != nil {
		t.Fatal(err)
	}
	var at time.Time
	if now != "" {
		if at, err = time.Parse("2006-01-02T15:04", now); err != nil {
			t.Fatal(err)
		}
	}
	o, err := FromBrief(b, larder, cabinet, at)
	if err != nil {
		t.Fatalf("%s: %v", doc, err)
	}
	return o
}

// Each brief has something the matter with it; the outlook says so, and an ordinary
// one says nothing of the kind.
func TestWhatDoesNotWorkOutIsSaid(t *testing.T) {
	for _, c := range []struct{ doc, says string }{
		{`{"guests":{"adults":12},"serve_at":"2026-11-01T19:00"}`, "has passed"},
		{`{"guests":{"adults":40},"board":"round-26-beech"}`, "board is small"},
		{`{"guests":{"adults":12},"budget":1500}`, "over the budget"},
		{`{"guests":{"adults":12},"budget_per_guest":100}`, "over the budget"},
		{`{"guests":{"adults":12},"lasts_minutes":240}`, "change the board in time"},
		{`{"guests":{"adults":12},"lasts_minutes":110}`, "boards that follow each other, 2 of them, one every 55 minutes"},
		{`{"guests":{"adults":12},"temperature_c":35,"lasts_minutes":90}`, "out for 1 h"},
		{`{"guests":{"adults":12},"travels":90}`, "on the road"},
		{`{"guests":{"adults":12},"temperature_c":-2}`, "gloves"},
		{`{"guests":{"adults":4},"diets":[{"count":3,"avoid":["egg"]},{"count":3,"avoid":["milk"]}]}`, "name 6 guests and 4 come"},
		{`{"guests":{"adults":12},"diets":[{"count":1,"avoid":["nuts"]}]}`, "Nothing with nuts"},
		{`{"guests":{"adults":12},"foods":["honey","rosemary"],"diets":[{"who":"two","count":2,"avoid":["animal"]}]}`, "Two find nothing"},
		{`{"guests":{"adults":24},"board":"run-140-paper","access":["bottom"]}`, "15 cm of the table run, paper lies beyond"},
		{`{"guests":{"adults":12},"photographed":"above"}`, "straight above"},
		{`{"guests":{"adults":12},"photographed":"slant"}`, "tall things at the back"},
		{`{"guests":{"children":9},"serving":"plates"}`, "Nine plates"},
		{`{"guests":{"adults":2000},"board":"round-26-beech"}`, "lay it on several"},
	} {
		o := of(t, c.doc, "2026-11-25T09:00")
		if !strings.Contains(fmt.Sprint(o.Says), c.says) {
			t.Errorf("%s says %q, nothing of %q", c.doc, o.Says, c.says)
		}
		plain := of(t, `{"guests":{"adults":12},"serve_at":"2026-11-27T19:00"}`, "2026-11-25T09:00")
		if strings.Contains(fmt.Sprint(plain.Says), c.says) {
			t.Errorf("an ordinary brief says %q", c.says)
		}
	}
}

func TestOutlookAddsUp(t *testing.T) {
	o := of(t, `{"guests":{"adults":18},"boards":["rectangle-60-cherry","round-48-walnut"]}`, "")
	sum := 0.0
	for _, g := range o.Grams {
		sum += g.Grams
	}
	if d := sum - o.TotalG; d < -6 || d > 6 || o.BasketCost <= 0 || o.Minutes <= 0 || o.HoldMinutes != 120 {
		t.Errorf("%+v", o)
	}
	if len(o.Trays) != 2 || o.Trays[0].Share+o.Trays[1].Share < .99 || o.Trays[0].Share+o.Trays[1].Share > 1.01 {
		t.Errorf("trays %+v", o.Trays)
	}
	if o.RoomCM2 < 2500 || len(o.Surfaces) == 0 {
		t.Errorf("%v cm2 on %+v", o.RoomCM2, o.Surfaces)
	}
}

func BenchmarkEstimate40(b *testing.B) {
	br, err := brief.Read([]byte(`{"guests":{"adults":40}}`))
	if err != nil {
		b.Fatal(err)
	}
	for b.Loop() {
		if _, err := FromBrief(br, larder, cabinet, time.Time{}); err != nil {
			b.Fatal(err)
		}
	}
}

func TestReach(t *testing.T) {
	for _, c := range []struct {
		access []string
		w, h   float64
		want   float64
	}{
		{nil, 1400, 600, 0}, {[]string{"bottom"}, 1400, 600, 150}, {[]string{"bottom", "top"}, 1400, 600, 0}, {[]string{"bottom", "top"}, 1400, 1000, 100},
		{[]string{"left"}, 500, 900, 50}, {[]string{"left", "bottom"}, 500, 900, 50}, {[]string{"bottom"}, 900, 450, 0},
	} {
		if got := unreached(c.access, geom.Rect{Max: geom.Pt(c.w, c.h)}); got != c.want {
			t.Errorf("%.0f × %.0f mm from %v: %v mm are out of reach, want %v", c.w, c.h, c.access, got, c.want)
		}
	}
}

// Where the guest with an allergy has a plate apart, nobody is told that the others' board does without.
func TestAPlateApartLeavesTheBoard(t *testing.T) {
	b := brief.Brief{Guests: brief.Guests{Adults: 12}, Occasion: "grazing", Month: 6, Diets: []brief.Diet{{Who: "Bas", Count: 1, Avoid: []string{"gluten"}}}}
	for _, apart := range []bool{false, true} {
		b.PlateApart = apart
		o, err := FromBrief(b, food.BuiltIn(), board.BuiltInCabinet(), time.Time{})
		if err != nil {
			t.Fatal(err)
		}
		if said := strings.Contains(fmt.Sprint(o.Says), "Nothing with gluten"); said == apart || o.Apart == apart || (len(o.OffTheTray) > 0) == apart {
			t.Errorf("apart %v: off the board %v, offered %v, %v", apart, o.OffTheTray, o.Apart, o.Says)
		}
	}
}
