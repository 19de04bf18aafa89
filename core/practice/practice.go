// Package practice makes exercises of the craft from the product's own engine, without end and the same for a seed: faults to
// find on a laid tray, amounts to guess, work to put in order, pairs, diets, knives, seasons, boards and hours to know. What is
// right is what the plan, the schedule, the review and the larder say; nothing is kept in a second place. Marking says how
// near an answer came and how well each rule of the craft was known.
package practice

import (
	"hash/fnv"
	"math/rand/v2"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/job"
	"happytray/core/say"
	"happytray/core/tray"
)

// Kinds are the kinds of exercises, in the order in which a newcomer meets them.
var Kinds = []string{"find", "amount", "lay", "order", "pair", "diet", "tool", "season", "board", "cost", "keep", "clock", "save", "why"}

// MostLevel is the hardest level; 1 is the easiest.
const MostLevel = 6

// Exercise is one task. It follows from its kind, seed and level alone.
type Exercise struct {
	Kind     string       `json:"kind"`
	Seed     uint64       `json:"seed"`               // any, 0 and up
	Level    int          `json:"level"`              // 1 to MostLevel
	Rules    []string     `json:"rules"`              // of the path (Path), which it trains
	Asks     say.Text     `json:"asks"`               // what is to be done
	Brief    *brief.Brief `json:"brief,omitempty"`    // for whom
	Tray     *tray.Tray   `json:"-"`                  // find, lay: as it is laid, or waits to be
	File     *job.Job     `json:"tray,omitempty"`     // the same as a tray file
	ClockS   float64      `json:"clock_s,omitempty"`  // lay: for how long the clock runs, seconds
	Choices  []Choice     `json:"choices,omitempty"`  // to choose from, or to put in order
	Guesses  []Question   `json:"guesses,omitempty"`  // amount: numbers to guess
	Pick     int          `json:"pick,omitempty"`     // how many of the choices are right; 0 where that is not told
	Solution *Solution    `json:"solution,omitempty"` // left out where somebody still works on it

	larder *food.Larder
}

// Choice is one thing to choose.
type Choice struct {
	ID   string   `json:"id"`
	Says say.Text `json:"says"`
	Food string   `json:"food,omitempty"` // its id, where it is a food
	Form string   `json:"form,omitempty"`
}

// Question asks for a number.
type Question struct {
	ID   string   `json:"id"`
	Asks say.Text `json:"asks"`
	Unit string   `json:"unit"` // g, cm2, pieces, kinds, minutes, money
}

// Solution is what is right.
type Solution struct {
	Faults  []Fault     `json:"faults,omitempty"` // find: what was planted
	Order   []string    `json:"order,omitempty"`  // order: one that is right
	Before  [][2]string `json:"before,omitempty"` // order: of each pair the first must come before the second; what is in none may lie anywhere
	Right   []string    `json:"right,omitempty"`  // choices
	Values  []Value     `json:"values,omitempty"` // amount
	Laid    *job.Job    `json:"laid,omitempty"`   // lay: the search's board, as a tray file
	Score   float64     `json:"score,omitempty"`  // lay: of that board, 0 to 100
	Because []Because   `json:"because"`          // why, choice by choice or as a whole
}

// Fault is one that was planted on a tray.
type Fault struct {
	Check    string     `json:"check"` // of the review, that finds it
	Rule     string     `json:"rule"`  // of the path
	Elements []string   `json:"elements"`
	At       geom.Point `json:"at"` // board coordinates, mm
	Says     say.Text   `json:"says"`
}

// Value is the answer to a question.
type Value struct {
	ID   string   `json:"id"`
	Is   float64  `json:"is"`   // 0 and up, in the unit of the question
	Says say.Text `json:"says"` // how it comes about
}

// Because is why a choice is right or wrong.
type Because struct {
	ID   string   `json:"id,omitempty"` // of the choice; empty for the whole
	Says say.Text `json:"says"`
}

// Make is the exercise of a kind for a seed at a level, with its solution.
func Make(kind string, seed uint64, level int, larder *food.Larder, cabinet *board.Cabinet) (*Exercise, error) {
	return exercise(kind, seed, level, larder, cabinet, true)
}

// Ask is the same without its solution, for whoever is to work on it: nobody waits for a search then.
func Ask(kind string, seed uint64, level int, larder *food.Larder, cabinet *board.Cabinet) (*Exercise, error) {
	e, err := exercise(kind, seed, level, larder, cabinet, false)
	if err != nil {
		return nil, err
	}
	e.Solution = nil
	return e, nil
}

func exercise(kind string, seed uint64, level int, larder *food.Larder, cabinet *board.Cabinet, solves bool) (*Exercise, error) {
	if err := fault.OneOf("kind", kind, Kinds...); err != nil {
		return nil, err
	}
	if level < 1 || level > MostLevel {
		return nil, fault.Bad("level", "should be between 1 and %d", MostLevel)
	}
	h := fnv.New64a()
	_, _ = h.Write([]byte(kind))
	m := &maker{r: rand.New(rand.NewPCG(seed, h.Sum64()+uint64(level))), level: level, larder: larder, cabinet: cabinet, solves: solves}
	e := map[string]func() *Exercise{"find": m.find, "amount": m.amount, "order": m.order, "pair": m.pair, "diet": m.diet, "tool": m.tool,
		"season": m.season, "board": m.board, "keep": m.keep, "lay": m.lay, "cost": m.cost, "clock": m.clock, "save": m.save, "why": func() *Exercise { return m.why(seed) }}[kind]()
	e.Kind, e.Seed, e.Level, e.larder = kind, seed, level, larder
	return e, nil
}

// maker makes one exercise.
type maker struct {
	r       *rand.Rand
	level   int
	larder  *food.Larder
	cabinet *board.Cabinet
	solves  bool // the search lays its own board
}

// shuffled is a list in another order.
func shuffled[T any](r *rand.Rand, of []T) []T {
	out := append([]T(nil), of...)
	r.Shuffle(len(out), func(i, j int) { out[i], out[j] = out[j], out[i] })
	return out
}

// chosen is a food as a choice.
func chosen(f *food.Food) Choice {
	c := Choice{ID: f.ID, Says: say.Plain(f.Name), Food: f.ID}
	for _, s := range f.Forms {
		if !food.Has(s.Form, food.OnFood) {
			c.Form = s.Form
			break
		}
	}
	return c
}
