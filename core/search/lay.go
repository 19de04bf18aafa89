// Package search searches for a layout: composition first, then relaxation,
// then filling, the way hands do it. A style proposes sites and the line of the
// trails from the board's own shape; anchors, bowls and rows settle on them by
// annealing; trails are routed between; what is left of the board is shared out
// among the loose foods by area and packed with their pieces; greens come last.
// Every layout is judged by package review, and the best one is kept.
package search

import (
	"context"
	"math"
	"time"

	"happytray/core/brief"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/pack"
	"happytray/core/review"
	"happytray/core/tray"
)

// Options bound and steer the search. The zero value lays with the board's own
// style, seed 0 and the default effort.
type Options struct {
	Style   string  // one of brief.Styles, or "" for the one that suits the board
	Seed    uint64  // same seed, tray and effort: same layout, on any number of cores
	Effort  int     // layouts tried; 0 means DefaultEffort, or as time allows when Seconds is set
	Seconds float64 // upper bound on the time taken; 0 means none
	Workers int     // 0 means one per core

	Only   []string // elements that are laid, the others stay as they are; nil for all that are not locked
	Afresh bool     // what is laid comes off first, so that another layout may come back than one that is no worse

	// Progress is called with each better layout and after each round, never
	// from two goroutines at once.
	Progress func(Progress)
}

// DefaultEffort is how many layouts are tried when nothing bounds the search.
const DefaultEffort = 24

// maxEffort bounds the work of one call.
const maxEffort = 100000

// Progress tells how far the search is.
type Progress struct {
	Tried    int     // layouts, so far
	Of       int     // layouts to try, 0 when only time bounds the search
	Share    float64 // 0 to 1 of the work or the time
	Score    float64 // best so far
	Better   bool    // Tray is new
	Tray     *tray.Tray
	Unplaced []Unfit
}

// Result is what a search came to.
type Result struct {
	Tray  *tray.Tray
	Score float64 // of the review, 0 to 100
	Tried int     // layouts
	Unfit []Unfit
}

// check bounds options that came from outside.
func (o Options) check() error {
	if o.Style != "" {
		if err := fault.OneOf("style", o.Style, brief.Styles...); err != nil {
			return err
		}
	}
	if o.Seconds < 0 || math.IsNaN(o.Seconds) || o.Seconds > 600 {
		return fault.Bad("seconds", "should be between 0 and 600")
	}
	if o.Effort < 0 || o.Effort > maxEffort {
		return fault.Bad("effort", "should be between 0 and %d", maxEffort)
	}
	return nil
}

// Lay lays every element that is not locked. It never returns a layout that
// the review likes less than a legal one it was given, and stops early, with the
// best so far, when ctx ends.
func Lay(ctx context.Context, t *tray.Tray, larder *food.Larder, o Options) (Result, error) {
	if t.Board == nil {
		return Result{}, fault.Bad("board", "choose a board before laying the tray")
	}
	if err := o.check(); err != nil {
		return Result{}, err
	}
	if len(o.Only) > 0 || o.Afresh {
		return layChosen(ctx, t, larder, o)
	}
	s := newComposer(t, larder, o)
	first := candidate{score: -1}
	if pack.AnyPlaced(t) {
		given := t.Clone()
		given.Rules = s.Given.Rules
		if rev := review.NewLive(given, larder).Totals(); rev.Fits() {
			first = candidate{tray: given, score: rev.Score}
		}
	}
	r := o.runner(s)
	if o.Progress != nil {
		r.tell = func(now standing) {
			p := Progress{Tried: now.tried, Share: now.share, Score: now.best.score, Better: now.better, Unplaced: s.unfit(now.best.tray)}
			if r.most != maxEffort {
				p.Of = r.most
			}
			if now.better {
				p.Tray = now.best.tray.Clone()
			}
			o.Progress(p)
		}
	}
	best, tried := r.run(ctx, first)
	return Result{Tray: best.tray, Score: best.score, Tried: tried, Unfit: s.unfit(best.tray)}, nil
}

// runner is how the options would have a method run.
func (o Options) runner(m method) runner {
	r := runner{method: m, most: o.Effort, workers: o.Workers, within: time.Duration(o.Seconds * float64(time.Second))}
	if o.Effort == 0 {
		r.patience = 160
		if r.most = DefaultEffort; o.Seconds > 0 {
			r.most = maxEffort
		}
	}
	return r
}
