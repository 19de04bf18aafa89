package shop

import (
	"testing"

	"happytray/core/brief"
	"happytray/core/diet"
	"happytray/core/food"
)

// What stays over goes to the next job that wants it, or else to the next whose guests may have it, before it is past its days.
func TestNextUse(t *testing.T) {
	get := func(id string) *food.Food {
		f, ok := food.BuiltIn().Get(id)
		if !ok {
			t.Fatal(id)
		}
		kept := *f
		kept.KeepsDays = 10
		return &kept
	}
	at := func(id, day string, off ...string) Needs { return Needs{Job: id, Title: id, Day: day, Off: off} }
	with := func(n Needs, foodID string) Needs {
		n.Grams = map[string]float64{foodID: 50}
		return n
	}
	young := at("children", "2026-12-02")
	table := diet.TableOf(brief.Brief{Guests: brief.Guests{Adults: 2, Children: 6}})
	young.Table = &table
	for _, c := range []struct {
		name, food string
		coming     []Needs
		want       string
	}{
		{"nobody", "almonds", nil, ""},
		{"the next day", "almonds", []Needs{at("next", "2026-12-02")}, "next"},
		{"the same day", "almonds", []Needs{at("same", "2026-12-01")}, ""},
		{"the last day that it keeps", "almonds", []Needs{at("last", "2026-12-11")}, "last"},
		{"a day too late", "almonds", []Needs{at("late", "2026-12-12")}, ""},
		{"a day that nobody set", "almonds", []Needs{at("some day", "")}, ""},
		{"guests who avoid it", "almonds", []Needs{at("no nuts", "2026-12-02", "nuts")}, ""},
		{"guests who avoid what may be in it", "pumpkin-seeds", []Needs{at("no nuts", "2026-12-02", "nuts")}, ""},
		{"guests who avoid something else", "almonds", []Needs{at("no milk", "2026-12-02", "milk")}, "no milk"},
		{"children", "almonds", []Needs{young}, ""},
		{"the sooner of two", "almonds", []Needs{at("later", "2026-12-05"), at("sooner", "2026-12-03")}, "sooner"},
		{"a later one that has it on its list", "almonds", []Needs{at("sooner", "2026-12-03"), with(at("wants it", "2026-12-08"), "almonds")}, "wants it"},
		{"one that has it on its list too late", "almonds", []Needs{with(at("wants it", "2026-12-15"), "almonds")}, ""},
	} {
		use, ok := NextUse(get(c.food), "2026-12-01", c.coming)
		if use.Job != c.want || ok != (c.want != "") {
			t.Errorf("%s: %q, want %q", c.name, use.Job, c.want)
		}
	}
}
