package prep

import (
	"strings"
	"testing"

	"happytray/core/food"
	"happytray/core/say"
)

// No task says of a food what its name says already, and none makes slices into dishes: every food in every form that is
// made ready ahead.
func TestTasksSayNothingTwice(t *testing.T) {
	said := 0
	for _, f := range food.BuiltIn().All() {
		for _, s := range f.Forms {
			kind, _, code := readied(&f, s)
			if kind == "" || kind == Portion {
				continue
			}
			said++
			says := cutting(&f, say.Food(comesAs(&f)), code, 12, s.L).String()
			seen := map[string]bool{}
			for _, w := range strings.FieldsFunc(strings.ToLower(says), func(r rune) bool { return r == ' ' || r == ',' || r == ':' }) {
				stem := strings.TrimSuffix(strings.TrimSuffix(w, "s"), "d")
				if len(stem) > 3 && seen[stem] {
					t.Errorf("%s as %s: %q", f.ID, s.Form, says)
				}
				seen[stem] = true
			}
			if strings.Contains(says, "12 small dishes") || strings.Contains(says, "a pick") {
				t.Errorf("%s as %s: %q", f.ID, s.Form, says)
			}
		}
	}
	if said < 100 {
		t.Errorf("only %d were looked at", said)
	}
	light := &portion{grams: 2, pieces: 5}
	for id, want := range map[string]string{"thyme": "Wash the thyme, 2 g, and lay it out to dry", "edible-violas": "Rinse 5 edible violas and lay them out to dry"} {
		f, ok := food.BuiltIn().Get(id)
		if !ok {
			t.Fatal(id)
		}
		if got := washed(say.Food(f.Name), f, light).String(); got != want {
			t.Errorf("%q, not %q", got, want)
		}
	}
}
