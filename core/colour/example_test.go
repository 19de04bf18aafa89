package colour_test

import (
	"fmt"

	"happytray/core/colour"
)

// Two pale cheeses are hardly told apart; dark grapes beside one of them are.
func ExampleDifference() {
	fresh, soft, grapes := colour.Must("#f4efe0"), colour.Must("#efe8d4"), colour.Must("#5a1a3c")
	fmt.Printf("%.0f %.0f\n", colour.Difference(fresh, soft), colour.Difference(fresh, grapes))
	// Output:
	// 2 73
}
