package pack

import (
	"math"

	"happytray/core/adjacency"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/review"
	"happytray/core/round"
	"happytray/core/tray"
)

// Layout is a tray while it is being built: what lies on it so far, ready for
// questions about room.
type Layout struct {
	*Problem
	Tray *tray.Tray
	laid []placed

	// bins of binMM hold indices into laid; what reaches beyond them counts to
	// the outermost ones
	bins    [][]int32
	across  int
	asked   []int32 // the question in which laid[i] was last named
	inquiry int32

	stillBare []geom.Point // pockets that no filler found room in
}

// placed is one piece on the board.
type placed struct {
	element int // element
	body    geom.Body
}

const binMM = 48

// NewLayout begins a layout of a problem on a tray, of which nothing lies yet.
func NewLayout(p *Problem, t *tray.Tray) *Layout {
	l := &Layout{Problem: p, Tray: t, across: int(p.Zone.Box.W()/binMM) + 1}
	l.bins = make([][]int32, l.across*(int(p.Zone.Box.H()/binMM)+1))
	return l
}

// window is the bins that a box touches, as first and last column and row.
func (l *Layout) window(box geom.Rect) (x0, y0, x1, y1 int) {
	o, down := l.Zone.Box.Min, len(l.bins)/l.across
	at := func(v, from float64, n int) int { return max(0, min(n-1, int(math.Floor((v-from)/binMM)))) }
	return at(box.Min.X, o.X, l.across), at(box.Min.Y, o.Y, down), at(box.Max.X, o.X, l.across), at(box.Max.Y, o.Y, down)
}

// near calls f with everything laid whose box meets box, once each, until f
// answers false.
func (l *Layout) near(box geom.Rect, f func(o *placed) bool) {
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

func (l *Layout) add(e int, b geom.Body) {
	k := int32(len(l.laid))
	l.laid, l.asked = append(l.laid, placed{e, b}), append(l.asked, 0)
	x0, y0, x1, y1 := l.window(b.Box)
	for y := y0; y <= y1; y++ {
		for x := x0; x <= x1; x++ {
			l.bins[y*l.across+x] = append(l.bins[y*l.across+x], k)
		}
	}
}

// AddElement puts all pieces of a laid element into the index.
func (l *Layout) AddElement(e int) {
	for _, p := range l.Tray.Elements[e].Pieces {
		l.add(e, geom.NewBody(p.Outline))
	}
}

// clash reports whether a piece of element e, as body b, lies deeper in another
// element's piece than slack times what is allowed.
func (l *Layout) clash(e int, b *geom.Body, slack float64) bool {
	hit := false
	l.near(b.Box, func(o *placed) bool {
		if o.element != e {
			d, _ := geom.Deeper(b, &o.body, review.Touch(&l.Tray.Elements[e], &l.Tray.Elements[o.element])*slack)
			hit = d > 0
		}
		return !hit
	})
	return hit
}

// Stands reports whether a body in the place of element e stands deeper in something laid than may be, by more than
// beyond, mm.
func (l *Layout) Stands(e int, b *geom.Body, beyond float64) bool {
	hit := false
	l.near(b.Box, func(o *placed) bool {
		if o.element != e {
			d, _ := geom.Deeper(b, &o.body, review.Touch(&l.Tray.Elements[e], &l.Tray.Elements[o.element])+beyond)
			hit = d > 0
		}
		return !hit
	})
	return hit
}

// touches is how deep, mm, what may not overlap may stand in each other by rounding alone.
const touches = .1

// touchSlack keeps a little of what the review allows in hand.
const touchSlack = .85

// Covered reports whether a point lies well inside something laid.
func (l *Layout) Covered(p geom.Point) bool {
	hit := false
	l.near(geom.Rect{Min: p, Max: p}, func(o *placed) bool {
		hit = o.body.Outline.Contains(p) && o.body.Outline.EdgeDistance(p) > drapeMM
		return !hit
	})
	return hit
}

// drapeMM is more than any two things may overlap that are not greens.
const drapeMM = 7

// Fits reports whether a laid element lies inside and clear of all others.
func (l *Layout) Fits(e int) bool {
	el := &l.Tray.Elements[e]
	for i := range el.Pieces {
		b := geom.NewBody(el.Pieces[i].Outline)
		if !l.Zone.Holds(&b) || l.clash(e, &b, touchSlack) {
			return false
		}
	}
	return len(el.Pieces) > 0
}

// Clear reports whether a laid element lies inside and clear of all others, and stands in nothing that it may only touch: of
// what the review forgives there nothing is used.
func (l *Layout) Clear(e int) bool {
	if !l.Fits(e) {
		return false
	}
	for i := range l.Tray.Elements[e].Pieces {
		b := geom.NewBody(l.Tray.Elements[e].Pieces[i].Outline)
		hit := false
		l.near(b.Box, func(o *placed) bool {
			if o.element != e && review.Touch(&l.Tray.Elements[e], &l.Tray.Elements[o.element]) <= 1 {
				d, _ := geom.Deeper(&b, &o.body, touches)
				hit = d > 0
			}
			return !hit
		})
		if hit {
			return false
		}
	}
	return true
}

// Softened reports whether a laid element lies as near as wets to what it wets, or of what
// wets it.
func (l *Layout) Softened(e int) bool {
	const asked = adjacency.WetBesideCrisp + .2 // of which rounding may take some
	el := &l.Tray.Elements[e]
	if el.Vessel != "" || !el.Wetness.Wets() && el.Wetness != food.Crisp {
		return false
	}
	for i := range el.Pieces {
		b := geom.NewBody(el.Pieces[i].Outline)
		hit := false
		l.near(b.Box.Grow(asked), func(o *placed) bool {
			hit = (l.Softens(e, o.element) || l.Softens(o.element, e)) && geom.Gap(&b, &o.body, asked) < asked
			return !hit
		})
		if hit {
			return true
		}
	}
	return false
}

// HoldBack notes that only n pieces of an element were laid; the rest is reserve.
func (l *Layout) HoldBack(e *tray.Element, n int) {
	if e.Vessel != "" || n >= e.Count {
		return
	}
	f, _ := l.Larder.Get(e.Food)
	spec, _ := f.Spec(e.Form)
	missing := e.Count - n
	grams := round.Tenth(math.Min(e.Grams, spec.MassG*float64(missing)))
	if n == 0 {
		grams = e.Grams
	}
	e.Count, e.Grams = n, round.Tenth(e.Grams-grams)
	for i := range l.Tray.Reserve {
		rv := &l.Tray.Reserve[i]
		if rv.Food == e.Food && rv.Form == e.Form && rv.Why == NoRoom {
			rv.Count += missing
			rv.Grams = round.Tenth(rv.Grams + grams)
			return
		}
	}
	l.Tray.Reserve = append(l.Tray.Reserve, tray.Reserve{Food: e.Food, Form: e.Form, Count: missing, Grams: grams, Why: NoRoom})
}
