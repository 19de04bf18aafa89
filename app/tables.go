package app

import (
	"context"
	"errors"
	"fmt"
	"io"

	"happytray/core/fault"
	"happytray/core/food"
	"happytray/formats/table"
	"happytray/store"
)

// TableOptions are how tables are written in this house.
func (a *App) TableOptions(ctx context.Context, comma rune, decimalComma bool) (table.Options, error) {
	s, err := a.Settings(ctx)
	return table.Options{BOM: true, Digits: s.Digits(), Comma: comma, DecimalComma: decimalComma}, err
}

// WriteTable writes a table of the larder as CSV.
func (a *App) WriteTable(ctx context.Context, w io.Writer, name table.Table, o table.Options) error {
	h, err := a.fresh(ctx)
	if err != nil {
		return err
	}
	return table.Write(w, name, h.Larder, h.Stock, o)
}

// ErrSeen is told where the larder was changed after a file was looked at.
var ErrSeen = errors.New("the larder was changed since this file was looked at")

// LookAtTable says what a table would change, and at which version of the house.
func (a *App) LookAtTable(ctx context.Context, raw []byte) (in *table.Import, version int64, err error) {
	in, h, err := a.readTable(ctx, raw)
	if err != nil {
		return nil, 0, err
	}
	return in, h.Version, nil
}

func (a *App) readTable(ctx context.Context, raw []byte) (*table.Import, *House, error) {
	h, err := a.fresh(ctx)
	if err != nil {
		return nil, nil, err
	}
	s, err := a.Settings(ctx)
	if err != nil {
		return nil, nil, err
	}
	in, err := table.Read(raw, h.All, h.Stock, s.Digits())
	return in, h, err
}

// TakeTable makes the change that a table says, whole or not at all, if the house is
// still as it was when the table was looked at: ErrSeen where it is not.
func (a *App) TakeTable(ctx context.Context, raw []byte, seen int64) (in *table.Import, version int64, err error) {
	in, h, err := a.readTable(ctx, raw)
	if err != nil {
		return nil, 0, err
	}
	if n := in.Count[table.Refused]; n > 0 {
		return in, h.Version, fault.Bad("", "%d lines cannot be taken; mend or remove them, then take the whole file", n)
	}
	if seen != h.Version {
		return in, h.Version, ErrSeen
	}
	ch := store.Change{Seen: h.Version, Lots: map[string]store.LotsOf{}}
	for i := range in.Foods {
		t, err := h.thingOf(&in.Foods[i])
		if err != nil {
			return in, h.Version, err
		}
		ch.Things = append(ch.Things, t)
	}
	for id, lots := range in.Stock {
		ch.Lots[id] = store.JustThese(lotsOf(id, lots))
	}
	if len(ch.Things)+len(ch.Lots) == 0 {
		return in, h.Version, nil
	}
	version, err = a.store.ChangeHouse(ctx, ch)
	if errors.Is(err, store.ErrConflict) {
		err = fmt.Errorf("%w: %w", ErrSeen, err)
	}
	return in, version, err
}

func lotsOf(id string, lots []food.Lot) []store.Lot {
	out := []store.Lot{}
	for _, l := range lots {
		out = append(out, store.Lot{Food: id, Grams: l.Grams, BestBefore: l.BestBefore})
	}
	return out
}
