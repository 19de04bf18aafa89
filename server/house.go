package server

import (
	"context"
	"encoding/json"
	"log/slog"
	"maps"
	"slices"
	"sync/atomic"

	"happytray/core/board"
	"happytray/core/food"
	"happytray/store"
)

// house is the larder, the boards and vessels and the cupboard as they are at one
// version. It is never changed, only replaced.
type house struct {
	version int64
	builtIn *food.Larder
	larder  *food.Larder
	all     *food.Larder // what is put away among it
	cabinet *board.Cabinet
	stock   food.Stock
	things  map[string]map[string]store.Thing // by kind and id
	foods   map[string]food.Food              // own and changed ones
	boards  []board.Board                     // the user's own
	vessels []board.Vessel
	market  food.Market // what the shop offers, where one is asked
}

// shipped is the house before anything was made one's own.
func shipped() *house {
	return &house{builtIn: food.BuiltIn(), larder: food.BuiltIn(), all: food.BuiltIn(), cabinet: board.BuiltInCabinet(), stock: food.Stock{}, things: map[string]map[string]store.Thing{}, foods: map[string]food.Food{}}
}

// keeper reads the house again whenever its version in the database has moved on.
// What it holds is only a cache.
type keeper struct {
	last atomic.Pointer[house]
}

// fresh is the house as it is in the database now.
func (s *Server) fresh(ctx context.Context) (*house, error) {
	version, err := s.store.HouseVersion(ctx)
	if err != nil {
		return nil, err
	}
	if h := s.keeper.last.Load(); h != nil && h.version == version {
		return h, nil
	}
	h := shipped()
	if last := s.keeper.last.Load(); last != nil && last.version < version { // only what is newer is read
		h.version = last.version
		for kind, by := range last.things {
			h.things[kind] = maps.Clone(by)
		}
		h.foods = maps.Clone(last.foods)
	}
	version, things, lots, err := s.store.House(ctx, h.version)
	if err != nil {
		return nil, err
	}
	h.version = version
	for _, t := range things {
		if h.things[t.Kind] == nil {
			h.things[t.Kind] = map[string]store.Thing{}
		}
		h.things[t.Kind][t.ID] = t
		if t.Kind != store.KindFood {
			continue
		}
		delete(h.foods, t.ID)
		f, differs, err := h.builtIn.Made(food.Own{ID: t.ID, Document: json.RawMessage(t.Document)})
		if err != nil {
			s.log.Error("a kept food cannot be read", "error", err)
		} else if differs {
			h.foods[t.ID] = f
		}
	}
	h.settle(s.log)
	for _, l := range lots {
		h.stock[l.Food] = append(h.stock[l.Food], food.Lot{Grams: l.Grams, BestBefore: l.BestBefore})
	}
	if h.market, err = s.market(ctx); err != nil {
		return nil, err
	}
	s.keeper.last.Store(h)
	return h, nil
}

// settle puts the larder and the cabinet together from what the user made.
func (h *house) settle(log *slog.Logger) {
	foods := make([]food.Food, 0, len(h.foods))
	for _, id := range slices.Sorted(maps.Keys(h.foods)) {
		foods = append(foods, h.foods[id])
	}
	h.all = h.builtIn.With(foods)
	h.larder = h.all.Without(h.away(store.KindFood))
	h.boards = kept[board.Board](h.things[store.KindBoard], log, board.Board.Check)
	h.vessels = kept[board.Vessel](h.things[store.KindVessel], log, board.Vessel.Check)
	h.cabinet = h.cabinet.With(h.boards, h.vessels).Without(h.away(store.KindBoard), h.away(store.KindVessel))
}

// away lists what is put away of a kind.
func (h *house) away(kind string) map[string]bool {
	out := map[string]bool{}
	for id, t := range h.things[kind] {
		if t.PutAway {
			out[id] = true
		}
	}
	return out
}

// kept reads the boards or vessels that were kept, in order of id.
func kept[T any](things map[string]store.Thing, log *slog.Logger, check func(T) error) []T {
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
			log.Error("something kept cannot be read", "id", id, "error", err)
			continue
		}
		out = append(out, v)
	}
	return out
}

// house is the house to work with: as fresh as the database allows, as it was
// last read while the database is away.
func (s *Server) house(ctx context.Context) *house {
	h, err := s.fresh(ctx)
	if err != nil {
		if h = s.keeper.last.Load(); h == nil {
			return shipped()
		}
	}
	stocked := *h // what is past its day today is not counted
	stocked.larder = h.larder.Priced(h.market).Stocked(h.stock.Good(today()))
	return &stocked
}

// thing is what the user made of something, the zero Thing for nothing.
func (h *house) thing(kind, id string) store.Thing {
	if t, ok := h.things[kind][id]; ok {
		return t
	}
	return store.Thing{Kind: kind, ID: id}
}
