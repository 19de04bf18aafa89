package art

import (
	"cmp"
	"fmt"
	"maps"
	"math"
	"slices"
	"strings"

	"happytray/core/colour"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/tray"
)

// The slanted view: the table as a guest before it sees it, from 40 degrees above. Every drawing is pressed to the sine of
// that and lifted by its height; under it stands its side.
const (
	slantDeg = 40.0
	boardMM  = 16.0 // how thick a board is drawn
)

var (
	press = math.Sin(slantDeg * math.Pi / 180)
	lift  = math.Cos(slantDeg * math.Pi / 180)
)

// Sides are what a tray can be seen from.
var Sides = []string{"bottom", "top", "left", "right"}

// turnOf is by how many degrees a tray is turned to be seen from a side.
var turnOf = map[string]float64{"bottom": 0, "top": 180, "left": -90, "right": 90}

// solid is a piece that stands on the tray, as it is seen.
type solid struct {
	use     string
	element string
	at      geom.Point   // of its drawing, seen from the side, from the middle of the board
	turn    float64      // of its drawing
	base    geom.Outline // round, in the same coordinates
	low     float64      // mm above the board
	high    float64
	kind    stance
	side    colour.Lab
	taper   float64 // of its foot
	depth   float64 // what is farther back is drawn first
}

// stance is how a piece stands.
type stance int

const (
	flat   stance = iota // so thin that no side shows
	prism                // with sides as its outline
	round                // round all over
	folded               // soft slices on their folds
	footed               // a plate on a foot, that something stands on
)

// Slant draws a tray as it is seen from one of its Sides, as a standalone SVG document, with the names of what
// lies on it where they are wanted.
func Slant(title string, t *tray.Tray, larder *food.Larder, from string, names bool) (string, error) {
	if err := fault.OneOf("from", from, Sides...); err != nil {
		return "", err
	}
	if t.Board == nil {
		return "", fault.Bad("board", "choose a board before laying the tray")
	}
	v := slanted{t: t, larder: larder, turn: turnOf[from]}
	v.middle = t.Board.Outline.Bounds().Centre()
	return v.draw(title, names), nil
}

type slanted struct {
	t      *tray.Tray
	larder *food.Larder
	turn   float64
	middle geom.Point
}

// seen is a point of the board in the view, before it is pressed.
func (v *slanted) seen(q geom.Point) geom.Point {
	return geom.Pose{Turn: v.turn}.Apply(q.Sub(v.middle))
}

func (v *slanted) outline(o geom.Outline) geom.Outline {
	out := make(geom.Outline, len(o))
	for i, q := range o {
		out[i] = v.seen(q)
	}
	return out
}

// project is a point at a height, on the picture.
func project(q geom.Point, z float64) geom.Point { return geom.Pt(q.X, q.Y*press-z*lift) }

func projected(o geom.Outline, z float64) geom.Outline {
	out := make(geom.Outline, len(o))
	for i, q := range o {
		out[i] = project(q, z)
	}
	return out
}

func (v *slanted) draw(title string, names bool) string {
	scene := compose(0, v.t, v.larder)
	solids := v.solids()
	rim := v.outline(v.t.Board.Outline)
	box := projected(rim, 0).Bounds().Union(projected(rim, -boardMM).Bounds())
	for _, s := range solids {
		box = box.Union(projected(s.base, s.high).Bounds())
	}
	box = box.Grow(24)
	board := box // without the plates, for whoever shows it alone
	for _, p := range scene.Plates {
		box = box.Union(projected(geom.Circle(p.AcrossMM/2+24, 32).Move(v.seen(p.At)), -boardMM).Bounds())
	}
	defs := maps.Clone(scene.Defs)
	var m, drawings, body markup
	behind, before, used := v.plates(scene.Plates, defs)
	for _, id := range slices.Sorted(maps.Keys(scene.Drawings)) {
		used[id] = scene.Drawings[id].SVG
	}
	drawings.put(named(used))
	body.put(behind)
	v.board(&body, defs, rim, scene.Board)
	v.shadows(&body, solids)
	for _, s := range solids {
		v.stand(&body, defs, s)
	}
	body.put(before)
	if names {
		writeNames(&body, labels(v.t, v.larder, func(q geom.Point, high float64) geom.Point { return project(v.seen(q), high) }), nameSize(box.W()))
	}
	m.open("svg", "xmlns", namespace, "width", f(box.W())+"mm", "height", f(box.H())+"mm", "viewBox", view(box.Min.X, box.Min.Y, box.W(), box.H()), "data-board", view(board.Min.X, board.Min.Y, board.W(), board.H()), "role", "img")
	m.open("title")
	m.text(title)
	m.shut("title")
	m.put(defsOf(defs, blur("shade", "-5%", "-5%", "110%", "110%", 4)+drawings.String()))
	m.put(body.String())
	m.shut("svg")
	return m.String()
}

// plates draws the plates beside the board on the table, those behind it and those before it, and the drawings they use.
func (v *slanted) plates(all []DrawnPlate, defs map[string]string) (behind, before string, used map[string]string) {
	used = map[string]string{}
	var far, near markup
	for _, p := range all {
		q := v.seen(p.At)
		m := &near
		if q.Y < 0 {
			m = &far
		}
		at := project(q, -boardMM)
		m.open("g", "transform", fmt.Sprintf("translate(%s %s) scale(1 %s) rotate(%s)", f(at.X), f(at.Y), f(press), f(v.turn)))
		m.put(plateOf(0, p.Plate, v.larder, used, defs))
		m.shut("g")
	}
	return far.String(), near.String(), used
}

// board draws what everything stands on, with its edge, and its shadow on the table.
func (v *slanted) board(m *markup, defs map[string]string, rim geom.Outline, svg fragment) {
	m.leaf("path", "d", poly(projected(rim, -boardMM).Move(geom.Pt(9, 14))), "fill", "#2e2a22", "opacity", ".3", "filter", "url(#shade)")
	m.leaf("path", "d", sides(projected(rim, -boardMM), projected(rim, 0)), "fill", sideFill(defs, colour.Must(v.t.Board.Colour), 12))
	m.open("g", "transform", fmt.Sprintf("scale(1 %s) rotate(%s) translate(%s %s)", f(press), f(v.turn), f(-v.middle.X), f(-v.middle.Y)))
	m.put(svg)
	m.shut("g")
}

// solids are the pieces of the tray, the farthest first.
func (v *slanted) solids() []solid {
	var out []solid
	type top struct {
		body geom.Body
		high float64
	}
	var tops []top
	for i := range v.t.Elements {
		e := &v.t.Elements[i]
		fd, ok := v.larder.Get(e.Food)
		if !ok || !e.Placed || e.Kind() == food.KindGarnish {
			continue
		}
		spec, _ := fd.Spec(e.Form)
		vessel, inVessel := v.t.Vessel(e.Vessel)
		if up := e.RaisedMM(); up >= tray.StandMM {
			out = append(out, v.pedestal(e, up))
		}
		for k := range e.Pieces {
			p := &e.Pieces[k]
			s := v.solid(e, fd, spec, k)
			if inVessel {
				s.kind, s.side, s.taper = prism, colour.Must(vessel.Colour), .76
				s.high = p.ZMM + vessel.HeightMM
				if p.ZMM > 0 && p.ZMM < tray.StandMM { // on what is hidden under it
					s.low = 0
				}
			}
			out = append(out, s)
			tops = append(tops, top{geom.NewBody(p.Outline), s.high})
		}
	}
	for i := range v.t.Elements { // greens lie on what is under them
		e := &v.t.Elements[i]
		fd, ok := v.larder.Get(e.Food)
		if !ok || !e.Placed || e.Kind() != food.KindGarnish {
			continue
		}
		spec, _ := fd.Spec(e.Form)
		for k := range e.Pieces {
			s := v.solid(e, fd, spec, k)
			mid := e.Pieces[k].Outline.Centroid()
			under := 0.0
			for n := range tops {
				if tops[n].body.Box.Contains(mid) && tops[n].body.Outline.Contains(mid) {
					under = math.Max(under, tops[n].high)
				}
			}
			s.kind, s.low, s.high = flat, under, under+math.Min(6, e.Pieces[k].HeightMM)
			s.depth += 18
			out = append(out, s)
		}
	}
	hideUnder(out)
	slices.SortStableFunc(out, func(a, b solid) int { return cmp.Compare(a.depth, b.depth) })
	return out
}

// hideUnder lets what lies under a stand be drawn before it.
func hideUnder(all []solid) {
	for _, s := range all {
		if s.kind != footed {
			continue
		}
		box := s.base.Bounds()
		for k := range all {
			if o := &all[k]; o.element != s.element && o.high <= s.high && box.Contains(o.at) && s.base.Contains(o.at) {
				o.depth = math.Min(o.depth, s.depth-.5)
			}
		}
	}
}

// plateMM is how thick the plate of a stand is.
const plateMM = 6.0

// pedestal is what an element stands on: a plate on a foot.
func (v *slanted) pedestal(e *tray.Element, up float64) solid {
	var all geom.Outline
	for _, p := range e.Pieces {
		all = append(all, p.Outline...)
	}
	hull := all.Hull()
	s := solid{element: e.ID, at: v.seen(hull.Centroid()), base: v.outline(about(hull, .94)), high: up, kind: footed, taper: .5, side: standColour}
	s.depth = math.Inf(1)
	for _, p := range e.Pieces { // before the first of what stands on it
		s.depth = math.Min(s.depth, v.outline(p.Outline).Bounds().Max.Y-1)
	}
	return s
}

// standColour is that of glazed earthenware.
var standColour = colour.Must("#dcd3c2")

// solid is one piece as it stands.
func (v *slanted) solid(e *tray.Element, fd *food.Food, spec food.Spec, k int) solid {
	p := &e.Pieces[k]
	s := solid{use: KeyOf(e, k).ID(), element: e.ID, at: v.seen(p.At), turn: p.TurnDeg + v.turn, base: v.outline(p.Outline), low: p.ZMM, high: p.ZMM + p.HeightMM, kind: prism, taper: 1}
	s.side = colour.Must(fd.Colour)
	box := s.base.Bounds()
	s.depth = box.Max.Y + .4*p.ZMM
	breadth := math.Min(box.W(), box.H())
	switch spec.Shape {
	case "oval", "lump", "cylinder", "crescent":
		if p.HeightMM > .45*breadth {
			s.kind = round
		}
	case "gathered", "fold", "halffold", "rose":
		s.kind = folded
	case "half":
		if s.taper = .66; p.HeightMM > .58*breadth { // a dome, not a half laid on its skin
			s.kind = round
		}
	case "wedge", "triangle", "sector", "slab", "box":
		s.side = colour.Must(fd.Cut)
	case "skewer": // balls on a pick
		s.kind = round
	case "leaf", "petal", "spoon":
		s.kind = flat
	}
	if s.kind == prism && p.HeightMM < 2.5 {
		s.kind = flat
	}
	return s
}

// shadows are what everything casts on the board, soft and as one.
func (v *slanted) shadows(m *markup, all []solid) {
	m.open("g", "fill", "#2e1a0d", "opacity", ".4", "filter", "url(#shade)")
	var d strings.Builder
	for _, s := range all {
		far := math.Min(12, s.high*.22)
		d.WriteString(poly(projected(s.base, 0).Move(geom.Pt(far, far*.7+1))))
	}
	m.leaf("path", "d", d.String())
	m.shut("g")
}

// stand draws one piece: its side, and over it its drawing.
func (v *slanted) stand(m *markup, defs map[string]string, s solid) {
	box := s.base.Bounds()
	high := s.high - s.low
	m.open("g", "data-element", s.element)
	defer m.shut("g")
	switch s.kind {
	case round, folded: // an ellipsoid seen from there is as high as both its depth and its height make it
		deep := math.Max(1, box.H()/2)
		tall := high / 2
		k := math.Hypot(deep*press, tall*lift) / deep
		at := project(s.at, s.low+tall)
		if s.kind == folded { // folds stand close, a dark gap under each
			m.leaf("ellipse", "cx", f(at.X), "cy", f(project(s.at, s.low).Y), "rx", f(box.W()*.42), "ry", f(deep*press*.9), "fill", shadeOf(s.side, -26), "opacity", ".55")
		}
		m.leaf("use", "href", "#"+s.use, "transform", fmt.Sprintf("translate(%s %s) scale(1 %s) rotate(%s)", f(at.X), f(at.Y), f(k), f(s.turn)))
	case footed:
		foot, under := about(s.base, s.taper), s.high-plateMM
		m.leaf("path", "d", sides(projected(foot, s.low), projected(about(s.base, .8*s.taper), under)), "fill", sideFill(defs, s.side, 12))
		m.leaf("path", "d", sides(projected(s.base, under), projected(s.base, s.high)), "fill", sideFill(defs, s.side, 6))
		m.leaf("path", "d", poly(projected(s.base, s.high)), "fill", shadeOf(s.side, 4))
	default:
		if s.kind == prism {
			foot := s.base
			if s.taper < 1 {
				foot = about(foot, s.taper)
			}
			m.leaf("path", "d", sides(projected(foot, s.low), projected(s.base, s.high)), "fill", sideFill(defs, s.side, 9))
		}
		at := project(s.at, s.high)
		m.leaf("use", "href", "#"+s.use, "transform", fmt.Sprintf("translate(%s %s) scale(1 %s) rotate(%s)", f(at.X), f(at.Y), f(press), f(s.turn)))
	}
}

// sides is the path of all that is seen of a side: the hull of what is convex, else each of its faces.
func sides(foot, top geom.Outline) string {
	if top.Convex() {
		return poly(append(slices.Clone(foot), top...).Hull())
	}
	var d strings.Builder
	for i := range top {
		j := (i + 1) % len(top)
		d.WriteString(poly(geom.Outline{foot[i], foot[j], top[j], top[i]}.Hull()))
	}
	d.WriteString(poly(foot))
	return d.String()
}

// sideFill is a gradient for a side: lit from the left, darker to the right.
func sideFill(defs map[string]string, c colour.Lab, darker float64) string {
	hex := strings.TrimPrefix(c.Hex(), "#")
	id := fmt.Sprintf("side-%s-%.0f", hex, darker)
	if _, have := defs[id]; !have {
		var m markup
		m.open("linearGradient", "id", id, "x1", "0", "x2", "1", "y1", "0", "y2", ".25")
		for _, stop := range []struct {
			at string
			by float64
		}{{"0", -darker * .4}, {".3", -darker * .9}, {".8", -darker * 2.1}, {"1", -darker * 1.6}} {
			m.leaf("stop", "offset", stop.at, "stop-color", shadeOf(c, stop.by))
		}
		m.shut("linearGradient")
		defs[id] = m.String()
	}
	return "url(#" + id + ")"
}

// shadeOf is a colour lighter or darker by so much lightness, warmer where darker.
func shadeOf(c colour.Lab, by float64) string {
	c.L = math.Max(6, math.Min(96, c.L+by))
	if by < 0 {
		c.B += -by * .12
	}
	return c.Hex()
}
