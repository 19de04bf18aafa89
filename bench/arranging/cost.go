package main

import (
	"context"
	"fmt"
	"math"
	"math/rand/v2"
	"time"

	"happytray/core/arrange"
	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/geom"
	"happytray/core/portion"
	"happytray/core/review"
	"happytray/core/tray"
)

func circle(r, at float64) geom.Outline {
	return geom.Circle(r, 256).Move(geom.Pt(at, at))
}

func square(side, at float64) geom.Outline { return geom.Box(side, side, 0).Move(geom.Pt(at, at)) }

// cost measures a first layout and a single judged move as elements grow.
func cost() {
	fmt.Print("| elements | pieces | first layout | the same for each element | judged move | the same for each element |\n|---|---|---|---|---|---|\n")
	for _, want := range []int{10, 20, 40, 80, 160} {
		t := sized(want)
		start := time.Now()
		const times = 3
		var res arrange.Result
		for k := range times {
			var err error
			if res, err = arrange.Lay(context.Background(), t, larder, arrange.Options{Effort: 1, Seed: uint64(k), Workers: 1}); err != nil {
				panic(err)
			}
		}
		first := time.Since(start) / times
		live := review.NewLive(res.Tray, larder)
		r := rand.New(rand.NewPCG(5, 6))
		const moves = 300
		start = time.Now()
		for range moves {
			i := r.IntN(len(res.Tray.Elements))
			at := res.Tray.Elements[i].Pose()
			at.X += r.Float64()*20 - 10
			live.Move(i, at)
			live.Score()
		}
		move := time.Since(start) / moves
		pieces := 0
		for i := range res.Tray.Elements {
			pieces += len(res.Tray.Elements[i].Pieces)
		}
		n := time.Duration(len(t.Elements))
		fmt.Printf("| %d | %d | %d ms | %.1f ms | %.2f ms | %.1f µs |\n", len(t.Elements), pieces, first.Milliseconds(), float64((first/n).Microseconds())/1000,
			float64(move.Microseconds())/1000, float64((move/n).Nanoseconds())/1000)
	}
	fmt.Println()
}

// sized plans for as many guests as come nearest to so many elements.
func sized(want int) *tray.Tray {
	var best *tray.Tray
	off := math.MaxInt
	for _, guests := range []int{1, 2, 3, 4, 6, 8, 10, 12, 14, 17, 20, 25, 30, 40, 50, 60, 75, 90, 105, 120, 150} {
		for _, occasion := range []string{"nibble", "grazing", "meal"} {
			t, err := portion.Plan(brief.Brief{Guests: brief.Guests{Adults: guests}, Occasion: occasion}, larder, board.BuiltInCabinet())
			if err != nil {
				continue
			}
			if d := len(t.Elements) - want; max(d, -d) < off {
				off, best = max(d, -d), t
			}
		}
	}
	return best
}
