package practice

import (
	"encoding/json"
	"math"
	"slices"
	"testing"

	"happytray/core/geom"
	"happytray/core/job"
	"happytray/core/review"
	"happytray/core/tray"
)

func filed(tb testing.TB, j *job.Job) json.RawMessage {
	tb.Helper()
	raw, err := j.Write()
	if err != nil {
		tb.Fatal(err)
	}
	return raw
}

// A board to lay by hand: nothing lies on it yet, more things at each level, the search's own is legal and complete. The board
// as it was given has hardly any points, and of the search's with one thing carried into a corner the answer says which it was.
func TestLayIt(t *testing.T) {
	before := 0
	for level := 1; level <= MostLevel; level++ {
		e := made(t, "lay", 3, level)
		n := len(e.Tray.Elements)
		if n < before || n < 7 || n > 40 || e.ClockS < 60 || e.ClockS > 900 {
			t.Errorf("level %d: %d things in %v s", level, n, e.ClockS)
		}
		before = n - 2 // a party of one more may do with fewer
		for i := range e.Tray.Elements {
			if e.Tray.Elements[i].Placed {
				t.Errorf("level %d: %s lies there", level, e.Tray.Elements[i].ID)
			}
		}
		best := e.Solution.Laid.Trays[0]
		rev := review.Judge(best, larder)
		if slices.ContainsFunc(rev.Findings, func(f review.Finding) bool { return f.Severity == review.Stop }) || math.Abs(rev.Score-e.Solution.Score) > .1 {
			t.Errorf("level %d: the search's own has %v points, %v said: %v", level, rev.Score, e.Solution.Score, rev.Findings)
		}
		untouched, err := e.Mark(Answer{Laid: filed(t, e.File), Seconds: 1e4})
		if err != nil || untouched.Points > 30 || untouched.Laying.Over < 9000 {
			t.Errorf("level %d: an empty board has %v points, %v", level, untouched.Points, err)
		}
	}
	e := made(t, "lay", 5, 3)
	mine := e.Solution.Laid.Trays[0].Clone()
	carried := -1
	for i := range mine.Elements {
		if el := &mine.Elements[i]; el.Vessel != "" && el.Placed {
			carried = i
			by := mine.Board.Outline.Bounds().Min.Sub(geom.Pt(el.X, el.Y))
			el.X, el.Y = el.X+by.X, el.Y+by.Y
			for k := range el.Pieces {
				p := &el.Pieces[k]
				p.At, p.Outline = p.At.Add(by), slices.Clone(p.Outline)
				for c := range p.Outline {
					p.Outline[c] = p.Outline[c].Add(by)
				}
			}
			break
		}
	}
	if carried < 0 {
		t.Fatal("no bowl to carry")
	}
	a := Answer{Laid: filed(t, &job.Job{Title: "mine", Brief: *e.Brief, Trays: []*tray.Tray{mine}}), Seconds: e.ClockS}
	m, err := e.Mark(a)
	if err != nil {
		t.Fatal(err)
	}
	if m.Points > 80 || len(m.Laying.Moves) == 0 || m.Laying.Moves[0].Element != mine.Elements[carried].ID || m.Laying.Over != 0 || m.Laying.Groups[0].Search < m.Laying.Groups[0].Yours {
		t.Errorf("a bowl over the edge: %v points, %+v", m.Points, m.Laying)
	}
	if m.Grades["edge"] != 1 {
		t.Errorf("over the edge is graded %d", m.Grades["edge"])
	}
	again, _ := e.Mark(a)
	one, _ := json.Marshal(m)
	two, _ := json.Marshal(again)
	if string(one) != string(two) {
		t.Error("the same answer is marked otherwise")
	}
	// minutes over the clock cost, and no more than they may
	a.Seconds = e.ClockS + 60
	late, _ := e.Mark(a)
	a.Seconds = 86400
	latest, _ := e.Mark(a)
	if math.Abs(m.Points-10-late.Points) > .11 || math.Abs(m.Points-mostOver-latest.Points) > .11 {
		t.Errorf("%v in time, %v a minute late, %v a day late", m.Points, late.Points, latest.Points)
	}
}

// Boards of another exercise, without their food, or of no sense are refused and not judged.
func TestNotTheBoardToLay(t *testing.T) {
	e, other := made(t, "lay", 5, 2), made(t, "lay", 6, 5)
	less := e.Tray.Clone()
	less.Elements = less.Elements[1:]
	for what, raw := range map[string]json.RawMessage{
		"another's":     filed(t, other.File),
		"without one":   filed(t, &job.Job{Title: "x", Brief: *e.Brief, Trays: []*tray.Tray{less}}),
		"no tray":       json.RawMessage(`{"trays":[]}`),
		"no file":       json.RawMessage(`{"format":"nothing"}`),
		"half a file":   json.RawMessage(`{"trays":[`),
		"nothing":       nil,
		"a long number": json.RawMessage(`{"trays":[{"elements":[{"x":1e400}]}]}`),
	} {
		if m, err := e.Mark(Answer{Laid: raw}); err == nil {
			t.Errorf("%s has %v points", what, m.Points)
		}
	}
	for _, s := range []float64{-1, math.NaN(), math.Inf(1), 1e9} {
		if _, err := e.Mark(Answer{Laid: filed(t, e.Solution.Laid), Seconds: s}); err == nil {
			t.Errorf("%v seconds are taken", s)
		}
	}
}
