package board

import (
	"math"
	"strconv"
	"strings"

	"happytray/core/geom"
)

// Boards in the shape of something: what people ask for at weddings, birthdays and in winter. Each is drawn in a box one
// wide, from its upper left corner, and stretched to its size.

// ringBand is how much of a ring's radius is board.
const ringBand = .56

// ring is a board with a round opening in its middle.
func ring(l, w float64) (outline geom.Outline, holes []geom.Outline) {
	in := 1 - ringBand
	return geom.Ellipse(l/2, w/2, 64), []geom.Outline{geom.Ellipse(in*l/2, in*w/2, 40)}
}

// heart is the curve x = 16 sin^3 t, y = 13 cos t - 5 cos 2t - 2 cos 3t - cos 4t.
func heart(l, w float64) geom.Outline {
	var o geom.Outline
	for i := range 64 {
		s, c := math.Sincos(2 * math.Pi * float64(i) / 64)
		o = append(o, geom.Pt(16*s*s*s, -(13*c-5*(2*c*c-1)-2*(4*c*c*c-3*c)-(8*c*c*c*c-8*c*c+1))))
	}
	return stretched(o, l, w)
}

// fir is a tree of three tiers on a trunk.
func fir(l, w float64) geom.Outline {
	half := []geom.Point{geom.Pt(0, 0), geom.Pt(.27, .3), geom.Pt(.17, .3), geom.Pt(.39, .58), geom.Pt(.26, .58), geom.Pt(.5, .88), geom.Pt(.1, .88), geom.Pt(.1, 1)}
	o := geom.Outline{}
	for _, p := range half {
		o = append(o, p)
	}
	for i := len(half) - 1; i > 0; i-- {
		o = append(o, geom.Pt(-half[i].X, half[i].Y))
	}
	return stretched(o, l, w)
}

// star has five points, blunt enough to lay food in.
func star(l, w float64) geom.Outline {
	var o geom.Outline
	for i := range 10 {
		r := 1.0
		if i%2 == 1 {
			r = .54
		}
		o = append(o, geom.Polar(r, -90+36*float64(i)))
	}
	return stretched(o, l, w)
}

// strokes are the lines along which letters and digits are drawn, in a box one wide and 1.4 high: points "x,y" of a line
// parted by blanks, lines by semicolons.
var strokes = map[string]string{
	"A": "0,1.4 .5,0 1,1.4;.21,.84 .79,.84", "B": "0,0 0,1.4 .7,1.4 1,1.22 1,.88 .7,.68 0,.68;0,0 .62,0 .9,.16 .9,.5 .7,.68",
	"C": "1,.25 .75,0 .25,0 0,.3 0,1.1 .25,1.4 .75,1.4 1,1.15", "D": "0,0 0,1.4 .6,1.4 1,1.05 1,.35 .6,0 0,0",
	"E": "1,0 0,0 0,1.4 1,1.4;0,.68 .8,.68", "F": "1,0 0,0 0,1.4;0,.68 .8,.68",
	"G": "1,.25 .75,0 .25,0 0,.3 0,1.1 .25,1.4 .75,1.4 1,1.15 1,.75 .6,.75", "H": "0,0 0,1.4;1,0 1,1.4;0,.7 1,.7",
	"I": ".5,0 .5,1.4;.15,0 .85,0;.15,1.4 .85,1.4", "J": "1,0 1,1.1 .75,1.4 .25,1.4 0,1.1", "K": "0,0 0,1.4;1,0 0,.8;.3,.56 1,1.4",
	"L": "0,0 0,1.4 1,1.4", "M": "0,1.4 0,0 .5,.8 1,0 1,1.4", "N": "0,1.4 0,0 1,1.4 1,0",
	"O": ".28,0 .72,0 1,.32 1,1.08 .72,1.4 .28,1.4 0,1.08 0,.32 .28,0", "P": "0,1.4 0,0 .7,0 1,.2 1,.6 .7,.8 0,.8",
	"Q": ".28,0 .72,0 1,.32 1,1.08 .72,1.4 .28,1.4 0,1.08 0,.32 .28,0;.65,1 1.05,1.45", "R": "0,1.4 0,0 .7,0 1,.2 1,.55 .7,.75 0,.75;.5,.75 1,1.4",
	"S": "1,.22 .75,0 .25,0 0,.2 0,.48 .25,.68 .75,.72 1,.92 1,1.2 .75,1.4 .25,1.4 0,1.18", "T": "0,0 1,0;.5,0 .5,1.4",
	"U": "0,0 0,1.1 .28,1.4 .72,1.4 1,1.1 1,0", "V": "0,0 .5,1.4 1,0", "W": "0,0 .2,1.4 .5,.55 .8,1.4 1,0", "X": "0,0 1,1.4;1,0 0,1.4",
	"Y": "0,0 .5,.7 1,0;.5,.7 .5,1.4", "Z": "0,0 1,0 0,1.4 1,1.4",
	"0": ".28,0 .72,0 1,.32 1,1.08 .72,1.4 .28,1.4 0,1.08 0,.32 .28,0", "1": ".15,.28 .55,0 .55,1.4;.2,1.4 .9,1.4",
	"2": "0,.3 .25,0 .75,0 1,.25 1,.5 0,1.4 1,1.4", "3": "0,.15 .25,0 .75,0 1,.2 1,.5 .7,.68 .35,.68;.7,.68 1,.88 1,1.2 .75,1.4 .25,1.4 0,1.22",
	"4": ".75,1.4 .75,0 0,.95 1,.95", "5": ".95,0 .08,0 .05,.6 .7,.58 1,.82 1,1.15 .72,1.4 .25,1.4 0,1.22",
	"6": ".85,0 .45,.1 .05,.7 0,1.1 .25,1.4 .75,1.4 1,1.15 1,.9 .75,.66 .3,.66 .05,.85", "7": "0,0 1,0 .4,1.4",
	"8": ".3,.66 .08,.48 .08,.2 .3,0 .7,0 .92,.2 .92,.48 .7,.66 .3,.66 0,.88 0,1.18 .28,1.4 .72,1.4 1,1.18 1,.88 .7,.66",
	"9": ".95,.55 .7,.74 .25,.74 0,.5 0,.25 .25,0 .75,0 1,.3 .95,.7 .55,1.3 .15,1.4",
}

// pen is how wide a letter's lines are, of the narrower of its width and 1/1.4 of its height.
const pen = .36

// figure is a letter or digit; ok is false for anything else.
func figure(of string, l, w float64) (outline geom.Outline, holes []geom.Outline, ok bool) {
	drawn, ok := strokes[strings.ToUpper(of)]
	if !ok {
		return nil, nil, false
	}
	wide := pen * math.Min(l, w/1.4)
	var lines [][]geom.Point
	for _, line := range strings.Split(drawn, ";") {
		var points []geom.Point
		for _, p := range strings.Fields(line) {
			x, y, _ := strings.Cut(p, ",")
			u, _ := strconv.ParseFloat(x, 64) // fixed data; the tests draw it all
			v, _ := strconv.ParseFloat(y, 64)
			points = append(points, geom.Pt(wide/2+u*(l-wide), wide/2+v/1.4*(w-wide)))
		}
		lines = append(lines, points)
	}
	outline, holes = geom.Stroked(lines, wide)
	return outline, holes, true
}

// stretched puts an outline into a box of l by w round the origin.
func stretched(o geom.Outline, l, w float64) geom.Outline {
	box := o.Bounds()
	out := make(geom.Outline, len(o))
	for i, p := range o {
		out[i] = geom.Pt((p.X-box.Centre().X)/box.W()*l, (p.Y-box.Centre().Y)/box.H()*w)
	}
	return out
}
