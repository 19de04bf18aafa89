package diet

import (
	"slices"
	"strings"
	"unicode"

	"happytray/core/food"
)

// Advised says what a food is, where it is of the kinds that pregnant guests and those of
// weak immunity are commonly advised against (docs/craft.md, Time and care); "" for all others. It
// tells by what is known of the food, which is no advice and no promise.
func Advised(f *food.Food) string {
	animal := f.Holds("animal")
	switch {
	case f.Category == food.Cheese && animal && f.Smells && f.Strength >= 4:
		return "a strong mould- or smear-ripened cheese"
	case f.Category == food.Cheese && animal && f.Firmness == "soft" && (f.Rind == "edible" || f.Smells):
		return "a soft mould-ripened cheese"
	case f.Category == food.Meat && f.Holds("fish"):
		return "cold-smoked fish"
	case f.Category == food.Meat && f.Holds("meat") && f.Texture == "chewy":
		return "a raw cured meat"
	case f.Category == food.Meat && f.Holds("meat") && (f.Holds("egg") || f.Holds("alcohol")):
		return "a pate or terrine"
	}
	return ""
}

// IsHoney reports whether a food is honey, or made with it: the larder's own, and what a house calls so. Honeycomb is
// it only where it comes of bees; that of boiled sugar is a toffee.
func IsHoney(f *food.Food) bool {
	words := strings.FieldsFunc(strings.ToLower(f.Name), func(r rune) bool { return !unicode.IsLetter(r) })
	return f.ID == "honey" || slices.Contains(words, "honey") || slices.Contains(words, "honeycomb") && f.Holds("animal")
}

// tooSmallFor reports whether a food is not put before guests unasked because small children
// come: what can choke in every form it takes, and honey where infants come. Where children are
// most of the guests, no nuts, honey or picks at all.
func (t Table) tooSmallFor(f *food.Food) bool {
	switch {
	case IsHoney(f) && (t.Infants || t.MostlyYoung):
		return true
	case !t.Children:
		return false
	case t.MostlyYoung && f.Category == food.Nut:
		return true
	}
	return !slices.ContainsFunc(f.Forms, func(s food.Spec) bool { return !t.NotAs(f, s.Form) && !food.Has(s.Form, food.OnFood) })
}

// NotAs reports whether a food is not laid in a form unasked because small children come:
// whole what can choke, and, where they are most of the guests, on picks.
func (t Table) NotAs(f *food.Food, form string) bool {
	return t.Children && f.ChokesAs(form) || t.MostlyYoung && food.Has(form, food.OnPick)
}
