package repair

import (
	"context"
	"math"
	"strings"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/review"
	"happytray/core/round"
	"happytray/core/say"
	"happytray/core/tray"
)

// MostFixes is for how many findings, the worst first, a fix is sought.
const MostFixes = 16

// fixTries is how many moves and turns are tried for one finding.
const fixTries = 44

// Fixes looks, for the first MostFixes findings of a review, for the one move or turn of
// a single thing that raises the total most, everything else staying as it lies, and
// keeps it with the finding. Each was tried: moving the element's pieces to the pose
// gives the review's score plus the gain. A finding that no single move mends keeps
// none. Mend looks farther, with neighbours that give way.
func Fixes(ctx context.Context, t *tray.Tray, larder *food.Larder, rev *review.Review) {
	if t.Board == nil || len(rev.Findings) == 0 {
		return
	}
	live := review.NewLive(t, larder)
	base, fits := live.Totals(), live.Fits()
	for n := range rev.Findings[:min(MostFixes, len(rev.Findings))] {
		f := &rev.Findings[n]
		best := base.Score + worthwhile
		moves := steps(t, *f)
		moves = append(moves[:min(len(moves), fixTries)], nudges(t, *f)...)
		for _, try := range moves {
			if ctx.Err() != nil {
				return
			}
			m := try.moves[0]
			to := geom.Pose{X: round.Hundredth(m.to.X), Y: round.Hundredth(m.to.Y), Turn: round.Hundredth(geom.NormalTurn(m.to.Turn))}
			live.Move(m.k, to)
			if fits && !live.Fits() { // most moves on a full tray end here
				live.Set(m.k, t.Elements[m.k])
				continue
			}
			now := live.Totals()
			if now.Score > best && (now.Legal() || !base.Legal()) {
				best = now.Score
				fd, _ := larder.Get(t.Elements[m.k].Food)
				f.Fix = &review.Fix{Element: t.Elements[m.k].ID, X: to.X, Y: to.Y, TurnDeg: to.Turn, Gain: round.Hundredth(now.Score - base.Score),
					Says: fixSays(strings.ToLower(fd.Name), t.Elements[m.k].Pose(), to)}
			}
			live.Set(m.k, t.Elements[m.k])
		}
	}
}

// nudges are larger moves, for what stands in another thing or over the edge.
func nudges(t *tray.Tray, f review.Finding) (out []trial) {
	if f.Check != "fit.inside" && f.Check != "fit.overlap" {
		return nil
	}
	for _, id := range f.Elements {
		k := t.Find(id)
		if k < 0 || !movable(&t.Elements[k]) {
			continue
		}
		pose := t.Elements[k].Pose()
		for _, d := range []float64{2, 24, 40, 70, 110} {
			for a := range 16 {
				by := geom.Polar(d, float64(a)*22.5)
				out = append(out, trial{moves: []move{{k, geom.Pose{X: pose.X + by.X, Y: pose.Y + by.Y, Turn: pose.Turn}}}, what: "moved"})
			}
		}
	}
	return out
}

func fixSays(name string, from, to geom.Pose) say.Text {
	by := to.At().Sub(from.At())
	if by.Len() < .5 {
		return say.That("fix.turn", say.Food(name), say.Degrees(math.Mod(to.Turn-from.Turn+540, 360)-180))
	}
	code := "fix.right"
	switch {
	case math.Abs(by.X) >= math.Abs(by.Y) && by.X < 0:
		code = "fix.left"
	case math.Abs(by.X) < math.Abs(by.Y) && by.Y < 0:
		code = "fix.far"
	case math.Abs(by.X) < math.Abs(by.Y):
		code = "fix.near"
	}
	return say.That(code, say.Food(name), say.MM(by.Len()))
}
