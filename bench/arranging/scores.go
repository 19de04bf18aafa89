package main

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"sync"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/review"
	"happytray/core/tray"
)

// bad are ways in which somebody without a hand for it would leave a tray, each made of a well laid one.
var bad = []struct {
	name string
	make func(t *tray.Tray, r *rand.Rand)
}{
	{"half of it never laid", func(t *tray.Tray, r *rand.Rand) {
		for n, i := range r.Perm(len(t.Elements)) {
			if e := &t.Elements[i]; n%2 == 0 {
				e.Placed, e.Pieces, e.Path = false, []tray.Piece{}, nil
			}
		}
	}},
	{"on a board twice as long", func(t *tray.Tray, _ *rand.Rand) {
		box := t.Board.Outline.Bounds()
		b := *t.Board
		b.Outline = geom.Box(2*box.W(), box.H(), 8).Move(geom.Pt(box.Min.X+box.W(), box.Centre().Y))
		b.FoodZone, b.Keepouts, b.Wells = b.Outline.Inset(8), nil, nil
		t.Board = &b
	}},
	{"all of one colour, on a board like it", func(t *tray.Tray, _ *rand.Rand) {
		b := *t.Board
		b.Colour, b.Liner = "#d9b98a", ""
		t.Board = &b
		for i := range t.Elements {
			e := &t.Elements[i]
			e.Colour = "#dcbc8c"
			for n := range e.Pieces {
				e.Pieces[n].Colour = e.Colour
			}
		}
		t.Vessels = slices.Clone(t.Vessels)
		for i := range t.Vessels {
			t.Vessels[i].Colour = "#dcbc8c"
		}
	}},
	{"in the middle, a wide rim bare", func(t *tray.Tray, _ *rand.Rand) {
		mid, zone := t.Board.FoodZone.Centroid(), t.Board.FoodZone.Inset(70)
		for i := range t.Elements {
			if e := &t.Elements[i]; e.Placed && !zone.Contains(e.Pose().At()) && e.Pose().At().Dist(mid) > 60 {
				e.Placed, e.Pieces, e.Path = false, []tray.Piece{}, nil
			}
		}
	}},
	{"three heaps and a bowl", func(t *tray.Tray, _ *rand.Rand) {
		heaps, bowls := 0, 0
		for i := range t.Elements {
			e := &t.Elements[i]
			switch {
			case e.Placed && e.Vessel != "" && bowls < 1:
				bowls++
			case e.Placed && e.Vessel == "" && e.Kind() == food.KindLoose && heaps < 3:
				heaps++
			default:
				e.Placed, e.Pieces, e.Path = false, []tray.Piece{}, nil
			}
		}
	}},
	{"put down without looking", nil}, // random, below
}

// scores prints how honest the total is: of n trays laid in 2 s, of a minute's search, and of bad ones.
func scores(n int, seed uint64) {
	trays := onTheirOwn(n, seed)
	total := make([]float64, len(trays))
	var badly [6][]float64
	var mu, wg = sync.Mutex{}, sync.WaitGroup{}
	next := make(chan int)
	for range 2 {
		wg.Go(func() {
			for i := range next {
				laid := ours(trays[i], 2, uint64(i)+seed)
				total[i] = review.Judge(laid, larder).Score
				if i >= 12 {
					continue
				}
				for k, b := range bad {
					var of *tray.Tray
					if b.make == nil {
						of = random(trays[i], .01, uint64(i))
					} else {
						of = laid.Clone()
						b.make(of, rand.New(rand.NewPCG(uint64(i), 5)))
					}
					s := review.Judge(of, larder).Score
					mu.Lock()
					badly[k] = append(badly[k], s)
					mu.Unlock()
				}
			}
		})
	}
	for i := range trays {
		next <- i
	}
	close(next)
	wg.Wait()
	fmt.Printf("| points | least | middle | most |\n|---|---|---|---|\n")
	show := func(what string, v []float64) {
		slices.Sort(v)
		fmt.Printf("| %s | %.1f | %.1f | %.1f |\n", what, v[0], v[len(v)/2], v[len(v)-1])
	}
	show(fmt.Sprintf("%d trays, laid in 2 s on one core", len(trays)), total)
	var long []float64
	for i := range min(4, len(trays)) {
		long = append(long, review.Judge(ours(trays[i], 60, seed), larder).Score)
	}
	show(fmt.Sprintf("%d of them in a minute", len(long)), long)
	for k, b := range bad {
		show(b.name, badly[k])
	}
}
