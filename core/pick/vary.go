package pick

import (
	"math"
	"slices"

	"happytray/core/colour"
	"happytray/core/food"
)

// Close is the part of the best choice's worth that every choice is worth at least. The worth is
// flat: many choices that share little come within it.
const Close = .98

// A seed moves what a food is worth, in points of liking: spread is one standard deviation of
// it, and a share of the foods rests: they are left for another tray.
const (
	spread = .2
	rests  = .5
	rested = -2.0

	// of what everybody takes: a tray wants some of it, but not always led by the same line of folds
	pleasersRest = .25

	// from which prior a food is what people expect first in its role; on a first choice it rests as seldom
	mostExpected = .75
	expectedRest = .4
)

// vary makes the choice another one: foods of about equal worth take turns, by the seed. It
// settles under a worth that is moved at random, then goes back towards the best one, by the
// exchange that wins most, until it is worth nearly as much. fixed ones stay. The same seed
// gives the same choice. least is what every choice should be worth.
func (f *candidates) vary(s *stats, fixed map[int]bool, seed uint64) (least float64) {
	best := slices.Clone(s.on)
	least = f.worth(best)
	least -= (1 - Close) * math.Abs(least)
	f.shake(seed)
	f.varied = 1
	f.settle(s, fixed)
	f.varied = 0
	for f.worth(s.on) < least {
		if !f.nearer(s, fixed, nil) {
			f.set(s, best)
			break
		}
	}
	return least
}

// shake gives every candidate its noise: about normal, from the seed and its own name, so that
// it does not depend on who else is a candidate.
func (f *candidates) shake(seed uint64) {
	for i := range f.cands {
		r := food.Rand(seed ^ food.Seed(f.cands[i].food.ID))
		f.cands[i].noise = spread * r.NormFloat64()
		if tired := r.Float64(); tired < rests && !f.cands[i].awake && !(f.cands[i].pleases && !f.cands[i].leads && tired > pleasersRest) && !(f.classic > .5 && f.cands[i].prior >= mostExpected && tired > expectedRest) {
			f.cands[i].noise += rested
		}
	}
}

// nearer makes the one exchange, in a category, that the choice wins most by, of those that are allowed; false where none
// does.
func (f *candidates) nearer(s *stats, fixed map[int]bool, allowed func() bool) bool {
	out, in, most := -1, -1, 1e-9
	for _, i := range slices.Clone(s.on) {
		if fixed[i] {
			continue
		}
		f.put(s, i, -1)
		had := f.marginal(s, i)
		if j, v := f.best(s, f.cands[i].food.Category); j >= 0 && j != i && v-had > most {
			f.put(s, j, 1)
			if allowed == nil || allowed() {
				out, in, most = i, j, v-had
			}
			f.put(s, j, -1)
		}
		f.put(s, i, 1)
	}
	if out < 0 {
		return false
	}
	f.put(s, out, -1)
	f.put(s, in, 1)
	return true
}

// set makes s the choice of just these candidates.
func (f *candidates) set(s *stats, on []int) {
	for _, i := range slices.Clone(s.on) {
		f.put(s, i, -1)
	}
	for _, i := range on {
		f.put(s, i, 1)
	}
}

// worth is what a choice is worth, in points of liking: its foods together, and each part of a
// plate as far as the groups of guests find it.
func (f *candidates) worth(on []int) float64 {
	s, v := f.empty(), 0.0
	for _, i := range on {
		v += f.marginal(s, i)
		f.put(s, i, 1)
	}
	found := 0.0
	for g := range f.groups {
		for k := range food.Parts {
			if s.part[g][k] > 0 {
				found++
			}
		}
	}
	return v - forGroup*found + forGroup*found/float64(len(f.groups))
}

// findDoubles finds for every candidate those that guests would take for the same.
func (f *candidates) findDoubles() {
	for _, of := range f.of {
		for k, i := range of {
			for _, j := range of[:k] {
				if NearDoubles(f.cands[i].food, f.cands[j].food) {
					f.cands[i].doubles = append(f.cands[i].doubles, j)
					f.cands[j].doubles = append(f.cands[j].doubles, i)
				}
			}
		}
	}
}

// NearDoubles reports whether guests take two foods for the same: of one category, texture and
// flavour, and for cheese of one firmness, about as strong and of nearly one colour; for the
// others of about one size. Two colours of one fruit are company: dark and green grapes look well beside each other.
func NearDoubles(a, b *food.Food) bool {
	if a.Category != b.Category || a.Texture != b.Texture || a.Wetness != b.Wetness || a.Category == food.Garnish || a.ID == b.ID {
		return false
	}
	strength := a.Strength - b.Strength
	if a.Category == food.Cheese {
		x, _ := a.RoleOf()
		y, _ := b.RoleOf()
		if x >= 0 && y >= 0 && x != y {
			return false // a pale blue beside a white round: nobody mixes them up twice
		}
		return a.Firmness == b.Firmness && strength >= -1 && strength <= 1 && colour.Difference(colour.Must(a.Colour), colour.Must(b.Colour)) < 8
	}
	if !sameWords(a.Flavours, b.Flavours) {
		return false
	}
	x, y := a.Forms[0], b.Forms[0]
	near := func(p, q float64) bool { return math.Abs(p-q) <= .2*math.Max(p, q) }
	if a.Category != food.Vegetable && a.Category != food.Dried && colour.Difference(colour.Must(a.Colour), colour.Must(b.Colour)) >= 20 {
		return false
	}
	return x.Form == y.Form && x.Shape == y.Shape && near(x.L, y.L) && near(x.W, y.W)
}

// sameWords reports whether two lists hold the same words in any order.
func sameWords(a, b []string) bool {
	return len(a) == len(b) && !slices.ContainsFunc(a, func(w string) bool { return !slices.Contains(b, w) })
}
