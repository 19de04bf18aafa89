package prep

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"testing"
	"time"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/plan/plantest"
)

// A board that is served three times is in the cold between, and its minutes out of it, which can be found again in the tasks, add up
// over all of them; what has had its hours does not come back.
func TestSittings(t *testing.T) {
	larder := food.BuiltIn()
	b := brief.Brief{Guests: brief.Guests{Adults: 12}, Month: 6, ServeAt: "2031-06-04T12:00:00Z", LastsMinutes: 30,
		Sittings: []brief.Sitting{{ServeAt: "2031-06-04T15:00:00Z", LastsMinutes: 20}, {ServeAt: "2031-06-04T19:00:00Z"}}}
	rule := func(hours string) brief.Brief {
		with := b
		with.Rules = &brief.Rules{Hours: hours}
		return with
	}
	for _, hours := range []string{"", "two-and-four", "four"} {
		j := plantest.Laid(t, rule(hours))
		d, err := Plan(j, larder, Options{People: 2})
		if err != nil {
			t.Fatal(err)
		}
		open := b.Open(time.UTC)
		first := map[string]float64{} // minutes before the first sitting
		told := map[int]int{}
		var chilled, taken []time.Time
		for _, k := range d.Tasks {
			if k.Tray == 1 && k.Food == "" && strings.Contains(k.ID, "-s") {
				switch k.Kind {
				case Chill:
					chilled = append(chilled, at(t, k.Ends))
				case GetOut:
					taken = append(taken, at(t, k.Starts))
				case Refresh:
					if n := len(taken); n == 0 || at(t, k.Starts).Before(taken[n-1]) || at(t, k.Ends).After(open[n][0]) {
						t.Errorf("%s: refreshed from %s to %s", hours, k.Starts, k.Ends)
					}
				}
			}
		}
		if len(chilled) != 2 || len(taken) != 2 {
			t.Fatalf("%s: chilled %v, taken out %v", hours, chilled, taken)
		}
		for s := range 2 {
			if c := chilled[s].Sub(open[s][1]); c < 0 || c > 6*time.Minute || taken[s].Before(chilled[s].Add(brief.LeastBetween)) || !taken[s].Before(open[s+1][0]) {
				t.Errorf("%s: covered at %v and taken out at %v between %v and %v", hours, chilled[s], taken[s], open[s], open[s+1])
			}
		}
		hold := map[string]float64{"": 120, "two-and-four": 240, "four": 240}[hours]
		for _, tr := range d.Trays {
			told[tr.Sitting]++
			for _, o := range tr.Out {
				minutes := 0.0
				if tr.Sitting == 0 {
					first[o.Food] = o.Minutes
					continue
				}
				minutes = first[o.Food]
				for s := range tr.Sitting - 1 {
					minutes += chilled[s].Sub(open[s][0]).Minutes() + open[s+1][0].Sub(taken[s]).Minutes()
				}
				serve := open[tr.Sitting-1][0]
				if math.Abs(o.Minutes-minutes) > .2 || math.Abs(at(t, o.ClearAt).Sub(serve).Minutes()-(hold-minutes)) > .3 {
					t.Errorf("%s, sitting %d: %s is out for %g minutes and must go at %s; by its tasks %g", hours, tr.Sitting, o.Food, o.Minutes, o.ClearAt, minutes)
				}
			}
		}
		if told[0] != 1 || told[2] != 1 || told[3] != 1 {
			t.Errorf("%s: sittings %v", hours, told)
		}
		says := fmt.Sprint(d.Cautions)
		back := slices.ContainsFunc(d.Trays, func(tr TrayOut) bool { return tr.Sitting == 2 && len(tr.Out) > 0 })
		if hours == "four" == back || hours == "four" && !strings.Contains(says, "too long to come back at 15:00") || !strings.Contains(says, "served 3 times") {
			t.Errorf("%q: comes back %v; %s", hours, back, says)
		}
	}
}

// Whether there is a fridge where it is served is asked, and what is not known is said as an assumption.
func TestAFridgeWhereItIsServed(t *testing.T) {
	larder := food.BuiltIn()
	b := brief.Brief{Guests: brief.Guests{Adults: 10}, Month: 6, ServeAt: "2031-06-04T12:00:00Z", Travels: brief.Travels{Yes: true, Minutes: 20}}
	j := plantest.Laid(t, b)
	for there, says := range map[string]string{"": "It is assumed that there is none", "yes": "There is a fridge there", "no": "There is no fridge there"} {
		j.Brief.FridgeThere = there
		d, err := Plan(j, larder, Options{People: 1})
		if err != nil {
			t.Fatal(err)
		}
		if told := fmt.Sprint(d.Cautions); !strings.Contains(told, says) {
			t.Errorf("%q: %s", there, told)
		}
	}
	j.Brief.Travels = brief.Travels{}
	if d, err := Plan(j, larder, Options{People: 1}); err != nil || strings.Contains(fmt.Sprint(d.Cautions), "fridge there") {
		t.Errorf("at home there is one: %v %v", err, d.Cautions)
	}
	if err := (brief.Brief{Guests: b.Guests, FridgeThere: "perhaps"}).Check(); err == nil {
		t.Error("perhaps is no answer")
	}
}

// While others have the oven nothing of ours is in it.
func TestOthersHaveTheOven(t *testing.T) {
	larder := food.BuiltIn()
	j := plantest.Laid(t, brief.Brief{Guests: brief.Guests{Adults: 10}, Month: 6, ServeAt: "2031-06-04T19:00:00Z", Pins: []brief.Want{{Food: "almonds"}, {Food: "roasted-garlic"}}})
	j.Brief.Makes = []string{"almonds", "roasted-garlic"}
	from, to := at(t, "2031-06-04T12:00:00Z"), at(t, "2031-06-04T18:55:00Z")
	j.Brief.OvenTaken = []brief.Session{{From: "2031-06-04T12:00:00Z", To: "2031-06-04T18:55:00Z"}}
	d, err := Plan(j, larder, Options{People: 1, Ovens: 1})
	if err != nil {
		t.Fatal(err)
	}
	baked := 0
	for _, k := range d.Tasks {
		if len(k.Uses) == 0 || !strings.HasPrefix(k.Uses[0], "oven") {
			continue
		}
		baked++
		if at(t, k.Starts).Before(to) && at(t, k.Ends).After(from) {
			t.Errorf("%s is in the oven from %s to %s", k.ID, k.Starts, k.Ends)
		}
	}
	if baked < 2 {
		t.Errorf("%d are baked", baked)
	}
	j.Brief.OvenTaken[0].To = "2031-06-04T11:00:00Z"
	if err := j.Brief.Check(); err == nil || !strings.Contains(err.Error(), "ten minutes after") {
		t.Errorf("it ends before it begins: %v", err)
	}
}
