package app

import (
	"context"

	"happytray/core/board"
	"happytray/core/food"
	"happytray/core/practice"
	"happytray/core/say"
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
	e, err := exercise(kind, seed, level)
	if err != nil {
		return nil, err
	}
	e.Solution = nil
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
