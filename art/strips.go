package art

import (
	"math"

	"happytray/core/geom"
)

// bowed is the outline of a strip that does not lie straight, end of its breadth wide where it ends: its sides from end to
// end, and all round.
func bowed(p *pen, l, w, bow, rough, end float64) (upper, lower, whole geom.Outline) {
	const n = 8
	side := func(y float64) (o geom.Outline) {
		for k := range n + 1 {
			t := float64(k)/n*2 - 1
			full := math.Pow(math.Max(0, 1-math.Pow(math.Abs(t), 7)), .5)
			o = append(o, geom.Pt(t*l*.485, y*w*.5*(end+(1-end)*full)*(1-rough*p.r.Float64())+bow*(.5-t*t)))
		}
		return o
	}
	upper, lower = side(-1), side(1)
	whole = append(whole, upper...)
	for k := n; k >= 0; k-- {
		whole = append(whole, lower[k])
	}
	return upper, lower, whole
}

// leathery is a strip of dried fruit: not flat, its edges curled up and darker, matt, with the fibres that dried in it.
func leathery(p *pen, s subject) {
	p.turned(s.turn, func() {
		l, w, c := s.spec.L, s.spec.W, s.cut
		bow := w * p.between(-.16, .16)
		upper, lower, whole := bowed(p, l, w*.92, bow, .22, .3)
		p.body(smooth(whole), p.linear(0, 0, .15, 1, tone(c, -7, 3), 0, tone(c, 7, 2), .28, tone(c, 1, 0), .66, tone(c, -15, 3), 1), c)
		for range 12 {
			t := p.between(-.8, .5)
			y := p.between(-.3, .3) * w
			q := geom.Pt(t*l*.46, y+bow*(.5-t*t))
			p.line("M"+xy(q)+"q"+f(l*.07)+" "+f(p.between(-1.2, 1.2))+" "+f(l*p.between(.1, .2))+" "+f(p.between(-.5, .5)), tone(c, []float64{12, -16}[p.r.IntN(2)], 3), .5, "opacity", ".5")
		}
		for range 3 { // where it creased
			t := p.between(-.7, .7)
			p.line("M"+xy(geom.Pt(t*l*.46, -w*.36+bow*(.5-t*t)))+"q"+f(p.between(-3, 3))+" "+f(w*.3)+" "+f(p.between(-2, 2))+" "+f(w*.62), tone(c, -12, 2), .7, "opacity", ".45")
		}
		p.line(open(upper), tone(c, 17, 4), .9, "opacity", ".6", "transform", "translate(.3 .9)")
		p.line(open(lower), tone(c, -22, 3), 1, "opacity", ".6")
	})
}

// peel is a strip of candied peel: its skin outside and bright, its pith inside and clear, sugar on all of it.
func peel(p *pen, s subject) {
	p.turned(s.turn, func() {
		l, w := s.spec.L, s.spec.W
		bow := w * p.between(.1, .4)
		upper, _, whole := bowed(p, l, w*.94, bow, .08, .55)
		p.body(smooth(whole), p.linear(0, 0, 0, 1, tone(s.out, 6, 4), 0, tone(s.out, 0, 2), .42, tone(s.cut, 14, 6), .56, tone(s.cut, 4, 6), 1), s.out)
		p.line(open(upper), tone(s.out, 20, 4), .8, "opacity", ".6", "transform", "translate(0 1.1)")
		for range 9 { // the pores of the skin
			t := p.between(-.85, .85)
			p.dot(geom.Pt(t*l*.46, -w*.24+bow*(.5-t*t)), .35, tone(s.out, -16, 2), "opacity", ".5")
		}
		for range 46 {
			q := p.inside(whole, .3)
			p.oval(q, p.between(.25, .5), p.between(.2, .35), p.between(0, 180), "#fffaf0", "opacity", f(p.between(.5, .95)))
		}
	})
}

// pepperStrip is cut from the wall of a pepper: glossy skin that bends down at both long sides, the paler flesh it was cut
// through along one of them.
func pepperStrip(p *pen, s subject) {
	p.turned(s.turn, func() {
		l, w, c := s.spec.L, s.spec.W, s.out
		bow := w * p.between(-.28, .28)
		upper, lower, whole := bowed(p, l, w, bow, .06, .72)
		p.body(smooth(whole), p.linear(0, 0, 0, 1, tone(c, 3, 2), 0, tone(c, 17, 4), .26, tone(c, 2, 0), .58, tone(c, -12, 2), 1), c)
		p.line(open(lower), tone(s.cut, 26, 6), w*.13, "opacity", ".9", "transform", "translate(0 "+f(-w*.06)+")")
		p.line(open(lower), tone(c, -14, 0), .5, "opacity", ".7")
		at := upper[2].Lerp(lower[2], .3)
		p.line("M"+xy(at)+"Q"+xy(upper[4].Lerp(lower[4], .24))+" "+xy(upper[6].Lerp(lower[6], .3)), "#fff6ec", w*.08, "opacity", ".5")
		for _, k := range []int{0, 8} { // cut ends
			p.line("M"+xy(upper[k].Lerp(lower[k], .16))+"L"+xy(upper[k].Lerp(lower[k], .84)), tone(s.cut, 20, 5), .9, "opacity", ".7")
		}
	})
}

// piped is a small meringue as the bag left it: ridges that turn up to a peak, the oven on its rim.
func piped(p *pen, s subject) {
	l, w := s.spec.L/2, s.spec.W/2
	c := s.out
	const n = 8
	o := make(geom.Outline, 0, 3*n)
	turn := p.between(0, 360)
	for k := range 3 * n { // a star nozzle leaves lobes
		r := 1 - .07*float64(min(k%3, 1))
		q := geom.Polar(r, turn+float64(k)*360/(3*n))
		o = append(o, geom.Pt(q.X*l, q.Y*w))
	}
	p.body(smooth(o), p.radial(.38, .34, .72, "#fffdf6", 0, tone(c, 1, 0), .55, tone(c, -13, 8), 1), c)
	peak := geom.Pt(p.between(-.1, .06)*l, p.between(-.1, .06)*w)
	for i := range n {
		a := turn + float64(i)*360/n
		at := func(r, by float64) geom.Point { q := geom.Polar(r, a+by); return geom.Pt(q.X*l, q.Y*w) }
		from, mid := at(.93, 0), at(.62, 26)
		d := "M" + xy(from) + "Q" + xy(mid) + " " + xy(peak.Add(at(.1, 60)))
		p.line(d, tone(c, -17, 8), math.Max(.8, l*.09), "opacity", ".4")
		p.line("M"+xy(at(.9, -13))+"Q"+xy(at(.6, 12))+" "+xy(peak.Add(at(.08, 40))), "#fffef9", math.Max(.8, l*.1), "opacity", ".75")
	}
	p.oval(peak, l*.17, w*.15, turn, p.radial(.36, .3, .8, "#ffffff", 0, tone(c, -2, 2), .7, tone(c, -14, 8), 1))
	p.line("M"+xy(peak)+"q1 -1.4 2.2 -1.2", tone(c, -12, 8), .9, "opacity", ".7")
	for range 5 {
		p.oval(geom.Polar(l*p.between(.7, .92), p.between(0, 360)), 1.2, .8, p.between(0, 180), "#d9b27a", "opacity", ".25")
	}
}

// shell is half of an almond biscuit seen from above: a smooth, matt dome on the ruffled foot that it rose on.
func shell(p *pen, s subject) {
	r, c := s.spec.L/2, s.out
	foot := jagged(p, geom.Ellipse(r*.99, r*.99, 34), .035)
	p.body(smooth(foot), tone(c, 7, 3), c)
	for range 60 {
		a := p.between(0, 360)
		p.dot(geom.Polar(r*p.between(.88, .97), a), p.between(.35, .8), tone(c, []float64{-11, 12}[p.r.IntN(2)], 2), "opacity", ".7")
	}
	p.oval(geom.Pt(.5, .7), r*.89, r*.89, 0, tone(c, -24, 2), "opacity", ".45")
	p.oval(geom.Pt(0, 0), r*.88, r*.88, 0, p.radial(.38, .34, .8, tone(c, 9, 0), 0, tone(c, 3, 0), .5, tone(c, -8, 1), .9, tone(c, -14, 1), 1))
	p.oval(geom.Pt(-r*.26, -r*.3), r*.34, r*.2, -38, "#fffaf4", "opacity", ".16")
	for range 34 {
		p.dot(geom.Polar(r*.82*math.Sqrt(p.r.Float64()), p.between(0, 360)), p.between(.15, .32), tone(c, -12, 3), "opacity", ".4")
	}
}

// sugared is something in a smooth coat of sugar.
func sugared(p *pen, s subject) {
	ball(p, s, s.out, .55)
	p.line(smooth(s.outline.Scale(.93)), tone(s.out, -9, 3), .5, "opacity", ".4")
}
