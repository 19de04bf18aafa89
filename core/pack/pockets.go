package pack

import (
	"cmp"
	"context"
	"math"
	"slices"

	"happytray/core/adjacency"
	"happytray/core/colour"
	"happytray/core/diet"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/review"
	"happytray/core/round"
	"happytray/core/tray"
)

const (
	pocketCell  = 2.0 // mm of the raster in which pockets are looked for
	leastPocket = 3.8 // mm, the radius of the smallest that is filled: a narrower one is a slit, which nobody sees
	mostPockets = 4000
	strayMM     = 130.0 // how far from its heap a piece may fill a pocket: farther away it is confetti,
	widePocket  = 7.0   // but for one that a small pile fills, mm of its radius
	sameHeapMM  = 90.0  // within which what found no region of its own lies
	fewestLaid  = 3     // pieces of it that can be seen
	mostTried   = 60
	besideMM    = 6.0  // from a pocket's edge what lies beside it
	oneColour   = 12.0 // CIEDE2000 up to which two foods run together
	sameColour  = 14.0 // points against a filler of the colour of what it would touch
	spoils      = 40.0 // and against one whose taste spoils that
	sameSpotMM  = 38.0 // pockets as near as this take one filler, so that they read as a small pile
)

// pocketSizes are the radii in mm down to which pockets are filled in turn, the widest first.
var pocketSizes = []float64{16, 11, 8, 6, 5, 4.3, leastPocket}

// filler is small loose food that waits and of which heaps lie on the board.
type filler struct {
	reserve []int // lines of the reserve
	left    int   // pieces of them
	heaps   []int // elements
	used    map[int]int
	f       *food.Food
	spec    food.Spec
	shapes  []geom.Outline
	r       float64 // mean radius, mm
}

// shaped readies the outlines and the mean radius of a filler.
func (w *filler) shaped() {
	shapes, mean := shapesOf(w.f, w.spec)
	w.shapes, w.r = shapes, math.Sqrt(mean/math.Pi)
}

// pockets are the bare spots of a board while they are filled.
type pockets struct {
	l          *Layout
	g          geom.Grid
	block      []bool  // covered, outside or a well
	dist       []int32 // squared cells to what blocks
	wide, tmp  []int32
	skip       []bool // nothing that waits fits there
	rooms      []geom.Body
	fillers    []*filler
	filled     []pocket
	labs       []colour.Lab // of each element
	mirrored   bool
	tried, put int
}

type pocket struct {
	at geom.Point
	by *filler
}

// FillPockets lays small food that waits into what is bare between the things on the board, the widest pockets first, each
// with the filler of the nearest heap that fits, so that heaps run out into the gaps round them; low food also lies
// where a knife passes over it. Grams go from the reserve to the heaps. It reports how many pieces were laid.
func (l *Layout) FillPockets(ctx context.Context, mirrored bool) int {
	return l.fillPockets(ctx, mirrored, true)
}

// fillPockets is FillPockets; together also lays what found no region of its own.
func (l *Layout) fillPockets(ctx context.Context, mirrored, together bool) int {
	return l.fillWhere(ctx, mirrored, together, nil)
}

// fillWhere is fillPockets in a part of the board; nil for all of it.
func (l *Layout) fillWhere(ctx context.Context, mirrored, together bool, there func(q geom.Point) bool) int {
	p := &pockets{l: l, mirrored: mirrored, labs: make([]colour.Lab, len(l.Tray.Elements))}
	for e := range p.labs {
		p.labs[e] = colour.Must(l.Tray.Elements[e].Colour)
	}
	p.chart()
	if there != nil {
		for i := range p.skip {
			p.skip[i] = p.block[i] || !there(p.g.Centre(i%p.g.W, i/p.g.W))
		}
	}
	for e := range l.Tray.Elements {
		if together && ctx.Err() == nil {
			p.layTogether(e)
		}
	}
	p.fillers = l.fillers()
	for _, least := range pocketSizes {
		for i := range p.dist {
			if ctx.Err() != nil || p.tried >= mostPockets {
				break
			}
			if !p.skip[i] && p.radius(p.dist[i]) >= least {
				p.fill(p.climb(i))
			}
		}
	}
	p.account()
	return p.put
}

// layTogether lays small loose food that found no region of its own into the widest pockets beside each other.
func (p *pockets) layTogether(e int) {
	el := &p.l.Tray.Elements[e]
	if el.Placed || el.Locked || el.Vessel != "" || el.Count < 1 || el.Kind() != food.KindLoose || food.Has(el.Form, food.OnFood) {
		return
	}
	f, _ := p.l.Larder.Get(el.Food)
	spec, _ := f.Spec(el.Form)
	w := &filler{left: el.Count, used: map[int]int{}, f: f, spec: spec}
	if w.shaped(); w.r > fillerMM {
		return
	}
	least, laid, tried := p.distOf(.8*w.r), 0, map[int]bool{}
	try := func(cell int) bool {
		tried[cell] = true
		return p.lay(w, e, p.g.Centre(cell%p.g.W, cell/p.g.W))
	}
	for _, cell := range p.widestCells(least, mostTried) { // the first piece; until it lies nothing changes
		if try(cell) {
			laid = 1
			break
		}
	}
	for laid > 0 && w.left > 0 && len(tried) < mostTried { // the others beside it
		best := p.widestNear(el.Pieces[0].At, least, tried)
		if best < 0 {
			break
		}
		if try(best) {
			laid++
		}
	}
	if laid < min(fewestLaid, el.Count) {
		el.Pieces = []tray.Piece{}
		p.l.forget(e)
		return
	}
	c := MiddleOf(el.Pieces).Round()
	el.X, el.Y, el.TurnDeg, el.Placed = c.X, c.Y, 0, true
	p.l.HoldBack(el, laid)
}

// widestNear is the cell of the widest pocket near a place, at least so many squared cells wide, that was not tried yet; -1
// where there is none.
func (p *pockets) widestNear(at geom.Point, least int32, tried map[int]bool) int {
	near := p.g.Window(geom.Rect{Min: at, Max: at}.Grow(sameHeapMM), 1)
	best, wider := -1, max(1, least)
	for y := near.Y0; y < near.Y1; y++ {
		for i := y*p.g.W + near.X0; i < y*p.g.W+near.X1; i++ {
			if p.dist[i] >= wider && !tried[i] && p.g.Centre(i%p.g.W, y).Dist(at) < sameHeapMM {
				best, wider = i, p.dist[i]+1
			}
		}
	}
	return best
}

// widestCells are the cells of the widest pockets, at least so many squared cells wide, the widest first: so many at most.
func (p *pockets) widestCells(least int32, most int) []int {
	var cells []int
	least = max(1, least)
	wider := func(a, b int) int { return cmp.Or(cmp.Compare(p.dist[b], p.dist[a]), cmp.Compare(a, b)) }
	for i, d := range p.dist {
		if d < least {
			continue
		}
		if cells = append(cells, i); len(cells) == 4*most { // of those that are as wide as the last that counts the first are taken
			slices.SortFunc(cells, wider)
			cells = cells[:most]
			least = p.dist[cells[most-1]] + 1
		}
	}
	slices.SortFunc(cells, wider)
	return cells[:min(most, len(cells))]
}

// fillers lists the small loose food of the reserve of which something lies on the board.
func (l *Layout) fillers() (out []*filler) {
	for k := range l.Tray.Reserve {
		q := &l.Tray.Reserve[k]
		f, ok := l.Larder.Get(q.Food)
		if !ok || q.Count < 1 || f.Category == food.Cracker || !diet.Everybodys(l.Tray.Brief, f) { // crackers stay crisp, and what somebody avoids stays in its heap
			continue
		}
		spec, ok := f.Spec(q.Form)
		if !ok || food.InVessel(q.Form) || food.Has(q.Form, food.OnFood) || food.FormByID(q.Form).Kind() != food.KindLoose {
			continue
		}
		if n := slices.IndexFunc(out, func(o *filler) bool { return o.f == f && o.spec.Form == spec.Form }); n >= 0 {
			out[n].reserve = append(out[n].reserve, k)
			out[n].left += q.Count
			continue
		}
		w := &filler{reserve: []int{k}, left: q.Count, used: map[int]int{}, f: f, spec: spec}
		for e := range l.Tray.Elements {
			if o := &l.Tray.Elements[e]; o.Food == q.Food && o.Form == q.Form && o.Placed && !o.Locked && o.Vessel == "" {
				w.heaps = append(w.heaps, e)
			}
		}
		if len(w.heaps) == 0 {
			continue
		}
		w.shaped()
		out = append(out, w)
	}
	return out
}

// Airy reports whether the house wants a little air left between things (docs/craft.md, Schools): then no pocket is filled.
func (l *Layout) Airy() bool { return l.Tray.Rules.Gaps == "airy" }

// shapesOf are the outlines of a form's pieces, and the mean of their areas, mm2.
func shapesOf(f *food.Food, spec food.Spec) (shapes []geom.Outline, mean float64) {
	shapes = make([]geom.Outline, food.Variants)
	for v := range shapes {
		shapes[v] = spec.Outline(f.ID, v)
		mean += shapes[v].Area() / food.Variants
	}
	return shapes, mean
}

// chart draws what is bare.
func (p *pockets) chart() {
	z := p.l.Zone
	p.g = geom.NewGrid(z.Box, math.Max(pocketCell, math.Sqrt(z.Box.W()*z.Box.H()/600000)), 4)
	n := p.g.Cells()
	p.block, p.skip = make([]bool, n), make([]bool, n)
	p.dist, p.wide, p.tmp = make([]int32, n), make([]int32, n), make([]int32, n)
	for i := range p.block {
		p.block[i] = true
	}
	p.paint(z.Outline, false)
	for _, k := range z.Board.Keepouts {
		p.paint(k, true)
	}
	for _, w := range z.Board.Wells {
		p.paint(w, true)
	}
	for i := range p.l.laid {
		p.paint(p.l.laid[i].body.Outline, true)
	}
	p.rooms = p.l.cuttingRooms()
	p.g.DistanceField(p.dist, p.tmp, geom.Window{X0: 0, Y0: 0, X1: p.g.W, Y1: p.g.H}, p.block, true)
}

func (p *pockets) paint(o geom.Outline, as bool) {
	p.g.Spans(o, func(y, x0, x1 int) {
		for x := x0; x < x1; x++ {
			p.block[y*p.g.W+x] = as
		}
	})
}

// radius is of the disc round a cell that is bare, mm.
func (p *pockets) radius(dist int32) float64 { return (math.Sqrt(float64(dist)) - .5) * p.g.Cell }

// distOf is the least distance, in squared cells, of which the bare disc is so wide, mm.
func (p *pockets) distOf(radius float64) int32 {
	d := int32(math.Pow(math.Max(0, radius/p.g.Cell+.5), 2))
	for p.radius(d) < radius {
		d++
	}
	for d > 0 && p.radius(d-1) >= radius {
		d--
	}
	return d
}

// climb goes from a cell to where the pocket round it is widest.
func (p *pockets) climb(i int) int {
	for {
		best := i
		for _, d := range []int{-1, 1, -p.g.W, p.g.W, -p.g.W - 1, -p.g.W + 1, p.g.W - 1, p.g.W + 1} {
			if j := i + d; j >= 0 && j < len(p.dist) && p.dist[j] > p.dist[best] && !p.skip[j] {
				best = j
			}
		}
		if best == i {
			return i
		}
		i = best
	}
}

// fill lays the filler that suits a pocket best, or marks it as one that nothing suits.
func (p *pockets) fill(i int) {
	p.tried++
	at, radius := p.g.Centre(i%p.g.W, i/p.g.W), p.radius(p.dist[i])
	around := p.beside(at, radius+besideMM)
	type way struct {
		w    *filler
		heap int
		cost float64
	}
	var ways []way
	for _, w := range p.fillers {
		if w.left < 1 || w.r > 1.25*radius+1 {
			continue
		}
		heap, near := p.nearest(w, at)
		if near > strayMM && radius < widePocket {
			continue
		}
		cost := 6*math.Abs(math.Min(radius, 12)-w.r) + .3*near + p.against(heap, around)
		for _, o := range p.filled {
			if o.by == w && o.at.Dist(at) < sameSpotMM {
				cost -= 20
				break
			}
		}
		ways = append(ways, way{w, heap, cost})
	}
	slices.SortStableFunc(ways, func(a, b way) int { return cmp.Compare(a.cost, b.cost) })
	for _, o := range ways {
		if p.lay(o.w, o.heap, at) {
			if p.mirrored && o.w.left > 0 {
				p.lay(o.w, o.heap, p.l.Zone.Mirrored(at))
			}
			return
		}
	}
	p.l.stillBare = append(p.l.stillBare, at)
	skipDisc(p.skip, p.g, i, max(1, int(.5*radius/p.g.Cell)))
}

// beside lists the elements that lie within so many mm of a place.
func (p *pockets) beside(at geom.Point, mm float64) (out []int) {
	p.l.near(geom.Rect{Min: at, Max: at}.Grow(mm), func(o *placed) bool {
		if !slices.Contains(out, o.element) && o.body.Outline.EdgeDistance(at) < mm {
			out = append(out, o.element)
		}
		return true
	})
	return out
}

// against is what speaks against a heap's food among others: one of nearly its colour, or one that it spoils.
func (p *pockets) against(heap int, others []int) (cost float64) {
	for _, o := range others {
		if p.l.Tray.Elements[o].Food == p.l.Tray.Elements[heap].Food {
			continue
		}
		if colour.Difference(p.labs[heap], p.labs[o]) < oneColour {
			cost += sameColour
		}
		if adjacency.SpoilEachOther(p.l.Affinity(heap, o)) {
			cost += spoils
		}
	}
	return cost
}

// nearest is the heap of a filler whose nearest piece is nearest, and how far that is, mm.
func (p *pockets) nearest(w *filler, at geom.Point) (heap int, mm float64) {
	heap, mm = -1, math.Inf(1)
	for _, e := range w.heaps {
		for k := range p.l.Tray.Elements[e].Pieces {
			if d := p.l.Tray.Elements[e].Pieces[k].At.Dist(at); d < mm {
				heap, mm = e, d
			}
		}
	}
	return heap, mm
}

// lay puts one piece of a filler there, or as near as it fits, and reports whether there was room.
func (p *pockets) lay(w *filler, heap int, at geom.Point) bool {
	if w.spec.H > review.LowMM && slices.ContainsFunc(p.rooms, func(b geom.Body) bool { return b.Outline.Contains(at) }) {
		return false
	}
	variant := (w.used[heap] + heap) % food.Variants
	piece := newParticle(0, heap, variant, w.shapes, at, false)
	for _, by := range []geom.Point{{}, {X: 1.5}, {X: -1.5}, {Y: 1.5}, {Y: -1.5}} {
		piece.moveTo(at.Add(by).Round())
		if p.fits(w, &piece) {
			p.set(w, heap, &piece)
			return true
		}
	}
	return false
}

func (p *pockets) set(w *filler, heap int, piece *particle) {
	w.left--
	w.used[heap]++
	p.put++
	p.filled = append(p.filled, pocket{piece.at, w})
	o := piece.local.Move(piece.at).Round()
	el := &p.l.Tray.Elements[heap]
	el.Pieces = append(el.Pieces, tray.Piece{Outline: o, HeightMM: w.spec.H, Colour: w.f.SurfaceColour(w.spec), At: piece.at, Variant: piece.variant})
	p.l.add(heap, geom.NewBody(o))
	// no distance beyond the widest one there can have come from here
	reach := int(math.Sqrt(float64(p.widest(piece.body.Box)))) + 2
	p.paint(o, true)
	near := p.g.Grow(p.g.Window(piece.body.Box, 0), reach)
	p.g.DistanceField(p.wide, p.tmp, p.g.Grow(near, reach), p.block, true)
	for y := near.Y0; y < near.Y1; y++ {
		copy(p.dist[y*p.g.W+near.X0:y*p.g.W+near.X1], p.wide[y*p.g.W+near.X0:y*p.g.W+near.X1])
	}
}

// widest is the largest squared distance within a box.
func (p *pockets) widest(box geom.Rect) (most int32) {
	win := p.g.Window(box, 1)
	for y := win.Y0; y < win.Y1; y++ {
		for _, d := range p.dist[y*p.g.W+win.X0 : y*p.g.W+win.X1] {
			most = max(most, d)
		}
	}
	return most
}

// fits reports whether a piece may lie there: inside, on nothing, no nearer than wet may lie to crisp, and where it does not
// roll off the edge.
func (p *pockets) fits(w *filler, piece *particle) bool {
	l := p.l
	if !l.Zone.Holds(&piece.body) || l.clash(piece.e, &piece.body, touchSlack) {
		return false
	}
	ok := true
	l.near(piece.body.Box.Grow(keepOffMM), func(o *placed) bool {
		switch {
		case o.element == piece.e:
			d, _ := geom.Deeper(&piece.body, &o.body, 1.5)
			ok = d <= 0
		case l.Softens(piece.e, o.element) || l.Softens(o.element, piece.e):
			ok = geom.Gap(&piece.body, &o.body, keepOffMM) >= keepOffMM
		}
		return ok
	})
	return ok && !(w.f.Rolls && l.Zone.Board.RimMM <= 0 && l.Zone.Depth(piece.at) < review.RollsMM)
}

// account moves the grams of what was laid from the reserve to the heaps.
func (p *pockets) account() {
	t := p.l.Tray
	for _, w := range p.fillers {
		for _, e := range w.heaps {
			el := &t.Elements[e]
			if w.used[e] > 0 {
				Recentre(el)
			}
			for left, k := w.used[e], 0; left > 0 && k < len(w.reserve); k++ {
				q := &t.Reserve[w.reserve[k]]
				if q.Count == 0 {
					continue
				}
				n := min(left, q.Count)
				g := round.Tenth(q.Grams / float64(q.Count) * float64(n))
				el.Count += n
				el.Grams = round.Tenth(el.Grams + g)
				left -= n
				q.Count -= n
				if q.Grams = round.Tenth(math.Max(0, q.Grams-g)); q.Count == 0 { // what rounding left
					el.Grams, q.Grams = round.Tenth(el.Grams+q.Grams), 0
				}
			}
		}
	}
	t.Reserve = slices.DeleteFunc(t.Reserve, func(q tray.Reserve) bool { return q.Count == 0 && q.Grams == 0 })
}

// FillFromReserve fills the pockets of a laid tray with the small food of its reserve; it returns the tray itself where there is
// nothing to fill or nothing to fill it with, or where the house wants its air.
func FillFromReserve(ctx context.Context, t *tray.Tray, larder *food.Larder) *tray.Tray {
	return fillFromReserve(ctx, t, larder, true)
}

// fillFromReserve is FillFromReserve; together also lays what waits as a whole.
func fillFromReserve(ctx context.Context, t *tray.Tray, larder *food.Larder, together bool) *tray.Tray {
	l := NewLayout(NewProblem(t, larder), t.Clone())
	if l.Airy() {
		return t
	}
	for i := range l.Tray.Elements {
		if l.Tray.Elements[i].Placed {
			l.AddElement(i)
		}
	}
	if len(l.fillers()) == 0 || l.fillPockets(ctx, review.Mirrored(t), together) == 0 {
		return t
	}
	return l.Tray
}

// roundMM is how far from a thing's edge board shows round its foot.
const roundMM = 26.0

// FillRound lays small food of a tray's reserve where board shows round an element, on a copy of the tray; it reports how many
// pieces were laid.
func FillRound(ctx context.Context, t *tray.Tray, larder *food.Larder, k int) (*tray.Tray, int) {
	l := NewLayout(NewProblem(t, larder), t.Clone())
	for i := range l.Tray.Elements {
		if l.Tray.Elements[i].Placed {
			l.AddElement(i)
		}
	}
	var round []geom.Outline
	for n := range t.Elements[k].Pieces {
		round = append(round, t.Elements[k].Pieces[n].Outline)
	}
	box := BoxOf(t.Elements[k].Pieces).Grow(roundMM)
	there := func(q geom.Point) bool {
		return box.Contains(q) && slices.ContainsFunc(round, func(o geom.Outline) bool { return o.EdgeDistance(q) < roundMM })
	}
	if len(l.fillers()) == 0 {
		return t, 0
	}
	n := l.fillWhere(ctx, false, false, there)
	return l.Tray, n
}
