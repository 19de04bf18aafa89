package prep

import (
	"slices"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/plan"
)

// planned is the day of a brief as it is planned, nothing laid yet.
func planned(t *testing.T, b brief.Brief, o Options) Day {
	t.Helper()
	larder := food.BuiltIn()
	j, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	d, err := Plan(j, larder, o)
	if err != nil {
		t.Fatal(err)
	}
	return d
}

// What does not go on one baking sheet goes on several of nearly the same size, every piece on one of them.
func TestSheets(t *testing.T) {
	d := planned(t, brief.Brief{Guests: brief.Guests{Adults: 40}, ServeAt: "2031-06-04T19:00:00Z", Rules: &brief.Rules{Heat: "all"},
		Foods: []brief.Want{{Food: "baguette-toasts"}, {Food: "soft-white-round"}, {Food: "almonds"}}}, Options{People: 2, Ovens: 1})
	var sheets []int
	sliced := 0
	for _, k := range d.Tasks {
		if k.Food == "baguette-toasts" && k.Kind == Heat {
			sheets = append(sheets, k.Count)
		}
		if k.Food == "baguette-toasts" && k.Kind == Slice {
			sliced += k.Count
		}
	}
	all := 0
	for _, n := range sheets {
		all += n
	}
	if len(sheets) < 2 || slices.Max(sheets) > sheetPieces || slices.Max(sheets)-slices.Min(sheets) > 1 {
		t.Errorf("sheets of %v, %d at most", sheets, sheetPieces)
	}
	if all != sliced {
		t.Errorf("%d of %d slices are toasted", all, sliced)
	}
}

// What waits in a box has one for each food, over all boards; there is a cutting board for whatever is cut.
func TestBoxesAndCuttingBoards(t *testing.T) {
	b := brief.Brief{Guests: brief.Guests{Adults: 30}, ServeAt: "2031-06-04T19:00:00Z", Boards: []board.Request{{ID: "rectangle-60-cherry"}, {ID: "rectangle-60-cherry"}}}
	d := planned(t, b, Options{People: 2, Ovens: 1})
	if !slices.ContainsFunc(d.Kit, func(k Kit) bool { return k.What == "lidded box" && k.Count > 1 }) {
		t.Error("nothing waits in boxes")
	}
	for _, k := range d.Kit {
		if k.What == "lidded box" && (k.Count != len(k.For) || len(slices.Compact(slices.Sorted(slices.Values(k.For)))) != k.Count) {
			t.Errorf("%d boxes for %v", k.Count, k.For)
		}
	}
	if !slices.ContainsFunc(d.Kit, func(k Kit) bool { return k.What == "cutting board" && k.Stage == ToPrepare }) {
		t.Error("nothing to cut on")
	}
}

// Where nobody says when it is served, a board stands open from the first moment for as long as the occasion lasts.
func TestOpenWithoutATime(t *testing.T) {
	w := &worker{j: &job.Job{Brief: brief.Brief{LastsMinutes: 90}}}
	if got := w.open(); len(got) != 1 || got[0] != [2]int{0, 5400} {
		t.Errorf("open %v", got)
	}
}
