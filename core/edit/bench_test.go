package edit

import (
	"testing"

	"happytray/core/food"
	"happytray/core/plan/plantest"
)

// How long a hand waits over a tray for ten: for what it sees while it carries, and for what lies there when it
// has put something down. Bars: 16 and 60 ms (docs/speed.md).
func BenchmarkPreview(b *testing.B) { benchmark(b, false) }
func BenchmarkCommit(b *testing.B)  { benchmark(b, true) }

func benchmark(b *testing.B, down bool) {
	tr := laid(b, 10)
	var ids []string
	for i := range tr.Elements {
		if e := &tr.Elements[i]; e.Placed && e.Kind() != food.KindGarnish {
			ids = append(ids, e.ID)
		}
	}
	n := 0
	for b.Loop() {
		id := ids[n%len(ids)]
		s, err := NewSession(tr, plantest.Larder, Command{Kind: Move, IDs: []string{id}})
		if err != nil {
			b.Fatal(err)
		}
		s.Preview(b.Context(), *pose(tr, id, float64(n%7*30-90), float64(n%5*30-60), 0))
		if down {
			if _, err := s.Commit(b.Context()); err != nil {
				b.Fatal(err)
			}
		}
		n++
	}
}
