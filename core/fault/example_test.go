package fault_test

import (
	"fmt"

	"happytray/core/fault"
)

func ExampleIn() {
	err := fault.Between("grams", -5, 0, 1000, " g")
	fmt.Println(fault.In("trays", fault.In("[1]", err)))
	// Output:
	// trays[1].grams: should be between 0 and 1000 g
}
