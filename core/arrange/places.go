package arrange

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

// fillIn moves what is still stuck to the place that came free, turned as it is, where it fits there.
func (p *parting) fillIn(from geom.Pose) {
	for i := range p.lumps {
		l := &p.lumps[i]
		if l.piece >= 0 || !p.stuck(i) {
			continue
		}
		back := l.by
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
			l.put(back, l.turn)
			continue
		}
		p.sort()
		return
	}
}

// elsewhere moves what is still stuck to the nearest place where nothing else stands: loose food
// flows out of its way. A fold of a trail stays by its trail.
func (p *parting) elsewhere(ctx context.Context) {
	for i := range p.lumps {
		l := &p.lumps[i]
		if p.stuck(i) {
			most := nearReach
			if l.piece >= 0 {
				most = foldReach
			}
			p.nearestFree(ctx, i, most)
		}
	}
}

// nearestFree moves a lump to the nearest place within reach where it stands in nothing, as it is
// turned or another way; it reports whether there is one, and leaves the lump where it was if not.
func (p *parting) nearestFree(ctx context.Context, i int, reach float64) bool {
	l := &p.lumps[i]
	turns := []float64{0, 90, 45, 135}
	if l.spin == 0 { // a turn does not change the room it takes, or not by enough
		turns = turns[:1]
	}
	by, turn := l.by, l.turn
	c := p.newCover(i)
	const step = 9.0
	for far := step; far < reach && ctx.Err() == nil; far += step {
		n := int(math.Min(32, 6+far/9))
		for a := range n {
			to := by.Add(geom.Polar(far, float64(a)*360/float64(n)+far*7))
			if p.z.deep(l.home.Add(to)) < 4 {
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
func (p *parting) again(ctx context.Context) {
	var gone []int
	for i := range p.lumps {
		if p.lumps[i].gone {
			gone = append(gone, i)
		}
	}
	slices.SortStableFunc(gone, func(a, b int) int { return cmp.Compare(p.lumps[a].light, p.lumps[b].light) })
	for _, i := range gone {
		l := &p.lumps[i]
		l.goBack()
		p.sort()
		near, far := nearReach, math.Hypot(p.z.box.W(), p.z.box.H())
		if l.piece >= 0 {
			near, far = foldReach, 0
		}
		stays := !p.stuck(i) || p.nearestFree(ctx, i, near) || p.squeezed(ctx, i) || p.halved(ctx, i) || p.nearestFree(ctx, i, far)
		p.lumps[i].gone = !stays // the lumps may be others by now
	}
}

// halved lays a row that found no room in two halves, each at the nearest place where it stands in
// nothing.
func (p *parting) halved(ctx context.Context, i int) bool {
	e := &p.t.Elements[p.lumps[i].e]
	n := len(e.Pieces)
	if p.lumps[i].piece >= 0 || p.lumps[i].part != [2]int{} || e.Kind() != food.KindRow || n < 4 {
		return false
	}
	light := p.lumps[i].light
	at := p.lumps[i].e
	half := func(from, to int) lump {
		l := newLump(at, -1, e.Pieces[from:to], light)
		l.part, l.spin = [2]int{from, to}, l.reach*l.reach/3
		return l
	}
	was := p.lumps[i]
	p.lumps[i] = half(0, n/2)
	p.lumps = append(p.lumps, half(n/2, n))
	p.survey()
	reach := math.Hypot(p.z.box.W(), p.z.box.H())
	for _, k := range []int{i, len(p.lumps) - 1} {
		if p.stuck(k) && !p.nearestFree(ctx, k, reach) {
			p.lumps[i], p.lumps = was, p.lumps[:len(p.lumps)-1]
			p.survey()
			return false
		}
	}
	return true
}

// squeezed puts a lump where it stands in least and parts everything again round it; where something
// still is stuck then, all is left as it was.
func (p *parting) squeezed(ctx context.Context, i int) bool {
	if p.lumps[i].piece >= 0 {
		return false
	}
	kept := p.places()
	best, least := geom.Point{}, math.Inf(1)
	l := &p.lumps[i]
	box := p.z.box
	const step = 24.0
	for y := box.Min.Y + step/2; y < box.Max.Y; y += step {
		for x := box.Min.X + step/2; x < box.Max.X; x += step {
			to := geom.Pt(x, y)
			if p.z.deep(to) < 8 {
				continue
			}
			l.put(to.Sub(l.home), l.turn)
			bad := 1.5*p.inside(l).Len() + .02*to.Dist(l.home)
			p.near(i, false, func(j int) bool {
				if d, _, _, _ := p.overlap(i, j); d > 0 {
					if p.lumps[j].light == 0 { // it will not give way
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
		l.put(best.Sub(l.home), l.turn)
		p.sleep()
		p.wake(i)
		if p.part(ctx, roomRounds) || !slices.ContainsFunc(p.active, p.stuck) {
			p.sort()
			return true
		}
	}
	p.putBack(kept)
	return false
}

// places is how all lumps lie now.
func (p *parting) places() []lying {
	out := make([]lying, len(p.lumps))
	for i := range p.lumps {
		out[i] = lying{p.lumps[i].by, p.lumps[i].turn}
	}
	return out
}

// putBack puts all lumps where they lay.
func (p *parting) putBack(all []lying) {
	for i, at := range all {
		if l := &p.lumps[i]; l.by != at.by || l.turn != at.turn {
			l.put(at.by, at.turn)
		}
	}
	p.sort()
}
