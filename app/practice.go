package app

import (
	"context"
	"encoding/json"
	"fmt"
	"slices"
	"strings"

	"happytray/core/board"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/practice"
	"happytray/core/say"
	"happytray/formats/sheet"
)

// Practice is an exercise of the craft, as the practice room shows it.
type Practice = practice.Exercise

// PracticeMark is how near an answer came.
type PracticeMark = practice.Mark

// PracticeAnswer is what somebody made of an exercise.
type PracticeAnswer = practice.Answer

// PracticeRule is one rule of the craft on the path.
type PracticeRule = practice.Rule

// PracticePath lists the rules of the craft in the order in which they are learnt.
func PracticePath() []PracticeRule { return practice.Path() }

// exercise is one of the larder and the boards that the product ships with: it is the same in every house, so that a class can
// share it, and no change of a house makes a right answer wrong.
func exercise(kind string, seed uint64, level int) (*Practice, error) {
	return practice.Make(kind, seed, level, food.BuiltIn(), board.BuiltInCabinet())
}

// Exercise is an exercise without its solution, in the house's units.
func (a *App) Exercise(ctx context.Context, kind string, seed uint64, level int) (*Practice, error) {
	s, err := a.Settings(ctx)
	if err != nil {
		return nil, err
	}
	e, err := practice.Ask(kind, seed, level, food.BuiltIn(), board.BuiltInCabinet())
	if err != nil {
		return nil, err
	}
	return say.In(e, s.Units()), nil
}

// MarkExercise judges an answer to an exercise, and tells the solution.
func (a *App) MarkExercise(ctx context.Context, kind string, seed uint64, level int, answer PracticeAnswer) (PracticeMark, error) {
	s, err := a.Settings(ctx)
	if err != nil {
		return PracticeMark{}, err
	}
	e, err := exercise(kind, seed, level)
	if err != nil {
		return PracticeMark{}, err
	}
	m, err := e.Mark(answer)
	if err != nil {
		return PracticeMark{}, err
	}
	return say.In(m, s.Units()), nil
}

// PracticeSheet is a board with faults on it to print, with what they are overleaf.
func (a *App) PracticeSheet(ctx context.Context, seed uint64, level int, paper string) (out Sheet, err error) {
	e, err := exercise("find", seed, level)
	if err != nil {
		return out, err
	}
	out = Sheet{Name: fmt.Sprintf("find-%d-%d.pdf", level, seed), Media: "application/pdf"}
	out.Data, err = sheet.Practice(e, food.BuiltIn(), paper, a.units(ctx))
	return out, err
}

// resultsFact keeps what was had of shared sets, and so many of each, the newest sets last.
const (
	resultsFact = "practice"
	mostSets    = 12
	mostResults = 40
)

// resultsOf are the points of a set of exercises, by who did it.
type resultsOf struct {
	Set     string  `json:"set"`
	Results [][]int `json:"results"`
}

// PracticeResults is what others had of a set of exercises; who they are is not kept.
func (a *App) PracticeResults(ctx context.Context, set string) ([][]int, error) {
	raw, err := a.store.Fact(ctx, resultsFact)
	if err != nil {
		return nil, err
	}
	for _, s := range readResults(raw) {
		if s.Set == set {
			return s.Results, nil
		}
	}
	return [][]int{}, nil
}

// AddPracticeResult puts points beside those of others. Of a set the newest are kept, and of the sets those done last.
func (a *App) AddPracticeResult(ctx context.Context, set string, points []int) (out [][]int, err error) {
	if n := len(strings.Split(set, ",")); n != len(points) {
		return nil, fault.Bad("points", "are %d of a set of %d exercises", len(points), n)
	}
	err = a.store.ChangeFact(ctx, resultsFact, func(was string) (string, error) {
		all := readResults(was)
		one := resultsOf{Set: set}
		if k := slices.IndexFunc(all, func(s resultsOf) bool { return s.Set == set }); k >= 0 {
			one = all[k]
			all = slices.Delete(all, k, k+1)
		}
		one.Results = append(one.Results, points)
		one.Results = one.Results[max(0, len(one.Results)-mostResults):]
		all = append(all, one)
		out = one.Results
		raw, err := json.Marshal(all[max(0, len(all)-mostSets):])
		return string(raw), err
	})
	return out, err
}

// readResults reads what is kept; what cannot be read is begun anew.
func readResults(raw string) (all []resultsOf) {
	if json.Unmarshal([]byte(raw), &all) != nil {
		return nil
	}
	return all
}
