package sheet

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"happytray/core/colour"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/prep"
	"happytray/core/say"
	"happytray/core/tray"
)

// Build is one page to lay a tray by: the tray drawn, a number on each thing, and the steps in their order, in units.
func Build(title string, t *tray.Tray, larder *food.Larder, on string, u say.Units) ([]byte, error) {
	if on == "whole" {
		on = "a3"
	}
	w, h, err := size(on)
	if err != nil {
		return nil, err
	}
	m, err := matOf(title, t, larder)
	if err != nil {
		return nil, err
	}
	sheet := say.In(prep.Order(t, larder), u)
	if len(sheet.Steps) == 0 {
		return nil, fault.Bad("elements", "there is nothing to build; choose foods and lay the tray first")
	}
	p := newPage(w, h, title, made)
	p.AddPage()
	const margin = 14.0
	p.letters(18, true)
	p.write(margin, margin+6, p.fitted(title, w-2*margin))
	p.letters(9, false)
	p.write(margin, margin+12, p.fitted(fmt.Sprintf("%s; %s by hand in %d steps", boardSays(t, u), minutesSay(sheet.Minutes), len(sheet.Steps)), w-2*margin))

	// the tray, as large as leaves room for the steps
	room := geom.Rect{Min: geom.Pt(margin, margin+17), Max: geom.Pt(w-margin, margin+17+(h-2*margin)*.43)}
	k := math.Min(room.W()/m.box.W(), room.H()/m.box.H())
	by := geom.Pt(room.Centre().X-m.box.Centre().X*k, room.Min.Y-m.box.Min.Y*k)
	m.drawn(p, k, by)
	y := room.Min.Y + m.box.H()*k + 9
	steps(p, sheet, margin, y, w-margin, h-margin)
	return p.bytes()
}

func boardSays(t *tray.Tray, u say.Units) string {
	b := t.Board.Outline.Bounds()
	return t.Board.Called() + ", " + u.Size(b.W(), b.H())
}

func minutesSay(m float64) string {
	if m < 60 {
		return fmt.Sprintf("%.0f minutes", m)
	}
	return fmt.Sprintf("%d h %02d min", int(m)/60, int(m)%60)
}

// steps writes the steps in two columns, in letters as large as all of them allow.
func steps(p page, s prep.Sheet, left, top, right, bottom float64) {
	const gap = 8.0
	width := (right - left - gap) / 2
	for points := 11.5; ; points -= .5 {
		line := points * .3528 * 1.28
		each := int((bottom - top) / line)
		var lines [][2]string // number, text
		p.letters(points, false)
		most := 3
		if points <= 5 {
			most = 1
		}
		for _, step := range s.Steps {
			for n, l := range p.wrapped(step.Title+": "+step.Says.String(), width-8, most) {
				number := ""
				if n == 0 {
					number = fmt.Sprint(step.Number)
				}
				lines = append(lines, [2]string{number, l})
			}
		}
		if len(lines) > 2*each && points > 4 {
			continue
		}
		half := min(each, max((len(lines)+1)/2, 1))
		for half < len(lines) && half < each && lines[half][0] == "" { // a step stays together
			half++
		}
		for n, l := range lines[:min(len(lines), 2*each)] {
			x, at := left, n
			if n >= half {
				x, at = left+width+gap, n-half
			}
			y := top + float64(at+1)*line
			if l[0] != "" {
				p.letters(points, true)
				p.write(x, y, l[0])
				p.letters(points, false)
			}
			p.write(x+8, y, l[1])
		}
		return
	}
}

// drawn draws a tray smaller than it is: its board, and each piece lit from the upper left on its shadow.
func (m mat) drawn(p page, k float64, by geom.Point) {
	at := func(o geom.Outline, off geom.Point) geom.Outline {
		out := make(geom.Outline, len(o))
		for i, q := range o {
			out[i] = q.Mul(k).Add(by).Add(off)
		}
		return out
	}
	fill := func(c colour.Lab, dl float64) {
		c.L = math.Max(4, math.Min(97, c.L+dl))
		r, g, b := rgb(c)
		p.SetFillColor(r, g, b)
		p.SetDrawColor(r, g, b)
	}
	ground := colour.Must(m.t.Board.Ground())
	p.SetAlpha(.25, "Normal")
	p.SetFillColor(40, 28, 18)
	p.outline(at(m.t.Board.Outline, geom.Pt(.9, 1.1)), geom.Point{}, "F")
	p.SetAlpha(1, "Normal")
	fill(ground, 0)
	p.outline(at(m.t.Board.Outline, geom.Point{}), geom.Point{}, "F")
	type drawn struct {
		o    geom.Outline
		c    colour.Lab
		high float64
	}
	byLayer := map[int][]drawn{}
	var layers []int
	for i := range m.t.Elements {
		e := &m.t.Elements[i]
		if !e.Placed {
			continue
		}
		if _, met := byLayer[e.Layer]; !met {
			layers = append(layers, e.Layer)
		}
		for n := range e.Pieces {
			q := &e.Pieces[n]
			c, err := colour.Parse(q.Colour)
			if err != nil {
				c = ground
			}
			byLayer[e.Layer] = append(byLayer[e.Layer], drawn{q.Outline, c, q.HeightMM})
		}
		if v, ok := m.t.Vessel(e.Vessel); ok && len(e.Pieces) > 0 { // its wall, with what is in it drawn within
			in := e.Pieces[0].Outline.Shrink(math.Min(6, v.HeightMM*.12))
			wall, err := colour.Parse(v.Colour)
			if err == nil && len(in) > 2 {
				list := byLayer[e.Layer]
				food := list[len(list)-len(e.Pieces)].c
				list[len(list)-len(e.Pieces)].c = wall
				byLayer[e.Layer] = append(list, drawn{in, food, 0})
			}
		}
	}
	slices.Sort(layers)
	p.SetLineWidth(.1)
	for _, l := range layers {
		p.SetAlpha(.3, "Normal")
		p.SetFillColor(40, 26, 14)
		for _, d := range byLayer[l] {
			s := math.Min(1.4, math.Max(.15, d.high*k*.14))
			p.outline(at(d.o, geom.Pt(s, s*1.15)), geom.Point{}, "F")
		}
		p.SetAlpha(1, "Normal")
		for _, d := range byLayer[l] {
			fill(d.c, -13)
			p.outline(at(d.o, geom.Point{}), geom.Point{}, "FD")
			fill(d.c, 3)
			mid := d.o.Centroid()
			lit := make(geom.Outline, len(d.o))
			for i, q := range d.o {
				lit[i] = mid.Add(q.Sub(mid).Mul(.86))
			}
			p.outline(at(lit, geom.Pt(-.12, -.14)), geom.Point{}, "F")
		}
	}
	p.SetDrawColor(255, 255, 255)
	for _, mk := range m.marks {
		c := mk.at.Mul(k).Add(by)
		p.SetFillColor(31, 78, 158)
		p.SetLineWidth(.35)
		p.Circle(c.X, c.Y, 2.3, "FD")
		p.SetTextColor(255, 255, 255)
		p.letters(6.5, true)
		p.centred(c.X, c.Y+.8, fmt.Sprint(mk.number))
	}
	p.SetTextColor(ink, ink, ink)
	p.SetDrawColor(ink, ink, ink)
}

func rgb(c colour.Lab) (r, g, b int) {
	if _, err := fmt.Sscanf(strings.TrimPrefix(c.Hex(), "#"), "%02x%02x%02x", &r, &g, &b); err != nil {
		return 128, 128, 128
	}
	return r, g, b
}
