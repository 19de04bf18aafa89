package search

import (
	"context"
	"slices"
	"strings"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
	"happytray/core/tray"
)

// LayAnew lays anew the loose, unlocked elements that which names, everything else staying as it is;
// from where they begin, by element, or with nil from anywhere. nil where it was stopped.
func LayAnew(ctx context.Context, t *tray.Tray, larder *food.Larder, which func(i int) bool, begin map[int]geom.Point, seed uint64) *tray.Tray {
	c := t.Clone()
	all := true
	for i := range c.Elements {
		e := &c.Elements[i]
		switch {
		case e.Locked || !e.Placed:
		case e.Kind() == food.KindLoose && which(i), e.Kind() == food.KindGarnish && begin == nil && which(i):
			e.Placed, e.Pieces, e.Path = false, nil, nil
		default:
			e.Locked = true
			all = all && e.Kind() != food.KindLoose
		}
	}
	if all { // what found no room before may find it now
		c = pack.TakeBack(c, larder)
	}
	s := newComposer(c, larder, Options{Seed: seed})
	s.Begin = begin
	got := s.layout(ctx, 0, candidate{})
	if got.tray == nil || ctx.Err() != nil {
		return nil
	}
	for i := range got.tray.Elements {
		e := &got.tray.Elements[i]
		if k := t.Find(e.ID); k >= 0 {
			e.Locked = t.Elements[k].Locked
		}
	}
	got.tray.Seed = t.Seed
	slices.SortFunc(got.tray.Reserve, func(a, b tray.Reserve) int { return strings.Compare(a.Food+a.Form, b.Food+b.Form) })
	return got.tray
}
