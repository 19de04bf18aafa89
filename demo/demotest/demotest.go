// Package demotest gives tests and benchmarks the demo world without waiting for it twice.
package demotest

import (
	"sync"
	"testing"
	"time"

	"happytray/core/food"
	"happytray/core/job"
	"happytray/demo"
)

// Largest is the demo world's job with the largest file, laid; a copy for each who asks.
func Largest(tb testing.TB) *job.Job {
	tb.Helper()
	j, err := largest()
	if err != nil {
		tb.Fatal(err)
	}
	return j.Clone()
}

var largest = sync.OnceValues(func() (best *job.Job, err error) {
	jobs, err := demo.Jobs(time.Date(2026, 10, 1, 9, 0, 0, 0, time.UTC), food.BuiltIn())
	if err != nil {
		return nil, err
	}
	size := 0
	for _, j := range jobs {
		raw, err := j.Write()
		if err != nil {
			return nil, err
		}
		if len(raw) > size {
			best, size = j.Job, len(raw)
		}
	}
	return best, nil
})
