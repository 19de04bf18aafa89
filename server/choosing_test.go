package server

import (
	"encoding/json"
	"slices"
	"strings"
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/safety"
	"happytray/server/api"
)

// What a host had last is remembered, told and kept in the brief; for another host or day it is
// looked up again, and what a brief says of it by hand stays.
func TestWhatWasServedIsRemembered(t *testing.T) {
	d := open(t, db.DSN())
	first := d.planned("First supper", `{"guests":{"adults":12},"host":"The Memory Choir","occasion":"grazing","serve_at":"2033-03-04T19:00"}`)
	raw, err := json.Marshal(first.Document)
	if err != nil {
		t.Fatal(err)
	}
	served, err := job.Read(raw, food.BuiltIn())
	if err != nil {
		t.Fatal(err)
	}
	ids := slices.DeleteFunc(served.Trays[0].Foods(), func(id string) bool { return id == safety.StoneDish })
	planned := func(doc string) brief.Brief {
		t.Helper()
		a := d.ask("POST", "/api/v1/plan", []byte(doc))
		j, err := job.Read(a.body, food.BuiltIn())
		if err != nil {
			t.Fatalf("%d %s: %v", a.status, a.body, err)
		}
		return j.Brief
	}
	again := planned(`{"guests":{"adults":12},"host":"the memory choir ","occasion":"grazing","serve_at":"2033-04-09T19:00"}`)
	if again.Had == nil || len(again.Had.Last) < 10 || slices.ContainsFunc(ids, func(id string) bool { return !slices.Contains(again.Had.Last, id) }) {
		t.Fatalf("%+v, served %v", again.Had, ids)
	}
	var choice api.Choice
	asked, _ := json.Marshal(map[string]any{"brief": again})
	d.ask("POST", "/api/v1/choice", asked).into(t, &choice)
	if len(choice.Says) == 0 || !strings.HasPrefix(choice.Says[0], "Last time they had the ") {
		t.Errorf("says %q", choice.Says)
	}
	other := again
	other.Host = "The Other Choir"
	doc, _ := json.Marshal(other)
	if b := planned(string(doc)); b.Had == nil || len(b.Had.Last) > 0 || b.Had.Host != other.Host {
		t.Errorf("another host had %+v", b.Had)
	}
	if b := planned(`{"guests":{"adults":12},"host":"The Memory Choir","serve_at":"2033-04-09T19:00","had":{"last":["honey"]}}`); !slices.Equal(b.Had.Last, []string{"honey"}) {
		t.Errorf("by hand: %+v", b.Had)
	}
	// a job of the same day or later is no memory
	if b := planned(`{"guests":{"adults":12},"host":"The Memory Choir","serve_at":"2033-03-04T12:00"}`); b.Had != nil && len(b.Had.Last) > 0 {
		t.Errorf("before it was served: %+v", b.Had)
	}
}

// Three choices are planned through, differ, and taking one gives just its foods.
func TestThreeChoicesAreWhatIsTaken(t *testing.T) {
	d := open(t, db.DSN())
	var all api.Offers
	d.ask("POST", "/api/v1/choices", []byte(`{"guests":{"adults":14},"occasion":"grazing","month":9}`)).into(t, &all)
	if len(all.Offers) != 3 {
		t.Fatalf("%d choices", len(all.Offers))
	}
	for i, o := range all.Offers {
		var foods []string
		for _, p := range o.Foods {
			foods = append(foods, p.Food)
		}
		if o.BasketCost <= 0 || o.Minutes <= 0 || o.Says == "" || len(o.Sides) == 0 || i > 0 && o.Says == all.Offers[i-1].Says {
			t.Errorf("%+v", o)
		}
		a := d.ask("POST", "/api/v1/plan", []byte(`{"guests":{"adults":14},"occasion":"grazing","month":9,"leaning":"`+string(o.Leaning)+`"}`))
		j, err := job.Read(a.body, food.BuiltIn())
		if err != nil {
			t.Fatal(err)
		}
		for _, one := range j.Trays {
			for _, id := range one.Foods() {
				if !slices.Contains(foods, id) {
					t.Errorf("%s: %s was not shown", o.Leaning, id)
				}
			}
		}
	}
}
