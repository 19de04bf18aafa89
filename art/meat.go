package art

import (
	"math"

	"happytray/core/colour"
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
	b := s.outline.Bounds()
	p.line("M"+f(b.Min.X+1)+" "+f(b.Min.Y+3)+"L"+f(b.Min.X+1)+" "+f(b.Max.Y-3), tone(c, 16, 0), 1.4, "opacity", ".7")
}

// speckledSausage shows cubes of fat and green pistachio in a pale slice.
func speckledSausage(p *pen, s subject) {
	if s.spec.Shape == "gathered" {
		gathered(p, s)
		return
	}
	c := s.cut
	p.body(poly(s.outline), p.linear(0, .5, 1, .5, tone(c, -8, 2), 0, tone(c, 3, 0), .3, tone(c, 4, 0), .8, tone(c, -4, 1), 1), c)
	flecks(p, s.outline, 15, 3.1, "#f8e4dc")
	flecks(p, s.outline, 7, 2.1, "#a3b26a")
	b := s.outline.Bounds()
	p.line("M"+f(b.Min.X+1)+" "+f(b.Min.Y+4)+"L"+f(b.Min.X+1)+" "+f(b.Max.Y-4), tone(c, 12, 0), 1.6, "opacity", ".8")
}

// gathered is a thin slice pushed together back and forth: one fold lies against the next, its rim of fat up.
func gathered(p *pen, s subject) { folds(p, s, s.cut, "#f4ded2", 1) }

// ham has a broad rim of fat.
func ham(p *pen, s subject) { folds(p, s, s.cut, "#f8e9de", 2.1) }

// folds draws a long thin slice gathered back and forth, as it is seen from above: in the depth between the
// folds it is dark, each fold swells out of it to its lip, and no two lie alike.
func folds(p *pen, s subject, c colour.Lab, lip string, width float64) {
	p.turned(s.turn, func() {
		l, w := s.spec.L, s.spec.W
		p.path(p.blob(geom.Pt(0, 0), l*.45, w*.43, 0, 14, .07), tone(c, -24, 2), "stroke", tone(c, -30, 2), "stroke-width", ".5")
		const n, steps = 6, 8
		for i := range n {
			t := (float64(i)+.5)/n - .5
			half := w * .52 * math.Sqrt(1-2.9*t*t) * p.between(.88, 1.04)
			x, step, lean := t*l*.86, l/n, p.between(-.22, .22)
			phase, waves := p.between(0, 6), p.between(1.6, 2.6)
			near, far := make(geom.Outline, steps+1), make(geom.Outline, steps+1)
			for k := range near {
				v := float64(k)/steps*2 - 1
				swell := math.Sqrt(math.Max(0, 1-v*v))
				wave := step * .17 * math.Sin(waves*v*2+phase)
				at := x + lean*v*half*.6
				near[k] = geom.Pt(at-step*.42*swell+wave, v*half)
				far[k] = geom.Pt(at+step*.78*swell+wave, v*half)
			}
			whole := append(geom.Outline{}, near...)
			for k := steps - 1; k > 0; k-- {
				whole = append(whole, far[k])
			}
			p.path(smooth(whole), p.linear(0, 0, 1, 0, tone(c, -20, 2), 0, tone(c, -5, 1), .36, tone(c, 8, 0), .8, tone(c, 13, 0), 1), "stroke", tone(c, -20, 2), "stroke-width", ".35")
			for range 2 { // lean and fat run along the slice
				k, v := p.between(.12, .5), p.between(-.5, .1)
				p.line("M"+xy(geom.Pt(x+step*k, half*v))+"q"+f(step*.12)+" "+f(half*.3)+" 0 "+f(half*.55), tone(c, 14, 0), .7, "opacity", ".55")
			}
			d := "M" + xy(far[0])
			for k := 1; k < steps; k += 2 {
				d += "Q" + xy(far[k]) + " " + xy(far[k+1])
			}
			p.line(d, lip, width, "opacity", ".9")
		}
	})
}

// roll is a slice rolled up: light along its length, the end a spiral.
func roll(p *pen, s subject) {
	c := s.cut
	l, w := s.spec.L, s.spec.W
	p.body(smooth(s.outline), p.linear(0, 0, 0, 1, tone(c, -4, 1), 0, tone(c, 11, 0), .3, tone(c, -1, 0), .62, tone(c, -15, 2), 1), c)
	flecks(p, s.outline, 7, 1.6, tone(c, 16, 0))
	p.line("M"+xy(geom.Pt(-l*.46, w*.12))+"Q"+xy(geom.Pt(0, w*.22))+" "+xy(geom.Pt(l*.46, w*.1)), tone(c, -18, 2), .8, "opacity", ".6")
	for _, x := range []float64{-l * .475, l * .475} {
		p.oval(geom.Pt(x, 0), 2.2, w*.4, 0, tone(c, -9, 2), "stroke", tone(c, 12, 0), "stroke-width", ".6")
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
