package craft

import (
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
	case f.Category == food.Cheese && animal && f.Firmness == "soft" && f.Rind == "edible":
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

// NotForTheYoung reports whether a food is not put before guests most of whom are small children
// unasked: nuts and seeds, hard sweets, what is on picks, and honey where infants come.
func NotForTheYoung(b brief.Brief, f *food.Food) bool {
	if f.ID == "honey" && b.Guests.Infants > 0 {
		return true
	}
	if !b.MostlyYoung() {
		return false
	}
	return f.Category == food.Nut || f.Category == food.Sweet && f.Choking || f.ID == "honey" || len(f.Forms) > 0 && f.Forms[0].Form == "skewer"
}
