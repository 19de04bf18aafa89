package overhead

import (
	"image"
	"image/color"
	"testing"

	"happytray/core/geom"
)

// The plane takes the corners of the board to where they are seen, and straight lines to straight lines.
func TestPlane(t *testing.T) {
	c := Corners{{X: 100, Y: 80}, {X: 520, Y: 110}, {X: 560, Y: 430}, {X: 70, Y: 400}}
	p, err := PlaneOf(c, 600, 400)
	if err != nil {
		t.Fatal(err)
	}
	for i, q := range []geom.Point{{X: 0, Y: 0}, {X: 600, Y: 0}, {X: 600, Y: 400}, {X: 0, Y: 400}} {
		if d := p.At(q).Sub(c[i]).Len(); d > 1e-6 {
			t.Errorf("corner %d is seen %g px off", i+1, d)
		}
	}
	a, b, m := p.At(geom.Pt(50, 60)), p.At(geom.Pt(450, 360)), p.At(geom.Pt(250, 210))
	if off := b.Sub(a).Unit().Cross(m.Sub(a)); off > 1e-6 || off < -1e-6 {
		t.Errorf("the middle of a line lies %g px beside it", off)
	}
	if _, err := PlaneOf(Corners{{X: 1, Y: 1}, {X: 2, Y: 2}, {X: 3, Y: 3}, {X: 4, Y: 4}}, 10, 10); err == nil {
		t.Error("four corners in a line")
	}
}

// A picture that is straight already stays as it is.
func TestStraightenOfWhatIsStraight(t *testing.T) {
	img := image.NewNRGBA(image.Rect(0, 0, 60, 40))
	for y := range 40 {
		for x := range 60 {
			img.SetNRGBA(x, y, color.NRGBA{uint8(4 * x), uint8(6 * y), 90, 255})
		}
	}
	out, err := Straighten(img, Corners{{X: 0, Y: 0}, {X: 60, Y: 0}, {X: 60, Y: 40}, {X: 0, Y: 40}}, 120, 80, .5)
	if err != nil || out.Rect.Dx() != 60 || out.Rect.Dy() != 40 {
		t.Fatal(out.Rect, err)
	}
	for _, at := range [][2]int{{0, 0}, {59, 39}, {30, 20}} {
		if got, want := out.NRGBAAt(at[0], at[1]), img.NRGBAAt(at[0], at[1]); got != want {
			t.Errorf("%v is %v, was %v", at, got, want)
		}
	}
}

func TestWays(t *testing.T) {
	for _, c := range []struct {
		by   geom.Point
		want string
	}{{geom.Pt(50, 0), "to the right"}, {geom.Pt(-50, 5), "to the left"}, {geom.Pt(0, 40), "nearer"}, {geom.Pt(3, -40), "farther"}, {geom.Pt(-30, 30), "to the left and nearer"}} {
		if got := way(c.by); got != c.want {
			t.Errorf("%v: %s, want %s", c.by, got, c.want)
		}
	}
}
