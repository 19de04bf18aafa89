package prep

import (
	"fmt"
	"math"
	"reflect"
	"slices"
	"strings"
	"testing"
	"time"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/plan"
	"happytray/core/plan/plantest"
	"happytray/core/tray"
)

func at(t *testing.T, s string) time.Time {
	t.Helper()
	v, err := time.Parse(time.RFC3339, s)
	if err != nil {
		t.Fatal(err)
	}
	return v
}

var evenings = []brief.Brief{
	{Guests: brief.Guests{Adults: 8}, ServeAt: "2026-11-30T19:00:00+01:00"},
	{Guests: brief.Guests{Adults: 30, Children: 4}, Occasion: "grazing", ServeAt: "2026-06-12T18:30:00Z", Month: 6, Diets: []brief.Diet{{Count: 5, Avoid: []string{"meat"}}, {Count: 2, Avoid: []string{"gluten"}}}},
	{Guests: brief.Guests{Adults: 44}, ServeAt: "2026-12-03T21:00", Travels: brief.Travels{Yes: true, Minutes: 40}},
	{Guests: brief.Guests{Adults: 12}, Occasion: "meal", Rules: &brief.Rules{Heat: "all"}, Foods: []brief.Want{{Food: "fennel-sausage", Form: "rosette"}, {Food: "apple"}, {Food: "asparagus"}, {Food: "aubergine-rolls"}, {Food: "baguette-toasts"},
		{Food: "squeaky-sticks"}, {Food: "aged-hard"}, {Food: "mozzarella-balls"}, {Food: "rosemary"}, {Food: "carrot-sticks"}, {Food: "dates"}, {Food: "round-crackers"}}},
	{Guests: brief.Guests{Adults: 6}, ServeAt: "2027-03-28T03:30:00+02:00", Serving: "plates"},
}

// Whatever the evening and however many hands: nothing begins before what it waits for, nobody does two things at
// once, no oven has two temperatures or more sheets than it takes, nothing ends after serving, what goes soft is
// laid late or it is said, and what is cut and laid is what the trays hold.
func TestDaysAreSound(t *testing.T) {
	for n, b := range evenings[:plantest.Cases(len(evenings))] {
		j := plantest.Laid(t, b)
		larder := j.Larder(food.BuiltIn())
		for _, people := range []int{1, 2, 4} {
			d, err := Plan(j, larder, Options{People: people, Ovens: 1, Zone: time.UTC})
			if err != nil {
				t.Fatal(err)
			}
			name := fmt.Sprintf("evening %d, %d people", n, people)
			serve := at(t, d.ServeAt)
			byID := map[string]Task{}
			for _, k := range d.Tasks {
				if _, twice := byID[k.ID]; twice {
					t.Errorf("%s: two tasks are called %s", name, k.ID)
				}
				byID[k.ID] = k
			}
			begin := serve
			for _, k := range d.Tasks {
				s, e := at(t, k.Starts), at(t, k.Ends)
				if s.Before(begin) {
					begin = s
				}
				if m := e.Sub(s).Minutes(); m < 0 || m-k.Minutes > .02 || k.Minutes-m > .02 {
					t.Errorf("%s: %s takes %v minutes and lasts %v", name, k.ID, k.Minutes, m)
				}
				if e.After(serve) || s.Before(at(t, k.Earliest)) || e.After(at(t, k.Latest)) {
					t.Errorf("%s: %s from %s to %s, may from %s to %s", name, k.ID, k.Starts, k.Ends, k.Earliest, k.Latest)
				}
				for _, a := range k.After {
					if before, ok := byID[a]; !ok || at(t, before.Ends).After(s) {
						t.Errorf("%s: %s begins before %s has ended, or that is none", name, k.ID, a)
					}
				}
				busy, sheets := 0, 0
				degrees := map[string]bool{}
				for _, o := range d.Tasks {
					if at(t, o.Starts).After(s) || !at(t, o.Ends).After(s) {
						continue
					}
					if o.Who != "" {
						busy++
						if o.ID != k.ID && o.Who == k.Who {
							t.Errorf("%s: %s does %s and %s at once", name, k.Who, k.ID, o.ID)
						}
					}
					for _, u := range o.Uses {
						if strings.HasPrefix(u, "oven") {
							sheets++
							degrees[u] = true
						}
					}
				}
				if busy > people || sheets > ovenSheets || len(degrees) > 1 {
					t.Errorf("%s: at %s %d hands and %d sheets at %v", name, k.Starts, busy, sheets, degrees)
				}
				if f, ok := larder.Get(k.Food); ok && k.Kind == Lay && f.Needs(food.Softens) && serve.Sub(s).Minutes() > crispMin+1 {
					if said := fmt.Sprint(d.Cautions); !strings.Contains(said, "The "+strings.ToLower(f.Name)) || !strings.Contains(said, "too early") {
						t.Errorf("%s: %s is laid %v before serving, and nothing is said", name, f.Name, serve.Sub(s))
					}
				}
			}
			if !begin.Equal(at(t, d.BeginAt)) {
				t.Errorf("%s: begins at %s, said to be %s", name, begin, d.BeginAt)
			}
			pieces, held := 0, 0
			for _, one := range j.Trays {
				for _, e := range one.Elements {
					held += e.Count * one.Copies()
				}
			}
			laid := map[string]int{}
			for _, k := range d.Tasks {
				if k.Kind == Lay {
					pieces += k.Count
					for _, id := range k.Elements {
						laid[fmt.Sprint(k.Tray, " ", id)]++
					}
				}
			}
			if pieces < held {
				t.Errorf("%s: %d pieces are laid of %d", name, pieces, held)
			}
			for i, one := range j.Trays {
				for _, e := range one.Elements {
					if laid[fmt.Sprint(i+1, " ", e.ID)] == 0 {
						t.Errorf("%s: nobody lays %s", name, e.ID)
					}
				}
			}
			bears := 120 - standsMin + .5
			if people == 1 && b.Guests.Total() > 30 { // one pair of hands lays longer than that; clear_at says what it leaves the guests
				bears = 120
			}
			for _, c := range d.ColdOut {
				if out := serve.Sub(at(t, c.At)).Minutes(); out < 0 || out > bears {
					t.Errorf("%s: %s is out %v minutes before serving", name, c.Food, out)
				}
			}
			if again, _ := Plan(j, larder, Options{People: people, Ovens: 1, Zone: time.UTC}); !reflect.DeepEqual(d, again) {
				t.Errorf("%s: another plan", name)
			}
		}
	}
}

// Each food goes through what its entry and its form say, in that order; the reserve is boxed; what is on picks
// already needs none.
func TestWhatIsDone(t *testing.T) {
	j := plantest.Laid(t, evenings[3])
	d, err := Plan(j, j.Larder(food.BuiltIn()), Options{People: 2, Ovens: 1})
	if err != nil {
		t.Fatal(err)
	}
	if !d.Relative || d.ServeAt != "2000-01-01T18:00:00Z" || !strings.Contains(fmt.Sprint(d.Cautions), "No serving time") {
		t.Errorf("served at %s: %v", d.ServeAt, d.Cautions)
	}
	kinds := map[string][]string{}
	starts := map[string]string{}
	more := plantest.Laid(t, brief.Brief{Guests: brief.Guests{Adults: 10}, Foods: []brief.Want{{Food: "pulled-sticks"}, {Food: "eggs"}, {Food: "nectarine"}, {Food: "butter"}}})
	other, err := Plan(more, more.Larder(food.BuiltIn()), Options{People: 2, Ovens: 1})
	if err != nil {
		t.Fatal(err)
	}
	for _, k := range append(slices.Clone(d.Tasks), other.Tasks...) {
		if k.Food != "" && !slices.Contains(kinds[k.Food], k.Kind) {
			kinds[k.Food] = append(kinds[k.Food], k.Kind)
		}
		if k.Kind == Heat {
			starts[k.Food] = strings.Join(k.Uses, " ")
		}
	}
	for id, want := range map[string][]string{
		"fennel-sausage":   {GetOut, Fold, Lay},
		"apple":            {GetOut, WashDry, Drip, Slice, Lemon, Lay},
		"asparagus":        {GetOut, WashDry, Drip, Slice, Heat, Cool, Lay},
		"aubergine-rolls":  {GetOut, WashDry, Drip, Trim, Slice, Heat, Cool, Fold, Lay},
		"baguette-toasts":  {GetOut, Slice, Heat, Cool, Lay},
		"mozzarella-balls": {GetOut, Drain, Drip, Lay},
		"carrot-sticks":    {GetOut, WashDry, Drip, Peel, Slice, Lay},
		"round-crackers":   {GetOut, Lay},
		"dates":            {GetOut, Slice, Lay},
		"nectarine":        {GetOut, WashDry, Drip, Stone, Slice, Lay},
		"aged-hard":        {GetOut, Trim, Cube, Lay},
		"pulled-sticks":    {GetOut, Unwrap, Lay},
		"eggs":             {GetOut, Heat, Cool, Peel, Slice, Lay},
	} {
		for _, k := range want {
			if !slices.Contains(kinds[id], k) {
				t.Errorf("%s: no %s among %v", id, k, kinds[id])
			}
		}
		if id == "round-crackers" && (slices.Contains(kinds[id], Slice) || slices.Contains(kinds[id], WashDry)) {
			t.Errorf("crackers are %v", kinds[id])
		}
	}
	if starts["baguette-toasts"] != "oven 180" || starts["aubergine-rolls"] != "oven 220" || starts["asparagus"] != "hob" {
		t.Errorf("cooked with %v", starts)
	}
}

// What is done ahead and what is left for laying are one whole, for every food in every form; whole fruit is not begun.
func TestReadied(t *testing.T) {
	for _, f := range food.BuiltIn().All() {
		for _, s := range f.Forms {
			kind, share, how := readied(&f, s)
			if (kind == "") != (share == 0) || share < 0 || share > .95 || kind != "" && how == "" {
				t.Errorf("%s as %s: %q, %v, %q", f.ID, s.Form, kind, share, how)
			}
			if kind != "" && s.Form == "whole" && f.Category != food.Cheese {
				t.Errorf("%s is begun whole", f.ID)
			}
			if kind == "" && s.Seconds >= 6 && s.Form != "prop" && !food.Has(s.Form, food.OnFood) && s.Form != "whole" {
				t.Errorf("%s as %s takes %v s a piece, all of it while it is laid", f.ID, s.Form, s.Seconds)
			}
		}
	}
}

func TestKit(t *testing.T) {
	b := brief.Brief{Guests: brief.Guests{Adults: 12}, Travels: brief.Travels{Yes: true}, Foods: []brief.Want{{Food: "garden-skewers"}, {Food: "dark-olives"}, {Food: "pistachios"}, {Food: "orange-block"}, {Food: "wide-sausage"},
		{Food: "honey"}, {Food: "round-crackers"}, {Food: "mint"}, {Food: "soft-white-round"}}}
	j := plantest.Laid(t, b)
	d, err := Plan(j, j.Larder(food.BuiltIn()), Options{People: 1, Ovens: 1})
	if err != nil {
		t.Fatal(err)
	}
	count := map[string]int{}
	for _, k := range d.Kit {
		count[k.What] += k.Count
	}
	for what, want := range map[string]int{"plate": 15, "napkin": 15, "picks": 18} {
		if n := slices.IndexFunc(d.Kit, func(k Kit) bool { return k.What == what && k.Stage == ToServe }); n < 0 || d.Kit[n].Count != want {
			t.Errorf("%d times %s, want %d", count[what], what, want)
		}
	}
	if n := slices.IndexFunc(d.Kit, func(k Kit) bool { return k.What == "picks" && k.Stage == ToServe }); slices.Contains(d.Kit[n].For, "tomato, curd and basil on a pick") {
		t.Error("skewers get picks besides their own")
	}
	for _, what := range []string{"dish for used picks", "wrap", "dry box", "box with a damp cloth", "cutting board", "pairs of gloves"} {
		if count[what] < 1 {
			t.Errorf("no %s in %v", what, count)
		}
	}
	for _, k := range d.Tasks { // what a task is done with is put out
		if k.Tool != "" && !slices.Contains(hands, k.Tool) && count[k.Tool] < 1 {
			t.Errorf("%s wants a %s, which is not in the kit", k.ID, k.Tool)
		}
	}
	if len(d.LeaveAt) == 0 || !at(t, d.LeaveAt).Before(at(t, d.ServeAt).Add(-29*time.Minute)) {
		t.Errorf("leaves at %q to serve at %s", d.LeaveAt, d.ServeAt)
	}
}

func TestDaysThatCannotBe(t *testing.T) {
	j := plantest.Laid(t, evenings[3])
	larder := j.Larder(food.BuiltIn())
	for name, o := range map[string]Options{"nobody": {Ovens: 1}, "a crowd": {People: 900}, "less than no oven": {People: 1, Ovens: -1}} {
		if _, err := Plan(j, larder, o); err == nil {
			t.Errorf("%s: planned", name)
		}
	}
	// without an oven it says so, and plans the rest
	d, err := Plan(j, larder, Options{People: 1})
	if err != nil || !strings.Contains(fmt.Sprint(d.Cautions), "no oven for the toasted baguette") {
		t.Errorf("%v %v", err, d.Cautions)
	}
	// who begins too late is told by how much, and what would save most
	now := Unsaid.Add(-10 * time.Minute)
	late, err := Plan(j, larder, Options{People: 1, Ovens: 1, Now: now, Save: true})
	if err != nil || late.LateMinutes < 60 || len(late.Savings) != 3 || late.Savings[0].Minutes < late.Savings[2].Minutes {
		t.Errorf("%v: %v minutes late, %v", err, late.LateMinutes, late.Savings)
	}
	if at(t, late.BeginAt).Before(now) {
		t.Errorf("begins at %s, before it is %s", late.BeginAt, now)
	}
	bad := *j
	bad.Brief.ServeAt = "at tea time"
	if _, err := Plan(&bad, larder, Options{People: 1}); err == nil {
		t.Error("tea time is taken")
	}
	waiting := j.Clone()
	waiting.Trays[0].Elements[0].Placed = false
	if d, err := Plan(waiting, larder, Options{People: 1, Ovens: 1}); err != nil || !strings.Contains(fmt.Sprint(d.Cautions), "not laid yet. Lay the tray") {
		t.Errorf("%v %v", err, d.Cautions)
	}
}

// More hands never begin earlier by more than the search's grain, and one more kind of work never later.
func TestMoreHandsBeginLater(t *testing.T) {
	j := plantest.Laid(t, evenings[1])
	larder := j.Larder(food.BuiltIn())
	var last time.Time
	for people := 1; people <= 4; people++ {
		d, err := Plan(j, larder, Options{People: people, Ovens: 1})
		if err != nil {
			t.Fatal(err)
		}
		begin := at(t, d.BeginAt)
		if begin.Before(last.Add(-2 * time.Minute)) {
			t.Errorf("%d people begin at %s, one less at %s", people, begin, last)
		}
		last = begin
	}
}

func BenchmarkPlan(b *testing.B) {
	j := plantest.Laid(b, evenings[1])
	larder := j.Larder(food.BuiltIn())
	for range b.N {
		d, err := Plan(j, larder, Options{People: 3, Ovens: 1})
		if err != nil {
			b.Fatal(err)
		}
		b.ReportMetric(float64(len(d.Tasks)), "tasks")
	}
}

// Two jobs of one day: what is done to one food for both is done once and counts are kept, each is laid by its own
// serving, nobody does two things at once, and nothing begins before what it waits for.
func TestTwoJobsOfADay(t *testing.T) {
	foods := []brief.Want{{Food: "wide-sausage", Form: "trail"}, {Food: "orange-block"}, {Food: "round-crackers"}, {Food: "red-grapes"}, {Food: "chickpea-dip"}, {Food: "apple"}}
	first := plantest.Laid(t, brief.Brief{Guests: brief.Guests{Adults: 10}, ServeAt: "2026-11-30T18:00:00Z", Foods: foods})
	second := plantest.Laid(t, brief.Brief{Guests: brief.Guests{Adults: 14}, ServeAt: "2026-11-30T19:30:00Z", Foods: foods})
	first.Title, second.Title = "First", "Second"
	booked := []DayJob{{"a", first, first.Larder(food.BuiltIn())}, {"b", second, second.Larder(food.BuiltIn())}}
	for _, people := range []int{1, 3} {
		d, err := PlanDay(booked, Options{People: people, Ovens: 1})
		if err != nil {
			t.Fatal(err)
		}
		counts := func(d Day, kind, id string) (n, tasks int) {
			for _, k := range d.Tasks {
				if k.Kind == kind && k.Food == id {
					n += k.Count
					tasks++
				}
			}
			return n, tasks
		}
		one, err := Plan(first, booked[0].Larder, Options{People: people, Ovens: 1})
		if err != nil {
			t.Fatal(err)
		}
		two, err := Plan(second, booked[1].Larder, Options{People: people, Ovens: 1})
		if err != nil {
			t.Fatal(err)
		}
		for _, c := range [][2]string{{Fold, "wide-sausage"}, {Slice, "apple"}, {WashDry, "red-grapes"}, {Lay, "orange-block"}} {
			a, _ := counts(one, c[0], c[1])
			b, _ := counts(two, c[0], c[1])
			if n, _ := counts(d, c[0], c[1]); n != a+b {
				t.Errorf("%d people: %s of %s counts %d, want %d and %d", people, c[0], c[1], n, a, b)
			}
		}
		if _, tasks := counts(d, Fold, "wide-sausage"); tasks != 1 && people == 1 {
			t.Errorf("the sausage is folded %d times", tasks)
		}
		if len(d.Jobs) != 2 || d.Jobs[0].ServeAt != "2026-11-30T18:00:00Z" || d.Jobs[1].ServeAt != "2026-11-30T19:30:00Z" {
			t.Errorf("%+v", d.Jobs)
		}
		byID := map[string]Task{}
		for _, k := range d.Tasks {
			byID[k.ID] = k
		}
		shared := 0
		for _, k := range d.Tasks {
			if len(k.Jobs) == 2 {
				shared++
			}
			for _, job := range k.Jobs {
				serve := map[string]string{"a": d.Jobs[0].ServeAt, "b": d.Jobs[1].ServeAt}[job]
				if at(t, k.Ends).After(at(t, serve)) {
					t.Errorf("%s ends at %s, %s is served at %s", k.ID, k.Ends, job, serve)
				}
			}
			for _, a := range k.After {
				if at(t, byID[a].Ends).After(at(t, k.Starts)) {
					t.Errorf("%s begins before %s has ended", k.ID, a)
				}
			}
			for _, o := range d.Tasks {
				if o.ID != k.ID && o.Who != "" && o.Who == k.Who && at(t, o.Starts).Before(at(t, k.Ends)) && at(t, k.Starts).Before(at(t, o.Ends)) {
					t.Errorf("%s does %s and %s at once", k.Who, k.ID, o.ID)
				}
			}
		}
		if shared < 5 {
			t.Errorf("only %d tasks are done for both", shared)
		}
	}
	bare := first.Clone()
	bare.Brief.ServeAt = ""
	if _, err := PlanDay([]DayJob{{"a", bare, booked[0].Larder}, booked[1]}, Options{People: 1, Ovens: 1}); err == nil {
		t.Error("a day is planned from a job without a time")
	}
	if _, err := PlanDay(nil, Options{People: 1}); err == nil {
		t.Error("a day of nothing")
	}
}

// A task that somebody has moved begins then, what it waits for goes before it, and where what follows does not let it,
// that is said.
func TestMovedByHand(t *testing.T) {
	j := plantest.Laid(t, evenings[0])
	larder := j.Larder(food.BuiltIn())
	before, err := Plan(j, larder, Options{People: 2, Ovens: 1})
	if err != nil {
		t.Fatal(err)
	}
	var one Task
	for _, k := range before.Tasks {
		if k.Kind == Fold || k.Kind == Slice {
			one = k
			break
		}
	}
	to := at(t, one.Starts).Add(-30 * time.Minute)
	with := func(pins map[string]time.Time) (Day, Task) {
		d, err := Plan(j, larder, Options{People: 2, Ovens: 1, Pins: pins})
		if err != nil {
			t.Fatal(err)
		}
		for _, k := range d.Tasks {
			if k.ID == one.ID {
				return d, k
			}
		}
		t.Fatal("it is gone")
		return d, one
	}
	d, now := with(map[string]time.Time{one.ID: to})
	if !at(t, now.Starts).Equal(to) || !now.Pinned || len(d.Tasks) != len(before.Tasks) {
		t.Errorf("put at %s it begins at %s", to, now.Starts)
	}
	byID := map[string]Task{}
	for _, k := range d.Tasks {
		byID[k.ID] = k
	}
	for _, k := range d.Tasks {
		for _, a := range k.After {
			if at(t, byID[a].Ends).After(at(t, k.Starts)) {
				t.Errorf("%s begins before %s has ended", k.ID, a)
			}
		}
	}
	late, now := with(map[string]time.Time{one.ID: at(t, before.ServeAt)})
	if at(t, now.Ends).After(at(t, before.ServeAt)) || !strings.Contains(fmt.Sprint(late.Cautions), "cannot begin at") {
		t.Errorf("put at serving it begins at %s: %v", now.Starts, late.Cautions)
	}
}

// What was got out before the rest is planned still counts: it is taken to have come out as early as it may, so that
// nobody is told to clear away later than is right.
func TestClearAwayCountsWhatIsOut(t *testing.T) {
	j := plantest.Laid(t, evenings[0])
	larder := j.Larder(food.BuiltIn())
	whole, err := Plan(j, larder, Options{People: 2, Ovens: 1})
	if err != nil {
		t.Fatal(err)
	}
	done := map[string]bool{}
	for _, k := range whole.Tasks {
		if k.Kind == GetOut {
			done[k.ID] = true
		}
	}
	left, err := Plan(j, larder, Options{People: 2, Ovens: 1, Done: done})
	if err != nil {
		t.Fatal(err)
	}
	if at(t, left.ClearAt).After(at(t, whole.ClearAt)) {
		t.Errorf("clear away by %s; with all of it out already by %s", whole.ClearAt, left.ClearAt)
	}
	for _, k := range whole.Tasks {
		if strings.HasPrefix(k.ID, again) {
			delete(done, k.ID)
		}
	}
	if left, err = Plan(j, larder, Options{People: 2, Ovens: 1, Done: done}); err != nil || at(t, left.ClearAt).After(at(t, whole.ClearAt)) {
		t.Errorf("%v: clear away by %s; with all of it out for the first time by %s", err, whole.ClearAt, left.ClearAt)
	}
}

func TestWeighings(t *testing.T) {
	j := plantest.Laid(t, evenings[1])
	larder := j.Larder(food.BuiltIn())
	want := map[string]float64{}
	for _, one := range j.Trays {
		for _, e := range one.Elements {
			if f, _ := larder.Get(e.Food); f.Category != food.NotFood {
				want[e.Food] += e.Grams * float64(one.Copies())
			}
		}
		for _, r := range one.Reserve {
			want[r.Food] += r.Grams * float64(one.Copies())
		}
	}
	got := map[string]float64{}
	for _, p := range Weighings(j, larder) {
		got[p.Food] += p.Grams
		if p.WithinG < 2 || p.WithinG > max(2, p.Grams*.021) {
			t.Errorf("%s: right within %v of %v g", p.Food, p.WithinG, p.Grams)
		}
		if food.InVessel(p.Form) && p.PieceG != 0 {
			t.Errorf("%s in its bowl is counted in pieces", p.Food)
		}
	}
	for id, g := range want {
		if d := got[id] - g; d > 1.5 || d < -1.5 {
			t.Errorf("%s: %v g, want %v", id, got[id], g)
		}
	}
}

// Whoever is late is offered something, whatever leads the day: work, or food that warms up.
func TestTheLateAreOfferedSomething(t *testing.T) {
	larder := food.BuiltIn()
	for n := range plantest.Cases(24) {
		b := brief.Brief{Guests: brief.Guests{Adults: 2 + 3*(n%8)}, Occasion: []string{"nibble", "grazing", "meal"}[n%3], ServeAt: "2026-11-29T19:00:00Z", Choice: n}
		j, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
		if err != nil {
			t.Fatal(err)
		}
		d, err := Plan(j, larder, Options{People: 1, Ovens: 1, Now: time.Date(2026, 11, 29, 18, 50, 0, 0, time.UTC), Save: true})
		if err != nil {
			t.Fatal(err)
		}
		if d.LateMinutes < 1 {
			t.Errorf("plan %d is not late", n)
		}
		if len(d.Savings) == 0 || d.Savings[0].Minutes < min(10, d.LateMinutes/4) {
			t.Errorf("plan %d is %v minutes late and offered %+v", n, d.LateMinutes, d.Savings)
		}
	}
}

// Fruit that was dried off as its file says may be laid sooner than fruit that weeps.
func TestAnElementIsAsWetAsItLies(t *testing.T) {
	j := plantest.Laid(t, brief.Brief{Guests: brief.Guests{Adults: 6}, ServeAt: "2026-11-30T18:00:00Z", Foods: []brief.Want{{Food: "strawberries"}, {Food: "orange-block"}, {Food: "round-crackers"}}})
	larder := j.Larder(food.BuiltIn())
	from := func(j *job.Job) (laid int) {
		w := &worker{j: j, larder: larder, easing: easing{people: 1, ovens: 1}}
		w.collect()
		laid = math.MaxInt
		for _, k := range w.works {
			if k.kind == Lay && k.food == "strawberries" {
				laid = k.from
			}
		}
		return laid
	}
	dry := j.Clone()
	for i := range dry.Trays[0].Elements {
		if e := &dry.Trays[0].Elements[i]; e.Food == "strawberries" {
			e.Wetness = food.Moist
		}
	}
	if wet, dried := from(j), from(dry); wet != minutes(weepsMin) || dried >= wet {
		t.Errorf("strawberries are laid from second %d, dried off from %d", wet, dried)
	}
}

// Rinds that nobody eats are cut off first, or stay on where the house leaves them, and the day says what becomes of them.
func TestRindsAsTheHouseLikesThem(t *testing.T) {
	for _, rinds := range []string{"", "on"} {
		j := plantest.Laid(t, brief.Brief{Guests: brief.Guests{Adults: 8}, Foods: []brief.Want{{Food: "sheep-wedge"}, {Food: "soft-white-round"}, {Food: "almonds"}}, Rules: &brief.Rules{Rinds: rinds}})
		day, err := Plan(j, food.BuiltIn(), Options{People: 1, Ovens: 1})
		if err != nil {
			t.Fatal(err)
		}
		trims := 0
		for _, task := range day.Tasks {
			if task.Kind == Trim && task.Food == "sheep-wedge" {
				trims++
			}
		}
		said := strings.Contains(fmt.Sprint(day.Cautions), "Rinds stay on")
		if (trims > 0) == (rinds == "on") || said != (rinds == "on") {
			t.Errorf("rinds %q: %d tasks cut them off, said: %v", rinds, trims, said)
		}
	}
}

// Tools are one for each bowl and each cut face, one for all open heaps of a kind, picks for
// all: a handful on a board, and none for what fingers take; or one for each food, as the house has it.
func TestToolsAreAHandful(t *testing.T) {
	least, most, few, all := 99, 0, 0, 0
	for n := range plantest.Cases(10) {
		b := brief.Brief{Guests: brief.Guests{Adults: 6 + 2*n}, Month: 1 + n, Occasion: []string{"nibble", "grazing"}[n%2], Choice: n}
		j := plantest.Laid(t, b)
		tools := func(rule string) (count int) {
			for _, tr := range j.Trays {
				tr.Brief.Rules = &brief.Rules{Tools: rule}
			}
			d, err := Plan(j, food.BuiltIn(), Options{People: 1})
			if err != nil {
				t.Fatal(err)
			}
			for _, k := range d.Kit {
				if k.Stage == ToServe && !strings.HasPrefix(k.What, "plate beside") && !slices.Contains([]string{"plate", "napkin", "picks", "dish for used picks", "dish for stones", "dish for shells", "dish for stones and shells"}, k.What) {
					count += k.Count
				}
			}
			return count
		}
		handful := tools("")
		few, all = few+handful, all+tools("each")
		each := (handful + len(j.Trays) - 1) / len(j.Trays)
		least, most = min(least, each), max(most, each)
	}
	t.Logf("%d to %d tools on a board; %d on all, %d with one for each food", least, most, few, all)
	if least < 2 || most > 12 || all <= few {
		t.Errorf("%d to %d tools on a board; %d on all, %d with one for each food", least, most, few, all)
	}
}

// TestAPearStoodUpKeepsItsCore: it is sliced from below and holds together at its stalk; one that lies in slices is cored.
func TestAPearStoodUpKeepsItsCore(t *testing.T) {
	for form, cored := range map[string]bool{"stood": false, "slices": true, "fanned": true} {
		j := plantest.Laid(t, brief.Brief{Guests: brief.Guests{Adults: 8}, Foods: []brief.Want{{Food: "pear", Form: form}, {Food: "soft-white-round"}, {Food: "almonds"}}})
		d, err := Plan(j, food.BuiltIn(), Options{People: 1})
		if err != nil {
			t.Fatal(err)
		}
		sliced, trimmed := false, false
		for _, task := range d.Tasks {
			sliced = sliced || task.Food == "pear" && task.Kind == Slice
			trimmed = trimmed || task.Food == "pear" && task.Kind == Trim
		}
		if !sliced || trimmed != cored {
			t.Errorf("%s: sliced %v, cored %v", form, sliced, trimmed)
		}
	}
}

// What is cooked goes in its order: asparagus into iced water, cheese from the pan onto the board, in batches that a pan takes; and what is
// worked on is what was bought, with what is not eaten.
func TestCookedInItsOrder(t *testing.T) {
	b := brief.Brief{Guests: brief.Guests{Adults: 18}, ServeAt: "2026-11-27T19:00:00Z", Rules: &brief.Rules{Heat: "all"},
		Foods: []brief.Want{{Food: "squeaky-sticks"}, {Food: "asparagus"}, {Food: "pineapple"}, {Food: "pomegranate"}, {Food: "soft-white-round"}, {Food: "round-crackers"}}}
	d, err := Plan(plantest.Laid(t, b), food.BuiltIn(), Options{People: 1, Ovens: 1})
	if err != nil {
		t.Fatal(err)
	}
	of := map[string][]Task{}
	for _, k := range d.Tasks {
		of[k.Food] = append(of[k.Food], k)
	}
	if fried := of["squeaky-sticks"]; len(fried) < 3 || fried[len(fried)-2].Kind != Heat || fried[len(fried)-1].Kind != Lay || fried[len(fried)-2].Minutes < 3*5 {
		t.Errorf("grilling cheese: %+v", fried)
	}
	after := ""
	for _, k := range of["asparagus"] {
		if k.Kind == Heat {
			after = k.ID
		}
		if k.Kind == Cool && (k.Who == "" || !slices.Contains(k.After, after) || !strings.Contains(k.Says.String(), "iced water")) {
			t.Errorf("asparagus after the pot: %+v", k)
		}
	}
	if after == "" {
		t.Error("asparagus is not blanched")
	}
	for id, least := range map[string]float64{"pineapple": 4, "pomegranate": 4} { // 800 g and 600 g of them
		work := 0.0
		for _, k := range of[id] {
			if k.Kind == Peel || k.Kind == Trim {
				work += k.Minutes
			}
		}
		if work < least {
			t.Errorf("%s is peeled and seeded in %.1f minutes", id, work)
		}
	}
}

// A house that folds slowly has folding of its own length, and everything else takes what it took.
func TestPaceChangesTheMinutesOfItsKindAlone(t *testing.T) {
	j, larder := saturday(t)[0].Job, food.BuiltIn()
	plain, err := Plan(j, larder, Options{People: 2, Ovens: 1})
	if err != nil {
		t.Fatal(err)
	}
	slow, err := Plan(j, larder, Options{People: 2, Ovens: 1, Pace: map[string]float64{Fold: 1.5, Peel: .5}})
	if err != nil {
		t.Fatal(err)
	}
	was, folds := map[string]float64{}, 0
	sum := func(d Day, kind string) (sum float64) {
		for _, k := range d.Tasks {
			if k.Kind == kind {
				sum += k.Minutes
			}
		}
		return sum
	}
	for _, k := range plain.Tasks {
		was[k.ID] = k.Minutes
	}
	for _, k := range slow.Tasks {
		if k.Kind == Fold {
			folds++
		} else if k.Kind != Peel && math.Abs(was[k.ID]-k.Minutes) > .01 && k.Kind != GetOut && k.Kind != Chill {
			t.Errorf("%s takes %g, and took %g", k.ID, k.Minutes, was[k.ID])
		}
	}
	if a, b := sum(plain, Fold), sum(slow, Fold); folds == 0 || math.Abs(b-1.5*a) > .05*float64(folds) {
		t.Errorf("folding takes %g minutes, and took %g", b, a)
	}
	if slow.Pace[Fold] != 1.5 || plain.Pace != nil {
		t.Errorf("the day says %v and %v", slow.Pace, plain.Pace)
	}
	twice := map[string]float64{}
	for _, kind := range HandKinds {
		twice[kind] = 2
	}
	if slow, err = Plan(j, larder, Options{People: 2, Ovens: 1, Pace: twice}); err != nil {
		t.Fatal(err)
	}
	if a, b := at(t, plain.BeginAt), at(t, slow.BeginAt); !b.Before(a.Add(-20 * time.Minute)) {
		t.Errorf("work begins at %s, and began at %s", b, a)
	}
	for _, bad := range []map[string]float64{{Fold: 9}, {Fold: math.NaN()}, {Fold: 0}, {"dance": 1.2}, {Drive: 1.2}} {
		if _, err := Plan(j, larder, Options{People: 1, Pace: bad}); err == nil {
			t.Errorf("%v is no pace", bad)
		}
	}
}

// What the house makes itself has the steps of its recipe in order, by hand and by itself, no sooner than it keeps; it is neither
// drained nor bought, and its day is longer.
func TestWhatIsMadeInTheHouse(t *testing.T) {
	larder := food.BuiltIn()
	b := brief.Brief{Guests: brief.Guests{Adults: 10}, Month: 6, ServeAt: "2031-06-04T19:00:00Z", Pins: []brief.Want{{Food: "chickpea-dip"}, {Food: "almonds"}, {Food: "roasted-garlic"}}}
	j := plantest.Laid(t, b)
	bought, err := Plan(j, larder, Options{People: 1, Ovens: 1})
	if err != nil {
		t.Fatal(err)
	}
	j.Brief.Makes = []string{"chickpea-dip", "almonds", "roasted-garlic", "brie"}
	d, err := Plan(j, larder, Options{People: 1, Ovens: 1})
	if err != nil {
		t.Fatal(err)
	}
	kinds := map[string][]string{}
	ends := map[string]string{}
	for _, k := range d.Tasks {
		kinds[k.Food] = append(kinds[k.Food], k.Kind)
		if k.Kind == Make || k.Kind == Heat || k.Kind == Cool {
			if (k.Kind == Make) != (k.Who != "") {
				t.Errorf("%s is done by %q", k.ID, k.Who)
			}
			if was, met := ends[k.Food]; met && at(t, k.Starts).Before(at(t, was)) {
				t.Errorf("%s begins at %s, before what comes before it has ended at %s", k.ID, k.Starts, was)
			}
			ends[k.Food] = k.Ends
		}
	}
	count := func(id, kind string) (n int) {
		for _, k := range kinds[id] {
			if k == kind {
				n++
			}
		}
		return n
	}
	if count("chickpea-dip", Make) != 2 || count("roasted-garlic", Make) != 1 || count("roasted-garlic", Heat) != 1 || count("roasted-garlic", Drain) != 0 || count("almonds", Heat) != 1 || count("almonds", Cool) != 1 {
		t.Errorf("%v", kinds)
	}
	if !strings.Contains(fmt.Sprint(d.Cautions), "made in the house") || strings.Contains(fmt.Sprint(bought.Cautions), "made in the house") {
		t.Errorf("%v", d.Cautions)
	}
	for _, k := range d.Tasks {
		if says := k.Says.String(); (k.Kind == Make || k.Kind == Heat || k.Kind == Cool) && strings.Contains(says, "roasted") {
			t.Errorf("nobody roasts what is roasted: %s", says)
		}
		want := map[string]string{"chickpea-dip": "Get out what the hummus is made of", "almonds": "Get out the almonds to roast"}[k.Food]
		if says := k.Says.String(); k.Kind == GetOut && want != "" && says != want && !strings.HasSuffix(says, "again") { // chilled when made
			t.Errorf("what is not made yet is nowhere to be taken from: %q, want %q", says, want)
		}
	}
	if len(d.Rounds) > 12 || at(t, d.BeginAt).After(at(t, bought.BeginAt)) {
		t.Errorf("%d rounds, from %s; bought from %s", len(d.Rounds), d.BeginAt, bought.BeginAt)
	}
	made := func(d Day) (n int) {
		for _, k := range d.Tasks {
			if k.Kind == Make || k.Kind == Heat || k.Kind == Cool {
				n++
			}
		}
		return n
	}
	if none, err := Plan(j, larder, Options{People: 1}); err != nil || made(none) != made(d) || made(d) == 0 {
		t.Errorf("without an oven it is made in a pan: %d of %d steps, %v", made(none), made(d), err)
	}
}

// What stands beside the board has a plate in the kit, as wide as it wants, and is fanned on it when the tools go in.
func TestCrackersBesideHaveTheirPlate(t *testing.T) {
	for n := range plantest.Cases(6) {
		j := plantest.Laid(t, brief.Brief{Guests: brief.Guests{Adults: 6 + 4*n}, Month: 1 + n, Choice: n})
		want := 0
		for _, tr := range j.Trays {
			want += tr.Beside(food.BuiltIn()).Count * tr.Copies()
		}
		d, err := Plan(j, food.BuiltIn(), Options{People: 1})
		if err != nil {
			t.Fatal(err)
		}
		plates, fanned := 0, 0
		for _, k := range d.Kit {
			if strings.HasPrefix(k.What, "plate beside the board, about ") {
				plates += k.Count
			}
		}
		for _, task := range d.Tasks {
			if task.Kind == Tools && strings.Contains(task.Says.String(), "Fan bread and crackers on") {
				fanned++
			}
		}
		if plates != want || (fanned > 0) != (want > 0) {
			t.Errorf("%d guests: %d plates of %d, %d times fanned", j.Brief.Guests.Adults, plates, want, fanned)
		}
	}
}

// A box that is closed with a lid has its lid in the kit, and its crackers in a bag and on no plate.
func TestKitOfABox(t *testing.T) {
	j := plantest.Laid(t, brief.Brief{Guests: brief.Guests{Adults: 5}, Occasion: "grazing", Board: &board.Request{ID: "box-36-card"}})
	j.Trays[0].Reserve = append(j.Trays[0].Reserve, tray.Reserve{Food: "round-crackers", Form: "shingle", Grams: 60})
	d, err := Plan(j, food.BuiltIn(), Options{People: 1})
	if err != nil {
		t.Fatal(err)
	}
	got := map[string]int{}
	for _, k := range d.Kit {
		got[k.What] = k.Count
		if strings.HasPrefix(k.What, "plate beside") {
			t.Errorf("%s stands beside a box that is taken away", k.What)
		}
	}
	if got["lid for the box with a lid, card"] != 1 || got["closed bag, to go with the box"] != 1 {
		t.Errorf("the kit holds %v", got)
	}
}
