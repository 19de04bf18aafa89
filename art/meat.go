package art

import (
	"math"

	"happytray/core/geom"
)

// flecks scatters pale pieces of fat over a slice.
func flecks(p *pen, o geom.Outline, n int, most float64, col string) {
	for range n {
		q := p.inside(o, 1.6)
		p.path(p.blob(q, p.between(.5, most), p.between(.4, most*.6), p.between(0, 180), 7, .35), col, "opacity", f(p.between(.65, .95)))
	}
}

// foldedSlice is a round slice folded in four: folds run from the tip, and the
// lip catches the light.
func foldedSlice(p *pen, s subject) {
	c := s.cut
	o := s.outline
	p.body(poly(o), p.linear(0, 1, 1, 0, tone(c, -12, 2), 0, tone(c, -1, 0), .5, tone(c, 7, 1), 1), c)
	r := s.spec.L
	tip := geom.Pt(-r*.55, 0)
	flecks(p, o, int(10+r*.5), r*.055+.5, "#f3c9bd")
	for _, a := range []float64{-30, -12, 8, 27} {
		q := tip.Add(geom.Polar(r*.95, a+p.between(-4, 4)))
		p.line("M"+xy(tip.Lerp(q, .08))+"L"+xy(q), tone(c, -17, 2), .9, "opacity", ".5")
		q = tip.Add(geom.Polar(r*.95, a+3))
		p.line("M"+xy(tip.Lerp(q, .1))+"L"+xy(q), tone(c, 14, 0), .7, "opacity", ".45")
	}
	lip := ""
	for a := -47.0; a <= 47; a += 9.4 {
		if lip == "" {
			lip = "M"
		} else {
			lip += "L"
		}
		lip += xy(tip.Add(geom.Polar(r*.985+.5*math.Sin(a*.3), a)))
	}
	p.line(lip, tone(c, 20, 3), 1, "opacity", ".8")
}

// fineSausage is a rosette or a small fold of a finely flecked sausage.
func fineSausage(p *pen, s subject) {
	if s.spec.Shape == "rose" {
		rosette(p, s)
		return
	}
	foldedSlice(p, s)
}

func halfFold(p *pen, s subject) {
	c := s.cut
	p.body(poly(s.outline), p.linear(0, .5, 1, .5, tone(c, -9, 2), 0, tone(c, 2, 0), .35, tone(c, 5, 0), .8, tone(c, -4, 1), 1), c)
	flecks(p, s.outline, 16, 2.4, tone(c, 22, -2))
	crease(p, s, 3, tone(c, 16, 0), 1.4)
}

// speckledSausage shows cubes of fat and green pistachio in a pale slice.
func speckledSausage(p *pen, s subject) {
	if s.spec.Shape == "fold" {
		foldedSlice(p, s)
		flecks(p, s.outline.Scale(.8), 7, 1.8, "#a3b26a")
		return
	}
	if s.spec.Shape == "gathered" {
		gathered(p, s)
		return
	}
	c := s.cut
	p.body(poly(s.outline), p.linear(0, .5, 1, .5, tone(c, -8, 2), 0, tone(c, 3, 0), .3, tone(c, 4, 0), .8, tone(c, -4, 1), 1), c)
	flecks(p, s.outline, 15, 3.1, "#f8e4dc")
	flecks(p, s.outline, 7, 2.1, "#a3b26a")
	crease(p, s, 4, tone(c, 12, 0), 1.6)
}

// crease is the light along the fold of a slice folded once, so many mm short of its ends.
func crease(p *pen, s subject, short float64, light string, width float64) {
	b := s.outline.Turn(-s.turn).Bounds()
	p.turned(s.turn, func() {
		p.line("M"+f(b.Min.X+1)+" "+f(b.Min.Y+short)+"L"+f(b.Min.X+1)+" "+f(b.Max.Y-short), light, width, "opacity", ".75")
	})
}

// roll is a slice rolled up: soft, so not quite straight, its outer edge along it, its turns at both ends.
func roll(p *pen, s subject) { rolled(p, s, tone(s.cut, 16, 0)) }

// salmonRoll shows the pale lines of the fish run round it.
func salmonRoll(p *pen, s subject) {
	rolled(p, s, "")
	l, w := s.spec.L, s.spec.W
	for x := -l * .4; x < l*.4; x += p.between(3.4, 5.2) {
		p.line("M"+xy(geom.Pt(x, -w*.42))+"Q"+xy(geom.Pt(x+p.between(2, 4), 0))+" "+xy(geom.Pt(x-p.between(0, 2), w*.4)), "#ffe9d8", p.between(.6, 1.1), "opacity", f(p.between(.4, .7)))
	}
	p.glint(geom.Pt(-l*.12, -w*.24), l*.14, w*.05, .35)
}

func rolled(p *pen, s subject, fat string) {
	c := s.cut
	l, w := s.spec.L, s.spec.W
	o := make(geom.Outline, 0, 16)
	for _, side := range []float64{-1, 1} {
		for k := range 8 {
			t := (float64(k)/7*2 - 1) * -side
			o = append(o, geom.Pt(t*l*.475, side*w*(.45-.05*math.Abs(t)*p.between(-.4, 1.4))))
		}
	}
	p.body(smooth(o), p.linear(0, 0, 0, 1, tone(c, -3, 1), 0, tone(c, 13, 1), .28, tone(c, 1, 0), .58, tone(c, -17, 2), 1), c)
	if fat != "" {
		flecks(p, o, 7, 1.5, fat)
	}
	for range 3 { // where it gave way
		x := p.between(-.36, .36) * l
		p.line("M"+xy(geom.Pt(x, -w*.3))+"q"+f(p.between(-2.5, 2.5))+" "+f(w*.2)+" "+f(p.between(-1, 1))+" "+f(w*p.between(.3, .5)), tone(c, -13, 2), .8, "opacity", ".3")
	}
	edge := "M" + xy(geom.Pt(-l*.465, w*p.between(.02, .14))) + "Q" + xy(geom.Pt(p.between(-.1, .1)*l, w*p.between(.18, .3))) + " " + xy(geom.Pt(l*.465, w*p.between(.04, .2)))
	p.line(edge, tone(c, -26, 2), 1.3, "opacity", ".4", "transform", "translate(0 .7)")
	p.line(edge, tone(c, 18, 1), .8, "opacity", ".8")
	for _, e := range []float64{-1, 1} { // the turns: each a little further in
		at := geom.Pt(e*l*.468, 0)
		p.oval(at, 2.7, w*.41, 0, tone(c, -14, 2), "stroke", tone(c, 10, 0), "stroke-width", ".8")
		p.oval(at.Add(geom.Pt(e*.2, w*.02)), 1.7, w*.26, 0, tone(c, -4, 1), "stroke", tone(c, -22, 2), "stroke-width", ".5")
		p.oval(at.Add(geom.Pt(e*.3, w*.04)), .8, w*.12, 0, tone(c, -20, 2))
	}
}

// coin is a thick slice of hard sausage: skin, lean, flecks.
func coin(p *pen, s subject) {
	p.body(smooth(s.outline), tone(s.out, -4, 0), s.out)
	in := s.outline.Scale(.92)
	p.path(smooth(in), p.lit(s.cut))
	flecks(p, in, 15, 1.9, "#e9bfae")
	flecks(p, in, 4, 1, "#3a1f16")
}

// rosette is slices lapped into a rose.
func rosette(p *pen, s subject) {
	c := s.cut
	p.body(smooth(s.outline), p.lit(c), c)
	r := s.spec.L / 2
	for ring, k := range []float64{.94, .72, .5, .3} {
		n := []int{9, 7, 5, 3}[ring]
		for i := range n {
			a := float64(i)*360/float64(n) + float64(ring)*23 + p.between(-5, 5)
			at := geom.Polar(r*k*.62, a)
			o := geom.Ellipse(r*k*.5, r*k*.42, 14).Turn(a + 90).Move(at)
			p.path(smooth(o), p.radial(.4, .3, .8, tone(c, 8-float64(ring)*2, 0), 0, tone(c, -4-float64(ring)*2, 1), .7, tone(c, -17, 2), 1), "stroke", tone(c, 19, 2), "stroke-width", ".7")
		}
	}
	flecks(p, s.outline, 22, 1.5, "#f2cabd")
	p.dot(geom.Pt(0, 0), r*.1, tone(c, -24, 2))
}
