package review

import (
	_ "embed"
	"encoding/json"
	"math"

	"happytray/core/brief"
)

// Rule is one check's row of data: how its value is scored and what it weighs
// inside its group. House rules may move it.
type Rule struct {
	ID     string   `json:"id"`
	Group  string   `json:"group"`
	Unit   string   `json:"unit"`
	Good   float64  `json:"good"`             // the value that scores 1
	Bad    float64  `json:"bad"`              // the value that scores 0; straight between
	Enough *float64 `json:"enough,omitempty"` // the value from which on only what is glaring is said of it; nil for nearly all of its score
	Weight float64  `json:"weight"`           // 0 and up; only its proportion to the others of the group counts
	Gate   bool     `json:"gate,omitempty"`   // while it fails the total cannot exceed GateScore
	Name   string   `json:"name"`
	About  string   `json:"about"` // what is measured, in a sentence or two
}

// Score is what a measured value is worth, from 0 to 1.
func (r *Rule) Score(v float64) float64 {
	return math.Max(0, math.Min(1, (v-r.Bad)/(r.Good-r.Bad)))
}

// enough reports whether a measured value is so good that only what is glaring is said of it.
func (r *Rule) enough(v float64) bool {
	if r.Enough == nil {
		return r.Score(v) >= wellEnough
	}
	return (v-*r.Enough)*(r.Good-r.Bad) >= 0
}

//go:embed checks.json
var checksJSON []byte

// shipped holds every check's thresholds as they come (docs/review.md).
var shipped = func() (rules []Rule) {
	if err := json.Unmarshal(checksJSON, &rules); err != nil {
		panic("checks.json: " + err.Error())
	}
	return rules
}()

// Rules lists every check as it is judged in a house: the shipped thresholds, moved
// by the schools the house follows and then by what it sets itself.
func Rules(house brief.Rules) []Rule {
	rules := append([]Rule(nil), shipped...)
	set := func(id string, good, bad float64) {
		for i := range rules {
			if rules[i].ID == id {
				rules[i].Good, rules[i].Bad, rules[i].Enough = good, bad, nil
			}
		}
	}
	if house.Gaps == "airy" { // a little air left (docs/craft.md, Schools)
		set("fit.cover", .82, .55)
		set("fit.gap", 36, 80)
	}
	for i := range rules {
		r := &rules[i]
		own, ok := house.Checks[r.ID]
		if !ok {
			continue
		}
		if own.Good != nil {
			r.Good, r.Enough = *own.Good, nil
		}
		if own.Bad != nil {
			r.Bad, r.Enough = *own.Bad, nil
		}
		if own.Weight != nil {
			r.Weight = *own.Weight
		}
		if r.Good == r.Bad || r.Gate { // nothing lies between; and gates stay as they are
			r.Good, r.Bad, r.Enough = shipped[i].Good, shipped[i].Bad, shipped[i].Enough
		}
	}
	return rules
}
