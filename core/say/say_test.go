package say

import (
	"fmt"
	"testing"
	"unicode/utf8"
)

func ExampleAnd() {
	fmt.Println(And([]string{"figs", "pears", "honey"}), "·", And([]string{"figs"}))
	// Output: figs, pears and honey · figs
}

func TestFirstLetters(t *testing.T) {
	for _, c := range []struct{ in, upper, lower string }{
		{"", "", ""}, {"figs", "Figs", "figs"}, {"Figs", "Figs", "figs"}, {"éclairs", "Éclairs", "éclairs"}, {"Émincé", "Émincé", "émincé"},
		{"ßa", "ßa", "ßa"}, {"7 figs", "7 figs", "7 figs"}, {"🧀 board", "🧀 board", "🧀 board"}, {"\xff", "\xff", "\xff"},
	} {
		if u, l := Upper(c.in), Lower(c.in); u != c.upper || l != c.lower || utf8.ValidString(c.in) && !utf8.ValidString(u) {
			t.Errorf("%q: %q, %q", c.in, u, l)
		}
	}
}

func TestCountsAndHours(t *testing.T) {
	for got, want := range map[string]string{Count(1, "plate"): "1 plate", Count(0, "plate"): "0 plates", Count(3, "plate"): "3 plates",
		Hours(50): "50 min", Hours(120): "2 h", Hours(80.7): "1 h 20 min", Hours(0): "0 min"} {
		if got != want {
			t.Errorf("%q, want %q", got, want)
		}
	}
}
