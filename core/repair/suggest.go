// Package repair looks for what would mend a finding of the review: one move or turn (Fixes), or one change with the
// loose neighbours giving way, another form, an exchange, the loose food laid anew (Suggest). Each is tried and judged in
// full before it is offered.
package repair

import (
	"cmp"
	"context"
	"fmt"
	"math"
	"reflect"
	"runtime"
	"slices"
	"strings"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
	"happytray/core/review"
	"happytray/core/round"
	"happytray/core/tray"
	"happytray/core/workers"
)

// Remedy is a change that raises the total, found for one finding.
type Remedy struct {
	Tray  *tray.Tray
	Score float64 // of it
	Gain  float64 // points of the total over the tray that was given
	Says  string
}

// least points of the total that a change must win to be worth offering.
const worthwhile = .05

// How many changes of each sort are tried for one finding; each is settled and judged in full. They
// take about a second for a tray of 40 elements on two cores; on larger ones fewer are laid anew.
const (
	climbTries = 4  // walks of small moves, each of them kept that raises the total
	climbSteps = 20 // of such a walk
	halveTries = 3  // a heap or a row parted in two, the other half across the tray
	standTries = 1  // two things that stand exchanged, and the loose food laid anew
	nearTries  = 1  // two loose heaps exchanged, and what lies round them laid anew
	formTries  = 1  // other forms of what the finding is about
	anewTries  = 3  // all loose food laid anew round what stands
	swapTries  = 2  // exchanges of each element of the finding, loose neighbours giving way
	moveTries  = 1  // of these, and of moves and turns, in all
)

// ofMany is how many of n changes that lay food anew are tried on a tray: fewer where there is more to lay.
func ofMany(n int, t *tray.Tray) int {
	return max(min(n, 2), min(n, int(math.Round(float64(n)*40/float64(max(1, len(onBoard(t))))))))
}

// checkGain is what it is worth, in points, that the very check of the finding scores better.
const checkGain = .5

// Suggest looks for the single change that helps most against a finding: one of its elements moved a
// little, turned, given another form, or exchanged with another of about its size, the loose
// neighbours giving way; or the loose food round it, or all of it, laid anew. A change counts only
// if the tray stays legal, or becomes it, everything stays on board, and its total rises; among
// those the ones count more that the finding's own check gains by. ok is false when none does; then
// the finding wants more than one change. What is locked, and trails, stay.
func Suggest(ctx context.Context, t *tray.Tray, larder *food.Larder, f review.Finding) (best Remedy, ok bool) {
	base := review.Judge(t, larder)
	all := tried(ctx, t, larder, &base, f, candidates(t, larder, f))
	if best, ok = bestOf(&base, f, all); ok {
		return best, true
	}
	var settled []candidate
	for _, c := range promising(&base, f, all) {
		settled = append(settled, candidate{c.says, func(ctx context.Context) *tray.Tray { return settle(ctx, t, c.tray, larder, f) }})
	}
	return bestOf(&base, f, tried(ctx, t, larder, &base, f, settled))
}

// attempt is a change as it was made and judged.
type attempt struct {
	says   string
	tray   *tray.Tray
	score  float64
	legal  bool
	checks float64 // what the finding's own check scores
}

// tried makes and judges changes, in their order; without those that cannot be made, leave something beside the board or
// make an illegal tray of a legal one.
func tried(ctx context.Context, t *tray.Tray, larder *food.Larder, base *review.Review, f review.Finding, all []candidate) []attempt {
	out := make([]attempt, len(all))
	workers.Do(len(all), runtime.GOMAXPROCS(0), func(i int) {
		if ctx.Err() != nil {
			return
		}
		if c := all[i].make(ctx); c != nil && ctx.Err() == nil && len(onBoard(c)) >= len(onBoard(t)) {
			c = pack.FillFromReserve(ctx, c, larder) // what was moved leaves pockets
			pack.Rest(c, func(i int) bool {
				k := t.Find(c.Elements[i].ID)
				return k < 0 || !t.Elements[k].Alike(&c.Elements[i])
			})
			rev := review.Judge(c, larder)
			out[i] = attempt{all[i].says, c, rev.Score, rev.Legal(), rev.ScoreOf(f.Check)}
		}
	})
	return slices.DeleteFunc(out, func(a attempt) bool { return a.tray == nil || base.Legal() && !a.legal })
}

// bestOf is the attempt that is worth most; of equals the first, so that the same one wins on any number of cores.
func bestOf(base *review.Review, f review.Finding, all []attempt) (best Remedy, ok bool) {
	most := 0.0
	for _, a := range all {
		gain := a.score - base.Score
		worth := gain
		if a.checks > base.ScoreOf(f.Check)+1e-9 {
			worth += checkGain
		}
		if gain > worthwhile && worth > most {
			most, ok = worth, true
			best = Remedy{Tray: a.tray, Score: a.score, Gain: round.Tenth(gain), Says: a.says}
		}
	}
	return best, ok
}

// What nearly helps is settled: as many changes as settleTries, whose total falls by nearlyHelps points at most.
const (
	settleTries = 3
	settleSteps = 80
	nearlyHelps = 2.5
)

// promising are the attempts that help with the finding and cost a little elsewhere, those that cost least first.
func promising(base *review.Review, f review.Finding, all []attempt) []attempt {
	out := slices.DeleteFunc(slices.Clone(all), func(a attempt) bool {
		return a.score < base.Score-nearlyHelps || a.checks < base.ScoreOf(f.Check)
	})
	worth := func(a attempt) float64 { return a.score + 10*checkGain*(a.checks-base.ScoreOf(f.Check)) }
	slices.SortStableFunc(out, func(a, b attempt) int { return cmp.Compare(worth(b), worth(a)) })
	return out[:min(len(out), settleTries)]
}

// SuggestAll looks for the change that helps most against each finding of a review, and keeps it there.
func SuggestAll(ctx context.Context, t *tray.Tray, larder *food.Larder, rev *review.Review) {
	if t.Board == nil {
		return
	}
	for i := range rev.Findings {
		f := &rev.Findings[i]
		m, ok := Suggest(ctx, t, larder, *f)
		if !ok {
			continue
		}
		f.Mend = &review.Change{Says: m.Says, Gain: m.Gain, Elements: []tray.Element{}, Reserve: append([]tray.Reserve{}, m.Tray.Reserve...)}
		for k, e := range m.Tray.Elements {
			if k >= len(t.Elements) || !reflect.DeepEqual(e, t.Elements[k]) {
				f.Mend.Elements = append(f.Mend.Elements, e)
			}
		}
	}
}

// onBoard lists the elements that lie on the board.
func onBoard(t *tray.Tray) (out []int) {
	for i := range t.Elements {
		if t.Elements[i].Placed {
			out = append(out, i)
		}
	}
	return out
}

// candidate is one change that may mend a finding: how it is said, and the tray it leads to, nil where
// it cannot be made.
type candidate struct {
	says string
	make func(ctx context.Context) *tray.Tray
}

// candidates lists what is tried for a finding. The longest first, so that both cores end together.
func candidates(t *tray.Tray, larder *food.Larder, f review.Finding) (out []candidate) {
	with := newPartners(t, larder, f.Check)
	out = append(out, anew(t, larder, f)...)
	out = append(out, climbs(t, larder, f)...)
	out = append(out, halved(t, larder, f)...)
	out = append(out, standing(t, larder, f, with)...)
	out = append(out, nearby(t, larder, f, with)...)
	out = append(out, reforms(t, larder, f)...)
	out = append(out, stretched(t, larder, f)...)
	out = append(out, raised(t, larder, f)...)
	simple := append(exchanges(t, f, with), steps(t, f)...)
	for _, m := range simple[:min(len(simple), moveTries)] {
		out = append(out, candidate{m.says(t, larder), func(ctx context.Context) *tray.Tray { return m.made(ctx, t, larder) }})
	}
	return out
}

// raised sets one thing higher where a part of the board lies flat.
func raised(t *tray.Tray, larder *food.Larder, f review.Finding) (out []candidate) {
	if f.Check != "height.relief" {
		return nil
	}
	for i := range t.Elements {
		for _, by := range pack.Lifts(t, i) {
			out = append(out, candidate{fmt.Sprintf("set the %s %.0f mm higher", nameOf(t, larder, i), by), func(context.Context) *tray.Tray {
				c := t.Clone()
				c.Elements[i] = pack.Raised(c.Elements[i], by)
				return c
			}})
		}
	}
	return out
}

// made makes the change, the loose neighbours giving way.
func (m trial) made(ctx context.Context, t *tray.Tray, larder *food.Larder) *tray.Tray {
	c := t.Clone()
	for _, mv := range m.moves {
		c.Elements[mv.k].MoveTo(mv.to)
	}
	for _, mv := range m.moves {
		if given, did := pack.GiveWay(ctx, c, larder, t.Elements[mv.k].ID, t.Elements[mv.k].Pose()); did {
			c = given
		}
	}
	return c
}

type move struct {
	k  int
	to geom.Pose
}

// trial is one change: a move, a turn, or two elements that change places.
type trial struct {
	moves []move
	what  string
}

func (m trial) says(t *tray.Tray, larder *food.Larder) string {
	if len(m.moves) == 2 {
		return "exchanged the " + nameOf(t, larder, m.moves[0].k) + " and the " + nameOf(t, larder, m.moves[1].k)
	}
	return m.what + " the " + nameOf(t, larder, m.moves[0].k)
}

func nameOf(t *tray.Tray, larder *food.Larder, k int) string {
	if f, ok := larder.Get(t.Elements[k].Food); ok {
		return strings.ToLower(f.Name)
	}
	return t.Elements[k].Food
}

// swaps are the checks that a change of places helps with more than a nudge does.
var swaps = []string{"colour.", "spread.", "pairs.", "height.", "service.reach", "care.wetdry", "flow.tasting"}

// about lists the movable elements that a finding is about, two at most; of a gap those that may come into it.
func about(t *tray.Tray, f review.Finding) (who []int) {
	if f.Check == "fit.gap" {
		return nearestTo(t, f.At, 3)
	}
	for _, id := range f.Elements {
		if k := t.Find(id); k >= 0 && movable(&t.Elements[k]) && len(who) < 2 {
			who = append(who, k)
		}
	}
	return who
}

// exchanges lists what an element of a finding may change places with, the most promising first.
func exchanges(t *tray.Tray, f review.Finding, with *partners) (out []trial) {
	if !slices.ContainsFunc(swaps, func(p string) bool { return strings.HasPrefix(f.Check, p) }) {
		return nil
	}
	for _, k := range about(t, f) {
		pose := t.Elements[k].Pose()
		for _, o := range with.of(k, swapTries) {
			other := t.Elements[o].Pose()
			out = append(out, trial{moves: []move{{k, geom.Pose{X: other.X, Y: other.Y, Turn: pose.Turn}}, {o, geom.Pose{X: pose.X, Y: pose.Y, Turn: other.Turn}}}})
		}
	}
	return out
}

// steps lists small moves and turns of the elements of a finding.
func steps(t *tray.Tray, f review.Finding) (out []trial) {
	for _, k := range about(t, f) {
		pose := t.Elements[k].Pose()
		for _, d := range []float64{6, 14} {
			for a := range 8 {
				by := geom.Polar(d, float64(a)*45)
				out = append(out, trial{moves: []move{{k, geom.Pose{X: pose.X + by.X, Y: pose.Y + by.Y, Turn: pose.Turn}}}, what: "moved"})
			}
		}
		if t.Elements[k].Kind() != food.KindLoose {
			for _, turn := range []float64{20, -20, 45, -45, 90, 180} {
				out = append(out, trial{moves: []move{{k, geom.Pose{X: pose.X, Y: pose.Y, Turn: pose.Turn + turn}}}, what: "turned"})
			}
		}
	}
	return out
}

func movable(e *tray.Element) bool {
	return e.Placed && !e.Locked && len(e.Path) == 0 && e.Kind() != food.KindTrail && e.Kind() != food.KindGarnish
}

// nearestTo lists movable elements by how near they lie to a spot.
func nearestTo(t *tray.Tray, at geom.Point, n int) []int {
	var all []int
	for k := range t.Elements {
		if movable(&t.Elements[k]) {
			all = append(all, k)
		}
	}
	slices.SortStableFunc(all, func(a, b int) int {
		return cmp.Compare(t.Elements[a].Pose().At().Dist(at), t.Elements[b].Pose().At().Dist(at))
	})
	return all[:min(n, len(all))]
}
