package art

import (
	"math"

	"happytray/core/colour"
	"happytray/core/food"
	"happytray/core/geom"
)

// spoonful is a topping that has settled: jam and honey shine, the rest is small
// pieces held by a little of their own juice.
func spoonful(p *pen, s subject) {
	c := s.out
	wet := s.food.Wetness == food.Runny
	r := math.Min(s.spec.L, s.spec.W) / 2
	if wet {
		p.path(smooth(s.outline), p.radial(.36, .3, .8, tone(c, 15, 3), 0, tone(c, 2, 0), .5, tone(c, -11, 0), 1), "opacity", ".92", "stroke", tone(c, -18, 0), "stroke-width", ".5")
		for range 10 {
			p.path(p.blob(p.inside(s.outline, 3), p.between(1, 3.2), p.between(.8, 2.2), p.between(0, 180), 8, .3), tone(c, p.between(-11, 9), 3), "opacity", ".55")
		}
		p.path(p.blob(geom.Pt(r*.95, r*.7), r*.22, r*.17, 20, 9, .1), tone(c, 2, 0), "opacity", ".9") // a drop beside it
		p.glint(geom.Pt(-r*.35, -r*.35), r*.42, r*.12, .6)
		return
	}
	// pieces of their own size: seeds small, berries large
	size := 1.5
	for _, own := range s.food.Forms {
		if own.Form == "drift" {
			size = math.Max(1.5, math.Min(own.L, own.W)*.42)
		}
	}
	if s.food.Category == food.Fruit && size < 2 {
		size = 2.4
	}
	n := max(5, min(30, int(1.5*r*r/(size*size))))
	for i := n - 1; i >= 0; i-- {
		q := geom.Polar((r-size*.6)*math.Sqrt((float64(i)+.3)/float64(n)), 137.508*float64(i)+p.between(-9, 9))
		k := colour.Lab{L: s.cut.L + p.between(-9, 9), A: s.cut.A, B: s.cut.B}
		p.oval(q, size*p.between(.9, 1.1), size*p.between(.7, .95), p.between(0, 180), p.radial(.36, .3, .8, tone(k, 16, 2), 0, tone(k, 2, 0), .5, tone(k, -12, 0), 1), "stroke", tone(k, -18, 0), "stroke-width", ".3")
		p.dot(q.Add(geom.Pt(-size*.3, -size*.35)), size*.16, "#fffdf4", "opacity", ".7")
	}
}

// skewer is small things on a pick. A food that is such a skewer alternates its
// two colours and a leaf; any other is threaded by itself.
func skewer(p *pen, s subject) {
	l, w := s.spec.L, s.spec.W
	p.line("M"+xy(geom.Pt(-l*.5, 0))+"L"+xy(geom.Pt(l*.5, 0)), "#d9bf8c", 2)
	p.line("M"+xy(geom.Pt(-l*.5, -.5))+"L"+xy(geom.Pt(l*.5, -.5)), "#f3e2b8", .6)
	p.dot(geom.Pt(-l*.5+1.5, 0), 2.6, "#e4cf9e", "stroke", "#a98c54", "stroke-width", ".6")
	mixed := onPicks(s.food)
	room := l - food.OnPickFrom - food.PickTip
	n := max(1, int(math.Round(room/w)))
	if own, ok := threaded(s.food); ok { // as many as it weighs
		n = max(1, min(int(math.Round(s.spec.MassG/own.MassG)), int(room/(.9*own.W))))
	}
	bead := room / float64(n)
	for i := range n {
		at := geom.Pt((float64(i)-float64(n-1)/2)*bead+(food.OnPickFrom-food.PickTip)/2, 0)
		c := s.out
		if mixed && i%2 == 1 {
			c = s.cut
		}
		if mixed && i > 0 {
			p.path(p.blob(at.Add(geom.Pt(-bead*.5, 0)), bead*.13, w*.5, p.between(-14, 14), 9, .1), "#5f8a3f", "stroke", "#3f6428", "stroke-width", ".5")
		}
		p.oval(at, bead*.49, w*.48, 0, p.radial(.36, .3, .82, tone(c, 17, 2), 0, tone(c, 2, 0), .45, tone(c, -14, 0), 1), "stroke", tone(c, -24, 2), "stroke-width", ".5")
		p.glint(at.Add(geom.Pt(-bead*.16, -w*.2)), bead*.13, w*.07, .6)
	}
}

// threaded is the form whose pieces a skewer of the food holds.
func threaded(fd *food.Food) (food.Spec, bool) {
	for _, s := range fd.Forms {
		if s.Form != "skewer" && (s.Shape == "oval" || s.Shape == "half") {
			return s, true
		}
	}
	return food.Spec{}, false
}

// gourd is small, striped and ribbed; it is not food.
func gourd(p *pen, s subject) {
	ball(p, s, s.out, .4)
	r := math.Min(s.spec.L, s.spec.W) / 2
	for i := range 10 {
		a := float64(i) * 36
		p.line("M"+xy(geom.Polar(r*.12, a))+"Q"+xy(geom.Polar(r*.6, a+9))+" "+xy(geom.Polar(r*.94, a)), tone(s.cut, 4, 0), r*.1, "opacity", ".6")
		p.line("M"+xy(geom.Polar(r*.14, a+18))+"Q"+xy(geom.Polar(r*.6, a+26))+" "+xy(geom.Polar(r*.94, a+18)), tone(s.out, -20, 4), 1.1, "opacity", ".5")
	}
	p.path(p.blob(geom.Pt(0, 0), r*.16, r*.14, 0, 6, .2), "#7d7a44", "stroke", "#54522c", "stroke-width", ".7")
	p.line("M0 0q3 -6 9 -7", "#7d7a44", 4)
}

// candle is a light in a glass, seen from above.
func candle(p *pen, s subject) {
	r := s.spec.L / 2
	p.path(smooth(s.outline), p.radial(.4, .35, .75, "#fbfcfb", 0, tone(s.out, 0, 0), .75, tone(s.out, -22, 0), 1), "stroke", tone(s.out, -34, 0), "stroke-width", ".8")
	p.path(smooth(s.outline.Scale(.8)), p.radial(.5, .5, .6, "#fff3c4", 0, tone(s.cut, 0, 0), .5, tone(s.cut, -12, 6), 1), "stroke", tone(s.cut, -20, 0), "stroke-width", ".5")
	p.dot(geom.Pt(0, 0), r*.34, "#ffe9a0", "opacity", ".75")
	p.path(p.blob(geom.Pt(0, 0), r*.1, r*.17, 0, 9, .05), "#fff7d8", "stroke", "#f0a63c", "stroke-width", "1.4")
	p.line("M0 2L0 -1", "#3a2a20", 1)
	p.line(smooth(s.outline.Scale(.9)), "#ffffff", .8, "opacity", ".55")
	p.glint(geom.Pt(-r*.6, -r*.55), r*.22, r*.07, .8)
}

// nameStand is a folded card with lines of writing.
func nameStand(p *pen, s subject) {
	l, w := s.spec.L, s.spec.W
	p.body(poly(s.outline), p.linear(0, 0, 0, 1, "#fffdf6", 0, tone(s.cut, 0, 0), .48, tone(s.out, -4, 0), .52, tone(s.out, -12, 2), 1), s.out)
	p.line("M"+xy(geom.Pt(-l*.48, 0))+"L"+xy(geom.Pt(l*.48, 0)), tone(s.out, -22, 2), .7)
	for i, y := range []float64{-.3, -.16} {
		p.line("M"+xy(geom.Pt(-l*.34, w*y))+"q"+f(l*.1)+" -2 "+f(l*.2)+" 0t"+f(l*(.3-.12*float64(i)))+" 0", "#4a4038", .9, "opacity", ".8")
	}
	for range 6 {
		p.dot(p.inside(s.outline, 2), .4, tone(s.out, -10, 2), "opacity", ".5")
	}
}

func knifeRest(p *pen, s subject) {
	l, w := s.spec.L, s.spec.W
	p.body(poly(s.outline), p.linear(0, 0, 0, 1, tone(s.out, 18, 0), 0, tone(s.out, -8, 0), .45, tone(s.out, 10, 0), .6, tone(s.out, -16, 0), 1), s.out)
	for _, x := range []float64{-.3, 0, .3} {
		p.path(poly(geom.Box(l*.1, w*.9, 2).Move(geom.Pt(l*x, 0))), tone(s.out, -20, 0), "opacity", ".7")
		p.line("M"+xy(geom.Pt(l*x+l*.05, -w*.4))+"L"+xy(geom.Pt(l*x+l*.05, w*.4)), tone(s.out, 24, 0), .8, "opacity", ".7")
	}
	p.glint(geom.Pt(-l*.18, -w*.26), l*.12, w*.06, .5)
}

func woodTag(p *pen, s subject) {
	l, w := s.spec.L, s.spec.W
	p.body(poly(s.outline), p.linear(0, 0, .3, 1, tone(s.out, 8, 0), 0, tone(s.out, 0, 0), .5, tone(s.out, -9, 2), 1), s.out)
	for range 9 {
		y := p.between(-.42, .42) * w
		p.line("M"+xy(geom.Pt(-l*.46, y))+"q"+f(l*.3)+" "+f(p.between(-2, 2))+" "+f(l*.9)+" "+f(p.between(-1, 1)), tone(s.out, p.between(-14, 8), 2), .7, "opacity", ".5")
	}
	p.path(poly(geom.Box(l*.7, w*.56, 2)), "#f8f3e6", "stroke", "#d8cdb4", "stroke-width", ".6")
	for _, y := range []float64{-.1, .06} {
		p.line("M"+xy(geom.Pt(-l*.24, w*y))+"q"+f(l*.12)+" -2 "+f(l*.24)+" 0t"+f(l*.2)+" 0", "#4a4038", .9, "opacity", ".75")
	}
}

// stoneDish is a small glazed dish, empty: a rim, an inner wall and a shaded floor.
func stoneDish(p *pen, s subject) {
	r := s.spec.L / 2
	p.body(poly(s.outline), p.linear(0, 0, .3, 1, tone(s.out, 6, 0), 0, tone(s.out, 0, 0), .5, tone(s.out, -14, 2), 1), s.out)
	p.path(poly(geom.Circle(r*.84, 40)), tone(s.out, -18, 2), "stroke", tone(s.out, -30, 2), "stroke-width", ".6")
	p.path(poly(geom.Circle(r*.68, 36).Move(geom.Pt(r*.04, r*.05))), tone(s.out, -7, 2))
	for range 7 { // specks in the glaze
		p.path(poly(geom.Circle(p.between(.3, .6), 8).Move(geom.Polar(r*p.between(.1, .62), p.between(0, 360)))), tone(s.out, -34, 3), "opacity", ".55")
	}
	p.glint(geom.Pt(-r*.3, -r*.62), r*.3, r*.08, .6)
	p.glint(geom.Pt(r*.2, r*.34), r*.24, r*.1, .25)
}

// choppedGreen is a topping of chopped kernels, whose shells are another colour.
func choppedGreen(p *pen, s subject) {
	s.out, s.cut = lab("#93a957"), lab("#93a957")
	spoonful(p, s)
}
