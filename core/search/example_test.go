package search_test

import (
	"context"
	"fmt"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/plan"
	"happytray/core/search"
)

// The same seed lays the same tray, on any number of cores.
func ExampleLay() {
	larder := food.BuiltIn()
	j, _ := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 3}, Month: 6}, larder, board.BuiltInCabinet())
	one, err := search.Lay(context.Background(), j.Trays[0], larder, search.Options{Seed: 5, Effort: 1, Workers: 1})
	two, _ := search.Lay(context.Background(), j.Trays[0], larder, search.Options{Seed: 5, Effort: 1, Workers: 2})
	fmt.Println(one.Tried, one.Score == two.Score, err)
	// Output:
	// 1 true <nil>
}
