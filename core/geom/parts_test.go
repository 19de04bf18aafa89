package geom

import (
	"math"
	"math/rand/v2"
	"testing"
)

// crooked is a made-up simple outline that is mostly concave: a star, a comb, a C or a spiral arm.
func crooked(r *rand.Rand) Outline {
	var o Outline
	switch r.IntN(4) {
	case 0:
		n := 5 + r.IntN(20)
		for i := range n {
			o = append(o, Polar(6+24*r.Float64(), float64(i)*360/float64(n)))
		}
	case 1:
		teeth, deep := 2+r.IntN(4), 10+20*r.Float64()
		o = Outline{{0, -6}, {float64(teeth) * 10, -6}}
		for k := teeth - 1; k >= 0; k-- {
			x := float64(k) * 10
			o = append(o, Pt(x+10, deep), Pt(x+5, deep), Pt(x+5, 0), Pt(x, 0))
		}
	case 2:
		o = Outline{{-20, -20}, {20, -20}, {20, -10}, {-10, -10}, {-10, 10}, {20, 10}, {20, 20}, {-20, 20}}
	case 3:
		wide, long := 4+6*r.Float64(), 120+200*r.Float64()
		for k := range 10 {
			o = append(o, Polar(25, long*float64(k)/9))
		}
		for k := 9; k >= 0; k-- {
			o = append(o, Polar(25-wide, long*float64(k)/9))
		}
	}
	return o.Turn(360 * r.Float64()).Move(Pt(30*r.Float64(), 30*r.Float64()))
}

// Parts are convex, lie in the outline and make up its area.
func TestPartsMakeUpTheOutline(t *testing.T) {
	r := rand.New(rand.NewPCG(7, 8))
	most := 0
	for n := range 3000 {
		o := crooked(r)
		if o.Check() != nil {
			continue
		}
		b := NewBody(o)
		area := 0.0
		parts := b.Parts()
		most = max(most, len(parts))
		for _, p := range parts {
			area += p.Outline.Area()
			if h := p.Outline.Hull(); h.Area()-p.Outline.Area() > 1e-6*h.Area()+1e-9 {
				t.Fatalf("%d: a part is not convex: %v of %v", n, p.Outline, o)
			}
		}
		if math.Abs(area-o.Area()) > 1e-6*o.Area() {
			t.Fatalf("%d: parts of %v mm2 make up %v mm2: %v", n, area, o.Area(), o)
		}
	}
	if most < 4 {
		t.Errorf("at most %d parts: nothing was concave", most)
	}
}

// Concave outlines against a raster: they are told to overlap where they share area, and share as much as cells do.
func TestConcaveOverlapAgainstARaster(t *testing.T) {
	r := rand.New(rand.NewPCG(9, 10))
	const cell = .25
	both, apart, pairs := 0, 0, 600
	if testing.Short() {
		pairs = 200
	}
	for n := range pairs {
		o, p := crooked(r), crooked(r)
		if n%7 == 0 { // nearly in the same place
			p = o.Move(Pt(.2*r.Float64(), .2*r.Float64()))
		}
		if o.Check() != nil || p.Check() != nil {
			continue
		}
		a, b := NewBody(o), NewBody(p)
		box, other := a.Box, b.Box
		cells := 0
		for y := math.Max(box.Min.Y, other.Min.Y) + cell/2; y < math.Min(box.Max.Y, other.Max.Y); y += cell {
			for x := math.Max(box.Min.X, other.Min.X) + cell/2; x < math.Min(box.Max.X, other.Max.X); x += cell {
				if q := Pt(x, y); o.Contains(q) && p.Contains(q) {
					cells++
				}
			}
		}
		area := float64(cells) * cell * cell
		depth, _ := Penetration(&a, &b)
		shared := 0.0
		for _, q := range b.Parts() {
			shared += a.Shared(q.Outline)
		}
		if tolerance := 2 + .05*area; math.Abs(shared-area) > tolerance {
			t.Fatalf("%d: %v mm2 shared, %v by cells\n%v\n%v", n, shared, area, o, p)
		}
		switch {
		case area > 8:
			both++
			if depth < .3 {
				t.Errorf("%d: %v mm2 shared, and told %v mm deep\n%v\n%v", n, area, depth, o, p)
			}
		case shared < 1e-9:
			apart++
			if depth > 1e-6 {
				t.Errorf("%d: nothing shared, and told %v mm deep\n%v\n%v", n, depth, o, p)
			}
		}
	}
	if both < pairs/3 || apart < pairs/20 {
		t.Errorf("%d overlap, %d are apart", both, apart)
	}
}

func TestABarAcrossAC(t *testing.T) {
	c := NewBody(Outline{{-20, -20}, {20, -20}, {20, -10}, {-10, -10}, {-10, 10}, {20, 10}, {20, 20}, {-20, 20}})
	for _, k := range []struct {
		name string
		o    Outline
		deep bool
	}{
		{"across its lower arm", Box(6, 40, 0).Move(Pt(5, 20)), true},
		{"in its mouth", Box(25, 16, 0).Move(Pt(5, 0)), false},
		{"touching both arms", Box(10, 20, 0).Move(Pt(5, 0)), false},
		{"the same C", c.Outline, true},
		{"the same C, a hair off", c.Outline.Move(Pt(.3, .2)), true},
	} {
		b := NewBody(k.o)
		d, _ := Penetration(&c, &b)
		if e, _ := Penetration(&b, &c); math.Abs(d-e) > 1e-9 {
			t.Errorf("%s: %v one way, %v the other", k.name, d, e)
		}
		if k.deep && d < 5 || !k.deep && d > 1e-9 {
			t.Errorf("%s: %v mm deep", k.name, d)
		}
	}
}

func FuzzPenetration(f *testing.F) {
	f.Add(uint64(1), uint64(2), 3.0, 4.0)
	f.Fuzz(func(t *testing.T, one, two uint64, x, y float64) {
		if math.IsNaN(x+y) || math.Abs(x) > 200 || math.Abs(y) > 200 {
			t.Skip()
		}
		o, p := crooked(rand.New(rand.NewPCG(one, 1))), crooked(rand.New(rand.NewPCG(two, 2))).Move(Pt(x, y))
		if o.Check() != nil || p.Check() != nil {
			t.Skip()
		}
		a, b := NewBody(o), NewBody(p)
		d, _ := Penetration(&a, &b)
		e, _ := Penetration(&b, &a)
		if math.Abs(d-e) > 1e-6 || d < 0 || math.IsNaN(d) {
			t.Errorf("%v one way, %v the other", d, e)
		}
		shared := 0.0
		for _, q := range b.Parts() {
			shared += a.Shared(q.Outline)
		}
		if shared > 1 && d == 0 {
			t.Errorf("%v mm2 shared and no depth", shared)
		}
	})
}
