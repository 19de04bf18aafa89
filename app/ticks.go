package app

import (
	"context"
	"encoding/json"
	"maps"
	"slices"
	"time"

	"happytray/core/fault"
)

// Tick is a task that was done, and when.
type Tick struct {
	Task string    `json:"task"`
	At   time.Time `json:"at"`
}

// mostTaskName bounds the name of a task, and mostTicks what is kept of a job's.
const (
	mostTaskName = 200
	mostTicks    = 800 // a table for two hundred has 450 tasks and 60 lines of kit
)

// mostFact is how much one fact holds in the database, bytes, less a little.
const mostFact = 64_000

func ticksFact(job string) string { return "done/" + job }

func readTicks(kept string) (map[string]time.Time, error) {
	out := map[string]time.Time{}
	if kept == "" {
		return out, nil
	}
	err := json.Unmarshal([]byte(kept), &out)
	return out, err
}

// Ticks lists what of a job's work was done, in the order of its names. Everybody who prepares sees the same.
func (a *App) Ticks(ctx context.Context, id string) ([]Tick, error) {
	if _, err := a.store.Head(ctx, id); err != nil {
		return nil, err
	}
	ticks, err := a.ticks(ctx, id)
	out := []Tick{}
	for _, task := range slices.Sorted(maps.Keys(ticks)) {
		out = append(out, Tick{task, ticks[task]})
	}
	return out, err
}

func (a *App) ticks(ctx context.Context, id string) (map[string]time.Time, error) {
	kept, err := a.store.Fact(ctx, ticksFact(id))
	if err != nil {
		return nil, err
	}
	return readTicks(kept)
}

// SetTick notes that a task was done, or that it was not after all.
func (a *App) SetTick(ctx context.Context, id, task string, done bool, entry Entry) error {
	if task == "" || len(task) > mostTaskName {
		return fault.Bad("task", "should have 1 to %d letters", mostTaskName)
	}
	if _, err := a.store.Head(ctx, id); err != nil {
		return err
	}
	return a.store.ChangeFact(ctx, ticksFact(id), func(was string) (string, error) {
		ticks, err := readTicks(was)
		if err != nil {
			return "", err
		}
		if done {
			if _, met := ticks[task]; !met {
				ticks[task] = entry.of(a.now()).UTC().Truncate(time.Second)
			}
		} else {
			delete(ticks, task)
		}
		if len(ticks) > mostTicks {
			return "", fault.Bad("task", "no day has so many tasks")
		}
		raw, err := json.Marshal(ticks)
		if len(raw) > mostFact {
			return "", fault.Bad("task", "no day has so many tasks with names so long")
		}
		return string(raw), err
	})
}

func pinsFact(job string) string { return "pins/" + job }

// pins are when tasks of a job are to begin, as somebody has moved them.
func (a *App) pins(ctx context.Context, id string) (map[string]time.Time, error) {
	kept, err := a.store.Fact(ctx, pinsFact(id))
	if err != nil {
		return nil, err
	}
	return readTicks(kept)
}

// mostPins bounds how many tasks of a job are moved by hand.
const mostPins = 100

// Pin has a task begin at a moment, or, where that is the zero time, when the plan likes it again.
func (a *App) Pin(ctx context.Context, id, task string, starts time.Time) error {
	if task == "" || len(task) > mostTaskName {
		return fault.Bad("task", "should have 1 to %d letters", mostTaskName)
	}
	if _, err := a.store.Head(ctx, id); err != nil {
		return err
	}
	return a.store.ChangeFact(ctx, pinsFact(id), func(was string) (string, error) {
		pins, err := readTicks(was)
		if err != nil {
			return "", err
		}
		if starts.IsZero() {
			delete(pins, task)
		} else {
			pins[task] = starts.UTC().Truncate(time.Second)
		}
		if len(pins) > mostPins {
			return "", fault.Bad("task", "%d tasks are held by hand already; let some go", mostPins)
		}
		raw, err := json.Marshal(pins)
		return string(raw), err
	})
}
