package prep

import (
	"slices"
	"sort"
	"time"

	"happytray/core/food"
	"happytray/core/schedule"
)

// How full earlier hours are made, as a share of what these hands get done in them: something always takes longer. What is less work
// than worthEarlier, seconds of hands, is not parted from the rest.
const (
	fullHours    = .75
	worthEarlier = 60
)

// inEarlierHours has what keeps covered and cold made ready in earlier hours, where several were said: hard cheese cut, meat folded,
// fruit washed, dips portioned the evening before. What takes most work goes first, as much as these hands get done; the last hours
// are for what does not keep, and to lay. It answers with by when each work must have ended, seconds from serving.
func (w *worker) inEarlierHours() map[string]int {
	serve, ok := w.j.Brief.ServeTime(w.zone)
	hours := w.j.Brief.Working(w.zone)
	if !ok || len(hours) < 2 || w.hasty {
		return nil
	}
	type chain struct {
		food    string
		works   []int
		seconds int // of hands
	}
	var all []chain
	at := map[string]int{}
	no := map[string]bool{}
	for i := range w.works {
		k := &w.works[i]
		if k.food == "" || k.again || k.kind == Box || k.kind == Lay {
			continue
		}
		key := StepName(k.food, k.form)
		f, known := w.larder.Get(k.food)
		if !known || w.final[key] || f.Needs(food.Softens) || f.Needs(food.Wilts) || k.ovenC > 0 || k.hob || k.from != schedule.Any && k.from > minutes(earlyMin) && k.kind != GetOut && k.kind != Chill {
			no[key] = true
		}
		n, met := at[key]
		if !met {
			n = len(all)
			at[key] = n
			all = append(all, chain{food: key})
		}
		all[n].works = append(all[n].works, i)
		all[n].seconds += k.seconds * k.hands
	}
	sort.SliceStable(all, func(a, b int) bool { return all[a].seconds > all[b].seconds })
	out := map[string]int{}
	moved := map[string]bool{}
	for _, h := range hours[:len(hours)-1] {
		from, to := int(h[0].Sub(serve)/time.Second), int(h[1].Sub(serve)/time.Second)
		if from < minutes(earlyMin)-w.leave {
			continue // nothing keeps for so long
		}
		ends := to
		room := int(fullHours * float64((to-from)*w.people))
		for _, c := range all {
			if no[c.food] || moved[c.food] || c.seconds < worthEarlier || c.seconds > room {
				continue
			}
			room -= c.seconds
			moved[c.food] = true
			for _, i := range c.works {
				out[w.works[i].id] = ends
			}
			ends -= int(float64(c.seconds) / float64(w.people) / fullHours) // one after the other, so that each is out of the cold for as long as it is worked on
		}
	}
	for _, t := range w.trips { // it is fetched in its own hours
		t.foods = slices.DeleteFunc(t.foods, func(f fetched) bool {
			return slices.ContainsFunc(f.out, func(id string) bool { _, earlier := out[id]; return earlier })
		})
	}
	return out
}
