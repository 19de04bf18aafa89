package pack

import (
	"math"

	"happytray/core/geom"
)

// link keeps the folds of a trail together: two that follow each other move nearly alike, and each
// turns as the line does.
func (p *solver) link() {
	for _, i := range p.active {
		if i == 0 {
			continue
		}
		a, b := &p.bodies[i-1], &p.bodies[i]
		if b.loose || b.mobility == 0 || b.piece < 0 {
			continue
		}
		const stretch = .35 // of how far they lay apart
		if a.e == b.e {
			if pull, ok := stretched(a, b, stretch); ok {
				a.shift(pull)
				b.shift(pull.Mul(-1))
				p.wake(i - 1)
			}
		}
		if i+1 < len(p.bodies) {
			if c := &p.bodies[i+1]; c.e == b.e {
				if pull, ok := stretched(b, c, stretch); ok && !p.isOn[i+1] {
					b.shift(pull)
					c.shift(pull.Mul(-1))
					p.wake(i + 1)
				}
				if a.e == b.e {
					b.follow(a, c)
				}
			}
		}
	}
}

// stretched is by how much two neighbours in a trail are drawn together.
func stretched(a, b *body, stretch float64) (geom.Point, bool) {
	was := b.home.Sub(a.home)
	now := b.moved.Sub(a.moved)
	over := now.Len() - stretch*math.Max(6, was.Len())
	if over <= 0 {
		return geom.Point{}, false
	}
	return now.Unit().Mul(over / 2), true
}

// follow turns a fold a little towards the way its trail goes there now.
func (l *body) follow(a, c *body) {
	was, now := c.home.Sub(a.home), c.middle().Sub(a.middle())
	if was.Len() < 6 || now.Len() < 6 {
		return
	}
	want := math.Atan2(was.Cross(now), was.Dot(now)) * 180 / math.Pi
	want = math.Max(-40, math.Min(40, want))
	if d := want - l.turned; math.Abs(d) > .8 {
		l.put(l.moved, l.turned+.3*d)
	}
}
