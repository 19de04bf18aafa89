package search_test

import (
	"context"
	"errors"
	"math"
	"slices"
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/plan/plantest"
	"happytray/core/repair"
	"happytray/core/review"
	"happytray/core/search"
	"happytray/core/tray"
)

// Three ways differ, each is legal, the best comes first, and what is locked lies in
// all of them where it lay.
func TestProposalsDiffer(t *testing.T) {
	effort := 3
	if testing.Short() {
		effort = 1
	}
	for _, b := range []brief.Brief{{Guests: brief.Guests{Adults: 9}}, {Guests: brief.Guests{Adults: 6}, Rules: &brief.Rules{Style: "meadow"}}} {
		tr := plantest.Planned(t, b)
		first := plantest.Lay(t, tr, search.Options{Seed: 2, Effort: 1}).Tray
		held := -1
		for i := range first.Elements {
			if e := &first.Elements[i]; e.Placed && e.Kind() == food.KindAnchor {
				e.Locked, held = true, i
				break
			}
		}
		told := 0
		ways, err := search.Propose(context.Background(), first, plantest.Larder, search.Options{Seed: 5, Effort: effort, Progress: func(p search.Progress) {
			if p.Tried < told {
				t.Errorf("%d layouts tried after %d", p.Tried, told)
			}
			told = p.Tried
		}}, 3)
		if err != nil {
			t.Fatal(err)
		}
		if len(ways) < 3 {
			t.Errorf("%d ways for %+v", len(ways), b.Rules)
		}
		for i, w := range ways {
			if rev := review.Judge(w.Tray, plantest.Larder); !rev.Legal() || math.Abs(rev.Score-w.Score) > 1e-9 {
				t.Errorf("way %d: says %v, the review says %v, legal %v", i, w.Score, rev.Score, rev.Legal())
			}
			if i > 0 && w.Score > ways[i-1].Score {
				t.Errorf("way %d is better than the one before it", i)
			}
			if l := w.Tray.Elements[held]; l.X != first.Elements[held].X || l.Y != first.Elements[held].Y {
				t.Errorf("way %d moved what is locked", i)
			}
			for _, o := range ways[:i] {
				if o.Style == w.Style && search.Difference(o.Tray, w.Tray) < search.WorthSeeing {
					t.Errorf("two ways in %s differ by %v only", w.Style, search.Difference(o.Tray, w.Tray))
				}
			}
			if w.Says == "" || w.Differs <= 0 {
				t.Errorf("way %d: %q, differs by %v", i, w.Says, w.Differs)
			}
		}
	}
	for _, n := range []int{0, -1, search.MaxProposals + 1} {
		var bad *fault.Error
		if _, err := search.Propose(context.Background(), plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 2}}), plantest.Larder, search.Options{}, n); !errors.As(err, &bad) {
			t.Errorf("%d ways: %v", n, err)
		}
	}
}

func TestDifferenceIsADistance(t *testing.T) {
	tr := plantest.Lay(t, plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 8}}), search.Options{Effort: 1}).Tray
	if d := search.Difference(tr, tr); d != 0 {
		t.Errorf("a tray differs from itself by %v", d)
	}
	moved := tr.Clone()
	box := tr.Board.FoodZone.Bounds()
	half := math.Hypot(box.W(), box.H()) / 2
	for i := range moved.Elements {
		if e := &moved.Elements[i]; e.Kind() == food.KindAnchor {
			e.X += .1 * half
		}
	}
	if d := search.Difference(tr, moved); d > .1+1e-9 || d < .02 {
		t.Errorf("all anchors a tenth of the half-diagonal farther: %v", d)
	}
}

// On a mirrored tray with even counts nearly every anchor and row has its answer, on a full board, too.
func TestMirroredTraysAnswerThemselves(t *testing.T) {
	if testing.Short() {
		t.Skip("no other goroutines meet in it")
	}
	tr := plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 9}, Foods: plantest.Usual, Rules: &brief.Rules{Symmetry: "mirrored"}, Board: &board.Request{ID: "rectangle-60-cherry"}})
	stiff, answered, mismatch, strewn := 0, 0, 0.0, 0.0
	for seed := range uint64(10) {
		res := plantest.Lay(t, tr, search.Options{Seed: seed, Effort: 3})
		n, have := mirroredIn(res.Tray)
		stiff, answered = stiff+n, answered+have
		v, _ := review.Judge(res.Tray, plantest.Larder).Value("spread.mirror")
		mismatch += v
		if v, ok := review.Judge(plantest.Lay(t, tr, search.Options{Seed: seed, Effort: 3, Style: "meadow"}).Tray, plantest.Larder).Value("spread.mirror"); ok {
			strewn += v
		}
	}
	if 10*answered < 9*stiff {
		t.Errorf("%d of %d stiff things have an answer on the other side", answered, stiff)
	}
	if strewn <= mismatch {
		t.Errorf("mirrored mismatches by %v, strewn by %v", mismatch, strewn)
	}
}

// mirroredIn counts the anchors and rows of a tray, and those of them that stand on its axis or have
// something opposite.
func mirroredIn(on *tray.Tray) (stiff, answered int) {
	centre := on.Board.FoodZone.Centroid()
	for i := range on.Elements {
		e := &on.Elements[i]
		if k := e.Kind(); !e.Placed || k != food.KindAnchor && k != food.KindRow {
			continue
		}
		stiff++
		at := e.Pose().At()
		opposite := func(o tray.Element) bool {
			return o.ID != e.ID && o.Placed && math.Abs(2*centre.X-o.X-at.X) < .6 && math.Abs(o.Y-at.Y) < .6
		}
		if math.Abs(at.X-centre.X) < .6 || slices.ContainsFunc(on.Elements, opposite) {
			answered++
		}
	}
	return stiff, answered
}

// On a tray with a front what is tall stands farther back than what is low.
func TestTallThingsStandBehind(t *testing.T) {
	if testing.Short() {
		t.Skip("no other goroutines meet in it")
	}
	upright := []brief.Want{{Food: "breadsticks", Form: "upright"}, {Food: "carrot-sticks", Form: "upright"}, {Food: "sausage-sticks", Form: "upright"}}
	back, n := 0.0, 0
	for seed := range uint64(8) {
		tr := plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 12}, Foods: slices.Concat(plantest.Usual, upright), Front: "bottom"})
		if tr.Board.Front != "bottom" {
			t.Fatalf("the board's front is %q", tr.Board.Front)
		}
		res := plantest.Lay(t, tr, search.Options{Seed: seed, Effort: 2})
		mid := tr.Board.FoodZone.Centroid().Y
		for i := range res.Tray.Elements {
			e := &res.Tray.Elements[i]
			top := 0.0
			for _, p := range e.Pieces {
				top = math.Max(top, p.ZMM+p.HeightMM)
			}
			if e.Placed && top > 60 {
				back += mid - e.Y
				n++
			}
		}
	}
	if n == 0 || back/float64(n) < 10 {
		t.Errorf("%d tall things stand %.0f mm behind the middle on average", n, back/float64(n))
	}
}

// Meat keeps a distance from cheese where some guests take none.
func TestMeatStandsApart(t *testing.T) {
	if testing.Short() {
		t.Skip("no other goroutines meet in it")
	}
	none := []brief.Diet{{Count: 2, Avoid: []string{"meat"}}}
	gap := func(diets []brief.Diet, seed uint64) float64 {
		tr := plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 12}, Foods: plantest.Usual, Diets: diets, Board: &board.Request{ID: "rectangle-76-oak"}})
		probe := plantest.Lay(t, withDiets(tr, diets), search.Options{Seed: seed, Effort: 4}).Tray
		probe.Brief.Diets = none // both are measured alike
		v, ok := review.Judge(probe, plantest.Larder).Value("pairs.apart")
		if !ok {
			t.Fatal("nothing to keep apart")
		}
		return v
	}
	minded, unminded := 0.0, 0.0
	for seed := range uint64(16) {
		minded += gap(none, seed) / 16
		unminded += gap(nil, seed) / 16
	}
	if minded < unminded+5 {
		t.Errorf("minded %.0f mm apart, unminded %.0f", minded, unminded)
	}
}

func withDiets(t *tray.Tray, diets []brief.Diet) *tray.Tray {
	c := t.Clone()
	c.Brief.Diets = diets
	return c
}

// A well takes small loose food, and mostly that alone.
func TestWellsAreFilled(t *testing.T) {
	if testing.Short() {
		t.Skip("no other goroutines meet in it")
	}
	tr := plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 9}, Board: &board.Request{ID: "rectangle-48-well"}})
	if len(tr.Board.Wells) == 0 {
		t.Fatal("the board has no well")
	}
	inside, stiff := 0, 0
	for seed := range uint64(6) {
		res := plantest.Lay(t, tr, search.Options{Seed: seed, Effort: 4})
		for i := range res.Tray.Elements {
			e := &res.Tray.Elements[i]
			for _, p := range e.Pieces {
				if tr.Board.Wells[0].Contains(p.At) {
					if e.Kind() == food.KindLoose {
						inside++
					} else if e.Kind() == food.KindAnchor {
						stiff++
					}
				}
			}
		}
	}
	if inside < 6*3 || inside < 4*stiff {
		t.Errorf("%d loose pieces and %d anchors lie in the well", inside, stiff)
	}
}

// Every fix that is offered was tried: the move gives exactly the gain.
func TestFixesRaiseTheTotal(t *testing.T) {
	if testing.Short() {
		t.Skip("no other goroutines meet in it")
	}
	offered := 0
	for seed := range uint64(4) {
		tr := plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 9}, Foods: plantest.Usual, Board: &board.Request{Shape: "rectangle", LengthMM: 700, WidthMM: 460}})
		laid := plantest.Lay(t, tr, search.Options{Seed: seed, Effort: 1}).Tray
		stiff := laid.Elements[:0]
		for _, e := range laid.Elements {
			if e.Kind() == food.KindAnchor || e.Kind() == food.KindRow {
				stiff = append(stiff, e)
			}
		}
		laid.Elements = stiff
		for i := range stiff { // somebody pushed a bowl over the edge
			if e := &stiff[i]; e.Vessel != "" && e.Placed {
				e.MoveTo(geom.Pose{X: laid.Board.FoodZone.Bounds().Max.X - 8, Y: e.Y, Turn: e.TurnDeg})
				break
			}
		}
		rev := review.Judge(laid, plantest.Larder)
		before := rev.Score
		repair.Fixes(context.Background(), laid, plantest.Larder, &rev)
		for _, f := range rev.Findings {
			if f.Fix == nil {
				continue
			}
			offered++
			c := laid.Clone()
			c.Elements[c.Find(f.Fix.Element)].MoveTo(geom.Pose{X: f.Fix.X, Y: f.Fix.Y, Turn: f.Fix.TurnDeg})
			if after := review.Judge(c, plantest.Larder).Score; math.Abs(after-before-f.Fix.Gain) > .011 || f.Fix.Gain <= 0 {
				t.Errorf("%s: promised %v, gave %v", f.Fix.Says, f.Fix.Gain, after-before)
			}
			if !strings.HasSuffix(f.Fix.Says.String(), ".") {
				t.Errorf("%q", f.Fix.Says)
			}
		}
	}
	if offered == 0 {
		t.Error("not one fix was found, with a bowl over the edge")
	}
}

// A board that is too small is answered with what was tried and works, and one that
// takes everything with nothing.
func TestImpossibleWishesAreAnswered(t *testing.T) {
	tr := plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 8}, Foods: []brief.Want{{Food: "soft-white-round"}, {Food: "red-grapes"}, {Food: "green-olives"}, {Food: "honey"}, {Food: "aged-hard"}, {Food: "almonds"}, {Food: "round-crackers"}}})
	if says := search.WouldFit(context.Background(), tr, plantest.Larder, nil); says != nil {
		t.Errorf("nothing is missing, and %q is told", says)
	}
	small := search.Scaled(*tr.Board, .82)
	tr.Board = &small
	res := plantest.Lay(t, tr, search.Options{Seed: 1, Effort: 3})
	if search.Missing(res.Unfit) < search.Crumbs*small.UsableMM2() {
		t.Fatalf("the board was to be too small: %+v", res.Unfit)
	}
	says := search.WouldFit(context.Background(), res.Tray, plantest.Larder, res.Unfit)
	if len(says) == 0 {
		t.Fatal("no answer")
	}
	for _, s := range says {
		if !strings.HasSuffix(s.String(), "fits.") && !strings.Contains(s.String(), "second board") {
			t.Errorf("%q", s)
		}
	}
}

// Whatever the board: slivers, necks, islands of room, holes; things larger than it;
// everything locked and in each other's place; weights of nothing. The answer is legal
// or says what is not, within the time.
func TestOddBoardsAndTrays(t *testing.T) {
	if testing.Short() {
		t.Skip("no other goroutines meet in it")
	}
	comb := geom.Outline{}
	for i := range 8 { // teeth too narrow for most things
		x := float64(i) * 50
		comb = append(comb, geom.Pt(x, 0), geom.Pt(x+18, 0), geom.Pt(x+18, 180), geom.Pt(x+50, 180))
	}
	comb = append(comb, geom.Pt(400, 320), geom.Pt(0, 320))
	dumbbell := geom.Outline{geom.Pt(0, 0), geom.Pt(160, 0), geom.Pt(160, 70), geom.Pt(300, 70), geom.Pt(300, 0), geom.Pt(460, 0), geom.Pt(460, 180), geom.Pt(300, 180), geom.Pt(300, 95), geom.Pt(160, 95), geom.Pt(160, 180), geom.Pt(0, 180)}
	for name, req := range map[string]board.Request{
		"comb":     {Shape: "outline", Outline: comb},
		"dumbbell": {Shape: "outline", Outline: dumbbell},
		"ring":     {Shape: "outline", Outline: geom.Circle(210, 60).Move(geom.Pt(210, 210)), Holes: []geom.Outline{geom.Circle(110, 40).Move(geom.Pt(210, 210))}},
		"sliver":   {Shape: "rectangle", LengthMM: 900, WidthMM: 100},
		"stamp":    {Shape: "rectangle", LengthMM: 100, WidthMM: 100},
	} {
		b, err := board.Make(req)
		if err != nil {
			t.Errorf("%s: %v", name, err)
			continue
		}
		tr := plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 8}})
		tr.Board = &b
		res, err := search.Lay(context.Background(), tr, plantest.Larder, search.Options{Seed: 2, Effort: 2, Seconds: 20})
		if err != nil {
			t.Errorf("%s: %v", name, err)
			continue
		}
		if rev := review.Judge(res.Tray, plantest.Larder); !rev.Fits() {
			t.Errorf("%s: %+v", name, rev.Findings[0])
		}
		g0, _ := sums(tr)
		g1, _ := sums(res.Tray)
		for f := range g0 {
			if math.Abs(g0[f]-g1[f]) > 1.5 {
				t.Errorf("%s: %s went from %.1f g to %.1f g", name, f, g0[f], g1[f])
			}
		}
	}

	stuck := plantest.Lay(t, plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 6}}), search.Options{Effort: 1}).Tray
	for i := range stuck.Elements {
		stuck.Elements[i].Locked = true
		if i > 0 && stuck.Elements[i].Placed && stuck.Elements[0].Placed {
			stuck.Elements[i].MoveTo(stuck.Elements[0].Pose())
		}
	}
	res := plantest.Lay(t, stuck, search.Options{Effort: 2})
	for i := range stuck.Elements {
		if a, b := stuck.Elements[i], res.Tray.Elements[i]; a.Placed && (a.X != b.X || a.Y != b.Y) {
			t.Errorf("%s is locked and was moved", a.ID)
		}
	}
	if review.Judge(res.Tray, plantest.Larder).Score > review.GateScore {
		t.Error("everything lies on one spot, and it passes")
	}

	zero := 0.0
	nothing := plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 6}})
	nothing.Rules.Checks = map[string]brief.CheckRule{}
	for _, id := range review.CheckIDs() {
		nothing.Rules.Checks[id] = brief.CheckRule{Weight: &zero}
	}
	if rev := review.Judge(plantest.Lay(t, nothing, search.Options{Effort: 2}).Tray, plantest.Larder); !rev.Fits() || math.IsNaN(rev.Score) {
		t.Errorf("where nothing weighs anything: %v", rev.Score)
	}
}

// Small cases whose best answer is known: three and seven equal bowls in a circle, four
// and nine in a square, of 96.5 % of the diameter that just fits.
func TestKnownPackings(t *testing.T) {
	if testing.Short() {
		t.Skip("no other goroutines meet in it")
	}
	for _, c := range []struct {
		n        int
		shape    string
		diameter float64 // of a bowl, the best known for a zone of 300 mm
	}{{7, "round", 100}, {4, "rectangle", 150}, {9, "rectangle", 100}, {3, "round", 300 / 2.1547}} {
		b, err := board.Make(board.Request{Shape: c.shape, LengthMM: 316, WidthMM: 316})
		if err != nil {
			t.Fatal(err)
		}
		centre := b.FoodZone.Centroid()
		b.FoodZone = geom.Box(300, 300, 0).Move(centre)
		if c.shape == "round" {
			b.FoodZone = geom.Circle(150, 200).Move(centre)
		}
		tr := plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 2}})
		tr.Board, tr.Elements, tr.Reserve = &b, nil, nil
		tr.Vessels = []board.Vessel{{ID: "bowl", Name: "Bowl", DiameterMM: c.diameter * .965, HeightMM: 40, CapacityML: 200, Colour: "#dddddd", Material: "ceramic"}}
		honey, _ := plantest.Larder.Get("honey")
		for i := range c.n {
			tr.Elements = append(tr.Elements, tray.Element{ID: "bowl-" + string(rune('a'+i)), Food: honey.ID, Form: "bowl", Category: honey.Category, Grams: 40, Count: 1, Vessel: "bowl", Colour: honey.Colour, Wetness: honey.Wetness, Pieces: []tray.Piece{}})
		}
		res := plantest.Lay(t, tr, search.Options{Seed: 1, Effort: 40})
		if slices.ContainsFunc(res.Tray.Elements, func(e tray.Element) bool { return !e.Placed }) {
			t.Errorf("%d bowls of %.1f mm do not all find room on a %s board of 300 mm", c.n, c.diameter*.965, c.shape)
		}
	}
}

// In tasting order mild cheeses lie before strong ones, along a long board and round a round one; freely laid they lie as they come.
func TestTastingOrder(t *testing.T) {
	foods := []brief.Want{{Food: "mozzarella-balls"}, {Food: "soft-white-round"}, {Food: "mountain-wheel"}, {Food: "old-wheel"}, {Food: "blue-wedge"}, {Food: "wide-sausage"}, {Food: "red-grapes"}, {Food: "almonds"}, {Food: "round-crackers"}}
	boards := []string{"rectangle-76-oak", "round-60-oak"}
	if testing.Short() { // whether goroutines meet, one board says
		boards = boards[1:]
	}
	for _, id := range boards {
		tr := plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 14}, Foods: foods, Board: &board.Request{ID: id}, Rules: &brief.Rules{Tasting: "cheese"}})
		rev := review.Judge(plantest.Lay(t, tr, search.Options{Seed: 2, Effort: 6}).Tray, plantest.Larder)
		if v, ok := rev.Value("flow.tasting"); !ok || v < .9 {
			t.Errorf("%s: %.2f of the pairs lie mild before strong", id, v)
		}
		if !rev.Legal() {
			t.Errorf("%s is no legal tray", id)
		}
	}
}

// A long table has something a storey high on most of its parts, on the road none, and whatever is set up does not stand
// in what lies round it.
func TestLongTablesRise(t *testing.T) {
	if testing.Short() {
		t.Skip("lays a table")
	}
	for _, travels := range []bool{false, true} {
		tr := plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 60}, Occasion: "grazing", Travels: brief.Travels{Yes: travels}, Board: &board.Request{Shape: "rectangle", LengthMM: 2400, WidthMM: 600}})
		got := plantest.Lay(t, tr, search.Options{Effort: 1}).Tray
		want, high := review.Storeys(got.Board), 0
		for i := range got.Elements {
			e := &got.Elements[i]
			top := 0.0
			for _, p := range e.Pieces {
				top = math.Max(top, p.ZMM+p.HeightMM)
			}
			if up := e.RaisedMM(); up > 0 {
				if e.Vessel == "" && !food.Has(e.Form, food.CutInPlace) {
					t.Errorf("%s, %s, is set up", e.ID, e.Form)
				}
				if top >= review.StoreyMM {
					high++
				}
			}
		}
		switch {
		case want < 2:
			t.Fatalf("a table of %v wants %d", got.Board.FoodZone.Bounds(), want)
		case travels && high > 0:
			t.Errorf("on the road %d stand high", high)
		case !travels && 2*high < want:
			t.Errorf("%d of %d stand high", high, want)
		}
		plantest.OneOnTheOther(t, "a long table", got)
	}
}
