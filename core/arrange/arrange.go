// Package arrange searches for a layout: composition first, then relaxation,
// then filling, the way hands do it. A style proposes sites and the line of the
// trails from the board's own shape; anchors, bowls and rows settle on them by
// annealing; trails are routed between; what is left of the board is shared out
// among the loose foods by area and packed with their pieces; greens come last.
// Every layout is judged by package review, and the best one is kept.
package arrange

import (
	"context"
	"fmt"
	"math"
	"runtime"
	"sync"
	"time"

	"happytray/core/adjacency"
	"happytray/core/brief"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/review"
	"happytray/core/round"
	"happytray/core/tray"
	"happytray/core/workers"
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

// round is how many layouts are tried side by side from one best: a constant,
// so that the outcome does not depend on the number of cores.
const sideBySide = 4

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

// Unfit is one food that the board could not take, wholly or in part.
type Unfit struct {
	Food    string  `json:"food"`
	Pieces  int     `json:"pieces"`   // that find no room
	AreaCM2 float64 `json:"area_cm2"` // room it would take
	Says    string  `json:"says"`
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
	effort := o.Effort
	if effort == 0 {
		effort = DefaultEffort
		if o.Seconds > 0 {
			effort = maxEffort
		}
	}
	start := time.Now()
	if o.Seconds > 0 {
		var stop context.CancelFunc
		ctx, stop = context.WithDeadline(ctx, start.Add(time.Duration(o.Seconds*float64(time.Second))))
		defer stop()
	}
	s := newSearch(t, larder, o)
	best := candidate{score: -1}
	if anyPlaced(t) {
		given := t.Clone()
		given.Rules = s.tray.Rules
		if rev := review.NewLive(given, larder).Totals(); rev.Fits() {
			best = candidate{tray: given, score: rev.Score}
		}
	}
	tried := 0
	share := func() float64 {
		f := float64(tried) / float64(effort)
		if o.Seconds > 0 {
			f = math.Max(f, time.Since(start).Seconds()/o.Seconds)
		}
		return math.Min(1, f)
	}
	report := func(better bool) {
		if o.Progress == nil {
			return
		}
		p := Progress{Tried: tried, Share: share(), Score: best.score, Better: better, Unplaced: s.unfit(best.tray)}
		if effort != maxEffort {
			p.Of = effort
		}
		if better {
			p.Tray = best.tray.Clone()
		}
		o.Progress(p)
	}
	stale := 0
	for tried < effort {
		n := min(sideBySide, effort-tried)
		if tried == 0 { // something to look at first
			n = 1
		}
		got := s.round(ctx, tried, n, best)
		better := false
		for _, c := range got {
			if c.tray != nil && c.score > best.score {
				best, better = c, true
			}
		}
		tried += n
		if better {
			stale = 0
		} else {
			stale += n
		}
		report(better)
		if ctx.Err() != nil {
			break
		}
		if o.Effort == 0 && stale >= 160 {
			break // nothing better has come for long
		}
	}
	return Result{Tray: best.tray, Score: best.score, Tried: tried, Unfit: s.unfit(best.tray)}, nil
}

func anyPlaced(t *tray.Tray) bool {
	for i := range t.Elements {
		if t.Elements[i].Placed {
			return true
		}
	}
	return false
}

type candidate struct {
	tray  *tray.Tray
	plan  plan // what polishing starts from
	score float64
}

// search is what all layouts of one call share; it is not changed by them.
type search struct {
	tray    *tray.Tray
	larder  *food.Larder
	opts    Options
	zone    zone
	full    map[string]int // pieces per element before anything was held back
	workers int
	forms   sync.Map
	tastes  [][]float32        // of each pair of elements: how well their foods go together, -1 to 1
	meats   []bool             // elements that are kept apart for some guests
	mains   []bool             // elements that those guests eat, lying open
	begin   map[int]geom.Point // where loose elements begin; nil for anywhere
}

// goes is how well the foods of two elements go together, -1 to 1.
func (s *search) goes(a, b int) float32 { return s.tastes[a][b] }

// apart reports whether two elements are to be kept apart for some guests.
func (s *search) apart(a, b int) bool { return s.meats[a] && s.mains[b] || s.meats[b] && s.mains[a] }

// know looks up what the elements are to each other.
func (s *search) know() {
	n := len(s.tray.Elements)
	foods := make([]*food.Food, 0, n)
	at, index := map[string]int{}, make([]int, n)
	for i := range s.tray.Elements {
		id := s.tray.Elements[i].Food
		k, ok := at[id]
		if !ok {
			k = len(foods)
			at[id] = k
			f, _ := s.larder.Get(id)
			foods = append(foods, f)
		}
		index[i] = k
	}
	palate := food.NewPalate(foods)
	words := s.tray.Brief.KeptApart()
	s.tastes, s.meats, s.mains = make([][]float32, n), make([]bool, n), make([]bool, n)
	for i := range s.tray.Elements {
		row := palate.Affinities(index[i])
		s.tastes[i] = make([]float32, n)
		for j := range n {
			s.tastes[i][j] = row[index[j]]
		}
		side := adjacency.ApartOf(foods[index[i]], words, s.tray.Elements[i].Vessel == "")
		s.meats[i], s.mains[i] = side == adjacency.KeptOff, side == adjacency.ForAll
	}
}

func newSearch(t *tray.Tray, larder *food.Larder, o Options) *search {
	s := &search{tray: takeBack(t, larder), larder: larder, opts: o, workers: o.Workers, full: map[string]int{}}
	if s.workers <= 0 {
		s.workers = runtime.GOMAXPROCS(0)
	}
	if o.Style != "" { // the tray is judged as what it is laid as
		s.tray.Rules.Style = o.Style
	}
	s.zone = newZone(t.Board)
	for _, e := range s.tray.Elements {
		s.full[e.ID] = e.Count
	}
	s.know()
	return s
}

// round tries n layouts, numbers first to first+n-1, in parallel.
func (s *search) round(ctx context.Context, first, n int, best candidate) []candidate {
	out := make([]candidate, n)
	workers.Do(n, s.workers, func(k int) { out[k] = s.try(ctx, first+k, best) })
	return out
}

// try makes one layout: a fresh one for the first few, later ones by changing
// the best so far.
func (s *search) try(ctx context.Context, number int, best candidate) candidate {
	r := food.Rand(s.opts.Seed*1_000_003 + uint64(number)*7919 + 17)
	var p plan
	if number < 9 || best.plan.bodies == nil || number%6 == 5 {
		p = s.compose(ctx, r, number)
	} else {
		p = s.vary(ctx, best.plan, r)
	}
	t, score := s.build(ctx, &p, r)
	if ctx.Err() != nil && best.tray != nil {
		return candidate{score: -1} // half a layout is of use only where there is none
	}
	return candidate{tray: t, plan: p, score: score}
}

// noRoom marks reserve that the arranger itself made; a later search may lay it again.
const noRoom = "no room on this board; top up from this"

// takeBack returns a copy of t in which food that an earlier search held back
// belongs to its elements again.
func takeBack(t *tray.Tray, larder *food.Larder) *tray.Tray {
	c := t.Clone()
	var keep []tray.Reserve
	for _, r := range c.Reserve {
		given := false
		if r.Why == noRoom && r.Count > 0 {
			for i := range c.Elements {
				e := &c.Elements[i]
				if e.Food == r.Food && e.Form == r.Form && !e.Locked {
					e.Count += r.Count
					e.Grams = round.Tenth(e.Grams + r.Grams)
					given = true
					break
				}
			}
		}
		if !given {
			keep = append(keep, r)
		}
	}
	c.Reserve = keep
	return c
}

// keptOff says what an element that does not lie on a tray would wet or be softened by there.
func (s *search) keptOff(t *tray.Tray, i int) string {
	for j := range t.Elements {
		switch {
		case j == i || !t.Elements[j].Placed || t.Elements[i].Placed:
		case s.softens(i, j):
			return "it would soften"
		case s.softens(j, i):
			return "would soften it"
		}
	}
	return ""
}

// unfit lists what t leaves out of what was asked, by food.
func (s *search) unfit(t *tray.Tray) []Unfit {
	var out []Unfit
	if t == nil {
		return out
	}
	at := map[string]int{}
	for i := range t.Elements {
		e := &t.Elements[i]
		missing := 0
		switch {
		case !e.Placed:
			missing = e.Count
		case s.full[e.ID] > e.Count:
			missing = s.full[e.ID] - e.Count
		}
		if missing == 0 {
			continue
		}
		f, ok := s.larder.Get(e.Food)
		if !ok {
			continue
		}
		spec, _ := f.Spec(e.Form)
		area := food.FootprintMM2(spec, missing) / 100
		if e.Kind() == food.KindGarnish { // it lies on its neighbours, so it has no footprint of its own
			area = float64(missing) * spec.Outline(f.ID, 0).Area() / 100
		}
		if v, ok := t.Vessel(e.Vessel); ok {
			area = v.Footprint().Area() / 100
		}
		k, seen := at[e.Food]
		if !seen {
			k = len(out)
			at[e.Food] = k
			out = append(out, Unfit{Food: e.Food})
		}
		out[k].Pieces += missing
		out[k].AreaCM2 = round.Tenth(out[k].AreaCM2 + area)
		if food.Has(e.Form, food.OnFood) {
			out[k].Says = fmt.Sprintf("%s: there is nothing to put it on. A soft cheese left whole or in its round would take it, or a dip.", f.Name)
			continue
		}
		if than := s.keptOff(t, i); than != "" {
			out[k].Says = fmt.Sprintf("%s: %d found no place away from what %s, about %.0f cm² of board. A bowl for it, a larger board, or less of one of the two would do.", f.Name, out[k].Pieces, than, math.Max(1, out[k].AreaCM2))
			continue
		}
		out[k].Says = fmt.Sprintf("%s: %d did not fit, about %.0f cm² of board. A larger board, a second one or less of it would do.", f.Name, out[k].Pieces, math.Max(1, out[k].AreaCM2))
	}
	return out
}
