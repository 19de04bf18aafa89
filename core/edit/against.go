package edit

import (
	"context"
	"math"

	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
	"happytray/core/review"
	"happytray/core/tray"
)

const (
	// leansFrom is how far away, mm, something may be to be leaned on: farther it would be carried, not leaned.
	leansFrom = 60.0
	// leaning is how much of what two things may lap a leaning one does: rounding keeps it legal.
	leaning = .7
)

// lean slides an element against what is nearest to it, until it lies on that as far as one may on the other. What leans
// already stays as it is, as the search may have laid it.
func (h *hand) lean() (already bool, err error) {
	if h.e.Kind() == food.KindGarnish {
		return false, fault.Bad("element", "greens are tucked in where they are put")
	}
	if h.e.Vessel != "" {
		return false, fault.Bad("element", "a bowl stands; hide its foot instead")
	}
	from, to, gap, other := h.nearest()
	if other < 0 {
		return false, fault.Bad("element", "nothing lies within %.0f mm that %s could lean on; bring it nearer first", leansFrom, h.food.Name)
	}
	laps := leaning * review.Touch(h.e, &h.t.Elements[other])
	if -gap >= laps/2 { // it lies on it, and is not shoved farther
		return true, nil
	}
	way := to.Sub(from)
	if gap <= 0 || way.Len() < .1 { // they touch: the way is from middle to middle
		way = pack.MiddleOf(h.t.Elements[other].Pieces).Sub(pack.MiddleOf(h.e.Pieces))
	}
	if way.Len() < .1 || gap+laps < .2 {
		return true, nil
	}
	shift(h.e, way.Unit().Mul(gap+laps))
	return false, nil
}

// nearest is the element that lies nearest to the hand's own: from where to where, and how far that is, mm, below zero as far as
// they lie on each other; other is -1 where nothing lies near.
func (h *hand) nearest() (from, to geom.Point, gap float64, other int) {
	other, gap = -1, leansFrom
	mine := pack.BoxOf(h.e.Pieces).Grow(leansFrom)
	for i := range h.t.Elements {
		o := &h.t.Elements[i]
		if i == h.k || !o.Placed || o.Kind() == food.KindGarnish {
			continue
		}
		for n := range o.Pieces {
			if !mine.Meets(o.Pieces[n].Outline.Bounds()) {
				continue
			}
			for k := range h.e.Pieces {
				a, b, d := closest(h.e.Pieces[k].Outline, o.Pieces[n].Outline)
				p, q := geom.NewBody(h.e.Pieces[k].Outline), geom.NewBody(o.Pieces[n].Outline)
				if depth, _ := geom.Penetration(&p, &q); depth > 0 {
					d = -depth
				}
				if d < gap {
					from, to, gap, other = a, b, d, i
				}
			}
		}
	}
	return from, to, gap, other
}

// closest are the points of two outlines that lie nearest to each other, and how far apart they are: a corner of one lies
// nearest to the other's edge, as outlines of food are convex.
func closest(a, b geom.Outline) (from, to geom.Point, d float64) {
	d = math.Inf(1)
	for turn, pair := range [2][2]geom.Outline{{a, b}, {b, a}} {
		for _, p := range pair[0] {
			for i, q := range pair[1] {
				at := onSegment(p, q, pair[1][(i+1)%len(pair[1])])
				if far := p.Dist(at); far < d {
					from, to, d = p, at, far
					if turn == 1 {
						from, to = at, p
					}
				}
			}
		}
	}
	return from, to, d
}

// onSegment is the point of a segment that lies nearest to p.
func onSegment(p, a, b geom.Point) geom.Point {
	along := b.Sub(a)
	if l := along.Dot(along); l > 0 {
		return a.Lerp(b, math.Max(0, math.Min(1, p.Sub(a).Dot(along)/l)))
	}
	return a
}

// hideFoot lays small food of the reserve round a thing, where board shows beside it.
func (h *hand) hideFoot(ctx context.Context) (*tray.Tray, error) {
	if h.e.Kind() != food.KindAnchor {
		return nil, fault.Bad("element", "only what stands has a foot to hide: a bowl, a whole cheese")
	}
	given, laid := pack.FillRound(ctx, h.t, h.larder, h.k)
	if laid == 0 {
		return nil, fault.Bad("element", "no board shows round %s, or nothing small waits in reserve of which some lies on the board", h.food.Name)
	}
	return given, nil
}
