package adjacency_test

import (
	"testing"

	"happytray/core/adjacency"
	"happytray/core/food"
)

func TestWhatSoftens(t *testing.T) {
	for _, c := range []struct {
		a, b food.Wetness
		want bool
	}{{food.Juicy, food.Crisp, true}, {food.Runny, food.Crisp, true}, {food.Crisp, food.Juicy, false}, {food.Dry, food.Crisp, false}, {food.Juicy, food.Dry, false}} {
		if got := adjacency.Softens(c.a, c.b); got != c.want {
			t.Errorf("%s softens %s: %v", c.a, c.b, got)
		}
		if got := adjacency.EitherSoftens(c.b, c.a); got != (c.want || adjacency.Softens(c.b, c.a)) {
			t.Errorf("%s and %s: %v", c.b, c.a, got)
		}
	}
}

func TestWhatIsKeptApart(t *testing.T) {
	get := func(id string) *food.Food {
		f, ok := food.BuiltIn().Get(id)
		if !ok {
			t.Fatal(id)
		}
		return f
	}
	for _, c := range []struct {
		id    string
		words []string
		open  bool
		want  adjacency.Side
	}{
		{"air-dried-ham", []string{"meat"}, true, adjacency.KeptOff},
		{"air-dried-ham", []string{"meat"}, false, adjacency.OnNoSide},
		{"air-dried-ham", nil, true, adjacency.OnNoSide},
		{"soft-white-round", []string{"meat"}, true, adjacency.ForAll},
		{"soft-white-round", []string{"animal"}, true, adjacency.KeptOff},
		{"honey", []string{"meat"}, true, adjacency.ForAll},
		{"almonds", []string{"meat"}, true, adjacency.OnNoSide},
	} {
		if got := adjacency.ApartOf(get(c.id), c.words, c.open); got != c.want {
			t.Errorf("%s, %v avoided, open %v: %v, want %v", c.id, c.words, c.open, got, c.want)
		}
	}
}

func TestPartnersAreThoseTheLarderNames(t *testing.T) {
	honey, _ := food.BuiltIn().Get("honey")
	blue, _ := food.BuiltIn().Get("blue-wedge")
	if w, _ := food.Affinity(honey, blue); !adjacency.ArePartners(float32(w)) || adjacency.SpoilEachOther(float32(w)) {
		t.Errorf("honey and blue: %v", w)
	}
}
