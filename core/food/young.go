package food

import (
	"math"
	"slices"
)

var childrensTaste = []struct {
	flavour string
	by      float64
}{{"sweet", .08}, {"mild", .05}, {"spicy", -.15}, {"bitter", -.15}, {"briny", -.15}, {"sour", -.05}, {"smoky", -.08}, {"umami", -.04}}

// LikedByChildren is how many children take some of the food, 0 to 1: what its entry says, or what follows from the
// rest. Children take sweet and mild things sooner than grown-ups, and leave what is strong, bitter, sharp or briny:
// estimates of ours, as all liking is, that what comes home corrects.
func (f *Food) LikedByChildren() float64 {
	if f.YoungLiking > 0 {
		return f.YoungLiking
	}
	liking := f.Liking - .15*float64(max(0, f.Strength-1))
	for _, taste := range childrensTaste {
		if slices.Contains(f.Flavours, taste.flavour) {
			liking += taste.by
		}
	}
	if f.Category == Brined {
		liking -= .1
	}
	return math.Max(.05, math.Min(.95, math.Round(100*liking)/100))
}
