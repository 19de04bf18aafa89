package app

import (
	"cmp"
	"context"
	"encoding/json"
	"fmt"
	"strings"
	"time"
	"unicode/utf8"

	"happytray/art"
	"happytray/core/brief"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/prep"
	"happytray/core/review"
	"happytray/core/shop"
	"happytray/core/workers"
	"happytray/store"
)

// Progress is how far a job has come.
type Progress string

// A job is briefed, then its foods are picked, then it is laid.
const (
	Briefed Progress = "briefed"
	Picked  Progress = "picked"
	Laid    Progress = "laid"
)

// Next says what to do with a job that has come so far.
func (p Progress) Next() string {
	return map[Progress]string{Briefed: "Pick the foods", Picked: "Lay the tray", Laid: "Print the steps"}[p]
}

// Summary is what the list of jobs shows of a job without reading its document.
type Summary struct {
	Guests   int        `json:"guests"`
	Occasion string     `json:"occasion"`
	State    Progress   `json:"state"`
	Score    float64    `json:"score"`
	Minutes  float64    `json:"minutes"`
	ServeAt  string     `json:"serve_at"` // as the host wrote it
	Needs    shop.Needs `json:"needs"`
}

// Card is a job as a list shows it.
type Card struct {
	ID, Title, Host, Place string
	Revision               int64
	Due                    *time.Time // the minute of serving; nil for none
	PutAway                bool
	Summary
}

func cardOf(j store.Job) Card {
	c := Card{ID: j.ID, Title: j.Title, Host: j.Host, Place: j.Place, Revision: j.Head, Due: j.ServeAt, PutAway: j.ArchivedAt != nil}
	_ = json.Unmarshal([]byte(j.Summary), &c.Summary) // an unreadable summary only leaves the card bare
	return c
}

// headingOf makes the heading of a job; larder is the one that it was planned with.
// score judges one of its trays.
func headingOf(j *job.Job, larder *food.Larder, zone *time.Location, score func(which int) (float64, error)) (store.Heading, error) {
	sum := Summary{Guests: j.Brief.Guests.Total(), Occasion: j.Brief.For(), State: Briefed, ServeAt: j.Brief.ServeAt, Needs: shop.NeedsOf(j, larder)}
	for _, t := range j.Trays {
		for _, e := range t.Elements {
			if e.Placed {
				sum.State = Laid
			} else if sum.State == Briefed {
				sum.State = Picked
			}
		}
	}
	if sum.State != Briefed {
		sum.Minutes = prep.Minutes(j, larder)
	}
	if sum.State == Laid {
		sum.Score = 100
		for i := range j.Trays {
			one, err := score(i)
			if err != nil {
				return store.Heading{}, err
			}
			sum.Score = min(sum.Score, one)
		}
	}
	raw, err := json.Marshal(sum)
	h := store.Heading{Title: j.Title, Host: j.Brief.Host, Place: j.Brief.Place, Summary: string(raw)}
	if at, ok := j.Brief.ServeTime(zone); ok {
		at = at.UTC()
		h.ServeAt = &at
	}
	return h, err
}

// scores judges the trays of a job.
func scores(j *job.Job, larder *food.Larder) func(which int) (float64, error) {
	return func(which int) (float64, error) { return review.Judge(j.Trays[which], larder).Score, nil }
}

// Filter jobs a list holds.
type Filter string

// Lists of jobs: what is to come or has no time yet, soonest first; what was, latest
// first; what was put away, latest first.
const (
	Coming  Filter = "coming"
	Past    Filter = "past"
	PutAway Filter = "away"
)

// List is a page of jobs. More is the id of the last one where there are further ones.
type List struct {
	Cards []Card
	More  string
	Today string // the day it is in the house
}

// page is how many jobs are listed at a time.
const page = 60

// Jobs lists a page of jobs; after is the id of the last one of the page before, or "".
func (a *App) Jobs(ctx context.Context, which Filter, text, after string) (List, error) {
	s, err := a.Settings(ctx)
	if err != nil {
		return List{}, err
	}
	now := a.now().In(s.Location())
	day := time.Date(now.Year(), now.Month(), now.Day(), 0, 0, 0, 0, now.Location()) // a job of this morning is still among the jobs
	q := store.Query{Text: text, Most: page + 1}
	switch which {
	case Past:
		q.To, q.Latest = day, true
	case PutAway:
		q.Away, q.Latest = true, true
	default:
		q.From = day
	}
	if after != "" {
		last, err := a.store.Head(ctx, after)
		if err != nil {
			return List{}, err
		}
		q.After = &last
	}
	jobs, err := a.store.Jobs(ctx, q)
	if err != nil {
		return List{}, err
	}
	out := List{Today: now.Format(time.DateOnly)}
	if len(jobs) > page {
		jobs = jobs[:page]
		out.More = jobs[page-1].ID
	}
	out.Cards = make([]Card, len(jobs))
	for i, j := range jobs {
		out.Cards[i] = cardOf(j)
	}
	return out, nil
}

// Job is a job with its current document.
type Job struct {
	ID         string
	Revision   int64
	Document   string
	Undo, Redo bool
	SavedAt    time.Time
}

// CreateJob makes a job from a brief; one that says nothing of rules has the house's.
func (a *App) CreateJob(ctx context.Context, title string, b brief.Brief) (string, error) {
	h, err := a.House(ctx)
	if err != nil {
		return "", err
	}
	s, err := a.Settings(ctx)
	if err != nil {
		return "", err
	}
	if b.Rules == nil { // as the house does, or its crowd likes it
		b.Rules = s.rulesFor(b)
	}
	made := job.New(title, b)
	if err := made.Check(h.Larder); err != nil {
		return "", err
	}
	raw, err := made.Write()
	if err != nil {
		return "", err
	}
	larder := made.Larder(h.Larder)
	head, err := headingOf(made, larder, s.Location(), scores(made, larder))
	if err != nil {
		return "", err
	}
	j, err := a.store.Create(ctx, head, string(raw), "wrote the brief")
	return j.ID, err
}

// Job finds a job.
func (a *App) Job(ctx context.Context, id string) (Job, error) {
	j, r, err := a.store.Job(ctx, id)
	if err != nil {
		return Job{}, err
	}
	undo, redo, err := a.store.Steps(ctx, r)
	return Job{j.ID, j.Head, r.Document, undo, redo, j.UpdatedAt}, err
}

// mostSays bounds the words that say what was changed, characters.
const mostSays = 200

// SaveJob keeps a document as a job's next revision, on top of the one that was seen, and
// returns the number of the revision and when it was kept. store.ErrConflict means that
// the job has moved on.
func (a *App) SaveJob(ctx context.Context, id string, seen int64, raw []byte, says string) (int64, time.Time, error) {
	h, err := a.House(ctx)
	if err != nil {
		return 0, time.Time{}, err
	}
	s, err := a.Settings(ctx)
	if err != nil {
		return 0, time.Time{}, err
	}
	given, err := a.Read(raw, h.Larder)
	if err != nil {
		return 0, time.Time{}, err
	}
	if says == "" {
		says = "changed"
	}
	larder := given.Larder(h.Larder)
	views := make([]*judged, len(given.Trays))
	var draft store.Draft
	var head store.Heading
	var unwritten, unjudged error
	workers.Both(func() {
		var document []byte
		if document, unwritten = given.Write(); unwritten == nil {
			draft, unwritten = a.store.Draft(ctx, id, seen, string(document))
		}
	}, func() {
		head, unjudged = headingOf(given.Job, larder, s.Location(), func(which int) (float64, error) {
			v, err := a.judge(given, which, larder, h)
			if err != nil {
				return 0, err
			}
			views[which] = v
			return v.review.Score, nil
		})
	})
	if err := cmp.Or(unwritten, unjudged); err != nil {
		return 0, time.Time{}, err
	}
	j, err := a.store.SaveDraft(ctx, draft, head, short(says, mostSays))
	if err == nil {
		for i, v := range views {
			if v != nil && v.live != nil {
				a.judged.saved.Add(savedTray{id, j.Head, i}, &openTray{judged: v, reading: given, larder: larder, units: s.Units()})
			}
		}
	}
	return j.Head, j.UpdatedAt, err
}

// Undo goes back one revision, and Redo forward.
func (a *App) Undo(ctx context.Context, id string, seen int64) error {
	return a.step(ctx, id, seen, a.store.Undo)
}

// Redo goes forward to the newest revision that came from the current one.
func (a *App) Redo(ctx context.Context, id string, seen int64) error {
	return a.step(ctx, id, seen, a.store.Redo)
}

func (a *App) step(ctx context.Context, id string, seen int64, to func(context.Context, string, int64, store.HeadingOf) (store.Job, error)) error {
	h, err := a.House(ctx)
	if err != nil {
		return err
	}
	s, err := a.Settings(ctx)
	if err != nil {
		return err
	}
	_, err = to(ctx, id, seen, func(document string) (store.Heading, error) {
		was, err := ReadJob([]byte(document), h.All)
		if err != nil {
			return store.Heading{}, err
		}
		larder := was.Larder(h.Larder)
		return headingOf(was, larder, s.Location(), scores(was, larder))
	})
	return err
}

// Archive puts a job away, or takes it out again.
func (a *App) Archive(ctx context.Context, id string, away bool) error {
	return a.store.Archive(ctx, id, away)
}

// Revisions lists what was saved of a job, newest first; before is the number of the
// last one of the page before, or 0.
func (a *App) Revisions(ctx context.Context, id string, before int64) ([]store.Revision, error) {
	if _, err := a.store.Head(ctx, id); err != nil {
		return nil, err
	}
	return a.store.History(ctx, id, before, store.MostListed)
}

// Head is the number of the last saved state of a job.
func (a *App) Head(ctx context.Context, id string) (int64, error) {
	j, err := a.store.Head(ctx, id)
	return j.Head, err
}

// Revision is one saved state of a job.
func (a *App) Revision(ctx context.Context, id string, number int64) (store.Revision, error) {
	return a.store.Revision(ctx, id, number)
}

// NameRevision names a saved state of a job; an empty name takes it away.
func (a *App) NameRevision(ctx context.Context, id string, number int64, name string) error {
	name = strings.TrimSpace(name)
	if n := utf8.RuneCountInString(name); n > 120 {
		return fault.Bad("name", "should have at most 120 characters, not %d", n)
	}
	return a.store.NameRevision(ctx, id, number, name)
}

// RevisionPicture draws one of the trays of a saved state as seen from afar, as SVG.
func (a *App) RevisionPicture(ctx context.Context, id string, number int64, which int) (string, error) {
	r, err := a.store.Revision(ctx, id, number)
	if err != nil {
		return "", err
	}
	h, err := a.House(ctx)
	if err != nil {
		return "", err
	}
	j, err := ReadJob([]byte(r.Document), h.All)
	if err != nil {
		return "", err
	}
	return art.TrayFrom(art.FromAfar, j.Title, j.Trays[min(max(which, 0), len(j.Trays)-1)], j.Larder(h.All)), nil
}

// Tag is what a job's picture can be known by: it changes with every revision.
func (a *App) Tag(ctx context.Context, id string) (string, error) {
	j, err := a.store.Head(ctx, id)
	if err != nil {
		return "", err
	}
	return fmt.Sprintf("%.8s-%d", j.ID, j.Head), nil
}

// Picture draws a job's first tray to scale, as SVG; from afar without what cannot be seen
// on a ticket.
func (a *App) Picture(ctx context.Context, id string, afar bool) (string, error) {
	_, r, err := a.store.Job(ctx, id)
	if err != nil {
		return "", err
	}
	h, err := a.House(ctx)
	if err != nil {
		return "", err
	}
	now, err := ReadJob([]byte(r.Document), h.All)
	if err != nil {
		return "", err
	}
	if afar {
		return art.TrayFrom(art.FromAfar, now.Title, now.Trays[0], now.Larder(h.Larder)), nil
	}
	return art.Tray(now.Title, now.Trays[0], now.Larder(h.Larder)), nil
}
