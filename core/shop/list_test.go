package shop

import (
	"slices"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/plan"
)

// What a dip stands in is bought, too, though it is no food of the board.
func TestHulls(t *testing.T) {
	larder := food.BuiltIn()
	j, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 12}, Foods: []brief.Want{{Food: "herb-dip", Vessel: "squash-bowl"}, {Food: "carrot-sticks"}}}, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	n := NeedsOf(j, larder)
	if n.Hulls["little squash"] < 1 {
		t.Fatalf("hulls %v", n.Hulls)
	}
	for jobs, want := range map[int]string{1: "Besides the food: 1 × little squash, to be hollowed out.", 2: "Besides the food: 2 × little squash, to be hollowed out."} {
		n.Hulls = map[string]int{"little squash": 1}
		if got := BuyAt(slices.Repeat([]Needs{n}, jobs), larder, nil, nil, 0).Besides.String(); got != want {
			t.Errorf("%q, want %q", got, want)
		}
	}
}
