package app

import (
	"cmp"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"math"
	"slices"
	"strings"
	"time"

	"happytray/core/amount"
	"happytray/core/brief"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/graze"
	"happytray/core/job"
	"happytray/core/learn"
	"happytray/core/pick"
	"happytray/core/prep"
	"happytray/core/round"
	"happytray/core/safety"
	"happytray/core/tray"
	"happytray/store"
)

// Evening is what was noted of one: while it went on and when it was looked back on.
type Evening struct {
	ID        string       `json:"id"`            // its job's, where it has one
	Job       string       `json:"job,omitempty"` // "" where it was noted without one
	Title     string       `json:"title"`
	Crowd     string       `json:"crowd"`
	Date      string       `json:"date"` // 2026-11-30
	Occasion  string       `json:"occasion"`
	Guests    brief.Guests `json:"guests"`
	LastedMin float64      `json:"lasted_min"`
	Trays     []LaidOn     `json:"trays,omitempty"`
	Dishes    []Dish       `json:"dishes"`
	Notes     []Note       `json:"notes"`
	Done      bool         `json:"done"`             // it was looked back on; before that only what was noted on the evening is there
	Topped    []ToppedUp   `json:"topped,omitempty"` // what was laid later, in order; it is in LaidG of its dish
	Kept      []string     `json:"kept,omitempty"`   // foods whose remains went into the cupboard
	Version   int64        `json:"version"`
	// Advice is what is usually done with what came home. It is reckoned, not kept.
	Advice  []prep.Advice `json:"advice,omitempty"`
	Caution string        `json:"caution,omitempty"` // how long what perishes may stand out there
	// GoneShare is learn.GoneShare, for who asks what was left. It is not kept.
	GoneShare float64 `json:"gone_share,omitempty"`
}

// LaidOn is what a tray was laid on and how.
type LaidOn struct {
	Board string `json:"board"` // its name
	Style string `json:"style,omitempty"`
}

// Dish is one element of the evening's trays, or a food where it was noted without a tray.
type Dish struct {
	Tray      int      `json:"tray"` // from 0
	Element   string   `json:"element,omitempty"`
	Food      string   `json:"food"`
	Form      string   `json:"form,omitempty"`
	ShareG    float64  `json:"share_g"` // of its food, for a grown-up, before anything was learnt
	LaidG     float64  `json:"laid_g"`
	LeftG     float64  `json:"left_g"`
	GoneAtMin *float64 `json:"gone_at_min"`
	Reasons   []string `json:"reasons"`
	Foreseen  *Range   `json:"foreseen,omitempty"` // grams left
}

// ToppedUp is more of a food, laid while the evening went on.
type ToppedUp struct {
	ID      string  `json:"id,omitempty"` // as what it was noted where it was made
	AtMin   float64 `json:"at_min"`       // after serving
	Tray    int     `json:"tray"`         // from 0
	Element string  `json:"element"`
	Food    string  `json:"food"`
	Grams   float64 `json:"grams"`
	// GoneAtMin is when its dish had been gone, for when this is taken back.
	GoneAtMin *float64 `json:"gone_at_min,omitempty"`
}

// Range is what a number is in one, five and nine of ten evenings.
type Range = graze.Range

// Note is something that was said of an evening.
type Note struct {
	ID   string    `json:"id,omitempty"` // as what it was noted where it was made
	At   time.Time `json:"at"`
	Says string    `json:"says"`
}

const (
	mostDishes   = 1200
	mostNotes    = 60
	mostTopped   = 400
	mostNoteSays = 1000
	// MostPhotos is how many photographs an evening has at most.
	MostPhotos = 12
)

// CrowdOf is who is fed: what they eat is remembered by it.
func CrowdOf(b brief.Brief) string { return strings.TrimSpace(cmp.Or(b.Crowd, b.Host)) }

func readEvening(e store.Evening) (out Evening, err error) {
	if err = json.Unmarshal([]byte(e.Document), &out); err != nil {
		return out, fmt.Errorf("what was noted of an evening cannot be read: %w", err)
	}
	out.ID, out.Version, out.GoneShare = e.ID, e.Version, learn.GoneShare
	return out, nil
}

func (e Evening) write() (store.Evening, error) {
	e.Advice, e.Caution, e.GoneShare = nil, "", 0
	e.Dishes = slices.Clone(e.Dishes)
	for i := range e.Dishes {
		if e.Dishes[i].Reasons == nil {
			e.Dishes[i].Reasons = []string{} // a list in the file, too
		}
	}
	raw, err := json.Marshal(e)
	return store.Evening{Day: e.Date, Crowd: e.Crowd, Document: string(raw)}, err
}

// Evening is what was noted of a job's evening, or what can be: every element laid and nothing left to say yet.
func (a *App) Evening(ctx context.Context, id string) (Evening, error) {
	kept, err := a.store.Evening(ctx, id)
	if errors.Is(err, store.ErrNotFound) {
		return a.blank(ctx, id)
	}
	if err != nil {
		return Evening{}, err
	}
	return a.read(ctx, kept)
}

// read reads an evening and advises on what came home of it.
func (a *App) read(ctx context.Context, kept store.Evening) (Evening, error) {
	e, err := readEvening(kept)
	if err != nil {
		return e, err
	}
	h, err := a.House(ctx)
	if err != nil {
		return e, err
	}
	b, larder := brief.Brief{}, h.All
	out := map[string]float64{}
	if now, err := a.savedTray(ctx, e.ID, 0, h); err == nil {
		b, larder = now.reading.Brief, now.larder
		if out, err = a.stoodOut(ctx, e.ID, e.LastedMin); err != nil {
			return e, err
		}
	}
	var hold float64
	hold, e.Caution = safety.Hold(b)
	for _, f := range e.Record().Foods {
		if known, ok := larder.Get(f.Food); ok && f.LeftG >= 1 {
			stood := max(out[f.Food], e.LastedMin+float64(known.WarmUpMin))
			e.Advice = append(e.Advice, prep.AdviseOn(known, f.LeftG, stood, hold))
		}
	}
	return e, nil
}

// stoodOut is for how many minutes each food of a job had been out of the cold when its evening ended, from when it was
// ticked as got out; what nobody ticked is not in it.
func (a *App) stoodOut(ctx context.Context, id string, lasted float64) (map[string]float64, error) {
	out := map[string]float64{}
	ticks, err := a.ticks(ctx, id)
	if err != nil || len(ticks) == 0 {
		return out, err
	}
	d, _, err := a.day(ctx, id, 0, Kitchen{})
	if err != nil {
		return out, err
	}
	served, err := time.Parse(time.RFC3339, d.ServeAt)
	if err != nil {
		return out, err
	}
	for _, k := range d.Tasks {
		if at, done := ticks[k.ID]; done && k.Kind == prep.GetOut {
			out[k.Food] = max(out[k.Food], served.Sub(at).Minutes()+lasted)
		}
	}
	return out, nil
}

// KeepRemains puts what came home of a food into the cupboard, good until the day that is advised, once.
func (a *App) KeepRemains(ctx context.Context, id, foodID string) (Evening, error) {
	e, err := a.Evening(ctx, id)
	if err != nil {
		return e, err
	}
	i := slices.IndexFunc(e.Advice, func(x prep.Advice) bool { return x.Food == foodID })
	if i < 0 || e.Advice[i].Days == 0 {
		return e, fault.Bad("food", "there is nothing of it to keep")
	}
	if slices.Contains(e.Kept, foodID) {
		return e, nil
	}
	on, err := time.Parse(time.DateOnly, e.Date)
	if err != nil {
		return e, err
	}
	kept := store.Lot{Grams: e.Advice[i].Grams, BestBefore: on.AddDate(0, 0, e.Advice[i].Days).Format(time.DateOnly)}
	err = a.store.Whole(ctx, func(st *store.Store) error { // both, or neither: it goes in once
		in := false
		_, err := st.ChangeEvening(ctx, id, func(was store.Evening) (store.Evening, error) {
			now, err := readEvening(was)
			if err != nil || slices.Contains(now.Kept, foodID) {
				in = err == nil
				return was, err
			}
			now.Kept = append(now.Kept, foodID)
			return now.write()
		})
		if err != nil || in {
			return err
		}
		_, err = st.ChangeHouse(ctx, store.Change{Lots: map[string]store.LotsOf{foodID: with(kept)}})
		return err
	})
	if err != nil {
		return e, err
	}
	return a.Evening(ctx, id)
}

// with adds a lot to whatever stands in the cupboard when it comes there.
func with(lot store.Lot) store.LotsOf {
	return func(was []store.Lot) ([]store.Lot, error) {
		lots := slices.Clone(was)
		if k := slices.IndexFunc(lots, func(l store.Lot) bool { return l.BestBefore == lot.BestBefore }); k >= 0 {
			lots[k].Grams += lot.Grams
			return lots, nil
		}
		return append(lots, lot), nil
	}
}

// blank is a job's evening before anybody noted anything.
func (a *App) blank(ctx context.Context, id string) (Evening, error) {
	h, err := a.House(ctx)
	if err != nil {
		return Evening{}, err
	}
	now, err := a.savedTray(ctx, id, 0, h)
	if err != nil {
		return Evening{}, err
	}
	s, err := a.Settings(ctx)
	if err != nil {
		return Evening{}, err
	}
	return blankOf(id, now.reading.Job, now.larder, a.today(s)), nil
}

// blankOf is a job's evening before anybody noted anything.
func blankOf(id string, j *job.Job, larder *food.Larder, today string) Evening {
	b := j.Brief
	out := Evening{ID: id, Job: id, Title: j.Title, Crowd: CrowdOf(b), Date: cmp.Or(b.ServeDay(), today), Occasion: b.For(), Guests: b.Guests, LastedMin: b.Lasts(), Dishes: []Dish{}, Notes: []Note{}, GoneShare: learn.GoneShare}
	shares := SharesOf(j, larder)
	for n, t := range j.Trays {
		times := float64(t.Copies())
		on := LaidOn{Style: t.Rules.Style}
		if t.Board != nil {
			on.Board = t.Board.Name
		}
		out.Trays = append(out.Trays, on)
		for i := range t.Elements {
			e := &t.Elements[i]
			f, ok := larder.Get(e.Food)
			if !ok || f.Category == food.NotFood || f.Category == food.Garnish || !e.Placed || e.Grams <= 0 {
				continue
			}
			out.Dishes = append(out.Dishes, Dish{Tray: n, Element: e.ID, Food: e.Food, Form: e.Form, ShareG: shares[e.Food], LaidG: math.Round(10*e.Grams*times) / 10, Reasons: []string{}})
		}
	}
	return out
}

// SharesOf are the grams for a grown-up that a job's foods are reckoned with before anything was learnt.
func SharesOf(j *job.Job, larder *food.Larder) map[string]float64 {
	var chosen []pick.Choice
	met := map[string]bool{}
	for _, t := range j.Trays {
		for _, e := range t.Elements {
			if f, ok := larder.Get(e.Food); ok && !met[e.Food] {
				met[e.Food] = true
				chosen = append(chosen, pick.Choice{Food: f, Form: e.Form})
			}
		}
	}
	out := map[string]float64{}
	for _, x := range amount.Of(j.Brief, chosen) {
		out[x.Food.ID] = math.Round(10*x.Usual/math.Max(.5, j.Brief.Guests.Appetites())) / 10
	}
	return out
}

// check holds an evening against sense.
func (e *Evening) check() error {
	if len(e.Dishes) > mostDishes {
		return fault.Bad("dishes", "%d at most", mostDishes)
	}
	if len(e.Topped) > mostTopped {
		return fault.Bad("topped", "%d at most", mostTopped)
	}
	if len(e.Notes) > mostNotes {
		return fault.Bad("notes", "%d at most", mostNotes)
	}
	for i, n := range e.Notes {
		if err := fault.Text(fmt.Sprintf("notes[%d].says", i), n.Says, mostNoteSays); err != nil {
			return err
		}
	}
	if err := fault.First(func() error { return fault.Text("title", e.Title, 160) }, func() error { return fault.Text("crowd", e.Crowd, 160) }); err != nil {
		return err
	}
	for i := range e.Dishes {
		for _, r := range e.Dishes[i].Reasons {
			if !slices.Contains(learn.Reasons, r) {
				return fault.Bad(fmt.Sprintf("dishes[%d].reasons", i), "%.40q is no reason; known are %s", r, strings.Join(learn.Reasons, ", "))
			}
		}
	}
	// each dish by itself, as it stands on the table, then all of them by food
	one := e.record(func(d Dish) string { return d.Food + "\x00" + d.Element + fmt.Sprint(d.Tray) })
	for i := range one.Foods {
		one.Foods[i].Food, _, _ = strings.Cut(one.Foods[i].Food, "\x00")
		single := one
		single.Foods = one.Foods[i : i+1]
		if err := single.Check(); err != nil {
			return fault.In(fmt.Sprintf("dishes[%d]", i), err)
		}
	}
	r := e.Record()
	return r.Check()
}

// Record is the evening as it is learnt from: its dishes by food.
func (e *Evening) Record() learn.Record { return e.record(func(d Dish) string { return d.Food }) }

func (e *Evening) record(key func(Dish) string) learn.Record {
	out := learn.Record{Date: e.Date, Occasion: e.Occasion, Crowd: e.Crowd, Guests: e.Guests, LastedMin: e.LastedMin}
	at := map[string]int{}
	for _, d := range e.Dishes {
		i, met := at[key(d)]
		if !met {
			i = len(out.Foods)
			at[key(d)] = i
			out.Foods = append(out.Foods, learn.Remains{Food: key(d), ShareG: d.ShareG, GoneAtMin: d.GoneAtMin, Reasons: []string{}})
		}
		f := &out.Foods[i]
		f.LaidG, f.LeftG = f.LaidG+d.LaidG, f.LeftG+d.LeftG
		switch { // a food is gone when the last of it is
		case d.GoneAtMin == nil || f.GoneAtMin == nil:
			f.GoneAtMin = nil
		case *d.GoneAtMin > *f.GoneAtMin:
			f.GoneAtMin = d.GoneAtMin
		}
		for _, r := range d.Reasons {
			if !slices.Contains(f.Reasons, r) {
				f.Reasons = append(f.Reasons, r)
			}
		}
	}
	return out
}

// SaveEvening keeps what was noted of a job's evening, on top of the version that was seen, 0 for nothing.
func (a *App) SaveEvening(ctx context.Context, id string, seen int64, in Evening) (Evening, error) {
	if _, err := a.store.Head(ctx, id); err != nil {
		return Evening{}, err
	}
	in.ID, in.Job = id, id
	if err := in.check(); err != nil {
		return Evening{}, err
	}
	if in.Done {
		a.compare(ctx, id, in.Dishes)
	}
	kept, err := a.store.ChangeEvening(ctx, id, func(was store.Evening) (store.Evening, error) {
		if was.Version == seen+1 {
			if now, err := readEvening(was); err == nil && now.says(in) {
				return was, errSame
			}
		}
		if was.Version != seen {
			return was, store.ErrConflict
		}
		return in.write()
	})
	if errors.Is(err, errSame) {
		return a.Evening(ctx, id)
	}
	if err != nil {
		return Evening{}, err
	}
	return a.read(ctx, kept)
}

// errSame is told where what is to be kept stands there already: an answer was lost, and this is the same come again.
var errSame = errors.New("it stands there already")

// says reports whether two evenings say the same, whatever their versions.
func (e Evening) says(other Evening) bool {
	e.Version, other.Version = 0, 0
	a, errA := e.write()
	b, errB := other.write()
	return errA == nil && errB == nil && a.Document == b.Document
}

// compare puts beside what came home what had been foreseen, once. Where nothing can be foreseen the record stands alone.
func (a *App) compare(ctx context.Context, id string, dishes []Dish) {
	if slices.ContainsFunc(dishes, func(d Dish) bool { return d.Foreseen != nil }) {
		return
	}
	f, err := a.Forecast(ctx, id)
	if err != nil {
		return
	}
	foresee(dishes, f)
}

func foresee(dishes []Dish, f graze.Forecast) {
	for k := range f.Elements {
		e := &f.Elements[k]
		for i := range dishes {
			if d := &dishes[i]; d.Tray == max(1, e.Tray)-1 && d.Element == e.ID {
				left := e.LeftG
				d.Foreseen = &left
			}
		}
	}
}

// DropEvening takes what was noted of an evening away: what it taught is undone with it.
func (a *App) DropEvening(ctx context.Context, id string) error {
	_, err := a.store.ChangeEvening(ctx, id, func(was store.Evening) (store.Evening, error) {
		if was.Version == 0 {
			return was, store.ErrNotFound
		}
		return store.Evening{}, nil
	})
	return err
}

// Entry tells of something that was noted on a device which may have been away: it is sent when the server is back, and
// perhaps twice, where an answer was lost.
type Entry struct {
	Key string        // its name, given where it was made; "" for none
	Ago time.Duration // how long ago it was made, by that device's reckoning
}

// mostAgo bounds how old an entry may be.
const mostAgo = 7 * 24 * time.Hour

// of is when an entry was made, given when it came.
func (e Entry) of(now time.Time) time.Time { return now.Add(-min(max(e.Ago, 0), mostAgo)) }

// NoteGone notes while an evening goes on that an element is gone, or that it is not after all.
func (a *App) NoteGone(ctx context.Context, id string, tray int, element string, gone bool, entry Entry) (Evening, error) {
	return a.onTheEvening(ctx, id, entry, func(e *Evening, minute float64) error {
		for i := range e.Dishes {
			d := &e.Dishes[i]
			if d.Tray != tray || d.Element != element {
				continue
			}
			d.GoneAtMin, d.LeftG = nil, 0
			if gone {
				d.GoneAtMin = &minute
			}
			return nil
		}
		return fault.Bad("element", "there is no such thing on this tray")
	})
}

// TopUp notes while an evening goes on that so many grams more of a food were laid: where it was gone, or else where
// least of it was laid. The same entry counts once.
func (a *App) TopUp(ctx context.Context, id string, tray int, food string, grams float64, entry Entry) (Evening, error) {
	return a.onTheEvening(ctx, id, entry, func(e *Evening, minute float64) error {
		if entry.Key != "" && slices.ContainsFunc(e.Topped, func(t ToppedUp) bool { return t.ID == entry.Key }) {
			return nil
		}
		to := -1
		for i := range e.Dishes {
			d := &e.Dishes[i]
			if d.Tray != tray || d.Food != food || d.Element == "" {
				continue
			}
			gone := d.GoneAtMin != nil
			if to < 0 || gone && e.Dishes[to].GoneAtMin == nil || gone == (e.Dishes[to].GoneAtMin != nil) && d.LaidG < e.Dishes[to].LaidG {
				to = i
			}
		}
		if to < 0 {
			return fault.Bad("food", "none of it was laid on this tray, so there is nothing to top up")
		}
		if math.IsNaN(grams) || grams < .1 || grams > mostGrams {
			return fault.Bad("grams", "should be between 0.1 and %d", mostGrams)
		}
		d := &e.Dishes[to]
		e.Topped = append(slices.Clone(e.Topped), ToppedUp{entry.Key, minute, tray, d.Element, food, grams, d.GoneAtMin})
		d.LaidG, d.GoneAtMin = round.Tenth(d.LaidG+grams), nil
		return nil
	})
}

// TakeBackTopUp takes what was noted as laid later back: the entry of that key, which may be gone already, or the last
// one where none is named.
func (a *App) TakeBackTopUp(ctx context.Context, id string, entry Entry) (Evening, error) {
	return a.onTheEvening(ctx, id, entry, func(e *Evening, _ float64) error {
		at := len(e.Topped) - 1
		if entry.Key != "" {
			if at = slices.IndexFunc(e.Topped, func(t ToppedUp) bool { return t.ID == entry.Key }); at < 0 {
				return nil
			}
		}
		if at < 0 {
			return fault.Bad("topped", "nothing was noted as topped up")
		}
		last := e.Topped[at]
		e.Topped = slices.Delete(slices.Clone(e.Topped), at, at+1)
		for i := range e.Dishes {
			if d := &e.Dishes[i]; d.Tray == last.Tray && d.Element == last.Element && d.Food == last.Food {
				d.LaidG = round.Tenth(math.Max(0, d.LaidG-last.Grams))
				d.LeftG = math.Min(d.LeftG, d.LaidG)
				d.GoneAtMin = cmp.Or(d.GoneAtMin, last.GoneAtMin)
			}
		}
		return nil
	})
}

// mostGrams bounds what is laid later at once.
const mostGrams = 100_000

// AddNote notes something on the evening, with the time. The same entry counts once.
func (a *App) AddNote(ctx context.Context, id, says string, entry Entry) (Evening, error) {
	return a.onTheEvening(ctx, id, entry, func(e *Evening, _ float64) error {
		if entry.Key != "" && slices.ContainsFunc(e.Notes, func(n Note) bool { return n.ID == entry.Key }) {
			return nil
		}
		if strings.TrimSpace(says) == "" {
			return fault.Bad("says", "write what is to be remembered")
		}
		e.Notes = append(e.Notes, Note{entry.Key, entry.of(a.now()).UTC().Truncate(time.Second), strings.TrimSpace(says)})
		return nil
	})
}

// Came is what came home of a dish, or when it was gone, and why.
type Came struct {
	Tray      int
	Element   string
	Food      string
	LeftG     float64
	GoneAtMin *float64
	Reasons   []string
}

// ChangeEvening notes what came home of some dishes, whoever notes others meanwhile; and, where done is given, whether all
// was looked back on.
func (a *App) ChangeEvening(ctx context.Context, id string, came []Came, done *bool) (Evening, error) {
	var foreseen []Dish
	if done != nil && *done { // looked up before anything is locked
		e, err := a.Evening(ctx, id)
		if err != nil {
			return e, err
		}
		foreseen = e.Dishes
		a.compare(ctx, id, foreseen)
	}
	return a.onTheEvening(ctx, id, Entry{}, func(e *Evening, _ float64) error {
		for n, c := range came {
			i := slices.IndexFunc(e.Dishes, func(d Dish) bool { return d.Tray == c.Tray && d.Element == c.Element && d.Food == c.Food })
			if i < 0 {
				return fault.Bad(fmt.Sprintf("dishes[%d]", n), "there is no such thing on this tray")
			}
			e.Dishes[i].LeftG, e.Dishes[i].GoneAtMin, e.Dishes[i].Reasons = c.LeftG, c.GoneAtMin, c.Reasons
		}
		if done != nil {
			e.Done = *done
		}
		for i := range e.Dishes {
			d := &e.Dishes[i]
			if k := slices.IndexFunc(foreseen, func(f Dish) bool { return f.Tray == d.Tray && f.Element == d.Element && f.Food == d.Food }); k >= 0 && d.Foreseen == nil {
				d.Foreseen = foreseen[k].Foreseen
			}
		}
		return nil
	})
}

// onTheEvening changes what is noted of a job's evening, whoever else does; minute is how far it had gone at the entry.
func (a *App) onTheEvening(ctx context.Context, id string, entry Entry, change func(e *Evening, minute float64) error) (Evening, error) {
	blank, err := a.blank(ctx, id)
	if err != nil {
		return Evening{}, err
	}
	minute, err := a.minuteOf(ctx, id, blank.LastedMin, entry.of(a.now()))
	if err != nil {
		return Evening{}, err
	}
	kept, err := a.store.ChangeEvening(ctx, id, func(was store.Evening) (store.Evening, error) {
		e := blank
		e.Dishes, e.Notes = slices.Clone(blank.Dishes), slices.Clone(blank.Notes)
		if was.Version > 0 {
			var err error
			if e, err = readEvening(was); err != nil {
				return was, err
			}
		}
		if err := change(&e, minute); err != nil {
			return was, err
		}
		if err := e.check(); err != nil {
			return was, err
		}
		return e.write()
	})
	if err != nil {
		return Evening{}, err
	}
	return a.read(ctx, kept)
}

// minuteOf is how many minutes of a job's evening had gone at a time, within the evening.
func (a *App) minuteOf(ctx context.Context, id string, lasts float64, when time.Time) (float64, error) {
	h, err := a.House(ctx)
	if err != nil {
		return 0, err
	}
	now, err := a.savedTray(ctx, id, 0, h)
	if err != nil {
		return 0, err
	}
	s, err := a.Settings(ctx)
	if err != nil {
		return 0, err
	}
	at, ok := now.reading.Brief.ServeTime(s.Location())
	if !ok {
		return 0, nil
	}
	return math.Round(math.Min(lasts, math.Max(0, when.Sub(at).Minutes()))), nil
}

// Learnt is what all evenings before a day have taught, "" for all of them, for an occasion and a month.
func (a *App) Learnt(ctx context.Context, before string, o learn.Options) (learn.Learnt, error) {
	version, err := a.store.EveningsVersion(ctx)
	if err != nil {
		return learn.Learnt{}, err
	}
	key := learntKey{version, before, o}
	if l, ok := a.learnt.Get(key); ok {
		return l, nil
	}
	list, err := a.Evenings(ctx)
	if err != nil {
		return learn.Learnt{}, err
	}
	var records []learn.Record
	for i := range list {
		if list[i].Done && (before == "" || list[i].Date < before) {
			records = append(records, list[i].Record())
		}
	}
	l, err := learn.Of(records, o)
	if err == nil {
		a.learnt.Add(key, l)
	}
	return l, err
}

// Evenings lists what was noted, the latest first.
func (a *App) Evenings(ctx context.Context) ([]Evening, error) {
	list, err := a.store.Evenings(ctx)
	if err != nil {
		return nil, err
	}
	out := make([]Evening, 0, len(list))
	for _, k := range list {
		e, err := readEvening(k)
		if err != nil {
			return nil, err
		}
		out = append(out, e)
	}
	return out, nil
}

// told is how far from the usual share something learnt changes an amount, and mostTold how many evenings are told of.
const (
	told     = .03
	mostTold = 2
)

// teach fills in what evenings before the brief's day have taught of its crowd. What the host has refused stays
// refused. Where the evenings cannot be read the usual shares count: it is no reason to plan nothing.
func (a *App) teach(ctx context.Context, b *brief.Brief) {
	l, err := a.Learnt(ctx, b.ServeDay(), learn.Options{Occasion: b.For(), Month: b.SeasonMonth()})
	if err != nil {
		return
	}
	refused := map[string]bool{}
	for _, x := range b.Learnt {
		refused[x.Food] = x.Refused
	}
	b.Learnt = nil
	crowd := CrowdOf(*b)
	for _, everybody := range l.Foods {
		f, _ := l.For(crowd, everybody.Food)
		if math.Abs(f.Factor-1) < told || len(b.Learnt) >= brief.MaxLearnt {
			continue
		}
		b.Learnt = append(b.Learnt, brief.Learnt{Food: f.Food, Factor: math.Min(8, math.Max(.125, f.Factor)), Because: f.Because[:min(mostTold, len(f.Because))], Refused: refused[f.Food]})
	}
}

// teachAgain teaches a job that is planned again. Where food lies on its trays already, what was reckoned with then
// holds for it: an evening that was looked back on since does not change amounts that are laid. Foods that come new are
// reckoned with what is known now.
func (a *App) teachAgain(ctx context.Context, j *job.Job) {
	was := j.Brief.Learnt
	a.teach(ctx, &j.Brief)
	on, laid := map[string]bool{}, false
	for _, t := range j.Trays {
		for _, id := range t.Foods() {
			on[id] = true
		}
		laid = laid || slices.ContainsFunc(t.Elements, func(e tray.Element) bool { return e.Placed })
	}
	if !laid {
		return
	}
	known := slices.DeleteFunc(j.Brief.Learnt, func(l brief.Learnt) bool { return on[l.Food] })
	j.Brief.Learnt = append(known, slices.DeleteFunc(slices.Clone(was), func(l brief.Learnt) bool { return !on[l.Food] })...)
}

// forget leaves of what was learnt what is on the trays.
func forget(j *job.Job) {
	on := map[string]bool{}
	for _, t := range j.Trays {
		for _, id := range t.Foods() {
			on[id] = true
		}
	}
	only := func(list []brief.Learnt) []brief.Learnt {
		return slices.DeleteFunc(slices.Clone(list), func(l brief.Learnt) bool { return !on[l.Food] })
	}
	j.Brief.Learnt = only(j.Brief.Learnt)
	for _, t := range j.Trays {
		t.Brief.Learnt = only(t.Brief.Learnt)
	}
}
