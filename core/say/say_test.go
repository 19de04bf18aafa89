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

func TestManyAndLength(t *testing.T) {
	for name, many := range map[string]bool{"Round wheat crackers": true, "Pistachios in the shell": true, "Soft white round": false, "Asparagus": false, "Ripened sheep’s cheese": false, "Water cress": false,
		"Green olives, pitted": true, "Melon and grape on a pick": false, "Young soy beans in the pod": true, "Apricots": true, "Jam of sour cherries": false, "Peppers filled with soft cheese": true, "Olives stuffed with garlic": true, "Almonds dusted with cocoa": true, "": false} {
		if Many(name) != many {
			t.Errorf("%s: %v", name, !many)
		}
	}
	for mm, want := range map[float64]string{45: "45 mm", 99.4: "99 mm", 100: "10 cm", 605: "60 cm", 0: "0 mm"} {
		if got := Length(mm); got != want {
			t.Errorf("%v: %q, want %q", mm, got, want)
		}
	}
}

func TestListsAndLengthsAtTheirEnds(t *testing.T) {
	for _, c := range []struct {
		things  []string
		or, and string
	}{{nil, "", ""}, {[]string{"figs"}, "figs", "figs"}, {[]string{"figs", "pears"}, "figs or pears", "figs and pears"}, {[]string{"figs", "pears", "honey"}, "figs, pears or honey", "figs, pears and honey"}} {
		if Or(c.things) != c.or || And(c.things) != c.and {
			t.Errorf("%v: %q, %q", c.things, Or(c.things), And(c.things))
		}
	}
	for mm, want := range map[float64]string{0: "0 mm", 45: "45 mm", 99.4: "99 mm", 99.5: "10 cm", 610: "61 cm"} {
		if got := Length(mm); got != want {
			t.Errorf("%v mm: %q, want %q", mm, got, want)
		}
	}
}
