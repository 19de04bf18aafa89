package brief

import (
	"math"
	"slices"
	"strings"
	"testing"

	"happytray/core/food"
)

func sum(shares map[food.Category]float64) (all float64) {
	for _, g := range shares {
		all += g
	}
	return all
}

func TestAppetites(t *testing.T) {
	g := Guests{Adults: 12, Children: 4, Light: 4, Hearty: 2}
	if got := g.Appetites(); got != 12+2-1+.5 {
		t.Errorf("%v appetites, want 13.5", got)
	}
}

// What else is served, how long it lasts and how the host tilts the balance.
func TestSharesFollowTheOccasion(t *testing.T) {
	b := Brief{Guests: Guests{Adults: 10}, Occasion: "grazing"}
	usual := sum(b.Shares(WithMeat))
	for _, c := range []struct {
		name string
		edit func(b *Brief)
		want float64 // of the usual sum
	}{
		{"beside some dishes", func(b *Brief) { b.Besides = "some" }, .8},
		{"beside plenty", func(b *Brief) { b.Besides = "plenty" }, .6},
		{"as long as usual", func(b *Brief) { b.LastsMinutes = 150 }, 1},
		{"half as long again", func(b *Brief) { b.LastsMinutes = 225 }, math.Pow(1.5, .45)},
		{"all night", func(b *Brief) { b.LastsMinutes = 1000 }, 1.6},
		{"a dessert", func(b *Brief) { b.Course = "sweet" }, .6},
		{"tilted to cheese", func(b *Brief) { b.Tilt = map[string]float64{"cheese": 2} }, 1},
		{"without meat", func(b *Brief) {}, 1},
	} {
		edited := b
		c.edit(&edited)
		meat := WithMeat
		if c.name == "without meat" {
			meat = StandIn
		}
		if got := sum(edited.Shares(meat)); math.Abs(got-c.want*usual) > 1e-6 {
			t.Errorf("%s: %.1f g, want %.1f", c.name, got, c.want*usual)
		}
	}
	b.Tilt = map[string]float64{"cheese": 2, "nut": 0}
	tilted := b.Shares(WithMeat)
	b.Tilt = nil
	if was := b.Shares(WithMeat); tilted[food.Cheese] <= 1.5*was[food.Cheese] || tilted[food.Nut] != 0 || tilted[food.Meat] >= was[food.Meat] {
		t.Errorf("%v after %v", tilted, was)
	}
	if b.Course = "savoury"; b.Shares(WithMeat)[food.Sweet] != 0 {
		t.Error("a savoury tray has sweets")
	}
	b.Course = ""
	if third := b.Shares(StandIn)[food.Meat]; math.Abs(third-500.0/3) > 1e-6 {
		t.Errorf("what stands in for meat gets %v g, want a third of 500", third)
	}
}

func TestGroups(t *testing.T) {
	b := Brief{Guests: Guests{Adults: 9}, Diets: []Diet{{Avoid: []string{"meat", "rennet"}}, {Who: "two", Count: 2, Avoid: []string{"gluten"}}}}
	got := b.Groups()
	if len(got) != 2 || got[0].Who != "two" || got[0].Count != 2 || !slices.Equal(got[0].Avoid, []string{"meat", "rennet", "gluten"}) || got[1].Count != 7 || len(got[1].Avoid) != 2 {
		t.Errorf("%+v", got)
	}
	if none := (Brief{Guests: Guests{Adults: 3}}).Groups(); len(none) != 1 || none[0].Who != "everybody" || none[0].Count != 3 {
		t.Errorf("%+v", none)
	}
	full := Brief{Guests: Guests{Adults: 2}, Diets: []Diet{{Who: "one", Count: 2, Avoid: []string{"egg"}}}}
	if g := full.Groups(); len(g) != 1 {
		t.Errorf("nobody is left over: %+v", g)
	}
}

func TestDaysAndWeeks(t *testing.T) {
	if d, ok := Days("2027-02-27", "2027-03-02"); !ok || d != 3 {
		t.Errorf("%d %v", d, ok)
	}
	if _, ok := Days("2027-02-30", "2027-03-02"); ok {
		t.Error("the thirtieth of February")
	}
	for day, want := range map[string]string{"2026-11-23": "2026-11-23 2026-11-29", "2026-11-29": "2026-11-23 2026-11-29", "2027-01-01": "2026-12-28 2027-01-03"} {
		if a, b, ok := Week(day); !ok || a+" "+b != want {
			t.Errorf("the week of %s is %s to %s, want %s", day, a, b, want)
		}
	}
}

func TestBadTables(t *testing.T) {
	const g = `"guests":{"adults":4}`
	for _, c := range []struct{ doc, field string }{
		{`{"guests":{"adults":4,"light":5}}`, "guests"},
		{`{"guests":{"adults":4,"light":2,"hearty":3}}`, "guests"},
		{`{"guests":{"adults":4,"hearty":-1}}`, "guests"},
		{`{` + g + `,"course":"starter"}`, "course"},
		{`{` + g + `,"besides":"soup"}`, "besides"},
		{`{` + g + `,"lasts_minutes":-5}`, "lasts_minutes"},
		{`{` + g + `,"lasts_minutes":5000}`, "lasts_minutes"},
		{`{` + g + `,"temperature_c":80}`, "temperature_c"},
		{`{` + g + `,"photographed":"below"}`, "photographed"},
		{`{` + g + `,"serving":"buckets"}`, "serving"},
		{`{` + g + `,"access":["top","inside"]}`, "access[1]"},
		{`{` + g + `,"access":["top","top","top","top","top"]}`, "access"},
		{`{` + g + `,"theme":{"region":"lunar"}}`, "theme.region"},
		{`{` + g + `,"tilt":{"soup":1}}`, "tilt"},
		{`{` + g + `,"tilt":{"cheese":9}}`, "tilt.cheese"},
		{`{` + g + `,"budget_per_guest":-1}`, "budget_per_guest"},
		{`{` + g + `,"pins":["honey","honey"]}`, "pins[1]"},
		{`{` + g + `,"pins":["honey"],"bans":["honey"]}`, "pins[0]"},
		{`{` + g + `,"boards":[{}]}`, "boards[0]"},
		{`{` + g + `,"boards":[{"shape":"round","length_mm":3}]}`, "boards[0].length_mm"},
		{`{` + g + `,"boards":[` + strings.Repeat(`"a",`, MaxBoards) + `"a"]}`, "boards"},
		{`{` + g + `,"rules":{"olives":"green"}}`, "rules.olives"},
	} {
		_, err := Read([]byte(c.doc))
		if err == nil || !strings.HasPrefix(err.Error(), c.field+":") {
			t.Errorf("%.90s: %v, want field %s", c.doc, err, c.field)
		}
	}
}
