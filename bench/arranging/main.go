// Command arranging measures the arranger against other ways of laying a tray, and
// writes its tables in Markdown: legality, cover, gap and every group of the review over
// generated briefs; how tightly it packs equal bowls, against the best packings known;
// and what a move costs as elements grow.
package main

import (
	"context"
	"flag"
	"fmt"
	"math"
	"os"
	"sync"
	"time"

	"happytray/core/review"
	"happytray/core/search"
	"happytray/core/tray"
)

func main() {
	briefs := flag.Int("briefs", 64, "how many generated briefs")
	part := flag.String("only", "", "layouts, packing, promises, full, scores or cost; left out, all")
	seed := flag.Uint64("seed", 1, "which briefs the promises are held to")
	long := flag.Float64("long", 10, "the longest time given to one layout, s")
	file := flag.String("curve", "", "where to draw the curve of the cost")
	each := flag.Bool("each", false, "full: every board, too")
	flag.Parse()
	if *part == "" || *part == "layouts" {
		layouts(*briefs, []float64{.3, 2, *long})
	}
	if *part == "" || *part == "packing" {
		packing()
	}
	if *part == "" || *part == "promises" {
		promises(*briefs, *seed)
	}
	if *part == "" || *part == "full" {
		fullness(*briefs, *seed, 2, *each)
	}
	if *part == "" || *part == "scores" {
		scores(*briefs, *seed)
	}
	if *part == "" || *part == "cost" {
		cost(*file)
	}
}

// way is one manner of laying a tray within so many seconds.
type way struct {
	name string
	lay  func(t *tray.Tray, seconds float64, seed uint64) *tray.Tray
}

func ours(t *tray.Tray, seconds float64, seed uint64) *tray.Tray {
	res, err := search.Lay(context.Background(), t, larder, search.Options{Seconds: seconds, Seed: seed, Workers: 1})
	if err != nil {
		panic(err)
	}
	return res.Tray
}

// tally adds up what the review says of many layouts.
type tally struct {
	n, legal              int
	cover, gap, total, ms float64
	groups                map[string]float64
	of                    map[string]int
	slowest               float64
}

func (a *tally) add(t *tray.Tray, took time.Duration, asked float64) {
	rev := review.Judge(t, larder)
	a.n++
	if rev.Fits() {
		a.legal++
	}
	cover, _ := rev.Value("fit.cover")
	gap, _ := rev.Value("fit.gap")
	a.cover += cover
	a.gap += gap
	a.total += rev.Score
	a.ms += took.Seconds()
	a.slowest = math.Max(a.slowest, took.Seconds()-asked)
	if a.groups == nil {
		a.groups, a.of = map[string]float64{}, map[string]int{}
	}
	for g, v := range rev.Groups {
		a.groups[g] += v
		a.of[g]++
	}
}

// layouts lays every brief in every way, two briefs at a time with one worker each.
func layouts(n int, budgets []float64) {
	set := generated(n)
	ways := []way{{"ours", ours}, {"random", random}, {"greedy", greedy}, {"CMA-ES", cmaes}}
	tallies := map[string]*tally{}
	key := func(w way, s float64) string { return fmt.Sprint(w.name, s) }
	for _, w := range ways {
		for _, s := range budgets {
			tallies[key(w, s)] = &tally{}
		}
	}
	var mu sync.Mutex
	jobs := make(chan int)
	var wg sync.WaitGroup
	for range 2 {
		wg.Go(func() {
			for i := range jobs {
				for _, w := range ways {
					for _, s := range budgets {
						start := time.Now()
						laid := w.lay(set[i], s, uint64(i))
						took := time.Since(start)
						mu.Lock()
						tallies[key(w, s)].add(laid, took, s)
						mu.Unlock()
					}
				}
				fmt.Fprint(os.Stderr, ".")
			}
		})
	}
	for i := range set {
		jobs <- i
	}
	close(jobs)
	wg.Wait()
	fmt.Fprintln(os.Stderr)

	least, most := math.MaxInt, 0
	for _, t := range set {
		least, most = min(least, len(t.Elements)), max(most, len(t.Elements))
	}
	fmt.Printf("%d briefs, %d to %d elements, one core for each layout.\n\n", len(set), least, most)
	fmt.Print("| way | asked | legal | cover | gap mm |")
	for _, g := range review.Groups {
		fmt.Printf(" %s |", g.Name)
	}
	fmt.Print(" total | took | over |\n|---|---|---|---|---|")
	for range review.Groups {
		fmt.Print("---|")
	}
	fmt.Println("---|---|---|")
	for _, s := range budgets {
		for _, w := range ways {
			a := tallies[key(w, s)]
			k := float64(a.n)
			fmt.Printf("| %s | %g s | %d/%d | %.3f | %.0f |", w.name, s, a.legal, a.n, a.cover/k, a.gap/k)
			for _, g := range review.Groups {
				fmt.Printf(" %.1f |", a.groups[g.Name]/math.Max(1, float64(a.of[g.Name])))
			}
			fmt.Printf(" **%.1f** | %.2f s | %.0f ms |\n", a.total/k, a.ms/k, 1000*a.slowest)
		}
	}
	fmt.Println()
}
