package craft_test

import (
	"fmt"

	"happytray/core/craft"
	"happytray/core/food"
)

func ExampleSoftens() {
	fmt.Println(craft.Softens(food.Juicy, food.Crisp), craft.Softens(food.Dry, food.Crisp))
	// Output:
	// true false
}
