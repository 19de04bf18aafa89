package food

// LowCarb is the word for a wish: little carbohydrate.
const LowCarb = "low-carb"

// Grams of carbohydrate in 100 g up to which a food is low in it: most food, and what is eaten by the piece, such as
// a cracker or nuts.
const (
	lowCarb       = 10
	lowCarbPieces = 22
)

// LowInCarb reports whether somebody who wants little carbohydrate takes the food.
func (f *Food) LowInCarb() bool {
	if f.Category == Cracker || f.Category == Nut {
		return f.CarbG <= lowCarbPieces
	}
	return f.CarbG <= lowCarb
}

// serving is what a guest takes of a food of a kind, g: the shares of a party by the kinds on it (docs/craft.md,
// Shares), rounded.
var serving = map[Category]float64{Cheese: 20, Meat: 20, Dip: 15, Brined: 20, Fruit: 40, Vegetable: 40, Dried: 10, Nut: 15, Cracker: 15, Sweet: 12, Garnish: 1}

// CarbServingG is about how much carbohydrate is in a serving of the food, g: to choose by, not to dose by.
func (f *Food) CarbServingG() float64 { return f.CarbG * serving[f.Category] / 100 }

// MilkSays is what a cheese is made of, as one says it: cow’s milk, mixed milk, plant-based; "" where that is not known.
func (f *Food) MilkSays() string { return MilkSays(f.Milk) }

// MilkSays is Food.MilkSays of a word of Milks.
func MilkSays(milk string) string {
	switch milk {
	case "", "none":
		return ""
	case "plant":
		return "plant-based"
	case "mixed":
		return "mixed milk"
	}
	return milk + "’s milk"
}
