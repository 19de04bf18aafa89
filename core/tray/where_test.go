package tray

import (
	"testing"

	"happytray/core/board"
	"happytray/core/geom"
)

func TestWhere(t *testing.T) {
	b := &board.Board{FoodZone: geom.Outline{geom.Pt(0, 0), geom.Pt(600, 0), geom.Pt(600, 400), geom.Pt(0, 400)}}
	for want, p := range map[string]geom.Point{"in the middle": geom.Pt(300, 200), "far left": geom.Pt(20, 20), "far right": geom.Pt(580, 20), "near left": geom.Pt(20, 380),
		"near side, middle": geom.Pt(300, 390), "far side, middle": geom.Pt(300, 5), "right side, middle": geom.Pt(590, 200), "left side, middle": geom.Pt(5, 200)} {
		if got := Where(b, p); got != want {
			t.Errorf("%v is %q, want %q", p, got, want)
		}
	}
}
