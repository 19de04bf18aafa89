package portion

import (
	"fmt"
	"math"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/tray"
)

// group is an element to be: some pieces of a food.
type group struct {
	amount *Amount
	count  int
	grams  float64
	vessel *board.Vessel
}

func (g group) area() float64 {
	spec, _ := g.amount.Food.Spec(g.amount.Form)
	if g.vessel != nil {
		return g.vessel.Footprint().Area() * 1.04
	}
	a := food.FootprintMM2(spec, g.count)
	if face, ok := food.CutFace(g.amount.Food, spec); ok {
		a += face.Width * face.Need * .8 // room for the knife
	}
	return a
}

func footprint(gs []group) float64 {
	a := 0.0
	for _, g := range gs {
		a += g.area()
	}
	return a
}

// Generous is how much more than their share loose foods may be heaped, so that
// a board with room to spare does not look bare.
const Generous = 1.45

// heap is amounts with the loose foods that nobody fixed made larger.
func heap(amounts []Amount, by float64) []Amount {
	out := append([]Amount(nil), amounts...)
	for i := range out {
		a := &out[i]
		if food.FormByID(a.Form).Kind() == food.KindLoose && a.Choice.Grams == 0 && a.Food.Category != food.Meat {
			a.Grams *= by
		}
	}
	return out
}

// stiff is the footprint of everything that is not loose.
func stiff(gs []group) float64 {
	a := 0.0
	for _, g := range gs {
		if k := food.FormByID(g.amount.Form).Kind(); k != food.KindLoose && k != food.KindGarnish {
			a += g.area()
		}
	}
	return a
}

// lay fills t with the elements that fit its board, most of everything first:
// crackers move beside the board before anything else is held back.
func lay(t *tray.Tray, b brief.Brief, amounts []Amount, cabinet *board.Cabinet) {
	room := Full * t.Board.UsableMM2()
	shares := crackersOn[t.Rules.Crackers]
	var gs []group
	fits := false
	on := 0.0
	for _, on = range shares {
		if gs = split(amounts, b, *t.Board, cabinet, 1, on); footprint(gs) <= room && stiff(gs) <= Stiff*t.Board.UsableMM2() {
			fits = true
			break
		}
	}
	if !fits {
		on = shares[len(shares)-1] // hold back the same part of everything, as much as it takes
		lo, hi := 0.0, 1.0
		for range 24 {
			mid := (lo + hi) / 2
			if try := split(amounts, b, *t.Board, cabinet, mid, on); footprint(try) <= room && stiff(try) <= (Stiff+.04)*t.Board.UsableMM2() {
				lo = mid
			} else {
				hi = mid
			}
		}
		gs = split(amounts, b, *t.Board, cabinet, lo, on)
		if more := 1 / math.Max(lo, .05); footprint(gs) < .97*room && more > 1.05 {
			// stiff things set the measure; the loose ones can be laid more fully
			low, high := 1.0, more
			for range 12 {
				mid := (low + high) / 2
				if try := split(heap(amounts, mid), b, *t.Board, cabinet, lo, on); footprint(try) <= room {
					low, gs = mid, try
				} else {
					high = mid
				}
			}
		}
		for footprint(gs) > room && len(gs) > 1 { // even one of each is too much
			gs = dropLargest(gs)
		}
	}
	for len(gs) > tray.MaxElements {
		gs = gs[:tray.MaxElements]
	}
	if free := room - footprint(gs); fits && free > 0 { // the board has room: heap the loose things more generously
		loose := footprint(gs) - stiff(gs)
		if more := math.Min(Generous, 1+free/math.Max(1, loose)); more > 1.02 {
			gs = split(heap(amounts, more), b, *t.Board, cabinet, 1, on)
		}
	}
	laid := map[string]float64{}
	laidCount := map[string]int{}
	number := map[string]int{}
	pieces := 0
	for _, g := range gs {
		f := g.amount.Food
		if pieces += g.count; pieces > tray.MaxPieces/2 {
			break
		}
		number[f.ID]++
		id := f.ID
		if n := number[f.ID]; n > 1 {
			id = fmt.Sprintf("%s-%d", f.ID, n)
		}
		spec, _ := f.Spec(g.amount.Form)
		e := tray.Element{ID: id, Food: f.ID, Form: spec.Form, Category: f.Category, Grams: math.Round(g.grams*10) / 10, Count: g.count,
			Colour: f.SurfaceColour(spec), Wetness: f.Wetness, Layer: food.Layer(f, spec), Pieces: []tray.Piece{}}
		if g.vessel != nil {
			e.Vessel = g.vessel.ID
			if _, have := t.Vessel(e.Vessel); !have {
				t.Vessels = append(t.Vessels, *g.vessel)
			}
		}
		t.Elements = append(t.Elements, e)
		laid[f.ID] += e.Grams
		laidCount[f.ID] += g.count
	}
	for i := range amounts {
		a := &amounts[i]
		left := a.Grams - laid[a.Food.ID]
		spec, _ := a.Food.Spec(a.Form)
		if left < math.Max(2, spec.MassG*.6) && !(spec.MassG > 40 && left > 30) {
			continue
		}
		why := "the board is full; top up from this"
		if a.Food.Category == food.Cracker {
			why = "beside the board, kept crisp"
		}
		t.Reserve = append(t.Reserve, tray.Reserve{Food: a.Food.ID, Form: a.Form, Grams: math.Round(left*10) / 10,
			Count: int(math.Round(left / spec.MassG)), Why: why})
	}
}

func dropLargest(gs []group) []group {
	per := map[string]int{}
	for _, g := range gs {
		per[g.amount.Food.ID]++
	}
	worst := 0
	for i, g := range gs { // a second group of a food goes before an only one
		a, w := g.area(), gs[worst].area()
		if per[g.amount.Food.ID] > 1 {
			a *= 10
		}
		if per[gs[worst].amount.Food.ID] > 1 {
			w *= 10
		}
		if a > w {
			worst = i
		}
	}
	return append(gs[:worst:worst], gs[worst+1:]...)
}

// split turns amounts, scaled, into groups of whole pieces: a few real heaps
// rather than many tiny ones, rows no longer than the board is wide.
func split(amounts []Amount, b brief.Brief, surface board.Board, cabinet *board.Cabinet, scale, crackers float64) []group {
	box := surface.FoodZone.Bounds()
	long, short := math.Max(box.W(), box.H()), math.Min(box.W(), box.H())
	var out []group
	mirrored := b.HouseRules().Symmetry == "mirrored" || b.HouseRules().Style == "mirrored"
	even := func(groups, n int) int { // so that each has its answer on the other side
		if mirrored && groups%2 == 1 && n/(groups+1) >= 3 {
			return groups + 1
		}
		return groups
	}
	used := map[string]bool{} // makes of vessel, so that they do not look like buttons
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
		n := int(math.Round(grams / s.MassG))
		switch kind := food.FormByID(s.Form).Kind(); {
		case food.InVessel(s.Form):
			out = append(out, bowls(a, s, grams, short, cabinet, used)...)
		case s.Form == "cut-round":
			per := max(3, s.N)
			if s.L > short*.8 && (!a.Parts || n >= per) {
				continue // a round wider than the board stays in reserve
			}
			if a.Parts && n < per-1 {
				n = max(2, n)
				out = append(out, group{amount: a, count: n, grams: s.MassG * float64(n)})
				continue
			}
			rounds := max(1, min(6, int(math.Round(grams/(s.MassG*float64(per))))))
			for range rounds {
				out = append(out, group{amount: a, count: per, grams: s.MassG * float64(per)})
			}
		case s.Form == "ring" || s.Form == "criss-cross": // so many pieces make one
			per := max(2, s.Group)
			if math.Min(s.L*2+60, 200) > short*.85 && s.Form == "ring" {
				continue
			}
			out = append(out, spread(a, s, max(per/2, n), max(1, min(6, int(math.Round(float64(n)/float64(per))))))...)
		case kind == food.KindAnchor: // wholes and rosettes
			if math.Max(s.L, s.W) > short*.85 {
				continue
			}
			for range max(1, min(6, n)) {
				out = append(out, group{amount: a, count: 1, grams: s.MassG})
			}
		case kind == food.KindTrail:
			n = max(3, n)
			most := max(3, int(long*.82/s.Pitch))
			out = append(out, spread(a, s, n, even(1+(n-1)/most, n/2))...)
		case kind == food.KindRow:
			n = max(3, n)
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
			n = max(3, n)
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

func spread(a *Amount, s food.Spec, n, groups int) []group {
	groups = max(1, min(groups, n))
	var out []group
	for i := range groups {
		c := n/groups + b2i(i < n%groups)
		out = append(out, group{amount: a, count: c, grams: float64(c) * s.MassG})
	}
	return out
}

func b2i(b bool) int {
	if b {
		return 1
	}
	return 0
}

// usualML is the largest bowl that one would set out as long as a few of them
// hold everything (craft section 3: 50 to 150 ml).
const usualML = 150

// bowls shares grams out over vessels of mixed make: for each bowl the smallest
// that holds its share and is not on the tray yet, or one of the next sizes. A
// bowl is heaped to nine tenths of its brim. used is kept from food to food.
func bowls(a *Amount, s food.Spec, grams, short float64, cabinet *board.Cabinet, used map[string]bool) []group {
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
	var out []group
	for range count {
		v := vesselFor(ml/float64(count), all, used)
		used[v.ID] = true
		part := math.Min(ml/float64(count), v.CapacityML*.9)
		n, g := 1, part*a.Food.Density
		if s.Shape != "vessel" {
			n = food.HoldsOf(a.Food, s, part)
			g = float64(n) * s.MassG
		}
		out = append(out, group{amount: a, count: n, grams: g, vessel: &v})
	}
	return out
}

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
