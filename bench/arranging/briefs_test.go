package main

import (
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/review"
)

// The set is what it is said to be: every shape and style, few and many elements,
// sparse and far too tight.
func TestTheSetIsBroad(t *testing.T) {
	n := 64
	if testing.Short() {
		n = 16
	}
	set := generated(n)
	if len(set) != n {
		t.Fatalf("%d briefs", len(set))
	}
	styles, boards := map[string]int{}, map[string]int{}
	few, many, tight, sparse := 0, 0, 0, 0
	for _, tr := range set {
		styles[tr.Rules.Style]++
		boards[tr.Brief.Board.Shape]++
		switch k := len(tr.Elements); {
		case k < 4 || k > 60:
			t.Errorf("%d elements", k)
		case k < 15:
			few++
		case k > 40:
			many++
		}
		grams := 0.0
		for _, e := range tr.Elements {
			grams += e.Grams
		}
		for _, r := range tr.Reserve { // of a board that is too small most waits, and what lies there is as much as on any
			grams += r.Grams
		}
		switch load := grams / tr.Board.UsableMM2() * 100; { // g on a square centimetre
		case load > 2:
			tight++
		case load < 1:
			sparse++
		}
	}
	if len(styles) != len(brief.Styles)+1 || len(boards) != len(board.Shapes) || few == 0 || many == 0 || tight == 0 || sparse == 0 {
		t.Errorf("styles %v, boards %v, %d small, %d large, %d tight, %d sparse", styles, boards, few, many, tight, sparse)
	}
}

// What the arranger is held against plays by the rules.
func TestRivalsAreLegal(t *testing.T) {
	for i, tr := range generated(3) {
		for _, w := range []way{{"random", random}, {"greedy", greedy}, {"CMA-ES", cmaes}} {
			got := w.lay(tr, .3, uint64(i))
			placed := 0
			for _, e := range got.Elements {
				if e.Placed {
					placed++
				}
			}
			if rev := review.Judge(got, larder); !rev.Fits() || placed == 0 {
				t.Errorf("%s on brief %d: %d placed, %+v", w.name, i, placed, rev.Findings)
			}
		}
	}
}
