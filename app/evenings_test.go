package app

import (
	"context"
	"errors"
	"slices"
	"strings"
	"testing"
	"time"

	"happytray/core/evening"
	"happytray/core/fault"
	"happytray/core/prep"
	"happytray/core/say"
	"happytray/store"
)

// An evening goes from what is gone to what came home: minutes are of the entry, a top-up counts once and is taken back,
// what contradicts itself is refused, and what it taught goes with it.
func TestAnEvening(t *testing.T) {
	ctx := context.Background()
	a, clock := product(t, 103)
	id := served(t, a, clock.now().Add(-30*time.Minute), "orange-block", "almonds", "red-grapes", "round-crackers")
	e, err := a.Evening(ctx, id)
	if err != nil || e.Version != 0 || len(e.Dishes) < 4 || e.Date != clock.now().Format(time.DateOnly) {
		t.Fatalf("%v %+v", err, e)
	}
	of := func(e Evening, food string) (laid, left float64, gone *float64) {
		for _, d := range e.Dishes {
			if d.Food == food {
				laid, left, gone = laid+d.LaidG, left+d.LeftG, d.GoneAtMin
			}
		}
		return laid, left, gone
	}
	nuts := slices.IndexFunc(e.Dishes, func(d evening.Dish) bool { return d.Food == "almonds" })
	was, _, _ := of(e, "almonds")
	if e, err = a.NoteGone(ctx, id, 0, e.Dishes[nuts].Element, true, Entry{Ago: 12 * time.Minute}); err != nil {
		t.Fatal(err)
	}
	if d := e.Dishes[nuts]; d.GoneAtMin == nil || *d.GoneAtMin != 18 {
		t.Errorf("gone 12 minutes ago, 18 after serving: %v", d.GoneAtMin)
	}
	for range 2 {
		if e, err = a.TopUp(ctx, id, 0, "almonds", 50, Entry{Key: "one"}); err != nil {
			t.Fatal(err)
		}
	}
	if laid, _, _ := of(e, "almonds"); laid < was+49.9 || laid > was+50.1 || len(e.Topped) != 1 || e.Dishes[nuts].GoneAtMin != nil {
		t.Errorf("topped up: %v g of %v, %+v", laid, was, e.Topped)
	}
	if e, err = a.TakeBackTopUp(ctx, id, Entry{Key: "another"}); err != nil || len(e.Topped) != 1 {
		t.Errorf("taken back what was not: %v %+v", err, e.Topped)
	}
	if e, err = a.TakeBackTopUp(ctx, id, Entry{}); err != nil || len(e.Topped) != 0 || e.Dishes[nuts].GoneAtMin == nil {
		t.Errorf("taken back: %v %+v", err, e)
	}
	var bad *fault.Error
	for name, err := range map[string]error{
		"nothing of it": func() error { _, err := a.TopUp(ctx, id, 0, "honey", 5, Entry{}); return err }(),
		"no grams":      func() error { _, err := a.TopUp(ctx, id, 0, "almonds", 0, Entry{}); return err }(),
		"no such thing": func() error { _, err := a.NoteGone(ctx, id, 0, "nobody", true, Entry{}); return err }(),
		"no words":      func() error { _, err := a.AddNote(ctx, id, "  ", Entry{}); return err }(),
		"more than was laid": func() error {
			_, err := a.ChangeEvening(ctx, id, []Came{{Element: e.Dishes[nuts].Element, Food: "almonds", LeftG: 9000, Reasons: []string{}}}, nil)
			return err
		}(),
		"no reason": func() error {
			_, err := a.ChangeEvening(ctx, id, []Came{{Element: e.Dishes[nuts].Element, Food: "almonds", Reasons: []string{"the moon"}}}, nil)
			return err
		}(),
	} {
		if !errors.As(err, &bad) || len(bad.Says) < 12 {
			t.Errorf("%s: %v", name, err)
		}
	}
	// looked back on: half of the almonds came home and go into the cupboard, once
	done := true
	if e, err = a.ChangeEvening(ctx, id, []Came{{Element: e.Dishes[nuts].Element, Food: "almonds", LeftG: e.Dishes[nuts].LaidG / 2, Reasons: []string{"too much"}}}, &done); err != nil {
		t.Fatal(err)
	}
	if !e.Done || e.Dishes[nuts].Foreseen == nil {
		t.Errorf("done %v, foreseen %v", e.Done, e.Dishes[nuts].Foreseen)
	}
	if !slices.ContainsFunc(e.Advice, func(x prep.Advice) bool { return x.Food == "almonds" && x.Days > 0 }) {
		t.Errorf("%+v", e.Advice)
	}
	for range 2 {
		if e, err = a.KeepRemains(ctx, id, "almonds"); err != nil {
			t.Fatal(err)
		}
	}
	h, err := a.House(ctx)
	if err != nil {
		t.Fatal(err)
	}
	grams := 0.0
	for _, l := range h.Stock["almonds"] {
		grams += l.Grams
	}
	if _, left, _ := of(e, "almonds"); grams < left-1 || grams > left+1 {
		t.Errorf("%v g came home, %v are in the cupboard", left, grams)
	}
	if _, err := a.KeepRemains(ctx, id, "red-grapes"); err == nil {
		t.Error("what is all gone went into the cupboard")
	}
	// the whole of it saved from an older version is refused, and the same save come again is not
	seen := e.Version
	e.Notes = append(e.Notes, evening.Note{At: clock.now(), Says: "Cold."})
	e.Advice, e.Caution = nil, say.Text{}
	one, err := a.SaveEvening(ctx, id, seen, e)
	if err != nil {
		t.Fatal(err)
	}
	if two, err := a.SaveEvening(ctx, id, seen, e); err != nil || two.Version != one.Version {
		t.Errorf("the same again: %v, version %d and %d", err, one.Version, two.Version)
	}
	e.Notes[0].Says = "Warm."
	if _, err := a.SaveEvening(ctx, id, seen, e); !errors.Is(err, store.ErrConflict) {
		t.Errorf("something else on top of an older version: %v", err)
	}
	table, err := a.LogbookTable(ctx)
	if err != nil || !strings.Contains(string(table), "almonds") {
		t.Errorf("%v %.200s", err, table)
	}
	if err := a.DropEvening(ctx, id); err != nil {
		t.Fatal(err)
	}
	if err := a.DropEvening(ctx, id); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("dropped twice: %v", err)
	}
}
