package plantest

import (
	"math"
	"testing"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/tray"
)

// OneOnTheOther fails where pieces of two elements overlap in the plan and neither lies 3 mm above the other: the contract
// of the tray file. What is stiff may touch, up to a millimetre; what is locked on both sides was not laid here.
func OneOnTheOther(t testing.TB, name string, tr *tray.Tray) {
	t.Helper()
	boxes := make([][]geom.Rect, len(tr.Elements))
	for i := range tr.Elements {
		for _, p := range tr.Elements[i].Pieces {
			boxes[i] = append(boxes[i], p.Outline.Bounds())
		}
	}
	for i := range tr.Elements {
		for j := range i {
			a, b := &tr.Elements[i], &tr.Elements[j]
			touch := .1
			if a.Kind() == food.KindAnchor && b.Kind() == food.KindAnchor {
				touch = 1.05
			}
			if a.Locked && b.Locked {
				continue
			}
			for n, p := range a.Pieces {
				for k, q := range b.Pieces {
					if math.Abs(p.ZMM-q.ZMM) > 2.98 || geom.BoxDepth(boxes[i][n], boxes[j][k]) <= touch {
						continue
					}
					x, y := geom.NewBody(p.Outline), geom.NewBody(q.Outline)
					if d, _ := geom.Penetration(&x, &y); d > touch {
						t.Errorf("%s: %s at %.1f mm and %s at %.1f mm overlap by %.2f mm", name, a.ID, p.ZMM, b.ID, q.ZMM, d)
						return
					}
				}
			}
		}
	}
}
