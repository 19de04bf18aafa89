package food

import (
	"math"
	"slices"
	"strings"
)

// Mixed is one pack with several foods in it: a selection of sliced meats, a box of crackers.
type Mixed struct {
	Name  string
	Price int    // minor units
	Holds []Held // at least two
}

// Held is what of a food a pack of several holds, grams as bought.
type Held struct {
	Food  string  `json:"food"`
	Grams float64 `json:"grams"`
}

// MixedPacks is how many packs of one mixture to buy.
type MixedPacks struct {
	Name  string `json:"name"`
	Price int    `json:"price"` // of one, minor units
	Count int    `json:"count"` // of packs
	Holds []Held `json:"holds"` // one pack
}

// Bought is what is bought of one food.
type Bought struct {
	Packs []Packs
	Grams float64 // in its packs and in mixed ones
	Cost  int     // of its packs, and its share of the mixed ones, minor units
}

// Filled is what is bought for several foods.
type Filled struct {
	Of    map[string]Bought // by food that was needed
	Mixed []MixedPacks
	Cost  int // minor units
}

const (
	mostMixed  = 12   // mixtures that are tried for one basket
	mostOfOne  = 30   // packs of one mixture
	everyCount = 4000 // up to so many counts of all mixtures are all tried
)

// Fill finds what to buy for needs, grams as bought by food: packs of each, and packs of several foods that may is true of
// where that is cheaper. Every food is covered (Cover). Up to a few thousand combinations of mixed packs are all tried; of
// more, packs are added and taken one at a time, or as many as one food needs, while that saves.
func (l *Larder) Fill(needs map[string]float64, may func(Mixed) bool) Filled {
	f := filler{larder: l, needs: needs, known: map[string]map[int64]Bought{}}
	for id := range needs {
		if needs[id] > 0 {
			f.ids = append(f.ids, id)
		}
	}
	slices.Sort(f.ids)
	var most []int
	for _, m := range l.mixed() {
		if n := f.worth(m); n > 0 && len(f.mixed) < mostMixed && (may == nil || may(m)) {
			f.mixed, most = append(f.mixed, m), append(most, n)
		}
	}
	counts := make([]int, len(most))
	if len(most) > 0 {
		counts = f.cheapest(most)
	}
	return f.with(counts)
}

// mixed are the packs of several foods that the nearest market has.
func (l *Larder) mixed() []Mixed {
	for ; l != nil; l = l.under {
		if l.market.Offers != nil {
			return l.market.Mixed
		}
	}
	return nil
}

type filler struct {
	larder *Larder
	needs  map[string]float64
	ids    []string // that are needed, in order
	mixed  []Mixed
	known  map[string]map[int64]Bought // covers, by food and hundredths of a gram
}

// worth is how many packs of a mixture could be of use: none where fewer than two of its foods are needed.
func (f *filler) worth(m Mixed) int {
	most, wanted := 0, 0
	for _, h := range m.Holds {
		if need := f.needs[h.Food]; need > 0 && h.Grams > 0 {
			wanted++
			most = max(most, int(math.Ceil(need/h.Grams)))
		}
	}
	if wanted < 2 {
		return 0
	}
	return min(most, mostOfOne)
}

// cheapest finds how many of each mixture cost least, at most so many of each; of equals the fewest packs.
func (f *filler) cheapest(most []int) []int {
	counts := make([]int, len(most))
	all := 1
	for _, n := range most {
		if all *= n + 1; all > everyCount {
			return f.descend(most)
		}
	}
	best, least := slices.Clone(counts), f.cost(counts)
	for range all - 1 {
		for i := range counts { // the next of all counts
			if counts[i]++; counts[i] <= most[i] {
				break
			}
			counts[i] = 0
		}
		if c := f.cost(counts); c < least {
			best, least = slices.Clone(counts), c
		}
	}
	return best
}

func (f *filler) descend(most []int) []int {
	counts := make([]int, len(most))
	least := f.cost(counts)
	for {
		at, to := -1, 0
		for i := range counts {
			was := counts[i]
			for _, n := range []int{was - 1, was + 1, was + 2, was + 3, most[i]} {
				if n < 0 || n > most[i] || n == was {
					continue
				}
				counts[i] = n
				if c := f.cost(counts); c < least {
					least, at, to = c, i, n
				}
			}
			counts[i] = was
		}
		if at < 0 {
			return counts
		}
		counts[at] = to
	}
}

// left is what is needed of a food beside so many of each mixture.
func (f *filler) left(id string, counts []int) float64 {
	left := f.needs[id]
	for i, m := range f.mixed {
		for _, h := range m.Holds {
			if h.Food == id {
				left -= h.Grams * float64(counts[i])
			}
		}
	}
	return math.Max(0, left)
}

// cover is the cheapest cover of a need of one food.
func (f *filler) cover(id string, need float64) Bought {
	key := int64(math.Round(need * grain))
	if b, ok := f.known[id][key]; ok {
		return b
	}
	b := Bought{Packs: []Packs{}}
	if food, ok := f.larder.Get(id); ok {
		b.Packs, b.Grams, b.Cost = Cover(f.larder.PacksOf(food), need)
	}
	if f.known[id] == nil {
		f.known[id] = map[int64]Bought{}
	}
	f.known[id][key] = b
	return b
}

func (f *filler) cost(counts []int) (sum int) {
	for i, m := range f.mixed {
		sum += m.Price * counts[i]
	}
	for _, id := range f.ids {
		sum += f.cover(id, f.left(id, counts)).Cost
	}
	return sum
}

// with is what so many of each mixture come to. The price of a mixture is shared among the foods of it that are needed, by
// what their grams are worth.
func (f *filler) with(counts []int) Filled {
	out := Filled{Of: map[string]Bought{}, Cost: f.cost(counts)}
	for _, id := range f.ids {
		out.Of[id] = f.cover(id, f.left(id, counts))
	}
	for i, m := range f.mixed {
		n := counts[i]
		if n == 0 {
			continue
		}
		out.Mixed = append(out.Mixed, MixedPacks{m.Name, m.Price, n, m.Holds})
		price, worth := m.Price*n, 0.0
		value := func(h Held) float64 {
			if food, ok := f.larder.Get(h.Food); ok && f.needs[h.Food] > 0 {
				return math.Max(1e-3, f.larder.GramPrice(food)) * h.Grams
			}
			return 0
		}
		for _, h := range m.Holds {
			worth += value(h)
		}
		told, so := 0, 0.0
		for _, h := range m.Holds {
			if f.needs[h.Food] <= 0 {
				continue
			}
			so += value(h)
			share := int(math.Round(float64(price)*so/worth)) - told // so that the shares come to the whole
			told += share
			b := out.Of[h.Food]
			b.Grams += h.Grams * float64(n)
			b.Cost += share
			out.Of[h.Food] = b
		}
	}
	slices.SortFunc(out.Mixed, func(a, b MixedPacks) int { return strings.Compare(a.Name, b.Name) })
	return out
}
