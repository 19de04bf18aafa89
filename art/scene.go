package art

import (
	"fmt"
	"maps"
	"slices"
	"strings"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/tray"
)

// Scene is a tray ready to draw: the board, every drawing once, and the pieces
// in bands from low to high. A band's shadows are painted before its pieces, so
// that tall things shade low ones.
type Scene struct {
	Box      [4]float64         `json:"box"` // x, y, width, height in mm, with room for the shadow
	Board    string             `json:"board"`
	Drawings map[string]Drawing `json:"drawings"` // by Placed.Use
	Defs     map[string]string  `json:"defs"`     // gradients by id, which drawings name as url(#id)
	Bands    []Band             `json:"bands"`
}

// Drawing is one piece or vessel round its own origin.
type Drawing struct {
	SVG   string `json:"svg"`
	Shade string `json:"shade"` // path data of what casts its shadow
}

// Band is what tops out at about the same height.
type Band struct {
	Pieces []Placed `json:"pieces"`
}

// Placed is one drawing put on the board.
type Placed struct {
	Element int     `json:"e"` // index in the tray's elements
	Use     string  `json:"use"`
	X       float64 `json:"x"`
	Y       float64 `json:"y"`
	Turn    float64 `json:"turn"`
	Shift   float64 `json:"shift"` // mm the shadow falls to the right and down
}

// bandTops are the heights in mm at which a new band begins; greens come last.
var bandTops = []float64{15, 29}

// Compose makes the scene of a tray.
func Compose(t *tray.Tray, larder *food.Larder) Scene {
	if t.Board == nil {
		return Scene{Drawings: map[string]Drawing{}, Defs: map[string]string{}, Bands: []Band{}}
	}
	box := t.Board.Outline.Bounds().Grow(14)
	s := Scene{Box: [4]float64{box.Min.X, box.Min.Y, box.W(), box.H()}, Board: Board(t.Board)}
	s.Drawings, s.Defs = sheet(t, larder)
	s.Bands = make([]Band, len(bandTops)+2)
	for layer := 0; layer <= 8; layer++ {
		for i := range t.Elements {
			e := &t.Elements[i]
			if e.Layer != layer && !(layer == 8 && e.Layer > 8) {
				continue
			}
			for k, p := range e.Pieces {
				band := 0
				for band < len(bandTops) && p.ZMM+p.HeightMM > bandTops[band] {
					band++
				}
				if e.Kind() == food.KindGarnish {
					band = len(bandTops) + 1
				}
				s.Bands[band].Pieces = append(s.Bands[band].Pieces, Placed{i, KeyOf(e, k).ID(), p.At.X, p.At.Y, p.TurnDeg, min(6.5, (p.HeightMM+p.ZMM*.4)/7+.6)})
			}
		}
	}
	for i := range s.Bands {
		if s.Bands[i].Pieces == nil {
			s.Bands[i].Pieces = []Placed{}
		}
	}
	return s
}

// sheet draws every piece and vessel the tray uses, once each.
func sheet(t *tray.Tray, larder *food.Larder) (map[string]Drawing, map[string]string) {
	drawings, defs := map[string]Drawing{}, map[string]string{}
	for i := range t.Elements {
		e := &t.Elements[i]
		f, ok := larder.Get(e.Food)
		if !ok {
			continue
		}
		s, _ := f.Spec(e.Form)
		for k := range e.Pieces {
			key := KeyOf(e, k)
			id := key.ID()
			if _, seen := drawings[id]; seen {
				continue
			}
			var d Drawing
			var o geom.Outline
			if v, ok := t.Vessel(e.Vessel); ok {
				d.SVG, o = Bowl(v, f, s, defs), v.Footprint()
			} else {
				d.SVG, o = Sprite(f, s, key.Variant, defs), s.Outline(e.Food, key.Variant)
			}
			d.Shade = poly(shade(s, o))
			drawings[id] = d
		}
	}
	return drawings, defs
}

// Tray draws the whole tray as a standalone SVG document in true millimetres.
func Tray(t *tray.Tray, larder *food.Larder) string {
	s := Compose(t, larder)
	var b strings.Builder
	fmt.Fprintf(&b, `<svg xmlns="http://www.w3.org/2000/svg" width="%smm" height="%smm" viewBox="%s %s %s %s" role="img"><title>%s</title>`,
		f(s.Box[2]), f(s.Box[3]), f(s.Box[0]), f(s.Box[1]), f(s.Box[2]), f(s.Box[3]), escape(t.Title))
	b.WriteString(`<defs><filter id="shade" x="-3%" y="-3%" width="106%" height="106%"><feGaussianBlur stdDeviation="1.9"/></filter>`)
	writeDefs(&b, s.Defs)
	for _, id := range slices.Sorted(maps.Keys(s.Drawings)) {
		fmt.Fprintf(&b, `<g id="%s">%s</g><path id="o-%s" d="%s"/>`, id, s.Drawings[id].SVG, id, s.Drawings[id].Shade)
	}
	b.WriteString("</defs>" + s.Board)
	for _, band := range s.Bands {
		if len(band.Pieces) == 0 {
			continue
		}
		b.WriteString(`<g fill="#2e1a0d" opacity=".42" filter="url(#shade)">`)
		for _, p := range band.Pieces {
			fmt.Fprintf(&b, `<use href="#o-%s" transform="translate(%s %s) rotate(%s)"/>`, p.Use, f(p.X+p.Shift), f(p.Y+p.Shift*1.15), f(p.Turn))
		}
		b.WriteString(`</g>`)
		open := -1
		for _, p := range band.Pieces {
			if p.Element != open {
				if open >= 0 {
					b.WriteString("</g>")
				}
				e := &t.Elements[p.Element]
				fmt.Fprintf(&b, `<g data-element="%s">`, escape(e.ID))
				open = p.Element
			}
			fmt.Fprintf(&b, `<use href="#%s" transform="translate(%s %s) rotate(%s)"/>`, p.Use, f(p.X), f(p.Y), f(p.Turn))
		}
		b.WriteString("</g>")
	}
	b.WriteString("</svg>")
	return b.String()
}

func escape(s string) string {
	return strings.NewReplacer("&", "&amp;", "<", "&lt;", ">", "&gt;", `"`, "&quot;").Replace(s)
}

// shade is what of an outline casts a shadow: greens and skewers let light through.
func shade(s food.Spec, o geom.Outline) geom.Outline {
	switch s.Shape {
	case "leaf", "petal", "spoon":
		return about(o, .7)
	case "skewer":
		return about(o, .8)
	case "slab":
		if s.Solid > 0 && s.Solid < .4 { // a hollow leaf
			return about(o, .78)
		}
	}
	return o
}

// about scales an outline about its own middle.
func about(o geom.Outline, k float64) geom.Outline {
	c := o.Centroid()
	return o.Move(c.Mul(-1)).Scale(k).Move(c)
}
