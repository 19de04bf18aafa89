package pack

import (
	"cmp"
	"math"
	"math/rand/v2"
	"slices"

	"happytray/core/adjacency"
	"happytray/core/colour"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/tray"
)

// Garnish tucks greens and single bright things where the tray looks bland, few
// and apart: on the borders between patches of near colours, never in a bowl.
func (l *Layout) Garnish(mirrored bool, r *rand.Rand) {
	z := l.Zone
	var taken []geom.Point
	for i := range l.Tray.Elements {
		e := &l.Tray.Elements[i]
		if e.Kind() != food.KindGarnish || e.Locked && e.Placed {
			continue
		}
		f, _ := l.Larder.Get(e.Food)
		spec, _ := f.Spec(e.Form)
		if food.Has(e.Form, food.OnFood) {
			l.top(e, f, spec)
			continue
		}
		mine := colour.Must(f.Colour)
		apart := math.Sqrt(z.Outline.Area()/math.Max(4, 2*float64(e.Count))) * .8
		var laid []tray.Piece
		for k := range e.Count {
			best, at, turn := math.Inf(-1), geom.Point{}, 0.0
			for try := range 60 {
				q := geom.Pt(z.Box.Min.X+r.Float64()*z.Box.W(), z.Box.Min.Y+r.Float64()*z.Box.H())
				if n := len(l.stillBare); n > 0 && try%2 == 0 { // a pocket that nothing filled
					q = l.stillBare[r.IntN(n)]
				}
				if z.Depth(q) < math.Max(spec.L/2-6, 4) {
					continue
				}
				score, ok := l.bland(i, q, mine)
				if !ok {
					continue
				}
				for _, o := range taken {
					if d := o.Dist(q); d < apart {
						score -= 40 * (1 - d/apart)
					}
				}
				if score > best {
					lies := r.Float64() * 360
					if reach := spec.L/2 - 8; reach > 12 && (l.overBowl(q.Add(geom.Polar(reach, lies))) || l.overBowl(q.Add(geom.Polar(-reach, lies)))) {
						continue // a long sprig would hide what is in it
					}
					best, at, turn = score, q, lies
				}
			}
			if math.IsInf(best, -1) {
				break
			}
			if mirrored && k%2 == 1 { // it answers the one before
				q := z.Mirrored(taken[len(taken)-1])
				if _, ok := l.bland(i, q, mine); ok {
					at, turn = q, -laid[len(laid)-1].TurnDeg
				}
			}
			taken = append(taken, at)
			laid = append(laid, tray.LayOut(f, spec, nil, geom.Pose{X: at.X, Y: at.Y, Turn: math.Round(turn)}, []food.Piece{{Z: 14, Height: spec.H, Variant: k % food.Variants}})...)
		}
		if len(laid) == 0 {
			continue
		}
		e.Pieces = laid
		c := MiddleOf(laid).Round()
		e.X, e.Y, e.TurnDeg, e.Placed = c.X, c.Y, 0, true
		l.HoldBack(e, len(laid))
	}
}

// top lays what goes over other food - spooned, drizzled, strewn - on what it goes best with, or on what the host chose:
// one piece on each, as far as it reaches. What would soften something crisp rather
// goes where none lies beside.
func (l *Layout) top(e *tray.Element, f *food.Food, spec food.Spec) {
	type host struct {
		k     int
		worth float64
	}
	var hosts []host
	chosen := l.Tray.Brief.GoesOver(e.Food)
	for k := range l.Tray.Elements {
		o := &l.Tray.Elements[k]
		under, ok := l.Larder.Get(o.Food)
		if !ok || !o.Placed || o.Food == e.Food || food.Has(o.Form, food.OnFood) || o.Wetness == food.Crisp {
			continue
		}
		worth, _ := food.Affinity(f, under)
		if at := slices.Index(chosen, o.Food); at >= 0 {
			hosts = append(hosts, host{k, 2 - float64(at)/food.MaxNamed})
			continue
		}
		if len(chosen) > 0 || !takesTopping(under, o, e.Form) {
			continue
		}
		if o.Form == "bowl" {
			worth -= .3 // a cheese is dressed before a dip
		}
		if l.besideCrisp(e, o, spec.L/2) {
			worth -= .25 // rather where nothing goes soft from it
		}
		if worth > -.4 {
			hosts = append(hosts, host{k, worth})
		}
	}
	slices.SortStableFunc(hosts, func(a, b host) int { return cmp.Compare(b.worth, a.worth) })
	var laid []tray.Piece
	for i := range min(e.Count, len(hosts)) {
		o := &l.Tray.Elements[hosts[i].k]
		at, top := MiddleOf(o.Pieces), 0.0
		for _, p := range o.Pieces {
			top = math.Max(top, p.ZMM+p.HeightMM)
		}
		laid = append(laid, tray.LayOut(f, spec, nil, geom.Pose{X: at.X, Y: at.Y, Turn: float64(40 * i)}, []food.Piece{{Z: top, Height: spec.H, Variant: i % food.Variants}})...)
	}
	if len(laid) == 0 {
		return // there is nothing it could go on; it waits beside the board
	}
	e.Pieces = laid
	c := MiddleOf(laid).Round()
	e.X, e.Y, e.TurnDeg, e.Placed = c.X, c.Y, 0, true
	l.HoldBack(e, len(laid))
}

// takesTopping reports whether something is spooned, drizzled or strewn over a food unasked: soft and fresh cheeses that
// lie whole or in their round, and dips; seeds, arils and leaves go over cut fruit and over fresh cheese in pieces, too.
func takesTopping(under *food.Food, o *tray.Element, form string) bool {
	soft := under.Firmness == "soft" || under.Firmness == "fresh"
	if soft && food.Has(o.Form, food.AsItComes|food.CutInPlace) || o.Form == "bowl" && o.Wetness == food.Runny {
		return true
	}
	return food.Has(form, food.Strewn) && (under.Firmness == "fresh" || under.Category == food.Fruit && o.Wetness == food.Juicy && !food.Has(o.Form, food.AsItComes))
}

// besideCrisp reports whether something crisp lies so near to a food that what goes over its middle, reach mm all
// round, would soften that.
func (l *Layout) besideCrisp(e, over *tray.Element, reach float64) bool {
	if !e.Wetness.Wets() {
		return false
	}
	at, beside := MiddleOf(over.Pieces), false
	l.near(geom.Rect{Min: at, Max: at}.Grow(adjacency.WetBesideCrisp+reach), func(o *placed) bool {
		other := &l.Tray.Elements[o.element]
		beside = other.Vessel == "" && other.Wetness == food.Crisp && o.body.Outline.EdgeDistance(at) < adjacency.WetBesideCrisp+reach
		return !beside
	})
	return beside
}

// overBowl reports whether a point lies over what is in a vessel, and not on its rim.
func (l *Layout) overBowl(q geom.Point) (is bool) {
	l.near(geom.Rect{Min: q, Max: q}, func(o *placed) bool {
		is = l.Tray.Elements[o.element].Vessel != "" && o.body.Outline.Contains(q) && o.body.Outline.EdgeDistance(q) > 6
		return !is
	})
	return is
}

// coversBare is how much a spot gains from a green for each mm that it is bare.
const coversBare = 2.0

// bland says how much a spot would gain from a green: near colours meeting, and
// a colour the green stands off from. Bowls and standing cheeses are left alone.
func (l *Layout) bland(green int, q geom.Point, mine colour.Lab) (float64, bool) {
	box := geom.Rect{Min: q, Max: q}.Grow(16)
	var under []int
	ok, bare := true, 16.0
	l.near(box, func(o *placed) bool {
		e := &l.Tray.Elements[o.element]
		inside := o.body.Outline.Contains(q)
		if inside {
			bare = 0
		} else if bare > 0 {
			bare = math.Min(bare, o.body.Outline.EdgeDistance(q))
		}
		if e.Vessel != "" && inside && o.body.Outline.EdgeDistance(q) > 6 || food.Has(e.Form, food.AsItComes) && inside {
			ok = false
		}
		if !slices.Contains(under, o.element) {
			under = append(under, o.element)
		}
		return ok
	})
	if !ok || len(under) == 0 {
		return 0, ok // bare board is the last resort
	}
	score := coversBare * math.Min(12, bare)
	for i, a := range under {
		if adjacency.SpoilEachOther(l.Affinity(green, a)) { // mint beside smoke
			return 0, false
		}
		la := colour.Must(l.Tray.Elements[a].Colour)
		score += math.Min(30, colour.Difference(la, mine)) / float64(len(under))
		for _, b := range under[:i] {
			score += math.Max(0, 20-colour.Difference(la, colour.Must(l.Tray.Elements[b].Colour))) * .5
		}
	}
	return score, true
}
