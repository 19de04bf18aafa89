package sheet

import (
	"math"

	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/practice"
	"happytray/core/say"
)

// Practice is a board with faults on it, to be found with a pencil; what they are is overleaf. Of other kinds of exercises there
// is no sheet.
func Practice(e *practice.Exercise, larder *food.Larder, on string, u say.Units) ([]byte, error) {
	if e.Tray == nil || e.Solution == nil {
		return nil, fault.Bad("kind", "there is a sheet of boards with faults only; choose find")
	}
	if on == "whole" {
		on = "a4"
	}
	w, h, err := size(on)
	if err != nil {
		return nil, err
	}
	const title, margin = "Find what is wrong", 14.0
	m, err := matOf(title, e.Tray, larder)
	if err != nil {
		return nil, err
	}
	m.marks = nil // nothing is numbered: it is to be looked at
	said := say.In(*e, u)
	p := newPage(w, h, title, made)
	board := func(head string, high float64) (k float64, by geom.Point, y float64, err error) {
		p.AddPage()
		p.letters(18, true)
		p.write(margin, margin+6, head)
		p.letters(10, false)
		y = margin + 13
		for _, l := range p.wrapped(said.Asks.String(), w-2*margin, 4) {
			p.write(margin, y, l)
			y += 5
		}
		k = math.Min((w-2*margin)/m.box.W(), high/m.box.H())
		by = geom.Pt(w/2-m.box.Centre().X*k, y+2-m.box.Min.Y*k)
		return k, by, y + 2 + m.box.H()*k, m.pictured(p, larder, k, by)
	}
	if _, _, _, err = board(title, h-margin-50); err != nil {
		return nil, err
	}
	k, by, y, err := board("What was wrong", .45*h)
	if err != nil {
		return nil, err
	}
	p.SetDrawColor(ink, ink, ink)
	p.SetTextColor(ink, ink, ink)
	p.SetLineWidth(.6)
	y += 9
	for n, f := range said.Solution.Faults {
		at := f.At.Mul(k).Add(by)
		p.Circle(at.X, at.Y, 5, "D")
		p.letters(11, true)
		letter := string(rune('A' + n))
		p.write(at.X+5, at.Y-4, letter)
		p.write(margin, y, letter)
		p.letters(10, false)
		for _, l := range p.wrapped(f.Says.String(), w-2*margin-8, 3) {
			p.write(margin+8, y, l)
			y += 5
		}
		y += 2
	}
	return p.bytes()
}
