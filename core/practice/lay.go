package practice

import (
	"cmp"
	"context"
	"math"
	"slices"
	"strings"

	"happytray/core/brief"
	"happytray/core/edit"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/job"
	"happytray/core/review"
	"happytray/core/round"
	"happytray/core/say"
	"happytray/core/search"
	"happytray/core/tray"
)

// Laying is what came of laying a board by hand, beside the search's own.
type Laying struct {
	Yours  float64  `json:"yours"`  // of the review, 0 to 100
	Search float64  `json:"search"` // the same of the search's board
	Groups []Beside `json:"groups"` // of the review, those that differ most first
	Moves  []Move   `json:"moves"`  // what would have made most of the difference, the largest first
	Laid   *job.Job `json:"laid"`   // the search's board as a tray file
	Over   float64  `json:"over"`   // seconds over the clock
}

// Beside is a group of checks on both boards.
type Beside struct {
	Group  string  `json:"group"`
	Yours  float64 `json:"yours"`  // points, 0 to 100
	Search float64 `json:"search"` // the same
}

// Move is one thing of a board and what it would have won where the search has it.
type Move struct {
	Element string   `json:"element"`
	Gain    float64  `json:"gain"` // points of the total
	Says    say.Text `json:"says"`
}

const (
	// layEffort is how many layouts the search tries for the board that a hand's is held against.
	layEffort = 2
	// layEachS is how long the clock gives for each thing, at the easiest level; less at the harder ones.
	layEachS = 24.0
	// mostMoves are told, of those that are worth leastGain and more.
	mostMoves, leastGain = 5, .4
	// overEachS is how many seconds over the clock cost a point, and mostOver what they cost at most.
	overEachS, mostOver = 6.0, 20.0
)

// lay gives an empty board and what goes on it, and a clock: some more things at each level.
func (m *maker) lay() *Exercise {
	b := brief.Brief{Guests: brief.Guests{Adults: 1 + m.level}, Occasion: []string{"nibble", "grazing"}[m.r.IntN(2)], Month: 1 + m.r.IntN(12)}
	j := m.plannedFor(b)
	j.Title = "Lay it"
	t := j.Trays[0]
	t.Seed = m.r.Uint64() >> 12 // a number that a browser keeps whole
	e := &Exercise{Brief: &b, Tray: t, File: j, Solution: &Solution{Because: []Because{}}}
	things := len(t.Elements)
	e.ClockS = math.Round(layEachS*(1-.08*float64(m.level-1))*float64(things)/30) * 30
	e.Asks = say.That("practice.lay", say.N(things), say.N(b.Guests.Total()), say.Minutes(e.ClockS/60))
	for _, id := range review.CheckIDs() {
		if rule := ruleOf(id); rule != id && handsMatter(id) && !slices.Contains(e.Rules, rule) {
			e.Rules = append(e.Rules, rule)
		}
	}
	if !m.solves {
		return e
	}
	res, err := search.Lay(context.Background(), t.Clone(), m.larder, search.Options{Seed: t.Seed, Effort: layEffort})
	if err != nil {
		panic("practice: " + err.Error()) // our own plan; a test asks for every seed
	}
	e.Solution.Laid = &job.Job{Title: j.Title, Brief: b, Trays: []*tray.Tray{res.Tray}}
	e.Solution.Score = round.Tenth(res.Score)
	return e
}

// handsMatter reports whether a check says something of how a board is laid, rather than of what is on it.
func handsMatter(check string) bool {
	group, _, _ := strings.Cut(check, ".")
	return slices.Contains([]string{"fit", "colour", "spread", "flow", "pairs", "height"}, group) || slices.Contains([]string{"service.cutroom", "service.reach", "care.wetdry", "care.roll"}, check)
}

// taken is the board of an answer: the exercise's own, with what the hand made of its things. Whatever the answer says of the
// guests, of the rules or of the board is not looked at.
func (e *Exercise) taken(a Answer, larder *food.Larder) (*tray.Tray, error) {
	if len(a.Laid) == 0 {
		return nil, fault.Bad("answer.laid", "should be the board as it was laid")
	}
	file, err := job.Read(a.Laid, larder)
	if err != nil {
		return nil, fault.In("answer.laid", err)
	}
	if len(file.Trays) != 1 || file.Trays[0].Board == nil {
		return nil, fault.Bad("answer.laid", "should be one board as it was laid")
	}
	mine, theirs := e.Tray.Clone(), file.Trays[0]
	mine.Elements, mine.Vessels, mine.Reserve = theirs.Elements, theirs.Vessels, theirs.Reserve
	for i := range mine.Elements {
		mine.Elements[i].Locked = false
	}
	if err := mine.Check(larder); err != nil {
		return nil, err
	}
	was, is := gramsOf(e.Tray), gramsOf(mine)
	for id, g := range was {
		if math.Abs(is[id]-g) > 2+.02*g {
			return nil, fault.Bad("answer.laid", "has other food on it than the exercise; reload it")
		}
	}
	if len(is) != len(was) {
		return nil, fault.Bad("answer.laid", "has other food on it than the exercise; reload it")
	}
	return mine, nil
}

// gramsOf is how much there is of each food, laid, waiting or held back.
func gramsOf(t *tray.Tray) map[string]float64 {
	out := map[string]float64{}
	for i := range t.Elements {
		if t.Elements[i].Category != food.NotFood {
			out[t.Elements[i].Food] += t.Elements[i].Grams
		}
	}
	for _, r := range t.Reserve {
		out[r.Food] += r.Grams
	}
	return out
}

// markLaid holds a board beside the search's own: the share of its points that were reached, less what the clock says.
func (e *Exercise) markLaid(a Answer, out *Mark) error {
	larder := e.larder
	mine, err := e.taken(a, larder)
	if err != nil {
		return err
	}
	best := e.Solution.Laid.Trays[0]
	yours, theirs := review.Judge(mine, larder), review.Judge(best, larder)
	l := &Laying{Yours: round.Tenth(yours.Score), Search: round.Tenth(theirs.Score), Laid: e.Solution.Laid, Over: math.Max(0, math.Round(a.Seconds-e.ClockS)), Groups: []Beside{}, Moves: []Move{}}
	for g, v := range theirs.Groups {
		l.Groups = append(l.Groups, Beside{g, round.Tenth(yours.Groups[g]), round.Tenth(v)})
	}
	slices.SortFunc(l.Groups, func(x, y Beside) int {
		return cmp.Or(cmp.Compare(y.Search-y.Yours, x.Search-x.Yours), strings.Compare(x.Group, y.Group))
	})
	l.Moves = e.moves(mine, best, yours.Score)
	out.Laying = l
	out.Points = 100*math.Min(1, yours.Score/math.Max(1, theirs.Score)) - math.Min(mostOver, l.Over/overEachS)
	out.Points = math.Max(0, out.Points)
	of := scoresOf(yours)
	for id, v := range scoresOf(theirs) {
		rule := ruleOf(id)
		if !slices.Contains(e.Rules, rule) {
			continue
		}
		short := v - of[id]
		g := 4 - b2i(short > .05) - b2i(short > .2) - b2i(short > .4)
		if was, met := out.Grades[rule]; !met || g < was {
			out.Grades[rule] = g
		}
	}
	return nil
}

// scoresOf are the checks of a review that apply, 0 to 1.
func scoresOf(r review.Review) map[string]float64 {
	out := map[string]float64{}
	for _, c := range r.Checks {
		out[c.ID] = c.Score
	}
	return out
}

// moves are the things that lie elsewhere on the search's board, each put where it is there while all else makes room, by how
// much that alone wins.
func (e *Exercise) moves(mine, best *tray.Tray, score float64) []Move {
	out := []Move{}
	for i := range best.Elements {
		to := &best.Elements[i]
		k := slices.IndexFunc(mine.Elements, func(o tray.Element) bool { return o.ID == to.ID })
		if k < 0 || !to.Placed || to.Category == food.NotFood {
			continue
		}
		pose := geom.Pose{X: to.X, Y: to.Y, Turn: to.TurnDeg}
		was := &mine.Elements[k]
		if was.Placed && math.Hypot(was.X-to.X, was.Y-to.Y) < movedMM {
			continue
		}
		res, err := edit.Apply(context.Background(), mine, e.larder, edit.Command{Kind: edit.Move, IDs: []string{to.ID}, To: &pose})
		if err != nil || slices.Contains(res.Lifted, to.ID) {
			continue
		}
		gain := review.Judge(res.Tray, e.larder).Score - score
		if gain < leastGain {
			continue
		}
		f, _ := e.larder.Get(to.Food)
		code := "practice.lay.move"
		if !was.Placed {
			code = "practice.lay.left"
		}
		out = append(out, Move{Element: to.ID, Gain: round.Tenth(gain), Says: say.That(code, say.Food(f.Name))})
	}
	slices.SortStableFunc(out, func(x, y Move) int { return cmp.Or(cmp.Compare(y.Gain, x.Gain), strings.Compare(x.Element, y.Element)) })
	return out[:min(len(out), mostMoves)]
}

// movedMM is how far apart two places of a thing are before they are told apart.
const movedMM = 40.0
