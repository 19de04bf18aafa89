package arrange

import (
	"context"
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/portion"
)

var larder = food.BuiltIn()

func BenchmarkFirstLayout(b *testing.B) {
	t, err := portion.Plan(brief.Brief{Guests: brief.Guests{Adults: 12}, Month: 11}, larder)
	if err != nil {
		b.Fatal(err)
	}
	for b.Loop() {
		if _, err := Lay(context.Background(), t, larder, Options{Effort: 1}); err != nil {
			b.Fatal(err)
		}
	}
}
