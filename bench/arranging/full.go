package main

import (
	"context"
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"sync"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/geom"
	"happytray/core/plan"
	"happytray/core/review"
	"happytray/core/search"
	"happytray/core/tray"
)

// onTheirOwn plans n briefs for 4 to 40 guests on the boards that the plan takes, without tables of several runs.
func onTheirOwn(n int, seed uint64) (out []*tray.Tray) {
	r := rand.New(rand.NewPCG(seed, 27))
	for i := 0; len(out) < n; i++ {
		b := brief.Brief{Guests: brief.Guests{Adults: 4 + r.IntN(37)}, Month: 1 + r.IntN(12), Occasion: []string{"nibble", "grazing", "meal"}[r.IntN(3)], Choice: i % 5}
		made, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
		if err != nil {
			panic(err)
		}
		out = append(out, made.Trays[0])
	}
	return out
}

// bareOf measures how full a tray is from its pieces alone, on a raster of 1.5 mm: the share of the food zone that is
// covered, slits under 8 mm closed, and the widest bare disc, mm. Nothing is left out, cutting room neither.
func bareOf(t *tray.Tray) (cover, gap float64) {
	const cell, half = 1.5, 4.0
	zone := t.Board.FoodZone
	g := geom.NewGrid(zone.Bounds(), cell, 24)
	n := g.Cells()
	in, food := make([]bool, n), make([]bool, n)
	fill := func(o geom.Outline, to []bool, v bool) {
		g.Spans(o, func(y, x0, x1 int) {
			for x := x0; x < x1; x++ {
				to[y*g.W+x] = v
			}
		})
	}
	fill(zone, in, true)
	for _, k := range t.Board.Keepouts {
		fill(k, in, false)
	}
	for _, e := range t.Elements {
		for _, p := range e.Pieces {
			fill(p.Outline, food, true)
		}
	}
	all := geom.Window{X0: 0, Y0: 0, X1: g.W, Y1: g.H}
	dist, tmp := make([]int32, n), make([]int32, n)
	block := make([]bool, n)
	for i := range block {
		block[i] = food[i] || !in[i]
	}
	g.DistanceField(dist, tmp, all, block, false)
	most := int32(0)
	for i := range dist {
		if in[i] {
			most = max(most, dist[i])
		}
	}
	g.DistanceField(dist, tmp, all, food, false)
	wide := make([]bool, n) // farther than half a slit from food
	for i := range dist {
		wide[i] = float64(dist[i]) > half*half/cell/cell
	}
	g.DistanceField(dist, tmp, all, wide, false)
	open, covered := 0, 0
	for i := range in {
		if !in[i] {
			continue
		}
		open++
		if !wide[i] && float64(dist[i]) > half*half/cell/cell || food[i] {
			covered++
		}
	}
	return float64(covered) / float64(open), 2 * math.Sqrt(float64(most)) * cell
}

// atOneHeight counts the pairs of pieces of two elements that overlap in the plan by more than half a square millimetre, and
// neither of which lies 3 mm above the other. Stiff ones may touch, by a millimetre.
func atOneHeight(t *tray.Tray) (n int) {
	for i := range t.Elements {
		for j := range i {
			for _, p := range t.Elements[i].Pieces {
				for _, q := range t.Elements[j].Pieces {
					if math.Abs(p.ZMM-q.ZMM) < 2.98 && p.Outline.Bounds().Meets(q.Outline.Bounds()) {
						if a := geom.SharedArea(p.Outline, q.Outline); a > .5 {
							n++
						}
					}
				}
			}
		}
	}
	return n
}

// smallFood is how much of a board food that goes into gaps would cover, laid side by side: what lies, and what waits.
func smallFood(t *tray.Tray) (lies, waits float64) {
	for _, e := range t.Elements {
		if f, ok := larder.Get(e.Food); ok {
			if s, ok := f.Spec(e.Form); ok && s.FillsGaps() && e.Placed {
				lies += float64(len(e.Pieces)) * s.AreaMM2()
			}
		}
	}
	for _, r := range t.Reserve {
		if f, ok := larder.Get(r.Food); ok {
			for _, s := range f.Forms {
				if s.FillsGaps() {
					waits += r.Grams / s.MassG * s.AreaMM2()
					break
				}
			}
		}
	}
	return lies / t.Board.UsableMM2(), waits / t.Board.UsableMM2()
}

// fullness prints how full the plan's own boards are after so many seconds, two boards at a time; with each, every board.
func fullness(n int, seed uint64, seconds float64, each bool) {
	trays := onTheirOwn(n, seed)
	type row struct{ cover, gap, rcover, rgap, score, beside, unplaced, atOne float64 }
	rows := make([]row, len(trays))
	var wg sync.WaitGroup
	next := make(chan int)
	for range 2 {
		wg.Go(func() {
			for i := range next {
				t := trays[i]
				res, err := search.Lay(context.Background(), t, larder, search.Options{Seconds: seconds, Seed: uint64(i) + seed, Workers: 1})
				if err != nil {
					panic(err)
				}
				rev := review.Judge(res.Tray, larder)
				var q row
				q.cover, q.gap = bareOf(res.Tray)
				q.rcover, _ = rev.Value("fit.cover")
				q.rgap, _ = rev.Value("fit.gap")
				q.score = rev.Score
				all := 0.0
				for _, e := range res.Tray.Elements {
					if all += e.Grams; !e.Placed {
						q.unplaced++
						q.beside += e.Grams
					}
				}
				for _, r := range res.Tray.Reserve {
					all += r.Grams
					q.beside += r.Grams
				}
				q.beside /= all
				q.atOne = float64(atOneHeight(res.Tray))
				if rows[i] = q; each {
					lies, waits := smallFood(res.Tray)
					fmt.Printf("%3d %-22s %2.0f guests %-8s cover %.3f gap %3.0f judged %.3f score %3.0f beside %.2f small %.3f + %.3f in reserve\n", i, t.Board.ID,
						t.Brief.Guests.Appetites(), t.Brief.Occasion, q.cover, q.gap, q.rcover, q.score, q.beside, lies, waits)
				}
			}
		})
	}
	for i := range trays {
		next <- i
	}
	close(next)
	wg.Wait()
	of := func(f func(row) float64) []float64 {
		var out []float64
		for _, q := range rows {
			out = append(out, f(q))
		}
		slices.Sort(out)
		return out
	}
	show := func(what, format string, v []float64) {
		sum := 0.0
		for _, x := range v {
			sum += x
		}
		f := "| %s | " + format + ", " + format + ", " + format + ", " + format + " |\n"
		fmt.Printf(f, what, v[0], v[len(v)/2], v[len(v)-1], sum/float64(len(v)))
	}
	fmt.Printf("| %d briefs on the plan's own boards, %g s, one core each | least, middle, most, mean |\n|---|---|\n", n, seconds)
	show("cover, of the pieces alone", "%.3f", of(func(q row) float64 { return q.cover }))
	show("widest bare disc, of the pieces alone, mm", "%.0f", of(func(q row) float64 { return q.gap }))
	show("cover, as judged", "%.3f", of(func(q row) float64 { return q.rcover }))
	show("widest bare disc, as judged, mm", "%.0f", of(func(q row) float64 { return q.rgap }))
	show("score", "%.1f", of(func(q row) float64 { return q.score }))
	show("grams beside the board", "%.2f", of(func(q row) float64 { return q.beside }))
	show("elements without a place", "%.0f", of(func(q row) float64 { return q.unplaced }))
	show("pieces that overlap at one height", "%.0f", of(func(q row) float64 { return q.atOne }))
}
