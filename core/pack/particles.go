package pack

import (
	"context"
	"math"
	"math/rand/v2"
	"slices"
	"sort"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/review"
	"happytray/core/tray"
)

// particle is one loose piece while it settles.
type particle struct {
	region  int
	e       int
	variant int
	upper   bool // lies on the layer below
	local   geom.Outline
	body    geom.Body
	at      geom.Point
	home    geom.Point // where it lay, when it was laid before
	laid    bool       // it was: pieces of a heap as near as they lay do not part
	r       float64    // mean radius
	reach   float64
	gone    bool
	like    int // the piece, counted from 1, whose shape it took to lie upon it; 0 for its own
}

// reshape readies the body after the outline was changed.
func (g *particle) reshape() {
	g.body = geom.NewBody(append(geom.Outline(nil), g.local...))
	g.body.Shift(g.local, g.at)
}

func (g *particle) moveTo(p geom.Point) {
	g.at = p
	g.body.Shift(g.local, p)
}

// packing is how densely loose pieces lie when they touch: share of their room
// that their outlines cover (random close packing of discs, about .82).
const packing = .82

// scatter are the pieces of every region's element, spread evenly over the region, the
// surplus in a second layer.
func (rs *regions) scatter(ctx context.Context, r *rand.Rand) []particle {
	l := rs.l
	cells := make([][]geom.Point, len(rs.elems))
	walls := make([][]float64, len(rs.elems)) // of each cell: mm to the nearest thing that does not give way
	wall := rs.walls()
	for i, q := range rs.at {
		k := rs.label[rs.free[i]]
		cells[k], walls[k] = append(cells[k], q), append(walls[k], wall[rs.free[i]])
	}
	var particles []particle
	laid := make([][]geom.Point, len(rs.elems))
	for k, e := range rs.elems {
		el := &l.Tray.Elements[e]
		f, _ := l.Larder.Get(el.Food)
		spec, _ := f.Spec(el.Form)
		shapes, mean := shapesOf(f, spec)
		region := float64(len(cells[k])) * rs.g.Cell * rs.g.Cell
		low := min(el.Count, int(region*packing/mean))
		if low < 1 {
			continue
		}
		high := min(el.Count-low, int(float64(low)*(spec.Deep()-1)+.5))
		if high > 2 { // in a heap even the lower layer is a little closer than touching
			more := min(high/3, int(float64(low)*.12))
			low, high = low+more, high-more
		}
		if ctx.Err() != nil {
			return particles // no time for the others; they wait
		}
		order := r.Perm(food.Variants)
		spots := evenly(clearOf(cells[k], walls[k], math.Sqrt(mean/math.Pi), low), low, r)
		low = len(spots)
		if rs.twin != nil && rs.twin[k] != Alone && rs.twin[k] < k { // as on the other side
			for i, at := range laid[rs.twin[k]] {
				if i < len(spots) {
					spots[i] = l.Zone.Mirrored(at)
				}
			}
		}
		laid[k] = spots
		for i, at := range spots {
			particles = append(particles, newParticle(k, e, order[i%len(order)], shapes, at, false))
		}
		base := len(particles) - low
		for i := range high { // in the hollows between two that lie side by side
			a := &particles[base+(i*7)%low]
			best, at := math.Inf(1), a.at
			for j := base; j < base+low; j++ {
				if b := &particles[j]; b != a {
					if d := a.at.Dist(b.at); d < best {
						best, at = d, a.at.Lerp(b.at, .5)
					}
				}
			}
			at = at.Add(geom.Polar(spec.W*.2*r.Float64(), r.Float64()*360))
			particles = append(particles, newParticle(k, e, order[(i+3)%len(order)], shapes, at, true))
		}
	}
	return particles
}

// withRoom is the elements that keep most of their pieces. What finds no room for them
// leaves its region bare, which is better shared among the others: large pieces in the
// narrow places between rows.
func (rs *regions) withRoom(particles []particle) []int {
	all, gone := make([]int, len(rs.elems)), make([]int, len(rs.elems))
	for i := range particles {
		all[particles[i].region]++
		if particles[i].gone {
			gone[particles[i].region]++
		}
	}
	cells := make([]int, len(rs.elems))
	for _, c := range rs.free {
		cells[rs.label[c]]++
	}
	var out []int
	for k, e := range rs.elems {
		bare := float64(cells[k]) * rs.g.Cell * rs.g.Cell
		if all[k] > 0 {
			bare *= float64(gone[k]) / float64(all[k])
		}
		if 2*gone[k] <= all[k] && all[k] > 0 || bare < bareMM2 {
			out = append(out, e)
		}
	}
	return out
}

// writeFound writes down the pieces that elements other than those left have found room for.
func (rs *regions) writeFound(particles []particle, left []int) {
	var found []particle
	for i := range particles {
		if g := &particles[i]; !g.gone && !slices.Contains(left, g.e) && !rs.softening(particles, i) {
			found = append(found, *g)
		}
	}
	rs.write(found)
}

// bareMM2 is the bare patch that is too large to leave.
const bareMM2 = 2500

// finish closes gaps, keeps wet from crisp and round things from the edge, and writes the
// pieces down. What found no room goes to reserve.
func (rs *regions) finish(ctx context.Context, particles []particle) {
	rs.closeGaps(ctx, particles)
	rs.loosen(ctx, particles)
	if ctx.Err() == nil {
		rs.dryOff(ctx, particles)
		rs.spread(ctx, particles)
		rs.steadyAll(ctx, particles)
	}
	rs.write(particles)
}

func newParticle(region, e, variant int, shapes []geom.Outline, at geom.Point, upper bool) particle {
	o := shapes[variant]
	g := particle{region: region, e: e, variant: variant, upper: upper, local: o}
	g.body = geom.ConvexBody(append(geom.Outline(nil), o...))
	g.r = math.Sqrt(o.Area() / math.Pi)
	for _, p := range o {
		g.reach = math.Max(g.reach, p.Len())
	}
	g.moveTo(at)
	return g
}

// walls is how far each cell lies from the board's edge and from what is laid, mm.
func (rs *regions) walls() []float64 {
	g := rs.g
	block := make([]bool, g.Cells())
	for i, v := range rs.label {
		block[i] = v < 0
	}
	dist, tmp := make([]int32, g.Cells()), make([]int32, g.Cells())
	g.DistanceField(dist, tmp, geom.Window{X0: 0, Y0: 0, X1: g.W, Y1: g.H}, block, true)
	out := make([]float64, len(dist))
	for i, d := range dist {
		out[i] = (math.Sqrt(float64(d)) - .5) * g.Cell
	}
	return out
}

// clearOf keeps the cells where the middle of a piece of radius r can lie without
// standing in a wall, as long as they are enough for n pieces.
func clearOf(cells []geom.Point, wall []float64, r float64, n int) []geom.Point {
	for _, share := range []float64{.85, .6, .35} {
		var out []geom.Point
		for i, d := range wall {
			if d >= share*r {
				out = append(out, cells[i])
			}
		}
		if len(out) >= 3*n {
			return out
		}
	}
	return cells
}

// evenly spreads n points over cells (Lloyd 1982, a few rounds).
func evenly(cells []geom.Point, n int, r *rand.Rand) []geom.Point {
	if n >= len(cells) {
		n = len(cells)
	}
	ps := make([]geom.Point, n)
	step := float64(len(cells)) / float64(n)
	for i := range ps {
		ps[i] = cells[int((float64(i)+r.Float64())*step)%len(cells)]
	}
	sum := make([]geom.Point, n)
	count := make([]float64, n)
	for range 7 {
		for i := range sum {
			sum[i], count[i] = geom.Point{}, 0
		}
		for _, c := range cells {
			k := Nearest(ps, c)
			sum[k].X += c.X
			sum[k].Y += c.Y
			count[k]++
		}
		for i := range ps {
			if count[i] > 0 {
				ps[i] = sum[i].Mul(1 / count[i])
			}
		}
	}
	return ps
}

// legal reports whether particle i lies inside and clear of other elements.
func (rs *regions) legal(particles []particle, i int) bool {
	l := rs.l
	g := &particles[i]
	if !l.Zone.Holds(&g.body) || l.clash(g.e, &g.body, touchSlack) {
		return false
	}
	for j := range particles {
		o := &particles[j]
		if j == i || o.gone || o.e == g.e || g.at.Dist(o.at) > g.reach+o.reach {
			continue
		}
		may := review.Touch(&l.Tray.Elements[g.e], &l.Tray.Elements[o.e]) * touchSlack
		if d, _ := geom.Deeper(&g.body, &o.body, may); d > 0 {
			return false
		}
	}
	return true
}

// write writes the settled pieces into their elements, lower layer first.
func (rs *regions) write(particles []particle) {
	l := rs.l
	by := map[int][]*particle{}
	for i := range particles {
		if g := &particles[i]; !g.gone {
			by[g.e] = append(by[g.e], g)
		}
	}
	for _, e := range rs.elems {
		el := &l.Tray.Elements[e]
		f, _ := l.Larder.Get(el.Food)
		spec, _ := f.Spec(el.Form)
		gs := by[e]
		if len(gs) == 0 {
			continue
		}
		sort.SliceStable(gs, func(i, j int) bool { return !gs[i].upper && gs[j].upper })
		el.Pieces = make([]tray.Piece, 0, len(gs))
		var c geom.Point
		for _, g := range gs {
			z := 0.0
			if g.upper {
				z = math.Round(spec.H*70) / 100
			}
			at := g.at.Round()
			el.Pieces = append(el.Pieces, tray.Piece{Outline: g.local.Move(at).Round(), ZMM: z, HeightMM: spec.H,
				Colour: f.SurfaceColour(spec), At: at, Variant: g.variant})
			c = c.Add(at)
		}
		c = c.Mul(1 / float64(len(gs))).Round()
		el.X, el.Y, el.TurnDeg, el.Placed = c.X, c.Y, 0, true
		l.HoldBack(el, len(gs))
		l.AddElement(e)
	}
}
