package craft_test

import (
	"testing"

	"happytray/core/craft"
	"happytray/core/food"
)

func TestWhatSoftens(t *testing.T) {
	for _, c := range []struct {
		a, b food.Wetness
		want bool
	}{{food.Juicy, food.Crisp, true}, {food.Runny, food.Crisp, true}, {food.Crisp, food.Juicy, false}, {food.Dry, food.Crisp, false}, {food.Juicy, food.Dry, false}} {
		if got := craft.Softens(c.a, c.b); got != c.want {
			t.Errorf("%s softens %s: %v", c.a, c.b, got)
		}
		if got := craft.EitherSoftens(c.b, c.a); got != (c.want || craft.Softens(c.b, c.a)) {
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
		want  craft.Apart
	}{
		{"air-dried-ham", []string{"meat"}, true, craft.KeptOff},
		{"air-dried-ham", []string{"meat"}, false, craft.OnNoSide},
		{"air-dried-ham", nil, true, craft.OnNoSide},
		{"soft-white-round", []string{"meat"}, true, craft.ForAll},
		{"soft-white-round", []string{"animal"}, true, craft.KeptOff},
		{"honey", []string{"meat"}, true, craft.ForAll},
		{"almonds", []string{"meat"}, true, craft.OnNoSide},
	} {
		if got := craft.ApartOf(get(c.id), c.words, c.open); got != c.want {
			t.Errorf("%s, %v avoided, open %v: %v, want %v", c.id, c.words, c.open, got, c.want)
		}
	}
}

func TestPartnersAreThoseTheLarderNames(t *testing.T) {
	honey, _ := food.BuiltIn().Get("honey")
	blue, _ := food.BuiltIn().Get("blue-wedge")
	if w, _ := food.Affinity(honey, blue); !craft.ArePartners(float32(w)) || craft.SpoilEachOther(float32(w)) {
		t.Errorf("honey and blue: %v", w)
	}
}
