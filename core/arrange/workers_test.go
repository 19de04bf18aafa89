package arrange

import (
	"context"
	"slices"
	"strings"
	"sync/atomic"
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/review"
)

func TestInParallelDoesEach(t *testing.T) {
	for _, c := range []struct{ n, workers int }{{0, 2}, {1, 4}, {9, 1}, {100, 3}} {
		done := make([]int32, c.n)
		inParallel(c.n, c.workers, func(i int) { atomic.AddInt32(&done[i], 1) })
		if slices.ContainsFunc(done, func(v int32) bool { return v != 1 }) {
			t.Errorf("%d on %d: %v", c.n, c.workers, done)
		}
	}
}

func TestAPanicReachesTheCaller(t *testing.T) {
	caught := func(do func()) (v any) {
		defer func() { v = recover() }()
		do()
		return nil
	}
	got, _ := caught(func() {
		inParallel(8, 3, func(i int) {
			if i == 5 {
				panic("no such drawer")
			}
		})
	}).(string)
	if !strings.Contains(got, "no such drawer") || !strings.Contains(got, "workers_test.go") {
		t.Errorf("it came up as %q", got)
	}
	if v := caught(func() { inParallel(4, 2, func(int) {}) }); v != nil {
		t.Errorf("without a panic: %v", v)
	}
	// a search for a mend that goes wrong inside must end the request, not the process
	tr := planned(t, brief.Brief{Guests: brief.Guests{Adults: 4}})
	laid, err := Lay(context.Background(), tr, food.BuiltIn(), Options{Effort: 1, Seed: 1})
	if err != nil {
		t.Fatal(err)
	}
	var anchor string
	for i := range laid.Tray.Elements {
		if movable(&laid.Tray.Elements[i]) {
			anchor = laid.Tray.Elements[i].ID
		}
	}
	broken := &dying{Context: context.Background()}
	broken.left.Store(3)
	if v := caught(func() {
		Mend(broken, laid.Tray, food.BuiltIn(), review.Finding{Check: "colour.neighbour", Elements: []string{anchor}, At: geom.Pt(0, 0)})
	}); v == nil {
		t.Error("nothing came up from inside of Mend")
	}
}

// dying is a context that breaks when it has been asked a few times.
type dying struct {
	context.Context
	left atomic.Int32
}

func (d *dying) Err() error {
	if d.left.Add(-1) < 0 {
		panic("broken")
	}
	return nil
}
