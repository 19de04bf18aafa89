package art

import "happytray/core/geom"

// terrineSlab is a slice with coarse pieces in it and a rim of pale fat.
func terrineSlab(p *pen, s subject) {
	p.body(poly(s.outline), "#ead9c0", s.out)
	in := s.outline.Scale(.92)
	p.path(poly(in), p.linear(0, 0, 1, 1, tone(s.cut, 6, 0), 0, tone(s.cut, 0, 0), .5, tone(s.cut, -8, 2), 1))
	for range 26 {
		q := p.inside(in, 2.5)
		p.path(p.blob(q, p.between(1, 3.8), p.between(.8, 2.6), p.between(0, 180), 7, .35), []string{tone(s.cut, 18, 0), tone(s.cut, -14, 0), "#ecdcc8", "#7c8a4c", tone(s.cut, 8, 4)}[p.r.IntN(5)], "opacity", ".75")
	}
}

// pastrySlab is pate in a baked crust with a line of jelly under it.
func pastrySlab(p *pen, s subject) {
	p.body(poly(s.outline), p.linear(0, 0, 1, 1, tone(s.out, 10, 0), 0, tone(s.out, 0, 0), .5, tone(s.out, -14, 4), 1), s.out)
	p.path(poly(s.outline.Scale(.84)), "#d8a24e", "opacity", ".9")
	in := s.outline.Scale(.78)
	p.path(poly(in), p.lit(s.cut))
	for range 24 {
		p.path(p.blob(p.inside(in, 2.4), p.between(1, 3.2), p.between(.8, 2.2), p.between(0, 180), 7, .35), []string{tone(s.cut, 16, 0), tone(s.cut, -13, 0), "#eddccb", "#7c8a4c"}[p.r.IntN(4)], "opacity", ".75")
	}
	for range 14 {
		p.dot(p.inside(s.outline, 1), p.between(.4, .9), tone(s.out, -18, 4), "opacity", ".5")
	}
}

// salmon is a gathered slice, moist, with pale lines in its grain.
func salmon(p *pen, s subject) {
	folds(p, s, s.cut, "#fbe3d0", 1)
	p.glint(geom.Pt(-s.spec.L*.14, -s.spec.W*.2), s.spec.L*.08, s.spec.W*.04, .4)
}

// sausageStick is a thin dry sausage with a wrinkled casing.
func sausageStick(p *pen, s subject) {
	l, w := s.spec.L, s.spec.W
	p.body(curve(s.outline), p.linear(0, 0, 0, 1, tone(s.out, 18, 0), 0, tone(s.out, 2, 0), .4, tone(s.out, -14, 0), 1), s.out)
	for range 16 {
		x := p.between(-.46, .3) * l
		p.line("M"+xy(geom.Pt(x, p.between(-.36, .1)*w))+"l"+f(p.between(4, 11))+" "+f(p.between(-.8, .8)), tone(s.out, p.between(-14, 16), 2), .5, "opacity", ".55")
	}
	p.oval(geom.Pt(l*.48, 0), w*.14, w*.36, 0, tone(s.cut, 8, 2))
	p.line("M"+xy(geom.Pt(-l*.42, -w*.24))+"L"+xy(geom.Pt(l*.38, -w*.24)), "#ffe9da", .9, "opacity", ".4")
}

// pepperCube is a cube with whole peppercorns in it.
func pepperCube(p *pen, s subject) { dotted(p, s, "#6d7442", "#414726", "#c3c890") }

// cranberryCube and truffleCube are cubes with what is mixed into the cheese.
func cranberryCube(p *pen, s subject) { dotted(p, s, "#a32332", "#6d1520", "#dc8a8e") }
func truffleCube(p *pen, s subject)   { dotted(p, s, "#3d342c", "#241d18", "#8a7d6c") }

func dotted(p *pen, s subject, inside, rim, shine string) {
	cube(p, s)
	for range 7 {
		q := p.inside(s.outline, 2)
		p.dot(q, p.between(1, 1.5), inside, "stroke", rim, "stroke-width", ".35")
		p.dot(q.Add(geom.Pt(-.4, -.4)), .35, shine, "opacity", ".8")
	}
}

// pyramid is an ashed goat cheese seen from above: four slopes and a flat top.
func pyramid(p *pen, s subject) {
	l := s.spec.L / 2
	p.body(poly(s.outline), tone(s.out, -10, 0), s.out)
	top := geom.Box(l*1.1, l*1.1, 4)
	for i, dl := range []float64{6, 1, -7, 2} { // matt: ash takes the light away
		a := float64(i)*90 + 45
		q, r := geom.Polar(l*1.36, a+90), geom.Polar(l*1.36, a+180)
		t, u := geom.Polar(l*.76, a+180), geom.Polar(l*.76, a+90)
		p.path(poly(geom.Outline{q, r, t, u}), tone(s.out, dl, 0))
	}
	p.path(curve(top), tone(s.out, 7, 1))
	ash(p, s, 46)
}

// ash is the soft bloom on a cheese rolled in it: pale mould growing through dark dust.
func ash(p *pen, s subject, n int) {
	for range n {
		q := p.inside(s.outline, 3)
		p.path(p.blob(q, p.between(2, 6), p.between(1.4, 4), p.between(0, 180), 9, .3), []string{"#e9e4d6", "#6d6c66", "#d3cec1"}[p.r.IntN(3)], "opacity", f(p.between(.22, .5)))
	}
	for range n {
		p.dot(p.inside(s.outline, 1.5), p.between(.3, .7), []string{"#3f3e3a", "#f4efe2"}[p.r.IntN(2)], "opacity", ".6")
	}
}

// woundStick is a breadstick with a slice of ham wound round its upper two thirds.
func woundStick(p *pen, s subject) {
	l, w := s.spec.L, s.spec.W
	stick := geom.Box(l*.98, w*.62, w*.3)
	p.body(poly(stick), p.linear(0, 0, 0, 1, tone(s.cut, 10, 0), 0, tone(s.cut, 0, 0), .5, tone(s.cut, -14, 4), 1), s.cut)
	for range 9 {
		p.dot(geom.Pt(p.between(l*.16, l*.46), p.between(-w*.2, w*.2)), .6, tone(s.cut, -16, 3), "opacity", ".6")
	}
	turns := 7
	step := l * .6 / float64(turns)
	for i := range turns {
		x := -l*.47 + step*float64(i)
		o := geom.Outline{{X: x, Y: w * .46}, {X: x + step*.55, Y: -w * .5}, {X: x + step*1.5, Y: -w * .46}, {X: x + step*1.02, Y: w * .5}}
		p.path(smooth(o), p.linear(0, 0, 0, 1, tone(s.out, 12, 0), 0, tone(s.out, 0, 0), .45, tone(s.out, -13, 2), 1), "stroke", tone(s.out, -20, 2), "stroke-width", ".4")
		p.line("M"+xy(o[1].Add(geom.Pt(.6, .6)))+"L"+xy(o[0].Add(geom.Pt(.6, -.6))), "#f3d9cf", 1.3, "opacity", ".85") // its rim of fat
		p.line("M"+xy(geom.Pt(x+step*.95, -w*.34))+"L"+xy(geom.Pt(x+step*.62, w*.3)), tone(s.out, -9, 0), .5, "opacity", ".5")
	}
}
