package art

import (
	"happytray/core/board"
	"happytray/core/food"
	"happytray/core/geom"
)

// Portion is a small standalone picture of a food in one of its forms, the first
// where that is unknown: a few pieces as they would lie together, in a square.
func Portion(f *food.Food, form string) string { return PortionFrom(0, f, form) }

// PortionFrom is Portion without what cannot be seen where it is shown as large as a thumb.
func PortionFrom(least Least, f *food.Food, form string) string {
	s, ok := f.Spec(form)
	if !ok {
		s = f.Forms[0]
	}
	n := map[food.Kind]int{food.KindRow: 6, food.KindTrail: 6, food.KindLoose: 8, food.KindGarnish: 2}[food.FormByID(s.Form).Kind()]
	switch {
	case s.Is(food.CutInPlace):
		n = s.N
	case s.Is(food.RoundAVessel | food.Crossed):
		n = max(s.Group, 6)
	}
	if s.H < 12 && n == 8 {
		n = 14
	}
	var dish *board.Vessel
	if food.InVessel(s.Form) {
		v, _ := board.BuiltInCabinet().Vessel("dip-bowl")
		dish = &v
	}
	box, svg := alone(least, f, s, food.FormByID(s.Form).Lay(f.ID, s, max(1, n)), dish)
	side := max(box.W(), box.H())
	c := box.Centre()
	return document(geom.Rect{Min: c.Sub(geom.Pt(side/2, side/2)), Max: c.Add(geom.Pt(side/2, side/2))}, svg, false)
}

// Laid is pieces of a food in a form by themselves, or the vessel they stand in,
// as a standalone document in true mm; box is what it shows.
func Laid(f *food.Food, s food.Spec, pieces []food.Piece, vessel *board.Vessel) (box geom.Rect, svg string) {
	box, svg = alone(0, f, s, pieces, vessel)
	return box, document(box, svg, true)
}

// LaidRound is Laid with the vessel the pieces are laid round, empty, at middle.
func LaidRound(f *food.Food, s food.Spec, pieces []food.Piece, v board.Vessel, middle geom.Point) (box geom.Rect, svg string) {
	box, svg = alone(0, f, s, pieces, nil)
	defs := map[string]string{}
	var m markup
	m.open("g", "transform", placed(middle.X, middle.Y, 0), "opacity", ".75")
	m.put(empty(v, defs))
	m.shut("g")
	box = box.Union(v.Footprint().Move(middle).Bounds().Grow(4))
	return box, document(box, defsOf(defs)+m.String()+svg, true)
}

func alone(least Least, f *food.Food, s food.Spec, pieces []food.Piece, vessel *board.Vessel) (geom.Rect, string) {
	defs := map[string]string{}
	var m markup
	box := geom.Rect{}
	if vessel != nil {
		m.put(bowlFrom(least, *vessel, f, s, defs))
		box = vessel.Footprint().Bounds()
	} else {
		for i, p := range pieces {
			o := p.ApplyAll(s.Outline(f.ID, p.Variant))
			if i == 0 {
				box = o.Bounds()
			}
			box = box.Union(o.Bounds())
			o = shade(s, o)
			m.leaf("path", "d", smooth(o), "fill", "#3a2413", "opacity", ".16", "transform", placed(shift(p.Height), shift(p.Height*1.2), 0))
			m.open("g", "transform", placed(p.X, p.Y, p.Turn))
			m.put(spriteFrom(least, f, s, p.Variant, defs))
			m.shut("g")
		}
	}
	return box.Grow(4), defsOf(defs) + m.String()
}

// document wraps a drawing in an SVG element that shows box, in true mm where asked.
func document(box geom.Rect, svg string, sized bool) string {
	width, height := "", ""
	if sized {
		width, height = f(box.W())+"mm", f(box.H())+"mm"
	}
	var m markup
	m.open("svg", "xmlns", namespace, "width", width, "height", height, "viewBox", view(box.Min.X, box.Min.Y, box.W(), box.H()))
	m.put(svg)
	m.shut("svg")
	return m.String()
}

const namespace = "http://www.w3.org/2000/svg"

// view is the box that a document shows.
func view(x, y, w, h float64) string { return f(x) + " " + f(y) + " " + f(w) + " " + f(h) }

// margin is the room round a board or vessel for its shadow, mm.
const margin = 12

// BoardAlone is a board with nothing on it, as a standalone document in true mm.
func BoardAlone(b *board.Board) string {
	return document(b.Outline.Bounds().Grow(margin), Board(b), true)
}

// VesselAlone is an empty vessel from above, as a standalone document in true mm.
func VesselAlone(v board.Vessel) string {
	defs := map[string]string{}
	o := v.Footprint()
	var m markup
	m.leaf("path", "d", curve(o), "fill", "#3a2413", "opacity", ".22", "transform", placed(shift(v.HeightMM), shift(v.HeightMM*1.2), 0))
	m.put(empty(v, defs))
	return document(o.Bounds().Grow(margin), defsOf(defs)+m.String(), true)
}

// shift is how far a shadow falls beside what is so high, mm.
func shift(h float64) float64 { return min(5, h/7) }
