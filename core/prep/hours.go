package prep

import (
	"math"
	"slices"
	"strings"
	"time"

	"happytray/core/food"
	"happytray/core/safety"
	"happytray/core/say"
	"happytray/core/schedule"
)

// TrayOut is how long the perishable food of a tray is out of the cold before it is served, by the tasks, and by when
// what is left of it must go.
type TrayOut struct {
	Tray    int       `json:"tray"`              // from 1
	Wave    int       `json:"wave,omitempty"`    // of boards that follow each other, from 2; 0 for the first, or for one
	Sitting int       `json:"sitting,omitempty"` // of boards that are served again, from 2; 0 for the first. Minutes are those of all before it
	Job     string    `json:"job,omitempty"`
	ClearAt string    `json:"clear_at"` // of the first of its foods that must go; empty where nothing on it perishes
	Out     []FoodOut `json:"out"`
}

// FoodOut is the same of one food.
type FoodOut struct {
	Food    string  `json:"food"`
	Minutes float64 `json:"minutes_before_serving"` // out of the cold, all of them together, until it is served
	ClearAt string  `json:"clear_at"`
}

// outOf is how long a food in a form is out of the cold before its job is served, seconds, and when it leaves the cold
// for the last time.
type outOf struct {
	food, form string
	seconds    int
	last       int
	begun      bool // it was got out already
}

// outs adds up, for what is got out of the fridge for a job, the intervals out of the cold by the tasks: from being got
// out until it, or the tray that it lies on, is chilled, and from the last getting out until serving. What travels is cold on the
// road, unless it travels open. Of boards that follow each other wave tells which, from 0: what lies on a further one is in the
// cold till it is taken out. Of several trays tray tells which, from 1, or 0 for the longest that it is out for any of them.
func (d *kitchenDay) outs(n int, p schedule.Plan, wave, tray int) []outOf {
	w := d.jobs[n]
	serve := d.off(n) + w.waveAt(wave)
	load, unload := serve, serve // out from unload on, and not between
	covered, taken, boxes := map[int]int{}, map[int]int{}, map[int]int{}
	var order []string
	got, back, on := map[string][]int{}, map[string][]int{}, map[string][]int{}
	of := map[string]outOf{}
	unboxed := map[string]int{} // when the first of its boxes is taken out
	for i, k := range d.works { // before what is laid out of them
		if k.boxes && slices.Contains(k.of, n) {
			boxes[k.tray] = p.Start[i]
		}
	}
	for i, k := range d.works {
		if !slices.Contains(k.of, n) || k.sitting > 0 {
			continue
		}
		switch {
		case k.kind == Load:
			load = p.Start[i]
		case k.kind == Unload:
			unload = p.Start[i] + k.seconds
		case k.kind == Chill && k.food == "":
			covered[k.tray] = p.Start[i] + k.seconds
		case k.boxes:
		case k.kind == GetOut && k.food == "" && k.wave == wave:
			taken[k.tray] = p.Start[i]
		}
		f, ok := w.larder.Get(k.food)
		if !ok || !f.Needs(food.Cold) || f.WarmUpMin == 0 && !f.Needs(food.Perishable) {
			continue
		}
		key := StepName(k.food, k.form)
		switch k.kind {
		case GetOut:
			got[key] = append(got[key], p.Start[i])
		case Chill:
			back[key] = append(back[key], p.Start[i]+k.seconds)
		case Lay:
			if tray > 0 && k.tray != tray {
				continue
			}
			if _, met := of[key]; !met {
				of[key] = outOf{food: k.food, form: k.form, last: math.MinInt}
				order = append(order, key)
			}
			if !k.late {
				on[key] = append(on[key], k.tray)
			}
			if at, boxed := boxes[k.tray]; boxed && n < len(d.chill) && d.chill[n][key] && !w.final[key] {
				if was, met := unboxed[key]; !met || at < was {
					unboxed[key] = at
				}
			}
		}
	}
	if w.j.Brief.RoadCold == "open" {
		unload = load
	}
	var outs []outOf
	for _, key := range order {
		o := of[key]
		if at, boxed := unboxed[key]; boxed {
			got[key] = append(got[key], at)
		}
		slices.Sort(got[key])
		slices.Sort(back[key])
		end := load
		if at, again, ok := chilledOn(on[key], covered, taken); ok { // with the trays that it lies on
			end = at
			o.seconds, o.last = load-again, again
		}
		ends := append(slices.Clone(back[key]), end)
		met := len(ends) > len(got[key]) // it was got out before
		if met {
			ends = ends[len(ends)-len(got[key]):]
		}
		for i, from := range got[key] {
			o.seconds += max(0, ends[min(i, len(ends)-1)]-from)
			o.last = max(o.last, from)
		}
		o.seconds += serve - unload
		if w.road > 0 {
			o.last = unload
		}
		known := 0
		if n < len(d.whole) {
			known = d.whole[n][key]
		}
		if met { // for as long as it was meant to be, at least
			o.seconds = max(o.seconds, known)
		}
		if len(got[key]) == 0 {
			o.begun = true
			if o.seconds = known; known == 0 {
				o.seconds = int(w.hold*60) - 60*standsMin
			}
			o.last = serve - o.seconds
		}
		outs = append(outs, o)
	}
	return outs
}

// chilledOn is when the last of some trays is covered and in the cold, and when the first of them is taken out of it again.
func chilledOn(trays []int, covered, taken map[int]int) (at, again int, ok bool) {
	for _, t := range trays {
		c, laid := covered[t]
		o, goes := taken[t]
		if !laid || !goes {
			continue
		}
		if !ok {
			at, again, ok = c, o, true
		}
		at, again = max(at, c), min(again, o)
	}
	return at, again, ok
}

// worthChilling is how much longer than it warms up something perishable may be out of the cold before it goes back
// into it, minutes: less is not worth a walk to the fridge.
const worthChilling = 30

// toChill finds what goes back into the cold between being made ready and being laid, from the whole of the work, so that
// it stays the same while things are ticked off.
func (d *kitchenDay) toChill(e easing) error {
	whole := *d
	whole.o.Done, whole.o.Pins, whole.roughly = nil, nil, true
	whole.chill = make([]map[string]bool, len(d.booked))
	for n := range whole.chill {
		whole.chill[n] = map[string]bool{}
	}
	for range 3 { // what is chilled moves the rest
		p, err := whole.planned(e)
		if err != nil {
			return err
		}
		more := false
		d.whole = make([]map[string]int, len(whole.jobs))
		for n, w := range whole.jobs {
			d.whole[n] = map[string]int{}
			for _, o := range whole.outs(n, p, 0, 0) {
				d.whole[n][StepName(o.food, o.form)] = o.seconds
				f, _ := w.larder.Get(o.food)
				key := StepName(o.food, o.form)
				if f.Needs(food.Perishable) && !whole.chill[n][key] && !w.final[key] && o.seconds > 60*(w.warmUp(f)+worthChilling)+w.inHand {
					whole.chill[n][key], more = true, true
				}
			}
			more = w.asOne(whole.chill[n], d.whole[n]) || more
		}
		if !more {
			break
		}
	}
	d.chill = whole.chill
	return nil
}

// coldPlace is where nothing warms up, degrees C: not much above a fridge.
const coldPlace = 8.0

// hardlyCool is how much less than it likes something may warm up before anybody notices, minutes.
const hardlyCool = 15

// asOne has all cheese, or all cold cuts, chilled together where most of it is: one kind is cut, covered and put away in one go. It
// reports whether that is more.
func (w *worker) asOne(chill map[string]bool, outs map[string]int) (more bool) {
	for _, c := range []food.Category{food.Cheese, food.Meat} {
		var left []string
		all := 0
		for key := range outs {
			id, _, _ := strings.Cut(key, "/")
			if f, ok := w.larder.Get(id); ok && f.Category == c && f.Needs(food.Perishable) && !w.final[key] {
				if all++; !chill[key] {
					left = append(left, key)
				}
			}
		}
		if 2*len(left) > all {
			continue
		}
		for _, key := range left {
			chill[key], more = true, true
		}
	}
	return more
}

// coldOut tells when each food of a job that was cold leaves the fridge for the last time, and for each tray how long
// its food is out of the cold until it is served. It answers with the second at which the first of what perishes must go.
func (d *kitchenDay) coldOut(to *Day, n int, p schedule.Plan, when func(int) string) int {
	w := d.jobs[n]
	serve, hold := d.off(n), int(w.hold*60)
	outs := d.outs(n, p, 0, 0)
	last, longest := map[string]int{}, map[string]int{}
	var foods []string
	for _, o := range outs {
		if _, met := longest[o.food]; !met {
			foods = append(foods, o.food)
			last[o.food] = o.last
		}
		last[o.food] = min(last[o.food], o.last)
		longest[o.food] = max(longest[o.food], o.seconds)
	}
	for _, id := range foods {
		if slices.ContainsFunc(outs, func(o outOf) bool { return o.food == id && o.begun }) {
			continue // it was got out already
		}
		at, says := last[id], "when it is got out"
		if w.road > 0 {
			says = "when its box is opened"
		}
		c := ColdOut{Food: id, At: when(at), Says: says}
		if len(d.booked) > 1 {
			c.Job = d.booked[n].ID
		}
		to.ColdOut = append(to.ColdOut, c)
	}
	var cool []say.Value
	for _, id := range foods {
		if f, _ := w.larder.Get(id); w.road > 0 && serve-last[id] < 60*(w.warmUp(f)-hardlyCool) {
			cool = append(cool, say.Food(f.Name))
		}
	}
	if w.road > 0 && len(foods) > 0 {
		code := "day.boxes"
		switch w.j.Brief.RoadCold {
		case "box":
			code = "day.boxed"
		case "open":
			code = "day.open"
		}
		to.Cautions = appendUnsaid(to.Cautions, say.That(code))
	}
	to.Cautions = appendUnsaid(to.Cautions, w.fridgeThere(len(foods) > 0)...)
	if warm := slices.ContainsFunc(foods, func(id string) bool { f, _ := w.larder.Get(id); return w.warmUp(f) > 0 }); warm && w.j.Brief.Warmth() <= coldPlace {
		to.Cautions = appendUnsaid(to.Cautions, say.That("day.terrace", say.Celsius(w.j.Brief.Warmth())))
	}
	if len(cool) > 0 {
		to.Cautions = appendUnsaid(to.Cautions, say.That("day.cool", say.All(cool...), say.Minutes(float64(w.arrive/60))))
	}
	waves := 1
	for _, t := range w.j.Trays {
		waves = max(waves, w.waves(t))
	}
	over, short := false, false
	ends, first := serve+int(60*w.j.Brief.Lasts()), math.MaxInt
	for v := range waves {
		gone, tooLong := d.traysOut(to, n, v, p, when)
		first = min(first, gone)
		if len(tooLong) > 0 && !over {
			to.Cautions = appendUnsaid(to.Cautions, say.That("day.over", say.All(tooLong...)))
			over = true
		}
		until := ends // when the next one comes this one may go
		if v < waves-1 {
			until = min(ends, serve+w.waveAt(v+1))
		}
		if gone < until-60 && !over && !short {
			at := func(seconds int) say.Value {
				return say.Word(d.base.Add(time.Duration(seconds) * time.Second).In(d.base.Location()).Format("15:04"))
			}
			to.Cautions = appendUnsaid(to.Cautions, say.That("day.short", at(gone), at(until)))
			short = true
		}
	}
	d.sittingsOut(to, n, p, when)
	if first == math.MaxInt { // nothing on them perishes
		first = serve + hold
	}
	return first
}

// fridgeThere says what is to be done where it is served elsewhere, with a fridge or without one, as the host says; nobody counts on
// what is not known. cold is that something wants it.
func (w *worker) fridgeThere(cold bool) (out []say.Text) {
	if w.road == 0 || !cold {
		return nil
	}
	is := w.j.Brief.FridgeThere
	switch is {
	case "yes":
		out = append(out, say.That("day.fridge-yes"))
	case "no":
		out = append(out, say.That("day.fridge-no"))
	default:
		out = append(out, say.That("day.fridge-unknown"))
	}
	if is != "yes" && len(w.open()) > 1 {
		out = append(out, say.That("day.fridge-between"))
	}
	return out
}

// traysOut tells for each tray of a job, of boards that follow each other the one that is meant, how long its food is out of the cold
// until it is served. It answers with the second at which the first of it must go, and what has been out for longer than it may be
// when it is served.
func (d *kitchenDay) traysOut(to *Day, n, wave int, p schedule.Plan, when func(int) string) (first int, over []say.Value) {
	w := d.jobs[n]
	serve := d.off(n) + w.waveAt(wave)
	holds := func(f *food.Food) int { return int(60 * safety.HoldingTimeOf(w.j.Brief, f)) }
	first = math.MaxInt
	told := map[string]bool{}
	for i, t := range w.j.Trays {
		if wave >= w.waves(t) {
			continue
		}
		one := TrayOut{Tray: i + 1, Out: []FoodOut{}}
		if wave > 0 {
			one.Wave = wave + 1
		}
		if len(d.booked) > 1 {
			one.Job = d.booked[n].ID
		}
		longest := map[string]int{}
		var foods []string
		for _, o := range d.outs(n, p, wave, i+1) {
			if _, met := longest[o.food]; !met {
				foods = append(foods, o.food)
			}
			longest[o.food] = max(longest[o.food], o.seconds)
		}
		clear := math.MaxInt
		for _, id := range foods {
			f, _ := w.larder.Get(id)
			if !f.Needs(food.Perishable) {
				continue
			}
			if longest[id] > holds(f) && !told[id] {
				told[id] = true
				over = append(over, say.Food(f.Name))
			}
			gone := serve + holds(f) - longest[id]
			clear = min(clear, gone)
			one.Out = append(one.Out, FoodOut{Food: id, Minutes: math.Round(float64(longest[id])/6) / 10, ClearAt: when(gone)})
		}
		if len(one.Out) > 0 {
			one.ClearAt = when(clear)
			first = min(first, clear)
		}
		to.Trays = append(to.Trays, one)
	}
	return first, over
}

// tooEarly says of what is done earlier than it bears, because hands or ovens are too few for its window.
func (d *kitchenDay) tooEarly(p schedule.Plan) (out []say.Text) {
	worst := map[string]int{}
	juicy := map[string]bool{} // as it lies there
	var foods []*food.Food
	for i, k := range d.works {
		if k.from == schedule.Any || p.Start[i] >= k.from || k.food == "" {
			continue
		}
		f, ok := d.jobs[k.of[0]].larder.Get(k.food)
		if !ok {
			continue
		}
		if _, met := worst[k.food]; !met {
			foods = append(foods, f)
		}
		worst[k.food] = max(worst[k.food], k.from-p.Start[i])
		juicy[k.food] = juicy[k.food] || k.wet == food.Juicy
	}
	for _, f := range foods {
		if worst[f.ID] < 60 {
			continue
		}
		m := (worst[f.ID] + 59) / 60
		code := "day.warm"
		switch {
		case f.Needs(food.Softens):
			code = "day.soft"
		case f.Needs(food.Wilts):
			code = "day.wilt"
		case f.Needs(food.Browns):
			code = "day.brown"
		case juicy[f.ID]:
			code = "day.weep"
		}
		out = append(out, say.That(code, say.Food(f.Name), say.N(m)))
	}
	return out
}

// notKept says which tasks could not begin when somebody had put them: what comes after them, or other work of these
// hands, wants them earlier.
func (d *kitchenDay) notKept(p schedule.Plan) (out []say.Text) {
	for i, k := range d.works {
		to, ok := d.o.Pins[k.id]
		if !ok {
			continue
		}
		if early := int(to.Sub(d.base)/time.Second) - p.Start[i]; early >= 60 {
			out = append(out, say.That("day.not-kept", say.Word(k.says.String()), say.Word(to.In(d.base.Location()).Format("15:04")), say.N((early+30)/60)))
		}
	}
	return out
}
