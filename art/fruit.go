package art

import (
	"math"

	"happytray/core/geom"
)

// wholeFruit is a round fruit seen from above: lit skin, streaks, the dip of its stem.
func wholeFruit(p *pen, s subject) {
	ball(p, s, s.out, .55)
	r := math.Min(s.spec.L, s.spec.W) / 2
	for range 16 {
		a := p.between(0, 360)
		p.line("M"+xy(geom.Polar(r*.3, a))+"Q"+xy(geom.Polar(r*.6, a+8))+" "+xy(geom.Polar(r*p.between(.75, .92), a+4)), tone(s.out, p.between(-9, 12), 6), 1.1, "opacity", ".3")
	}
	stemDip(p, s, r)
}

func stemDip(p *pen, s subject, r float64) {
	p.oval(geom.Pt(r*.04, -r*.05), r*.2, r*.15, 20, tone(s.out, -20, 4), "opacity", ".75")
	p.line("M"+xy(geom.Pt(r*.04, -r*.05))+"q"+f(r*.05)+" "+f(-r*.22)+" "+f(r*.2)+" "+f(-r*.34), "#5d4327", r*.07)
	p.path(p.blob(geom.Pt(r*.36, -r*.3), r*.22, r*.1, 30, 8, .1), "#7c9447", "stroke", "#566a2c", "stroke-width", ".5")
}

// wholePear lies on its side, thick end to the left.
func wholePear(p *pen, s subject) {
	l, w := s.spec.L, s.spec.W
	o := geom.Outline{{X: -l * .5, Y: 0}, {X: -l * .38, Y: -w * .42}, {X: -l * .1, Y: -w * .48}, {X: l * .16, Y: -w * .27}, {X: l * .38, Y: -w * .2}, {X: l * .47, Y: 0}, {X: l * .38, Y: w * .2}, {X: l * .16, Y: w * .27}, {X: -l * .1, Y: w * .48}, {X: -l * .38, Y: w * .42}}
	p.body(smooth(o), p.radial(.34, .3, .8, tone(s.out, 15, 2), 0, tone(s.out, 1, 0), .5, tone(s.out, -15, 2), 1), s.out)
	for range 26 {
		p.dot(p.inside(o, 3), p.between(.4, .9), tone(s.out, -16, 6), "opacity", ".5")
	}
	p.line("M"+xy(geom.Pt(l*.45, 0))+"q"+f(l*.06)+" "+f(-w*.03)+" "+f(l*.12)+" "+f(-w*.1), "#5d4327", 2.2)
	p.glint(geom.Pt(-l*.22, -w*.24), l*.09, w*.05, .5)
}

// pearHalf shows pale flesh, the core and two pips.
func pearHalf(p *pen, s subject) {
	turn := s.turn
	s.outline, s.turn = s.outline.Turn(-turn), 0
	s.spec.L, s.spec.W = s.spec.L*.93, s.spec.W*.93 // with its stalk
	p.turned(turn, func() { cutPear(p, s) })
}

func cutPear(p *pen, s subject) {
	wholePear(p, s)
	l, w := s.spec.L, s.spec.W
	o := geom.Outline{{X: -l * .46, Y: 0}, {X: -l * .35, Y: -w * .38}, {X: -l * .1, Y: -w * .44}, {X: l * .16, Y: -w * .23}, {X: l * .37, Y: -w * .16}, {X: l * .44, Y: 0}, {X: l * .37, Y: w * .16}, {X: l * .16, Y: w * .23}, {X: -l * .1, Y: w * .44}, {X: -l * .35, Y: w * .38}}
	p.path(smooth(o), p.radial(.4, .4, .7, tone(s.cut, 6, 0), 0, tone(s.cut, 0, 0), .7, tone(s.cut, -7, 6), 1))
	p.path(p.blob(geom.Pt(-l*.16, 0), l*.12, w*.15, 0, 10, .08), tone(s.cut, -8, 5), "opacity", ".7")
	p.line("M"+xy(geom.Pt(-l*.05, 0))+"L"+xy(geom.Pt(l*.42, 0)), tone(s.cut, -9, 4), 1, "opacity", ".6")
	for _, y := range []float64{-.07, .07} {
		p.oval(geom.Pt(-l*.17, w*y), l*.035, w*.025, 0, "#4c2e1c")
	}
}

// wholeFig is purple with pale ribs to its neck.
func wholeFig(p *pen, s subject) {
	ball(p, s, s.out, .4)
	r := math.Min(s.spec.L, s.spec.W) / 2
	for i := range 14 {
		a := float64(i)*360/14 + p.between(-6, 6)
		p.line("M"+xy(geom.Polar(r*.16, a))+"L"+xy(geom.Polar(r*.9, a)), tone(s.out, 16, -4), .7, "opacity", ".45")
	}
	p.dot(geom.Pt(0, 0), r*.13, "#8a9a55", "stroke", "#5a6a35", "stroke-width", ".7")
}

func wholeCitrus(p *pen, s subject) {
	ball(p, s, s.out, .5)
	r := math.Min(s.spec.L, s.spec.W) / 2
	for range 50 {
		p.dot(geom.Polar(r*.9*math.Sqrt(p.r.Float64()), p.between(0, 360)), p.between(.3, .7), tone(s.out, -11, 4), "opacity", ".45")
	}
	p.path(p.blob(geom.Pt(r*.05, -r*.06), r*.13, r*.11, 0, 6, .25), "#6f7f3c")
	p.path(p.blob(geom.Pt(r*.4, -r*.32), r*.34, r*.14, -32, 9, .08), "#5f8a3f", "stroke", "#3f6428", "stroke-width", ".6")
}

func wholePomegranate(p *pen, s subject) {
	ball(p, s, s.out, .5)
	r := math.Min(s.spec.L, s.spec.W) / 2
	for i := range 6 {
		o := geom.Outline{{X: r * .08, Y: -r * .07}, {X: r * .34, Y: 0}, {X: r * .08, Y: r * .07}}.Turn(float64(i)*60 + 15)
		p.path(poly(o), tone(s.out, -8, 8), "stroke", tone(s.out, -22, 4), "stroke-width", ".6")
	}
	p.dot(geom.Pt(0, 0), r*.13, "#c9a24c")
}

// pomegranateHalf is pale pith with seeds in five chambers.
func pomegranateHalf(p *pen, s subject) {
	p.body(smooth(s.outline), tone(s.out, 0, 0), s.out)
	p.path(smooth(s.outline.Scale(.91)), "#f1dcae")
	r := s.spec.W / 2
	for i := range 5 {
		mid := geom.Polar(r*.5, float64(i)*72+s.turn)
		for range 15 {
			q := mid.Add(geom.Polar(r*.3*math.Sqrt(p.r.Float64()), p.between(0, 360)))
			p.oval(q, r*.075, r*.056, p.between(0, 180), p.radial(.35, .3, .8, tone(s.cut, 22, 4), 0, tone(s.cut, 2, 0), .5, tone(s.cut, -10, 0), 1))
			p.dot(q.Add(geom.Pt(-r*.02, -r*.02)), r*.016, "#ffe9e6", "opacity", ".8")
		}
	}
}

func passionHalf(p *pen, s subject) {
	p.body(smooth(s.outline), p.lit(s.out), s.out)
	p.path(smooth(s.outline.Scale(.88)), "#f0dfc6")
	p.path(smooth(s.outline.Scale(.74)), p.radial(.4, .38, .7, tone(s.cut, 12, 4), 0, tone(s.cut, 0, 0), .6, tone(s.cut, -12, 4), 1))
	r := s.spec.L / 2
	for i := range 15 {
		q := geom.Polar(r*.6*math.Sqrt((float64(i)+.4)/15), 137.508*float64(i))
		p.oval(q, r*.1, r*.065, p.between(0, 180), "#2c2420")
		p.dot(q.Add(geom.Pt(-r*.03, -r*.03)), r*.02, "#fff", "opacity", ".75")
	}
	p.glint(geom.Pt(-r*.25, -r*.35), r*.2, r*.07, .5)
}

// stoneHalf is a stone fruit cut open, the stone taken out.
func stoneHalf(p *pen, s subject) {
	p.body(smooth(s.outline), tone(s.out, -4, 2), s.out)
	p.path(smooth(s.outline.Scale(.94)), p.radial(.42, .4, .7, tone(s.cut, 9, 0), 0, tone(s.cut, 1, 0), .6, tone(s.cut, -8, 5), 1))
	r := math.Min(s.spec.L, s.spec.W) / 2
	p.path(p.blob(geom.Pt(0, 0), r*.42, r*.34, s.turn, 12, .07), p.radial(.6, .62, .7, tone(s.cut, -4, 6), 0, tone(s.cut, -18, 9), .7, tone(s.cut, -25, 8), 1))
	for range 10 {
		a := p.between(0, 360)
		p.line("M"+xy(geom.Polar(r*.45, a))+"L"+xy(geom.Polar(r*p.between(.6, .75), a)), tone(s.cut, -9, 8), .6, "opacity", ".45")
	}
	p.glint(geom.Pt(-r*.4, -r*.5), r*.22, r*.08, .5)
}

// kiwi has a white heart, a ring of seeds and rays to a brown skin.
func kiwi(p *pen, s subject) {
	p.body(smooth(s.outline), tone(s.out, -6, 0), s.out)
	p.path(smooth(s.outline.Scale(.94)), p.radial(.5, .5, .52, tone(s.cut, 18, 4), 0, tone(s.cut, 4, 0), .5, tone(s.cut, -8, 2), 1))
	b := s.outline.Bounds()
	fit := func(q geom.Point) geom.Point { return geom.Pt(q.X*b.W()/2, q.Y*b.H()/2) }
	for i := range 22 {
		a := float64(i) * 360 / 22
		p.line("M"+xy(fit(geom.Polar(.3, a)))+"L"+xy(fit(geom.Polar(.84, a))), tone(s.cut, 16, 2), .7, "opacity", ".5")
		q := fit(geom.Polar(p.between(.36, .5), a+8))
		p.oval(q, 1.5, .75, a, "#221f18")
	}
	p.path(p.blob(geom.Pt(0, 0), b.W()*.1, b.H()*.08, s.turn, 10, .1), "#f0f0d2")
	p.glint(fit(geom.Pt(-.35, -.45)), 5, 1.6, .4)
}

// citrusRound is a wheel of segments in a rind.
func citrusRound(p *pen, s subject) {
	p.body(smooth(s.outline), tone(s.out, 0, 0), s.out)
	p.path(smooth(s.outline.Scale(.93)), "#f8e6c4")
	r := math.Min(s.spec.L, s.spec.W) / 2
	for i := range 9 {
		o := geom.Sector(r*.84, -17, 17).Move(geom.Pt(r*.05, 0)).Turn(float64(i)*40 + s.turn)
		p.path(poly(o), p.radial(.4, .4, .8, tone(s.cut, 9, 2), 0, tone(s.cut, 0, 0), .6, tone(s.cut, -7, 2), 1))
		for range 5 {
			q := geom.Polar(r*p.between(.3, .75), float64(i)*40+s.turn+p.between(-11, 11))
			p.oval(q, r*.07, r*.022, float64(i)*40+s.turn, tone(s.cut, 14, 0), "opacity", ".55")
		}
	}
	p.glint(geom.Pt(-r*.3, -r*.4), r*.2, r*.06, .45)
}

func pineapple(p *pen, s subject) {
	p.body(poly(s.outline), p.linear(0, 0, 1, 1, tone(s.cut, 8, 0), 0, tone(s.cut, 0, 0), .5, tone(s.cut, -10, 4), 1), s.cut)
	c := s.outline.Centroid()
	for range 16 {
		q := p.inside(s.outline, 2)
		d := q.Sub(c)
		p.line("M"+xy(q)+"l"+f(d.X*.25+p.between(-1, 1))+" "+f(d.Y*.25+p.between(2, 4)), tone(s.cut, p.between(-12, 14), 3), .8, "opacity", ".55")
	}
}

// currants are bright small berries on a stalk.
func currants(p *pen, s subject) {
	l, w := s.spec.L, s.spec.W
	p.turned(s.turn, func() {
		p.line("M"+xy(geom.Pt(-l*.5, -w*.1))+"Q"+xy(geom.Pt(0, w*.12))+" "+xy(geom.Pt(l*.48, 0)), "#8a9a4f", 1)
		for i := range 13 {
			x := -l*.36 + float64(i)*l*.065
			q := geom.Pt(x, w*.3*math.Sin(float64(i)*2.1)+p.between(-1.5, 1.5))
			p.dot(q, w*.15, p.radial(.34, .3, .8, tone(s.out, 28, 6), 0, tone(s.out, 4, 0), .45, tone(s.out, -12, 0), 1), "stroke", tone(s.out, -16, 0), "stroke-width", ".3")
			p.dot(q.Add(geom.Pt(-w*.05, -w*.06)), w*.03, "#fff", "opacity", ".85")
			p.dot(q.Add(geom.Pt(w*.08, w*.06)), w*.022, "#4a1c16", "opacity", ".7")
		}
	})
}

// melonWedge is a boat of flesh with its rind along the bow.
func melonWedge(p *pen, s subject) {
	if s.spec.Shape == "crescent" {
		melonSlice(p, s)
		return
	}
	o := s.outline.Turn(-s.turn)
	p.turned(s.turn, func() {
		l, w := s.spec.L, s.spec.W
		p.body(poly(o), p.linear(0, 0, .3, 1, tone(s.cut, 7, 2), 0, tone(s.cut, 0, 0), .5, tone(s.cut, -8, 3), 1), s.cut)
		rind := func(in float64) string {
			return "M" + xy(geom.Pt(l*(.44-in), -w*(.47-in*.4))) + "Q" + xy(geom.Pt(l*(.53-in), 0)) + " " + xy(geom.Pt(l*(.44-in), w*(.47-in*.4)))
		}
		p.path(rind(.075), "none", "stroke", tone(s.cut, 24, -4), "stroke-width", f(l*.045), "opacity", ".8")
		p.path(rind(.045), "none", "stroke", "#eef0d6", "stroke-width", f(l*.05))
		p.path(rind(.01), "none", "stroke", "#4f7a3a", "stroke-width", f(l*.05))
		for range 9 { // seeds lie in rows from the tip
			t := p.between(-.1, .28)
			at := geom.Pt(l*t, w*(t+.5)*.36*p.between(-1, 1))
			p.oval(at, 1.7, .9, p.between(-25, 25), "#2b1c18", "opacity", ".85")
		}
		for range 10 {
			q := p.inside(o, 5)
			p.line("M"+xy(q)+"l"+f(p.between(-3, 3))+" "+f(p.between(1, 3)), tone(s.cut, 14, 0), .7, "opacity", ".4")
		}
	})
}

// melonSlice is a slice along a melon, without its seeds: fine fibres run along it.
func melonSlice(p *pen, s subject) {
	fruitSlice(p, s)
	in := s.outline.Scale(.8)
	for range 12 {
		q := p.inside(in, 3)
		p.line("M"+xy(q)+"l"+f(p.between(4, 11))+" "+f(p.between(-1.5, 1.5)), tone(s.cut, []float64{11, -9}[p.r.IntN(2)], 2), .6, "opacity", ".4")
	}
}
