package app

import (
	"context"
	"math"
	"slices"
	"strings"
	"testing"
	"time"

	"happytray/core/prep"
)

// A day that is ticked as it was worked, half as long again for slicing as the data say, teaches that when it is looked back on;
// days and prices reckon with it until it is refused, and it goes with the evening it was learnt on.
func TestTheMinutesOfAHouse(t *testing.T) {
	ctx := context.Background()
	a, clock := product(t, 118)
	done := true
	works := func(id string) float64 { // minutes of slicing and cubing
		d, err := a.Day(ctx, id, Kitchen{Alone: true})
		if err != nil {
			t.Fatal(err)
		}
		sum := 0.0
		for _, k := range d.Tasks {
			if k.Kind == prep.Slice || k.Kind == prep.Cube {
				sum += k.Minutes
			}
		}
		return sum
	}
	begin := clock.now()
	var ids []string
	for n := range 4 {
		id := served(t, a, begin.Add(time.Duration(n+1)*24*time.Hour), "orange-block", "salami", "red-grapes", "cucumber", "carrots", "round-crackers")
		ids = append(ids, id)
	}
	next := served(t, a, begin.Add(8*24*time.Hour), "orange-block", "salami", "cucumber", "carrots", "round-crackers")
	before := works(next)
	for n, id := range ids {
		d, err := a.Day(ctx, id, Kitchen{Alone: true, ByData: true})
		if err != nil {
			t.Fatal(err)
		}
		was, err := time.Parse(time.RFC3339, d.BeginAt)
		if err != nil {
			t.Fatal(err)
		}
		clock.on(was.Sub(clock.now()))
		for _, k := range d.Tasks {
			if k.Who == "" {
				continue
			}
			took := k.Minutes
			if k.Kind == prep.Slice || k.Kind == prep.Cube {
				took *= 1.5
			}
			clock.on(time.Duration(took * float64(time.Minute)))
			if err := a.SetTick(ctx, id, k.ID, true, Entry{}); err != nil {
				t.Fatal(err)
			}
		}
		if n == 0 { // nothing is taught before it is looked back on
			if list, err := a.Pace(ctx); err != nil || len(list) != 0 {
				t.Errorf("%v %+v", err, list)
			}
		}
		e, err := a.ChangeEvening(ctx, id, nil, &done)
		if err != nil || len(e.Work) < 5 {
			t.Fatalf("%v, %d stints", err, len(e.Work))
		}
	}
	list, err := a.Pace(ctx)
	if err != nil {
		t.Fatal(err)
	}
	slices := slices.IndexFunc(list, func(p LoggedPace) bool { return p.Kind == prep.Slice })
	if slices < 0 || list[slices].Factor < 1.15 || list[slices].Factor > 1.55 || !strings.HasPrefix(list[slices].Says.String(), "Slicing takes you") {
		t.Fatalf("%+v", list)
	}
	for _, p := range list {
		if p.Kind != prep.Slice && p.Kind != prep.Cube {
			t.Errorf("%s takes what it took: %+v", p.Kind, p)
		}
	}
	if book, err := a.Logbook(ctx, Narrowed{}); err != nil || len(book.Pace) != len(list) {
		t.Errorf("the logbook says %+v, %v", book.Pace, err)
	}
	slow := works(next)
	if slow < 1.1*before {
		t.Errorf("slicing takes %g minutes, and took %g", slow, before)
	}
	if _, err := a.SaveSettings(ctx, func(s *Settings) error { s.PaceRefused = []string{prep.Slice, prep.Cube}; return nil }); err != nil {
		t.Fatal(err)
	}
	if list, err = a.Pace(ctx); err != nil || !list[slices].Refused || math.Abs(works(next)-before) > .01 {
		t.Errorf("refused: %v %+v, %g minutes of %g", err, list, works(next), before)
	}
	if _, err := a.SaveSettings(ctx, func(s *Settings) error { s.PaceRefused = []string{"dancing"}; return nil }); err == nil {
		t.Error("refused what nobody does")
	}
	if _, err := a.SaveSettings(ctx, func(s *Settings) error { s.PaceRefused = nil; return nil }); err != nil {
		t.Fatal(err)
	}
	for _, id := range ids {
		if err := a.DropEvening(ctx, id); err != nil {
			t.Fatal(err)
		}
	}
	if list, err := a.Pace(ctx); err != nil || len(list) != 0 || math.Abs(works(next)-before) > .01 {
		t.Errorf("forgotten: %v %+v", err, list)
	}
}

// Hours of the shop are kept both or none, and a day says by when things are bought.
func TestHoursOfTheShop(t *testing.T) {
	ctx := context.Background()
	a, clock := product(t, 122)
	set := func(opens, closes string) error {
		_, err := a.SaveSettings(ctx, func(s *Settings) error { s.ShopOpens, s.ShopCloses = opens, closes; return nil })
		return err
	}
	for _, bad := range [][2]string{{"08:00", ""}, {"", "20:00"}, {"20:00", "08:00"}, {"8 o'clock", "20:00"}, {"08:00", "25:00"}} {
		if err := set(bad[0], bad[1]); err == nil {
			t.Errorf("open from %q to %q", bad[0], bad[1])
		}
	}
	if err := set("09:00", "10:00"); err != nil {
		t.Fatal(err)
	}
	id := served(t, a, clock.now().Truncate(24*time.Hour).Add(48*time.Hour+8*time.Hour), "orange-block", "red-grapes", "round-crackers")
	d, err := a.Day(ctx, id, Kitchen{Alone: true})
	if err != nil || len(d.Buy) != 1 || d.Buy[0].By == "" || d.Buy[0].By >= d.BeginAt {
		t.Errorf("%v %+v, work begins at %s", err, d.Buy, d.BeginAt)
	}
	if err := set("", ""); err != nil {
		t.Fatal(err)
	}
	if d, err = a.Day(ctx, id, Kitchen{Alone: true}); err != nil || d.Buy != nil {
		t.Errorf("%v %+v", err, d.Buy)
	}
}
