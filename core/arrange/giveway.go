package arrange

import (
	"context"
	"math"

	"happytray/core/food"
	"happytray/core/geom"
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

// giveWay is GiveWay; with itself the pieces of the element settle too, if they are loose.
func giveWay(ctx context.Context, t *tray.Tray, larder *food.Larder, id string, from geom.Pose, itself bool) (*tray.Tray, bool) {
	k := t.Find(id)
	if k < 0 || t.Board == nil || !t.Elements[k].Placed {
		return t, false
	}
	c := t.Clone()
	moved := &c.Elements[k]
	here := boxOf(moved.Pieces)
	to := moved.Pose().At()
	there := here.Move(from.At().Sub(to))
	round := []geom.Rect{here.Grow(yields), there.Grow(yields)}
	meets := func(b geom.Rect) bool { return b.Meets(round[0]) || b.Meets(round[1]) }
	window := round[0].Union(round[1]).Grow(80)
	s := &search{tray: c, larder: larder, zone: newZoneIn(c.Board, window), full: map[string]int{}}
	l := newLayout(s, c)
	var elems []int
	var grains []grain
	for i := range c.Elements {
		e := &c.Elements[i]
		if !e.Placed {
			continue
		}
		f, ok := larder.Get(e.Food)
		if !ok {
			return t, false
		}
		if spec, _ := f.Spec(e.Form); i == k && !itself || e.Locked && i != k || e.Vessel != "" || e.Kind() != food.KindLoose || spec.Form == "criss-cross" {
			l.addElement(i)
			continue
		}
		loose := false
		for n := range e.Pieces {
			p := &e.Pieces[n]
			if !meets(p.Outline.Bounds()) {
				l.add(i, geom.NewBody(p.Outline))
				continue
			}
			loose = true
			grains = append(grains, grainOf(len(elems), i, n, p))
		}
		if loose {
			elems = append(elems, i)
		}
	}
	if len(grains) == 0 {
		return t, false
	}
	before := make([]geom.Point, len(grains))
	for i := range grains {
		before[i] = grains[i].at
	}
	sh := newRaster(l, elems)
	for i, v := range sh.label { // only the bare spots round here are closed
		if v == open {
			if sh.label[i] = 0; !meets(geom.Rect{Min: sh.g.Centre(i%sh.g.W, i/sh.g.W), Max: sh.g.Centre(i%sh.g.W, i/sh.g.W)}) {
				sh.label[i] = -1
			}
		}
	}
	sh.settle(ctx, grains)
	sh.close(ctx, grains)
	changed := false
	for i := range grains {
		changed = changed || grains[i].gone || grains[i].at.Dist(before[i]) > .05
	}
	if !changed {
		return t, false
	}
	for _, i := range elems {
		l.yield(i, grains)
	}
	return c, true
}

// grainOf is one piece as it lies.
func grainOf(region, e, piece int, p *tray.Piece) grain {
	local := p.Outline.Move(geom.Pt(-p.At.X, -p.At.Y))
	g := grain{region: region, e: e, variant: piece, upper: p.ZMM > 0, local: local, r: math.Sqrt(local.Area() / math.Pi)}
	g.body = geom.NewBody(append(geom.Outline(nil), local...))
	for _, q := range local {
		g.reach = math.Max(g.reach, q.Len())
	}
	g.moveTo(p.At)
	return g
}

// yield writes where the pieces of element i lie now; those that are gone are reserve.
func (l *layout) yield(i int, grains []grain) {
	e := &l.t.Elements[i]
	gone := map[int]bool{}
	for n := range grains {
		g := &grains[n]
		if g.e != i {
			continue
		}
		p := &e.Pieces[g.variant] // of a grain made by grainOf it is the piece's number
		if g.gone {
			gone[g.variant] = true
			continue
		}
		if at := g.at.Round(); at != p.At {
			p.At, p.Outline = at, g.local.Move(at).Round()
		}
		if !g.upper {
			p.ZMM = 0
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
		l.short(e, len(stay))
		if len(stay) == 0 {
			e.Placed = false
			return
		}
	}
	var mid geom.Point
	for n := range e.Pieces {
		mid = mid.Add(e.Pieces[n].At)
	}
	at := mid.Mul(1 / float64(len(e.Pieces))).Round()
	e.X, e.Y = at.X, at.Y
}

// boxOf is the box round all pieces of an element.
func boxOf(pieces []tray.Piece) geom.Rect {
	box := pieces[0].Outline.Bounds()
	for i := range pieces[1:] {
		box = box.Union(pieces[i+1].Outline.Bounds())
	}
	return box
}
