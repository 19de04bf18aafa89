package pick

import "slices"

// exchange is a swap of two foods of one kind that is looked for in a choice: which may leave, which may come for it, and
// what the choice must be like with the swap made.
type exchange struct {
	leaves func(i int) bool
	comes  func(i, j int) bool
	worth  func(i, j int, v float64) float64 // of the swap, where it is not what the choice gains by it, v; nil for that
	holds  func() bool
}

// swap makes the one of a kind that is worth most to the choice, if there is one; no group of guests goes without for it.
func (f *candidates) swap(s *stats, x exchange) bool {
	out, in, most := -1, -1, -forGroup/2
	for _, i := range slices.Clone(s.on) {
		if !x.leaves(i) {
			continue
		}
		f.put(s, i, -1)
		had := f.marginal(s, i)
		for _, j := range f.of[f.cands[i].food.Category] {
			if j == i || slices.Contains(s.on, j) || f.doubled(s, j) || !x.comes(i, j) {
				continue
			}
			v := f.marginal(s, j) - had
			if x.worth != nil {
				v = x.worth(i, j, v)
			}
			if v <= most {
				continue
			}
			f.put(s, j, 1)
			if x.holds() {
				out, in, most = i, j, v
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

// swapWithin is swap by an exchange that leaves no role of the core empty, or by any where there is none.
func (f *candidates) swapWithin(s *stats, core []int, x exchange) bool {
	played, holds := f.played(s, core), x.holds
	x.holds = func() bool { return f.played(s, core) >= played && holds() }
	if f.swap(s, x) {
		return true
	}
	x.holds = holds
	return f.swap(s, x)
}

// dearer reports whether a food in the place of another would cost more than the budget has left: the money comes first.
func (f *candidates) dearer(s *stats, i, j int) bool {
	return f.budget > 0 && f.cands[j].cost > f.cands[i].cost && s.cost+f.cands[j].cost > f.budget
}
