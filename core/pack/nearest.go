package pack

import (
	"context"
	"math"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/tray"
)

// NearestRoom lays an element that stands where it lay, if it has room there, or else as near to that as it has.
func NearestRoom(ctx context.Context, t *tray.Tray, larder *food.Larder, id string, from geom.Pose) (tray.Element, bool) {
	put, err := Put(t, larder, id, from)
	if err != nil || !put.Placed {
		return put, false
	}
	c := t.Clone()
	k := c.Find(id)
	put.Locked = false
	c.Elements[k] = put
	z := NewZone(c.Board)
	p := newSolver(z, c, []int{k}, false)
	for i := range p.bodies {
		l := &p.bodies[i]
		if l.e != k {
			continue
		}
		l.mobility = 1 // what is held counts as standing in nothing
		if p.stuck(i) && !p.nearestFree(ctx, i, math.Hypot(p.z.Box.W(), p.z.Box.H())) {
			return put, false
		}
		at := l.imageOf(put.Pose().At())
		put.MoveTo(geom.Pose{X: at.X, Y: at.Y, Turn: put.TurnDeg + l.turned})
	}
	put.Locked = t.Elements[k].Locked
	c.Elements[k] = put
	return put, Legal(c, larder)
}
