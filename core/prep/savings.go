package prep

import (
	"maps"
	"math"
	"slices"
	"sort"
	"strings"
)

// savings tries what could let all begin later: another pair of hands, another oven, doing without the food that
// takes most work, and tells of the three that save most.
func (d *kitchenDay) savings(begin int) []Saving {
	var out []Saving
	try := func(says string, people, ovens int, off map[string]bool) {
		with := *d
		with.o.People, with.o.Ovens = people, ovens
		if p, err := with.planned(people, ovens, off); err == nil && p.Begin > begin && len(with.works) > 0 {
			out = append(out, Saving{says, math.Round(float64(p.Begin-begin)/6) / 10})
		}
	}
	if d.o.People < MostPeople {
		try("Another pair of hands", d.o.People+1, d.o.Ovens, nil)
	}
	try("A second oven", d.o.People, d.o.Ovens+1, nil)
	secs, names := map[string]int{}, map[string]string{}
	for _, k := range d.works {
		if f, ok := d.jobs[k.of[0]].larder.Get(k.food); ok && k.hands > 0 {
			secs[k.food] += k.seconds
			names[k.food] = strings.ToLower(f.Name)
		}
	}
	foods := slices.Sorted(maps.Keys(secs))
	sort.SliceStable(foods, func(a, b int) bool { return secs[foods[a]] > secs[foods[b]] })
	for _, id := range foods[:min(4, len(foods))] {
		try("Leaving out the "+names[id], d.o.People, d.o.Ovens, map[string]bool{id: true})
	}
	sort.SliceStable(out, func(a, b int) bool { return out[a].Minutes > out[b].Minutes })
	return out[:min(3, len(out))]
}
