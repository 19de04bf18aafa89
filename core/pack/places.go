package pack

import (
	"cmp"
	"context"
	"math"
	"slices"

	"happytray/core/food"
	"happytray/core/geom"
)

// What finds no room where it stands, once things were parted, looks for a place here.

// mostTries bounds the places that are looked at for what found no room, so that an answer comes on
// the largest trays, too.
const mostTries = 9000

// toFreed moves what is still stuck to the place that came free, turned as it is, where it fits there.
func (p *solver) toFreed(from geom.Pose) {
	for i := range p.bodies {
		l := &p.bodies[i]
		if l.piece >= 0 || !p.stuck(i) {
			continue
		}
		back := l.moved
		l.shift(from.At().Sub(l.box.Centre()))
		for range 12 { // a little about, until it fits
			if push := p.inside(l); push != (geom.Point{}) {
				l.shift(push)
			}
			p.near(i, false, func(j int) bool {
				if d, away, _, _ := p.overlap(i, j); d > .02 {
					l.shift(away.Mul(d + .05))
				}
				return true
			})
		}
		if p.stuck(i) {
			l.put(back, l.turned)
			continue
		}
		p.sort()
		return
	}
}

// relocate moves what is still stuck to the nearest place where nothing else stands: loose food
// flows out of its way. A fold of a trail stays by its trail.
func (p *solver) relocate(ctx context.Context) {
	for i := range p.bodies {
		l := &p.bodies[i]
		if p.stuck(i) {
			most := nearReach
			if l.piece >= 0 {
				most = foldReach
			}
			p.nearestFree(ctx, i, most)
		}
	}
}

// nearestFree moves a body to the nearest place within reach where it stands in nothing, as it is
// turned or another way; it reports whether there is one, and leaves the body where it was if not.
func (p *solver) nearestFree(ctx context.Context, i int, reach float64) bool {
	l := &p.bodies[i]
	turns := []float64{0, 90, 45, 135}
	if l.inertia == 0 { // a turn does not change the room it takes, or not by enough
		turns = turns[:1]
	}
	by, turn := l.moved, l.turned
	c := p.newOccupancy(i)
	const step = 9.0
	for far := step; far < reach && ctx.Err() == nil; far += step {
		n := int(math.Min(32, 6+far/9))
		for a := range n {
			to := by.Add(geom.Polar(far, float64(a)*360/float64(n)+far*7))
			if p.z.Depth(l.home.Add(to)) < 4 {
				continue
			}
			if p.tries++; p.tries > mostTries {
				l.put(by, turn)
				return false
			}
			for _, more := range turns {
				if c.meets(to, turn+more) {
					continue
				}
				if l.put(to, turn+more); !p.stuck(i) {
					p.sort()
					return true
				}
			}
		}
	}
	l.put(by, turn)
	return false
}

// nearReach is how far what stands is moved before other ways are tried, mm: nothing should jump across
// the tray.
const nearReach = 170.0

// foldReach is how far a fold may be laid from where its trail lay, mm.
const foldReach = 70.0

// again looks for room for what was to be lifted, the largest first: others that were lifted before it
// may have left some.
func (p *solver) again(ctx context.Context) {
	var gone []int
	for i := range p.bodies {
		if p.bodies[i].gone {
			gone = append(gone, i)
		}
	}
	slices.SortStableFunc(gone, func(a, b int) int { return cmp.Compare(p.bodies[a].mobility, p.bodies[b].mobility) })
	for _, i := range gone {
		l := &p.bodies[i]
		l.goBack()
		p.sort()
		near, far := nearReach, math.Hypot(p.z.Box.W(), p.z.Box.H())
		if l.piece >= 0 {
			near, far = foldReach, 0
		}
		stays := !p.stuck(i) || p.nearestFree(ctx, i, near) || p.squeezed(ctx, i) || p.halved(ctx, i) || p.nearestFree(ctx, i, far)
		p.bodies[i].gone = !stays // the bodies may be others by now
	}
}

// halved lays a row that found no room in two halves, each at the nearest place where it stands in
// nothing.
func (p *solver) halved(ctx context.Context, i int) bool {
	e := &p.t.Elements[p.bodies[i].e]
	n := len(e.Pieces)
	if p.bodies[i].piece >= 0 || p.bodies[i].part != [2]int{} || e.Kind() != food.KindRow || n < 4 {
		return false
	}
	light := p.bodies[i].mobility
	at := p.bodies[i].e
	half := func(from, to int) body {
		l := newBody(at, -1, e.Pieces[from:to], light)
		l.part, l.inertia = [2]int{from, to}, l.reach*l.reach/3
		return l
	}
	was := p.bodies[i]
	p.bodies[i] = half(0, n/2)
	p.bodies = append(p.bodies, half(n/2, n))
	p.survey()
	reach := math.Hypot(p.z.Box.W(), p.z.Box.H())
	for _, k := range []int{i, len(p.bodies) - 1} {
		if p.stuck(k) && !p.nearestFree(ctx, k, reach) {
			p.bodies[i], p.bodies = was, p.bodies[:len(p.bodies)-1]
			p.survey()
			return false
		}
	}
	return true
}

// squeezed puts a body where it stands in least and parts everything again round it; where something
// still is stuck then, all is left as it was.
func (p *solver) squeezed(ctx context.Context, i int) bool {
	if p.bodies[i].piece >= 0 {
		return false
	}
	kept := p.places()
	best, least := geom.Point{}, math.Inf(1)
	l := &p.bodies[i]
	box := p.z.Box
	const step = 24.0
	for y := box.Min.Y + step/2; y < box.Max.Y; y += step {
		for x := box.Min.X + step/2; x < box.Max.X; x += step {
			to := geom.Pt(x, y)
			if p.z.Depth(to) < 8 {
				continue
			}
			l.put(to.Sub(l.home), l.turned)
			bad := 1.5*p.inside(l).Len() + .02*to.Dist(l.home)
			p.near(i, false, func(j int) bool {
				if d, _, _, _ := p.overlap(i, j); d > 0 {
					if p.bodies[j].mobility == 0 { // it will not give way
						d *= 4
					}
					bad += d
				}
				return bad <= least
			})
			if bad < least {
				best, least = to, bad
			}
		}
	}
	if !math.IsInf(least, 1) && ctx.Err() == nil {
		l.put(best.Sub(l.home), l.turned)
		p.sleep()
		p.wake(i)
		if p.resolve(ctx, roomRounds) || !slices.ContainsFunc(p.active, p.stuck) {
			p.sort()
			return true
		}
	}
	p.putBack(kept)
	return false
}

// places is how all bodies lie now.
func (p *solver) places() []offset {
	out := make([]offset, len(p.bodies))
	for i := range p.bodies {
		out[i] = offset{p.bodies[i].moved, p.bodies[i].turned}
	}
	return out
}

// putBack puts all bodies where they lay.
func (p *solver) putBack(all []offset) {
	for i, at := range all {
		if l := &p.bodies[i]; l.moved != at.moved || l.turned != at.turned {
			l.put(at.moved, at.turned)
		}
	}
	p.sort()
}
