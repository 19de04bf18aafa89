package geom

import (
	"math"
	"testing"
)

func TestShrinkLiesInside(t *testing.T) {
	star := Outline{}
	for i := range 14 {
		star = append(star, Polar([]float64{240, 90}[i%2], float64(i)*360/14))
	}
	dumbbell := Outline{{0, 0}, {200, 0}, {200, 90}, {300, 96}, {300, 0}, {480, 0}, {480, 200}, {300, 200}, {300, 104}, {200, 110}, {200, 200}, {0, 200}}
	wavy := Outline{}
	for i := range 180 {
		wavy = append(wavy, Polar(200+14*math.Sin(float64(i)*2*math.Pi/180*19), float64(i)*2))
	}
	for name, c := range map[string]struct {
		o      Outline
		lo, hi float64 // area left, share
	}{
		"box":                   {Box(400, 260, 20), .90, .93},
		"round":                 {Circle(170, 64), .89, .92},
		"star":                  {star, .70, .95},
		"neck that closes":      {dumbbell, .35, .55}, // the larger end alone is left
		"scalloped":             {wavy, .80, .94},
		"back to front":         {reverse(star), .70, .95},
		"L":                     {Outline{{0, 0}, {300, 0}, {300, 120}, {120, 120}, {120, 300}, {0, 300}}, .80, .90},
		"with very short edges": {Box(300, 200, 4), .85, .90},
	} {
		in := c.o.Shrink(8)
		if err := in.Check(); err != nil {
			t.Errorf("%s: %v", name, err)
			continue
		}
		for _, p := range in {
			if !c.o.Contains(p) || c.o.EdgeDistance(p) < 8-.4 {
				t.Errorf("%s: %v lies %.2f mm from the edge", name, p, c.o.EdgeDistance(p))
				break
			}
		}
		if share := in.Area() / c.o.Area(); share < c.lo || share > c.hi {
			t.Errorf("%s: %.3f of the area is left, want %.2f to %.2f", name, share, c.lo, c.hi)
		}
		again := c.o.Shrink(8)
		if len(again) != len(in) || again[0] != in[0] {
			t.Errorf("%s: not the same twice", name)
		}
	}
	if in := Box(14, 200, 1).Shrink(8); len(in) > 2 {
		t.Errorf("a lath of 14 mm keeps %v", in)
	}
}

func reverse(o Outline) Outline {
	out := make(Outline, len(o))
	for i, p := range o {
		out[len(o)-1-i] = p
	}
	return out
}

func TestSimplify(t *testing.T) {
	o := Outline{}
	for i := range 2000 {
		o = append(o, Polar(150, float64(i)*.18))
	}
	s := o.Simplify(.2)
	if len(s) > 120 || len(s) < 24 || math.Abs(s.Area()/o.Area()-1) > .01 {
		t.Errorf("%d points, area off by %.4f", len(s), s.Area()/o.Area()-1)
	}
	if got := Box(100, 50, 0).Simplify(.2); len(got) != len(Box(100, 50, 0)) && len(got) != 4 {
		t.Errorf("a box became %v", got)
	}
}
