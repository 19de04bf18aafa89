package app

import (
	"happytray/core/diet"
	"happytray/core/food"
)

// DietWord is a word for what guests may avoid, and how it is said.
type DietWord struct{ ID, Says string }

// Diets are the diets that people name most, and all words for what guests may avoid.
func Diets() (presets []diet.Preset, words []DietWord) {
	for _, w := range food.Avoidable {
		words = append(words, DietWord{w, diet.Says(w)})
	}
	return diet.Presets, words
}
