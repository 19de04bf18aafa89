package review_test

import (
	"fmt"

	"happytray/core/board"
	"happytray/core/food"
	"happytray/core/review"
	"happytray/core/tray"
)

// A board without anything on it is bare, and that is what is said of it.
func ExampleJudge() {
	b, _ := board.Make(board.Request{Shape: "round", LengthMM: 400})
	r := review.Judge(&tray.Tray{Board: &b}, food.BuiltIn())
	for _, c := range r.Checks {
		if c.ID == "fit.cover" {
			fmt.Println(c.ID, c.Value, c.Score)
		}
	}
	// Output:
	// fit.cover 0 0
}
