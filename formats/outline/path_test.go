package outline

import (
	"math"
	"testing"

	"happytray/core/geom"
)

func TestPathsAreWhatTheySay(t *testing.T) {
	quarter := math.Pi * 100 / 4
	for name, c := range map[string]struct {
		d    string
		area float64 // of the first part, mm2
		box  geom.Rect
	}{
		"lines":            {"M0 0H10V5H0Z", 50, geom.Rect{Max: geom.Pt(10, 5)}},
		"relative":         {"m1 1 10 0 0 5-10 0z", 50, geom.Rect{Min: geom.Pt(1, 1), Max: geom.Pt(11, 6)}},
		"run together":     {"M0-.5.5.5-.5.5", .5, geom.Rect{Min: geom.Pt(-.5, -.5), Max: geom.Pt(.5, .5)}},
		"quarter of a pie": {"M0 0L10 0A10 10 0 0 1 0 10Z", quarter, geom.Rect{Max: geom.Pt(10, 10)}},
		"the other way":    {"M0 0L10 0A10 10 0 0 0 0 10Z", 100 - quarter, geom.Rect{Max: geom.Pt(10, 10)}},
		// three quarters of a circle round (10, 10), and the corner it starts from
		"long way round":  {"M0 0L10 0a10 10 0 11-10 10z", 3*quarter + 100, geom.Rect{Max: geom.Pt(20, 20)}},
		"circle of two":   {"M10 0A10 10 0 1 1-10 0A10 10 0 1 1 10 0", math.Pi * 100, geom.Rect{Min: geom.Pt(-10, -10), Max: geom.Pt(10, 10)}},
		"turned ellipse":  {"M0 -20A20 10 90 0 1 0 20A20 10 90 0 1 0 -20z", math.Pi * 200, geom.Rect{Min: geom.Pt(-10, -20), Max: geom.Pt(10, 20)}},
		"too small radii": {"M-10 0A1 1 0 0 1 10 0A1 1 0 0 1-10 0", math.Pi * 100, geom.Rect{Min: geom.Pt(-10, -10), Max: geom.Pt(10, 10)}},
		"parabola":        {"M0 0Q5 10 10 0Z", 100. / 3, geom.Rect{Max: geom.Pt(10, 5)}},
		// what lies above and below makes up for each other
		"two parabolas": {"M0 0Q5 10 10 0T20 0Z", 0, geom.Rect{Min: geom.Pt(0, -5), Max: geom.Pt(20, 5)}},
		"smooth":        {"M0 0C0 4 6 4 6 0S12-4 12 0z", 0, geom.Rect{Min: geom.Pt(0, -3), Max: geom.Pt(12, 3)}},
	} {
		p, err := readPath(c.d)
		if err != nil {
			t.Errorf("%s: %v", name, err)
			continue
		}
		o := p[0].flat(.001)
		box := o.Bounds()
		if d := math.Abs(o.Area() - c.area); d > .05+.0005*c.area { // arcs are off by a little
			t.Errorf("%s: %.3f mm2, want %.3f", name, o.Area(), c.area)
		}
		for _, d := range []float64{box.Min.X - c.box.Min.X, box.Min.Y - c.box.Min.Y, box.Max.X - c.box.Max.X, box.Max.Y - c.box.Max.Y} {
			if math.Abs(d) > .02 {
				t.Errorf("%s: it reaches over %+v, want %+v", name, box, c.box)
				break
			}
		}
	}
	if p, err := readPath("M0 0H9V9zl-3-3h-3zm20 0h5v5"); err != nil || len(p) != 3 || p[1][0] != geom.Pt(0, 0) || p[2][0] != geom.Pt(20, 0) {
		t.Errorf("parts go on from where the one before began: %v %v", p, err)
	}
	for _, bad := range []string{"L1 1", "M", "M1", "M0 0L1", "M0 0X1 1", "M0 0L1 1,,+", "M0 0A1 1 0 2 0 3 3", "M0 0-", "M0 0L1e", "z", "1 1"} {
		if p, err := readPath(bad); err == nil {
			t.Errorf("%q is read as %v", bad, p)
		}
	}
}

func TestMatricesGoOneAfterTheOther(t *testing.T) {
	got := identity.translate(10, 0).rotate(90).scale(2, 1).at(geom.Pt(1, 1))
	if got.Dist(geom.Pt(9, 2)) > 1e-12 {
		t.Errorf("%v", got)
	}
}
