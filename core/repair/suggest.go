// Package repair looks for what would mend a finding of the review: one move or turn (Fixes), or one change with the
// loose neighbours giving way, another form, an exchange, the loose food laid anew (Suggest). Each is tried and judged in
// full before it is offered.
package repair

import (
	"cmp"
	"context"
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
// take about half a second for a tray of 40 elements on two cores; on larger ones fewer are laid anew.
const (
	climbTries = 5  // walks of small moves, each of them kept that raises the total
	climbSteps = 20 // of such a walk
	halveTries = 2  // a heap or a row parted in two, the other half across the tray
	standTries = 1  // two things that stand exchanged, and the loose food laid anew
	nearTries  = 1  // two loose heaps exchanged, and what lies round them laid anew
	formTries  = 1  // other forms of what the finding is about
	anewTries  = 1  // all loose food laid anew round what stands
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
	all := candidates(t, larder, f)
	found := make([]*tray.Tray, len(all))
	revs := make([]review.Review, len(all))
	workers.Do(len(all), runtime.GOMAXPROCS(0), func(i int) {
		if ctx.Err() != nil {
			return
		}
		if c := all[i].make(ctx); c != nil && ctx.Err() == nil && len(onBoard(c)) >= len(onBoard(t)) {
			found[i], revs[i] = c, review.Judge(c, larder)
		}
	})
	most := 0.0
	was := base.ScoreOf(f.Check)
	for i, c := range found { // in order, so that the same one wins on any number of cores
		if c == nil || base.Legal() && !revs[i].Legal() {
			continue
		}
		gain := revs[i].Score - base.Score
		worth := gain
		if revs[i].ScoreOf(f.Check) > was+1e-9 {
			worth += checkGain
		}
		if gain > worthwhile && worth > most {
			most, ok = worth, true
			best = Remedy{Tray: c, Score: revs[i].Score, Gain: round.Tenth(gain), Says: all[i].says}
		}
	}
	return best, ok
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
	out = append(out, anew(t, larder, f)...)
	out = append(out, climbs(t, larder, f)...)
	out = append(out, halved(t, larder, f)...)
	out = append(out, standing(t, larder, f)...)
	out = append(out, nearby(t, larder, f)...)
	out = append(out, reforms(t, larder, f)...)
	out = append(out, stretched(t, larder, f)...)
	for _, m := range tries(t, f, swapTries, moveTries) {
		out = append(out, candidate{m.says(t, larder), func(ctx context.Context) *tray.Tray { return m.made(ctx, t, larder) }})
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
var swaps = []string{"colour.", "spread.", "pairs.", "height.", "service.reach", "care.wetdry"}

// tries lists moves, turns and exchanges worth trying for a finding, the likelier ones first.
func tries(t *tray.Tray, f review.Finding, exchanges, most int) []trial {
	var who []int
	for _, id := range f.Elements {
		if k := t.Find(id); k >= 0 && movable(&t.Elements[k]) && len(who) < 2 {
			who = append(who, k)
		}
	}
	if f.Check == "fit.gap" { // what lies nearest may come into the gap
		who = nearestTo(t, f.At, 3)
	}
	var out []trial
	exchange := slices.ContainsFunc(swaps, func(p string) bool { return strings.HasPrefix(f.Check, p) })
	for _, k := range who {
		pose := t.Elements[k].Pose()
		if exchange {
			for _, o := range alike(t, k, exchanges) {
				other := t.Elements[o].Pose()
				out = append(out, trial{moves: []move{{k, geom.Pose{X: other.X, Y: other.Y, Turn: pose.Turn}}, {o, geom.Pose{X: pose.X, Y: pose.Y, Turn: other.Turn}}}})
			}
		}
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
	return out[:min(len(out), most)]
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

// alike lists movable elements of another food that take about as much room as
// element k, the most alike first.
func alike(t *tray.Tray, k, n int) []int {
	size := func(e *tray.Element) float64 { b := pack.BoxOf(e.Pieces); return math.Hypot(b.W(), b.H()) }
	mine := size(&t.Elements[k])
	off := map[int]float64{}
	var all []int
	for o := range t.Elements {
		e := &t.Elements[o]
		if o == k || !movable(e) || e.Food == t.Elements[k].Food || (e.Kind() == food.KindLoose) != (t.Elements[k].Kind() == food.KindLoose) {
			continue
		}
		if off[o] = math.Abs(math.Log(size(e) / mine)); off[o] < .4 {
			all = append(all, o)
		}
	}
	slices.SortStableFunc(all, func(a, b int) int { return cmp.Compare(off[a], off[b]) })
	return all[:min(n, len(all))]
}
