package colour

import "testing"

// To an eye without green cones a ripe tomato and a leaf come nearer, blue and yellow stay apart; grey has no hue.
func TestVision(t *testing.T) {
	tomato, leaf, corn, plum := Must("#c8372d"), Must("#5d7a35"), Must("#e8c33c"), Must("#4a3a7a")
	apart := func(a, b Lab, v Vision) float64 { return Difference(a.Seen(v), b.Seen(v)) }
	for name, v := range map[string]Vision{"red": WithoutRed, "green": WithoutGreen} {
		if d := Difference(tomato, leaf); apart(tomato, leaf, v) > .62*d {
			t.Errorf("without %s a tomato and a leaf are %.0f apart, %.0f to others", name, apart(tomato, leaf, v), d)
		}
		if apart(corn, plum, v) < 35 {
			t.Errorf("without %s corn and plums run together", name)
		}
	}
	if d := Difference(plum, leaf); apart(plum, leaf, WithoutBlue) > d {
		t.Errorf("without blue plums and leaves are farther apart than %.0f", d)
	}
	if c := tomato.Seen(Grey); c.Chroma() > 1 || c.L < 30 || c.L > 55 {
		t.Errorf("grey: %v", c)
	}
	white := Must("#ffffff")
	for _, v := range []Vision{WithoutRed, WithoutGreen, WithoutBlue, Grey} {
		if Difference(white.Seen(v), white) > 1 {
			t.Errorf("white becomes %v", white.Seen(v))
		}
	}
}
