// Package recipe is how some foods are made in the house that others buy: what goes into them, the steps, and how long ahead. Grams,
// prices and minutes are starting values from plain home cooking; what the labels of the parts say decides what such a food holds.
package recipe

import (
	_ "embed"
	"encoding/json"
	"math"
	"slices"

	"happytray/core/brief"
	"happytray/core/round"
)

// Recipe is how a food is made.
type Recipe struct {
	Food    string  `json:"food"`
	Parts   []Part  `json:"parts"`
	Steps   []Step  `json:"steps"`
	AheadH  float64 `json:"ahead_h"` // hours before serving at which it may be made at the earliest
	Tool    string  `json:"tool"`
	Caution string  `json:"caution,omitempty"`
}

// Part is one of the things that go into it.
type Part struct {
	Name       string   `json:"name"`
	Grams      float64  `json:"grams"` // as bought, for 100 g made
	Price      float64  `json:"price"` // minor units for 100 g, as bought
	Allergens  []string `json:"allergens,omitempty"`
	MayContain []string `json:"may_contain,omitempty"`
}

// Step is one thing that is done.
type Step struct {
	Do       string  `json:"do"`       // a word of Doings
	Minutes  float64 `json:"minutes"`  // whatever the amount
	Per100G  float64 `json:"per_100g"` // minutes more for each 100 g made
	ByItself bool    `json:"by_itself,omitempty"`
	OvenC    int     `json:"oven_c,omitempty"` // degrees C that an oven has meanwhile; 0 for none
}

// Doings are the words for what is done in a step.
var Doings = []string{"drain", "blend", "mash", "grate", "drip", "stir", "pluck", "trim", "roast", "cool", "spread", "rub", "chop", "simmer"}

//go:embed recipes.json
var recipesJSON []byte

var known = func() map[string]*Recipe {
	var list []Recipe
	if err := json.Unmarshal(recipesJSON, &list); err != nil {
		panic("recipes.json: " + err.Error())
	}
	out := map[string]*Recipe{}
	for i := range list {
		out[list[i].Food] = &list[i]
	}
	return out
}()

// Of is the recipe of a food, where there is one.
func Of(food string) (*Recipe, bool) {
	r, ok := known[food]
	return r, ok
}

// For is the recipe of a food that a brief wants made in the house.
func For(b brief.Brief, food string) (*Recipe, bool) {
	if !slices.Contains(b.Makes, food) {
		return nil, false
	}
	return Of(food)
}

// Amount is how much of a part is bought for what is made, and what it costs.
type Amount struct {
	Name  string  `json:"name"`
	Grams float64 `json:"grams"` // as bought
	Cost  int     `json:"cost"`  // minor units
}

// Bought scales the parts to so many grams made. Water is bought nowhere.
func (r *Recipe) Bought(made float64) (out []Amount) {
	for _, p := range r.Parts {
		if g := p.Grams * made / 100; p.Price > 0 && g > 0 {
			out = append(out, Amount{p.Name, round.Tenth(g), int(math.Ceil(g * p.Price / 100))})
		}
	}
	return out
}

// Names are what goes into it, in its order.
func (r *Recipe) Names() (out []string) {
	for _, p := range r.Parts {
		if p.Price > 0 {
			out = append(out, p.Name)
		}
	}
	return out
}
