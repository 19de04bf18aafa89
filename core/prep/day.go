package prep

import (
	"fmt"
	"math"
	"slices"
	"sort"
	"strings"
	"time"

	"happytray/core/brief"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/safety"
	"happytray/core/say"
	"happytray/core/schedule"
)

// Task is one thing to do, with its time.
type Task struct {
	ID       string   `json:"id"`
	Kind     string   `json:"kind"`
	Food     string   `json:"food"`
	Form     string   `json:"form,omitempty"`
	Says     say.Text `json:"says"`
	Tool     string   `json:"tool,omitempty"`
	Count    int      `json:"count"` // pieces, or what is counted
	Grams    float64  `json:"grams,omitempty"`
	Minutes  float64  `json:"minutes"` // to a hundredth
	Starts   string   `json:"starts"`  // RFC 3339
	Ends     string   `json:"ends"`
	Who      string   `json:"who"`            // 1 for the first of the people; empty for what goes on by itself
	Uses     []string `json:"uses"`           // "oven 180", "hob"
	After    []string `json:"after"`          // what must have ended before it
	Elements []string `json:"elements"`       // what of the trays it is for
	Tray     int      `json:"tray,omitempty"` // from 1; 0 where it is for all of them, or the job has one
	Earliest string   `json:"earliest"`       // when it can begin at the earliest
	Latest   string   `json:"latest"`         // by when it must have ended
	Round    string   `json:"round"`          // that it is part of
	Critical bool     `json:"critical"`       // it leads it all: were it longer, all would have to begin earlier
	Late     bool     `json:"late,omitempty"`
	Jobs     []string `json:"jobs,omitempty"`   // of several, those it is for
	Pinned   bool     `json:"pinned,omitempty"` // it was moved by hand
}

// ColdOut is when a food leaves the fridge for the last time.
type ColdOut struct {
	Food string `json:"food"`
	At   string `json:"at"`
	Says string `json:"says"`
	Job  string `json:"job,omitempty"` // of several
}

// Saving is a change and the minutes that all would begin later with it.
type Saving struct {
	Says    string  `json:"says"`
	Minutes float64 `json:"minutes"`
}

// Day is the work for a job against the clock.
type Day struct {
	ServeAt     string             `json:"serve_at"`
	BeginAt     string             `json:"begin_at"`
	Relative    bool               `json:"relative,omitempty"` // no time was said: it is reckoned to a made-up one
	LeaveAt     string             `json:"leave_at,omitempty"`
	LateMinutes float64            `json:"late_minutes"`
	People      int                `json:"people"`         // pairs of hands
	Ovens       int                `json:"ovens"`          // 0 for none
	Pace        map[string]float64 `json:"pace,omitempty"` // by kind of work, as Options.Pace has it, of those that there are
	Tasks       []Task             `json:"tasks"`
	Rounds      []Round            `json:"rounds"` // the same as people work, in the order of their beginnings
	ColdOut     []ColdOut          `json:"cold_out"`
	ClearAt     string             `json:"clear_at"` // by when the first of what perishes must go: its hours out of the cold are over
	Trays       []TrayOut          `json:"trays"`    // how long what perishes is out of the cold, tray by tray
	Kit         []Kit              `json:"kit"`
	Cautions    []say.Text         `json:"cautions"`
	Savings     []Saving           `json:"savings,omitempty"`
	Crews       []Crew             `json:"crews,omitempty"`    // when work would begin with fewer hands and with more
	Stations    []Station          `json:"stations,omitempty"` // where the work is done, where several share it
	Bays        []Bay              `json:"bays,omitempty"`     // the boards, where there are several, in the order in which they are laid
	Buy         []Buy              `json:"buy,omitempty"`      // what is bought when, where the work is not done in one go
	Fridge      *Fridge            `json:"fridge,omitempty"`   // where its shelves are counted
	Jobs        []Served           `json:"jobs,omitempty"`     // of a day with several
}

// Options tell with whom and what a day is worked.
type Options struct {
	People  int                  // at least 1
	Ovens   int                  // 0 for none
	Shelves int                  // of the fridge; 0 where nobody counts them
	Zone    *time.Location       // of a serving time that is written without one; UTC where left out
	Now     time.Time            // nothing can begin before; the zero time bounds nothing
	Save    bool                 // look for the changes that save most
	Done    map[string]bool      // tasks that are done already, by their names: the rest is planned
	Pins    map[string]time.Time // when tasks are to begin, as somebody has moved them
	Shop    ShopHours            // of the shop where it is bought
	Pace    map[string]float64   // by kind of work, of HandKinds, how long hands take here of what the data say; nil for as long
}

// Made up: a day that no brief names is reckoned to this moment.
var Unsaid = time.Date(2000, 1, 1, 18, 0, 0, 0, time.UTC)

// The bounds of a pace.
const leastPace, mostPace = .25, 4.

// MostPeople and MostOvens bound a kitchen.
const (
	MostPeople = 20
	MostOvens  = 10
	ovenSheets = 2 // that an oven takes at once
)

// DayJob is a job that is worked on with others of its day.
type DayJob struct {
	ID     string // of its own among them
	Job    *job.Job
	Larder *food.Larder
}

// Served is one of the jobs of a day.
type Served struct {
	Job     string `json:"job"`
	Title   string `json:"title"`
	ServeAt string `json:"serve_at"`
	LeaveAt string `json:"leave_at,omitempty"`
	ClearAt string `json:"clear_at"`
}

// Plan is the day of a job: every task as late as the food likes it and hands and ovens allow. Times are whole
// seconds inside. Where something is to be done earlier than it bears, the cautions say so.
func Plan(j *job.Job, larder *food.Larder, o Options) (Day, error) {
	return PlanDay([]DayJob{{Job: j, Larder: larder}}, o)
}

// MostJobs bounds what is planned as one day.
const MostJobs = 24

// PlanDay is the day of several jobs, each served at its own time, with the same hands and ovens; what is done to a
// food in a form for several of them is done once, where its windows let it. The names of tasks of more than one job
// begin with that of their job, or with day where they are for several.
func PlanDay(all []DayJob, o Options) (Day, error) {
	if o.People < 1 || o.People > MostPeople {
		return Day{}, fault.Bad("people", "should be between 1 and %d: somebody has to do the work", MostPeople)
	}
	if o.Ovens < 0 || o.Ovens > MostOvens {
		return Day{}, fault.Bad("ovens", "should be between 0 and %d", MostOvens)
	}
	if o.Shelves < 0 || o.Shelves > MostShelves {
		return Day{}, fault.Bad("shelves", "should be between 0 and %d", MostShelves)
	}
	if len(all) == 0 || len(all) > MostJobs {
		return Day{}, fault.Bad("jobs", "of a day are 1 to %d", MostJobs)
	}
	if o.Zone == nil {
		o.Zone = time.UTC
	}
	d := &kitchenDay{o: o, booked: all, inHand: int(brief.InHand / time.Second)}
	if err := o.Shop.Check(); err != nil {
		return Day{}, err
	}
	for kind, pace := range o.Pace {
		if !slices.Contains(HandKinds, kind) || !(pace >= leastPace && pace <= mostPace) {
			return Day{}, fault.Bad("pace", "%.40q takes %g of its minutes; work by hand takes %g to %g", kind, pace, leastPace, mostPace)
		}
	}
	for _, b := range all {
		serve, said := b.Job.Brief.ServeTime(o.Zone)
		if !said && b.Job.Brief.ServeAt != "" {
			return Day{}, fault.Bad("serve_at", "%.40q is no time; write it as 2026-11-30T19:00", b.Job.Brief.ServeAt)
		}
		if !said && len(all) > 1 {
			return Day{}, fault.Bad("serve_at", "%.60s says no serving time; a day is planned from those", b.Job.Title)
		}
		if !said {
			serve, d.relative = Unsaid, true
		}
		d.serve = append(d.serve, serve)
	}
	d.base = slices.MinFunc(d.serve, time.Time.Compare)
	as := easing{people: o.People, ovens: o.Ovens}
	if err := d.toChill(as); err != nil {
		return Day{}, err
	}
	p, err := d.planned(as)
	if err != nil {
		return Day{}, err
	}
	if late := d.lateBy(p); late > 0 { // the guests' quarter of an hour first, then there is no time in which anything would stand about
		for _, hasty := range []kitchenDay{{inHand: max(0, d.inHand-late), chill: d.chill}, {hasty: true}} {
			with := *d
			with.inHand, with.chill, with.hasty = hasty.inHand, hasty.chill, hasty.hasty
			if q, err := with.planned(as); err == nil && q.Begin >= p.Begin {
				*d, p = with, q
			}
			if d.lateBy(p) == 0 {
				break
			}
		}
	}
	out := d.write(p)
	if o.Save {
		out.Savings, out.Crews = d.savings(p), d.crews(p)
	}
	return out, nil
}

// NoWork is a day on which there is nothing to do: its lists are empty, none is missing.
func NoWork(o Options) Day {
	return Day{People: o.People, Ovens: o.Ovens, Tasks: []Task{}, Rounds: []Round{}, ColdOut: []ColdOut{}, Trays: []TrayOut{}, Kit: []Kit{}, Cautions: []say.Text{}}
}

// kitchenDay is a day while it is planned: seconds are from the first serving.
type kitchenDay struct {
	o        Options
	booked   []DayJob
	serve    []time.Time
	base     time.Time
	relative bool
	hasty    bool              // it is late: nothing waits for the rest of a trip
	inHand   int               // seconds between the last hand and the guests that a job has at most
	roughly  bool              // where everything comes is only looked at, and need not be the very best
	whole    []map[string]int  // by job, how long each food is out of the cold when nothing of the work is done yet, seconds
	chill    []map[string]bool // by job, what goes back into the cold before it is laid
	jobs     []*worker
	works    []work
}

// lateBy is by how much a plan begins before now, seconds.
func (d *kitchenDay) lateBy(p schedule.Plan) int {
	if d.o.Now.IsZero() || len(d.works) == 0 {
		return 0
	}
	return max(0, int(d.o.Now.Sub(d.base.Add(time.Duration(p.Begin)*time.Second))/time.Second))
}

func (d *kitchenDay) off(n int) int { return int(d.serve[n].Sub(d.base) / time.Second) }

// waiting counts what does not lie on its board yet.
func (w *worker) waiting() (n int) {
	for _, t := range w.j.Trays {
		for i := range t.Elements {
			if !t.Elements[i].Placed {
				n++
			}
		}
	}
	return n
}

// planned collects the work and gives each task its time.
func (d *kitchenDay) planned(e easing) (schedule.Plan, error) {
	d.collect(e)
	d.works = slices.DeleteFunc(d.works, func(k work) bool { return d.o.Done[k.id] })
	at := make(map[string]int, len(d.works))
	for i, k := range d.works {
		if _, twice := at[k.id]; twice {
			return schedule.Plan{}, fmt.Errorf("two tasks are called %s", k.id)
		}
		at[k.id] = i
	}
	tasks := make([]schedule.Task, len(d.works))
	for i, k := range d.works {
		if to, ok := d.o.Pins[k.id]; ok { // as late as it was put: later is not wanted, earlier is told of
			k.from = int(to.Sub(d.base) / time.Second)
			k.by = min(k.by, k.from+k.seconds)
		}
		tasks[i] = schedule.Task{Length: k.seconds, Rest: k.rest, Within: k.within, Lead: k.lead, Hands: k.hands, OvenC: k.ovenC, From: k.from, By: k.by, Kind: kindOf(&d.works[i], k.round)}
		for _, a := range k.after {
			if n, ok := at[a]; ok && n != i {
				tasks[i].After = append(tasks[i].After, n)
			}
		}
	}
	if len(tasks) > schedule.MostTasks {
		return schedule.Plan{}, fault.Bad("trays", "hold more work than one plan takes; plan them one by one")
	}
	o := schedule.Options{Seed: 1, Change: changeOver, Group: len(workKinds)}
	if d.roughly {
		o.Rounds = roughRounds
	}
	p, err := schedule.Backward(tasks, schedule.Limits{Hands: e.people, Ovens: e.ovens, Sheets: ovenSheets, Pauses: d.pauses(), Taken: d.ovenTaken()}, o)
	if err != nil {
		return p, err
	}
	d.goesOn(p, tasks)
	return p, nil
}

// roughRounds is how many plans are tried where it is only looked at what stands about.
const roughRounds = 12

// goesOn lets what goes on by itself begin when what comes before it has ended: nobody holds back what drips or cools.
func (d *kitchenDay) goesOn(p schedule.Plan, tasks []schedule.Task) {
	order := make([]int, len(tasks))
	for i := range order {
		order[i] = i
	}
	sort.SliceStable(order, func(a, b int) bool { return p.Start[order[a]] < p.Start[order[b]] })
	for _, i := range order {
		if d.works[i].hands > 0 || d.works[i].ovenC > 0 || len(tasks[i].After) == 0 {
			continue
		}
		ready := p.Begin
		for _, a := range tasks[i].After {
			ready = max(ready, p.Start[a]+d.works[a].seconds)
		}
		if _, put := d.o.Pins[d.works[i].id]; !put {
			p.Start[i] = min(p.Start[i], ready)
		}
	}
}

// write writes a plan with names and times.
func (d *kitchenDay) write(p schedule.Plan) Day {
	o := d.o
	out := NoWork(o)
	out.Relative = d.relative
	if d.relative {
		out.Cautions = append(out.Cautions, say.That("day.no-time"))
	}
	base := d.base
	if begin := base.Add(time.Duration(p.Begin) * time.Second); !o.Now.IsZero() && begin.Before(o.Now) && len(d.works) > 0 {
		out.LateMinutes = math.Ceil(o.Now.Sub(begin).Round(time.Second).Minutes())
		base = base.Add(time.Duration(out.LateMinutes) * time.Minute)
	}
	when := func(seconds int) string { return base.Add(time.Duration(seconds) * time.Second).Format(time.RFC3339) }
	out.ServeAt, out.BeginAt = when(0), when(p.Begin)
	order := make([]int, len(d.works))
	for i := range order {
		order[i] = i
	}
	sort.SliceStable(order, func(a, b int) bool { return p.Start[order[a]] < p.Start[order[b]] })
	who := d.hands(p, order)
	earliest, latest, critical := d.slack(p, order, who)
	for _, i := range order {
		k := &d.works[i]
		t := Task{ID: k.id, Kind: k.kind, Food: k.food, Form: k.form, Says: k.says, Tool: k.tool, Count: max(1, k.count), Grams: k.grams, Minutes: math.Round(float64(k.seconds)/60*100) / 100,
			Starts: when(p.Start[i]), Ends: when(p.Start[i] + k.seconds), Uses: []string{}, After: []string{}, Elements: []string{}, Tray: k.tray,
			Earliest: when(earliest[i]), Latest: when(latest[i]), Critical: critical[i], Late: k.late}
		_, t.Pinned = o.Pins[k.id]
		for _, a := range k.after {
			if !o.Done[a] {
				t.After = append(t.After, a)
			}
		}
		t.Elements = append(t.Elements, k.elements...)
		if len(d.booked) > 1 {
			for _, n := range k.of {
				t.Jobs = append(t.Jobs, d.booked[n].ID)
			}
		}
		if who[i] > 0 {
			t.Who = fmt.Sprint(who[i])
		}
		if k.ovenC > 0 {
			t.Uses = append(t.Uses, fmt.Sprintf("oven %d", k.ovenC))
		}
		if k.hob {
			t.Uses = append(t.Uses, "hob")
		}
		out.Tasks = append(out.Tasks, t)
		if pace, learnt := o.Pace[k.kind]; learnt {
			if out.Pace == nil {
				out.Pace = map[string]float64{}
			}
			out.Pace[k.kind] = pace
		}
	}
	d.rounds(&out)
	out.Buy = buys(out.Tasks, o.Shop)
	out.Stations, out.Bays = d.stations(&out), d.bays(&out)
	for n, w := range d.jobs {
		clear := d.coldOut(&out, n, p, when)
		out.Kit = addKit(out.Kit, append(d.tools(n), kitOf(w.j, w.larder)...))
		one := Served{Job: d.booked[n].ID, Title: w.j.Title, ServeAt: when(d.off(n)), ClearAt: when(clear)}
		if w.road > 0 {
			one.LeaveAt = when(d.off(n) - w.arrive - w.road)
		}
		if n == 0 {
			out.ClearAt, out.LeaveAt = one.ClearAt, one.LeaveAt
		}
		if len(d.booked) > 1 {
			out.Jobs = append(out.Jobs, one)
		}
		out.Cautions = appendUnsaid(out.Cautions, w.says...)
	}
	d.kitByStation(&out)
	sort.SliceStable(out.ColdOut, func(a, b int) bool { return out.ColdOut[a].At < out.ColdOut[b].At })
	out.Cautions = appendUnsaid(out.Cautions, d.notKept(p)...)
	out.Cautions = appendUnsaid(out.Cautions, d.beforeHours(p)...)
	out.Cautions = appendUnsaid(out.Cautions, d.tooEarly(p)...)
	var cold []say.Text
	out.Fridge, cold = d.fridge()
	out.Cautions = appendUnsaid(out.Cautions, cold...)
	for _, w := range d.jobs {
		if len(w.j.Trays) > 0 {
			out.Cautions = appendUnsaid(out.Cautions, allCautions(w.j, w.larder)...)
		}
	}
	return out
}

func appendNew(list []string, more ...string) []string {
	for _, s := range more {
		if !slices.Contains(list, s) {
			list = append(list, s)
		}
	}
	return list
}

// addKit puts the kits of jobs together: what is served with is counted for each, what is prepared with serves all.
func addKit(kit, more []Kit) []Kit {
	for _, k := range more {
		n := slices.IndexFunc(kit, func(o Kit) bool { return o.What == k.What && o.Stage == k.Stage })
		if n < 0 {
			kit = append(kit, k)
			continue
		}
		if k.Stage == ToPrepare && !strings.HasPrefix(k.What, "bowl: ") && k.What != "lidded box" {
			kit[n].Count = max(kit[n].Count, k.Count)
		} else {
			kit[n].Count += k.Count
		}
		kit[n].For = appendNew(kit[n].For, k.For...)
	}
	return kit
}

// hands gives each task that takes some to one of the people, from 1: to one who is at the same food already, where
// there is one.
func (d *kitchenDay) hands(p schedule.Plan, order []int) []int {
	who := make([]int, len(d.works))
	h := schedule.NewHands(d.o.People)
	for _, i := range order {
		if k := &d.works[i]; k.hands > 0 {
			who[i] = 1 + h.Take(p.Start[i], p.Start[i]+k.seconds, kindOf(k, k.round), changeOver)
		}
	}
	return who
}

// slack is when each task could begin at the earliest and by when it must have ended, with hands enough, and whether
// it leads it all: by what comes before it, on the board or in the same hands and oven, it cannot begin earlier
// than it does.
func (d *kitchenDay) slack(p schedule.Plan, order, who []int) (earliest, latest []int, critical []bool) {
	n := len(d.works)
	at := make(map[string]int, n)
	for i := range d.works {
		at[d.works[i].id] = i
	}
	earliest, latest, critical = make([]int, n), make([]int, n), make([]bool, n)
	lead := make([]int, n) // the earliest begin with these hands
	last := map[string]int{}
	for _, i := range order {
		k := &d.works[i]
		earliest[i], lead[i] = p.Begin, p.Begin
		if k.from != schedule.Any {
			earliest[i] = min(p.Start[i], max(p.Begin, k.from))
			lead[i] = earliest[i]
		}
		for _, a := range k.after {
			if b, ok := at[a]; ok {
				earliest[i] = max(earliest[i], earliest[b]+d.works[b].seconds+d.works[b].rest)
				lead[i] = max(lead[i], lead[b]+d.works[b].seconds+d.works[b].rest)
			}
		}
		for _, by := range []string{fmt.Sprint("hands ", who[i]), fmt.Sprint("oven ", p.Oven[i])} {
			if by == "hands 0" || by == "oven -1" {
				continue
			}
			if b, ok := last[by]; ok && p.Start[b]+d.works[b].seconds <= p.Start[i] {
				lead[i] = max(lead[i], lead[b]+d.works[b].seconds)
			}
			last[by] = i
		}
		lead[i] = min(lead[i], p.Start[i])
		critical[i] = lead[i] == p.Start[i]
		latest[i] = k.by
	}
	for n := len(order) - 1; n >= 0; n-- {
		i := order[n]
		for _, a := range d.works[i].after {
			if b, ok := at[a]; ok {
				latest[b] = min(latest[b], latest[i]-d.works[i].seconds-d.works[b].rest)
			}
		}
	}
	for i := range latest {
		latest[i] = max(latest[i], p.Start[i]+d.works[i].seconds)
	}
	return earliest, latest, critical
}

// appendUnsaid adds what is not said yet.
func appendUnsaid(to []say.Text, more ...say.Text) []say.Text {
	for _, m := range more {
		if words := m.String(); !slices.ContainsFunc(to, func(t say.Text) bool { return t.String() == words }) {
			to = append(to, m)
		}
	}
	return to
}

// allCautions are the cautions of all trays of a job, each once.
func allCautions(j *job.Job, larder *food.Larder) (out []say.Text) {
	_, hold := safety.HoldingTime(j.Brief)
	out = append(out, hold)
	for _, t := range j.Trays {
		for _, s := range Order(t, larder).Cautions {
			out = appendUnsaid(out, s)
		}
	}
	return out
}
