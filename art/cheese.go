package art

import (
	"math"

	"happytray/core/colour"
	"happytray/core/geom"
)

// bloomy is a wedge or a whole of a white-rinded cheese: mottled bloom above,
// the paste a warm line along the cut edges.
func bloomy(p *pen, s subject) {
	d := poly(s.outline)
	if s.spec.Form == "whole" {
		d = smooth(s.outline)
	}
	p.body(d, p.radial(.4, .35, .8, "#fffaf0", 0, tone(s.out, 1, 0), .6, tone(s.out, -9, 4), 1), s.out)
	for range 16 {
		q := p.inside(s.outline, 4)
		col := "#ffffff"
		if p.r.Float64() < .4 {
			col = tone(s.out, -8, 3)
		}
		p.path(p.blob(q, p.between(1.5, 5), p.between(1, 3), p.between(0, 180), 8, .3), col, "opacity", ".45")
	}
	if s.spec.Shape == "sector" {
		n := len(s.outline)
		a, b := s.outline[1], s.outline[n-1]
		tip := s.outline[0]
		for _, q := range []geom.Point{a, b} {
			p.line("M"+xy(tip)+"L"+xy(q), tone(s.cut, -4, 10), 2.2)
			p.line("M"+xy(tip.Lerp(q, .04))+"L"+xy(q.Lerp(tip, .03)), tone(s.cut, 8, 4), .9)
		}
		rim := "M" + xy(a)
		for _, q := range s.outline[2:] {
			rim += "L" + xy(q)
		}
		p.line(rim, tone(s.out, -12, 5), .9, "opacity", ".7")
	}
}

// wheelSlice is a triangle from a firm wheel: paste, a rind at the wide end,
// a few eyes or crystals.
func wheelSlice(p *pen, s subject) {
	l, w := s.spec.L, s.spec.W
	p.turned(s.turn, func() {})
	p.body(poly(s.outline), p.linear(0, 0, .9, 1, tone(s.cut, 5, 0), 0, tone(s.cut, 0, 1), .6, tone(s.cut, -7, 4), 1), s.cut)
	p.turned(s.turn, func() {
		p.line("M"+xy(geom.Pt(l*.45, -w*.42))+"Q"+xy(geom.Pt(l*.515, 0))+" "+xy(geom.Pt(l*.45, w*.42)), tone(s.out, 0, 0), 3)
		p.line("M"+xy(geom.Pt(l*.42, -w*.39))+"Q"+xy(geom.Pt(l*.47, 0))+" "+xy(geom.Pt(l*.42, w*.39)), tone(s.cut, -9, 8), 1.1, "opacity", ".7")
		for range 5 {
			t := p.between(-.15, .4)
			at := geom.Pt(l*t, w*(t+.5)*.32*p.between(-1, 1))
			p.oval(at, p.between(.8, 2), p.between(.6, 1.3), p.between(0, 180), tone(s.cut, -11, 3), "opacity", ".8")
		}
		p.line("M"+xy(geom.Pt(-l*.48, -w*.05))+"L"+xy(geom.Pt(l*.42, -w*.46)), "#fffbe8", .7, "opacity", ".6")
	})
}

func smokedSlice(p *pen, s subject) {
	p.body(smooth(s.outline), tone(s.out, 0, 0), s.out)
	p.path(smooth(s.outline.Scale(.9)), p.lit(s.cut))
	for range 5 {
		p.dot(p.inside(s.outline, 7), p.between(.5, 1.2), tone(s.cut, -10, 3), "opacity", ".7")
	}
}

// cube is a cut block: its top face shifted towards the light on darker sides.
func cube(p *pen, s subject) {
	c := s.cut
	p.body(poly(s.outline), tone(c, -16, 3), c)
	h := math.Min(2.4, s.spec.H*.12)
	top := s.outline.Scale(.86).Move(geom.Pt(-h*.45, -h*.55))
	p.path(poly(top), p.linear(0, 0, 1, 1, tone(c, 8, 0), 0, tone(c, 1, 0), .6, tone(c, -5, 2), 1), "stroke", tone(c, 10, 0), "stroke-width", ".35", "stroke-linejoin", "round")
	for range 3 {
		p.oval(p.inside(top, 2), p.between(.3, .9), p.between(.2, .5), p.between(0, 180), tone(c, -9, 3), "opacity", ".6")
	}
}

// crumbled is a lump broken by hand: facets and pale crystals.
func crumbled(p *pen, s subject) {
	c := s.cut
	p.body(poly(s.outline), p.lit(c), c)
	m := s.outline.Centroid().Add(geom.Pt(p.between(-3, 1), p.between(-3, 1)))
	n := len(s.outline)
	step := max(1, n/4)
	for i := 0; i < n; i += step {
		j := (i + step) % n
		dl := 4.0
		if mid := s.outline[i].Lerp(s.outline[j], .5).Sub(m); mid.X+mid.Y > 0 {
			dl = -9
		}
		p.path("M"+xy(m)+"L"+xy(s.outline[i])+"L"+xy(s.outline[(i+step/2)%n])+"L"+xy(s.outline[j])+"Z", tone(c, dl+p.between(-2, 2), 2), "opacity", ".55")
	}
	for range 7 {
		p.dot(p.inside(s.outline, 2), p.between(.3, .7), "#fffbe9", "opacity", ".8")
	}
}

func goatLog(p *pen, s subject) {
	d := smooth(s.outline)
	l, w := s.spec.L, s.spec.W
	if s.out.L < 80 { // rolled in ash: matt, the light hardly shows
		p.body(d, p.linear(0, 0, 0, 1, tone(s.out, 5, 1), 0, tone(s.out, 0, 0), .5, tone(s.out, -9, 0), 1), s.out)
		ash(p, s, 40)
		p.path(p.blob(geom.Pt(l*.46, 0), 3.4, w*.42, 0, 12, .05), tone(s.cut, 1, 0), "stroke", tone(s.out, -14, 3), "stroke-width", ".8")
		return
	}
	p.body(d, p.linear(0, 0, 0, 1, "#fffdf6", 0, tone(s.out, 0, 0), .45, tone(s.out, -14, 4), 1), s.out)
	for i := range 9 {
		x := -l*.42 + float64(i)*l*.105
		p.line("M"+xy(geom.Pt(x, -w*.4))+"q"+f(p.between(-2, 2))+" "+f(w*.4)+" "+f(p.between(-1, 1))+" "+f(w*.78), tone(s.out, -9, 2), .5, "opacity", ".5")
	}
	for range 24 { // cracked herbs and pepper
		p.dot(p.inside(s.outline, 3), p.between(.25, .6), []string{"#5c6b3f", "#3d3a30", "#8a8f6a"}[p.r.IntN(3)], "opacity", ".6")
	}
	p.path(p.blob(geom.Pt(l*.46, 0), 3.4, w*.42, 0, 12, .05), tone(s.cut, 1, 0), "stroke", tone(s.out, -14, 3), "stroke-width", ".5")
}

func blueWedge(p *pen, s subject) {
	p.body(poly(s.outline), p.linear(0, 0, .6, 1, "#f6f2e2", 0, tone(s.cut, -1, 2), .5, tone(s.cut, -12, 5), 1), s.cut)
	l, w := s.spec.L, s.spec.W
	p.line("M"+xy(geom.Pt(l*.4, -w*.48))+"Q"+xy(geom.Pt(l*.54, 0))+" "+xy(geom.Pt(l*.4, w*.48)), tone(s.out, -22, 10), 2.4, "opacity", ".8")
	for range 26 {
		q := p.inside(s.outline, 2.5)
		p.path(p.blob(q, p.between(.9, 3.2), p.between(.5, 1.4), p.between(0, 180), 7, .4), []string{"#5d7a78", "#47626a", "#7f9690"}[p.r.IntN(3)], "opacity", f(p.between(.45, .85)))
	}
	p.line("M"+xy(geom.Pt(-l*.46, w*.05))+"L"+xy(geom.Pt(l*.38, w*.47)), tone(s.cut, -20, 6), 1.6, "opacity", ".5")
	p.line("M"+xy(geom.Pt(-l*.46, -w*.05))+"L"+xy(geom.Pt(l*.38, -w*.47)), "#fffdf2", .8, "opacity", ".8")
}

func washedSquare(p *pen, s subject) {
	p.body(poly(s.outline), p.radial(.4, .35, .8, tone(s.out, 9, 4), 0, tone(s.out, 0, 0), .6, tone(s.out, -12, 4), 1), s.out)
	l := s.spec.L
	for i := range 8 {
		x := -l*.42 + float64(i)*l*.12
		p.line("M"+f(x)+" "+f(-l*.45)+"q1.5 "+f(l*.45)+" 0 "+f(l*.9), tone(s.out, -9, 3), .8, "opacity", ".5")
	}
	for range 18 {
		p.path(p.blob(p.inside(s.outline, 4), p.between(1, 4), p.between(1, 2.4), p.between(0, 180), 8, .3), tone(s.out, 14, -4), "opacity", ".35")
	}
	p.path("M"+xy(geom.Pt(l*.1, l*.46))+"L"+xy(geom.Pt(l*.46, l*.46))+"L"+xy(geom.Pt(l*.46, l*.1))+"Z", tone(s.cut, 2, 4), "stroke", tone(s.cut, -16, 8), "stroke-width", ".6")
}

func curd(p *pen, s subject) {
	p.body(smooth(s.outline), p.radial(.36, .3, .8, "#fffefa", 0, "#f6f1e4", .55, "#d8d0bd", 1), s.out)
	p.glint(geom.Pt(-s.spec.L*.14, -s.spec.L*.17), 3, 1.8, .8)
}

// jelly is a sugared, translucent cube.
func jelly(p *pen, s subject) {
	cube(p, s)
	for range 9 {
		p.dot(p.inside(s.outline, 1.5), .35, "#fff6ea", "opacity", ".75")
	}
}

func chocolate(p *pen, s subject) {
	c := s.out
	p.body(poly(s.outline), tone(c, -6, 0), c)
	in := s.outline.Scale(.8)
	p.path(poly(in), p.linear(0, 0, 1, 1, tone(c, 13, 2), 0, tone(c, 3, 0), .5, tone(c, -2, 0), 1), "stroke", tone(c, 15, 3), "stroke-width", ".4")
	p.glint(in.Bounds().Min.Lerp(in.Bounds().Max, .3), 3, .9, .22)
}

func lab(hex string) colour.Lab { return colour.Must(hex) }

// caraway, herbs and eyes are what a block or wheel is known by.
func carawayCube(p *pen, s subject) {
	cube(p, s)
	for range int(s.spec.L * s.spec.W / 26) {
		p.oval(p.inside(s.outline, 2), 1.7, .5, p.between(0, 180), "#6b4d26", "opacity", ".85")
	}
}

func herbCube(p *pen, s subject) {
	cube(p, s)
	for range int(s.spec.L * s.spec.W / 14) {
		p.path(p.blob(p.inside(s.outline, 1.6), p.between(.5, 1.3), p.between(.3, .7), p.between(0, 180), 6, .4), []string{"#5f7a35", "#7d9448", "#48602a"}[p.r.IntN(3)], "opacity", ".85")
	}
}

func eyedWheel(p *pen, s subject) {
	if s.spec.Shape == "triangle" {
		wheelSlice(p, s)
	} else {
		cube(p, s)
	}
	for range 4 {
		q := p.inside(s.outline, 3.6)
		r := p.between(1.6, 3.4)
		p.oval(q, r, r*.82, p.between(0, 90), p.radial(.6, .65, .7, tone(s.cut, 4, 0), 0, tone(s.cut, -14, 4), .7, tone(s.cut, -24, 6), 1))
		p.line("M"+xy(q.Add(geom.Pt(-r*.7, r*.5)))+"A"+f(r)+" "+f(r)+" 0 0 0 "+xy(q.Add(geom.Pt(r*.8, r*.3))), tone(s.cut, 12, 0), .5, "opacity", ".8")
	}
}
