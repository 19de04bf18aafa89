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
	words := slices.Clone(off)
	if at := slices.Index(words, "animal"); at >= 0 {
		words[at] = "what comes from animals"
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
	return []say.Text{say.That("theme.avoided", say.Word(theme.Name))}
}
