package prep

import (
	"math"
	"slices"
	"strings"
	"testing"
	"time"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/plan/plantest"
	"happytray/core/say"
)

// aheadOf is one of the briefs for what is made ready in many ways; serving is at seven.
func aheadOf(n int) brief.Brief {
	return brief.Brief{Guests: brief.Guests{Adults: 6 + 3*(n%6)}, Month: 1 + n%12, Occasion: []string{"nibble", "grazing", "meal"}[n%3], Choice: n, ServeAt: "2026-11-27T19:00:00Z"}
}

// Between the last hand and the guests there is a quarter of an hour, on the spot as well; who begins late has what is left of it.
func TestAQuarterOfAnHourInHand(t *testing.T) {
	lost, days := 0.0, plantest.Cases(12)
	for n := range days {
		b := aheadOf(n)
		if n%3 == 1 {
			b.Travels = brief.Travels{Yes: true, Minutes: 20}
		}
		j := plantest.Laid(t, b)
		o := Options{People: 1 + n%2, Ovens: 1}
		d, err := Plan(j, food.BuiltIn(), o)
		if err != nil {
			t.Fatal(err)
		}
		last := time.Time{}
		for _, k := range d.Tasks {
			if end := at(t, k.Ends); k.Who != "" && end.After(last) {
				last = end
			}
		}
		serve := at(t, d.ServeAt)
		if left := serve.Sub(last); left < brief.InHand || left > 20*time.Minute {
			t.Errorf("%d: the last hand is %v before serving", n, left)
		}
		o.Now = at(t, d.BeginAt).Add(9 * time.Minute)
		late, err := Plan(j, food.BuiltIn(), o)
		if err != nil {
			t.Fatal(err)
		}
		// where the day is hardly longer than what warms up, that wants its time yet
		if lost += late.LateMinutes; late.LateMinutes > 9 || at(t, late.BeginAt).Before(o.Now) {
			t.Errorf("%d: begun nine minutes late it is %v minutes late, from %s", n, late.LateMinutes, late.BeginAt)
		}
	}
	if lost > 3*float64(days) {
		t.Errorf("of %d days begun nine minutes late %.0f minutes are lost", days, lost)
	}
}

// A board that is ready ahead is laid but for what is finished at last, covered and chilled by then, and out of the cold again as long
// before serving as it warms up; its clock counts both times and not the one between.
func TestReadyAhead(t *testing.T) {
	larder := food.BuiltIn()
	for n, ready := range []string{"2026-11-27T16:30:00Z", "2026-11-27T10:00:00Z", "2026-11-26T19:00:00Z", "2026-11-27T16:00:00Z"} {
		b := aheadOf(n)
		b.ReadyBy = ready
		if n == 3 {
			b.Travels = brief.Travels{Yes: true, Minutes: 30}
		}
		d, err := Plan(plantest.Laid(t, b), larder, Options{People: 1 + n%2, Ovens: 1})
		if err != nil {
			t.Fatal(err)
		}
		var cover, out Task
		for _, k := range d.Tasks {
			if k.Food == "" && k.Kind == Chill {
				cover = k
			}
			if k.Food == "" && k.Kind == GetOut {
				out = k
			}
		}
		if cover.ID == "" || out.ID == "" || cover.Tray != 1 || out.Tray != 1 {
			t.Fatalf("%s: the board is not covered and taken out: %+v, %+v", ready, cover, out)
		}
		if at(t, cover.Ends).After(at(t, ready)) || at(t, out.Starts).Before(at(t, cover.Ends).Add(inCold*time.Minute)) {
			t.Errorf("%s: covered %s, out %s", ready, cover.Ends, out.Starts)
		}
		for _, k := range d.Tasks {
			f, ok := larder.Get(k.Food)
			if !ok || k.Kind != Lay {
				continue
			}
			last := f.Needs(food.Softens) || f.Needs(food.Wilts) || food.Has(k.Form, food.OnFood)
			if last && at(t, k.Starts).Before(at(t, out.Ends)) {
				t.Errorf("%s: %s are laid at %s, before the board is out", ready, k.Food, k.Starts)
			}
			if !k.Late && at(t, k.Ends).After(at(t, cover.Starts)) {
				t.Errorf("%s: %s are laid until %s, after the board is covered", ready, k.Food, k.Ends)
			}
		}
		for _, c := range d.ColdOut { // the last time: with the board, by itself where it is laid at last, out of its box
			last := ""
			for _, k := range d.Tasks {
				if k.Kind == GetOut && k.Food == c.Food {
					last = max(last, k.Starts)
				}
				if k.Kind == Unload && b.Travels.Yes {
					last = max(last, k.Ends)
				}
			}
			if !b.Travels.Yes && slices.ContainsFunc(d.Tasks, func(k Task) bool { return k.Kind == Lay && k.Food == c.Food && !k.Late }) {
				last = out.Starts
			}
			if c.At != last {
				t.Errorf("%s: %s leaves the cold at %s, by the tasks at %s", ready, c.Food, c.At, last)
			}
		}
		for _, tr := range d.Trays {
			if len(tr.Out) == 0 {
				t.Errorf("%s: nothing perishes on it", ready)
			}
			for _, o := range tr.Out {
				if o.Minutes > 180 {
					t.Errorf("%s: %s is out of the cold %.0f minutes", ready, o.Food, o.Minutes)
				}
			}
		}
		if n == 0 && !slices.ContainsFunc(d.Rounds, func(r Round) bool { return strings.HasPrefix(r.ID, "cover") }) {
			t.Errorf("no round covers it: %+v", d.Rounds)
		}
	}
}

// Nobody works between the hours that were said, but to finish; where the hours do not hold the work, it is said.
func TestSessions(t *testing.T) {
	j := plantest.Laid(t, brief.Brief{Guests: brief.Guests{Adults: 60}, Month: 6, Occasion: "grazing", ServeAt: "2026-11-27T19:00:00Z", ReadyBy: "2026-11-27T15:00:00Z"})
	for _, c := range []struct {
		sessions []brief.Session
		said     bool
	}{
		{[]brief.Session{{From: "2026-11-26T16:00:00Z", To: "2026-11-26T20:00:00Z"}, {From: "2026-11-27T08:00:00Z", To: "2026-11-27T12:00:00Z"}, {From: "2026-11-27T13:00:00Z", To: "2026-11-27T15:00:00Z"}}, false},
		{[]brief.Session{{From: "2026-11-27T14:00:00Z", To: "2026-11-27T15:00:00Z"}}, true},
	} {
		j.Brief.Sessions = c.sessions
		for i := range j.Trays {
			j.Trays[i].Brief.Sessions = c.sessions
		}
		d, err := Plan(j, food.BuiltIn(), Options{People: 2, Ovens: 1})
		if err != nil {
			t.Fatal(err)
		}
		first := at(t, c.sessions[0].From)
		for _, k := range d.Tasks {
			if k.Who == "" || at(t, k.Starts).Before(first) && c.said {
				continue
			}
			in := at(t, k.Starts).After(at(t, "2026-11-27T17:00:00Z")) // to finish
			for _, s := range c.sessions {
				in = in || !at(t, k.Starts).Before(at(t, s.From)) && !at(t, k.Ends).After(at(t, s.To))
			}
			if !in {
				t.Errorf("%s is done from %s to %s, outside of the hours", k.ID, k.Starts, k.Ends)
			}
		}
		said := false
		for _, s := range d.Cautions {
			said = said || strings.Contains(s.String(), "These hours do not hold the work")
		}
		if said != c.said {
			t.Errorf("%v: said %v; begins %s", c.sessions, said, d.BeginAt)
		}
	}
}

// How long food may stand is the house's rule, and the local one's above it; what was out of the cold counts against it.
func TestHoursAreTheHouses(t *testing.T) {
	b := aheadOf(1)
	two, err := Plan(plantest.Laid(t, b), food.BuiltIn(), Options{People: 2})
	if err != nil {
		t.Fatal(err)
	}
	b.Rules = &brief.Rules{Hours: "two-and-four"}
	four, err := Plan(plantest.Laid(t, b), food.BuiltIn(), Options{People: 2})
	if err != nil {
		t.Fatal(err)
	}
	if more := at(t, four.ClearAt).Sub(at(t, two.ClearAt)); more < 90*time.Minute || more > 2*time.Hour+time.Minute {
		t.Errorf("clear by %s and by %s", two.ClearAt, four.ClearAt)
	}
}

func TestWhatCannotBeReady(t *testing.T) {
	for _, c := range []struct{ json, says string }{
		{`{"guests":{"adults":8},"serve_at":"2026-11-27T19:00","ready_by":"2026-11-27T20:00"}`, "before it is served"},
		{`{"guests":{"adults":8},"ready_by":"2026-11-27T20:00"}`, "when it is served"},
		{`{"guests":{"adults":8},"serve_at":"2026-11-27T19:00","ready_by":"soon"}`, "write the time"},
		{`{"guests":{"adults":8},"serve_at":"2026-11-27T19:00","ready_by":"2026-11-20T20:00"}`, "two days"},
		{`{"guests":{"adults":8},"serve_at":"2026-11-27T19:00","sessions":[{"from":"2026-11-27T12:00","to":"2026-11-27T11:00"}]}`, "ten minutes"},
		{`{"guests":{"adults":8},"serve_at":"2026-11-27T19:00","sessions":[{"from":"2026-11-27T12:00","to":"2026-11-27T14:00"},{"from":"2026-11-27T13:00","to":"2026-11-27T15:00"}]}`, "order of time"},
		{`{"guests":{"adults":8},"serve_at":"2026-11-27T19:00","sessions":[{"from":"2026-11-27T20:00","to":"2026-11-27T22:00"}]}`, "after serving"},
		{`{"guests":{"adults":8},"road_cold":"warm"}`, "box"},
		{`{"guests":{"adults":8},"rules":{"hours":"six"}}`, "two-and-four"},
	} {
		if _, err := brief.Read([]byte(c.json)); err == nil || !strings.Contains(err.Error(), c.says) {
			t.Errorf("%s: %v", c.json, err)
		}
	}
}

// A terrace in the cold warms no cheese: it is said where that is done.
func TestATerraceWarmsNothing(t *testing.T) {
	for degrees, want := range map[float64]bool{2: true, 20: false} {
		b := aheadOf(0)
		b.TemperatureC = &degrees
		d, err := Plan(plantest.Laid(t, b), food.BuiltIn(), Options{People: 1})
		if err != nil {
			t.Fatal(err)
		}
		if got := slices.ContainsFunc(d.Cautions, func(c say.Text) bool { return strings.Contains(c.String(), "nothing warms up there") }); got != want {
			t.Errorf("at %v degrees it is said: %v", degrees, got)
		}
	}
}

// A day is planned of whatever a file holds: no board, nothing laid, plates, copies, made ready or in waves.
func TestReadyOfOddJobs(t *testing.T) {
	for n, change := range []func(j *job.Job){
		func(j *job.Job) { j.Trays[0].Board = nil },
		func(j *job.Job) { j.Trays[0].Board, j.Brief.Copies, j.Brief.WaveMinutes = nil, 2, 60 },
		func(j *job.Job) { j.Trays[0].Elements = nil },
		func(j *job.Job) { j.Trays = nil },
		func(j *job.Job) { j.Brief.ServeAt, j.Brief.ReadyBy = "", "" },
	} {
		b := aheadOf(0)
		b.ReadyBy = "2026-11-27T12:00:00Z"
		j := plantest.Laid(t, b)
		change(j)
		if _, err := Plan(j, food.BuiltIn(), Options{People: 1, Save: true}); err != nil {
			t.Errorf("%d: %v", n, err)
		}
	}
	plates := aheadOf(1)
	plates.Serving, plates.ReadyBy = "plates", "2026-11-27T13:00:00Z"
	if d, err := Plan(plantest.Laid(t, plates), food.BuiltIn(), Options{People: 2}); err != nil || !slices.ContainsFunc(d.Tasks, func(k Task) bool { return k.Kind == Chill && k.Food == "" }) {
		t.Errorf("plates are not covered: %v", err)
	}
}

// What is paid for is the day's own minutes of hands, and the road by itself.
func TestLabour(t *testing.T) {
	b := aheadOf(2)
	b.Travels = brief.Travels{Yes: true, Minutes: 25}
	j := plantest.Laid(t, b)
	o := Options{People: 2, Ovens: 1}
	d, err := Plan(j, food.BuiltIn(), o)
	if err != nil {
		t.Fatal(err)
	}
	hand := 0.0
	for _, k := range d.Tasks {
		if k.Who != "" && k.Kind != Drive {
			hand += k.Minutes
		}
	}
	got, err := LabourOf(j, food.BuiltIn(), o)
	if err != nil || math.Abs(got.HandMin-hand) > .1 || got.RoadMin != 25 {
		t.Errorf("%+v, by the tasks %.1f: %v", got, hand, err)
	}
}

// Where the work is not done in one go, it is told what is bought when: each food once, before the stretch that it is first needed in.
func TestWhatToBuyWhen(t *testing.T) {
	b := aheadOf(2)
	b.ReadyBy = "2026-11-26T19:00:00Z"
	d, err := Plan(plantest.Laid(t, b), food.BuiltIn(), Options{People: 2})
	if err != nil {
		t.Fatal(err)
	}
	if len(d.Buy) != 2 {
		t.Fatalf("%+v", d.Buy)
	}
	first := map[string]string{}
	for _, k := range d.Tasks {
		if k.Food != "" && k.Who != "" && first[k.Food] == "" {
			first[k.Food] = k.Starts
		}
	}
	listed := map[string]bool{}
	for i, one := range d.Buy {
		for _, f := range one.Foods {
			if listed[f] || first[f] < one.Before || i+1 < len(d.Buy) && first[f] >= d.Buy[i+1].Before {
				t.Errorf("%s is first needed at %s, bought before %s", f, first[f], one.Before)
			}
			listed[f] = true
		}
	}
	if len(listed) != len(first) {
		t.Errorf("%d of %d foods", len(listed), len(first))
	}
	b.ReadyBy = ""
	if d, err = Plan(plantest.Laid(t, b), food.BuiltIn(), Options{People: 2}); err != nil || d.Buy != nil {
		t.Errorf("in one go: %+v, %v", d.Buy, err)
	}
}

// How many hands it takes for a given beginning can be read off: more hands never begin sooner, and the day's own number is its own plan.
func TestHowManyHands(t *testing.T) {
	j := plantest.Laid(t, brief.Brief{Guests: brief.Guests{Adults: 40}, Month: 6, Occasion: "grazing", ServeAt: "2026-11-27T19:00:00Z"})
	d, err := Plan(j, food.BuiltIn(), Options{People: 2, Ovens: 1, Save: true})
	if err != nil {
		t.Fatal(err)
	}
	if len(d.Crews) < 3 {
		t.Fatalf("%+v", d.Crews)
	}
	for i, c := range d.Crews {
		if c.People != i+1 || i > 0 && c.BeginAt < d.Crews[i-1].BeginAt || c.People == 2 && c.BeginAt != d.BeginAt && c.BeginAt < d.BeginAt {
			t.Errorf("%+v", d.Crews)
		}
	}
	if alone, three := at(t, d.Crews[0].BeginAt), at(t, d.Crews[2].BeginAt); three.Sub(alone) < 30*time.Minute {
		t.Errorf("three begin at %v, one at %v", three, alone)
	}
}

// Boards that follow each other: a further one is covered before the guests come, leaves the cold before its time, is finished then, and has
// a clock of its own; so an evening that is longer than the hours is held.
func TestBoardsThatFollowEachOther(t *testing.T) {
	b := brief.Brief{Guests: brief.Guests{Adults: 16}, Month: 6, Occasion: "grazing", LastsMinutes: 100, ServeAt: "2026-11-27T19:00:00Z"}
	short := func(d Day) bool {
		return slices.ContainsFunc(d.Cautions, func(c say.Text) bool { return strings.Contains(c.String(), "and guests graze until") })
	}
	one, err := Plan(plantest.Laid(t, b), food.BuiltIn(), Options{People: 2})
	if err != nil {
		t.Fatal(err)
	}
	b.Copies, b.WaveMinutes, b.Board = 2, 50, &board.Request{ID: "round-48-walnut"}
	two, err := Plan(plantest.Laid(t, b), food.BuiltIn(), Options{People: 2})
	if err != nil {
		t.Fatal(err)
	}
	if !short(one) || short(two) {
		t.Errorf("an hour and forty minutes: one board is short %v, two after each other %v", short(one), short(two))
	}
	if len(two.Trays) != 2 || two.Trays[0].Wave != 0 || two.Trays[1].Wave != 2 || two.Trays[1].ClearAt <= two.Trays[0].ClearAt {
		t.Fatalf("%+v", two.Trays)
	}
	serve := at(t, two.ServeAt)
	second := serve.Add(50 * time.Minute)
	var cover, out Task
	after := 0
	for _, k := range two.Tasks {
		switch {
		case k.Food == "" && k.Kind == Chill:
			cover = k
		case k.Food == "" && k.Kind == GetOut:
			out = k
		case k.Kind == Lay && at(t, k.Starts).After(serve):
			after++
			if at(t, k.Ends).After(second) || at(t, k.Starts).Before(at(t, out.Ends)) {
				t.Errorf("%s of the second board from %s to %s, out at %s", k.ID, k.Starts, k.Ends, out.Ends)
			}
		}
	}
	if cover.ID == "" || at(t, cover.Ends).After(serve.Add(-brief.InHand)) || out.ID == "" || !at(t, out.Starts).After(serve) || at(t, out.Starts).After(second.Add(-20*time.Minute)) || at(t, out.Starts).Before(second.Add(-45*time.Minute)) || after == 0 {
		t.Errorf("covered until %s, out %s, %d things laid after", cover.Ends, out.Starts, after)
	}
	b.Copies = 3
	three, err := Plan(plantest.Laid(t, b), food.BuiltIn(), Options{People: 1})
	if err != nil {
		t.Fatal(err)
	}
	for _, k := range three.Tasks { // each in its time, and not all in one go
		if strings.HasSuffix(k.ID, "-w3") && at(t, k.Starts).Before(second) {
			t.Errorf("%s at %s", k.ID, k.Starts)
		}
	}
	for _, bad := range []string{`{"guests":{"adults":8},"wave_minutes":60}`, `{"guests":{"adults":8},"copies":2,"wave_minutes":10}`, `{"guests":{"adults":8},"copies":2,"wave_minutes":60,"travels":20}`, `{"guests":{"adults":18},"copies":9,"wave_minutes":60}`} {
		if _, err := brief.Read([]byte(bad)); err == nil {
			t.Errorf("%s is read", bad)
		}
	}
}

// Of many boards each is laid out of its own boxes, covered as soon as it is laid, and has a clock of its own; and however many rounds
// there are, they are found.
func TestManyBoards(t *testing.T) {
	b := brief.Brief{Guests: brief.Guests{Adults: 160}, Month: 6, Occasion: "grazing", ServeAt: "2026-11-27T19:00:00Z", ReadyBy: "2026-11-27T15:30:00Z",
		Sessions: []brief.Session{{From: "2026-11-26T16:00:00Z", To: "2026-11-26T20:00:00Z"}, {From: "2026-11-27T08:00:00Z", To: "2026-11-27T15:30:00Z"}}}
	j := plantest.Laid(t, b)
	if len(j.Trays) < boxedFrom {
		t.Fatalf("%d boards", len(j.Trays))
	}
	d, err := Plan(j, food.BuiltIn(), Options{People: 6, Ovens: 1})
	if err != nil {
		t.Fatal(err)
	}
	boxes, covered := map[int]Task{}, map[int]Task{}
	for _, k := range d.Tasks {
		switch {
		case strings.HasPrefix(k.ID, "out-boxes"):
			boxes[k.Tray] = k
		case k.Food == "" && k.Kind == Chill:
			covered[k.Tray] = k
		}
	}
	if len(boxes) < 2 || len(covered) != len(j.Trays) {
		t.Fatalf("boxes of %d boards are taken out, %d of %d are covered", len(boxes), len(covered), len(j.Trays))
	}
	for n := range j.Trays {
		if c, next := covered[n+1], covered[n+2]; next.ID != "" && !at(t, c.Ends).Before(at(t, next.Ends)) {
			t.Errorf("board %d is covered at %s, the next one at %s", n+1, c.Ends, next.Ends)
		}
		if out, c := boxes[n+1], covered[n+1]; out.ID != "" && at(t, c.Ends).Sub(at(t, out.Starts)) > 90*time.Minute {
			t.Errorf("board %d lies open from %s to %s", n+1, out.Starts, c.Ends)
		}
	}
	for _, k := range d.Tasks {
		if out := boxes[k.Tray]; k.Kind == Lay && slices.Contains(k.After, out.ID) && out.ID != "" && at(t, k.Starts).Before(at(t, out.Ends)) {
			t.Errorf("%s at %s, its boxes at %s", k.ID, k.Starts, out.Ends)
		}
	}
	for _, tr := range d.Trays {
		for _, o := range tr.Out {
			f, _ := food.BuiltIn().Get(o.Food)
			said := slices.ContainsFunc(d.Cautions, func(c say.Text) bool {
				return strings.Contains(c.String(), "would be out of the cold") && strings.Contains(c.String(), say.Lower(f.Name))
			})
			if o.Minutes > 180 || o.Minutes > 120 && !said {
				t.Errorf("board %d: %s is out for %.0f minutes, said: %v", tr.Tray, o.Food, o.Minutes, said)
			}
		}
	}
}

// What is bought is bought while the shop is open, the way home left; where it is shut before work begins that is said of a day in one go, too.
func TestBoughtWhileTheShopIsOpen(t *testing.T) {
	shop := ShopHours{8 * 60, 20 * 60}
	for before, want := range map[string]string{
		"2031-06-04T15:00:00Z": "2031-06-04T14:30:00Z", "2031-06-04T08:10:00Z": "2031-06-03T20:00:00Z",
		"2031-06-04T06:00:00Z": "2031-06-03T20:00:00Z", "2031-06-04T22:00:00Z": "2031-06-04T20:00:00Z", "2031-06-01T07:00:00+02:00": "2031-05-31T20:00:00+02:00",
	} {
		if got := shop.last(at(t, before)); !got.Equal(at(t, want)) {
			t.Errorf("before %s: %s, not %s", before, got, want)
		}
	}
	task := func(from, to string) Task { return Task{Who: "1", Food: from, Starts: from, Ends: to} }
	day := []Task{task("2031-06-04T15:00:00Z", "2031-06-04T16:00:00Z")}
	if got := buys(day, shop); got != nil {
		t.Errorf("the shop is open: %v", got)
	}
	day[0].Starts = "2031-06-04T07:00:00Z"
	if got := buys(day, shop); len(got) != 1 || got[0].By != "2031-06-03T20:00:00Z" || len(got[0].Foods) != 1 {
		t.Errorf("it is shut in the morning: %v", got)
	}
	if got := buys(day, ShopHours{}); got != nil {
		t.Errorf("nobody says when: %v", got)
	}
	for _, bad := range []ShopHours{{600, 300}, {-5, 60}, {60, 2000}} {
		if bad.Check() == nil {
			t.Errorf("%v are no hours", bad)
		}
	}
}
