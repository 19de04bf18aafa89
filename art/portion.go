package art

import (
	"fmt"
	"strings"

	"happytray/core/board"
	"happytray/core/food"
	"happytray/core/geom"
)

// Portion is a small standalone picture of a food in one of its forms, the first
// where that is unknown: a few pieces as they would lie together, in a square.
func Portion(f *food.Food, form string) string {
	s, ok := f.Spec(form)
	if !ok {
		s = f.Forms[0]
	}
	n := map[food.Kind]int{food.KindRow: 6, food.KindTrail: 6, food.KindLoose: 8, food.KindGarnish: 2}[food.FormByID(s.Form).Kind()]
	switch s.Form {
	case "cut-round":
		n = s.N
	case "ring", "criss-cross":
		n = s.Group
	}
	if s.H < 12 && n == 8 {
		n = 14
	}
	var dish *board.Vessel
	if food.InVessel(s.Form) {
		v, _ := board.BuiltInCabinet().Vessel("dip-bowl")
		dish = &v
	}
	box, svg := alone(f, s, food.FormByID(s.Form).Lay(f.ID, s, max(1, n)), dish)
	side := max(box.W(), box.H())
	c := box.Centre()
	return document(geom.Rect{Min: c.Sub(geom.Pt(side/2, side/2)), Max: c.Add(geom.Pt(side/2, side/2))}, svg, false)
}

// Laid is pieces of a food in a form by themselves, or the vessel they stand in,
// as a standalone document in true mm; box is what it shows.
func Laid(f *food.Food, s food.Spec, pieces []food.Piece, vessel *board.Vessel) (box geom.Rect, svg string) {
	box, svg = alone(f, s, pieces, vessel)
	return box, document(box, svg, true)
}

// LaidRound is Laid with the vessel the pieces are laid round, empty, at middle.
func LaidRound(f *food.Food, s food.Spec, pieces []food.Piece, v board.Vessel, middle geom.Point) (box geom.Rect, svg string) {
	box, svg = alone(f, s, pieces, nil)
	defs := map[string]string{}
	bowl := empty(v, defs)
	var d strings.Builder
	d.WriteString("<defs>")
	writeDefs(&d, defs)
	fmt.Fprintf(&d, `</defs><g transform="translate(%s)" opacity=".75">%s</g>`, xy(middle), bowl)
	box = box.Union(v.Footprint().Move(middle).Bounds().Grow(4))
	return box, document(box, d.String()+svg, true)
}

func alone(f *food.Food, s food.Spec, pieces []food.Piece, vessel *board.Vessel) (geom.Rect, string) {
	defs := map[string]string{}
	var b strings.Builder
	box := geom.Rect{}
	if vessel != nil {
		b.WriteString(Bowl(*vessel, f, s, defs))
		box = vessel.Footprint().Bounds()
	} else {
		for i, p := range pieces {
			o := p.ApplyAll(s.Outline(f.ID, p.Variant))
			if i == 0 {
				box = o.Bounds()
			}
			box = box.Union(o.Bounds())
			o = shade(s, o)
			fmt.Fprintf(&b, `<path d="%s" fill="#3a2413" opacity=".16" transform="translate(%s %s)"/>`, smooth(o), fmtShift(p.Height), fmtShift(p.Height*1.2))
			fmt.Fprintf(&b, `<g transform="translate(%s) rotate(%s)">%s</g>`, xy(p.At()), fmtNum(p.Turn), Sprite(f, s, p.Variant, defs))
		}
	}
	var d strings.Builder
	d.WriteString("<defs>")
	writeDefs(&d, defs)
	d.WriteString("</defs>")
	return box.Grow(4), d.String() + b.String()
}

// document wraps a drawing in an SVG element that shows box, in true mm where asked.
func document(box geom.Rect, svg string, sized bool) string {
	size := ""
	if sized {
		size = fmt.Sprintf(` width="%smm" height="%smm"`, fmtNum(box.W()), fmtNum(box.H()))
	}
	return fmt.Sprintf(`<svg xmlns="http://www.w3.org/2000/svg"%s viewBox="%s %s %s %s">%s</svg>`, size, fmtNum(box.Min.X), fmtNum(box.Min.Y), fmtNum(box.W()), fmtNum(box.H()), svg)
}

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
	svg := fmt.Sprintf(`<path d="%s" fill="#3a2413" opacity=".22" transform="translate(%s %s)"/>`, curve(o), fmtShift(v.HeightMM), fmtShift(v.HeightMM*1.2)) + empty(v, defs)
	var d strings.Builder
	d.WriteString("<defs>")
	writeDefs(&d, defs)
	d.WriteString("</defs>")
	return document(o.Bounds().Grow(margin), d.String()+svg, true)
}

func fmtShift(h float64) string { return f(min(5, h/7)) }
func fmtNum(v float64) string   { return f(v) }
