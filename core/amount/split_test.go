package amount

import (
	"math"
	"slices"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/pick"
)

func rectangle(t *testing.T, long, wide float64) board.Board {
	t.Helper()
	b, err := board.Make(board.Request{Shape: "rectangle", LengthMM: long, WidthMM: wide})
	if err != nil {
		t.Fatal(err)
	}
	return b
}

// of is an amount of a made-up food that can be laid one way.
func of(c food.Category, s food.Spec, grams float64) Amount {
	f := &food.Food{ID: "x", Name: "X", Category: c, Density: 1, Liking: .5, Forms: []food.Spec{s}}
	return Amount{Choice: pick.Choice{Food: f, Form: s.Form}, Grams: grams}
}

// Groups worked out by hand: so many pieces of a form into so many groups.
func TestSplitByHand(t *testing.T) {
	wide := rectangle(t, 900, 400) // long enough that a row's length is bounded by 240 mm, not by the board
	drift := food.Spec{Form: "drift", MassG: 1, Group: 20, L: 22, W: 18, H: 12}
	row := food.Spec{Form: "shingle", MassG: 4, Group: 10, L: 60, W: 40, H: 4, Pitch: 10}
	flat := row
	flat.Pitch = 0
	longer := row
	longer.Group = 30
	plain := flat
	plain.Group = 30
	tail := food.Spec{Form: "trail", MassG: 7, Group: 12, L: 50, W: 40, H: 20, Pitch: 14}
	usual := 16 // folds of a trail: 1.4 groups of 12
	round := food.Spec{Form: "cut-round", MassG: 31, L: 118, W: 118, H: 32, N: 8}
	whole := food.Spec{Form: "whole", MassG: 150, L: 90, W: 50, H: 45}
	crossed := food.Spec{Form: "criss-cross", MassG: 6, Group: 8, L: 60, W: 10, H: 10}
	sprig := food.Spec{Form: "sprig", MassG: 1, L: 80, W: 15, H: 8}
	grazing := brief.Brief{Guests: brief.Guests{Adults: 8}}
	mirrored := grazing
	mirrored.Rules = &brief.Rules{Symmetry: "mirrored"}
	plates := brief.Brief{Guests: brief.Guests{Adults: 8}, Serving: "plates"}
	part := func(a Amount) Amount { a.Parts = true; return a }
	for _, c := range []struct {
		name string
		b    brief.Brief
		a    Amount
		want []int
	}{
		{"half a group is one", grazing, of(food.Nut, drift, 10), []int{10}},
		{"two groups", grazing, of(food.Nut, drift, 40), []int{20, 20}},
		{"a little less than would be odd", grazing, of(food.Nut, drift, 43), []int{22, 21}},
		{"odd looks better", grazing, of(food.Nut, drift, 44), []int{15, 15, 14}},
		{"a few real heaps", grazing, of(food.Nut, drift, 100), []int{34, 33, 33}},
		{"more of very many", grazing, of(food.Nut, drift, 240), []int{48, 48, 48, 48, 48}},
		{"three at least", grazing, of(food.Nut, drift, 2), []int{3}},
		{"one on a plate", plates, of(food.Nut, drift, 1), []int{1}},
		{"mirrored, one is answered", mirrored, of(food.Nut, drift, 10), []int{5, 5}},
		{"mirrored, six are two threes", mirrored, of(food.Nut, drift, 6), []int{3, 3}},
		{"mirrored, five are too few", mirrored, of(food.Nut, drift, 5), []int{5}},
		{"mirrored, three become four", mirrored, of(food.Nut, drift, 44), []int{11, 11, 11, 11}},
		{"mirrored, two stay two", mirrored, of(food.Nut, drift, 40), []int{20, 20}},

		{"a row", grazing, of(food.Cheese, row, 48), []int{12}},
		{"three rows", grazing, of(food.Cheese, row, 100), []int{9, 8, 8}},
		{"as long as a row may be", grazing, of(food.Cheese, longer, 84), []int{21}},
		{"one longer than that", grazing, of(food.Cheese, longer, 88), []int{11, 11}},
		{"side by side, a mm apart", grazing, of(food.Cheese, plain, 20), []int{5}},
		{"side by side, one more", grazing, of(food.Cheese, plain, 24), []int{3, 3}},
		{"three at least in a row", grazing, of(food.Cheese, row, 4), []int{3}},

		{"a trail as long as its usual groups allow", grazing, of(food.Meat, tail, 7*float64(usual)), []int{usual}},
		{"a trail longer than that", grazing, of(food.Meat, tail, 7*float64(usual+1)), []int{(usual + 2) / 2, (usual + 1) / 2}},
		{"a short trail", grazing, of(food.Meat, tail, 7), []int{3}},

		{"a round", grazing, of(food.Cheese, round, 250), []int{8}},
		{"two rounds", grazing, of(food.Cheese, round, 480), []int{8, 8}},
		{"six at most", grazing, of(food.Cheese, round, 9000), []int{8, 8, 8, 8, 8, 8}},
		{"a part of a round", grazing, part(of(food.Cheese, round, 93)), []int{3}},
		{"nearly a whole one", grazing, part(of(food.Cheese, round, 7*31)), []int{8}},
		{"two of a round at least", grazing, part(of(food.Cheese, round, 20)), []int{2}},
		{"one of a round on a plate", plates, part(of(food.Cheese, round, 20)), []int{1}},

		{"a wedge", grazing, of(food.Cheese, whole, 150), []int{1}},
		{"wedges", grazing, of(food.Cheese, whole, 460), []int{1, 1, 1}},
		{"six wedges at most", grazing, of(food.Cheese, whole, 3000), []int{1, 1, 1, 1, 1, 1}},
		{"crossed sticks", grazing, of(food.Cheese, crossed, 48), []int{8}},
		{"two crosses", grazing, of(food.Cheese, crossed, 78), []int{7, 6}},
		{"half a cross at least", grazing, of(food.Cheese, crossed, 6), []int{4}},
		{"greens are one, parted when they are laid", grazing, of(food.Garnish, sprig, 4), []int{4}},
	} {
		got := []int{}
		for _, g := range Split([]Amount{c.a}, c.b, wide, board.BuiltInCabinet(), 1, 1) {
			got = append(got, g.Count)
			if spec := c.a.Food.Forms[0]; math.Abs(g.Weight-spec.MassG*float64(g.Count)) > 1e-9 {
				t.Errorf("%s: %d pieces weigh %v", c.name, g.Count, g.Weight)
			}
		}
		if !slices.Equal(got, c.want) {
			t.Errorf("%s: %v, want %v", c.name, got, c.want)
		}
	}
	// what is wider than the board allows stays in reserve, and crackers go by their own measure
	narrow := rectangle(t, 400, 150)
	short := narrow.FoodZone.Bounds().H()
	for _, c := range []struct {
		form string
		part float64
	}{{"cut-round", .8}, {"whole", .85}} {
		for _, over := range []float64{-1, 1} {
			s := food.Spec{Form: c.form, MassG: 31, L: short*c.part + over, W: 30, H: 30, N: 8}
			if got := len(Split([]Amount{of(food.Cheese, s, 250)}, grazing, narrow, board.BuiltInCabinet(), 1, 1)); (got > 0) != (over < 0) {
				t.Errorf("%s of %.1f mm on a board of %.1f: %d groups", c.form, s.L, short, got)
			}
		}
	}
	biscuits := []Amount{of(food.Cracker, row, 80)}
	count := func(scale, crackers float64) (n int) {
		for _, g := range Split(biscuits, grazing, wide, board.BuiltInCabinet(), scale, crackers) {
			n += g.Count
		}
		return n
	}
	if count(1, 1) != 20 || count(1, .5) != 10 || count(.5, 1) != 10 || count(1, 0) != 0 {
		t.Errorf("crackers: %d, %d, %d, %d", count(1, 1), count(1, .5), count(.5, 1), count(1, 0))
	}
}

// What is loose is held to its part of a board, tiny food and crumbs to less; nothing else is.
func TestHeldByHand(t *testing.T) {
	b := rectangle(t, 600, 400)
	drift := food.Spec{Form: "drift", MassG: 2, Group: 20, L: 30, W: 26, H: 12}
	tiny := food.Spec{Form: "drift", MassG: .4, Group: 60, L: 8, W: 8, H: 6}
	for _, c := range []struct {
		name string
		a    Amount
		part float64
	}{{"nuts", of(food.Nut, drift, 1e6), .2}, {"seeds", of(food.Nut, tiny, 1e6), .04}, {"crumbs", of(food.Cracker, drift, 1e6), .07}} {
		got := Held([]Amount{c.a}, b)[0]
		s := c.a.Food.Forms[0]
		if part := food.FootprintMM2(s, 100) / 100 * got.Grams / s.MassG / b.UsableMM2(); math.Abs(part-c.part) > 1e-9 {
			t.Errorf("%s take %.4f of the board, not %v", c.name, part, c.part)
		}
		if c.a.Grams = 3; Held([]Amount{c.a}, b)[0].Grams != 3 {
			t.Errorf("a little of %s is less now", c.name)
		}
	}
	row := of(food.Cracker, food.Spec{Form: "shingle", MassG: 4, Group: 10, L: 60, W: 40, H: 4, Pitch: 10}, 1e6)
	bowl := of(food.Nut, food.Spec{Form: "bowl", MassG: 1, L: 8, W: 8, H: 6}, 1e6)
	hand := of(food.Nut, drift, 1e6)
	hand.Choice.Grams = 1e6
	for i, a := range Held([]Amount{row, bowl, hand}, b) {
		if a.Grams != 1e6 {
			t.Errorf("%d was held to %v", i, a.Grams)
		}
	}
	groups := Split([]Amount{row, of(food.Nut, drift, 80)}, brief.Brief{Guests: brief.Guests{Adults: 8}}, b, board.BuiltInCabinet(), 1e-4, 1)
	stiff, all := 0.0, 0.0
	for _, g := range groups {
		if all += g.Area(); g.Form == "shingle" {
			stiff += g.Area()
		}
	}
	if Stiff(groups) != stiff || Footprint(groups) != all || stiff == 0 || all == stiff {
		t.Errorf("%v of %v, stiff %v of %v", Footprint(groups), all, Stiff(groups), stiff)
	}
}

// The least that can be seen, by hand.
func TestFewestByHand(t *testing.T) {
	table, two, plates := brief.Brief{Guests: brief.Guests{Adults: 8}}, brief.Brief{Guests: brief.Guests{Adults: 2}}, brief.Brief{Guests: brief.Guests{Adults: 8}, Serving: "plates"}
	child := brief.Brief{Guests: brief.Guests{Children: 1}, Serving: "plates"}
	for _, c := range []struct {
		b     brief.Brief
		group int
		mass  float64
		want  int
	}{
		{table, 20, 1, 10}, {table, 20, 10, 9}, {table, 4, 1, 3}, {table, 20, 200, 1}, {table, 20, 45, 2},
		{two, 20, 1, 3}, {two, 6, 1, 2}, {two, 60, 1, 10},
		{plates, 60, 1, 8}, {plates, 18, 1, 3}, {plates, 6, 1, 2}, {plates, 60, 20, 1}, {child, 60, 1, 4},
	} {
		if got := fewest(c.b, food.Spec{Form: "drift", Group: c.group, MassG: c.mass}); got != c.want {
			t.Errorf("of a group of %d at %v g, for %+v: %d, want %d", c.group, c.mass, c.b.Guests, got, c.want)
		}
	}
	if OneByOne(food.Spec{Form: "drift", MassG: 40}) || !OneByOne(food.Spec{Form: "drift", MassG: 40.5}) || !OneByOne(food.Spec{Form: "bowl", MassG: 1}) || !OneByOne(food.Spec{Form: "whole", MassG: 1}) {
		t.Error("what feeds many is not told from a bite")
	}
	liking := func(form string, long float64) float64 {
		a := of(food.Meat, food.Spec{Form: form, MassG: 5, L: long, W: long, H: 4}, 1)
		return pull(brief.Brief{Guests: brief.Guests{Adults: 8}}, a.Choice)
	}
	if liking("shingle", 40) != .5 || liking("trail", 40) != 1 || liking("drift", 8) != .5*fillerPull || liking("drift", 30) != .5 {
		t.Errorf("weights of %v, %v, %v", liking("shingle", 40), liking("trail", 40), liking("drift", 8))
	}
	if portions(child) != "0.5 portions" || portions(brief.Brief{Guests: brief.Guests{Adults: 1}}) != "one portion" || portions(table) != "8 portions" {
		t.Errorf("%s, %s", portions(child), portions(table))
	}
}
