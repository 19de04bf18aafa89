package repair

import (
	"context"
	"math"

	"happytray/core/edit"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/review"
	"happytray/core/tray"
)

// stretched draws a trail that leads through part of the tray only out to its far ends, straight and in two gentle
// curves through where it lies, and lets the rest make room.
func stretched(t *tray.Tray, larder *food.Larder, f review.Finding) (out []candidate) {
	if f.Check != "flow.span" || len(f.Elements) == 0 {
		return nil
	}
	k := t.Find(f.Elements[0])
	if k < 0 || t.Elements[k].Kind() != food.KindTrail || t.Elements[k].Locked {
		return nil
	}
	zone := t.Board.FoodZone.Bounds()
	middle := zone.Centre()
	for i := range t.Elements[k].Pieces {
		middle = middle.Add(t.Elements[k].Pieces[i].At.Sub(zone.Centre()).Mul(1 / float64(len(t.Elements[k].Pieces))))
	}
	lies := zone.W() >= zone.H()
	for _, bow := range []float64{0, .14, -.14} {
		var path []geom.Point
		for i := range 9 {
			along := float64(i) / 8
			wave := bow * math.Min(zone.W(), zone.H()) * math.Sin(2*math.Pi*along)
			if lies {
				path = append(path, geom.Pt(zone.Min.X+zone.W()*(.06+.88*along), middle.Y+wave))
			} else {
				path = append(path, geom.Pt(middle.X+wave, zone.Min.Y+zone.H()*(.06+.88*along)))
			}
		}
		out = append(out, candidate{"stretched the trail of " + nameOf(t, larder, k), func(ctx context.Context) *tray.Tray {
			done, err := edit.Apply(ctx, t, larder, edit.Command{Kind: edit.Bend, IDs: []string{t.Elements[k].ID}, Path: path})
			if err != nil {
				return nil
			}
			return done.Tray
		}})
	}
	return out
}
