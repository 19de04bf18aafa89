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
