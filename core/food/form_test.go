package food

import (
	"math"
	"testing"

	"happytray/core/geom"
)

func TestRingClosesRoundItsHollow(t *testing.T) {
	s := Spec{Form: "ring", Shape: "disc", L: 60, W: 60, H: 4, Pitch: 24}
	for _, c := range []struct {
		n     int
		inner float64
		want  float64 // radius of the middle line, mm
	}{{6, 0, 18 + 30}, {16, 0, 16 * 24 / (2 * math.Pi)}, {8, 50, 50 + 30}} {
		ps := FormByID("ring").(Rounder).Round("x", s, c.n, c.inner)
		if len(ps) != c.n {
			t.Fatalf("%d pieces, want %d", len(ps), c.n)
		}
		for _, p := range ps {
			if d := p.At().Len(); math.Abs(d-c.want) > .01 {
				t.Errorf("n=%d: a piece lies %.1f mm from the middle, want %.1f", c.n, d, c.want)
			}
			if s.Outline("x", p.Variant).Turn(p.Turn).Move(p.At()).Contains(geom.Point{}) {
				t.Error("a piece lies over the hollow")
			}
		}
		if gap := ps[0].At().Dist(ps[len(ps)-1].At()); math.Abs(gap-ps[0].At().Dist(ps[1].At())) > .01 {
			t.Errorf("the ring does not close: %.1f mm at the seam", gap)
		}
	}
}

func TestCrissCrossTurnsEachLayer(t *testing.T) {
	s := Spec{Form: "criss-cross", Shape: "box", L: 60, W: 10, H: 10}
	ps := FormByID("criss-cross").Lay("x", s, 9)
	for i, p := range ps {
		layer := i / 3
		if p.Z != float64(layer)*10 || p.Turn != float64(layer%2)*90 {
			t.Errorf("stick %d lies at %v turned %v", i, p.Z, p.Turn)
		}
		if math.Abs(p.X) > 25 || math.Abs(p.Y) > 25 {
			t.Errorf("stick %d reaches out of the block: %v", i, p.At())
		}
	}
}

// n slices take more line as n grows, and never lap into a different element's
// room: every row's length is what its own pitch says.
func TestRowsFollowTheirPitch(t *testing.T) {
	for _, f := range BuiltIn().All() {
		for _, s := range f.Forms {
			b, ok := FormByID(s.Form).(Bender)
			if !ok {
				continue
			}
			last := 0.0
			for _, n := range []int{2, 5, 9} {
				ps := b.Bend(f.ID, s, n, 0)
				d := ps[0].At().Dist(ps[n-1].At())
				if d <= last {
					t.Errorf("%s %s: %d pieces reach %.1f mm, fewer reached %.1f", f.ID, s.Form, n, d, last)
				}
				last = d
			}
		}
	}
}

func TestFillOfVessels(t *testing.T) {
	honey, _ := BuiltIn().Get("honey")
	bowl, _ := honey.Spec("bowl")
	if got, want := FillOf(honey, bowl, 1), bowl.MassG/honey.Density; math.Abs(got-want) > .01 {
		t.Errorf("honey wants %.1f ml, want %.1f", got, want)
	}
	olives, _ := BuiltIn().Get("green-olives")
	o, _ := olives.Spec("bowl")
	if got := FillOf(olives, o, 100); math.Abs(got-100*o.MassG/olives.Density/Loosely) > .1 {
		t.Errorf("a hundred olives want %.0f ml", got)
	}
	sticks, _ := BuiltIn().Get("breadsticks")
	u, _ := sticks.Spec("upright")
	for _, ml := range []float64{60, 120, 200} {
		n := HoldsOf(sticks, u, ml)
		if got := FillOf(sticks, u, n); math.Abs(got-ml) > FillOf(sticks, u, 1) {
			t.Errorf("%d sticks fill %.0f ml of a cup of %.0f", n, got, ml)
		}
	}
}

func TestAffinity(t *testing.T) {
	l := BuiltIn()
	for _, c := range []struct {
		a, b   string
		lo, hi float64
	}{
		{"blue-wedge", "honey", 1, 1},                // named
		{"sheep-blue", "dates", .9, 1},               // blue with something sweet
		{"fresh-goat-log", "paprika-sausage", .8, 1}, // rich spicy sausage with fresh goat
		{"old-wheel", "water-biscuits", .6, 1},       // strong cheese on a plain cracker
		{"dark-chocolate", "green-olives", -1, -1},   // named clash
		{"milk-chocolate", "gherkins", -1, -.5},      // sweet beside brine
		{"almonds", "almonds", 0, 0},
		{"celery", "walnuts", 0, 0},
	} {
		a, _ := l.Get(c.a)
		b, _ := l.Get(c.b)
		got, why := Affinity(a, b)
		back, _ := Affinity(b, a)
		if got < c.lo || got > c.hi || got != back {
			t.Errorf("%s and %s: %.2f (%s), back %.2f, want %.2f to %.2f", c.a, c.b, got, why, back, c.lo, c.hi)
		}
		if (got != 0) != (why != "") {
			t.Errorf("%s and %s: %.2f says %q", c.a, c.b, got, why)
		}
	}
	all := l.All()
	good, bad := 0, 0
	for i := range all {
		g, b := l.Partners(&all[i], 400)
		good, bad = good+len(g), bad+len(b)
		for k := 1; k < len(g); k++ {
			if g[k].Worth > g[k-1].Worth {
				t.Fatalf("%s: partners are not best first", all[i].ID)
			}
		}
	}
	if n := len(all) * len(all); good == 0 || bad == 0 || good > n/5 || bad > n/5 {
		t.Errorf("%d good and %d bad of %d: a rule that fits nearly everything says nothing", good, bad, n)
	}
}

func TestOverlayLeavesTheLarderBelow(t *testing.T) {
	base := BuiltIn()
	mine, _ := base.Get("almonds")
	changed := *mine
	changed.Name = "Almonds from the tree"
	own := *mine
	own.ID, own.Name = "market-nuts", "Nuts from the market"
	l := base.With([]Food{changed, own})
	if n := len(l.All()); n != len(base.All())+1 {
		t.Errorf("%d foods over %d", n, len(base.All()))
	}
	if f, _ := l.Get("almonds"); f.Name != changed.Name {
		t.Errorf("the change is not seen: %s", f.Name)
	}
	if f, ok := l.Get("market-nuts"); !ok || f.Name != own.Name {
		t.Error("the new food is not seen")
	}
	if f, _ := base.Get("almonds"); f.Name == changed.Name {
		t.Error("the larder below was changed")
	}
	if base.With(nil) != base {
		t.Error("an empty overlay is a new larder")
	}
}

// Whatever form is begun for whatever food is sound, can be laid, and weighs what
// its size says; a line without its pitch is refused.
func TestFormsBeginSound(t *testing.T) {
	for _, f := range BuiltIn().All() {
		for _, s := range f.Others() {
			g := f
			g.Forms = append(append([]Spec{}, f.Forms...), s)
			if err := g.Check(); err != nil {
				t.Errorf("%s begun as %s: %v", f.ID, s.Form, err)
			}
			if want := s.VolumeML() * f.Density; want > .3 && math.Abs(s.MassG/want-1) > .25 {
				t.Errorf("%s begun as %s weighs %v g, %v ml", f.ID, s.Form, s.MassG, s.VolumeML())
			}
			for _, p := range FormByID(s.Form).Lay(f.ID, s, 7) {
				if !p.At().Finite() {
					t.Errorf("%s begun as %s lies nowhere", f.ID, s.Form)
				}
			}
			if NeedsPitch(s.Form) {
				g.Forms[len(g.Forms)-1].Pitch = 0
				if g.Check() == nil {
					t.Errorf("%s as %s without a pitch was taken", f.ID, s.Form)
				}
			}
		}
	}
}

// Skewers lie shoulder to shoulder, however a row of them is to be bent: where the picks spread, board shows between them.
func TestSkewersLieShoulderToShoulder(t *testing.T) {
	for _, f := range BuiltIn().All() {
		s, ok := f.Spec("skewer")
		if !ok {
			continue
		}
		for _, radius := range []float64{0, s.L, 2 * s.L, 5 * s.L, 9 * s.L} {
			lie := FormByID("skewer").(Bender).Bend(f.ID, s, 6, radius)
			for i := range lie[1:] {
				for _, x := range []float64{OnPickFrom - s.L/2, s.L/2 - PickTip} { // where what is threaded begins and ends
					if gap := lie[i+1].Apply(geom.Pt(x, 0)).Dist(lie[i].Apply(geom.Pt(x, 0))) - s.W; gap < -.15*s.W || gap > .15*s.W {
						t.Errorf("%s bent to %g mm: %.1f mm between two of them", f.ID, radius, gap)
					}
				}
			}
		}
	}
}
