package diet

import (
	"slices"
	"strings"
	"unicode"

	"happytray/core/food"
)

// kindOf are the kinds that pregnant guests and those of weak immunity are commonly advised against, as one says them of a food.
var kindOf = map[string]string{"soft mould-ripened": "a soft mould-ripened cheese", "washed rind": "a washed-rind cheese", "raw milk": "of raw milk unless its label says otherwise",
	"raw cured meat": "a raw cured meat", "undercooked meat": "not cooked through", "cold-smoked fish": "smoked fish that is not heated again", "pate": "a pâté, terrine or potted meat", "liver": "made with liver",
	"raw egg": "made with raw egg", "raw fish": "fish that is not cooked", "alcohol": "made with alcohol", "herbs in quantity": "a plant to have little of"}

// Advised says what a food is, where it is of the kinds that pregnant guests and those of weak immunity are commonly
// advised against (food.Advisories), the first of them; "" for all others.
func Advised(f *food.Food) string {
	if kinds := f.Advisories(); len(kinds) > 0 {
		return kindOf[kinds[0]]
	}
	return ""
}

// IsHoney reports whether a food is honey, or made with it: the larder's own, and what a house calls so. Honeycomb is
// it only where it comes of bees; that of boiled sugar is a toffee.
func IsHoney(f *food.Food) bool {
	if f.Holds("honey") {
		return true
	}
	words := strings.FieldsFunc(strings.ToLower(f.Name), func(r rune) bool { return !unicode.IsLetter(r) })
	return f.ID == "honey" || slices.Contains(words, "honey") || slices.Contains(words, "honeycomb") && f.Holds("animal")
}

// notForChildren reports whether a food is not put before guests unasked because children
// come: what holds alcohol, what small ones can choke on in every form it takes, and honey where infants come. Where
// children are most of the guests, no nuts, honey or picks at all.
func (t Table) notForChildren(f *food.Food) bool {
	switch {
	case IsHoney(f) && (t.Infants || t.MostlyYoung):
		return true
	case !t.Children:
		return false
	case f.Holds("alcohol"):
		return true
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
