package art

import (
	"cmp"
	"maps"
	"slices"
	"strings"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/say"
	"happytray/core/tool"
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
	Places   []string           `json:"places"` // where each element lies, in words
	Beside   []string           `json:"beside"` // next to what, or nothing
	Tools    []PlacedTool       `json:"tools"`  // over what is laid, to be shown where they are wanted
	Plates   []DrawnPlate       `json:"plates"` // of bread and crackers, that stand beside the board
	Edge     string             `json:"-"`      // path data of the board's edge

	beside []string // the plates as they are put into a document
}

// PlacedTool is a serving tool put on the board.
type PlacedTool struct {
	tool.Placed
	SVG string `json:"svg"` // with its tip at the origin and its handle along x
}

// Drawing is one piece or vessel round its own origin.
type Drawing struct {
	SVG   string `json:"svg"`
	Shade string `json:"shade"` // path data of what casts its shadow
	// Box is where all of it lies round its origin: x, y, width, height, mm.
	Box [4]float64 `json:"box"`
}

// Band is what tops out at about the same height.
type Band struct {
	Pieces []Placed `json:"pieces"`
}

// Placed is one drawing put on the board.
type Placed struct {
	Element int     `json:"e"` // index in the tray's elements
	Piece   int     `json:"p"` // index in the element's pieces
	Use     string  `json:"use"`
	X       float64 `json:"x"`
	Y       float64 `json:"y"`
	Turn    float64 `json:"turn"`
	Shift   float64 `json:"shift"` // mm the shadow falls to the right and down

	outline geom.Outline // of the piece, on the board
}

// beyond is how far a drawing's stalks, crumbs and glints reach past its outline at most, mm.
const beyond = 5

// bandTops are the heights in mm at which a new band begins; greens come last.
var bandTops = []float64{15, 29}

// Compose makes the scene of a tray.
func Compose(t *tray.Tray, larder *food.Larder) Scene { return compose(0, t, larder) }

func compose(least Least, t *tray.Tray, larder *food.Larder) Scene {
	if t.Board == nil {
		return Scene{Drawings: map[string]Drawing{}, Defs: map[string]string{}, Bands: []Band{}, Places: []string{}, Beside: []string{}, Tools: []PlacedTool{}, Plates: []DrawnPlate{}}
	}
	box := t.Board.Outline.Bounds().Grow(14)
	s := Scene{Box: [4]float64{box.Min.X, box.Min.Y, box.W(), box.H()}, Board: Board(t.Board), Edge: edgeOf(t.Board)}
	s.Drawings, s.Defs = sheet(least, t, larder)
	s.Places = make([]string, len(t.Elements))
	for i := range t.Elements {
		if e := &t.Elements[i]; e.Placed {
			s.Places[i] = tray.Where(t.Board, e.Pose().At())
		} else {
			s.Places[i] = "beside the board"
		}
	}
	s.Beside = besideSaid(t, larder)
	s.Tools = toolsOn(t, larder)
	s.Plates = []DrawnPlate{}
	if least == 0 { // nobody sees them from afar
		s.Plates = platesBeside(t, larder)
	}
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
				s.Bands[band].Pieces = append(s.Bands[band].Pieces, Placed{i, k, KeyOf(e, k).ID(), p.At.X, p.At.Y, p.TurnDeg, min(6.5, (p.HeightMM+p.ZMM*.4)/7+.6), p.Outline})
			}
		}
	}
	for i := range s.Bands {
		if s.Bands[i].Pieces == nil {
			s.Bands[i].Pieces = []Placed{}
		}
		// what lies on something else is drawn after it, whatever was laid first
		slices.SortStableFunc(s.Bands[i].Pieces, func(a, b Placed) int {
			return cmp.Compare(t.Elements[a.Element].Pieces[a.Piece].ZMM, t.Elements[b.Element].Pieces[b.Piece].ZMM)
		})
	}
	return s
}

func toolsOn(t *tray.Tray, larder *food.Larder) []PlacedTool {
	out := []PlacedTool{}
	for _, p := range tool.On(t, larder) {
		out = append(out, PlacedTool{p, Tool(p.Name)})
	}
	return out
}

// besideSaid says next to what each element lies.
func besideSaid(t *tray.Tray, larder *food.Larder) []string {
	out := make([]string, len(t.Elements))
	for i, near := range t.Neighbours() {
		var names []string
		for _, j := range near {
			if fd, ok := larder.Get(t.Elements[j].Food); ok {
				name, _, _ := strings.Cut(fd.Name, ",")
				names = append(names, say.Lower(name))
			}
		}
		if len(names) > 0 {
			out[i] = "next to " + say.And(names)
		}
	}
	return out
}

// sheet draws every piece and vessel the tray uses, once each.
func sheet(least Least, t *tray.Tray, larder *food.Larder) (map[string]Drawing, map[string]string) {
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
				d.SVG, o = bowlFrom(least, v, f, s, defs), v.Footprint()
			} else {
				d.SVG, o = spriteFrom(least, f, s, key.Variant, defs), s.Outline(e.Food, key.Variant)
			}
			d.Shade = poly(shade(s, o))
			b := o.Bounds().Grow(beyond)
			d.Box = [4]float64{b.Min.X, b.Min.Y, b.W(), b.H()}
			drawings[id] = d
		}
	}
	return drawings, defs
}

// Tray draws the whole tray as a standalone SVG document in true millimetres.
func Tray(title string, t *tray.Tray, larder *food.Larder) string {
	return TrayFrom(0, title, t, larder)
}

// Picture is Tray with the names of what lies on it, where they are wanted, and cropped to one of Crops where
// that is not empty; where it is, the plates beside the board are in it.
func Picture(title string, t *tray.Tray, larder *food.Larder, names bool, crop string) (string, error) {
	s := compose(0, t, larder)
	if crop != "" {
		r, err := Cropped(t, crop)
		if err != nil {
			return "", err
		}
		s.Box = [4]float64{r.Min.X, r.Min.Y, r.W(), r.H()}
	} else {
		s.putPlates(larder)
	}
	return sceneDocument(0, title, t, larder, s, names), nil
}

// TrayFrom is Tray without what cannot be seen from so far.
func TrayFrom(least Least, title string, t *tray.Tray, larder *food.Larder) string {
	return sceneDocument(least, title, t, larder, compose(least, t, larder), false)
}

// sceneDocument writes a scene of a tray as a document that shows the scene's box.
func sceneDocument(least Least, title string, t *tray.Tray, larder *food.Larder, s Scene, names bool) string {
	var m markup
	m.open("svg", "xmlns", namespace, "width", f(s.Box[2])+"mm", "height", f(s.Box[3])+"mm", "viewBox", view(s.Box[0], s.Box[1], s.Box[2], s.Box[3]), "role", "img")
	m.open("title")
	m.text(title)
	m.shut("title")
	var drawings markup
	for _, id := range slices.Sorted(maps.Keys(s.Drawings)) {
		drawings.open("g", "id", id)
		drawings.put(s.Drawings[id].SVG)
		drawings.shut("g")
		if least == 0 {
			drawings.leaf("path", "id", "o-"+id, "d", s.Drawings[id].Shade)
		}
	}
	m.put(defsOf(s.Defs, blur("shade", "-3%", "-3%", "106%", "106%", 1.9)+drawings.String()))
	m.put(s.Board)
	for _, p := range s.beside {
		m.put(p)
	}
	for _, band := range s.Bands {
		if len(band.Pieces) > 0 {
			drawBand(&m, t, band, least > 0)
		}
	}
	if names {
		writeNames(&m, labels(t, larder, func(q geom.Point, _ float64) geom.Point { return q }), nameSize(s.Box[2]))
	}
	m.shut("svg")
	return m.String()
}

// drawBand draws the shadows of a band's pieces and, over them, the pieces, element by
// element. Plain shadows are one shape, all of one height and with the pieces' own outlines.
func drawBand(m *markup, t *tray.Tray, band Band, plain bool) {
	m.open("g", "fill", "#2e1a0d", "opacity", ".42", "filter", "url(#shade)")
	if plain {
		var all strings.Builder
		high := 0.0
		for _, p := range band.Pieces {
			all.WriteString(poly(p.outline))
			high += p.Shift / float64(len(band.Pieces))
		}
		m.leaf("path", "d", all.String(), "transform", placed(high, high*1.15, 0))
	} else {
		for _, p := range band.Pieces {
			m.leaf("use", "href", "#o-"+p.Use, "transform", placed(p.X+p.Shift, p.Y+p.Shift*1.15, p.Turn))
		}
	}
	m.shut("g")
	open := -1
	for _, p := range band.Pieces {
		if p.Element != open {
			if open >= 0 {
				m.shut("g")
			}
			m.open("g", "data-element", t.Elements[p.Element].ID)
			open = p.Element
		}
		m.leaf("use", "href", "#"+p.Use, "transform", placed(p.X, p.Y, p.Turn))
	}
	m.shut("g")
}

// blur is a filter that softens shadows.
func blur(id, x, y, width, height string, by float64) fragment {
	var m markup
	m.open("filter", "id", id, "x", x, "y", y, "width", width, "height", height)
	m.leaf("feGaussianBlur", "stdDeviation", f(by))
	m.shut("filter")
	return m.String()
}

// shade is what of an outline casts a shadow: greens and skewers let light through, what stands on edge has round shoulders.
func shade(s food.Spec, o geom.Outline) geom.Outline {
	switch s.Shape {
	case "edge":
		return shoulders(o)
	case "leaf", "petal", "spoon":
		return about(o, .7)
	case "strewn", "thread":
		return about(o, .1)
	case "loop":
		return about(o, .82)
	case "skewer":
		return about(o, .8)
	case "slab":
		if s.Solid > 0 && s.Solid < .4 { // a hollow leaf
			return about(o, .78)
		}
	}
	return o
}

// shoulders is an outline whose ends are round: of a row of crackers on edge no bar shows under each.
func shoulders(o geom.Outline) geom.Outline {
	b, c := o.Bounds(), o.Centroid()
	out := make(geom.Outline, 0, len(o))
	for _, q := range geom.Ellipse(b.W()*.49, b.H()*.49, 24) {
		q = q.Add(c)
		if o.Contains(q) {
			out = append(out, q)
		}
	}
	if len(out) < 8 { // it lies askew: an ellipse along its axes would not
		return about(o, .86)
	}
	return out
}

// about scales an outline about its own middle.
func about(o geom.Outline, k float64) geom.Outline {
	c := o.Centroid()
	return o.Move(c.Mul(-1)).Scale(k).Move(c)
}
