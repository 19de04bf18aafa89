package app

import (
	"context"
	"math"
	"slices"

	"happytray/core/learn"
	"happytray/core/prep"
	"happytray/core/say"
)

// LoggedPace is how long work of a kind takes in the house, in words, and whether it is reckoned with.
type LoggedPace struct {
	learn.Pace
	Says    say.Text `json:"says"`
	Refused bool     `json:"refused"` // somebody has said that what the data say counts
}

// paceOf is what work of a kind is called where its minutes are told of.
var paceOf = map[string]say.Value{
	prep.SetUp:   say.Part("pace.set-up"),
	prep.Line:    say.Part("pace.line"),
	prep.Mark:    say.Part("pace.mark"),
	prep.GetOut:  say.Part("pace.get-out"),
	prep.WashDry: say.Part("pace.wash"),
	prep.Drain:   say.Part("pace.drain"),
	prep.Peel:    say.Part("pace.peel"),
	prep.Unwrap:  say.Part("pace.unwrap"),
	prep.Trim:    say.Part("pace.trim"),
	prep.Stone:   say.Part("pace.stone"),
	prep.Slice:   say.Part("pace.slice"),
	prep.Cube:    say.Part("pace.cube"),
	prep.Fold:    say.Part("pace.fold"),
	prep.Thread:  say.Part("pace.thread"),
	prep.Snip:    say.Part("pace.snip"),
	prep.Lemon:   say.Part("pace.lemon"),
	prep.Make:    say.Part("pace.make"),
	prep.Portion: say.Part("pace.portion"),
	prep.Chill:   say.Part("pace.chill"),
	prep.Box:     say.Part("pace.box"),
	prep.Cards:   say.Part("pace.cards"),
	prep.Pack:    say.Part("pace.pack"),
	prep.Lay:     say.Part("pace.lay"),
	prep.Tools:   say.Part("pace.tools"),
	prep.Refresh: say.Part("pace.refresh"),
	prep.Load:    say.Part("pace.load"),
	prep.Unload:  say.Part("pace.unload"),
}

// paced is what all evenings have taught of the minutes of work, as they were at a version.
type paced struct {
	version int64
	list    []learn.Pace
}

// learntPace is how long each kind of work takes in the house, as it was ticked on days that were looked back on since.
func (a *App) learntPace(ctx context.Context) ([]learn.Pace, error) {
	version, err := a.store.EveningsVersion(ctx)
	if err != nil {
		return nil, err
	}
	if p := a.paces.Load(); p != nil && p.version == version {
		return p.list, nil
	}
	list, err := a.Evenings(ctx)
	if err != nil {
		return nil, err
	}
	var days [][]learn.Stint
	for i := range list {
		if list[i].Done && len(list[i].Work) > 0 {
			days = append(days, list[i].Work)
		}
	}
	p := &paced{version, learn.PaceOf(days)}
	a.paces.Store(p)
	return p.list, nil
}

// Pace is how long each kind of work takes in the house, of what the data say, with what was refused.
func (a *App) Pace(ctx context.Context) ([]LoggedPace, error) {
	s, err := a.Settings(ctx)
	if err != nil {
		return nil, err
	}
	list, err := a.learntPace(ctx)
	out := make([]LoggedPace, 0, len(list))
	for _, p := range list {
		code := "pace.slower"
		if p.Factor < 1 {
			code = "pace.quicker"
		}
		says := say.That(code, paceOf[p.Kind], say.Percent(100*math.Abs(p.Factor-1)), say.N(p.Stints))
		out = append(out, LoggedPace{p, says, slices.Contains(s.PaceRefused, p.Kind)})
	}
	return out, err
}

// paceFor is what days are reckoned with. Where the evenings cannot be read the data count: it is no reason to plan nothing.
func (a *App) paceFor(ctx context.Context, s Settings) map[string]float64 {
	list, err := a.learntPace(ctx)
	if err != nil {
		return nil
	}
	out := map[string]float64{}
	for _, p := range list {
		if !slices.Contains(s.PaceRefused, p.Kind) {
			out[p.Kind] = p.Factor
		}
	}
	return out
}

// worked reads from the ticks of a job how long its work took; nothing where nobody ticked, or its day cannot be planned.
func (a *App) worked(ctx context.Context, id string) []learn.Stint {
	ticks, err := a.ticks(ctx, id)
	if err != nil || len(ticks) == 0 {
		return nil
	}
	d, _, err := a.day(ctx, id, 0, Kitchen{Alone: true, ByData: true})
	if err != nil {
		return nil
	}
	return learn.StintsOf(d, ticks)
}
