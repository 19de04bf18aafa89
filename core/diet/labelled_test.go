package diet

import (
	"testing"

	"happytray/core/food"
)

func TestLabelled(t *testing.T) {
	for id, want := range map[string]string{"rice-crackers": "gluten-free", "gf-bread": "gluten-free", "round-crackers": "", "red-grapes": ""} {
		f, _ := food.BuiltIn().Get(id)
		if got := Labelled([]string{"gluten"}, f); got != want {
			t.Errorf("%s: %q", id, got)
		}
		if got := Labelled([]string{"milk"}, f); got != "" {
			t.Errorf("%s without milk: %q", id, got)
		}
	}
}
