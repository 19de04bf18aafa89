package pack_test

import (
	"reflect"
	"testing"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
	"happytray/core/plan/plantest"
	"happytray/core/tray"
)

// three discs of 20 mm in a row that overlap by 2 mm, of the given forms
func discs(forms ...string) *tray.Tray {
	tr := &tray.Tray{}
	for i, f := range forms {
		at := geom.Pt(18*float64(i), 0)
		tr.Elements = append(tr.Elements, tray.Element{ID: string(rune('a' + i)), Form: f, Placed: true, Count: 1,
			Pieces: []tray.Piece{{Outline: geom.Circle(10, 24).Move(at), At: at, HeightMM: 12}}})
	}
	return tr
}

func heights(tr *tray.Tray) (out []float64) {
	for _, e := range tr.Elements {
		out = append(out, e.Pieces[0].ZMM)
	}
	return out
}

func all(int) bool { return true }

func TestOneLiesOnTheOther(t *testing.T) {
	for name, c := range map[string]struct {
		forms []string
		want  []float64
	}{
		"every second one of three heaps":         {[]string{"drift", "drift", "drift"}, []float64{0, 3, 0}},
		"food on what is stiff, never beneath it": {[]string{"drift", "whole", "drift"}, []float64{3, 0, 3}},
		"loose food on a row":                     {[]string{"drift", "shingle", "drift"}, []float64{3, 0, 3}},
		"nothing is done to what is stiff":        {[]string{"whole", "whole"}, []float64{0, 0}},
		"a row on folded slices the other way":    {[]string{"quarter-fold", "shingle"}, []float64{3, 0}},
	} {
		tr := discs(c.forms...)
		pack.Rest(tr, all)
		if got := heights(tr); !reflect.DeepEqual(got, c.want) {
			t.Errorf("%s: %v", name, got)
		}
		pack.Rest(tr, all)
		if got := heights(tr); !reflect.DeepEqual(got, c.want) {
			t.Errorf("%s, once more: %v", name, got)
		}
	}
}

// What is locked and what was not changed stays; but what something stiff came to stand under is lifted.
func TestOnlyWhatChangedIsLifted(t *testing.T) {
	only := func(k int) func(int) bool { return func(i int) bool { return i == k } }
	tr := discs("drift", "drift", "drift")
	tr.Elements[0].Locked = true
	pack.Rest(tr, only(0))
	if got := heights(tr); !reflect.DeepEqual(got, []float64{0, 0, 0}) {
		t.Errorf("what is locked was lifted: %v", got)
	}
	pack.Rest(tr, only(2))
	if got := heights(tr); !reflect.DeepEqual(got, []float64{0, 0, 3}) {
		t.Errorf("only the last was changed: %v", got)
	}
	tr = discs("drift", "whole")
	pack.Rest(tr, only(1))
	if got := heights(tr); !reflect.DeepEqual(got, []float64{3, 0}) {
		t.Errorf("a wedge came to stand under a heap: %v", got)
	}
	far := discs("drift", "drift")
	far.Elements[1].MoveTo(geom.Pose{X: 1e7, Y: -1e7})
	pack.Rest(far, all) // what lies far apart takes no more time or room than what lies together
	if got := heights(far); !reflect.DeepEqual(got, []float64{0, 0}) {
		t.Errorf("far apart: %v", got)
	}
}

// A heap that is parted again lies as it lay: its upper pieces stay upper and what was lifted comes down.
func TestLiftedComesDown(t *testing.T) {
	tr := plantest.LaidFor(t, 8).Clone()
	plantest.OneOnTheOther(t, "as laid", tr)
	again := tr.Clone()
	pack.Rest(again, all)
	if !reflect.DeepEqual(again, tr) {
		t.Error("what rests already is changed")
	}
	lifted := 0
	for i := range again.Elements {
		e := &again.Elements[i]
		if e.Kind() != food.KindLoose || e.Vessel != "" {
			continue
		}
		was := e.Pieces
		alone := again.Clone()
		alone.Elements = alone.Elements[i : i+1]
		pack.Rest(alone, all)
		for n, p := range alone.Elements[0].Pieces {
			if p.ZMM < was[n].ZMM {
				lifted++
			} else if p.ZMM > was[n].ZMM {
				t.Errorf("%s: piece %d rises when nothing lies beside it", e.ID, n)
			}
		}
	}
	if lifted < 10 {
		t.Errorf("only %d pieces came down", lifted)
	}
}
