package food

import (
	"maps"
	"math"
	"slices"

	"happytray/core/fault"
)

// Role is a part that people expect some food of a board to play (docs/craft.md, The classic).
type Role struct {
	ID       string
	Category Category
	Says     string // as one asks for it
	Why      string // why people expect it: the reasoning behind the priors of its foods
}

// Roles of a board, category by category, those that are expected most first. How much each food is expected to play one
// (Classic) is an estimate of ours from what boards usually hold; it is not how well the food is liked.
var Roles = []Role{
	{"soft round", Cheese, "a soft white cheese", "what most people look for first"},
	{"firm", Cheese, "something firm and familiar", "what everybody knows and the cautious take"},
	{"fresh", Cheese, "something fresh or of goat’s milk", "light beside the rest"},
	{"blue", Cheese, "something blue or strong", "for the few who want nothing else"},
	{"aged", Cheese, "something aged or hard", "for those who like cheese"},
	{"dry sausage", Meat, "a dry sausage", "the meat that is taken first"},
	{"ham", Meat, "a dry-cured ham", "what people expect beside cheese and fruit"},
	{"pickle", Brined, "olives or pickles", "sour beside what is fat"},
	{"sweet spread", Dip, "a sweet spread", "what goes with nearly every cheese"},
	{"savoury dip", Dip, "a savoury dip or mustard", "what bread and vegetables are for"},
	{"grapes or berries", Fruit, "grapes or berries", "what everybody takes, and what cheese wants"},
	{"crisp fruit or fig", Fruit, "a crisp fruit or a fig", "to eat cheese on"},
	{"raw vegetable", Vegetable, "a raw vegetable", "something crisp for the dip"},
	{"dried fruit", Dried, "a dried fruit", "sweet and chewy, and it fills gaps"},
	{"nuts", Nut, "nuts", "crunch between all that is soft"},
	{"plain cracker", Cracker, "a plain, flat cracker", "leaves cheese its taste"},
	{"bread", Cracker, "bread or a second cracker", "with a taste of its own"},
	{"dark and sweet", Sweet, "something dark and sweet", "to end with"},
	{"herb", Garnish, "a green herb", "to finish with"},
}

// roleAt finds a role in Roles, or -1.
func roleAt(id string) int { return slices.IndexFunc(Roles, func(r Role) bool { return r.ID == id }) }

// RoleOf is the role that the food is expected to play most, as its place in Roles, and how much it is, 0 to 1; -1 for a
// food that nobody expects.
func (f *Food) RoleOf() (role int, prior float64) {
	role = -1
	for i, r := range Roles {
		if p, ok := f.Classic[r.ID]; ok && p > prior {
			role, prior = i, p
		}
	}
	return role, prior
}

// checkClassic holds the roles that a food is said to play against those there are.
func (f *Food) checkClassic() error {
	for _, id := range slices.Sorted(maps.Keys(f.Classic)) {
		k := roleAt(id)
		if k < 0 {
			return fault.Bad("classic", "%.40q is no role of a board", id)
		}
		if Roles[k].Category != f.Category {
			return fault.Bad("classic", "%s is played by another kind of food", id)
		}
		if p := f.Classic[id]; math.IsNaN(p) || p <= 0 || p > 1 {
			return fault.Bad("classic", "%s: above 0 and at most 1", id)
		}
	}
	return nil
}

// IsStandIn reports whether the food takes the place of cheese or meat for those who eat none: it is made of plants and
// stands on their shelf.
func (f *Food) IsStandIn() bool {
	switch f.Category {
	case Cheese:
		return f.Milk == "plant"
	case Meat:
		return !f.Holds("meat") && !f.Holds("egg") && !f.Holds("milk")
	}
	return false
}

// FlatBread reports whether it is a cracker or a slice of bread that something is laid or spread on.
func (f *Food) FlatBread() bool {
	return f.Category == Cracker && !slices.Contains(f.Flavours, "sweet") && slices.ContainsFunc(f.Forms, func(s Spec) bool {
		return (s.Shape == "disc" || s.Shape == "slab" || s.Shape == "triangle") && NeedsPitch(s.Form)
	})
}
