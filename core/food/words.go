package food

import (
	"slices"
	"strings"
	"unicode"
)

// Advised is the word for everything that pregnant guests and those of weak immunity are commonly advised against.
const Advised = "advised"

// The words a food is described with. One list each, so that files, filters and
// briefs all speak the same.
var (
	// Allergens are the 14 main ones that labels must name.
	Allergens = []string{"gluten", "crustaceans", "egg", "fish", "peanuts", "soy", "milk", "nuts", "celery", "mustard", "sesame", "sulphites", "lupin", "molluscs"}
	// DietWords are what else a guest may avoid; a food lists those that are in it.
	DietWords = []string{"meat", "pork", "beef", "animal", "rennet", "alcohol", "poultry", "game", "shellfish", "gelatine", "raw milk", "honey"}
	// Occasions are what some food is only for, unasked: it would look lost on an evening's board. Marshmallows are for where
	// children come, a hard cheese without rennet where somebody eats none, coriander for a theme that names it.
	Occasions = []string{"breakfast", "tea", "brunch", "dessert", "children", "rennet-free", "theme"}
	// Avoidable is all that a guest may avoid: the allergens, the diet words, Advised and LowCarb.
	Avoidable = slices.Concat(Allergens, DietWords, []string{Advised, LowCarb})
	// Advisories are the kinds of food that pregnant guests and those of weak immunity are commonly advised
	// against (docs/craft.md, Time and care). Raw milk is meant unless the label says that it was pasteurised.
	Advisories = []string{"soft mould-ripened", "washed rind", "raw milk", "raw cured meat", "undercooked meat", "cold-smoked fish", "pate", "liver", "raw egg", "raw fish", "alcohol", "herbs in quantity"}

	Wetnesses  = []string{string(Crisp), string(Dry), string(Moist), string(Oily), string(Juicy), string(Runny)}
	Firmnesses = []string{"fresh", "soft", "semi", "firm", "hard"}
	Milks      = []string{"cow", "goat", "sheep", "buffalo", "mixed", "plant"}
	// Settings are what cheese is set with: animal rennet unless it says how else.
	Settings = []string{"rennet", "microbial", "thistle", "acid"}
	Rinds    = []string{"edible", "inedible", "none"}
	Flavours = []string{"sweet", "salty", "sour", "briny", "smoky", "spicy", "bitter", "umami", "mild", "fresh"}
	Textures = []string{"creamy", "soft", "chewy", "firm", "crumbly", "crunchy", "juicy"}
	// Origins are the countries and regions whose food is told apart.
	Origins = []string{"Alps", "Britain", "Cyprus", "France", "Germany", "Greece", "Italy", "Levant", "Mexico", "Netherlands", "Nordic", "North America", "Portugal", "Spain"}
	// Regions are broad landscapes, not names on a label.
	Regions = []string{"alpine", "atlantic", "mediterranean", "northern", "eastern", "tropical"}
)

// notEaten are plants that decorate and are not grown for eating, or are poisonous; as
// parts of names, lower case (docs/craft.md, Time and care). The list is a caution, not a proof:
// what is not on it may still not be fit to eat.
var notEaten = []string{"eucalyptus", "ivy", "lily", "lilies", "yew", "holly", "mistletoe", "oleander", "foxglove", "hydrangea", "daffodil", "poinsettia", "florist", "lilac", "laburnum", "hemlock", "wisteria", "painted"}

// NotForEating reports whether a garnish or a prop is known as something that must not
// touch food: by a word of its name or id.
func NotForEating(f *Food) bool {
	if f.Category != Garnish && f.Category != NotFood {
		return false
	}
	words := strings.FieldsFunc(strings.ToLower(f.Name+" "+f.ID), func(r rune) bool { return !unicode.IsLetter(r) })
	return slices.ContainsFunc(words, func(w string) bool {
		return slices.Contains(notEaten, w) || slices.Contains(notEaten, strings.TrimSuffix(w, "s"))
	})
}
