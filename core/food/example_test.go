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
	// 1 sweetness tames the blue
}

// 300 g from bags of 125 g and of 200 g: one of each is cheaper than three or two alike.
func ExampleCover() {
	buy, bought, cost := food.Cover([]food.Pack{{Grams: 125, Price: 190}, {Grams: 200, Price: 260}}, 300)
	for _, p := range buy {
		fmt.Println(p.Count, "x", p.Grams, "g")
	}
	fmt.Println(bought, "g for", cost)
	// Output:
	// 1 x 200 g
	// 1 x 125 g
	// 325 g for 450
}
