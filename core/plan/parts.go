package plan

import (
	"math"
	"slices"

	"happytray/core/amount"
	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/say"
	"happytray/core/tray"
)

// parts are the parts of the table that get trays of their own: one plate of a
// kind for each guest, a covered plate for those with an allergy, or one tray for those who eat no meat beside the rest's.
// One part with Of 0 is the whole table.
func parts(b brief.Brief) []tray.Part {
	switch {
	case b.Plates():
		return plates(b)
	case b.PlateApart && len(allergic(b)) > 0:
		return platesApart(b)
	case b.HouseRules().Vegetarians == "separate":
		return apart(b)
	}
	if b.Copies > 1 {
		return []tray.Part{alike(b)}
	}
	return []tray.Part{{Guests: b.Guests, Diets: b.Diets}}
}

// alike is a board for one of several tables that get the same: its share of the guests, rounded up. Who avoids something
// may sit at any of them.
func alike(b brief.Brief) tray.Part {
	share := func(n int) int { return (n + b.Copies - 1) / b.Copies }
	g := b.Guests
	p := tray.Part{Of: 1, Copies: b.Copies, Guests: brief.Guests{Adults: share(g.Adults), Children: share(g.Children), Light: g.Light / b.Copies, Hearty: g.Hearty / b.Copies, Infants: share(g.Infants), Frail: share(g.Frail)}}
	for _, d := range b.Diets {
		d.Count = share(d.Count)
		p.Diets = append(p.Diets, d)
	}
	return p
}

// allergic are the guests with an allergy who can have a plate apart, by what they avoid; none where they are everybody.
func allergic(b brief.Brief) []brief.Diet {
	var out []brief.Diet
	n := 0
	for _, d := range b.Diets {
		if d.Count == 0 || !slices.ContainsFunc(d.Avoid, brief.IsAllergen) {
			continue
		}
		n += d.Count
		same := slices.IndexFunc(out, func(o brief.Diet) bool {
			return len(o.Avoid) == len(d.Avoid) && !slices.ContainsFunc(d.Avoid, func(w string) bool { return !slices.Contains(o.Avoid, w) })
		})
		if same >= 0 {
			out[same].Count += d.Count
			if d.Who != "" && out[same].Who != "" { // the plate is for all of them, by name
				out[same].Who += " and " + d.Who
			} else {
				out[same].Who = ""
			}
			continue
		}
		out = append(out, d)
	}
	if n >= b.Guests.Total() || n > b.Guests.Adults {
		return nil
	}
	return out
}

// platesApart gives guests with an allergy a covered plate of their own, so that what they avoid stays on the board
// for the others.
func platesApart(b brief.Brief) []tray.Part {
	theirs := allergic(b)
	rest := b.Guests
	var others, all []brief.Diet
	for _, d := range b.Diets {
		switch {
		case d.Count == 0: // what everybody avoids holds on every plate
			all = append(all, d)
			others = append(others, d)
		case !slices.ContainsFunc(d.Avoid, brief.IsAllergen):
			others = append(others, d)
		}
	}
	for _, d := range theirs {
		rest.Adults -= d.Count
	}
	rest.Light, rest.Hearty = min(rest.Light, rest.Adults), min(rest.Hearty, max(0, rest.Adults-min(rest.Light, rest.Adults)))
	rest.Frail = min(rest.Frail, rest.Total())
	if inTwo(b) {
		for _, d := range others {
			if d.Count > 0 {
				d.Count = 0
				all = append(all, d)
			}
		}
		if b.Guests.Frail > 0 {
			all = append(all, brief.Diet{Avoid: []string{food.Advised}})
		}
	}
	for i := range others {
		others[i].Count = min(others[i].Count, rest.Total())
	}
	out := []tray.Part{{Who: "the rest of the table", Of: 1, Guests: rest, Diets: others}}
	for _, d := range theirs {
		who, n := d.Who, d.Count
		if who == "" {
			who = "those who avoid " + say.And(d.Avoid)
		}
		d.Count = 0
		out = append(out, tray.Part{Who: who, Of: 1, Apart: true, Guests: brief.Guests{Adults: n}, Diets: append(slices.Clone(all), d)})
	}
	return out
}

// inTwo reports whether the diets name more guests than come, so that somebody is in two of them and nobody knows who.
func inTwo(b brief.Brief) bool {
	named := b.Guests.Frail
	for _, d := range b.Diets {
		named += d.Count
	}
	return named > b.Guests.Total()
}

// ForBoard is a brief as it is for the board that most guests share: where some have a plate apart, without these and
// what they avoid.
func ForBoard(b brief.Brief) brief.Brief {
	if b.PlateApart && !b.Plates() && len(allergic(b)) > 0 {
		p := platesApart(b)[0]
		return p.BriefOf(b)
	}
	return b
}

// apart gives the guests who eat no meat a tray of their own, where they are fewer
// than half; more of them, and the whole table's tray is without it anyway.
func apart(b brief.Brief) []tray.Part {
	var theirs, others []brief.Diet
	n := 0
	for _, d := range b.Diets {
		if d.Count > 0 && (slices.Contains(d.Avoid, "meat") || slices.Contains(d.Avoid, "animal")) {
			theirs = append(theirs, d)
			n += d.Count
			continue
		}
		others = append(others, d)
	}
	if n == 0 || 2*n >= b.Guests.Total() || n > b.Guests.Adults {
		return []tray.Part{{Guests: b.Guests, Diets: b.Diets}}
	}
	rest := b.Guests
	rest.Adults -= n
	rest.Light, rest.Hearty = min(rest.Light, rest.Adults), min(rest.Hearty, max(0, rest.Adults-min(rest.Light, rest.Adults)))
	fit := func(diets []brief.Diet, total int) []brief.Diet {
		out := slices.Clone(diets)
		for i := range out {
			out[i].Count = min(out[i].Count, total)
		}
		return out
	}
	for _, d := range others { // what everybody avoids, and allergens, hold for theirs as well
		if d.Count == 0 || inTwo(b) || slices.ContainsFunc(d.Avoid, brief.IsAllergen) {
			theirs = append(theirs, d)
		}
	}
	return []tray.Part{
		{Who: "those who eat meat", Of: 1, Guests: rest, Diets: fit(others, rest.Total())},
		{Who: "those who do not", Of: 1, Guests: brief.Guests{Adults: n, Frail: min(n, b.Guests.Frail)}, Diets: fit(theirs, n)},
	}
}

// inForms are the amounts with a food that is laid in several forms parted into these.
func inForms(amounts []amount.Amount) []amount.Amount {
	var out []amount.Amount
	for _, a := range amounts {
		if len(a.Forms) < 2 {
			out = append(out, a)
			continue
		}
		whole, set := a.Grams, a.Choice.Grams
		for _, p := range a.Forms {
			a.Form, a.Grams, a.Choice.Grams = p.Form, whole*p.Share, set*p.Share
			out = append(out, a)
		}
	}
	return out
}

// share is what one board of a set gets of the amounts.
type share struct {
	of      float64
	amounts []amount.Amount
}

// like reports whether a share is the same food in the same amounts as another.
func (s share) like(o share) bool {
	return s.of == o.of && slices.EqualFunc(s.amounts, o.amounts, func(a, b amount.Amount) bool {
		return a.Food.ID == b.Food.ID && a.Form == b.Form && math.Abs(a.Grams-b.Grams) < .01 && a.Parts == b.Parts
	})
}

// shareOut shares amounts over boards by the room they have, so that each carries
// its part of everything. What comes only as a whole that is too large to be on
// every board is laid in another form, or, where there is none, on as many boards
// as there are wholes, those that have least of its kind first. What single boards of
// a set ask for lies on those only, and what they ban on the others.
func shareOut(amounts []amount.Amount, surfaces []board.Board, asked []board.Request) []share {
	if len(surfaces) == 1 {
		return []share{{1, amounts}}
	}
	room := 0.0
	for _, s := range surfaces {
		room += s.UsableMM2()
	}
	out := make([]share, len(surfaces))
	has := make([]map[food.Category]float64, len(surfaces))
	for i, s := range surfaces {
		out[i].of = s.UsableMM2() / room
		has[i] = map[food.Category]float64{}
	}
	give := func(i int, a amount.Amount, grams float64) {
		a.Grams = grams
		if a.Choice.Grams > 0 {
			a.Choice.Grams = grams
		}
		out[i].amounts = append(out[i].amounts, a)
		has[i][a.Food.Category] += grams / out[i].of
	}
	for _, a := range amounts {
		on, of := boardsFor(a.Food.ID, len(surfaces), asked), 0.0
		for _, i := range on {
			of += out[i].of
		}
		whole := wholeOf(a)
		if whole > 0 && a.Grams/float64(len(on)) < .6*whole {
			if parted, ok := divisible(a); ok {
				a, whole = parted, 0
			}
		}
		if whole == 0 || a.Grams/float64(len(on)) >= .6*whole {
			for _, i := range on {
				give(i, a, a.Grams*out[i].of/of)
			}
			continue
		}
		wholes := max(1, int(math.Round(a.Grams/whole)))
		for range min(wholes, len(on)) {
			least := -1
			for _, i := range on {
				mine := slices.ContainsFunc(out[i].amounts, func(o amount.Amount) bool { return o.Food.ID == a.Food.ID })
				if !mine && (least < 0 || has[i][a.Food.Category] < has[least][a.Food.Category]-1e-9) {
					least = i
				}
			}
			give(least, a, a.Grams/float64(wholes))
		}
	}
	return out
}

// boardsFor is which of some boards a food lies on: those that ask for it, or all that do not ban it; all, where every one does.
func boardsFor(id string, boards int, asked []board.Request) []int {
	var pinned, free, all []int
	for i := range boards {
		all = append(all, i)
		var r board.Request
		if i < len(asked) {
			r = asked[i]
		}
		if slices.Contains(r.Pins, id) {
			pinned = append(pinned, i)
		}
		if !slices.Contains(r.Bans, id) {
			free = append(free, i)
		}
	}
	switch {
	case len(pinned) > 0:
		return pinned
	case len(free) > 0:
		return free
	}
	return all
}

// wholeOf is the mass of the least that an amount's form comes in, where that is
// more than a bite; 0 for what can be shared out piece by piece.
func wholeOf(a amount.Amount) float64 {
	s, _ := a.Food.Spec(a.Form)
	if a.Food.Category == food.NotFood || food.Has(a.Form, food.OnFood) {
		return s.MassG
	}
	if food.Has(s.Form, food.CutInPlace) && a.Parts {
		return 0
	}
	return food.WholeG(s)
}

// divisible is the amount in a form that can be shared out piece by piece: a part
// of the round, or another form.
func divisible(a amount.Amount) (amount.Amount, bool) {
	a.Parts = true
	for _, form := range append([]food.Spec{{Form: a.Form}}, a.Food.Forms...) {
		if a.Form = form.Form; !food.Has(form.Form, food.OnFood) && wholeOf(a) == 0 {
			return a, true
		}
	}
	return a, false
}
