package search

import (
	"cmp"
	"context"
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"strings"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
	"happytray/core/review"
	"happytray/core/tray"
)

// building is a layout on its way from a plan.
type building struct {
	*pack.Layout
	plan *plan
}

// build turns a plan into a whole layout: rigid things, trails, fill, greens.
// What does not fit goes to reserve or stays unplaced, never on top of others. When ctx
// ends it leaves out what is not laid yet; what is laid is legal. It answers with the
// layout's score.
func (s *composer) build(ctx context.Context, p *plan, r *rand.Rand) (*tray.Tray, float64) {
	b := &building{Layout: pack.NewLayout(s.Problem, s.Given.Clone()), plan: p}
	for i := range b.Tray.Elements {
		e := &b.Tray.Elements[i]
		if e.Locked && e.Placed {
			b.AddElement(i)
			continue
		}
		e.Placed, e.Pieces, e.Path = false, []tray.Piece{}, nil
		if e.Kind() == food.KindLoose || e.Kind() == food.KindGarnish {
			e.X, e.Y, e.TurnDeg = 0, 0, 0
		}
	}
	b.rigid(ctx)
	b.trails(ctx)
	mirrored := p.style == "mirrored"
	if !mirrored && r.IntN(2) == 0 {
		b.Gather(ctx)
	}
	if ctx.Err() == nil {
		if !b.Airy() {
			b.HoldFillers(p.loose)
			b.Balance(p.loose)
		}
		b.Fill(ctx, p.loose, mirrored, r)
		if !b.Airy() {
			b.FillPockets(ctx, mirrored)
		}
	}
	if ctx.Err() == nil {
		b.Garnish(mirrored, r)
	}
	pack.Rest(b.Tray, func(int) bool { return true })
	score := tidy(b.Tray, s.Larder)
	if ctx.Err() == nil && !b.Tray.Brief.Travels.Yes { // on the road nothing stands tall
		score = raise(b.Tray, s.Larder, score)
	}
	return b.Tray, score
}

// raisedPerMM2 is how many things of a board stand on something at most, one for this much of it, and leastRaised on a small one.
const (
	raisedPerMM2 = 1.5e5
	leastRaised  = 3
)

// lift is something set higher, and what that alone adds to the score.
type lift struct {
	i        int
	mm, gain float64
}

// raise sets things higher where a part of the board lies flat, what helps most first, and answers with the score.
func raise(t *tray.Tray, larder *food.Larder, score float64) float64 {
	live := review.NewLive(t, larder)
	if flat, ok := live.Totals().Value("height.relief"); !ok || flat > .98 {
		return score
	}
	var lifts []lift
	for i := range t.Elements {
		for _, mm := range pack.Lifts(t, i) {
			live.Set(i, pack.Raised(t.Elements[i], mm))
			lifts = append(lifts, lift{i, mm, live.Score() - score})
			live.Set(i, t.Elements[i])
		}
	}
	slices.SortStableFunc(lifts, func(a, b lift) int { return cmp.Compare(b.gain, a.gain) })
	left, done := max(leastRaised, int(t.Board.FoodZone.Area()/raisedPerMM2)), score
	for _, up := range lifts {
		if left == 0 || up.gain <= 0 || t.Elements[up.i].RaisedMM() > 0 {
			continue
		}
		live.Set(up.i, pack.Raised(t.Elements[up.i], up.mm))
		if s := live.Score(); s > done+.05 {
			t.Elements[up.i], done, left = live.Tray().Elements[up.i], s, left-1
		} else {
			live.Set(up.i, t.Elements[up.i])
		}
	}
	if done > score { // what lay against them lies lower than they stand now
		pack.Rest(t, func(int) bool { return true })
		return review.NewLive(t, larder).Score()
	}
	return score
}

// rigid lays anchors and rows where the plan has them. A row that still stands
// in something gives up pieces from its end; an anchor is left beside the board.
func (l *building) rigid(ctx context.Context) {
	p := l.plan
	order := make([]int, 0, len(p.bodies))
	for _, kind := range []food.Kind{food.KindAnchor, food.KindRow} {
		for i := range p.bodies {
			if p.bodies[i].kind == kind && !p.bodies[i].fixed {
				order = append(order, i)
			}
		}
	}
	full := map[string]bool{} // things that found no place, which their likes will not find either
	for _, i := range order {
		wished := p.bodies[i]
		l.toAnswer(&wished)
		b, trial := &wished, wished
		e := &l.Tray.Elements[b.e]
		like := fmt.Sprint(b.food.ID, b.spec.Form, e.Vessel, b.n)
		for {
			trial.write(e)
			if l.Clear(b.e) {
				if l.Softened(b.e) { // better elsewhere than soft, better less of it than that, and better none
					dry := *b
					if !full["dry "+like] && l.elsewhere(ctx, &dry, e) {
						trial = dry
					} else if full["dry "+like] = true; !l.shorten(&trial) {
						e.Placed, e.Pieces = false, []tray.Piece{}
						break
					}
				}
				l.AddElement(b.e)
				l.HoldBack(e, trial.n)
				break
			}
			if trial.kind == food.KindRow && trial.n > 3 && ctx.Err() == nil {
				// a third less of it where it is, before all of it elsewhere, before two thirds of it elsewhere, before a few
				if least := max(3, (2*b.n+2)/3); trial.n == least && b.n > least {
					moved := false
					for _, n := range []int{b.n, least} {
						if key := fmt.Sprint(n, " of ", like); !full[key] && !moved {
							far := *b
							if far.n != n {
								far.n = n
								far.shape()
							}
							if moved = l.elsewhere(ctx, &far, e); moved {
								trial = far
							} else {
								full[key] = true
							}
						}
					}
					if moved {
						l.AddElement(b.e)
						l.HoldBack(e, trial.n)
						break
					}
				}
				trial.n--
				trial.shape()
				if trial.host >= 0 {
					trial.hug(&p.bodies[trial.host])
				}
				continue
			}
			if !full[like] && l.elsewhere(ctx, &trial, e) {
				l.AddElement(b.e)
				l.HoldBack(e, trial.n)
				break
			}
			full[like] = true
			e.Placed, e.Pieces = false, []tray.Piece{}
			break
		}
	}
}

// shorten takes pieces from the end of a row, up to half of them, until nothing softens there; it reports
// whether that helps.
func (l *building) shorten(b *body) bool {
	e := &l.Tray.Elements[b.e]
	for least := max(3, (b.n+1)/2); b.kind == food.KindRow && b.n > least; {
		b.n--
		b.shape()
		if b.host >= 0 {
			b.hug(&l.plan.bodies[b.host])
		}
		if b.write(e); l.Clear(b.e) && !l.Softened(b.e) {
			return true
		}
	}
	return false
}

// elsewhere looks for any free place for a rigid thing, where nothing wets it and it wets nothing; on a mirrored tray
// rather for one where its answer finds its own, too.
func (l *building) elsewhere(ctx context.Context, b *body, e *tray.Element) bool {
	b.standAlone()
	if l.awaits(b) && l.nearest(ctx, b, e, l.answerable) {
		return true
	}
	return l.nearest(ctx, b, e, func(*body) bool { return true })
}

// nearest lays a rigid thing at the free place nearest to where it was wished at which it is well, coarse to fine.
func (l *building) nearest(ctx context.Context, b *body, e *tray.Element, well func(b *body) bool) bool {
	z := l.Zone
	from := b.pose.At()
	for ring := 0.0; ring < 2*z.Half && ctx.Err() == nil; ring += 14 {
		n := max(1, int(ring*2*math.Pi/22))
		for k := range n {
			q := from.Add(geom.Polar(ring, float64(k)*360/float64(n)))
			if z.Depth(q) < 8 {
				continue
			}
			for _, turn := range []float64{b.pose.Turn, b.pose.Turn + 90, b.pose.Turn + 45, b.pose.Turn + 135} {
				trial := *b
				trial.move(geom.Pose{X: q.X, Y: q.Y, Turn: turn})
				if !l.roomFor(&trial) {
					continue
				}
				trial.write(e)
				if l.Clear(b.e) && !l.Softened(b.e) && well(&trial) {
					*b = trial
					return true
				}
				if b.vessel != nil && b.vessel.Round() {
					break // round: turning changes nothing
				}
			}
		}
	}
	return false
}

// hullMM is how much deeper than its pieces the hull of a thing may stand in another, mm: it spans the hollows between them.
const hullMM = 3.0

// roomFor is a quick no for a body whose discs or hulls clearly do not fit.
func (l *building) roomFor(b *body) bool {
	for _, q := range b.on {
		if l.Zone.Depth(q.At) < q.R-2*l.Zone.Grid.Cell || l.Covered(q.At) {
			return false
		}
	}
	hulls := b.firm()
	for w := range hulls {
		if !l.Zone.Holds(&hulls[w]) || l.Stands(b.e, &hulls[w], hullMM) {
			return false
		}
	}
	return true
}

// tidy takes out what the review would still call illegal, so that no layout is ever
// returned with a fault, and answers with the score.
func tidy(t *tray.Tray, larder *food.Larder) float64 {
	for range 4 {
		rev := review.NewLive(t, larder).Review()
		if rev.Fits() {
			return rev.Score
		}
		for _, f := range rev.Findings {
			if f.Severity != review.Stop || !strings.HasPrefix(f.Check, "fit.") {
				continue
			}
			victim := -1
			for _, id := range f.Elements { // the smallest thing gives way
				i := t.Find(id)
				if e := &t.Elements[i]; !e.Locked && e.Placed && (victim < 0 || e.Grams < t.Elements[victim].Grams) {
					victim = i
				}
			}
			if victim >= 0 {
				e := &t.Elements[victim]
				e.Placed, e.Pieces, e.Path = false, []tray.Piece{}, nil
			}
		}
	}
	return review.NewLive(t, larder).Score()
}

// trails lays each trail near its wished line.
func (l *building) trails(ctx context.Context) {
	for k := range l.plan.guides {
		g := &l.plan.guides[k]
		if !l.Tray.Elements[g.e].Locked && ctx.Err() == nil {
			l.Trail(ctx, g.e, g.line, g.width)
		}
	}
}
