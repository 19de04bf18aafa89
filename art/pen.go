// Package art draws boards, vessels and food as SVG, to scale, in millimetres.
// Every drawing is procedural and seeded, so the same piece always looks the
// same, on screen, on paper and in an exported file. The light comes from the
// upper left. One file per family of foods; Sprite finds the right one.
package art

import (
	"fmt"
	"maps"
	"math"
	"math/rand/v2"
	"slices"
	"strconv"
	"strings"

	"happytray/core/colour"
	"happytray/core/food"
	"happytray/core/geom"
)

// pen collects the marks of one drawing and the gradients it needs.
type pen struct {
	markup
	r    *rand.Rand
	defs map[string]string // gradient id to its element, shared by a sheet
	Least
}

// Least is the smallest mark that is drawn, mm, and eight times the thinnest line: what is
// looked at from afar needs no more. 0 draws everything.
type Least float64

// FromAfar suits a tray that is shown at about a third of a pixel for a mm, as on a ticket.
const FromAfar Least = 7

// Thumb suits a portion that is shown some 40 px wide.
const Thumb Least = 3

// leavesOut reports whether a mark so large is left out.
func (d Least) leavesOut(mm float64) bool { return mm < float64(d) }

// across is how far path data without arcs reaches, mm.
func across(d string) float64 {
	lo, hi := [2]float64{math.Inf(1), math.Inf(1)}, [2]float64{math.Inf(-1), math.Inf(-1)}
	numbers := strings.FieldsFunc(d, func(r rune) bool { return r == ' ' || r == ',' || r >= 'A' && r <= 'Z' })
	for i, n := range numbers {
		v, err := strconv.ParseFloat(n, 64)
		if err != nil {
			return math.Inf(1) // it goes by steps, which are not followed
		}
		lo[i%2], hi[i%2] = math.Min(lo[i%2], v), math.Max(hi[i%2], v)
	}
	return math.Max(hi[0]-lo[0], hi[1]-lo[1])
}

func newPen(defs map[string]string, least Least, seed ...string) *pen {
	return &pen{r: food.Rand(food.Seed(seed...)), defs: defs, Least: least}
}

// f writes a length with at most two decimals.
func f(v float64) string {
	if math.Abs(v) < .005 {
		return "0"
	}
	return strconv.FormatFloat(math.Round(v*100)/100, 'f', -1, 64)
}

func xy(p geom.Point) string { return f(p.X) + " " + f(p.Y) }

// poly is the path data of a closed polygon.
func poly(o geom.Outline) string {
	var b strings.Builder
	for i, p := range o {
		if i == 0 {
			b.WriteString("M")
		} else {
			b.WriteString("L")
		}
		b.WriteString(xy(p))
	}
	b.WriteString("Z")
	return b.String()
}

// smooth is the path data of a closed curve through all points (Catmull-Rom).
func smooth(o geom.Outline) string {
	n := len(o)
	if n < 4 {
		return poly(o)
	}
	var b strings.Builder
	b.WriteString("M" + xy(o[0]))
	for i := range o {
		p0, p1, p2, p3 := o[(i+n-1)%n], o[i], o[(i+1)%n], o[(i+2)%n]
		c1 := p1.Add(p2.Sub(p0).Mul(1. / 6))
		c2 := p2.Sub(p3.Sub(p1).Mul(1. / 6))
		b.WriteString("C" + xy(c1) + " " + xy(c2) + " " + xy(p2))
	}
	b.WriteString("Z")
	return b.String()
}

// curve is smooth for outlines whose points lie evenly, and straight for those
// with long sides and round corners, which a curve would make bulge.
func curve(o geom.Outline) string {
	shortest, longest := math.Inf(1), 0.0
	for i, p := range o {
		d := p.Dist(o[(i+1)%len(o)])
		shortest, longest = math.Min(shortest, d), math.Max(longest, d)
	}
	if longest > 3*shortest {
		return poly(o)
	}
	return smooth(o)
}

// sharp is the turn from which a point of an edge is a corner and not a curve, degrees: a
// circle of 64 points turns by 5.6 at each, a rounded corner of four by 22.
const sharp = 24.0

// edge is the path data of a board's edge: a curve through the points where it turns
// little, so that a round board is round however near one looks, and straight where two
// corners face each other. A handle is no longer than two thirds of the shorter side
// beside its point, so that long sides do not bulge next to rounded corners.
func edge(o geom.Outline) string {
	n := len(o)
	if n < 4 {
		return poly(o)
	}
	handle := make([]geom.Point, n) // along the curve at each point, as long as its handles; nought at corners
	for i := range o {
		in, out := o[i].Sub(o[(i+n-1)%n]), o[(i+1)%n].Sub(o[i])
		turn := math.Abs(math.Atan2(in.X*out.Y-in.Y*out.X, in.X*out.X+in.Y*out.Y)) * 180 / math.Pi
		along := in.Add(out)
		if turn < sharp && along.Len() > 0 {
			handle[i] = along.Mul(1 / along.Len())
		}
	}
	var b strings.Builder
	b.WriteString("M" + xy(o[0]))
	for i := range o {
		j := (i + 1) % n
		side := o[i].Dist(o[j])
		reach := func(k int) float64 {
			return math.Min(side/3, 2./3*math.Min(o[k].Dist(o[(k+n-1)%n]), o[k].Dist(o[(k+1)%n])))
		}
		if handle[i] == (geom.Point{}) && handle[j] == (geom.Point{}) {
			b.WriteString("L" + xy(o[j]))
			continue
		}
		b.WriteString("C" + xy(o[i].Add(handle[i].Mul(reach(i)))) + " " + xy(o[j].Sub(handle[j].Mul(reach(j)))) + " " + xy(o[j]))
	}
	b.WriteString("Z")
	return b.String()
}

// blob is a small irregular closed curve.
func (p *pen) blob(at geom.Point, rx, ry, turn float64, n int, rough float64) string {
	o := geom.Ellipse(rx, ry, n)
	for i := range o {
		o[i] = o[i].Mul(1 + rough*(p.r.Float64()-.5)*2)
	}
	return smooth(o.Turn(turn).Move(at))
}

// tone shifts a colour's lightness by dl and its warmth by dw.
func tone(c colour.Lab, dl, dw float64) string {
	l := math.Max(4, math.Min(97, c.L+dl))
	return colour.Lab{L: l, A: c.A + dw*.4, B: c.B + dw}.Hex()
}

// lit is a radial gradient for something round-topped of colour c: lit from the
// upper left, darker and warmer to the rim.
func (p *pen) lit(c colour.Lab) string {
	return p.radial(.36, .32, .78, tone(c, 9, 1), 0, tone(c, 1, 0), .5, tone(c, -13, 2), 1)
}

// radial adds a radial gradient over the drawn shape's box: centre, radius,
// then colour and offset pairs.
func (p *pen) radial(cx, cy, r float64, stops ...any) string {
	return p.gradient("radialGradient", []string{"cx", f(cx), "cy", f(cy), "r", f(r)}, stops)
}

// linear adds a gradient from (x1, y1) to (x2, y2) of the shape's box.
func (p *pen) linear(x1, y1, x2, y2 float64, stops ...any) string {
	return p.gradient("linearGradient", []string{"x1", f(x1), "y1", f(y1), "x2", f(x2), "y2", f(y2)}, stops)
}

func (p *pen) gradient(tag string, where []string, stops []any) string {
	var inside markup
	for i := 0; i+1 < len(stops); i += 2 {
		off := 0.0
		switch v := stops[i+1].(type) {
		case int:
			off = float64(v)
		case float64:
			off = v
		}
		inside.leaf("stop", "offset", f(off), "stop-color", fmt.Sprint(stops[i]))
	}
	id := fmt.Sprintf("g%x", food.Seed(tag, strings.Join(where, " "), inside.String())>>24)
	if _, have := p.defs[id]; !have {
		var m markup
		m.open(tag, append([]string{"id", id}, where...)...)
		m.put(inside.String())
		m.shut(tag)
		p.defs[id] = m.String()
	}
	return "url(#" + id + ")"
}

// defsOf is the gradients in order of id, with more before them.
func defsOf(defs map[string]string, before ...fragment) fragment {
	var m markup
	m.open("defs")
	for _, b := range before {
		m.put(b)
	}
	for _, id := range slices.Sorted(maps.Keys(defs)) {
		m.put(defs[id])
	}
	m.shut("defs")
	return m.String()
}

// path draws filled path data.
func (p *pen) path(d, fill string, more ...string) {
	if p.Least > 0 && p.leavesOut(across(d)) {
		return
	}
	p.leaf("path", append([]string{"d", d, "fill", fill}, more...)...)
}

// line draws stroked path data.
func (p *pen) line(d, stroke string, width float64, more ...string) {
	if p.leavesOut(8 * width) {
		return
	}
	p.leaf("path", append([]string{"d", d, "fill", "none", "stroke", stroke, "stroke-width", f(width), "stroke-linecap", "round"}, more...)...)
}

func (p *pen) dot(at geom.Point, r float64, fill string, more ...string) {
	if p.leavesOut(2 * r) {
		return
	}
	p.leaf("circle", append([]string{"cx", f(at.X), "cy", f(at.Y), "r", f(r), "fill", fill}, more...)...)
}

func (p *pen) oval(at geom.Point, rx, ry, turn float64, fill string, more ...string) {
	if p.leavesOut(2 * max(rx, ry)) {
		return
	}
	p.leaf("ellipse", append([]string{"rx", f(rx), "ry", f(ry), "transform", placed(at.X, at.Y, turn), "fill", fill}, more...)...)
}

// glint is the light on something wet or waxy.
func (p *pen) glint(at geom.Point, rx, ry, opacity float64) {
	p.oval(at, rx, ry, -38, "#fffdf4", "opacity", f(opacity))
}

func (p *pen) turned(deg float64, draw func()) {
	if deg == 0 {
		draw()
		return
	}
	p.open("g", "transform", "rotate("+f(deg)+")")
	draw()
	p.shut("g")
}

// between is a random number from lo to hi.
func (p *pen) between(lo, hi float64) float64 { return lo + (hi-lo)*p.r.Float64() }

// inside is a random point inside an outline, at least d from its edge.
func (p *pen) inside(o geom.Outline, d float64) geom.Point {
	b := o.Bounds()
	for range 40 {
		q := geom.Pt(p.between(b.Min.X, b.Max.X), p.between(b.Min.Y, b.Max.Y))
		if o.Contains(q) && o.EdgeDistance(q) >= d {
			return q
		}
	}
	return o.Centroid()
}

// body draws a piece's outline with its edge line.
func (p *pen) body(d, fill string, c colour.Lab) {
	p.path(d, fill, "stroke", tone(c, -24, 2), "stroke-width", ".5", "stroke-linejoin", "round")
}
