package arrange

import (
	"cmp"
	"context"
	"maps"
	"math"
	"math/rand/v2"
	"slices"
	"sort"

	"happytray/core/adjacency"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/review"
	"happytray/core/tray"
)

// grain is one loose piece while it settles.
type grain struct {
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
}

func (g *grain) moveTo(p geom.Point) {
	g.at = p
	g.body.Shift(g.local, p)
}

// packing is how densely loose pieces lie when they touch: share of their room
// that their outlines cover (random close packing of discs, about .82).
const packing = .82

// grains are the pieces of every region's element, spread evenly over the region, the
// surplus in a second layer.
func (sh *share) grains(ctx context.Context, r *rand.Rand) []grain {
	l := sh.l
	cells := make([][]geom.Point, len(sh.elems))
	walls := make([][]float64, len(sh.elems)) // of each cell: mm to the nearest thing that does not give way
	wall := sh.walls()
	for i, q := range sh.at {
		k := sh.label[sh.free[i]]
		cells[k], walls[k] = append(cells[k], q), append(walls[k], wall[sh.free[i]])
	}
	var grains []grain
	laid := make([][]geom.Point, len(sh.elems))
	for k, e := range sh.elems {
		el := &l.t.Elements[e]
		f, _ := l.s.larder.Get(el.Food)
		spec, _ := f.Spec(el.Form)
		shapes := make([]geom.Outline, food.Variants)
		mean := 0.0
		for v := range shapes {
			shapes[v] = spec.Outline(f.ID, v)
			mean += shapes[v].Area() / food.Variants
		}
		region := float64(len(cells[k])) * sh.g.Cell * sh.g.Cell
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
			return grains // no time for the others; they wait
		}
		order := r.Perm(food.Variants)
		spots := evenly(clearOf(cells[k], walls[k], math.Sqrt(mean/math.Pi), low), low, r)
		low = len(spots)
		if sh.twin != nil && sh.twin[k] != alone && sh.twin[k] < k { // as on the other side
			for i, at := range laid[sh.twin[k]] {
				if i < len(spots) {
					spots[i] = l.s.zone.flipped(at)
				}
			}
		}
		laid[k] = spots
		for i, at := range spots {
			grains = append(grains, newGrain(k, e, order[i%len(order)], shapes, at, false))
		}
		base := len(grains) - low
		for i := range high { // in the hollows between two that lie side by side
			a := &grains[base+(i*7)%low]
			best, at := math.Inf(1), a.at
			for j := base; j < base+low; j++ {
				if b := &grains[j]; b != a {
					if d := a.at.Dist(b.at); d < best {
						best, at = d, a.at.Lerp(b.at, .5)
					}
				}
			}
			at = at.Add(geom.Polar(spec.W*.2*r.Float64(), r.Float64()*360))
			grains = append(grains, newGrain(k, e, order[(i+3)%len(order)], shapes, at, true))
		}
	}
	return grains
}

// withRoom is the elements that keep most of their pieces. What finds no room for them
// leaves its region bare, which is better shared among the others: large pieces in the
// narrow places between rows.
func (sh *share) withRoom(grains []grain) []int {
	all, gone := make([]int, len(sh.elems)), make([]int, len(sh.elems))
	for i := range grains {
		all[grains[i].region]++
		if grains[i].gone {
			gone[grains[i].region]++
		}
	}
	cells := make([]int, len(sh.elems))
	for _, c := range sh.free {
		cells[sh.label[c]]++
	}
	var out []int
	for k, e := range sh.elems {
		bare := float64(cells[k]) * sh.g.Cell * sh.g.Cell
		if all[k] > 0 {
			bare *= float64(gone[k]) / float64(all[k])
		}
		if 2*gone[k] <= all[k] && all[k] > 0 || bare < bareMM2 {
			out = append(out, e)
		}
	}
	return out
}

// keep writes down the pieces that elements other than those left have found room for.
func (sh *share) keep(grains []grain, left []int) {
	var found []grain
	for i := range grains {
		if g := &grains[i]; !g.gone && !slices.Contains(left, g.e) && !sh.softening(grains, i) {
			found = append(found, *g)
		}
	}
	sh.commit(found)
}

// bareMM2 is the bare patch that is too large to leave.
const bareMM2 = 2500

// finish closes gaps, keeps wet from crisp and round things from the edge, and writes the
// pieces down. What found no room goes to reserve.
func (sh *share) finish(ctx context.Context, grains []grain) {
	sh.close(ctx, grains)
	if ctx.Err() == nil {
		sh.dryOff(ctx, grains)
		sh.spread(ctx, grains)
		sh.hold(ctx, grains)
	}
	sh.commit(grains)
}

func newGrain(region, e, variant int, shapes []geom.Outline, at geom.Point, upper bool) grain {
	o := shapes[variant]
	g := grain{region: region, e: e, variant: variant, upper: upper, local: o}
	g.body = geom.ConvexBody(append(geom.Outline(nil), o...))
	g.r = math.Sqrt(o.Area() / math.Pi)
	for _, p := range o {
		g.reach = math.Max(g.reach, p.Len())
	}
	g.moveTo(at)
	return g
}

// walls is how far each cell lies from the board's edge and from what is laid, mm.
func (sh *share) walls() []float64 {
	g := sh.g
	block := make([]bool, g.Cells())
	for i, v := range sh.label {
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
			k := nearest(ps, c)
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

// settle pushes pieces out of other elements' pieces and off the edge, and
// pieces of one element apart, until they rest.
func (sh *share) settle(ctx context.Context, grains []grain) {
	c := newCrowd(sh, grains)
	for round := range 26 {
		if ctx.Err() != nil {
			break
		}
		if rest := c.relax(); rest && round > 6 {
			break
		}
	}
	// what still stands in something looks for a free spot nearby, or goes
	for i := range grains {
		if g := &grains[i]; !sh.legal(grains, i) {
			g.gone = ctx.Err() != nil || !sh.nearby(grains, i)
		}
	}
}

// nearby moves a grain to the nearest free spot on five rings round it, and reports whether there is one.
func (sh *share) nearby(grains []grain, i int) bool {
	g := &grains[i]
	from := g.at
	for ring := 1; ring <= 5; ring++ {
		for k := range 6 * ring {
			g.moveTo(from.Add(geom.Polar(float64(ring)*g.r*.55, float64(k)*60/float64(ring))))
			if sh.legal(grains, i) {
				return true
			}
		}
	}
	return false
}

// inBins sorts pieces by their bins: those of bin c are order[starts[c]:starts[c+1]].
func inBins(grains []grain, starts, order []int32, bin func(geom.Point) int) {
	clear(starts)
	for i := range grains {
		starts[bin(grains[i].at)+1]++
	}
	for c := 1; c < len(starts); c++ {
		starts[c] += starts[c-1]
	}
	for i := len(grains) - 1; i >= 0; i-- { // each end comes down to where its bin begins
		c := bin(grains[i].at) + 1
		starts[c]--
		order[starts[c]] = int32(i)
	}
	copy(starts, starts[1:])
	starts[len(starts)-1] = int32(len(grains))
}

// calm reports whether nothing has moved in some bins since a tick.
func calm(stirred []int32, w, x0, x1, y0, y1 int, since int32) bool {
	for y := y0; y <= y1; y++ {
		for _, at := range stirred[y*w+x0 : y*w+x1+1] {
			if at > since {
				return false
			}
		}
	}
	return true
}

// keepOffMM is how far wet pieces are pushed from crisp ones, a little more than asked.
const keepOffMM = 26.5

// wetness says whether an element wets others, or is softened by them, lying open.
func (sh *share) wetness(e int) (wet, crisp bool) {
	el := &sh.l.t.Elements[e]
	return el.Vessel == "" && el.Wetness.Wets(), el.Vessel == "" && el.Wetness == food.Crisp
}

// dryOff brings the wet pieces that still lie too near something crisp, and crisp ones too
// near something wet, to a free spot where they do not, or else takes them away, the wet ones
// first. Of two heaps that lie side by side the smaller part goes.
func (sh *share) dryOff(ctx context.Context, grains []grain) {
	near := map[int][]int{}
	for i := range grains {
		g := &grains[i]
		if wet, crisp := sh.wetness(g.e); !g.gone && (wet || crisp) && sh.softening(grains, i) {
			near[g.e] = append(near[g.e], i)
		}
	}
	order := slices.SortedFunc(maps.Keys(near), func(a, b int) int { return cmp.Or(len(near[a])-len(near[b]), a-b) })
	for _, e := range order {
		for _, i := range near[e] { // unless the other side has gone meanwhile
			if ctx.Err() == nil && sh.softening(grains, i) && !sh.dry(grains, i) {
				grains[i].gone = true
			}
		}
	}
}

// dry brings piece i to the nearest free spot where nothing softens; it reports whether there is one.
func (sh *share) dry(grains []grain, i int) bool {
	return sh.strayed(grains, i, func() bool { return !sh.softening(grains, i) })
}

// softening reports whether grain i lies so near to something that it wets, or that
// wets it.
func (sh *share) softening(grains []grain, i int) bool {
	g := &grains[i]
	const asked = adjacency.WetBesideCrisp + .2 // of which rounding may take some
	hit := false
	sh.l.near(g.body.Box.Grow(asked), func(o *placed) bool {
		hit = (sh.l.s.softens(g.e, o.e) || sh.l.s.softens(o.e, g.e)) && geom.Gap(&g.body, &o.body, asked) < asked
		return !hit
	})
	if hit {
		return true
	}
	for j := range grains {
		o := &grains[j]
		if !o.gone && (sh.l.s.softens(g.e, o.e) || sh.l.s.softens(o.e, g.e)) && g.at.Dist(o.at) < g.reach+o.reach+asked && geom.Gap(&g.body, &o.body, asked) < asked {
			return true
		}
	}
	return false
}

// legal reports whether grain i lies inside and clear of other elements.
func (sh *share) legal(grains []grain, i int) bool {
	l := sh.l
	g := &grains[i]
	if !l.s.zone.holds(&g.body) || l.clash(g.e, &g.body, touchSlack) {
		return false
	}
	for j := range grains {
		o := &grains[j]
		if j == i || o.gone || o.e == g.e || g.at.Dist(o.at) > g.reach+o.reach {
			continue
		}
		may := review.Touch(&l.t.Elements[g.e], &l.t.Elements[o.e]) * touchSlack
		if d, _ := geom.Deeper(&g.body, &o.body, may); d > 0 {
			return false
		}
	}
	return true
}

// close looks for the widest bare spots and fills each with a piece that is not
// needed where it is: one from an upper layer, or one that found no place.
func (sh *share) close(ctx context.Context, grains []grain) {
	g := sh.g
	n := g.Cells()
	block := make([]bool, n)
	for i, v := range sh.label {
		block[i] = v < 0
	}
	paint := func(o geom.Outline) {
		g.Spans(o, func(y, x0, x1 int) {
			for x := x0; x < x1; x++ {
				block[y*g.W+x] = true
			}
		})
	}
	for i := range grains {
		if !grains[i].gone {
			paint(grains[i].body.Outline)
		}
	}
	dist, wide, tmp := make([]int32, n), make([]int32, n), make([]int32, n)
	skip := make([]bool, n)
	g.DistanceField(dist, tmp, geom.Window{X0: 0, Y0: 0, X1: g.W, Y1: g.H}, block, true)
	for range 60 {
		if ctx.Err() != nil {
			return
		}
		best, where := int32(0), -1
		for i, d := range dist {
			if d > best && !skip[i] {
				best, where = d, i
			}
		}
		radius := (math.Sqrt(float64(best)) - .5) * g.Cell
		if where < 0 || radius < 5.5 {
			return
		}
		at := g.Centre(where%g.W, where/g.W)
		pick, score := -1, math.Inf(1)
		for i := range grains {
			o := &grains[i]
			if !o.upper && !o.gone || o.r > radius*1.45 {
				continue
			}
			d := o.at.Dist(at)
			if o.gone {
				d *= .5
			}
			d += 12 * math.Abs(radius-o.r)
			if d < score && d < 160 {
				pick, score = i, d
			}
		}
		done := false
		if pick >= 0 {
			o := &grains[pick]
			was, gone := o.at, o.gone
			o.gone = false
			o.moveTo(at)
			if done = sh.legal(grains, pick); done {
				o.upper = false
				paint(o.body.Outline)
				// no distance beyond the widest one can have come from here
				reach := int(math.Sqrt(float64(best))) + 1
				near := g.Grow(g.Window(o.body.Box, 0), reach)
				g.DistanceField(wide, tmp, g.Grow(near, reach), block, true)
				for y := near.Y0; y < near.Y1; y++ {
					copy(dist[y*g.W+near.X0:y*g.W+near.X1], wide[y*g.W+near.X0:y*g.W+near.X1])
				}
			} else {
				o.gone = gone
				o.moveTo(was)
			}
		}
		if !done {
			skipDisc(skip, g, where, int(math.Sqrt(float64(best))*.7)+1)
		}
	}
}

func skipDisc(skip []bool, g geom.Grid, at, r int) {
	cx, cy := at%g.W, at/g.W
	for y := max(0, cy-r); y < min(g.H, cy+r+1); y++ {
		for x := max(0, cx-r); x < min(g.W, cx+r+1); x++ {
			skip[y*g.W+x] = true
		}
	}
}

// commit writes the settled pieces into their elements, lower layer first.
func (sh *share) commit(grains []grain) {
	l := sh.l
	by := map[int][]*grain{}
	for i := range grains {
		if g := &grains[i]; !g.gone {
			by[g.e] = append(by[g.e], g)
		}
	}
	for _, e := range sh.elems {
		el := &l.t.Elements[e]
		f, _ := l.s.larder.Get(el.Food)
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
		l.short(el, len(gs))
		l.addElement(e)
	}
}
