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
	Since   string          `json:"since,omitempty"` // when the first of it left the cold, as it was ticked; empty while none has
	ClearAt string          `json:"clear_at,omitempty"`
	LeftMin float64         `json:"left_min"` // below nought once it is over
	HoldMin float64         `json:"hold_min"`
	Trays   []TrayClock     `json:"trays"` // of what lies on each, in their order
	Probes  []probe.Reading `json:"probes"`
	Says    []say.Text      `json:"says"`
}

// TrayClock is how long what perishes on one tray has stood out.
type TrayClock struct {
	Since   string  `json:"since,omitempty"`
	ClearAt string  `json:"clear_at,omitempty"`
	LeftMin float64 `json:"left_min"`
}

// coldFridge is at what what perishes is commonly held, degrees C.
const coldFridge = 5.0

// warmFridge is above what a fridge is commonly asked to keep, degrees C: what perishes is held at 5 or below in most
// places, and a degree for the probe.
const warmFridge = 6.0

// Holding tells how long the perishable food of a job has been out of the cold, from the ticks of those who got it out,
// and by when it must go; a table that a probe finds hot has the shorter time. The usual caution stands beside it: local
// rules come first.
func (a *App) Holding(ctx context.Context, id string) (Holding, error) {
	d, now, err := a.day(ctx, id, 0, Kitchen{})
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
	var first time.Time
	firsts := make([]time.Time, len(now.reading.Trays))
	for _, k := range d.Tasks {
		f, ok := now.larder.Get(k.Food)
		at, done := ticks[k.ID]
		if k.Kind != prep.GetOut || !ok || !f.Needs(food.Perishable) || !done {
			continue
		}
		if first.IsZero() || at.Before(first) {
			first = at
		}
		for n, t := range now.reading.Trays {
			if slices.Contains(t.Foods(), k.Food) && (firsts[n].IsZero() || at.Before(firsts[n])) {
				firsts[n] = at
			}
		}
	}
	served, err := time.Parse(time.RFC3339, d.ServeAt)
	if err != nil {
		return out, err
	}
	clock := func(since time.Time) TrayClock {
		if since.IsZero() {
			return TrayClock{}
		}
		since = since.In(served.Location())
		clear := since.Add(time.Duration(out.HoldMin * float64(time.Minute)))
		return TrayClock{since.Format(time.RFC3339), clear.Format(time.RFC3339), clear.Sub(a.now()).Minutes()}
	}
	for _, f := range firsts {
		out.Trays = append(out.Trays, clock(f))
	}
	if !first.IsZero() {
		c := clock(first)
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
