package app

import (
	"context"
	"encoding/json"

	"happytray/core/board"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/store"
)

// SaveBoard keeps a board of the house's own. version is the one the caller saw, 0 for a
// new one.
func (a *App) SaveBoard(ctx context.Context, b board.Board, version int64) error {
	return a.saveOwn(ctx, store.KindBoard, b.ID, b.Name, version, b.Check, b)
}

// SaveVessel keeps a vessel of the house's own.
func (a *App) SaveVessel(ctx context.Context, v board.Vessel, version int64) error {
	return a.saveOwn(ctx, store.KindVessel, v.ID, v.Name, version, v.Check, v)
}

// saveOwn keeps a thing whole. One that is put away stays so; those that ship with the
// product are not changed, because their measures hang together.
func (a *App) saveOwn(ctx context.Context, kind, id, name string, version int64, check func() error, v any) error {
	h, err := a.fresh(ctx)
	if err != nil {
		return err
	}
	if err := food.CheckID(id); err != nil {
		return err
	}
	if h.shipped(kind, id) {
		return fault.Bad("id", "this one ships with the product; copy it and change the copy")
	}
	if name == "" {
		return fault.Bad("name", "it needs a name")
	}
	if err := check(); err != nil {
		return err
	}
	raw, err := json.Marshal(v)
	if err != nil {
		return err
	}
	t := h.thing(kind, id)
	t.Document, t.Version = string(raw), version
	_, err = a.store.ChangeHouse(ctx, store.Change{Things: []store.Entry{t}})
	return err
}
