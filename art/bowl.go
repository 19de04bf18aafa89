package art

import (
	"fmt"
	"math"

	"happytray/core/board"
	"happytray/core/colour"
	"happytray/core/food"
	"happytray/core/geom"
)

// bowlFrom draws a vessel from above with what is in it: rim, wall, a dark inner
// ring, and a swirl of dip or a heap of pieces.
func bowlFrom(least Least, v board.Vessel, fd *food.Food, s food.Spec, defs map[string]string) string {
	key := fmt.Sprintf("bowl|%v|%v|%s", least, v, spriteKey{*fd, s.Form, 0}.key())
	return remembered(key, defs, func(defs map[string]string) string { return bowl(least, v, fd, s, defs) })
}

func bowl(least Least, v board.Vessel, fd *food.Food, s food.Spec, defs map[string]string) string {
	p := newPen(defs, least, v.ID, fd.ID)
	m := wall(p, v)
	switch {
	case s.Form == "upright":
		upright(p, m, fd, s)
	case s.Form == "flower":
		flower(p, m, fd)
	case s.Form == "pot":
		pot(p, m, fd)
	case s.Shape == "vessel":
		spread(p, m, fd)
	default:
		heaped(p, m, fd, s)
	}
	return p.String()
}

// empty draws a vessel with nothing in it, down to its floor.
func empty(v board.Vessel, defs map[string]string) string {
	p := newPen(defs, 0, v.ID)
	m := wall(p, v)
	c := colour.Must(v.Colour)
	p.path(curve(m.outline), p.linear(0, 0, 1, 1, tone(c, -20, 1), 0, tone(c, -8, 0), .55, tone(c, 3, 0), 1), "stroke", tone(c, -24, 0), "stroke-width", ".5")
	floor := m.outline.Scale(.62)
	p.path(curve(floor), p.radial(.55, .58, .7, tone(c, 6, 0), 0, tone(c, -4, 0), .7, tone(c, -12, 0), 1), "opacity", ".8")
	return p.String()
}

// wall draws a vessel's rim and wall and gives its mouth.
func wall(p *pen, v board.Vessel) mouth {
	c := colour.Must(v.Colour)
	o := v.Footprint()
	r := math.Sqrt(o.Area() / math.Pi)
	d := curve(o.Scale(.99))
	switch v.Material {
	case board.Hollowed:
		hollowed(p, v, c, o)
	case "glass":
		p.path(d, p.radial(.4, .35, .75, "#f4f8f7", 0, tone(c, -2, 0), .75, tone(c, -16, 0), 1), "stroke", tone(c, -28, 0), "stroke-width", ".6", "opacity", ".9")
	default:
		p.path(d, p.linear(0, 0, 1, 1, tone(c, 12, 0), 0, tone(c, 0, 0), .5, tone(c, -18, 2), 1), "stroke", tone(c, -28, 2), "stroke-width", ".6")
	}
	if v.Material == "wood" && v.Round() {
		for i := range 5 {
			p.line("M"+xy(geom.Polar(r*.96, 200+float64(i)*9))+"A"+f(r)+" "+f(r)+" 0 0 1 "+xy(geom.Polar(r*.95, 250+float64(i)*14)), tone(c, -10, 3), .5, "opacity", ".6")
		}
	}
	// walls are as thick all round, so a long dish is not a stretched round one
	p.path(curve(within(o, r*.14)), p.linear(0, 0, 1, 1, tone(c, -26, 2), 0, tone(c, -10, 0), .6, tone(c, 5, 0), 1))
	return mouthOf(within(o, r*.2))
}

// hollowed is the skin and flesh of a vegetable that serves as a bowl.
func hollowed(p *pen, v board.Vessel, c colour.Lab, o geom.Outline) {
	r := v.Across() / 2
	wavy := make(geom.Outline, 0, 40)
	for i := range 40 {
		a := float64(i) * 9
		wavy = append(wavy, geom.Polar(r*(.97+.03*math.Cos(a*5*math.Pi/180)), a))
	}
	p.path(smooth(wavy), p.radial(.36, .32, .8, tone(c, 14, 2), 0, tone(c, 0, 0), .6, tone(c, -18, 2), 1), "stroke", tone(c, -26, 2), "stroke-width", ".6")
	for i := range 10 { // ribs run down from the rim
		a := float64(i)*36 + p.between(-5, 5)
		p.line("M"+xy(geom.Polar(r*.84, a))+"L"+xy(geom.Polar(r*.97, a)), tone(c, -14, 2), 1.4, "opacity", ".5")
	}
	p.path(smooth(o.Scale(.87)), tone(colour.Lab{L: math.Min(90, c.L+26), A: c.A * .4, B: c.B * .6}, 0, 0), "stroke", tone(c, 8, 0), "stroke-width", "1")
}

// mouth is the opening of a vessel that its filling shows in. What is drawn for a
// round mouth of radius r is stretched to this one by fit.
type mouth struct {
	outline geom.Outline
	r       float64
	box     geom.Rect
}

func mouthOf(o geom.Outline) mouth {
	return mouth{outline: o, r: math.Sqrt(o.Area() / math.Pi), box: o.Bounds()}
}

func (m mouth) fit(q geom.Point) geom.Point {
	return geom.Pt(q.X*m.box.W()/2/m.r, q.Y*m.box.H()/2/m.r)
}

// spread is a dip, honey or jam, or small things that are not drawn singly.
func spread(p *pen, m mouth, fd *food.Food) {
	col := colour.Must(fd.Colour)
	p.path(curve(m.outline), p.radial(.4, .36, .72, tone(col, 11, 4), 0, tone(col, 1, 0), .55, tone(col, -13, 0), 1), "stroke", tone(col, -24, 0), "stroke-width", ".6")
	swirl := ""
	for a := 0.0; a < 900; a += 15 {
		q := m.fit(geom.Polar(m.r*(.08+.74*a/900), a+p.r.Float64()*4))
		if swirl == "" {
			swirl = "M" + xy(q)
		} else {
			swirl += "L" + xy(q)
		}
	}
	switch {
	case fd.Wetness == food.Runny && fd.Density > 1.25: // honey and jam lie level and shine
		p.line("M"+xy(m.fit(geom.Polar(m.r*.7, 195)))+"A"+f(m.box.W()*.35)+" "+f(m.box.H()*.35)+" 0 0 1 "+xy(m.fit(geom.Polar(m.r*.7, 285))), "#fff6dc", m.r*.09, "opacity", ".5")
		for range 9 {
			p.path(p.blob(m.fit(geom.Polar(m.r*math.Sqrt(p.r.Float64())*.8, p.between(0, 360))), p.between(1, 4), p.between(.8, 2.6), p.between(0, 180), 8, .3), tone(col, p.between(-9, 9), 2), "opacity", ".4")
		}
	case fd.Category == food.Dip || fd.Category == food.Cheese:
		p.line(swirl, tone(col, -12, 1), m.r*.1, "opacity", ".4")
		p.line(swirl, tone(col, 11, 1), m.r*.06, "opacity", ".5", "transform", "translate(-.9 -1)")
		for range 14 {
			p.dot(m.fit(geom.Polar(m.r*math.Sqrt(p.r.Float64())*.85, p.between(0, 360))), p.between(.4, .9), []string{tone(col, -24, 0), "#6d7a3c", "#c65a34"}[p.r.IntN(3)], "opacity", ".7")
		}
		p.glint(m.fit(geom.Pt(-m.r*.3, -m.r*.4)), m.r*.2, m.r*.07, .4)
	default: // small things: onions in rings, seeds
		for range 40 {
			at := m.fit(geom.Polar(m.r*.9*math.Sqrt(p.r.Float64()), p.between(0, 360)))
			if fd.Category == food.Nut {
				p.oval(at, 4, 2.2, p.between(0, 180), p.lit(col), "stroke", tone(col, -22, 0), "stroke-width", ".4")
			} else {
				p.line(p.blob(at, p.between(4, 8), p.between(3, 6), p.between(0, 180), 9, .15), tone(col, p.between(-8, 18), 0), 1.5, "opacity", ".9")
			}
		}
	}
}

// heaped is pieces: as many as cover the mouth.
func heaped(p *pen, m mouth, fd *food.Food, s food.Spec) {
	col := colour.Must(fd.Colour)
	p.path(curve(m.outline), tone(col, -26, 0))
	pieces := max(7, int(1.5*m.r*m.r*math.Pi/(s.L*s.W*.8)))
	step := m.r * .92 / math.Sqrt(float64(pieces))
	for i := pieces - 1; i >= 0; i-- {
		k := float64(i)
		at := m.fit(geom.Polar(math.Min(m.r-math.Max(s.L*.47, s.W*.5), step*math.Sqrt(k+.2)), 137.508*k+p.between(-12, 12)))
		p.open("g", "transform", placed(at.X, at.Y, p.between(0, 40)))
		p.put(Sprite(fd, s, i%food.Variants, p.defs))
		p.shut("g")
	}
}

// upright is sticks or crackers on end in a cup: those at the rim lean out over it, those in the middle stand,
// and of each a length is seen, the less the more it stands.
func upright(p *pen, m mouth, fd *food.Food, s food.Spec) {
	out, cut := colour.Must(fd.Colour), colour.Must(fd.Cut)
	p.path(curve(m.outline), tone(out, -38, 0))
	if onPicks(fd) {
		picksOnEnd(p, m, out, cut)
		return
	}
	n := max(5, min(24, int(m.r*m.r*math.Pi*food.OnEnd/(s.W*s.H))))
	for i := n - 1; i >= 0; i-- {
		away := math.Sqrt((float64(i) + .4) / float64(n)) // from the middle, as a share
		turn := 137.508*float64(i) + p.between(-7, 7)
		foot, top := m.fit(geom.Polar(m.r*.2*away, turn+p.between(-25, 25))), m.fit(geom.Polar(m.r*1.02*away+2, turn))
		top = top.Mul(1 + .16*away)
		d := top.Sub(foot)
		side := geom.Polar(s.W/2, math.Atan2(d.Y, d.X)*180/math.Pi+90)
		narrow := side.Mul(.8) // what is deeper is farther off
		o := geom.Outline{foot.Add(narrow), top.Add(side), top.Sub(side), foot.Sub(narrow)}
		c := colour.Lab{L: out.L + p.between(-5, 4), A: out.A, B: out.B}
		mid := foot.Add(top).Mul(.5)
		p.path(poly(o), p.linear(0, 0, 1, 1, tone(c, -3, 0), 0, tone(c, 4, 0), .35, tone(c, -20, 1), 1), "stroke", tone(c, -30, 1), "stroke-width", ".45")
		p.line("M"+xy(mid.Add(side.Mul(-.35)))+"L"+xy(top.Add(side.Mul(-.45))), tone(c, 12, 0), s.W*.16, "opacity", ".5")
		end := geom.Ellipse(s.W*.5, math.Max(s.W*.2, s.W*.5*(1-.62*away)), 18)
		if s.Shape == "box" || s.Shape == "slab" {
			end = geom.Box(s.W, math.Max(s.W*.4, s.W*(1-.55*away)), s.W*.1)
		}
		along := math.Atan2(d.Y, d.X)*180/math.Pi + 90
		p.path(poly(end.Turn(along).Move(top)), p.lit(cut), "stroke", tone(c, -22, 1), "stroke-width", ".45")
	}
}

// onPicks reports whether a food is nothing but small things on a pick.
func onPicks(fd *food.Food) bool { return len(fd.Forms) > 0 && fd.Forms[0].Form == "skewer" }

// picksOnEnd is picks stood in a cup, two small things of two colours on each, their heads up and outwards.
func picksOnEnd(p *pen, m mouth, out, cut colour.Lab) {
	n := max(5, int(m.r/5))
	bead := math.Min(10, m.r*.3)
	for i := range n {
		turn := float64(i)*360/float64(n) + p.between(-8, 8)
		reach := p.between(.94, 1.12)
		at := func(share float64) geom.Point { return m.fit(geom.Polar(m.r*share*reach, turn)) }
		p.line("M"+xy(at(.1))+"L"+xy(at(1.12)), "#d9bf8c", 1.8)
		p.dot(at(1.14), 2.2, "#e4cf9e", "stroke", "#a98c54", "stroke-width", ".5")
		for k, c := range []colour.Lab{out, cut} {
			q := at(.42 + .36*float64(k))
			p.oval(q, bead, bead*.94, p.between(0, 90), p.radial(.36, .3, .82, tone(c, 17, 2), 0, tone(c, 2, 0), .45, tone(c, -14, 0), 1), "stroke", tone(c, -24, 2), "stroke-width", ".5")
			p.glint(q.Add(geom.Pt(-bead*.3, -bead*.36)), bead*.24, bead*.13, .6)
		}
	}
}

// flower is folded slices stood in a small dish, lips up, opening outwards.
func flower(p *pen, m mouth, fd *food.Food) {
	c := colour.Must(fd.Cut)
	p.path(curve(m.outline), tone(c, -28, 2))
	for ring, k := range []float64{1.16, .86, .56, .28} {
		n := []int{9, 7, 5, 3}[ring]
		for i := range n {
			a := float64(i)*360/float64(n) + float64(ring)*26 + p.between(-6, 6)
			at := m.fit(geom.Polar(m.r*k*.66, a))
			o := geom.Ellipse(m.r*(.2+k*.3), m.r*(.12+k*.16), 14)
			for j := range o {
				o[j] = o[j].Mul(1 + .07*math.Sin(float64(j)*2.3+a))
			}
			p.path(smooth(o.Turn(a+90).Move(at)), p.linear(.5, 1, .5, 0, tone(c, -20, 2), 0, tone(c, -3, 0), .5, tone(c, 9, 1), 1), "stroke", tone(c, 18, 2), "stroke-width", ".8")
		}
	}
}

// pot is a potted meat: coarse, pressed smooth, under a little clear fat.
func pot(p *pen, m mouth, fd *food.Food) {
	c := colour.Must(fd.Cut)
	p.path(curve(m.outline), p.lit(c), "stroke", tone(c, -22, 0), "stroke-width", ".6")
	for range 46 {
		q := m.fit(geom.Polar(m.r*.9*math.Sqrt(p.r.Float64()), p.between(0, 360)))
		p.line("M"+xy(q)+"l"+f(p.between(-6, 6))+" "+f(p.between(-4, 4)), tone(c, p.between(-16, 14), 1), p.between(.7, 1.6), "opacity", ".6")
	}
	p.path(p.blob(m.fit(geom.Pt(-m.r*.18, -m.r*.2)), m.r*.5, m.r*.36, -30, 11, .12), "#fbf0d8", "opacity", ".35")
	for range 5 {
		p.dot(m.fit(geom.Polar(m.r*.6*math.Sqrt(p.r.Float64()), p.between(0, 360))), p.between(.9, 1.5), []string{"#3a2a22", "#7c4038"}[p.r.IntN(2)])
	}
}

// within is the outline drawn in by d all round.
func within(o geom.Outline, d float64) geom.Outline {
	if in := o.Inset(d); len(in) > 2 {
		return in
	}
	return o.Scale(.8)
}
