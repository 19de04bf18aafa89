package prep

import (
	"slices"
	"strings"
	"testing"
	"time"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/plan/plantest"
)

// mostRounds is the most that a day has: what must be cut late, or laid on the spot, makes a kind of round come twice.
const mostRounds = 22

// A day is a dozen rounds or a few more and not eighty errands: every task is in one round, rounds hold their tasks in time, hands seldom go
// over to other work, and gathering comes before cutting.
func TestADayIsRounds(t *testing.T) {
	larder := food.BuiltIn()
	at := func(s string) time.Time {
		when, err := time.Parse(time.RFC3339, s)
		if err != nil {
			t.Fatal(err)
		}
		return when
	}
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
			if len(r.Tasks) == 0 || r.Says.IsZero() || at(r.Ends).Before(at(r.Starts)) {
				t.Errorf("%d: %+v", n, r)
			}
			for _, id := range r.Tasks {
				k, ok := tasks[id]
				if !ok || in[id] != "" || k.Round != r.ID {
					t.Errorf("%d: %s is in %s, in %q before, and says %q", n, id, r.ID, in[id], k.Round)
				}
				in[id] = r.ID
				if k.Who != "" && (at(k.Starts).Before(at(r.Starts)) || at(k.Ends).After(at(r.Ends)) || !slices.Contains(r.Who, k.Who)) {
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
		all += at(d.ServeAt).Sub(at(d.BeginAt)).Minutes()
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
	if float64(rounds) > 16*18 {
		t.Errorf("%.1f rounds in the mean", float64(rounds)/18)
	}
	if share > .35 {
		t.Errorf("%.2f of neighbours change the kind of work", share)
	}
}

// What is laid goes by its role, however it is cut: cheese and meat before what is juicy or crisp, greens and toppings last; the
// house may begin with its cheese, its meat, or by marking everything out.
func TestOrderOfLayingByRole(t *testing.T) {
	larder := food.BuiltIn()
	for n := range 12 {
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
