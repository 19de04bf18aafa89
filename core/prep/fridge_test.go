package prep

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/plan/plantest"
)

// What waits in the cold is counted for all jobs of a day, against the shelves there are.
func TestFridge(t *testing.T) {
	j := plantest.Laid(t, brief.Brief{Guests: brief.Guests{Adults: 25}, ServeAt: "2026-12-05T18:00"})
	larder := j.Larder(food.BuiltIn())
	day := func(shelves, jobs int) Day {
		t.Helper()
		booked := []DayJob{}
		for n := range jobs {
			booked = append(booked, DayJob{ID: string(rune('a' + n)), Job: j, Larder: larder})
		}
		d, err := PlanDay(booked, Options{People: 2, Ovens: 1, Shelves: shelves})
		if err != nil {
			t.Fatal(err)
		}
		return d
	}
	told := func(d Day) bool { return strings.Contains(fmt.Sprint(d.Cautions), "wait in the cold") }
	if d := day(0, 1); d.Fridge != nil || told(d) {
		t.Errorf("nobody counts shelves: %+v", d.Fridge)
	}
	one := day(20, 1)
	want := 0.0 // by hand: grams over density, six tenths full
	for _, w := range Weighings(j, larder) {
		if f, _ := larder.Get(w.Food); f.Needs(food.Cold) {
			want += w.Grams / f.Density / .6 / 1000
		}
	}
	if one.Fridge == nil || math.Abs(one.Fridge.Litres-want) > .2 || one.Fridge.Needs != int(math.Ceil(want/13)) || told(one) {
		t.Errorf("%+v, want %.1f l; cautions %q", one.Fridge, want, one.Cautions)
	}
	if six := day(20, 6); math.Abs(six.Fridge.Litres-6*want) > .5 {
		t.Errorf("six jobs wait in %v l, one in %v", six.Fridge.Litres, one.Fridge.Litres)
	}
	if six := day(1, 6); !told(six) || six.Fridge.Needs < 2 {
		t.Errorf("one shelf for six jobs: %+v %q", six.Fridge, six.Cautions)
	}
	if _, err := Plan(j, larder, Options{People: 1, Shelves: 61}); err == nil {
		t.Error("sixty-one shelves")
	}
}
