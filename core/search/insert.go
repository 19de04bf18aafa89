package search

import (
	"context"

	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
	"happytray/core/tray"
)

// FindRoom lays one element wherever there is room for it, with everything else
// left as it is. It reports false, and lays it in the middle of the board, when
// there is none; the element keeps its whole amount either way.
func FindRoom(ctx context.Context, t *tray.Tray, larder *food.Larder, id string) (tray.Element, bool, error) {
	e, _, _, err := pack.Lookup(t, larder, id)
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
	whole := wholly{newComposer(c, larder, Options{Seed: t.Seed}), id, e.Count}
	if best, _ := (runner{method: whole, most: 3}).run(ctx, candidate{score: -1}); best.tray != nil {
		laid := best.tray.Elements[best.tray.Find(id)]
		laid.Locked = e.Locked
		return laid, true, nil
	}
	mid := t.Board.FoodZone.Centroid()
	from := e.Pose()
	if !t.Board.FoodZone.Contains(from.At()) { // it never lay there
		from = geom.Pose{X: mid.X, Y: mid.Y, Turn: e.TurnDeg}
	}
	if best, ok := pack.NearestRoom(ctx, t, larder, id, from); ok {
		return best, true, nil
	}
	put, err := pack.Put(t, larder, id, geom.Pose{X: mid.X, Y: mid.Y, Turn: e.TurnDeg})
	return put, false, err
}

// wholly is a method that counts only layouts in which an element lies with so many pieces.
type wholly struct {
	method
	id    string
	count int
}

func (w wholly) layout(ctx context.Context, number int, _ candidate) candidate {
	got := w.method.layout(ctx, number, candidate{}) // each afresh
	if got.tray != nil {
		if e := &got.tray.Elements[got.tray.Find(w.id)]; e.Placed && e.Count == w.count {
			return got
		}
	}
	return candidate{score: -1}
}
