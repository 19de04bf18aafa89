package food

import (
	"math"
	"slices"
)

// Fits reports whether a food can be laid in a form: its entry lists it, or its shape and its firmness let hands cut
// and lay it so.
func (f *Food) Fits(form string) bool {
	_, ok := f.Spec(form)
	return ok
}

// Ways lists every form that a food fits, those of its entry first, as it lists them.
func (f *Food) Ways() []Spec {
	out := slices.Clone(f.Forms)
	for _, form := range forms {
		if _, listed := f.listed(form.ID()); listed {
			continue
		}
		if s, ok := f.opened(form.ID()); ok {
			out = append(out, s)
		}
	}
	return out
}

// listed finds the entry's own words for the first of some forms that it lists.
func (f *Food) listed(forms ...string) (Spec, bool) {
	for _, form := range forms {
		for _, s := range f.Forms {
			if s.Form == form {
				return s, true
			}
		}
	}
	return Spec{}, false
}

// openings tell, form by form, how a food is laid in one that its entry does not list, from one that it does: what is
// sliced thin can be rolled, folded to a flower or lapped to a rose, what lies in a row goes round a bowl as well. No
// mass is given where it follows from the size.
var openings map[string]func(*Food) (Spec, bool)

func init() { // in init because openings look forms up again
	openings = map[string]func(*Food) (Spec, bool){
		"arc":          asLine,
		"ring":         asRing,
		"shingle":      asShingle,
		"coins":        asCoins,
		"triangles":    asTriangles,
		"tumble":       asLumps,
		"batons":       asSticks,
		"criss-cross":  asStack,
		"upright":      asStanding,
		"rolls":        asRolls,
		"flower":       asFlower,
		"rosette":      asRose,
		"drift":        asOpen,
		"fanned":       asFanned,
		"stood":        asStood,
		"halves":       asHalves,
		"quarters":     asQuarters,
		"begun":        asBegun,
		"cut-round-12": func(f *Food) (Spec, bool) { return asRound(f, 12, 70) },
		"cut-round-16": func(f *Food) (Spec, bool) { return asRound(f, 16, 100) },
		"strewn":       asStrewn,
	}
}

// opened is the spec of a form that a food fits and does not list.
func (f *Food) opened(form string) (Spec, bool) {
	open, ok := openings[form]
	if !ok || len(f.Forms) == 0 {
		return Spec{}, false
	}
	s, ok := open(f)
	if !ok {
		return Spec{}, false
	}
	s.Form = form
	if s.MassG == 0 {
		s.MassG = math.Max(.05, math.Round(s.VolumeML()*f.Density*100)/100)
	}
	return s, true
}

// crumbly reports whether a cheese is broken rather than sliced: hard ones, and the blue ones, whose wedge is neither
// firm nor fresh.
func (f *Food) crumbly() bool { return f.Firmness == "hard" || f.blue() }

// blue reports whether a cheese is sold as a wedge that is soft or semi-soft: so only blue ones are.
func (f *Food) blue() bool {
	whole, ok := f.listed("whole")
	return ok && f.Category == Cheese && whole.Shape == "wedge" && (f.Firmness == "semi" || f.Firmness == "soft")
}

// round is a slice of a food as it comes off the knife, across and thick in mm, where that is round or nearly so and
// thin enough to bend, or can be cut as thin: dry and cooked sausage, ham, and raw vegetables.
func (f *Food) round() (across, thick float64, from Spec, ok bool) {
	for _, s := range f.Forms {
		switch {
		case s.Shape == "halffold":
			across, from = s.L, s
		case s.Shape == "fold":
			across, from = 2*s.L, s
		case s.Shape == "disc" && f.Category == Vegetable && s.H <= 6 && f.Heat == nil:
			across, from = s.L, s
		default:
			continue
		}
		thick = from.MassG / f.Density / (math.Pi / 4 * across * across) * 1000
		if f.Category == Vegetable {
			thick = math.Min(thick, 1.8) // cut on the slicer
		}
		return across, thick, from, thick <= 2.4 && (f.Category == Meat || f.Category == Vegetable)
	}
	return 0, 0, Spec{}, false
}

// roundG is what a round slice weighs.
func (f *Food) roundG(across, thick float64) float64 {
	return math.Round(math.Pi/4*across*across*thick/1000*f.Density*10) / 10
}

// lapped is a form of the entry in which pieces lie lapped along a line.
func (f *Food) lapped() (Spec, bool) {
	s, ok := f.listed("shingle", "coins", "arc", "slices", "half-fold-fan")
	return s, ok && s.Pitch > 0
}

func asLine(f *Food) (Spec, bool) {
	s, ok := f.lapped()
	return s, ok && s.Shape != "halffold"
}

func asRing(f *Food) (Spec, bool) {
	s, ok := f.lapped()
	s.Group = int(math.Ceil(2 * math.Pi * (ringHollow/2 + s.L/2) / math.Max(1, s.Pitch))) // closed round the least hollow
	return s, ok && s.Group <= 30
}

func asShingle(f *Food) (Spec, bool) {
	if whole, _ := f.listed("whole"); f.blue() { // across the wedge, with a wire or a wet knife
		return Spec{Shape: "triangle", L: math.Round(whole.W * 1.3), W: math.Round(whole.H * .95), H: 8, Seconds: 11, Yield: whole.Yield, Pitch: 20, Group: 6}, true
	}
	s, ok := f.listed("arc", "coins", "triangles")
	return s, ok && s.Pitch > 0
}

// asCoins is a log of fresh cheese in rounds, cut with a thread.
func asCoins(f *Food) (Spec, bool) {
	whole, ok := f.listed("whole")
	if !ok || f.Category != Cheese || whole.Shape != "cylinder" || whole.L < 1.5*whole.W {
		return Spec{}, false
	}
	return Spec{Shape: "disc", L: whole.W, W: whole.W, H: 9, Seconds: 9, Yield: whole.Yield, Pitch: math.Round(whole.W * .55), Group: 7}, true
}

// asTriangles is slabs cut from corner to corner.
func asTriangles(f *Food) (Spec, bool) {
	s, ok := f.listed("shingle", "slab")
	if !ok || f.Category != Cheese && f.Category != Meat {
		return Spec{}, false
	}
	if s.Shape == "triangle" {
		return s, true // off a wheel they are
	}
	if s.Shape != "slab" || s.L < 44 || s.W < 26 {
		return Spec{}, false
	}
	s.Shape, s.Solid, s.MassG, s.Seconds, s.Pitch = "triangle", .5, math.Round(s.MassG*5)/10, s.Seconds*.6+1, math.Max(12, math.Round(s.W*.42))
	s.Group = max(8, s.Group)
	return s, true
}

func asLumps(f *Food) (Spec, bool) {
	chokes := true
	switch wheel, sliced := f.listed("shingle", "fan"); {
	case f.Category != Cheese:
	case f.crumbly():
		yield := wheel.Yield
		if whole, ok := f.listed("whole"); ok {
			yield = whole.Yield
		}
		return Spec{Shape: "lump", L: 26, W: 21, H: 16, Seconds: 5, Yield: yield, Chokes: &chokes, Group: 12}, true
	case sliced && wheel.Shape == "triangle" && (f.Firmness == "firm" || f.Firmness == "semi"):
		return Spec{Shape: "box", L: 17, W: 17, H: 16, Seconds: 5, Yield: wheel.Yield, Chokes: &chokes, Group: 18}, true
	}
	return Spec{}, false
}

func asSticks(f *Food) (Spec, bool) {
	s, ok := f.listed("shingle", "fan", "tumble")
	if !ok || f.Category != Cheese || f.Firmness != "firm" && f.Firmness != "semi" || s.Shape == "disc" || f.blue() {
		return Spec{}, false
	}
	chokes := true
	return Spec{Shape: "box", L: 60, W: 10, H: 10, Seconds: 5, Yield: s.Yield, Chokes: &chokes, Group: 10}, true
}

func asStack(f *Food) (Spec, bool) {
	s, ok := f.listed("batons")
	if !ok {
		s, ok = asSticks(f)
	}
	return s, ok && (s.Shape == "box" || s.Shape == "cylinder") && s.H >= 8 && s.W <= 16 && s.L <= 140
}

func asStanding(f *Food) (Spec, bool) {
	s, ok := f.listed("batons")
	s.Group = 0
	return s, ok && s.L >= 58 && s.W <= 18
}

func asRolls(f *Food) (Spec, bool) {
	across, thick, from, ok := f.round()
	if !ok || f.Category != Meat || across < 55 {
		return Spec{}, false
	}
	s := Spec{Shape: "cylinder", L: math.Min(92, math.Round(across)), W: 17, H: 16, Seconds: 12, Yield: from.Yield, Chokes: from.Chokes, Group: 8, MassG: f.roundG(across, thick)}
	s.Solid = solidOf(f, s)
	return s, true
}

// solidOf is the share of its box that is food, for a piece whose mass is known.
func solidOf(f *Food, s Spec) float64 {
	return math.Min(1, math.Round(s.MassG/f.Density/(s.L*s.W*s.H)*1e6)/1e3)
}

func asFlower(f *Food) (Spec, bool) {
	across, thick, from, ok := f.round()
	if !ok || across < 22 {
		return Spec{}, false
	}
	l := math.Round(across / 2)
	s := Spec{Shape: "fold", L: l, W: math.Round(l * 1.4), H: 11, Seconds: 9, Yield: from.Yield, Group: 9, MassG: f.roundG(across, thick)}
	s.Solid = solidOf(f, s)
	return s, true
}

func asRose(f *Food) (Spec, bool) {
	across, thick, from, ok := f.round()
	if !ok || across < 35 {
		return Spec{}, false
	}
	glass := 45.0
	if across >= 60 {
		glass = 65
	}
	n := SlicesInRosette(glass, across, rosetteLayers)
	s := Spec{Shape: "rose", L: glass, W: glass, H: math.Round(math.Min(70, across*.62)), Seconds: 5 * float64(n), Yield: from.Yield, SliceMM: math.Round(across), Group: 1, MassG: float64(n) * f.roundG(across, thick)}
	s.Solid = solidOf(f, s)
	return s, true
}

// asOpen is what comes in brine or oil, drained and laid on the board itself: olives, gherkins. Onions and capers that are
// told by the bowl, and what weighs more than a bite, stay in it.
func asOpen(f *Food) (Spec, bool) {
	s, ok := f.listed("bowl")
	s.Group = 12
	return s, ok && f.Category == Brined && f.Needs(Drain) && s.Shape != "vessel" && s.MassG < 12
}

// asFanned is what is longer than broad and holds together at one end: a pear, a strawberry, a gherkin. It is sliced
// nearly through and pressed open.
func asFanned(f *Food) (Spec, bool) {
	if f.Stone || f.Texture == "creamy" || f.Category != Fruit && f.Category != Brined || f.Wetness != Juicy {
		return Spec{}, false
	}
	if half, ok := f.listed("halves"); ok && half.L >= 1.2*half.W && half.L >= 30 && half.L <= 100 {
		s := Spec{Shape: "opened", L: half.L, W: math.Round(half.W * 1.25), H: math.Round(half.H * .8), Seconds: half.Seconds + 10, Yield: half.Yield, Chokes: half.Chokes, Group: 5, MassG: half.MassG}
		if half.L < 3*half.W { // a whole one of what is slim
			s.Solid = solidOf(f, s)
			return s, true
		}
		s.W, s.H, s.MassG = math.Round(half.L*.7), math.Round(half.H*1.3), math.Round(half.MassG*20)/10
		s.Solid = solidOf(f, s)
		return s, true
	}
	return Spec{}, false
}

// asStood is a whole fruit that is taller than broad, a pear: sliced from below nearly to its stalk, the slices turned about it
// and the whole stood on its broad end, a tenth broader than it was.
func asStood(f *Food) (Spec, bool) {
	s, ok := f.listed("whole")
	if !ok || f.Stone || f.Category != Fruit || f.Wetness != Juicy || s.Shape != "oval" || s.H < 1.15*s.L {
		return Spec{}, false
	}
	s.Shape, s.L, s.W, s.H = "stood", math.Round(s.L*1.1), math.Round(s.W*1.1), math.Round(s.H*.95)
	s.Yield = .95 // a little is cut off below, so that it stands
	s.MassG, s.Seconds, s.Group = math.Round(s.MassG*float64(s.Yield)*10)/10, s.Seconds+30, 1
	s.Solid = solidOf(f, s)
	return s, true
}

// berry is a small soft fruit or vegetable, round or nearly so, that comes whole.
func (f *Food) berry() (Spec, bool) {
	s, ok := f.listed("drift", "cluster")
	return s, ok && (f.Category == Fruit || f.Category == Vegetable) && s.Shape == "oval" && s.L >= 16 && s.L <= 40 && s.W >= .7*s.L && !f.Shell && s.MassG < 15
}

func asHalves(f *Food) (Spec, bool) {
	s, ok := f.berry()
	chokes := f.Choking
	s.Shape, s.H, s.MassG, s.Seconds, s.Chokes, s.Group, s.Pitch = "half", math.Round(s.H/2), math.Round(s.MassG*50)/100, 3, &chokes, max(9, s.Group), 0
	return s, ok && !f.Stone
}

func asQuarters(f *Food) (Spec, bool) {
	s, ok := f.berry()
	none := false
	s.Shape, s.L, s.W, s.H, s.MassG, s.Seconds, s.Chokes, s.Group, s.Pitch = "crescent", math.Round(s.L*.97), math.Round(s.W*.52), math.Round(s.H*.5), math.Round(s.MassG*25)/100, 2.5, &none, max(16, s.Group), 0
	s.Solid = solidOf(f, s)
	return s, ok && !f.Stone
}

// begunSlices is how many slices lean on a wedge that is begun.
const begunSlices = 4

// asBegun is a small wedge of a wheel, or an end of a block, with a few slices leaning on it.
func asBegun(f *Food) (Spec, bool) {
	if f.Category != Cheese || f.Firmness != "firm" && f.Firmness != "hard" {
		return Spec{}, false
	}
	s, ok := f.listed("shingle", "fan", "tumble")
	if !ok || s.Shape == "disc" {
		return Spec{}, false
	}
	slice := Spec{Shape: "triangle", L: 74, W: 42, H: 5}
	if s.Shape == "triangle" {
		slice = s
	}
	wedge := Spec{Shape: "wedge", L: slice.L + 6, W: 46, H: slice.W}
	if s.Shape == "slab" || s.Shape == "box" {
		slice = Spec{Shape: "slab", L: 58, W: 34, H: 5}
		wedge = Spec{Shape: "box", L: 62, W: 40, H: 34}
	}
	out := Spec{Shape: "begun", L: math.Round(wedge.L + 6), W: math.Round(wedge.W + begunSlices*9), H: math.Round(wedge.H), Seconds: 40, Yield: s.Yield, N: begunSlices}
	out.MassG = math.Round((wedge.VolumeML() + begunSlices*slice.VolumeML()) * f.Density)
	out.Solid = solidOf(f, out)
	return out, true
}

// asRound is a round of at least so many mm cut into smaller pieces than the entry says.
func asRound(f *Food, n int, least float64) (Spec, bool) {
	s, ok := f.listed("cut-round")
	if !ok || s.L < least || s.N >= n {
		return Spec{}, false
	}
	s.MassG, s.Seconds, s.N = math.Round(s.MassG*float64(s.N)/float64(n)*1000)/1000, s.Seconds*.9, n
	return s, true
}

// asStrewn is seeds and arils, leaves and petals, strewn over what lies there already.
func asStrewn(f *Food) (Spec, bool) {
	s := Spec{Shape: "strewn", L: 44, W: 40, H: 4, Seconds: 6, Group: 1}
	switch tiny, ok := f.listed("drift", "bowl", "petals", "sprig"); {
	case !ok || f.Wetness == Runny || f.Category == Cheese || f.Category == Meat:
		return Spec{}, false
	case f.Category == Garnish && (tiny.Form == "petals" || tiny.MassG <= .6 && tiny.L <= 66):
		s.MassG, s.Yield = .4, tiny.Yield
	case tiny.Shape != "vessel" && tiny.Shape != "leaf" && (tiny.L+tiny.W)/2 < tinyMM && (f.Category == Fruit || f.Category == Nut || f.Category == Dried):
		s.MassG, s.Yield = 2.5, tiny.Yield
	default:
		return Spec{}, false
	}
	s.Solid = solidOf(f, s)
	return s, true
}
