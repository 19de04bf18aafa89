// Package portion says how much guests eat: grams for each kind of food by the occasion and what else there is, what a
// bite is, and which foods everybody wants one of.
package portion

import (
	"maps"
	"math"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/theme"
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

// sweetParts is how a dessert tray shares out what people eat: three fifths of
// the weight of a savoury one, as plates of dessert usually come to, fruit and
// sweets leading. Parts add up to one.
var sweetParts = map[food.Category]float64{food.Sweet: .30, food.Fruit: .34, food.Dip: .10, food.Cracker: .08, food.Nut: .06, food.Dried: .06, food.Cheese: .06}

const sweetWeight = .6

// Meatless tells what becomes of the share of meat.
type Meatless int

const (
	WithMeat    Meatless = iota // meat keeps its share
	StandIn                     // a cold cut without meat takes a third of it
	WithoutMeat                 // nothing takes its place on its own shelf
)

// Shares is the grams of each category for the whole table: by occasion and
// appetite, by how long guests graze and by what else is served. Without meat,
// half of its share moves to cheese and the rest to dips, vegetables and nuts; a
// cold cut without meat keeps a third of it first.
func Shares(b brief.Brief, meat Meatless) map[food.Category]float64 {
	return SharesOf(b, b.Guests.Appetites(), meat)
}

// SharesOf is Shares for some of the guests, by their appetites.
func SharesOf(b brief.Brief, appetites float64, meat Meatless) map[food.Category]float64 {
	out := map[food.Category]float64{}
	per, times := eachOf(b), appetites*Stretch(b)*Alone(b)
	if b.Course == "sweet" {
		all := 0.0
		for _, c := range food.Categories { // in order, so that sums are the same each time
			all += per[c]
		}
		for c, part := range sweetParts {
			out[c] = all * sweetWeight * part * times
		}
		return tilted(out, theme.Tilts(b))
	}
	for c, g := range per {
		out[c] = g * times
	}
	if meat != WithMeat {
		g := out[food.Meat]
		delete(out, food.Meat)
		if meat == StandIn {
			out[food.Meat] = g / 3
			g -= g / 3
		}
		out[food.Cheese] += g / 2
		for _, c := range []food.Category{food.Dip, food.Vegetable, food.Nut} {
			out[c] += g / 6
		}
	}
	if b.Course == "savoury" {
		delete(out, food.Sweet)
	}
	return tilted(out, theme.Tilts(b))
}

// eachOf is the grams of each kind for a grown-up by the occasion, as the house serves them.
func eachOf(b brief.Brief) map[food.Category]float64 {
	usual, own := perAdult[b.For()], b.HouseRules().EachG
	if len(own) == 0 {
		return usual
	}
	out := maps.Clone(usual)
	for c, g := range own {
		if at := perAdult["grazing"][food.Category(c)]; at > 0 {
			out[food.Category(c)] = g * usual[food.Category(c)] / at
		}
	}
	return out
}

// tilted moves shares between categories as the host likes; the whole stays the same.
func tilted(shares map[food.Category]float64, tilt map[string]float64) map[food.Category]float64 {
	if len(tilt) == 0 {
		return shares
	}
	was, is := 0.0, 0.0
	for _, c := range food.Categories {
		g, has := shares[c]
		if !has {
			continue
		}
		was += g
		if t, ok := tilt[string(c)]; ok {
			g *= t
			shares[c] = g
		}
		is += g
	}
	if is <= 0 {
		return shares // everything was tilted away; there is nothing to give its part to
	}
	for c := range shares {
		shares[c] *= was / is
	}
	return shares
}

// MostLift is how much more than usual of the others people eat where a kind is missing.
const MostLift = 1.6

// Stretch is how much more than usual is eaten because of how long the occasion
// lasts: people eat most at first, so half as long again takes a fifth more.
func Stretch(b brief.Brief) float64 {
	return math.Min(1.6, math.Max(.6, math.Pow(b.Lasts()/b.UsualMinutes(), .45)))
}

// Alone is the share of the usual amounts that is eaten beside what else is
// served: less by a fifth beside a few other dishes, by two fifths beside plenty.
func Alone(b brief.Brief) float64 {
	switch b.Besides {
	case "some":
		return .8
	case "plenty":
		return .6
	}
	return 1
}
