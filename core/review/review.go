// Package review is the one definition of a good tray. Each check measures one
// thing on the tray, scores it between a bad and a good value, and says what it
// found in plain sentences. The arranger, the live panel, the command line and
// the tests all use it.
package review

import (
	"maps"
	"math"
	"slices"

	"happytray/core/brief"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/round"
	"happytray/core/say"
	"happytray/core/tray"
)

// Groups of checks, in the order they are read, with their weight in the total.
var Groups = []struct {
	Name   string
	Weight float64
}{{"fit", 4}, {"colour", 2.5}, {"spread", 2}, {"flow", 1}, {"pairs", 1.5}, {"height", 1.5}, {"service", 1.25}, {"eaten", .25}, {"care", 1}}

// CheckIDs names the checks, which house rules may move.
func CheckIDs() []string {
	out := make([]string, len(shipped))
	for i, r := range shipped {
		out[i] = r.ID
	}
	return out
}

// CheckRules reports a check that house rules move and that does not exist.
func CheckRules(r brief.Rules) error {
	for _, id := range slices.Sorted(maps.Keys(r.Checks)) {
		if !slices.Contains(CheckIDs(), id) {
			return fault.Bad("checks", "there is no check %.40q; docs/review.md lists them", id)
		}
	}
	return nil
}

// GateScore is the most a tray can score while a gate fails.
const GateScore = 40

// Check is one measured value and what it is worth, 0 to 1.
type Check struct {
	ID    string  `json:"id"`
	Value float64 `json:"value"` // in Unit
	Unit  string  `json:"unit"`
	Score float64 `json:"score"` // 0 to 1
}

// Severities of a finding, worst first.
const (
	Stop = "stop" // a gate fails: the tray cannot go out like this
	Mend = "mend" // worth changing
	Note = "note" // worth knowing
)

// Fix is a move that mends a finding.
type Fix struct {
	Element string   `json:"element"`
	X       float64  `json:"x"` // mm
	Y       float64  `json:"y"` // mm
	TurnDeg float64  `json:"turn_deg"`
	Says    say.Text `json:"says"`
	Gain    float64  `json:"gain"` // points of the total
}

// Change is what mends a finding where one move does not: elements as they then are, and all of the
// reserve.
type Change struct {
	Says     string         `json:"says"`
	Gain     float64        `json:"gain"` // points of the total
	Elements []tray.Element `json:"elements"`
	Reserve  []tray.Reserve `json:"reserve"`
}

// Finding is one thing the review says, with its spot on the board.
type Finding struct {
	Check    string       `json:"check"`
	Severity string       `json:"severity"`
	Elements []string     `json:"elements"`
	At       geom.Point   `json:"at"`              // board coordinates, mm
	Says     string       `json:"says"`            // in English, in mm, g and °C
	Shown    string       `json:"shown,omitempty"` // the same in the units of whom it is shown to, where those are others
	Sentence say.Sentence `json:"sentence"`
	Fix      *Fix         `json:"fix"`
	Places   []Place      `json:"places,omitempty"` // where it is found more than once, the worst first; Elements are those of all
	Mend     *Change      `json:"mend,omitempty"`   // where it was looked for and found
	worth    float64      // for ordering: points lost
}

// Review is the whole judgement.
type Review struct {
	Score    float64            `json:"score"`  // 0 to 100
	Groups   map[string]float64 `json:"groups"` // points, 0 to 100
	Checks   []Check            `json:"checks"`
	Findings []Finding          `json:"findings"`
}

// Judge reviews a tray from scratch.
func Judge(t *tray.Tray, larder *food.Larder) Review { return NewLive(t, larder).Review() }

// leastOfGroup is what a group counts at least in the total.
const leastOfGroup = .05

// total turns check values into scores, groups and the total: the weighted geometric mean of the groups, so that
// what is bad in one of them is not made up for by all that is as it should be in the others; guests see the worst
// first. A check that does not apply (no trail, no pairs) is left out of values.
func total(rules []Rule, values map[string]float64) Review {
	var rev Review
	rev.Groups = map[string]float64{}
	gated := false
	sum, weight := map[string]float64{}, map[string]float64{}
	for i := range rules {
		r := &rules[i]
		v, ok := values[r.ID]
		if !ok {
			continue
		}
		s := r.Score(v)
		if r.Gate && v > 1e-6 {
			gated = true
		}
		rev.Checks = append(rev.Checks, Check{r.ID, round.To(v, 3), r.Unit, round.To(s, 4)})
		sum[r.Group] += s * r.Weight
		weight[r.Group] += r.Weight
	}
	all, w := 0.0, 0.0
	for _, g := range Groups {
		if weight[g.Name] == 0 {
			continue
		}
		s := sum[g.Name] / weight[g.Name]
		rev.Groups[g.Name] = round.To(100*s, 1)
		all += math.Log(math.Max(leastOfGroup, s)) * g.Weight
		w += g.Weight
	}
	if w > 0 {
		rev.Score = 100 * math.Exp(all/w)
	}
	if gated {
		rev.Score = math.Min(rev.Score, GateScore)
	}
	rev.Score = round.To(rev.Score, 2)
	return rev
}

// fullAndFair is the total of the groups that are seen, 0 to 100, leaving out care and service: a tray does not get uglier by a nut
// that a guest may not eat.
func (r Review) fullAndFair() float64 {
	all, w := 0.0, 0.0
	for _, g := range Groups {
		if s, ok := r.Groups[g.Name]; ok && (g.Name == "fit" || looks(g.Name)) {
			all += math.Log(math.Max(leastOfGroup, s/100)) * g.Weight
			w += g.Weight
		}
	}
	if w == 0 {
		return 0
	}
	return 100 * math.Exp(all/w)
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

// ScoreOf is what a check scores, 0 to 1; 1 where it was not measured.
func (r Review) ScoreOf(id string) float64 {
	for _, c := range r.Checks {
		if c.ID == id {
			return c.Score
		}
	}
	return 1
}

// Legal reports whether no gate fails.
func (r Review) Legal() bool { return r.passes("") }

// Fits reports whether everything that is laid lies on the board and in no other thing's
// place, whatever guests avoid.
func (r Review) Fits() bool { return r.passes("fit") }

// passes reports whether no gate of a group, or of all, fails.
func (r Review) passes(group string) bool {
	for _, c := range r.Checks {
		for i := range shipped {
			if s := &shipped[i]; s.ID == c.ID && s.Gate && c.Value > 1e-6 && (group == "" || group == s.Group) {
				return false
			}
		}
	}
	return true
}
