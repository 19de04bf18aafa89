package review

import (
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/tray"
)

// A table of three metres wants something a storey high on each of its three parts; a board that is not long none.
func TestLongTablesWantAStorey(t *testing.T) {
	run := func(long, high float64, at ...float64) *tray.Tray {
		b, err := board.Make(board.Request{Shape: "rectangle", LengthMM: long, WidthMM: 400})
		if err != nil {
			t.Fatal(err)
		}
		tr := &tray.Tray{Brief: brief.Brief{Guests: brief.Guests{Adults: 40}}, Board: &b, Vessels: board.Vessels()}
		for x := 125.0; x < long; x += 250 { // each part of it has three levels
			box(tr, "almonds", "drift", 60, 180, x-60, 200, 12)
			box(tr, "red-grapes", "drift", 60, 180, x, 200, 26)
			box(tr, "honey", "bowl", 60, 60, x+60, 200, 45)
		}
		for _, x := range at {
			box(tr, "honey", "bowl", 90, 90, x, 330, high)
		}
		return tr
	}
	value := func(tr *tray.Tray) (float64, []Finding) {
		rev := Judge(tr, larder)
		v, ok := rev.Value("height.relief")
		if !ok {
			t.Fatal("no relief")
		}
		var about []Finding
		for _, f := range rev.Findings {
			if f.Check == "height.relief" {
				about = append(about, f)
			}
		}
		return v, about
	}
	last := -1.0
	for n, at := range [][]float64{nil, {300}, {300, 1500}, {300, 1500, 2700}} {
		v, about := value(run(3000, 120, at...))
		if v <= last {
			t.Errorf("with %d: %v after %v", n, v, last)
		}
		if last = v; (len(about) == 1) != (n == 0) { // with one it is well enough to be told nothing
			t.Errorf("with %d: %v", n, about)
		}
	}
	if last < .99 {
		t.Errorf("with one in each part: %v", last)
	}
	if v, about := value(run(3000, 80, 300, 1500, 2700)); v > .81 || len(about) != 1 || about[0].At.X > 1000 {
		t.Errorf("of 8 cm: %v, %v", v, about)
	}
	if v, about := value(run(1250, 120)); v < .99 || len(about) > 0 {
		t.Errorf("of 125 cm: %v, %v", v, about)
	}
	tr := run(3000, 120)
	tr.Brief.Travels.Yes = true
	if _, ok := Judge(tr, larder).Value("height.relief"); ok {
		t.Error("on the road it is asked to rise")
	}
}
