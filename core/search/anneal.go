package search

import (
	"context"
	"math"
	"math/rand/v2"

	"happytray/core/adjacency"
	"happytray/core/colour"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
	"happytray/core/review"
)

// anneal moves the rigid things of a plan: simulated annealing over pose, swap
// and turn (Kirkpatrick, Gelatt and Vecchi 1983), with an energy that a move
// changes only by what it touches. heat 1 starts from a rough idea, less keeps
// more of what is there.
func (s *composer) anneal(ctx context.Context, p *plan, r *rand.Rand, heat float64) {
	var free []int
	for i := range p.bodies {
		if !p.bodies[i].fixed {
			free = append(free, i)
		}
	}
	if len(free) == 0 {
		return
	}
	m := mover{s: s, p: p, near: s.pairWeights(p), riders: map[int][]int{}}
	for i := range p.bodies {
		if h := p.bodies[i].host; h >= 0 {
			m.riders[h] = append(m.riders[h], i)
		}
	}
	steps := int(float64(420*len(free)+1200) * (.35 + .65*heat))
	steps = min(steps, mostCompared/len(p.bodies)) // a step compares one body with all others
	size := s.surface.Half
	for step := range steps {
		if step%128 == 0 && ctx.Err() != nil {
			break // what there is still settles
		}
		cool := 1 - float64(step)/float64(steps)
		temp := heat * .25 * cool * cool
		i := free[r.IntN(len(free))]
		m.step(i, r, temp, size*(.02+.22*heat*cool))
	}
	m.settle(ctx, free)
}

// mostCompared bounds the work of one annealing, in comparisons of two bodies;
// it tells on trays of more than about a hundred rigid things.
const mostCompared = 3_000_000

// mover evaluates and makes moves on a plan.
type mover struct {
	s      *composer
	p      *plan
	near   [][]float64 // how much two bodies want to be apart (+) or together (-)
	riders map[int][]int
}

// oneBite is what it is worth that what is eaten in one bite lies together: more than a pair.
const oneBite = 1.0

// pairWeights weighs each pair by colour, category and pairing.
func (s *composer) pairWeights(p *plan) [][]float64 {
	n := len(p.bodies)
	t := make([][]float64, n)
	for i := range t {
		t[i] = make([]float64, n)
		for j := range i {
			a, b := &p.bodies[i], &p.bodies[j]
			w := 0.0
			if a.food == b.food {
				w += 1.3
			} else if a.food.Category == b.food.Category {
				w += .6
			}
			if d := colour.Difference(a.lab, b.lab); d < 18 {
				w += .5 * (18 - d) / 18
			}
			if a.kind == food.KindAnchor && b.kind == food.KindAnchor {
				w += .35
			}
			if a.food.Smells && b.food.Category == food.Cheese || b.food.Smells && a.food.Category == food.Cheese {
				w += .3
			}
			switch goes := s.Affinity(a.e, b.e); {
			case s.InOneBite(a.e, b.e):
				w -= oneBite
			case adjacency.ArePartners(goes):
				w -= .5
			case adjacency.SpoilEachOther(goes):
				w += .8
			}
			t[i][j], t[j][i] = w, w
		}
	}
	return t
}

// energy of one body against everything else: penetration in mm is worth far
// more than taste, so that a cold plan is legal wherever there is room.
func (m *mover) energy(i int) float64 {
	z, p := m.s.surface, m.p
	b := &p.bodies[i]
	e := 0.0
	edge := math.Inf(1)
	for _, q := range b.on {
		deep := z.Depth(q.At)
		if d := q.R + 1.5 - deep; d > 0 {
			e += .05*d + .006*d*math.Min(d, 60)
		}
		edge = math.Min(edge, deep-q.R)
	}
	e += pocket(edge - 1.5)
	for _, w := range z.Wells { // a well waits for what it holds
		e += .01 * discDepth(b.on, w)
	}
	for _, q := range b.free {
		if d := q.R - z.Depth(q.At); d > 0 {
			e += .03 * d
		}
	}
	for j := range p.bodies {
		if j == i {
			continue
		}
		o := &p.bodies[j]
		care := pocketMM // how far apart the two still matter to each other
		wet, apart := wetBeside(b, o), m.s.KeptApart(b.e, o.e)
		if wet {
			care = pack.WetKeepMM
		}
		if apart {
			care = apartKeepMM
		}
		if reach := b.reach + o.reach + care; within(b.pose, o.pose, reach) {
			gap := discGap(b.on, o.on, care)
			if gap < 0 {
				e += -.05*gap + .006*gap*gap
			} else {
				e += pocket(gap)
			}
			if wet && gap < pack.WetKeepMM {
				e += .04 * (pack.WetKeepMM - gap)
			}
			if apart && gap < apartKeepMM {
				e += .02 * (apartKeepMM - gap)
			}
			e += .03 * (roomDepth(b, o) + roomDepth(o, b))
		} else if b.room != nil || o.room != nil {
			e += .03 * (roomDepth(b, o) + roomDepth(o, b))
		}
		dist := b.middle.Dist(o.middle) / z.Half
		if w := m.near[i][j]; w > 0 {
			e += .12 * w * math.Max(0, 1-dist/.8)
		} else {
			e -= .16 * w * math.Min(1, dist)
		}
	}
	for k := range p.guides {
		if d := p.guides[k].depth(b.on); d > 0 {
			e += .05*d + .006*d*d
		}
		if b.room != nil {
			e += .03 * p.guides[k].depth(b.free)
		}
	}
	if b.host < 0 {
		d := b.pose.At().Dist(b.site) / z.Half
		e += p.siteWeight() * d * d
	}
	if b.showpiece() {
		off := b.middle.Dist(z.Centre) / z.Half
		e += showpiecePull * off * off
	}
	e += turnPull * m.s.OutOfTurn(b.e, b.middle)
	e += z.tall(b.middle, b.height)
	if b.spoke {
		off := math.Mod(b.middle.Sub(z.Centre).Degrees()-b.pose.Turn+720, 180)
		e += .15 * math.Min(off, 180-off) / 90
	} else if b.kind == food.KindRow && b.host < 0 { // rows follow what they lie against: here, the edge
		if deep := z.Depth(b.middle); deep < b.spec.L {
			in := z.Inward(b.middle)
			off := math.Mod(in.Degrees()+90-b.pose.Turn+720, 180)
			e += .1 * math.Min(off, 180-off) / 90
		}
	}
	return e
}

// pocketMM is the width up to which a gap beside a rigid thing takes nothing but crumbs.
const pocketMM = 20.0

// apartKeepMM is how far meat keeps from what guests without it eat, with a little in hand over what the review
// asks.
const apartKeepMM = 85.0

// turnPull is what it costs to lie the whole way off one's turn in the tasting order: more than a site that is missed.
const turnPull = 4.0

// pocket is what a gap of so many mm costs: none where things touch or where another
// food fits between, most where hardly a nut goes in (docs/craft.md, Where things go: pressed against
// their neighbours).
func pocket(gap float64) float64 {
	if gap <= 0 || gap >= pocketMM {
		return 0
	}
	return .05 * math.Sin(math.Pi*gap/pocketMM)
}

// siteWeight is how strongly things keep to the sites of the plan's style.
func (p *plan) siteWeight() float64 {
	if p.style == "meadow" {
		return .35
	}
	return .9
}

// within reports whether two poses are nearer than reach.
func within(a, b geom.Pose, reach float64) bool {
	dx, dy := a.X-b.X, a.Y-b.Y
	return dx*dx+dy*dy < reach*reach
}

// discGap is the distance between two sets of discs, negative when they overlap, and
// most when they are farther apart than that.
func discGap(a, b []pack.Disc, most float64) float64 {
	best := most
	for i := range a {
		p := &a[i]
		for j := range b {
			q := &b[j]
			r := p.R + q.R
			dx, dy := p.At.X-q.At.X, p.At.Y-q.At.Y
			if d2, near := dx*dx+dy*dy, best+r; near > 0 && d2 < near*near {
				best = math.Sqrt(d2) - r
			}
		}
	}
	return best
}

func wetBeside(a, b *body) bool {
	return a.vessel == nil && b.vessel == nil && adjacency.EitherSoftens(a.wetness, b.wetness)
}

// group is a body and what moves with it: the arcs that ride on it, and its answer on
// a mirrored tray.
func (m *mover) group(i int) []int {
	is := append([]int{i}, m.riders[i]...)
	if b := &m.p.bodies[i]; b.mirror && b.twin != pack.Alone {
		is = append(is, b.twin)
	}
	return is
}

func (m *mover) groupEnergy(is []int) float64 {
	e := 0.0
	for _, i := range is {
		e += m.energy(i)
	}
	return e
}

func (m *mover) step(i int, r *rand.Rand, temp, size float64) {
	b := &m.p.bodies[i]
	is := m.group(i)
	before := m.groupEnergy(is)
	saved := make([]body, len(is))
	for k, j := range is {
		saved[k] = m.p.bodies[j]
	}
	swapped := -1
	switch {
	case b.host >= 0:
		b.angle += r.NormFloat64() * 40
		if r.IntN(5) == 0 {
			if hosts := m.s.hosts(m.p); len(hosts) > 0 {
				m.rehost(i, hosts[r.IntN(len(hosts))])
				b.angle = r.Float64() * 360
			}
		}
		b.hug(&m.p.bodies[b.host])
	case r.IntN(8) == 0 && (len(is) == 1 && !b.mirror || len(is) == 2 && b.mirror): // change places with another
		j := r.IntN(len(m.p.bodies))
		o := &m.p.bodies[j]
		if b.mirror { // a pair changes places with a pair
			if j == i || j == b.twin || o.fixed || o.twin == pack.Alone {
				return
			}
			more := []int{j, o.twin}
			before += m.groupEnergy(more)
			saved, is = append(saved, *o, m.p.bodies[o.twin]), append(is, more...)
			pb, po := b.pose, o.pose
			b.site, o.site = o.site, b.site
			b.move(geom.Pose{X: po.X, Y: po.Y, Turn: pb.Turn})
			o.move(geom.Pose{X: pb.X, Y: pb.Y, Turn: po.Turn})
			m.answer(j)
			break
		}
		if j == i || o.fixed || o.host >= 0 || len(m.riders[j]) > 0 || o.mirror {
			return
		}
		before += m.energy(j)
		saved, swapped = append(saved, *o), j
		pb, po := b.pose, o.pose
		b.site, o.site = o.site, b.site
		b.move(geom.Pose{X: po.X, Y: po.Y, Turn: pb.Turn})
		o.move(geom.Pose{X: pb.X, Y: pb.Y, Turn: po.Turn})
	case r.IntN(3) == 0:
		turn := b.pose.Turn + r.NormFloat64()*40
		if b.kind == food.KindRow && r.IntN(3) == 0 {
			turn = m.s.surface.Inward(b.middle).Degrees() + 90
		}
		b.move(geom.Pose{X: b.pose.X, Y: b.pose.Y, Turn: turn})
	default:
		b.move(geom.Pose{X: b.pose.X + r.NormFloat64()*size, Y: b.pose.Y + r.NormFloat64()*size, Turn: b.pose.Turn})
	}
	for _, j := range is[1:] {
		if m.p.bodies[j].host == i {
			m.p.bodies[j].hug(b)
		}
	}
	m.answer(i)
	after := m.groupEnergy(is)
	if swapped >= 0 {
		after += m.energy(swapped)
	}
	if after > before && (temp <= 0 || r.Float64() > math.Exp((before-after)/temp)) {
		if b.host != saved[0].host {
			m.rehost(i, saved[0].host)
		}
		for k, j := range is {
			m.p.bodies[j] = saved[k]
		}
		if swapped >= 0 {
			m.p.bodies[swapped] = saved[len(saved)-1]
		}
	}
}

// lapsOf is how much of what two things may lie over each other a composition uses, mm; what touches uses none.
const lapsOf = .6

// laps is how deep two bodies may lie over each other, mm: rows lap over what lies beside them.
func (m *mover) laps(i, j int) float64 {
	of := m.s.Given.Elements
	if m.s.Given.Rules.Gaps == "airy" { // nothing laps where a little air is wanted
		return 0
	}
	if over := review.Touch(&of[m.p.bodies[i].e], &of[m.p.bodies[j].e]); over > 1 {
		return lapsOf * over
	}
	return 0
}

func (m *mover) rehost(i, host int) {
	old := m.p.bodies[i].host
	list := m.riders[old]
	for k, j := range list {
		if j == i {
			m.riders[old] = append(append([]int(nil), list[:k]...), list[k+1:]...)
			break
		}
	}
	m.p.bodies[i].host = host
	m.riders[host] = append(m.riders[host], i)
}

// settle parts what still overlaps by pushing it along the shortest way out,
// and brings what hangs over the edge back in. Arcs let go of their host first.
func (m *mover) settle(ctx context.Context, free []int) {
	z := m.s.surface
	movable := map[int]bool{}
	for _, i := range free {
		movable[i] = true
	}
	for range 60 {
		worst := 0.0
		for i := range m.p.bodies {
			if ctx.Err() != nil {
				return
			}
			a := &m.p.bodies[i]
			for j := range i {
				b := &m.p.bodies[j]
				d, away := depth(a, b)
				if d -= m.laps(i, j); d <= 0 {
					continue
				}
				worst = math.Max(worst, d)
				ka, kb := .52, .52
				switch {
				case !movable[i] && !movable[j]:
					continue
				case !movable[i]:
					ka, kb = 0, 1.04
				case !movable[j]:
					ka, kb = 1.04, 0
				}
				d += .05
				a.move(geom.Pose{X: a.pose.X + away.X*d*ka, Y: a.pose.Y + away.Y*d*ka, Turn: a.pose.Turn})
				b.move(geom.Pose{X: b.pose.X - away.X*d*kb, Y: b.pose.Y - away.Y*d*kb, Turn: b.pose.Turn})
				m.answer(i)
				if a.twin != j {
					m.answer(j)
				}
			}
			if !movable[i] {
				continue
			}
			for k := range m.p.guides { // trails keep their way through
				for g := range m.p.guides[k].hulls {
					hulls := a.firm()
					for w := range hulls {
						if d, away := geom.Deeper(&hulls[w], &m.p.guides[k].hulls[g], .5); d > 0 {
							worst = math.Max(worst, d)
							a.move(geom.Pose{X: a.pose.X + away.X*d*.6, Y: a.pose.Y + away.Y*d*.6, Turn: a.pose.Turn})
							m.answer(i)
						}
					}
				}
			}
			out, at := 0.0, geom.Point{}
			for _, h := range a.firm() {
				for _, q := range h.Outline {
					if d := -z.Depth(q); d > out-z.Grid.Cell {
						if d = -z.ExactDepth(q); d > out {
							out, at = d, q
						}
					}
				}
			}
			if out > 0 {
				worst = math.Max(worst, out)
				in := z.Inward(at)
				a.move(geom.Pose{X: a.pose.X + in.X*(out+.05), Y: a.pose.Y + in.Y*(out+.05), Turn: a.pose.Turn})
				m.answer(i)
			}
		}
		if worst <= .02 {
			return
		}
	}
}
