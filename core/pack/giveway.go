package pack

import (
	"context"
	"math"
	"slices"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/round"
	"happytray/core/tray"
)

// yields is how far from what was moved loose pieces give way, mm: two or three of
// them deep.
const yields = 55.0

// GiveWay re-settles the loose, unlocked pieces round an element that was moved by
// hand from a pose to where it lies now: they are pushed out from under it until
// they touch and do not overlap, and the bare spot that it left is closed with
// pieces that lie upon others. What finds no room goes to reserve. Rigid things,
// lines and what is locked stay where they are. It reports whether anything moved;
// the tray that was given is left as it is.
func GiveWay(ctx context.Context, t *tray.Tray, larder *food.Larder, id string, from geom.Pose) (*tray.Tray, bool) {
	return giveWay(ctx, t, larder, id, from, false)
}

// Settle is GiveWay for what lies where it is to stay: its own pieces, if they are loose, settle with those round them.
func Settle(ctx context.Context, t *tray.Tray, larder *food.Larder, id string) (*tray.Tray, bool) {
	k := t.Find(id)
	if k < 0 {
		return t, false
	}
	return giveWay(ctx, t, larder, id, t.Elements[k].Pose(), true)
}

// giveWay is GiveWay; with itself the pieces of the element settle too, if they are loose.
func giveWay(ctx context.Context, t *tray.Tray, larder *food.Larder, id string, from geom.Pose, itself bool) (*tray.Tray, bool) {
	k := t.Find(id)
	if k < 0 || t.Board == nil || !t.Elements[k].Placed {
		return t, false
	}
	here := BoxOf(t.Elements[k].Pieces)
	there := here.Move(from.At().Sub(t.Elements[k].Pose().At()))
	return giveWayIn(ctx, t.Clone(), larder, nil, []int{k}, itself, []geom.Rect{here, there})
}

// giveWayIn settles the loose pieces in and round some boxes, on the tray c itself; what is held stays
// unless its own pieces settle, too. The zone of its board is made where none is given.
func giveWayIn(ctx context.Context, c *tray.Tray, larder *food.Larder, z *Zone, held []int, itself bool, boxes []geom.Rect) (*tray.Tray, bool) {
	t := c
	round := make([]geom.Rect, len(boxes))
	window := boxes[0]
	for i, b := range boxes {
		round[i] = b.Grow(yields)
		window = window.Union(round[i])
	}
	meets := func(b geom.Rect) bool { return slices.ContainsFunc(round, b.Meets) }
	window = window.Grow(80)
	if z == nil {
		z = newZoneIn(c.Board, window)
	}
	l := NewLayout(&Problem{Given: c, Larder: larder, Zone: z}, c)
	var elems []int
	var particles []particle
	for i := range c.Elements {
		e := &c.Elements[i]
		if !e.Placed {
			continue
		}
		f, ok := larder.Get(e.Food)
		if !ok {
			return t, false
		}
		if spec, _ := f.Spec(e.Form); slices.Contains(held, i) && !itself || e.Locked && !slices.Contains(held, i) || e.Vessel != "" || e.Kind() != food.KindLoose || food.Has(spec.Form, food.Crossed) {
			l.AddElement(i)
			continue
		}
		loose, piled := false, piledIn(e)
		for n := range e.Pieces {
			p := &e.Pieces[n]
			if !meets(p.Outline.Bounds()) {
				l.add(i, geom.NewBody(p.Outline))
				continue
			}
			loose = true
			particles = append(particles, particleOf(len(elems), i, n, p, piled[n]))
		}
		if loose {
			elems = append(elems, i)
		}
	}
	if len(particles) == 0 {
		return t, false
	}
	before := make([]geom.Point, len(particles))
	for i := range particles {
		before[i] = particles[i].at
	}
	rs := newRaster(l, elems)
	for i, v := range rs.label { // only the bare spots round here are closed
		if v == open {
			if rs.label[i] = 0; !meets(geom.Rect{Min: rs.g.Centre(i%rs.g.W, i/rs.g.W), Max: rs.g.Centre(i%rs.g.W, i/rs.g.W)}) {
				rs.label[i] = -1
			}
		}
	}
	rs.settle(ctx, particles)
	rs.closeGaps(ctx, particles)
	rs.pile(particles)
	rs.spread(ctx, particles)
	rs.steadyAll(ctx, particles)
	changed := false
	for i := range particles {
		changed = changed || particles[i].gone || particles[i].at.Dist(before[i]) > .05
	}
	if !changed {
		return t, false
	}
	for _, i := range elems {
		l.writeBack(i, particles)
	}
	return c, true
}

// pile lays what found no room at the nearest free spot, or else on its own heap, where fewest lie
// already: a heap grows higher before anything is taken off the tray. What stands in nothing else may lie there.
func (rs *regions) pile(particles []particle) {
	on := map[geom.Point]int{} // pieces that lie on one that lies there
	for i := range particles {
		g := &particles[i]
		if !g.gone || rs.strayed(particles, i, nil) {
			continue
		}
		back, mine := g.at, g.local
		least, best, there, like := mostPiled, geom.Point{}, geom.Point{}, 0
		upon := func(at geom.Point, piece int, local geom.Outline) {
			if on[at] >= least {
				return
			}
			for try := range 4 { // a little askew, as one lies on another, or in its very shape right upon it
				to, as := at, piece+1
				if g.local = local; try < 3 {
					to, as, g.local = at.Add(geom.Polar(.12*g.r, float64((i*137+120*try)%360))), 0, mine
				}
				g.reshape()
				g.moveTo(to)
				if g.gone = false; rs.legal(particles, i) {
					least, best, there, like = on[at], at, to, as
					break
				}
			}
			g.gone = true
		}
		own := rs.l.Tray.Elements[g.e].Pieces
		moves := map[int]bool{}
		for j := range particles {
			if o := &particles[j]; o.e == g.e {
				if moves[o.variant] = true; !o.gone && !o.upper {
					upon(o.at, o.variant, o.local)
				}
			}
		}
		for k := range own { // those farther off, which stay
			if q := &own[k]; least == mostPiled && q.ZMM < .5*q.HeightMM && !moves[k] {
				upon(q.At, k, q.Outline.Move(geom.Pt(-q.At.X, -q.At.Y)))
			}
		}
		g.local = mine
		if like > 0 {
			g.local = own[like-1].Outline.Move(geom.Pt(-own[like-1].At.X, -own[like-1].At.Y))
		}
		if g.reshape(); least == mostPiled {
			g.moveTo(back)
			continue
		}
		on[best]++
		g.moveTo(there)
		g.gone, g.upper, g.like = false, true, like
	}
}

// strays is how far a piece may be laid from where its heap lay, mm.
const strays = 260.0

// strayed lays a piece that found no room at the nearest free spot, such as the one from which
// something was taken, that is also well otherwise; it reports whether there is one.
func (rs *regions) strayed(particles []particle, i int, well func() bool) bool {
	g := &particles[i]
	from := g.at
	step := math.Max(5, .7*g.r)
	g.gone = false
	for far := step; far < strays; far += step {
		n := int(math.Min(40, 6+far/4))
		for a := range n {
			at := from.Add(geom.Polar(far, float64(a)*360/float64(n)+far*5))
			if rs.l.Zone.Depth(at) < .4*g.r {
				continue
			}
			if g.moveTo(at); rs.legal(particles, i) && (well == nil || well()) {
				return true
			}
		}
	}
	g.moveTo(from)
	g.gone = true
	return false
}

// mostPiled is how many pieces are piled on one of their own heap.
const mostPiled = 3

// particleOf is one piece as it lies.
func particleOf(region, e, piece int, p *tray.Piece, upper bool) particle {
	local := p.Outline.Move(geom.Pt(-p.At.X, -p.At.Y))
	g := particle{region: region, e: e, variant: piece, upper: upper, local: local, r: math.Sqrt(local.Area() / math.Pi)}
	g.body = geom.NewBody(append(geom.Outline(nil), local...))
	for _, q := range local {
		g.reach = math.Max(g.reach, q.Len())
	}
	g.home, g.laid = p.At, true
	g.moveTo(p.At)
	return g
}

// writeBack writes where the pieces of element i lie now; those that are gone are reserve.
func (l *Layout) writeBack(i int, particles []particle) {
	e := &l.Tray.Elements[i]
	gone := map[int]bool{}
	for n := range particles {
		g := &particles[n]
		if g.e != i {
			continue
		}
		p := &e.Pieces[g.variant] // of a particle made by grainOf it is the piece's number
		if g.gone {
			gone[g.variant] = true
			continue
		}
		if at := g.at.Round(); at != p.At {
			p.At, p.Outline = at, g.local.Move(at).Round()
		}
		if g.like > 0 {
			p.Variant, p.TurnDeg = e.Pieces[g.like-1].Variant, e.Pieces[g.like-1].TurnDeg
		}
		switch {
		case !g.upper:
			p.ZMM = 0
		case p.ZMM < .5*p.HeightMM: // it was piled up
			p.ZMM = round.Tenth(.6 * p.HeightMM)
		}
	}
	if len(gone) > 0 {
		stay := e.Pieces[:0]
		for n, p := range e.Pieces {
			if !gone[n] {
				stay = append(stay, p)
			}
		}
		e.Pieces = stay
		l.HoldBack(e, len(stay))
		if len(stay) == 0 {
			e.Placed = false
			return
		}
	}
	at := MiddleOf(e.Pieces).Round()
	e.X, e.Y = at.X, at.Y
}

// BoxOf is the box round all pieces of an element.
func BoxOf(pieces []tray.Piece) geom.Rect {
	box := pieces[0].Outline.Bounds()
	for i := range pieces[1:] {
		box = box.Union(pieces[i+1].Outline.Bounds())
	}
	return box
}
