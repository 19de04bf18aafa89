package app

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"math"
	"slices"
	"time"

	"happytray/core/brief"
	"happytray/core/evening"
	"happytray/core/fault"
	"happytray/core/job"
	"happytray/core/learn"
	"happytray/core/prep"
	"happytray/core/safety"
	"happytray/core/say"
	"happytray/core/tray"
	"happytray/store"
)

// Evening is what was noted of one, as it is sent: with the version that it is kept in, and what is reckoned of it.
type Evening struct {
	evening.Evening
	Version int64 `json:"version"`
	// Advice is what is usually done with what came home. It is reckoned, not kept.
	Advice  []prep.Advice `json:"advice,omitempty"`
	Caution say.Text      `json:"caution,omitzero"` // how long what perishes may stand out there
	// GoneShare is learn.GoneShare, for who asks what was left. It is not kept.
	GoneShare float64 `json:"gone_share,omitempty"`
}

// MostPhotos is how many photographs an evening has at most.
const MostPhotos = 12

func readEvening(e store.Evening) (out Evening, err error) {
	if err = json.Unmarshal([]byte(e.Document), &out.Evening); err != nil {
		return out, fmt.Errorf("what was noted of an evening cannot be read: %w", err)
	}
	out.ID, out.Version, out.GoneShare = e.ID, e.Version, learn.GoneShare
	return out, nil
}

// write is an evening as it is kept.
func (e Evening) write() (store.Evening, error) {
	raw, err := json.Marshal(e.Plain())
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
	_, e.Caution = safety.HoldingTime(b)
	for _, f := range e.Record().Foods {
		if known, ok := larder.Get(f.Food); ok && f.LeftG >= 1 {
			stood := max(out[f.Food], e.LastedMin+float64(known.WarmUpMin))
			e.Advice = append(e.Advice, prep.AdviseOn(known, f.LeftG, stood, safety.MayGoBack(b, known)))
		}
	}
	return spoken(ctx, a, e), nil
}

// stoodOut is for how many minutes each food of a job had been out of the cold when its evening ended, from when it was
// ticked as got out; what nobody ticked is not in it.
func (a *App) stoodOut(ctx context.Context, id string, lasted float64) (map[string]float64, error) {
	out := map[string]float64{}
	ticks, err := a.ticks(ctx, id)
	if err != nil || len(ticks) == 0 {
		return out, err
	}
	d, _, err := a.day(ctx, id, 0, Kitchen{Alone: true})
	if err != nil {
		return out, err
	}
	served, err := time.Parse(time.RFC3339, d.ServeAt)
	if err != nil {
		return out, err
	}
	ends := served.Add(time.Duration(lasted * float64(time.Minute)))
	for food, s := range outOfTheCold(d.Tasks, ticks, ends, 0, func(string) bool { return true }) {
		out[food] = s.total.Minutes()
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
	return Evening{Evening: evening.New(id, now.reading.Job, now.larder, a.today(s)), GoneShare: learn.GoneShare}, nil
}

// SaveEvening keeps what was noted of a job's evening, on top of the version that was seen, 0 for nothing.
func (a *App) SaveEvening(ctx context.Context, id string, seen int64, in Evening) (Evening, error) {
	if _, err := a.store.Head(ctx, id); err != nil {
		return Evening{}, err
	}
	in.ID, in.Job = id, id
	if err := in.Check(); err != nil {
		return Evening{}, err
	}
	if in.Done {
		a.compare(ctx, id, &in.Evening)
		in.TakeWork(a.worked(ctx, id))
	}
	kept, err := a.store.ChangeEvening(ctx, id, func(was store.Evening) (store.Evening, error) {
		if was.Version == seen+1 {
			if now, err := readEvening(was); err == nil && now.Same(&in.Evening) {
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

// compare puts beside what came home what had been foreseen, once. Where nothing can be foreseen the record stands alone.
func (a *App) compare(ctx context.Context, id string, e *evening.Evening) {
	if e.Compared() {
		return
	}
	if f, err := a.Forecast(ctx, id); err == nil {
		e.Foresee(f)
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
	return a.onTheEvening(ctx, id, entry, func(e *evening.Evening, minute float64) error { return e.Gone(tray, element, gone, minute) })
}

// TopUp notes while an evening goes on that so many grams more of a food were laid. The same entry counts once.
func (a *App) TopUp(ctx context.Context, id string, tray int, food string, grams float64, entry Entry) (Evening, error) {
	return a.onTheEvening(ctx, id, entry, func(e *evening.Evening, minute float64) error {
		return e.TopUp(entry.Key, tray, food, grams, minute)
	})
}

// TakeBackTopUp takes what was noted as laid later back: the entry of that key, which may be gone already, or the last
// one where none is named.
func (a *App) TakeBackTopUp(ctx context.Context, id string, entry Entry) (Evening, error) {
	return a.onTheEvening(ctx, id, entry, func(e *evening.Evening, _ float64) error { return e.TakeBack(entry.Key) })
}

// AddNote notes something on the evening, with the time. The same entry counts once.
func (a *App) AddNote(ctx context.Context, id, says string, entry Entry) (Evening, error) {
	at := entry.of(a.now()).UTC().Truncate(time.Second)
	return a.onTheEvening(ctx, id, entry, func(e *evening.Evening, _ float64) error { return e.Note(entry.Key, at, says) })
}

// Came is what came home of a dish, or when it was gone, and why.
type Came = evening.Came

// ChangeEvening notes what came home of some dishes, whoever notes others meanwhile; and, where done is given, whether all
// was looked back on.
func (a *App) ChangeEvening(ctx context.Context, id string, came []Came, done *bool) (Evening, error) {
	var foreseen evening.Evening
	var work []learn.Stint
	if done != nil && *done { // looked up before anything is locked
		e, err := a.Evening(ctx, id)
		if err != nil {
			return e, err
		}
		foreseen = e.Evening
		a.compare(ctx, id, &foreseen)
		work = a.worked(ctx, id)
	}
	return a.onTheEvening(ctx, id, Entry{}, func(e *evening.Evening, _ float64) error {
		if err := e.Home(came); err != nil {
			return err
		}
		if done != nil {
			e.Done = *done
		}
		e.TakeForeseen(&foreseen)
		e.TakeWork(work)
		return nil
	})
}

// onTheEvening changes what is noted of a job's evening, whoever else does; minute is how far it had gone at the entry.
func (a *App) onTheEvening(ctx context.Context, id string, entry Entry, change func(e *evening.Evening, minute float64) error) (Evening, error) {
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
		e.Evening = blank.Clone()
		if was.Version > 0 {
			var err error
			if e, err = readEvening(was); err != nil {
				return was, err
			}
		}
		if err := change(&e.Evening, minute); err != nil {
			return was, err
		}
		if err := e.Check(); err != nil {
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
	l, err := learn.Fit(records, o)
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
	crowd := evening.CrowdOf(*b)
	for _, everybody := range l.Foods {
		f, _ := l.FactorOf(crowd, everybody.Food)
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
