package amount

import (
	"math"
	"slices"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
)

// Group is an element to be: some pieces of a food, or a bowl of it.
type Group struct {
	*Amount
	Count  int           // pieces, those in a vessel too
	Weight float64       // grams of the group
	Vessel *board.Vessel // nil where it stands in none
}

// Area is the room of the board that the group asks for, mm2: its pieces as hands pack
// them, with the room that a knife needs before a cut face.
func (g Group) Area() float64 {
	spec, _ := g.Food.Spec(g.Form)
	if g.Vessel != nil {
		return g.Vessel.Footprint().Area() * 1.04
	}
	a := food.FootprintMM2(spec, g.Count)
	if face, ok := food.CutFace(g.Food, spec); ok {
		a += face.Width * face.Need * .8 // room for the knife
	}
	return a
}

// Footprint is the room that groups ask for, mm2.
func Footprint(gs []Group) float64 {
	a := 0.0
	for _, g := range gs {
		a += g.Area()
	}
	return a
}

// Stiff is the footprint of everything that is not loose.
func Stiff(gs []Group) float64 {
	a := 0.0
	for _, g := range gs {
		if k := food.FormByID(g.Form).Kind(); k != food.KindLoose && k != food.KindGarnish {
			a += g.Area()
		}
	}
	return a
}

// Held is amounts with what is loose held to a part of a board: tiny food stays small, and bread in
// crumbs no meadow; the rest of it is for topping up (docs/craft.md, Where things go). What is set
// by hand stays.
func Held(amounts []Amount, surface board.Board) []Amount {
	out := slices.Clone(amounts)
	for i := range out {
		a := &out[i]
		s, ok := a.Food.Spec(a.Form)
		if !ok || food.FormByID(s.Form).Kind() != food.KindLoose || food.InVessel(s.Form) || a.Choice.Grams > 0 {
			continue
		}
		most, least := .2, 0.0
		switch {
		case food.Tiny(s):
			most = .04
		case a.Food.Category == food.Cracker:
			most, least = .07, FewCrackers*s.MassG
		}
		a.Grams = math.Min(a.Grams, math.Max(least, most*surface.UsableMM2()/food.FootprintMM2(s, 100)*100*s.MassG))
	}
	return out
}

// Split turns amounts, scaled, into groups of whole pieces: a few real heaps
// rather than many tiny ones, rows no longer than the board is wide.
func Split(amounts []Amount, b brief.Brief, surface board.Board, cabinet *board.Cabinet, scale, crackers float64) []Group {
	box := surface.FoodZone.Bounds()
	long, short := math.Max(box.W(), box.H()), math.Min(box.W(), box.H())
	var out []Group
	mirrored := b.HouseRules().Symmetry == "mirrored" || b.HouseRules().Style == "mirrored"
	even := func(groups, n int) int { // so that each has its answer on the other side
		if mirrored && groups%2 == 1 && n/(groups+1) >= 3 {
			return groups + 1
		}
		return groups
	}
	few := 3 // pieces of a row or a heap, one on a single plate
	if b.Plates() {
		few = 1
	}
	used := map[string]bool{} // makes of vessel, so that they do not look like buttons
	onBoard := false          // some cracker lies on it
	for i := range amounts {
		a := &amounts[i]
		f := a.Food
		s, _ := f.Spec(a.Form)
		grams := a.Grams * scale
		if f.Category == food.Cracker {
			grams *= crackers
			if crackers == 0 {
				continue
			}
		}
		n, few := int(math.Round(grams/s.MassG)), few
		if a.Packed { // there are no more
			n = min(n, int(a.Grams/s.MassG+1e-9))
			few = max(1, min(few, int(a.Grams/s.MassG+1e-9)))
		}
		if f.Category == food.Cracker && !a.Pinned && crackers < 1 && n < FewCrackers && !food.InVessel(s.Form) {
			if onBoard || !lastCracker(amounts, i) {
				continue // six of one look forgotten; it stays beside as a whole
			}
			n = min(FewCrackers, max(1, int(math.Round(a.Grams/s.MassG)))) // eight, or all there are
		}
		onBoard = onBoard || f.Category == food.Cracker
		switch kind := food.FormByID(s.Form).Kind(); {
		case food.InVessel(s.Form):
			out = append(out, bowls(a, s, grams, short, cabinet, used)...)
		case food.Has(s.Form, food.CutInPlace):
			per := max(3, s.N)
			if s.L > short*.8 && (!a.Parts || n >= per) {
				continue // a round wider than the board stays in reserve
			}
			if a.Parts && (n < per-1 || n%per != per-1 && n%per != 0) { // a part of a round, beside whole ones where it is more
				for range n / per {
					out = append(out, Group{Amount: a, Count: per, Weight: s.MassG * float64(per)})
				}
				part := n % per
				if n < per {
					part = max(min(2, few), n)
				}
				out = append(out, Group{Amount: a, Count: part, Weight: s.MassG * float64(part)})
				continue
			}
			rounds := max(1, min(6, int(math.Round(grams/(s.MassG*float64(per))))))
			for range rounds {
				out = append(out, Group{Amount: a, Count: per, Weight: s.MassG * float64(per)})
			}
		case food.Has(s.Form, food.RoundAVessel) || food.Has(s.Form, food.Crossed): // so many pieces make one
			per := max(2, s.Group)
			if math.Min(s.L*2+60, 200) > short*.85 && food.Has(s.Form, food.RoundAVessel) {
				continue
			}
			out = append(out, spread(a, s, max(per/2, n), max(1, min(6, int(math.Round(float64(n)/float64(per))))))...)
		case kind == food.KindAnchor: // wholes and rosettes
			if math.Max(s.L, s.W) > short*.85 {
				continue
			}
			for range max(1, min(6, n)) {
				out = append(out, Group{Amount: a, Count: 1, Weight: s.MassG})
			}
		case kind == food.KindTrail:
			n = max(few, n)
			most := max(3, int(math.Min(long*.82/s.Pitch, trailMost*float64(s.Group))))
			out = append(out, spread(a, s, n, even(1+(n-1)/most, n/2))...)
		case kind == food.KindRow:
			n = max(few, n)
			pitch := s.Pitch
			if pitch == 0 {
				pitch = s.W + 1
			}
			most := max(3, int((math.Min(long*.42, 240)-s.W)/pitch)+1)
			want := int(math.Round(float64(n) / math.Max(4, float64(s.Group))))
			out = append(out, spread(a, s, n, even(max(want, 1+(n-1)/most, 1), n))...)
		case kind == food.KindGarnish:
			out = append(out, spread(a, s, max(1, n), 1)...)
		default:
			n = max(few, n)
			per := math.Max(6, float64(s.Group))
			want := int(math.Round(float64(n) / per))
			want = max(1, min(want, 3+n/120))
			if want == 2 && n >= int(2.2*per) {
				want = 3 // odd counts look better
			}
			out = append(out, spread(a, s, n, even(min(want, 9), n))...)
		}
	}
	return out
}

// trailMost is how many of its usual groups of folds make one trail: a longer one finds no way round what stands.
const trailMost = 1.4

// FewCrackers is the least of one cracker that is laid on the board where the rest of it stands beside.
const FewCrackers = 8

// lastCracker reports whether no cracker or bread comes after the i-th amount.
func lastCracker(amounts []Amount, i int) bool {
	return !slices.ContainsFunc(amounts[i+1:], func(a Amount) bool { return a.Food.Category == food.Cracker && !food.InVessel(a.Form) })
}

func spread(a *Amount, s food.Spec, n, groups int) []Group {
	groups = max(1, min(groups, n))
	var out []Group
	for i := range groups {
		c := n/groups + b2i(i < n%groups)
		out = append(out, Group{Amount: a, Count: c, Weight: float64(c) * s.MassG})
	}
	return out
}

func b2i(b bool) int {
	if b {
		return 1
	}
	return 0
}

// usualML is how much of a food one bowl takes before a second one is set out.
const usualML = 340

// bowls shares grams out over vessels of mixed make: for each bowl the smallest
// that holds its share and is not on the tray yet, or one of the next sizes. A
// bowl is heaped to nine tenths of its brim. used is kept from food to food.
func bowls(a *Amount, s food.Spec, grams, short float64, cabinet *board.Cabinet, used map[string]bool) []Group {
	var all []board.Vessel
	if v, ok := cabinet.Vessel(a.Vessel); ok {
		all = []board.Vessel{v}
	}
	for _, v := range cabinet.Vessels() {
		if a.Vessel == "" && v.Across() < short*.5 && v.Material != board.Hollowed {
			all = append(all, v)
		}
	}
	if len(all) == 0 {
		return nil // the board is too small for any bowl; it waits in reserve
	}
	fill := func(g float64) float64 { return food.FillOf(a.Food, s, 1) * g / s.MassG }
	ml := fill(grams)
	if ml < 12 && fill(a.Grams) >= 12 {
		return nil // a smear is not worth a bowl; it waits in reserve
	}
	count := max(1, min(4, int(math.Ceil(ml/(usualML*.9)-.15))))
	if a.Bowls > 0 {
		count = min(count, a.Bowls)
	}
	var out []Group
	there := int(grams/s.MassG + 1e-9)
	for range count {
		v := vesselFor(ml/float64(count), all, used)
		used[v.ID] = true
		part := ml / float64(count)
		if full := v.CapacityML * .9; part > full && (part > full+aSpoon || part > v.CapacityML*.97) { // a last spoon goes in
			part = full
		}
		n, g := 1, part*a.Food.Density
		if s.Shape != "vessel" {
			n = food.HoldsOf(a.Food, s, part)
			if a.Packed { // there are no more
				n = max(1, min(n, there))
				there -= n
			}
			g = float64(n) * s.MassG
		}
		out = append(out, Group{Amount: a, Count: n, Weight: g, Vessel: &v})
	}
	return out
}

// aSpoon is so little that it is filled in rather than kept, ml.
const aSpoon = 12.0

// makes is how many sizes above the smallest that fits are looked at for another make.
const makes = 4

// vesselFor is the smallest vessel that holds so much, or one of the next sizes
// when that make stands on the tray already; the largest when none holds it.
func vesselFor(ml float64, all []board.Vessel, used map[string]bool) board.Vessel {
	first := len(all) - 1
	for i, v := range all {
		if v.CapacityML*.9 >= ml {
			first = i
			break
		}
	}
	for _, v := range all[first:min(len(all), first+makes)] {
		if !used[v.ID] {
			return v
		}
	}
	return all[first]
}
