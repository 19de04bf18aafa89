// Package adjacency says what may lie beside what: wet and crisp, foods that go together or spoil each other, and what is
// kept apart for some of the guests.
package adjacency

import (
	"happytray/core/diet"
	"happytray/core/food"
)

// WetBesideCrisp is how far what is juicy or runny keeps from what is crisp, mm, unless a
// vessel holds one of them (docs/craft.md, Where things go).
const WetBesideCrisp = 25.0

// How well two foods must go together (food.Affinity) before they want to lie near each
// other, and how badly before they are to lie apart (docs/craft.md, Where things go).
const (
	partners = .8
	spoils   = -.6
)

// ArePartners reports whether foods of such an affinity want to lie near each other.
func ArePartners(affinity float32) bool { return affinity >= partners }

// SpoilEachOther reports whether foods of such an affinity are to lie apart.
func SpoilEachOther(affinity float32) bool { return affinity <= spoils }

// Softens reports whether what is as wet as a makes soft what is as b, where both lie open
// and nearer than WetBesideCrisp.
func Softens(a, b food.Wetness) bool { return a.Wets() && b == food.Crisp }

// EitherSoftens is Softens either way round.
func EitherSoftens(a, b food.Wetness) bool { return Softens(a, b) || Softens(b, a) }

// Side is which side a food is on, where some guests' food is kept apart from others'.
type Side int

// Sides of what is kept apart. A vessel keeps what is in it apart already.
const (
	OnNoSide Side = iota
	KeptOff       // it holds what those guests avoid
	ForAll        // a main thing for them too, which must not touch what is kept off
)

// ApartOf tells which side a food is on; words are what those guests avoid
// (brief.KeptApart), and open says that no vessel holds it.
func ApartOf(f *food.Food, words []string, open bool) Side {
	avoided, _ := diet.Avoiding(words, f)
	switch {
	case len(words) == 0 || !open:
		return OnNoSide
	case avoided == diet.Avoided:
		return KeptOff
	case f.Category == food.Cheese || f.Category == food.Dip || f.Category == food.Brined:
		return ForAll
	}
	return OnNoSide
}
