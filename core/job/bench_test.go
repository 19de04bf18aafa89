package job_test

import (
	"context"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/plan"
	"happytray/core/search"
)

// laid is a real tray of the size a drag has to keep up with.
func laid(tb testing.TB) []byte {
	tb.Helper()
	larder := food.BuiltIn()
	t, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 20}, Month: 11, Board: &board.Request{ID: "rectangle-90-elm"}}, larder, board.BuiltInCabinet())
	if err != nil {
		tb.Fatal(err)
	}
	res, err := search.Lay(context.Background(), t.Trays[0], larder, search.Options{Effort: 1})
	if err != nil {
		tb.Fatal(err)
	}
	b, err := t.With(0, res.Tray).Write()
	if err != nil {
		tb.Fatal(err)
	}
	return b
}

func BenchmarkRead(b *testing.B) {
	raw, larder := laid(b), food.BuiltIn()
	b.SetBytes(int64(len(raw)))
	b.ReportAllocs()
	for b.Loop() {
		if _, err := job.Read(raw, larder); err != nil {
			b.Fatal(err)
		}
	}
}

func BenchmarkWrite(b *testing.B) {
	t, err := job.Read(laid(b), food.BuiltIn())
	if err != nil {
		b.Fatal(err)
	}
	b.ReportAllocs()
	for b.Loop() {
		if _, err := t.Write(); err != nil {
			b.Fatal(err)
		}
	}
}
