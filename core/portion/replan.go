package portion

import (
	"slices"

	"happytray/core/board"
	"happytray/core/food"
	"happytray/core/tray"
)

// Replan plans a tray's brief again and keeps of the old tray whatever the new
// brief leaves as it was: its title and seed, and on the same board the places
// of elements whose food, form and count are unchanged. Locked elements of a
// food and form that stay keep their amount as well. Everything else waits
// beside the board.
func Replan(old *tray.Tray, larder *food.Larder, cabinet *board.Cabinet) (*tray.Tray, error) {
	t, err := Plan(old.Brief, larder, cabinet)
	if err != nil {
		return nil, err
	}
	t.Title, t.Extra, t.Rules.Extra = old.Title, old.Extra, old.Rules.Extra
	was := old.All()
	for _, now := range t.All() {
		for i, o := range was { // the first that was for the same guests, on the same board
			if o != nil && samePart(o.Part, now.Part) {
				keepPlaces(now, o, larder)
				was[i] = nil
				break
			}
		}
	}
	return t, nil
}

// samePart reports whether two trays are for the same part of the table.
func samePart(a, b *tray.Part) bool {
	if a == nil || b == nil {
		return a == b
	}
	return a.Who == b.Who && a.Number == b.Number
}

// keepPlaces keeps in t what lies in the old tray as it lies.
func keepPlaces(t, old *tray.Tray, larder *food.Larder) {
	t.Seed = old.Seed
	if old.Board == nil || !sameSurface(*old.Board, *t.Board) {
		return
	}
	t.Board.Extra = old.Board.Extra
	then := old.Larder(larder)
	for i := range t.Elements {
		e := &t.Elements[i]
		k := old.Find(e.ID)
		if k < 0 {
			continue
		}
		was := old.Elements[k]
		if was.Food != e.Food || was.Form != e.Form || !sameSize(e, then, larder) {
			continue
		}
		sameVessel := was.Vessel == e.Vessel
		if _, have := t.Vessel(was.Vessel); !have && was.Vessel != "" {
			v, _ := old.Vessel(was.Vessel)
			if was.Locked {
				t.Vessels = append(t.Vessels, v)
			}
		}
		if was.Locked || sameVessel && was.Count == e.Count {
			*e = was
		}
	}
}

// sameSize reports whether an element's pieces are still the size they were when
// the tray was planned.
func sameSize(e *tray.Element, then, now *food.Larder) bool {
	a, okA := then.Get(e.Food)
	b, okB := now.Get(e.Food)
	if !okA || !okB {
		return false
	}
	x, _ := a.Spec(e.Form)
	y, _ := b.Spec(e.Form)
	return x == y && a.Colour == b.Colour && a.Cut == b.Cut
}

func sameSurface(a, b board.Board) bool {
	return a.ID == b.ID && slices.Equal(a.Outline, b.Outline) && slices.Equal(a.FoodZone, b.FoodZone)
}
