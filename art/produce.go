package art

import (
	"math"

	"happytray/core/colour"
	"happytray/core/geom"
)

// ball shades a round thing and gives it a glint.
func ball(p *pen, s subject, c colour.Lab, glint float64) {
	p.body(smooth(s.outline), p.radial(.36, .3, .82, tone(c, 17, 2), 0, tone(c, 2, 0), .45, tone(c, -13, 0), 1), c)
	if glint > 0 {
		r := math.Min(s.spec.L, s.spec.W) / 2
		p.glint(geom.Pt(-r*.34, -r*.42), r*.26, r*.15, glint)
	}
}

func grape(p *pen, s subject) {
	c := s.out
	ball(p, s, c, .75)
	r := s.spec.W / 2
	p.path(p.blob(geom.Pt(r*.2, r*.25), r*.5, r*.4, 30, 9, .2), tone(c, 12, -6), "opacity", ".22") // bloom
	p.turned(s.turn*2, func() { p.dot(geom.Pt(r*.62, 0), r*.13, tone(c, -18, 4)) })
}

func olive(p *pen, s subject) {
	ball(p, s, s.out, .7)
	p.turned(s.turn, func() {
		r := s.spec.L / 2
		p.oval(geom.Pt(r*.55, 0), r*.2, r*.24, 0, tone(s.out, -22, 4))
		if !s.food.Stone {
			p.oval(geom.Pt(r*.57, 0), r*.1, r*.13, 0, "#b8402c")
		}
	})
}

func gherkin(p *pen, s subject) {
	p.body(smooth(s.outline), p.lit(s.out), s.out)
	p.turned(s.turn, func() {
		for range 12 {
			p.dot(geom.Pt(p.between(-.42, .42)*s.spec.L, p.between(-.3, .3)*s.spec.W), p.between(.5, .9), tone(s.out, 13, 2), "opacity", ".75")
		}
		p.line("M"+xy(geom.Pt(-s.spec.L*.3, -s.spec.W*.25))+"L"+xy(geom.Pt(s.spec.L*.25, -s.spec.W*.27)), "#fffbe0", 1, "opacity", ".5")
	})
}

func drupelets(p *pen, s subject) {
	c := s.out
	p.body(smooth(s.outline), tone(c, -9, 0), c)
	r := math.Min(s.spec.L, s.spec.W) / 2
	d := r * .3
	for ring := range 3 {
		n := []int{10, 6, 1}[ring]
		for i := range n {
			k := []float64{.74, .4, 0}[ring]
			q := geom.Polar(r*k*p.between(.95, 1.05), float64(i)*360/float64(n)+float64(ring)*20+s.turn)
			p.dot(q, d*p.between(.9, 1.05), p.radial(.36, .3, .8, tone(c, 22, 3), 0, tone(c, 6, 1), .5, tone(c, -7, 0), 1), "stroke", tone(c, -14, 0), "stroke-width", ".25")
			p.dot(q.Add(geom.Pt(-d*.3, -d*.35)), d*.2, "#fff4ee", "opacity", ".7")
		}
	}
}

func blueberry(p *pen, s subject) {
	c := s.out
	ball(p, s, c, .35)
	r := s.spec.L / 2
	at := geom.Polar(r*.3, s.turn*3)
	for i := range 5 {
		p.oval(at.Add(geom.Polar(r*.2, float64(i)*72)), r*.17, r*.09, float64(i)*72, tone(c, -13, 0))
	}
	p.dot(at, r*.15, tone(c, -17, 0))
}

func strawberry(p *pen, s subject) {
	c := s.out
	if s.spec.Form != "halves" {
		p.body(smooth(s.outline), p.lit(c), c)
		for range 18 {
			p.oval(p.inside(s.outline, 2), .8, .5, p.between(0, 180), "#f0cf72", "opacity", ".9")
		}
		p.glint(geom.Pt(-5, -6), 3, 1.7, .6)
		return
	}
	p.body(smooth(s.outline), tone(c, -4, 0), c)
	p.path(smooth(s.outline.Scale(.86)), p.radial(.45, .45, .7, tone(s.cut, 26, 2), 0, tone(s.cut, 8, 0), .4, tone(s.cut, -5, 0), 1))
	p.turned(s.turn, func() {
		p.path(p.blob(geom.Pt(2, 0), s.spec.L*.2, s.spec.W*.12, 0, 9, .12), "#fbe6dc", "opacity", ".9")
		for i := range 12 {
			a := float64(i) * 30
			q := geom.Polar(1, a)
			p.line("M"+xy(geom.Pt(q.X*s.spec.L*.24, q.Y*s.spec.W*.2))+"L"+xy(geom.Pt(q.X*s.spec.L*.38, q.Y*s.spec.W*.37)), "#fbdcd2", .5, "opacity", ".6")
		}
		for i := range 5 {
			p.oval(geom.Pt(-s.spec.L*.47, 0).Add(geom.Polar(2.5, 100+float64(i)*40)), 3.2, 1.2, 100+float64(i)*40, "#6d9a3e")
		}
	})
}

func figHalf(p *pen, s subject) {
	p.body(smooth(s.outline), tone(s.out, -2, 0), s.out)
	p.path(smooth(s.outline.Scale(.93)), "#f3e3cf")
	p.path(smooth(s.outline.Scale(.76)), p.radial(.5, .48, .55, tone(s.cut, 15, 8), 0, tone(s.cut, 0, 0), .55, tone(s.cut, -11, 0), 1))
	r := s.spec.L / 2
	p.path(p.blob(geom.Pt(0, 0), r*.2, r*.13, s.turn, 9, .3), tone(s.cut, -17, 0), "opacity", ".6")
	for i := range 34 {
		a := float64(i) * 137.5
		k := .26 + .4*math.Sqrt(float64(i)/34)
		p.oval(geom.Polar(r*k, a), 1.1, .6, a, "#f1d08e", "opacity", ".92")
	}
	for i := range 14 {
		a := float64(i)*25.7 + p.between(-5, 5)
		p.line("M"+xy(geom.Polar(r*.6, a))+"L"+xy(geom.Polar(r*.74, a)), "#f8ead9", .6, "opacity", ".7")
	}
	p.glint(geom.Pt(-r*.3, -r*.4), r*.16, r*.07, .5)
}

// fruitSlice is a crescent of pale flesh with its skin along the bow.
func fruitSlice(p *pen, s subject) {
	p.body(poly(s.outline), p.linear(0, 0, 0, 1, tone(s.cut, 1, 3), 0, tone(s.cut, 4, 0), .5, tone(s.cut, -6, 6), 1), s.cut)
	skin := ""
	for i, q := range s.outline {
		if q.Y < s.spec.W*.3 || i == 0 {
			if skin == "" {
				skin = "M" + xy(q)
			} else {
				skin += "L" + xy(q)
			}
		}
	}
	// the bowed side is the half above the middle
	bow := ""
	l, w := s.spec.L*.98, s.spec.W*.98
	for i := 0; i <= 10; i++ {
		t := float64(i)/10*2 - 1
		q := geom.Pt(t*l/2, -w/2+w*t*t*.85)
		if bow == "" {
			bow = "M" + xy(q)
		} else {
			bow += "L" + xy(q)
		}
	}
	p.line(bow, tone(s.out, 0, 0), 2.2)
	p.line(bow, tone(s.out, 22, 3), .6, "opacity", ".6", "transform", "translate(0 -.5)")
	p.line("M"+xy(geom.Pt(-l*.16, w*.3))+"Q"+xy(geom.Pt(0, w*.1))+" "+xy(geom.Pt(l*.16, w*.3)), tone(s.cut, -11, 8), .8, "opacity", ".7")
	p.oval(geom.Pt(l*.04, w*.3), 1.6, .8, 20, "#5b3620", "opacity", ".8")
}

func mandarin(p *pen, s subject) {
	c := s.out
	p.body(smooth(s.outline), p.radial(.38, .32, .8, tone(c, 12, 4), 0, tone(c, 0, 0), .55, tone(c, -11, 2), 1), c)
	p.turned(s.turn, func() {
		l, w := s.spec.L, s.spec.W
		for i := range 8 {
			x := -l*.36 + float64(i)*l*.1
			p.line("M"+xy(geom.Pt(x, -w*.32))+"q"+f(p.between(.5, 2))+" "+f(w*.3)+" "+f(p.between(-1, 1))+" "+f(w*.6), tone(c, 10, 4), .6, "opacity", ".55")
		}
		p.line("M"+xy(geom.Pt(-l*.42, w*.1))+"Q"+xy(geom.Pt(0, w*.58))+" "+xy(geom.Pt(l*.42, w*.1)), "#fbe3bd", 1, "opacity", ".75")
	})
	p.glint(geom.Pt(-s.spec.L*.13, -s.spec.W*.2), 3.2, 1.3, .55)
}

func tomato(p *pen, s subject) {
	ball(p, s, s.out, .85)
	r := s.spec.L / 2
	at := geom.Polar(r*.24, s.turn*2)
	for i := range 5 {
		a := float64(i)*72 + s.turn
		q := at.Add(geom.Polar(r*.36, a))
		p.path("M"+xy(at.Add(geom.Polar(r*.1, a+70)))+"Q"+xy(q)+" "+xy(at.Add(geom.Polar(r*.52, a)))+"Q"+xy(at.Add(geom.Polar(r*.2, a-20)))+" "+xy(at.Add(geom.Polar(r*.1, a-70)))+"Z", "#5d7f35", "stroke", "#41602a", "stroke-width", ".3")
	}
	p.dot(at, r*.09, "#3e5a28")
}

func cucumber(p *pen, s subject) {
	if s.spec.Shape == "box" {
		stick(p, s)
		return
	}
	p.body(smooth(s.outline), tone(s.out, 0, 0), s.out)
	p.path(smooth(s.outline.Scale(.9)), p.radial(.45, .42, .62, tone(s.cut, 4, 3), 0, tone(s.cut, -2, 4), .55, tone(s.cut, 5, -2), 1))
	r := s.spec.L / 2
	for i := range 15 {
		a := float64(i)*24 + p.between(-4, 4)
		p.oval(geom.Polar(r*.42, a), 2, .8, a, "#f2f0d0", "opacity", ".9", "stroke", "#b5c77e", "stroke-width", ".3")
	}
	for i := range 3 {
		p.line("M0 0L"+xy(geom.Polar(r*.3, float64(i)*120+s.turn)), "#b9cc86", .6, "opacity", ".6")
	}
}

// stick is a baton of a root or a pod.
func stick(p *pen, s subject) {
	c := s.cut
	p.body(poly(s.outline), p.linear(0, 0, 0, 1, tone(c, 10, 1), 0, tone(c, 0, 0), .5, tone(c, -14, 2), 1), c)
	p.turned(s.turn, func() {
		for range 4 {
			y, from := p.between(-.3, .3)*s.spec.W, -s.spec.L*p.between(.2, .44)
			p.line("M"+xy(geom.Pt(from, y))+"l"+f(s.spec.L*p.between(.2, .5))+" "+f(p.between(-.5, .5)), tone(c, p.between(-9, 9), 2), .5, "opacity", ".6")
		}
	})
}

func radish(p *pen, s subject) {
	p.body(smooth(s.outline), tone(s.out, 0, 0), s.out)
	p.path(smooth(s.outline.Scale(.88)), p.radial(.42, .4, .7, "#fffaf7", 0, tone(s.cut, 0, 0), .7, "#eccfd4", 1))
	for i := range 10 {
		a := float64(i)*36 + p.between(-6, 6)
		p.line("M"+xy(geom.Polar(s.spec.L*.1, a))+"L"+xy(geom.Polar(s.spec.L*.34, a)), "#e5c6cc", .5, "opacity", ".7")
	}
}

func apricot(p *pen, s subject) {
	c := s.out
	p.body(smooth(s.outline), p.radial(.36, .32, .8, tone(c, 11, 6), 0, tone(c, 0, 0), .55, tone(c, -17, 0), 1), c)
	p.path(smooth(s.outline.Scale(.62).Move(geom.Pt(-.8, -.8))), tone(c, 7, 6), "opacity", ".5")
	p.turned(s.turn, func() {
		l := s.spec.L
		p.line("M"+xy(geom.Pt(-l*.26, l*.05))+"Q"+xy(geom.Pt(0, -l*.07))+" "+xy(geom.Pt(l*.25, l*.03)), tone(c, -24, -4), 1, "opacity", ".75")
		for range 3 {
			a := p.between(0, 360)
			p.line("M"+xy(geom.Polar(l*.14, a))+"Q"+xy(geom.Polar(l*.25, a+25))+" "+xy(geom.Polar(l*.33, a+10)), tone(c, -17, 0), .7, "opacity", ".6")
		}
	})
	p.glint(geom.Pt(-s.spec.L*.17, -s.spec.W*.2), 3, 1.2, .35)
}

func date(p *pen, s subject) {
	c := s.out
	p.body(smooth(s.outline), p.lit(c), c)
	p.turned(s.turn, func() {
		l, w := s.spec.L, s.spec.W
		p.path(p.blob(geom.Pt(0, 0), l*.36, w*.22, 0, 12, .08), tone(s.cut, -13, 0), "stroke", tone(s.cut, 16, 5), "stroke-width", ".7")
		for i := range 5 {
			y := (float64(i) - 2) * w * .17
			p.line("M"+xy(geom.Pt(-l*.4, y))+"q"+f(l*.4)+" "+f(p.between(-1.4, 1.4))+" "+f(l*.8)+" 0", tone(c, -10, 0), .5, "opacity", ".5")
		}
	})
	p.glint(geom.Pt(-s.spec.L*.1, -s.spec.W*.2), 2.6, .9, .45)
}

func wrinkled(p *pen, s subject) {
	c := s.out
	p.body(smooth(s.outline), p.lit(c), c)
	for range 3 {
		q := p.inside(s.outline, 1.5)
		p.line("M"+xy(q)+"q"+f(p.between(-2, 2))+" "+f(p.between(-2, 2))+" "+f(p.between(-3, 3))+" "+f(p.between(-1, 1)), tone(c, -15, 0), .5, "opacity", ".8")
	}
	p.glint(geom.Pt(-s.spec.L*.14, -s.spec.W*.2), 1.3, .7, .6)
}
