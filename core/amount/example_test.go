package amount_test

import (
	"fmt"

	"happytray/core/amount"
	"happytray/core/board"
	"happytray/core/food"
)

// Twelve folded slices, set close: what they weigh and how long the hands take.
func ExampleMeasureForm() {
	sausage, _ := food.BuiltIn().Get("fennel-sausage")
	m, spec, ok := amount.MeasureForm(sausage, sausage.Forms[0].Form, 12, 0, nil, board.BuiltInCabinet())
	fmt.Println(ok, spec.Form)
	fmt.Printf("%.0f g, %.1f minutes\n", m.MassG, m.Minutes)
	// Output:
	// true trail
	// 26 g, 1.6 minutes
}
