package review_test

import (
	"cmp"
	"context"
	"slices"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/plan"
	"happytray/core/review"
	"happytray/core/search"
	"happytray/core/tray"
)

// large is a laid tray of about 60 elements and 800 pieces.
func large(b *testing.B) (*tray.Tray, *food.Larder) {
	larder := food.BuiltIn()
	j, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 30}, Month: 11, Board: &board.Request{ID: "rectangle-110-pine"}}, larder, board.BuiltInCabinet())
	if err != nil {
		b.Fatal(err)
	}
	res, err := search.Lay(context.Background(), j.Trays[0], larder, search.Options{Effort: 1})
	if err != nil {
		b.Fatal(err)
	}
	return res.Tray, larder
}

// sizes reports what was reviewed, after the loop, which forgets earlier reports.
func sizes(b *testing.B, t *tray.Tray) {
	pieces := 0
	for _, e := range t.Elements {
		pieces += len(e.Pieces)
	}
	b.ReportMetric(float64(len(t.Elements)), "elements")
	b.ReportMetric(float64(pieces), "pieces")
}

func BenchmarkReview(b *testing.B) {
	t, larder := large(b)
	b.ReportAllocs()
	for b.Loop() {
		review.Judge(t, larder)
	}
	sizes(b, t)
}

// BenchmarkReviewAfterMove is a hand moving one element after another by a few
// millimetres, with the whole review after each move.
func BenchmarkReviewAfterMove(b *testing.B) {
	t, larder := large(b)
	live := review.NewLive(t, larder)
	b.ReportAllocs()
	for i := 0; b.Loop(); i++ {
		k := (i / 8) % len(t.Elements)
		to := t.Elements[k].Pose()
		to.X += float64(i % 8)
		live.Move(k, to)
		live.Review()
	}
	sizes(b, t)
}

// BenchmarkReviewAfterManyMove is what making room does: an element and the eight nearest to it move by a few millimetres,
// with the whole review, and go back when the hand goes on.
func BenchmarkReviewAfterManyMove(b *testing.B) {
	t, larder := large(b)
	live := review.NewLive(t, larder)
	b.ReportAllocs()
	var moved []int
	for i := 0; b.Loop(); i++ {
		for _, k := range moved {
			live.Set(k, t.Elements[k])
		}
		at := t.Elements[i%len(t.Elements)].Pose().At()
		moved = moved[:0]
		for k := range t.Elements {
			moved = append(moved, k)
		}
		slices.SortStableFunc(moved, func(a, b int) int {
			return cmp.Compare(t.Elements[a].Pose().At().Dist(at), t.Elements[b].Pose().At().Dist(at))
		})
		moved = moved[:9]
		for _, k := range moved {
			to := t.Elements[k].Pose()
			to.X += float64(1 + i%8)
			live.Move(k, to)
		}
		live.Review()
	}
	sizes(b, t)
}
