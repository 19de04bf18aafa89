package prep

import (
	"math"

	"happytray/core/food"
	"happytray/core/say"
)

// Advice is what is usually done with what came home of a food.
type Advice struct {
	Food  string   `json:"food"`
	Grams float64  `json:"grams"`
	Do    string   `json:"do"`   // keep, freeze, cook or throw away
	Days  int      `json:"days"` // that it keeps from the evening on; 0 for what is thrown away
	Says  say.Text `json:"says"`
}

// What can be done with remains.
const (
	Keep      = "keep"
	Freeze    = "freeze"
	Cook      = "cook"
	ThrowAway = "throw away"
)

// leastWorth is what is worth a box, g.
const leastWorth = 15.0

// mostDays bounds how long what has stood among guests is kept, by category, whatever a pack that was only opened would
// do: cut produce two days (docs/craft.md, Afterwards: cut fruit a day), what was dipped or fished in a few, dry things a
// month. Estimates on the careful side.
var mostDays = map[food.Category]int{food.Fruit: 2, food.Vegetable: 2, food.Brined: 5, food.Dip: 7, food.Nut: 30, food.Dried: 30, food.Cracker: 14, food.Sweet: 30}

// usualDays holds for what is not listed: cheese and cold cuts.
const usualDays = 7

// AdviseOn says what to do with grams of a food that came home after it stood out for minutes, where hold is for how long
// it may have and still be kept (safety.MayGoBack). Days are those that it keeps once opened, a day less where it perishes, and never
// more than mostDays. It is the usual caution, no licence: local food rules come first.
func AdviseOn(f *food.Food, grams, stood, hold float64) Advice {
	out := Advice{Food: f.ID, Grams: math.Round(grams)}
	perishes := f.Needs(food.Perishable)
	most, ok := mostDays[f.Category]
	if !ok {
		most = usualDays
	}
	days := max(1, min(f.KeepsDays, most))
	switch {
	case perishes && hold == 0 && stood > 0:
		out.Do, out.Says = ThrowAway, say.That("home.once")
	case perishes && stood > hold:
		out.Do, out.Says = ThrowAway, say.That("home.thrown", say.Minutes(stood), say.Minutes(hold))
	case grams < leastWorth:
		out.Do, out.Says = ThrowAway, say.That("home.little")
	case f.Wetness == food.Juicy || f.Wetness == food.Runny && perishes:
		out.Do, out.Days, out.Says = Cook, 1, say.That("home.juicy")
	case perishes:
		out.Do, out.Days = Keep, max(1, days-1)
		out.Says = say.That("home.cold", say.N(out.Days))
		if f.Category == food.Cheese && (f.Firmness == "hard" || f.Firmness == "firm") {
			out.Do, out.Says = Cook, say.That("home.cheese", say.N(out.Days))
		}
	case f.Category == food.Cracker && f.Wetness != food.Crisp:
		out.Do, out.Days, out.Says = Freeze, 30, say.That("home.bread")
	case f.Needs(food.Cold) || f.Category == food.Fruit || f.Category == food.Vegetable || f.Category == food.Brined:
		out.Do, out.Days = Keep, days
		out.Says = say.That("home.cold", say.N(days))
	default:
		out.Do, out.Days = Keep, days
		out.Says = say.That("home.dry", say.N(days))
	}
	return out
}
