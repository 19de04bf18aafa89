package geom

import (
	"math"
	"testing"
)

func TestStroked(t *testing.T) {
	bar, holes := Stroked([][]Point{{Pt(0, 0), Pt(100, 0)}}, 20)
	if want := 100*20 + math.Pi*100; math.Abs(bar.Area()-want) > 12 || len(holes) > 0 || bar.Check() != nil {
		t.Errorf("a bar of %.0f mm2, not %.0f, with %d holes: %v", bar.Area(), want, len(holes), bar.Check())
	}
	ring := []Point{}
	for i := range 41 {
		ring = append(ring, Polar(100, float64(i)*9))
	}
	outer, holes := Stroked([][]Point{ring}, 40)
	if len(holes) != 1 || math.Abs(outer.Area()-math.Pi*120*120) > 400 || math.Abs(holes[0].Area()-math.Pi*80*80) > 400 {
		t.Fatalf("a ring of %.0f mm2 with %d holes", outer.Area(), len(holes))
	}
	again, _ := Stroked([][]Point{ring}, 40)
	for i := range outer {
		if outer[i] != again[i] {
			t.Fatal("the same pen draws another line")
		}
	}
	if o, h := Stroked(nil, 10); o != nil || h != nil {
		t.Error("nothing drawn leaves something")
	}
	two, _ := Stroked([][]Point{{Pt(0, 0), Pt(50, 0)}, {Pt(0, 200), Pt(90, 200)}}, 20)
	if two.Bounds().Min.Y < 180 {
		t.Error("of two parts the larger one counts")
	}
}
