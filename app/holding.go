package app

import (
	"context"
	"slices"
	"time"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/prep"
	"happytray/core/safety"
	"happytray/core/say"
	"happytray/devices/probe"
)

// Holding is how long what perishes has stood out, and by when it must go.
type Holding struct {
	Since   string          `json:"since,omitempty"` // from when on its minutes out of the cold count, as it was ticked: those before it was chilled are added; empty while none is out
	ClearAt string          `json:"clear_at,omitempty"`
	Planned string          `json:"planned_clear_at,omitempty"` // the same by the day's plan, for as long as nobody ticks; empty without a serving time
	LeftMin float64         `json:"left_min"`                   // below nought once it is over
	HoldMin float64         `json:"hold_min"`
	Trays   []TrayClock     `json:"trays"` // of what lies on each, in their order
	Probes  []probe.Reading `json:"probes"`
	Says    []say.Text      `json:"says"`
}

// TrayClock is how long what perishes on one tray has stood out.
type TrayClock struct {
	Since   string  `json:"since,omitempty"`
	ClearAt string  `json:"clear_at,omitempty"`
	Planned string  `json:"planned_clear_at,omitempty"` // as of all of them
	LeftMin float64 `json:"left_min"`
}

// coldFridge is at what what perishes is commonly held, degrees C.
const coldFridge = 5.0

// warmFridge is above what a fridge is commonly asked to keep, degrees C: what perishes is held at 5 or below in most
// places, and a degree for the probe.
const warmFridge = 6.0

// Holding tells how long the perishable food of a job has been out of the cold, from the ticks of those who got it out,
// less the times for which it was chilled again, and by when it must go; a table that a probe finds hot has the shorter time. The usual caution stands beside it: local
// rules come first.
func (a *App) Holding(ctx context.Context, id string) (Holding, error) {
	d, now, err := a.day(ctx, id, 0, Kitchen{Alone: true})
	if err != nil {
		return Holding{}, err
	}
	ticks, err := a.ticks(ctx, id)
	if err != nil {
		return Holding{}, err
	}
	hold, caution := safety.HoldingTime(now.reading.Brief)
	out := Holding{HoldMin: hold, Trays: []TrayClock{}, Probes: []probe.Reading{}, Says: []say.Text{}}
	a.probed(ctx, now.reading.Brief, &out)
	if !d.Relative {
		out.Planned = d.ClearAt
	}
	served, err := time.Parse(time.RFC3339, d.ServeAt)
	if err != nil {
		return out, err
	}
	perishes := func(id string) bool {
		f, ok := now.larder.Get(id)
		return ok && f.Needs(food.Perishable)
	}
	holds := func(id string) time.Duration {
		minutes := out.HoldMin
		if f, ok := now.larder.Get(id); ok && out.HoldMin >= hold { // no probe says that it is hot
			minutes = safety.HoldingTimeOf(now.reading.Brief, f)
		}
		return time.Duration(minutes * float64(time.Minute))
	}
	clock := func(tray int) TrayClock { // of what must go first
		var since, clear time.Time
		for id, s := range outOfTheCold(d.Tasks, ticks, a.now(), tray, perishes) {
			if !s.out {
				continue
			}
			from := a.now().Add(-s.total).In(served.Location())
			if to := from.Add(holds(id)); clear.IsZero() || to.Before(clear) {
				since, clear = from, to
			}
		}
		if clear.IsZero() {
			return TrayClock{}
		}
		return TrayClock{Since: since.Format(time.RFC3339), ClearAt: clear.Format(time.RFC3339), LeftMin: clear.Sub(a.now()).Minutes()}
	}
	for n := range now.reading.Trays {
		one := clock(n + 1)
		if i := slices.IndexFunc(d.Trays, func(t prep.TrayOut) bool { return t.Tray == n+1 && t.Wave == 0 && t.Sitting == 0 }); i >= 0 && !d.Relative {
			one.Planned = d.Trays[i].ClearAt
		}
		out.Trays = append(out.Trays, one)
	}
	if c := clock(0); c.Since != "" {
		out.Since, out.ClearAt, out.LeftMin = c.Since, c.ClearAt, c.LeftMin
		switch {
		case out.LeftMin <= 0:
			out.Says = append(out.Says, say.That("hold.over"))
		case out.LeftMin <= 15:
			out.Says = append(out.Says, say.That("hold.soon", say.Figure(int(out.LeftMin)+1)))
		}
	}
	out.Says = append(out.Says, caution)
	return spoken(ctx, a, out), nil
}

// stands is how long a food has been out of the cold, all its times together, and whether it is now.
type stands struct {
	total time.Duration
	out   bool
}

// outOfTheCold adds up from the ticks how long each food that perishes has been out of the cold: from when it was got out
// until it was chilled again, by itself or with the tray that it lies on. Of several forms of a food, and of several trays, the one that
// stood out longest counts; tray tells which, from 1, or 0 for all of them.
func outOfTheCold(tasks []prep.Task, ticks map[string]time.Time, now time.Time, tray int, perishes func(id string) bool) map[string]stands {
	type event struct {
		at  time.Time
		out bool
	}
	type portion struct {
		food, form string
		tray       int // 0 where it is laid on none
	}
	on := map[[2]string][]int{} // the trays that a food in a form is laid on
	last := map[portion]bool{}  // it is laid at last, when its tray is out of the cold
	for _, k := range tasks {
		if key := [2]string{k.Food, k.Form}; k.Kind == prep.Lay && (tray == 0 || k.Tray == tray) {
			on[key] = append(on[key], k.Tray)
			last[portion{k.Food, k.Form, k.Tray}] = k.Late
		}
	}
	events := map[portion][]event{}
	for _, k := range tasks {
		at, done := ticks[k.ID]
		if !done || k.Kind != prep.GetOut && k.Kind != prep.Chill {
			continue
		}
		e := event{at, k.Kind == prep.GetOut}
		if k.Food == "" {
			for key, trays := range on {
				if p := (portion{key[0], key[1], k.Tray}); slices.Contains(trays, k.Tray) && perishes(key[0]) && !last[p] {
					events[p] = append(events[p], e)
				}
			}
			continue
		}
		if !perishes(k.Food) {
			continue
		}
		trays := on[[2]string{k.Food, k.Form}]
		if len(trays) == 0 && tray == 0 {
			trays = []int{0}
		}
		for _, n := range trays {
			p := portion{k.Food, k.Form, n}
			events[p] = append(events[p], e)
		}
	}
	all := map[string]stands{}
	for p, list := range events {
		slices.SortStableFunc(list, func(a, b event) int { return a.at.Compare(b.at) })
		var s stands
		var since time.Time
		for _, e := range list {
			if s.out && !e.out {
				s.total += e.at.Sub(since)
			} else if !s.out && e.out {
				since = e.at
			}
			s.out = e.out
		}
		if s.out {
			s.total += max(0, now.Sub(since))
		}
		if was, met := all[p.food]; !met || s.out && (!was.out || s.total > was.total) || !s.out && !was.out && s.total > was.total {
			all[p.food] = s
		}
	}
	return all
}

// probed reads the thermometers, where the house has some; a table that is warmer than the brief says has its own time.
func (a *App) probed(ctx context.Context, b brief.Brief, out *Holding) {
	if a.probe == nil {
		return
	}
	ctx, done := context.WithTimeout(ctx, readWithin)
	defer done()
	all, err := a.probe.Read(ctx)
	if err != nil {
		out.Says = append(out.Says, say.Plain(say.Upper(err.Error())))
		return
	}
	out.Probes = all
	for _, r := range all {
		switch r.Probe {
		case "table":
			b.TemperatureC = &r.C
			if hold, _ := safety.HoldingTime(b); hold < out.HoldMin {
				out.HoldMin = hold
				out.Says = append(out.Says, say.That("hold.table", say.Celsius(r.C), say.Minutes(hold)))
			}
		case "fridge":
			if r.C <= warmFridge {
				continue
			}
			out.Says = append(out.Says, say.That("hold.fridge", say.Celsius(r.C), say.Celsius(coldFridge)))
		}
	}
}
