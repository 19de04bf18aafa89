package store

import (
	"context"
	"slices"
	"testing"
	"time"
)

func TestFeedsAndTicks(t *testing.T) {
	s, ctx := open(t), context.Background()
	const at = "http://127.0.0.1:1/feed.json"
	if f, err := s.Feed(ctx, at); err != nil || f.ReadAt != nil || f.Document != "" {
		t.Errorf("%+v %v", f, err)
	}
	now := time.Now().UTC().Truncate(time.Millisecond)
	if err := s.SaveFeed(ctx, Feed{Address: at, Document: "{}", LeftOut: "two", ReadAt: &now, TriedAt: now}); err != nil {
		t.Fatal(err)
	}
	later := now.Add(time.Hour)
	if err := s.SaveFeed(ctx, Feed{Address: at, Wrong: "closed", TriedAt: later}); err != nil { // a failed try takes nothing away
		t.Fatal(err)
	}
	f, err := s.Feed(ctx, at)
	if err != nil || f.Document != "{}" || f.LeftOut != "two" || f.Wrong != "closed" || f.ReadAt == nil || !f.ReadAt.Equal(now) || !f.TriedAt.Equal(later) {
		t.Errorf("%+v %v", f, err)
	}
	for range 2 { // ticking twice is ticking once
		if err := s.Tick(ctx, "job:x", "honey", true); err != nil {
			t.Fatal(err)
		}
	}
	if err := s.Tick(ctx, "job:x", "figs", true); err != nil {
		t.Fatal(err)
	}
	if err := s.Tick(ctx, "job:x", "figs", false); err != nil {
		t.Fatal(err)
	}
	if got, err := s.Ticks(ctx, "job:x"); err != nil || !slices.Equal(got, []string{"honey"}) {
		t.Errorf("%v %v", got, err)
	}
}
