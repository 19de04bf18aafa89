package search

import (
	"context"

	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/tray"
)

// layChosen lays what is chosen of a tray, or what is not locked where nothing is, afresh where that is wanted. What
// is not chosen stays: it is locked for the while, and its locks are as they were in what comes back.
func layChosen(ctx context.Context, t *tray.Tray, larder *food.Larder, o Options) (Result, error) {
	only := map[string]bool{}
	for _, id := range o.Only {
		if t.Find(id) < 0 {
			return Result{}, fault.Bad("only", "there is no element %.60q on this tray", id)
		}
		only[id] = true
	}
	given := t.Clone()
	locked, waits := map[string]bool{}, []tray.Element{}
	stay := given.Elements[:0]
	for _, e := range given.Elements {
		locked[e.ID] = e.Locked
		switch {
		case !e.Locked && (len(only) == 0 || only[e.ID]):
			if o.Afresh {
				e.Placed, e.Pieces, e.Path = false, []tray.Piece{}, nil
			}
		case !e.Placed:
			waits = append(waits, e)
			continue
		default:
			e.Locked = true
		}
		stay = append(stay, e)
	}
	given.Elements = stay
	whole := func(laid *tray.Tray) { // as it was, with what was laid
		if laid == nil {
			return
		}
		by := map[string]tray.Element{}
		for _, e := range append(laid.Elements, waits...) {
			e.Locked = locked[e.ID]
			by[e.ID] = e
		}
		laid.Elements = laid.Elements[:0]
		for i := range t.Elements {
			if e, ok := by[t.Elements[i].ID]; ok {
				laid.Elements = append(laid.Elements, e)
			}
		}
	}
	tell := o.Progress
	if o.Only, o.Afresh = nil, false; tell != nil {
		o.Progress = func(p Progress) {
			whole(p.Tray)
			tell(p)
		}
	}
	res, err := Lay(ctx, given, larder, o)
	whole(res.Tray)
	return res, err
}
