package art

import (
	"fmt"
	"math"
	"strings"

	"happytray/core/board"
	"happytray/core/colour"
	"happytray/core/food"
	"happytray/core/geom"
)

// Bowl draws a vessel from above with what is in it: rim, wall, a dark inner
// ring, and a swirl of dip or a heap of pieces.
func Bowl(v board.Vessel, fd *food.Food, s food.Spec, defs map[string]string) string {
	key := fmt.Sprintf("bowl|%v|%s", v, spriteKey{*fd, s.Form, 0}.key())
	return remembered(key, defs, func(defs map[string]string) string { return bowl(v, fd, s, defs) })
}

func bowl(v board.Vessel, fd *food.Food, s food.Spec, defs map[string]string) string {
	p := newPen(defs, v.ID, fd.ID)
	c := colour.Must(v.Colour)
	o := v.Footprint()
	r := math.Sqrt(o.Area() / math.Pi)
	d := curve(o.Scale(.99))
	switch v.Material {
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
	rim := r * .14
	p.path(curve(within(o, rim)), p.linear(0, 0, 1, 1, tone(c, -26, 2), 0, tone(c, -10, 0), .6, tone(c, 5, 0), 1))
	inner := within(o, r*.2)
	in := math.Sqrt(inner.Area() / math.Pi)
	box := inner.Bounds()
	// what is drawn for a round mouth is stretched to this one
	fit := func(q geom.Point) geom.Point { return geom.Pt(q.X*box.W()/2/in, q.Y*box.H()/2/in) }
	col := colour.Must(fd.Colour)
	if s.Shape == "vessel" {
		p.path(curve(inner), p.radial(.4, .36, .72, tone(col, 11, 4), 0, tone(col, 1, 0), .55, tone(col, -13, 0), 1), "stroke", tone(col, -24, 0), "stroke-width", ".6")
		swirl := ""
		for a := 0.0; a < 900; a += 15 {
			q := fit(geom.Polar(in*(.08+.74*a/900), a+p.r.Float64()*4))
			if swirl == "" {
				swirl = "M" + xy(q)
			} else {
				swirl += "L" + xy(q)
			}
		}
		switch {
		case fd.Wetness == food.Runny && fd.Density > 1.25: // honey and jam lie level and shine
			p.line("M"+xy(fit(geom.Polar(in*.7, 195)))+"A"+f(box.W()*.35)+" "+f(box.H()*.35)+" 0 0 1 "+xy(fit(geom.Polar(in*.7, 285))), "#fff6dc", in*.09, "opacity", ".5")
			for range 9 {
				p.path(p.blob(fit(geom.Polar(in*math.Sqrt(p.r.Float64())*.8, p.between(0, 360))), p.between(1, 4), p.between(.8, 2.6), p.between(0, 180), 8, .3), tone(col, p.between(-9, 9), 2), "opacity", ".4")
			}
		case fd.Category == food.Dip:
			p.line(swirl, tone(col, -12, 1), in*.1, "opacity", ".4")
			p.line(swirl, tone(col, 11, 1), in*.06, "opacity", ".5", "transform", "translate(-.9 -1)")
			for range 14 {
				p.dot(fit(geom.Polar(in*math.Sqrt(p.r.Float64())*.85, p.between(0, 360))), p.between(.4, .9), []string{tone(col, -24, 0), "#6d7a3c", "#c65a34"}[p.r.IntN(3)], "opacity", ".7")
			}
			p.glint(fit(geom.Pt(-in*.3, -in*.4)), in*.2, in*.07, .4)
		default: // small things: onions in rings, seeds
			for range 40 {
				at := fit(geom.Polar(in*.9*math.Sqrt(p.r.Float64()), p.between(0, 360)))
				if fd.Category == food.Nut {
					p.oval(at, 4, 2.2, p.between(0, 180), p.lit(col), "stroke", tone(col, -22, 0), "stroke-width", ".4")
				} else {
					p.line(p.blob(at, p.between(4, 8), p.between(3, 6), p.between(0, 180), 9, .15), tone(col, p.between(-8, 18), 0), 1.5, "opacity", ".9")
				}
			}
		}
		return p.String()
	}
	// pieces: as many as cover the mouth, heaped
	p.path(curve(inner), tone(col, -26, 0))
	pieces := max(7, int(1.5*in*in*math.Pi/(s.L*s.W*.8)))
	step := in * .92 / math.Sqrt(float64(pieces))
	for i := pieces - 1; i >= 0; i-- {
		k := float64(i)
		at := fit(geom.Polar(math.Min(in-math.Max(s.L*.47, s.W*.5), step*math.Sqrt(k+.2)), 137.508*k+p.between(-12, 12)))
		fmt.Fprintf(p, `<g transform="translate(%s) rotate(%s)">%s</g>`, xy(at), f(p.between(0, 40)), Sprite(fd, s, i%food.Variants, defs))
	}
	return p.String()
}

// within is the outline drawn in by d all round.
func within(o geom.Outline, d float64) geom.Outline {
	if in := o.Inset(d); len(in) > 2 {
		return in
	}
	return o.Scale(.8)
}

// Board draws a board with its material, in board coordinates.
func Board(b *board.Board) string {
	defs := map[string]string{}
	p := newPen(defs, b.ID, b.Material)
	c := colour.Must(b.Colour)
	d := poly(b.Outline)
	box := b.Outline.Bounds()
	p.path(d, "#3a2413", "opacity", ".30", "transform", "translate(3 5)", "filter", "url(#board-shadow)")
	clip := `clip-path="url(#board-clip)"`
	surface := func(draw func()) {
		p.WriteString("<g " + clip + ">")
		draw()
		p.WriteString("</g>")
	}
	switch b.Material {
	case "slate", "chalkboard":
		p.path(d, p.linear(0, 0, 1, 1, tone(c, 7, 0), 0, tone(c, 0, 0), .5, tone(c, -5, 0), 1))
		surface(func() {
			for range 60 {
				q := geom.Pt(p.between(box.Min.X, box.Max.X), p.between(box.Min.Y, box.Max.Y))
				p.path(p.blob(q, p.between(14, 60), p.between(5, 22), p.between(-20, 20), 10, .4), tone(c, p.between(-5, 7), 0), "opacity", ".35")
			}
			for range 40 {
				q := geom.Pt(p.between(box.Min.X, box.Max.X), p.between(box.Min.Y, box.Max.Y))
				p.line("M"+xy(q)+"l"+f(p.between(6, 30))+" "+f(p.between(-5, 5)), "#d5dadb", .35, "opacity", ".22")
			}
		})
	case "marble", "ceramic", "glass", "metal", "paper":
		p.path(d, p.linear(0, 0, 1, 1, tone(c, 5, 0), 0, tone(c, 0, 0), .5, tone(c, -7, 1), 1))
		surface(func() {
			switch b.Material {
			case "marble":
				for range 9 {
					q := geom.Pt(p.between(box.Min.X, box.Max.X), box.Min.Y)
					path := "M" + xy(q)
					for q.Y < box.Max.Y {
						n := q.Add(geom.Pt(p.between(-50, 70), p.between(20, 60)))
						path += "Q" + xy(q.Add(geom.Pt(p.between(-30, 40), 15))) + " " + xy(n)
						q = n
					}
					p.line(path, tone(c, -16, -1), p.between(.6, 3), "opacity", f(p.between(.12, .4)))
				}
			case "paper":
				for k := 1; k < 5; k++ {
					x := box.Min.X + box.W()*float64(k)/5 + p.between(-9, 9)
					p.line("M"+f(x)+" "+f(box.Min.Y)+"L"+f(x+p.between(-3, 3))+" "+f(box.Max.Y), tone(c, -9, 1), 1.6, "opacity", ".35")
					p.line("M"+f(x+1.4)+" "+f(box.Min.Y)+"L"+f(x+1.4)+" "+f(box.Max.Y), "#ffffff", .9, "opacity", ".5")
				}
			case "ceramic":
				for range 90 {
					p.dot(geom.Pt(p.between(box.Min.X, box.Max.X), p.between(box.Min.Y, box.Max.Y)), p.between(.3, 1), tone(c, -25, 5), "opacity", ".35")
				}
			}
		})
	default:
		wood(p, b, c, d, surface)
	}
	// bevel: light edge above, dark below
	p.line(d, tone(c, -20, 2), 1.2, "opacity", ".8")
	p.WriteString("<g " + clip + ">")
	p.line(d, tone(c, 18, 2), 5, "opacity", ".38", "transform", "translate(1.4 1.8)")
	p.line(d, tone(c, -22, 2), 4, "opacity", ".3", "transform", "translate(-1.2 -1.4)")
	p.WriteString("</g>")
	if b.RimMM > 0 {
		p.line(d, tone(c, -8, 1), 9, "opacity", ".55")
		p.line(d, tone(c, 14, 0), 2, "opacity", ".6", "transform", "translate(-.8 -1)")
	}
	for _, w := range b.Wells {
		p.path(curve(w), p.linear(0, 0, 1, 1, tone(c, -20, 1), 0, tone(c, -9, 1), .5, tone(c, 3, 0), 1), "opacity", ".85", "stroke", tone(c, -24, 1), "stroke-width", ".7")
	}
	for _, k := range b.Keepouts { // a hole to grip by; a handle is part of the board's own outline
		if hole(b, k) {
			p.path(curve(k), tone(colour.Lab{L: 34, A: 2, B: 5}, 0, 0), "opacity", ".72", "stroke", tone(c, 14, 0), "stroke-width", "1.2")
		}
	}
	if b.Liner != "" {
		l := colour.Must(b.Liner)
		p.path(poly(b.FoodZone), tone(l, 0, 0), "opacity", ".96", "stroke", tone(l, -10, 2), "stroke-width", ".8")
	}
	var out strings.Builder
	out.WriteString(`<defs><filter id="board-shadow" x="-5%" y="-5%" width="112%" height="115%"><feGaussianBlur stdDeviation="7"/></filter><clipPath id="board-clip"><path d="` + d + `"/></clipPath>`)
	writeDefs(&out, defs)
	out.WriteString("</defs>" + p.String())
	return out.String()
}

// hole reports whether a keep-out lies wholly inside the board.
func hole(b *board.Board, k geom.Outline) bool {
	for _, q := range k {
		if !b.Outline.Contains(q) || b.Outline.EdgeDistance(q) < 3 {
			return false
		}
	}
	return true
}

// wood is long stretched noise along the grain over a gradient.
func wood(p *pen, b *board.Board, c colour.Lab, d string, surface func(func())) {
	box := b.Outline.Bounds()
	p.path(d, p.linear(0, 0, .2, 1, tone(c, 5, 1), 0, tone(c, 1, 0), .45, tone(c, -6, 1), 1))
	surface(func() {
		n := int(box.H() / 3.2)
		for i := range n {
			y := box.Min.Y + (float64(i)+p.r.Float64())*box.H()/float64(n)
			x := box.Min.X
			path := "M" + f(x) + " " + f(y)
			for x < box.Max.X {
				step := p.between(60, 150)
				path += "q" + f(step/2) + " " + f(p.between(-2.2, 2.2)) + " " + f(step) + " " + f(p.between(-1.3, 1.3))
				x += step
			}
			p.line(path, tone(c, p.between(-13, 8), p.between(-1, 3)), p.between(.5, 2.6), "opacity", f(p.between(.10, .34)))
		}
		for range 2 { // a knot or a flame
			q := geom.Pt(p.between(box.Min.X+box.W()*.15, box.Max.X-box.W()*.15), p.between(box.Min.Y+box.H()*.2, box.Max.Y-box.H()*.2))
			for k := range 7 {
				r := 5 + float64(k)*5.5
				p.line(p.blob(q, r*3.4, r*.62, p.between(-1.5, 1.5), 12, .06), tone(c, -11, 2), .9, "opacity", f(.3-float64(k)*.034))
			}
		}
	})
}
