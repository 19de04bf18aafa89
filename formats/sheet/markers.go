package sheet

import (
	"happytray/core/card"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/job"
)

// A marker stands beside a cheese, mm.
const markerW, markerH = 40.0, 25.0

// Markers are a small card for each cheese of each board: its name, its milk and how strong it is, and what is in it. They are cut out and
// stood beside it, on a pick or against a bowl.
func Markers(j *job.Job, larder *food.Larder, on string) ([]byte, error) {
	if on == "whole" {
		on = "a4"
	}
	w, h, err := size(on)
	if err != nil {
		return nil, err
	}
	var cheeses []*food.Food
	for _, t := range j.Trays {
		for _, id := range t.Foods() {
			if f, ok := larder.Get(id); ok && f.Category == food.Cheese {
				for range t.Copies() {
					cheeses = append(cheeses, f)
				}
			}
		}
	}
	if len(cheeses) == 0 {
		return nil, fault.Bad("elements", "there is no cheese on the boards to mark")
	}
	p := newPage(w, h, j.Title, made)
	across, down := int((w-10)/markerW), int((h-10)/markerH)
	left, top := (w-float64(across)*markerW)/2, (h-float64(down)*markerH)/2
	for n, f := range cheeses {
		at := n % (across * down)
		if at == 0 {
			if n/(across*down) >= MostPages {
				return nil, fault.Bad("copies", "more markers than %d pages hold; print one board's", MostPages)
			}
			p.AddPage()
		}
		marker(p, f, left+float64(at%across)*markerW, top+float64(at/across)*markerH)
	}
	return p.bytes()
}

func marker(p page, f *food.Food, x, y float64) {
	p.SetDrawColor(faint, faint, faint)
	p.SetLineWidth(.15)
	p.Rect(x, y, markerW, markerH, "D")
	mid := x + markerW/2
	t := card.TextOf(f)
	for points := 13.0; ; points-- {
		p.letters(points, true)
		if lines := p.wrapped(f.Name, markerW-5, 2); len(lines) < 2 || points <= 9 {
			for i, l := range lines {
				p.centred(mid, y+8+float64(i)*points*.4, l)
			}
			break
		}
	}
	p.letters(7, false)
	p.centred(mid, y+16.5, p.fitted(t.About, markerW-4))
	p.centred(mid, y+19.8, p.fitted(t.Contains, markerW-4))
	p.letters(5, false)
	p.centred(mid, y+23, "Labels of the packs decide.")
}
