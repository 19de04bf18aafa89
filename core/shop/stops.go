package shop

import (
	"math/bits"
	"slices"

	"happytray/core/food"
	"happytray/core/say"
)

// Stop is a shop that may be gone to; its larder has its prices.
type Stop struct {
	Name   string
	Larder *food.Larder
}

// StopSum is what a shop comes to on a list.
type StopSum struct {
	Name  string `json:"name"`
	Foods int    `json:"foods"` // that are bought there
	Cost  int    `json:"cost"`  // minor units
}

// MostStops bounds the shops of one list: every set of them is tried.
const MostStops = 4

// trip is which shops are gone to, and what is bought where.
type trip struct {
	stops  []int          // that are gone to, by their number, in order
	of     map[string]int // by food: which of them
	filled []food.Filled  // at each
	gone   []string       // foods that none of them has today
	cost   int            // minor units, with what further stops count
	saves  int            // over the best of one shop, minor units
	says   say.Text
}

// split finds at which shops to buy what, so that the till and what further stops count come to least: every set of
// shops is tried, each food is bought where it costs least, and packs of several foods where they are cheaper than
// the foods bought there. What a shop has none of is bought at another rather than missed.
func split(needs map[string]float64, stops []Stop, perStop int, may func(food.Mixed) bool) trip {
	stops = stops[:min(len(stops), MostStops)]
	ids := make([]string, 0, len(needs))
	for id := range needs {
		ids = append(ids, id)
	}
	slices.Sort(ids)
	costs := make([]map[string]int, len(stops))
	for k, s := range stops {
		costs[k] = map[string]int{}
		for _, id := range ids {
			if f, ok := s.Larder.Get(id); ok && needs[id] > 0 {
				_, _, costs[k][id] = food.Cover(s.Larder.PacksOf(f), needs[id])
			}
		}
	}
	try := func(set uint) trip {
		t := trip{of: map[string]int{}}
		for k := range stops {
			if set&(1<<k) != 0 {
				t.stops = append(t.stops, k)
			}
		}
		theirs := make([]map[string]float64, len(t.stops))
		for i := range theirs {
			theirs[i] = map[string]float64{}
		}
		for _, id := range ids {
			best := 0
			if needs[id] > 0 {
				out := true
				for i, k := range t.stops {
					gone := !stops[k].Larder.Sells(id)
					if i == 0 || out && !gone || out == gone && costs[k][id] < costs[t.stops[best]][id] {
						best, out = i, gone
					}
				}
				if out {
					t.gone = append(t.gone, id)
				}
			}
			t.of[id] = best
			theirs[best][id] = needs[id]
		}
		for i, k := range t.stops {
			filled := stops[k].Larder.Fill(theirs[i], may)
			t.filled = append(t.filled, filled)
			t.cost += filled.Cost
		}
		t.cost += perStop * (len(t.stops) - 1)
		return t
	}
	var best trip
	var alone trip // the best of one shop
	better := func(a, b trip) bool {
		return b.stops == nil || len(a.gone) < len(b.gone) || len(a.gone) == len(b.gone) && a.cost < b.cost
	}
	for size := 1; size <= len(stops); size++ { // fewer shops first, so that of equals the fewest are gone to
		for set := uint(1); set < 1<<len(stops); set++ {
			if bits.OnesCount(set) != size {
				continue
			}
			t := try(set)
			if used := t.used(needs); size > 1 && used < size {
				continue // it is a trip to fewer, which was tried
			}
			if better(t, best) {
				best = t
			}
			if size == 1 && better(t, alone) {
				alone = t
			}
		}
	}
	best.says = best.why(alone, stops, perStop)
	if len(best.stops) > 1 && len(best.gone) == len(alone.gone) {
		best.saves = alone.cost - best.cost
	}
	return best
}

// used is at how many of the shops something is bought.
func (t trip) used(needs map[string]float64) (n int) {
	for i := range t.stops {
		for id, at := range t.of {
			if at == i && needs[id] > 0 {
				n++
				break
			}
		}
	}
	return n
}

// sums are what each shop comes to; nil where there was one to go to.
func (t trip) sums(stops []Stop) (out []StopSum) {
	if len(stops) < 2 {
		return nil
	}
	for i, k := range t.stops {
		sum := StopSum{Name: stops[k].Name, Cost: t.filled[i].Cost}
		for range t.filled[i].Of {
			sum.Foods++
		}
		out = append(out, sum)
	}
	return out
}

// why says why these shops: what they save over the best single one, or what it lacks.
func (t trip) why(alone trip, stops []Stop, perStop int) say.Text {
	var names []string
	for _, k := range t.stops {
		names = append(names, stops[k].Name)
	}
	switch {
	case len(stops) < 2:
		return say.Text{}
	case len(t.stops) == 1 && perStop > 0:
		return say.That("stops.one", say.Word(names[0]))
	case len(t.stops) == 1:
		return say.That("stops.cheapest", say.Word(names[0]))
	case len(t.gone) < len(alone.gone):
		var lacks []string
		for _, id := range alone.gone {
			if f, ok := stops[0].Larder.Get(id); ok && !slices.Contains(t.gone, id) {
				lacks = append(lacks, f.Name)
			}
		}
		return say.That("stops.lacks", say.Word(say.And(names)), say.Word(stops[alone.stops[0]].Name), say.All(say.Foods(lacks)...))
	}
	return say.That("stops.save", say.Word(say.And(names)), say.Word(stops[alone.stops[0]].Name))
}
