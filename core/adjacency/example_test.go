package adjacency_test

import (
	"fmt"

	"happytray/core/adjacency"
	"happytray/core/food"
)

func ExampleSoftens() {
	fmt.Println(adjacency.Softens(food.Juicy, food.Crisp), adjacency.Softens(food.Dry, food.Crisp))
	// Output:
	// true false
}
