package pack

import (
	"context"

	"happytray/core/geom"
)

const (
	loosenRounds = 12
	apart        = 1.08 // times touching, to which the pieces of a heap part where there is room
	leastStep    = .2   // mm that is worth a move
	mostStep     = 3.0
)

// loosen lets the pieces of each heap part until they hardly touch, into the bare spots round it: a wide gap beside a tight
// heap becomes slits between its pieces, through which no board is seen. Nothing comes to lie on anything, wet by crisp or
// before a knife by it.
func (rs *regions) loosen(ctx context.Context, particles []particle) {
	heaps := map[int][]int{}
	for i := range particles {
		if g := &particles[i]; !g.gone && !g.upper {
			heaps[g.e] = append(heaps[g.e], i)
		}
	}
	for range loosenRounds {
		moved := false
		for _, e := range rs.elems {
			if ctx.Err() != nil {
				return
			}
			for _, i := range heaps[e] {
				moved = rs.part(particles, i, heaps[e]) || moved
			}
		}
		if !moved {
			return
		}
	}
}

// part moves piece i away from the others of its heap that lie closer than apart, if it may lie there, and reports whether it did.
func (rs *regions) part(particles []particle, i int, heap []int) bool {
	g := &particles[i]
	var push geom.Point
	for _, j := range heap {
		if o := &particles[j]; j != i {
			if d, want := g.at.Dist(o.at), apart*(g.r+o.r); d < want {
				push = push.Add(g.at.Sub(o.at).Unit().Mul(.35 * (want - d)))
			}
		}
	}
	n := push.Len()
	if n < leastStep {
		return false
	}
	if n > mostStep {
		push = push.Mul(mostStep / n)
	}
	was, soft := g.at, rs.softening(particles, i)
	if g.moveTo(was.Add(push)); rs.legal(particles, i) && !rs.inRoom(g) && (soft || !rs.softening(particles, i)) {
		return true
	}
	g.moveTo(was)
	return false
}

// inRoom reports whether a piece lies before a cutting face.
func (rs *regions) inRoom(g *particle) bool {
	for k := range rs.rooms {
		if p, _ := geom.Deeper(&g.body, &rs.rooms[k], 2); p > 0 {
			return true
		}
	}
	return false
}
