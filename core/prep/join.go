package prep

import (
	"slices"

	"happytray/core/say"
	"happytray/core/schedule"
)

// collect gathers the work of all jobs.
func (d *kitchenDay) collect(e easing) {
	d.jobs, d.works = nil, nil
	for n, b := range d.booked {
		w := &worker{j: b.Job, larder: b.Larder, easing: e, hasty: d.hasty, zone: d.o.Zone, pace: d.o.Pace, mostInHand: d.inHand}
		if n < len(d.chill) {
			w.chill = d.chill[n]
		}
		if waiting := w.waiting(); waiting > 0 {
			w.says = append(w.says, say.That("day.unlaid", say.N(waiting)))
		}
		w.collect()
		if w.rinds {
			w.says = append(w.says, say.That("day.rinds"))
		}
		d.jobs = append(d.jobs, w)
		for _, k := range w.works {
			k.of, k.base = []int{n}, k.id
			f, _ := b.Larder.Get(k.food)
			k.round = roundOf(&k, f, w.leave > 0)
			if k.from != schedule.Any {
				k.from += d.off(n)
			}
			k.by += d.off(n)
			if len(d.booked) > 1 {
				k.id = b.ID + "/" + k.id
				after := make([]string, len(k.after))
				for i, a := range k.after {
					after[i] = b.ID + "/" + a
				}
				k.after = after
			}
			d.works = append(d.works, k)
		}
	}
	if len(d.booked) > 1 {
		d.join()
	}
}

// joined are the kinds of work that are done once for several jobs; how long all of it takes follows from how long
// each takes.
var joined = map[string]func(a, b int) int{
	SetUp: func(a, b int) int { return a + b - setUpSecs }, GetOut: func(a, b int) int { return max(a, b) }, Drip: func(a, b int) int { return max(a, b) },
	WashDry: func(a, b int) int { return a + b - washSecs }, Drain: func(a, b int) int { return a + b - drainSecs },
	Peel: sum, Stone: sum, Slice: sum, Cube: sum, Fold: sum, Thread: sum, Snip: sum, Lemon: func(a, b int) int { return max(a, b) },
}

func sum(a, b int) int { return a + b }

// join makes one task of those that do the same to the same food for several jobs, where one time suits all.
func (d *kitchenDay) join() {
	first := map[string]int{}
	now := map[string]string{} // the names of those that were joined
	var out []work
	for _, k := range d.works {
		together, can := joined[k.kind]
		n, met := first[k.base]
		if !can || !met {
			if can {
				first[k.base] = len(out)
			}
			out = append(out, k)
			continue
		}
		a := &out[n]
		from, by, seconds := max(a.from, k.from), min(a.by, k.by), together(a.seconds, k.seconds)
		if a.from == schedule.Any {
			from = k.from
		}
		if slices.Contains(a.of, k.of[0]) || from != schedule.Any && from+2*seconds > by {
			out = append(out, k)
			continue
		}
		name := "day/" + k.base
		now[a.id], now[k.id] = name, name
		a.says = a.says.Plus(k.says)
		a.id, a.from, a.by, a.seconds = name, from, by, seconds
		if k.kind != SetUp && k.kind != GetOut {
			a.count += k.count
		}
		a.grams += k.grams
		a.after = append(slices.Clone(a.after), k.after...)
		a.elements = append(slices.Clone(a.elements), k.elements...)
		a.of = append(slices.Clone(a.of), k.of...)
	}
	for i := range out {
		for n, a := range out[i].after {
			for next, ok := now[a]; ok && next != a; next, ok = now[a] {
				a = next
			}
			out[i].after[n] = a
		}
		slices.Sort(out[i].after)
		out[i].after = slices.Compact(out[i].after)
	}
	d.works = out
}
