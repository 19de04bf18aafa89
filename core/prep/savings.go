package prep

import (
	"fmt"
	"maps"
	"math"
	"slices"
	"sort"
	"strings"
	"time"

	"happytray/core/schedule"
)

// coolerMin is for how long food warms up at most where there is no time for more, minutes: it is served cooler than
// it likes, which a late table forgives sooner than an empty board (docs/craft.md, Time and care).
const coolerMin = 15

// easing is one way of having less to do before serving.
type easing struct {
	people, ovens int
	off           map[string]bool // foods that are done without
	warmMin       int             // for how long food warms up at most; 0 for as long as it likes
}

// savings tries what could let all begin later: another pair of hands, another oven, food that warms up for less long,
// doing without the food that takes most work or leads it all; and tells of the three that save most.
func (d *kitchenDay) savings(p schedule.Plan) []Saving {
	var out []Saving
	as := easing{people: d.o.People, ovens: d.o.Ovens}
	roughly := len(d.works) > manyTasks
	if roughly { // held against a plan of its kind
		with := *d
		with.roughly = true
		if q, err := with.planned(as); err == nil {
			p = q
		}
	}
	try := func(says string, e easing) {
		with := *d
		with.o.People, with.o.Ovens, with.roughly = e.people, e.ovens, roughly
		if q, err := with.planned(e); err == nil && q.Begin > p.Begin && len(with.works) > 0 {
			out = append(out, Saving{says, math.Round(float64(q.Begin-p.Begin)/6) / 10})
		}
	}
	cool := as
	cool.warmMin = coolerMin
	try(fmt.Sprintf("Letting the food warm up for %d minutes only: it is served cooler", coolerMin), cool)
	if d.o.People < MostPeople {
		more := as
		more.people++
		try("Another pair of hands", more)
		more.warmMin = coolerMin
		try(fmt.Sprintf("Another pair of hands, and %d minutes of warming up only", coolerMin), more)
	}
	oven := as
	oven.ovens++
	try("A second oven", oven)
	secs, names := map[string]int{}, map[string]string{}
	var foods []string
	for i, k := range d.works {
		if f, ok := d.jobs[k.of[0]].larder.Get(k.food); ok && k.hands > 0 {
			secs[k.food] += k.seconds
			names[k.food] = strings.ToLower(f.Name)
			if p.Start[i] <= p.Begin+leadSecs && !slices.Contains(foods, k.food) {
				foods = append(foods, k.food)
			}
		}
	}
	most := slices.Sorted(maps.Keys(secs))
	sort.SliceStable(most, func(a, b int) bool { return secs[most[a]] > secs[most[b]] })
	foods = appendNew(foods[:min(2, len(foods))], most[:min(4, len(most))]...)
	for _, id := range foods {
		less := as
		less.off = map[string]bool{id: true}
		try("Leaving out the "+names[id], less)
	}
	sort.SliceStable(out, func(a, b int) bool { return out[a].Minutes > out[b].Minutes })
	return out[:min(3, len(out))]
}

// manyTasks is from how many on what would save is looked at roughly.
const manyTasks = 250

// leadSecs is how soon after the beginning a food is taken in hand that may lead it all: once the boards are washed.
const leadSecs = 900

// Crew is when work begins at the latest with so many pairs of hands.
type Crew struct {
	People  int    `json:"people"` // pairs of hands
	BeginAt string `json:"begin_at"`
	Early   bool   `json:"early,omitempty"` // something is done earlier than it bears, for want of hands
}

// A curve of crews ends where more hands hardly help, or they would stand in each other's way.
const (
	mostCrew     = 6
	hardlyHelped = 180 // seconds by which more hands let work begin later
)

// crews tells, for one pair of hands and more, when work would begin: the answer to how many it takes. The day's own number is what
// it is planned with; the others are looked at roughly.
func (d *kitchenDay) crews(p schedule.Plan) (out []Crew) {
	before := math.MinInt32
	first, last := 1, max(mostCrew, d.o.People)
	if len(d.works) > manyTasks {
		first, last = max(1, d.o.People-1), d.o.People+2
	}
	for people := first; people <= last; people++ {
		q := p
		if people != d.o.People {
			with := *d
			with.o.People, with.roughly = people, true
			var err error
			if q, err = with.planned(easing{people: people, ovens: d.o.Ovens}); err != nil {
				continue
			}
		}
		begin := max(q.Begin, before) // looked at roughly it could seem that another hand delays it
		out = append(out, Crew{People: people, BeginAt: d.base.Add(time.Duration(begin) * time.Second).Format(time.RFC3339), Early: q.Early > 60})
		if people > d.o.People && begin-before < hardlyHelped && q.Early <= 60 {
			break
		}
		before = begin
	}
	return out
}
