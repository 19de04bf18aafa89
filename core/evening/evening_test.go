package evening_test

import (
	"encoding/json"
	"errors"
	"math"
	"strings"
	"testing"
	"time"

	"happytray/core/brief"
	"happytray/core/evening"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/graze"
	"happytray/core/plan/plantest"
)

// served is an evening as it begins: two trays are not needed, two dishes of one food are.
func served() evening.Evening {
	return evening.Evening{ID: "e", Title: "Kiln supper", Crowd: "The potters", Date: "2026-10-14", Occasion: "grazing", Guests: brief.Guests{Adults: 8}, LastedMin: 120,
		Dishes: []evening.Dish{
			{Tray: 0, Element: "figs", Food: "figs", ShareG: 40, LaidG: 200, Reasons: []string{}},
			{Tray: 0, Element: "figs-2", Food: "figs", ShareG: 40, LaidG: 120, Reasons: []string{}},
			{Tray: 0, Element: "honey", Food: "honey", ShareG: 12, LaidG: 90, Reasons: []string{}},
		}}
}

func field(err error) string {
	var f *fault.Error
	if errors.As(err, &f) {
		return f.Field
	}
	return ""
}

// What is topped up goes where it was gone, counts once, and can be taken back as it was.
func TestToppedUpAndTakenBack(t *testing.T) {
	e := served()
	if err := e.Gone(0, "figs", true, 35); err != nil || *e.Dishes[0].GoneAtMin != 35 {
		t.Fatalf("%v, %v", e.Dishes[0], err)
	}
	was := e.Clone()
	for range 2 { // an answer was lost
		if err := e.TopUp("k1", 0, "figs", 60, 50); err != nil {
			t.Fatal(err)
		}
	}
	if d := e.Dishes[0]; d.LaidG != 260 || d.GoneAtMin != nil || len(e.Topped) != 1 || e.Dishes[1].LaidG != 120 {
		t.Errorf("%+v, topped up %d times", d, len(e.Topped))
	}
	if was.Dishes[0].LaidG != 200 || was.Dishes[0].GoneAtMin == nil {
		t.Error("the copy was changed with it")
	}
	if err := e.TakeBack("another"); err != nil || len(e.Topped) != 1 {
		t.Errorf("what is gone already: %v", err)
	}
	if err := e.TakeBack("k1"); err != nil || !e.Same(&was) {
		t.Errorf("taken back it is %+v, %v", e.Dishes[0], err)
	}
	if err := e.TakeBack(""); field(err) != "topped" {
		t.Errorf("nothing to take back: %v", err)
	}
	// where none was gone the least laid takes it
	if err := e.Gone(0, "figs", false, 0); err != nil {
		t.Fatal(err)
	}
	if err := e.TopUp("", 0, "figs", 30, 60); err != nil || e.Dishes[1].LaidG != 150 {
		t.Errorf("%+v, %v", e.Dishes, err)
	}
	for _, c := range []struct {
		food  string
		grams float64
		field string
	}{{"almonds", 30, "food"}, {"figs", 0, "grams"}, {"figs", math.NaN(), "grams"}, {"figs", 1e7, "grams"}} {
		if err := e.TopUp("x", 0, c.food, c.grams, 1); field(err) != c.field {
			t.Errorf("%v of %s: %v", c.grams, c.food, err)
		}
	}
}

func TestWhatCameHomeAndWhy(t *testing.T) {
	e := served()
	gone := 80.0
	if err := e.Home([]evening.Came{{Tray: 0, Element: "figs", Food: "figs", LeftG: 50, Reasons: []string{"out of reach"}}, {Tray: 0, Element: "figs-2", Food: "figs", GoneAtMin: &gone}}); err != nil {
		t.Fatal(err)
	}
	r := e.Record()
	if len(r.Foods) != 2 || r.Foods[0].LaidG != 320 || r.Foods[0].LeftG != 50 || r.Foods[0].GoneAtMin != nil || r.Foods[0].Reasons[0] != "out of reach" {
		t.Errorf("%+v", r.Foods)
	}
	if err := e.Check(); err != nil {
		t.Error(err)
	}
	if err := e.Home([]evening.Came{{Food: "tin"}}); field(err) != "dishes[0]" {
		t.Error(err)
	}
	if err := e.Gone(3, "figs", true, 1); field(err) != "element" {
		t.Error(err)
	}
	left := graze.Range{P50: 12}
	e.Foresee(graze.Forecast{Elements: []graze.Element{{Tray: 1, ID: "honey", LeftG: left}}})
	if !e.Compared() || e.Dishes[2].Foreseen.P50 != 12 || e.Dishes[0].Foreseen != nil {
		t.Errorf("%+v", e.Dishes)
	}
	other := served()
	other.TakeForeseen(&e)
	if other.Dishes[2].Foreseen == nil {
		t.Error("what had been foreseen is not taken along")
	}
}

func TestNotes(t *testing.T) {
	e := served()
	at := time.Date(2026, 10, 14, 20, 0, 0, 0, time.UTC)
	for range 2 {
		if err := e.Note("n1", at, "  The far end wanted more. "); err != nil {
			t.Fatal(err)
		}
	}
	if len(e.Notes) != 1 || e.Notes[0].Says != "The far end wanted more." {
		t.Errorf("%+v", e.Notes)
	}
	if err := e.Note("n2", at, "  "); field(err) != "says" {
		t.Error(err)
	}
}

func TestEveningsThatMakeNoSense(t *testing.T) {
	for name, spoil := range map[string]func(e *evening.Evening){
		"title":      func(e *evening.Evening) { e.Title = strings.Repeat("x", 161) },
		"crowd":      func(e *evening.Evening) { e.Crowd = strings.Repeat("x", 161) },
		"dishes":     func(e *evening.Evening) { e.Dishes = make([]evening.Dish, 1201) },
		"dishes[0]":  func(e *evening.Evening) { e.Dishes[0].LeftG = e.Dishes[0].LaidG * 40 },
		"dishes[1].": func(e *evening.Evening) { e.Dishes[1].Reasons = []string{"the moon"} },
		"notes[0].":  func(e *evening.Evening) { e.Notes = []evening.Note{{Says: strings.Repeat("x", 1001)}} },
		"notes":      func(e *evening.Evening) { e.Notes = make([]evening.Note, 61) },
		"topped":     func(e *evening.Evening) { e.Topped = make([]evening.ToppedUp, 401) },
	} {
		e := served()
		spoil(&e)
		if err := e.Check(); err == nil || !strings.HasPrefix(field(err), name) {
			t.Errorf("%s: %v", name, err)
		}
	}
}

// As it is kept lists are empty where there is nothing, so that whoever reads it need not ask.
func TestKeptPlainly(t *testing.T) {
	e := served()
	e.Dishes[0].Reasons, e.Notes, e.Topped = nil, nil, []evening.ToppedUp{}
	raw, err := json.Marshal(e.Plain())
	if err != nil || strings.Contains(string(raw), `"reasons":null`) || strings.Contains(string(raw), `"notes":null`) || strings.Contains(string(raw), "topped") {
		t.Errorf("%s, %v", raw, err)
	}
	other := served()
	if !e.Same(&other) {
		t.Error("no reasons and an empty list of them are told apart")
	}
	other.LastedMin++
	if e.Same(&other) {
		t.Error("another length is the same")
	}
}

func TestOfAJob(t *testing.T) {
	j := plantest.Laid(t, brief.Brief{Guests: brief.Guests{Adults: 6}, Month: 6, Host: " The Orchard "})
	larder := j.Larder(food.BuiltIn())
	e := evening.New("j", j, larder, "2026-10-14")
	if e.Date != "2026-10-14" || e.Crowd != "The Orchard" || len(e.Trays) != 1 || e.Trays[0].Board == "" || len(e.Dishes) < 8 {
		t.Errorf("%+v", e)
	}
	for _, d := range e.Dishes {
		f, _ := larder.Get(d.Food)
		if d.LaidG <= 0 || d.ShareG <= 0 || f.Category == food.Garnish || f.Category == food.NotFood {
			t.Errorf("%+v", d)
		}
	}
	if err := e.Check(); err != nil {
		t.Error(err)
	}
}
