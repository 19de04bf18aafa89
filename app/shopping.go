package app

import (
	"context"
	"fmt"
	"io"
	"time"

	"happytray/core/brief"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/say"
	"happytray/core/shop"
	"happytray/formats/sheet"
	"happytray/formats/table"
	"happytray/store"
)

// needsOf reads what a listed job asks for out of its summary. A job that is only
// briefed asks for nothing yet.
func needsOf(j store.Job) shop.Needs {
	c := cardOf(j)
	n := c.Needs
	n.Job, n.Title = j.ID, j.Title
	if c.ServeAt != "" {
		n.Day = brief.Brief{ServeAt: c.ServeAt}.ServeDay()
	}
	return n
}

// ShoppingList is what to buy, with what it is for and what is ticked off.
type ShoppingList struct {
	Key, Title string
	From, To   string // days; "" where none is set
	Jobs       []shop.Needs
	Units      say.Units // of the house
	List       shop.List
	Ticks      []string
}

// ticked are the foods that are ticked off.
func (l ShoppingList) ticked() map[string]bool {
	done := map[string]bool{}
	for _, id := range l.Ticks {
		done[id] = true
	}
	return done
}

// PDF is the list to print, on A4.
func (l ShoppingList) PDF(v Settings) ([]byte, error) {
	return sheet.Shopping(l.Title, l.List, l.ticked(), sheet.Money{Currency: v.Currency, Digits: v.Digits()}, "a4", v.Units())
}

// Text is the list to send on.
func (l ShoppingList) Text(v Settings) string {
	return table.ListText(l.Title, l.List, l.ticked(), v.Currency, v.Digits(), v.Units())
}

// CSV writes the list as a table.
func (l ShoppingList) CSV(w io.Writer, o table.Options) error { return table.WriteList(w, l.List, o) }

// ShoppingForJob is the list of one job.
func (a *App) ShoppingForJob(ctx context.Context, id string) (out ShoppingList, err error) {
	h, err := a.House(ctx)
	if err != nil {
		return out, err
	}
	j, r, err := a.store.Job(ctx, id)
	if err != nil {
		return out, err
	}
	now, err := ReadJob([]byte(r.Document), h.All)
	if err != nil {
		return out, err
	}
	larder := now.Larder(h.Larder)
	n := shop.NeedsOf(now, larder)
	n.Job, n.Title = j.ID, j.Title
	out = ShoppingList{Key: "job:" + j.ID, Title: "For " + j.Title, From: n.Day, To: n.Day, Jobs: []shop.Needs{n}}
	return a.buy(ctx, out, h, larder)
}

// ShoppingForWeek is one list for all jobs of the week that a day is in.
func (a *App) ShoppingForWeek(ctx context.Context, day string) (out ShoppingList, err error) {
	first, last, ok := brief.Week(day)
	if !ok {
		return out, fault.Bad("week", "write the day as 2026-11-30")
	}
	h, err := a.House(ctx)
	if err != nil {
		return out, err
	}
	// a day's width more on either side, because the day that is written counts, not the hour it is elsewhere
	from, _ := time.Parse(time.DateOnly, first)
	to, _ := time.Parse(time.DateOnly, last)
	jobs, err := a.store.Jobs(ctx, store.Query{From: from.AddDate(0, 0, -1), To: to.AddDate(0, 0, 2), Timed: true})
	if err != nil {
		return out, err
	}
	out = ShoppingList{Key: "week:" + first, Title: fmt.Sprintf("For the week of %s to %s", first, last), From: first, To: last, Jobs: []shop.Needs{}}
	for _, j := range jobs {
		if n := needsOf(j); n.Day >= first && n.Day <= last && n.Day != "" {
			out.Jobs = append(out.Jobs, n)
		}
	}
	return a.buy(ctx, out, h, h.Larder)
}

func (a *App) buy(ctx context.Context, out ShoppingList, h *House, larder *food.Larder) (ShoppingList, error) {
	s, err := a.Settings(ctx)
	if err != nil {
		return out, err
	}
	out.Units = s.Units()
	feeds, err := a.feeds(ctx)
	if err != nil {
		return out, err
	}
	var stops []shop.Stop
	for _, f := range feeds {
		stops = append(stops, shop.Stop{Name: f.name, Larder: larder.Priced(f.market)})
	}
	out.List = shop.BuyAt(out.Jobs, larder, h.Stock.Good(a.today(s)), stops, s.StopCost)
	out.Ticks, err = a.store.Ticks(ctx, out.Key)
	return out, err
}

// Tick ticks a food off on a list, or takes the tick back.
func (a *App) Tick(ctx context.Context, list, food string, done bool) error {
	return a.store.Tick(ctx, list, food, done)
}

// needsAfter lists what the jobs served after a day ask for.
func (a *App) needsAfter(ctx context.Context, day string) ([]shop.Needs, error) {
	from, err := time.Parse(time.DateOnly, day)
	if err != nil {
		return nil, nil // what is not dated passes nothing on
	}
	jobs, err := a.store.Jobs(ctx, store.Query{From: from.AddDate(0, 0, -1), Timed: true})
	if err != nil {
		return nil, err
	}
	var out []shop.Needs
	for _, j := range jobs {
		if n := needsOf(j); n.Day > day {
			out = append(out, n)
		}
	}
	return out, nil
}

func noFood(field, id string) error {
	return fault.Bad(field, "there is no food %.60q in the larder", id)
}
