package demo

import (
	"encoding/json"
	"slices"
	"strings"
	"testing"
	"time"

	"happytray/app/template"
	"happytray/core/food"
	"happytray/core/review"
)

func TestDemoWorld(t *testing.T) {
	larder := food.BuiltIn()
	today := time.Date(2031, 2, 27, 23, 30, 0, 0, time.UTC) // dates roll over a month's end
	jobs, err := Jobs(today, larder)
	if err != nil {
		t.Fatal(err)
	}
	if len(jobs) != 4 {
		t.Fatalf("%d jobs", len(jobs))
	}
	for _, j := range jobs {
		if err := j.Check(larder); err != nil {
			t.Errorf("%s: %v", j.Title, err)
		}
		at, ok := j.Brief.ServeTime(time.UTC)
		if days := at.Sub(today).Hours() / 24; !ok || days < 1 || days > 14 {
			t.Errorf("%s is served at %v", j.Title, at)
		}
		if j.Brief.Host == "" || j.Brief.Place == "" || j.Says == "" {
			t.Errorf("%s is bare", j.Title)
		}
	}
	for _, laid := range append(slices.Clone(jobs[0].Trays), jobs[1].Trays...) {
		rev := review.Judge(laid, larder)
		if !rev.Legal() || rev.Score < 60 { // what is put down without looking has 40
			t.Errorf("%s scores %v: %+v", laid.Board.Name, rev.Score, rev.Findings)
		}
		for _, e := range laid.Elements {
			if !e.Placed {
				t.Errorf("%s: %s waits beside the board", laid.Board.Name, e.ID)
			}
		}
	}
	if len(jobs[1].Trays) != 2 || len(jobs[3].Trays) != 2 {
		t.Errorf("%d planks, %d kinds of plate", len(jobs[1].Trays), len(jobs[3].Trays))
	}
	if briefed := jobs[2].Trays[0]; len(briefed.Elements) != 0 || len(briefed.Brief.Diets) == 0 {
		t.Errorf("the briefed job holds %d elements", len(briefed.Elements))
	}
}

// The world is the same on every day: foods, amounts, layouts, months and what was left. Only its dates move.
func TestTheWorldIsTheSameEveryDay(t *testing.T) {
	larder := food.BuiltIn()
	world := func(today time.Time) (out []string) {
		jobs, err := Jobs(today, larder)
		if err != nil {
			t.Fatal(err)
		}
		swap, played, err := Swapped(today, larder)
		if err != nil {
			t.Fatal(err)
		}
		for _, j := range append(jobs, Job{swap, ""}) {
			at, ok := j.Brief.ServeTime(time.UTC)
			if days := at.Sub(today).Hours() / 24; !ok || days < -25 || days > 14 {
				t.Errorf("%s is served at %v, today is %v", j.Title, at, today)
			}
			raw, err := j.Write()
			if err != nil {
				t.Fatal(err)
			}
			out = append(out, strings.ReplaceAll(string(raw), j.Brief.ServeAt, "WHEN"))
		}
		list, err := Evenings(today, larder)
		if err != nil {
			t.Fatal(err)
		}
		for i := range list {
			list[i].Date = ""
		}
		raw, err := json.Marshal([]any{list, played})
		if err != nil {
			t.Fatal(err)
		}
		return append(out, string(raw))
	}
	one := world(made)
	for _, day := range []string{"2028-02-29T23:50:00Z"} {
		today, err := time.Parse(time.RFC3339, day)
		if err != nil {
			t.Fatal(err)
		}
		for i, text := range world(today) {
			if text != one[i] {
				at := 0
				for at < min(len(text), len(one[i])) && text[at] == one[i][at] {
					at++
				}
				t.Errorf("on %s part %d is another from %.120q on, made as %.120q", day, i, text[at:], one[i][at:])
			}
		}
	}
}

// What the demo world has on its shelf is as it would be let in from outside.
func TestTheShelfIsSound(t *testing.T) {
	larder := food.BuiltIn()
	shelf, err := Shelf(larder)
	if err != nil {
		t.Fatal(err)
	}
	for _, kind := range template.Kinds {
		if kind == template.Pattern { // is kept of a job once that is there
			continue
		}
		if len(shelf[kind]) == 0 {
			t.Errorf("no %s", kind)
		}
		for _, k := range shelf[kind] {
			if err := k.Check(kind); err != nil {
				t.Errorf("%s: %v", k.Name, err)
			}
			for _, id := range k.Belongs {
				if _, ok := larder.Get(id); !ok {
					t.Errorf("%s: there is no %s", k.Name, id)
				}
			}
		}
	}
}
