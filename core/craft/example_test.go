package craft_test

import (
	"fmt"

	"happytray/core/brief"
	"happytray/core/craft"
	"happytray/core/food"
)

// How long food may stand out is shorter in the heat; local rules win.
func ExampleHold() {
	warm, hot := 20.0, 34.0
	minutes, _ := craft.Hold(brief.Brief{TemperatureC: &warm})
	shorter, _ := craft.Hold(brief.Brief{TemperatureC: &hot})
	fmt.Println(minutes, shorter)
	// Output:
	// 120 60
}

func ExampleSoftens() {
	fmt.Println(craft.Softens(food.Juicy, food.Crisp), craft.Softens(food.Dry, food.Crisp))
	// Output:
	// true false
}
