package weighing

import (
	"context"
	"math"
	"strings"
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/plan/plantest"
	"happytray/core/prep"
	"happytray/core/review"
	"happytray/core/tray"
)

// held is what a job has of a food in a form, on trays and in reserve, g.
func held(j *job.Job, foodID, form string) (on, by float64, count int) {
	for _, t := range j.Trays {
		for _, e := range t.Elements {
			if e.Food == foodID && e.Form == form {
				on += e.Grams * float64(t.Copies())
				count += e.Count * t.Copies()
			}
		}
		for _, r := range t.Reserve {
			if r.Food == foodID && (r.Form == form || r.Form == "") {
				by += r.Grams * float64(t.Copies())
			}
		}
	}
	return on, by, count
}

func TestAsWeighed(t *testing.T) {
	j := plantest.Laid(t, brief.Brief{Guests: brief.Guests{Adults: 12}, ServeAt: "2026-12-05T18:00"})
	larder := j.Larder(food.BuiltIn())
	all := prep.Weighings(j, larder)
	var counted prep.Weighing // something loose of many pieces
	for _, w := range all {
		for _, e := range j.Trays[0].Elements {
			if e.Food == w.Food && e.Form == w.Form && w.PieceG > 0 && e.Placed && e.Count > 8 && e.Vessel == "" && w.Grams > counted.Grams {
				counted = w
			}
		}
	}
	if counted.Food == "" {
		t.Fatal("nothing on this tray is counted")
	}
	was, reserve, pieces := held(j, counted.Food, counted.Form)
	before := review.Judge(j.Trays[0], larder).Score

	t.Run("right", func(t *testing.T) {
		weights := []Weight{}
		for _, w := range all {
			weights = append(weights, Weight{w.Food, w.Form, w.Grams})
		}
		same, says, err := AsWeighed(context.Background(), j, larder, weights)
		if err != nil || len(says) != 0 {
			t.Fatal(says, err)
		}
		if len(same.Brief.Foods) != len(j.Brief.Foods) {
			t.Error("the brief changed though all was right")
		}
	})
	t.Run("more", func(t *testing.T) {
		more, says, err := AsWeighed(context.Background(), j, larder, []Weight{{counted.Food, counted.Form, counted.Grams + 60}})
		if err != nil || len(says) != 1 || !strings.Contains(says[0], "60 g more, in reserve") {
			t.Fatal(says, err)
		}
		on, by, n := held(more, counted.Food, counted.Form)
		if on != was || n != pieces || math.Abs(by-reserve-60) > .2 {
			t.Errorf("on the tray %v of %v g, %d of %d pieces; reserve %v, was %v", on, was, n, pieces, by, reserve)
		}
		for _, w := range more.Brief.Foods {
			if w.Food == counted.Food && math.Abs(w.Grams-counted.Grams-60) > 1 {
				t.Errorf("the brief asks for %v g", w.Grams)
			}
		}
	})
	t.Run("less than lies there", func(t *testing.T) {
		want := math.Round(was - 4*counted.PieceG)
		less, says, err := AsWeighed(context.Background(), j, larder, []Weight{{counted.Food, counted.Form, want}})
		if err != nil || len(says) != 1 || !strings.Contains(says[0], "fewer lie") {
			t.Fatal(says, err)
		}
		on, by, n := held(less, counted.Food, counted.Form)
		if math.Abs(on+by-want) > counted.PieceG/2+1 || n >= pieces || by > 1 {
			t.Errorf("%v g on the tray and %v in reserve of %v; %d of %d pieces", on, by, want, n, pieces)
		}
		for _, tr := range less.Trays {
			if s := review.Judge(tr, larder).Score; s < before-8 { // a spot that shows now
				t.Errorf("judged %v, was %v", s, before)
			}
		}
		if on, _, _ := held(j, counted.Food, counted.Form); on != was {
			t.Error("the job that was asked about was changed")
		}
	})
	t.Run("locked", func(t *testing.T) {
		fast := j.Clone()
		for _, tr := range fast.Trays {
			for i := range tr.Elements {
				tr.Elements[i].Locked = true
			}
		}
		kept, says, err := AsWeighed(context.Background(), fast, larder, []Weight{{counted.Food, counted.Form, was / 3}})
		if err != nil || len(says) != 1 || !strings.Contains(says[0], "are missing") {
			t.Fatal(says, err)
		}
		if on, _, n := held(kept, counted.Food, counted.Form); on != was || n != pieces {
			t.Errorf("%v g of %v, %d pieces of %d lie there", on, was, n, pieces)
		}
	})
	t.Run("every food a little less", func(t *testing.T) {
		weights := []Weight{}
		for _, w := range all {
			weights = append(weights, Weight{w.Food, w.Form, math.Round(w.Grams * .85)})
		}
		less, says, err := AsWeighed(context.Background(), j, larder, weights)
		if err != nil || len(says) == 0 {
			t.Fatal(says, err)
		}
		for i, w := range all {
			on, by, _ := held(less, w.Food, w.Form)
			if off := math.Abs(on + by - weights[i].Grams); off > math.Max(w.WithinG, w.PieceG/2)+1 && !strings.Contains(strings.Join(says, " "), "are missing") {
				t.Errorf("%s %s: %v g, weighed %v", w.Food, w.Form, on+by, weights[i].Grams)
			}
		}
		for _, tr := range less.Trays {
			checkWhole(t, tr, larder)
		}
	})
}

// checkWhole holds a tray against what every tray keeps.
func checkWhole(t *testing.T, tr *tray.Tray, larder *food.Larder) {
	t.Helper()
	for _, c := range review.Judge(tr, larder).Checks {
		if (c.ID == "fit.overlap" || c.ID == "fit.inside") && c.Score < 1 {
			t.Errorf("%s: %v", c.ID, c.Value)
		}
	}
}
