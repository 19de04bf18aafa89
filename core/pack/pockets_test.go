package pack_test

import (
	"context"
	"math"
	"slices"
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
	"happytray/core/plan/plantest"
	"happytray/core/review"
	"happytray/core/tray"
)

// grams is what a tray and its reserve hold of each food.
func grams(t *tray.Tray) map[string]float64 {
	out := map[string]float64{}
	for _, f := range t.Foods() {
		out[f] = t.GramsOf(f)
	}
	return out
}

func sameGrams(t *testing.T, was map[string]float64, now *tray.Tray) {
	t.Helper()
	for f, g := range was {
		if got := now.GramsOf(f); math.Abs(got-g) > .21 {
			t.Errorf("%s: %.1f g of %.1f", f, got, g)
		}
	}
}

// emptied is a laid tray of which every second piece of the small food was put into the reserve.
func emptied(t *testing.T, guests int) *tray.Tray {
	t.Helper()
	tr := plantest.LaidFor(t, guests).Clone()
	n := 0
	for i := range tr.Elements {
		e := &tr.Elements[i]
		f, _ := plantest.Larder.Get(e.Food)
		if e.Kind() != food.KindLoose || e.Vessel != "" || !f.FillsGaps() && f.Category != food.Nut || len(e.Pieces) < 8 {
			continue
		}
		each := e.Grams / float64(e.Count)
		gone := len(e.Pieces) / 2
		e.Pieces = e.Pieces[:len(e.Pieces)-gone]
		e.Count -= gone
		e.Grams = math.Round(10*each*float64(e.Count)) / 10
		tr.Reserve = append(tr.Reserve, tray.Reserve{Food: e.Food, Form: e.Form, Count: gone, Grams: math.Round(10*each*float64(gone)) / 10, Why: pack.NoRoom})
		n += gone
	}
	if n < 20 {
		t.Fatalf("only %d pieces were taken away", n)
	}
	return tr
}

// What waits goes into what is bare: the tray is fuller, legal, nothing lies wet by crisp or high before a knife, and no gram
// comes or goes.
func TestPocketsAreFilled(t *testing.T) {
	for _, guests := range []int{8, 16} {
		tr := emptied(t, guests)
		was, given := grams(tr), pack.Pieces(tr)
		before := review.Judge(tr, plantest.Larder)
		full := pack.FillFromReserve(context.Background(), tr, plantest.Larder)
		after := review.Judge(full, plantest.Larder)
		if pack.Pieces(tr) != given {
			t.Error("the tray that was given changed")
		}
		if pack.Pieces(full) < given+15 {
			t.Errorf("%d guests: %d pieces were laid", guests, pack.Pieces(full)-given)
		}
		a, _ := before.Value("fit.cover")
		b, _ := after.Value("fit.cover")
		if b < a+.005 || !after.Legal() || after.ScoreOf("care.wetdry") < before.ScoreOf("care.wetdry") || after.ScoreOf("service.cutroom") < before.ScoreOf("service.cutroom") {
			t.Errorf("%d guests: cover %.3f after %.3f, legal %v, wet by crisp %v after %v", guests, b, a, after.Legal(), after.ScoreOf("care.wetdry"), before.ScoreOf("care.wetdry"))
		}
		sameGrams(t, was, full)
		for i := range full.Elements {
			if e := &full.Elements[i]; e.Placed && e.Kind() == food.KindLoose && e.Vessel == "" && e.Count != len(e.Pieces) {
				t.Errorf("%s: %d pieces of %d", e.ID, len(e.Pieces), e.Count)
			}
		}
		again := pack.FillFromReserve(context.Background(), tr, plantest.Larder)
		for i := range full.Elements {
			if !pack.LiesAlike(&full.Elements[i], &again.Elements[i]) {
				t.Fatalf("%s lies otherwise each time", full.Elements[i].ID)
			}
		}
	}
	bare := plantest.LaidFor(t, 8).Clone()
	bare.Reserve = nil
	if pack.FillFromReserve(context.Background(), bare, plantest.Larder) != bare {
		t.Error("filled from nothing")
	}
	crackers := plantest.LaidFor(t, 8).Clone()
	crackers.Reserve = slices.DeleteFunc(crackers.Reserve, func(r tray.Reserve) bool {
		f, _ := plantest.Larder.Get(r.Food)
		return f.Category != food.Cracker
	})
	if pack.FillFromReserve(context.Background(), crackers, plantest.Larder) != crackers {
		t.Error("crackers fill gaps")
	}
}

// layoutOf is a layout of a tray with what is placed on it.
func layoutOf(tr *tray.Tray) *pack.Layout {
	l := pack.NewLayout(pack.NewProblem(tr, plantest.Larder), tr)
	for i := range tr.Elements {
		if tr.Elements[i].Placed {
			l.AddElement(i)
		}
	}
	return l
}

// Food of the reserve comes back to its heaps as far as there is room, but for crackers, and what is small waits for the gaps.
func TestTheReserveComesBack(t *testing.T) {
	tr := plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 10}, Foods: plantest.Usual})
	var loose []int
	for i := range tr.Elements {
		if e := &tr.Elements[i]; e.Kind() == food.KindLoose && e.Vessel == "" {
			loose = append(loose, i)
		}
	}
	e := &tr.Elements[loose[0]]
	tr.Reserve = slices.DeleteFunc(tr.Reserve, func(r tray.Reserve) bool { return r.Food == e.Food })
	tr.Reserve = append(tr.Reserve, tray.Reserve{Food: e.Food, Form: e.Form, Count: 12, Grams: 12 * e.Grams / float64(e.Count), Why: pack.NoRoom},
		tray.Reserve{Food: "round-crackers", Form: "drift", Count: 9, Grams: 27, Why: "beside the board, kept crisp"})
	was, food0 := grams(tr), e.Food
	count := func() (n int) {
		for _, i := range loose {
			if tr.Elements[i].Food == food0 {
				n += tr.Elements[i].Count
			}
		}
		return n
	}
	before := count()
	l := layoutOf(tr) // nothing lies yet: all of the board is room
	l.Balance(loose)
	if got := count(); got != before+12 {
		t.Errorf("%d pieces of %s, %d with the reserve", got, food0, before+12)
	}
	if k := slices.IndexFunc(tr.Reserve, func(r tray.Reserve) bool { return r.Food == "round-crackers" && r.Form == "drift" }); k < 0 || tr.Reserve[k].Count != 9 {
		t.Error("crackers came to the board")
	}
	sameGrams(t, was, tr)
	small := slices.IndexFunc(tr.Elements, func(e tray.Element) bool { return e.Food == "almonds" })
	had := tr.Elements[small].Count
	l.HoldFillers(loose)
	if now := tr.Elements[small].Count; now >= had || now < had/2 {
		t.Errorf("%d of %d almonds are laid at first", now, had)
	}
	sameGrams(t, was, tr)
	stuffed := tr.Clone()
	stuffed.Board.FoodZone = geom.Outline{geom.Pt(0, 0), geom.Pt(160, 0), geom.Pt(160, 120), geom.Pt(0, 120)}
	n := len(stuffed.Reserve)
	layoutOf(stuffed).Balance(loose)
	if len(stuffed.Reserve) != n {
		t.Error("food comes back to a board that has no room for it")
	}
}

// What is pushed together closes the gaps that are too wide for a slit and too narrow for food; nothing comes to lie in anything,
// and what is locked stays.
func TestGathered(t *testing.T) {
	tr := plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 12}, Foods: plantest.Usual})
	var bowls []int
	for i := range tr.Elements {
		tr.Elements[i].Placed = false
		if tr.Elements[i].Vessel != "" {
			bowls = append(bowls, i)
		}
	}
	if len(bowls) < 2 {
		t.Fatal("two bowls are wanted")
	}
	mid := tr.Board.FoodZone.Centroid()
	set := func(k int, x float64) {
		put, err := pack.Put(tr, plantest.Larder, tr.Elements[k].ID, geom.Pose{X: x, Y: mid.Y})
		if err != nil {
			t.Fatal(err)
		}
		tr.Elements[k] = put
	}
	set(bowls[0], mid.X)
	set(bowls[1], mid.X)
	wide := pack.BoxOf(tr.Elements[bowls[0]].Pieces).W()/2 + pack.BoxOf(tr.Elements[bowls[1]].Pieces).W()/2
	for _, c := range []struct {
		gap    float64
		locked bool
		closes bool
	}{{11, false, true}, {11, true, false}, {40, false, false}} {
		set(bowls[0], mid.X)
		set(bowls[1], mid.X+wide+c.gap)
		tr.Elements[bowls[0]].Locked, tr.Elements[bowls[1]].Locked = c.locked, c.locked
		layoutOf(tr).Gather(context.Background())
		a, b := geom.NewBody(tr.Elements[bowls[0]].Pieces[0].Outline), geom.NewBody(tr.Elements[bowls[1]].Pieces[0].Outline)
		gap := geom.Gap(&a, &b, 100)
		if d, _ := geom.Penetration(&a, &b); d > 0 || (gap < 3) != c.closes {
			t.Errorf("%.0f mm apart, locked %v: %.1f mm now, %.1f deep", c.gap, c.locked, gap, d)
		}
	}
}

// What a guest avoids, or what may hold it, stays in its heap; and where the house wants its air nothing is filled.
func TestWhatIsNotStrewn(t *testing.T) {
	tr := emptied(t, 12)
	lies := func(tr *tray.Tray) map[string]int {
		out := map[string]int{}
		for i := range tr.Elements {
			out[tr.Elements[i].Food] += len(tr.Elements[i].Pieces)
		}
		return out
	}
	was, strewn := lies(tr), 0
	for f, n := range lies(pack.FillFromReserve(context.Background(), tr, plantest.Larder)) {
		if food, _ := plantest.Larder.Get(f); food.Holds("nuts") && n > was[f] {
			strewn += n - was[f]
		}
	}
	if strewn == 0 {
		t.Fatal("no nuts are strewn where everybody eats them")
	}
	tr.Brief.Diets = []brief.Diet{{Who: "Ilka", Count: 1, Avoid: []string{"nuts"}}}
	for f, n := range lies(pack.FillFromReserve(context.Background(), tr, plantest.Larder)) {
		if food, _ := plantest.Larder.Get(f); n > was[f] && (food.Holds("nuts") || slices.Contains(food.MayContain, "nuts")) {
			t.Errorf("%d of %s are strewn where a guest avoids nuts", n-was[f], f)
		}
	}
	tr.Brief.Diets = nil
	tr.Rules.Gaps = "airy"
	if pack.FillFromReserve(context.Background(), tr, plantest.Larder) != tr {
		t.Error("pockets are filled where the house wants its air")
	}
}

// What waits of a food in two lines of the reserve, as there was no room and as the board was full, is all of it laid.
func TestEveryLineOfTheReserveFills(t *testing.T) {
	tr := emptied(t, 14)
	one := pack.FillFromReserve(t.Context(), tr, plantest.Larder)
	split := tr.Clone()
	split.Reserve = nil
	for _, r := range tr.Reserve {
		a, b := r, r
		a.Count, a.Grams = 1, math.Round(10*r.Grams/float64(r.Count))/10
		b.Count, b.Grams, b.Why = r.Count-1, r.Grams-a.Grams, "the board is full; top up from this"
		split.Reserve = append(split.Reserve, a, b)
	}
	was := grams(split)
	two := pack.FillFromReserve(t.Context(), split, plantest.Larder)
	if a, b := pack.Pieces(one), pack.Pieces(two); b < a {
		t.Errorf("%d pieces lie there of one line, %d of two", a, b)
	}
	sameGrams(t, was, two)
	for _, r := range two.Reserve {
		if r.Count < 0 || r.Grams < 0 || r.Count == 0 && r.Grams > .05 {
			t.Errorf("left: %+v", r)
		}
	}
}
