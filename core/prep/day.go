package prep

import (
	"fmt"
	"math"
	"slices"
	"sort"
	"strings"
	"time"

	"happytray/core/craft"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/say"
	"happytray/core/schedule"
)

// Task is one thing to do, with its time.
type Task struct {
	ID       string   `json:"id"`
	Kind     string   `json:"kind"`
	Food     string   `json:"food"`
	Form     string   `json:"form,omitempty"`
	Says     string   `json:"says"`
	Tool     string   `json:"tool,omitempty"`
	Count    int      `json:"count"` // pieces, or what is counted
	Grams    float64  `json:"grams,omitempty"`
	Minutes  float64  `json:"minutes"`
	Starts   string   `json:"starts"` // RFC 3339
	Ends     string   `json:"ends"`
	Who      string   `json:"who"`      // 1 for the first of the people; empty for what goes on by itself
	Uses     []string `json:"uses"`     // "oven 180", "hob"
	After    []string `json:"after"`    // what must have ended before it
	Elements []string `json:"elements"` // what of the trays it is for
	Tray     int      `json:"tray,omitempty"`
	Earliest string   `json:"earliest"` // when it can begin at the earliest
	Latest   string   `json:"latest"`   // by when it must have ended
	Critical bool     `json:"critical"` // it leads it all: were it longer, all would have to begin earlier
	Late     bool     `json:"late,omitempty"`
}

// ColdOut is when a food leaves the fridge for the last time.
type ColdOut struct {
	Food string `json:"food"`
	At   string `json:"at"`
	Says string `json:"says"`
}

// Saving is a change and the minutes that all would begin later with it.
type Saving struct {
	Says    string  `json:"says"`
	Minutes float64 `json:"minutes"`
}

// Day is the work for a job against the clock.
type Day struct {
	ServeAt     string    `json:"serve_at"`
	BeginAt     string    `json:"begin_at"`
	Relative    bool      `json:"relative,omitempty"` // no time was said: it is reckoned to a made-up one
	LeaveAt     string    `json:"leave_at,omitempty"`
	LateMinutes float64   `json:"late_minutes"`
	People      int       `json:"people"`
	Ovens       int       `json:"ovens"`
	Tasks       []Task    `json:"tasks"`
	ColdOut     []ColdOut `json:"cold_out"`
	ClearAt     string    `json:"clear_at"` // what perishes and stood out since the first left the cold must go
	Kit         []Kit     `json:"kit"`
	Cautions    []string  `json:"cautions"`
	Savings     []Saving  `json:"savings,omitempty"`
}

// Options tell with whom and what a day is worked.
type Options struct {
	People int             // at least 1
	Ovens  int             // 0 for none
	Zone   *time.Location  // of a serving time that is written without one; UTC where left out
	Now    time.Time       // nothing can begin before; the zero time bounds nothing
	Save   bool            // look for the changes that save most
	Done   map[string]bool // tasks that are done already, by their names: the rest is planned
}

// Made up: a day that no brief names is reckoned to this moment.
var Unsaid = time.Date(2000, 1, 1, 18, 0, 0, 0, time.UTC)

// MostPeople and MostOvens bound a kitchen.
const (
	MostPeople = 20
	MostOvens  = 10
	ovenSheets = 2 // that an oven takes at once
)

// Plan is the day of a job: every task as late as the food likes it and hands and ovens allow. Times are whole
// seconds inside. Where something is to be done earlier than it bears, the cautions say so.
func Plan(j *job.Job, larder *food.Larder, o Options) (Day, error) {
	if o.People < 1 || o.People > MostPeople {
		return Day{}, fault.Bad("people", "should be between 1 and %d: somebody has to do the work", MostPeople)
	}
	if o.Ovens < 0 || o.Ovens > MostOvens {
		return Day{}, fault.Bad("ovens", "should be between 0 and %d", MostOvens)
	}
	if o.Zone == nil {
		o.Zone = time.UTC
	}
	if len(j.Brief.ServeAt) > 0 {
		if _, ok := j.Brief.ServeTime(o.Zone); !ok {
			return Day{}, fault.Bad("serve_at", "%.40q is no time; write it as 2026-11-30T19:00", j.Brief.ServeAt)
		}
	}
	w := &worker{j: j, larder: larder, ovens: o.Ovens, people: o.People, done: o.Done}
	if waiting := w.waiting(); waiting > 0 {
		w.says = append(w.says, fmt.Sprintf("%s beside the board: lay the tray first, and the order of hands follows from where things lie.", are(waiting)))
	}
	p, err := w.planned(o.Ovens)
	if err != nil {
		return Day{}, err
	}
	d := w.day(p, o)
	if o.Save {
		d.Savings = savings(j, larder, o, p.Begin)
	}
	return d, nil
}

func are(n int) string {
	if n == 1 {
		return "1 thing waits"
	}
	return fmt.Sprintf("%d things wait", n)
}

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
func (w *worker) planned(ovens int) (schedule.Plan, error) {
	w.works = nil
	w.collect()
	w.works = slices.DeleteFunc(w.works, func(k work) bool { return w.done[k.id] })
	at := make(map[string]int, len(w.works))
	for i, k := range w.works {
		if _, twice := at[k.id]; twice {
			return schedule.Plan{}, fmt.Errorf("two tasks are called %s", k.id)
		}
		at[k.id] = i
	}
	tasks := make([]schedule.Task, len(w.works))
	for i, k := range w.works {
		tasks[i] = schedule.Task{Length: k.seconds, Hands: k.hands, OvenC: k.ovenC, From: k.from, By: k.by}
		for _, a := range k.after {
			if n, ok := at[a]; ok && n != i {
				tasks[i].After = append(tasks[i].After, n)
			}
		}
	}
	if len(tasks) > schedule.MostTasks {
		return schedule.Plan{}, fault.Bad("trays", "hold more work than one plan takes; plan them one by one")
	}
	return schedule.Backward(tasks, schedule.Limits{Hands: w.people, Ovens: ovens, Sheets: ovenSheets}, schedule.Options{Seed: 1})
}

// day writes a plan with names and times.
func (w *worker) day(p schedule.Plan, o Options) Day {
	serve, said := w.j.Brief.ServeTime(o.Zone)
	d := Day{People: o.People, Ovens: o.Ovens, Tasks: []Task{}, ColdOut: []ColdOut{}, Kit: []Kit{}, Cautions: []string{}}
	if !said {
		serve, d.Relative = Unsaid, true
		d.Cautions = append(d.Cautions, "The brief says no serving time: all times are reckoned to 18:00 on 1 January 2000.")
	}
	begin := serve.Add(time.Duration(p.Begin) * time.Second)
	if !o.Now.IsZero() && begin.Before(o.Now) {
		late := o.Now.Sub(begin).Round(time.Second)
		d.LateMinutes = math.Ceil(late.Minutes())
		serve = serve.Add(time.Duration(d.LateMinutes) * time.Minute)
	}
	at := func(seconds int) time.Time { return serve.Add(time.Duration(seconds) * time.Second) }
	when := func(seconds int) string { return at(seconds).Format(time.RFC3339) }
	d.ServeAt, d.BeginAt = when(0), when(p.Begin)
	if w.leave > 0 {
		d.LeaveAt = when(-w.arrive - w.road)
	}
	order := make([]int, len(w.works))
	for i := range order {
		order[i] = i
	}
	sort.SliceStable(order, func(a, b int) bool { return p.Start[order[a]] < p.Start[order[b]] })
	who := w.hands(p, order)
	earliest, latest, critical := w.slack(p, order, who)
	for _, i := range order {
		k := &w.works[i]
		t := Task{ID: k.id, Kind: k.kind, Food: k.food, Form: k.form, Says: k.says, Tool: k.tool, Count: max(1, k.count), Grams: k.grams, Minutes: math.Round(float64(k.seconds)/60*100) / 100,
			Starts: when(p.Start[i]), Ends: when(p.Start[i] + k.seconds), Uses: []string{}, After: slices.Clone(k.after), Elements: slices.Clone(k.elements), Tray: k.tray,
			Earliest: when(earliest[i]), Latest: when(latest[i]), Critical: critical[i], Late: k.late}
		if t.After == nil {
			t.After = []string{}
		}
		t.After = slices.DeleteFunc(t.After, func(a string) bool { return w.done[a] })
		if t.Elements == nil {
			t.Elements = []string{}
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
		d.Tasks = append(d.Tasks, t)
	}
	w.coldOut(&d, p, when)
	d.Kit = kitOf(w.j, w.larder)
	d.Cautions = append(d.Cautions, w.says...)
	d.Cautions = append(d.Cautions, w.tooEarly(p, when)...)
	if n := len(w.j.Trays); n > 0 {
		d.Cautions = append(d.Cautions, allCautions(w.j, w.larder)...)
	}
	return d
}

// hands gives each task that takes some to one of the people, from 1: to one who is at the same food already, where
// there is one.
func (w *worker) hands(p schedule.Plan, order []int) []int {
	who := make([]int, len(w.works))
	free := make([]int, w.people) // until when each is busy
	at := make([]string, w.people)
	for n := range free {
		free[n] = math.MinInt
	}
	for _, i := range order {
		k := &w.works[i]
		if k.hands == 0 {
			continue
		}
		best := -1
		for n := range free {
			if free[n] > p.Start[i] {
				continue
			}
			if best < 0 || k.food != "" && at[n] == k.food && at[best] != k.food {
				best = n
			}
		}
		who[i] = best + 1
		free[best], at[best] = p.Start[i]+k.seconds, k.food
	}
	return who
}

// slack is when each task could begin at the earliest and by when it must have ended, with hands enough, and whether
// it leads it all: by what comes before it, on the board or in the same hands and oven, it cannot begin earlier
// than it does.
func (w *worker) slack(p schedule.Plan, order, who []int) (earliest, latest []int, critical []bool) {
	n := len(w.works)
	at := make(map[string]int, n)
	for i := range w.works {
		at[w.works[i].id] = i
	}
	earliest, latest, critical = make([]int, n), make([]int, n), make([]bool, n)
	lead := make([]int, n) // the earliest begin with these hands
	last := map[string]int{}
	for _, i := range order {
		k := &w.works[i]
		earliest[i], lead[i] = p.Begin, p.Begin
		if k.from != schedule.Any {
			earliest[i] = min(p.Start[i], max(p.Begin, k.from))
			lead[i] = earliest[i]
		}
		for _, a := range k.after {
			if b, ok := at[a]; ok {
				earliest[i] = max(earliest[i], earliest[b]+w.works[b].seconds)
				lead[i] = max(lead[i], lead[b]+w.works[b].seconds)
			}
		}
		for _, by := range []string{fmt.Sprint("hands ", who[i]), fmt.Sprint("oven ", p.Oven[i])} {
			if by == "hands 0" || by == "oven -1" {
				continue
			}
			if b, ok := last[by]; ok && p.Start[b]+w.works[b].seconds <= p.Start[i] {
				lead[i] = max(lead[i], lead[b]+w.works[b].seconds)
			}
			last[by] = i
		}
		lead[i] = min(lead[i], p.Start[i])
		critical[i] = lead[i] == p.Start[i]
		latest[i] = k.by
	}
	for n := len(order) - 1; n >= 0; n-- {
		i := order[n]
		for _, a := range w.works[i].after {
			if b, ok := at[a]; ok {
				latest[b] = min(latest[b], latest[i]-w.works[i].seconds)
			}
		}
	}
	for i := range latest {
		latest[i] = max(latest[i], p.Start[i]+w.works[i].seconds)
	}
	return earliest, latest, critical
}

// coldOut tells when each food that was cold leaves the fridge for the last time: when it is got out, where that is
// within the hours that it may stand out with some left for the guests; else it goes back, and leaves it again as
// long before serving as it wants to warm up.
func (w *worker) coldOut(d *Day, p schedule.Plan, when func(int) string) {
	stands := int(w.hold * 60)
	bound := -(stands - 60*standsMin)
	out, laid := map[string]int{}, map[string]bool{}
	var foods []string
	for i, k := range w.works {
		f, ok := w.larder.Get(k.food)
		if !ok || !f.Needs(food.Cold) || f.WarmUpMin == 0 && !f.Needs(food.Perishable) {
			continue
		}
		switch k.kind {
		case GetOut:
			if was, met := out[k.food]; !met || p.Start[i] < was {
				out[k.food] = p.Start[i]
			}
		case Lay:
			if !laid[k.food] {
				laid[k.food] = true
				foods = append(foods, k.food)
			}
		}
	}
	first := 0
	for _, id := range foods {
		f, _ := w.larder.Get(id)
		warm := w.warmUp(f)
		at, says := out[id], "when it is got out"
		if at < bound || w.leave > 0 { // it goes back into the cold, or travels in it
			at, says = -60*warm, fmt.Sprintf("%d minutes to warm up", warm)
			if warm == 0 {
				says = "served cold"
			}
		}
		first = min(first, at)
		d.ColdOut = append(d.ColdOut, ColdOut{id, when(at), says})
	}
	sort.SliceStable(d.ColdOut, func(a, b int) bool { return d.ColdOut[a].At < d.ColdOut[b].At })
	d.ClearAt = when(first + stands)
}

// tooEarly says of what is done earlier than it bears, because hands or ovens are too few for its window.
func (w *worker) tooEarly(p schedule.Plan, when func(int) string) (out []string) {
	worst := map[string]int{}
	var foods []string
	for i, k := range w.works {
		if k.from == schedule.Any || p.Start[i] >= k.from || k.food == "" {
			continue
		}
		if _, met := worst[k.food]; !met {
			foods = append(foods, k.food)
		}
		worst[k.food] = max(worst[k.food], k.from-p.Start[i])
	}
	for _, id := range foods {
		f, ok := w.larder.Get(id)
		if !ok || worst[id] < 60 {
			continue
		}
		m := (worst[id] + 59) / 60
		why, mend := "longer than it should stand out", "cover the tray and chill it again"
		switch {
		case f.Needs(food.Softens):
			why, mend = "and goes soft", "lay it at the very end, or put it beside the tray"
		case f.Needs(food.Wilts):
			why, mend = "and wilts", "keep it damp and cold until the end"
		case f.Wetness == food.Juicy || f.Needs(food.Browns):
			why, mend = "and weeps or browns", "keep it covered and cold"
		}
		out = append(out, fmt.Sprintf("%s is worked on %s too early %s: %s, or find another pair of hands.", f.Name, say.Count(m, "minute"), why, mend))
	}
	return out
}

// savings tries what could let all begin later: another pair of hands, another oven, doing without the food that
// takes most work, and tells of the three that save most.
func savings(j *job.Job, larder *food.Larder, o Options, begin int) []Saving {
	var out []Saving
	try := func(says string, people, ovens int, off map[string]bool) {
		w := &worker{j: j, larder: larder, ovens: ovens, people: people, off: off, done: o.Done}
		if p, err := w.planned(ovens); err == nil && p.Begin > begin {
			out = append(out, Saving{says, math.Round(float64(p.Begin-begin)/6) / 10})
		}
	}
	if o.People < MostPeople {
		try("Another pair of hands", o.People+1, o.Ovens, nil)
	}
	try("A second oven", o.People, o.Ovens+1, nil)
	w := &worker{j: j, larder: larder, ovens: o.Ovens, people: o.People}
	w.collect()
	secs := map[string]int{}
	for _, k := range w.works {
		if k.food != "" && k.hands > 0 {
			secs[k.food] += k.seconds
		}
	}
	var foods []string
	for id := range secs {
		foods = append(foods, id)
	}
	sort.Slice(foods, func(a, b int) bool {
		return secs[foods[a]] > secs[foods[b]] || secs[foods[a]] == secs[foods[b]] && foods[a] < foods[b]
	})
	for _, id := range foods[:min(4, len(foods))] {
		f, _ := larder.Get(id)
		try("Leaving out the "+strings.ToLower(f.Name), o.People, o.Ovens, map[string]bool{id: true})
	}
	sort.SliceStable(out, func(a, b int) bool { return out[a].Minutes > out[b].Minutes })
	return out[:min(3, len(out))]
}

// allCautions are the cautions of all trays of a job, each once.
func allCautions(j *job.Job, larder *food.Larder) (out []string) {
	_, hold := craft.Hold(j.Brief)
	out = append(out, hold)
	for _, t := range j.Trays {
		for _, s := range Order(t, larder).Cautions {
			if !slices.Contains(out, s) {
				out = append(out, s)
			}
		}
	}
	return out
}
