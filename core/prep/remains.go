package prep

import (
	"fmt"
	"math"
	"slices"

	"happytray/core/food"
	"happytray/core/say"
)

// Advice is what is usually done with what came home of a food.
type Advice struct {
	Food  string  `json:"food"`
	Grams float64 `json:"grams"`
	Do    string  `json:"do"`   // keep, freeze, cook or throw away
	Days  int     `json:"days"` // that it keeps from the evening on; 0 for what is thrown away
	Says  string  `json:"says"`
}

// What can be done with remains.
const (
	Keep      = "keep"
	Freeze    = "freeze"
	Cook      = "cook"
	ThrowAway = "throw away"
)

// freezes are categories that bear freezing without losing what they are.
var freezes = map[food.Category]bool{food.Cracker: true}

// leastWorth is what is worth a box, g.
const leastWorth = 15.0

// AdviseOn says what to do with grams of a food that came home after it stood out for minutes, where hold is how long
// perishable food may (craft.Hold). Days are those that it keeps once opened, a day less for having stood, two at most
// for what is cut and juicy. It is the usual caution, no licence: local food rules come first.
func AdviseOn(f *food.Food, grams, stood, hold float64) Advice {
	out := Advice{Food: f.ID, Grams: math.Round(grams)}
	perishes := f.Needs(food.Perishable)
	switch {
	case perishes && stood > hold:
		out.Do, out.Says = ThrowAway, fmt.Sprintf("It stood out for %s, and what perishes may for %s: throw it away, however good it looks.", say.Hours(stood), say.Hours(hold))
	case grams < leastWorth:
		out.Do, out.Says = ThrowAway, "Not worth a box."
	case f.Wetness == food.Juicy || f.Wetness == food.Runny && perishes:
		out.Do, out.Days, out.Says = Cook, 1, "Cut and juicy: today or tomorrow, in a compote, a salad or a soup."
	case perishes:
		out.Do, out.Days = Keep, max(1, min(f.KeepsDays, 14)-1)
		out.Says = fmt.Sprintf("Cold and covered, within %s.", say.Count(out.Days, "day"))
		if f.Category == food.Cheese && (f.Firmness == "hard" || f.Firmness == "firm") {
			out.Do, out.Says = Cook, fmt.Sprintf("Wrapped and cold within %s; what is cut small melts well over something.", say.Count(out.Days, "day"))
		}
	case freezes[f.Category] && f.Wetness != food.Crisp:
		out.Do, out.Days, out.Says = Freeze, 30, "Bread freezes well; toast it from frozen."
	case f.Needs(food.Cold) || slices.Contains([]food.Category{food.Fruit, food.Vegetable, food.Brined, food.Dip}, f.Category):
		out.Do, out.Days = Keep, max(1, f.KeepsDays)
		out.Says = fmt.Sprintf("Cold and covered, good for about %s.", say.Count(out.Days, "day"))
	default:
		out.Do, out.Days = Keep, max(1, f.KeepsDays)
		out.Says = fmt.Sprintf("Closed and dry, good for about %s.", say.Count(out.Days, "day"))
	}
	return out
}
