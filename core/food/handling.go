package food

import (
	"slices"

	"happytray/core/fault"
)

// Words of a food's handling: what is done to it before it is laid, besides the cutting, folding and
// filling that its form says, and what it does not bear.
const (
	Ready      = "ready"      // nothing: it goes from its pack to the board
	Cold       = "cold"       // lives in the fridge
	Perishable = "perishable" // its hours outside the fridge are counted
	Wash       = "wash"       // and dry
	Drain      = "drain"      // out of its brine, whey or oil
	Peel       = "peel"
	Unwrap     = "unwrap" // out of its own wrapper, one by one; nothing is cut
	StoneOut   = "stone"  // its stone is taken out
	SeedOut    = "seed"   // what is cut off or taken out, so that less is left than was bought (Spec.Yield)
	Core       = "core"
	Derind     = "derind"
	Skin       = "skin" // a casing
	Hull       = "hull"
	Trim       = "trim"    // ends, stalks and outer leaves
	Browns     = "browns"  // where it is cut: into water with lemon, and late
	Dries      = "dries"   // where it is cut, within an hour or two
	Softens    = "softens" // loses its crispness near what is moist
	Wilts      = "wilts"   // out of the cold
)

// Handlings are the words of a food's handling.
var Handlings = []string{Ready, Cold, Perishable, Wash, Drain, Peel, Unwrap, StoneOut, SeedOut, Core, Derind, Skin, Hull, Trim, Browns, Dries, Softens, Wilts}

// Heat is how a food is cooked before it is laid.
type Heat struct {
	How     string  `json:"how"`
	OvenC   int     `json:"oven_c,omitempty"` // 0 for on the hob
	Minutes float64 `json:"minutes"`
}

// Heats are the ways of cooking.
var Heats = []string{"toast", "roast", "grill", "fry", "blanch", "boil", "bake"}

// Trims are the words for what is taken off before anything else is cut.
var Trims = []string{SeedOut, Core, Derind, Skin, Hull, Trim}

// Unheated is the food as it is bought where nothing is heated: ready, and not to be cooked any more; itself where it is
// not heated, or cannot be had so.
func (f *Food) Unheated() *Food {
	if f.Heat == nil || f.ReadyAs == "" {
		return f
	}
	g := *f
	g.Heat, g.ComesAs = nil, f.ReadyAs
	return &g
}

// Handled is what is done to the food: what its entry says, or for one that says nothing what is usual for its kind.
func (f *Food) Handled() []string {
	if len(f.Handling) > 0 {
		return f.Handling
	}
	switch f.Category {
	case Cheese, Meat:
		return []string{Cold, Perishable}
	case Dip:
		return []string{Cold, Perishable}
	case Brined:
		return []string{Drain}
	case Fruit, Vegetable:
		return []string{Wash}
	case Cracker:
		return []string{Softens}
	case Garnish:
		return []string{Cold, Wash, Wilts}
	}
	return []string{Ready}
}

// Needs reports whether a word of handling is said of the food.
func (f *Food) Needs(word string) bool { return slices.Contains(f.Handled(), word) }

// checkHandling holds the words of handling against their list, and bounds the heat.
func (f *Food) checkHandling() error {
	if len(f.Handling) > len(Handlings) {
		return fault.Bad("handling", "has more words than there are")
	}
	for _, w := range f.Handling {
		if err := fault.OneOf("handling", w, Handlings...); err != nil {
			return err
		}
	}
	if f.Heat == nil {
		return nil
	}
	return fault.First(func() error { return fault.OneOf("heat.how", f.Heat.How, Heats...) },
		func() error { return fault.Between("heat.oven_c", float64(f.Heat.OvenC), 0, 300, " degrees") },
		func() error { return fault.Between("heat.minutes", f.Heat.Minutes, 0, 600, " minutes") })
}

// LayMinutes is the time to carry a group of food to the board and set it down, minutes (docs/craft.md, Time and care).
const LayMinutes = .35
