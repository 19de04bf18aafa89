// Package schedule plans tasks backwards from the moment by which they must be done, with hands and
// ovens that are few. It knows nothing of food. Times are whole seconds on an axis of the caller's, so
// that sums are exact.
package schedule

import (
	"cmp"
	"fmt"
	"math"
	"math/rand/v2"
	"slices"

	"happytray/core/fault"
)

// Any is a From that bounds nothing.
const Any = math.MinInt32

// Task is one thing to do.
type Task struct {
	Length int   // seconds
	Within int   // seconds after its end by which the first of what comes after it should begin, 0 for no matter; what is parted farther counts as begun early
	Lead   int   // seconds right before it in which hands are free, too: for what is fetched for it, and not before a pause
	Rest   int   // seconds that pass at least between its end and what comes after it
	Hands  int   // people it takes; 0 for what goes on by itself
	OvenC  int   // the oven it is in, degrees C; 0 for none
	After  []int // the tasks that must have ended before it begins
	From   int   // not to begin before, or Any
	By     int   // to end by
	Kind   int   // of work: hands go over from one to another; kinds that are usually earlier have smaller numbers
}

// Limits are the hands and ovens there are.
type Limits struct {
	Hands, Ovens int // people who work at once, at least 1; ovens, 0 for none
	Sheets       int // tasks of one temperature that an oven takes at once; at least 1

	// Pauses are the times in which nobody works, seconds from and to, apart from each other and in the order of time. What goes on by
	// itself goes on in them, but nothing is put into an oven or taken out of it.
	Pauses [][2]int
	// Taken are the times in which others have the ovens, seconds from and to: nothing is in any of them then.
	Taken [][2]int
}

// Plan says when each task begins.
type Plan struct {
	Start []int // seconds, of each task in the order given
	Oven  []int // which oven, from 0; -1 for none
	Begin int   // when the first one does
	Early int   // seconds by which tasks begin before their From, or longer than Within before what follows, in all: hands or ovens are too few for these windows
}

// Options tell how long to look for a better plan. The zero value looks about as long as is useful.
type Options struct {
	Rounds int    // plans that are tried; 0 for as many as suit the number of tasks
	Seed   uint64 // which are

	// Change is what it counts, seconds of one pair of hands, that they go over from one kind of work to another; nil
	// for nothing. It takes no time of the plan: of two plans the one is better whose later beginning is worth more.
	Change func(from, to int) int
	Group  int // kinds of work of which so many, from 0 on, are one group, whose tasks are carried about together; 0 for none
}

// MostTasks bounds a plan.
const MostTasks = 2000

// Backward plans every task as late as can be: a serial schedule is built backwards in the order of latest
// chains, then neighbours in that order change places as long as it gets better (Kolisch & Hartmann 1999).
// Better is: less that begins before its From, then a later beginning and fewer changes from one kind of work to
// another, then less waiting between. The same tasks give the same plan.
func Backward(tasks []Task, l Limits, o Options) (Plan, error) {
	if len(tasks) > MostTasks {
		return Plan{}, fault.Bad("tasks", "are %d; a plan has at most %d", len(tasks), MostTasks)
	}
	if l.Hands < 1 {
		return Plan{}, fault.Bad("people", "somebody has to do the work")
	}
	order, err := downstream(tasks)
	if err != nil {
		return Plan{}, err
	}
	for i, t := range tasks {
		switch {
		case t.Length < 0:
			return Plan{}, fault.Bad("tasks", "task %d takes less than no time", i)
		case t.Hands > l.Hands:
			return Plan{}, fault.Bad("people", "task %d takes %d, and there are %d", i, t.Hands, l.Hands)
		case t.OvenC > 0 && l.Ovens < 1:
			return Plan{}, fault.Bad("ovens", "task %d needs one", i)
		}
	}
	if len(tasks) == 0 {
		return Plan{Start: []int{}, Oven: []int{}}, nil
	}
	b := builder{tasks: tasks, limits: l, next: nexts(tasks), change: o.Change, group: max(1, o.Group)}
	b.limits.Sheets = max(1, l.Sheets)
	ends := b.ends(order)
	b.sorted(order, func(i, j int) bool { return ends[i] > ends[j] || ends[i] == ends[j] && i < j })
	best := b.build(order)
	b.best = &best
	if o.Change != nil { // or one kind of work after the other
		kinds := slices.Clone(order)
		b.sorted(kinds, func(i, j int) bool {
			if a, c := tasks[i].Kind, tasks[j].Kind; a != c {
				return a > c
			}
			return ends[i] > ends[j] || ends[i] == ends[j] && i < j
		})
		if p := b.build(kinds); !best.beats(p) {
			best, order = p, kinds
		}
	}
	rounds := o.Rounds
	if rounds == 0 {
		rounds = min(1500, 150000/len(tasks))
	}
	r := rand.New(rand.NewPCG(o.Seed, uint64(len(tasks))))
	try := make([]int, len(order))
	for n := 0; n < rounds && len(order) > 1; n++ {
		copy(try, order)
		from := r.IntN(len(try))
		to := min(len(try)-1, max(0, from+r.IntN(9)-4))
		switch {
		case o.Change != nil && n%2 == 1: // beside another of its group
			to = b.beside(try, from, r.IntN(len(try)))
		case n%4 == 3 || o.Change != nil && n%4 == 2: // now and then farther
			to = r.IntN(len(try))
		}
		if from == to || !b.shift(try, from, to) {
			continue
		}
		p := b.build(try)
		if best.beats(p) {
			continue
		}
		best = p
		copy(order, try)
		if o.Change == nil {
			continue
		}
		// in the order of time neighbours are those whom hands meet one after the other
		slices.SortStableFunc(try, func(i, j int) int { return cmp.Compare(best.start[j], best.start[i]) })
		if p := b.build(try); !best.beats(p) {
			best = p
			copy(order, try)
		}
	}
	if o.Change != nil {
		b.tidy(&best)
	}
	return Plan{Start: slices.Clone(best.start), Oven: slices.Clone(best.oven), Begin: best.begin, Early: best.early}, nil
}

// builder builds plans of the same tasks.
type builder struct {
	tasks  []Task
	limits Limits
	next   [][]int // what comes after each
	change func(from, to int) int
	group  int
	best   *built // so far
	byTime []int  // of changes, kept from one build to the next
}

// built is one plan, with what it is judged by.
type built struct {
	start, oven  []int
	begin, early int
	worth        int // of its beginning for all hands, less what their changes count
	waiting      int // seconds from the begin to each start, in all: less is later
}

func (p *built) beats(q built) bool {
	if p.early != q.early {
		return p.early < q.early
	}
	if p.worth != q.worth {
		return p.worth > q.worth
	}
	if p.begin != q.begin {
		return p.begin > q.begin
	}
	return p.waiting > q.waiting
}

func nexts(tasks []Task) [][]int {
	out := make([][]int, len(tasks))
	for i, t := range tasks {
		for _, a := range t.After {
			out[a] = append(out[a], i)
		}
	}
	return out
}

// downstream lists the tasks so that each comes behind what comes after it; an error where they go in a circle.
func downstream(tasks []Task) ([]int, error) {
	left := make([]int, len(tasks)) // tasks after it that are not listed yet
	for i, t := range tasks {
		for _, a := range t.After {
			if a < 0 || a >= len(tasks) || a == i {
				return nil, fault.Bad("tasks", "task %d comes after %d, which is none", i, a)
			}
			left[a]++
		}
	}
	var out []int
	for i := range tasks {
		if left[i] == 0 {
			out = append(out, i)
		}
	}
	for n := 0; n < len(out); n++ {
		for _, a := range tasks[out[n]].After {
			if left[a]--; left[a] == 0 {
				out = append(out, a)
			}
		}
	}
	if len(out) < len(tasks) {
		return nil, fmt.Errorf("the tasks go in a circle")
	}
	return out, nil
}

// ends is when each task could end at the latest, were there hands for everything.
func (b *builder) ends(order []int) []int {
	ends := make([]int, len(b.tasks))
	work, latest := 0, math.MinInt
	for _, t := range b.tasks {
		work += t.Length * t.Hands
		latest = max(latest, t.By)
	}
	begin := latest - work/b.limits.Hands
	for n := len(order) - 1; n >= 0; n-- {
		i := order[n]
		at := max(begin, b.tasks[i].From)
		for _, a := range b.tasks[i].After {
			at = max(at, ends[a]+b.tasks[a].Rest)
		}
		ends[i] = at + b.tasks[i].Length
	}
	return ends
}

// sorted puts an order so that of the tasks that nothing unplaced comes after the first by less is placed next.
func (b *builder) sorted(order []int, less func(i, j int) bool) {
	left := make([]int, len(b.tasks))
	for i := range b.next {
		left[i] = len(b.next[i])
	}
	var free []int
	for i := range left {
		if left[i] == 0 {
			free = append(free, i)
		}
	}
	for n := range order {
		at := 0
		for k := range free {
			if less(free[k], free[at]) {
				at = k
			}
		}
		i := free[at]
		free = slices.Delete(free, at, at+1)
		order[n] = i
		for _, a := range b.tasks[i].After {
			if left[a]--; left[a] == 0 {
				free = append(free, a)
			}
		}
	}
}

// of is the group of the task at a place of an order.
func (b *builder) of(order []int, at int) int { return b.tasks[order[at]].Kind / b.group }

// beside is a place in an order beside another task of the group of the one at from, the first met from near on; from where
// there is none.
func (b *builder) beside(order []int, from, near int) int {
	for k := range order {
		at := (near + k) % len(order)
		if (at < from-1 || at > from+1) && b.of(order, at) == b.of(order, from) {
			return at
		}
	}
	return from
}

// changes is what the changes from one kind of work to another count, seconds, when each task is done by a pair of hands that is
// free and, if it may be, at the same kind of work.
func (b *builder) changes(start []int) (sum int) {
	b.byTime = b.byTime[:0]
	for i, t := range b.tasks {
		if t.Hands > 0 {
			b.byTime = append(b.byTime, i)
		}
	}
	slices.SortFunc(b.byTime, func(i, j int) int { return cmp.Or(cmp.Compare(start[i], start[j]), cmp.Compare(i, j)) })
	h := NewHands(b.limits.Hands)
	for _, i := range b.byTime {
		t := &b.tasks[i]
		for range t.Hands {
			_, was, worked := h.take(start[i], start[i]+t.Length, t.Kind, b.change)
			if worked {
				sum += b.change(was, t.Kind)
			}
		}
	}
	return sum
}

// Hands are pairs of hands that work at one thing after the other.
type Hands struct{ free, kind []int }

// NewHands are so many that have done nothing yet.
func NewHands(n int) *Hands {
	h := &Hands{make([]int, n), make([]int, n)}
	for i := range h.free {
		h.free[i], h.kind[i] = math.MinInt, math.MinInt
	}
	return h
}

// Take gives a task of a kind, from one second to another, to the hands that are free and go over to it most easily; which, from
// 0, or -1 where none is free. Tasks are to come in the order of their beginnings.
func (h *Hands) Take(from, to, kind int, change func(from, to int) int) int {
	who, _, _ := h.take(from, to, kind, change)
	return who
}

func (h *Hands) take(from, to, kind int, change func(from, to int) int) (who, was int, worked bool) {
	who = -1
	least := math.MaxInt
	for n := range h.free {
		if h.free[n] > from {
			continue
		}
		cost := 1 // who has done nothing yet begins before somebody changes
		if h.kind[n] != math.MinInt {
			cost = 2 * change(h.kind[n], kind)
		}
		if cost < least {
			who, least = n, cost
		}
	}
	if who < 0 {
		return -1, 0, false
	}
	was, worked = h.kind[who], h.kind[who] != math.MinInt
	h.free[who], h.kind[who] = to, kind
	return who, was, worked
}

// shift carries one task of an order to another place in it, as far as what comes before and after it lets it.
func (b *builder) shift(order []int, from, to int) bool {
	i := order[from]
	step := 1
	if to < from {
		step = -1
	}
	at := from
	for ; at != to; at += step {
		o := order[at+step]
		// on its way back it may not pass what comes after it, and on its way on not what comes before it
		if step < 0 && slices.Contains(b.next[i], o) || step > 0 && slices.Contains(b.tasks[i].After, o) {
			break
		}
		order[at] = o
	}
	order[at] = i
	return at != from
}

// build places the tasks of an order one by one, each as late as hands, ovens and what comes after it allow.
func (b *builder) build(order []int) built {
	p := built{start: make([]int, len(b.tasks)), oven: make([]int, len(b.tasks)), begin: math.MaxInt}
	hands := profile{}
	for _, k := range b.limits.Pauses {
		hands.take(k[0], k[1], b.limits.Hands)
	}
	ovens := make([][]baking, b.limits.Ovens)
	for o := range ovens {
		for _, k := range b.limits.Taken {
			ovens[o] = append(ovens[o], baking{k[0], k[1], byOthers})
		}
	}
	for _, i := range order {
		t := &b.tasks[i]
		end, first := t.By, math.MaxInt
		for _, a := range b.next[i] {
			end, first = min(end, p.start[a]-t.Rest), min(first, p.start[a])
		}
		p.oven[i] = -1
		for {
			if t.Hands > 0 {
				end = hands.latest(end, t.Length+t.Lead, b.limits.Hands-t.Hands)
			}
			if t.OvenC == 0 {
				break
			}
			if free := b.attended(end, t.Length); free != end {
				end = free
				continue
			}
			o, free := latestOven(ovens, end, t.Length, t.OvenC, b.limits.Sheets)
			if free == end {
				p.oven[i] = o
				break
			}
			end = free
		}
		s := end - t.Length
		if t.Hands > 0 {
			hands.take(s, end, t.Hands)
		}
		if o := p.oven[i]; o >= 0 {
			ovens[o] = append(ovens[o], baking{s, end, t.OvenC})
		}
		p.start[i] = s
		p.begin = min(p.begin, s)
		if t.From != Any && s < t.From {
			p.early += t.From - s
		}
		if t.Within > 0 && first != math.MaxInt && first-end > t.Within {
			p.early += first - end - t.Within
		}
	}
	for _, s := range p.start {
		p.waiting += s - p.begin
	}
	if p.worth = p.begin * b.limits.Hands; b.change != nil && (b.best == nil || p.early <= b.best.early && p.worth >= b.best.worth) {
		p.worth -= b.changes(p.start)
	} // else it is beaten whatever its changes count
	return p
}

// attended is the latest end, not after a given one, at which somebody is there to take something out of the oven that somebody
// was there to put in.
func (b *builder) attended(end, length int) int {
	for n := len(b.limits.Pauses) - 1; n >= 0; n-- {
		k := b.limits.Pauses[n]
		if end > k[0] && end <= k[1] {
			end = k[0]
		}
		if begin := end - length; begin >= k[0] && begin < k[1] { // it would go in when nobody is there
			end = k[0]
		}
	}
	return end
}

type baking struct{ from, to, degrees int }

// byOthers is at how many degrees an oven is that others have: at none that anything of ours is baked at.
const byOthers = -1

// latestOven is an oven that is free for so long up to end, or the latest end before it at which one may be.
func latestOven(ovens [][]baking, end, length, degrees, sheets int) (oven, at int) {
	at = math.MinInt
	for o, in := range ovens {
		with, before := 0, math.MinInt // what is in it then, and when the first of that goes in
		blocked := false
		for _, k := range in {
			if k.to <= end-length || k.from >= end {
				continue
			}
			with++
			blocked = blocked || k.degrees != degrees
			before = max(before, k.from)
		}
		if !blocked && with < sheets {
			return o, end
		}
		if before > at {
			oven, at = o, before
		}
	}
	return oven, min(at, end-1)
}

// profile is how many hands are taken over time: used[k] from at[k] up to at[k+1].
type profile struct {
	at   []int
	used []int
}

// latest is the latest end, not after a given one, of a stretch so long in which no more hands than free are taken.
func (p *profile) latest(end, length, free int) int {
	k, found := slices.BinarySearch(p.at, end)
	if !found {
		k--
	} else {
		k-- // the stretch that ends there
	}
	for ; k >= 0; k-- {
		if p.used[k] > free {
			end = min(end, p.at[k])
			continue
		}
		if p.at[k] <= end-length {
			return end
		}
	}
	return end
}

// take has hands taken from one moment to another.
func (p *profile) take(from, to, hands int) {
	if from >= to {
		return
	}
	a, b := p.split(from), p.split(to)
	for k := a; k < b; k++ {
		p.used[k] += hands
	}
}

// split makes sure that a stretch begins at a moment; its place.
func (p *profile) split(t int) int {
	k, found := slices.BinarySearch(p.at, t)
	if found {
		return k
	}
	used := 0
	if k > 0 {
		used = p.used[k-1]
	}
	p.at = slices.Insert(p.at, k, t)
	p.used = slices.Insert(p.used, k, used)
	return k
}
