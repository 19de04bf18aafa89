package art

import (
	"math"
	"slices"

	"happytray/core/colour"
	"happytray/core/food"
	"happytray/core/geom"
)

// breadSlice has a dark crust and open crumb.
func breadSlice(p *pen, s subject) {
	l, w := s.spec.L, s.spec.W
	p.body(poly(s.outline), p.lit(s.out), s.out)
	in := s.outline.Scale(.91)
	p.path(poly(in), p.radial(.45, .42, .75, tone(s.cut, 7, 0), 0, tone(s.cut, 0, 0), .7, tone(s.cut, -10, 6), 1))
	for range 26 {
		q := p.inside(in, 3)
		p.path(p.blob(q, p.between(.8, l*.05), p.between(.6, w*.05), p.between(0, 180), 8, .25), tone(s.cut, -15, 5), "opacity", f(p.between(.35, .7)))
	}
	for range 8 {
		p.dot(p.inside(in, 2), p.between(.4, .8), "#fff8e4", "opacity", ".7")
	}
}

// straw is a twisted stick with melted cheese.
func straw(p *pen, s subject) {
	l, w := s.spec.L, s.spec.W
	p.body(curve(s.outline), p.linear(0, 0, 0, 1, tone(s.out, 12, 0), 0, tone(s.out, 0, 0), .5, tone(s.out, -14, 4), 1), s.out)
	for x := -l * .44; x < l*.42; x += w * .62 {
		p.line("M"+xy(geom.Pt(x, w*.44))+"Q"+xy(geom.Pt(x+w*.2, 0))+" "+xy(geom.Pt(x+w*.5, -w*.44)), tone(s.out, -16, 4), 1.2, "opacity", ".6")
		p.line("M"+xy(geom.Pt(x+1.6, w*.4))+"Q"+xy(geom.Pt(x+w*.2+1.6, 0))+" "+xy(geom.Pt(x+w*.5+1.6, -w*.4)), tone(s.cut, 16, 0), 1, "opacity", ".6")
	}
	for range 6 {
		p.path(p.blob(p.inside(s.outline, 1.5), p.between(1, 2.4), p.between(.7, 1.5), 0, 7, .3), "#b9691f", "opacity", ".55")
	}
}

// wafer is a thin rolled biscuit with a spiral seam.
func wafer(p *pen, s subject) {
	l, w := s.spec.L, s.spec.W
	p.body(poly(s.outline), p.linear(0, 0, 0, 1, tone(s.out, 14, 0), 0, tone(s.out, 2, 0), .4, tone(s.out, -18, 3), 1), s.out)
	for x := -l * .44; x < l*.46; x += l * .13 {
		p.line("M"+xy(geom.Pt(x-w*.3, w*.46))+"L"+xy(geom.Pt(x+w*.3, -w*.46)), tone(s.out, -18, 3), .8, "opacity", ".6")
	}
	p.oval(geom.Pt(l*.475, 0), w*.12, w*.4, 0, tone(s.out, -28, 2))
	p.oval(geom.Pt(l*.475, 0), w*.06, w*.2, 0, tone(s.out, 6, 2))
}

// onEdge is a biscuit or cracker standing in a row, tipped against the one before it: its thick edge, and its
// face as a narrow band, of which the last of a row shows all.
func onEdge(p *pen, s subject) {
	l, w := s.spec.L, s.spec.W
	deep := math.Min(w/2+4.2, l*.2) // half of the face as it is seen
	face := geom.Ellipse(l*.495, deep, 28)
	if !isRound(s.food) {
		face = geom.Box(l*.98, deep*2, math.Min(3, deep*.5))
	}
	for i := range face {
		face[i] = face[i].Mul(1 + p.between(-.012, .012))
	}
	low, high := geom.Pt(0, w*.5-deep), geom.Pt(0, w*.16-deep)
	p.body(poly(face.Move(low)), p.linear(0, 0, 1, 0, tone(s.out, -4, 2), 0, tone(s.out, -14, 3), .5, tone(s.out, -24, 4), 1), s.out)
	p.path(poly(face.Move(high)), p.radial(.4, .5, .75, tone(s.cut, 10, 0), 0, tone(s.cut, 2, 0), .5, tone(s.out, -6, 2), 1), "stroke", tone(s.out, -16, 4), "stroke-width", ".4")
	for range 8 {
		q := high.Add(geom.Polar(math.Sqrt(p.r.Float64())*.82, p.between(0, 360)))
		p.dot(geom.Pt((q.X-high.X)*l*.48, high.Y+(q.Y-high.Y)*deep), p.between(.3, .7), tone(s.out, -24, 4), "opacity", ".6")
	}
}

// isRound reports whether a food that is stood on edge lies round when it lies flat.
func isRound(fd *food.Food) bool {
	return slices.ContainsFunc(fd.Forms, func(s food.Spec) bool { return s.Shape == "disc" })
}

// appleRing is a dried ring with a scalloped edge and a hole.
func appleRing(p *pen, s subject) {
	r := s.spec.L / 2
	p.body(smooth(s.outline), p.radial(.4, .4, .75, tone(s.out, 9, 0), 0, tone(s.out, 0, 0), .6, tone(s.out, -13, 5), 1), s.out)
	for range 26 {
		a := p.between(0, 360)
		p.line("M"+xy(geom.Polar(r*.32, a))+"Q"+xy(geom.Polar(r*.6, a+7))+" "+xy(geom.Polar(r*.9, a+2)), tone(s.out, p.between(-12, 8), 4), .8, "opacity", ".45")
	}
	p.dot(geom.Pt(0, 0), r*.22, "#5b4128", "opacity", ".8", "stroke", tone(s.out, -20, 5), "stroke-width", "1.2")
	p.line(smooth(s.outline.Scale(.95)), tone(s.out, -22, 8), 1, "opacity", ".6")
}

func bananaChip(p *pen, s subject) {
	p.body(smooth(s.outline), p.lit(s.out), s.out)
	p.line(smooth(s.outline.Scale(.86)), tone(s.out, 12, 0), 1, "opacity", ".6")
	r := s.spec.W / 2
	for i := range 9 {
		a := float64(i)*40 + s.turn
		p.line("M"+xy(geom.Polar(r*.14, a))+"L"+xy(geom.Polar(r*.34, a)), "#8a6428", .8, "opacity", ".6")
	}
	p.dot(geom.Pt(0, 0), r*.1, tone(s.out, -14, 4))
}

// shellOnEdge is two shells with cream between, standing.
func shellOnEdge(p *pen, s subject) {
	l, w := s.spec.L, s.spec.W
	for _, y := range []float64{-1, 1} {
		p.body(poly(geom.Box(l, w*.4, w*.16).Move(geom.Pt(0, y*w*.29))), p.linear(0, 0, 0, 1, tone(s.out, 9, 0), 0, tone(s.out, 0, 0), .5, tone(s.out, -11, 0), 1), s.out)
	}
	p.path(poly(geom.Box(l*.94, w*.26, w*.1)), tone(colour.Lab{L: 95, A: 2, B: 6}, 0, 0), "stroke", tone(s.out, -8, 0), "stroke-width", ".5")
	for i := range 11 {
		p.dot(geom.Pt(l*(-.45+float64(i)*.09), w*.15), 1, tone(s.out, 6, 0), "opacity", ".8")
		p.dot(geom.Pt(l*(-.45+float64(i)*.09), -w*.15), 1, tone(s.out, 6, 0), "opacity", ".8")
	}
}

func marshmallow(p *pen, s subject) {
	p.body(poly(s.outline), tone(s.out, -7, 2), s.out)
	p.path(smooth(geom.Ellipse(s.spec.L*.42, s.spec.W*.42, 14).Turn(s.turn).Move(geom.Pt(-.8, -1))), p.radial(.4, .35, .7, "#fffdfc", 0, tone(s.out, 3, 0), .6, tone(s.out, -5, 2), 1))
	for range 12 {
		p.dot(p.inside(s.outline, 2), p.between(.3, .7), "#ffffff", "opacity", ".7")
	}
	p.line(poly(s.outline.Scale(.93)), tone(s.out, -12, 3), .7, "opacity", ".5")
}

func truffle(p *pen, s subject) {
	ball(p, s, s.out, .15)
	for range 44 {
		p.dot(p.inside(s.outline, .8), p.between(.3, .9), []string{"#6d4a35", "#2b1812", "#80583f"}[p.r.IntN(3)], "opacity", ".7")
	}
}

func honeycomb(p *pen, s subject) {
	p.body(poly(s.outline), p.lit(s.cut), s.out)
	for range 22 {
		q := p.inside(s.outline, 1.6)
		p.dot(q, p.between(.7, 2.1), tone(s.cut, -18, 8), "opacity", ".75", "stroke", tone(s.cut, 16, 0), "stroke-width", ".4")
	}
	p.glint(s.outline.Centroid().Add(geom.Pt(-3, -4)), 4, 1.4, .5)
}

// popcorn is burst in round lobes with caramel on it.
func popcorn(p *pen, s subject) {
	r := math.Min(s.spec.L, s.spec.W) / 2
	p.body(smooth(s.outline), tone(s.out, -14, 6), s.out)
	for i := range 5 {
		q := geom.Polar(r*.46, float64(i)*72+s.turn+p.between(-14, 14))
		p.dot(q, r*p.between(.38, .52), p.radial(.36, .3, .85, "#fff8e6", 0, tone(s.cut, 8, 0), .5, tone(s.out, -10, 6), 1))
	}
	p.path(p.blob(geom.Pt(r*.1, 0), r*.34, r*.22, p.between(0, 180), 8, .25), "#c07a2c", "opacity", ".6")
}
