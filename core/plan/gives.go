package plan

import (
	"slices"

	"happytray/core/brief"
	"happytray/core/diet"
	"happytray/core/food"
	"happytray/core/pick"
	"happytray/core/say"
	"happytray/core/theme"
)

// kindsMissed are the kinds that a table asks after, with their words; of the others nobody does.
var kindsMissed = []struct {
	of   food.Category
	says string
}{{food.Cheese, "cheese"}, {food.Meat, "meat"}, {food.Cracker, "bread and crackers"}, {food.Dip, "dips"}, {food.Vegetable, "vegetables"}, {food.Fruit, "fruit"}, {food.Sweet, "sweets"}}

// falls says which kinds fall away altogether because of what is kept off the tray, and what would
// give them back to the others.
func falls(b brief.Brief, chosen []pick.Choice, larder *food.Larder, under pick.Under) []say.Text {
	off := b.OffTheTray()
	if len(off) == 0 || len(b.Foods) > 0 {
		return nil
	}
	kinds := pick.KindsFor(b, under)
	there := map[food.Category]bool{}
	for _, c := range chosen {
		there[c.Food.Category] = true
	}
	var gone []string
	back := 0
	all := larder.All()
	for _, k := range kindsMissed {
		if kinds[k.of] == 0 || there[k.of] {
			continue
		}
		n, kept := 0, 0
		for i := range all {
			if f := &all[i]; f.Category == k.of {
				n++
				if !diet.CanEat(off, f) {
					kept++
				}
			}
		}
		if n > 0 && kept == n {
			gone = append(gone, k.says)
			back += n
		}
	}
	if len(gone) == 0 {
		return nil
	}
	words := make([]string, len(off))
	for i, w := range off {
		words[i] = diet.Says(w)
	}
	avoided := say.Words(words)
	if len(words) > 4 {
		avoided = append(avoided[:3:3], say.Part("more things", say.N(len(words)-3)))
	}
	says := say.That("kinds.gone", say.Any(say.Words(gone)...), say.All(avoided...))
	switch n, all := who(b), b.Guests.Total(); {
	case n == 0 || n >= all:
	case 2*n > all:
		says = says.Then("kinds.apart", say.N(all-n), say.N(back))
	case n == 1:
		says = says.Then("kinds.plate", say.N(back))
	default:
		says = says.Then("kinds.tray", say.N(n), say.N(back))
	}
	return []say.Text{says}
}

// aThird is the part of a kind from which on its falling away is told.
const aThird = 1.0 / 3

// Lost is a kind of food of which much stays off everybody's board for the sake of some.
type Lost struct {
	Kind food.Category
	Off  int // foods of the kind that stay off
	Of   int // foods of the kind
}

// ForSome are the kinds of which more than a third stays off the board for everybody, because some guests have an
// allergy, and could stay on it if those had a plate apart; none where they have one, or nobody can.
func ForSome(b brief.Brief, larder *food.Larder) []Lost {
	if b.PlateApart || b.Plates() || len(b.Foods) > 0 || len(allergic(b)) == 0 {
		return nil
	}
	var words []string
	for _, w := range b.OffTheTray() {
		if brief.IsAllergen(w) && !slices.ContainsFunc(b.Diets, func(d brief.Diet) bool { return d.Count == 0 && slices.Contains(d.Avoid, w) }) {
			words = append(words, w)
		}
	}
	var out []Lost
	all := larder.All()
	for _, k := range kindsMissed {
		lost := Lost{Kind: k.of}
		for i := range all {
			if f := &all[i]; f.Category == k.of {
				lost.Of++
				if !diet.CanEat(words, f) {
					lost.Off++
				}
			}
		}
		if float64(lost.Off) > aThird*float64(lost.Of) {
			out = append(out, lost)
		}
	}
	return out
}

// SayForSome says which kinds stay off everybody's board for the sake of some, and that a plate apart would leave them
// to the others.
func SayForSome(b brief.Brief, larder *food.Larder) []say.Text {
	lost := ForSome(b, larder)
	if len(lost) == 0 {
		return nil
	}
	var kinds []say.Value
	for _, l := range lost {
		for _, k := range kindsMissed {
			if k.of == l.Kind {
				kinds = append(kinds, say.Part("kinds.lost", say.Figure(l.Off), say.Figure(l.Of), say.Word(k.says)))
			}
		}
	}
	n := 0
	for _, d := range allergic(b) {
		n += d.Count
	}
	return []say.Text{say.That("kinds.some", say.All(kinds...), say.N(n))}
}

// SayFrail says which of some foods pregnant guests and those of weak immunity are commonly advised against, where
// some come, and what becomes of these foods.
func SayFrail(b brief.Brief, foods []*food.Food) []say.Text {
	if b.Frail() == 0 || b.Plates() { // on plates of their own none of it lies
		return nil
	}
	var against []string
	for _, f := range foods {
		if f.Holds(food.Advised) {
			against = append(against, f.Name)
		}
	}
	switch {
	case len(against) > 0:
		return []say.Text{say.That("frail.apart", say.N(b.Frail()), say.All(say.Foods(against)...))}
	case slices.Contains(b.OffTheTray(), food.Advised):
		return []say.Text{say.That("frail.off", say.N(b.Frail()))}
	}
	return nil
}

// who is how many guests, as far as is said, avoid something that is kept off the whole tray; 0 where
// it is everybody.
func who(b brief.Brief) (n int) {
	for _, d := range b.Diets {
		if !slices.ContainsFunc(d.Avoid, brief.IsAllergen) {
			continue
		}
		if d.Count == 0 {
			return 0
		}
		n += d.Count
	}
	return n
}

// avoidedTheme says so where guests avoid all the foods that make a theme.
func avoidedTheme(b brief.Brief, theme *theme.Theme, larder *food.Larder) []say.Text {
	if theme == nil || len(theme.Belongs) == 0 {
		return nil
	}
	off := b.OffTheTray()
	for _, id := range theme.Belongs {
		f, ok := larder.Get(id)
		if ok && diet.CanEat(off, f) {
			return nil
		}
	}
	return []say.Text{say.That("theme.avoided", say.Word(theme.Called))}
}

// sayCuisine says so where a board of one cuisine has less than most of its cheeses and meats from there: the larder has no
// more that suit.
func sayCuisine(th *theme.Theme, chosen []pick.Choice) []say.Text {
	var foods []*food.Food
	for _, c := range chosen {
		if !c.Pinned { // what the host asked for is from where they like
			foods = append(foods, c.Food)
		}
	}
	own, of := pick.Cuisine(th, foods)
	if of == 0 || pick.FromThere(own, of) {
		return nil
	}
	if len(th.Origins) == 0 {
		return []say.Text{say.That("theme.leads", say.N(own), say.N(of), say.Word(th.Called))}
	}
	return []say.Text{say.That("theme.cuisine", say.N(own), say.N(of), say.Word(th.Called))}
}
