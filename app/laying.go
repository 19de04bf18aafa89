package app

import (
	"context"
	"time"

	"happytray/app/template"
	"happytray/core/edit"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/job"
	"happytray/core/pack"
	"happytray/core/repair"
	"happytray/core/review"
	"happytray/core/say"
	"happytray/core/search"
	"happytray/core/tray"
)

// How long a search goes on where nobody says, seconds: by then most of what it finds is found
// (docs/arranging.md).
const (
	pays        = 3.0
	paysForWays = 7.0
)

// wishTime bounds how long is looked for what would take everything.
const wishTime = 3 * time.Second

// Search is how a job's first tray is laid. The zero value lays it once, for as long as that pays.
type Search struct {
	Style   string // "" for the one that suits the board
	Seed    uint64
	Seconds float64
	Effort  int // layouts tried at most
	Only    []string
	Afresh  bool
	Ways    int // so many layouts that differ
}

// Step is how far a search is.
type Step struct {
	Tried        int
	Share, Score float64
	Tray         *job.Job // the job as it is laid now, where that is new
}

// Found is what a search came to: the best first, and all where several were asked for.
type Found struct {
	Tried int
	Score float64
	Job   *job.Job
	Unfit []search.Unfit
	Would []say.Text // that would take all
	Ways  []Alternative
}

// Alternative is one of several layouts.
type Alternative struct {
	Style, Says    string
	Score, Differs float64
	Job            *job.Job
}

// Lay searches a layout of a job's first tray, and tells of it as it goes. It ends with the best so far when ctx
// does.
func (a *App) Lay(ctx context.Context, j *job.Job, h *House, s Search, tell func(Step)) (Found, error) {
	if j.Trays[0].Board == nil {
		return Found{}, fault.Bad("board", "choose a board before laying the tray")
	}
	larder := j.Larder(h.Larder)
	if s.Seconds == 0 {
		if s.Seconds = pays; s.Ways > 1 {
			s.Seconds = paysForWays
		}
	}
	o := search.Options{Style: s.Style, Seed: s.Seed, Seconds: s.Seconds, Effort: s.Effort, Only: s.Only, Afresh: s.Afresh}
	o.Progress = func(p search.Progress) {
		step := Step{Tried: p.Tried, Share: p.Share, Score: p.Score}
		if p.Better {
			step.Tray = j.With(0, p.Tray)
		}
		tell(step)
	}
	if s.Ways > 1 {
		found, err := ways(ctx, j, larder, o, s.Ways)
		return spoken(ctx, a, found), err
	}
	res, err := search.Lay(ctx, j.Trays[0], larder, o)
	if err == nil && res.Tray == nil { // ended before there was anything
		err = context.Cause(ctx)
	}
	if err != nil {
		return Found{}, err
	}
	res.Tray.Seed = o.Seed
	looking, stop := context.WithTimeout(ctx, wishTime)
	defer stop()
	return spoken(ctx, a, Found{res.Tried, res.Score, j.With(0, res.Tray), res.Unfit, search.WouldFit(looking, res.Tray, larder, res.Unfit), nil}), nil
}

func ways(ctx context.Context, j *job.Job, larder *food.Larder, o search.Options, n int) (out Found, err error) {
	all, err := search.Propose(ctx, j.Trays[0], larder, o, n)
	if err != nil {
		return out, err
	}
	out.Ways = []Alternative{}
	for i, w := range all {
		laid := j.With(0, w.Tray)
		if out.Tried += w.Tried; i == 0 {
			out.Score, out.Job, out.Unfit = w.Score, laid, w.Unfit
		}
		out.Ways = append(out.Ways, Alternative{w.Style, w.Says, w.Score, w.Differs, laid})
	}
	return out, nil
}

// LayLike lays a job's first tray as one of a saved job lies. It works as hard as a short search.
func (a *App) LayLike(ctx context.Context, j *job.Job, larder *food.Larder, like template.Laid) (*job.Job, pack.Displacement, error) {
	other, err := a.LaidTray(ctx, like)
	if err != nil {
		return nil, pack.Displacement{}, err
	}
	room, err := edit.LayLike(ctx, j.Trays[0], other, larder)
	if err != nil {
		return nil, pack.Displacement{}, err
	}
	return j.With(0, room.Tray), room, nil
}

// Mend looks for the change of a job's first tray that helps most against a finding: a check, its elements and the
// spot. It works as hard as a search; found is false where nothing helps.
func (a *App) Mend(ctx context.Context, j *job.Job, larder *food.Larder, check string, elements []string, at geom.Point) (mended *job.Job, gain float64, says string, found bool, err error) {
	if j.Trays[0].Board == nil {
		return nil, 0, "", false, fault.Bad("tray.board", "choose a board before laying the tray")
	}
	m, found := repair.Suggest(ctx, j.Trays[0], larder, review.Finding{Check: check, Elements: elements, At: at})
	if bare(check) { // what costs nothing comes first, as long as it helps half as much
		if closed, more, closes, ok, err := a.closing(ctx, j, larder); err != nil || ok && (!found || more > 2*m.Gain) {
			return closed, more, closes, ok, err
		}
	}
	if !found {
		return nil, 0, "", false, nil
	}
	return j.With(0, m.Tray), m.Gain, m.Says, true, nil
}

// Takes reports whether an element on a board can be given a form as it lies.
func Takes(form string) bool { return pack.Takes(form) }

// Pieces are the elements that lie with fewer pieces, and by how many.
type Pieces = pack.Shortfall

// surface is a job's first tray and its board; a fault where it has none.
func surface(j *job.Job) (*tray.Tray, error) {
	if t := j.Trays[0]; t.Board != nil {
		return t, nil
	}
	return nil, fault.Bad("board", "choose a board before laying the tray")
}
