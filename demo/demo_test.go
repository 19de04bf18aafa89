package demo

import (
	"context"
	"testing"
	"time"

	"happytray/core/food"
	"happytray/core/review"
)

func TestDemoWorld(t *testing.T) {
	larder := food.BuiltIn()
	today := time.Date(2031, 2, 27, 23, 30, 0, 0, time.UTC) // dates roll over a month's end
	jobs, err := Jobs(context.Background(), today, larder)
	if err != nil {
		t.Fatal(err)
	}
	if len(jobs) != 2 {
		t.Fatalf("%d jobs", len(jobs))
	}
	for _, j := range jobs {
		if err := j.Tray.Check(larder); err != nil {
			t.Errorf("%s: %v", j.Tray.Title, err)
		}
		at, ok := j.Tray.Brief.ServeTime()
		if days := at.Sub(today).Hours() / 24; !ok || days < 1 || days > 14 {
			t.Errorf("%s is served at %v", j.Tray.Title, at)
		}
		if j.Tray.Brief.Host == "" || j.Tray.Brief.Place == "" || j.Says == "" {
			t.Errorf("%s is bare", j.Tray.Title)
		}
	}
	laid, briefed := jobs[0].Tray, jobs[1].Tray
	rev := review.Of(laid, larder)
	if !rev.Legal() || rev.Score < 80 {
		t.Errorf("the laid tray scores %v: %+v", rev.Score, rev.Findings)
	}
	for _, e := range laid.Elements {
		if !e.Placed {
			t.Errorf("%s waits beside the board", e.ID)
		}
	}
	if len(briefed.Elements) != 0 || len(briefed.Brief.Diets) == 0 {
		t.Errorf("the briefed job holds %d elements", len(briefed.Elements))
	}
}
