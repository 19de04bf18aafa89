package prep_test

import (
	"fmt"

	"happytray/core/brief"
	"happytray/core/prep"
)

// How long food may stand out is shorter in the heat; local rules win.
func ExampleHold() {
	warm, hot := 20.0, 34.0
	minutes, _ := prep.Hold(brief.Brief{TemperatureC: &warm})
	shorter, _ := prep.Hold(brief.Brief{TemperatureC: &hot})
	fmt.Println(minutes, shorter)
	// Output:
	// 120 60
}
