package outline

import (
	"errors"
	"math"
	"strconv"

	"happytray/core/geom"
)

// matrix is an affine map of the plane, [a b c d e f] of SVG: x' = ax + cy + e and
// y' = bx + dy + f.
type matrix [6]float64

var identity = matrix{1, 0, 0, 1, 0, 0}

// mul is the map that does n first and then m.
func (m matrix) mul(n matrix) matrix {
	return matrix{
		m[0]*n[0] + m[2]*n[1], m[1]*n[0] + m[3]*n[1],
		m[0]*n[2] + m[2]*n[3], m[1]*n[2] + m[3]*n[3],
		m[0]*n[4] + m[2]*n[5] + m[4], m[1]*n[4] + m[3]*n[5] + m[5],
	}
}

func (m matrix) at(p geom.Point) geom.Point {
	return geom.Pt(m[0]*p.X+m[2]*p.Y+m[4], m[1]*p.X+m[3]*p.Y+m[5])
}

func (m matrix) translate(x, y float64) matrix { return m.mul(matrix{1, 0, 0, 1, x, y}) }

func (m matrix) scale(x, y float64) matrix { return m.mul(matrix{x, 0, 0, y, 0, 0}) }

func (m matrix) rotate(deg float64) matrix {
	s, c := math.Sincos(deg * math.Pi / 180)
	return m.mul(matrix{c, s, -s, c, 0, 0})
}

// path is shapes made of cubic curves, which also stand for lines and arcs.
type path []part

// part begins at its first point; then each curve has two points that pull it and one
// where it ends.
type part []geom.Point

func (p *path) moveTo(to geom.Point) { *p = append(*p, part{to}) }

// now is where the pen is.
func (p path) now() geom.Point {
	last := p[len(p)-1]
	return last[len(last)-1]
}

func (p path) curveTo(a, b, to geom.Point) {
	p[len(p)-1] = append(p[len(p)-1], a, b, to)
}

func (p path) lineTo(to geom.Point) {
	from := p.now()
	p.curveTo(from.Lerp(to, 1./3), from.Lerp(to, 2./3), to)
}

// arcTo draws an arc of an ellipse that is turned by deg: SVG 2, appendix B.2.4, as cubic
// curves of a quarter turn at most, which are off by less than a three-thousandth of it.
func (p path) arcTo(rx, ry, deg float64, large, sweep bool, to geom.Point) {
	from := p.now()
	rx, ry = math.Abs(rx), math.Abs(ry)
	if from == to {
		return
	}
	if rx == 0 || ry == 0 {
		p.lineTo(to)
		return
	}
	sin, cos := math.Sincos(deg * math.Pi / 180)
	half := from.Sub(to).Mul(.5)
	x, y := cos*half.X+sin*half.Y, -sin*half.X+cos*half.Y
	if l := x*x/(rx*rx) + y*y/(ry*ry); l > 1 {
		rx, ry = rx*math.Sqrt(l), ry*math.Sqrt(l)
	}
	over := rx*rx*y*y + ry*ry*x*x
	k := math.Sqrt(math.Max(0, (rx*rx*ry*ry-over)/over))
	if large == sweep {
		k = -k
	}
	cx, cy := k*rx*y/ry, -k*ry*x/rx
	mid := from.Lerp(to, .5)
	onto := matrix{cos * rx, sin * rx, -sin * ry, cos * ry, mid.X + cos*cx - sin*cy, mid.Y + sin*cx + cos*cy} // the unit circle onto the ellipse
	first := math.Atan2((y-cy)/ry, (x-cx)/rx)
	turn := math.Atan2((-y-cy)/ry, (-x-cx)/rx) - first
	switch {
	case sweep && turn < 0:
		turn += 2 * math.Pi
	case !sweep && turn > 0:
		turn -= 2 * math.Pi
	}
	n := math.Ceil(math.Abs(turn) / (math.Pi/2 + 1e-9))
	if !(n >= 1 && n <= 4) {
		p.lineTo(to)
		return
	}
	step := turn / n
	pull := 4. / 3 * math.Tan(step/4)
	for i := range int(n) {
		s0, c0 := math.Sincos(first + float64(i)*step)
		s1, c1 := math.Sincos(first + float64(i+1)*step)
		end := onto.at(geom.Pt(c1, s1))
		if i == int(n)-1 {
			end = to
		}
		p.curveTo(onto.at(geom.Pt(c0-pull*s0, s0+pull*c0)), onto.at(geom.Pt(c1+pull*s1, s1-pull*c1)), end)
	}
}

// flat is the part as a polygon that is nowhere farther than off from it.
func (o part) flat(off float64) geom.Outline {
	out := geom.Outline{o[0]}
	for i := 0; i+3 < len(o); i += 3 {
		a, b, c, d := o[i], o[i+1], o[i+2], o[i+3]
		// a chord is off by an eighth of the second derivative, which is largest at an end
		bend := 6 * math.Max(a.Sub(b.Mul(2)).Add(c).Len(), b.Sub(c.Mul(2)).Add(d).Len())
		n := min(2500, max(1, math.Ceil(math.Sqrt(bend/(8*off)))))
		for k := 1.; k < n; k++ {
			t := k / n
			u := 1 - t
			out = append(out, a.Mul(u*u*u).Add(b.Mul(3*u*u*t)).Add(c.Mul(3*u*t*t)).Add(d.Mul(t*t*t)))
		}
		if d != out[len(out)-1] {
			out = append(out, d)
		}
	}
	return out
}

var errPath = errors.New("no path data")

// reader takes numbers out of path data (SVG 2, 9.3.9).
type reader struct {
	s  string
	i  int
	ok bool
}

func (r *reader) blanks() {
	for r.i < len(r.s) && (r.s[r.i] == ' ' || r.s[r.i] == ',' || r.s[r.i] >= '\t' && r.s[r.i] <= '\r') {
		r.i++
	}
}

// more reports whether a number comes next.
func (r *reader) more() bool {
	r.blanks()
	if r.i >= len(r.s) {
		return false
	}
	c := r.s[r.i]
	return c >= '0' && c <= '9' || c == '-' || c == '+' || c == '.'
}

func (r *reader) number() float64 {
	r.blanks()
	from := r.i
	digits := func() {
		for r.i < len(r.s) && r.s[r.i] >= '0' && r.s[r.i] <= '9' {
			r.i++
		}
	}
	sign := func() {
		if r.i < len(r.s) && (r.s[r.i] == '-' || r.s[r.i] == '+') {
			r.i++
		}
	}
	sign()
	digits()
	if r.i < len(r.s) && r.s[r.i] == '.' {
		r.i++
		digits()
	}
	if r.i < len(r.s) && r.s[r.i]|' ' == 'e' {
		r.i++
		sign()
		digits()
	}
	v, err := strconv.ParseFloat(r.s[from:r.i], 64)
	if err != nil && !errors.Is(err, strconv.ErrRange) { // what is too large is found out where it lies
		r.ok = false
	}
	return v
}

func (r *reader) flag() bool {
	r.blanks()
	if r.i >= len(r.s) || r.s[r.i] != '0' && r.s[r.i] != '1' {
		r.ok = false
		return false
	}
	r.i++
	return r.s[r.i-1] == '1'
}

// readPath reads path data.
func readPath(s string) (path, error) {
	var p path
	r := &reader{s: s, ok: true}
	var start, pull geom.Point // of the part, and of the last curve
	var before byte
	for r.blanks(); r.i < len(r.s); r.blanks() {
		op := r.s[r.i]
		r.i++
		kind := op | ' '
		if len(p) == 0 && kind != 'm' {
			return nil, errPath
		}
		for first := true; first || kind != 'z' && r.more(); first = false {
			now := start
			if len(p) > 0 && before != 'z' {
				now = p.now()
			}
			at := func() geom.Point {
				q := geom.Pt(r.number(), r.number())
				if op == kind {
					q = q.Add(now)
				}
				return q
			}
			if before == 'z' && kind != 'm' && kind != 'z' { // goes on from where the last part began
				p.moveTo(start)
			}
			mirrored := now
			if kind == 's' && (before == 'c' || before == 's') || kind == 't' && (before == 'q' || before == 't') {
				mirrored = now.Mul(2).Sub(pull)
			}
			quadratic := func(c, to geom.Point) {
				p.curveTo(now.Lerp(c, 2./3), to.Lerp(c, 2./3), to)
				pull = c
			}
			switch kind {
			case 'm':
				if first {
					start = at()
					p.moveTo(start)
				} else {
					p.lineTo(at())
				}
			case 'l':
				p.lineTo(at())
			case 'h', 'v':
				v := r.number()
				to := geom.Pt(v, now.Y)
				if op == kind {
					to.X += now.X
				}
				if kind == 'v' {
					to = geom.Pt(now.X, v)
					if op == kind {
						to.Y += now.Y
					}
				}
				p.lineTo(to)
			case 'c':
				a := at()
				b := at()
				p.curveTo(a, b, at())
				pull = b
			case 's':
				b := at()
				p.curveTo(mirrored, b, at())
				pull = b
			case 'q':
				c := at()
				quadratic(c, at())
			case 't':
				quadratic(mirrored, at())
			case 'a':
				rx, ry, turn := r.number(), r.number(), r.number()
				large, sweep := r.flag(), r.flag()
				p.arcTo(rx, ry, turn, large, sweep, at())
			case 'z':
			default:
				return nil, errPath
			}
			if !r.ok {
				return nil, errPath
			}
			before = kind
		}
	}
	return p, nil
}
