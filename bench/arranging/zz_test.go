package main

import (
	"fmt"
	"math"
	"sync"
	"testing"

	"happytray/core/food"
	"happytray/core/pack"
)

func TestFillers(t *testing.T) {
	trs := onTheirOwn(40, 1)
	lines := make([]string, len(trs))
	var wg sync.WaitGroup
	next := make(chan int)
	for range 2 { wg.Go(func() { for i := range next {
		l := ours(trs[i], 2, 1+uint64(i))
		c, g := bareOf(l)
		small, mid := 0, 0
		names := ""
		seen := map[string]bool{}
		for _, e := range l.Elements {
			if e.Kind() != food.KindLoose || e.Vessel != "" || len(e.Pieces) == 0 || seen[e.Food] { continue }
			seen[e.Food] = true
			r := math.Sqrt(e.Pieces[0].Outline.Area() / math.Pi)
			if r <= 5.2 { small++; names += fmt.Sprintf(" %s:%.1f", e.Food, r) } else if r <= 9 { mid++; names += fmt.Sprintf(" (%s:%.1f)", e.Food, r) }
		}
		left := 0.0
		for _, r := range l.Reserve { if seen[r.Food] { left += r.Grams } }
		again := pack.FillFromReserve(t.Context(), l, larder)
		c2, _ := bareOf(again)
		_, more := pack.Close(t.Context(), l, larder)
		lines[i] = fmt.Sprintf("%.3f again %.3f %2.0f small %d mid %d reserve of these %.0f g;%s; close %v", c, c2, g, small, mid, left, names, more)
	} }) }
	for i := range trs { next <- i }
	close(next); wg.Wait()
	for _, l := range lines { fmt.Println(l) }
}
