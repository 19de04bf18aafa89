package tray

import (
	"reflect"
	"testing"

	"happytray/core/food"
)

func TestPlatesBeside(t *testing.T) {
	larder := food.BuiltIn()
	for name, c := range map[string]struct {
		reserve []Reserve
		want    Plates
	}{
		"nothing waits":             {nil, Plates{}},
		"no crackers wait":          {[]Reserve{{Food: "red-grapes", Grams: 200}}, Plates{}},
		"what is gone":              {[]Reserve{{Food: "round-crackers"}}, Plates{}},
		"a handful":                 {[]Reserve{{Food: "round-crackers", Grams: 40}}, Plates{1, 180, []string{"round-crackers"}, 40}},
		"two kinds on one":          {[]Reserve{{Food: "round-crackers", Grams: 100}, {Food: "red-grapes", Grams: 90}, {Food: "baguette-toasts", Grams: 80}}, Plates{1, 240, []string{"round-crackers", "baguette-toasts"}, 180}},
		"more than two plates hold": {[]Reserve{{Food: "round-crackers", Grams: 2000}}, Plates{2, 300, []string{"round-crackers"}, 2000}},
		"nothing of the larder":     {[]Reserve{{Food: "no-such-food", Grams: 90}}, Plates{}},
	} {
		if got := (&Tray{Reserve: c.reserve}).Beside(larder); !reflect.DeepEqual(got, c.want) {
			t.Errorf("%s: %+v, not %+v", name, got, c.want)
		}
	}
}
