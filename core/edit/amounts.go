package edit

import (
	"cmp"
	"context"
	"math"
	"slices"

	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
	"happytray/core/review"
	"happytray/core/round"
	"happytray/core/tray"
)

// fetch takes so many pieces out of the reserve of the same food and form, and what is not there from the
// larder, at so many grams each; it answers with what they weigh.
func (h *hand) fetch(count int, each float64) (grams float64) {
	for i := 0; i < len(h.t.Reserve) && count > 0; i++ {
		r := &h.t.Reserve[i]
		if r.Food != h.e.Food || r.Form != h.e.Form || r.Count <= 0 {
			continue
		}
		if r.Count <= count {
			count, grams = count-r.Count, grams+r.Grams
			h.t.Reserve = slices.Delete(h.t.Reserve, i, i+1)
			i--
			continue
		}
		part := round.Tenth(r.Grams * float64(count) / float64(r.Count))
		r.Count, r.Grams = r.Count-count, round.Tenth(r.Grams-part)
		return grams + part
	}
	return grams + each*float64(count)
}

// toReserve puts so many pieces by as reserve.
func (h *hand) toReserve(count int, grams float64) {
	for i := range h.t.Reserve {
		if r := &h.t.Reserve[i]; r.Food == h.e.Food && r.Form == h.e.Form {
			r.Count += count
			r.Grams = round.Tenth(r.Grams + grams)
			return
		}
	}
	h.t.Reserve = append(h.t.Reserve, tray.Reserve{Food: h.e.Food, Form: h.e.Form, Count: count, Grams: round.Tenth(grams), Why: pack.NoRoom})
}

// fills is how many ml of vessel so many grams want.
func (h *hand) fills(grams float64) float64 {
	return food.FillOf(h.food, h.spec, 1) * grams / h.spec.MassG
}

// amount gives an element so many pieces: those that are taken away go to reserve, those that are added come from
// there first. In a vessel it is what the pieces weigh that changes.
func (h *hand) amount(n int) error {
	if n < 1 || n > mostOfOne {
		return fault.Bad("count", "a group has 1 to %d pieces; duplicate it for more", mostOfOne)
	}
	was := h.e.Count
	each := h.spec.MassG
	if was > 0 && h.e.Grams > 0 {
		each = h.e.Grams / float64(was)
	}
	switch {
	case h.e.Vessel != "":
		v, _ := h.t.Vessel(h.e.Vessel)
		if ml := h.fills(each * float64(n)); ml > v.CapacityML {
			return fault.Bad("count", "%s holds %.0f ml, and that is %.0f ml; choose a larger bowl first", v.Name, v.CapacityML, ml)
		}
	case food.Has(h.e.Form, food.CutInPlace|food.AsItComes|food.Begun):
		return fault.Bad("count", "%s is a whole one; duplicate it, or take one off", h.food.Name)
	case h.e.Kind() == food.KindLoose:
		h.heap(n)
	default:
		h.row(n)
	}
	h.weigh(n, each)
	return nil
}

// weigh notes that an element has so many pieces now: the others go to reserve, or come from there.
func (h *hand) weigh(n int, each float64) {
	was := h.e.Count
	if n < was {
		less := round.Tenth(each * float64(was-n))
		h.toReserve(was-n, less)
		h.e.Grams = round.Tenth(h.e.Grams - less)
	} else {
		h.e.Grams = round.Tenth(h.e.Grams + h.fetch(n-was, each))
	}
	h.e.Count = n
}

// heap takes pieces off a heap, from its top and then its rim, or lays more upon it and round it.
func (h *hand) heap(n int) {
	mid := pack.MiddleOf(h.e.Pieces)
	ps := slices.Clone(h.e.Pieces)
	if n < len(ps) {
		slices.SortStableFunc(ps, func(a, b tray.Piece) int {
			return cmp.Or(cmp.Compare(a.ZMM, b.ZMM), cmp.Compare(a.At.Dist(mid), b.At.Dist(mid)))
		})
		h.e.Pieces = ps[:n:n]
		return
	}
	reach := 0.0
	for i := range ps {
		reach = math.Max(reach, ps[i].At.Dist(mid))
	}
	step := math.Max(4, (h.spec.L+h.spec.W)/2)
	for k := len(ps); k < n; k++ { // the way seeds stand in a sunflower
		i := float64(k - len(h.e.Pieces) + 1)
		at := mid.Add(geom.Polar(reach+step*.45*math.Sqrt(i), i*137.5))
		ps = append(ps, tray.LayOut(h.food, h.spec, nil, geom.Pose{X: at.X, Y: at.Y}, []food.Piece{{Height: h.spec.H, Variant: k % food.Variants}})...)
	}
	h.e.Pieces = ps
}

const (
	// lowInPile is the share of a pile's pieces that lie on the board; the others lie on those, in their hollows.
	lowInPile = .62
	// leastPiled is how many pieces make a pile.
	leastPiled = 5
)

// pile draws loose food together where it lies: the pieces in its middle stay, those farther out go up on them, into their
// hollows, as far as there are some; the loose food round it comes into the room that it leaves.
func (h *hand) pile(ctx context.Context) (*tray.Tray, error) {
	if h.e.Vessel != "" || h.e.Kind() != food.KindLoose {
		return nil, fault.Bad("element", "only what lies in a heap can be piled up")
	}
	n := len(h.e.Pieces)
	if n < leastPiled {
		return nil, fault.Bad("element", "%d pieces make no pile; %d do", n, leastPiled)
	}
	mid := pack.MiddleOf(h.e.Pieces)
	ps := slices.Clone(h.e.Pieces)
	slices.SortStableFunc(ps, func(a, b tray.Piece) int { return cmp.Compare(a.At.Dist(mid), b.At.Dist(mid)) })
	low := int(math.Ceil(lowInPile * float64(n)))
	wide := math.Sqrt(h.spec.L * h.spec.W) // about from middle to middle of two that touch
	hollows := hollowsOf(ps[:low], wide)
	slices.SortStableFunc(hollows, func(a, b geom.Point) int { return cmp.Compare(a.Dist(mid), b.Dist(mid)) })
	var taken []geom.Point
	up := 0
	for k := n - 1; k >= low; k-- { // the outermost first
		free := slices.IndexFunc(hollows, func(q geom.Point) bool {
			return h.clear(ps[k].Outline.Move(q.Sub(ps[k].At))) && !slices.ContainsFunc(taken, func(o geom.Point) bool { return o.Dist(q) < .9*wide })
		})
		if free < 0 {
			break
		}
		p, at := &ps[k], hollows[free]
		p.Outline, p.At = p.Outline.Move(at.Sub(p.At)).Round(), at.Round()
		p.ZMM = round.Tenth(.7 * p.HeightMM)
		taken = append(taken, at)
		up++
	}
	if up == 0 {
		return nil, fault.Bad("element", "%s: the pieces lie too far apart to be piled up; bring them together first", h.food.Name)
	}
	h.e.Pieces = ps
	pack.Recentre(h.e)
	if given, did := pack.GiveWay(ctx, h.t, h.larder, h.e.ID, h.e.Pose()); did && pack.Legal(given, h.larder) {
		return given, nil
	}
	return h.t, nil
}

// clear reports whether an outline lies in no other thing's place.
func (h *hand) clear(o geom.Outline) bool {
	b := geom.NewBody(o)
	for i := range h.t.Elements {
		e := &h.t.Elements[i]
		if i == h.k || !e.Placed || e.Kind() == food.KindGarnish {
			continue
		}
		may := review.Touch(h.e, e)
		for n := range e.Pieces {
			if geom.BoxDepth(b.Box, e.Pieces[n].Outline.Bounds()) <= may {
				continue
			}
			other := geom.NewBody(e.Pieces[n].Outline)
			if d, _ := geom.Deeper(&b, &other, may); d > 0 {
				return false
			}
		}
	}
	return true
}

// hollowsOf are the places between two pieces of a heap that lie next to each other, and on which nothing lies yet.
func hollowsOf(ps []tray.Piece, wide float64) (out []geom.Point) {
	for i := range ps {
		for j := range i {
			a, b := &ps[i], &ps[j]
			if d := a.At.Dist(b.At); d > .6*wide && d < 1.45*wide {
				q := a.At.Lerp(b.At, .5)
				if !slices.ContainsFunc(ps, func(o tray.Piece) bool { return o.ZMM > .4*o.HeightMM && o.At.Dist(q) < .9*wide }) {
					out = append(out, q)
				}
			}
		}
	}
	return out
}

// row takes pieces off the end of a row or trail, or goes on with it as its last two lie.
func (h *hand) row(n int) {
	ps := slices.Clone(h.e.Pieces)
	if n <= len(ps) {
		h.e.Pieces = ps[:n:n]
		pack.Recentre(h.e)
		return
	}
	step := geom.Pose{X: math.Max(4, h.spec.Pitch)}
	if len(ps) > 1 {
		a, b := &ps[len(ps)-2], &ps[len(ps)-1]
		at := geom.Pose{X: a.At.X, Y: a.At.Y, Turn: a.TurnDeg}.Inverse(b.At)
		step = geom.Pose{X: at.X, Y: at.Y, Turn: b.TurnDeg - a.TurnDeg}
		if turn := math.Mod(step.Turn+540, 360) - 180; math.Abs(turn) > 30 { // two that lie crosswise say nothing of a line
			step.Turn = 0
		}
	}
	for k := len(ps); k < n; k++ {
		last := &ps[k-1]
		at := geom.Pose{X: last.At.X, Y: last.At.Y, Turn: last.TurnDeg}.Then(step)
		one := tray.LayOut(h.food, h.spec, nil, at, []food.Piece{{Z: last.ZMM, Height: last.HeightMM, Variant: k % food.Variants}})
		ps = append(ps, one...)
	}
	h.e.Pieces = ps
	pack.Recentre(h.e)
}
