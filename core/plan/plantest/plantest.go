// Package plantest plans and lays jobs for tests.
package plantest

import (
	"encoding/json"
	"sync"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/plan"
	"happytray/core/search"
)

// Cases is how many of n generated cases are tried: a sixth of them in the quick half of the tests.
func Cases(n int) int {
	if testing.Short() {
		return (n + 5) / 6
	}
	return n
}

// lain are the jobs that were laid, by their briefs: laying is most of what such a test costs, and many want the same.
var lain sync.Map // string -> *job.Job

// Laid plans a brief out of the built-in larder and lays its trays, always alike; what comes back is the caller's own.
func Laid(t testing.TB, b brief.Brief) *job.Job {
	t.Helper()
	key, err := json.Marshal(b)
	if err != nil {
		t.Fatal(err)
	}
	if j, ok := lain.Load(string(key)); ok {
		return j.(*job.Job).Clone()
	}
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
	lain.Store(string(key), j.Clone())
	return j
}
