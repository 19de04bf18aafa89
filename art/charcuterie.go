package art

import "happytray/core/geom"

// terrineSlab is a slice from a loaf: a rim of fat that is thicker below, and in it coarse meat, lean and fat, in pieces
// of every size.
func terrineSlab(p *pen, s subject) {
	loaf := loafed(s)
	p.body(smooth(loaf), p.linear(0, 0, 1, 1, "#f4e8d4", 0, "#e9d8bc", .6, "#d3bd99", 1), s.out)
	in := loaf.Scale(.9).Move(geom.Pt(0, -s.spec.W*.015))
	p.path(smooth(in), p.linear(0, 0, 1, 1, tone(s.cut, 5, 0), 0, tone(s.cut, -1, 1), .5, tone(s.cut, -9, 2), 1))
	coarse(p, in, s)
	p.glint(loaf.Bounds().Min.Lerp(loaf.Bounds().Max, .3), 5, 1.2, .3)
}

// pastrySlab is pate in a baked crust: the crust brown without and pale within, a line of jelly under its lid.
func pastrySlab(p *pen, s subject) {
	loaf := loafed(s)
	if s.spec.Shape != "slab" { // cut further, it has its crust along one side
		cutPastry(p, s)
		return
	}
	p.body(smooth(loaf), p.linear(0, 0, 1, 1, tone(s.out, 6, 2), 0, tone(s.out, -4, 2), .5, tone(s.out, -18, 5), 1), s.out)
	p.path(smooth(loaf.Scale(.94)), "#e2b877")
	p.path(smooth(loaf.Scale(.85)), "#c98d3c", "opacity", ".85") // the jelly
	in := loaf.Scale(.8).Move(geom.Pt(0, s.spec.W*.02))
	p.path(smooth(in), p.linear(0, 0, 1, 1, tone(s.cut, 6, 0), 0, tone(s.cut, 0, 0), .5, tone(s.cut, -8, 2), 1))
	coarse(p, in, s)
	for range 22 {
		p.dot(p.inside(loaf, .6), p.between(.3, .8), tone(s.out, -22, 5), "opacity", ".35")
	}
}

// cutPastry is a triangle of it: the crust along its wide end.
func cutPastry(p *pen, s subject) {
	terrine(p, s)
	l, w := s.spec.L, s.spec.W
	p.turned(s.turn, func() {
		p.line("M"+xy(geom.Pt(l*.43, -w*.42))+"Q"+xy(geom.Pt(l*.49, 0))+" "+xy(geom.Pt(l*.43, w*.42)), tone(s.out, -8, 3), 3.4)
		p.line("M"+xy(geom.Pt(l*.39, -w*.38))+"Q"+xy(geom.Pt(l*.44, 0))+" "+xy(geom.Pt(l*.39, w*.38)), "#e2b877", 1.6)
	})
}

// loafed is the cross-section of what was baked in a tin: flat below, a little rounded above.
func loafed(s subject) geom.Outline {
	l, w := s.spec.L/2, s.spec.W/2
	o := geom.Outline{{X: -l * .98, Y: w * .9}, {X: -l * .6, Y: w}, {X: 0, Y: w}, {X: l * .6, Y: w}, {X: l * .98, Y: w * .9}, {X: l, Y: w * .2},
		{X: l * .97, Y: -w * .5}, {X: l * .8, Y: -w * .82}, {X: l * .4, Y: -w * .97}, {X: 0, Y: -w}, {X: -l * .4, Y: -w * .97}, {X: -l * .8, Y: -w * .82}, {X: -l * .97, Y: -w * .5}, {X: -l, Y: w * .2}}
	return o.Turn(s.turn)
}

// coarse is what a terrine is made of: lean and fat in pieces that lie against each other, a few nuts or herbs.
func coarse(p *pen, in geom.Outline, s subject) {
	b := in.Bounds()
	area := b.W() * b.H()
	for i := range int(area / 34) {
		q := p.inside(in, 1.4)
		big := i < int(area/150)
		rx, ry := p.between(.8, 2.1), p.between(.6, 1.4)
		if big {
			rx, ry = p.between(2.6, 5), p.between(1.6, 2.8)
		}
		fill := []string{tone(s.cut, -13, 1), tone(s.cut, 13, -2), tone(s.cut, -7, 5), "#efdcc8", tone(s.cut, 7, 3)}[p.r.IntN(5)]
		p.path(p.blob(q, rx, ry, p.between(0, 180), 7, .3), fill, "opacity", f(p.between(.55, .85)))
	}
	for range int(area / 420) {
		q := p.inside(in, 2.4)
		p.path(p.blob(q, p.between(1.2, 2.1), p.between(.9, 1.4), p.between(0, 180), 8, .2), "#93a257", "stroke", "#5f6d34", "stroke-width", ".3")
	}
	for range int(area / 130) {
		p.dot(p.inside(in, 1), p.between(.25, .5), "#2f2420", "opacity", ".75")
	}
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

// pyramid is an ashed goat cheese seen from above: four slopes under their bloom and a flat top, the edges between them
// rubbed pale.
func pyramid(p *pen, s subject) {
	l := s.spec.L / 2
	p.body(curve(jagged(p, s.outline, .02)), tone(s.out, -12, 2), s.out)
	low, high := l*1.36, l*.74
	for i, dl := range []float64{10, 5, -5, 2} { // the light comes from the upper left
		a := float64(i)*90 + 45
		q, r := geom.Polar(low, a+90), geom.Polar(low, a+180)
		t, u := geom.Polar(high, a+180), geom.Polar(high, a+90)
		p.path(smooth(geom.Outline{q, q.Lerp(r, .5), r, r.Lerp(t, .5), t, t.Lerp(u, .5), u, u.Lerp(q, .5)}), tone(s.out, dl, 1))
	}
	top := geom.Box(l*1.06, l*1.06, 5)
	p.path(curve(top), p.linear(0, 0, 1, 1, tone(s.out, 17, 2), 0, tone(s.out, 7, 2), 1))
	ash(p, s)
	for i := range 4 {
		a := float64(i)*90 + 45
		p.line("M"+xy(geom.Polar(high*1.04, a))+"L"+xy(geom.Polar(low*.93, a)), "#f3eee1", 2.2, "opacity", ".35")
	}
	p.line(curve(top), "#f7f2e6", 1.8, "opacity", ".4")
	// a first cut shows that it is white within
	a := 64.0
	o := geom.Outline{{}, geom.Polar(l*1.02, a-7), geom.Polar(l*1.1, a), geom.Polar(l*1.03, a+6)}
	p.path(poly(o), p.linear(0, 0, 1, 0, tone(s.cut, -9, 4), 0, tone(s.cut, 2, 0), .45, tone(s.cut, 4, 0), 1), "stroke", tone(s.out, -20, 2), "stroke-width", ".4", "stroke-linejoin", "round")
}

// ash is the soft bloom on a cheese rolled in it: a fine white fur over grey dust, in wrinkles, rubbed off in some places.
// Nothing of it has an edge.
func ash(p *pen, s subject) {
	b := s.outline.Bounds()
	area := b.W() * b.H()
	for range int(area / 40) { // the fur
		r := p.between(1.2, 3)
		p.oval(p.inside(s.outline, r*1.5), r*1.3, r, p.between(0, 180), "#f8f3e6", "opacity", f(p.between(.1, .24)))
	}
	for range int(area / 60) { // the wrinkles of its skin
		q, a := p.inside(s.outline, 3.4), p.between(0, 360)
		d := "M" + xy(q.Sub(geom.Polar(1.6, a))) + "Q" + xy(q.Add(geom.Polar(p.between(.5, 1.1), a+90))) + " " + xy(q.Add(geom.Polar(1.6, a)))
		p.line(d, "#fbf8ef", .9, "opacity", ".22")
		p.line(d, tone(s.out, -22, 2), .3, "opacity", ".25", "transform", "translate(.4 .6)")
	}
	for range int(area / 22) { // dust
		p.dot(p.inside(s.outline, .8), p.between(.16, .36), []string{"#4a4944", "#fbf7ec", "#6d6b64"}[p.r.IntN(3)], "opacity", ".45")
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
