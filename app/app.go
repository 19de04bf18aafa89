// Package app is what the product does, without HTTP: jobs and their revisions, the
// house's own larder and cabinet, settings, the shop, and the planning that needs them.
// It keeps nothing in memory that another process would need.
package app

import (
	"log/slog"
	"sync/atomic"
	"time"

	"happytray/core/job"
	"happytray/core/say"
	"happytray/devices/probe"
	"happytray/devices/scale"
	"happytray/store"
)

// App is the product over one studio's database; safe for use by many goroutines.
type App struct {
	store  *store.Store
	log    *slog.Logger
	now    func() time.Time
	shop   ShopPolicy
	house  houseCache
	known  job.Known
	scale  *scale.Scale // nil for none
	pan    Pan          // of a simulated one
	probe  *probe.Box   // nil for none
	judged judgedCache
	learnt learntCache
	seen   forecasts
	paces  atomic.Pointer[paced]
	spoken atomic.Pointer[say.Units] // the house's units, as they were read last
}

// Options are how an App behaves. The zero value is good.
type Options struct {
	Log  *slog.Logger     // nobody is told where nil
	Now  func() time.Time // time.Now where nil
	Shop ShopPolicy
	// Scale is the address of a bench scale, host:port; none where empty. Pan is that of a simulated one.
	Scale string
	Pan   Pan
	Probe string // address of a box of thermometers, host:port; none where empty
}

// New is the product over a store.
func New(st *store.Store, o Options) *App {
	a := &App{store: st, log: o.Log, now: o.Now, shop: o.Shop, judged: newJudgedCache(mostJudged), learnt: newLearntCache(), seen: newForecasts()}
	if o.Probe != "" {
		a.probe = probe.New(o.Probe, a.clock)
	}
	if o.Scale != "" {
		a.scale, a.pan = scale.New(o.Scale), o.Pan
	}
	if a.log == nil {
		a.log = slog.New(slog.DiscardHandler)
	}
	if a.now == nil {
		a.now = time.Now
	}
	return a
}

func (a *App) clock() time.Time { return a.now() }

// Store is where everything is kept.
func (a *App) Store() *store.Store { return a.store }
