package prep

import (
	"fmt"
	"math"
	"slices"
	"time"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/safety"
	"happytray/core/say"
	"happytray/core/schedule"
)

// open are the times from when to when the boards of a job stand open to guests, seconds from its first serving.
func (w *worker) open() [][2]int {
	b := w.j.Brief
	times := b.Open(w.zone)
	if len(times) == 0 {
		return [][2]int{{0, int(60 * b.Lasts())}}
	}
	out := make([][2]int, len(times))
	for i, t := range times {
		out[i] = [2]int{int(t[0].Sub(times[0][0]) / time.Second), int(t[1].Sub(times[0][0]) / time.Second)}
	}
	return out
}

// sittingTask names a task of a further sitting, from 1.
func sittingTask(name string, sitting int) string { return fmt.Sprintf("%s-s%d", name, sitting+1) }

// clearSecs is how long after a sitting has ended its boards are covered at the latest, and refreshSecs how long it takes to wipe a
// board's edge and look it over before the next one; what is laid anew comes on top.
const clearSecs, refreshSecs = 120, 120

// leastWarm is for how long a board that is served again warms up at least, seconds: less, and cheese tastes of nothing.
const leastWarm = 900

// takesAgain is how long before a further sitting its board leaves the cold, seconds: as long as its food warms up, less where the
// hours that it may stand out are spent on guests.
func (w *worker) takesAgain(open [][2]int, s int) int {
	left := int(60*w.hold) - 60*w.warmest()
	for v := range s + 1 {
		left -= open[v][1] - open[v][0]
		if v > 0 {
			left -= clearSecs
		}
	}
	left /= s // shared with those before it
	return min(60*w.warmest(), (open[s][0]-open[s-1][1])/3, max(leastWarm, left))
}

// sitAgain adds that boards which are served again are covered and chilled after each sitting, taken out before the next one and
// refreshed: crackers, greens and toppings do not bear the cold.
func (w *worker) sitAgain() {
	open := w.open()
	if len(open) < 2 {
		return
	}
	for n, t := range w.j.Trays {
		tray, called := n+1, say.Food("board")
		if t.Board != nil {
			called = say.Food(t.Board.Called())
		}
		var after []string
		for i := range w.works {
			if k := &w.works[i]; k.tray == tray && (k.kind == Lay || k.kind == Chill || k.kind == GetOut) {
				after = append(after, k.id)
			}
		}
		if !slices.ContainsFunc(w.works, func(k work) bool { return k.kind == Lay && k.tray == tray }) {
			continue
		}
		for s := 1; s < len(open); s++ {
			closes, serves := open[s-1][1], open[s][0]
			seconds := chillTraySecs * t.Copies()
			cover := w.add(work{id: sittingTask(trayTask("chill-tray", tray), s), kind: Chill, seconds: seconds, hands: 1, count: t.Copies(), after: after, from: closes, by: closes + clearSecs + seconds, tray: tray, sitting: s,
				tool: "film, or lids", says: say.That("task.cover-between", called)})
			takes := w.takesAgain(open, s)
			refresh := refreshSecs*t.Copies() + w.lastThings(t)/2
			out := work{id: sittingTask(trayTask(takeOut, tray), s), kind: GetOut, seconds: outTraySecs * t.Copies(), hands: 1, count: t.Copies(), after: []string{cover}, tray: tray, sitting: s,
				by: serves - max(takes, refresh+justBefore), says: say.That("task.out-tray", called)}
			out.from = out.by - out.seconds - soonest
			taken := w.add(out)
			last := w.add(work{id: sittingTask(trayTask(Refresh, tray), s), kind: Refresh, seconds: refresh, hands: 1, count: t.Copies(), after: []string{taken}, from: schedule.Any, by: serves - justBefore, tray: tray, sitting: s,
				tool: "cloth", says: say.That("task.refresh", called)})
			after = []string{last}
		}
	}
	w.says = append(w.says, say.That("day.sittings", say.N(len(open))))
}

// sittingsOut tells for each further sitting of a job and each of its trays how long its food has been out of the cold till then, all
// sittings together, and by when it must go; what may not come back is told of, and is not among it.
func (d *kitchenDay) sittingsOut(to *Day, n int, p schedule.Plan, when func(int) string) {
	w := d.jobs[n]
	open := w.open()
	if len(open) < 2 {
		return
	}
	serve := d.off(n)
	covered, taken := map[[2]int]int{}, map[[2]int]int{} // by tray and sitting
	for i, k := range d.works {
		if k.sitting == 0 || !slices.Contains(k.of, n) {
			continue
		}
		switch key := [2]int{k.tray, k.sitting}; k.kind {
		case Chill:
			covered[key] = p.Start[i] + k.seconds
		case GetOut:
			taken[key] = p.Start[i]
		}
	}
	at := func(seconds int) say.Value {
		return say.Word(d.base.Add(time.Duration(seconds) * time.Second).In(d.base.Location()).Format("15:04"))
	}
	gone := map[string]bool{} // it does not come back at any later sitting
	for s := 1; s < len(open); s++ {
		serves, closes := serve+open[s][0], serve+open[s][1]
		var stays, short []say.Value
		for i := range w.j.Trays {
			one := TrayOut{Tray: i + 1, Sitting: s + 1, Out: []FoodOut{}}
			if len(d.booked) > 1 {
				one.Job = d.booked[n].ID
			}
			between, known := 0, true
			for v := 1; v <= s; v++ {
				c, isCovered := covered[[2]int{i + 1, v}]
				o, isTaken := taken[[2]int{i + 1, v}]
				known = known && isCovered && isTaken
				between += c - (serve + open[v-1][0]) + (serve + open[v][0]) - o
			}
			if !known { // some of it was ticked already: the clock at the counter goes by that
				continue
			}
			clear := math.MaxInt
			told := map[string]bool{}
			for _, o := range d.outs(n, p, 0, i+1) {
				f, _ := w.larder.Get(o.food)
				if !f.Needs(food.Perishable) || gone[o.food] || told[o.food] {
					continue
				}
				seconds := o.seconds + between
				end := serves + int(60*safety.HoldingTimeOf(w.j.Brief, f)) - seconds
				whenCovered := seconds - (serves - taken[[2]int{i + 1, s}])
				if end < serves+int(brief.InHand/time.Second) || float64(whenCovered) > 60*safety.MayGoBack(w.j.Brief, f) {
					gone[o.food] = true
					stays = append(stays, say.Food(f.Name))
					continue
				}
				told[o.food] = true
				if end < closes-60 {
					short = append(short, say.Food(f.Name))
				}
				clear = min(clear, end)
				one.Out = append(one.Out, FoodOut{Food: o.food, Minutes: math.Round(float64(seconds)/6) / 10, ClearAt: when(end)})
			}
			if len(one.Out) > 0 {
				one.ClearAt = when(clear)
			}
			to.Trays = append(to.Trays, one)
		}
		if len(stays) > 0 {
			to.Cautions = appendUnsaid(to.Cautions, say.That("day.not-back", say.All(stays...), at(serves)))
		}
		if len(short) > 0 {
			to.Cautions = appendUnsaid(to.Cautions, say.That("day.back-short", say.All(short...), at(serves), at(closes)))
		}
	}
}
