package app

import (
	"context"
	"encoding/json"
	"errors"
	"log/slog"
	"maps"
	"slices"
	"sync/atomic"
	"time"

	"happytray/app/template"
	"happytray/core/board"
	"happytray/core/food"
	"happytray/store"
)

// House is the larder, the boards and vessels and the cupboard as they are at one
// version. It is never changed, only replaced.
type House struct {
	Version int64
	Larder  *food.Larder   // what can be picked: priced, and with what stands in the cupboard
	All     *food.Larder   // what is put away among it
	Cabinet *board.Cabinet // without what is put away
	Stock   food.Stock     // all of it, past its day or not

	builtIn *food.Larder
	things  map[string]map[string]store.Entry // by kind and id
	foods   map[string]food.Food              // own and changed ones
	boards  []board.Board                     // the user's own
	vessels []board.Vessel
	market  food.Market // what the shop offers, where one is asked
}

// shipped is the house before anything was made one's own.
func shipped() *House {
	return &House{builtIn: food.BuiltIn(), Larder: food.BuiltIn(), All: food.BuiltIn(), Cabinet: board.BuiltInCabinet(), Stock: food.Stock{}, things: map[string]map[string]store.Entry{}, foods: map[string]food.Food{}}
}

// houseCache holds the house as it was last read.
type houseCache struct {
	last atomic.Pointer[House]
}

// fresh is the house as it is in the database now, before prices and the day.
func (a *App) fresh(ctx context.Context) (*House, error) {
	version, err := a.store.HouseVersion(ctx)
	if err != nil {
		return nil, err
	}
	last := a.house.last.Load()
	if last != nil && last.Version == version {
		return last, nil
	}
	h := shipped()
	if last != nil && last.Version < version { // only what is newer is read
		h.Version = last.Version
		for kind, by := range last.things {
			h.things[kind] = maps.Clone(by)
		}
		h.foods = maps.Clone(last.foods)
	}
	version, things, lots, err := a.store.House(ctx, h.Version)
	if err != nil {
		return nil, err
	}
	h.Version = version
	for _, t := range things {
		if h.things[t.Kind] == nil {
			h.things[t.Kind] = map[string]store.Entry{}
		}
		h.things[t.Kind][t.ID] = t
		if t.Kind != store.KindFood {
			continue
		}
		delete(h.foods, t.ID)
		f, differs, err := h.builtIn.Made(food.Own{ID: t.ID, Document: json.RawMessage(t.Document)})
		if err != nil {
			a.log.Error("a kept food cannot be read", "food", t.ID, "error", err)
		} else if differs {
			h.foods[t.ID] = f
		}
	}
	h.putTogether(a.log)
	for _, l := range lots {
		h.Stock[l.Food] = append(h.Stock[l.Food], food.Lot{Grams: l.Grams, BestBefore: l.BestBefore})
	}
	if h.market, err = a.market(ctx); err != nil {
		return nil, err
	}
	a.house.last.Store(h)
	return h, nil
}

// putTogether makes the larder and the cabinet from what the user made.
func (h *House) putTogether(log *slog.Logger) {
	foods := make([]food.Food, 0, len(h.foods))
	for _, id := range slices.Sorted(maps.Keys(h.foods)) {
		foods = append(foods, h.foods[id])
	}
	h.All = h.builtIn.With(foods)
	h.Larder = h.All.Without(h.away(store.KindFood))
	h.boards = readAll[board.Board](h.things[store.KindBoard], log, board.Board.Check)
	h.vessels = readAll[board.Vessel](h.things[store.KindVessel], log, board.Vessel.Check)
	h.Cabinet = h.Cabinet.With(h.boards, h.vessels).Without(h.away(store.KindBoard), h.away(store.KindVessel))
}

// away lists what is put away of a kind.
func (h *House) away(kind string) map[string]bool {
	out := map[string]bool{}
	for id, t := range h.things[kind] {
		if t.PutAway {
			out[id] = true
		}
	}
	return out
}

// readAll reads the boards or vessels that the user made, in order of id.
func readAll[T any](things map[string]store.Entry, log *slog.Logger, check func(T) error) []T {
	var out []T
	for _, id := range slices.Sorted(maps.Keys(things)) {
		if things[id].Document == "" {
			continue // only put away
		}
		var v T
		err := json.Unmarshal([]byte(things[id].Document), &v)
		if err == nil {
			err = check(v)
		}
		if err != nil {
			log.Error("something of the house cannot be read", "id", id, "error", err)
			continue
		}
		out = append(out, v)
	}
	return out
}

// House is the house to plan with: as fresh as the database allows, as it was last read
// while the database is away. Where it was never read that is an error: food that the
// house put away, or changed for somebody's allergy, must not come back unseen.
func (a *App) House(ctx context.Context) (*House, error) {
	h, err := a.fresh(ctx)
	if err != nil {
		last := a.house.last.Load()
		if last == nil || !errors.Is(err, store.ErrDown) {
			return nil, err
		}
		h = last
	}
	zone := time.Local
	if s, err := a.Settings(ctx); err == nil {
		zone = s.Location()
	} else if !errors.Is(err, store.ErrDown) {
		return nil, err
	}
	stocked := *h // what is past its day today is not counted
	stocked.Larder = h.Larder.Priced(h.market).Stocked(h.Stock.Good(a.now().In(zone).Format(time.DateOnly)))
	return &stocked, nil
}

// touchHouse raises the house's version, so that every process reads it again.
func (a *App) touchHouse(ctx context.Context) error {
	_, err := a.store.ChangeHouse(ctx, store.Change{})
	return err
}

// thing is what the user made of something, the zero Thing for nothing.
func (h *House) thing(kind, id string) store.Entry {
	if t, ok := h.things[kind][id]; ok {
		return t
	}
	return store.Entry{Kind: kind, ID: id}
}

// State is what the user made of a thing.
type State struct {
	Mine    string // built-in, changed or own
	PutAway bool
	Version int64
}

// State says what the user made of a food, a board or a vessel.
func (h *House) State(kind, id string) State {
	t, made := h.things[kind][id]
	s := State{"built-in", t.PutAway, t.Version}
	switch {
	case !h.shipped(kind, id):
		s.Mine = "own"
	case made && t.Document != "":
		s.Mine = "changed"
	}
	return s
}

// shipped reports whether a thing came with the product.
func (h *House) shipped(kind, id string) (ok bool) {
	switch kind {
	case store.KindFood:
		_, ok = h.builtIn.Get(id)
	case store.KindBoard:
		_, ok = board.BuiltInCabinet().Board(id)
	case store.KindVessel:
		_, ok = board.BuiltInCabinet().Vessel(id)
	}
	return ok
}

// knows reports whether there is such a thing, put away or not.
func (h *House) knows(kind, id string) (ok bool) {
	switch kind {
	case store.KindFood:
		_, ok = h.All.Get(id)
	case store.KindBoard:
		_, ok = h.Cabinet.Board(id)
	case store.KindVessel:
		_, ok = h.Vessel(id)
	default:
		_, ok = h.things[kind][id]
		ok = ok && slices.Contains(template.Kinds, kind)
	}
	return ok
}

// Vessel finds a vessel, put away or not.
func (h *House) Vessel(id string) (board.Vessel, bool) {
	for _, v := range h.vessels {
		if v.ID == id {
			return v, true
		}
	}
	return board.BuiltInCabinet().Vessel(id)
}

// Vessels lists all vessels, those that are put away among them.
func (h *House) Vessels() []board.Vessel {
	return board.BuiltInCabinet().With(nil, h.vessels).Vessels()
}

// PutAway hides a thing from shelves and choices, or takes it out again. Trays that use
// it keep it.
func (a *App) PutAway(ctx context.Context, kind, id string, away bool) error {
	h, err := a.fresh(ctx)
	if err != nil {
		return err
	}
	if !h.knows(kind, id) {
		return store.ErrNotFound
	}
	t := h.thing(kind, id)
	if t.PutAway == away {
		return nil
	}
	t.PutAway = away
	_, err = a.store.ChangeHouse(ctx, store.Change{Things: []store.Entry{t}})
	return err
}
