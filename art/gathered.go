package art

import (
	"math"

	"happytray/core/colour"
	"happytray/core/geom"
)

// gather is what a long thin slice is known by when it is pushed together.
type gather struct {
	rim   string  // along its long sides: fat, or skin
	width float64 // of that, mm
	grain string  // lines that run across it; none where it is empty
	wet   bool
}

// gathered is a slice of meat with a thin rim of fat, ham one with a broad rim.
func gathered(p *pen, s subject) {
	folds(p, s, gather{rim: "#f0d3c4", width: .9, grain: tone(s.cut, 15, -2)})
}
func ham(p *pen, s subject) {
	folds(p, s, gather{rim: "#f7e6d8", width: 2.3, grain: tone(s.cut, 12, 0)})
}

// salmon is moist, with pale lines across its grain.
func salmon(p *pen, s subject) {
	folds(p, s, gather{rim: tone(s.cut, 12, -2), width: .8, grain: "#ffe6d2", wet: true})
}

// ribbon is a slice of a vegetable, its skin along the rim.
func ribbon(p *pen, s subject) {
	folds(p, s, gather{rim: tone(s.out, -2, 0), width: 1.5, wet: true})
}

// folds draws a long thin slice gathered back and forth, as it is seen from above: pinched where fingers held it, its
// folds spreading to both sides and ending in the slice's rims, dark in the depth between them.
func folds(p *pen, s subject, g gather) {
	p.turned(s.turn, func() {
		l, w, c := s.spec.L*.95, s.spec.W*.95, s.cut
		n := 5 + p.r.IntN(2)
		step := l * .8 / float64(n)
		lean, bow := step*p.between(-.7, .7), step*p.between(-.7, .7)
		pinch := geom.Pt(p.between(-.06, .06)*l, p.between(-.08, .08)*w)
		p.path(p.blob(geom.Pt(bow*.8, 0).Add(pinch), l*.32, w*.22, 0, 14, .09), tone(c, -24, 3))
		for _, i := range fromOutside(n) {
			t := (float64(i)+.5)/float64(n)*2 - 1 // -1 at its left end
			f := fold{
				x: t * l * .4, half: w * .5 * (1 - .3*t*t) * p.between(.86, 1), step: step * p.between(.8, 1.35),
				lean: lean + step*p.between(-.35, .35), bow: bow + step*p.between(-.45, .45), pinch: pinch,
			}
			f.draw(p, c, g)
		}
		if g.wet {
			p.glint(geom.Pt(-l*.13, -w*.2), l*.07, w*.035, .45)
		}
	})
}

// fromOutside is the order in which folds lie on each other: the middle ones stand highest.
func fromOutside(n int) (order []int) {
	for lo, hi := 0, n-1; lo <= hi; lo, hi = lo+1, hi-1 {
		order = append(order, lo)
		if lo != hi {
			order = append(order, hi)
		}
	}
	return order
}

// fold is one crest of a gathered slice, mm.
type fold struct {
	x, half   float64 // where it crosses the middle, and how far it reaches to either side
	step      float64 // its breadth
	lean, bow float64
	pinch     geom.Point // where all of them are held together
}

// at is a point of it: v from -1 to 1 along its crest, across from -1 to 1 over it.
func (f fold) at(v, across float64) geom.Point {
	x := f.x*(.7+.34*v*v) + f.pinch.X*(1-v*v) + f.lean*v + f.bow*(1-v*v)
	return geom.Pt(x+across*f.step*(.46+.24*v*v), v*f.half+f.pinch.Y*(1-v*v))
}

// end is the rim at one end of it, in scallops; e is -1 or 1.
func (f fold) end(p *pen, e float64) geom.Outline {
	o := make(geom.Outline, 7)
	for k := range o {
		across := float64(k)/3 - 1
		out := .05 * math.Cos(float64(k)*math.Pi/1.5) * (1 - across*across*.4)
		o[k] = f.at(e*(1-.17*across*across+out*p.between(.6, 1.4)), across)
	}
	return o
}

func (f fold) draw(p *pen, c colour.Lab, g gather) {
	upper, lower := f.end(p, -1), f.end(p, 1)
	whole := append(geom.Outline{}, upper...)
	for _, v := range []float64{-.55, 0, .55} {
		whole = append(whole, f.at(v, 1))
	}
	for k := len(lower) - 1; k >= 0; k-- {
		whole = append(whole, lower[k])
	}
	for _, v := range []float64{.55, 0, -.55} {
		whole = append(whole, f.at(v, -1))
	}
	d := smooth(whole)
	p.path(smooth(whole.Move(geom.Pt(.7, 1.1))), "#2a120c", "opacity", ".2")
	p.path(d, p.linear(0, 0, 1, .12, tone(c, -16, 2), 0, tone(c, 2, 1), .3, tone(c, 13, 1), .5, tone(c, 1, 0), .68, tone(c, -19, 2), 1), "stroke", tone(c, -24, 2), "stroke-width", ".3")
	if g.grain != "" {
		for range 3 {
			v, a := p.between(-.75, .45), p.between(-.55, .55)
			p.line("M"+xy(f.at(v, a))+"Q"+xy(f.at(v+.15, a+.12))+" "+xy(f.at(v+.3, a*.9)), g.grain, .55, "opacity", ".6")
		}
	}
	for _, v := range []float64{-1, 1} { // the middle of a crest catches the light, the pinch lies in the shade
		p.line("M"+xy(f.at(v*.8, -.1))+"Q"+xy(f.at(v*.5, -.16))+" "+xy(f.at(v*.24, -.05)), tone(c, 22, 1), .8, "opacity", ".55")
	}
	p.line("M"+xy(f.at(-.16, .1))+"L"+xy(f.at(.16, .1)), tone(c, -22, 2), f.step*.3, "opacity", ".28")
	for _, o := range []geom.Outline{upper, lower} {
		p.line(open(o), g.rim, g.width, "opacity", ".92", "stroke-linejoin", "round")
	}
}

// open is the path data of a curve through all points, from the first to the last.
func open(o geom.Outline) string {
	d := "M" + xy(o[0])
	for k := 1; k+1 < len(o); k++ {
		mid := o[k].Lerp(o[k+1], .5)
		if k+2 == len(o) {
			mid = o[k+1]
		}
		d += "Q" + xy(o[k]) + " " + xy(mid)
	}
	return d
}
