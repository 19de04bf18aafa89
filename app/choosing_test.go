package app

import (
	"context"
	"slices"
	"testing"
	"time"

	"happytray/core/geom"
	"happytray/core/tray"
	"happytray/store"
)

// What a host had last is of that host's last job alone, and of jobs before the day that is planned.
func TestServedBefore(t *testing.T) {
	ctx := context.Background()
	a, clock := product(t, 119)
	day := clock.now().Add(9 * 24 * time.Hour)
	older := served(t, a, day.Add(-96*time.Hour), "soft-white-round", "honey", "round-crackers")
	mine := served(t, a, day.Add(-72*time.Hour), "wide-sausage", "gherkins", "round-crackers")
	served(t, a, day.Add(-48*time.Hour), "orange-block", "dates", "round-crackers")
	served(t, a, day.Add(48*time.Hour), "blue-wedge", "figs", "round-crackers")
	ids := []string{older, mine}
	got, err := a.servedBefore(ctx, day, store.Query{Most: 9}, func(j store.Job) bool { return slices.Contains(ids, j.ID) }, 1)
	if err != nil {
		t.Fatal(err)
	}
	for id, want := range map[string]bool{"wide-sausage": true, "gherkins": true, "soft-white-round": false, "orange-block": false, "blue-wedge": false} {
		if slices.Contains(got, id) != want {
			t.Errorf("%s: had last %v", id, got)
		}
	}
	every, err := a.servedBefore(ctx, day, store.Query{Most: 9}, func(store.Job) bool { return true }, 9)
	if err != nil || !slices.Contains(every, "soft-white-round") || !slices.Contains(every, "orange-block") || slices.Contains(every, "blue-wedge") {
		t.Errorf("all before that day had %v, %v", every, err)
	}
}

// At most so many foods are found, best first.
func TestFindKeepsItsNumber(t *testing.T) {
	a, _ := product(t, 120)
	h, err := a.House(context.Background())
	if err != nil {
		t.Fatal(err)
	}
	if got := h.Find("cheese", 3); len(got) != 3 {
		t.Errorf("%d foods of three", len(got))
	}
	if got := h.Find("brie", 5); len(got) == 0 || got[0].Food.ID != "soft-white-round" {
		t.Errorf("brie is %+v", got)
	}
}

// Pieces that lie elsewhere or are turned are told, others not; nothing of an element whose pieces are others than before.
func TestShiftsAreWhatMoved(t *testing.T) {
	piece := func(x, turn float64) tray.Piece { return tray.Piece{At: geom.Pt(x, 0), TurnDeg: turn} }
	was := &tray.Tray{Elements: []tray.Element{{ID: "a", Pieces: []tray.Piece{piece(1, 0), piece(2, 0), piece(3, 0)}}, {ID: "b", Pieces: []tray.Piece{piece(1, 0)}}, {ID: "c", Pieces: []tray.Piece{piece(1, 0)}}}}
	got := shifts(was, map[int]tray.Element{0: {Pieces: []tray.Piece{piece(1, 0), piece(2, 30), piece(9, 0)}}, 1: {Pieces: []tray.Piece{piece(5, 0), piece(6, 0)}}})
	if len(got) != 2 || got[0].Piece != 1 || got[0].TurnDeg != 30 || got[1].Piece != 2 || got[1].At.X != 9 {
		t.Errorf("%+v", got)
	}
}
