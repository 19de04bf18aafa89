package arrange

import (
	"bytes"
	"context"
	"fmt"
	"math"
	"math/rand/v2"
	"testing"
	"time"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/job"
	planning "happytray/core/plan"
	"happytray/core/review"
	"happytray/core/tray"
)

var larder = food.BuiltIn()

func planned(tb testing.TB, b brief.Brief) *tray.Tray {
	tb.Helper()
	j, err := planning.Of(b, larder, board.BuiltInCabinet())
	if err != nil {
		tb.Fatalf("%+v: %v", b, err)
	}
	return j.Trays[0]
}

// usual is a choice of foods as one lays them often, for tests that want just these.
var usual = func() (out []brief.Want) {
	for _, id := range []string{"soft-white-round", "mountain-wheel", "orange-block", "aged-hard", "fresh-goat-log", "wide-sausage", "smoked-ham", "air-dried-ham", "honey", "chickpea-dip",
		"green-olives", "gherkins", "red-grapes", "blackberries", "apple", "cherry-tomatoes", "dried-apricots", "dates", "almonds", "pecans", "round-crackers", "baguette-toasts",
		"seed-crackers", "dark-chocolate", "rosemary", "mint"} {
		out = append(out, brief.Want{Food: id})
	}
	return out
}()

func lay(tb testing.TB, t *tray.Tray, o Options) Result {
	tb.Helper()
	res, err := Lay(context.Background(), t, larder, o)
	if err != nil {
		tb.Fatal(err)
	}
	return res
}

// generated makes briefs of every size, shape, style, diet and tightness.
func generated(n int) []brief.Brief {
	r := rand.New(rand.NewPCG(41, 42))
	diets := [][]string{nil, nil, {"meat"}, {"nuts"}, {"gluten"}, {"milk", "animal"}}
	all := larder.All()
	var out []brief.Brief
	for i := range n {
		b := brief.Brief{Guests: brief.Guests{Adults: 1 + int(math.Exp(r.Float64()*4.2)), Children: r.IntN(3)}, Month: 1 + r.IntN(12),
			Occasion: []string{"nibble", "grazing", "meal"}[r.IntN(3)], Rules: &brief.Rules{Style: append([]string{""}, brief.Styles...)[r.IntN(6)]}}
		if d := diets[r.IntN(len(diets))]; d != nil {
			b.Diets = []brief.Diet{{Who: "guests", Avoid: d}}
		}
		if i%3 != 0 {
			shape := board.Shapes[r.IntN(len(board.Shapes)-1)]
			b.Board = &board.Request{Shape: shape, LengthMM: 160 + 900*r.Float64(), WidthMM: 150 + 400*r.Float64(), RimMM: float64(r.IntN(2)) * 20}
		}
		if i%4 == 3 { // a short list of anything at all
			for range 1 + r.IntN(5) {
				f := all[r.IntN(len(all))]
				if f.Breaks(b.OffTheTray()) == "" {
					b.Foods = append(b.Foods, brief.Want{Food: f.ID})
				}
			}
			seen := map[string]bool{}
			var once []brief.Want
			for _, w := range b.Foods {
				if !seen[w.Food] {
					once = append(once, w)
				}
				seen[w.Food] = true
			}
			b.Foods = once
		}
		out = append(out, b)
	}
	return out
}

// sums adds up what a tray holds of each food, on the board, beside it and in reserve.
func sums(t *tray.Tray) (grams map[string]float64, count map[string]int) {
	grams, count = map[string]float64{}, map[string]int{}
	for _, e := range t.Elements {
		grams[e.Food] += e.Grams
		count[e.Food] += e.Count
	}
	for _, r := range t.Reserve {
		grams[r.Food] += r.Grams
		count[r.Food] += r.Count
	}
	return grams, count
}

// Whatever the brief: nothing lies outside or in anything else, nothing is lost,
// the file is sound, and what does not fit is said with its area.
func TestLayoutsAreLegalAndLoseNothing(t *testing.T) {
	n := 26
	if testing.Short() {
		n = 3
	}
	for i, b := range generated(n) {
		tr := planned(t, b)
		if len(tr.Elements) > 80 && i%9 != 0 {
			continue // one or two large ones are enough, at several seconds each
		}
		res := lay(t, tr, Options{Seed: uint64(i), Effort: 2})
		name := fmt.Sprintf("brief %d (%+v on %s)", i, b.Guests, tr.Board.Name)
		rev := review.Of(res.Tray, larder)
		if !rev.Legal() {
			t.Errorf("%s: not legal: %+v", name, rev.Findings[0])
		}
		if math.Abs(rev.Score-res.Score) > 1e-9 {
			t.Errorf("%s: says it scores %v, the review says %v", name, res.Score, rev.Score)
		}
		if err := res.Tray.Check(larder); err != nil {
			t.Errorf("%s: %v", name, err)
		}
		g0, c0 := sums(tr)
		g1, c1 := sums(res.Tray)
		unfit := map[string]bool{}
		for _, u := range res.Unfit {
			unfit[u.Food] = true
			if u.Pieces <= 0 || u.AreaCM2 <= 0 || u.Says == "" {
				t.Errorf("%s: unfit %+v", name, u)
			}
		}
		laid := map[string]int{}
		for _, e := range res.Tray.Elements {
			if e.Placed {
				if e.Vessel == "" && len(e.Pieces) != e.Count {
					t.Errorf("%s: %s has %d pieces for a count of %d", name, e.ID, len(e.Pieces), e.Count)
				}
				laid[e.Food] += e.Count
			} else if len(e.Pieces) > 0 {
				t.Errorf("%s: %s is not placed but has pieces", name, e.ID)
			}
		}
		for food := range g0 {
			if math.Abs(g0[food]-g1[food]) > 1.5 || c0[food] != c1[food] {
				t.Errorf("%s: %s went from %.1f g in %d to %.1f g in %d", name, food, g0[food], c0[food], g1[food], c1[food])
			}
			wanted := 0
			for _, e := range tr.Elements {
				if e.Food == food {
					wanted += e.Count
				}
			}
			if laid[food] < wanted && !unfit[food] {
				t.Errorf("%s: %d of %d %s laid, and nobody says so", name, laid[food], wanted, food)
			}
		}
	}
}

// The same seed and effort give the same bytes on any number of cores.
func TestSameSeedSameTray(t *testing.T) {
	tr := planned(t, brief.Brief{Guests: brief.Guests{Adults: 9}})
	write := func(o Options) []byte {
		b, err := (&job.Job{Trays: []*tray.Tray{lay(t, tr, o).Tray}}).Write()
		if err != nil {
			t.Fatal(err)
		}
		return b
	}
	effort, workers := 14, []int{2, 3, 8}
	if testing.Short() { // under the race detector, where it is the workers that matter
		effort, workers = 5, []int{3}
	}
	first := write(Options{Seed: 3, Effort: effort, Workers: 1})
	for _, w := range workers {
		if !bytes.Equal(first, write(Options{Seed: 3, Effort: effort, Workers: w})) {
			t.Errorf("%d workers give another tray", w)
		}
	}
	if bytes.Equal(first, write(Options{Seed: 4, Effort: effort})) {
		t.Error("another seed gives the same tray")
	}
}

func TestNeverWorseThanGiven(t *testing.T) {
	tr := planned(t, brief.Brief{Guests: brief.Guests{Adults: 7}})
	effort := 24
	if testing.Short() {
		effort = 6
	}
	good := lay(t, tr, Options{Seed: 1, Effort: effort})
	again := lay(t, good.Tray, Options{Seed: 99, Effort: 1})
	if again.Score < good.Score {
		t.Errorf("given %v, gave back %v", good.Score, again.Score)
	}
}

func TestLockedStaysWhereItIs(t *testing.T) {
	res := lay(t, planned(t, brief.Brief{Guests: brief.Guests{Adults: 8}}), Options{Seed: 5, Effort: 2})
	tr := res.Tray.Clone()
	locked := map[string]tray.Element{}
	for i := range tr.Elements {
		if e := &tr.Elements[i]; e.Placed && i%3 == 0 {
			e.Locked = true
			locked[e.ID] = *e
		}
	}
	out := lay(t, tr, Options{Seed: 77, Effort: 6, Style: "corners"}).Tray
	for _, e := range out.Elements {
		was, ok := locked[e.ID]
		if !ok {
			continue
		}
		if e.X != was.X || e.Y != was.Y || e.TurnDeg != was.TurnDeg || len(e.Pieces) != len(was.Pieces) || e.Count != was.Count {
			t.Errorf("%s is locked but moved", e.ID)
		}
		for k := range e.Pieces {
			if e.Pieces[k].At != was.Pieces[k].At {
				t.Errorf("%s: piece %d moved", e.ID, k)
			}
		}
	}
}

// Every single food can be laid alone, in each of its forms, on a small board.
func TestEveryFoodAlone(t *testing.T) {
	if testing.Short() {
		t.Skip("the properties above cover its paths")
	}
	for _, f := range larder.All() {
		for _, s := range f.Forms {
			b := brief.Brief{Guests: brief.Guests{Adults: 4}, Board: &board.Request{Shape: "round", LengthMM: 300}, Foods: []brief.Want{{Food: f.ID, Form: s.Form}}}
			res := lay(t, planned(t, b), Options{Effort: 1})
			placed := 0
			for _, e := range res.Tray.Elements {
				if e.Placed {
					placed++
				}
			}
			if s.Form == "topping" { // it wants something under it
				if placed != 0 || len(res.Unfit) != 1 {
					t.Errorf("%s lies on nothing: %+v", f.ID, res.Unfit)
				}
				continue
			}
			if placed == 0 {
				t.Errorf("%s as %s does not lie on an empty board: %+v", f.ID, s.Form, res.Unfit)
			}
			if rev := review.Of(res.Tray, larder); !rev.Legal() {
				t.Errorf("%s as %s: %+v", f.ID, s.Form, rev.Findings[0])
			}
		}
	}
}

// Impossible and silly wishes get an honest partial answer, never a hang.
func TestImpossibleWishes(t *testing.T) {
	if testing.Short() {
		t.Skip("no other goroutines meet in it")
	}
	ton := brief.Brief{Guests: brief.Guests{Adults: 2000}, Board: &board.Request{Shape: "rectangle", LengthMM: 3000, WidthMM: 3000}}
	for _, f := range larder.All()[:120] {
		ton.Foods = append(ton.Foods, brief.Want{Food: f.ID, Grams: 1e5})
	}
	for name, b := range map[string]brief.Brief{
		"400 elements on 9 m2":    ton,
		"2000 guests on a saucer": {Guests: brief.Guests{Adults: 2000}, Board: &board.Request{Shape: "round", LengthMM: 100}},
		"a thin sliver":           {Guests: brief.Guests{Adults: 30}, Board: &board.Request{Shape: "plank", LengthMM: 2500, WidthMM: 100}},
		"cheese wider than board": {Guests: brief.Guests{Adults: 2}, Board: &board.Request{Shape: "round", LengthMM: 104}, Foods: []brief.Want{{Food: "soft-white-round"}}},
		"kilos of one thing":      {Guests: brief.Guests{Adults: 2}, Foods: []brief.Want{{Food: "almonds", Grams: 9000}}},
		"a zigzag of its own":     {Guests: brief.Guests{Adults: 12}, Board: &board.Request{Outline: geom.Outline{{X: 0, Y: 0}, {X: 500, Y: 0}, {X: 500, Y: 120}, {X: 140, Y: 160}, {X: 500, Y: 240}, {X: 500, Y: 400}, {X: 0, Y: 400}}}},
		"only greens":             {Guests: brief.Guests{Adults: 3}, Foods: []brief.Want{{Food: "rosemary"}}},
		"only a bowl":             {Guests: brief.Guests{Adults: 3}, Foods: []brief.Want{{Food: "honey"}}},
		"only crackers beside":    {Guests: brief.Guests{Adults: 3}, Rules: &brief.Rules{Crackers: "beside"}, Foods: []brief.Want{{Food: "round-crackers"}}},
	} {
		start := time.Now()
		res := lay(t, planned(t, b), Options{Seconds: 3, Effort: 2})
		if took := time.Since(start); took > 20*time.Second { // a hang, not a speed
			t.Errorf("%s took %v", name, took)
		}
		if rev := review.Of(res.Tray, larder); !rev.Legal() {
			t.Errorf("%s: %+v", name, rev.Findings[0])
		}
	}
}

func TestStoppingKeepsTheBest(t *testing.T) {
	tr := planned(t, brief.Brief{Guests: brief.Guests{Adults: 10}})
	ctx, stop := context.WithCancel(context.Background())
	seen := 0.0
	res, err := Lay(ctx, tr, larder, Options{Effort: 4000, Progress: func(p Progress) {
		seen = max(seen, p.Score)
		if p.Tried >= 9 {
			stop()
		}
	}})
	if err != nil || res.Tried >= 4000 || res.Score < seen {
		t.Errorf("stopped after %d with %v, had seen %v (%v)", res.Tried, res.Score, seen, err)
	}
	stop()
	res, err = Lay(ctx, tr, larder, Options{})
	if err != nil || len(res.Tray.Elements) != len(tr.Elements) {
		t.Errorf("stopped before it began: %v", err)
	}
}

func TestLayRefusals(t *testing.T) {
	tr := planned(t, brief.Brief{Guests: brief.Guests{Adults: 4}})
	for name, o := range map[string]Options{
		"style": {Style: "spiral-galaxy"}, "seconds": {Seconds: -1}, "nan": {Seconds: math.NaN()}, "effort": {Effort: -5}, "much": {Effort: 1e9},
	} {
		if _, err := Lay(context.Background(), tr, larder, o); err == nil {
			t.Errorf("%s was taken", name)
		}
	}
	if _, err := Lay(context.Background(), &tray.Tray{}, larder, Options{}); err == nil {
		t.Error("a tray without a board was laid")
	}
}

func TestPutAndFindRoom(t *testing.T) {
	ctx := context.Background()
	tr := planned(t, brief.Brief{Guests: brief.Guests{Adults: 8}, Foods: usual})
	for _, e := range tr.Elements {
		put, err := Put(tr, larder, e.ID, geom.Pose{X: 200, Y: 150, Turn: 370})
		if err != nil || !put.Placed || put.X != 200 || put.Y != 150 || put.TurnDeg != 10 || put.Count != e.Count {
			t.Errorf("%s put at %v,%v turned %v: %v", e.ID, put.X, put.Y, put.TurnDeg, err)
		}
	}
	// room is found for the first few on an empty board, and nothing else moves
	for i := range 4 {
		id := tr.Elements[i].ID
		e, room, err := FindRoom(ctx, tr, larder, id)
		if err != nil || !room || !e.Placed {
			t.Fatalf("%s: room %v, %v", id, room, err)
		}
		tr.Elements[i] = e
		if rev := review.Of(tr, larder); !rev.Legal() {
			t.Fatalf("%s was laid on something: %+v", id, rev.Findings[0])
		}
	}
	if _, err := Put(tr, larder, "nobody", geom.Pose{}); err == nil {
		t.Error("an unknown element was put")
	}
	// on a full board it is laid in the middle, and says so
	small := planned(t, brief.Brief{Guests: brief.Guests{Adults: 2}, Board: &board.Request{Shape: "round", LengthMM: 140}, Foods: []brief.Want{{Food: "honey", Grams: 400}}})
	for i := range small.Elements {
		e, room, err := FindRoom(ctx, small, larder, small.Elements[i].ID)
		if err != nil || !e.Placed {
			t.Fatal(err)
		}
		small.Elements[i] = e
		if i == len(small.Elements)-1 && len(small.Elements) > 3 && room {
			t.Errorf("%d bowls on a saucer", len(small.Elements))
		}
	}
}

func TestReform(t *testing.T) {
	tr := lay(t, planned(t, brief.Brief{Guests: brief.Guests{Adults: 8}, Foods: []brief.Want{{Food: "orange-block", Form: "tumble"}, {Food: "soft-white-round", Form: "whole"}, {Food: "honey"}}}), Options{Effort: 1}).Tray
	for id, form := range map[string]string{"orange-block": "batons", "soft-white-round": "cut-round"} {
		was := tr.Elements[tr.Find(id)]
		e, err := Reform(tr, larder, id, form)
		if err != nil || e.Form != form || !e.Placed || len(e.Pieces) != e.Count {
			t.Fatalf("%s: %+v, %v", id, e, err)
		}
		f, _ := larder.Get(e.Food)
		spec, _ := f.Spec(form)
		if math.Abs(e.Grams-was.Grams) > spec.MassG*8 {
			t.Errorf("%s went from %v g to %v g", id, was.Grams, e.Grams)
		}
	}
	for _, bad := range [][2]string{{"orange-block", "trail"}, {"orange-block", "bowl"}, {"nobody", "tumble"}} {
		if _, err := Reform(tr, larder, bad[0], bad[1]); err == nil {
			t.Errorf("%v was taken", bad)
		}
	}
}

// BenchmarkFirstLayout is the time to something to look at.
func BenchmarkFirstLayout(b *testing.B) {
	t := planned(b, brief.Brief{Guests: brief.Guests{Adults: 12}, Month: 11})
	b.ReportAllocs()
	for b.Loop() {
		lay(b, t, Options{Effort: 1})
	}
}

// BenchmarkLay25InTwoSeconds lays 25 elements for two seconds and reports how
// many layouts were tried and how good the best is.
func BenchmarkLay25InTwoSeconds(b *testing.B) {
	t := planned(b, brief.Brief{Guests: brief.Guests{Adults: 8}, Month: 11, Foods: usual})
	if n := len(t.Elements); n < 22 || n > 28 {
		b.Fatalf("%d elements, want about 25", n)
	}
	var score, tried float64
	for i := 0; b.Loop(); i++ {
		res := lay(b, t, Options{Seed: uint64(i), Seconds: 2, Effort: maxEffort})
		score += res.Score
		tried += float64(res.Tried)
	}
	b.ReportMetric(score/float64(b.N), "score")
	b.ReportMetric(tried/float64(b.N), "layouts")
}
