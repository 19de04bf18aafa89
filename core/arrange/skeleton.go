package arrange

import (
	"context"
	"math"
	"math/rand/v2"
	"sort"

	"happytray/core/food"
	"happytray/core/geom"
)

// plan is a composition: where rigid things stand and where the trails run. The
// rest of a layout follows from it.
type plan struct {
	style  string
	bodies []body
	guides []guide
	loose  []int // element indices in the order they took their sites, to vary
}

// guide is the line a trail is wished along.
type guide struct {
	e     int
	width float64
	line  []geom.Point
	hulls []geom.Body // its corridor, to keep free
	balls []ball      // the same as discs
}

// ownStyle is the style that suits a board: round boards take a wheel, long ones wind.
func (z *zone) ownStyle() string {
	ratio := math.Max(z.box.W(), z.box.H()) / math.Min(z.box.W(), z.box.H())
	switch {
	case ratio > 2.2:
		return "winding"
	case ratio < 1.12 && len(z.outline) > 12:
		return "wheel"
	}
	return "winding"
}

// sites proposes n places for anchors in a style, best first.
func (z *zone) sites(style string, n int, r *rand.Rand) []geom.Point {
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
			out = append(out, z.centre)
		}
		ring := n - len(out)
		for k := range ring {
			out = append(out, z.at(turn+float64(k)*360/float64(max(1, ring)), .64))
		}
	case "mirrored":
		if n%2 == 1 {
			out = append(out, z.centre)
		}
		for k := 0; len(out) < n; k++ {
			p := z.at(-70+140*(float64(k)+.5)/float64((n+1)/2), .6)
			out = append(out, p, geom.Pt(2*z.centre.X-p.X, p.Y))
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
func (z *zone) along(t, side float64) geom.Point {
	var p geom.Point
	if z.box.W() >= z.box.H() {
		p = geom.Pt(z.box.Min.X+t*z.box.W(), z.centre.Y+side*z.box.H()/2)
	} else {
		p = geom.Pt(z.centre.X+side*z.box.W()/2, z.box.Min.Y+t*z.box.H())
	}
	return z.pull(p, 20)
}

// pull brings a point at least d mm inside the zone.
func (z *zone) pull(p geom.Point, d float64) geom.Point {
	for range 40 {
		if z.deep(p) >= d {
			return p
		}
		p = p.Lerp(z.centre, .06)
	}
	return p
}

// corners lists the directions in which the zone reaches farthest, four at most.
func (z *zone) corners() []float64 {
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
func (z *zone) even(ps []geom.Point, rounds int) []geom.Point {
	if len(ps) == 0 {
		return ps
	}
	for range rounds {
		sum := make([]geom.Point, len(ps))
		n := make([]float64, len(ps))
		for y := 0; y < z.grid.H; y += 2 {
			for x := 0; x < z.grid.W; x += 2 {
				if z.depth[y*z.grid.W+x] <= 0 {
					continue
				}
				c := z.grid.Centre(x, y)
				k := nearest(ps, c)
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

func nearest(ps []geom.Point, c geom.Point) int {
	best, at := math.Inf(1), 0
	for i, p := range ps {
		d := (p.X-c.X)*(p.X-c.X) + (p.Y-c.Y)*(p.Y-c.Y)
		if d < best {
			best, at = d, i
		}
	}
	return at
}

// guide draws the wished line of a trail: an S along the board's long axis, or a
// sweep round the centre on round boards, as long as its pieces reach.
func (z *zone) guide(style string, k, of int, length, width float64, r *rand.Rand) []geom.Point {
	const n = 40
	inner := width/2 + 6
	line := make([]geom.Point, n)
	roundish := z.box.W() < 1.25*z.box.H() && z.box.H() < 1.25*z.box.W()
	if roundish && style != "winding" && style != "mirrored" || style == "wheel" {
		rho := .5 + .12*r.Float64()
		radius := z.half * .7 * rho
		sweep := math.Min(250, length/radius*180/math.Pi) / math.Max(1, float64(of)*.75)
		start := r.Float64()*360 + float64(k)*360/float64(of)
		for i := range line {
			t := float64(i) / (n - 1)
			line[i] = z.pull(z.at(start+sweep*t, rho+.3*(t-.5)), inner)
		}
		return line
	}
	long := math.Max(z.box.W(), z.box.H())
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
			line[i] = z.pull(z.along(t0+span*t, offset+amp*math.Min(1, span/.6)*math.Sin(2*math.Pi*(t*.95+.02)+phase)), inner)
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
			line[i] = z.flipped(line[i])
		}
	}
	return line
}

// stretch is how much wider than its usual pitch a trail may be set to reach
// farther: folds still hold each other up at 14 mm of line each (docs/craft.md, Where things go).
const stretch = 1.2

// trailReach is the length in mm that n folded slices can lead the eye along.
func trailReach(n int, s food.Spec) float64 {
	return food.RowLength(n, math.Max(s.Pitch, math.Min(14, s.Pitch*stretch)), s.W*.6)
}

// corridor turns a line into convex pieces of the given width.
func corridor(line []geom.Point, width float64) ([]geom.Body, []ball) {
	var out []geom.Body
	var balls []ball
	for i := 0; i < len(line); i += 2 {
		balls = append(balls, ball{line[i], width / 2})
	}
	step := 4
	for i := 0; i+1 < len(line); i += step {
		j := min(i+step, len(line)-1)
		d := line[j].Sub(line[i])
		if d.Len() < 1 {
			continue
		}
		n := d.Unit().Normal().Mul(width / 2)
		out = append(out, geom.NewBody(geom.Outline{line[i].Add(n), line[i].Sub(n), line[j].Sub(n), line[j].Add(n)}.Hull()))
	}
	return out, balls
}

// compose makes a fresh plan: sites for anchors, lines for trails, rows round
// them, then annealing.
func (s *search) compose(ctx context.Context, r *rand.Rand, number int) plan {
	z := &s.zone
	style := s.opts.Style
	if style == "" {
		style = s.tray.Rules.Style
	}
	if style == "" && s.tray.Rules.Symmetry == "mirrored" {
		style = "mirrored"
	}
	if style == "" {
		style = []string{z.ownStyle(), "meadow", "corners"}[number%3]
	}
	p := plan{style: style}
	trails := 0
	for _, e := range s.tray.Elements {
		if e.Kind() == food.KindTrail && !e.Locked {
			trails++
		}
	}
	k := 0
	for i := range s.tray.Elements {
		e := &s.tray.Elements[i]
		switch {
		case e.Locked && e.Placed:
			p.bodies = append(p.bodies, s.newBody(i, r))
		case e.Kind() == food.KindTrail:
			f, _ := s.larder.Get(e.Food)
			spec, _ := f.Spec(e.Form)
			g := guide{e: i, width: spec.L}
			g.line = z.guide(style, k, trails, trailReach(e.Count, spec), spec.L, r)
			g.hulls, g.balls = corridor(g.line, spec.L*.9)
			p.guides = append(p.guides, g)
			k++
		case e.Kind() == food.KindAnchor || e.Kind() == food.KindRow:
			p.bodies = append(p.bodies, s.newBody(i, r))
		case e.Kind() == food.KindLoose:
			p.loose = append(p.loose, i)
		}
	}
	var anchors, rows []int
	for i := range p.bodies {
		if p.bodies[i].fixed {
			continue
		}
		if p.bodies[i].kind == food.KindAnchor {
			anchors = append(anchors, i)
		} else {
			rows = append(rows, i)
		}
	}
	sort.SliceStable(anchors, func(a, b int) bool { return p.bodies[anchors[a]].weight > p.bodies[anchors[b]].weight })
	sites := z.sites(style, len(anchors), r)
	if style != "mirrored" {
		r.Shuffle(len(sites), func(a, b int) { sites[a], sites[b] = sites[b], sites[a] })
	}
	for k, i := range anchors {
		b := &p.bodies[i]
		b.site = sites[k]
		b.move(geom.Pose{X: sites[k].X, Y: sites[k].Y, Turn: r.Float64() * 360})
	}
	// rows: arcs hug bowls and rounds, the others lie along the edge or between
	mirrored := style == "mirrored"
	if mirrored {
		p.pairBodies()
	}
	hosts := s.hosts(&p)
	if mirrored {
		hosts = nil // an arc round a bowl would have to move with two
	}
	wheelTurn := r.Float64() * 360
	rowSites := z.even(scatterPoints(z, len(rows), r), 6)
	for k, i := range rows {
		b := &p.bodies[i]
		if len(hosts) > 0 && (food.Has(b.spec.Form, food.Hugs) || b.food.Category != food.Garnish && b.spec.Form != "half-fold-fan" && r.IntN(5) < 2) {
			b.host = hosts[r.IntN(len(hosts))]
			b.angle = r.Float64() * 360
			b.hug(&p.bodies[b.host])
			continue
		}
		b.site = rowSites[k]
		if style == "wheel" { // every other one a spoke, the others along the rim
			b.spoke = k%2 == 0
			rho := .74
			if b.spoke {
				rho = .52
			}
			b.site = z.at(wheelTurn+float64(k)*360/float64(len(rows)), rho)
		}
		turn := z.inward(b.site).Degrees() + 90
		if b.spoke {
			turn = b.site.Sub(z.centre).Degrees()
		}
		b.move(geom.Pose{X: b.site.X, Y: b.site.Y, Turn: turn + (r.Float64()-.5)*50})
	}
	if mirrored {
		m := mover{s: s, p: &p}
		for i := range p.bodies {
			if b := &p.bodies[i]; b.mirror && (b.twin == alone || i < b.twin) {
				m.answer(i)
				if b.twin != alone {
					p.bodies[b.twin].site = s.zone.flipped(b.site)
				}
			}
		}
	}
	if number == 0 { // something to look at soon
		s.anneal(ctx, &p, r, .35)
	} else {
		s.anneal(ctx, &p, r, 1)
	}
	return p
}

func scatterPoints(z *zone, n int, r *rand.Rand) []geom.Point {
	out := make([]geom.Point, n)
	for i := range out {
		out[i] = z.at(r.Float64()*360, .3+.6*math.Sqrt(r.Float64()))
	}
	return out
}

// hosts lists the bodies that an arc can hug: round ones that guests dip into or cut from.
func (s *search) hosts(p *plan) []int {
	var out []int
	for i := range p.bodies {
		b := &p.bodies[i]
		if b.kind == food.KindAnchor && (b.vessel != nil && b.vessel.Round() || food.Has(b.spec.Form, food.CutInPlace) || food.Has(b.spec.Form, food.Curled)) && !b.fixed {
			out = append(out, i)
		}
	}
	return out
}

// vary changes a good plan in one or two places and lets it settle again.
func (s *search) vary(ctx context.Context, from plan, r *rand.Rand) plan {
	p := from
	p.bodies = append([]body(nil), from.bodies...)
	p.loose = append([]int(nil), from.loose...)
	p.guides = append([]guide(nil), from.guides...)
	var free []int
	for i := range p.bodies {
		if !p.bodies[i].fixed {
			free = append(free, i)
		}
	}
	heat := .12
	if p.style == "mirrored" {
		heat = []float64{.03, .12, .3}[r.IntN(3)] // annealing keeps each thing with its answer
	} else if len(free) > 1 {
		for range 1 + r.IntN(2) {
			switch a, b := free[r.IntN(len(free))], free[r.IntN(len(free))]; r.IntN(4) {
			case 0, 1: // two change places
				if a != b && p.bodies[a].host < 0 && p.bodies[b].host < 0 {
					pa, pb := p.bodies[a].pose, p.bodies[b].pose
					p.bodies[a].site, p.bodies[b].site = p.bodies[b].site, p.bodies[a].site
					p.bodies[a].move(geom.Pose{X: pb.X, Y: pb.Y, Turn: pa.Turn})
					p.bodies[b].move(geom.Pose{X: pa.X, Y: pa.Y, Turn: pb.Turn})
				}
			case 2: // one goes elsewhere
				if p.bodies[a].host < 0 {
					q := s.zone.at(r.Float64()*360, math.Sqrt(r.Float64())*.85)
					p.bodies[a].site = q
					p.bodies[a].move(geom.Pose{X: q.X, Y: q.Y, Turn: r.Float64() * 360})
				}
			default: // nothing but the fill changes
				heat = .03
			}
		}
	}
	if r.IntN(4) == 0 { // a trail takes another line
		for k := range p.guides {
			g := &p.guides[k]
			e := &s.tray.Elements[g.e]
			f, _ := s.larder.Get(e.Food)
			spec, _ := f.Spec(e.Form)
			g.line = s.zone.guide(p.style, k, len(p.guides), trailReach(e.Count, spec), spec.L, r)
			g.hulls, g.balls = corridor(g.line, spec.L*.9)
		}
		heat = .3
	}
	s.anneal(ctx, &p, r, heat)
	return p
}
