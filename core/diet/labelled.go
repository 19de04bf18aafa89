package diet

import (
	"slices"

	"happytray/core/food"
)

// Labelled is what the label of a food has to say, so that guests who avoid some words may have it: bread and crackers
// without gluten are only for them where they are labelled so, because crumbs are in every mill; "" where the list of
// what is in it is enough.
func Labelled(off []string, f *food.Food) string {
	if f.Category == food.Cracker && slices.Contains(off, "gluten") && !f.Holds("gluten") {
		return "gluten-free"
	}
	return ""
}
