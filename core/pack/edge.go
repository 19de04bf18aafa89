package pack

import (
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/tray"
)

// DrawIn shifts an element until all of it lies in the zone, as far as it fits there.
func DrawIn(z *Zone, e *tray.Element) {
	lean := 0.0
	if e.Kind() == food.KindGarnish {
		lean = 10
	}
	for range 24 {
		push := overEdge(z, e.Pieces, lean)
		if push == (geom.Point{}) {
			return
		}
		pose := e.Pose()
		e.MoveTo(geom.Pose{X: pose.X + push.X, Y: pose.Y + push.Y, Turn: pose.Turn})
	}
}

// drawOff shifts an element until it stands in nothing rigid that is locked: that stays where it is, so who sets something
// down on it means beside it. Where there is no room between what is locked and the edge it goes to the nearest place where
// there is.
func drawOff(z *Zone, t *tray.Tray, k int) {
	e := &t.Elements[k]
	if kind := e.Kind(); kind == food.KindGarnish || kind == food.KindTrail {
		return
	}
	for range 24 {
		push := inLocked(t, k)
		if push == (geom.Point{}) {
			return
		}
		pose := e.Pose()
		e.MoveTo(geom.Pose{X: pose.X + push.X, Y: pose.Y + push.Y, Turn: pose.Turn})
		DrawIn(z, e)
	}
	wished := *e
	for far := 8.0; far < 2*z.Half; far += 8 {
		for n := range 16 {
			by := geom.Polar(far, float64(n)*22.5)
			*e = wished
			e.MoveTo(geom.Pose{X: e.X + by.X, Y: e.Y + by.Y, Turn: e.TurnDeg})
			if DrawIn(z, e); inLocked(t, k) == (geom.Point{}) {
				return
			}
		}
	}
	*e = wished
}

// inLocked is the shift that parts an element from the rigid locked thing that it stands in most.
func inLocked(t *tray.Tray, k int) geom.Point {
	e := &t.Elements[k]
	box := BoxOf(e.Pieces)
	worst, push := .2, geom.Point{}
	for i := range t.Elements {
		o := &t.Elements[i]
		if i == k || !o.Locked || !o.Placed || o.Kind() != food.KindAnchor || len(o.Pieces) == 0 || !box.Meets(BoxOf(o.Pieces)) {
			continue
		}
		for n := range o.Pieces {
			other := geom.NewBody(o.Pieces[n].Outline)
			for m := range e.Pieces {
				mine := geom.NewBody(e.Pieces[m].Outline)
				if d, away := geom.Penetration(&mine, &other); d > worst {
					worst, push = d, away.Mul(d+.1)
				}
			}
		}
	}
	return push
}

// overEdge is the shift that draws in what hangs over most, a little more than needed.
func overEdge(z *Zone, pieces []tray.Piece, lean float64) geom.Point {
	worst, at := 0.0, geom.Point{}
	for i := range pieces {
		for _, q := range pieces[i].Outline {
			if z.Depth(q) > 2*z.Grid.Cell {
				continue
			}
			if d := -z.ExactDepth(q) - lean; d > worst {
				worst, at = d, q
			}
		}
	}
	if worst < .004 {
		return geom.Point{}
	}
	return z.Inward(at).Mul(worst + .05)
}
