package pick_test

import (
	"fmt"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/pick"
)

// What can take the place of folded ham where meat is avoided.
func ExampleSubstitutes() {
	larder := food.BuiltIn()
	ham, _ := larder.Get("air-dried-ham")
	b := brief.Brief{Guests: brief.Guests{Adults: 6}, Month: 6, Diets: []brief.Diet{{Who: "everybody", Avoid: []string{"meat"}}}}
	for _, s := range pick.Substitutes(b, ham, ham.Forms[0].Form, nil, larder, 2) {
		fmt.Println(s.Food.Name, s.Food.Vegetarian())
	}
	// Output:
	// Smoked carrot ribbons true
	// Roasted peppers true
}
