package outlook_test

import (
	"fmt"
	"time"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/outlook"
)

func ExampleOf() {
	o, err := outlook.Of(brief.Brief{Guests: brief.Guests{Adults: 10}, Month: 6}, food.BuiltIn(), board.BuiltInCabinet(), time.Time{})
	fmt.Printf("%.0f g in all, %v\n", o.TotalG, err)
	// Output:
	// 1910 g in all, <nil>
}
