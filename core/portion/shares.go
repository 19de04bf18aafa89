// Package portion turns a brief and a choice of foods into amounts: grams by
// category, whole pieces in groups, packs, money, and what is held in reserve
// when the board cannot carry it.
package portion

import (
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/pick"
)

// Grams per adult by occasion, before spreading over the chosen foods (craft
// section 7). A child counts as half an adult.
var perAdult = map[string]map[food.Category]float64{
	"nibble": {food.Cheese: 40, food.Meat: 30, food.Cracker: 25, food.Fruit: 26, food.Vegetable: 14, food.Brined: 15,
		food.Dip: 15, food.Nut: 12, food.Dried: 8, food.Sweet: 6},
	"grazing": {food.Cheese: 60, food.Meat: 50, food.Cracker: 40, food.Fruit: 43, food.Vegetable: 22, food.Brined: 25,
		food.Dip: 22, food.Nut: 20, food.Dried: 12, food.Sweet: 12},
	"meal": {food.Cheese: 95, food.Meat: 80, food.Cracker: 70, food.Fruit: 72, food.Vegetable: 38, food.Brined: 35,
		food.Dip: 35, food.Nut: 25, food.Dried: 18, food.Sweet: 20},
}

// Shares is the grams of each category for the whole table. Without meat, half
// of its share moves to cheese and the rest to dips, vegetables and nuts.
func Shares(b brief.Brief, meat bool) map[food.Category]float64 {
	out := map[food.Category]float64{}
	per := perAdult[b.For()]
	for c, g := range per {
		out[c] = g * b.Guests.Appetites()
	}
	if !meat {
		g := out[food.Meat]
		delete(out, food.Meat)
		out[food.Cheese] += g / 2
		for _, c := range []food.Category{food.Dip, food.Vegetable, food.Nut} {
			out[c] += g / 6
		}
	}
	return out
}

// Amount is how much of one chosen food the table gets.
type Amount struct {
	pick.Choice
	Grams float64
	Why   string
}

// Amounts spreads the shares over the chosen foods by liking. A category that
// nothing was chosen from gives its share to the others in proportion.
func Amounts(b brief.Brief, chosen []pick.Choice) []Amount {
	weight, meat := map[food.Category]float64{}, false
	for _, c := range chosen {
		weight[c.Food.Category] += pull(c)
		meat = meat || c.Food.Category == food.Meat
	}
	shares := Shares(b, meat)
	have, all := 0.0, 0.0
	for c, g := range shares {
		all += g
		if weight[c] > 0 {
			have += g
		}
	}
	lift := 1.0
	if have > 0 {
		lift = min(1.6, all/have) // never more than half again of what people usually eat of it
	}
	var out []Amount
	for _, c := range chosen {
		a := Amount{Choice: c}
		f := c.Food
		spec, _ := f.Spec(c.Form)
		switch {
		case c.Grams > 0:
			a.Grams, a.Why = c.Grams, "as the brief says"
		case f.Category == food.Garnish:
			a.Grams = spec.MassG * float64(max(3, min(15, 3+b.Guests.Total()/4)))
			a.Why = "a few, apart, where the tray looks bland"
		case c.Form == "topping":
			a.Grams, a.Why = 2*spec.MassG, "a spoon or two, on what it suits"
		case f.Category == food.NotFood:
			a.Grams, a.Why = spec.MassG, "it is not eaten"
		default:
			a.Grams = shares[f.Category] * lift * pull(c) / weight[f.Category]
			a.Why = "its share of the " + string(f.Category) + " by how well it is liked"
			if crowd := spec.MassG * b.Guests.Appetites(); f.Liking >= .85 && !oneByOne(spec) && a.Grams < crowd {
				a.Grams, a.Why = crowd, "one for every guest, because everybody wants it"
			}
		}
		out = append(out, a)
	}
	return out
}

// pull is a food's weight in its category: its liking, and twice that for what
// is laid as a trail, which must be long to lead the eye.
func pull(c pick.Choice) float64 {
	if c.Form == "trail" {
		return 2 * c.Food.Liking
	}
	return c.Food.Liking
}

// oneByOne is false for foods where a piece is a bite, true where a piece feeds many.
func oneByOne(s food.Spec) bool {
	return s.Form == "whole" || food.InVessel(s.Form) || s.Form == "rosette" || s.MassG > 40
}
