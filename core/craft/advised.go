package craft

import (
	"slices"

	"happytray/core/brief"
	"happytray/core/food"
)

// AdvisedAgainst says what a food is, where it is of the kinds that pregnant guests and those of
// weak immunity are commonly advised against (docs/craft.md, Time and care); "" for all others. It
// tells by what is known of the food, which is no advice and no promise.
func AdvisedAgainst(f *food.Food) string {
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

// NotForTheYoung reports whether a food is not put before guests unasked because small children
// come: what can choke in every form it takes, and honey where infants come. Where children are
// most of the guests, no nuts, honey or picks at all.
func NotForTheYoung(b brief.Brief, f *food.Food) bool {
	switch {
	case f.ID == "honey" && (b.Guests.Infants > 0 || b.MostlyYoung()):
		return true
	case !b.Young():
		return false
	case b.MostlyYoung() && f.Category == food.Nut:
		return true
	}
	return !slices.ContainsFunc(f.Forms, func(s food.Spec) bool { return !NotInThatForm(b, f, s.Form) && s.Form != "topping" })
}

// NotInThatForm reports whether a food is not laid in a form unasked because small children come:
// whole what can choke, and, where they are most of the guests, on picks.
func NotInThatForm(b brief.Brief, f *food.Food, form string) bool {
	return b.Young() && f.ChokesAs(form) || b.MostlyYoung() && form == "skewer"
}
