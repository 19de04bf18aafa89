// Package plantest plans and lays jobs for tests.
package plantest

import (
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/plan"
	"happytray/core/search"
)

// Cases is how many of n generated cases are tried: a third of them in the quick half of the tests.
func Cases(n int) int {
	if testing.Short() {
		return (n + 2) / 3
	}
	return n
}

// Laid plans a brief out of the built-in larder and lays its trays, always alike.
func Laid(t testing.TB, b brief.Brief) *job.Job {
	t.Helper()
	j, err := plan.FromBrief(b, food.BuiltIn(), board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	larder := j.Larder(food.BuiltIn())
	for n := range j.Trays {
		res, err := search.Lay(t.Context(), j.Trays[n], larder, search.Options{Seed: 1, Effort: 1})
		if err != nil {
			t.Fatal(err)
		}
		j.Trays[n] = res.Tray
	}
	return j
}
