// Package colour compares and names the colours of food and boards the way an
// eye does: in CIELAB, under D65.
package colour

import (
	"fmt"
	"math"

	"github.com/lucasb-eyer/go-colorful"
)

// Lab is a colour in CIELAB with L from 0 to 100, white point D65.
type Lab struct{ L, A, B float64 }

// Parse reads a colour written as #rrggbb.
func Parse(hex string) (Lab, error) {
	if len(hex) != 7 || hex[0] != '#' {
		return Lab{}, fmt.Errorf("write the colour as #rrggbb, not %.20q", hex)
	}
	c, err := colorful.Hex(hex)
	if err != nil {
		return Lab{}, fmt.Errorf("write the colour as #rrggbb, not %.20q", hex)
	}
	l, a, b := c.Lab()
	return Lab{l * 100, a * 100, b * 100}, nil
}

// Must is Parse for the built-in data, which tests check; a bad colour is grey.
func Must(hex string) Lab {
	c, err := Parse(hex)
	if err != nil {
		return Lab{L: 50}
	}
	return c
}

// Hex writes the colour as #rrggbb, brought into the screen's gamut.
func (c Lab) Hex() string { return colorful.Lab(c.L/100, c.A/100, c.B/100).Clamped().Hex() }

// Mix is the colour t of the way from c to d in CIELAB.
func (c Lab) Mix(d Lab, t float64) Lab {
	return Lab{c.L + (d.L-c.L)*t, c.A + (d.A-c.A)*t, c.B + (d.B-c.B)*t}
}

// Chroma is the distance from grey.
func (c Lab) Chroma() float64 { return math.Hypot(c.A, c.B) }

// Hue is the hue angle in degrees, 0 <= hue < 360.
func (c Lab) Hue() float64 {
	h := math.Atan2(c.B, c.A) * 180 / math.Pi
	if h < 0 {
		h += 360
	}
	return h
}

// Families of colour, as a stylist would name them.
var Families = []string{"white", "cream", "yellow", "orange", "red", "pink", "purple", "green", "brown", "dark"}

// Family names the colour family that c belongs to. The borders are hue angles
// and lightness read off a swatch card of common foods; they are coarse on
// purpose, because the eye groups a tray coarsely.
func (c Lab) Family() string {
	ch, h := c.Chroma(), c.Hue()
	switch {
	case c.L < 24:
		if ch > 14 && (h > 290 || h < 12) {
			return "purple"
		}
		return "dark"
	case ch < 12:
		if c.L > 82 {
			return "white"
		}
		if c.L < 42 {
			return "dark"
		}
		return "cream"
	case h < 48 || h >= 345:
		if c.L > 66 && ch < 45 {
			return "pink"
		}
		if c.L < 42 && ch < 28 {
			return "brown"
		}
		return "red"
	case h < 70:
		if ch > 50 || c.L > 62 && ch > 40 {
			return "orange"
		}
		return "brown"
	case h < 100:
		if ch < 40 {
			if c.L > 72 {
				return "cream"
			}
			return "brown"
		}
		if h < 76 && ch > 55 {
			return "orange"
		}
		return "yellow"
	case h < 180:
		if h < 106 && c.L > 80 {
			if ch < 30 {
				return "cream"
			}
			return "yellow"
		}
		return "green"
	default:
		return "purple"
	}
}

// FromRGB is the colour of a pixel, each part 0 to 1.
func FromRGB(r, g, b float64) Lab {
	l, x, y := colorful.Color{R: r, G: g, B: b}.Lab()
	return Lab{l * 100, x * 100, y * 100}
}

// linear is the colour in linear RGB, brought into the screen's gamut.
func (c Lab) linear() (r, g, b float64) {
	return colorful.Lab(c.L/100, c.A/100, c.B/100).Clamped().LinearRgb()
}

func fromLinear(r, g, b float64) Lab {
	l, x, y := colorful.LinearRgb(r, g, b).Lab()
	return Lab{l * 100, x * 100, y * 100}
}
