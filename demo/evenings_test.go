package demo

import (
	"bytes"
	"context"
	"image/jpeg"
	"reflect"
	"testing"
	"time"

	"happytray/core/food"
	"happytray/core/graze"
	"happytray/core/learn"
	"happytray/formats/overhead"
)

var someDay = time.Date(2026, 11, 27, 9, 0, 0, 0, time.UTC)

// At least fourteen evenings of several crowds over a year, all of sense, the same for the same day; and crowds differ.
func TestEvenings(t *testing.T) {
	larder := food.BuiltIn()
	list, err := Evenings(someDay, larder)
	if err != nil {
		t.Fatal(err)
	}
	again, _ := Evenings(someDay, larder)
	if !reflect.DeepEqual(list, again) {
		t.Error("not the same for the same day")
	}
	names := map[string]int{}
	var records []learn.Record
	for _, e := range list {
		names[e.Crowd]++
		if err := e.Record.Check(); err != nil {
			t.Errorf("%s of %s: %v", e.Title, e.Date, err)
		}
		at, _ := time.Parse(time.DateOnly, e.Date)
		if ago := someDay.Sub(at).Hours() / 24; ago < 20 || ago > 370 {
			t.Errorf("%s is %.0f days ago", e.Title, ago)
		}
		records = append(records, e.Record)
	}
	if len(list) < 14 || len(names) < 4 {
		t.Errorf("%d evenings of %d crowds", len(list), len(names))
	}
	l, err := learn.Fit(records, learn.Options{})
	if err != nil {
		t.Fatal(err)
	}
	// what was made up of the crowds is found in what they left
	gardeners, ok := l.FactorOf("Saltmere allotment society", "cherry-tomatoes")
	if everybody, _ := l.FactorOf("", "cherry-tomatoes"); !ok || gardeners.Factor >= everybody.Factor || gardeners.Factor > .8 {
		t.Errorf("gardeners eat %.2f of the tomatoes, everybody %.2f", gardeners.Factor, everybody.Factor)
	}
}

// What came home of the seed swap lies mostly where the forecast says it does, four times in five.
func TestForecastOfTheSeedSwap(t *testing.T) {
	larder := food.BuiltIn()
	j, played, err := Swapped(someDay, larder)
	if err != nil {
		t.Fatal(err)
	}
	f, err := graze.Simulate(context.Background(), j, j.Larder(larder), graze.Options{Evenings: 300, Seed: 9})
	if err != nil {
		t.Fatal(err)
	}
	within, left := 0, 0.0
	for i, p := range played {
		e := f.Elements[i]
		if e.ID != p.ID {
			t.Fatalf("%s is not %s", e.ID, p.ID)
		}
		if p.LeftG >= e.LeftG.P10-.2 && p.LeftG <= e.LeftG.P90+.2 {
			within++
		}
		left += p.LeftG
	}
	if part := float64(within) / float64(len(played)); part < .7 {
		t.Errorf("%.0f %% of the elements lie within what was foreseen", 100*part)
	}
	if left < .6*f.Waste.Grams || left > 1.6*f.Waste.Grams {
		t.Errorf("%.0f g came home, %.0f were foreseen", left, f.Waste.Grams)
	}
}

// The photograph of the seed swap tells that a bowl was put down elsewhere, whatever the search laid.
func TestThePhotographTellsWhatWasMoved(t *testing.T) {
	j, _, err := Swapped(someDay, food.BuiltIn())
	if err != nil {
		t.Fatal(err)
	}
	raw, err := Photograph(j)
	if err != nil {
		t.Fatal(err)
	}
	img, err := jpeg.Decode(bytes.NewReader(raw))
	if err != nil {
		t.Fatal(err)
	}
	c, err := overhead.FindCorners(img)
	if err != nil {
		t.Fatal(err)
	}
	box := j.Trays[0].Board.Outline.Bounds()
	straight, err := overhead.Straighten(img, c, box.W(), box.H(), 1)
	if err != nil {
		t.Fatal(err)
	}
	seen, err := overhead.Compare(straight, 1, j.Trays[0])
	if err != nil {
		t.Fatal(err)
	}
	n := 0
	for _, s := range seen {
		if s.Moved != nil {
			n++
		}
	}
	if n != 1 {
		t.Errorf("%d things are told to lie elsewhere", n)
	}
}
