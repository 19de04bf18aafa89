package app

import (
	"context"
	"maps"
	"slices"
	"strings"
	"time"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/pick"
	"happytray/core/plan"
	"happytray/core/prep"
	"happytray/core/shop"
	"happytray/store"
)

// lately is how many jobs before a brief's day are remembered, and hostJobs how many are looked
// through for the host's last.
const (
	lately   = 6
	hostJobs = 20
)

// remember fills in what was on trays before the brief's day: the host's last, and the house's last
// few. What the brief says by hand stays, and what was looked up for this host and day. Where the
// jobs cannot be read the foods are chosen without it: it is no reason to choose none.
func (a *App) remember(ctx context.Context, b *brief.Brief) {
	host, day := strings.TrimSpace(b.Host), b.ServeDay()
	if had := b.Had; had != nil && (had.Day == "" || had.Day == day && had.Host == host) {
		return
	}
	b.Had = nil
	until, err := time.Parse(time.DateOnly, day)
	if err != nil {
		return // what is not dated has nothing before it
	}
	had := brief.Memory{Host: host, Day: day}
	if host != "" {
		same := func(j store.Job) bool { return strings.EqualFold(strings.TrimSpace(j.Host), host) }
		if had.Last, err = a.servedBefore(ctx, until, store.Query{Text: host, Most: hostJobs}, same, 1); err != nil {
			return
		}
	}
	every := func(store.Job) bool { return true }
	if had.Lately, err = a.servedBefore(ctx, until, store.Query{Most: lately}, every, lately); err != nil {
		return
	}
	if len(had.Last)+len(had.Lately) > 0 {
		b.Had = &had
	}
}

// servedBefore lists the foods of the last jobs before a day that are mine, at most so many jobs.
func (a *App) servedBefore(ctx context.Context, day time.Time, q store.Query, mine func(j store.Job) bool, most int) ([]string, error) {
	q.To, q.Timed, q.Latest = day, true, true
	jobs, err := a.store.Jobs(ctx, q)
	if err != nil {
		return nil, err
	}
	ids := map[string]bool{}
	for _, j := range jobs {
		needs := needsOf(j)
		if len(needs.Grams) == 0 || !mine(j) {
			continue
		}
		for id := range needs.Grams {
			ids[id] = true
		}
		if most--; most == 0 {
			break
		}
	}
	list := slices.Sorted(maps.Keys(ids))
	return list[:min(len(list), brief.MaxHad)], nil
}

// Plan plans a brief from nothing.
func (a *App) Plan(ctx context.Context, b brief.Brief) (*job.Job, error) {
	h, err := a.House(ctx)
	if err != nil {
		return nil, err
	}
	a.remember(ctx, &b)
	a.teach(ctx, &b)
	j, err := plan.FromBrief(b, h.Larder, h.Cabinet)
	if err == nil {
		forget(j)
		j.Says = spoken(ctx, a, j.Says)
	}
	return j, err
}

// Offer is one of the choices of foods that a brief can have, planned through.
type Offer struct {
	Leaning  string
	Says     string // what sets it apart from the others
	Foods    []Portion
	Sides    []pick.Side
	Cost     int // at the till, minor units
	PerGuest int
	Over     int // over the budget; below 0 what is to spare
	Minutes  float64
}

// Portion is a food of an offer and how much there is of it, all trays together.
type Portion struct {
	Food  *food.Food
	Form  string
	Grams float64
}

// Offers are three choices for a brief, one for each leaning: what everybody takes, what is at its
// best, and what is new. Pins are in all of them.
func (a *App) Offers(ctx context.Context, b brief.Brief) ([]Offer, error) {
	h, err := a.House(ctx)
	if err != nil {
		return nil, err
	}
	a.remember(ctx, &b)
	a.teach(ctx, &b)
	b.Foods = nil
	var out []Offer
	foods := make([][]*food.Food, len(brief.Leanings))
	for i, leaning := range brief.Leanings {
		b.Leaning = leaning
		j, err := plan.FromBrief(b, h.Larder, h.Cabinet)
		if err != nil {
			return nil, err
		}
		basket, grams := shop.NewBasket(j, j.Larder(h.Larder)), j.GramsOf()
		o := Offer{Leaning: leaning, Cost: basket.BasketCost, PerGuest: basket.PerGuest, Over: basket.Over, Minutes: prep.Minutes(j, h.Larder)}
		for _, w := range plan.Wants(j) {
			if f, ok := h.Larder.Get(w.Food); ok {
				o.Foods = append(o.Foods, Portion{f, w.Form, grams[w.Food]})
				foods[i] = append(foods[i], f)
			}
		}
		o.Sides = pick.Balance(b, foods[i], h.Larder)
		out = append(out, o)
	}
	for i := range out {
		b.Leaning = out[i].Leaning
		out[i].Says = pick.SetsApart(b, foods[i], slices.Concat(foods[:i:i], foods[i+1:])...)
	}
	return out, nil
}
