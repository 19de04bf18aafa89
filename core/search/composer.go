package search

import (
	"context"
	"sync"

	"happytray/core/food"
	"happytray/core/pack"
	"happytray/core/tray"
)

// composer is the method by which trays are laid: a style proposes sites, annealing settles what stands there, trails
// run between, loose food fills what is left. It is what all layouts of one call share, and is not changed by them.
type composer struct {
	*pack.Problem
	surface    surface
	full       map[string]int // pieces per element before anything was held back
	opts       Options
	footprints sync.Map
}

func newComposer(t *tray.Tray, larder *food.Larder, o Options) *composer {
	given := pack.TakeBack(t, larder)
	if o.Style != "" { // the tray is judged as what it is laid as
		given.Rules.Style = o.Style
	}
	s := &composer{Problem: pack.NewProblem(given, larder), opts: o, full: map[string]int{}}
	s.surface = surface{s.Zone}
	for _, e := range given.Elements {
		s.full[e.ID] = e.Count
	}
	return s
}

// layout composes afresh for the first few numbers, and now and then later; the others change the best so far.
func (s *composer) layout(ctx context.Context, number int, best candidate) candidate {
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
