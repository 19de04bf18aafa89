package graze

import (
	"math"
	"math/rand/v2"
	"slices"
)

// evening is what came of one: what is left, and when.
type evening struct {
	left    []int     // helpings of each dish
	goneAt  []float64 // minutes, by dish; +Inf where something is left
	thinAt  []float64 // by food; +Inf where it never looked thin
	got     []float64 // grams, by group
	without []int     // guests of a group who got less than half of what they wanted
	looks   []float64 // grams left on the buffet at each of the looked-at minutes
	lefts   [][]int32 // helpings left of each dish at each of them
	visits  []int     // by spot
}

// guest is somebody of one evening.
type guest struct {
	group int
	child bool
	wants []float64 // grams of each kind that are still wanted
	all   float64   // their sum
	had   float64
	asked float64
	taste []float64 // by food: how gladly against others; nought for what is not eaten
	takes []bool    // by dish: bold enough for what has no tool or is not begun
}

// visit is a guest coming to the buffet.
type visit struct {
	at    float64 // minutes
	guest int
	left  int // visits of the guest after this one
}

// run plays one evening. Everything by chance comes from rng, in the same order for the same buffet.
func (b *buffet) run(rng *rand.Rand, looks []float64) evening {
	out := evening{left: make([]int, len(b.dishes)), goneAt: make([]float64, len(b.dishes)), thinAt: make([]float64, len(b.foods)),
		got: make([]float64, len(b.groups)), without: make([]int, len(b.groups)), looks: make([]float64, len(looks)), visits: make([]int, len(b.spots))}
	t := &table{b: b, rng: rng, out: &out, heaps: make([][]int, len(b.dishes)), ofFood: make([]float64, len(b.foods)), inReach: make([]int, len(b.dishes)), there: make([]bool, len(b.kinds)), ofKind: make([]float64, len(b.kinds))}
	for i := range b.dishes {
		d := &b.dishes[i]
		out.left[i], out.goneAt[i] = d.helpings, math.Inf(1)
		for _, h := range d.heaps {
			t.heaps[i] = append(t.heaps[i], h.helpings)
			if h.from != 0 {
				t.inReach[i] += h.helpings
			}
		}
		t.ofFood[d.food] += d.laid
		if !d.beside {
			t.grams += d.laid
		}
	}
	for f := range out.thinAt {
		out.thinAt[f] = math.Inf(1)
	}
	guests, visits := b.company(rng)
	t.weights = make([]float64, len(b.dishes))
	next := 0
	for _, v := range visits {
		for ; next < len(looks) && looks[next] < v.at; next++ {
			t.look(next)
		}
		t.now = v.at
		t.visit(&guests[v.guest], v.left)
	}
	for ; next < len(looks); next++ {
		t.look(next)
	}
	for i := range guests {
		g := &guests[i]
		out.got[g.group] += g.had
		if g.had < g.asked/2 {
			out.without[g.group]++
		}
	}
	return out
}

// look notes what is there at one of the looked-at minutes.
func (t *table) look(n int) {
	t.out.looks[n] = t.grams
	left := make([]int32, len(t.out.left))
	for i, l := range t.out.left {
		left[i] = int32(l)
	}
	t.out.lefts = append(t.out.lefts, left)
}

// company makes the guests of an evening and when they come to the buffet, in order of time.
func (b *buffet) company(rng *rand.Rand) ([]guest, []visit) {
	guests := make([]guest, 0, b.people)
	var visits []visit
	p := b.p
	bigger := b.brief.Guests
	children := min(bigger.Children, b.people)
	grown := math.Max(1, float64(b.people-children))
	// appetites add up to those of the brief, light and hearty ones among the grown-ups
	mean := bigger.Appetites() / math.Max(1, float64(bigger.Total()))
	for n := range b.groups {
		for range b.groups[n].count {
			guests = append(guests, guest{group: n})
		}
	}
	for i, k := range rng.Perm(len(guests)) {
		if i < children {
			guests[k].child = true
		}
	}
	ofGrown := 1.0
	if children < b.people {
		ofGrown = (mean*float64(b.people) - .5*float64(children)) / grown
	}
	for i := range guests {
		g := &guests[i]
		of := &b.groups[g.group]
		hunger := math.Exp(p.hunger*rng.NormFloat64() - p.hunger*p.hunger/2) // one in the mean
		appetite := ofGrown
		if g.child {
			appetite = .5
		}
		g.wants = make([]float64, len(b.kinds))
		for k, w := range of.wants {
			g.wants[k] = w * hunger * appetite / mean
			g.all += g.wants[k]
		}
		g.asked = g.all
		g.taste = make([]float64, len(b.foods))
		for f := range b.foods {
			taste := math.Exp(p.taste*rng.NormFloat64() - p.taste*p.taste/2)
			if g.child && b.foods[f].food.Strength >= strong {
				taste *= p.strongChild
			}
			if b.foods[f].eats[g.group] {
				g.taste[f] = taste
			}
		}
		boldWithout, boldFirst := rng.Float64() < p.noTool, rng.Float64() < p.uncut
		g.takes = make([]bool, len(b.dishes))
		for d := range b.dishes {
			g.takes[d] = (!b.dishes[d].noTool || boldWithout) && (!b.dishes[d].uncut || boldFirst)
		}
		// late guests still find some of the evening
		arrives := math.Min(.6*b.minutes, rng.ExpFloat64()*p.arrive*b.minutes)
		n := max(1, int(math.Ceil(g.all/p.plate)))
		for k := range n {
			part := (float64(k) + .8*rng.Float64()) / float64(n)
			visits = append(visits, visit{arrives + (b.minutes-arrives)*math.Pow(part, p.early), i, n - 1 - k})
		}
	}
	slices.SortStableFunc(visits, func(a, c visit) int {
		switch {
		case a.at < c.at:
			return -1
		case a.at > c.at:
			return 1
		}
		return 0
	})
	return guests, visits
}

// strong is the strength from which children leave a food, of 5.
const strong = 4

// table is the buffet while an evening goes on.
type table struct {
	b       *buffet
	rng     *rand.Rand
	out     *evening
	now     float64
	heaps   [][]int   // helpings left of each dish, by heap
	ofFood  []float64 // grams left
	inReach []int     // helpings of each dish left that can be reached from anywhere
	there   []bool    // by kind, for the guest who comes
	grams   float64   // left on the boards themselves
	weights []float64 // of what is offered where the guest stands
	ofKind  []float64 // their sums
}

// walks is how many spots a guest tries before going away with less.
const walks = 4

// visit lets a guest take what is due at one visit: an even part of what is still wanted.
func (t *table) visit(g *guest, after int) {
	t.putUpWith(g)
	due := g.all / float64(after+1)
	for range walks {
		if due <= 0 || len(t.b.laid) == 0 {
			return
		}
		s := t.choose(g)
		t.out.visits[s]++
		due = t.take(g, s, due)
		if after > 0 { // what was not there may be had at the next visit
			return
		}
	}
}

// putUpWith moves what is wanted of kinds that are gone to others, in part.
func (t *table) putUpWith(g *guest) {
	clear(t.there)
	for i := range t.b.dishes {
		if d := &t.b.dishes[i]; t.inReach[i] > 0 && g.takes[i] && g.taste[d.food] > 0 {
			t.there[d.kind] = true
		}
	}
	gone, there := 0.0, 0.0
	for k, w := range g.wants {
		if !t.there[k] {
			gone += w
		} else {
			there += w
		}
	}
	if gone == 0 {
		return
	}
	more := 0.0
	if there > 0 {
		more = t.b.p.instead * gone / there
	}
	g.all = 0
	for k := range g.wants {
		if !t.there[k] {
			g.wants[k] = 0
		}
		g.wants[k] *= 1 + more
		g.all += g.wants[k]
	}
}

// choose finds a spot: the better one of two that are free by chance, and two others where neither offers anything.
func (t *table) choose(g *guest) int {
	laid := t.b.laid
	one := laid[t.rng.IntN(len(laid))]
	if len(laid) == 1 {
		return one
	}
	for range walks {
		two := laid[t.rng.IntN(len(laid))]
		a, b := t.weigh(g, one), t.weigh(g, two)
		if b > a {
			one = two
		}
		if a > 0 || b > 0 {
			break
		}
		one = laid[t.rng.IntN(len(laid))]
	}
	return one
}

// weigh sums up what a spot offers a guest, and leaves the weights of its dishes, and their sums by kind, without how
// much of each kind is wanted: that changes with every helping.
func (t *table) weigh(g *guest, s int) (all float64) {
	near := t.b.spots[s].near
	clear(t.ofKind)
	for k := range near {
		w := t.weight(g, s, &near[k])
		t.weights[k] = w
		t.ofKind[near[k].kind] += w
	}
	for k, w := range t.ofKind {
		all += w * g.wants[k]
	}
	return all
}

// weight is how gladly a guest takes of a dish against the others of its kind; nought for what cannot be had.
func (t *table) weight(g *guest, s int, o *offer) float64 {
	taste := g.taste[o.food]
	if taste == 0 || t.out.left[o.dish] == 0 || !g.takes[o.dish] || t.heapFor(o.dish, s) < 0 {
		return 0
	}
	w := o.pull * taste
	d := &t.b.dishes[o.dish]
	if left := t.out.left[o.dish]; 2*left < d.helpings {
		w *= t.b.p.bare + (1-t.b.p.bare)*2*float64(left)/float64(d.helpings)
	}
	return w
}

// heapFor is the heap of a dish that a guest at a spot takes from: the one that fewest others reach, -1 for none.
func (t *table) heapFor(dish, s int) int {
	for h, left := range t.heaps[dish] {
		if left > 0 && t.b.dishes[dish].heaps[h].from&(1<<t.b.spots[s].bit) != 0 {
			return h
		}
	}
	return -1
}

// take lets a guest at a spot take helpings until so many grams are taken; it answers with what is missing of them.
func (t *table) take(g *guest, s int, due float64) float64 {
	near := t.b.spots[s].near
	t.weigh(g, s)
	for due > 0 {
		k := t.pick(g, near)
		if k < 0 {
			return due
		}
		o := &near[k]
		d := &t.b.dishes[o.dish]
		switch {
		case t.out.left[o.dish] == 1 && d.helpings > 1 && t.rng.Float64() >= t.b.p.last:
			t.set(near, k, 0) // for somebody else
			continue
		case t.pickedOver(g, o.dish):
			g.less(-1, math.Min(due, d.helping)) // who is no longer hungry lets it be
			due -= d.helping
			continue
		case due < d.helping && t.rng.Float64() >= due/d.helping:
			g.less(-1, due) // in the mean neither more nor less than was wanted
			return 0
		}
		t.serve(g, o.dish, t.heapFor(o.dish, s))
		due -= d.helping
		t.set(near, k, t.weight(g, s, o))
	}
	return 0
}

// pickedOver reports whether a guest lets the rest of a dish be, because it looks picked over: the less is left of it,
// the more do, but nobody who is still hungry.
func (t *table) pickedOver(g *guest, dish int) bool {
	d := &t.b.dishes[dish]
	enough := t.b.p.picked * float64(d.helpings)
	left := float64(t.out.left[dish])
	return left < enough && g.had >= t.b.p.fed*g.asked && t.rng.Float64() >= left/enough
}

// set gives a dish another weight.
func (t *table) set(near []offer, k int, weight float64) {
	t.weights[k] = weight
	sum := 0.0
	from, to := t.alike(near, k)
	for i := from; i < to; i++ { // anew, so that rounding does not add up
		sum += t.weights[i]
	}
	t.ofKind[near[k].kind] = sum
}

// alike is where the dishes of the same kind lie among the offers.
func (t *table) alike(near []offer, k int) (from, to int) {
	for from = k; from > 0 && near[from-1].kind == near[k].kind; from-- {
	}
	for to = k + 1; to < len(near) && near[to].kind == near[k].kind; to++ {
	}
	return from, to
}

// pick chooses by weight: a kind by how much of it is wanted and how well it is offered, then one of its dishes; -1
// where nothing can be had.
func (t *table) pick(g *guest, near []offer) int {
	all := 0.0
	for kind, w := range t.ofKind {
		all += w * g.wants[kind]
	}
	if all <= 1e-12 {
		return -1
	}
	at := t.rng.Float64() * all
	kind := -1
	for k, w := range t.ofKind {
		if w *= g.wants[k]; w > 0 {
			kind = k
			if at -= w; at < 0 {
				break
			}
		}
	}
	within := t.rng.Float64() * t.ofKind[kind]
	last := -1
	for k := range near {
		if near[k].kind != kind || t.weights[k] == 0 {
			continue
		}
		last = k
		if within -= t.weights[k]; within < 0 {
			break
		}
	}
	return last
}

// less lowers what a guest wants by grams, of one kind first and of the others for the rest.
func (g *guest) less(kind int, grams float64) {
	g.all = math.Max(0, g.all-grams)
	if kind >= 0 {
		g.wants[kind] = math.Max(0, g.wants[kind]-grams)
	}
	sum := 0.0
	for _, w := range g.wants {
		sum += w
	}
	if sum > 0 {
		for k := range g.wants {
			g.wants[k] *= g.all / sum
		}
	}
}

// serve gives a guest a helping of a dish.
func (t *table) serve(g *guest, dish, h int) {
	d := &t.b.dishes[dish]
	t.heaps[dish][h]--
	t.inReach[dish]--
	t.out.left[dish]--
	if t.out.left[dish] == 0 {
		t.out.goneAt[dish] = t.now
	}
	if !d.beside {
		t.grams -= d.helping
	}
	t.ofFood[d.food] -= d.helping
	if f := &t.b.foods[d.food]; t.ofFood[d.food] <= t.b.p.thin*f.laid && math.IsInf(t.out.thinAt[d.food], 1) {
		t.out.thinAt[d.food] = t.now
	}
	g.had += d.helping
	g.less(d.kind, d.helping)
}
