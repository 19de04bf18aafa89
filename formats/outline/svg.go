package outline

import (
	"bytes"
	"encoding/xml"
	"errors"
	"fmt"
	"io"
	"math"
	"slices"
	"strconv"
	"strings"

	"happytray/core/fault"
	"happytray/core/geom"
)

// parser walks an SVG document and collects its closed shapes as outlines.
type parser struct {
	shapes   []geom.Outline
	points   int
	elements int
	physical bool
}

// frame is an open element: how its inside is drawn.
type frame struct {
	m    matrix  // from its coordinates to mm
	skip bool    // nothing in it is drawn
	w, h float64 // of the nearest viewport, in its own units, for lengths in per cent
}

// drawn nothing: their shapes are definitions or words.
var hidden = []string{"defs", "symbol", "clipPath", "mask", "pattern", "marker", "metadata", "title", "desc", "style", "text", "linearGradient", "radialGradient", "filter"}

// runs or reach outside, and have no place in an outline.
var refused = []string{"script", "foreignObject", "iframe", "object", "embed", "handler", "listener", "set", "animate", "animateTransform", "animateMotion"}

// MaxBytes bounds a drawing.
const MaxBytes = 4 << 20

// pixel is one CSS pixel in mm.
const pixel = 25.4 / 96

func parse(svg []byte) (shapes []geom.Outline, physical bool, err error) {
	if len(svg) > MaxBytes {
		return nil, false, fault.Bad("", "the drawing is larger than %d MB; an outline needs far less", MaxBytes>>20)
	}
	d := xml.NewDecoder(bytes.NewReader(svg))
	d.CharsetReader = func(charset string, in io.Reader) (io.Reader, error) {
		return nil, fmt.Errorf("it is written in %.20s; save it in UTF-8", charset)
	}
	p := &parser{}
	var stack []frame
	for {
		tok, err := d.Token()
		if errors.Is(err, io.EOF) {
			break
		}
		if err != nil {
			return nil, false, fault.Bad("", "this is no sound SVG drawing: %s", err.Error())
		}
		switch t := tok.(type) {
		case xml.Directive:
			if bytes.Contains(bytes.ToUpper(t), []byte("ENTITY")) || bytes.ContainsRune(t, '[') {
				return nil, false, fault.Bad("", "the drawing defines entities of its own; save it as plain SVG")
			}
		case xml.StartElement:
			if p.elements++; p.elements > maxElements {
				return nil, false, fault.Bad("", "the drawing has more than %d elements; leave only the board's edge in it", maxElements)
			}
			if len(stack) >= maxDepth {
				return nil, false, fault.Bad("", "the drawing is nested more than %d deep", maxDepth)
			}
			if len(stack) == 0 && t.Name.Local != "svg" {
				return nil, false, fault.Bad("", "this is no SVG drawing; it begins with %.40q", t.Name.Local)
			}
			f, err := p.open(t, stack)
			if err != nil {
				return nil, false, err
			}
			stack = append(stack, f)
		case xml.EndElement:
			stack = stack[:len(stack)-1]
		}
	}
	if p.elements == 0 {
		return nil, false, fault.Bad("", "this is no SVG drawing")
	}
	return p.shapes, p.physical, nil
}

type attributes map[string]string

func (p *parser) open(t xml.StartElement, stack []frame) (frame, error) {
	name := t.Name.Local
	if slices.Contains(refused, name) {
		return frame{}, fault.Bad("", "the drawing holds %s, which an outline does not need; save it as plain SVG", name)
	}
	a := attributes{}
	for _, at := range t.Attr {
		key := strings.ToLower(at.Name.Local)
		if strings.HasPrefix(key, "on") {
			return frame{}, fault.Bad("", "the drawing holds a script (%.30s); save it as plain SVG", key)
		}
		if key == "href" && !strings.HasPrefix(strings.TrimSpace(at.Value), "#") {
			return frame{}, fault.Bad("", "the drawing refers to something outside of it (%.60q); save it as plain SVG", at.Value)
		}
		if strings.Contains(strings.ToLower(at.Value), "url(") && !strings.Contains(strings.ReplaceAll(at.Value, " ", ""), "url(#") {
			return frame{}, fault.Bad("", "the drawing refers to something outside of it; save it as plain SVG")
		}
		a[at.Name.Local] = at.Value
	}
	f := frame{m: identity}
	root := len(stack) == 0
	if !root {
		f = stack[len(stack)-1]
	}
	if slices.Contains(hidden, name) || strings.TrimSpace(a["display"]) == "none" || strings.Contains(strings.ReplaceAll(a["style"], " ", ""), "display:none") {
		f.skip = true
	}
	if f.skip && !root {
		return f, nil
	}
	if tr := a["transform"]; tr != "" {
		m, err := transform(tr)
		if err != nil {
			return f, err
		}
		f.m = f.m.mul(m)
	}
	if name == "svg" {
		return p.viewport(a, f, root)
	}
	path, err := shape(name, a, f)
	if err != nil || path == nil {
		return f, err
	}
	return f, p.take(path, f.m)
}

// viewport opens an svg element: its place, its size and its viewBox.
func (p *parser) viewport(a attributes, f frame, root bool) (frame, error) {
	var box [4]float64
	hasBox := false
	if v := a["viewBox"]; v != "" {
		n, err := numbers(v)
		if err != nil || len(n) != 4 || n[2] <= 0 || n[3] <= 0 {
			return f, fault.Bad("", "the viewBox %.60q cannot be read", v)
		}
		copy(box[:], n)
		hasBox = true
	}
	size := func(key string, outer, inner float64) (px float64, physical bool, err error) {
		v := strings.TrimSpace(a[key])
		if v == "" || strings.HasSuffix(v, "%") && root {
			if hasBox && root {
				return inner, false, nil
			}
			return outer, false, nil
		}
		return length(v, outer)
	}
	if root {
		f.w, f.h = 1000, 1000
	}
	w, physW, err := size("width", f.w, box[2])
	if err != nil {
		return f, err
	}
	h, physH, err := size("height", f.h, box[3])
	if err != nil {
		return f, err
	}
	if w <= 0 || h <= 0 {
		return f, fault.Bad("", "the drawing has no size")
	}
	if root {
		p.physical = physW || physH
		if hasBox && physW != physH { // one side is given, the other follows
			if physW {
				h = w * box[3] / box[2]
			} else {
				w = h * box[2] / box[3]
			}
		}
		f.m = f.m.scale(pixel, pixel)
	} else {
		x, _, err := length(or(a["x"], "0"), f.w)
		if err != nil {
			return f, err
		}
		y, _, err := length(or(a["y"], "0"), f.h)
		if err != nil {
			return f, err
		}
		f.m = f.m.translate(x, y)
	}
	f.w, f.h = w, h
	if !hasBox {
		return f, nil
	}
	sx, sy := w/box[2], h/box[3]
	dx, dy := 0.0, 0.0
	aspect := a["preserveAspectRatio"]
	if !strings.Contains(aspect, "none") {
		k := math.Min(sx, sy)
		if strings.Contains(aspect, "slice") {
			k = math.Max(sx, sy)
		}
		place := func(free float64, low, high string) float64 {
			switch {
			case strings.Contains(aspect, low):
				return 0
			case strings.Contains(aspect, high):
				return free
			}
			return free / 2
		}
		dx, dy = place(w-k*box[2], "xMin", "xMax"), place(h-k*box[3], "YMin", "YMax")
		sx, sy = k, k
	}
	f.m = f.m.translate(dx, dy).scale(sx, sy).translate(-box[0], -box[1])
	f.w, f.h = box[2], box[3]
	return f, nil
}

func or(v, otherwise string) string {
	if strings.TrimSpace(v) == "" {
		return otherwise
	}
	return v
}

// shape makes the path of an element, nil for one that draws no area.
func shape(name string, a attributes, f frame) (path, error) {
	var bad error
	num := func(key string, of float64) float64 {
		v, _, err := length(or(a[key], "0"), of)
		if err != nil && bad == nil {
			bad = err
		}
		return v
	}
	diagonal := math.Hypot(f.w, f.h) / math.Sqrt2
	switch name {
	case "path":
		return pathOf(a["d"])
	case "rect":
		x, y, w, h := num("x", f.w), num("y", f.h), num("width", f.w), num("height", f.h)
		rx, ry := num("rx", f.w), num("ry", f.h)
		if a["rx"] == "" || a["rx"] == "auto" {
			rx = ry
		}
		if a["ry"] == "" || a["ry"] == "auto" {
			ry = rx
		}
		if bad != nil || w <= 0 || h <= 0 {
			return nil, bad
		}
		rx, ry = math.Max(0, math.Min(rx, w/2)), math.Max(0, math.Min(ry, h/2))
		var p path
		if rx == 0 || ry == 0 {
			p.moveTo(geom.Pt(x, y))
			p.lineTo(geom.Pt(x+w, y))
			p.lineTo(geom.Pt(x+w, y+h))
			p.lineTo(geom.Pt(x, y+h))
		} else {
			p.moveTo(geom.Pt(x+rx, y))
			p.lineTo(geom.Pt(x+w-rx, y))
			p.arcTo(rx, ry, 0, false, true, geom.Pt(x+w, y+ry))
			p.lineTo(geom.Pt(x+w, y+h-ry))
			p.arcTo(rx, ry, 0, false, true, geom.Pt(x+w-rx, y+h))
			p.lineTo(geom.Pt(x+rx, y+h))
			p.arcTo(rx, ry, 0, false, true, geom.Pt(x, y+h-ry))
			p.lineTo(geom.Pt(x, y+ry))
			p.arcTo(rx, ry, 0, false, true, geom.Pt(x+rx, y))
		}
		return p, nil
	case "circle", "ellipse":
		cx, cy := num("cx", f.w), num("cy", f.h)
		rx, ry := num("rx", f.w), num("ry", f.h)
		if name == "circle" {
			rx = num("r", diagonal)
			ry = rx
		}
		if bad != nil || rx <= 0 || ry <= 0 {
			return nil, bad
		}
		var p path
		p.moveTo(geom.Pt(cx+rx, cy))
		p.arcTo(rx, ry, 0, false, true, geom.Pt(cx-rx, cy))
		p.arcTo(rx, ry, 0, false, true, geom.Pt(cx+rx, cy))
		return p, nil
	case "polygon", "polyline":
		n, err := numbers(a["points"])
		if err != nil {
			return nil, err
		}
		if len(n) > 2*maxPoints {
			return nil, tooMany
		}
		var p path
		for i := 0; i+1 < len(n); i += 2 {
			if i == 0 {
				p.moveTo(geom.Pt(n[0], n[1]))
			} else {
				p.lineTo(geom.Pt(n[i], n[i+1]))
			}
		}
		return p, nil
	}
	return nil, nil
}

var tooMany = fault.Bad("", "the drawing has too many points; leave only the board's edge in it")

// pathOf reads path data within bounds.
func pathOf(d string) (path, error) {
	d = strings.TrimSpace(d)
	if d == "" || d == "none" {
		return nil, nil
	}
	if len(d) > maxPath {
		return nil, fault.Bad("", "a path has more than %d characters; simplify it in your drawing program", maxPath)
	}
	p, err := readPath(d)
	if err != nil {
		return nil, fault.Bad("", "a path cannot be read, beginning %.40q", d)
	}
	return p, nil
}

// take flattens a path in mm and keeps its parts; an open one is closed, as a
// fill would.
func (p *parser) take(all path, m matrix) error {
	if len(all) > maxShapes {
		return fault.Bad("", "the drawing has more than %d shapes; leave only the board's edge and its holes in it", maxShapes)
	}
	for _, one := range all {
		for i, q := range one {
			q = m.at(q)
			if !(math.Abs(q.X) < 1e7 && math.Abs(q.Y) < 1e7) { // also what is no number
				return fault.Bad("", "the drawing has coordinates that are no numbers or lie too far out")
			}
			one[i] = q
		}
		box := geom.Outline(one).Bounds()
		size := math.Max(box.W(), box.H())
		if size <= 0 {
			continue
		}
		o := one.flat(size / 2500)
		if len(o) > 1 && o[0] == o[len(o)-1] {
			o = o[:len(o)-1]
		}
		if p.points += len(o); p.points > maxPoints {
			return tooMany
		}
		if len(o) >= 3 {
			if p.shapes = append(p.shapes, o); len(p.shapes) > maxShapes {
				return fault.Bad("", "the drawing has more than %d shapes; leave only the board's edge and its holes in it", maxShapes)
			}
		}
	}
	return nil
}

// perUnit is CSS pixels in each unit of length.
var perUnit = map[string]float64{"": 1, "px": 1, "mm": 96 / 25.4, "cm": 960 / 25.4, "in": 96, "pt": 96. / 72, "pc": 16, "q": 24 / 25.4, "Q": 24 / 25.4, "em": 16, "ex": 8}

// length reads a length in pixels; per cent are of the given extent. physical is
// true for units that a ruler knows.
func length(v string, of float64) (px float64, physical bool, err error) {
	v = strings.TrimSpace(v)
	i := len(v)
	for i > 0 && (v[i-1] >= 'a' && v[i-1] <= 'z' || v[i-1] >= 'A' && v[i-1] <= 'Z' || v[i-1] == '%') {
		i--
	}
	n, e := strconv.ParseFloat(strings.TrimSpace(v[:i]), 64)
	unit := v[i:]
	k, known := perUnit[unit]
	if unit == "%" {
		k, known = of/100, true
	}
	if e != nil || !known || math.IsNaN(n) || math.Abs(n) > 1e7 {
		return 0, false, fault.Bad("", "the length %.40q cannot be read", v)
	}
	return n * k, slices.Contains([]string{"mm", "cm", "in", "pt", "pc", "q", "Q"}, unit), nil
}

// numbers reads a list of numbers parted by blanks or commas.
func numbers(s string) ([]float64, error) {
	if len(s) > maxPath {
		return nil, tooMany
	}
	var out []float64
	for _, w := range strings.FieldsFunc(s, func(r rune) bool { return r == ',' || r == ' ' || r == '\n' || r == '\t' || r == '\r' }) {
		v, err := strconv.ParseFloat(w, 64)
		if err != nil || math.IsNaN(v) || math.Abs(v) > 1e7 {
			return nil, fault.Bad("", "%.30q is not a number", w)
		}
		out = append(out, v)
	}
	return out, nil
}

// transform reads a transform list.
func transform(s string) (matrix, error) {
	m := identity
	bad := fault.Bad("", "the transform %.60q cannot be read", s)
	rest := strings.Trim(s, " \t\r\n,")
	if rest == "none" {
		return m, nil
	}
	for n := 0; rest != ""; n++ {
		open, end := strings.IndexByte(rest, '('), strings.IndexByte(rest, ')')
		if open < 0 || end < open || n > 40 {
			return m, bad
		}
		v, err := numbers(rest[open+1 : end])
		if err != nil {
			return m, bad
		}
		name := strings.Trim(rest[:open], " \t\r\n,")
		rest = strings.TrimLeft(rest[end+1:], " \t\r\n,")
		switch {
		case name == "matrix" && len(v) == 6:
			m = m.mul(matrix(v))
		case name == "translate" && len(v) == 1:
			m = m.translate(v[0], 0)
		case name == "translate" && len(v) == 2:
			m = m.translate(v[0], v[1])
		case name == "scale" && len(v) == 1:
			m = m.scale(v[0], v[0])
		case name == "scale" && len(v) == 2:
			m = m.scale(v[0], v[1])
		case name == "rotate" && len(v) == 1:
			m = m.rotate(v[0])
		case name == "rotate" && len(v) == 3:
			m = m.translate(v[1], v[2]).rotate(v[0]).translate(-v[1], -v[2])
		case name == "skewX" && len(v) == 1 && math.Abs(v[0]) < 89:
			m = m.mul(matrix{1, 0, math.Tan(v[0] * math.Pi / 180), 1, 0, 0})
		case name == "skewY" && len(v) == 1 && math.Abs(v[0]) < 89:
			m = m.mul(matrix{1, math.Tan(v[0] * math.Pi / 180), 0, 1, 0, 0})
		default:
			return m, bad
		}
	}
	return m, nil
}
