package geom

import (
	"math"
	"math/rand/v2"
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
