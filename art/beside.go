package art

import (
	"maps"
	"math"
	"slices"

	"happytray/core/colour"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/tray"
)

// DrawnPlate is a plate of bread and crackers that stands beside the board.
type DrawnPlate struct {
	tray.Plate
	HeldG float64 `json:"held_g"` // that wait in their boxes, of all plates together
	SVG   string  `json:"svg"`    // a small document, its middle in the middle; empty where the plate before it is laid alike
}

// platesBeside draws the plates that stand beside a tray, with what can be seen where they are shown small.
func platesBeside(t *tray.Tray, larder *food.Larder) []DrawnPlate {
	out := []DrawnPlate{}
	p := t.Beside(larder)
	laid := p.Laid(t, larder)
	held := p.Grams
	for _, q := range laid {
		held -= q.Grams
	}
	for k, q := range laid {
		d := DrawnPlate{Plate: q, HeldG: math.Max(0, math.Round(held))}
		if k == 0 || !slices.Equal(q.Foods, laid[k-1].Foods) {
			used, defs := map[string]string{}, map[string]string{}
			inner := plateOf(FromAfar, q, larder, used, defs)
			r := q.AcrossMM/2 + 10
			var m markup
			m.open("svg", "xmlns", namespace, "viewBox", view(-r, -r, 2*r, 2*r), "role", "img")
			m.put(defsOf(defs, blur("shade", "-5%", "-5%", "110%", "110%", 1.9)+named(used)))
			m.put(inner)
			m.shut("svg")
			d.SVG = m.String()
		}
		out = append(out, d)
	}
	return out
}

// named is drawings to be used by their ids.
func named(drawings map[string]string) fragment {
	var m markup
	for _, id := range slices.Sorted(maps.Keys(drawings)) {
		m.open("g", "id", id)
		m.put(drawings[id])
		m.shut("g")
	}
	return m.String()
}

// putPlates puts the plates beside the board into the scene's box and drawings.
func (s *Scene) putPlates(larder *food.Larder) {
	box := geom.Rect{Min: geom.Pt(s.Box[0], s.Box[1]), Max: geom.Pt(s.Box[0]+s.Box[2], s.Box[1]+s.Box[3])}
	used := map[string]string{}
	for _, p := range s.Plates {
		r := p.AcrossMM/2 + 14
		box = box.Union(geom.Rect{Min: p.At.Sub(geom.Pt(r, r)), Max: p.At.Add(geom.Pt(r, r))})
		var m markup
		m.open("g", "transform", placed(p.At.X, p.At.Y, 0))
		m.put(plateOf(0, p.Plate, larder, used, s.Defs))
		m.shut("g")
		s.beside = append(s.beside, m.String())
	}
	for id, svg := range used {
		s.Drawings[id] = Drawing{SVG: svg}
	}
	s.Box = [4]float64{box.Min.X, box.Min.Y, box.W(), box.H()}
}

// glaze is a plate's colour.
var glaze = colour.Must("#f3efe6")

// plateOf draws a plate with what lies on it, round its middle; each drawing it uses is added to used, once.
func plateOf(least Least, q tray.Plate, larder *food.Larder, used, defs map[string]string) string {
	p := newPen(defs, 0, "plate")
	r := q.AcrossMM / 2
	p.dot(geom.Pt(3, 5), r, "#3a2413", "opacity", ".26", "filter", "url(#shade)")
	p.dot(geom.Pt(0, 0), r, p.linear(0, 0, 1, 1, tone(glaze, 3, 0), 0, tone(glaze, -3, 1), .5, tone(glaze, -11, 2), 1), "stroke", tone(glaze, -24, 2), "stroke-width", ".7")
	p.dot(geom.Pt(0, 0), r*.78, p.radial(.42, .4, .75, tone(glaze, 1, 0), 0, tone(glaze, -3, 1), .8, tone(glaze, -9, 2), 1), "stroke", tone(glaze, 3, 0), "stroke-width", "1.2")
	for _, b := range q.Pieces {
		f, ok := larder.Get(b.Food)
		if !ok {
			continue
		}
		s, _ := f.Spec(b.Form)
		id := "p-" + Key{Food: b.Food, Form: b.Form, Variant: b.Variant}.ID()
		if _, have := used[id]; !have {
			used[id] = spriteFrom(least, f, s, b.Variant, defs)
			var under markup
			under.leaf("path", "d", poly(shade(s, s.Outline(b.Food, b.Variant))), "fill", "#2e1a0d", "opacity", ".24")
			used["u"+id] = under.String()
		}
		fall := shift(s.H) + .6
		p.leaf("use", "href", "#u"+id, "transform", placed(b.At.X+fall, b.At.Y+fall*1.2, b.TurnDeg))
		p.leaf("use", "href", "#"+id, "transform", placed(b.At.X, b.At.Y, b.TurnDeg))
	}
	return p.String()
}
