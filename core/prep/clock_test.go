package prep

import (
	"math"
	"slices"
	"strings"
	"testing"
	"time"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/plan/plantest"
	"happytray/core/say"
)

// Minutes out of the cold are those of the tasks: from each getting out until the food is chilled again, or served. By
// when it must go follows from them, and nothing perishable is out of the cold much longer than it warms up.
func TestOneHonestClock(t *testing.T) {
	larder := food.BuiltIn()
	worst, chilled, foods := 0.0, 0, 0
	for n := range plantest.Cases(24) {
		b := brief.Brief{Guests: brief.Guests{Adults: 4 + 2*(n%10)}, Month: 1 + n%12, Occasion: []string{"nibble", "grazing", "meal"}[n%3], Choice: n, ServeAt: "2026-11-27T19:00:00Z"}
		if n%5 == 4 {
			hot := 34.0
			b.TemperatureC = &hot
		}
		d, err := Plan(plantest.Laid(t, b), larder, Options{People: 1 + n%3, Ovens: 1})
		if err != nil {
			t.Fatal(err)
		}
		hold := 120.0
		if b.TemperatureC != nil {
			hold = 60
		}
		serve, first := at(t, d.ServeAt), time.Time{}
		if len(d.Trays) == 0 {
			t.Fatalf("%d trays", len(d.Trays))
		}
		covered := slices.ContainsFunc(d.Tasks, func(k Task) bool { return k.Kind == Chill })
		if film := slices.ContainsFunc(d.Kit, func(k Kit) bool { return strings.HasPrefix(k.What, "film") && len(k.For) > 0 }); film != covered {
			t.Errorf("%d: something is covered: %v, and the kit has film: %v", n, covered, film)
		}
		all := []FoodOut{}
		for _, tr := range d.Trays {
			all = append(all, tr.Out...)
			if gone := tr.ClearAt; gone != "" && gone < d.ClearAt {
				t.Errorf("%d: tray %d must go at %s, all at %s", n, tr.Tray, gone, d.ClearAt)
			}
		}
		for _, o := range all {
			longest := 0.0
			forms := map[string]bool{}
			for _, k := range d.Tasks {
				if k.Food == o.Food && k.Kind == Lay {
					forms[k.Form] = true
				}
			}
			for form := range forms {
				var out, back []time.Time
				for _, k := range d.Tasks { // they come in the order of their beginnings
					if k.Food == o.Food && k.Form == form && k.Kind == GetOut {
						out = append(out, at(t, k.Starts))
					}
					if k.Food == o.Food && k.Form == form && k.Kind == Chill {
						back = append(back, at(t, k.Ends))
						chilled++
					}
				}
				if len(out) != len(back)+1 {
					t.Fatalf("%d: %s is got out %d times and chilled %d", n, o.Food, len(out), len(back))
				}
				sum := 0.0
				for i, from := range out {
					until := serve
					if i < len(back) {
						until = back[i]
						if until.After(out[i+1]) || until.Before(from) {
							t.Errorf("%d: %s is chilled until %v and out at %v", n, o.Food, until, out[i+1])
						}
					}
					sum += until.Sub(from).Minutes()
				}
				longest = math.Max(longest, sum)
			}
			if math.Abs(longest-o.Minutes) > .11 {
				t.Errorf("%d: %s is %.1f minutes out of the cold by the tasks, %.1f by the clock", n, o.Food, longest, o.Minutes)
			}
			if want := serve.Add(time.Duration((hold - o.Minutes) * float64(time.Minute))); math.Abs(want.Sub(at(t, o.ClearAt)).Seconds()) > 8 {
				t.Errorf("%d: %s must go at %s, %.1f minutes out before serving", n, o.Food, o.ClearAt, o.Minutes)
			}
			if gone := at(t, o.ClearAt); first.IsZero() || gone.Before(first) {
				first = gone
			}
			foods++
			worst = math.Max(worst, o.Minutes/hold)
			if f, _ := larder.Get(o.Food); o.Minutes > hold && !slices.ContainsFunc(d.Cautions, func(c say.Text) bool {
				return strings.Contains(c.String(), "would be out of the cold") && strings.Contains(c.String(), say.Lower(f.Name))
			}) {
				t.Errorf("%d: %s has been out %.0f minutes before anybody eats of it", n, o.Food, o.Minutes)
			}
		}
		if !first.IsZero() && (!at(t, d.ClearAt).Equal(first)) {
			t.Errorf("%d: clear by %s, not %v", n, d.ClearAt, first)
		}
		t.Logf("%d: %d guests, clear by %s", n, b.Guests.Total(), d.ClearAt[11:16])
	}
	t.Logf("%d of %d foods are chilled; at worst %.2f of the hours are gone before serving", chilled, foods, worst)
	if chilled == 0 {
		t.Error("nothing is ever chilled")
	}
}
