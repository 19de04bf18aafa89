package paint

import (
	"encoding/xml"
	"fmt"
	"image/color"
	"io"
	"math"
	"strconv"
	"strings"

	"github.com/srwiley/rasterx"
	"golang.org/x/image/math/fixed"

	"happytray/core/geom"
)

// drawing is what art writes, read: shapes from below to above. Only what art writes is read; a general reader of SVG
// carries the letters of all the world's encodings along.
type drawing struct {
	shapes []shape
	view   geom.Rect
}

// shape is a path with how it is filled and drawn.
type shape struct {
	style
	path rasterx.Path
}

// style is what a tag and those round it say of its looks.
type style struct {
	fill, stroke ink
	wide         float64 // of the stroke
	opacity      float64
	round        bool // ends and corners of the stroke
	dash         []float64
	to           rasterx.Matrix2D
}

// ink is a colour, a gradient, or nothing.
type ink struct {
	plain    color.Color
	gradient *rasterx.Gradient
}

func (i ink) none() bool { return i.plain == nil && i.gradient == nil }

// unseen are the tags of which nothing is painted: the painter masks and blurs by itself.
var unseen = map[string]bool{"clipPath": true, "filter": true, "title": true}

// parsed reads a document.
func parsed(doc string) (*drawing, error) {
	d := &drawing{}
	gradients := map[string]*rasterx.Gradient{}
	var filling *rasterx.Gradient
	stack := []style{{fill: ink{plain: color.Black}, wide: 1, opacity: 1, to: rasterx.Identity}}
	in := xml.NewDecoder(strings.NewReader(doc))
	for {
		token, err := in.Token()
		if err == io.EOF {
			return d, nil
		}
		if err != nil {
			return nil, fmt.Errorf("a drawing cannot be read: %w", err)
		}
		switch t := token.(type) {
		case xml.EndElement:
			stack = stack[:len(stack)-1]
		case xml.StartElement:
			has := map[string]string{}
			for _, a := range t.Attr {
				has[a.Name.Local] = a.Value
			}
			now := stack[len(stack)-1]
			if err := now.take(has, gradients); err != nil {
				return nil, err
			}
			stack = append(stack, now)
			s := shape{style: now}
			switch tag := t.Name.Local; tag {
			case "svg":
				n := numbers(has["viewBox"])
				if len(n) == 4 {
					d.view = geom.Rect{Min: geom.Pt(n[0], n[1]), Max: geom.Pt(n[0]+n[2], n[1]+n[3])}
				}
			case "g", "defs":
			case "linearGradient", "radialGradient":
				filling = gradientOf(tag, has)
				gradients[has["id"]] = filling
			case "stop":
				c, err := hex(has["stop-color"])
				if err != nil || filling == nil {
					return nil, fmt.Errorf("a gradient has no such colour: %q", has["stop-color"])
				}
				filling.Stops = append(filling.Stops, rasterx.GradStop{StopColor: c, Offset: number(has["offset"]), Opacity: or(has["stop-opacity"], 1)})
			case "path":
				if s.path, err = pathOf(has["d"]); err != nil {
					return nil, err
				}
				d.shapes = append(d.shapes, s)
			case "circle", "ellipse":
				rx, ry := or(has["rx"], or(has["r"], 0)), or(has["ry"], or(has["r"], 0))
				rasterx.AddEllipse(number(has["cx"]), number(has["cy"]), rx, ry, 0, &s.path)
				d.shapes = append(d.shapes, s)
			default:
				if !unseen[tag] {
					return nil, fmt.Errorf("a drawing has a %s, which nobody paints", tag)
				}
				if err := in.Skip(); err != nil {
					return nil, err
				}
				stack = stack[:len(stack)-1]
			}
		}
	}
}

// take takes over what the attributes of a tag say.
func (s *style) take(has map[string]string, gradients map[string]*rasterx.Gradient) (err error) {
	for name, to := range map[string]*ink{"fill": &s.fill, "stroke": &s.stroke} {
		if v, said := has[name]; said {
			if *to, err = inkOf(v, gradients); err != nil {
				return err
			}
		}
	}
	s.wide = or(has["stroke-width"], s.wide)
	s.opacity *= or(has["opacity"], 1)
	s.round = s.round || has["stroke-linecap"] == "round" || has["stroke-linejoin"] == "round"
	if v, said := has["stroke-dasharray"]; said {
		s.dash = numbers(v)
	}
	if v, said := has["transform"]; said {
		s.to, err = moved(s.to, v)
	}
	return err
}

func inkOf(v string, gradients map[string]*rasterx.Gradient) (ink, error) {
	if v == "none" || v == "" {
		return ink{}, nil
	}
	if id, is := strings.CutPrefix(v, "url(#"); is {
		g, known := gradients[strings.TrimSuffix(id, ")")]
		if !known {
			return ink{}, fmt.Errorf("a drawing is filled with %s, which it does not have", v)
		}
		return ink{gradient: g}, nil
	}
	c, err := hex(v)
	return ink{plain: c}, err
}

func hex(v string) (color.Color, error) {
	v = strings.TrimPrefix(v, "#")
	if len(v) == 3 {
		v = string([]byte{v[0], v[0], v[1], v[1], v[2], v[2]})
	}
	n, err := strconv.ParseUint(v, 16, 32)
	if err != nil || len(v) != 6 {
		return nil, fmt.Errorf("%.20q is no colour", v)
	}
	return color.NRGBA{uint8(n >> 16), uint8(n >> 8), uint8(n), 255}, nil
}

func gradientOf(tag string, has map[string]string) *rasterx.Gradient {
	g := &rasterx.Gradient{Matrix: rasterx.Identity, IsRadial: tag == "radialGradient"}
	if g.IsRadial {
		cx, cy := or(has["cx"], .5), or(has["cy"], .5)
		g.Points = [5]float64{cx, cy, or(has["fx"], cx), or(has["fy"], cy), or(has["r"], .5)}
	} else {
		g.Points = [5]float64{or(has["x1"], 0), or(has["y1"], 0), or(has["x2"], 1), or(has["y2"], 0), 0}
	}
	return g
}

func number(s string) float64 { return or(s, 0) }

// or is a number, or what counts where nothing is said.
func or(s string, unsaid float64) float64 {
	v, err := strconv.ParseFloat(strings.TrimSuffix(s, "mm"), 64)
	if err != nil {
		return unsaid
	}
	return v
}

// numbers are those in a text, apart by blanks or commas, or by nothing before a minus.
func numbers(s string) (out []float64) {
	for len(s) > 0 {
		n := strings.IndexFunc(s, func(r rune) bool { return r >= '0' && r <= '9' || r == '-' || r == '.' })
		if n < 0 {
			return out
		}
		s = s[n:]
		end := 1
		dot := s[0] == '.'
		for end < len(s) && (s[end] >= '0' && s[end] <= '9' || s[end] == '.' && !dot) {
			dot = dot || s[end] == '.'
			end++
		}
		out = append(out, number(s[:end]))
		s = s[end:]
	}
	return out
}

// moved is a matrix with what a transform adds.
func moved(m rasterx.Matrix2D, transform string) (rasterx.Matrix2D, error) {
	for _, one := range strings.Split(transform, ")") {
		name, with, ok := strings.Cut(strings.TrimSpace(one), "(")
		if !ok {
			continue
		}
		n := append(numbers(with), 0, 0, 0)
		said := len(n) - 3
		switch strings.TrimSpace(name) {
		case "translate":
			m = m.Translate(n[0], n[1])
		case "rotate":
			m = m.Translate(n[1], n[2]).Rotate(n[0]*math.Pi/180).Translate(-n[1], -n[2])
		case "scale":
			if said < 2 {
				n[1] = n[0]
			}
			m = m.Scale(n[0], n[1])
		default:
			return m, fmt.Errorf("a drawing is %sd, which nobody paints", name)
		}
	}
	return m, nil
}

// takes is how many numbers each command of path data takes.
var takes = map[byte]int{'M': 2, 'L': 2, 'H': 1, 'V': 1, 'C': 6, 'Q': 4, 'T': 2, 'A': 7, 'Z': 0}

// pathOf reads path data.
func pathOf(d string) (p rasterx.Path, err error) {
	var at, begun, bend geom.Point // bend is the last handle of a Q or T
	curved := false
	to := func(q geom.Point) fixed.Point26_6 { return rasterx.ToFixedP(q.X, q.Y) }
	open := false
	for len(d) > 0 {
		c := d[0]
		rest := strings.IndexFunc(d[1:], func(r rune) bool { return r >= 'A' && r <= 'Z' || r >= 'a' && r <= 'z' })
		if rest < 0 {
			rest = len(d) - 1
		}
		n := numbers(d[1 : 1+rest])
		d = d[1+rest:]
		command, relative := c, c >= 'a'
		if relative {
			command = c - 'a' + 'A'
		}
		each, known := takes[command]
		if c == ' ' && len(n) == 0 {
			continue
		}
		if !known || each > 0 && (len(n) == 0 || len(n)%each != 0) {
			return nil, fmt.Errorf("%.1q with %d numbers is no path", c, len(n))
		}
		if command == 'Z' {
			if open {
				p.Stop(true)
			}
			at, open = begun, false
			continue
		}
		for k := 0; k < len(n); k += each {
			a := n[k : k+each]
			point := func(i int) geom.Point {
				q := geom.Pt(a[i], a[i+1])
				if relative {
					q = q.Add(at)
				}
				return q
			}
			smooth := curved
			curved = false
			switch {
			case command == 'M' && k == 0:
				if open {
					p.Stop(false)
				}
				at, open = point(0), true
				begun = at
				p.Start(to(at))
				continue
			case !open: // after a Z it goes on from where that began
				open = true
				p.Start(to(at))
			}
			was := at
			switch command {
			case 'M', 'L':
				at = point(0)
				p.Line(to(at))
			case 'H', 'V':
				v := a[0]
				if command == 'H' {
					at.X = v + map[bool]float64{true: was.X}[relative]
				} else {
					at.Y = v + map[bool]float64{true: was.Y}[relative]
				}
				p.Line(to(at))
			case 'C':
				b1, b2, end := point(0), point(2), point(4)
				at = end
				p.CubeBezier(to(b1), to(b2), to(end))
			case 'Q':
				b, end := point(0), point(2)
				bend, curved, at = b, true, end
				p.QuadBezier(to(b), to(end))
			case 'T':
				end := point(0)
				if smooth {
					bend = at.Mul(2).Sub(bend)
				} else {
					bend = at
				}
				curved, at = true, end
				p.QuadBezier(to(bend), to(end))
			case 'A':
				end := point(5)
				rx, ry := math.Abs(a[0]), math.Abs(a[1])
				cx, cy := rasterx.FindEllipseCenter(&rx, &ry, a[2]*math.Pi/180, was.X, was.Y, end.X, end.Y, a[4] == 0, a[3] == 0)
				rasterx.AddArc([]float64{rx, ry, a[2], a[3], a[4], end.X, end.Y}, cx, cy, was.X, was.Y, &p)
				at = end
			}
		}
	}
	if open {
		p.Stop(false)
	}
	return p, nil
}

// draw paints a drawing through a matrix, one shape over the other.
func (d *drawing) draw(brush *rasterx.Dasher, by rasterx.Matrix2D) {
	for i := range d.shapes {
		s := &d.shapes[i]
		m := rasterx.MatrixAdder{M: by.Mult(s.to)}
		if !s.fill.none() {
			brush.Clear()
			m.Adder = &brush.Filler
			s.path.AddTo(&m)
			s.fill.put(&brush.Filler, s.opacity)
			brush.Filler.Draw()
		}
		if !s.stroke.none() {
			brush.Clear()
			grows := math.Sqrt(math.Abs(m.M.A*m.M.D - m.M.B*m.M.C)) // how much larger it is painted
			end, gap, join := rasterx.CapFunc(rasterx.ButtCap), rasterx.FlatGap, rasterx.Miter
			if s.round {
				end, gap, join = rasterx.RoundCap, rasterx.RoundGap, rasterx.Round
			}
			dash := make([]float64, len(s.dash))
			for k, v := range s.dash {
				dash[k] = v * grows
			}
			const miter = 4 // as SVG has it
			brush.SetStroke(fixed.Int26_6(s.wide*grows*64), miter*64, end, end, gap, join, dash, 0)
			m.Adder = brush
			s.path.AddTo(&m)
			s.stroke.put(&brush.Filler, s.opacity)
			brush.Draw()
		}
	}
}

// put sets what a path is filled with, once it is known where it is.
func (i ink) put(on *rasterx.Filler, opacity float64) {
	if i.gradient == nil {
		on.SetColor(rasterx.ApplyOpacity(i.plain, opacity))
		return
	}
	g := *i.gradient
	box := on.Scanner.GetPathExtent()
	g.Bounds.X, g.Bounds.Y = float64(box.Min.X)/64, float64(box.Min.Y)/64
	g.Bounds.W, g.Bounds.H = float64(box.Max.X-box.Min.X)/64, float64(box.Max.Y-box.Min.Y)/64
	on.SetColor(g.GetColorFunction(opacity))
}
