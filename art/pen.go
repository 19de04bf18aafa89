// Package art draws boards, vessels and food as SVG, to scale, in millimetres.
// Every drawing is procedural and seeded, so the same piece always looks the
// same, on screen, on paper and in an exported file. The light comes from the
// upper left. One file per family of foods; Sprite finds the right one.
package art

import (
	"fmt"
	"math"
	"math/rand/v2"
	"sort"
	"strconv"
	"strings"

	"happytray/core/colour"
	"happytray/core/food"
	"happytray/core/geom"
)

// pen collects the marks of one drawing and the gradients it needs.
type pen struct {
	strings.Builder
	r    *rand.Rand
	defs map[string]string // gradient id to its element, shared by a sheet
}

func newPen(defs map[string]string, seed ...string) *pen {
	return &pen{r: food.Rand(food.Seed(seed...)), defs: defs}
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
	return p.gradient(fmt.Sprintf(`<radialGradient cx="%s" cy="%s" r="%s"`, f(cx), f(cy), f(r)), "radialGradient", stops)
}

// linear adds a gradient from (x1, y1) to (x2, y2) of the shape's box.
func (p *pen) linear(x1, y1, x2, y2 float64, stops ...any) string {
	return p.gradient(fmt.Sprintf(`<linearGradient x1="%s" y1="%s" x2="%s" y2="%s"`, f(x1), f(y1), f(x2), f(y2)), "linearGradient", stops)
}

func (p *pen) gradient(head, tag string, stops []any) string {
	var b strings.Builder
	for i := 0; i+1 < len(stops); i += 2 {
		off := 0.0
		switch v := stops[i+1].(type) {
		case int:
			off = float64(v)
		case float64:
			off = v
		}
		fmt.Fprintf(&b, `<stop offset="%s" stop-color="%s"/>`, f(off), stops[i])
	}
	id := fmt.Sprintf("g%x", food.Seed(head, b.String())>>24)
	p.defs[id] = strings.Replace(head, " ", ` id="`+id+`" `, 1) + ">" + b.String() + "</" + tag + ">"
	return "url(#" + id + ")"
}

// writeDefs writes gradients in order of id.
func writeDefs(b *strings.Builder, defs map[string]string) {
	ids := make([]string, 0, len(defs))
	for id := range defs {
		ids = append(ids, id)
	}
	sort.Strings(ids)
	for _, id := range ids {
		b.WriteString(defs[id])
	}
}

// path draws filled path data.
func (p *pen) path(d, fill string, more ...string) {
	fmt.Fprintf(p, `<path d="%s" fill="%s"%s/>`, d, fill, attrs(more))
}

// line draws stroked path data.
func (p *pen) line(d, stroke string, width float64, more ...string) {
	fmt.Fprintf(p, `<path d="%s" fill="none" stroke="%s" stroke-width="%s" stroke-linecap="round"%s/>`, d, stroke, f(width), attrs(more))
}

func (p *pen) dot(at geom.Point, r float64, fill string, more ...string) {
	fmt.Fprintf(p, `<circle cx="%s" cy="%s" r="%s" fill="%s"%s/>`, f(at.X), f(at.Y), f(r), fill, attrs(more))
}

func (p *pen) oval(at geom.Point, rx, ry, turn float64, fill string, more ...string) {
	fmt.Fprintf(p, `<ellipse rx="%s" ry="%s" transform="translate(%s) rotate(%s)" fill="%s"%s/>`, f(rx), f(ry), xy(at), f(turn), fill, attrs(more))
}

// glint is the light on something wet or waxy.
func (p *pen) glint(at geom.Point, rx, ry, opacity float64) {
	p.oval(at, rx, ry, -38, "#fffdf4", "opacity", f(opacity))
}

func attrs(more []string) string {
	var b strings.Builder
	for i := 0; i+1 < len(more); i += 2 {
		b.WriteString(" " + more[i] + `="` + more[i+1] + `"`)
	}
	return b.String()
}

// turned draws inside a turned group.
func (p *pen) turned(deg float64, draw func()) {
	if deg == 0 {
		draw()
		return
	}
	p.WriteString(`<g transform="rotate(` + f(deg) + `)">`)
	draw()
	p.WriteString("</g>")
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
