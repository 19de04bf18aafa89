package main

import (
	"context"
	"fmt"
	"math"
	"math/rand/v2"
	"os"
	"strings"
	"time"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/geom"
	"happytray/core/plan"
	"happytray/core/review"
	"happytray/core/search"
	"happytray/core/tray"
)

func circle(r, at float64) geom.Outline {
	return geom.Circle(r, 256).Move(geom.Pt(at, at))
}

func square(side, at float64) geom.Outline { return geom.Box(side, side, 0).Move(geom.Pt(at, at)) }

// cost measures a first layout and a single judged move as elements grow.
func cost(file string) {
	var points []point
	fmt.Print("| elements | pieces | first layout | the same for each element | judged move | the same for each element |\n|---|---|---|---|---|---|\n")
	for _, want := range []int{10, 20, 40, 80, 160} {
		t := sized(want)
		start := time.Now()
		const times = 3
		var res search.Result
		for k := range times {
			var err error
			if res, err = search.Lay(context.Background(), t, larder, search.Options{Effort: 1, Seed: uint64(k), Workers: 1}); err != nil {
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
		points = append(points, point{float64(len(t.Elements)), float64(move.Microseconds()) / 1000, float64(first.Milliseconds())})
		n := time.Duration(len(t.Elements))
		fmt.Printf("| %d | %d | %d ms | %.1f ms | %.2f ms | %.1f µs |\n", len(t.Elements), pieces, first.Milliseconds(), float64((first/n).Microseconds())/1000,
			float64(move.Microseconds())/1000, float64((move/n).Nanoseconds())/1000)
	}
	fmt.Println()
	if file != "" {
		if err := os.WriteFile(file, []byte(curve(points)), 0o644); err != nil {
			panic(err)
		}
	}
}

// point is what one size of tray costs, ms.
type point struct{ elements, move, first float64 }

// decimals is how many decimals a figure is written with.
func decimals(v float64) int {
	if v < 20 {
		return 1
	}
	return 0
}

// curve draws the cost of a judged move, and of a first layout, over the elements.
func curve(points []point) string {
	last := points[len(points)-1]
	var b strings.Builder
	b.WriteString(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 760 300" font-family="sans-serif" font-size="14">` + "\n")
	for k, c := range []struct {
		title, unit, ink string
		of               func(p point) float64
	}{{"a judged move", "ms", "#2a5c8f", func(p point) float64 { return p.move }}, {"a first layout", "ms", "#9b5a2a", func(p point) float64 { return p.first }}} {
		x := func(v float64) float64 { return 50 + float64(k)*380 + 290*v/last.elements }
		y := func(v float64) float64 { return 250 - 200*v/(1.1*c.of(last)) }
		fmt.Fprintf(&b, `<path d="M%.0f 40V250H%.0f" fill="none" stroke="#777"/><text x="%.0f" y="24">%s</text>`+"\n", x(0), x(last.elements), x(0), c.title)
		line := ""
		for i, p := range points {
			line += fmt.Sprintf(" %.1f,%.1f", x(p.elements), y(c.of(p)))
			fmt.Fprintf(&b, `<circle cx="%.1f" cy="%.1f" r="4" fill="%s"/>`+"\n", x(p.elements), y(c.of(p)), c.ink)
			if i >= len(points)-3 { // the small ones would lie upon each other
				fmt.Fprintf(&b, `<text x="%.1f" y="268" text-anchor="middle" fill="#555">%.0f</text><text x="%.1f" y="%.1f" text-anchor="end" fill="%s">%.*f %s</text>`+"\n",
					x(p.elements), p.elements, x(p.elements)-8, y(c.of(p))-6, c.ink, decimals(c.of(p)), c.of(p), c.unit)
			}
		}
		fmt.Fprintf(&b, `<polyline points="%s" fill="none" stroke="%s" stroke-width="2"/><text x="%.0f" y="290" text-anchor="middle" fill="#555">elements</text>`+"\n", line, c.ink, x(last.elements/2))
	}
	b.WriteString("</svg>\n")
	return b.String()
}

// sized plans for as many guests as come nearest to so many elements.
func sized(want int) *tray.Tray {
	var best *tray.Tray
	off := math.MaxInt
	for _, guests := range []int{1, 2, 3, 4, 6, 8, 10, 12, 14, 17, 20, 25, 30, 40, 50, 60, 75, 90, 105, 120, 150} {
		for _, occasion := range []string{"nibble", "grazing", "meal"} {
			made, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: guests}, Occasion: occasion}, larder, board.BuiltInCabinet())
			if err != nil {
				continue
			}
			t := made.Trays[0]
			if d := len(t.Elements) - want; max(d, -d) < off {
				off, best = max(d, -d), t
			}
		}
	}
	return best
}
