package arrange

import (
	"context"
	"math"
	"math/rand/v2"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/round"
	"happytray/core/tray"
)

// trails routes each trail near its wished line: an elastic band (Quinlan and
// Khatib 1993) that keeps clear of what stands, then slices set along it at
// their pitch, each turned to the line. Where something is in the way the trail
// breaks and starts again beyond it.
func (l *layout) trails(ctx context.Context, p *plan) {
	for k := range p.guides {
		g := &p.guides[k]
		e := &l.t.Elements[g.e]
		if e.Locked || ctx.Err() != nil {
			continue
		}
		f, _ := l.s.larder.Get(e.Food)
		spec, _ := f.Spec(e.Form)
		line := l.band(g.line, g.width)
		n := l.slices(g.e, f, spec, line)
		if 10*n < 7*e.Count { // the way is blocked: another one may take more
			r := food.Rand(food.Seed(e.ID, "another way"))
			for range 14 {
				if ctx.Err() != nil {
					break
				}
				kept := e.Pieces
				other := l.band(l.s.zone.stray(trailReach(e.Count, spec), spec.L/2+4, r), g.width)
				if m := l.slices(g.e, f, spec, other); m > n {
					n, line = m, other
				} else {
					e.Pieces = kept
				}
			}
		}
		if n == 0 {
			e.Placed, e.Pieces, e.Path = false, []tray.Piece{}, nil
			continue
		}
		e.Path = nil
		for _, q := range line {
			e.Path = append(e.Path, q.Round())
		}
		c := centre(e.Pieces).Round()
		e.X, e.Y, e.TurnDeg, e.Placed = c.X, c.Y, 0, true
		l.short(e, n)
		l.addElement(g.e)
	}
}

// stray is a gently bent line of a length somewhere in the zone.
func (z *zone) stray(length, inner float64, r *rand.Rand) []geom.Point {
	const n = 24
	at := z.pull(geom.Pt(z.box.Min.X+r.Float64()*z.box.W(), z.box.Min.Y+r.Float64()*z.box.H()), inner)
	dir := r.Float64() * 360
	bend := (r.Float64() - .5) * 120 / n
	line := make([]geom.Point, n)
	for i := range line {
		line[i] = z.pull(at, inner)
		at = at.Add(geom.Polar(length/(n-1), dir))
		dir += bend
	}
	return line
}

func centre(ps []tray.Piece) geom.Point {
	var c geom.Point
	for _, p := range ps {
		c = c.Add(p.At)
	}
	return c.Mul(1 / math.Max(1, float64(len(ps))))
}

// band relaxes a line between what is laid.
func (l *layout) band(wish []geom.Point, width float64) []geom.Point {
	z := &l.s.zone
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
			if d := z.deep(q); d < clear+1 {
				push = push.Add(z.inward(q).Mul(.5 * (clear + 1 - d)))
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

// slices sets pieces along the line at their pitch and returns how many fitted.
// A little turn and lap from piece to piece keeps it from looking machined.
func (l *layout) slices(e int, f *food.Food, spec food.Spec, line []geom.Point) int {
	el := &l.t.Elements[e]
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
		q, dir := pointAlong(line, d)
		turn := dir.Degrees() - 90 + (r.Float64()-.5)*13
		side := dir.Normal().Mul((r.Float64() - .5) * 3)
		at := q.Add(side)
		variant := len(el.Pieces) % food.Variants
		z := 0.0
		if len(el.Pieces) > 0 {
			z = 2
		}
		one := tray.Place(f, spec, nil, geom.Pose{X: at.X, Y: at.Y, Turn: round.Hundredth(turn)}, []food.Piece{{Z: z, Height: spec.H, Variant: variant}})
		b := geom.NewBody(one[0].Outline)
		if !l.s.zone.holds(&b) || l.clash(e, &b, touchSlack) {
			d += 4 // pass the obstacle and begin again beyond it
			continue
		}
		el.Pieces = append(el.Pieces, one[0])
		d += pitch * (.9 + .2*r.Float64())
	}
	return len(el.Pieces)
}

// pointAlong is the point at distance d along a line, and the direction there.
func pointAlong(line []geom.Point, d float64) (geom.Point, geom.Point) {
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
