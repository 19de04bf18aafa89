package practice

import (
	"encoding/json"
	"math"
	"slices"

	"happytray/core/fault"
	"happytray/core/geom"
	"happytray/core/round"
	"happytray/core/say"
	"happytray/core/tray"
)

// Answer is what somebody made of an exercise; only what its kind asks for counts.
type Answer struct {
	Taps    []geom.Point     `json:"taps,omitempty"`    // find: board coordinates, mm
	Chosen  []string         `json:"chosen,omitempty"`  // choices
	Order   []string         `json:"order,omitempty"`   // of the choices
	Guesses map[string]Range `json:"guesses,omitempty"` // amount: by question
	Laid    json.RawMessage  `json:"laid,omitempty"`    // lay: the board as the hand laid it, as a tray file
	Seconds float64          `json:"seconds,omitempty"` // lay: for how long it was laid, 0 to a day
}

// Range is a guess: the truth lies in it, the guesser would bet four to one.
type Range struct {
	Low  float64 `json:"low"`  // above 0, in the unit of the question
	High float64 `json:"high"` // Low and more, in the same
}

// Mark is how near an answer came.
type Mark struct {
	Points   float64        `json:"points"`           // 0 to 100
	Found    []int          `json:"found"`            // find: of the faults, in the order of the solution
	Alarms   []int          `json:"alarms"`           // find: taps that hit none
	Wrong    []string       `json:"wrong"`            // choices that are not right, and those of order that come too early
	Missed   []string       `json:"missed"`           // choices that were right
	Within   map[string]int `json:"within"`           // amount: 1 where the truth lay in the range
	Loss     float64        `json:"loss"`             // amount: the mean interval score of the logarithms, 0 is best
	Grades   map[string]int `json:"grades"`           // by rule: 1 forgotten, 2 hard, 3 good, 4 easy
	Laying   *Laying        `json:"laying,omitempty"` // lay: beside the search's own
	Solution Solution       `json:"solution"`         // of the exercise
	Says     say.Text       `json:"says"`             // in a line
}

// most that an answer may hold: whoever taps ten thousand times has not looked
const mostTaps, mostListed = 60, 40

// tapMM is how near a fault that is about no single thing is tapped.
const tapMM = 60.0

// Check bounds an answer that came from outside.
func (a Answer) Check() error {
	if len(a.Taps) > mostTaps {
		return fault.Bad("answer.taps", "are %d; tap what is wrong, %d times at most", len(a.Taps), mostTaps)
	}
	if len(a.Chosen) > mostListed || len(a.Order) > mostListed || len(a.Guesses) > mostListed {
		return fault.Bad("answer", "names more than there is to choose")
	}
	if !(a.Seconds >= 0 && a.Seconds <= 86400) {
		return fault.Bad("answer.seconds", "should be between 0 and a day")
	}
	for _, t := range a.Taps {
		if !(math.Abs(t.X) < 1e5 && math.Abs(t.Y) < 1e5) {
			return fault.Bad("answer.taps", "should lie on the board")
		}
	}
	for id, g := range a.Guesses {
		if !(g.Low > 0 && g.High >= g.Low && g.High < 1e9) {
			return fault.Bad("answer.guesses."+id, "wants a low and a high number above 0, the low one first")
		}
	}
	return nil
}

// Mark judges an answer to the exercise.
func (e *Exercise) Mark(a Answer) (Mark, error) {
	if err := a.Check(); err != nil {
		return Mark{}, err
	}
	out := Mark{Found: []int{}, Alarms: []int{}, Wrong: []string{}, Missed: []string{}, Within: map[string]int{}, Grades: map[string]int{}, Solution: *e.Solution}
	switch e.Kind {
	case "find":
		e.markFound(a, &out)
	case "amount":
		e.markGuesses(a, &out)
		return out.said(), nil
	case "order", "save":
		if err := e.markOrder(a, &out); err != nil {
			return Mark{}, err
		}
	case "lay":
		if err := e.markLaid(a, &out); err != nil {
			return Mark{}, err
		}
		return out.said(), nil
	default:
		if err := e.markChosen(a, &out); err != nil {
			return Mark{}, err
		}
	}
	if e.Kind != "find" {
		for _, r := range e.Rules {
			out.Grades[r] = grade(out.Points)
		}
	}
	return out.said(), nil
}

// said puts a mark into a line.
func (m Mark) said() Mark {
	m.Points = round.Tenth(m.Points)
	switch {
	case m.Points >= 99.9:
		m.Says = say.That("practice.mark.all")
	case m.Points >= 70:
		m.Says = say.That("practice.mark.good")
	case m.Points >= 40:
		m.Says = say.That("practice.mark.half")
	default:
		m.Says = say.That("practice.mark.again")
	}
	return m
}

// grade is how well a rule was known, as spaced repetition has it.
func grade(points float64) int {
	switch {
	case points >= 95:
		return 4
	case points >= 70:
		return 3
	case points >= 40:
		return 2
	}
	return 1
}

// falseAlarm is what a tap costs that hits no fault, as a share of one that does.
const falseAlarm = .5

// markFound matches taps to faults: a tap on a thing of the fault, or by its spot where it is about none; each fault once.
func (e *Exercise) markFound(a Answer, out *Mark) {
	hit := make([]bool, len(e.Solution.Faults))
	for n, tap := range a.Taps {
		on := under(e.Tray, tap)
		best := -1
		for k, f := range e.Solution.Faults {
			if hits(e.Tray, f, on, tap) && (best < 0 || hit[best] && !hit[k]) {
				best = k
			}
		}
		switch {
		case best < 0:
			out.Alarms = append(out.Alarms, n)
		default:
			hit[best] = true
		}
	}
	for k := range hit {
		if hit[k] {
			out.Found = append(out.Found, k)
		}
	}
	all := float64(len(hit))
	out.Points = 100 * math.Max(0, (float64(len(out.Found))-falseAlarm*float64(len(out.Alarms)))/all)
	for k, f := range e.Solution.Faults {
		g := 1
		if hit[k] {
			g = 3 + b2i(len(out.Alarms) == 0)
		}
		if was, met := out.Grades[f.Rule]; !met || g < was {
			out.Grades[f.Rule] = g
		}
	}
}

// hits reports whether a tap on an element, or on none, is one on a fault.
func hits(t *tray.Tray, f Fault, on string, tap geom.Point) bool {
	if slices.Contains(f.Elements, on) && on != "" {
		return true
	}
	switch f.Check {
	case "care.ground": // the board itself, wherever it shows or not
		return on == "" && t.Board.Outline.Contains(tap) || f.At.Dist(tap) < tapMM
	case "fit.gap", "fit.cover":
		return f.At.Dist(tap) < tapMM
	}
	return len(f.Elements) == 0 && f.At.Dist(tap) < tapMM
}

// nearMM is how near a thing is tapped by whoever has broad fingers.
const nearMM = 6.0

// under is the element whose piece lies on top at a point, or the nearest within a finger's breadth; "" where none does.
func under(t *tray.Tray, p geom.Point) string {
	best, z, near := "", math.Inf(-1), nearMM
	for i := range t.Elements {
		e := &t.Elements[i]
		for n := range e.Pieces {
			q := &e.Pieces[n]
			switch box := q.Outline.Bounds().Grow(nearMM); {
			case !box.Contains(p):
			case q.Outline.Contains(p):
				if top := q.ZMM + q.HeightMM + float64(e.Layer); near > 0 || top > z {
					best, z, near = e.ID, top, 0
				}
			case near > 0:
				if d := q.Outline.EdgeDistance(p); d < near {
					best, near = e.ID, d
				}
			}
		}
	}
	return best
}

// sureness is how often the truth should lie in a range: four to one.
const sureness = .8

// markGuesses scores ranges by the interval score (Gneiting & Raftery 2007, Strictly proper scoring rules, eq. 43) of the
// logarithms, so that being a third off counts alike for 30 g and for 3 kg: the width, and 2/(1-sureness) times by how much the
// truth lies outside. Nobody gains by saying a wider or a narrower range than they believe in.
func (e *Exercise) markGuesses(a Answer, out *Mark) {
	points := map[string][]float64{}
	for _, v := range e.Solution.Values {
		g, ok := a.Guesses[v.ID]
		loss := mostLoss
		if ok {
			is, low, high := math.Log(math.Max(1, v.Is)), math.Log(math.Max(1, g.Low)), math.Log(math.Max(1, g.High))
			loss = high - low + 2/(1-sureness)*(math.Max(0, low-is)+math.Max(0, is-high))
			if is >= low-1e-9 && is <= high+1e-9 {
				out.Within[v.ID] = 1
			} else {
				out.Within[v.ID] = 0
			}
		}
		loss = math.Min(mostLoss, loss)
		out.Loss += loss / float64(len(e.Solution.Values))
		for _, k := range guesses {
			if k.id == v.ID {
				points[k.rule] = append(points[k.rule], pointsOf(loss))
			}
		}
		out.Points += pointsOf(loss) / float64(len(e.Solution.Values))
	}
	out.Loss = round.Hundredth(out.Loss)
	for rule, p := range points {
		sum := 0.0
		for _, v := range p {
			sum += v
		}
		out.Grades[rule] = grade(sum / float64(len(p)))
	}
}

// mostLoss is where a guess has no points left: a range from a half to twice the truth costs 1.4.
const mostLoss = 3.0

func pointsOf(loss float64) float64 { return 100 * (1 - loss/mostLoss) }

// markOrder counts the pairs that must not change places and did: all of them kept is 100, half of them, as by chance, none.
func (e *Exercise) markOrder(a Answer, out *Mark) error {
	at := map[string]int{}
	for n, id := range a.Order {
		if !slices.Contains(e.Solution.Order, id) {
			return fault.Bad("answer.order", "%.60q is not part of this exercise; reload it", id)
		}
		at[id] = n
	}
	if len(at) != len(e.Solution.Order) || len(a.Order) != len(at) {
		return fault.Bad("answer.order", "should name each of the %d works once", len(e.Solution.Order))
	}
	right := 0
	for _, p := range e.Solution.Before {
		if at[p[0]] < at[p[1]] {
			right++
		} else if !slices.Contains(out.Wrong, p[1]) {
			out.Wrong = append(out.Wrong, p[1])
		}
	}
	// who shuffles keeps half of the pairs, and knows nothing
	out.Points = 100 * math.Max(0, 2*float64(right)/float64(len(e.Solution.Before))-1)
	return nil
}

// markChosen counts what was chosen rightly, less what was not.
func (e *Exercise) markChosen(a Answer, out *Mark) error {
	right := 0
	for n, id := range a.Chosen {
		if !slices.ContainsFunc(e.Choices, func(c Choice) bool { return c.ID == id }) {
			return fault.Bad("answer.chosen", "%.60q is not part of this exercise; reload it", id)
		}
		switch {
		case slices.Contains(a.Chosen[:n], id):
		case slices.Contains(e.Solution.Right, id):
			right++
		default:
			out.Wrong = append(out.Wrong, id)
		}
	}
	for _, id := range e.Solution.Right {
		if !slices.Contains(a.Chosen, id) {
			out.Missed = append(out.Missed, id)
		}
	}
	out.Points = 100 * math.Max(0, float64(right-len(out.Wrong))/math.Max(1, float64(len(e.Solution.Right))))
	return nil
}
