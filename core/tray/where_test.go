package tray

import (
	"testing"

	"happytray/core/board"
	"happytray/core/geom"
)

func TestWhere(t *testing.T) {
	b := &board.Board{FoodZone: geom.Outline{geom.Pt(0, 0), geom.Pt(600, 0), geom.Pt(600, 400), geom.Pt(0, 400)}}
	for want, p := range map[string]geom.Point{"in the middle": geom.Pt(300, 200), "back left": geom.Pt(20, 20), "back right": geom.Pt(580, 20), "front left": geom.Pt(20, 380),
		"front, middle": geom.Pt(300, 390), "back, middle": geom.Pt(300, 5), "right side, middle": geom.Pt(590, 200), "left side, middle": geom.Pt(5, 200)} {
		if got := Where(b, p); got != want {
			t.Errorf("%v is %q, want %q", p, got, want)
		}
	}
	p := geom.Pt(300, 390) // a board that is looked at from elsewhere
	for front, want := range map[string]string{"none": "front, middle", "bottom": "front, middle", "top": "back, middle", "left": "lower, middle"} {
		b.Front = front
		if got := Where(b, p); got != want {
			t.Errorf("with its front at %s it is %q, want %q", front, got, want)
		}
	}
}
