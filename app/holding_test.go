package app

import (
	"context"
	"fmt"
	"happytray/core/prep"
	"net"
	"strings"
	"testing"
	"time"

	"happytray/core/brief"
	"happytray/devices/probe"
	standin "happytray/standin/probe"
)

// A hot table has the shorter time, a warm fridge is told of, and thermometers that say nothing change nothing.
func TestWhatProbesChange(t *testing.T) {
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		t.Fatal(err)
	}
	defer l.Close()
	box := &standin.Box{}
	go box.Serve(l)
	a := &App{now: time.Now, probe: probe.New(l.Addr().String(), time.Now)}
	read := func() Holding {
		out := Holding{HoldMin: 120}
		a.probed(context.Background(), brief.Brief{}, &out)
		return out
	}
	if h := read(); h.HoldMin != 120 || len(h.Says) != 0 {
		t.Errorf("a mild evening: %+v", h)
	}
	box.Set("table", 35)
	box.Set("fridge", 9)
	var h Holding
	for end := time.Now().Add(5 * time.Second); time.Now().Before(end) && (h.HoldMin != 60 || len(h.Says) != 2); time.Sleep(50 * time.Millisecond) {
		h = read()
	}
	if says := fmt.Sprint(h.Says); h.HoldMin != 60 || !strings.Contains(says, "1 h in all") || !strings.Contains(says, "fridge is at") {
		t.Errorf("a hot one: %+v", h)
	}
	a.probe = probe.New("127.0.0.1:1", time.Now)
	if h := read(); h.HoldMin != 120 || len(h.Says) != 1 || !strings.Contains(h.Says[0].String(), "cannot be reached") {
		t.Errorf("no thermometers: %+v", h)
	}
}

// Only the minutes out of the cold count: those before a food was chilled and those since it was got out again. One that
// is in the fridge does not run.
func TestTheClockStandsStillInTheFridge(t *testing.T) {
	at := func(minute int) time.Time { return time.Date(2026, 11, 27, 17, minute, 0, 0, time.UTC) }
	tasks := []prep.Task{{ID: "out", Kind: prep.GetOut, Food: "brie", Form: "cut"}, {ID: "cut", Kind: prep.Slice, Food: "brie", Form: "cut"}, {ID: "in", Kind: prep.Chill, Food: "brie", Form: "cut"},
		{ID: "again", Kind: prep.GetOut, Food: "brie", Form: "cut"}, {ID: "ham", Kind: prep.GetOut, Food: "ham", Form: "fold"}, {ID: "nuts", Kind: prep.GetOut, Food: "nuts", Form: "drift"}}
	of := func(ticks map[string]time.Time, minute int) map[string]stands {
		return outOfTheCold(tasks, ticks, at(minute), 0, func(id string) bool { return id != "nuts" })
	}
	ticks := map[string]time.Time{"out": at(0), "cut": at(9), "ham": at(20), "nuts": at(1)}
	if got := of(ticks, 30); len(got) != 2 || got["brie"] != (stands{30 * time.Minute, true}) || got["ham"] != (stands{10 * time.Minute, true}) {
		t.Errorf("%v", got)
	}
	ticks["in"] = at(12)
	if got := of(ticks, 50); got["brie"] != (stands{12 * time.Minute, false}) {
		t.Errorf("chilled: %v", got["brie"])
	}
	ticks["again"] = at(45)
	if got := of(ticks, 50); got["brie"] != (stands{17 * time.Minute, true}) {
		t.Errorf("out again: %v", got["brie"])
	}
	delete(ticks, "in") // taken back: it was out all the time
	if got := of(ticks, 50); got["brie"] != (stands{50 * time.Minute, true}) {
		t.Errorf("never chilled: %v", got["brie"])
	}
}

// A board that is covered and taken out as a whole carries what lies on it along, but for what is laid at last.
func TestTheClockOfAWholeBoard(t *testing.T) {
	at := func(minute int) time.Time { return time.Date(2026, 11, 27, 17, minute, 0, 0, time.UTC) }
	tasks := []prep.Task{{ID: "out", Kind: prep.GetOut, Food: "brie", Form: "cut"}, {ID: "melon", Kind: prep.GetOut, Food: "melon", Form: "cubes"},
		{ID: "lay", Kind: prep.Lay, Food: "brie", Form: "cut", Tray: 1}, {ID: "lay-melon", Kind: prep.Lay, Food: "melon", Form: "cubes", Tray: 1, Late: true},
		{ID: "cover", Kind: prep.Chill, Tray: 1}, {ID: "take", Kind: prep.GetOut, Tray: 1}}
	of := func(ticks map[string]time.Time, minute int) map[string]stands {
		return outOfTheCold(tasks, ticks, at(minute), 0, func(string) bool { return true })
	}
	ticks := map[string]time.Time{"out": at(0), "lay": at(5), "cover": at(10), "melon": at(30)}
	got := of(ticks, 40)
	if got["brie"] != (stands{10 * time.Minute, false}) || got["melon"] != (stands{10 * time.Minute, true}) {
		t.Errorf("covered: %v", got)
	}
	ticks["take"] = at(42)
	if got := of(ticks, 50); got["brie"] != (stands{18 * time.Minute, true}) || got["melon"] != (stands{20 * time.Minute, true}) {
		t.Errorf("taken out: %v", got)
	}
}

// Of several boards each has its own clock: what was boxed for it counts from when its boxes came out until it was covered, and not
// what others did meanwhile.
func TestTheClockOfEachBoard(t *testing.T) {
	at := func(minute int) time.Time { return time.Date(2026, 11, 27, 14, minute, 0, 0, time.UTC) }
	tasks := []prep.Task{{ID: "out", Kind: prep.GetOut, Food: "brie", Form: "cut"}, {ID: "in", Kind: prep.Chill, Food: "brie", Form: "cut"}}
	for n := 1; n <= 2; n++ {
		tasks = append(tasks, prep.Task{ID: fmt.Sprint("boxes-", n), Kind: prep.GetOut, Tray: n}, prep.Task{ID: fmt.Sprint("lay-", n), Kind: prep.Lay, Food: "brie", Form: "cut", Tray: n}, prep.Task{ID: fmt.Sprint("cover-", n), Kind: prep.Chill, Tray: n})
	}
	ticks := map[string]time.Time{"out": at(0), "in": at(10), "boxes-1": at(20), "cover-1": at(35), "boxes-2": at(35), "cover-2": at(55)}
	for tray, want := range map[int]time.Duration{1: 25 * time.Minute, 2: 30 * time.Minute, 0: 30 * time.Minute} {
		if got := outOfTheCold(tasks, ticks, at(59), tray, func(string) bool { return true })["brie"]; got != (stands{want, false}) {
			t.Errorf("board %d: %v", tray, got)
		}
	}
	other := []prep.Task{{ID: "ham", Kind: prep.GetOut, Food: "ham", Form: "fold"}, {ID: "lay-ham", Kind: prep.Lay, Food: "ham", Form: "fold", Tray: 1}}
	if got := outOfTheCold(other, map[string]time.Time{"ham": at(0)}, at(7), 2, func(string) bool { return true }); len(got) != 0 {
		t.Errorf("what lies on another board: %v", got)
	}
	if got := outOfTheCold(tasks, map[string]time.Time{"out": at(0)}, at(7), 2, func(string) bool { return true })["brie"]; got != (stands{7 * time.Minute, true}) {
		t.Errorf("before it is laid: %v", got)
	}
}

// As long as nobody ticks, by when what perishes goes is what the day's plan says, and not the hours from serving.
func TestHoldingBeforeAnybodyTicks(t *testing.T) {
	ctx := context.Background()
	a, clock := product(t, 121)
	id := served(t, a, clock.now().Add(5*time.Hour), "soft-white-round", "orange-block", "red-grapes", "round-crackers")
	d, err := a.Day(ctx, id, Kitchen{Alone: true})
	if err != nil {
		t.Fatal(err)
	}
	h, err := a.Holding(ctx, id)
	if err != nil || h.ClearAt != "" || h.Planned != d.ClearAt || h.Trays[0].Planned != d.Trays[0].ClearAt {
		t.Errorf("%v %+v, the day says %s", err, h, d.ClearAt)
	}
	if serve, err := time.Parse(time.RFC3339, d.ServeAt); err != nil || !strings.HasPrefix(h.Planned, "20") || h.Planned >= serve.Add(2*time.Hour).Format(time.RFC3339) {
		t.Errorf("planned %s, served %s: the warming up counts", h.Planned, d.ServeAt)
	}
}
