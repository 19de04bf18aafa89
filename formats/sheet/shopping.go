package sheet

import (
	"happytray/core/say"
	"happytray/core/shop"
)

// Shopping is a shopping list in the hand of the quote: a box to tick for each food under its part of the shop, ticked
// where it is done, and what it comes to. It takes as many pages as it needs.
func Shopping(title string, list shop.List, done map[string]bool, m Money, on string, u say.Units) ([]byte, error) {
	if on == "whole" {
		on = "a4"
	}
	w, h, err := size(on)
	if err != nil {
		return nil, err
	}
	const margin, box, line = 18.0, 4.0, 6.4
	p := newPage(w, h, title, made)
	y := h
	room := func(need float64) {
		if y+need <= h-margin {
			return
		}
		p.AddPage()
		p.letters(8, false)
		p.write(margin, h-margin/2, p.fitted(title, w-2*margin))
		y = margin + 6
	}
	room(h)
	p.letters(18, true)
	for _, l := range p.wrapped(title, w-2*margin, 3) {
		p.write(margin, y, l)
		y += 8
	}
	y += 2
	stop := ""
	for _, s := range list.Sections {
		if len(list.Stops) > 1 && s.Stop != stop { // the list of each shop by itself
			stop = s.Stop
			room(18 + 2*line)
			p.letters(14, true)
			p.write(margin, y+1, p.fitted(stop, w-2*margin))
			y += 9
		}
		room(8 + 2*line) // no heading stands alone at the foot
		p.letters(11, true)
		p.write(margin, y, s.Name)
		p.SetLineWidth(.3)
		p.Line(margin, y+1.8, w-margin, y+1.8)
		y += 8
		for _, it := range s.Items {
			room(line)
			p.SetLineWidth(.35)
			p.Rect(margin, y-box+.6, box, box, "D")
			if done[it.Food] {
				p.Line(margin+.8, y-box/2+.6, margin+box*.42, y-.3)
				p.Line(margin+box*.42, y-.3, margin+box-.6, y-box+1.3)
			}
			p.letters(10.5, true)
			cost := ""
			if it.Cost > 0 {
				cost = m.Write(it.Cost)
			}
			const name = 62.0
			p.write(margin+box+3, y, p.fitted(it.Name, name-2))
			p.letters(10, false)
			at := margin + box + 3 + name
			p.write(at, y, p.fitted(it.Buys().In(u).String(), w-margin-at-p.GetStringWidth(cost)-3))
			p.write(w-margin-p.GetStringWidth(cost), y, cost)
			y += line
		}
		y += 3
	}
	if len(list.Sections) == 0 {
		p.letters(11, false)
		p.write(margin, y, "There is nothing to buy.")
		y += line
	}
	if besides := list.Besides.In(u).String(); besides != "" {
		room(2 * line)
		p.letters(10, false)
		p.write(margin, y+4, p.fitted(besides, w-2*margin))
		y += line
	}
	room(14)
	p.letters(12, true)
	all := m.Write(list.Cost)
	p.write(margin, y+4, "About, in all")
	p.write(w-margin-p.GetStringWidth(all), y+4, all)
	return p.bytes()
}
