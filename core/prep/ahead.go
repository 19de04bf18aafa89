package prep

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"time"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/say"
	"happytray/core/schedule"
	"happytray/core/tray"
)

// What is ready ahead: a board is laid but for what is finished at last (crackers, greens, toppings, what weeps or browns), covered and
// chilled, leaves the cold as a whole as long before serving as its food warms up, and is finished. Between the last hand and the
// guests there is a quarter of an hour.
const (
	chillTraySecs  = 90         // film over it, and into the fridge
	outTraySecs    = 45         // and out again
	shortAhead     = 60 * 60    // ready so little before serving a board stands: it is not worth the fridge
	onArrival      = 10 * 60    // of what goes otherwise than it was meant, where it is served
	usualShelfLong = 500.0      // of a fridge, mm
	usualShelfWide = 350.0      // mm
	usualShelfHigh = 150.0      // above it, mm
	takeOut        = "out-tray" // begins the names of tasks that take a tray out of the cold
)

// trayTask names what is done to a whole tray, from 1.
func trayTask(kind string, tray int) string { return fmt.Sprintf("%s-%d", kind, tray) }

// times sets when trays of a job must be laid, leave the cold, leave the house and arrive, seconds before serving.
func (w *worker) times() {
	trays := len(w.j.Trays)
	ahead := int(w.j.Brief.ReadyAhead(w.zone) / time.Second)
	last := 0 // of hands, for what is laid at last
	for _, t := range w.j.Trays {
		last += w.lastThings(t)
	}
	last /= max(1, w.people)
	w.road, w.ready, w.leave, w.sooner = road(w.j.Brief), 0, 0, map[int]int{}
	w.inHand = min(ahead, w.mostInHand)
	if w.road > 0 {
		w.arrive = unloadSecs + last + max(onArrival, w.inHand)
		w.leave = w.arrive + w.road + loadSecs + loadTraySecs*trays
	}
	switch {
	case w.hasty || ahead <= w.leave || trays == 0:
		return
	case w.road == 0 && ahead <= shortAhead: // it stands, less what is late
		w.inHand = max(w.inHand, ahead-int(brief.InHand/time.Second)+w.mostInHand)
		return
	}
	w.ready = ahead
	w.takes = w.leave // onto the road
	if w.road == 0 {
		w.takes = max(min(60*w.warmest(), int(60*w.hold/3)), w.inHand+last+outTraySecs*trays)
	}
	w.leave = w.ready + chillTraySecs*trays
	switch {
	case w.ready < w.takes+60*inCold: // it would only be carried to and fro
		w.ready, w.leave = 0, w.ready
	case w.boxed():
		later := 0
		for n := trays; n > 0; n-- {
			w.sooner[n] = later
			later += w.firstThings(w.j.Trays[n-1]) / max(1, w.people)
		}
	}
}

// warmest is the longest time before serving that anything on the trays warms up, minutes.
func (w *worker) warmest() (at int) {
	for _, t := range w.j.Trays {
		for i := range t.Elements {
			if f, ok := w.larder.Get(t.Elements[i].Food); ok && f.Needs(food.Cold) {
				at = max(at, w.warmUp(f))
			}
		}
	}
	return at
}

// lastThings is how long it takes to lay what goes onto a tray at last, seconds.
func (w *worker) lastThings(t *tray.Tray) (seconds int) {
	for i := range t.Elements {
		e := &t.Elements[i]
		f, ok := w.larder.Get(e.Food)
		if ok && (f.Needs(food.Softens) || f.Needs(food.Wilts) || food.Has(e.Form, food.OnFood)) {
			seconds += w.laySecs(f, e) * t.Copies()
		}
	}
	return seconds
}

// firstThings is how long it takes to lay what is not laid at last, to line the board and to cover it, seconds.
func (w *worker) firstThings(t *tray.Tray) int {
	seconds := lineSecs + chillTraySecs
	for i := range t.Elements {
		if f, ok := w.larder.Get(t.Elements[i].Food); ok {
			seconds += w.laySecs(f, &t.Elements[i])
		}
	}
	return seconds*t.Copies() - w.lastThings(t)
}

// boxedFrom is from how many trays on what was made ready waits in the cold in a box for each of them, in the order in which they
// are laid: for fewer all of it comes out in one trip.
const boxedFrom = 3

func (w *worker) boxed() bool { return len(w.j.Trays) >= boxedFrom && !w.hasty }

// boxesOut adds that the boxes of a tray leave the cold, where anything on it waits there; its name.
func (w *worker) boxesOut(n int, t *tray.Tray) string {
	if !w.boxed() {
		return ""
	}
	var after []string
	foods := 0
	for i := range t.Elements {
		e := &t.Elements[i]
		key := StepName(e.Food, e.Form)
		f, ok := w.larder.Get(e.Food)
		if !ok {
			continue
		}
		spec, _ := f.Spec(e.Form)
		spec.Form = e.Form
		if w.chill[key] && !warm(w.j.Brief.HouseRules().Served(f)) && !w.finishes(&portion{food: f, spec: spec, wet: e.Wetness}) { // what is laid at last comes out by itself
			after = append(after, w.last[key]...)
			foods++
		}
	}
	if foods == 0 {
		return ""
	}
	slices.Sort(after)
	out := work{id: trayTask("out-boxes", n+1), kind: GetOut, seconds: getOutSecs * t.Copies(), hands: 1, count: foods, boxes: true, within: soonest, after: slices.Compact(after), tray: n + 1,
		from: minutes(w.hold - standsMin), by: minutes(float64(w.longest())), says: say.That("task.out-boxes", say.N(n+1))}
	if w.leave > 0 {
		out.by = -w.leave - w.sooner[n+1]
		out.from += out.by
	}
	return w.add(out)
}

// laySecs is how long it takes to lay one element on one tray, seconds.
func (w *worker) laySecs(f *food.Food, e *tray.Element) int {
	spec, _ := f.Spec(e.Form)
	share := 1.0
	if kind, ready, _ := w.readied(f, spec); kind != "" {
		share = 1 - ready
	}
	return int(spec.Seconds*float64(e.Count)*share + layEach*60)
}

// tooLong reports whether trays are laid longer before serving than something bears, minutes: that is laid at last.
func (w *worker) tooLong(bears int) bool {
	return w.leave > 0 && w.road == 0 && w.leave > 60*bears+w.inHand
}

// finishes reports whether a food in its form is laid at last, at home, when the rest was laid before.
func (w *worker) finishes(p *portion) bool {
	if w.leave == 0 || w.road > 0 {
		return false
	}
	inVessel := food.InVessel(p.spec.Form)
	return finishes(p.food, p.spec.Form) ||
		p.wet == food.Juicy && p.food.Category == food.Fruit && !inVessel && w.tooLong(weepsMin) || p.food.Needs(food.Browns) && !inVessel && w.tooLong(brownsMin)
}

// finishes reports whether a food is laid last on any board that is ready ahead: crackers, greens and toppings.
func finishes(f *food.Food, form string) bool {
	return f.Needs(food.Softens) || f.Needs(food.Wilts) || food.Has(form, food.OnFood)
}

// chilledWhole reports whether a brief has its boards ready so long before serving that they are covered and chilled meanwhile.
func chilledWhole(b brief.Brief) bool {
	return !b.Travels.Yes && b.ReadyAhead(time.UTC) > time.Duration(shortAhead)*time.Second
}

// atLast reports whether work on what is laid at last is itself done at last. What neither perishes nor wants the cold is washed and
// drained with the rest.
func (w *worker) atLast(k *work) bool {
	f, ok := w.larder.Get(k.food)
	if !ok || f.Needs(food.Cold) || f.Needs(food.Perishable) {
		return true
	}
	switch k.kind {
	case GetOut, WashDry, Drain, Drip:
		return !f.Needs(food.Wash) && !f.Needs(food.Drain)
	}
	return true
}

// waves is how many boards of a tray follow each other; 1 where all come at once.
func (w *worker) waves(t *tray.Tray) int {
	if w.j.Brief.WaveMinutes <= 0 || w.road > 0 {
		return 1
	}
	return t.Copies()
}

// waveAt is how long after serving a board comes, seconds: none for the first, 0.
func (w *worker) waveAt(n int) int { return 60 * w.j.Brief.WaveMinutes * n }

// waveTakes is how long before it comes a further board leaves the cold, seconds: as long as its food warms up, and no more than two
// thirds of the time between boards.
func (w *worker) waveTakes() int { return min(60*w.warmest(), 2*w.waveAt(1)/3) }

// soonest is how much sooner than it must a board is taken out of the cold at most, seconds: its minutes count.
const soonest = 300

// justBefore is by when a further board is finished before it comes, seconds.
const justBefore = 120

// inWaves parts what is laid at last among boards that follow each other: the first board's is answered, the others' are added.
func (w *worker) inWaves(k work, t *tray.Tray) work {
	n := w.waves(t)
	k.seconds, k.count, k.grams = max(1, k.seconds/n), max(1, k.count/n), k.grams/float64(n)
	says := k.says
	for v := 1; v < n; v++ {
		q := k
		q.id, q.wave = fmt.Sprintf("%s-w%d", k.id, v+1), v
		q.from, q.by = k.from+w.waveAt(v), w.waveAt(v)-justBefore
		q.after = append(slices.Clone(w.last[StepName(k.food, k.form)]), waveTask(k.tray, v))
		q.says = says.Then("task.wave", say.N(v+1), say.N(n))
		w.add(q)
	}
	k.says = says.Then("task.wave", say.N(1), say.N(n))
	return k
}

// waveTask names the taking out of a further board of a tray.
func waveTask(tray, wave int) string {
	return fmt.Sprintf("%s-w%d", trayTask(takeOut, tray), wave+1)
}

// chillTrays adds that trays which are laid ahead, and boards that follow others, are covered and chilled, and taken out again.
func (w *worker) chillTrays() {
	for n, t := range w.j.Trays {
		tray, waves := n+1, w.waves(t)
		if w.ready == 0 && waves < 2 {
			continue
		}
		var laid []string
		for i := range w.works {
			if k := &w.works[i]; k.kind == Lay && k.tray == tray && !k.late {
				laid = append(laid, k.id)
			}
		}
		if len(laid) == 0 {
			continue
		}
		covered, by := t.Copies(), -w.ready-w.sooner[tray]
		if w.ready == 0 { // the first stands ready
			covered, by = waves-1, -w.inHand
			w.says = append(w.says, say.That("day.waves", say.N(w.j.Brief.WaveMinutes)))
		}
		called := say.Food("board")
		if t.Board != nil {
			called = say.Food(t.Board.Called())
			w.fits(tray)
		}
		cover := w.add(work{id: trayTask("chill-tray", tray), kind: Chill, seconds: chillTraySecs * covered, hands: 1, count: covered, after: laid, from: schedule.Any, by: by, tray: tray, tool: "film, or lids",
			says: say.That("task.cover-tray", called)})
		out := work{id: trayTask(takeOut, tray), kind: GetOut, seconds: outTraySecs, hands: 1, count: 1, after: []string{cover}, by: -w.takes, tray: tray, says: say.That("task.out-tray", called)}
		if w.ready > 0 {
			first := out
			first.count = t.Copies() - waves + 1
			first.seconds *= first.count
			first.from = first.by - first.seconds - soonest
			w.add(first)
		}
		for v := 1; v < waves; v++ {
			next := out
			next.id, next.wave = waveTask(tray, v), v
			next.by = w.waveAt(v) - w.waveTakes()
			next.from = next.by - next.seconds - soonest
			next.says = next.says.Then("task.wave", say.N(v+1), say.N(waves))
			w.add(next)
		}
	}
}

// fits says where a laid board would not go into a usual fridge.
func (w *worker) fits(tray int) {
	t := w.j.Trays[tray-1]
	box := t.Board.Outline.Bounds()
	long, wide, high := math.Max(box.W(), box.H()), math.Min(box.W(), box.H()), 0.0
	for i := range t.Elements {
		for k := range t.Elements[i].Pieces {
			p := &t.Elements[i].Pieces[k]
			high = math.Max(high, p.ZMM+p.HeightMM)
		}
	}
	if long > usualShelfLong || wide > usualShelfWide || high > usualShelfHigh {
		w.says = append(w.says, say.That("day.shelf", say.Food(t.Board.Called()), say.MM(long), say.MM(wide), say.MM(math.Round(high)), say.MM(usualShelfLong), say.MM(usualShelfWide), say.MM(usualShelfHigh)))
	}
}

// shift moves the window of a task, which is before serving, to before what it is for: loading, or chilling; and leaves a quarter of an
// hour in hand.
func (w *worker) shift(k *work) {
	switch {
	case k.kind == Lay, k.kind == Tools, k.kind == Refresh, k.kind == Load, k.kind == Drive, k.kind == Unload, k.food == "" && (k.kind == GetOut || k.kind == Chill):
		return // they know
	case w.leave > 0 && !(k.finish && w.atLast(k)):
		if k.from != schedule.Any {
			k.from -= w.leave
		}
		k.by = min(k.by, 0) - w.leave
	case w.leave > 0: // what is laid at last is taken in hand when its board is, and not with the rest
		k.by = min(k.by, -w.inHand)
		if soon := -w.finishing() - 60*inCold; k.from == schedule.Any || k.from < soon {
			k.from = soon
		}
	case k.kind == GetOut || k.kind == Chill: // their minutes count to the guests
		k.by = min(k.by, -w.inHand)
	case k.kind == Box || w.leave == 0 && (k.kind == Cards || k.kind == Pack):
		k.by -= w.inHand
	default:
		k.by = min(k.by, 0) - w.inHand
	}
}

// finishing is for how long before a job is served somebody is there whatever hours were said: to take out, to finish and to serve, seconds.
func (w *worker) finishing() int { return max(w.takes, w.leave-w.ready, 60*brownsMin) + w.inHand }

// pauses are the times between the hours in which somebody works, seconds from the first serving; none where nobody said when.
// What is done at last is done whenever it is due, and nothing bounds how early the first of these hours is begun: it is told of.
func (d *kitchenDay) pauses() (out [][2]int) {
	var open [][2]int
	for n, w := range d.jobs {
		for _, s := range w.j.Brief.Working(d.o.Zone) {
			open = append(open, [2]int{int(s[0].Sub(d.base) / time.Second), int(s[1].Sub(d.base) / time.Second)})
		}
		if len(w.j.Brief.Sessions) == 0 && len(d.jobs) > 1 {
			return nil // somebody is there for this job whenever it takes them
		}
		last := 0
		for _, t := range w.j.Trays {
			last = max(last, w.waveAt(w.waves(t)-1))
		}
		if times := w.open(); len(times) > 1 {
			last = max(last, times[len(times)-1][0])
		}
		open = append(open, [2]int{d.off(n) - w.finishing(), d.off(n) + last})
	}
	if len(open) == len(d.jobs) {
		return nil
	}
	slices.SortFunc(open, func(a, b [2]int) int { return cmp.Compare(a[0], b[0]) })
	until := open[0][1]
	for _, s := range open[1:] {
		if s[0] > until {
			out = append(out, [2]int{until, s[0]})
		}
		until = max(until, s[1])
	}
	return out
}

// ovenTaken are the times in which others have the ovens, seconds from the first serving.
func (d *kitchenDay) ovenTaken() (out [][2]int) {
	for _, w := range d.jobs {
		for _, s := range w.j.Brief.OvenTakenAt(d.o.Zone) {
			out = append(out, [2]int{int(s[0].Sub(d.base) / time.Second), int(s[1].Sub(d.base) / time.Second)})
		}
	}
	return out
}

// beforeHours says where the hours in which somebody works do not hold the work.
func (d *kitchenDay) beforeHours(p schedule.Plan) []say.Text {
	first := math.MaxInt
	for _, w := range d.jobs {
		for _, s := range w.j.Brief.Working(d.o.Zone) {
			first = min(first, int(s[0].Sub(d.base)/time.Second))
		}
	}
	if len(d.pauses()) == 0 && first == math.MaxInt {
		return nil
	}
	before := 0
	secs := map[string]int{}
	most := ""
	for i, k := range d.works {
		if k.hands == 0 {
			continue
		}
		before += max(0, min(k.seconds, first-p.Start[i]))
		if f, ok := d.jobs[k.of[0]].larder.Get(k.food); ok {
			if secs[f.Name] += k.seconds; most == "" || secs[f.Name] > secs[most] {
				most = f.Name
			}
		}
	}
	if before < 60 || most == "" {
		return nil
	}
	return []say.Text{say.That("day.before", say.Minutes(math.Ceil(float64(before)/60)), say.Food(most))}
}
