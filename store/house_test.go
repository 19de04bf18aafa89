package store

import (
	"context"
	"errors"
	"fmt"
	"sync"
	"testing"
)

func TestHouseIsKeptWholeOrNotAtAll(t *testing.T) {
	s, ctx := open(t), context.Background()
	v0, err := s.HouseVersion(ctx)
	if err != nil {
		t.Fatal(err)
	}
	v1, err := s.ChangeHouse(ctx, Change{Things: []Entry{{Kind: KindFood, ID: "whole-1", Document: `{"a":1}`}, {Kind: KindBoard, ID: "whole-1", Document: `{"b":1}`}},
		Lots: map[string]LotsOf{"whole-1": JustThese([]Lot{{Grams: 50}, {Grams: 20, BestBefore: "2027-01-01"}})}})
	if err != nil || v1 <= v0 {
		t.Fatalf("%d after %d, %v", v1, v0, err)
	}
	// one of two things has moved on: neither is kept, nor the lots
	_, err = s.ChangeHouse(ctx, Change{Things: []Entry{{Kind: KindFood, ID: "whole-2", Document: `{}`}, {Kind: KindFood, ID: "whole-1", Document: `{"a":2}`, Version: v1 - 1}},
		Lots: map[string]LotsOf{"whole-1": JustThese(nil)}})
	if !errors.Is(err, ErrConflict) {
		t.Errorf("an old version: %v", err)
	}
	if _, err := s.ChangeHouse(ctx, Change{Seen: v0, Things: []Entry{{Kind: KindFood, ID: "whole-3"}}}); !errors.Is(err, ErrConflict) {
		t.Errorf("an old house: %v", err)
	}
	version, things, lots, err := s.House(ctx, 0)
	if err != nil || version != v1 {
		t.Fatalf("version %d, want %d, %v", version, v1, err)
	}
	mine := map[string]string{}
	for _, th := range things {
		mine[th.Kind+" "+th.ID] = th.Document
	}
	if mine["food whole-1"] != `{"a":1}` || mine["board whole-1"] != `{"b":1}` || mine["food whole-2"] != "" {
		t.Errorf("%v", mine)
	}
	grams := 0.0
	for _, l := range lots {
		if l.Food == "whole-1" {
			grams += l.Grams
		}
	}
	if grams != 70 {
		t.Errorf("%v g in the cupboard, want 70", grams)
	}
	if _, err := s.ChangeHouse(ctx, Change{Things: []Entry{{Kind: KindFood, ID: "whole-1", PutAway: true, Version: v1}}, Lots: map[string]LotsOf{"whole-1": JustThese([]Lot{{Grams: 5}})}}); err != nil {
		t.Fatal(err)
	}
	_, things, lots, _ = s.House(ctx, v1)
	if len(things) != 1 || !things[0].PutAway || things[0].Document != "" {
		t.Errorf("since version %d: %+v", v1, things)
	}
	for _, l := range lots {
		if l.Food == "whole-1" && l.Grams != 5 {
			t.Errorf("%+v", l)
		}
	}
}

// Many windows change different things at once: every change is kept, and each
// has a version of its own.
func TestHouseIsChangedFromManySides(t *testing.T) {
	s, ctx := open(t), context.Background()
	var wg sync.WaitGroup
	var mu sync.Mutex
	seen := map[int64]bool{}
	for i := range 12 {
		wg.Go(func() {
			v, err := s.ChangeHouse(ctx, Change{Things: []Entry{{Kind: KindVessel, ID: fmt.Sprintf("side-%d", i), Document: "{}"}}})
			mu.Lock()
			defer mu.Unlock()
			if err != nil || seen[v] {
				t.Errorf("%d: version %d twice or %v", i, v, err)
			}
			seen[v] = true
		})
	}
	wg.Wait()
	_, things, _, err := s.House(ctx, 0)
	n := 0
	for _, th := range things {
		if th.Kind == KindVessel && len(th.ID) > 5 && th.ID[:5] == "side-" {
			n++
		}
	}
	if err != nil || n != 12 {
		t.Errorf("%d of 12 kept, %v", n, err)
	}
}

func TestPictures(t *testing.T) {
	s, ctx := open(t), context.Background()
	if _, err := s.Picture(ctx, "none"); !errors.Is(err, ErrNotFound) {
		t.Errorf("%v", err)
	}
	for _, data := range []string{"one", "two"} {
		if _, err := s.ChangeHouse(ctx, Change{Picture: &Picture{Food: "figs", Media: "image/jpeg", Data: []byte(data)}}); err != nil {
			t.Fatal(err)
		}
		if p, err := s.Picture(ctx, "figs"); err != nil || string(p.Data) != data {
			t.Errorf("%q %v", p.Data, err)
		}
	}
	if _, err := s.ChangeHouse(ctx, Change{Picture: &Picture{Food: "figs"}}); err != nil {
		t.Fatal(err)
	}
	if has, err := s.HasPicture(ctx, "figs"); has || err != nil {
		t.Errorf("%v %v", has, err)
	}
}

// Lots are reckoned from what stands there when they are written: whoever puts something in at the same time, nothing
// is lost, and a change that does not suit what stands there changes nothing.
func TestLotsAreReckonedFromWhatStandsThere(t *testing.T) {
	s, ctx := open(t), context.Background()
	put := func(grams float64) LotsOf {
		return func(was []Lot) ([]Lot, error) {
			if len(was) == 0 {
				return []Lot{{Grams: grams, BestBefore: "2026-12-01"}}, nil
			}
			was[0].Grams += grams
			return was, nil
		}
	}
	var all sync.WaitGroup
	for range 12 {
		all.Go(func() {
			if _, err := s.ChangeHouse(ctx, Change{Lots: map[string]LotsOf{"samphire": put(5), "rusks": put(1)}}); err != nil {
				t.Error(err)
			}
		})
	}
	all.Wait()
	of := func(food string) (grams float64) {
		_, _, lots, err := s.House(ctx, 0)
		if err != nil {
			t.Fatal(err)
		}
		for _, l := range lots {
			if l.Food == food {
				grams += l.Grams
			}
		}
		return grams
	}
	if a, b := of("samphire"), of("rusks"); a != 60 || b != 12 {
		t.Errorf("%v and %v g, want 60 and 12", a, b)
	}
	_, err := s.ChangeHouse(ctx, Change{Lots: map[string]LotsOf{"rusks": put(1), "samphire": func([]Lot) ([]Lot, error) { return nil, ErrConflict }}})
	if !errors.Is(err, ErrConflict) || of("rusks") != 12 {
		t.Errorf("%v, rusks %v g", err, of("rusks"))
	}
}
