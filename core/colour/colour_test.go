package colour

import (
	"math"
	"testing"
)

// The verification pairs published with the formula by Sharma, Wu and Dalal (2005), table 1.
func TestDifferencePublishedPairs(t *testing.T) {
	pairs := []struct {
		p, q Lab
		want float64
	}{
		{Lab{50, 2.6772, -79.7751}, Lab{50, 0, -82.7485}, 2.0425},
		{Lab{50, 3.1571, -77.2803}, Lab{50, 0, -82.7485}, 2.8615},
		{Lab{50, 2.8361, -74.0200}, Lab{50, 0, -82.7485}, 3.4412},
		{Lab{50, -1.3802, -84.2814}, Lab{50, 0, -82.7485}, 1.0000},
		{Lab{50, -1.1848, -84.8006}, Lab{50, 0, -82.7485}, 1.0000},
		{Lab{50, -0.9009, -85.5211}, Lab{50, 0, -82.7485}, 1.0000},
		{Lab{50, 0, 0}, Lab{50, -1, 2}, 2.3669},
		{Lab{50, -1, 2}, Lab{50, 0, 0}, 2.3669},
		{Lab{50, 2.4900, -0.0010}, Lab{50, -2.4900, 0.0009}, 7.1792},
		{Lab{50, 2.4900, -0.0010}, Lab{50, -2.4900, 0.0010}, 7.1792},
		{Lab{50, 2.4900, -0.0010}, Lab{50, -2.4900, 0.0011}, 7.2195},
		{Lab{50, 2.4900, -0.0010}, Lab{50, -2.4900, 0.0012}, 7.2195},
		{Lab{50, -0.0010, 2.4900}, Lab{50, 0.0009, -2.4900}, 4.8045},
		{Lab{50, -0.0010, 2.4900}, Lab{50, 0.0010, -2.4900}, 4.8045},
		{Lab{50, -0.0010, 2.4900}, Lab{50, 0.0011, -2.4900}, 4.7461},
		{Lab{50, 2.5, 0}, Lab{50, 0, -2.5}, 4.3065},
		{Lab{50, 2.5, 0}, Lab{73, 25, -18}, 27.1492},
		{Lab{50, 2.5, 0}, Lab{61, -5, 29}, 22.8977},
		{Lab{50, 2.5, 0}, Lab{56, -27, -3}, 31.9030},
		{Lab{50, 2.5, 0}, Lab{58, 24, 15}, 19.4535},
		{Lab{50, 2.5, 0}, Lab{50, 3.1736, 0.5854}, 1.0000},
		{Lab{50, 2.5, 0}, Lab{50, 3.2972, 0}, 1.0000},
		{Lab{50, 2.5, 0}, Lab{50, 1.8634, 0.5757}, 1.0000},
		{Lab{50, 2.5, 0}, Lab{50, 3.2592, 0.3350}, 1.0000},
		{Lab{60.2574, -34.0099, 36.2677}, Lab{60.4626, -34.1751, 39.4387}, 1.2644},
		{Lab{63.0109, -31.0961, -5.8663}, Lab{62.8187, -29.7946, -4.0864}, 1.2630},
		{Lab{61.2901, 3.7196, -5.3901}, Lab{61.4292, 2.2480, -4.9620}, 1.8731},
		{Lab{35.0831, -44.1164, 3.7933}, Lab{35.0232, -40.0716, 1.5901}, 1.8645},
		{Lab{22.7233, 20.0904, -46.6940}, Lab{23.0331, 14.9730, -42.5619}, 2.0373},
		{Lab{36.4612, 47.8580, 18.3852}, Lab{36.2715, 50.5065, 21.2231}, 1.4146},
		{Lab{90.8027, -2.0831, 1.4410}, Lab{91.1528, -1.6435, 0.0447}, 1.4441},
		{Lab{90.9257, -0.5406, -0.9208}, Lab{88.6381, -0.8985, -0.7239}, 1.5381},
		{Lab{6.7747, -0.2908, -2.4247}, Lab{5.8714, -0.0985, -2.2286}, 0.6377},
		{Lab{2.0776, 0.0795, -1.1350}, Lab{0.9033, -0.0636, -0.5514}, 0.9082},
	}
	for i, c := range pairs {
		if got := Difference(c.p, c.q); math.Abs(got-c.want) > 5e-5 {
			t.Errorf("pair %d: got %.5f, want %.4f", i+1, got, c.want)
		}
		if a, b := Difference(c.p, c.q), Difference(c.q, c.p); math.Abs(a-b) > 1e-9 {
			t.Errorf("pair %d is not symmetric: %v and %v", i+1, a, b)
		}
	}
}

func TestParse(t *testing.T) {
	for _, c := range []struct {
		hex  string
		want Lab
	}{
		{"#ffffff", Lab{100, 0, 0}}, {"#000000", Lab{0, 0, 0}},
		{"#ff0000", Lab{53.24, 80.09, 67.20}}, {"#808080", Lab{53.59, 0, 0}},
	} {
		got, err := Parse(c.hex)
		if err != nil || math.Abs(got.L-c.want.L) > .05 || math.Abs(got.A-c.want.A) > .05 || math.Abs(got.B-c.want.B) > .05 {
			t.Errorf("%s: got %v, %v; want %v", c.hex, got, err, c.want)
		}
		if got.Hex() != c.hex {
			t.Errorf("%s comes back as %s", c.hex, got.Hex())
		}
	}
	for _, bad := range []string{"", "red", "#fff", "#gggggg", "#1234567", "url(#x)"} {
		if _, err := Parse(bad); err == nil {
			t.Errorf("%q was taken for a colour", bad)
		}
	}
}

func TestFamilies(t *testing.T) {
	for hex, want := range map[string]string{
		"#f4efe2": "white", "#f0b13c": "yellow", "#5b1c3f": "purple", "#9ccc4a": "green",
		"#a52a2e": "red", "#7b4a26": "brown", "#e9d7a8": "cream", "#e8862a": "orange", "#1d1b1c": "dark",
	} {
		if got := Must(hex).Family(); got != want {
			t.Errorf("%s (%+v, chroma %.0f, hue %.0f) is %s, want %s", hex, Must(hex), Must(hex).Chroma(), Must(hex).Hue(), got, want)
		}
	}
}

func BenchmarkDifference(b *testing.B) {
	p, q := Must("#a52a2e"), Must("#f0b13c")
	for b.Loop() {
		Difference(p, q)
	}
}
