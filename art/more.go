package art

import (
	"math"

	"happytray/core/colour"
	"happytray/core/geom"
)

// chip is a fried or baked triangle: blistered, browner at its rim.
func chip(p *pen, s subject) {
	p.body(smooth(s.outline), p.radial(.45, .4, .75, tone(s.out, 8, 0), 0, tone(s.out, 1, 0), .55, tone(s.out, -14, 6), 1), s.out)
	for range 7 {
		q := p.inside(s.outline, 4)
		p.path(p.blob(q, p.between(1.4, 3.4), p.between(1, 2.4), p.between(0, 180), 8, .25), tone(s.out, 10, 0), "opacity", ".6", "stroke", tone(s.out, -12, 4), "stroke-width", ".3")
	}
	for range 5 {
		p.dot(p.inside(s.outline, 2), p.between(.4, .8), tone(s.out, -24, 4), "opacity", ".6")
	}
}

// biscuitBar is a pricked finger of shortbread.
func biscuitBar(p *pen, s subject) {
	p.body(poly(s.outline), p.linear(0, 0, 0, 1, tone(s.out, 7, 0), 0, tone(s.out, 0, 0), .5, tone(s.out, -10, 4), 1), s.out)
	for i := -2; i <= 2; i++ {
		for _, y := range []float64{-.2, .2} {
			p.dot(geom.Pt(float64(i)*s.spec.L*.18, s.spec.W*y), .9, tone(s.out, -22, 3), "opacity", ".75")
		}
	}
	for range 9 {
		p.dot(p.inside(s.outline, 1.5), p.between(.3, .6), "#fff6de", "opacity", ".7")
	}
}

// rootSlice is a slice of a root with rings, wet on top.
func rootSlice(p *pen, s subject) {
	p.body(smooth(s.outline), p.lit(s.cut), s.out)
	for _, k := range []float64{.84, .62, .4} {
		p.line(smooth(s.outline.Scale(k)), tone(s.cut, 9, 2), .8, "opacity", ".55")
	}
	p.glint(geom.Pt(-s.spec.L*.16, -s.spec.W*.2), s.spec.L*.12, s.spec.W*.05, .35)
}

// nut is a round or long kernel with a skin line and a pale tip.
func nut(p *pen, s subject) {
	p.body(smooth(s.outline), p.lit(s.out), s.out)
	p.turned(s.turn, func() {
		l, w := s.spec.L, s.spec.W
		for _, y := range []float64{-.24, .02, .26} {
			p.line("M"+xy(geom.Pt(-l*.36, w*y*.7))+"Q"+xy(geom.Pt(0, w*y*1.5))+" "+xy(geom.Pt(l*.36, w*y*.7)), tone(s.out, -11, 3), .55, "opacity", ".55")
		}
		p.oval(geom.Pt(l*.38, 0), l*.08, w*.16, 0, tone(s.out, 15, -2), "opacity", ".8")
	})
	p.glint(geom.Pt(-s.spec.L*.14, -s.spec.W*.2), s.spec.L*.1, s.spec.W*.07, .35)
}

// petalHalf is half of something soft with layers, cut side up: an artichoke
// heart, a dried tomato.
func petalHalf(p *pen, s subject) {
	p.body(smooth(s.outline), p.lit(s.out), s.out)
	for _, k := range []float64{.8, .58, .34} {
		p.path(smooth(s.outline.Scale(k)), tone(s.cut, 14*(1-k)-4, 2), "opacity", ".7", "stroke", tone(s.out, -12, 2), "stroke-width", ".4")
	}
	p.glint(geom.Pt(-s.spec.L*.16, -s.spec.W*.18), s.spec.L*.1, s.spec.W*.05, .45)
}

// leaf is a small bunch of plain leaves with a middle rib.
func leaf(p *pen, s subject) {
	l, w := s.spec.L, s.spec.W
	for i, a := range []float64{-24, 20, -2} {
		d := geom.Pt(float64(i-1)*l*.06, 0)
		o := geom.Outline{{X: -l * .46, Y: 0}, {X: -l * .2, Y: -w * .3}, {X: l * .15, Y: -w * .32}, {X: l * .46, Y: 0}, {X: l * .15, Y: w * .32}, {X: -l * .2, Y: w * .3}}.Turn(a).Move(d)
		c := colour.Lab{L: s.out.L + float64(i)*4 - 4, A: s.out.A, B: s.out.B}
		p.body(smooth(o), p.lit(c), c)
		p.line("M"+xy(o[0])+"L"+xy(o[3].Lerp(o[0], .08)), tone(c, 12, 2), .7, "opacity", ".7")
		for _, t := range []float64{.3, .5, .7} {
			m := o[0].Lerp(o[3], t)
			for _, e := range []geom.Point{o[1].Lerp(o[2], t), o[5].Lerp(o[4], t)} {
				p.line("M"+xy(m)+"L"+xy(m.Lerp(e, .7)), tone(c, 9, 2), .4, "opacity", ".5")
			}
		}
	}
}

// cherry is round and dark with one bright glint and the dip of its stem.
func cherry(p *pen, s subject) {
	ball(p, s, s.out, .5)
	dip := geom.Pt(s.spec.L*.08, -s.spec.W*.16)
	p.oval(dip, s.spec.L*.11, s.spec.W*.07, 12, tone(s.out, -14, 2), "opacity", ".8")
	p.line("M"+xy(dip)+"q2 -4 "+f(s.spec.L*.24)+" -"+f(s.spec.W*.36), "#7b8a46", 1.1)
	p.dot(dip.Add(geom.Pt(s.spec.L*.24, -s.spec.W*.36)), .9, "#6a4a2a")
}

// floret is a knobbly head of small round buds over a pale stem.
func floret(p *pen, s subject) {
	p.body(smooth(s.outline), tone(s.out, -12, 3), s.out)
	n := 22
	for i := range n {
		q := geom.Polar(math.Min(s.spec.L, s.spec.W)*.43*math.Sqrt((float64(i)+.4)/float64(n)), 137.508*float64(i))
		p.dot(q, p.between(2.4, 3.8), p.radial(.36, .32, .8, tone(s.out, 8, 0), 0, tone(s.out, 0, 0), .6, tone(s.out, -12, 3), 1))
	}
}

// smokedSlab is a slice of smoked breast: dark edge, a band of fat along one side.
func smokedSlab(p *pen, s subject) {
	p.body(poly(s.outline), p.linear(0, 0, 1, 1, tone(s.cut, 6, 0), 0, tone(s.cut, 0, 0), .5, tone(s.cut, -9, 2), 1), s.out)
	l, w := s.spec.L, s.spec.W
	p.line("M"+xy(geom.Pt(-l*.44, -w*.38))+"Q"+xy(geom.Pt(0, -w*.46))+" "+xy(geom.Pt(l*.44, -w*.36)), "#ecd8bd", w*.15, "opacity", ".9")
	for range 5 {
		q := p.inside(s.outline, 4)
		p.line("M"+xy(q)+"l"+f(p.between(-6, 6))+" "+f(p.between(3, 8)), tone(s.cut, 12, 0), .6, "opacity", ".5")
	}
}

// terrine is a cut cube of what a terrine is made of.
func terrine(p *pen, s subject) {
	cube(p, s)
	coarse(p, s.outline.Scale(.84).Move(geom.Pt(-.8, -1)), s)
}
