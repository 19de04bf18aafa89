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
	SVG   string  `json:"svg"`    // a document with its middle in the middle

	inner string // the same round its middle, of drawings that are somewhere else
}

// platesBeside draws the plates that stand beside a tray; the drawings and gradients that they need are added to those there are.
func platesBeside(t *tray.Tray, larder *food.Larder, drawings map[string]Drawing, defs map[string]string) []DrawnPlate {
	out := []DrawnPlate{}
	p := t.Beside(larder)
	laid := p.Laid(t, larder)
	held := p.Grams
	for _, q := range laid {
		held -= q.Grams
	}
	for _, q := range laid {
		own, used := map[string]string{}, map[string]string{}
		inner := plateOf(q, larder, used, own)
		maps.Copy(defs, own)
		r := q.AcrossMM/2 + 10
		var m, all markup
		for _, id := range slices.Sorted(maps.Keys(used)) {
			all.open("g", "id", id)
			all.put(used[id])
			all.shut("g")
			if _, have := drawings[id]; !have {
				drawings[id] = Drawing{SVG: used[id], Box: [4]float64{-r, -r, 2 * r, 2 * r}}
			}
		}
		m.open("svg", "xmlns", namespace, "viewBox", view(-r, -r, 2*r, 2*r), "role", "img")
		m.put(defsOf(own, blur("shade", "-5%", "-5%", "110%", "110%", 1.9)+all.String()))
		m.put(inner)
		m.shut("svg")
		out = append(out, DrawnPlate{q, math.Max(0, math.Round(held)), m.String(), inner})
	}
	return out
}

// withPlates is a scene whose box holds the plates beside the board, too.
func (s Scene) withPlates() Scene {
	if len(s.Plates) == 0 {
		return s
	}
	box := geom.Rect{Min: geom.Pt(s.Box[0], s.Box[1]), Max: geom.Pt(s.Box[0]+s.Box[2], s.Box[1]+s.Box[3])}
	for _, p := range s.Plates {
		r := p.AcrossMM/2 + 14
		box = box.Union(geom.Rect{Min: p.At.Sub(geom.Pt(r, r)), Max: p.At.Add(geom.Pt(r, r))})
	}
	s.Box = [4]float64{box.Min.X, box.Min.Y, box.W(), box.H()}
	maps.Copy(s.Drawings, s.besides)
	maps.Copy(s.Defs, s.besideDefs)
	return s
}

// glaze is a plate's colour.
var glaze = colour.Must("#f3efe6")

// plateOf draws a plate with what lies on it, round its middle; each drawing it uses is added to used, once.
func plateOf(q tray.Plate, larder *food.Larder, used, defs map[string]string) string {
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
			used[id] = Sprite(f, s, b.Variant, defs)
		}
		fall := shift(s.H) + .6
		p.path(poly(geom.Pose{X: b.At.X + fall, Y: b.At.Y + fall*1.2, Turn: b.TurnDeg}.ApplyAll(shade(s, s.Outline(b.Food, b.Variant)))), "#2e1a0d", "opacity", ".24")
		p.leaf("use", "href", "#"+id, "transform", placed(b.At.X, b.At.Y, b.TurnDeg))
	}
	return p.String()
}
