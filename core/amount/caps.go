package amount

import (
	"math"

	"happytray/core/food"
)

// How much of its kind one food is at most, whatever it is liked (docs/choosing.md, Amounts).
const (
	MostOfCheese = .39  // of all cheese, where there are three and more
	EachPickle   = 11.0 // g of one of them for a guest
	EachCracker  = 12.0 // pieces of one of them for a guest: light crisps are many for their weight
	aCracker     = 1.5  // g that a piece of cracker has at least to be counted so
)

// cheeses is how many cheeses share the part of cheese.
func (t *table) cheeses() (n int) {
	for i, c := range t.foods {
		if c.Food.Category == food.Cheese && t.shared(i) {
			n++
		}
	}
	return n
}

// mostWhole is how much of its kind's share the wholes of a food may be; where it is more, a part is laid.
func (t *table) mostWhole(c food.Category) float64 {
	if c == food.Cheese && t.cheeses() >= 3 && t.brief.Course != "sweet" && !t.brief.Plates() {
		return MostOfCheese
	}
	return mostOfKind
}

// cap holds each food to what it may be of its kind; what a cheese loses the others get.
func (t *table) cap() {
	heads := float64(t.brief.Guests.Total())
	for i, c := range t.foods {
		switch piece := t.specs[i].MassG; {
		case !t.free(i):
		case c.Food.Category == food.Brined:
			t.grams[i] = math.Min(t.grams[i], EachPickle*heads)
		case c.Food.Category == food.Cracker && piece >= aCracker && !food.InVessel(t.specs[i].Form):
			t.grams[i] = math.Min(t.grams[i], EachCracker*piece*heads)
		}
	}
	if t.mostWhole(food.Cheese) != MostOfCheese {
		return
	}
	moves := func(i int) bool {
		return t.foods[i].Food.Category == food.Cheese && t.free(i) && (food.WholeG(t.specs[i]) == 0 || t.parts[i])
	}
	for range 8 {
		all := 0.0
		for i, c := range t.foods {
			if c.Food.Category == food.Cheese && t.shared(i) {
				all += t.grams[i]
			}
		}
		over, room := 0.0, 0.0
		for i := range t.foods {
			if !moves(i) {
				continue
			}
			if more := t.grams[i] - MostOfCheese*all; more > .01 {
				over += more
				t.grams[i] -= more
			} else {
				room += t.grams[i]
			}
		}
		if over == 0 {
			return
		}
		for i := range t.foods {
			if moves(i) && t.grams[i] < MostOfCheese*all-.01 {
				t.grams[i] *= 1 + over/math.Max(over, room)
			}
		}
	}
}

// finer is the form that a food is laid in: a round in eight becomes one in twelve or sixteen where so many take some
// of it that there would be less than a piece for each.
func (t *table) finer(i int) string {
	f, form := t.foods[i].Food, t.foods[i].Form
	if !food.Has(form, food.CutInPlace) {
		return form
	}
	takers := f.Liking * float64(t.eaters(i))
	for _, next := range []string{form, "cut-round-12", "cut-round-16"} {
		s, ok := f.Spec(next)
		if !ok {
			break
		}
		if form = next; t.grams[i]/s.MassG >= takers {
			break
		}
	}
	return form
}
