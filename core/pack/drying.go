package pack

import (
	"cmp"
	"context"
	"maps"
	"math"
	"slices"

	"happytray/core/adjacency"
	"happytray/core/food"
	"happytray/core/geom"
)

// WetKeepMM is how far wet keeps from crisp, with a little in hand over what the review asks.
const WetKeepMM = 28.0

// keepOffMM is how far wet pieces are pushed from crisp ones, a little more than asked.
const keepOffMM = 26.5

// wetness says whether an element wets others, or is softened by them, lying open.
func (rs *regions) wetness(e int) (wet, crisp bool) {
	el := &rs.l.Tray.Elements[e]
	return el.Vessel == "" && el.Wetness.Wets(), el.Vessel == "" && el.Wetness == food.Crisp
}

// dryOff brings the wet pieces that still lie too near something crisp, and crisp ones too
// near something wet, to a free spot where they do not, or else takes them away, the wet ones
// first. Of two heaps that lie side by side the smaller part goes.
func (rs *regions) dryOff(ctx context.Context, particles []particle) {
	near := map[int][]int{}
	for i := range particles {
		g := &particles[i]
		if wet, crisp := rs.wetness(g.e); !g.gone && (wet || crisp) && rs.softening(particles, i) {
			near[g.e] = append(near[g.e], i)
		}
	}
	order := slices.SortedFunc(maps.Keys(near), func(a, b int) int { return cmp.Or(len(near[a])-len(near[b]), a-b) })
	for _, e := range order {
		for _, i := range near[e] { // unless the other side has gone meanwhile
			if ctx.Err() == nil && rs.softening(particles, i) && !rs.dry(particles, i) {
				particles[i].gone = true
			}
		}
	}
}

// dry brings piece i to the nearest free spot where nothing softens; it reports whether there is one.
func (rs *regions) dry(particles []particle, i int) bool {
	return rs.strayed(particles, i, func() bool { return !rs.softening(particles, i) })
}

// softening reports whether particle i lies so near to something that it wets, or that
// wets it.
func (rs *regions) softening(particles []particle, i int) bool {
	g := &particles[i]
	const asked = adjacency.WetBesideCrisp + .2 // of which rounding may take some
	hit := false
	rs.l.near(g.body.Box.Grow(asked), func(o *placed) bool {
		hit = (rs.l.Softens(g.e, o.element) || rs.l.Softens(o.element, g.e)) && geom.Gap(&g.body, &o.body, asked) < asked
		return !hit
	})
	if hit {
		return true
	}
	for j := range particles {
		o := &particles[j]
		if within := g.reach + o.reach + asked; o.gone || math.Abs(g.at.X-o.at.X) >= within || math.Abs(g.at.Y-o.at.Y) >= within {
			continue // most lie far away
		}
		if (rs.l.Softens(g.e, o.e) || rs.l.Softens(o.e, g.e)) && g.at.Dist(o.at) < g.reach+o.reach+asked && geom.Gap(&g.body, &o.body, asked) < asked {
			return true
		}
	}
	return false
}
