package art

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/tray"
)

func TestCropped(t *testing.T) {
	for _, test := range []struct {
		ask    board.Request
		sides  string
		across float64 // of the frame, mm
	}{
		{board.Request{Shape: "rectangle", LengthMM: 400, WidthMM: 300}, "1:1", 300},
		{board.Request{Shape: "rectangle", LengthMM: 400, WidthMM: 300}, "4:5", 240},
		{board.Request{Shape: "round", LengthMM: 400}, "1:1", 400 / math.Sqrt2},
		{board.Request{Shape: "round", LengthMM: 400}, "3:2", 400 * 3 / math.Sqrt(13)},
	} {
		b, err := board.Make(test.ask)
		if err != nil {
			t.Fatal(err)
		}
		r, err := Cropped(&tray.Tray{Board: &b}, test.sides)
		if err != nil {
			t.Fatal(err)
		}
		if math.Abs(r.W()-test.across) > test.across*.04 {
			t.Errorf("%s %s: %.0f mm across, want %.0f", test.ask.Shape, test.sides, r.W(), test.across)
		}
		if d := r.Centre().Dist(b.Outline.Bounds().Centre()); d > 8 {
			t.Errorf("%s %s: %.0f mm off the middle of a bare board", test.ask.Shape, test.sides, d)
		}
	}
}

// Of frames as large the one with more foods is taken, and the picture shows that frame.
func TestCroppedShowsTheFood(t *testing.T) {
	b, err := board.Make(board.Request{Shape: "plank", LengthMM: 900, WidthMM: 200})
	if err != nil {
		t.Fatal(err)
	}
	tr := &tray.Tray{Board: &b}
	right := b.Outline.Bounds().Max.X - 120
	for i := range 4 {
		tr.Elements = append(tr.Elements, tray.Element{ID: string(rune('a' + i)), Placed: true, X: right - 20*float64(i), Y: 100})
	}
	r, err := Cropped(tr, "1:1")
	if err != nil {
		t.Fatal(err)
	}
	if foodsIn(tr, r) != 4 {
		t.Errorf("%v holds %d of 4", r, foodsIn(tr, r))
	}
	for _, bad := range []string{"", "1", "0:0", "21:9"} {
		if _, err := Cropped(tr, bad); err == nil {
			t.Errorf("%q is taken", bad)
		}
	}
	if _, err := Cropped(&tray.Tray{}, "1:1"); err == nil {
		t.Error("there is a frame without a board")
	}
	svg, err := Picture("Frame", &tray.Tray{Board: &b}, larder, false, "2:3")
	if err != nil {
		t.Fatal(err)
	}
	var x, y, w, h float64
	if _, err := fmt.Sscanf(svg[strings.Index(svg, "viewBox"):], "viewBox=\"%f %f %f %f", &x, &y, &w, &h); err != nil {
		t.Fatal(err)
	}
	if math.Abs(w-400./3) > .5 || math.Abs(h-200) > .5 || math.Abs(x-(900-w)/2) > .5 || math.Abs(y) > .5 {
		t.Errorf("the picture shows %.1f %.1f %.1f %.1f", x, y, w, h)
	}
}
