package art

import (
	"fmt"
	"math"
	"slices"

	"happytray/core/board"
	"happytray/core/colour"
	"happytray/core/geom"
)

// Board draws a board with its material, in board coordinates.
func Board(b *board.Board) string {
	key := fmt.Sprintf("board|%s|%s|%s|%s|%v|%v|%v|%v|%v", b.ID, b.Material, b.Colour, b.Liner, b.RimMM, b.Outline, b.FoodZone, b.Keepouts, b.Wells)
	return remembered(key, map[string]string{}, func(map[string]string) string { return surfaceOf(b) })
}

func surfaceOf(b *board.Board) string {
	defs := map[string]string{}
	p := newPen(defs, 0, b.ID, b.Material)
	c := colour.Must(b.Colour)
	d := edgeOf(b)
	box := b.Outline.Bounds()
	p.path(d, "#3a2413", "opacity", ".30", "transform", "translate(3 5)", "filter", "url(#board-shadow)")
	surface := func(draw func()) {
		p.open("g", "clip-path", "url(#board-clip)")
		draw()
		p.shut("g")
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
	case "card":
		p.path(d, p.linear(0, 0, 1, 1, tone(c, 6, 0), 0, tone(c, 0, 0), .5, tone(c, -6, 1), 1))
		surface(func() { // fibres every way
			for range int(box.W() * box.H() / 420) {
				q, a := geom.Pt(p.between(box.Min.X, box.Max.X), p.between(box.Min.Y, box.Max.Y)), p.between(0, 360)
				p.line("M"+xy(q)+"L"+xy(q.Add(geom.Polar(p.between(1.5, 5), a))), tone(c, []float64{-14, 12}[p.r.IntN(2)], 2), .4, "opacity", ".35")
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
	surface(func() {
		p.line(d, tone(c, 18, 2), 5, "opacity", ".38", "transform", "translate(1.4 1.8)")
		p.line(d, tone(c, -22, 2), 4, "opacity", ".3", "transform", "translate(-1.2 -1.4)")
	})
	if b.RimMM >= tallRim { // one looks down into it: walls on all sides, the near ones in the light
		surface(func() {
			p.line(d, tone(c, -16, 1), 2*wallMM, "opacity", ".75")
			p.line(d, tone(c, 12, 0), 2*wallMM-3, "opacity", ".5", "transform", "translate(-2.5 -2.5)")
			p.line(edge(b.FoodZone), tone(c, -30, 2), 2.2, "opacity", ".5")
		})
		p.line(d, tone(c, 16, 0), 1.6, "opacity", ".9")
	} else if b.RimMM > 0 {
		p.line(d, tone(c, -8, 1), 9, "opacity", ".55")
		p.line(d, tone(c, 14, 0), 2, "opacity", ".6", "transform", "translate(-.8 -1)")
	}
	for _, w := range b.Wells {
		p.path(curve(w), p.linear(0, 0, 1, 1, tone(c, -20, 1), 0, tone(c, -9, 1), .5, tone(c, 3, 0), 1), "opacity", ".85", "stroke", tone(c, -24, 1), "stroke-width", ".7")
	}
	for _, k := range b.Keepouts { // a hole to grip by; a handle is part of the board's own outline
		if hole(b, k) && !opening(k) {
			p.path(curve(k), tone(colour.Lab{L: 34, A: 2, B: 5}, 0, 0), "opacity", ".72", "stroke", tone(c, 14, 0), "stroke-width", "1.2")
		}
	}
	if b.Liner != "" {
		l := colour.Must(b.Liner)
		p.path(edge(b.FoodZone), tone(l, 0, 0), "opacity", ".96", "stroke", tone(l, -10, 2), "stroke-width", ".8")
	}
	var clip markup
	clip.open("clipPath", "id", "board-clip")
	clip.leaf("path", "d", d)
	clip.shut("clipPath")
	return defsOf(defs, blur("board-shadow", "-5%", "-5%", "112%", "115%", 7), clip.String()) + p.String()
}

// From tallRim on a rim is a wall, drawn so broad as it is seen from above, mm.
const (
	tallRim = 35
	wallMM  = 11
)

// openingMM is how wide a hole is, at least, through which the table is seen: the middle of a ring, and no grip.
const openingMM = 40

func opening(k geom.Outline) bool {
	box := k.Bounds()
	return math.Min(box.W(), box.H()) >= openingMM
}

// edgeOf is the line round a board and those round its openings, which turn the other way, so that what is filled by it
// leaves them out.
func edgeOf(b *board.Board) string {
	d := edge(b.Outline)
	for _, k := range b.Keepouts {
		if !hole(b, k) || !opening(k) {
			continue
		}
		if k.SignedArea()*b.Outline.SignedArea() > 0 {
			k = slices.Clone(k)
			slices.Reverse(k)
		}
		d += edge(k)
	}
	return d
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
