// Command drops measures how room is made: elements of every form are put down within their own breadth
// and anywhere on laid trays, and carried there. It prints the tables of docs/arranging.md.
package main

import (
	"cmp"
	"context"
	"flag"
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"strings"
	"time"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
	"happytray/core/plan"
	"happytray/core/review"
	"happytray/core/search"
	"happytray/core/tray"
)

var (
	larder  = food.BuiltIn()
	cabinet = board.BuiltInCabinet()
	ctx     = context.Background()
)

func main() {
	each := flag.Int("drops", 1000, "how many drops")
	seed := flag.Uint64("seed", 1, "which drops")
	tell := flag.Bool("tell", false, "list the drops that do not end well")
	flag.Parse()
	var near, far []drop
	forms := map[string][]drop{}
	r := rand.New(rand.NewPCG(*seed, 2026))
	for n := 0; len(near)+len(far) < *each; n++ {
		t := laid(n, *seed)
		if t == nil {
			continue
		}
		before := review.Judge(t, larder)
		if !before.Legal() {
			continue
		}
		for m := range 25 {
			k := r.IntN(len(t.Elements))
			if !t.Elements[k].Placed || t.Elements[k].Kind() == food.KindGarnish {
				continue
			}
			to := somewhere(r, t, k, m%2 == 0)
			d := dropped(t, before, k, to)
			if *tell && !(d.legal && d.whole) {
				fmt.Printf("tray %d, %s (%s) to %.0f, %.0f: legal %v, whole %v, %.1f lost; %s\n", n, t.Elements[k].ID, t.Elements[k].Form, to.X, to.Y, d.legal, d.whole, d.lost, d.says)
			}
			if m%2 == 0 {
				near = append(near, d)
			} else {
				far = append(far, d)
			}
			forms[t.Elements[k].Form] = append(forms[t.Elements[k].Form], d)
		}
	}
	fmt.Println("| drops | legal, all on board | legal | points lost, mean and worst | others moved, mean and most | put down, mean, p95, most | carried, mean, p95, most |")
	fmt.Println("|---|---|---|---|---|---|---|")
	row(fmt.Sprintf("%d within the thing's own breadth", len(near)), near)
	row(fmt.Sprintf("%d to anywhere", len(far)), far)
	fmt.Println("\n| form | drops | legal, all on board | points lost, mean |")
	fmt.Println("|---|---|---|---|")
	names := make([]string, 0, len(forms))
	for f := range forms {
		names = append(names, f)
	}
	slices.Sort(names)
	for _, f := range names {
		well, lost := 0.0, 0.0
		for _, d := range forms[f] {
			lost += d.lost / float64(len(forms[f]))
			if d.legal && d.whole {
				well += 1 / float64(len(forms[f]))
			}
		}
		fmt.Printf("| %s | %d | %.2f | %.1f |\n", f, len(forms[f]), well, lost)
	}
	fmt.Println("\nHundredths lost by check, mean: near " + lost(near) + "; anywhere " + lost(far))
}

// laid is the nth laid tray of 15 to 60 elements, or nil.
func laid(n int, seed uint64) *tray.Tray {
	b := brief.Brief{Guests: brief.Guests{Adults: 5 + n*7%26}, Month: 1 + (n*5+int(seed))%12, Occasion: []string{"nibble", "grazing", "meal"}[n%3], Choice: n}
	if shape := []string{"", "round", "oval", "", "plank", "half-round"}[n%6]; shape != "" {
		b.Board = &board.Request{Shape: shape}
		if made, err := plan.FromBrief(brief.Brief{Guests: b.Guests, Month: b.Month, Occasion: b.Occasion, Choice: n}, larder, cabinet); err == nil {
			ratio := map[string]float64{"round": 1, "oval": 1.4, "plank": 3, "half-round": 2}[shape]
			w := math.Sqrt(made.Trays[0].Board.UsableMM2() * 1.2 / ratio)
			b.Board.LengthMM, b.Board.WidthMM = w*ratio, w
		}
	}
	j, err := plan.FromBrief(b, larder, cabinet)
	if err != nil || len(j.Trays[0].Elements) < 15 || len(j.Trays[0].Elements) > 60 {
		return nil
	}
	res, err := search.Lay(ctx, j.Trays[0], larder, search.Options{Seed: uint64(n) + seed, Effort: 8})
	if err != nil {
		return nil
	}
	return res.Tray
}

// somewhere is where an element is put: within its own breadth, or anywhere on the board.
func somewhere(r *rand.Rand, t *tray.Tray, k int, near bool) geom.Pose {
	pose, box := t.Elements[k].Pose(), t.Elements[k].Pieces[0].Outline.Bounds()
	for _, p := range t.Elements[k].Pieces {
		box = box.Union(p.Outline.Bounds())
	}
	if near {
		by := geom.Polar(r.Float64()*math.Min(box.W(), box.H()), r.Float64()*360)
		return geom.Pose{X: pose.X + by.X, Y: pose.Y + by.Y, Turn: pose.Turn}
	}
	z := t.Board.FoodZone.Bounds()
	return geom.Pose{X: z.Min.X + r.Float64()*z.W(), Y: z.Min.Y + r.Float64()*z.H(), Turn: pose.Turn}
}

type drop struct {
	says         string // what stops it
	legal, whole bool
	lost         float64
	checks       map[string]float64
	moved        float64 // the largest way that another went, mm
	ways         float64 // the mean way of those that moved, mm
	put, carry   time.Duration
}

func dropped(t *tray.Tray, before review.Review, k int, to geom.Pose) (d drop) {
	c, err := pack.NewCarry(t, t.Elements[k].ID)
	if err != nil {
		panic(err)
	}
	began := time.Now()
	c.At(ctx, to)
	d.carry = time.Since(began)
	began = time.Now()
	room := c.PutDown(ctx, larder)
	d.put = time.Since(began)
	after := review.Judge(room.Tray, larder)
	d.legal, d.lost, d.checks = after.Legal(), before.Score-after.Score, map[string]float64{}
	for _, c := range before.Checks {
		d.checks[c.ID] += 100 * c.Score
	}
	for _, c := range after.Checks {
		d.checks[c.ID] -= 100 * c.Score
	}
	was, now, n := 0, 0, 0.0
	for i := range t.Elements {
		e, o := &t.Elements[i], &room.Tray.Elements[room.Tray.Find(t.Elements[i].ID)]
		was, now = was+len(e.Pieces), now+len(o.Pieces)
		if o.Placed && len(o.Pieces) != len(e.Pieces) {
			d.says += fmt.Sprintf("%s %d of %d; ", e.ID, len(o.Pieces), len(e.Pieces))
		}
		if way := e.Pose().At().Dist(o.Pose().At()); i != k && o.Placed && e.Placed && way > .5 {
			d.moved, d.ways, n = math.Max(d.moved, way), d.ways+way, n+1
		}
	}
	d.ways /= math.Max(1, n)
	for _, f := range after.Findings {
		if f.Severity == "stop" {
			d.says += f.Check + " " + strings.Join(f.Elements, " ") + "; "
		}
	}
	d.says += fmt.Sprint("lifted ", room.Lifted, ", ", t.Board.Name, ", ", len(t.Elements))
	d.whole = len(room.Lifted) == 0 && was == now
	return d
}

func row(what string, ds []drop) {
	n := float64(len(ds))
	well, legal, lost, worst, ways, moved := 0.0, 0, 0.0, 0.0, 0.0, 0.0
	for _, d := range ds {
		if d.legal {
			legal++
			if d.whole {
				well++
			}
		}
		lost, worst = lost+d.lost, math.Max(worst, d.lost)
		ways, moved = ways+d.ways, math.Max(moved, d.moved)
	}
	fmt.Printf("| %s | %.3f | %d | %.1f, %.0f | %.0f mm, %.0f mm | %s | %s |\n", what, well/n, legal, lost/n, worst, ways/n, moved,
		times(ds, func(d drop) time.Duration { return d.put }), times(ds, func(d drop) time.Duration { return d.carry }))
}

// times are the mean, the 95th of a hundred and the longest.
func times(ds []drop, of func(drop) time.Duration) string {
	all := make([]time.Duration, len(ds))
	sum := time.Duration(0)
	for i, d := range ds {
		all[i] = of(d)
		sum += all[i]
	}
	slices.Sort(all)
	ms := func(d time.Duration) string { return fmt.Sprintf("%.3g", float64(d.Microseconds())/1000) }
	return ms(sum/time.Duration(len(all))) + ", " + ms(all[len(all)*95/100]) + ", " + ms(all[len(all)-1]) + " ms"
}

func lost(ds []drop) string {
	sum := map[string]float64{}
	for _, d := range ds {
		for g, v := range d.checks {
			sum[g] += v / float64(len(ds))
		}
	}
	names := make([]string, 0, len(sum))
	for g, v := range sum {
		if v > .5 {
			names = append(names, g)
		}
	}
	slices.SortFunc(names, func(a, b string) int { return cmp.Compare(sum[b], sum[a]) })
	for i, g := range names {
		names[i] = fmt.Sprintf("%s %.1f", g, sum[g])
	}
	return strings.Join(names, ", ")
}
