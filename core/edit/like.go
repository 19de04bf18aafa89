package edit

import (
	"context"
	"math"
	"slices"

	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
	"happytray/core/review"
	"happytray/core/search"
	"happytray/core/tray"
)

// LayLike lays a tray as another one is laid: what lay where, in which forms, scaled to its own board and with its own
// foods and amounts. A food takes the place of itself, else of the food most like it by category and form. What
// the other has no place for, and greens, find their own. What is locked stays.
func LayLike(ctx context.Context, t, other *tray.Tray, larder *food.Larder) (pack.Displacement, error) {
	if t.Board == nil {
		return pack.Displacement{}, fault.Bad("board", "choose a board before laying the tray")
	}
	if other.Board == nil || !pack.AnyPlaced(other) {
		return pack.Displacement{}, fault.Bad("like", "that tray is not laid; choose one that is")
	}
	best := layLike(ctx, t, other, larder, false)
	if !slices.Equal(t.Board.Outline, other.Board.Outline) || !slices.Equal(t.Board.FoodZone, other.Board.FoodZone) {
		return best, nil
	}
	// on the same board what is the same in both can lie exactly as it lay, where the rest fits in between
	if as := layLike(ctx, t, other, larder, true); better(review.Judge(as.Tray, larder), review.Judge(best.Tray, larder), len(as.Lifted), len(best.Lifted)) {
		best = as
	}
	return best, nil
}

// better reports whether a tray is to be preferred to another: what fits, then what leaves less beside the board, then
// what is judged higher.
func better(a, b review.Review, liftedA, liftedB int) bool {
	if a.Legal() != b.Legal() {
		return a.Legal()
	}
	if liftedA != liftedB {
		return liftedA < liftedB
	}
	return a.Score > b.Score
}

// layLike is LayLike one way: with exact, what is the same in both lies as it lay.
func layLike(ctx context.Context, t, other *tray.Tray, larder *food.Larder, exact bool) pack.Displacement {
	c := pack.TakeBack(t, larder)
	to := scaling(other, c)
	places := matched(c, other)
	z := pack.NewZone(c.Board)
	begin := map[int]geom.Point{}
	loose := map[int]bool{}
	for i := range c.Elements {
		e := &c.Elements[i]
		if e.Locked && e.Placed {
			continue
		}
		e.Placed, e.Pieces, e.Path = false, []tray.Piece{}, nil
		k := places[i]
		if k < 0 {
			continue
		}
		o := &other.Elements[k]
		if e.Food == o.Food && e.Form != o.Form && e.Vessel == "" && o.Vessel == "" && pack.Takes(o.Form) {
			if made, err := pack.Reform(c, larder, e.ID, o.Form); err == nil {
				c.Elements[i] = made
			}
		}
		short := e.Kind() == food.KindRow && e.Count > o.Count // there was no room for more of it there either
		if exact && e.Food == o.Food && e.Form == o.Form && (e.Count == o.Count || short) && e.Vessel == o.Vessel && o.Placed {
			pack.NewLayout(pack.NewProblem(c, larder), c).HoldBack(e, o.Count)
			like := other.Clone().Elements[k]
			e.X, e.Y, e.TurnDeg, e.Path, e.Pieces, e.Placed = like.X, like.Y, like.TurnDeg, like.Path, like.Pieces, true
			continue
		}
		at := o.Pose()
		mid := to(pack.BoxOf(o.Pieces).Centre())
		switch e.Kind() {
		case food.KindGarnish:
			continue
		case food.KindLoose:
			if e.Vessel == "" {
				begin[i], loose[i] = to(pack.MiddleOf(o.Pieces)), true
				continue
			}
		case food.KindTrail:
			if o.Kind() == food.KindTrail && layAlong(c, larder, z, i, o, to) {
				continue
			}
		}
		put, err := pack.Put(c, larder, e.ID, geom.Pose{X: mid.X, Y: mid.Y, Turn: at.Turn})
		if err != nil || len(put.Pieces) == 0 {
			continue
		}
		c.Elements[i] = put
		shift(&c.Elements[i], mid.Sub(pack.BoxOf(put.Pieces).Centre()))
		pack.DrawIn(z, &c.Elements[i])
	}
	// what stands is parted where its new size or the new shape of the board brings it together: bowls and wholes first,
	// then rows between them
	rows := map[int]tray.Element{}
	for i := range c.Elements {
		if e := &c.Elements[i]; e.Placed && !e.Locked && e.Kind() != food.KindAnchor && !loose[i] {
			rows[i] = *e
			e.Placed, e.Pieces = false, []tray.Piece{}
		}
	}
	pack.PartStanding(ctx, c, z)
	var held []int
	for i := range c.Elements {
		if e := &c.Elements[i]; e.Placed && !e.Locked {
			e.Locked = true
			held = append(held, i)
		}
		if e, ok := rows[i]; ok {
			c.Elements[i] = e
		}
	}
	pack.PartStanding(ctx, c, z)
	for _, i := range held {
		c.Elements[i].Locked = false
	}
	// then loose food from where it lay, and what is left wherever there is room
	for i := range c.Elements {
		if _, ok := begin[i]; !ok {
			begin[i] = c.Elements[i].Pose().At()
			if !c.Elements[i].Placed {
				begin[i] = c.Board.FoodZone.Centroid()
			}
		}
	}
	if made := search.LayAnew(ctx, c, larder, func(i int) bool { return loose[i] }, begin, t.Seed); made != nil {
		c = made
	}
	rest := c.Clone()
	for i := range rest.Elements {
		rest.Elements[i].Locked = rest.Elements[i].Placed
	}
	res, err := search.Lay(ctx, rest, larder, search.Options{Seed: t.Seed, Effort: 2})
	if err == nil && res.Tray != nil && res.Score > 0 {
		c = res.Tray
		for i := range c.Elements {
			k := t.Find(c.Elements[i].ID)
			c.Elements[i].Locked = k >= 0 && t.Elements[k].Locked
		}
	}
	out := pack.Displacement{Tray: c}
	for i := range c.Elements {
		if !c.Elements[i].Placed {
			out.Lifted = append(out.Lifted, c.Elements[i].ID)
		}
	}
	return out
}

// scaling carries points of one tray's board to the same place on another's.
func scaling(from, to *tray.Tray) func(geom.Point) geom.Point {
	a, b := from.Board.FoodZone.Bounds(), to.Board.FoodZone.Bounds()
	turn := (a.W() > a.H()*1.15) != (b.W() > b.H()*1.15) && math.Abs(math.Log(b.W()/b.H())) > .14 && math.Abs(math.Log(a.W()/a.H())) > .14 // one is upright, the other long
	return func(q geom.Point) geom.Point {
		x, y := (q.X-a.Min.X)/a.W(), (q.Y-a.Min.Y)/a.H()
		if turn {
			x, y = y, 1-x
		}
		return geom.Pt(b.Min.X+x*b.W(), b.Min.Y+y*b.H())
	}
}

// matched gives each element of a tray the element of another whose place it takes, or -1: of the same food
// first, then of those most like it, each only once.
func matched(t, other *tray.Tray) []int {
	out := make([]int, len(t.Elements))
	taken := map[int]bool{}
	for i := range out {
		out[i] = -1
	}
	vessel := func(e *tray.Element) bool { return e.Vessel != "" }
	for _, fits := range []func(a, b *tray.Element) bool{
		func(a, b *tray.Element) bool { return a.ID == b.ID && a.Food == b.Food && a.Form == b.Form },
		func(a, b *tray.Element) bool { return a.Food == b.Food && a.Form == b.Form },
		func(a, b *tray.Element) bool { return a.Food == b.Food && vessel(a) == vessel(b) },
		func(a, b *tray.Element) bool {
			return a.Category == b.Category && a.Form == b.Form && vessel(a) == vessel(b)
		},
		func(a, b *tray.Element) bool {
			return a.Category == b.Category && a.Kind() == b.Kind() && vessel(a) == vessel(b)
		},
		func(a, b *tray.Element) bool { return vessel(a) && vessel(b) },
		func(a, b *tray.Element) bool { return a.Kind() == b.Kind() && vessel(a) == vessel(b) },
	} {
		for i := range t.Elements {
			if out[i] >= 0 {
				continue
			}
			for k := range other.Elements {
				if o := &other.Elements[k]; !taken[k] && o.Placed && len(o.Pieces) > 0 && fits(&t.Elements[i], o) {
					out[i], taken[k] = k, true
					break
				}
			}
		}
	}
	return out
}

// layAlong lays a trail along the line of another, carried to this board; false where nothing of it fits.
func layAlong(t *tray.Tray, larder *food.Larder, z *pack.Zone, i int, o *tray.Element, to func(geom.Point) geom.Point) bool {
	e := &t.Elements[i]
	fd, ok := larder.Get(e.Food)
	if !ok {
		return false
	}
	spec, ok := fd.Spec(e.Form)
	if !ok || len(o.Pieces) < 2 {
		return false
	}
	line := make([]geom.Point, 0, len(o.Pieces))
	for k := range o.Pieces {
		line = append(line, z.Pull(to(o.Pieces[k].At), spec.L/2))
	}
	l := pack.NewLayout(&pack.Problem{Given: t, Larder: larder, Zone: z}, t)
	n := l.SetAlong(i, fd, spec, line)
	if n < 2 {
		e.Pieces = []tray.Piece{}
		return false
	}
	e.Path = nil
	for _, q := range line {
		e.Path = append(e.Path, q.Round())
	}
	e.Placed, e.TurnDeg = true, 0
	pack.Recentre(e)
	l.HoldBack(e, n)
	return true
}
