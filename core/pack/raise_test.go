package pack_test

import (
	"reflect"
	"testing"

	"happytray/core/board"
	"happytray/core/geom"
	"happytray/core/pack"
	"happytray/core/review"
	"happytray/core/tray"
)

// standing is a board with one thing on it, round, of a form, so wide and high, in a vessel where its height is one's.
func standing(t *testing.T, longMM float64, form string, wide, high float64) *tray.Tray {
	at := geom.Pt(longMM/2, 150)
	tr := &tray.Tray{Board: pack.Made(t, board.Request{Shape: "rectangle", LengthMM: longMM, WidthMM: 300})}
	e := tray.Element{ID: "a", Form: form, Placed: true, Count: 1, Pieces: []tray.Piece{{Outline: geom.Circle(wide/2, 32).Move(at), At: at, HeightMM: high}}}
	if form == "bowl" {
		e.Vessel, tr.Vessels = "v", []board.Vessel{{ID: "v", DiameterMM: wide, HeightMM: high, CapacityML: 200}}
	}
	tr.Elements = []tray.Element{e}
	return tr
}

func TestWhatIsSetHigherAndByHowMuch(t *testing.T) {
	for _, c := range []struct {
		name       string
		long       float64
		form       string
		wide, high float64
		change     func(*tray.Tray)
		want       []float64
	}{
		{"a low bowl", 500, "bowl", 80, 30, nil, []float64{15}},
		{"a bowl that stands above all anyhow", 500, "bowl", 80, 55, nil, nil},
		{"one too low to get there", 500, "bowl", 80, 12, nil, nil},
		{"one that would tip", 500, "bowl", 50, 30, nil, nil},
		{"a cheese that is cut already", 500, "cut-round-12", 120, 31, nil, []float64{15}},
		{"a cheese that waits for its knife", 500, "whole", 120, 31, nil, nil},
		{"a row", 500, "shingle", 120, 31, nil, nil},
		{"a bowl on a long table", 2400, "bowl", 110, 55, nil, []float64{45}},
		{"a low one there", 2400, "bowl", 110, 30, nil, []float64{15, 70}},
		{"a narrow one there goes on no stand", 2400, "bowl", 80, 30, nil, []float64{15}},
		{"under a lid", 500, "bowl", 80, 30, func(t *tray.Tray) { t.Board.LidMM = 44 }, nil},
		{"a locked one", 500, "bowl", 80, 30, func(t *tray.Tray) { t.Elements[0].Locked = true }, nil},
		{"one that waits", 500, "bowl", 80, 30, func(t *tray.Tray) { t.Elements[0].Placed = false }, nil},
		{"one that is set higher already", 500, "bowl", 80, 30, func(t *tray.Tray) { t.Elements[0] = pack.Raised(t.Elements[0], 10) }, nil},
	} {
		tr := standing(t, c.long, c.form, c.wide, c.high)
		if c.change != nil {
			c.change(tr)
		}
		got := pack.Lifts(tr, 0)
		if !reflect.DeepEqual(got, c.want) {
			t.Errorf("%s: by %v mm, not %v", c.name, got, c.want)
		}
		for k, by := range got { // the first stands above what lies round it, a second a storey above all
			least := review.TallMM
			if k > 0 {
				least = review.StoreyMM - .1
			}
			up := pack.Raised(tr.Elements[0], by)
			if top := up.RaisedMM() + c.high; top <= least {
				t.Errorf("%s: %v mm high", c.name, top)
			}
		}
	}
}
