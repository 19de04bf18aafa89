package plan

import (
	"math"
	"slices"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/round"
	"happytray/core/tray"
)

// Replan plans a job's brief again and keeps of the old trays whatever the new
// brief leaves as it was: its title and seeds, and on the same board the places
// of elements whose food, form and count are unchanged. Locked elements of a
// food and form that stay keep their amount as well. Everything else waits
// beside the board.
func Replan(old *job.Job, larder *food.Larder, cabinet *board.Cabinet) (*job.Job, error) {
	var last map[string][]board.Board
	lies := func(e tray.Element) bool { return e.Placed }
	if slices.ContainsFunc(old.Trays, func(t *tray.Tray) bool { return slices.ContainsFunc(t.Elements, lies) }) { // what lies somewhere should be able to stay
		last = map[string][]board.Board{}
		for _, o := range old.Trays {
			if o.Board != nil {
				last[o.Part.Whose()] = append(last[o.Part.Whose()], *o.Board)
			}
		}
	}
	j, err := plan(old.Brief, larder, cabinet, last)
	if err != nil {
		return nil, err
	}
	j.Title, j.Extra, j.Trays[0].Rules.Extra = old.Title, old.Extra, old.Trays[0].Rules.Extra
	then := old.Larder(larder)
	was := slices.Clone(old.Trays)
	for _, now := range j.Trays {
		for i, o := range was { // the first that was for the same guests, on the same board
			if o != nil && samePart(o.Part, now.Part) {
				keepPlaces(now, o, then, larder, asked(old.Brief))
				was[i] = nil
				break
			}
		}
	}
	if _, larder, err = called(j.Brief, larder); err != nil {
		return nil, err
	}
	j.NoteFoods(larder)
	return j, nil
}

// asked says of each food that a brief names whether its amount is set there.
func asked(b brief.Brief) map[string]bool {
	set := map[string]bool{}
	for _, w := range append(slices.Clone(b.Foods), b.Pins...) {
		set[w.Food] = w.Grams > 0 || w.EachG > 0
	}
	return set
}

// samePart reports whether two trays are for the same part of the table.
func samePart(a, b *tray.Part) bool {
	if a == nil || b == nil {
		return a == b
	}
	return a.Who == b.Who && a.Number == b.Number
}

// much is how much an amount may change by itself, as a share of it, before what is
// laid of the food is planned anew: less is taken from reserve or goes there.
const much = .25

// keepPlaces keeps in t what lies in the old tray as it lies: of each food that
// is planned in the same form and about the same amount all groups, with what the
// amount differs by in reserve; of the others what is locked, and single groups
// that are just as they were.
func keepPlaces(t, old *tray.Tray, then, larder *food.Larder, set map[string]bool) {
	t.Seed = old.Seed
	if old.Board == nil || !sameSurface(*old.Board, *t.Board) {
		return
	}
	t.Board.Extra = old.Board.Extra
	byFood := map[string][]tray.Element{}
	for _, e := range old.Elements {
		byFood[e.Food] = append(byFood[e.Food], e)
	}
	vessel := func(e tray.Element) {
		if _, have := t.Vessel(e.Vessel); !have && e.Vessel != "" {
			v, _ := old.Vessel(e.Vessel)
			t.Vessels = append(t.Vessels, v)
		}
	}
	var out []tray.Element
	kept := map[string]bool{}
	for _, e := range t.Elements {
		was := byFood[e.Food]
		if kept[e.Food] {
			continue
		}
		same := len(was) > 0 && sameSize(&e, then, larder) && !slices.ContainsFunc(was, func(o tray.Element) bool { return o.Form != e.Form })
		if same {
			laid, wanted := old.GramsOf(e.Food), t.GramsOf(e.Food)
			room := much
			switch {
			case set[e.Food]:
				room = .02 // set by hand, it is to be what it says
			}
			if laid <= wanted*(1+room) && wanted <= laid*(1+room) && slices.ContainsFunc(was, func(o tray.Element) bool { return o.Placed }) {
				kept[e.Food] = true
				for _, o := range was {
					vessel(o)
					out = append(out, o)
				}
				settle(t, larder, was[0], wanted, was)
				continue
			}
		}
		if k := old.Find(e.ID); k >= 0 && same && (old.Elements[k].Locked || old.Elements[k].Vessel == e.Vessel && old.Elements[k].Count == e.Count) {
			vessel(old.Elements[k])
			e = old.Elements[k]
		}
		out = append(out, e)
	}
	t.Elements = out
	t.Vessels = slices.DeleteFunc(t.Vessels, func(v board.Vessel) bool {
		return !slices.ContainsFunc(out, func(e tray.Element) bool { return e.Vessel == v.ID })
	})
}

// settle puts into reserve what is wanted of a food beyond the groups that are kept.
func settle(t *tray.Tray, larder *food.Larder, like tray.Element, wanted float64, groups []tray.Element) {
	why := "the board is full; top up from this"
	t.Reserve = slices.DeleteFunc(t.Reserve, func(r tray.Reserve) bool {
		if r.Food == like.Food {
			why = r.Why
		}
		return r.Food == like.Food
	})
	for _, e := range groups {
		wanted -= e.Grams
	}
	f, ok := larder.Get(like.Food)
	if !ok {
		return
	}
	spec, _ := f.Spec(like.Form)
	if wanted < math.Max(2, spec.MassG*.6) {
		return
	}
	t.Reserve = append(t.Reserve, tray.Reserve{Food: like.Food, Form: like.Form, Grams: round.Tenth(wanted), Count: int(math.Round(wanted / spec.MassG)), Why: why})
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
	return x.Same(y) && a.Colour == b.Colour && a.Cut == b.Cut
}

func sameSurface(a, b board.Board) bool {
	return a.ID == b.ID && slices.Equal(a.Outline, b.Outline) && slices.Equal(a.FoodZone, b.FoodZone)
}
