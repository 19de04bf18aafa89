package amount

import (
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
)

// Who avoids a food finds none of it, nor where it may hold traces, and the others share it among themselves.
func TestFoundByThoseWhoCanEatIt(t *testing.T) {
	b := brief.Brief{Guests: brief.Guests{Adults: 10}, Diets: []brief.Diet{{Who: "two without milk", Count: 2, Avoid: []string{"milk"}}, {Who: "three without nuts", Count: 3, Avoid: []string{"nuts"}}}}
	for _, c := range []struct {
		grams map[string]float64
		want  [3]float64 // without milk, without nuts, the rest
	}{
		{map[string]float64{"orange-block": 800}, [3]float64{0, 100, 100}}, // milk
		{map[string]float64{"almonds": 700}, [3]float64{100, 0, 100}},
		{map[string]float64{"pumpkin-seeds": 700}, [3]float64{100, 0, 100}}, // traces of nuts
		{map[string]float64{"strawberries": 500}, [3]float64{50, 50, 50}},
		{map[string]float64{"orange-block": 800, "almonds": 700, "strawberries": 500}, [3]float64{150, 150, 250}},
		{map[string]float64{"pistachios": 1400}, [3]float64{100, 0, 100}}, // half of them is shell: 700 g for seven
		{map[string]float64{"rosemary": 100, "no such food": 100}, [3]float64{}},
	} {
		got := FoundBy(b, c.grams, food.BuiltIn())
		for i, want := range c.want {
			if got[i].FindsG != want {
				t.Errorf("of %v %s find %v g, want %v", c.grams, got[i].Who, got[i].FindsG, want)
			}
		}
	}
}
