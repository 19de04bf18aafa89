package overhead

import (
	"image"
	"math"
	"slices"

	"happytray/core/fault"
	"happytray/core/geom"
)

// FindCorners finds the corners of a board with four straight sides on a plain ground: what is unlike the picture's
// border is the board, its sides are fitted by least squares to the outermost of it, and cross in the corners. Where
// nothing looks like that it is an error, and somebody has to show them.
func FindCorners(img image.Image) (Corners, error) {
	none := fault.Bad("corners", "they are not to be seen clearly; drag them to where they are")
	b := img.Bounds()
	if b.Dx() < 40 || b.Dy() < 40 {
		return Corners{}, none
	}
	s := newSampler(img)
	board := s.unlikeBorder()
	hull := hullOf(board, s.w, s.h)
	if len(hull) < 4 || hull.Area() < .05*float64(s.w*s.h) {
		return Corners{}, none
	}
	rough, ok := fourOf(hull)
	if !ok || hull.Area() < .93*geom.Outline(rough[:]).Area() {
		return Corners{}, none // it has no four corners: it is round, or something lies over its edge
	}
	return s.refine(board, s.refine(board, rough)), nil
}

// unlikeBorder marks the pixels whose colour is not that of the picture's border near them; light that falls off across
// the ground is followed by a plane through the border.
func (s *sampler) unlikeBorder() []bool {
	var ground [3]light
	for k := range ground {
		ground[k] = s.lightOf(k)
	}
	spread := 0.0
	n := 0
	s.border(func(x, y int) {
		for k := range ground {
			d := float64(s.pix[3*(y*s.w+x)+k]) - ground[k].at(x, y)
			spread += d * d
			n++
		}
	})
	most := math.Max(14, 4*math.Sqrt(spread/float64(max(1, n))))
	out := make([]bool, s.w*s.h)
	for y := range s.h {
		for x := range s.w {
			off := 0.0
			for k := range ground {
				d := float64(s.pix[3*(y*s.w+x)+k]) - ground[k].at(x, y)
				off += d * d
			}
			out[y*s.w+x] = math.Sqrt(off) > most*math.Sqrt(3)/1.6
		}
	}
	return largest(out, s.w, s.h)
}

// light is how bright one colour is across a picture: a plane.
type light struct{ a, b, c float64 }

func (l light) at(x, y int) float64 { return l.a + l.b*float64(x) + l.c*float64(y) }

// border calls f for the pixels along the edge of the picture.
func (s *sampler) border(f func(x, y int)) {
	deep := max(2, min(s.w, s.h)/50)
	for y := range s.h {
		for x := range s.w {
			if x < deep || y < deep || x >= s.w-deep || y >= s.h-deep {
				f(x, y)
			}
		}
	}
}

// lightOf fits a plane to a colour along the border by least squares, twice: what lies far off the first is left out of the second.
func (s *sampler) lightOf(k int) light {
	var l light
	for pass := range 2 {
		var n, sx, sy, sxx, sxy, syy, sv, sxv, syv float64
		s.border(func(px, py int) {
			v, x, y := float64(s.pix[3*(py*s.w+px)+k]), float64(px), float64(py)
			if pass == 1 && math.Abs(v-l.at(px, py)) > 20 {
				return
			}
			n, sx, sy, sxx, sxy, syy = n+1, sx+x, sy+y, sxx+x*x, sxy+x*y, syy+y*y
			sv, sxv, syv = sv+v, sxv+x*v, syv+y*v
		})
		if n < 16 {
			return l
		}
		// centred, the three by three falls apart into two by two
		mx, my, mv := sx/n, sy/n, sv/n
		xx, xy, yy := sxx-n*mx*mx, sxy-n*mx*my, syy-n*my*my
		xv, yv := sxv-n*mx*mv, syv-n*my*mv
		if det := xx*yy - xy*xy; det > 1e-9 {
			l.b, l.c = (xv*yy-yv*xy)/det, (yv*xx-xv*xy)/det
		}
		l.a = mv - l.b*mx - l.c*my
	}
	return l
}

// largest keeps the largest connected part of what is marked.
func largest(in []bool, w, h int) []bool {
	seen := make([]bool, len(in))
	var best []int
	var stack []int
	for start := range in {
		if !in[start] || seen[start] {
			continue
		}
		var part []int
		stack = append(stack[:0], start)
		seen[start] = true
		for len(stack) > 0 {
			p := stack[len(stack)-1]
			stack = stack[:len(stack)-1]
			part = append(part, p)
			x, y := p%w, p/w
			for _, q := range [4][2]int{{x - 1, y}, {x + 1, y}, {x, y - 1}, {x, y + 1}} {
				if q[0] < 0 || q[1] < 0 || q[0] >= w || q[1] >= h {
					continue
				}
				if n := q[1]*w + q[0]; in[n] && !seen[n] {
					seen[n] = true
					stack = append(stack, n)
				}
			}
		}
		if len(part) > len(best) {
			best = part
		}
	}
	out := make([]bool, len(in))
	for _, p := range best {
		out[p] = true
	}
	return out
}

// hullOf is the convex hull of what is marked, by the corners of its pixels.
func hullOf(in []bool, w, h int) geom.Outline {
	var ends geom.Outline
	for y := range h {
		first, last := -1, -1
		for x := range w {
			if in[y*w+x] {
				if first < 0 {
					first = x
				}
				last = x
			}
		}
		if first >= 0 {
			ends = append(ends, geom.Pt(float64(first), float64(y)), geom.Pt(float64(first), float64(y+1)), geom.Pt(float64(last+1), float64(y)), geom.Pt(float64(last+1), float64(y+1)))
		}
	}
	if len(ends) < 3 {
		return nil
	}
	return ends.Hull()
}

// fourOf finds the four corners of a hull that span most, from the upper left clockwise.
func fourOf(hull geom.Outline) (out Corners, ok bool) {
	h := hull
	if len(h) > 120 { // enough for an exhaustive look
		h = h.Simplify(1)
	}
	n := len(h)
	if n < 4 || n > 160 {
		return out, false
	}
	area := func(a, b, c geom.Point) float64 { return math.Abs(b.Sub(a).X*c.Sub(a).Y-b.Sub(a).Y*c.Sub(a).X) / 2 }
	best := -1.0
	for i := range n { // the diagonal, and the farthest on either side of it
		for k := i + 2; k < n; k++ {
			a1, a2, j, l := -1.0, -1.0, -1, -1
			for m := i + 1; m < k; m++ {
				if v := area(h[i], h[k], h[m]); v > a1 {
					a1, j = v, m
				}
			}
			for m := k + 1; m < n+i; m++ {
				if v := area(h[i], h[k], h[m%n]); v > a2 {
					a2, l = v, m%n
				}
			}
			if j >= 0 && l >= 0 && a1+a2 > best {
				best = a1 + a2
				out = Corners{h[i], h[j], h[k], h[l]}
			}
		}
	}
	return clockwise(out), best > 0
}

// clockwise sorts four corners from the upper left.
func clockwise(c Corners) Corners {
	var mid geom.Point
	for _, p := range c {
		mid = mid.Add(p.Mul(.25))
	}
	slices.SortFunc(c[:], func(a, b geom.Point) int {
		if math.Atan2(a.Y-mid.Y, a.X-mid.X) < math.Atan2(b.Y-mid.Y, b.X-mid.X) {
			return -1
		}
		return 1
	})
	first := 0
	for i := range c {
		if c[i].X+c[i].Y < c[first].X+c[first].Y {
			first = i
		}
	}
	return Corners{c[first], c[(first+1)%4], c[(first+2)%4], c[(first+3)%4]}
}

// aside is how far from the line between two corners their side is looked for, as a share of its length.
const aside = .05

// refine fits a line to the edge of what is marked along each side, without its ends, and crosses them.
func (s *sampler) refine(board []bool, rough Corners) Corners {
	type line struct{ at, way geom.Point }
	var sides [4]line
	marked := func(p geom.Point) bool {
		x, y := int(math.Floor(p.X)), int(math.Floor(p.Y))
		return x >= 0 && y >= 0 && x < s.w && y < s.h && board[y*s.w+x]
	}
	for i := range rough {
		a, b := rough[i], rough[(i+1)%4]
		long := b.Sub(a).Len()
		way := b.Sub(a).Mul(1 / math.Max(1e-9, long))
		out := geom.Pt(way.Y, -way.X) // clockwise: outside lies to the left of the way
		var found []geom.Point
		near := math.Max(10, aside*long) // corners may be rounded: then the sides lie farther out than between them
		for t := .12; t <= .88; t += 2 / math.Max(80, long) {
			p := a.Lerp(b, t)
			for d := near; d > -near/2; d -= .25 {
				if marked(p.Add(out.Mul(d))) {
					found = append(found, p.Add(out.Mul(d+.125)))
					break
				}
			}
		}
		sides[i] = line{a, way}
		if at, w, ok := fit(found); ok {
			sides[i] = line{at, w}
		}
	}
	outC := rough
	for i := range outC {
		p, q := sides[(i+3)%4], sides[i]
		if x, ok := cross(p.at, p.way, q.at, q.way); ok && x.Sub(rough[i]).Len() < 2*aside*rough[i].Sub(rough[(i+1)%4]).Len()+12 {
			outC[i] = x
		}
	}
	return outC
}

// fit is the line through points by total least squares, those far off it left out once.
func fit(points []geom.Point) (at, way geom.Point, ok bool) {
	for pass := range 2 {
		if len(points) < 8 {
			return at, way, false
		}
		at = geom.Point{}
		for _, p := range points {
			at = at.Add(p.Mul(1 / float64(len(points))))
		}
		var xx, xy, yy float64
		for _, p := range points {
			d := p.Sub(at)
			xx, xy, yy = xx+d.X*d.X, xy+d.X*d.Y, yy+d.Y*d.Y
		}
		angle := .5 * math.Atan2(2*xy, xx-yy)
		way = geom.Pt(math.Cos(angle), math.Sin(angle))
		if pass == 0 {
			normal := geom.Pt(-way.Y, way.X)
			kept := points[:0:0]
			for _, p := range points {
				if math.Abs(p.Sub(at).Dot(normal)) < 1.5 {
					kept = append(kept, p)
				}
			}
			points = kept
		}
	}
	return at, way, true
}

func cross(a, da, b, db geom.Point) (geom.Point, bool) {
	det := da.X*db.Y - da.Y*db.X
	if math.Abs(det) < 1e-9 {
		return geom.Point{}, false
	}
	d := b.Sub(a)
	return a.Add(da.Mul((d.X*db.Y - d.Y*db.X) / det)), true
}
