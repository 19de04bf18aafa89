package search

import (
	"math"
	"math/rand/v2"
	"sort"

	"happytray/core/geom"
	"happytray/core/pack"
)

// surface is a board as a style sees it: where its corners, its middle and its long axis are, and how the lines
// of trails run over it.
type surface struct{ *pack.Zone }

// tall is what it costs to stand something high at p: it hides what lies behind it, so
// on a tray with a front it wants to the back, and on one that is seen from all round
// away from the edges (docs/craft.md, Where things go).
func (z surface) tall(p geom.Point, height float64) float64 {
	over := math.Min(1.5, (height-18)/50)
	if over <= 0 {
		return 0
	}
	if z.Front != (geom.Point{}) {
		near := p.Sub(z.Centre).Dot(z.Front) / z.Half // 1 at the front edge
		return over * math.Max(-.4, near)
	}
	return .09 * over * p.Dist(z.Centre) / z.Half
}

// ray is how far the zone reaches from its centre in direction deg.
func (z surface) ray(deg float64) float64 {
	d := geom.Polar(1, deg)
	lo, hi := 0.0, 2*z.Half
	for range 24 {
		mid := (lo + hi) / 2
		if z.ExactDepth(z.Centre.Add(d.Mul(mid))) > 0 {
			lo = mid
		} else {
			hi = mid
		}
	}
	return lo
}

// at is the point at share rho of the way from the centre to the edge.
func (z surface) at(deg, rho float64) geom.Point {
	return z.Centre.Add(geom.Polar(z.ray(deg)*rho, deg))
}

// ownStyle is the style that suits a board: round boards take a wheel, long ones wind.
func (z surface) ownStyle() string {
	ratio := math.Max(z.Box.W(), z.Box.H()) / math.Min(z.Box.W(), z.Box.H())
	switch {
	case ratio > 2.2:
		return "winding"
	case ratio < 1.12 && len(z.Outline) > 12:
		return "wheel"
	}
	return "winding"
}

// sites proposes n places for anchors in a style, best first.
func (z surface) sites(style string, n int, r *rand.Rand) []geom.Point {
	var out []geom.Point
	turn := r.Float64() * 360
	switch style {
	case "corners":
		for _, d := range z.corners() {
			out = append(out, z.at(d, .66))
		}
		for len(out) < n {
			k := len(out)
			out = append(out, z.at(turn+float64(k)*137.5, .25+.4*r.Float64()))
		}
	case "wheel":
		if n > 3 {
			out = append(out, z.Centre)
		}
		ring := n - len(out)
		for k := range ring {
			out = append(out, z.at(turn+float64(k)*360/float64(max(1, ring)), .64))
		}
	case "mirrored":
		if n%2 == 1 {
			out = append(out, z.Centre)
		}
		for k := 0; len(out) < n; k++ {
			p := z.at(-70+140*(float64(k)+.5)/float64((n+1)/2), .6)
			out = append(out, p, geom.Pt(2*z.Centre.X-p.X, p.Y))
		}
	case "winding":
		for k := range n {
			t := (float64(k) + .5) / float64(n)
			side := 1.0
			if k%2 == 0 {
				side = -1
			}
			p := z.along(t, side*(.42+.16*r.Float64()))
			out = append(out, p)
		}
	default: // meadow: even, without a pattern (Lloyd's relaxation)
		for range n {
			out = append(out, z.at(r.Float64()*360, math.Sqrt(r.Float64())*.9))
		}
		out = z.even(out, 12)
	}
	if len(out) > n {
		out = out[:n]
	}
	return out
}

// along is the point at share t of the long axis and share side (-1 to 1) across.
func (z surface) along(t, side float64) geom.Point {
	var p geom.Point
	if z.Box.W() >= z.Box.H() {
		p = geom.Pt(z.Box.Min.X+t*z.Box.W(), z.Centre.Y+side*z.Box.H()/2)
	} else {
		p = geom.Pt(z.Centre.X+side*z.Box.W()/2, z.Box.Min.Y+t*z.Box.H())
	}
	return z.Pull(p, 20)
}

// corners lists the directions in which the zone reaches farthest, four at most.
func (z surface) corners() []float64 {
	type reach struct{ deg, r float64 }
	var all []reach
	for d := 0.0; d < 360; d += 5 {
		all = append(all, reach{d, z.ray(d)})
	}
	sort.SliceStable(all, func(i, j int) bool { return all[i].r > all[j].r })
	var out []float64
	for _, c := range all {
		ok := true
		for _, d := range out {
			if gap := math.Abs(math.Mod(c.deg-d+540, 360) - 180); gap < 50 {
				ok = false
			}
		}
		if ok {
			out = append(out, c.deg)
		}
		if len(out) == 4 {
			break
		}
	}
	return out
}

// even spreads points over the zone by Lloyd's relaxation on the raster.
func (z surface) even(ps []geom.Point, rounds int) []geom.Point {
	if len(ps) == 0 {
		return ps
	}
	for range rounds {
		sum := make([]geom.Point, len(ps))
		n := make([]float64, len(ps))
		for y := 0; y < z.Grid.H; y += 2 {
			for x := 0; x < z.Grid.W; x += 2 {
				if z.Depth(z.Grid.Centre(x, y)) <= 0 {
					continue
				}
				c := z.Grid.Centre(x, y)
				k := pack.Nearest(ps, c)
				sum[k] = sum[k].Add(c)
				n[k]++
			}
		}
		for k := range ps {
			if n[k] > 0 {
				ps[k] = sum[k].Mul(1 / n[k])
			}
		}
	}
	return ps
}

// guide draws the wished line of a trail: an S along the board's long axis, or a
// sweep round the centre on round boards, as long as its pieces reach.
func (z surface) guide(style string, k, of int, length, width float64, r *rand.Rand) []geom.Point {
	const n = 40
	inner := width/2 + 6
	line := make([]geom.Point, n)
	roundish := z.Box.W() < 1.25*z.Box.H() && z.Box.H() < 1.25*z.Box.W()
	if roundish && style != "winding" && style != "mirrored" || style == "wheel" {
		rho := .5 + .12*r.Float64()
		radius := z.Half * .7 * rho
		sweep := math.Min(250, length/radius*180/math.Pi) / math.Max(1, float64(of)*.75)
		start := r.Float64()*360 + float64(k)*360/float64(of)
		for i := range line {
			t := float64(i) / (n - 1)
			line[i] = z.Pull(z.at(start+sweep*t, rho+.3*(t-.5)), inner)
		}
		return line
	}
	long := math.Max(z.Box.W(), z.Box.H())
	phase := float64(r.IntN(2)) * math.Pi
	amp := .30 + .18*r.Float64()
	if style == "mirrored" {
		phase, amp = math.Pi/2, .2
	}
	offset := 0.0
	if of > 1 {
		offset = (float64(k)/float64(of-1) - .5) * .9
		if style == "mirrored" && of%2 == 0 { // pairs on one height
			offset = (float64(k/2)/math.Max(1, float64(of/2-1)) - .5) * .9
			if of == 2 {
				offset = -.15
			}
		}
		amp *= .5
	}
	// the S is a little longer than its span; find the span whose length fits
	span := math.Min(.94, length/long)
	if style == "mirrored" && of > 1 { // half by half, the one the other's answer
		span = math.Min(span, .44)
	}
	for range 8 {
		t0 := .5 - span/2
		if of > 1 { // one after the other, so that together they reach through
			t0 = .03 + float64(k)*math.Max(0, .94-span)/float64(of-1)
		}
		if style == "mirrored" && of > 1 {
			t0 = .26 - span/2
		}
		total := 0.0
		for i := range line {
			t := float64(i) / (n - 1)
			line[i] = z.Pull(z.along(t0+span*t, offset+amp*math.Min(1, span/.6)*math.Sin(2*math.Pi*(t*.95+.02)+phase)), inner)
			if i > 0 {
				total += line[i].Dist(line[i-1])
			}
		}
		if total <= length || span < .25 {
			break
		}
		span *= math.Max(.8, length/total)
	}
	if style == "mirrored" && k%2 == 1 {
		for i := range line {
			line[i] = z.Mirrored(line[i])
		}
	}
	return line
}

// flip is a pose seen in the middle line, for things that are alike left and right.
func (z surface) flip(p geom.Pose) geom.Pose {
	return geom.Pose{X: 2*z.Centre.X - p.X, Y: p.Y, Turn: geom.NormalTurn(-p.Turn)}
}

// onLine brings a pose to the middle line, turned so that both sides look alike.
func (z surface) onLine(p geom.Pose, straight bool) geom.Pose {
	by := 180.0
	if straight {
		by = 90
	}
	return geom.Pose{X: z.Centre.X, Y: p.Y, Turn: geom.NormalTurn(math.Round(p.Turn/by) * by)}
}
