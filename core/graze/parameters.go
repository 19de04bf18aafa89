package graze

import (
	_ "embed"
	"encoding/json"
	"fmt"
	"slices"

	"maps"
)

//go:embed parameters.json
var parametersJSON []byte

// Parameter is one number of the forecast: what it means and where it comes from.
type Parameter struct {
	Name  string  `json:"-"`
	Value float64 `json:"value"` // in its unit
	Unit  string  `json:"unit"`
	Says  string  `json:"says"`
	From  string  `json:"from"`
}

// parameters are what an evening is reckoned with, by the names of parameters.json.
type parameters struct {
	reachEasy, reach, reachMost, reachEase, childReach, stand                     float64
	noTool, uncut, messy, bare, last                                              float64
	hunger, taste, arrive, early                                                  float64
	plate, bite, spoon, cut, instead, strongChild, thin, picked, fed, sweetSpread float64
}

var usual, usualList = readParameters()

// Parameters lists the numbers that evenings are reckoned with, by name.
func Parameters() []Parameter { return slices.Clone(usualList) }

func readParameters() (p parameters, list []Parameter) {
	var named map[string]Parameter
	if err := json.Unmarshal(parametersJSON, &named); err != nil {
		panic(fmt.Sprintf("graze: parameters.json: %v", err)) // it is ours
	}
	into := map[string]*float64{
		"reach_easy_mm": &p.reachEasy, "reach_mm": &p.reach, "reach_most_mm": &p.reachMost, "reach_ease": &p.reachEase, "child_reach": &p.childReach, "stand_mm": &p.stand,
		"no_tool_share": &p.noTool, "uncut_share": &p.uncut, "messy_ease": &p.messy, "bare_ease": &p.bare, "last_share": &p.last,
		"hunger_spread": &p.hunger, "taste_spread": &p.taste, "arrive_share": &p.arrive, "early": &p.early,
		"plate_g": &p.plate, "bite_g": &p.bite, "spoon_g": &p.spoon, "cut_g": &p.cut, "instead": &p.instead, "strong_child": &p.strongChild, "thin_share": &p.thin,
		"picked_over": &p.picked, "fed": &p.fed, "sweet_spread_g": &p.sweetSpread,
	}
	for _, name := range slices.Sorted(maps.Keys(named)) {
		v := named[name]
		v.Name = name
		at, ok := into[name]
		if !ok || v.Says == "" || v.From == "" {
			panic("graze: parameters.json: " + name + " is not known, or says not what it is or where it comes from")
		}
		*at = v.Value
		delete(into, name)
		list = append(list, v)
	}
	if len(into) > 0 {
		panic(fmt.Sprintf("graze: parameters.json lacks %v", slices.Sorted(maps.Keys(into))))
	}
	return p, list
}
