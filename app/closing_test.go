package app

import (
	"strings"
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/job"
	"happytray/core/plan/plantest"
	"happytray/core/tray"
)

// A board that shows is closed with what is named and priced; the amounts and the list have it then.
func TestAClosedBoardIsPriced(t *testing.T) {
	a, _ := product(t, 977)
	tr := plantest.LaidFor(t, 8).Clone()
	for i := range tr.Elements { // half of the small food was eaten by the cooks
		e := &tr.Elements[i]
		if f, _ := plantest.Larder.Get(e.Food); e.Kind() == food.KindLoose && e.Vessel == "" && (f.FillsGaps() || f.Category == food.Nut) && len(e.Pieces) > 8 {
			n := len(e.Pieces) / 2
			e.Grams *= float64(n) / float64(e.Count)
			e.Pieces, e.Count = e.Pieces[:n], n
		}
	}
	tr.Reserve = nil
	j := &job.Job{Brief: tr.Brief, Trays: []*tray.Tray{tr}}
	for _, check := range []string{"fit.cover", "fit.gap"} {
		closed, gain, says, found, err := a.closing(t.Context(), j, plantest.Larder)
		if err != nil || !found || gain <= 0 || !strings.Contains(says, "more close the board") {
			t.Fatalf("%q, %v points, found: %v, %v", says, gain, found, err)
		}
		// it is offered where nothing that is free helps half as much
		_, most, offered, found, err := a.Mend(t.Context(), j, plantest.Larder, check, nil, geom.Point{})
		if err != nil || !found || (offered == says) != (most == gain) || offered != says && 2*most < gain {
			t.Errorf("%s: %q, %v points beside %v, found: %v, %v", check, offered, most, gain, found, err)
		}
		grams := func(j *job.Job) (all float64) {
			for _, e := range j.Trays[0].Elements {
				all += e.Grams
			}
			return all
		}
		if more := grams(closed) - grams(j); more < 5 {
			t.Errorf("%s: %.1f g more", says, more)
		}
		t.Log(says, gain)
	}
	airy := *j
	airy.Trays = []*tray.Tray{tr.Clone()}
	airy.Trays[0].Rules = brief.Rules{Gaps: "airy"}
	if _, _, says, _, err := a.Mend(t.Context(), &airy, plantest.Larder, "fit.cover", nil, geom.Point{}); err != nil || strings.Contains(says, "close the board") {
		t.Errorf("a house that wants air: %q, %v", says, err)
	}
}
