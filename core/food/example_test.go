package food_test

import (
	"fmt"

	"happytray/core/food"
)

func ExampleAffinity() {
	larder := food.BuiltIn()
	blue, _ := larder.Get("blue-wedge")
	honey, _ := larder.Get("honey")
	worth, why := food.Affinity(blue, honey)
	fmt.Println(worth, why)
	// Output:
	// 1 well known together
}
