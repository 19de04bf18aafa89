package edit

import (
	"context"
	"fmt"
	"math"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
	"happytray/core/round"
	"happytray/core/search"
	"happytray/core/tray"
)

// Substituted reports the food that left a tray and the one of its role that came, when
// exactly one did each and the board is the same.
func Substituted(was, now *tray.Tray) (gone, come string, ok bool) {
	if was.Board == nil || now.Board == nil || was.Board.ID != now.Board.ID {
		return "", "", false
	}
	only := func(a, b *tray.Tray) (id string, n int, c food.Category) {
		has := map[string]bool{}
		for i := range b.Elements {
			has[b.Elements[i].Food] = true
		}
		for i := range a.Elements {
			if e := &a.Elements[i]; !has[e.Food] {
				has[e.Food] = true
				id, c = e.Food, e.Category
				n++
			}
		}
		return id, n, c
	}
	gone, left, from := only(was, now)
	come, came, to := only(now, was)
	return gone, come, left == 1 && came == 1 && from == to
}

// Substitute lays a food that was swapped in where the food that it stands in for
// lay, group for group: piece on piece where that overlaps nothing, with fewer
// pieces where they are larger, else in the room that was left. What finds none
// waits beside the board, and what is not laid of its amount is in reserve.
// Everything else stays as it is.
func Substitute(ctx context.Context, was, now *tray.Tray, larder *food.Larder, gone, come string) error {
	f, ok := larder.Get(come)
	if !ok {
		return nil
	}
	planned, form := 0.0, ""
	all := now.GramsOf(come)
	var kept []tray.Element
	first := -1
	for i, e := range now.Elements {
		if e.Food != come {
			kept = append(kept, e)
			continue
		}
		if first < 0 {
			first, form = i, e.Form
		}
		planned += e.Grams
	}
	var places []tray.Element
	for _, e := range was.Elements {
		if e.Food == gone && e.Placed {
			places = append(places, e)
		}
	}
	spec, known := f.Spec(form)
	if !known || len(places) == 0 || food.InVessel(form) != food.InVessel(places[0].Form) {
		return nil // it lies in another way; it waits for its own place
	}
	like, start := now.Elements[first], now.Clone()
	now.Elements = kept
	lay := 0.0
	for _, place := range places {
		lay += place.Grams
	}
	for i, place := range places {
		e := like
		if e.ID = come; i > 0 {
			e.ID = fmt.Sprintf("%s-%d", come, i+1)
		}
		e.Locked, e.Vessel = place.Locked, place.Vessel
		grams := planned * place.Grams / math.Max(1, lay)
		if !inPlace(ctx, start, now, larder, f, spec, e, place, grams) {
			per := spec.MassG
			e.Count = max(1, int(math.Round(grams/per)))
			e.Grams, e.Placed, e.Pieces = round.Tenth(float64(e.Count)*per), false, nil
			now.Elements = append(now.Elements, e)
			found, room, err := search.FindRoom(ctx, now, larder, e.ID)
			if err != nil {
				return err
			}
			if last := len(now.Elements) - 1; room {
				now.Elements[last] = found
				if !pack.Legal(now, larder) {
					now.Elements[last] = e
				}
			}
		}
	}
	if rest := all - now.GramsOf(come); rest > spec.MassG/2 {
		restToReserve(now, f, spec, rest)
	}
	pack.Rest(now, func(i int) bool {
		k := was.Find(now.Elements[i].ID)
		return k < 0 || !was.Elements[k].Alike(&now.Elements[i])
	})
	return nil
}

// inPlace lays e where place lay, and reports whether that is legal; start is the tray before anything took a place.
func inPlace(ctx context.Context, start, now *tray.Tray, larder *food.Larder, f *food.Food, spec food.Spec, e, place tray.Element, grams float64) bool {
	at := len(now.Elements)
	e.X, e.Y, e.TurnDeg, e.Placed, e.Path = place.X, place.Y, place.TurnDeg, true, place.Path
	if v, ok := now.Vessel(place.Vessel); ok || place.Vessel != "" {
		if !ok {
			return false
		}
		grams = math.Min(grams, v.CapacityML*.9*f.Density)
		e.Count, e.Grams = 1, round.Tenth(grams)
		if spec.Shape != "vessel" {
			e.Count = max(1, food.HoldsOf(f, spec, grams/f.Density))
			e.Grams = round.Tenth(float64(e.Count) * spec.MassG)
		}
		e.Pieces = tray.LayOut(f, spec, &v, place.Pose(), food.FormByID(spec.Form).Lay(f.ID, spec, e.Count))
		now.Elements = append(now.Elements, e)
		if pack.Legal(now, larder) {
			return true
		}
		now.Elements = now.Elements[:at]
		return false
	}
	mid := now.Board.FoodZone.Centroid()
	inward := mid.Sub(place.Pose().At())
	if d := inward.Len(); d > 0 {
		inward = inward.Mul(1 / d)
	}
	type try struct{ part, shift float64 } // shift is mm away from the edge
	var tries []try
	for _, part := range []float64{1, .8, .6, .45} {
		for _, shift := range []float64{0, 2, 4} {
			tries = append(tries, try{part, shift})
		}
	}
	var rough *tray.Tray // where something gives way farther than gently, that in which it does least; rather than farther still there is other room
	least := roughly
	for _, w := range tries {
		part, shift := w.part, w.shift
		n := max(1, min(int(math.Round(part*float64(len(place.Pieces)))), int(math.Round(grams/spec.MassG))))
		pieces := make([]food.Piece, n)
		for k := range pieces {
			o := place.Pieces[(len(place.Pieces)-n)/2+k] // a shorter row, and not a thinner one
			at := o.At.Add(inward.Mul(shift))
			pieces[k] = food.Piece{Pose: geom.Pose{X: at.X, Y: at.Y, Turn: o.TurnDeg}, Z: o.ZMM, Height: spec.H, Variant: o.Variant % food.Variants}
		}
		e.X, e.Y = round.Hundredth(place.X+inward.X*shift), round.Hundredth(place.Y+inward.Y*shift)
		e.Count, e.Grams = n, round.Tenth(float64(n)*spec.MassG)
		e.Pieces = tray.LayOut(f, spec, nil, geom.Pose{}, pieces)
		now.Elements = append(now.Elements[:at], e)
		if pack.Legal(now, larder) {
			return true
		}
		if given, did := pack.Settle(ctx, now, larder, e.ID); did && pack.Legal(given, larder) {
			far := gaveWay(start, given)
			if far <= gently {
				*now = *given
				return true
			}
			if far < least {
				rough, least = given, far
			}
		}
		now.Elements = now.Elements[:at]
	}
	if rough != nil {
		*now = *rough
		return true
	}
	return false
}

// gently is how far the middle of a heap may be moved by what takes the place of its neighbour, as long as there is another
// way, mm.
const gently = 15.0

// roughly is how far it may be moved where there is none, mm.
const roughly = 20.0

// gaveWay is how far the middle of what was moved most lies from where it was, mm.
func gaveWay(was, now *tray.Tray) (most float64) {
	for i := range now.Elements {
		e := &now.Elements[i]
		if k := was.Find(e.ID); k >= 0 && was.Elements[k].Placed && e.Placed && was.Elements[k].Food == e.Food {
			most = math.Max(most, was.Elements[k].Pose().At().Dist(e.Pose().At()))
		}
	}
	return most
}

// restToReserve keeps what was not laid in reserve, with what is there of the food already.
func restToReserve(t *tray.Tray, f *food.Food, spec food.Spec, grams float64) {
	for i := range t.Reserve {
		if r := &t.Reserve[i]; r.Food == f.ID {
			r.Grams = round.Tenth(r.Grams + grams)
			r.Count = int(math.Round(r.Grams / spec.MassG))
			return
		}
	}
	t.Reserve = append(t.Reserve, tray.Reserve{Food: f.ID, Form: spec.Form, Grams: round.Tenth(grams), Count: int(math.Round(grams / spec.MassG)), Why: pack.NoRoom})
}
