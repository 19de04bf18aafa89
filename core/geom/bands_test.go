package geom

import (
	"math"
	"math/rand/v2"
	"testing"
)

// Whatever the outline, bands say of every point what the outline says: inside, outside, on corners, far away and of no number.
func TestBandsAreTheOutline(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 6))
	outlines := []Outline{Circle(200, 96), Box(300, 4, 1), {}, {{X: 1, Y: 1}}, {{X: 0, Y: 5}, {X: 9, Y: 5}, {X: 4, Y: 5}}}
	for range 40 {
		var o Outline
		for range 3 + r.IntN(60) { // crossing itself, too
			o = append(o, Pt(r.Float64()*400-200, float64(r.IntN(40))*10-200))
		}
		outlines = append(outlines, o)
	}
	for _, o := range outlines {
		b := NewBands(o)
		points := append(Outline{Pt(1e9, 0), Pt(0, -1e9), Pt(math.NaN(), math.NaN()), Pt(0, math.Inf(1))}, o...)
		for range 500 {
			points = append(points, Pt(r.Float64()*440-220, r.Float64()*440-220), Pt(r.Float64()*440-220, float64(r.IntN(44))*10-220))
		}
		for _, p := range points {
			if b.Contains(p) != o.Contains(p) {
				t.Fatalf("%v in %v: %v", p, o, b.Contains(p))
			}
		}
	}
}
