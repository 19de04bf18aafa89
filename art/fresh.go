package art

import (
	"math"

	"happytray/core/geom"
)

// Fresh things with a look of their own: eggs, star fruit, lemon, young corn, leaves and a daisy.

// eggHalf shows a firm yolk in its white.
func eggHalf(p *pen, s subject) {
	p.body(smooth(s.outline), p.radial(.4, .35, .8, "#fffdf6", 0, tone(s.out, 0, 0), .7, tone(s.out, -9, 2), 1), s.out)
	l, w := s.spec.L, s.spec.W
	p.turned(s.turn, func() {
		yolk := p.blob(geom.Pt(l*.04, 0), l*.27, w*.3, 0, 12, .03)
		p.path(yolk, p.radial(.4, .35, .75, tone(s.cut, 10, 0), 0, tone(s.cut, 0, 0), .6, tone(s.cut, -10, 4), 1), "stroke", tone(s.cut, -14, 4), "stroke-width", ".5")
		for range 8 {
			q := geom.Pt(l*.04, 0).Add(geom.Polar(p.between(0, w*.22), p.between(0, 360)))
			p.dot(q, p.between(.4, .9), tone(s.cut, -12, 4), "opacity", ".6")
		}
	})
	p.glint(geom.Pt(-l*.2, -w*.3), l*.12, w*.06, .8)
}

// creamBlock is a soft white block with the marks of its paper and a blunt edge.
func creamBlock(p *pen, s subject) {
	l, w := s.spec.L, s.spec.W
	p.body(poly(s.outline), p.linear(0, 0, 1, 1, "#fffdf6", 0, tone(s.out, 0, 0), .5, tone(s.out, -11, 3), 1), s.out)
	top := s.outline.Scale(.9).Move(geom.Pt(-1.2, -1.6))
	p.path(poly(top), p.linear(0, 0, 1, 1, tone(s.cut, 3, 0), 0, tone(s.cut, -3, 2), 1), "stroke", tone(s.out, -9, 3), "stroke-width", ".5")
	for i := range 4 {
		x := (float64(i)/3 - .5) * l * .7
		p.line("M"+xy(geom.Pt(x, -w*.4))+"q"+f(p.between(-2, 2))+" "+f(w*.4)+" 0 "+f(w*.78), tone(s.out, -6, 2), .8, "opacity", ".5")
	}
	for range 7 {
		p.oval(p.inside(top, 5), p.between(1, 3), p.between(.6, 1.4), p.between(0, 180), tone(s.out, -7, 3), "opacity", ".4")
	}
	p.glint(geom.Pt(-l*.25, -w*.32), l*.16, w*.05, .7)
}

// starFruit is a slice of five points.
func starFruit(p *pen, s subject) {
	r := math.Min(s.spec.L, s.spec.W) / 2
	points := func(k float64) geom.Outline {
		var o geom.Outline
		for i := range 10 {
			long := r * k
			if i%2 == 1 {
				long *= .5
			}
			o = append(o, geom.Polar(long, s.turn+float64(i)*36))
		}
		return o
	}
	p.body(smooth(points(1)), p.lit(s.out), s.out)
	p.path(smooth(points(.84)), p.radial(.45, .4, .8, tone(s.cut, 12, -2), 0, tone(s.cut, 0, 0), .7, tone(s.cut, -7, 4), 1))
	for i := range 5 {
		a := s.turn + float64(i)*72
		p.line("M0 0L"+xy(geom.Polar(r*.62, a)), tone(s.cut, -13, 4), .9, "opacity", ".6")
		p.oval(geom.Polar(r*.22, a+36), r*.08, r*.035, a+36, tone(s.out, -36, 4))
	}
	p.glint(geom.Polar(r*.4, -130), r*.14, r*.05, .6)
}

// lemonWedge is a segment seen from its cut side, rind below.
func lemonWedge(p *pen, s subject) {
	l, w := s.spec.L, s.spec.W
	p.body(smooth(s.outline), p.lit(s.out), s.out)
	p.path(smooth(s.outline.Scale(.86)), "#faf3d8")
	p.path(smooth(s.outline.Scale(.72)), p.radial(.45, .4, .8, tone(s.cut, 8, 0), 0, tone(s.cut, -2, 4), .7, tone(s.cut, -9, 6), 1))
	p.turned(s.turn, func() {
		for i := range 6 {
			x := (float64(i)/5 - .5) * l * .56
			p.line("M"+xy(geom.Pt(x*.5, w*.2))+"L"+xy(geom.Pt(x, -w*.16)), "#fffbe4", .6, "opacity", ".75")
		}
	})
	p.glint(geom.Pt(-l*.12, -w*.1), l*.1, w*.06, .6)
}

// babyCorn is a cob with rows of tiny kernels, its tip paler.
func babyCorn(p *pen, s subject) {
	l, w := s.spec.L, s.spec.W
	p.body(curve(s.outline), p.linear(0, 0, 0, 1, tone(s.out, 12, 0), 0, tone(s.out, 0, 0), .5, tone(s.out, -16, 4), 1), s.out)
	for x := -l * .42; x < l*.36; x += 2.6 {
		for k := range 4 {
			y := (float64(k)/3 - .5) * w * .72
			p.oval(geom.Pt(x+float64(k%2)*1.3, y), 1.25, w*.1, 0, tone(s.out, 9-float64(k)*4, 0), "stroke", tone(s.out, -19, 5), "stroke-width", ".25")
		}
	}
	p.path(p.blob(geom.Pt(l*.44, 0), l*.045, w*.2, 0, 8, .1), tone(s.out, 14, -8), "opacity", ".9")
}

// leafBlade is one leaf with its ribs; how wide follows from its size.
func leafBlade(p *pen, s subject) {
	l, w := s.spec.L, s.spec.W
	frilled := w > l*.45
	rough := .03
	if frilled {
		rough = .13
	}
	p.turned(s.turn, func() {
		p.path(p.blob(geom.Pt(0, 0), l*.48, w*.46, 0, 15, rough), p.linear(0, 0, .4, 1, tone(s.out, 13, 0), 0, tone(s.out, 0, 0), .5, tone(s.out, -12, 3), 1), "stroke", tone(s.out, -20, 4), "stroke-width", ".6")
		p.line("M"+xy(geom.Pt(-l*.5, 0))+"Q"+xy(geom.Pt(0, -w*.05))+" "+xy(geom.Pt(l*.42, 0)), tone(s.out, 22, -6), 1.3, "opacity", ".8")
		for i := range 6 {
			x := -l*.34 + float64(i)*l*.12
			for _, side := range []float64{-1, 1} {
				p.line("M"+xy(geom.Pt(x, 0))+"q"+f(l*.05)+" "+f(side*w*.12)+" "+f(l*.1)+" "+f(side*w*.28), tone(s.out, 15, -4), .6, "opacity", ".6")
			}
		}
	})
}

// nasturtium is five round petals with dark guides to a pale throat.
func nasturtium(p *pen, s subject) {
	r := math.Min(s.spec.L, s.spec.W) / 2
	for i := range 5 {
		a := s.turn + float64(i)*72 + p.between(-6, 6)
		at := geom.Polar(r*.52, a)
		p.path(p.blob(at, r*.44, r*.36, a, 11, .05), p.radial(.5, .5, .8, tone(s.out, -10, 8), 0, tone(s.out, 3, 0), .5, tone(s.out, 12, -4), 1), "stroke", tone(s.out, -18, 6), "stroke-width", ".5")
		for _, side := range []float64{-12, 0, 12} {
			p.line("M"+xy(geom.Polar(r*.14, a+side))+"L"+xy(geom.Polar(r*.5, a+side)), "#7d1f12", .7, "opacity", ".6")
		}
	}
	p.dot(geom.Pt(0, 0), r*.14, "#f6dc7a", "stroke", "#9a3a12", "stroke-width", ".5")
}

// daisy has white rays round a yellow heart.
func daisy(p *pen, s subject) {
	r := math.Min(s.spec.L, s.spec.W) / 2
	for i := range 13 {
		a := s.turn + float64(i)*360/13 + p.between(-5, 5)
		p.oval(geom.Polar(r*.66, a), r*.34, r*.13, a, p.linear(0, 0, 1, 1, "#fffdf6", 0, tone(s.out, -8, 2), 1), "stroke", tone(s.out, -20, 2), "stroke-width", ".3")
	}
	p.dot(geom.Pt(0, 0), r*.32, p.radial(.4, .35, .75, tone(s.cut, 14, 0), 0, tone(s.cut, -4, 4), .6, tone(s.cut, -16, 6), 1), "stroke", tone(s.cut, -22, 6), "stroke-width", ".4")
	for range 9 {
		p.dot(geom.Polar(p.between(0, r*.24), p.between(0, 360)), r*.04, tone(s.cut, -18, 6), "opacity", ".7")
	}
}

// pistachioKernel is green with a purple skin along one side.
func pistachioKernel(p *pen, s subject) {
	l, w := s.spec.L, s.spec.W
	p.body(smooth(s.outline), p.radial(.38, .32, .8, tone(s.out, 18, 0), 0, tone(s.out, 0, 0), .55, tone(s.out, -14, 3), 1), s.out)
	p.turned(s.turn, func() {
		p.path(p.blob(geom.Pt(-l*.05, w*.16), l*.34, w*.16, 4, 9, .2), "#7a4a58", "opacity", ".55")
		p.line("M"+xy(geom.Pt(-l*.38, -w*.04))+"Q"+xy(geom.Pt(0, -w*.14))+" "+xy(geom.Pt(l*.38, -w*.02)), tone(s.out, -18, 3), .5, "opacity", ".7")
	})
}

// wrappedSweet is foil twisted at both ends.
func wrappedSweet(p *pen, s subject) {
	l, w := s.spec.L, s.spec.W
	p.turned(s.turn, func() {
		for _, side := range []float64{-1, 1} {
			fan := geom.Outline{{X: side * l * .26, Y: 0}, {X: side * l * .5, Y: -w * .34}, {X: side * l * .44, Y: 0}, {X: side * l * .5, Y: w * .34}}
			p.path(poly(fan), p.linear(0, 0, 1, 1, tone(s.out, 22, -2), 0, tone(s.out, -12, 2), 1), "stroke", tone(s.out, -24, 2), "stroke-width", ".5")
		}
		p.path(p.blob(geom.Pt(0, 0), l*.3, w*.46, 0, 12, .03), p.radial(.36, .3, .85, tone(s.out, 32, -4), 0, tone(s.out, 6, 0), .4, tone(s.out, -18, 4), 1), "stroke", tone(s.out, -26, 2), "stroke-width", ".6")
		for i := range 4 {
			x := (float64(i)/3 - .5) * l * .44
			p.line("M"+xy(geom.Pt(x, -w*.34))+"q"+f(p.between(-2, 2))+" "+f(w*.34)+" 0 "+f(w*.68), tone(s.out, 30, -4), .7, "opacity", ".55")
		}
		p.glint(geom.Pt(-l*.1, -w*.2), l*.09, w*.08, .8)
	})
}

// dippedStrawberry is dark to its shoulders, red and leafy above.
func dippedStrawberry(p *pen, s subject) {
	l, w := s.spec.L, s.spec.W
	p.body(smooth(s.outline), p.lit(s.out), s.out)
	p.turned(s.turn, func() {
		p.path(p.blob(geom.Pt(-l*.34, 0), l*.17, w*.36, 0, 10, .06), p.radial(.4, .35, .8, tone(s.cut, 14, 0), 0, tone(s.cut, -6, 4), 1))
		for i := range 5 {
			q := geom.Pt(-l*.47, 0).Add(geom.Polar(2.5, 100+float64(i)*40))
			p.oval(q, 4, 1.4, 100+float64(i)*40, "#6d9a3e", "stroke", "#4c7428", "stroke-width", ".3")
		}
		for i := range 5 { // threads of another chocolate
			x := -l*.12 + float64(i)*l*.13
			p.line("M"+xy(geom.Pt(x, -w*.38))+"q"+f(l*.05)+" "+f(w*.38)+" "+f(-l*.02)+" "+f(w*.74), "#f0e2cc", .9, "opacity", ".8")
		}
		p.glint(geom.Pt(l*.08, -w*.24), l*.12, w*.07, .5)
	})
}

// prawn is curled, peeled and banded, with its tail left on.
func prawn(p *pen, s subject) {
	l, w := s.spec.L, s.spec.W
	p.turned(s.turn, func() {
		at := func(t float64) (geom.Point, float64) { // along the back, from the head end to the tail
			a := (200 - 250*t) * math.Pi / 180
			return geom.Pt(math.Cos(a)*l*.32, -math.Sin(a)*w*.5+w*.12), -a*180/math.Pi + 90
		}
		tail, turn := at(1.02)
		for _, side := range []float64{-24, 20} {
			p.oval(tail.Add(geom.Polar(w*.2, turn+90+side)), w*.26, w*.1, turn+90+side, tone(s.out, -12, 14), "stroke", tone(s.out, -24, 16), "stroke-width", ".4")
		}
		const bands = 8
		for i := bands - 1; i >= 0; i-- {
			t := (float64(i) + .3) / bands
			q, turn := at(t)
			thick := w * (.36 - .2*t)
			p.path(p.blob(q, l*.085, thick, turn+90, 10, .03), p.linear(0, 0, 1, 1, tone(s.cut, 8, -2), 0, tone(s.out, 4, 0), .5, tone(s.out, -10, 5), 1), "stroke", tone(s.out, -14, 10), "stroke-width", ".5")
			p.line("M"+xy(q.Add(geom.Polar(thick*.7, turn+90)))+"L"+xy(q.Add(geom.Polar(thick*.2, turn+90))), tone(s.out, -16, 18), 1, "opacity", ".6")
		}
		p.glint(geom.Pt(-l*.1, -w*.3), l*.08, w*.06, .6)
	})
}

// roastSlice is pale meat with its browned skin along one side.
func roastSlice(p *pen, s subject) {
	p.body(smooth(s.outline), p.lit(s.out), s.out)
	in := s.outline.Scale(.88).Move(geom.Pt(.3, 1.1))
	p.path(smooth(in), p.radial(.45, .5, .8, tone(s.cut, 6, 0), 0, tone(s.cut, 0, 0), .6, tone(s.cut, -7, 3), 1))
	for range 6 {
		q := p.inside(in, 4)
		p.line("M"+xy(q)+"q"+f(p.between(2, 5))+" "+f(p.between(-1.5, 1.5))+" "+f(p.between(5, 10))+" "+f(p.between(-1, 1)), tone(s.cut, -9, 3), .6, "opacity", ".6")
	}
	p.glint(geom.Pt(-3, -4), 5, 1.1, .45)
}
