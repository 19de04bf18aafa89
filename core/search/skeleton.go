package search

import (
	"context"
	"math"
	"math/rand/v2"
	"sort"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
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
	discs []pack.Disc // the same as discs
	boxes []geom.Rect // round each discsInBox of them
}

// discsInBox is how many discs of a corridor share a box; rounding is what a box is larger than they are, mm.
const discsInBox, rounding = 6, 1e-6

// along lays the guide along a line: convex pieces of the given width, and discs.
func (g *guide) along(line []geom.Point, width float64) {
	g.line, g.hulls, g.discs, g.boxes = line, nil, nil, nil // plans share the old ones
	for i := 0; i < len(line); i += 2 {
		q := pack.Disc{At: line[i], R: width / 2}
		box := geom.Rect{Min: q.At, Max: q.At}.Grow(q.R + rounding)
		if n := len(g.boxes); len(g.discs)%discsInBox == 0 {
			g.boxes = append(g.boxes, box)
		} else {
			g.boxes[n-1] = g.boxes[n-1].Union(box)
		}
		g.discs = append(g.discs, q)
	}
	step := 4
	for i := 0; i+1 < len(line); i += step {
		j := min(i+step, len(line)-1)
		d := line[j].Sub(line[i])
		if d.Len() < 1 {
			continue
		}
		n := d.Unit().Normal().Mul(width / 2)
		g.hulls = append(g.hulls, geom.NewBody(geom.Outline{line[i].Add(n), line[i].Sub(n), line[j].Sub(n), line[j].Add(n)}.Hull()))
	}
}

// depth is how deep some discs lie in the corridor, by discs: that of discDepth, without those far away.
func (g *guide) depth(a []pack.Disc) float64 {
	worst := 0.0
	for i := range a {
		q := &a[i]
		for n := range g.boxes {
			if box := &g.boxes[n]; q.At.X+q.R < box.Min.X || q.At.X-q.R > box.Max.X || q.At.Y+q.R < box.Min.Y || q.At.Y-q.R > box.Max.Y {
				continue
			}
			for j := n * discsInBox; j < min((n+1)*discsInBox, len(g.discs)); j++ {
				worst = deeper(q, &g.discs[j], worst)
			}
		}
	}
	return worst
}

// showpieceFirst gives the showpiece the site nearest to the middle, where the eye goes first.
func (s *composer) showpieceFirst(p *plan, anchors []int, sites []geom.Point) {
	for k, i := range anchors {
		if !p.bodies[i].showpiece() {
			continue
		}
		best := k
		for j := range sites[:len(anchors)] {
			if sites[j].Dist(s.surface.Centre) < sites[best].Dist(s.surface.Centre) {
				best = j
			}
		}
		sites[k], sites[best] = sites[best], sites[k]
		return
	}
}

// compose makes a fresh plan: sites for anchors, lines for trails, rows round
// them, then annealing.
func (s *composer) compose(ctx context.Context, r *rand.Rand, number int) plan {
	z := s.surface
	style := s.opts.Style
	if style == "" {
		style = s.Given.Rules.Style
	}
	if style == "" && s.Given.Rules.Symmetry == "mirrored" {
		style = "mirrored"
	}
	if style == "" {
		style = []string{z.ownStyle(), "meadow", "corners"}[number%3]
	}
	p := plan{style: style}
	trails := 0
	for _, e := range s.Given.Elements {
		if e.Kind() == food.KindTrail && !e.Locked {
			trails++
		}
	}
	k := 0
	for i := range s.Given.Elements {
		e := &s.Given.Elements[i]
		switch {
		case e.Locked && e.Placed:
			p.bodies = append(p.bodies, s.newBody(i, r))
		case e.Kind() == food.KindTrail:
			f, _ := s.Larder.Get(e.Food)
			spec, _ := f.Spec(e.Form)
			g := guide{e: i, width: spec.L}
			g.along(z.guide(style, k, trails, pack.TrailReach(e.Count, spec), spec.L, r), spec.L*.9)
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
	s.inTurn(&p, anchors, sites)
	s.showpieceFirst(&p, anchors, sites)
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
		turn := z.Inward(b.site).Degrees() + 90
		if b.spoke {
			turn = b.site.Sub(z.Centre).Degrees()
		}
		b.move(geom.Pose{X: b.site.X, Y: b.site.Y, Turn: turn + (r.Float64()-.5)*50})
	}
	if mirrored {
		m := mover{s: s, p: &p}
		for i := range p.bodies {
			if b := &p.bodies[i]; b.mirror && (b.twin == pack.Alone || i < b.twin) {
				m.answer(i)
				if b.twin != pack.Alone {
					p.bodies[b.twin].site = s.surface.Mirrored(b.site)
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

// inTurn shares the sites of what is tasted in its turn out among it, mildest first; sites of other things stay.
func (s *composer) inTurn(p *plan, anchors []int, sites []geom.Point) {
	var ks []int
	var of []geom.Point
	for k, i := range anchors {
		if _, ok := s.Turn(p.bodies[i].e); ok {
			ks, of = append(ks, k), append(of, sites[k])
		}
	}
	along := func(at geom.Point) float64 { share, _ := s.Zone.Board.Along(at); return share }
	turn := func(k int) float64 { from, _ := s.Turn(p.bodies[anchors[k]].e); return from }
	sort.SliceStable(ks, func(a, b int) bool { return turn(ks[a]) < turn(ks[b]) })
	sort.SliceStable(of, func(a, b int) bool { return along(of[a]) < along(of[b]) })
	for n, k := range ks {
		sites[k] = of[n]
	}
}

func scatterPoints(z surface, n int, r *rand.Rand) []geom.Point {
	out := make([]geom.Point, n)
	for i := range out {
		out[i] = z.at(r.Float64()*360, .3+.6*math.Sqrt(r.Float64()))
	}
	return out
}

// hosts lists the bodies that an arc can hug: round ones that guests dip into or cut from.
func (s *composer) hosts(p *plan) []int {
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
func (s *composer) vary(ctx context.Context, from plan, r *rand.Rand) plan {
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
					q := s.surface.at(r.Float64()*360, math.Sqrt(r.Float64())*.85)
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
			e := &s.Given.Elements[g.e]
			f, _ := s.Larder.Get(e.Food)
			spec, _ := f.Spec(e.Form)
			g.along(s.surface.guide(p.style, k, len(p.guides), pack.TrailReach(e.Count, spec), spec.L, r), spec.L*.9)
		}
		heat = .3
	}
	s.anneal(ctx, &p, r, heat)
	return p
}
