package shop

import (
	"fmt"
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
	want := fmt.Sprintf("Besides the food: %d little squash, to be hollowed out.", n.Hulls["little squash"])
	if got := BuyAt([]Needs{n}, larder, nil, nil, 0).Besides.String(); got != want {
		t.Errorf("%q, want %q", got, want)
	}
}
