package app

import (
	"context"
	"fmt"
	"time"

	"happytray/core/fault"
	"happytray/core/prep"
	"happytray/core/price"
	"happytray/formats/sheet"
	"happytray/formats/worklist"
	"happytray/store"
)

// Kitchen says with whom and with how many ovens a job is prepared; as many as the house has where nothing is said.
type Kitchen struct {
	People, Ovens, Shelves *int
	Alone                  bool // the day by itself: nobody asks what would let it begin later
	ByData                 bool // by the minutes of the data, whatever the house's own hands have taught
	Left                   bool // only what is not done yet, planned anew from now
}

// longPast is how long after serving nobody is late any more: the evening is over.
const longPast = 12 * time.Hour

// Day is the work for a job as it is saved against the clock of the house.
func (a *App) Day(ctx context.Context, id string, k Kitchen) (prep.Day, error) {
	d, _, err := a.day(ctx, id, 0, k)
	return d, err
}

func (a *App) day(ctx context.Context, id string, which int, k Kitchen) (prep.Day, savedJob, error) {
	h, err := a.House(ctx)
	if err != nil {
		return prep.Day{}, savedJob{}, err
	}
	s, err := a.Settings(ctx) // an hour off is worse than no plan
	if err != nil {
		return prep.Day{}, savedJob{}, err
	}
	now, err := a.savedTray(ctx, id, which, h)
	if err != nil {
		return prep.Day{}, savedJob{}, err
	}
	o := k.options(s)
	if !k.ByData {
		o.Pace = a.paceFor(ctx, s)
	}
	if at, ok := now.reading.Brief.ServeTime(o.Zone); ok && a.now().Before(at.Add(longPast)) {
		o.Now = a.now().Truncate(time.Minute)
	}
	if o.Pins, err = a.pins(ctx, id); err != nil {
		return prep.Day{}, savedJob{}, err
	}
	if k.Left {
		ticks, err := a.ticks(ctx, id)
		if err != nil {
			return prep.Day{}, savedJob{}, err
		}
		o.Done = make(map[string]bool, len(ticks))
		for task := range ticks {
			o.Done[task] = true
		}
	}
	d, err := prep.Plan(now.reading.Job, now.larder, o)
	return spoken(ctx, a, d), now, err
}

// DayOf is the work for all jobs that are served on a day, written 2026-11-30, and are no drafts: something is to be
// laid for them.
func (a *App) DayOf(ctx context.Context, date string, k Kitchen) (prep.Day, error) {
	day, err := time.Parse(time.DateOnly, date)
	if err != nil {
		return prep.Day{}, fault.Bad("date", "write the day as 2026-11-30")
	}
	h, err := a.House(ctx)
	if err != nil {
		return prep.Day{}, err
	}
	s, err := a.Settings(ctx)
	if err != nil {
		return prep.Day{}, err
	}
	// a day's width more on either side, because the day that is written counts, not the hour it is elsewhere
	jobs, err := a.store.Jobs(ctx, store.Query{From: day.AddDate(0, 0, -1), To: day.AddDate(0, 0, 2), Timed: true})
	if err != nil {
		return prep.Day{}, err
	}
	o := k.options(s)
	o.Pace = a.paceFor(ctx, s)
	var booked []prep.DayJob
	for _, j := range jobs {
		now, err := a.savedTray(ctx, j.ID, 0, h)
		if err != nil {
			return prep.Day{}, err
		}
		at, timed := now.reading.Brief.ServeTime(o.Zone)
		if now.reading.Brief.ServeDay() != date || !timed || len(now.tray().Elements) == 0 {
			continue
		}
		if booked = append(booked, prep.DayJob{ID: j.ID, Job: now.reading.Job, Larder: now.larder}); len(booked) == 1 && a.now().Before(at.Add(longPast)) {
			o.Now = a.now().Truncate(time.Minute)
		}
	}
	if len(booked) == 0 {
		return prep.NoWork(o), nil
	}
	d, err := prep.PlanDay(booked, o)
	return spoken(ctx, a, d), err
}

// options are the kitchen's, or the house's where nothing is said.
func (k Kitchen) options(s Settings) prep.Options {
	o := prep.Options{People: s.People, Ovens: s.Ovens, Shelves: s.Shelves, Zone: s.Location(), Save: !k.Alone}
	o.Shop, _ = s.shopHours() // they were checked when they were kept
	if k.People != nil {
		o.People = *k.People
	}
	if k.Ovens != nil {
		o.Ovens = *k.Ovens
	}
	if k.Shelves != nil {
		o.Shelves = *k.Shelves
	}
	return o
}

// DaySheet is the work of a day as a file: a calendar or a table. A calendar that is made later supersedes one made
// before.
func (a *App) DaySheet(ctx context.Context, date, kind string, k Kitchen) (out Sheet, err error) {
	k.Alone = true
	d, err := a.DayOf(ctx, date, k)
	if err != nil {
		return out, err
	}
	if len(d.Tasks) == 0 {
		return out, fault.Bad("date", "there is no work on %.10s", date)
	}
	title := "The day " + date
	if kind == "calendar" {
		out.Data, err = worklist.Calendar(title, "day/"+date, a.now().Unix()/60, d)
		out.Media, out.Name = "text/calendar", worklist.Name(title, kind, "ics")
		return out, err
	}
	out.Data, err = worklist.Table(d)
	out.Media, out.Name = "text/csv", worklist.Name(title, kind, "csv")
	return out, err
}

// Sheet is a file that was made of a job.
type Sheet struct {
	Name, Media string
	Data        []byte
}

// Sheets are what is printed of a job, and the forms of its work list.
var Sheets = []string{"mat", "tracing", "build", "cards", "markers", "quote", "calendar", "table", "mat-svg"}

// Sheet makes a file of a job as it is saved; which is its tray, where only one is on it.
func (a *App) Sheet(ctx context.Context, id string, which int, kind, paper string, k Kitchen) (out Sheet, err error) {
	k.Alone = true
	h, err := a.House(ctx)
	if err != nil {
		return out, err
	}
	now, err := a.savedTray(ctx, id, which, h)
	if err != nil {
		return out, err
	}
	j, title := now.reading.Job, now.reading.Title
	ending := "pdf"
	out.Media = "application/pdf"
	switch kind {
	case "calendar":
		out.Media, ending = "text/calendar", "ics"
		var d prep.Day
		if d, _, err = a.day(ctx, id, which, k); err == nil {
			out.Data, err = worklist.Calendar(title, id, now.revision, d)
		}
	case "table":
		out.Media, ending = "text/csv", "csv"
		var d prep.Day
		if d, _, err = a.day(ctx, id, which, k); err == nil {
			out.Data, err = worklist.Table(d)
		}
	case "mat-svg":
		out.Media, ending = "image/svg+xml", "svg"
		out.Data, err = sheet.MatSVG(title, now.tray(), now.larder)
	case "tracing":
		out.Data, err = sheet.Tracing(title, now.tray(), now.larder, paper)
	case "build":
		out.Data, err = sheet.Build(title, now.tray(), now.larder, paper, a.units(ctx))
	case "cards":
		out.Data, err = sheet.Cards(j, now.larder, paper)
	case "markers":
		out.Data, err = sheet.Markers(j, now.larder, paper)
	case "quote":
		var s Settings
		var q price.Quote
		if s, err = a.Settings(ctx); err != nil {
			return out, err
		}
		if q, err = a.Quote(ctx, j); err == nil {
			today := a.now().In(s.Location())
			head := sheet.Letterhead{Seller: s.Seller, Number: QuoteNumber(id, now.revision), Date: today}
			out.Data, err = sheet.Quote(j, now.larder, q, sheet.Money{Currency: s.Currency, Digits: s.Digits()}, head, paper)
		}
	default:
		out.Data, err = sheet.Mat(title, now.tray(), now.larder, paper)
	}
	out.Name = worklist.Name(title, kind, ending)
	return out, err
}

// QuoteNumber names a quote: its job, and the revision of it.
func QuoteNumber(id string, revision int64) string {
	return fmt.Sprintf("%.8s-%d", id, revision)
}
