package workers_test

import (
	"fmt"
	"slices"
	"strings"
	"sync/atomic"
	"testing"

	"happytray/core/workers"
)

func TestDoDoesEach(t *testing.T) {
	for _, c := range []struct{ n, workers int }{{0, 2}, {1, 4}, {9, 1}, {100, 3}, {5, 0}, {5, -2}} {
		done := make([]int32, c.n)
		workers.Do(c.n, c.workers, func(i int) { atomic.AddInt32(&done[i], 1) })
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
		workers.Do(8, 3, func(i int) {
			if i == 5 {
				panic("no such drawer")
			}
		})
	}).(string)
	if !strings.Contains(got, "no such drawer") || !strings.Contains(got, "workers_test.go") {
		t.Errorf("it came up as %q", got)
	}
	if v := caught(func() { workers.Do(4, 2, func(int) {}) }); v != nil {
		t.Errorf("without a panic: %v", v)
	}
	if v := caught(func() { workers.Both(func() {}, func() { panic("the other") }) }); !strings.Contains(fmt.Sprint(v), "the other") {
		t.Errorf("from one of both: %v", v)
	}
}

func ExampleBoth() {
	var bowls, boards int
	workers.Both(func() { bowls = 3 }, func() { boards = 1 })
	fmt.Println(bowls, boards)
	// Output: 3 1
}
