package plantest

import (
	"context"
	"math"
	"math/rand/v2"
	"sync"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/diet"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
	planning "happytray/core/plan"
	"happytray/core/search"
	"happytray/core/tray"
)

// Larder is the built-in one.
var Larder = food.BuiltIn()

// Planned is the tray of a brief, not laid yet.
func Planned(tb testing.TB, b brief.Brief) *tray.Tray {
	tb.Helper()
	j, err := planning.FromBrief(b, Larder, board.BuiltInCabinet())
	if err != nil {
		tb.Fatalf("%+v: %v", b, err)
	}
	return j.Trays[0]
}

// Usual is a choice of foods as one lays them often, for tests that want just these.
var Usual = func() (out []brief.Want) {
	for _, id := range []string{"soft-white-round", "mountain-wheel", "orange-block", "aged-hard", "fresh-goat-log", "wide-sausage", "smoked-ham", "air-dried-ham", "honey", "chickpea-dip",
		"green-olives", "gherkins", "red-grapes", "blackberries", "apple", "cherry-tomatoes", "dried-apricots", "dates", "almonds", "pecans", "round-crackers", "baguette-toasts",
		"seed-crackers", "dark-chocolate", "rosemary", "mint"} {
		out = append(out, brief.Want{Food: id})
	}
	return out
}()

// Lay lays a tray, or ends the test.
func Lay(tb testing.TB, t *tray.Tray, o search.Options) search.Result {
	tb.Helper()
	res, err := search.Lay(context.Background(), t, Larder, o)
	if err != nil {
		tb.Fatal(err)
	}
	return res
}

// Generated makes briefs of every size, shape, style, diet and tightness.
func Generated(n int) []brief.Brief {
	r := rand.New(rand.NewPCG(41, 42))
	diets := [][]string{nil, nil, {"meat"}, {"nuts"}, {"gluten"}, {"milk", "animal"}}
	all := Larder.All()
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
			if shape == "figure" {
				b.Board.Figure = string(rune('A' + i%26))
			}
		}
		if i%4 == 3 { // a short list of anything at all
			for range 1 + r.IntN(5) {
				f := all[r.IntN(len(all))]
				if v, _ := diet.Avoiding(b.OffTheTray(), &f); v != diet.Avoided {
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

// lainFor are the trays of LaidFor, by guests.
var lainFor sync.Map // int -> *tray.Tray

// LaidFor is a laid tray to move things about on, the caller's own.
func LaidFor(tb testing.TB, guests int) *tray.Tray {
	tb.Helper()
	if t, ok := lainFor.Load(guests); ok {
		return t.(*tray.Tray).Clone()
	}
	job, err := planning.FromBrief(brief.Brief{Guests: brief.Guests{Adults: guests}, Month: 9, Foods: Usual}, food.BuiltIn(), board.BuiltInCabinet())
	if err != nil {
		tb.Fatal(err)
	}
	res, err := search.Lay(context.Background(), job.Trays[0], food.BuiltIn(), search.Options{Seed: 4, Effort: 4})
	if err != nil {
		tb.Fatal(err)
	}
	lainFor.Store(guests, res.Tray.Clone())
	return res.Tray
}

// Moved is the tray with one element moved by hand.
func Moved(tb testing.TB, t *tray.Tray, k int, by geom.Point, turn float64) (moved *tray.Tray, from geom.Pose) {
	tb.Helper()
	moved = t.Clone()
	e := &moved.Elements[k]
	from = e.Pose()
	to := geom.Pose{X: from.X + by.X, Y: from.Y + by.Y, Turn: from.Turn + turn}
	put, err := pack.Put(moved, food.BuiltIn(), e.ID, to)
	if err != nil {
		tb.Fatal(err)
	}
	moved.Elements[k] = put
	return moved, from
}
