package app

import (
	"context"
	"encoding/json"
	"slices"

	"happytray/core/food"
	"happytray/core/kept"
	"happytray/demo"
	"happytray/store"
)

// demoFact is the name under which the demo world is loaded, once.
const demoFact = "demo"

// LoadDemo loads the demo world into an empty house: once and as a whole, however many
// processes begin it at a time. It reports whether it was loaded now.
func (a *App) LoadDemo(ctx context.Context) (bool, error) {
	have, err := a.store.Fact(ctx, demoFact)
	if err != nil || have != "" {
		return false, err
	}
	larder := food.BuiltIn()
	jobs, err := demo.Jobs(ctx, a.now(), larder)
	if err != nil {
		return false, err
	}
	type made struct {
		head           store.Heading
		document, says string
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
	lots := map[string][]store.Lot{} // what stood in the cupboard that morning
	for id, l := range demo.Cupboard(a.now()) {
		lots[id] = lotsOf(id, l)
	}
	shelf, err := demo.Shelf(larder)
	if err != nil {
		return false, err
	}
	var things []store.Thing
	for _, kind := range kept.Kinds {
		for _, k := range shelf[kind] {
			raw, err := json.Marshal(k)
			if err != nil {
				return false, err
			}
			things = append(things, store.Thing{Kind: kind, ID: k.ID, Document: string(raw)})
		}
	}
	return a.store.Once(ctx, demoFact, func(st *store.Store) error {
		things := slices.Clone(things) // a try that is done again begins with what was reckoned
		for n, m := range all {
			j, err := st.Create(ctx, m.head, m.document, m.says)
			if err != nil {
				return err
			}
			if n == 0 { // the first tray is a pattern for others: it is known by its job, which has its name only now
				k := demo.Pattern
				k.Laid = &kept.Laid{Job: j.ID, Revision: j.Head}
				raw, err := json.Marshal(k)
				if err != nil {
					return err
				}
				things = append(things, store.Thing{Kind: kept.Pattern, ID: k.ID, Document: string(raw)})
			}
		}
		_, err := st.ChangeHouse(ctx, store.Change{Lots: lots, Things: things})
		return err
	})
}
