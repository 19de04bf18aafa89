package spell

import "testing"

func TestFold(t *testing.T) {
	for in, want := range map[string]string{
		"Gruyère": "gruyere", "Jalapeño": "jalapeno", "plain": "plain", "SMØRREBRØD": "smorrebrod", "Käse": "kase",
		"gru\u0079e\u0300re": "gruyere", "cook’s": "cook's", "œuf": "oeuf", "": "",
	} {
		if got := Fold(in); got != want {
			t.Errorf("%q is folded to %q, not %q", in, got, want)
		}
	}
}

func TestOneSlip(t *testing.T) {
	for _, c := range []struct {
		a, b string
		want bool
	}{
		{"hummus", "hummus", true}, {"hummus", "humus", true}, {"humus", "hummus", true}, {"hummus", "humnus", true}, {"hummus", "hmumus", true},
		{"christmas", "chrismtas", true}, {"hummus", "hmus", false}, {"hummus", "hamnus", false}, {"brie", "", false}, {"a", "", true},
		{"brie", "bire", true}, {"brie", "bri", true}, {"brie", "briee", true}, {"brie", "bride", true}, {"brie", "br", false}, {"brie", "rbei", false}, {"feta", "fate", false}, {"", "ab", false},
	} {
		if OneSlip(c.a, c.b) != c.want || OneSlip(c.b, c.a) != c.want {
			t.Errorf("%q and %q: %v", c.a, c.b, !c.want)
		}
	}
}
