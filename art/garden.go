package art

import (
	"math"

	"happytray/core/geom"
)

// foldedLeaf is a thin slice of a vegetable folded: translucent, veined, no fat.
func foldedLeaf(p *pen, s subject) {
	c, o := s.cut, s.outline
	p.body(poly(o), p.linear(0, 1, 1, 0, tone(c, -14, 3), 0, tone(c, 0, 0), .5, tone(c, 9, 0), 1), c)
	b := o.Bounds()
	tip := geom.Pt(b.Min.X, 0)
	for _, a := range []float64{-34, -20, -6, 9, 24, 38} {
		q := tip.Add(geom.Polar(b.W()*.93, a))
		p.line("M"+xy(tip.Lerp(q, .15))+"L"+xy(q), tone(c, p.between(-14, 13), 2), .7, "opacity", ".5")
	}
	lip := ""
	for a := -44.0; a <= 44; a += 8 {
		if lip == "" {
			lip = "M"
		} else {
			lip += "L"
		}
		lip += xy(tip.Add(geom.Polar(b.W()*.97, a)))
	}
	p.line(lip, tone(s.out, 10, 2), 1.2, "opacity", ".85")
}

// leafRose is thin vegetable slices lapped into a rose.
func leafRose(p *pen, s subject) {
	c := s.cut
	p.body(smooth(s.outline), p.lit(c), c)
	r := s.spec.L / 2
	for ring, k := range []float64{.94, .72, .5, .3} {
		n := []int{8, 6, 5, 3}[ring]
		for i := range n {
			a := float64(i)*360/float64(n) + float64(ring)*27 + p.between(-5, 5)
			at := geom.Polar(r*k*.62, a)
			p.path(smooth(geom.Ellipse(r*k*.52, r*k*.42, 14).Turn(a+90).Move(at)), p.radial(.4, .3, .8, tone(c, 12-float64(ring)*2, 0), 0, tone(c, -1, 0), .7, tone(c, -15, 2), 1), "stroke", tone(s.out, 14, 0), "stroke-width", ".8", "opacity", ".94")
			p.line("M"+xy(at)+"L"+xy(geom.Polar(r*k*.95, a)), tone(c, -9, 2), .5, "opacity", ".4")
		}
	}
	p.dot(geom.Pt(0, 0), r*.09, tone(c, -20, 2))
}

func pepperHalf(p *pen, s subject) {
	p.body(smooth(s.outline), p.lit(s.out), s.out)
	p.path(smooth(s.outline.Scale(.84)), p.radial(.55, .6, .7, tone(s.cut, 2, 0), 0, tone(s.cut, -8, 0), .6, tone(s.cut, -20, 2), 1))
	p.turned(s.turn, func() {
		l, w := s.spec.L, s.spec.W
		p.line("M"+xy(geom.Pt(-l*.36, 0))+"Q"+xy(geom.Pt(0, w*.08))+" "+xy(geom.Pt(l*.3, 0)), "#f6d9b4", 1.6, "opacity", ".8")
		for range 8 {
			p.dot(geom.Pt(p.between(-.34, -.1)*l, p.between(-.16, .16)*w), 1, "#f2e2b4")
		}
		p.path(p.blob(geom.Pt(-l*.46, 0), l*.07, w*.16, 0, 8, .1), "#6f8a3c", "stroke", "#4f6628", "stroke-width", ".5")
	})
}

func wholePepper(p *pen, s subject) {
	ball(p, s, s.out, .8)
	l, w := s.spec.L, s.spec.W
	for _, y := range []float64{-.2, .16} {
		p.line("M"+xy(geom.Pt(-l*.36, w*y*.6))+"Q"+xy(geom.Pt(0, w*y*1.3))+" "+xy(geom.Pt(l*.42, w*y*.3)), tone(s.out, -15, 2), .9, "opacity", ".6")
	}
	p.path(p.blob(geom.Pt(-l*.42, 0), l*.08, w*.18, 0, 8, .1), "#6f8a3c", "stroke", "#4f6628", "stroke-width", ".5")
	p.line("M"+xy(geom.Pt(-l*.44, 0))+"q-5 -2 -8 1", "#5f7a32", 2.4)
	p.line("M"+xy(geom.Pt(-l*.2, -w*.3))+"Q"+xy(geom.Pt(l*.1, -w*.36))+" "+xy(geom.Pt(l*.3, -w*.2)), "#fff3ea", 1.6, "opacity", ".4")
}

// endive is a pale boat of a leaf, its rib thick at the foot.
func endive(p *pen, s subject) {
	l, w := s.spec.L, s.spec.W
	o := geom.Outline{{X: -l * .48, Y: -w * .16}, {X: -l * .1, Y: -w * .46}, {X: l * .26, Y: -w * .36}, {X: l * .49, Y: 0}, {X: l * .26, Y: w * .36}, {X: -l * .1, Y: w * .46}, {X: -l * .48, Y: w * .16}}
	p.body(smooth(o), p.linear(0, 0, 1, 0, "#f8f7ea", 0, tone(s.out, 4, 0), .55, tone(s.out, -9, 16), 1), s.out)
	p.path(smooth(o.Scale(.72)), p.radial(.45, .5, .6, tone(s.cut, -8, 4), 0, tone(s.cut, 0, 0), 1), "opacity", ".8")
	p.line("M"+xy(geom.Pt(-l*.46, 0))+"L"+xy(geom.Pt(l*.32, 0)), "#fdfcf4", 3, "opacity", ".9")
	for _, y := range []float64{-1, 1} {
		for _, t := range []float64{-.2, 0, .18} {
			p.line("M"+xy(geom.Pt(l*t, 0))+"Q"+xy(geom.Pt(l*(t+.12), w*.2*y))+" "+xy(geom.Pt(l*(t+.2), w*.3*y)), tone(s.out, -12, 8), .6, "opacity", ".5")
		}
	}
}

// asparagus has a pointed head of scales.
func asparagus(p *pen, s subject) {
	l, w := s.spec.L, s.spec.W
	p.body(curve(s.outline), p.linear(0, 0, 0, 1, tone(s.out, 14, 0), 0, tone(s.out, 0, 0), .5, tone(s.out, -14, 2), 1), s.out)
	for i := range 9 {
		x := l * (.48 - float64(i)*.032)
		p.path(smooth(geom.Outline{{X: x + w*.3, Y: 0}, {X: x - w*.2, Y: -w * .42}, {X: x - w*.5, Y: 0}, {X: x - w*.2, Y: w * .42}}), tone(s.out, -10+float64(i%2)*6, -4), "stroke", tone(s.out, -20, -2), "stroke-width", ".4")
	}
	for _, x := range []float64{-.3, -.12, .06} {
		p.path(smooth(geom.Outline{{X: l*x + w*.8, Y: -w * .1}, {X: l * x, Y: -w * .34}, {X: l*x + w*.1, Y: w * .1}}), tone(s.out, -11, -4), "opacity", ".8")
	}
}

// pod is one of peas or beans, swollen where they are.
func pod(p *pen, s subject) {
	p.turned(s.turn, func() {
		l, w := s.spec.L, s.spec.W
		peas, flat := 5, l/w > 5
		if l < 60 {
			peas = 3
		}
		bow := w * p.between(.1, .22)
		if p.r.IntN(2) == 0 {
			bow = -bow
		}
		// swollen where a pea is, drawn to a tip at one end and to its stalk at the other
		side := func(y float64) (o geom.Outline) {
			for k := range 13 {
				t := float64(k)/12*2 - 1
				full := math.Pow(math.Max(0, 1-t*t), .42)
				if !flat {
					full *= .86 + .14*math.Cos(t*float64(peas)*math.Pi)
				}
				o = append(o, geom.Pt(t*l*.47, y*w*.44*full+bow*(1-t*t)-bow*.4))
			}
			return o
		}
		upper, lower := side(-1), side(1)
		whole := append(geom.Outline{}, upper...)
		for k := len(lower) - 2; k > 0; k-- {
			whole = append(whole, lower[k])
		}
		p.body(smooth(whole), p.linear(0, 0, 0, 1, tone(s.out, 14, 3), 0, tone(s.out, 2, 1), .5, tone(s.out, -14, 2), 1), s.out)
		for i := range peas {
			t := (float64(i)+.5)/float64(peas)*2 - 1
			q := geom.Pt(t*l*.42, bow*(1-t*t)-bow*.4)
			p.oval(q, l*.36/float64(peas), w*.33, 0, p.radial(.38, .3, .8, tone(s.out, 20, 3), 0, tone(s.out, 6, 1), .55, tone(s.out, -6, 0), 1), "opacity", ".85")
			p.oval(q.Add(geom.Pt(-l*.03, -w*.13)), l*.1/float64(peas), w*.06, 0, "#fbffe6", "opacity", ".5")
		}
		p.line(open(upper), tone(s.out, -16, 0), .7, "opacity", ".75") // the seam
		p.line(open(upper[1:12]), tone(s.out, 20, 2), .5, "opacity", ".5", "transform", "translate(0 1)")
		end := upper[0]
		p.oval(end.Add(geom.Pt(1.4, 0)), 2.2, w*.17, 0, tone(s.out, 4, -4), "stroke", tone(s.out, -18, 0), "stroke-width", ".4") // its calyx
		p.line("M"+xy(end)+"l-2.4 "+f(-bow*.3), tone(s.out, -10, 0), 1.2)
		p.line("M"+xy(upper[12])+"l2 "+f(p.between(-.6, .6)), tone(s.out, -4, 0), .6)
	})
}

// grilledRoll is a grilled slice of aubergine, rolled.
func grilledRoll(p *pen, s subject) {
	l, w := s.spec.L, s.spec.W
	// soft flesh rolled loosely: not straight, its dark skin along both ends
	o := make(geom.Outline, 0, 16)
	for k := range 8 {
		t := float64(k)/7*2 - 1
		o = append(o, geom.Pt(t*l*.48, -w*(.43+.05*math.Cos(t*4+float64(s.food.Liking)))*p.between(.95, 1.02)))
	}
	for k := range 8 {
		t := 1 - float64(k)/7*2
		o = append(o, geom.Pt(t*l*.48, w*.45*p.between(.95, 1.02)))
	}
	p.body(smooth(o), p.linear(0, 0, 0, 1, tone(s.cut, 2, 2), 0, tone(s.cut, 17, 5), .32, tone(s.cut, 2, 2), .62, tone(s.cut, -17, 3), 1), s.cut)
	for range 16 { // seeds and soft flesh
		p.oval(p.inside(o, 2.5), p.between(.5, 1.1), p.between(.3, .6), p.between(-20, 20), tone(s.cut, []float64{-14, 12}[p.r.IntN(2)], 2), "opacity", ".55")
	}
	for i := range 4 { // where the bars of the grill were
		x := (float64(i)-1.5)*l*.2 + p.between(-1.5, 1.5)
		p.line("M"+xy(geom.Pt(x+1.5, -w*.38))+"Q"+xy(geom.Pt(x+p.between(-1, 1), 0))+" "+xy(geom.Pt(x-1.5, w*.36)), "#3a2218", p.between(1.4, 2.3), "opacity", f(p.between(.35, .6)))
	}
	p.line("M"+xy(geom.Pt(-l*.44, w*.16))+"Q"+xy(geom.Pt(0, w*.26))+" "+xy(geom.Pt(l*.45, w*.12)), tone(s.out, -6, 0), 1.1, "opacity", ".75") // the edge of the slice
	p.line("M"+xy(geom.Pt(-l*.4, -w*.24))+"Q"+xy(geom.Pt(0, -w*.3))+" "+xy(geom.Pt(l*.4, -w*.22)), "#fff0d8", 1, "opacity", ".4")
	for _, e := range []float64{-1, 1} {
		at := geom.Pt(e*l*.465, 0)
		p.oval(at, 2.8, w*.41, 0, tone(s.out, 2, 0), "stroke", tone(s.out, -14, 0), "stroke-width", ".5")
		p.oval(at, 1.9, w*.3, 0, tone(s.cut, 10, 3))
		p.oval(at, 1, w*.16, 0, tone(s.cut, -14, 3))
	}
}

func tomatoHalf(p *pen, s subject) {
	p.body(smooth(s.outline), p.lit(s.out), s.out)
	p.path(smooth(s.outline.Scale(.9)), tone(s.out, 9, 4))
	r := s.spec.W / 2
	for i := range 2 {
		q := geom.Polar(r*.36, float64(i)*180+s.turn)
		p.path(p.blob(q, r*.3, r*.42, s.turn, 10, .1), tone(s.out, -2, 8), "opacity", ".9")
		for range 5 {
			p.oval(q.Add(geom.Polar(r*.24*math.Sqrt(p.r.Float64()), p.between(0, 360))), .9, .55, p.between(0, 180), "#f2dc9c")
		}
	}
	p.glint(geom.Pt(-r*.35, -r*.45), r*.24, r*.09, .6)
}

// grapeHalf is a grape cut along its length: skin round wet flesh, the veins and the place of a pip.
func grapeHalf(p *pen, s subject) {
	p.body(smooth(s.outline), p.lit(s.out), s.out)
	p.path(smooth(s.outline.Scale(.86)), p.radial(.45, .4, .7, tone(s.cut, 8, 0), 0, tone(s.cut, -3, 2), 1))
	l, w := s.spec.L, s.spec.W
	p.turned(s.turn, func() {
		for _, side := range []float64{-1, 1} {
			p.line("M"+xy(geom.Pt(-l*.3, side*w*.04))+"Q"+xy(geom.Pt(0, side*w*.2))+" "+xy(geom.Pt(l*.3, side*w*.04)), tone(s.cut, 14, -4), .6, "opacity", ".8")
		}
		p.oval(geom.Pt(l*.06, 0), l*.13, w*.06, 0, tone(s.cut, -16, 4), "opacity", ".55")
	})
	p.glint(geom.Pt(-l*.18, -w*.22), l*.12, w*.05, .6)
}

// fronds is a feathery herb.
func fronds(p *pen, s subject) {
	l, w := s.spec.L, s.spec.W
	p.line("M"+xy(geom.Pt(-l*.5, 0))+"Q"+xy(geom.Pt(0, w*.06))+" "+xy(geom.Pt(l*.48, -w*.02)), tone(s.out, -6, 2), 1.2)
	for i := range 13 {
		x := -l*.38 + float64(i)*l*.068
		for _, side := range []float64{-1, 1} {
			tip := geom.Pt(x+l*.1, side*w*(.46-.022*float64(i)))
			p.line("M"+xy(geom.Pt(x, 0))+"Q"+xy(geom.Pt(x+l*.03, tip.Y*.6))+" "+xy(tip), tone(s.out, p.between(-6, 8), 2), .8)
			for _, t := range []float64{.45, .7, .95} {
				q := geom.Pt(x, 0).Lerp(tip, t)
				p.line("M"+xy(q)+"l"+f(p.between(2, 4.5))+" "+f(side*p.between(-1, 2.4)), tone(s.out, p.between(-4, 12), 2), .5)
			}
		}
	}
}

// star is a five-petalled blue flower with a dark heart.
func star(p *pen, s subject) {
	r := s.spec.L / 2
	for i := range 5 {
		o := geom.Outline{{X: r * .1, Y: -r * .16}, {X: r * .55, Y: -r * .24}, {X: r, Y: 0}, {X: r * .55, Y: r * .24}, {X: r * .1, Y: r * .16}}.Turn(float64(i)*72 + s.turn)
		p.body(smooth(o), p.radial(.4, .4, .7, tone(s.out, 12, 0), 0, tone(s.out, -2, 0), 1), s.out)
	}
	p.dot(geom.Pt(0, 0), r*.22, "#f7f4f4")
	p.dot(geom.Pt(0, 0), r*.13, "#2b2740")
}

// pompom is a round head of many small pointed florets.
func pompom(p *pen, s subject) {
	r := s.spec.L / 2
	for i := range 40 {
		k := math.Sqrt((float64(i) + .5) / 40)
		a := 137.508 * float64(i)
		o := geom.Outline{{X: r * k * .5, Y: -r * .07}, {X: r * k * .95, Y: 0}, {X: r * k * .5, Y: r * .07}}.Turn(a)
		p.path(poly(o), tone(s.out, p.between(-10, 16), 0), "stroke", tone(s.out, -18, 0), "stroke-width", ".3")
	}
	p.dot(geom.Pt(0, 0), r*.12, tone(s.out, 18, 0))
}

// petal is one curled petal, paler at its foot.
func petal(p *pen, s subject) {
	p.body(smooth(s.outline), p.radial(.35, .35, .75, tone(s.out, 13, 0), 0, tone(s.out, 1, 0), .6, tone(s.out, -10, 2), 1), s.out)
	p.turned(s.turn, func() {
		l, w := s.spec.L, s.spec.W
		for _, y := range []float64{-.2, 0, .2} {
			p.line("M"+xy(geom.Pt(-l*.4, w*y*.4))+"Q"+xy(geom.Pt(0, w*y))+" "+xy(geom.Pt(l*.4, w*y*1.3)), tone(s.out, -9, 2), .4, "opacity", ".5")
		}
		p.oval(geom.Pt(-l*.4, 0), l*.08, w*.14, 0, tone(s.out, 20, 4), "opacity", ".8")
	})
}
