package art

import (
	"math"

	"happytray/core/colour"
	"happytray/core/food"
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
	top := within(s.outline, math.Min(1.5, math.Min(s.spec.L, s.spec.W)*.07)).Move(geom.Pt(-h*.3, -h*.36))
	p.path(poly(top), p.linear(0, 0, 1, 1, tone(c, 8, 0), 0, tone(c, 1, 0), .6, tone(c, -5, 2), 1), "stroke", tone(c, 10, 0), "stroke-width", ".35", "stroke-linejoin", "round")
	for range 3 {
		p.oval(p.inside(top, 2), p.between(.3, .9), p.between(.2, .5), p.between(0, 180), tone(c, -9, 3), "opacity", ".6")
	}
}

// crumbled is a lump broken off by hand: a rough top whose planes meet in ridges, the side away from the light in its
// own shade, pale crystals, and on some the rind that it broke along.
func crumbled(p *pen, s subject) {
	c := s.cut
	o := jagged(p, s.outline, .07)
	p.body(poly(o), p.linear(0, 0, 1, 1, tone(c, -6, 3), 0, tone(c, -13, 4), .5, tone(c, -21, 5), 1), c)
	b := s.outline.Bounds()
	size := math.Min(b.W(), b.H())
	if p.r.Float64() < .35 && s.food.Category == food.Cheese && s.food.Rind != "" {
		k := p.r.IntN(len(o))
		d := "M" + xy(o[k])
		for n := 1; n <= len(o)/3; n++ {
			d += "L" + xy(o[(k+n)%len(o)])
		}
		p.path(d, "none", "stroke", tone(s.out, 0, 0), "stroke-width", f(size*.12), "stroke-linejoin", "round")
	}
	// the broken face lies towards the light, its planes round a ridge that wanders over it
	top := jagged(p, s.outline.Scale(.84), .06).Move(geom.Pt(-size*.05, -size*.06))
	p.path(poly(top), tone(c, 2, 1))
	a := p.between(0, 360)
	from, to := geom.Polar(size*.26, a), geom.Polar(size*.26, a+180+p.between(-30, 30))
	m := s.outline.Centroid()
	from, to = m.Add(from), m.Add(to)
	n := len(top)
	for i := range n {
		q, r := top[i], top[(i+1)%n]
		mid := q.Lerp(r, .5).Sub(m)
		shade := -(mid.X + mid.Y) / size * 11
		ridge := func(q geom.Point) geom.Point {
			if q.Dist(to) < q.Dist(from) {
				return to
			}
			return from
		}
		plane := geom.Outline{q, r, ridge(r)}
		if ridge(q) != ridge(r) {
			plane = append(plane, ridge(q))
		}
		p.path(poly(plane), tone(c, shade+p.between(-3.5, 3.5), 1), "stroke", tone(c, shade-3, 2), "stroke-width", ".2", "stroke-linejoin", "round")
	}
	for range int(size * .7) { // the grain that it broke along
		q := p.inside(top, 1.2)
		p.line("M"+xy(q)+"l"+f(p.between(.6, 2.2))+" "+f(p.between(-1, 1)), tone(c, []float64{9, -13}[p.r.IntN(2)], 2), .4, "opacity", ".6")
	}
	for range 6 {
		p.dot(p.inside(top, 1.6), p.between(.25, .6), "#fffbe9", "opacity", ".85")
	}
}

// jagged is an outline with a point between each two of its own, none of them where one would expect it: of its breadth by so much.
func jagged(p *pen, o geom.Outline, rough float64) geom.Outline {
	b := o.Bounds()
	by := math.Min(b.W(), b.H()) * rough
	m := o.Centroid()
	out := make(geom.Outline, 0, 2*len(o))
	for i, q := range o {
		in := func(q geom.Point) geom.Point {
			to := m.Sub(q)
			return q.Add(to.Mul(p.between(0, by) / math.Max(1, to.Len())))
		}
		out = append(out, in(q))
		if len(o) < 14 {
			out = append(out, in(q.Lerp(o[(i+1)%len(o)], p.between(.35, .65))))
		}
	}
	return out
}

// goatLog is a log of goat's cheese under ash, or with herbs and pepper, or a coin of it: white, in the rind of the log.
func goatLog(p *pen, s subject) {
	if s.spec.Shape == "disc" {
		logCoin(p, s)
		return
	}
	d := smooth(s.outline)
	l, w := s.spec.L, s.spec.W
	if s.out.L < 80 { // rolled in ash: matt, the light hardly shows
		p.body(d, p.linear(0, 0, 0, 1, tone(s.out, 5, 1), 0, tone(s.out, 0, 0), .5, tone(s.out, -9, 0), 1), s.out)
		ash(p, s)
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

func logCoin(p *pen, s subject) {
	ashed := s.out.L < 80
	p.body(smooth(s.outline), tone(s.out, -4, 1), s.out)
	p.path(smooth(s.outline.Scale(.9)), p.radial(.4, .36, .8, tone(s.cut, 5, 0), 0, tone(s.cut, 1, 1), .6, tone(s.cut, -7, 4), 1))
	in := s.outline.Scale(.82)
	for range 9 { // where the wire tore it
		q := p.inside(in, 2)
		p.line("M"+xy(q)+"l"+f(p.between(1, 4))+" "+f(p.between(-.6, .6)), tone(s.cut, -9, 3), .5, "opacity", ".5")
	}
	for range 22 {
		a := p.between(0, 360)
		col := "#5c6b3f"
		if ashed {
			col = "#4c4b46"
		}
		p.dot(geom.Polar(s.spec.L*p.between(.43, .475), a), p.between(.25, .6), col, "opacity", ".6")
	}
}

// blueWedge is a wedge or a slice of a blue cheese: a cream paste with veins that run in from the rind, each a line of
// mould in holes and cracks, blue in its middle and paler to its edge.
func blueWedge(p *pen, s subject) {
	l, w := s.spec.L, s.spec.W
	paste := s.cut
	paste.B += 5 // cream, not stone
	paste.L += 2
	if s.spec.Shape == "lump" {
		s.cut = paste
		crumbled(p, s)
		veins(p, s.outline.Scale(.9), geom.Polar(1, p.between(0, 360)), math.Max(l, w))
		return
	}
	p.body(poly(s.outline), p.linear(0, 0, .6, 1, tone(paste, 5, 0), 0, tone(paste, 0, 1), .5, tone(paste, -10, 6), 1), paste)
	p.turned(s.turn, func() {
		p.line("M"+xy(geom.Pt(l*.42, -w*.42))+"Q"+xy(geom.Pt(l*.52, 0))+" "+xy(geom.Pt(l*.42, w*.42)), tone(s.out, -26, 12), math.Max(1.2, w*.04), "opacity", ".75")
	})
	veins(p, s.outline, geom.Pt(1, 0), math.Max(l, w))
	p.turned(s.turn, func() {
		p.line("M"+xy(geom.Pt(-l*.46, w*.03))+"L"+xy(geom.Pt(l*.36, w*.44)), tone(paste, -20, 8), .9, "opacity", ".5")
		p.line("M"+xy(geom.Pt(-l*.46, -w*.03))+"L"+xy(geom.Pt(l*.36, -w*.44)), "#fffdf2", .8, "opacity", ".8")
	})
}

// veins are lines of blue mould through a paste, running about the way that is given.
func veins(p *pen, o geom.Outline, way geom.Point, size float64) {
	blue := [][2]string{{"#3f5f70", "#9fb3b4"}, {"#4a6f78", "#a9bcb6"}, {"#566f62", "#b3bfa6"}}
	spot := func(q geom.Point, r float64) {
		if !o.Contains(q) || o.EdgeDistance(q) < r*.5 {
			return
		}
		k := blue[p.r.IntN(len(blue))]
		a := p.between(0, 180)
		p.path(p.blob(q, r*1.5, r*.95, a, 8, .35), k[1], "opacity", ".6")
		p.path(p.blob(q, r*.95, r*.5, a, 7, .4), k[0], "opacity", f(p.between(.65, .9)))
	}
	n := int(math.Max(5, size/13))
	for range n {
		q := p.inside(o, 2)
		step := size * .045
		a := math.Atan2(way.Y, way.X)*180/math.Pi + p.between(-35, 35)
		for k := range 3 + p.r.IntN(5) {
			spot(q, math.Max(.7, size*p.between(.012, .03)*(1.2-.1*float64(k))))
			q = q.Add(geom.Polar(step*p.between(.7, 1.5), a))
			a += p.between(-28, 28)
		}
	}
	for range n { // and by itself, in a hole
		spot(p.inside(o, 2), math.Max(.6, size*p.between(.012, .026)))
	}
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
