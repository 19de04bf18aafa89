package estimate_test

import (
	"fmt"
	"time"

	"happytray/app/estimate"
	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
)

func ExampleFromBrief() {
	o, err := estimate.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 10}, Month: 6}, food.BuiltIn(), board.BuiltInCabinet(), time.Time{})
	fmt.Printf("%.0f g in all, %v\n", o.TotalG, err)
	// Output:
	// 1910 g in all, <nil>
}
