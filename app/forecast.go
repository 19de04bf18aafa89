package app

import (
	"context"

	lru "github.com/hashicorp/golang-lru/v2"

	"happytray/core/graze"
	"happytray/core/learn"
)

// learntKey is what is asked of the evenings as they are.
type learntKey struct {
	version int64
	before  string
	learn.Options
}

// learntCache holds what evenings have taught, so that a brief can be planned while it is written.
type learntCache struct {
	*lru.Cache[learntKey, learn.Learnt]
}

func newLearntCache() learntCache { return learntCache{newLRU[learntKey, learn.Learnt](64)} }

// foreseenKey is a job as it is saved, with the foods as the house has them.
type foreseenKey struct {
	job             string
	revision, house int64
}

// forecasts holds what was foreseen of saved jobs.
type forecasts struct {
	*lru.Cache[foreseenKey, graze.Forecast]
}

func newForecasts() forecasts { return forecasts{newLRU[foreseenKey, graze.Forecast](64)} }

func newLRU[K comparable, V any](most int) *lru.Cache[K, V] {
	c, err := lru.New[K, V](most)
	if err != nil {
		panic(err) // only for a size under one
	}
	return c
}

// foreseenEvenings is how many evenings a forecast on the screen is of: enough for a tenth, soon enough to wait for.
const foreseenEvenings = 400

// Forecast foresees the evening of a job as it is saved.
func (a *App) Forecast(ctx context.Context, id string) (graze.Forecast, error) {
	h, err := a.House(ctx)
	if err != nil {
		return graze.Forecast{}, err
	}
	now, err := a.savedTray(ctx, id, 0, h)
	if err != nil {
		return graze.Forecast{}, err
	}
	key := foreseenKey{id, now.revision, h.Version}
	if f, ok := a.seen.Get(key); ok {
		return f, nil
	}
	f, err := graze.Simulate(ctx, now.reading.Job, now.larder, graze.Options{Evenings: foreseenEvenings, Seed: now.tray().Seed})
	if err == nil {
		a.seen.Add(key, f)
	}
	return f, err
}
