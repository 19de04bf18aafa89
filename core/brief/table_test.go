package brief

import (
	"slices"
	"strings"
	"testing"
)

func TestAppetites(t *testing.T) {
	g := Guests{Adults: 12, Children: 4, Light: 4, Hearty: 2}
	if got := g.Appetites(); got != 12+2-1+.5 {
		t.Errorf("%v appetites, want 13.5", got)
	}
}

// What else is served, how long it lasts and how the host tilts the balance.

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
