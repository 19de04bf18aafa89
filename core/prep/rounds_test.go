package prep

import (
	"fmt"
	"slices"
	"strings"
	"testing"
	"time"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/plan/plantest"
)

// mostRounds is the most that a day of eighteen guests has.
const mostRounds = 12

// A day is a dozen rounds and not eighty errands: every task is in one round, rounds hold their tasks in time, hands seldom go
// over to other work, and gathering comes before cutting.
func TestADayIsRounds(t *testing.T) {
	if testing.Short() {
		t.Skip("a mean of few days says little")
	}
	larder := food.BuiltIn()
	changes, neighbours, rounds, all := 0, 0, 0, 0.0
	for n := range 18 {
		guests := []int{6, 12, 18}[n%3]
		b := brief.Brief{Guests: brief.Guests{Adults: guests}, Month: 1 + n%12, Occasion: []string{"nibble", "grazing", "meal"}[(n/3)%3], Choice: n, ServeAt: "2026-11-27T19:00:00Z"}
		people := 1 + n%2
		d, err := Plan(plantest.Laid(t, b), larder, Options{People: people, Ovens: 1})
		if err != nil {
			t.Fatal(err)
		}
		tasks := map[string]Task{}
		for _, k := range d.Tasks {
			tasks[k.ID] = k
		}
		in := map[string]string{}
		for _, r := range d.Rounds {
			if len(r.Tasks) == 0 || r.Says.IsZero() || at(t, r.Ends).Before(at(t, r.Starts)) {
				t.Errorf("%d: %+v", n, r)
			}
			for _, id := range r.Tasks {
				k, ok := tasks[id]
				if !ok || in[id] != "" || k.Round != r.ID {
					t.Errorf("%d: %s is in %s, in %q before, and says %q", n, id, r.ID, in[id], k.Round)
				}
				in[id] = r.ID
				if k.Who != "" && (at(t, k.Starts).Before(at(t, r.Starts)) || at(t, k.Ends).After(at(t, r.Ends)) || !slices.Contains(r.Who, k.Who)) {
					t.Errorf("%d: %s by %s from %s to %s, its round by %v from %s to %s", n, id, k.Who, k.Starts, k.Ends, r.Who, r.Starts, r.Ends)
				}
			}
		}
		if len(in) != len(tasks) {
			t.Errorf("%d: %d of %d tasks are in rounds", n, len(in), len(tasks))
		}
		if rounds += len(d.Rounds); len(d.Rounds) > mostRounds {
			var ids []string
			for _, r := range d.Rounds {
				ids = append(ids, r.ID)
			}
			t.Errorf("%d: %d guests, %d people: %d rounds: %s", n, guests, people, len(d.Rounds), strings.Join(ids, ", "))
		}
		all += at(t, d.ServeAt).Sub(at(t, d.BeginAt)).Minutes()
		last := map[string]string{}
		for _, k := range d.Tasks {
			if k.Who == "" {
				continue
			}
			if was := last[k.Who]; was != "" {
				neighbours++
				if was != k.Kind {
					changes++
				}
			}
			last[k.Who] = k.Kind
		}
	}
	share := float64(changes) / float64(neighbours)
	t.Logf("%.2f of %d neighbours change the kind of work; %.1f rounds, %.1f minutes", share, neighbours, float64(rounds)/18, all/18)
	if float64(rounds) > 12*18 {
		t.Errorf("%.1f rounds in the mean", float64(rounds)/18)
	}
	if share > .35 {
		t.Errorf("%.2f of neighbours change the kind of work", share)
	}
}

// saturday is 24 jobs of one day, four kinds of them, served from nine in the morning to eight in the evening.
func saturday(tb testing.TB) (jobs []DayJob) {
	larder := food.BuiltIn()
	var kinds []*job.Job
	for n := range 4 {
		kinds = append(kinds, plantest.Laid(tb, brief.Brief{Guests: brief.Guests{Adults: 8 + 3*n}, Month: 6, Choice: n}))
	}
	for n := range MostJobs {
		j := *kinds[n%4]
		j.Brief.ServeAt = fmt.Sprintf("2026-11-28T%02d:00:00Z", 9+n%12)
		jobs = append(jobs, DayJob{ID: fmt.Sprint(n), Job: &j, Larder: larder})
	}
	return jobs
}

// A day of as many jobs as there may be is planned while somebody waits for it, and is rounds as well.
func TestASaturday(t *testing.T) {
	jobs := saturday(t)
	began := time.Now()
	d, err := PlanDay(jobs, Options{People: 3, Ovens: 2})
	if err != nil {
		t.Fatal(err)
	}
	if took := time.Since(began); took > 5*time.Second { // half a second by itself
		t.Errorf("%d tasks took %v", len(d.Tasks), took)
	}
	if len(d.Tasks) < 1000 || 5*len(d.Rounds) > len(d.Tasks) {
		t.Errorf("%d rounds of %d tasks", len(d.Rounds), len(d.Tasks))
	}
}

func BenchmarkSaturday(b *testing.B) {
	jobs := saturday(b)
	for b.Loop() {
		if _, err := PlanDay(jobs, Options{People: 3, Ovens: 2}); err != nil {
			b.Fatal(err)
		}
	}
}

// BenchmarkSaturdayAsked is the same with what would let it begin later, and with how many hands it begins when: what a screen asks for.
func BenchmarkSaturdayAsked(b *testing.B) {
	jobs := saturday(b)
	for b.Loop() {
		if _, err := PlanDay(jobs, Options{People: 3, Ovens: 2, Save: true}); err != nil {
			b.Fatal(err)
		}
	}
}

func BenchmarkTableFor200(b *testing.B) {
	j := plantest.Laid(b, brief.Brief{Guests: brief.Guests{Adults: 200}, Occasion: "grazing", Month: 6, ServeAt: "2026-11-28T19:00:00Z"})
	for b.Loop() {
		if _, err := Plan(j, food.BuiltIn(), Options{People: 4, Ovens: 1}); err != nil {
			b.Fatal(err)
		}
	}
}

// What is laid goes by its role, however it is cut: cheese and meat before what is juicy or crisp, greens and toppings last; the
// house may begin with its cheese, its meat, or by marking everything out.
func TestOrderOfLayingByRole(t *testing.T) {
	larder := food.BuiltIn()
	for n := range plantest.Cases(12) {
		for _, begin := range []string{"", "cheese", "meat", "marked"} {
			b := brief.Brief{Guests: brief.Guests{Adults: 6 + 2*n}, Month: 1 + n, Choice: n, Rules: &brief.Rules{Begin: begin}}
			j := plantest.Laid(t, b)
			for _, tr := range j.Trays {
				produce, greens := false, false
				for i, s := range Order(tr, larder).Steps {
					f, _ := larder.Get(s.Food)
					e := &tr.Elements[tr.Find(s.Elements[0])]
					open := e.Vessel == ""
					switch {
					case f.Category == food.Garnish || food.Has(s.Form, food.OnFood):
						greens = true
					case greens:
						t.Errorf("%d: %s comes after greens", n, s.Title)
					case (f.Category == food.Cheese || f.Category == food.Meat) && open && produce:
						t.Errorf("%d: %s comes after produce", n, s.Title)
					}
					produce = produce || open && slices.Contains([]food.Category{food.Fruit, food.Vegetable, food.Brined, food.Nut, food.Dried}, f.Category)
					if i == 0 && (begin == "cheese" && f.Category != food.Cheese || begin == "meat" && f.Category != food.Meat) {
						t.Errorf("%d: the house begins with %s, and %s is first", n, begin, s.Title)
					}
				}
			}
			d, err := Plan(j, larder, Options{People: 1, Ovens: 1})
			if err != nil {
				t.Fatal(err)
			}
			marked := slices.ContainsFunc(d.Tasks, func(k Task) bool { return k.Kind == Mark })
			if marked != (begin == "marked") {
				t.Errorf("%d: begin with %q, marked out: %v", n, begin, marked)
			}
			if n > 2 {
				break
			}
		}
	}
}

// No cheese is laid after produce, whoever lays what: by the clock, not only by the order of steps.
func TestNoCheeseAfterProduce(t *testing.T) {
	larder := food.BuiltIn()
	for n := range plantest.Cases(12) {
		b := brief.Brief{Guests: brief.Guests{Adults: 6 + 2*n}, Month: 1 + n, Occasion: []string{"nibble", "grazing", "meal"}[n%3], Choice: n, ServeAt: "2026-11-27T19:00:00Z"}
		j := plantest.Laid(t, b)
		d, err := Plan(j, larder, Options{People: 1 + n%3, Ovens: 1})
		if err != nil {
			t.Fatal(err)
		}
		produce := map[int]string{} // by tray, when the first of it is begun
		for _, k := range d.Tasks { // in the order of their beginnings
			f, _ := larder.Get(k.Food)
			if k.Kind != Lay || food.InVessel(k.Form) || k.Late {
				continue
			}
			switch f.Category {
			case food.Fruit, food.Vegetable:
				if produce[k.Tray] == "" {
					produce[k.Tray] = k.Starts
				}
			case food.Cheese:
				if first := produce[k.Tray]; first != "" {
					t.Errorf("%d: %s at %s, produce from %s on", n, k.ID, k.Starts, first)
				}
			}
		}
	}
}
