package safety_test

import (
	"fmt"

	"happytray/core/brief"
	"happytray/core/safety"
)

// How long food may stand out is shorter in the heat; local rules win.
func ExampleHoldingTime() {
	warm, hot := 20.0, 34.0
	minutes, _ := safety.HoldingTime(brief.Brief{TemperatureC: &warm})
	shorter, _ := safety.HoldingTime(brief.Brief{TemperatureC: &hot})
	fmt.Println(minutes, shorter)
	// Output:
	// 120 60
}
