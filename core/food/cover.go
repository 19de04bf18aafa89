package food

import (
	"cmp"
	"math"
	"slices"
)

// Packs is how many packs of one size to buy.
type Packs struct {
	Grams float64 `json:"grams"`
	Price int     `json:"price"` // of one, minor units
	Count int     `json:"count"` // of packs
}

const (
	// grain is what a gram is cut into, so that packs of 28.35 g are exact.
	grain = 100
	// mostNeeded bounds a need, grams; its cost still fits in an int with room for sums.
	mostNeeded = 1e8
	// mostSteps bounds the search of one cover. Real packs take a few hundred.
	mostSteps = 400_000
)

// Cover finds the cheapest set of packs that holds at least need grams, largest packs
// first, with the grams and the money it comes to. Packs may be of any size from a
// hundredth of a gram; prices are whole minor units.
//
// It is the covering form of the unbounded knapsack, solved exactly by branch and
// bound: packs are tried in the order of their price by weight, as many of the cheapest
// as fit first, and a branch is left once what it costs and the rest at the price of
// its cheapest pack comes to no less than the best so far (Martello & Toth, Knapsack
// Problems, 1990, chapter 3). Packs made so that this does not end are cut off after
// mostSteps; what is bought then holds the need, but may not be the very cheapest.
func Cover(packs []Pack, need float64) (buy []Packs, bought float64, cost int) {
	buy = []Packs{}
	s := newCover(packs)
	if !(need > 0) || len(s.packs) == 0 {
		return buy, 0, 0
	}
	want := int64(math.Ceil(math.Min(need, mostNeeded)*grain - 1e-6))
	s.floor = ceilDiv(want*s.packs[0].price, s.packs[0].grains)
	s.branch(0, want, 0)
	for i, n := range s.best {
		if n > 0 {
			p := packs[s.packs[i].at]
			buy = append(buy, Packs{p.Grams, p.Price, int(n)})
			bought += p.Grams * float64(n)
			cost += p.Price * int(n)
		}
	}
	slices.SortFunc(buy, func(a, b Packs) int { return cmp.Compare(b.Grams, a.Grams) })
	return buy, bought, cost
}

// CostOf is what the till says for so many grams of a food as it is bought (Food.BoughtFor), minor units, less what
// of it stands in the cupboard on a day ("" for today).
func (l *Larder) CostOf(f *Food, bought float64, day string) int {
	_, _, cost := Cover(l.PacksOf(f), math.Max(0, bought-l.OnHand(f.ID, day)))
	return cost
}

type coverPack struct {
	grains, price int64
	at            int // in the caller's list
}

type cover struct {
	packs []coverPack // cheapest by weight first, none that another makes needless
	count []int64
	best  []int64
	cost  int64 // of best
	floor int64 // nothing can cost less
	steps int
}

func newCover(packs []Pack) *cover {
	s := &cover{cost: math.MaxInt64}
	for i, p := range packs {
		g := math.Round(p.Grams * grain)
		if g >= 1 && g <= mostNeeded*grain && p.Price > 0 { // what holds nothing covers nothing
			s.packs = append(s.packs, coverPack{int64(g), int64(p.Price), i})
		}
	}
	slices.SortStableFunc(s.packs, func(a, b coverPack) int {
		return cmp.Or(cmp.Compare(a.price*b.grains, b.price*a.grains), cmp.Compare(b.grains, a.grains))
	})
	kept := s.packs[:0]
	for _, p := range s.packs {
		if !slices.ContainsFunc(kept, func(k coverPack) bool { return k.grains >= p.grains && k.price <= p.price }) {
			kept = append(kept, p)
		}
	}
	s.packs, s.count = kept, make([]int64, len(kept))
	return s
}

// branch covers what is left, grains, with the packs from i on.
func (s *cover) branch(i int, left, cost int64) {
	p := s.packs[i]
	for n := ceilDiv(left, p.grains); n >= 0; n-- {
		if s.steps++; s.steps > mostSteps && s.best != nil || s.cost == s.floor {
			break
		}
		s.count[i] = n
		rest, spent := left-n*p.grains, cost+n*p.price
		if rest <= 0 {
			if spent < s.cost {
				s.cost, s.best = spent, slices.Clone(s.count)
			}
			continue
		}
		if i+1 == len(s.packs) {
			break // fewer of the last pack cover less
		}
		if next := s.packs[i+1]; spent+ceilDiv(rest*next.price, next.grains) >= s.cost {
			break // with fewer of this one the rest is dearer still
		}
		s.branch(i+1, rest, spent)
	}
	s.count[i] = 0
}

func ceilDiv(a, b int64) int64 { return (a + b - 1) / b }
