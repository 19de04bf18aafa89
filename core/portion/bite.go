package portion

import "happytray/core/food"

// biteOfFruit is the most that a piece of fresh fruit weighs that somebody takes in the hand, grams.
const biteOfFruit = 60

// IsBite reports whether guests can eat a food as it lies in a form: whole fruit in its peel, and
// halves that fill a hand, are props (docs/craft.md, Where things go), unless they are sliced so that one pulls a slice off.
func IsBite(f *food.Food, s food.Spec) bool {
	return f.Category != food.Fruit || s.Is(food.Opened) || s.MassG <= biteOfFruit && !food.Has(s.Form, food.AsItComes)
}
