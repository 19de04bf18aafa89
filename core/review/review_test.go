package review

import (
	"fmt"
	"math/rand/v2"
	"reflect"
	"slices"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/tray"
)

var larder = food.BuiltIn()

// table makes an empty 600 x 400 tray.
func table() *tray.Tray {
	b, err := board.Make(board.Request{Shape: "rectangle", LengthMM: 600, WidthMM: 400})
	if err != nil {
		panic(err)
	}
	return &tray.Tray{Brief: brief.Brief{Guests: brief.Guests{Adults: 8}}, Board: &b, Vessels: board.Vessels()}
}

// put lays n pieces of a food at a pose.
func put(t *tray.Tray, id, form string, n int, x, y, turn float64) {
	f, ok := larder.Get(id)
	if !ok {
		panic(id)
	}
	s, ok := f.Spec(form)
	if !ok {
		panic(form)
	}
	e := tray.Element{ID: fmt.Sprintf("%s-%d", id, len(t.Elements)), Food: id, Form: form, Category: f.Category, Count: n,
		Grams: s.MassG * float64(n), Placed: true, X: x, Y: y, TurnDeg: turn, Wetness: f.Wetness}
	var v *board.Vessel
	if form == "bowl" {
		e.Vessel = "dip-bowl"
		bowl, _ := t.Vessel("dip-bowl")
		v = &bowl
	}
	e.Pieces = tray.LayOut(f, s, v, geom.Pose{X: x, Y: y, Turn: turn}, food.FormByID(form).Lay(id, s, n))
	t.Elements = append(t.Elements, e)
}

func has(r Review, check string) bool {
	for _, f := range r.Findings {
		if f.Check == check {
			return true
		}
	}
	return false
}

// What a practitioner means is no fault: a star need not come again, and crackers lie round a bowl. Two whole cheeses side by side,
// and an accent that is no star, are still told.
func TestWhatIsMeantIsNoFault(t *testing.T) {
	laid := func(build func(t *tray.Tray)) Review {
		tr := table()
		build(tr)
		return Judge(tr, larder)
	}
	star := func(size float64) func(t *tray.Tray) {
		return func(t *tray.Tray) {
			cloth(t, "almonds", "almonds", "almonds", "almonds", "almonds", "almonds")
			box(t, "orange-block", "whole", size, 100, 120, 100, 40)
			box(t, "aged-hard", "whole", 60, 60, 400, 300, 40)
		}
	}
	told := func(r Review, check string) bool {
		return slices.ContainsFunc(r.Findings, func(f Finding) bool { return f.Check == check })
	}
	if told(laid(star(120)), "colour.repeat") {
		t.Error("the star is asked to come again")
	}
	small := laid(func(t *tray.Tray) {
		cloth(t, "almonds", "almonds", "almonds", "almonds", "almonds", "almonds")
		box(t, "raspberries", "drift", 60, 100, 100, 100, 20)
		box(t, "aged-hard", "whole", 80, 80, 400, 300, 40)
	})
	if !told(small, "colour.repeat") {
		t.Error("a spot of red in one place is let through")
	}
	if told(laid(func(t *tray.Tray) {
		put(t, "honey", "bowl", 1, 200, 200, 0)
		box(t, "water-biscuits", "shingle", 150, 60, 200, 268, 20)
	}), "spread.size") {
		t.Error("crackers against a bowl are told")
	}
	if !told(laid(func(t *tray.Tray) {
		box(t, "orange-block", "whole", 90, 90, 250, 200, 40)
		box(t, "aged-hard", "whole", 90, 90, 344, 200, 40)
	}), "spread.size") {
		t.Error("two whole cheeses side by side are let through")
	}
}

// Each case is built by hand to pass a check just, or to fail it just.
func TestChecksOnHandBuiltTrays(t *testing.T) {
	cases := []struct {
		name  string
		build func(t *tray.Tray)
		check string
		found bool
	}{
		{"bowl inside", func(t *tray.Tray) { put(t, "honey", "bowl", 1, 46, 60, 0) }, "fit.inside", false},
		{"bowl over the edge", func(t *tray.Tray) { put(t, "honey", "bowl", 1, 38, 60, 0) }, "fit.inside", true},
		{"bowls touching", func(t *tray.Tray) {
			put(t, "honey", "bowl", 1, 100, 100, 0)
			put(t, "fig-jam", "bowl", 1, 172.9, 100, 0)
		}, "fit.overlap", false},
		{"bowls in each other", func(t *tray.Tray) { put(t, "honey", "bowl", 1, 100, 100, 0); put(t, "fig-jam", "bowl", 1, 169, 100, 0) }, "fit.overlap", true},
		{"sprig over a bowl is welcome", func(t *tray.Tray) {
			put(t, "honey", "bowl", 1, 100, 100, 0)
			put(t, "rosemary", "sprig", 1, 120, 100, 0)
		}, "fit.overlap", false},
		{"sprig leans out a little", func(t *tray.Tray) { put(t, "rosemary", "sprig", 1, 43, 100, 0) }, "fit.inside", false},
		{"sprig hangs far out", func(t *tray.Tray) { put(t, "rosemary", "sprig", 1, 20, 100, 0) }, "fit.inside", true},
		{"wet far from crisp", func(t *tray.Tray) {
			put(t, "strawberries", "halves", 1, 100, 100, 0)
			put(t, "round-crackers", "arc", 1, 189, 100, 0)
		}, "care.wetdry", false},
		{"wet beside crisp", func(t *tray.Tray) {
			put(t, "strawberries", "halves", 1, 100, 100, 0)
			put(t, "round-crackers", "arc", 1, 165, 100, 0)
		}, "care.wetdry", true},
		{"wet food that the file says was dried off", func(t *tray.Tray) {
			put(t, "strawberries", "halves", 1, 100, 100, 0)
			t.Elements[0].Wetness = food.Dry
			put(t, "round-crackers", "arc", 1, 165, 100, 0)
		}, "care.wetdry", false},
		{"dry food that the file says is wet", func(t *tray.Tray) {
			put(t, "almonds", "drift", 3, 100, 100, 0)
			t.Elements[0].Wetness = food.Juicy
			put(t, "round-crackers", "arc", 1, 140, 100, 0)
		}, "care.wetdry", true},
		{"wet in a bowl", func(t *tray.Tray) {
			put(t, "gherkins", "bowl", 9, 100, 100, 0)
			put(t, "round-crackers", "arc", 1, 170, 100, 0)
		}, "care.wetdry", false},
		{"log with room to cut", func(t *tray.Tray) {
			put(t, "fresh-goat-log", "whole", 1, 200, 200, 0)
			put(t, "honey", "bowl", 1, 360, 200, 0)
		}, "service.cutroom", false},
		{"log with a bowl before it", func(t *tray.Tray) {
			put(t, "fresh-goat-log", "whole", 1, 200, 200, 0)
			put(t, "honey", "bowl", 1, 330, 200, 0)
		}, "service.cutroom", true},
		{"log with low crackers before it", func(t *tray.Tray) {
			put(t, "fresh-goat-log", "whole", 1, 200, 200, 0)
			put(t, "round-crackers", "arc", 1, 320, 200, 0)
		}, "service.cutroom", false},
		{"grape alone near the edge", func(t *tray.Tray) { put(t, "red-grapes", "cluster", 1, 30, 200, 0) }, "care.roll", true},
		{"grape in the middle", func(t *tray.Tray) { put(t, "red-grapes", "cluster", 1, 300, 200, 0) }, "care.roll", false},
		{"grape held by two bowls", func(t *tray.Tray) {
			put(t, "red-grapes", "cluster", 1, 30, 200, 0)
			put(t, "honey", "bowl", 1, 46, 152, 0)
			put(t, "fig-jam", "bowl", 1, 46, 248, 0)
		}, "care.roll", false},
		{"near-black neighbours", func(t *tray.Tray) {
			put(t, "dark-chocolate", "tumble", 30, 150, 150, 0)
			put(t, "blackberries", "drift", 30, 232, 150, 0)
		}, "colour.neighbour", false},
		{"two heaps of one kind", func(t *tray.Tray) {
			put(t, "almonds", "drift", 40, 150, 150, 0)
			put(t, "almonds", "drift", 40, 228, 150, 0)
		}, "spread.kind", true},
		{"empty board has a bare patch", func(t *tray.Tray) { put(t, "honey", "bowl", 1, 100, 100, 0) }, "fit.gap", true},
		{"nuts where nuts are avoided", func(t *tray.Tray) {
			t.Brief.Diets = []brief.Diet{{Avoid: []string{"nuts"}}}
			put(t, "almonds", "drift", 9, 200, 200, 0)
		}, "care.allergen", true},
		{"everything right of the middle", func(t *tray.Tray) {
			put(t, "orange-block", "tumble", 30, 500, 200, 0)
			put(t, "aged-hard", "tumble", 30, 500, 120, 0)
		}, "spread.weight", true},
		{"children and grapes", func(t *tray.Tray) { t.Brief.Guests.Children = 2; put(t, "red-grapes", "cluster", 9, 300, 200, 0) }, "care.child", true},
	}
	for _, c := range cases {
		tr := table()
		c.build(tr)
		r := Judge(tr, larder)
		if got := has(r, c.check); got != c.found {
			t.Errorf("%s: %s found = %v, want %v (%+v)", c.name, c.check, got, c.found, r.Checks)
		}
		for _, f := range r.Findings {
			if f.Severity == Stop && r.Score > GateScore {
				t.Errorf("%s: a gate fails but the tray scores %v", c.name, r.Score)
			}
		}
	}
}

func TestRampAndTotal(t *testing.T) {
	for _, c := range []struct {
		good, bad float64
		v, want   float64
	}{{.95, .7, .95, 1}, {.95, .7, .7, 0}, {22, 60, 41, .5}, {22, 60, 90, 0}, {22, 60, 3, 1}} {
		r := Rule{Good: c.good, Bad: c.bad}
		if got := r.Score(c.v); got < c.want-1e-9 || got > c.want+1e-9 {
			t.Errorf("%+v: %v", c, got)
		}
	}
	gated := map[string]float64{"fit.inside": 10, "fit.cover": 1, "colour.neighbour": 30}
	if r := total(shipped, gated); r.Score != GateScore {
		t.Errorf("a gate fails, score %v", r.Score)
	}
	if gated["fit.inside"] = 0; total(shipped, gated).Score <= GateScore {
		t.Error("no gate fails, and still the total is held down")
	}
}

func TestCoverCountsArea(t *testing.T) {
	tr := table()
	put(tr, "honey", "bowl", 1, 300, 200, 0)
	put(tr, "fig-jam", "bowl", 1, 150, 200, 0)
	r := Judge(tr, larder)
	v, _ := r.Value("fit.cover")
	want := 2 * tr.Elements[0].Pieces[0].Outline.Area() / tr.Board.FoodZone.Area()
	if v < want*.97 || v > want*1.03 {
		t.Errorf("cover %.4f, true %.4f", v, want)
	}
}

// Following moves must give exactly what a review from scratch gives.
func TestLiveEqualsFull(t *testing.T) {
	r := rand.New(rand.NewPCG(11, 12))
	tr := crowded(24)
	live := NewLive(tr, larder)
	for step := range 60 {
		i := r.IntN(len(tr.Elements))
		live.Move(i, geom.Pose{X: 40 + r.Float64()*520, Y: 40 + r.Float64()*320, Turn: r.Float64() * 360})
		got, want := live.Review(), Judge(live.Tray(), larder)
		if !reflect.DeepEqual(got, want) {
			t.Fatalf("step %d, element %d: following gives %+v\nfrom scratch %+v", step, i, got.Checks, want.Checks)
		}
	}
}

// crowded lays n elements of many forms anywhere.
func crowded(n int) *tray.Tray {
	r := rand.New(rand.NewPCG(13, 14))
	tr := table()
	foods := larder.All()
	for i := range n {
		f := foods[(i*7)%len(foods)]
		s := f.Forms[0]
		count := 13
		if food.FormByID(s.Form).Kind() == food.KindAnchor {
			count = max(1, s.N)
		}
		put(tr, f.ID, s.Form, count, 40+r.Float64()*520, 40+r.Float64()*320, r.Float64()*360)
	}
	return tr
}
