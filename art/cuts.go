package art

import (
	"math"

	"happytray/core/food"
	"happytray/core/geom"
)

// begunWedge is a wedge of a wheel, or the end of a block, with slices off it that lean on each other towards the front.
func begunWedge(p *pen, s subject) {
	l, w := s.spec.L, s.spec.W
	block := blocky(s.food)
	behind := geom.Outline{{X: -l / 2, Y: -w * .3}, {X: l * .36, Y: -w / 2}, {X: l * .47, Y: -w * .34}, {X: l / 2, Y: -w * .12}, {X: l * .46, Y: w * .06}, {X: -l * .46, Y: w * .02}}
	if block {
		behind = geom.Box(l*.82, w*.42, 3).Move(geom.Pt(l*.05, -w*.15))
	}
	p.body(poly(behind), p.linear(0, 0, .5, 1, tone(s.cut, 6, 0), 0, tone(s.cut, 0, 1), .5, tone(s.cut, -10, 4), 1), s.cut)
	if !block {
		p.line("M"+xy(geom.Pt(l*.36, -w*.47))+"Q"+xy(geom.Pt(l*.53, -w*.26))+" "+xy(geom.Pt(l*.45, w*.05)), tone(s.out, 0, 0), 4)
		p.line("M"+xy(geom.Pt(l*.33, -w*.44))+"Q"+xy(geom.Pt(l*.48, -w*.25))+" "+xy(geom.Pt(l*.41, w*.03)), tone(s.cut, -9, 8), 1.2, "opacity", ".7")
	}
	for range 8 {
		p.oval(p.inside(behind, 5), p.between(.8, 2), p.between(.6, 1.3), p.between(0, 180), tone(s.cut, -11, 3), "opacity", ".75")
	}
	// the cut face, in its own shade, and what leans on it
	face := geom.Outline{{X: -l * .44, Y: w * .01}, {X: l * .45, Y: w * .05}, {X: l * .43, Y: w * .12}, {X: -l * .43, Y: w * .08}}
	p.path(poly(face), tone(s.cut, -17, 5), "opacity", ".8")
	n := max(3, s.spec.N)
	for i := range n {
		at := float64(i) / float64(n)
		y := w * (.07 + .33*at)
		shift := p.between(-2, 2)
		tip, end := -l*(.42-.04*at)+shift, l*(.44-.03*at)+shift
		o := geom.Outline{{X: tip, Y: y}, {X: end - 3, Y: y - w*.015}, {X: end, Y: y + w*.06}, {X: end - 2, Y: y + w*.13}, {X: tip + 3, Y: y + w*.045}}
		if block {
			o = geom.Box(end-tip, w*.13, 1.5).Move(geom.Pt((tip+end)/2, y+w*.05))
		}
		p.path(poly(o.Move(geom.Pt(.8, 1.6))), "#3a2413", "opacity", ".2")
		p.body(poly(o), p.linear(0, 0, .2, 1, tone(s.cut, 8-2*at, 0), 0, tone(s.cut, 1, 1), .5, tone(s.cut, -9, 4), 1), s.cut)
		if !block {
			p.line("M"+xy(geom.Pt(end-2.4, y))+"Q"+xy(geom.Pt(end+.4, y+w*.06))+" "+xy(geom.Pt(end-1.6, y+w*.12)), tone(s.out, 0, 0), 2.2)
		}
		p.line("M"+xy(geom.Pt(tip+2, y+.6))+"L"+xy(geom.Pt(end-4, y)), "#fffbe8", .7, "opacity", ".55")
	}
}

// blocky reports whether a cheese is cut from a block and not from a wheel.
func blocky(f *food.Food) bool {
	for _, s := range f.Forms {
		if s.Shape == "slab" {
			return true
		}
		if s.Shape == "triangle" || s.Shape == "lump" {
			return false
		}
	}
	return true
}

// pressedOpen is half a fruit, or a gherkin, sliced nearly through and pressed open: blades that hold together at the
// stalk, cut face up, skin along their edges.
func pressedOpen(p *pen, s subject) {
	p.turned(s.turn, func() {
		l, w := s.spec.L, s.spec.W
		n := 6
		if l < 50 {
			n = 5
		}
		stalk := geom.Pt(-l*.47, 0)
		for i := n - 1; i >= 0; i-- {
			t := (float64(i)/float64(n-1) - .5) * 2 // -1 to 1 across the fan
			end := geom.Pt(l*(.5-.16*t*t), w*.42*t)
			side := end.Sub(stalk)
			across := geom.Pt(-side.Y, side.X).Mul(1 / math.Max(1, side.Len()))
			fat := w * .34
			mid := stalk.Lerp(end, .66)
			skin, flesh := mid.Add(across.Mul(fat*.5)), mid.Add(across.Mul(-fat*.5))
			d := "M" + xy(stalk) + "Q" + xy(skin) + " " + xy(end) + "Q" + xy(flesh.Lerp(end, .1)) + " " + xy(stalk) + "Z"
			p.path(d, p.linear(0, 0, 0, 1, tone(s.cut, 7, 0), 0, tone(s.cut, 0, 0), .6, tone(s.cut, -8, 3), 1), "stroke", tone(s.out, -16, 2), "stroke-width", ".5")
			p.line("M"+xy(stalk)+"Q"+xy(skin)+" "+xy(end), tone(s.out, 0, 0), math.Max(.9, w*.035))
			if s.food.Category == food.Fruit {
				p.line("M"+xy(stalk.Lerp(end, .3))+"L"+xy(stalk.Lerp(end, .8)), tone(s.cut, -7, 4), .6, "opacity", ".55")
			}
		}
		switch {
		case s.food.Category != food.Fruit:
		case s.out.A > 30: // a red berry keeps its leaves
			for _, a := range []float64{150, 180, 210} {
				p.oval(stalk.Add(geom.Polar(w*.1, a)), w*.13, w*.06, a, "#5f8a3f", "stroke", "#3f6428", "stroke-width", ".4")
			}
		default:
			p.line("M"+xy(stalk)+"q-4 -1 -6 -4", "#6b4d2a", 1.8)
		}
	})
}

// stoodFan is a whole pear sliced from below and stood up, seen from above: blades turned about the stalk, cut face, skin along
// one edge of each, the stalk in the middle.
func stoodFan(p *pen, s subject) {
	r := math.Min(s.spec.L, s.spec.W) / 2
	const blades = 9
	first := p.between(0, 360)
	p.oval(geom.Pt(0, 0), r*.9, r*.9, 0, tone(s.out, -22, 2)) // between the blades one looks down on skin in the shade
	for i := range blades {
		a := first + float64(i)*360/blades
		tip, back := geom.Polar(r*.99, a-4), geom.Polar(r*.9, a+34)
		skin, flesh := geom.Polar(r*.86, a-26), geom.Polar(r*.62, a+44)
		d := "M0 0Q" + xy(skin) + " " + xy(tip) + "Q" + xy(geom.Polar(r*1.02, a+16)) + " " + xy(back) + "Q" + xy(flesh) + " 0 0Z"
		p.path(d, p.linear(0, 0, 1, 1, tone(s.cut, 6, 0), 0, tone(s.cut, -2, 2), .6, tone(s.cut, -10, 4), 1), "stroke", tone(s.out, -18, 2), "stroke-width", ".5")
		p.line("M"+xy(skin.Mul(.3))+"Q"+xy(skin)+" "+xy(tip), tone(s.out, 0, 0), math.Max(1.4, r*.1))
		p.line("M"+xy(geom.Polar(r*.35, a+8))+"L"+xy(geom.Polar(r*.75, a+10)), tone(s.cut, -8, 4), .6, "opacity", ".5")
	}
	p.oval(geom.Pt(0, 0), r*.3, r*.28, first, tone(s.out, 4, 0), "stroke", tone(s.out, -16, 2), "stroke-width", ".6")
	p.oval(geom.Pt(-r*.08, -r*.09), r*.12, r*.07, 35, tone(s.out, 20, 0), "opacity", ".6")
	p.line("M0 0q3 -3 2 -8", "#6b4d2a", 2.2)
}

// loopRing is something hollow cut across: a pepper with its ribs.
func loopRing(p *pen, s subject) {
	r := math.Min(s.spec.L, s.spec.W) / 2
	var outer, inner geom.Outline
	lobes := 3 + p.r.IntN(2)
	turn := p.between(0, 2*math.Pi)
	for i := range 36 {
		a := float64(i) * 2 * math.Pi / 36
		k := 1 + .07*math.Cos(float64(lobes)*a+turn)
		outer = append(outer, geom.Polar(r*.97*k/1.07, a*180/math.Pi))
		inner = append(inner, geom.Polar(r*.78*k/1.07*(1+.05*math.Cos(float64(lobes)*a+turn)), a*180/math.Pi))
	}
	p.path(smooth(outer)+smooth(inner), p.linear(0, 0, 1, 1, tone(s.cut, 10, 2), 0, tone(s.cut, 0, 0), .5, tone(s.cut, -10, 2), 1), "fill-rule", "evenodd", "stroke", tone(s.out, -14, 2), "stroke-width", ".6")
	p.line(smooth(outer), tone(s.out, 0, 0), r*.07)
	for i := range lobes { // the pale ribs reach inwards where it waves in
		a := (math.Pi - turn + 2*math.Pi*float64(i)) / float64(lobes) * 180 / math.Pi
		p.line("M"+xy(geom.Polar(r*.76, a))+"L"+xy(geom.Polar(r*.5, a+6)), tone(s.cut, 24, -6), r*.07, "opacity", ".85")
	}
	p.glint(geom.Pt(-r*.55, -r*.6), r*.2, r*.05, .6)
}

// pinch is seeds, arils, leaves or petals strewn over what lies there, with that showing between.
func pinch(p *pen, s subject) {
	r := math.Min(s.spec.L, s.spec.W) / 2
	size := 2.2
	for _, own := range s.food.Forms {
		if own.Form == "drift" || own.Form == "bowl" && own.Shape != "vessel" {
			size = math.Max(1.5, math.Min(own.L, own.W)*.45)
		}
	}
	green := s.food.Category == food.Garnish
	n := 17
	for i := range n {
		at := geom.Polar(r*math.Sqrt((float64(i)+.4)/float64(n))*.95, 137.508*float64(i)+p.between(-14, 14))
		if green {
			a := p.between(0, 360)
			p.oval(at, p.between(2.6, 4.2), p.between(1, 1.6), a, tone(s.out, p.between(-7, 9), 2), "stroke", tone(s.out, -16, 0), "stroke-width", ".25")
			p.line("M"+xy(at.Sub(geom.Polar(2.2, a)))+"L"+xy(at.Add(geom.Polar(2.2, a))), tone(s.out, 14, 2), .3, "opacity", ".6")
			continue
		}
		dl := p.between(-8, 8)
		k := s.out
		k.L += dl
		p.oval(at.Add(geom.Pt(.5, .8)), size*.95, size*.75, p.between(0, 180), "#3a2413", "opacity", ".22")
		p.oval(at, size, size*p.between(.68, .86), p.between(0, 180), p.radial(.36, .3, .8, tone(k, 15, 2), 0, tone(k, 1, 0), .5, tone(k, -12, 0), 1), "stroke", tone(k, -18, 0), "stroke-width", ".25")
		p.dot(at.Add(geom.Pt(-size*.3, -size*.3)), size*.16, "#fffdf4", "opacity", ".65")
	}
}

// drizzle is a thread of something that flows, to and fro, thick where it turns.
func drizzle(p *pen, s subject) {
	l, w := s.spec.L*.46, s.spec.W*.44
	turns := 6
	d, lit := "", ""
	for i := 0; i <= turns; i++ {
		x := -l + 2*l*float64(i)/float64(turns)
		y := w * math.Sqrt(math.Max(0, 1-x*x/(l*l*1.08))) * p.between(.8, 1)
		if i%2 == 1 {
			y = -y
		}
		q := geom.Pt(x+p.between(-1.5, 1.5), y)
		if i == 0 {
			d, lit = "M"+xy(q), "M"+xy(q.Add(geom.Pt(-.3, -.4)))
			continue
		}
		bow := geom.Pt(x-l/float64(turns)*.6, y*1.12)
		d += "Q" + xy(bow) + " " + xy(q)
		lit += "Q" + xy(bow.Add(geom.Pt(-.3, -.4))) + " " + xy(q.Add(geom.Pt(-.3, -.4)))
		p.dot(q, p.between(1.3, 1.9), tone(s.out, -2, 0), "opacity", ".9")
	}
	p.line(d, tone(s.out, -14, 0), 2.6, "opacity", ".55")
	p.line(d, tone(s.out, 4, 2), 1.9, "opacity", ".9")
	p.line(lit, "#fff6dc", .5, "opacity", ".7")
	for range 4 {
		p.dot(geom.Pt(p.between(-l, l), p.between(-w, w)), p.between(.6, 1.2), tone(s.out, 2, 0), "opacity", ".9")
	}
}
