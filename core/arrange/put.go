package arrange

import (
	"context"
	"math"

	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/round"
	"happytray/core/tray"
)

// Put lays one element by hand at a pose, in its own form, without looking at
// what lies there: a person may put things wherever they like, and the review
// says what it thinks. Trails and rows lie straight, heaps round.
func Put(t *tray.Tray, larder *food.Larder, id string, at geom.Pose) (tray.Element, error) {
	e, f, spec, err := element(t, larder, id)
	if err != nil {
		return tray.Element{}, err
	}
	if t.Board == nil {
		return tray.Element{}, fault.Bad("board", "choose a board before laying the tray")
	}
	at = geom.Pose{X: round.Hundredth(at.X), Y: round.Hundredth(at.Y), Turn: round.Hundredth(geom.NormalTurn(at.Turn))}
	pieces := food.FormByID(spec.Form).Lay(f.ID, spec, e.Count)
	e.Path = nil
	if v, ok := t.Vessel(e.Vessel); ok {
		e.Pieces = tray.Place(f, spec, &v, at, pieces)
	} else {
		e.Pieces = tray.Place(f, spec, nil, at, pieces)
	}
	e.X, e.Y, e.TurnDeg, e.Placed = at.X, at.Y, at.Turn, len(e.Pieces) > 0
	return e, nil
}

// FindRoom lays one element wherever there is room for it, with everything else
// left as it is. It reports false, and lays it in the middle of the board, when
// there is none; the element keeps its whole amount either way.
func FindRoom(ctx context.Context, t *tray.Tray, larder *food.Larder, id string) (tray.Element, bool, error) {
	e, _, _, err := element(t, larder, id)
	if err != nil {
		return tray.Element{}, false, err
	}
	if t.Board == nil {
		return tray.Element{}, false, fault.Bad("board", "choose a board before laying the tray")
	}
	c := t.Clone()
	c.Elements, c.Reserve = c.Elements[:0], nil
	for _, o := range t.Elements {
		switch {
		case o.ID == id:
			o.Placed, o.Locked, o.Pieces = false, false, nil
			c.Elements = append(c.Elements, o)
		case o.Placed:
			o.Locked = true
			c.Elements = append(c.Elements, o)
		}
	}
	s := newSearch(c, larder, Options{Seed: t.Seed})
	best, bestScore := e, -1.0
	for k := range 3 {
		got := s.try(ctx, k, candidate{})
		if got.tray == nil {
			continue
		}
		if laid := got.tray.Elements[got.tray.Find(id)]; laid.Placed && laid.Count == e.Count && got.score > bestScore {
			best, bestScore = laid, got.score
		}
	}
	if bestScore >= 0 {
		best.Locked = e.Locked
		return best, true, nil
	}
	mid := t.Board.FoodZone.Centroid()
	from := e.Pose()
	if !t.Board.FoodZone.Contains(from.At()) { // it never lay there
		from = geom.Pose{X: mid.X, Y: mid.Y, Turn: e.TurnDeg}
	}
	if best, ok := nearestRoom(ctx, t, larder, id, from); ok {
		return best, true, nil
	}
	put, err := Put(t, larder, id, geom.Pose{X: mid.X, Y: mid.Y, Turn: e.TurnDeg})
	return put, false, err
}

// nearestRoom lays an element that stands where it lay, if it has room there, or else as near to that as it has.
func nearestRoom(ctx context.Context, t *tray.Tray, larder *food.Larder, id string, from geom.Pose) (tray.Element, bool) {
	put, err := Put(t, larder, id, from)
	if err != nil || !put.Placed {
		return put, false
	}
	c := t.Clone()
	k := c.Find(id)
	put.Locked = false
	c.Elements[k] = put
	z := newZone(c.Board)
	p := newParting(&z, c, []int{k}, false)
	for i := range p.lumps {
		l := &p.lumps[i]
		if l.e != k {
			continue
		}
		l.light = 1 // what is held counts as standing in nothing
		if p.stuck(i) && !p.nearestFree(ctx, i, math.Hypot(p.z.box.W(), p.z.box.H())) {
			return put, false
		}
		at := l.carries(put.Pose().At())
		put.MoveTo(geom.Pose{X: at.X, Y: at.Y, Turn: put.TurnDeg + l.turn})
	}
	put.Locked = t.Elements[k].Locked
	c.Elements[k] = put
	return put, legal(c, larder)
}

// element finds an element with its food and spec.
func element(t *tray.Tray, larder *food.Larder, id string) (tray.Element, *food.Food, food.Spec, error) {
	k := t.Find(id)
	if k < 0 {
		return tray.Element{}, nil, food.Spec{}, fault.Bad("element", "there is no element %.60q on this tray", id)
	}
	e := t.Elements[k]
	f, _ := larder.Get(e.Food)
	spec, ok := f.Spec(e.Form)
	if !ok {
		return tray.Element{}, nil, food.Spec{}, fault.Bad("form", "%s cannot be laid as %.40q", f.Name, e.Form)
	}
	return e, f, spec, nil
}

// Takes reports whether an element on a board can be given a form as it lies: what stands
// in a vessel wants one first, and a topping something to lie on.
func Takes(form string) bool { return !food.InVessel(form) && !food.Has(form, food.OnFood) }

// Reform gives an element another form its food can take, with the same grams
// in whole pieces of the new one, and lays it where it lay. An unplaced element
// stays unplaced.
func Reform(t *tray.Tray, larder *food.Larder, id, form string) (tray.Element, error) {
	e, f, _, err := element(t, larder, id)
	if err != nil {
		return tray.Element{}, err
	}
	spec, ok := f.Spec(form)
	if !ok || !Takes(form) {
		return tray.Element{}, fault.Bad("form", "%s cannot be laid as %.40q here", f.Name, form)
	}
	n := int(math.Round(e.Grams / spec.MassG))
	if food.Has(form, food.CutInPlace) { // rounds are whole
		n = max(1, int(math.Round(float64(n)/float64(max(3, spec.N))))) * max(3, spec.N)
	}
	e.Form, e.Vessel, e.Count = form, "", max(1, min(n, tray.MaxPieces))
	e.Grams = round.Tenth(spec.MassG * float64(e.Count))
	e.Colour = f.SurfaceColour(spec)
	e.Layer = food.Layer(f, spec)
	c := t.Clone()
	c.Elements[c.Find(id)] = e
	if !e.Placed {
		return e, nil
	}
	return Put(c, larder, id, e.Pose())
}
