package food

import (
	"math/bits"
	"slices"
)

// pairing is one rule over properties: what two foods are to each other, good or
// bad, and why. Rules look at the pair both ways round.
type pairing struct {
	worth float64 // above zero they go together, below they clash
	why   string
	a, b  func(f *Food) bool
}

func has(f *Food, flavour string) bool { return slices.Contains(f.Flavours, flavour) }
func in(f *Food, c ...Category) bool   { return slices.Contains(c, f.Category) }

// isBlue is a pungent cheese that is neither washed nor hard, and has no rind to eat: by its bitter
// or sharp salt, and by its smell.
func isBlue(f *Food) bool {
	return f.Category == Cheese && f.Smells && has(f, "salty") && !has(f, "umami") && f.Rind != "edible"
}

// SweetDip reports whether a food is a jam, a honey or a cream; a dip of roots or peppers is savoury, however sweet they are.
func SweetDip(f *Food) bool { return f.Category == Dip && has(f, "sweet") && f.CarbG >= 15 }

func sweetFruit(f *Food) bool {
	return in(f, Fruit, Dried) && has(f, "sweet") || SweetDip(f)
}

// pairings are the craft's own (section 6), most telling first, then what taste
// itself suggests: salt with sweet, fat with sour, and landscape with landscape.
var pairings = []pairing{
	{.9, "blue cheese wants something sweet", isBlue, sweetFruit},
	{.7, "blue cheese and walnuts or pecans", isBlue, func(f *Food) bool { return f.Category == Nut && (has(f, "bitter") || has(f, "sweet")) }},
	{.8, "a mild soft cheese with something sweet and sharp", func(f *Food) bool {
		return f.Category == Cheese && f.Firmness == "soft" && f.Strength <= 2
	}, func(f *Food) bool {
		return in(f, Fruit, Dried, Dip) && has(f, "sweet") && has(f, "sour") && (f.Category != Dip || SweetDip(f))
	}},
	{.8, "salty hard cheese with something sweet", func(f *Food) bool {
		return f.Category == Cheese && (f.Firmness == "hard" || f.Firmness == "firm") && has(f, "salty")
	}, func(f *Food) bool {
		return (in(f, Sweet, Dried) && has(f, "sweet") || SweetDip(f)) && f.Wetness != Crisp && !has(f, "bitter")
	}},
	{.8, "fresh goat cools what is spicy", func(f *Food) bool {
		return f.Category == Cheese && f.Firmness == "fresh" && f.Milk == "goat"
	}, func(f *Food) bool { return f.Category == Meat && has(f, "spicy") }},
	{.6, "a strong cheese on a plain cracker", func(f *Food) bool { return f.Category == Cheese && f.Strength >= 4 },
		func(f *Food) bool { return f.Category == Cracker && has(f, "mild") && len(f.Flavours) == 1 }},
	{.55, "fat or smoke with something sour", func(f *Food) bool {
		return f.Category == Meat && f.Wetness == Oily || f.Category == Meat && has(f, "smoky")
	},
		func(f *Food) bool { return f.Category == Brined && has(f, "sour") }},
	{.5, "salt with fresh fruit", func(f *Food) bool { return f.Category == Meat && has(f, "salty") && !has(f, "spicy") },
		func(f *Food) bool { return f.Category == Fruit && has(f, "sweet") && f.Wetness != Crisp }},
	{.5, "a dip with something crunchy to dip", func(f *Food) bool { return f.Category == Dip && !SweetDip(f) },
		func(f *Food) bool { return f.Category == Vegetable && f.Texture == "crunchy" }},
	{.45, "something bitter and sweet with sharp fruit", func(f *Food) bool { return f.Category == Sweet && has(f, "bitter") },
		func(f *Food) bool { return f.Category == Fruit && has(f, "sour") }},

	{-.8, "sweets beside brine taste of neither", func(f *Food) bool { return f.Category == Sweet }, func(f *Food) bool { return f.Category == Brined || has(f, "briny") }},
	{-.7, "a strong smell covers what is delicate", func(f *Food) bool { return f.Smells && f.Strength >= 4 },
		func(f *Food) bool { return f.Category == Cheese && f.Strength == 1 || f.Category == Sweet }},
	{-.6, "what is hot drowns what is sweet", func(f *Food) bool { return has(f, "spicy") && f.Category == Dip && !has(f, "sweet") }, func(f *Food) bool { return f.Category == Sweet }},
	{-.5, "vinegar and fresh fruit fight", func(f *Food) bool { return f.Category == Brined && has(f, "sour") },
		func(f *Food) bool { return f.Category == Fruit }},
}

// sameRegion is what sharing a landscape adds; it is a reason, not a rule.
const sameRegion = .15

// sides is which sides of which pairing rules a food stands on, a bit for each rule, and its classics.
type sides struct {
	a, b  uint32
	named map[string]Named
}

func sidesOf(f *Food) (s sides) {
	s.named = namedPairs()[f.ID]
	for i := range pairings {
		if pairings[i].a(f) {
			s.a |= 1 << i
		}
		if pairings[i].b(f) {
			s.b |= 1 << i
		}
	}
	return s
}

// Affinity says how well two foods go side by side, from -1 (they spoil each
// other) to 1 (made for each other), and why in a few words; 0 and "" when
// there is nothing to say. What a food itself names counts before the classics of the table (NamedPair), and those before
// the rules.
func Affinity(a, b *Food) (worth float64, why string) {
	return affinity(a, b, sidesOf(a), sidesOf(b))
}

// clashWords says why foods clash of which one names the other.
func clashWords(a, b *Food) string {
	if in(a, Garnish) || in(b, Garnish) {
		return "the herb fights with it"
	}
	return "each spoils the taste of the other"
}

func affinity(a, b *Food, x, y sides) (worth float64, why string) {
	if a.ID == b.ID {
		return 0, ""
	}
	switch {
	case slices.Contains(a.Clashes, b.ID) || slices.Contains(b.Clashes, a.ID):
		return -1, clashWords(a, b)
	case slices.Contains(a.Pairs, b.ID) || slices.Contains(b.Pairs, a.ID):
		if named, ok := x.named[b.ID]; ok {
			return 1, named.Why
		}
		return 1, "well known together"
	}
	if named, ok := x.named[b.ID]; ok {
		return named.Strength, named.Why
	}
	if both := x.a&y.b | x.b&y.a; both != 0 {
		p := &pairings[bits.TrailingZeros32(both)] // the first rule that holds
		worth, why = p.worth, p.why
	}
	if a.Region != "" && a.Region == b.Region && worth >= 0 && in(a, Cheese, Meat, Brined, Dip) && in(b, Cheese, Meat, Brined, Dip) && a.Category != b.Category {
		if worth == 0 {
			why = "from the same region"
		}
		worth = min(1, worth+sameRegion)
	}
	return worth, why
}

// Palate answers affinities among a fixed list of foods quickly: the rules are
// looked at once for each food instead of once for each pair, and what one food is
// to all others is kept once it was asked for.
type Palate struct {
	foods []*Food
	sides []sides
	rows  [][]float32
}

// NewPalate prepares foods.
func NewPalate(foods []*Food) *Palate {
	p := &Palate{foods, make([]sides, len(foods)), make([][]float32, len(foods))}
	for i, f := range foods {
		p.sides[i] = sidesOf(f)
	}
	return p
}

// Affinities of the food at one place of the list to every food of it.
func (p *Palate) Affinities(i int) []float32 {
	if p.rows[i] == nil {
		row := make([]float32, len(p.foods))
		for j := range p.foods {
			w, _ := affinity(p.foods[i], p.foods[j], p.sides[i], p.sides[j])
			row[j] = float32(w)
		}
		p.rows[i] = row
	}
	return p.rows[i]
}

// Partner is a food that another goes with, or clashes with.
type Partner struct {
	Food  *Food
	Worth float64 // as Affinity tells it; below 0 for what clashes
	Why   string
}

// Partners lists up to most foods of the larder that f goes best with, and up to
// most that it clashes with worst, each best first.
func (l *Larder) Partners(f *Food, most int) (good, bad []Partner) {
	all := l.All()
	for i := range all {
		w, why := Affinity(f, &all[i])
		switch {
		case w >= .45:
			good = append(good, Partner{&all[i], w, why})
		case w <= -.45:
			bad = append(bad, Partner{&all[i], w, why})
		}
	}
	slices.SortStableFunc(good, func(a, b Partner) int { return cmpDown(a.Worth, b.Worth) })
	slices.SortStableFunc(bad, func(a, b Partner) int { return cmpDown(b.Worth, a.Worth) })
	return good[:min(most, len(good))], bad[:min(most, len(bad))]
}

func cmpDown(a, b float64) int {
	switch {
	case a > b:
		return -1
	case a < b:
		return 1
	}
	return 0
}
