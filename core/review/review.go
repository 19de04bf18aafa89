// Package review is the one definition of a good tray. Each check measures one
// thing on the tray, scores it between a bad and a good value, and says what it
// found in plain sentences. The arranger, the live panel, the command line and
// the tests all use it.
package review

import (
	"math"
	"sort"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/tray"
)

// Groups of checks, in the order they are read, with their weight in the total.
var Groups = []struct {
	Name   string
	Weight float64
}{{"fit", 3}, {"colour", 2}, {"spread", 2}, {"flow", 1}, {"pairs", 1}, {"height", 1}, {"service", 1.5}, {"care", 2}}

// GateScore is the most a tray can score while a gate fails.
const GateScore = 40

// Ramp scores a value: 1 at Good, 0 at Bad, straight between.
type Ramp struct{ Good, Bad float64 }

// Score is the ramp's value at v, from 0 to 1.
func (r Ramp) Score(v float64) float64 {
	return math.Max(0, math.Min(1, (v-r.Bad)/(r.Good-r.Bad)))
}

// rule is one check's row of data.
type rule struct {
	id, group, unit string
	ramp            Ramp
	weight          float64 // inside its group
	gate            bool
}

// rules holds every check's thresholds (design section 4). House rules may move
// them; they are data, not code.
var rules = []rule{
	{"fit.inside", "fit", "mm2", Ramp{0, 400}, 1, true},
	{"fit.overlap", "fit", "mm", Ramp{0, 12}, 1, true},
	{"fit.cover", "fit", "share", Ramp{.95, .70}, 2, false},
	{"fit.gap", "fit", "mm", Ramp{22, 60}, 1.5, false},
	{"fit.placed", "fit", "share", Ramp{1, .5}, 1.5, false},
	{"colour.neighbour", "colour", "dE00", Ramp{20, 8}, 2, false},
	{"colour.ground", "colour", "dE00", Ramp{12, 5}, 1, false},
	{"colour.spread", "colour", "share", Ramp{.18, .50}, 1, false},
	{"spread.category", "spread", "share", Ramp{.15, .45}, 1, false},
	{"spread.weight", "spread", "share", Ramp{.15, .45}, 1, false},
	{"spread.kind", "spread", "share", Ramp{0, .4}, 1, false},
	{"flow.span", "flow", "share", Ramp{.75, .3}, 1, false},
	{"pairs.near", "pairs", "mm", Ramp{60, 250}, 1, false},
	{"service.cutroom", "service", "share", Ramp{1, .4}, 1, false},
	{"care.wetdry", "care", "places", Ramp{0, 4}, 1, false},
	{"care.roll", "care", "pieces", Ramp{0, 8}, 1, false},
	{"care.allergen", "care", "elements", Ramp{0, 1}, 1, true},
	{"care.ground", "care", "surfaces", Ramp{0, 1}, 1, false},
	{"care.child", "care", "foods", Ramp{0, 6}, .5, false},
}

// Check is one measured value and what it is worth, 0 to 1.
type Check struct {
	ID    string  `json:"id"`
	Value float64 `json:"value"`
	Unit  string  `json:"unit"`
	Score float64 `json:"score"`
}

// Severities of a finding, worst first.
const (
	Stop = "stop" // a gate fails: the tray cannot go out like this
	Mend = "mend" // worth changing
	Note = "note" // worth knowing
)

// Fix is a move that mends a finding.
type Fix struct {
	Element string  `json:"element"`
	X       float64 `json:"x"`
	Y       float64 `json:"y"`
	TurnDeg float64 `json:"turn_deg"`
	Says    string  `json:"says"`
	Gain    float64 `json:"gain"` // points of the total
}

// Finding is one thing the review says, with its spot on the board.
type Finding struct {
	Check    string     `json:"check"`
	Severity string     `json:"severity"`
	Elements []string   `json:"elements"`
	At       geom.Point `json:"at"`
	Says     string     `json:"says"`
	Fix      *Fix       `json:"fix"`
	worth    float64    // for ordering: points lost
}

// Review is the whole judgement.
type Review struct {
	Score    float64            `json:"score"` // 0 to 100
	Groups   map[string]float64 `json:"groups"`
	Checks   []Check            `json:"checks"`
	Findings []Finding          `json:"findings"`
}

// Of reviews a tray from scratch.
func Of(t *tray.Tray, larder *food.Larder) Review { return NewLive(t, larder).Review() }

// total turns check values into scores, groups and the total. A check that does
// not apply (no trail, no pairs) is left out of values.
func total(values map[string]float64) (Review, bool) {
	var rev Review
	rev.Groups = map[string]float64{}
	gated := false
	sum, weight := map[string]float64{}, map[string]float64{}
	for _, r := range rules {
		v, ok := values[r.id]
		if !ok {
			continue
		}
		s := r.ramp.Score(v)
		if r.gate && v > 1e-6 {
			gated = true
		}
		rev.Checks = append(rev.Checks, Check{r.id, round(v, 3), r.unit, round(s, 4)})
		sum[r.group] += s * r.weight
		weight[r.group] += r.weight
	}
	all, w := 0.0, 0.0
	for _, g := range Groups {
		if weight[g.Name] == 0 {
			continue
		}
		s := sum[g.Name] / weight[g.Name]
		rev.Groups[g.Name] = round(100*s, 1)
		all += s * g.Weight
		w += g.Weight
	}
	if w > 0 {
		rev.Score = 100 * all / w
	}
	if gated {
		rev.Score = math.Min(rev.Score, GateScore)
	}
	rev.Score = round(rev.Score, 2)
	return rev, gated
}

func round(v float64, digits int) float64 {
	k := math.Pow(10, float64(digits))
	return math.Round(v*k) / k
}

var severityOrder = map[string]int{Stop: 0, Mend: 1, Note: 2}

func sortFindings(fs []Finding) {
	sort.SliceStable(fs, func(i, j int) bool {
		a, b := fs[i], fs[j]
		if a.Severity != b.Severity {
			return severityOrder[a.Severity] < severityOrder[b.Severity]
		}
		if a.worth != b.worth {
			return a.worth > b.worth
		}
		return a.Check < b.Check
	})
}

// Value finds a check's measured value; ok is false when it was not measured.
func (r Review) Value(id string) (v float64, ok bool) {
	for _, c := range r.Checks {
		if c.ID == id {
			return c.Value, true
		}
	}
	return 0, false
}

// Legal reports whether no gate fails.
func (r Review) Legal() bool {
	for _, c := range r.Checks {
		for _, ru := range rules {
			if ru.id == c.ID && ru.gate && c.Value > 1e-6 {
				return false
			}
		}
	}
	return true
}
