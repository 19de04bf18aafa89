package board

import "math"

// Guests is about how many guests a board's usable area carries for a nibble
// before a meal: 230 cm2 each for a few, falling to 180 where many share corners
// (docs/craft.md, Boards: 180 to 250, a little less as groups grow).
func (b Board) Guests() int {
	cm2 := b.UsableMM2() / 100
	few, many := cm2/230, cm2/180
	t := math.Min(1, math.Max(0, (few-6)/24))
	return max(1, int(math.Round(few+(many-few)*t)))
}

// Asks says what a board wants before food is laid on it, in plain sentences.
func (b Board) Asks() []string {
	out := []string{}
	if !b.FoodSafe && b.Liner == "" {
		out = append(out, "This surface is not known to be fit for food. Give it a food-grade liner; its colour then counts.")
	}
	if b.Material == "glass" || b.Material == "slate" {
		out = append(out, "Hard on blades: cut beside it, or keep what is cut on a small board of its own.")
	}
	return out
}
