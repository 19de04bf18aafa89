package prep

import (
	"fmt"
	"maps"
	"math"
	"slices"
	"sort"
	"strings"

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
	try := func(says string, e easing) {
		with := *d
		with.o.People, with.o.Ovens = e.people, e.ovens
		if q, err := with.planned(e); err == nil && q.Begin > p.Begin && len(with.works) > 0 {
			out = append(out, Saving{says, math.Round(float64(q.Begin-p.Begin)/6) / 10})
		}
	}
	as := easing{people: d.o.People, ovens: d.o.Ovens}
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

// leadSecs is how soon after the beginning a food is taken in hand that may lead it all: once the boards are washed.
const leadSecs = 900
