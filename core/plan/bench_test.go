package plan_test

import (
	"fmt"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/plan"
	"happytray/core/shop"
)

// threeHundred is a larder of 300 foods: the built-in ones and copies of some at
// other prices.
func threeHundred() *food.Larder {
	var more []food.Food
	all := larder.All()
	for i := 0; len(all)+len(more) < 300; i++ {
		f := all[(i*7)%len(all)]
		f.ID, f.Name = fmt.Sprintf("%s-%d", f.ID, i), fmt.Sprintf("%s %d", f.Name, i)
		f.Liking *= .97
		more = append(more, f)
	}
	return larder.With(more)
}

func benchmarkPlan(b *testing.B, guests int) {
	l, cabinet := threeHundred(), board.BuiltInCabinet()
	br := brief.Brief{Guests: brief.Guests{Adults: guests}, Month: 11}
	for b.Loop() {
		if _, err := plan.FromBrief(br, l, cabinet); err != nil {
			b.Fatal(err)
		}
	}
}

func BenchmarkPlan40Of300(b *testing.B)   { benchmarkPlan(b, 40) }
func BenchmarkPlan2000Of300(b *testing.B) { benchmarkPlan(b, 2000) }

// A slider of the amounts: the foods and the board stay, everything else is new.
func BenchmarkSlide40(b *testing.B) {
	cabinet := board.BuiltInCabinet()
	job, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 40}, Month: 11}, larder, cabinet)
	if err != nil {
		b.Fatal(err)
	}
	br := job.Brief
	br.Foods, br.Board = plan.Wants(job), &board.Request{ID: job.Trays[0].Board.ID}
	n := 0
	for b.Loop() {
		n++
		br.Tilt = map[string]float64{"cheese": float64(n%40) / 20}
		next, err := plan.FromBrief(br, larder, cabinet)
		if err != nil {
			b.Fatal(err)
		}
		shop.NewBasket(next, larder)
	}
}

func BenchmarkSavings40(b *testing.B) {
	cabinet := board.BuiltInCabinet()
	job, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 40}, Month: 11}, larder, cabinet)
	if err != nil {
		b.Fatal(err)
	}
	for b.Loop() {
		shop.Savings(job, larder, cabinet, 3)
	}
}
