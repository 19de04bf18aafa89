package art

import (
	"happytray/core/colour"
	"happytray/core/geom"
)

// ---- nuts

func almond(p *pen, s subject) {
	c := s.out
	l, w := s.spec.L, s.spec.W
	p.body(smooth(s.outline), p.lit(c), c)
	p.turned(s.turn, func() {
		p.path("M"+f(l*.42)+" 0L"+f(l*.53)+" 0L"+f(l*.42)+" "+f(w*.16)+"Z", tone(c, -9, 0))
		for i := range 5 {
			y := (float64(i) - 2) * w * .16
			p.line("M"+xy(geom.Pt(-l*.4, y*.7))+"Q"+xy(geom.Pt(0, y*1.5))+" "+xy(geom.Pt(l*.42, y*.3)), tone(c, -13, 1), .5, "opacity", ".7")
		}
	})
	p.glint(geom.Pt(-l*.12, -w*.18), l*.12, w*.07, .3)
}

func pecan(p *pen, s subject) {
	c := s.out
	l, w := s.spec.L, s.spec.W
	p.body(smooth(s.outline), p.lit(c), c)
	p.turned(s.turn, func() {
		p.line("M"+f(-l*.45)+" 0L"+f(l*.45)+" 0", tone(c, -20, 0), 1.2, "opacity", ".9")
		for _, side := range []float64{-1, 1} {
			for k := 1; k <= 2; k++ {
				y := side * w * .15 * float64(k)
				p.line("M"+xy(geom.Pt(-l*.38, y))+"q"+f(l*.19)+" "+f(side*1.2)+" "+f(l*.38)+" 0t"+f(l*.36)+" 0", tone(c, -14, 0), .6, "opacity", ".75")
				p.line("M"+xy(geom.Pt(-l*.34, y-.7))+"q"+f(l*.19)+" "+f(side*1.2)+" "+f(l*.34)+" 0", tone(c, 15, 3), .5, "opacity", ".5")
			}
		}
	})
}

func walnut(p *pen, s subject) {
	c := s.out
	p.body(smooth(s.outline), p.lit(c), c)
	l, w := s.spec.L, s.spec.W
	p.turned(s.turn, func() {
		for _, side := range []float64{-1, 1} {
			for range 6 {
				q := geom.Pt(p.between(-.34, .34)*l, side*p.between(.1, .34)*w)
				p.path(p.blob(q, p.between(2.5, 5), p.between(1.6, 3), p.between(0, 180), 8, .25), tone(c, p.between(-3, 9), 2), "stroke", tone(c, -20, 1), "stroke-width", ".5", "opacity", ".8")
			}
		}
		p.line("M"+f(-l*.44)+" 0Q0 "+f(w*.06)+" "+f(l*.44)+" 0", tone(c, -24, 0), 1.4, "opacity", ".8")
	})
}

func cashew(p *pen, s subject) {
	c := s.out
	l, w := s.spec.L, s.spec.W
	p.turned(s.turn, func() {
		d := "M" + xy(geom.Pt(-l*.48, w*.15)) + "C" + xy(geom.Pt(-l*.4, -w*.65)) + " " + xy(geom.Pt(l*.4, -w*.65)) + " " + xy(geom.Pt(l*.48, w*.15)) +
			"C" + xy(geom.Pt(l*.46, w*.55)) + " " + xy(geom.Pt(l*.22, w*.5)) + " " + xy(geom.Pt(l*.16, w*.16)) + "Q0 " + f(-w*.02) + " " + xy(geom.Pt(-l*.16, w*.16)) +
			"C" + xy(geom.Pt(-l*.22, w*.5)) + " " + xy(geom.Pt(-l*.46, w*.55)) + " " + xy(geom.Pt(-l*.48, w*.15)) + "Z"
		p.body(d, p.lit(c), c)
		p.line("M"+xy(geom.Pt(-l*.3, -w*.1))+"Q0 "+f(-w*.42)+" "+xy(geom.Pt(l*.3, -w*.1)), tone(c, 12, -2), 1, "opacity", ".7")
	})
}

func pistachio(p *pen, s subject) {
	c := s.out
	l, w := s.spec.L, s.spec.W
	p.body(smooth(s.outline), p.lit(c), c)
	p.turned(s.turn, func() {
		p.path("M"+xy(geom.Pt(-l*.1, 0))+"Q"+xy(geom.Pt(l*.22, -w*.3))+" "+xy(geom.Pt(l*.5, -w*.04))+"Q"+xy(geom.Pt(l*.22, w*.28))+" "+xy(geom.Pt(-l*.1, 0))+"Z", "#8fa24c", "stroke", tone(c, -22, 2), "stroke-width", ".4")
		p.line("M"+xy(geom.Pt(l*.05, -w*.06))+"L"+xy(geom.Pt(l*.38, -w*.06)), "#8c4a5c", .8, "opacity", ".7")
		p.line("M"+xy(geom.Pt(-l*.4, -w*.18))+"Q"+xy(geom.Pt(-l*.1, -w*.42))+" "+xy(geom.Pt(l*.25, -w*.34)), "#fff8e6", .8, "opacity", ".6")
	})
}

// pebble is any small dry thing without signs of its own.
func pebble(p *pen, s subject) { ball(p, s, s.out, .2) }

// ---- crackers and bread

// bake shades a biscuit: pale middle, toasted rim, patches.
func bake(p *pen, o geom.Outline, c colour.Lab, patches int) {
	p.body(smooth(o), p.radial(.42, .38, .72, tone(c, 8, 2), 0, tone(c, 2, 0), .6, tone(c, -10, 6), 1), c)
	for range patches {
		p.path(p.blob(p.inside(o, 4), p.between(2, 6), p.between(1.4, 3.6), p.between(0, 180), 9, .3), tone(c, -9, 7), "opacity", ".35")
	}
}

func roundCracker(p *pen, s subject) {
	n := 30
	o := make(geom.Outline, 2*n)
	r := s.spec.L / 2 * .965
	for i := range o {
		k := 1.0
		if i%2 == 1 {
			k = .965
		}
		o[i] = geom.Polar(r*k, float64(i)*180/float64(n)+s.turn)
	}
	bake(p, o, s.out, 7)
	for ring, m := range []int{1, 6, 11} {
		for i := range m {
			q := geom.Polar(float64(ring)*r*.36, float64(i)*360/float64(m)+float64(ring)*17)
			p.dot(q, .8, tone(s.out, -25, 4), "opacity", ".75")
			p.dot(q.Add(geom.Pt(.4, .5)), .5, tone(s.out, 12, 0), "opacity", ".6")
		}
	}
}

func seededCracker(p *pen, s subject) {
	bake(p, s.outline, s.out, 6)
	for range 42 {
		q := p.inside(s.outline, 2)
		p.oval(q, p.between(.9, 1.6), p.between(.5, .8), p.between(0, 180), []string{"#f0e2bd", "#4b3a26", "#7a8350", "#caa768"}[p.r.IntN(4)], "opacity", ".9")
	}
}

func toast(p *pen, s subject) {
	p.body(smooth(s.outline), p.lit(lab("#a8672f")), lab("#a8672f"))
	in := s.outline.Scale(.87)
	p.path(smooth(in), p.radial(.45, .42, .7, tone(s.cut, 6, 0), 0, tone(s.cut, 0, 2), .6, tone(s.cut, -12, 8), 1))
	for range 26 {
		p.path(p.blob(p.inside(in, 2), p.between(.6, 2.6), p.between(.4, 1.5), p.between(0, 180), 7, .35), tone(s.cut, p.between(-16, 6), 5), "opacity", ".6")
	}
}

func riceCracker(p *pen, s subject) {
	bake(p, s.outline, s.out, 2)
	for range 40 {
		p.oval(p.inside(s.outline, 2), p.between(1, 1.9), p.between(.7, 1.1), p.between(0, 180), tone(s.out, p.between(-9, 5), 2), "opacity", ".7")
	}
}

func breadstick(p *pen, s subject) {
	c := s.out
	p.body(poly(s.outline), p.linear(0, 0, 0, 1, tone(c, 9, 0), 0, tone(c, 0, 0), .5, tone(c, -17, 5), 1), c)
	for range 26 {
		p.oval(geom.Pt(p.between(-.48, .48)*s.spec.L, p.between(-.3, .3)*s.spec.W), p.between(.6, 1.6), .5, p.between(0, 180), tone(c, p.between(-14, 10), 4), "opacity", ".6")
	}
}

func pretzel(p *pen, s subject) {
	c := s.out
	l, w := s.spec.L*.42, s.spec.W*.4
	p.turned(s.turn, func() {
		d := "M" + xy(geom.Pt(-l*.45, w)) + "C" + xy(geom.Pt(l*.5, w*.2)) + " " + xy(geom.Pt(l*1.3, -w*.2)) + " " + xy(geom.Pt(l*.7, -w*.9)) +
			"C" + xy(geom.Pt(l*.3, -w*1.2)) + " " + xy(geom.Pt(0, -w*.6)) + " 0 " + f(-w*.2) +
			"C" + xy(geom.Pt(0, -w*.6)) + " " + xy(geom.Pt(-l*.3, -w*1.2)) + " " + xy(geom.Pt(-l*.7, -w*.9)) +
			"C" + xy(geom.Pt(-l*1.3, -w*.2)) + " " + xy(geom.Pt(-l*.5, w*.2)) + " " + xy(geom.Pt(l*.45, w))
		p.line(d, tone(c, -22, 2), 6.2)
		p.line(d, tone(c, 0, 0), 5)
		p.line(d, tone(c, 15, 3), 1.6, "transform", "translate(-.6 -.8)", "opacity", ".7")
		for range 9 {
			p.dot(geom.Polar(l*p.between(.5, .95), p.between(0, 360)), .6, "#fffaf0", "opacity", ".9")
		}
	})
}

func biscuit(p *pen, s subject) {
	bake(p, s.outline, s.out, 3)
	for i := range 5 {
		a := float64(i)*72 + p.between(-20, 20)
		p.line("M"+xy(geom.Polar(2, a))+"L"+xy(geom.Polar(s.spec.L*.26, a+p.between(-25, 25)))+"L"+xy(geom.Polar(s.spec.L*.42, a)), tone(s.out, -24, 4), .7, "opacity", ".65")
	}
	for range 10 {
		p.dot(p.inside(s.outline, 2), p.between(.4, 1), "#fffaf0", "opacity", ".6")
	}
}
