package shop

import (
	"testing"

	"happytray/core/food"
)

func TestFewerPacks(t *testing.T) {
	packs := []food.Pack{{Grams: 100, Price: 200}, {Grams: 250, Price: 420}}
	for _, c := range []struct {
		need float64
		want float64
	}{{110, 100}, {100, 0}, {260, 250}, {550, 500}, {170, 0}} {
		_, _, cost := food.Cover(packs, c.need)
		if got := fewerPacks(packs, c.need, cost); got != c.want {
			t.Errorf("of %g g: %g, want %g", c.need, got, c.want)
		}
	}
}

func TestLossInWords(t *testing.T) {
	for loss, want := range map[float64]string{-.4: "nothing lost", .05: "nothing lost", .06: "a little balance lost", .29: "a little balance lost", .3: "balance lost", 2: "balance lost"} {
		if got := loses(loss); got != want {
			t.Errorf("%g: %s, want %s", loss, got, want)
		}
	}
}
