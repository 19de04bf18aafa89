package art

import (
	"math"

	"happytray/core/geom"
)

// Baked things that are no cracker: rolls, croissants, waffles, bagels, cookies and small pies.

// bunRoll is a little loaf with a split top and a dusting of flour.
func bunRoll(p *pen, s subject) {
	ball(p, s, s.out, .25)
	l, w := s.spec.L, s.spec.W
	p.turned(s.turn, func() {
		p.line("M"+xy(geom.Pt(-l*.3, w*.02))+"Q"+xy(geom.Pt(0, -w*.14))+" "+xy(geom.Pt(l*.3, w*.02)), tone(s.out, 20, -4), w*.09, "opacity", ".85")
		p.line("M"+xy(geom.Pt(-l*.3, w*.07))+"Q"+xy(geom.Pt(0, -w*.08))+" "+xy(geom.Pt(l*.3, w*.07)), tone(s.out, -20, 6), 1, "opacity", ".6")
	})
	for range 16 {
		p.dot(p.inside(s.outline, 5), p.between(.4, 1.1), "#fff6e0", "opacity", f(p.between(.25, .6)))
	}
}

// croissant is rolled dough in a crescent, thick in its middle, with the laps of its layers.
func croissant(p *pen, s subject) {
	l, w := s.spec.L, s.spec.W
	p.turned(s.turn, func() {
		at := func(t float64) geom.Point { return geom.Pt(t*l*.375, -w*.13+w*.34*t*t) }
		const laps = 7
		for k := range laps { // from the tips to the middle, each lap over the one before it
			i := k
			if i%2 == 1 {
				i = laps - 1 - k/2
			} else {
				i = k / 2
			}
			t := -1 + 2*(float64(i)+.5)/laps
			q := at(t)
			thick := w * (.12 + .22*math.Sqrt(1-t*t*.9))
			turn := math.Atan(.88*w*t/(l*.44)) * 180 / math.Pi
			p.path(p.blob(q, l*.1, thick, turn, 11, .05), p.linear(0, 0, 0, 1, tone(s.out, 18, 0), 0, tone(s.out, 2, 0), .5, tone(s.out, -15, 5), 1), "stroke", tone(s.out, -26, 6), "stroke-width", ".7")
			p.line("M"+xy(q.Add(geom.Pt(-l*.03, -thick*.7)))+"Q"+xy(q.Add(geom.Pt(l*.03, 0)))+" "+xy(q.Add(geom.Pt(-l*.02, thick*.7))), tone(s.out, 24, -2), 1, "opacity", ".5")
		}
		p.glint(geom.Pt(-l*.1, -w*.3), l*.1, w*.05, .4)
	})
}

// waffle is a piece of a round with its square wells.
func waffle(p *pen, s subject) {
	p.body(poly(s.outline), p.lit(s.out), s.out)
	in := s.outline.Scale(.86)
	p.path(poly(in), tone(s.out, 8, 0))
	l, w := s.spec.L, s.spec.W
	const pitch = 11.0
	for x := -l * .5; x < l*.5; x += pitch {
		for y := -w * .5; y < w*.5; y += pitch {
			well := geom.Box(pitch*.62, pitch*.62, 1.4).Move(geom.Pt(x+pitch/2, y+pitch/2))
			all := true
			for _, q := range well {
				all = all && in.Contains(q)
			}
			if all {
				p.path(poly(well), p.linear(0, 0, 1, 1, tone(s.out, -24, 5), 0, tone(s.out, -9, 3), 1), "stroke", tone(s.out, -28, 5), "stroke-width", ".4")
			}
		}
	}
}

// bagel is a glossy ring with its hole.
func bagel(p *pen, s subject) {
	r := math.Min(s.spec.L, s.spec.W) / 2
	ball(p, s, s.out, .3)
	p.path(p.blob(geom.Pt(0, 0), r*.66, r*.64, 0, 18, .02), "none", "stroke", tone(s.out, 13, -2), "stroke-width", f(r*.22), "opacity", ".7")
	p.path(p.blob(geom.Pt(0, 0), r*.27, r*.25, 0, 12, .06), tone(s.out, -38, 4), "stroke", tone(s.out, -20, 6), "stroke-width", "1.2")
	for range 9 {
		q := geom.Polar(r*p.between(.45, .85), p.between(0, 360))
		p.oval(q, 1.5, .8, p.between(0, 180), "#f6e8c4", "stroke", tone(s.out, -24, 4), "stroke-width", ".3")
	}
}

// cookie is rough and round, with lumps of chocolate.
func cookie(p *pen, s subject) {
	p.body(smooth(s.outline), p.lit(s.out), s.out)
	for range 14 {
		p.path(p.blob(p.inside(s.outline, 3), p.between(1.5, 4), p.between(1, 3), p.between(0, 180), 8, .35), tone(s.out, p.between(-9, 9), 3), "opacity", ".5")
	}
	for range 9 {
		q := p.inside(s.outline, 6)
		p.path(p.blob(q, p.between(2, 3.6), p.between(1.6, 3), p.between(0, 180), 7, .25), "#4a2a1a", "stroke", "#33190e", "stroke-width", ".4")
		p.dot(q.Add(geom.Pt(-.8, -.9)), .6, "#8a5a40", "opacity", ".8")
	}
}

// sausageRoll is flaky pastry round a filling that shows at its ends, with cuts across.
func sausageRoll(p *pen, s subject) {
	l, w := s.spec.L, s.spec.W
	p.turned(s.turn, func() {
		box := geom.Box(l, w, w*.2)
		p.path(poly(box), p.linear(0, 0, 0, 1, tone(s.out, 17, 0), 0, tone(s.out, 2, 0), .45, tone(s.out, -18, 5), 1), "stroke", tone(s.out, -26, 5), "stroke-width", ".7")
		for _, x := range []float64{-.47, .47} {
			p.oval(geom.Pt(l*x, 0), l*.05, w*.34, 0, tone(s.cut, 0, 0), "stroke", tone(s.cut, -18, 2), "stroke-width", ".5")
		}
		for _, x := range []float64{-.24, 0, .24} {
			p.line("M"+xy(geom.Pt(l*x-3, -w*.3))+"L"+xy(geom.Pt(l*x+3, w*.3)), tone(s.out, -24, 6), 1.3, "opacity", ".75")
		}
		p.glint(geom.Pt(-l*.15, -w*.24), l*.2, w*.07, .45)
	})
}

// smallPie is a raised crust with a crimped lid and a hole for its steam.
func smallPie(p *pen, s subject) {
	r := math.Min(s.spec.L, s.spec.W) / 2
	p.body(smooth(geom.Ellipse(r, r, 20)), p.lit(s.out), s.out)
	for i := range 18 {
		q := geom.Polar(r*.9, float64(i)*20)
		p.oval(q, r*.13, r*.09, float64(i)*20+90, p.radial(.4, .3, .8, tone(s.out, 18, 0), 0, tone(s.out, -6, 3), 1), "stroke", tone(s.out, -24, 5), "stroke-width", ".4")
	}
	p.path(smooth(geom.Ellipse(r*.78, r*.78, 18)), p.radial(.4, .35, .75, tone(s.out, 12, 0), 0, tone(s.out, -4, 3), 1), "stroke", tone(s.out, -16, 5), "stroke-width", ".6")
	p.dot(geom.Pt(0, 0), r*.11, tone(s.cut, -32, 3), "stroke", tone(s.out, -18, 5), "stroke-width", ".7")
	p.glint(geom.Pt(-r*.35, -r*.4), r*.2, r*.08, .4)
}

// focaccia is a square of oily bread with its dimples, salt and needles of rosemary.
func focaccia(p *pen, s subject) {
	p.body(poly(s.outline), tone(s.cut, -14, 5), s.out)
	h := math.Min(3.4, s.spec.H*.14)
	top := s.outline.Scale(.88).Move(geom.Pt(-h*.4, -h*.5))
	p.path(poly(top), p.radial(.42, .38, .85, tone(s.out, 15, 2), 0, tone(s.out, 2, 0), .6, tone(s.out, -11, 6), 1), "stroke", tone(s.out, -10, 6), "stroke-width", ".5")
	for range 5 {
		q := p.inside(top, 5)
		p.oval(q, p.between(2, 3.2), p.between(1.6, 2.4), p.between(0, 180), tone(s.out, -13, 7), "opacity", ".75")
		p.oval(q.Add(geom.Pt(.5, .6)), 1.3, .9, 0, tone(s.out, 18, 0), "opacity", ".7")
	}
	for range 5 {
		q := p.inside(top, 4)
		p.line("M"+xy(q)+"l"+f(p.between(-3, 3))+" "+f(p.between(-2.4, 2.4)), "#5f7a45", .9)
	}
	for range 6 {
		p.dot(p.inside(top, 3), .5, "#fffdf4", "opacity", ".9")
	}
	p.glint(geom.Pt(-3, -6), 4, 1.2, .5)
}
