package arrange_test

import (
	"context"
	"fmt"

	"happytray/core/arrange"
	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/plan"
)

// The same seed lays the same tray, on any number of cores.
func ExampleLay() {
	larder := food.BuiltIn()
	j, _ := plan.Of(brief.Brief{Guests: brief.Guests{Adults: 3}, Month: 6}, larder, board.BuiltInCabinet())
	one, err := arrange.Lay(context.Background(), j.Trays[0], larder, arrange.Options{Seed: 5, Effort: 1, Workers: 1})
	two, _ := arrange.Lay(context.Background(), j.Trays[0], larder, arrange.Options{Seed: 5, Effort: 1, Workers: 2})
	fmt.Println(one.Tried, one.Score == two.Score, err)
	// Output:
	// 1 true <nil>
}
