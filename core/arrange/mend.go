package arrange

import (
	"cmp"
	"context"
	"math"
	"runtime"
	"slices"
	"strings"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/review"
	"happytray/core/tray"
	"happytray/core/workers"
)

// Mended is a change that raises the total, found for one finding.
type Mended struct {
	Tray  *tray.Tray
	Score float64 // of it
	Gain  float64 // points of the total over the tray that was given
	Says  string
}

// least points of the total that a change must win to be worth offering.
const worthMending = .2

// mendTries bounds the changes that are tried for one finding; each is settled and
// judged in full.
const mendTries = 44

// Mend looks for the single change that helps most against a finding: one of its
// elements moved a little, turned, or exchanged with another of about its size, the
// loose neighbours giving way. A change counts only if the tray stays legal, or
// becomes it, and its total rises. ok is false when none does; then the finding
// wants more than one move. What is locked, and trails, stay.
func Mend(ctx context.Context, t *tray.Tray, larder *food.Larder, f review.Finding) (best Mended, ok bool) {
	base := review.Of(t, larder)
	all := tries(t, f)
	found := make([]Mended, len(all))
	workers.Do(len(all), runtime.GOMAXPROCS(0), func(i int) {
		if ctx.Err() == nil {
			found[i] = all[i].judged(ctx, t, larder, base.Legal())
		}
	})
	best.Score = base.Score + worthMending
	for i, m := range found { // in order, so that the same one wins on any number of cores
		if m.Tray != nil && m.Score > best.Score {
			best, ok = m, true
			best.Gain = math.Round((m.Score-base.Score)*10) / 10
			best.Says = all[i].says(t, larder)
		}
	}
	return best, ok
}

// judged makes the change and judges the tray it leads to; without a tray where that
// would not be legal though the given one was.
func (m mendTry) judged(ctx context.Context, t *tray.Tray, larder *food.Larder, wasLegal bool) Mended {
	c := t.Clone()
	for _, mv := range m.moves {
		c.Elements[mv.k].MoveTo(mv.to)
	}
	for _, mv := range m.moves {
		if given, did := GiveWay(ctx, c, larder, t.Elements[mv.k].ID, t.Elements[mv.k].Pose()); did {
			c = given
		}
	}
	rev := review.Of(c, larder)
	if !rev.Legal() && wasLegal {
		return Mended{}
	}
	return Mended{Tray: c, Score: rev.Score}
}

type mendMove struct {
	k  int
	to geom.Pose
}

// mendTry is one change: a move, a turn, or two elements that change places.
type mendTry struct {
	moves []mendMove
	what  string
}

func (m mendTry) says(t *tray.Tray, larder *food.Larder) string {
	name := func(k int) string {
		if f, ok := larder.Get(t.Elements[k].Food); ok {
			return strings.ToLower(f.Name)
		}
		return t.Elements[k].Food
	}
	if len(m.moves) == 2 {
		return "exchanged the " + name(m.moves[0].k) + " and the " + name(m.moves[1].k)
	}
	return m.what + " the " + name(m.moves[0].k)
}

// swaps are the checks that a change of places helps with more than a nudge does.
var swaps = []string{"colour.", "spread.", "pairs.", "height.", "service.reach", "care.wetdry"}

// tries lists the changes worth trying for a finding, the likelier ones first.
func tries(t *tray.Tray, f review.Finding) []mendTry {
	var who []int
	for _, id := range f.Elements {
		if k := t.Find(id); k >= 0 && movable(&t.Elements[k]) && len(who) < 2 {
			who = append(who, k)
		}
	}
	if f.Check == "fit.gap" { // what lies nearest may come into the gap
		who = nearestTo(t, f.At, 3)
	}
	var out []mendTry
	exchange := slices.ContainsFunc(swaps, func(p string) bool { return strings.HasPrefix(f.Check, p) })
	for _, k := range who {
		pose := t.Elements[k].Pose()
		if exchange {
			for _, o := range alike(t, k, 10) {
				other := t.Elements[o].Pose()
				out = append(out, mendTry{moves: []mendMove{{k, geom.Pose{X: other.X, Y: other.Y, Turn: pose.Turn}}, {o, geom.Pose{X: pose.X, Y: pose.Y, Turn: other.Turn}}}})
			}
		}
		for _, d := range []float64{6, 14} {
			for a := range 8 {
				by := geom.Polar(d, float64(a)*45)
				out = append(out, mendTry{moves: []mendMove{{k, geom.Pose{X: pose.X + by.X, Y: pose.Y + by.Y, Turn: pose.Turn}}}, what: "moved"})
			}
		}
		if t.Elements[k].Kind() != food.KindLoose {
			for _, turn := range []float64{20, -20, 45, -45, 90, 180} {
				out = append(out, mendTry{moves: []mendMove{{k, geom.Pose{X: pose.X, Y: pose.Y, Turn: pose.Turn + turn}}}, what: "turned"})
			}
		}
	}
	return out[:min(len(out), mendTries)]
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
	size := func(e *tray.Element) float64 { b := boxOf(e.Pieces); return math.Hypot(b.W(), b.H()) }
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
