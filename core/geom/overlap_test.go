package geom

import (
	"math"
	"math/rand/v2"
	"slices"
	"testing"
)

// Deeper answers as Penetration does where it is deeper than the limit, and with nothing otherwise.
func TestDeeperIsPenetrationBeyondALimit(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 3))
	some := func() Outline {
		n := 3 + r.IntN(9)
		o := make(Outline, n)
		for i := range o {
			o[i] = Polar(8+22*r.Float64(), float64(i)*360/float64(n))
		}
		return o.Move(Pt(60*r.Float64(), 60*r.Float64()))
	}
	deep := 0
	for range 20000 {
		a, b := NewBody(some()), NewBody(some())
		limit := []float64{0, .7, 2, 6, math.Inf(1)}[r.IntN(5)]
		want, away := Penetration(&a, &b)
		if want <= limit {
			want, away = 0, Point{}
		} else {
			deep++
		}
		if d, way := Deeper(&a, &b, limit); math.Abs(d-want) > 1e-9 || way != away {
			t.Fatalf("%v %v beyond %v, want %v %v", d, way, limit, want, away)
		}
	}
	if deep < 2000 {
		t.Errorf("only %d lay deeper", deep)
	}
}

// Walking round a hull finds what looking at all of its points finds.
func TestDeeperAgainstAllPoints(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 6))
	hull := func() Outline {
		var o Outline
		for range 3 + r.IntN(24) {
			o = append(o, Pt(20*r.NormFloat64(), 12*r.NormFloat64()))
		}
		return o.Hull()
	}
	for n := range 4000 {
		p, q := hull(), hull().Move(Pt(60*r.Float64()-30, 60*r.Float64()-30))
		if n%3 == 0 { // the other way round
			slices.Reverse(p)
		}
		a, b := NewBody(p), NewBody(q)
		want := math.Inf(1) // the least overlap along a normal of either
		for _, pair := range [2][2]Outline{{p, q}, {q, p}} {
			for i, from := range pair[0] {
				e := pair[0][(i+1)%len(pair[0])].Sub(from)
				for _, n := range []Point{Pt(-e.Y, e.X).Unit(), Pt(e.Y, -e.X).Unit()} {
					top, low := math.Inf(-1), math.Inf(1)
					for _, v := range pair[0] {
						top = max(top, v.Dot(n))
					}
					for _, v := range pair[1] {
						low = min(low, v.Dot(n))
					}
					want = min(want, top-low)
				}
			}
		}
		if got, _ := Penetration(&a, &b); math.Abs(got-max(0, want)) > 1e-9 {
			t.Fatalf("%d: %v deep, want %v\n%v\n%v", n, got, want, p, q)
		}
	}
}

// A body that is carried is what one made anew there would be.
func TestBodyCarry(t *testing.T) {
	home := NewBody(Outline{Pt(0, 0), Pt(30, 0), Pt(30, 8), Pt(8, 8), Pt(8, 20), Pt(0, 20)})
	b := home.Clone()
	for _, c := range []struct {
		deg float64
		by  Point
	}{{0, Pt(5, -3)}, {90, Pt(0, 0)}, {-35, Pt(100, 40)}} {
		b.Transform(&home, Pt(10, 10), c.deg, c.by)
		o := make(Outline, len(home.Outline))
		for i, q := range home.Outline {
			o[i] = Pt(10, 10).Add(Pose{Turn: c.deg}.Apply(q.Sub(Pt(10, 10)))).Add(c.by)
		}
		want := NewBody(o)
		for i := range o {
			if b.Outline[i].Dist(o[i]) > 1e-9 {
				t.Errorf("%v: point %d at %v, want %v", c, i, b.Outline[i], o[i])
			}
		}
		if math.Abs(b.Box.W()-want.Box.W()) > 1e-9 || math.Abs(b.Hull.Area()-want.Hull.Area()) > 1e-6 {
			t.Errorf("%v: box %v, want %v", c, b.Box, want.Box)
		}
	}
	if home.Outline[1] != Pt(30, 0) {
		t.Error("home moved along")
	}
}
