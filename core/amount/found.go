package amount

import (
	"maps"
	"math"
	"slices"

	"happytray/core/brief"
	"happytray/core/diet"
	"happytray/core/food"
	"happytray/core/portion"
)

// Found is what one guest of a group finds on the trays: if all share what they may eat, by their
// numbers.
type Found struct {
	Who    string  `json:"who"`
	Count  int     `json:"count"`   // guests
	WantsG float64 `json:"wants_g"` // what a guest of this table usually eats, grams
	FindsG float64 `json:"finds_g"` // what there is for each of them
}

// FoundBy reckons what each group of a brief's guests finds of so many grams of each food as it lies there, without
// its stones and shells.
func FoundBy(b brief.Brief, grams map[string]float64, larder *food.Larder) []Found {
	groups := b.Groups()
	guests, all := 0.0, 0.0
	for _, g := range groups {
		guests += float64(g.Count)
	}
	for _, c := range food.Categories { // in order, so that sums are the same each time
		all += portion.Shares(b, portion.WithMeat)[c]
	}
	out := make([]Found, len(groups))
	for i, g := range groups {
		out[i] = Found{Who: g.Who, Count: g.Count, WantsG: math.Round(all / math.Max(1, guests))}
	}
	for _, id := range slices.Sorted(maps.Keys(grams)) { // in order, so that sums are the same each time
		amount := grams[id]
		f, ok := larder.Get(id)
		if !ok || f.Category == food.Garnish || f.Category == food.NotFood {
			continue
		}
		eaters := 0.0
		for _, g := range groups {
			if diet.CanEat(g.Avoid, f) {
				eaters += float64(g.Count)
			}
		}
		for i, g := range groups {
			if diet.CanEat(g.Avoid, f) && eaters > 0 {
				out[i].FindsG += amount * f.EatenShare() / eaters
			}
		}
	}
	for i := range out {
		out[i].FindsG = math.Round(out[i].FindsG)
	}
	return out
}
