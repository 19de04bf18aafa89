package search_test

import (
	"bytes"
	"context"
	"fmt"
	"math"
	"testing"
	"time"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/job"
	"happytray/core/pack"
	"happytray/core/plan/plantest"
	"happytray/core/review"
	"happytray/core/search"
	"happytray/core/tray"
)

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
	for i, b := range plantest.Generated(n) {
		tr := plantest.Planned(t, b)
		if len(tr.Elements) > 80 && i%9 != 0 {
			continue // one or two large ones are enough, at several seconds each
		}
		res := plantest.Lay(t, tr, search.Options{Seed: uint64(i), Effort: 2})
		name := fmt.Sprintf("brief %d (%+v on %s)", i, b.Guests, tr.Board.Name)
		rev := review.Judge(res.Tray, plantest.Larder)
		if !rev.Legal() {
			t.Errorf("%s: not legal: %+v", name, rev.Findings[0])
		}
		plantest.OneOnTheOther(t, name, res.Tray)
		if math.Abs(rev.Score-res.Score) > 1e-9 {
			t.Errorf("%s: says it scores %v, the review says %v", name, res.Score, rev.Score)
		}
		if err := res.Tray.Check(plantest.Larder); err != nil {
			t.Errorf("%s: %v", name, err)
		}
		g0, c0 := sums(tr)
		g1, c1 := sums(res.Tray)
		unfit := map[string]bool{}
		for _, u := range res.Unfit {
			unfit[u.Food] = true
			if u.Pieces <= 0 || u.AreaCM2 <= 0 || u.Says.IsZero() {
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
	tr := plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 9}})
	write := func(o search.Options) []byte {
		b, err := (&job.Job{Trays: []*tray.Tray{plantest.Lay(t, tr, o).Tray}}).Write()
		if err != nil {
			t.Fatal(err)
		}
		return b
	}
	effort, workers := 14, []int{2, 3, 8}
	if testing.Short() { // under the race detector, where it is the workers that matter
		effort, workers = 5, []int{3}
	}
	first := write(search.Options{Seed: 3, Effort: effort, Workers: 1})
	for _, w := range workers {
		if !bytes.Equal(first, write(search.Options{Seed: 3, Effort: effort, Workers: w})) {
			t.Errorf("%d workers give another tray", w)
		}
	}
	if bytes.Equal(first, write(search.Options{Seed: 4, Effort: effort})) {
		t.Error("another seed gives the same tray")
	}
}

func TestNeverWorseThanGiven(t *testing.T) {
	tr := plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 7}})
	effort := 24
	if testing.Short() {
		effort = 6
	}
	good := plantest.Lay(t, tr, search.Options{Seed: 1, Effort: effort})
	again := plantest.Lay(t, good.Tray, search.Options{Seed: 99, Effort: 1})
	if again.Score < good.Score {
		t.Errorf("given %v, gave back %v", good.Score, again.Score)
	}
}

func TestLockedStaysWhereItIs(t *testing.T) {
	res := plantest.Lay(t, plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 8}}), search.Options{Seed: 5, Effort: 2})
	tr := res.Tray.Clone()
	locked := map[string]tray.Element{}
	for i := range tr.Elements {
		if e := &tr.Elements[i]; e.Placed && i%3 == 0 {
			e.Locked = true
			locked[e.ID] = *e
		}
	}
	out := plantest.Lay(t, tr, search.Options{Seed: 77, Effort: 6, Style: "corners"}).Tray
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
	for _, f := range plantest.Larder.All() {
		for _, s := range f.Forms {
			b := brief.Brief{Guests: brief.Guests{Adults: 4}, Board: &board.Request{Shape: "round", LengthMM: 300}, Foods: []brief.Want{{Food: f.ID, Form: s.Form}}}
			res := plantest.Lay(t, plantest.Planned(t, b), search.Options{Effort: 1})
			placed := 0
			for _, e := range res.Tray.Elements {
				if e.Placed {
					placed++
				}
			}
			if food.Has(s.Form, food.OnFood) { // it wants something under it
				if placed != 0 || len(res.Unfit) != 1 {
					t.Errorf("%s lies on nothing: %+v", f.ID, res.Unfit)
				}
				continue
			}
			if placed == 0 {
				t.Errorf("%s as %s does not lie on an empty board: %+v", f.ID, s.Form, res.Unfit)
			}
			if rev := review.Judge(res.Tray, plantest.Larder); !rev.Legal() {
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
	for _, f := range plantest.Larder.All()[:120] {
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
		res := plantest.Lay(t, plantest.Planned(t, b), search.Options{Seconds: 3, Effort: 2})
		if took := time.Since(start); took > 20*time.Second { // a hang, not a speed
			t.Errorf("%s took %v", name, took)
		}
		if rev := review.Judge(res.Tray, plantest.Larder); !rev.Legal() {
			t.Errorf("%s: %+v", name, rev.Findings[0])
		}
	}
}

func TestStoppingKeepsTheBest(t *testing.T) {
	tr := plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 10}})
	ctx, stop := context.WithCancel(context.Background())
	seen := 0.0
	res, err := search.Lay(ctx, tr, plantest.Larder, search.Options{Effort: 4000, Progress: func(p search.Progress) {
		seen = max(seen, p.Score)
		if p.Tried >= 9 {
			stop()
		}
	}})
	if err != nil || res.Tried >= 4000 || res.Score < seen {
		t.Errorf("stopped after %d with %v, had seen %v (%v)", res.Tried, res.Score, seen, err)
	}
	stop()
	res, err = search.Lay(ctx, tr, plantest.Larder, search.Options{})
	if err != nil || len(res.Tray.Elements) != len(tr.Elements) {
		t.Errorf("stopped before it began: %v", err)
	}
}

func TestLayRefusals(t *testing.T) {
	tr := plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 4}})
	for name, o := range map[string]search.Options{
		"style": {Style: "spiral-galaxy"}, "seconds": {Seconds: -1}, "nan": {Seconds: math.NaN()}, "effort": {Effort: -5}, "much": {Effort: 1e9},
	} {
		if _, err := search.Lay(context.Background(), tr, plantest.Larder, o); err == nil {
			t.Errorf("%s was taken", name)
		}
	}
	if _, err := search.Lay(context.Background(), &tray.Tray{}, plantest.Larder, search.Options{}); err == nil {
		t.Error("a tray without a board was laid")
	}
}

func TestPutAndFindRoom(t *testing.T) {
	ctx := context.Background()
	tr := plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 8}, Foods: plantest.Usual})
	for _, e := range tr.Elements {
		put, err := pack.Put(tr, plantest.Larder, e.ID, geom.Pose{X: 200, Y: 150, Turn: 370})
		if err != nil || !put.Placed || put.X != 200 || put.Y != 150 || put.TurnDeg != 10 || put.Count != e.Count {
			t.Errorf("%s put at %v,%v turned %v: %v", e.ID, put.X, put.Y, put.TurnDeg, err)
		}
	}
	// room is found for the first few on an empty board, and nothing else moves
	for i := range 4 {
		id := tr.Elements[i].ID
		e, room, err := search.FindRoom(ctx, tr, plantest.Larder, id)
		if err != nil || !room || !e.Placed {
			t.Fatalf("%s: room %v, %v", id, room, err)
		}
		tr.Elements[i] = e
		if rev := review.Judge(tr, plantest.Larder); !rev.Legal() {
			t.Fatalf("%s was laid on something: %+v", id, rev.Findings[0])
		}
	}
	if _, err := pack.Put(tr, plantest.Larder, "nobody", geom.Pose{}); err == nil {
		t.Error("an unknown element was put")
	}
	// on a full board it is laid in the middle, and says so
	small := plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 2}, Board: &board.Request{Shape: "round", LengthMM: 140}, Foods: []brief.Want{{Food: "honey", Grams: 400}}})
	for i := range small.Elements {
		e, room, err := search.FindRoom(ctx, small, plantest.Larder, small.Elements[i].ID)
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
	tr := plantest.Lay(t, plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 8}, Foods: []brief.Want{{Food: "orange-block", Form: "tumble"}, {Food: "soft-white-round", Form: "whole"}, {Food: "honey"}}}), search.Options{Effort: 1}).Tray
	for id, form := range map[string]string{"orange-block": "batons", "soft-white-round": "cut-round"} {
		was := tr.Elements[tr.Find(id)]
		e, err := pack.Reform(tr, plantest.Larder, id, form)
		if err != nil || e.Form != form || !e.Placed || len(e.Pieces) != e.Count {
			t.Fatalf("%s: %+v, %v", id, e, err)
		}
		f, _ := plantest.Larder.Get(e.Food)
		spec, _ := f.Spec(form)
		if math.Abs(e.Grams-was.Grams) > spec.MassG*8 {
			t.Errorf("%s went from %v g to %v g", id, was.Grams, e.Grams)
		}
	}
	for _, bad := range [][2]string{{"orange-block", "trail"}, {"orange-block", "bowl"}, {"nobody", "tumble"}} {
		if _, err := pack.Reform(tr, plantest.Larder, bad[0], bad[1]); err == nil {
			t.Errorf("%v was taken", bad)
		}
	}
}

// BenchmarkFirstLayout is the time to something to look at.
func BenchmarkFirstLayout(b *testing.B) {
	t := plantest.Planned(b, brief.Brief{Guests: brief.Guests{Adults: 12}, Month: 11})
	b.ReportAllocs()
	for b.Loop() {
		plantest.Lay(b, t, search.Options{Effort: 1})
	}
}

// BenchmarkLay25InTwoSeconds lays 25 elements for two seconds and reports how
// many layouts were tried and how good the best is.
func BenchmarkLay25InTwoSeconds(b *testing.B) {
	t := plantest.Planned(b, brief.Brief{Guests: brief.Guests{Adults: 8}, Month: 11, Foods: plantest.Usual})
	if n := len(t.Elements); n < 22 || n > 28 {
		b.Fatalf("%d elements, want about 25", n)
	}
	var score, tried float64
	for i := 0; b.Loop(); i++ {
		res := plantest.Lay(b, t, search.Options{Seed: uint64(i), Seconds: 2, Effort: search.MaxEffort})
		score += res.Score
		tried += float64(res.Tried)
	}
	b.ReportMetric(score/float64(b.N), "score")
	b.ReportMetric(tried/float64(b.N), "layouts")
}

// Mirrored and wheel are not the same thing with another name.
func TestStylesDiffer(t *testing.T) {
	if testing.Short() {
		t.Skip("no other goroutines meet in it")
	}
	tr := plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 9}, Board: &board.Request{ID: "oval-62-walnut"}})
	places := map[string][]geom.Point{}
	for _, style := range brief.Styles {
		res, err := search.Lay(context.Background(), tr, plantest.Larder, search.Options{Style: style, Effort: 2, Seed: 1})
		if err != nil {
			t.Fatal(err)
		}
		for _, e := range res.Tray.Elements {
			if e.Placed && e.Kind() == food.KindAnchor {
				places[style] = append(places[style], e.Pose().At())
			}
		}
	}
	for a, ps := range places {
		for b, qs := range places {
			if a >= b {
				continue
			}
			moved := 0.0
			for i := range min(len(ps), len(qs)) {
				moved += ps[i].Dist(qs[i]) / float64(min(len(ps), len(qs)))
			}
			if moved < 40 {
				t.Errorf("%s and %s put the anchors within %.0f mm of each other", a, b, moved)
			}
		}
	}
}

// Boards are full: hardly any board shows on those that the plan takes, from the first layouts on.
func TestBoardsAreFull(t *testing.T) {
	if testing.Short() {
		t.Skip("no other goroutines meet in it")
	}
	const boards = 14
	cover, gap, least, beside := 0.0, 0.0, 1.0, 0
	for k := range boards {
		tr := plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 4 + 2*k}, Month: 1 + k%12, Occasion: []string{"nibble", "grazing", "meal"}[k%3], Choice: k % 3})
		res := plantest.Lay(t, tr, search.Options{Seed: uint64(k), Effort: 5})
		rev := review.Judge(res.Tray, plantest.Larder)
		c, _ := rev.Value("fit.cover")
		g, _ := rev.Value("fit.gap")
		cover, gap, least = cover+c/boards, gap+g/boards, math.Min(least, c)
		for i := range res.Tray.Elements {
			if !res.Tray.Elements[i].Placed {
				beside++
			}
		}
	}
	t.Logf("cover %.3f in the mean, %.3f at least; the widest bare disc %.0f mm; %d things beside", cover, least, gap, beside)
	if cover < .9 || least < .84 || gap > 22 || beside > boards {
		t.Errorf("cover %.3f in the mean, %.3f at least; the widest bare disc %.0f mm; %d things beside", cover, least, gap, beside)
	}
}

// Where the house wants a little air, pockets stay open and what waits stays beside.
func TestAiryBoardsKeepTheirAir(t *testing.T) {
	b := brief.Brief{Guests: brief.Guests{Adults: 14}, Foods: plantest.Usual}
	cover := func(gaps string) float64 {
		b.Rules = &brief.Rules{Gaps: gaps}
		res := plantest.Lay(t, plantest.Planned(t, b), search.Options{Seed: 3, Effort: 2})
		c, _ := review.Judge(res.Tray, plantest.Larder).Value("fit.cover")
		return c
	}
	if airy, closed := cover("airy"), cover("closed"); airy > closed-.02 {
		t.Errorf("an airy board is %.3f covered, a closed one %.3f", airy, closed)
	}
}
