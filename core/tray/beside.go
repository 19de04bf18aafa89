package tray

import (
	"math"
	"slices"

	"happytray/core/board"
	"happytray/core/diet"
	"happytray/core/food"
	"happytray/core/geom"
)

// Plates are what the bread and crackers lie on that stand beside a board from the first minute, kept crisp.
type Plates struct {
	Count    int      // of them
	AcrossMM float64  // of each
	Foods    []string // what lies there, in the order of the reserve
	Grams    float64  // of it all, with what is refilled from its box
}

const (
	fannedG     = .4    // of crackers in overlapped rows on a square centimetre (docs/craft.md, Amounts)
	widestPlate = 300.0 // mm: a hand reaches over it
	leastPlate  = 180.0 // mm
	fewPlates   = 2     // beside one board, where they hold half of its bread and crackers: what does not lie there is refilled
	mostPlates  = 6     // beside one board
	fromTheRim  = 8.0   // mm that a plate's rim stays bare
	apart       = 40.0  // mm between a board and the plate beside it, and between two
)

// Beside are the plates for the crackers and the bread that stand beside a board; none where all lies on it. Half of the
// weight lies on board and plates from the first minute, the rest waits in its box. What some guests avoid, or what may
// hold it, has plates of its own. A box that is closed with a lid has none.
func (t *Tray) Beside(larder *food.Larder) Plates {
	var p Plates
	if t.Board != nil && t.Board.LidMM > 0 { // a box is taken away, and its crackers with it
		return p
	}
	for _, r := range t.besides(larder) {
		p.Foods = append(p.Foods, r.Food)
		p.Grams += r.Grams
	}
	if p.Grams == 0 {
		return p
	}
	laid := 0.0
	for i := range t.Elements {
		if e := &t.Elements[i]; e.Placed && e.Category == food.Cracker {
			laid += e.Grams
		}
	}
	const holds = math.Pi * widestPlate * widestPlate / 4 / 100 * fannedG // g on the widest
	half := math.Max(0, (laid+p.Grams)/2-laid)
	most := min(mostPlates, max(fewPlates, int(math.Ceil(half/holds))))
	p.Count = max(1, min(most, int(math.Ceil(p.Grams/holds))))
	fullest := p.Grams / float64(p.Count)
	if all, apart := t.sorted(larder); len(all) > 0 && len(apart) > 0 {
		p.Count = max(2, p.Count)
		n := p.forAll(all)
		fullest = math.Max(weight(all)/float64(n), weight(apart)/float64(p.Count-n))
	}
	across := 2 * math.Sqrt(fullest/fannedG*100/math.Pi)
	p.AcrossMM = 20 * math.Ceil(math.Max(leastPlate, math.Min(widestPlate, across))/20)
	return p
}

// sorted is what stands beside a board: what every guest may have, and what some avoid or what may hold it.
func (t *Tray) sorted(larder *food.Larder) (all, apart []Reserve) {
	table := diet.TableOf(t.Brief)
	for _, r := range t.besides(larder) {
		f, _ := larder.Get(r.Food)
		if verdict, _ := table.For(f); verdict < diet.Traces {
			all = append(all, r)
		} else {
			apart = append(apart, r)
		}
	}
	return all, apart
}

func weight(of []Reserve) (g float64) {
	for _, r := range of {
		g += r.Grams
	}
	return g
}

// forAll is how many of the plates are for what every guest may have, where there are others too.
func (p Plates) forAll(all []Reserve) int {
	return max(1, min(p.Count-1, int(math.Round(float64(p.Count)*weight(all)/p.Grams))))
}

// KeptCrisp is why the plan leaves bread and crackers beside a board.
const KeptCrisp = "beside the board, kept crisp"

// besides is what of the reserve stands beside the board, one line for each food. What found no room on an upper tier of a
// stand waits in its box: beside a stand there is one table.
func (t *Tray) besides(larder *food.Larder) []Reserve {
	var out []Reserve
	upper := board.IsUpperTier(t.Board)
	for _, r := range t.Reserve {
		f, ok := larder.Get(r.Food)
		if !ok || f.Category != food.Cracker || r.Grams <= 0 || upper && r.Why != KeptCrisp {
			continue
		}
		if k := slices.IndexFunc(out, func(o Reserve) bool { return o.Food == r.Food }); k >= 0 {
			out[k].Grams += r.Grams
			continue
		}
		out = append(out, r)
	}
	return out
}

// Plate is one of them with what lies on it from the first minute.
type Plate struct {
	AcrossMM float64       `json:"across_mm"`
	At       geom.Point    `json:"at"`     // its middle, board coordinates, mm
	Pieces   []BesidePiece `json:"pieces"` // those below first
	Foods    []string      `json:"foods"`
	Grams    float64       `json:"grams"`
}

// BesidePiece is one cracker or slice on a plate.
type BesidePiece struct {
	Food    string     `json:"food"`
	Form    string     `json:"form"`
	Variant int        `json:"variant"` // of its drawing, 0 and up to food.Variants
	At      geom.Point `json:"at"`      // round the plate's middle, mm
	TurnDeg float64    `json:"turn_deg"`
}

// Laid are the plates beside a board as they are laid: bread and crackers in fans round the rim and within, what is long
// side by side across the middle. They stand to the right of a board, before a long one, in a row; each has its share of
// each food that lies on such a plate, so that nobody walks round the table for one of them.
func (p Plates) Laid(t *Tray, larder *food.Larder) []Plate {
	if p.Count == 0 || t.Board == nil {
		return nil
	}
	box := t.Board.Outline.Bounds()
	out := make([]Plate, p.Count)
	for k := range out {
		along := (float64(k) - float64(p.Count-1)/2) * (p.AcrossMM + apart)
		at := geom.Pt(box.Max.X+apart+p.AcrossMM/2, box.Centre().Y+along)
		if box.W() > longBoard*box.H() {
			at = geom.Pt(box.Centre().X+along, box.Max.Y+apart+p.AcrossMM/2)
		}
		out[k] = Plate{AcrossMM: p.AcrossMM, At: at}
	}
	lay := func(on []Plate, of []Reserve) {
		var kinds []besideKind
		for _, q := range of {
			f, _ := larder.Get(q.Food)
			if spec, ok := lying(f, q.Form); ok {
				kinds = append(kinds, besideKind{f.ID, spec, q.Grams / float64(len(on))})
			}
		}
		for k := range on {
			for _, q := range of {
				on[k].Foods = append(on[k].Foods, q.Food)
			}
			on[k].fan(kinds)
		}
	}
	switch all, apart := t.sorted(larder); {
	case len(all) == 0:
		lay(out, apart)
	case len(apart) == 0:
		lay(out, all)
	default:
		n := p.forAll(all)
		lay(out[:n], all)
		lay(out[n:], apart)
	}
	return out
}

// longBoard is how many times as long as deep a board is before which plates stand, and not beside it.
const longBoard = 1.7

// besideKind is a food on a plate.
type besideKind struct {
	id    string
	spec  food.Spec
	grams float64
}

// lying is the form in which a cracker or a slice lies on a plate: its own, or the first that is not in a vessel.
func lying(f *food.Food, form string) (food.Spec, bool) {
	fits := func(s food.Spec) bool { return s.MassG > 0 && !food.InVessel(s.Form) && s.Shape != "edge" }
	if s, ok := f.Spec(form); ok && fits(s) {
		return s, true
	}
	for _, s := range f.Forms {
		if fits(s) {
			return s, true
		}
	}
	return food.Spec{}, false
}

func (k besideKind) count() int { return int(math.Round(k.grams / k.spec.MassG)) }

// lap is the room along a fan that each takes where there is room enough, mm.
func (k besideKind) lap() float64 {
	if k.spec.Pitch > 0 {
		return k.spec.Pitch
	}
	return k.spec.W * .5
}

// besideVariants is how many drawings of a cracker a plate shows: lapped, no more can be told apart.
const besideVariants = 3

// How much of its own room along a ring a piece takes at least, where they lie as close as they may, and at most, where they
// hardly touch.
const (
	tightest = .4
	loosest  = 1.9
)

// closing is how many of the rings of so much room are laid, and how close, that pieces which need so much close them: a ring
// that ends half way looks as if somebody had been there.
func closing(rooms []float64, need float64) (n int, close float64) {
	best, sum := math.Inf(1), 0.0
	for i, room := range rooms {
		sum += room
		ratio := sum / math.Max(1, need)
		if off := math.Abs(math.Log(ratio)); off < best || i == 0 {
			best, n, close = off, i+1, ratio
		}
	}
	return n, math.Max(tightest, math.Min(loosest, close))
}

// fan lays a plate: rings from the rim inwards, lapped closer where there is more to lay. What does not lie there is refilled.
func (p *Plate) fan(kinds []besideKind) {
	r := p.AcrossMM/2 - fromTheRim
	need, deepest := 0.0, 0.0
	var long []besideKind
	var round []besideKind
	for _, k := range kinds {
		if k.spec.L > r*1.1 {
			long = append(long, k)
			continue
		}
		round = append(round, k)
		need += float64(k.count())*k.lap() + fromTheRim
		deepest = math.Max(deepest, k.spec.L)
	}
	// how far in the rings begin; a hand takes from the outermost first
	var rings, rooms []float64
	for in := 0.0; len(round) > 0 && r-in-deepest/2 > deepest*.3 && len(rings) < 4; in += deepest * .7 {
		rings = append(rings, in)
		rooms = append(rooms, 2*math.Pi*(r-in-deepest/2))
	}
	n, closer := closing(rooms, need)
	if rings = rings[:n]; n == 1 && need*loosest < rooms[0] { // too few for the rim: a small ring in the middle
		closer = 1
		rings[0] = math.Max(0, r-deepest/2-need/2/math.Pi)
	}
	ring, angle, full := 0, -100.0, 0.0
	for _, k := range round {
		n := k.count()
		for i := 0; i < n && ring < len(rings); i++ {
			radius := r - rings[ring] - k.spec.L/2
			step := k.lap() * closer / radius * 180 / math.Pi
			if full+step > 360 {
				if ring, angle, full = ring+1, angle+37, 0; ring == len(rings) {
					break
				}
				i--
				continue
			}
			p.put(k, i, geom.Polar(radius, angle), angle)
			angle, full = angle+step, full+step
		}
		gap := fromTheRim / r * 180 / math.Pi
		angle, full = angle+gap, full+gap
	}
	for _, k := range long { // on top, across the middle
		pitch := k.spec.W + 1
		n := min(k.count(), int(p.AcrossMM*.6/pitch))
		for i := range n {
			p.put(k, i, geom.Pt(0, (float64(i)-float64(n-1)/2)*pitch), 0)
		}
	}
}

func (p *Plate) put(k besideKind, i int, at geom.Point, turn float64) {
	p.Pieces = append(p.Pieces, BesidePiece{Food: k.id, Form: k.spec.Form, Variant: i % besideVariants, At: at, TurnDeg: turn})
	p.Grams += k.spec.MassG
}
