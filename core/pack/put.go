package pack

import (
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
	e, f, spec, err := Lookup(t, larder, id)
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
		e.Pieces = tray.LayOut(f, spec, &v, at, pieces)
	} else {
		e.Pieces = tray.LayOut(f, spec, nil, at, pieces)
	}
	e.X, e.Y, e.TurnDeg, e.Placed = at.X, at.Y, at.Turn, len(e.Pieces) > 0
	return e, nil
}

// Lookup finds an element with its food and spec.
func Lookup(t *tray.Tray, larder *food.Larder, id string) (tray.Element, *food.Food, food.Spec, error) {
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
	e, f, _, err := Lookup(t, larder, id)
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
