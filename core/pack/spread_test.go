package pack_test

import (
	"context"
	"testing"

	"happytray/core/geom"
	"happytray/core/pack"
	"happytray/core/plan/plantest"
	"happytray/core/review"
)

// What is bare where something was taken away is filled by what lies round it, and nothing is lost or
// comes to lie where it may not.
func TestBareSpotsAreFilled(t *testing.T) {
	tr := plantest.LaidFor(t, 14)
	k := ofKind(tr, true, "")
	hole := tr.Elements[k].Pose().At()
	box := pack.BoxOf(tr.Elements[k].Pieces)
	z := tr.Board.FoodZone.Bounds()
	to := geom.Pose{X: z.Min.X + z.Max.X - hole.X, Y: z.Min.Y + z.Max.Y - hole.Y}
	room, err := pack.MakeRoom(context.Background(), tr, plantest.Larder, tr.Elements[k].ID, to)
	if err != nil {
		t.Fatal(err)
	}
	in := 0
	for i := range room.Tray.Elements {
		for _, p := range room.Tray.Elements[i].Pieces {
			if box.Contains(p.At) {
				in++
			}
		}
	}
	if in == 0 {
		t.Errorf("nothing lies where the bowl stood")
	}
	if rev := review.Judge(room.Tray, plantest.Larder); !rev.Legal() {
		t.Errorf("not legal: %v", rev.Findings)
	}
	gap := func(r review.Review) float64 {
		for _, c := range r.Checks {
			if c.ID == "fit.gap" {
				return c.Value
			}
		}
		return -1
	}
	before, after := gap(review.Judge(tr, plantest.Larder)), gap(review.Judge(room.Tray, plantest.Larder))
	if w := box.W(); after > before+.4*w {
		t.Errorf("the widest bare disc is %.0f mm, %.0f before, the bowl %.0f", after, before, w)
	}
}
