package pack

import (
	"context"
	"math"
	"math/rand/v2"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/round"
	"happytray/core/tray"
)

// Trail routes a trail near its wished line: an elastic band (Quinlan and
// Khatib 1993) that keeps clear of what stands, then slices set along it at
// their pitch, each turned to the line. Where something is in the way the trail
// breaks and starts again beyond it.
func (l *Layout) Trail(ctx context.Context, k int, wish []geom.Point, width float64) {
	e := &l.Tray.Elements[k]
	f, _ := l.Larder.Get(e.Food)
	spec, _ := f.Spec(e.Form)
	line := l.band(wish, width)
	n := l.SetAlong(k, f, spec, line)
	if 10*n < 7*e.Count { // the way is blocked: another one may take more
		r := food.Rand(food.Seed(e.ID, "another way"))
		for range 14 {
			if ctx.Err() != nil {
				break
			}
			kept := e.Pieces
			other := l.band(l.Zone.stray(TrailReach(e.Count, spec), spec.L/2+4, r), width)
			if m := l.SetAlong(k, f, spec, other); m > n {
				n, line = m, other
			} else {
				e.Pieces = kept
			}
		}
	}
	if n == 0 {
		e.Placed, e.Pieces, e.Path = false, []tray.Piece{}, nil
		return
	}
	if n < e.Count {
		n = l.beginAgain(ctx, k, f, spec, width)
	}
	e.Path = nil
	for _, q := range line {
		e.Path = append(e.Path, q.Round())
	}
	c := MiddleOf(e.Pieces).Round()
	e.X, e.Y, e.TurnDeg, e.Placed = c.X, c.Y, 0, true
	l.HoldBack(e, n)
	l.AddElement(k)
}

const (
	againTimes  = 3  // a trail begins again at most
	againTries  = 24 // ways that are tried for each
	againLeast  = 4  // folds that are worth a beginning: fewer read as dropped
	againMostMM = 220.0
)

// beginAgain lays the folds of a trail for which there was no room on its line along others, where there is most of it: it
// breaks at what stands and begins again beyond (docs/craft.md, Forms). It reports how many of the trail lie now.
func (l *Layout) beginAgain(ctx context.Context, k int, f *food.Food, spec food.Spec, width float64) int {
	e := &l.Tray.Elements[k]
	count, laid := e.Count, e.Pieces
	l.AddElement(k)
	r := food.Rand(food.Seed(e.ID, "again"))
	for range againTimes {
		rest := count - len(laid)
		if rest < againLeast {
			break
		}
		var best []tray.Piece
		for range againTries {
			if ctx.Err() != nil {
				break
			}
			e.Count = rest
			n := l.setAlong(k, f, spec, l.band(l.Zone.stray(math.Min(againMostMM, TrailReach(rest, spec)), spec.L/2+4, r), width), true)
			if n > len(best) {
				best = e.Pieces
			}
			if n == rest {
				break
			}
		}
		if len(best) < againLeast {
			break
		}
		for i := range best {
			l.add(k, geom.NewBody(best[i].Outline))
		}
		laid = append(laid, best...)
	}
	e.Count, e.Pieces = count, laid
	l.forget(k) // whoever lays the trail adds it all
	return len(laid)
}

// stray is a gently bent line of a length somewhere in the zone.
func (z *Zone) stray(length, inner float64, r *rand.Rand) []geom.Point {
	const n = 24
	at := z.Pull(geom.Pt(z.Box.Min.X+r.Float64()*z.Box.W(), z.Box.Min.Y+r.Float64()*z.Box.H()), inner)
	dir := r.Float64() * 360
	bend := (r.Float64() - .5) * 120 / n
	line := make([]geom.Point, n)
	for i := range line {
		line[i] = z.Pull(at, inner)
		at = at.Add(geom.Polar(length/(n-1), dir))
		dir += bend
	}
	return line
}

// band relaxes a line between what is laid.
func (l *Layout) band(wish []geom.Point, width float64) []geom.Point {
	z := l.Zone
	line := append([]geom.Point(nil), wish...)
	clear := width/2 + 1
	for range 70 {
		for i := range line {
			q := line[i]
			push := geom.Point{}
			box := geom.Rect{Min: q, Max: q}.Grow(clear)
			l.near(box, func(o *placed) bool {
				edge := o.body.Outline.NearestOnEdge(q)
				d := q.Dist(edge)
				if o.body.Outline.Contains(q) {
					push = push.Add(edge.Sub(q).Unit().Mul(.25 * (clear + d) / 2))
				} else if d < clear {
					push = push.Add(q.Sub(edge).Unit().Mul(.25 * (clear - d)))
				}
				return true
			})
			if d := z.Depth(q); d < clear+1 {
				push = push.Add(z.Inward(q).Mul(.5 * (clear + 1 - d)))
			}
			if n := push.Len(); n > 12 {
				push = push.Mul(12 / n)
			}
			line[i] = q.Add(push)
		}
		for i := 1; i+1 < len(line); i++ {
			line[i] = line[i].Lerp(line[i-1].Lerp(line[i+1], .5), .4)
		}
	}
	return line
}

// SetAlong sets pieces along the line at their pitch and returns how many fitted.
// A little turn and lap from piece to piece keeps it from looking machined.
func (l *Layout) SetAlong(e int, f *food.Food, spec food.Spec, line []geom.Point) int {
	return l.setAlong(e, f, spec, line, false)
}

// setAlong is SetAlong; own keeps off what is laid of the same trail already, too.
func (l *Layout) setAlong(e int, f *food.Food, spec food.Spec, line []geom.Point, own bool) int {
	el := &l.Tray.Elements[e]
	want := el.Count
	el.Pieces = nil
	total := 0.0
	for i := 1; i < len(line); i++ {
		total += line[i].Dist(line[i-1])
	}
	if total < spec.Pitch {
		return 0
	}
	pitch := math.Max(spec.Pitch*.72, math.Min(spec.Pitch*1.25, (total-spec.W*.5)/float64(max(1, want-1))))
	r := food.Rand(food.Seed(el.ID, "trail"))
	start := spec.W * .25
	for d := start; d < total-spec.W*.2 && len(el.Pieces) < want; {
		q, dir := PointAlong(line, d)
		turn := dir.Degrees() - 90 + (r.Float64()-.5)*13
		side := dir.Normal().Mul((r.Float64() - .5) * 3)
		at := q.Add(side)
		variant := len(el.Pieces) % food.Variants
		z := 0.0
		if len(el.Pieces) > 0 {
			z = 2
		}
		one := tray.LayOut(f, spec, nil, geom.Pose{X: at.X, Y: at.Y, Turn: round.Hundredth(turn)}, []food.Piece{{Z: z, Height: spec.H, Variant: variant}})
		b := geom.NewBody(one[0].Outline)
		if !l.Zone.Holds(&b) || l.clash(e, &b, touchSlack) || own && l.ownWay(e, &b) {
			d += 4 // pass the obstacle and begin again beyond it
			continue
		}
		el.Pieces = append(el.Pieces, one[0])
		d += pitch * (.9 + .2*r.Float64())
	}
	return len(el.Pieces)
}

// ownWay reports whether a fold of a trail would lie in another one of it that is in the index.
func (l *Layout) ownWay(e int, b *geom.Body) bool {
	hit := false
	l.near(b.Box, func(o *placed) bool {
		if o.element == e {
			d, _ := geom.Deeper(b, &o.body, 1)
			hit = d > 0
		}
		return !hit
	})
	return hit
}

// PointAlong is the point at distance d along a line, and the direction there.
func PointAlong(line []geom.Point, d float64) (geom.Point, geom.Point) {
	for i := 1; i < len(line); i++ {
		step := line[i].Dist(line[i-1])
		if d <= step || i == len(line)-1 {
			a, b := line[max(0, i-2)], line[min(len(line)-1, i+1)]
			return line[i-1].Lerp(line[i], math.Min(1, d/math.Max(1e-9, step))), b.Sub(a).Unit()
		}
		d -= step
	}
	return line[len(line)-1], geom.Pt(1, 0)
}

// stretch is how much wider than its usual pitch a trail may be set to reach
// farther: folds still hold each other up at 14 mm of line each (docs/craft.md, Where things go).
const stretch = 1.2

// TrailReach is the length in mm that n folded slices can lead the eye along.
func TrailReach(n int, s food.Spec) float64 {
	return food.RowLength(n, math.Max(s.Pitch, math.Min(14, s.Pitch*stretch)), s.W*.6)
}
