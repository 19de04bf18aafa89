package pack_test

import (
	"reflect"
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/pack"
	"happytray/core/plan/plantest"
	"happytray/core/review"
	"happytray/core/tray"
)

// bared is a laid tray that lost half of its small food for good.
func bared(t *testing.T, guests int) *tray.Tray {
	t.Helper()
	tr := emptied(t, guests)
	tr.Reserve = nil
	return tr
}

// What closes a board is named to the gram, lies well, and is of two foods at most; the reserve stays as it was.
func TestWhatClosesABoard(t *testing.T) {
	for _, guests := range []int{8, 14} {
		tr := bared(t, guests)
		tr.Reserve = []tray.Reserve{{Food: "aged-hard", Form: "tumble", Count: 4, Grams: 40, Why: pack.NoRoom}}
		given := tr.Clone()
		now, more := pack.Close(t.Context(), tr, plantest.Larder)
		if now == nil || len(more) == 0 || len(more) > 2 {
			t.Fatalf("%d guests: %+v closes it", guests, more)
		}
		if !reflect.DeepEqual(tr, given) || !reflect.DeepEqual(now.Reserve, given.Reserve) {
			t.Error("what was given, or the reserve, is otherwise")
		}
		extra := map[string]float64{}
		for _, m := range more {
			if m.Count < 1 || m.Grams <= 0 {
				t.Errorf("%+v", m)
			}
			extra[m.Food] += m.Grams
		}
		for _, f := range tr.Foods() {
			if got, want := now.GramsOf(f)-tr.GramsOf(f), extra[f]; got < want-.3 || got > want+.3 {
				t.Errorf("%s: %.1f g more, %.1f named", f, got, want)
			}
		}
		plantest.OneOnTheOther(t, "closed", now)
		was, is := review.Judge(tr, plantest.Larder), review.Judge(now, plantest.Larder)
		a, _ := was.Value("fit.cover")
		b, _ := is.Value("fit.cover")
		if !is.Legal() || b < a+.01 {
			t.Errorf("%d guests: cover %.3f, and %.3f before; legal: %v", guests, b, a, is.Legal())
		}
		t.Logf("%d guests: cover %.3f to %.3f, score %.1f to %.1f, %+v", guests, a, b, was.Score, is.Score, more)
	}
}

func TestWhatIsNotClosed(t *testing.T) {
	tr := bared(t, 8)
	for name, change := range map[string]func(*tray.Tray){
		"the house wants air": func(tr *tray.Tray) { tr.Rules.Gaps = "airy" },
		"everybody avoids it all": func(tr *tray.Tray) {
			tr.Brief.Diets = []brief.Diet{{Count: 1, Avoid: []string{"nuts", "animal", "sulphites", "gluten", "milk"}}, {Count: 1, Avoid: food.Allergens[:]}}
		},
		"nothing lies there": func(tr *tray.Tray) {
			for i := range tr.Elements {
				tr.Elements[i].Placed, tr.Elements[i].Pieces = false, []tray.Piece{}
			}
		},
	} {
		c := tr.Clone()
		change(c)
		if now, more := pack.Close(t.Context(), c, plantest.Larder); name != "everybody avoids it all" && now != nil {
			t.Errorf("%s, and yet %+v closes it", name, more)
		} else if now != nil {
			for _, m := range more {
				if f, _ := plantest.Larder.Get(m.Food); len(f.Allergens) > 0 {
					t.Errorf("%s holds what somebody avoids", m.Food)
				}
			}
		}
	}
}
