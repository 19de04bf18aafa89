package colour

import (
	"math/rand/v2"
	"testing"
)

// speckled is n pixels of the given colours in the given parts, each a little off.
func speckled(n int, parts map[string]float64) []Lab {
	r := rand.New(rand.NewPCG(3, 4))
	var out []Lab
	for _, hex := range []string{"#c22a30", "#f2ebd6", "#4c6a2e", "#2b2540", "#eda437", "#808080"} {
		for range int(float64(n) * parts[hex]) {
			c := Must(hex)
			out = append(out, Lab{c.L + r.NormFloat64()*2, c.A + r.NormFloat64()*2, c.B + r.NormFloat64()*2})
		}
	}
	return out
}

func TestMainFindsWhatWasPainted(t *testing.T) {
	parts := map[string]float64{"#c22a30": .4, "#f2ebd6": .3, "#4c6a2e": .2, "#2b2540": .1}
	got := Main(speckled(8000, parts))
	if len(got) != 4 {
		t.Fatalf("%d colours, want 4: %v", len(got), got)
	}
	for i, hex := range []string{"#c22a30", "#f2ebd6", "#4c6a2e", "#2b2540"} {
		if d := Difference(got[i].Colour, Must(hex)); d > 2 {
			t.Errorf("colour %d is %s, %.1f from %s", i, got[i].Colour.Hex(), d, hex)
		}
		if got[i].Part < parts[hex]-.02 || got[i].Part > parts[hex]+.02 {
			t.Errorf("%s takes %.3f of the picture, want %.2f", hex, got[i].Part, parts[hex])
		}
	}
	again := Main(speckled(8000, parts))
	for i := range got {
		if again[i] != got[i] {
			t.Error("the same picture gives other colours")
		}
	}
}

func TestMainOfPlainAndCrowdedPictures(t *testing.T) {
	if got := Main(nil); got != nil {
		t.Errorf("nothing gives %v", got)
	}
	flat := make([]Lab, 500)
	for i := range flat {
		flat[i] = Must("#eda437")
	}
	if got := Main(flat); len(got) != 1 || got[0].Part != 1 {
		t.Errorf("one flat colour gives %v", got)
	}
	r := rand.New(rand.NewPCG(5, 6))
	noise := make([]Lab, 5000)
	for i := range noise {
		noise[i] = FromRGB(r.Float64(), r.Float64(), r.Float64())
	}
	got := Main(noise)
	if len(got) < 3 || len(got) > 5 {
		t.Errorf("noise gives %d colours", len(got))
	}
	sum := 0.0
	for i, s := range got {
		sum += s.Part
		if i > 0 && s.Part > got[i-1].Part {
			t.Error("not largest first")
		}
	}
	if sum < .999 || sum > 1.001 {
		t.Errorf("the parts add up to %v", sum)
	}
	// a speck of one part in a hundred is no main colour
	if got := Main(speckled(9000, map[string]float64{"#c22a30": .35, "#f2ebd6": .33, "#4c6a2e": .31, "#808080": .01})); len(got) != 3 {
		t.Errorf("a speck counts: %v", got)
	}
}

func BenchmarkMain(b *testing.B) {
	px := speckled(20000, map[string]float64{"#c22a30": .4, "#f2ebd6": .3, "#4c6a2e": .2, "#2b2540": .1})
	for b.Loop() {
		Main(px)
	}
}
