package schedule

import (
	"cmp"
	"math"
	"slices"
)

const (
	mostPasses = 8      // over a plan that is tidied
	tidyWork   = 400000 // tasks that are looked at for it, in all: a day of many jobs is tidied as far as that goes
)

// tidy exchanges work of the same hands in a plan, in time, so that what is of one group comes together: a stint goes beside
// the next of its group, before it or after, task by task, and what lies between makes room within the time that it has.
// Nothing begins before it did where it is early already, nothing ends after its By, the plan begins no sooner, and what goes
// on by itself moves along.
func (b *builder) tidy(p *built) {
	left := tidyWork
	for range mostPasses {
		better := false
		for _, seq := range b.sequences(p.start) {
			stints := b.stints(seq)
			for x := 0; x < len(stints); x++ {
				for _, y := range b.nearest(seq, stints, x) {
					if left -= len(b.tasks); left < 0 {
						return
					}
					start, order, ok := b.carried(p, seq, stints[x], stints[y])
					if !ok || b.cost(order) >= b.cost(seq) {
						continue
					}
					copy(p.start, start)
					copy(seq, order)
					stints, better = b.stints(seq), true
					x = max(-1, x-2) // its neighbours are others now
					break
				}
			}
		}
		if !better {
			return
		}
	}
}

// nearest are the stints of the group of one that come next before it and after it, by their number.
func (b *builder) nearest(seq []int, stints [][2]int, x int) (out []int) {
	for _, step := range []int{-1, 1} {
		for y := x + step; y >= 0 && y < len(stints); y += step {
			if b.groupOf(seq[stints[y][0]]) == b.groupOf(seq[stints[x][0]]) {
				out = append(out, y)
				break
			}
		}
	}
	return out
}

// stints are the stretches of a sequence that are of one group: the places of their first and their last task.
func (b *builder) stints(seq []int) (out [][2]int) {
	for k := range seq {
		if n := len(out); n > 0 && b.groupOf(seq[k]) == b.groupOf(seq[out[n-1][0]]) {
			out[n-1][1] = k
		} else {
			out = append(out, [2]int{k, k})
		}
	}
	return out
}

// carried is a plan with a stint beside another, and the sequence as it is then.
func (b *builder) carried(p *built, seq []int, s, beside [2]int) (start, order []int, ok bool) {
	now := *p
	now.start = slices.Clone(p.start)
	order = slices.Clone(seq)
	for n := range s[1] - s[0] + 1 {
		at, to := s[0]+n, beside[1]+n
		if beside[0] > s[0] { // the last first
			at, to = s[1]-n, beside[0]-n
		}
		if now.start, order, ok = b.moved(&now, order, at, to); !ok {
			return nil, nil, false
		}
	}
	return now.start, order, true
}

// sequences is what each pair of hands does, in time. What takes several hands belongs to none, and stays.
func (b *builder) sequences(start []int) [][]int {
	var order []int
	for i, t := range b.tasks {
		if t.Hands > 0 {
			order = append(order, i)
		}
	}
	slices.SortFunc(order, func(i, j int) int { return cmp.Or(cmp.Compare(start[i], start[j]), cmp.Compare(i, j)) })
	out := make([][]int, b.limits.Hands)
	h := NewHands(b.limits.Hands)
	for _, i := range order {
		t := &b.tasks[i]
		for range t.Hands {
			if who := h.Take(start[i], start[i]+t.Length, t.Kind, b.change); who >= 0 {
				out[who] = append(out[who], i)
			}
		}
	}
	return out
}

func (b *builder) groupOf(i int) int { return b.tasks[i].Kind / b.group }

// cost is what the changes of one pair of hands count.
func (b *builder) cost(seq []int) (sum int) {
	for k := 1; k < len(seq); k++ {
		sum += b.change(b.tasks[seq[k-1]].Kind, b.tasks[seq[k]].Kind)
	}
	return sum
}

// moved is a plan with the task at one place of a sequence beside the one at another, and the sequence as it is then.
func (b *builder) moved(p *built, seq []int, at, to int) (start, order []int, ok bool) {
	start = slices.Clone(p.start)
	t := seq[at]
	if b.tasks[t].Hands != 1 {
		return nil, nil, false
	}
	end := func(i int) int { return start[i] + b.tasks[i].Length }
	order = slices.Delete(slices.Clone(seq), at, at+1)
	var touched []int
	if to < at { // earlier, right after it; what lies between goes later
		order = slices.Insert(order, to+1, t)
		start[t] = end(seq[to])
		for k := to + 2; k <= at; k++ {
			if free := end(order[k-1]); start[order[k]] < free {
				start[order[k]] = free
				touched = append(touched, order[k])
			}
		}
		if at+1 < len(order) && end(order[at]) > start[order[at+1]] {
			return nil, nil, false
		}
	} else { // later, right before it; what lies between goes earlier
		order = slices.Insert(order, to-1, t)
		start[t] = start[seq[to]] - b.tasks[t].Length
		for k := to - 2; k >= at; k-- {
			if last := start[order[k+1]] - b.tasks[order[k]].Length; start[order[k]] > last {
				start[order[k]] = last
				touched = append(touched, order[k])
			}
		}
		if at > 0 && end(order[at-1]) > start[order[at]] {
			return nil, nil, false
		}
	}
	return start, order, b.fits(p, start, append(touched, t))
}

// fits reports whether a plan with tasks moved holds.
func (b *builder) fits(p *built, start, touched []int) bool {
	return b.keeps(p, start, touched) && !b.parted(p, start)
}

// parted reports whether something waits longer than it should, and than it did, for what comes after it.
func (b *builder) parted(p *built, start []int) bool {
	for i := range b.tasks {
		if b.tasks[i].Within > 0 && b.gap(start, i) > max(b.tasks[i].Within, b.gap(p.start, i)) {
			return true
		}
	}
	return false
}

// gap is how long after the end of a task the first of what comes after it begins, seconds; 0 where nothing does.
func (b *builder) gap(start []int, i int) int {
	if len(b.next[i]) == 0 {
		return 0
	}
	first := math.MaxInt
	for _, a := range b.next[i] {
		first = min(first, start[a])
	}
	return first - start[i] - b.tasks[i].Length
}

// keeps reports whether tasks that were moved keep to their windows and to what comes before and after them; what goes on by
// itself is moved along.
func (b *builder) keeps(p *built, start, touched []int) bool {
	for n := 0; n < len(touched); n++ {
		if n > 4*len(b.tasks) {
			return false
		}
		i := touched[n]
		t := &b.tasks[i]
		if t.Hands > 0 && b.resting(start[i], start[i]+t.Length) {
			return false
		}
		if t.Hands > 1 || t.OvenC > 0 || start[i]+t.Length > t.By || start[i] < p.begin || t.From != Any && start[i] < t.From && start[i] < p.start[i] {
			return false
		}
		for _, a := range t.After {
			first := b.tasks[a].Length + b.tasks[a].Rest
			if start[a]+first <= start[i] {
				continue
			}
			if b.tasks[a].Hands > 0 {
				return false
			}
			start[a] = start[i] - first
			touched = append(touched, a)
		}
		end := start[i] + t.Length + t.Rest
		for _, a := range b.next[i] {
			if start[a] >= end {
				continue
			}
			if b.tasks[a].Hands > 0 {
				return false
			}
			start[a] = end
			touched = append(touched, a)
		}
	}
	return true
}

// resting reports whether a stretch of time touches a pause.
func (b *builder) resting(from, to int) bool {
	return slices.ContainsFunc(b.limits.Pauses, func(k [2]int) bool { return from < k[1] && to > k[0] })
}
