package arrange

import (
	"context"
	"fmt"
	"math"
	"math/rand/v2"
	"strings"

	"happytray/core/adjacency"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/review"
	"happytray/core/round"
	"happytray/core/tray"
)

// layout is a tray while it is being built: what lies on it so far, ready for
// questions about room.
type layout struct {
	s    *search
	t    *tray.Tray
	laid []placed

	// bins of binMM hold indices into laid; what reaches beyond them counts to
	// the outermost ones
	bins    [][]int32
	across  int
	asked   []int32 // the question in which laid[i] was last named
	inquiry int32
}

// placed is one piece on the board.
type placed struct {
	e    int // element
	body geom.Body
}

const binMM = 48

func newLayout(s *search, t *tray.Tray) *layout {
	l := &layout{s: s, t: t, across: int(s.zone.box.W()/binMM) + 1}
	l.bins = make([][]int32, l.across*(int(s.zone.box.H()/binMM)+1))
	return l
}

// window is the bins that a box touches, as first and last column and row.
func (l *layout) window(box geom.Rect) (x0, y0, x1, y1 int) {
	o, down := l.s.zone.box.Min, len(l.bins)/l.across
	at := func(v, from float64, n int) int { return max(0, min(n-1, int(math.Floor((v-from)/binMM)))) }
	return at(box.Min.X, o.X, l.across), at(box.Min.Y, o.Y, down), at(box.Max.X, o.X, l.across), at(box.Max.Y, o.Y, down)
}

// near calls f with everything laid whose box meets box, once each, until f
// answers false.
func (l *layout) near(box geom.Rect, f func(o *placed) bool) {
	l.inquiry++
	x0, y0, x1, y1 := l.window(box)
	for y := y0; y <= y1; y++ {
		for x := x0; x <= x1; x++ {
			for _, k := range l.bins[y*l.across+x] {
				if l.asked[k] == l.inquiry {
					continue
				}
				l.asked[k] = l.inquiry
				if o := &l.laid[k]; o.body.Box.Meets(box) && !f(o) {
					return
				}
			}
		}
	}
}

func (l *layout) add(e int, b geom.Body) {
	k := int32(len(l.laid))
	l.laid, l.asked = append(l.laid, placed{e, b}), append(l.asked, 0)
	x0, y0, x1, y1 := l.window(b.Box)
	for y := y0; y <= y1; y++ {
		for x := x0; x <= x1; x++ {
			l.bins[y*l.across+x] = append(l.bins[y*l.across+x], k)
		}
	}
}

// addElement puts all pieces of a laid element into the index.
func (l *layout) addElement(e int) {
	for _, p := range l.t.Elements[e].Pieces {
		l.add(e, geom.NewBody(p.Outline))
	}
}

// clash reports whether a piece of element e, as body b, lies deeper in another
// element's piece than slack times what is allowed.
func (l *layout) clash(e int, b *geom.Body, slack float64) bool {
	hit := false
	l.near(b.Box, func(o *placed) bool {
		if o.e != e {
			d, _ := geom.Deeper(b, &o.body, review.Touch(&l.t.Elements[e], &l.t.Elements[o.e])*slack)
			hit = d > 0
		}
		return !hit
	})
	return hit
}

// touchSlack keeps a little of what the review allows in hand.
const touchSlack = .85

// build turns a plan into a whole layout: rigid things, trails, fill, greens.
// What does not fit goes to reserve or stays unplaced, never on top of others. When ctx
// ends it leaves out what is not laid yet; what is laid is legal. It answers with the
// layout's score.
func (s *search) build(ctx context.Context, p *plan, r *rand.Rand) (*tray.Tray, float64) {
	l := newLayout(s, s.tray.Clone())
	for i := range l.t.Elements {
		e := &l.t.Elements[i]
		if e.Locked && e.Placed {
			l.addElement(i)
			continue
		}
		e.Placed, e.Pieces, e.Path = false, []tray.Piece{}, nil
		if e.Kind() == food.KindLoose || e.Kind() == food.KindGarnish {
			e.X, e.Y, e.TurnDeg = 0, 0, 0
		}
	}
	l.rigid(ctx, p)
	l.trails(ctx, p)
	if ctx.Err() == nil {
		l.fill(ctx, p, r)
	}
	if ctx.Err() == nil {
		l.garnish(p.style == "mirrored", r)
	}
	return l.t, l.tidy()
}

// rigid lays anchors and rows where the plan has them. A row that still stands
// in something gives up pieces from its end; an anchor is left beside the board.
func (l *layout) rigid(ctx context.Context, p *plan) {
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
		b := &p.bodies[i]
		e := &l.t.Elements[b.e]
		trial := *b
		like := fmt.Sprint(b.food.ID, b.spec.Form, e.Vessel, b.n)
		for {
			trial.place(e)
			if l.fits(b.e) {
				if l.softened(b.e) { // better elsewhere than soft, better less of it than that, and better none
					dry := *b
					if !full["dry "+like] && l.elsewhere(ctx, &dry, e) {
						trial = dry
					} else if full["dry "+like] = true; !l.shorten(p, &trial) {
						e.Placed, e.Pieces = false, []tray.Piece{}
						break
					}
				}
				l.addElement(b.e)
				l.short(e, trial.n)
				break
			}
			if trial.kind == food.KindRow && trial.n > 3 && ctx.Err() == nil {
				trial.n--
				trial.shape()
				if trial.host >= 0 {
					trial.hug(&p.bodies[trial.host])
				}
				continue
			}
			if !full[like] && l.elsewhere(ctx, &trial, e) {
				l.addElement(b.e)
				l.short(e, trial.n)
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
func (l *layout) shorten(p *plan, b *body) bool {
	e := &l.t.Elements[b.e]
	for least := max(3, (b.n+1)/2); b.kind == food.KindRow && b.n > least; {
		b.n--
		b.shape()
		if b.host >= 0 {
			b.hug(&p.bodies[b.host])
		}
		if b.place(e); l.fits(b.e) && !l.softened(b.e) {
			return true
		}
	}
	return false
}

// elsewhere looks for any free place for a rigid thing, coarse to fine, nearest
// to where it was wished, where nothing wets it and it wets nothing.
func (l *layout) elsewhere(ctx context.Context, b *body, e *tray.Element) bool {
	z := &l.s.zone
	from := b.pose.At()
	host := b.host
	b.host = -1
	if host >= 0 {
		b.bend = 0
		b.shape()
	}
	for ring := 0.0; ring < 2*z.half && ctx.Err() == nil; ring += 14 {
		n := max(1, int(ring*2*math.Pi/22))
		for k := range n {
			q := from.Add(geom.Polar(ring, float64(k)*360/float64(n)))
			if z.deep(q) < 8 {
				continue
			}
			for _, turn := range []float64{b.pose.Turn, b.pose.Turn + 90, b.pose.Turn + 45, b.pose.Turn + 135} {
				trial := *b
				trial.move(geom.Pose{X: q.X, Y: q.Y, Turn: turn})
				if !l.roomFor(&trial) {
					continue
				}
				trial.place(e)
				if l.fits(b.e) && !l.softened(b.e) {
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

// roomFor is a quick no for a body whose discs or hulls clearly do not fit.
func (l *layout) roomFor(b *body) bool {
	for _, q := range b.on {
		if l.s.zone.deep(q.at) < q.r-2*l.s.zone.grid.Cell || l.taken(q.at) {
			return false
		}
	}
	hulls := b.firm()
	for w := range hulls {
		if !l.s.zone.holds(&hulls[w]) {
			return false
		}
	}
	return true
}

// taken reports whether a point lies well inside something laid.
func (l *layout) taken(p geom.Point) bool {
	hit := false
	l.near(geom.Rect{Min: p, Max: p}, func(o *placed) bool {
		hit = o.body.Outline.Contains(p) && o.body.Outline.EdgeDistance(p) > drapeMM
		return !hit
	})
	return hit
}

// drapeMM is more than any two things may overlap that are not greens.
const drapeMM = 7

// fits reports whether a laid element lies inside and clear of all others.
func (l *layout) fits(e int) bool {
	el := &l.t.Elements[e]
	for i := range el.Pieces {
		b := geom.NewBody(el.Pieces[i].Outline)
		if !l.s.zone.holds(&b) || l.clash(e, &b, touchSlack) {
			return false
		}
	}
	return len(el.Pieces) > 0
}

// softened reports whether a laid element lies as near as wets to what it wets, or of what
// wets it.
func (l *layout) softened(e int) bool {
	const asked = adjacency.WetBesideCrisp + .2 // of which rounding may take some
	el := &l.t.Elements[e]
	if el.Vessel != "" || !el.Wetness.Wets() && el.Wetness != food.Crisp {
		return false
	}
	for i := range el.Pieces {
		b := geom.NewBody(el.Pieces[i].Outline)
		hit := false
		l.near(b.Box.Grow(asked), func(o *placed) bool {
			hit = (l.s.softens(e, o.e) || l.s.softens(o.e, e)) && geom.Gap(&b, &o.body, asked) < asked
			return !hit
		})
		if hit {
			return true
		}
	}
	return false
}

// short notes that only n pieces of an element were laid; the rest is reserve.
func (l *layout) short(e *tray.Element, n int) {
	if e.Vessel != "" || n >= e.Count {
		return
	}
	f, _ := l.s.larder.Get(e.Food)
	spec, _ := f.Spec(e.Form)
	missing := e.Count - n
	grams := round.Tenth(math.Min(e.Grams, spec.MassG*float64(missing)))
	if n == 0 {
		grams = e.Grams
	}
	e.Count, e.Grams = n, round.Tenth(e.Grams-grams)
	for i := range l.t.Reserve {
		rv := &l.t.Reserve[i]
		if rv.Food == e.Food && rv.Form == e.Form && rv.Why == noRoom {
			rv.Count += missing
			rv.Grams = round.Tenth(rv.Grams + grams)
			return
		}
	}
	l.t.Reserve = append(l.t.Reserve, tray.Reserve{Food: e.Food, Form: e.Form, Count: missing, Grams: grams, Why: noRoom})
}

// tidy takes out what the review would still call illegal, so that no layout is ever
// returned with a fault, and answers with the score.
func (l *layout) tidy() float64 {
	for range 4 {
		rev := review.NewLive(l.t, l.s.larder).Review()
		if rev.Fits() {
			return rev.Score
		}
		for _, f := range rev.Findings {
			if f.Severity != review.Stop || !strings.HasPrefix(f.Check, "fit.") {
				continue
			}
			victim := -1
			for _, id := range f.Elements { // the smallest thing gives way
				i := l.t.Find(id)
				if e := &l.t.Elements[i]; !e.Locked && e.Placed && (victim < 0 || e.Grams < l.t.Elements[victim].Grams) {
					victim = i
				}
			}
			if victim >= 0 {
				e := &l.t.Elements[victim]
				e.Placed, e.Pieces, e.Path = false, []tray.Piece{}, nil
			}
		}
	}
	return review.NewLive(l.t, l.s.larder).Score()
}
