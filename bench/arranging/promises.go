package main

import (
	"context"
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"strings"
	"time"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/plan"
	"happytray/core/review"
	"happytray/core/search"
	"happytray/core/tray"
)

// promised plans n briefs for 2 to 40 guests, on boards of every shape as large as the plan would have
// them.
func promised(n int, seed uint64) (out []*tray.Tray) {
	r := rand.New(rand.NewPCG(seed, 13))
	for i := 0; len(out) < n; i++ {
		b := brief.Brief{Guests: brief.Guests{Adults: 2 + r.IntN(38)}, Month: 1 + r.IntN(12), Occasion: []string{"nibble", "grazing", "meal"}[r.IntN(3)], Choice: i}
		if r.IntN(5) == 0 {
			b.Diets = []brief.Diet{{Who: "guests", Count: 1, Avoid: []string{[]string{"meat", "nuts", "gluten"}[r.IntN(3)]}}}
		}
		made, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
		if err != nil {
			continue
		}
		if shape := board.Shapes[i%len(board.Shapes)]; shape != "outline" && i%4 > 0 {
			ratio := map[string]float64{"round": 1, "hexagon": 1, "plank": 3, "half-round": 2}[shape]
			if ratio == 0 {
				ratio = 1.4
			}
			w := math.Sqrt(made.Trays[0].Board.UsableMM2() * 1.15 / ratio)
			b.Board = &board.Request{Shape: shape, Figure: map[bool]string{true: "B"}[shape == "figure"], LengthMM: w * ratio, WidthMM: w}
			if made, err = plan.FromBrief(b, larder, board.BuiltInCabinet()); err != nil {
				continue
			}
		}
		out = append(out, made.Trays[0])
	}
	return out
}

// promises prints what 2 s come to on trays of every size and shape: wet beside crisp, bare discs, what
// waits beside the board; and how soon the largest are laid.
func promises(n int, seed uint64) {
	var gaps []float64
	wet, told, beside, total := 0, 0, 0, 0.0
	var which []string
	for i, t := range promised(n, seed) {
		res, err := search.Lay(context.Background(), t, larder, search.Options{Seconds: 2, Seed: uint64(i) + seed})
		if err != nil {
			panic(err)
		}
		rev := review.Judge(res.Tray, larder)
		total += rev.Score / float64(n)
		for _, c := range rev.Checks {
			switch c.ID {
			case "fit.gap":
				gaps = append(gaps, c.Value)
			case "care.wetdry":
				if c.Value > 0 {
					wet++
					pairs := ""
					for _, f := range rev.Findings {
						if f.Check == c.ID {
							for _, id := range f.Elements {
								e := &res.Tray.Elements[res.Tray.Find(id)]
								pairs += fmt.Sprintf(", %s (%s, %s)", id, e.Form, e.Wetness)
							}
						}
					}
					which = append(which, fmt.Sprintf("%d: %s, %d elements: %.0f%s", i, t.Board.Name, len(t.Elements), c.Value, pairs))
					if says := fmt.Sprint(res.Unfit); strings.Contains(says, "crisp") {
						told++
					}
				}
			}
		}
		for k := range res.Tray.Elements {
			if !res.Tray.Elements[k].Placed {
				beside++
			}
		}
	}
	slices.Sort(gaps)
	fmt.Println("| what | figure |\n|---|---|")
	fmt.Printf("| %d briefs, 2 s each: total | %.1f |\n", n, total)
	fmt.Printf("| with something wet beside something crisp; of these said | %d; %d |\n", wet, told)
	fmt.Printf("| widest bare disc, median and most | %.0f, %.0f mm |\n", gaps[len(gaps)/2], gaps[len(gaps)-1])
	fmt.Printf("| elements beside their boards | %d |\n", beside)
	for _, w := range which {
		fmt.Println("|", w, "| |")
	}
	t := sized(160)
	start := time.Now()
	if _, err := search.Lay(context.Background(), t, larder, search.Options{Effort: 1, Seed: 1}); err != nil {
		panic(err)
	}
	fmt.Printf("| first layout of %d elements, two cores | %d ms |\n", len(t.Elements), time.Since(start).Milliseconds())
	j, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 200}, Month: 6, Occasion: "grazing"}, larder, board.BuiltInCabinet())
	if err != nil {
		panic(err)
	}
	for _, t := range j.Trays[:1] {
		res, err := search.Lay(context.Background(), t, larder, search.Options{Seconds: 2, Seed: 1})
		if err != nil {
			panic(err)
		}
		waits := 0
		for k := range res.Tray.Elements {
			if !res.Tray.Elements[k].Placed {
				waits++
			}
		}
		fmt.Printf("| a run for 200 guests, %d elements, 2 s: beside the board | %d |\n", len(t.Elements), waits)
	}
}
