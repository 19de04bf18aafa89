package shop_test

import (
	"fmt"

	"happytray/core/food"
	"happytray/core/shop"
)

// What two jobs need of one food is bought together.
func ExampleBuy() {
	jobs := []shop.Needs{
		{Job: "a", Title: "Kiln firing", Day: "2026-12-01", Grams: map[string]float64{"almonds": 120}},
		{Job: "b", Title: "Quiz final", Day: "2026-12-03", Grams: map[string]float64{"almonds": 90}},
	}
	list := shop.Buy(jobs, food.BuiltIn(), nil)
	for _, item := range list.Sections[0].Items {
		fmt.Println(item.Name, item.NeedG, "g for", item.For)
	}
	// Output:
	// Roasted almonds 210 g for [Kiln firing Quiz final]
}
