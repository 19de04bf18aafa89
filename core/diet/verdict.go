// Package diet gives the one verdict on a food for guests: whether they may have it unasked, and if not, why. Everything
// that chooses, counts, offers or warns asks here. It tells by the larder's entries; the labels of the actual packs decide,
// and nothing here promises that a food is safe.
package diet

import (
	"slices"

	"happytray/core/brief"
	"happytray/core/food"
)

// Verdict is what is to be said of a food for guests. Of several the gravest holds: a caller names the gravest it accepts.
type Verdict int

// Verdicts, from the lightest to the gravest.
const (
	Fine           Verdict = iota
	AdvisedAgainst         // pregnant guests and those of weak immunity come, and are commonly advised against it
	DoesNotKeep            // in the heat at the table or on the way there, in any form
	NotForChildren         // it holds alcohol, small children can choke on it in every form it takes, or it is honey and infants come
	Traces                 // of an allergen that guests avoid may be in it: the host decides, with the label in hand
	Avoided                // guests avoid what it holds
)

// Table is what a verdict depends on: what is kept off a brief's trays, who comes, and what food has to bear there.
type Table struct {
	Off         []string `json:"off"`                    // allergens and diet words (brief.OffTheTray)
	Children    bool     `json:"children,omitempty"`     // any come
	MostlyYoung bool     `json:"mostly_young,omitempty"` // more children than grown-ups
	Infants     bool     `json:"infants,omitempty"`      // under one year
	Frail       bool     `json:"frail,omitempty"`        // pregnant, or of weak immunity
	WarmthC     float64  `json:"warmth_c,omitempty"`     // at the table
	RoadMin     float64  `json:"road_min,omitempty"`     // minutes on the way there
}

// TableOf is the table of a brief.
func TableOf(b brief.Brief) Table {
	return Table{Off: b.OffTheTray(), Children: b.Young(), MostlyYoung: b.MostlyYoung(), Infants: b.Guests.Infants > 0, Frail: b.Frail() > 0,
		WarmthC: b.Warmth(), RoadMin: b.Travels.Minutes}
}

// For is the verdict on a food for the guests of a brief, with the word that it is about: what is avoided, what
// pregnant guests are advised against, or what becomes of it.
func For(b brief.Brief, f *food.Food) (Verdict, string) { return TableOf(b).For(f) }

// For is the verdict on a food at this table.
func (t Table) For(f *food.Food) (Verdict, string) {
	if v, word := Avoiding(t.Off, f); v != Fine {
		return v, word
	}
	if t.notForChildren(f) {
		return NotForChildren, "children"
	}
	if becomes, always := t.always(f); always {
		return DoesNotKeep, becomes
	}
	if t.Children && !slices.ContainsFunc(f.Forms, func(s food.Spec) bool {
		return !food.Has(s.Form, food.OnFood) && !t.NotAs(f, s.Form) && t.Suffers(f, s.Form) == ""
	}) {
		return NotForChildren, "children" // what keeps is what they can choke on
	}
	if is := Advised(f); t.Frail && is != "" {
		return AdvisedAgainst, is
	}
	return Fine, ""
}

// Avoiding is the verdict on a food for guests who avoid some words, and the first word that it is about: Avoided where
// the food holds it, Traces where traces of it may be in it, or Fine.
func Avoiding(words []string, f *food.Food) (Verdict, string) {
	if w := f.Breaks(words); w != "" {
		return Avoided, w
	}
	if w := f.MayHold(words); w != "" {
		return Traces, w
	}
	return Fine, ""
}

// CanEat reports whether guests who avoid some words can eat a food, as far as is known of it: it neither holds what they
// avoid, nor may it hold traces.
func CanEat(words []string, f *food.Food) bool {
	v, _ := Avoiding(words, f)
	return v == Fine
}
