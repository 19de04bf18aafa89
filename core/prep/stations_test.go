package prep

import (
	"math"
	"slices"
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/plan/plantest"
)

// Every task by hand is at one station, with the minutes of those who are at it; each board is laid once, what is laid last apart.
func TestStationsAndBaysOfALargeTable(t *testing.T) {
	if testing.Short() {
		t.Skip("two hundred guests are laid, which takes long")
	}
	larder := food.BuiltIn()
	j := plantest.Laid(t, brief.Brief{Guests: brief.Guests{Adults: 200}, Occasion: "grazing", Month: 6, ServeAt: "2026-11-28T19:00:00Z", ReadyBy: "2026-11-28T16:00:00Z"})
	const people = 5
	d, err := Plan(j, larder, Options{People: people})
	if err != nil {
		t.Fatal(err)
	}
	if len(j.Trays) < stationFrom {
		t.Fatalf("%d boards", len(j.Trays))
	}
	station := map[string]string{}
	for _, s := range d.Stations {
		if s.Says.String() == "" || s.Most < 1 || s.Most > people || !at(t, s.Ends).After(at(t, s.Starts)) {
			t.Errorf("%+v", s)
		}
		sum := 0.0
		for n, h := range s.Hands {
			sum += h.Minutes
			if n > 0 && h.Minutes > s.Hands[n-1].Minutes {
				t.Errorf("%s: %v", s.ID, s.Hands)
			}
		}
		if math.Abs(sum-s.Minutes) > .1*people {
			t.Errorf("%s: %g minutes of hands, %g in all", s.ID, sum, s.Minutes)
		}
		for _, id := range s.Tasks {
			if was, twice := station[id]; twice {
				t.Errorf("%s is at %s and at %s", id, was, s.ID)
			}
			station[id] = s.ID
		}
	}
	for _, k := range d.Tasks {
		where, met := station[k.ID]
		if met != (k.Who != "") {
			t.Errorf("%s by %q is at %q", k.ID, k.Who, where)
		}
		if f, ok := larder.Get(k.Food); ok && k.Kind != Lay && k.Who != "" && (f.Category == food.Cheese) != (where == "cheese") {
			t.Errorf("%s is at %s", k.ID, where)
		}
	}
	if len(d.Bays) != len(j.Trays) {
		t.Fatalf("%d boards laid of %d", len(d.Bays), len(j.Trays))
	}
	for n, b := range d.Bays {
		if n > 0 && at(t, b.Starts).Before(at(t, d.Bays[n-1].Starts)) {
			t.Errorf("board %d is laid before board %d", b.Tray, d.Bays[n-1].Tray)
		}
		tr := j.Trays[b.Tray-1]
		if at(t, b.Ends).After(at(t, b.FinishStarts)) || !at(t, b.FinishEnds).After(at(t, b.FinishStarts)) {
			t.Errorf("laid till %s, finished from %s to %s", b.Ends, b.FinishStarts, b.FinishEnds)
		}
		if b.Says != tr.Board.Called() || b.Minutes <= 0 {
			t.Errorf("%+v", b)
		}
		var all []string
		for _, id := range tr.Foods() {
			if f, ok := larder.Get(id); ok && f.Category != food.NotFood {
				all = append(all, id)
				last := f.Needs(food.Softens) || f.Needs(food.Wilts)
				if last && !slices.Contains(b.Last, id) {
					t.Errorf("%s is not laid last on board %d: %v", id, b.Tray, b.Last)
				}
			}
		}
		if len(b.Foods)+len(b.Last) < len(all) {
			t.Errorf("board %d: %d and %d foods of %d", b.Tray, len(b.Foods), len(b.Last), len(all))
		}
	}
	small := plantest.Laid(t, brief.Brief{Guests: brief.Guests{Adults: 8}, Month: 6, ServeAt: "2026-11-28T19:00:00Z"})
	if d, err := Plan(small, larder, Options{People: 2}); err != nil || d.Stations != nil || d.Bays != nil {
		t.Errorf("two people at one board: %v %v %v", err, d.Stations, d.Bays)
	}
}

// What the kitchen puts out is wanted where what it is for is worked on.
func TestKitByStation(t *testing.T) {
	larder := food.BuiltIn()
	j := plantest.Laid(t, brief.Brief{Guests: brief.Guests{Adults: 16}, Occasion: "grazing", Month: 6, ServeAt: "2026-11-28T19:00:00Z"})
	d, err := Plan(j, larder, Options{People: 3})
	if err != nil {
		t.Fatal(err)
	}
	at := map[string]string{}
	for _, k := range d.Kit {
		if k.Stage == ToPrepare {
			at[k.What] = k.Station.String()
		}
		if (k.Station.String() != "") != (k.Stage == ToPrepare) {
			t.Errorf("%s to %s at %q", k.What, k.Stage, k.Station)
		}
	}
	if at["cheese knife"] != "Cheese" || at["clean cloths"] != "The table" || at["bin"] != "The table" {
		t.Errorf("%v", at)
	}
	alone, err := Plan(j, larder, Options{People: 1})
	if err != nil || alone.Kit[0].Station.String() != "" {
		t.Errorf("one person has no stations: %v %v", err, alone.Kit[0])
	}
}
