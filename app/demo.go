package app

import (
	"context"
	"encoding/json"
	"fmt"
	"slices"
	"time"

	"github.com/google/uuid"

	"happytray/app/template"
	"happytray/core/evening"
	"happytray/core/food"
	"happytray/core/graze"
	"happytray/core/learn"
	"happytray/demo"
	"happytray/store"
)

// demoFact is the name under which the demo world is loaded, once.
const demoFact = "demo"

// made is a job of the demo world, ready to be stored.
type made struct {
	head           store.Heading
	document, says string
}

// LoadDemo loads the demo world into an empty house: once and as a whole, however many
// processes begin it at a time. It reports whether it was loaded now.
func (a *App) LoadDemo(ctx context.Context) (bool, error) {
	have, err := a.store.Fact(ctx, demoFact)
	if err != nil || have != "" {
		return false, err
	}
	larder := food.BuiltIn()
	jobs, err := demo.Jobs(a.now(), larder)
	if err != nil {
		return false, err
	}
	var all []made // reckoned before anything is locked: it takes seconds
	s, err := a.Settings(ctx)
	if err != nil {
		return false, err
	}
	for _, j := range jobs {
		with := j.Larder(larder)
		head, err := headingOf(j.Job, with, s.Location(), scores(j.Job, with))
		if err != nil {
			return false, err
		}
		raw, err := j.Job.Write()
		if err != nil {
			return false, err
		}
		all = append(all, made{head, string(raw), j.Says})
	}
	lots := map[string]store.LotsOf{} // what stood in the cupboard that morning
	for id, l := range demo.Cupboard(a.now()) {
		lots[id] = store.JustThese(lotsOf(id, l))
	}
	shelf, err := demo.Shelf(larder)
	if err != nil {
		return false, err
	}
	var things []store.Entry
	for _, kind := range template.Kinds {
		for _, k := range shelf[kind] {
			raw, err := json.Marshal(k)
			if err != nil {
				return false, err
			}
			things = append(things, store.Entry{Kind: kind, ID: k.ID, Document: string(raw)})
		}
	}
	evenings, swap, played, shot, err := a.demoEvenings(ctx)
	if err != nil {
		return false, err
	}
	shotAt := a.now().UTC().Truncate(time.Second)
	if at, err := time.Parse(time.DateOnly, played.Date); err == nil {
		shotAt = at.Add(17*time.Hour + 40*time.Minute)
	}
	loaded, err := a.store.Once(ctx, demoFact, func(st *store.Store) error {
		if err := keepEvenings(ctx, st, evenings); err != nil {
			return err
		}
		past, err := st.Create(ctx, swap.head, swap.document, swap.says)
		if err != nil {
			return err
		}
		swapped := played
		swapped.ID, swapped.Job = past.ID, past.ID
		if err := keepEvenings(ctx, st, []Evening{swapped}); err != nil {
			return err
		}
		if err := st.AddPhoto(ctx, store.Photo{Evening: past.ID, ID: uuid.NewString(), Media: "image/jpeg", Data: shot, MadeAt: shotAt}, MostPhotos); err != nil {
			return err
		}
		things := slices.Clone(things) // a try that is done again begins with what was reckoned
		for n, m := range all {
			j, err := st.Create(ctx, m.head, m.document, m.says)
			if err != nil {
				return err
			}
			if n == 0 { // the first tray is a pattern for others: it is known by its job, which has its name only now
				k := demo.Pattern
				k.Laid = &template.Laid{Job: j.ID, Revision: j.Head}
				raw, err := json.Marshal(k)
				if err != nil {
					return err
				}
				things = append(things, store.Entry{Kind: template.Pattern, ID: k.ID, Document: string(raw)})
			}
		}
		_, err = st.ChangeHouse(ctx, store.Change{Lots: lots, Things: things})
		return err
	})
	if !loaded || err != nil {
		return loaded, err
	}
	_, err = a.SaveSettings(ctx, func(s *Settings) error { // what quotes say; a house that has a name keeps it
		if s.Seller == (Seller{}) {
			s.Seller = demo.Seller
		}
		return nil
	})
	return loaded, err
}

// demoEvenings are the evenings of the demo world's past year, and the past job with what came home of it and a photograph.
func (a *App) demoEvenings(ctx context.Context) (evenings []Evening, swap made, swapped Evening, shot []byte, err error) {
	larder := food.BuiltIn()
	past, err := demo.Evenings(a.now(), larder)
	if err != nil {
		return nil, swap, swapped, nil, err
	}
	for n, p := range past {
		e := evening.Evening{ID: fmt.Sprintf("demo-%02d", n+1), Title: p.Title, Crowd: p.Crowd, Date: p.Date, Occasion: p.Occasion, Guests: p.Guests, LastedMin: p.LastedMin, Done: true, Work: p.Work}
		for _, f := range p.Foods {
			e.Dishes = append(e.Dishes, evening.Dish{Food: f.Food, Form: p.Forms[f.Food], ShareG: f.ShareG, LaidG: f.LaidG, LeftG: f.LeftG, GoneAtMin: f.GoneAtMin, Reasons: f.Reasons})
		}
		at, _ := time.Parse(time.DateOnly, p.Date)
		for _, says := range p.Notes {
			e.Notes = append(e.Notes, evening.Note{At: at.Add(22 * time.Hour), Says: says})
		}
		evenings = append(evenings, Evening{Evening: e})
	}
	s, err := a.Settings(ctx)
	if err != nil {
		return nil, swap, swapped, nil, err
	}
	j, played, err := demo.Swapped(a.now(), larder)
	if err != nil {
		return nil, swap, swapped, nil, err
	}
	with := j.Larder(larder)
	if swap.head, err = headingOf(j, with, s.Location(), scores(j, with)); err != nil {
		return nil, swap, swapped, nil, err
	}
	raw, err := j.Write()
	if err != nil {
		return nil, swap, swapped, nil, err
	}
	swap.document, swap.says = string(raw), "laid the tray"
	swapped.Evening = evening.New("", j, with, a.today(s))
	swapped.Done = true
	foreseen, err := graze.Simulate(ctx, j, with, graze.Options{Evenings: foreseenEvenings, Seed: 1})
	if err != nil {
		return nil, swap, swapped, nil, err
	}
	for i := range swapped.Dishes {
		d := &swapped.Dishes[i]
		for _, p := range played {
			if p.Tray == d.Tray && p.ID == d.Element {
				d.LeftG, d.GoneAtMin = min(p.LeftG, d.LaidG), p.GoneAtMin
			}
		}
		for k := range foreseen.Elements {
			if e := &foreseen.Elements[k]; max(1, e.Tray)-1 == d.Tray && e.ID == d.Element && d.LeftG > .5*d.LaidG && len(e.Why) > 0 {
				d.Reasons = append(d.Reasons, learn.OutOfReach)
			}
		}
	}
	swapped.Foresee(foreseen)
	if at, ok := j.Brief.ServeTime(s.Location()); ok {
		for _, n := range demo.SwapNotes {
			swapped.Notes = append(swapped.Notes, evening.Note{At: at.Add(time.Duration(n.Minute) * time.Minute).UTC(), Says: n.Says})
		}
	}
	shot, err = demo.Photograph(j)
	return evenings, swap, swapped, shot, err
}

func keepEvenings(ctx context.Context, st *store.Store, list []Evening) error {
	for _, e := range list {
		if err := e.Check(); err != nil {
			return fmt.Errorf("%s of %s: %w", e.Title, e.Date, err)
		}
		if _, err := st.ChangeEvening(ctx, e.ID, func(store.Evening) (store.Evening, error) { return e.write() }); err != nil {
			return err
		}
	}
	return nil
}
