package food

import (
	"hash/fnv"
	"math"
	"math/rand/v2"
	"sync"
	"sync/atomic"

	"happytray/core/geom"
)

// Variants is how many slightly different shapes each form of a food comes in.
const Variants = 8

// Fraction of a shape's box (length x width x height) that is food: solid
// geometry for the named body, with the rounding that a knife or a fruit has.
var solidShare = map[string]float64{
	"disc":     math.Pi / 4,        // a slice or biscuit
	"oval":     math.Pi / 6,        // an ellipsoid: berries, olives, nuts
	"half":     math.Pi / 6,        // half an ellipsoid in its own, half as high, box
	"box":      .97,                // cubes, batons, squares
	"slab":     .9,                 // oblong with rounded corners
	"lump":     .62,                // broken by hand
	"triangle": .53,                // a slice from a wheel, tip a little blunt
	"wedge":    .62,                // a thick wedge with a round rind
	"cylinder": math.Pi / 4,        // a log, a stick, a roll
	"sector":   .5,                 // set by its opening angle; see Sector volume below
	"fold":     math.Pi / 4,        // a disc folded in four, in the box of the fold
	"halffold": math.Pi / 4,        // a disc folded once
	"gathered": .24,                // a thin slice pushed together
	"crescent": .55,                // a fruit slice
	"leaf":     .1,                 // sprigs and flowers are mostly air
	"ring":     .45,                // a small pretzel
	"vessel":   math.Pi / 4 * .5,   // what a bowl of that size is filled with
	"rose":     math.Pi / 4 * .357, // lapped slices round a hollow
	"edge":     math.Pi / 4,        // a biscuit seen from its edge, standing
	"skewer":   .42,                // small things on a pick, with air at its ends and between them
	"petal":    .5,                 // one petal, a little curled
	"spoon":    .42,                // a spoonful that has settled flat
	"strewn":   .1,                 // a pinch, with what it lies on between
	"thread":   .5,                 // drizzled to and fro
	"loop":     .3,                 // hollow and cut across
	"opened":   .4,                 // sliced nearly through and pressed into a fan
	"stood":    .33,                // a pear sliced from below, its slices spread
	"begun":    .4,                 // a wedge with slices leaning on it
	"standing": .5,                 // a prop, narrowing to its top
}

// A skewer holds what is threaded from OnPickFrom mm of its handle on up to PickTip mm from its point.
const (
	OnPickFrom = 12.0
	PickTip    = 3.0
	pickMM     = 2.4 // how thick a pick is
)

func knownShape(s string) bool { _, ok := solidShare[s]; return ok }

// VolumeML is the volume of one piece in ml, from its shape and size.
func (s Spec) VolumeML() float64 {
	share := s.Solid
	if share == 0 {
		share = solidShare[s.Shape]
	}
	if s.Shape == "sector" && s.N > 0 { // l is the round's diameter
		return math.Pi / 4 * s.L * s.L * s.H / float64(s.N) / 1000
	}
	return s.L * s.W * s.H * share / 1000
}

// Seed mixes names and numbers into a seed, so that each food, form and variant
// keeps its own irregularity for ever.
func Seed(parts ...string) uint64 {
	h := fnv.New64a()
	for _, p := range parts {
		h.Write([]byte(p))
		h.Write([]byte{0})
	}
	return h.Sum64()
}

// Rand is a repeatable source for a seed.
func Rand(seed uint64) *rand.Rand { return rand.New(rand.NewPCG(seed, 0x9e3779b97f4a7c15)) }

// Outline is the footprint of one piece round its own origin, of a given variant
// (0 to Variants-1). Loose shapes have a turn of their own baked in, so that the
// light on them stays where it is. Jitter is at most three per cent of the size, ten where hands cut the piece.
func (s Spec) Outline(foodID string, variant int) geom.Outline {
	r := Rand(Seed(foodID, s.Form, string(rune('a'+variant%Variants))))
	k := .97 + .06*r.Float64()
	if s.handCut() {
		k = uneven[(int(Seed(foodID, s.Form)%Variants)+3*variant)%Variants]
	}
	return s.outline(r, k, variant)
}

// AreaMM2 is the footprint of a piece of middling size, mm2.
func (s Spec) AreaMM2() float64 {
	of := sized{s.Form, s.Shape, s.L, s.W, s.N}
	if a, known := areas.Load(of); known {
		return a.(float64)
	}
	a := s.outline(Rand(Seed(s.Form)), 1, 0).Area()
	if areasKept.Add(1) <= mostAreas {
		areas.Store(of, a)
	}
	return a
}

// sized is what the outline of a middling piece follows from.
type sized struct {
	form, shape string
	l, w        float64
	n           int
}

// Areas that were reckoned are kept: a plan asks for the same few hundred some ten thousand times. So many are, that
// foods of others cannot fill the memory.
const mostAreas = 8192

var (
	areas     sync.Map // sized -> float64
	areasKept atomic.Int64
)

// outline is the footprint of a variant that is k times as long and broad as the spec says.
func (s Spec) outline(r *rand.Rand, k float64, variant int) geom.Outline {
	l, w := s.L*k, s.W*k
	turn := 0.0
	if loose(s.Form) {
		turn = (float64(variant) + .6*r.Float64()) * 180 / Variants
		if s.Shape == "triangle" || s.Shape == "crescent" || s.Shape == "fold" {
			turn *= 2
		}
	}
	var o geom.Outline
	switch s.Shape {
	case "disc", "rose", "vessel":
		o = wobble(geom.Ellipse(l/2, w/2, 24), r, .012)
	case "oval", "half", "ring", "loop", "stood":
		o = wobble(geom.Ellipse(l/2, w/2, 16), r, .025)
	case "opened": // its stalk end at -x
		o = geom.Outline{{X: -l / 2, Y: -w * .09}, {X: l * .1, Y: -w * .42}, {X: l * .34, Y: -w / 2}, {X: l * .46, Y: -w * .25}, {X: l / 2, Y: 0}, {X: l * .46, Y: w * .25}, {X: l * .34, Y: w / 2}, {X: l * .1, Y: w * .42}, {X: -l / 2, Y: w * .09}}
	case "begun": // the wedge behind, its slices towards +y
		o = geom.Outline{{X: -l / 2, Y: -w * .3}, {X: l * .36, Y: -w / 2}, {X: l / 2, Y: -w * .4}, {X: l / 2, Y: w * .3}, {X: l * .4, Y: w / 2}, {X: -l * .3, Y: w / 2}, {X: -l / 2, Y: w * .34}}
	case "lump":
		o = wobble(geom.Ellipse(l/2, w/2, 9), r, .09)
	case "gathered":
		o = wobble(geom.Ellipse(l/2, w/2, 14), r, .05)
	case "box":
		o = geom.Box(l, w, math.Min(l, w)*.08)
	case "slab":
		o = geom.Box(l, w, math.Min(l, w)*.16)
	case "cylinder":
		if l > 2.5*w {
			o = geom.Capsule(l, w*.98)
		} else {
			o = geom.Box(l, w, w*.3)
		}
	case "triangle":
		o = geom.Outline{{X: -l / 2, Y: -w * .07}, {X: l * .44, Y: -w / 2}, {X: l * .485, Y: -w * .25}, {X: l / 2, Y: 0}, {X: l * .485, Y: w * .25}, {X: l * .44, Y: w / 2}, {X: -l / 2, Y: w * .07}}
	case "wedge":
		o = geom.Outline{{X: -l / 2, Y: -w * .06}, {X: l * .4, Y: -w / 2}, {X: l * .47, Y: -w * .3}, {X: l / 2, Y: 0}, {X: l * .47, Y: w * .3}, {X: l * .4, Y: w / 2}, {X: -l / 2, Y: w * .06}}
	case "sector":
		o = geom.Sector(s.L/2, -180/float64(s.N), 180/float64(s.N))
	case "fold": // a quarter of the slice, its tip on the line, its lip across it
		o = geom.Sector(l, -48, 48).Move(geom.Pt(-l*.55, 0))
	case "halffold":
		o = geom.Sector(l/2, -90, 90)[1:].Move(geom.Pt(-l*.2, 0))
	case "crescent":
		o = crescent(l, w)
	case "edge":
		o = geom.Box(l, w, math.Min(l, w)*.3)
	case "skewer": // what is threaded, and the pick that a hand takes it by at -x
		from, to := OnPickFrom*k, PickTip*k
		o = append(geom.Capsule(l-from-to, w*.98).Move(geom.Pt((from-to)/2, 0)), geom.Pt(-l/2, -pickMM/2), geom.Pt(-l/2, pickMM/2), geom.Pt(l/2, 0))
	case "petal":
		o = wobble(geom.Ellipse(l/2, w/2, 10), r, .05)
	case "spoon", "strewn", "thread":
		o = wobble(geom.Ellipse(l/2, w/2, 14), r, .07)
	case "leaf":
		o = wobble(geom.Ellipse(l/2, w/2, 12), r, .03)
	default:
		o = geom.Ellipse(l/2, w/2, 12)
	}
	o = o.Hull() // convex, so that overlaps are exact
	if turn != 0 {
		o = o.Turn(turn)
	}
	return o.Round()
}

// uneven is how much longer and broader than its Spec each variant of a piece is that hands cut: from a tenth less to a
// tenth more, so that the largest covers about half as much again as the smallest, and all of them as much as eight even
// ones (the mean of the squares is 1). Food that is cut quite evenly looks bought (docs/craft.md, House rules).
var uneven = func() (k [Variants]float64) {
	sum := 0.0
	for i := range k {
		k[i] = .9 + .2*float64(i)/(Variants-1)
		sum += k[i] * k[i]
	}
	for i := range k {
		k[i] /= math.Sqrt(sum / Variants)
	}
	return k
}()

// handCut reports whether a piece is cut or broken off by hand on the day: cubes, lumps, sticks and slices of cheese,
// fruit and vegetables; not what is sliced by a machine, baked, or grows as it is.
func (s Spec) handCut() bool {
	if s.Seconds < handCutSecs {
		return false
	}
	switch s.Form {
	case "tumble":
		return s.Shape == "box" || s.Shape == "lump"
	case "batons":
		return s.Shape == "box" || s.Shape == "slab"
	case "shingle", "fan", "triangles", "slices", "slab":
		return s.Shape == "triangle" || s.Shape == "crescent" || s.Shape == "slab"
	}
	return false
}

// handCutSecs is the least handwork of a piece, seconds, from which it is cut and not only laid.
const handCutSecs = 2.5

// Turned is the turn, in degrees, that is baked into a variant's outline; the
// drawing follows it.
func (s Spec) Turned(foodID string, variant int) float64 {
	if !loose(s.Form) {
		return 0
	}
	r := Rand(Seed(foodID, s.Form, string(rune('a'+variant%Variants))))
	r.Float64()
	turn := (float64(variant) + .6*r.Float64()) * 180 / Variants
	if s.Shape == "triangle" || s.Shape == "crescent" || s.Shape == "fold" {
		turn *= 2
	}
	return turn
}

func loose(form string) bool {
	f := FormByID(form)
	return f != nil && f.Kind() == KindLoose
}

func wobble(o geom.Outline, r *rand.Rand, k float64) geom.Outline {
	a, b := r.Float64()*2*math.Pi, r.Float64()*2*math.Pi
	for i := range o {
		t := 2 * math.Pi * float64(i) / float64(len(o))
		o[i] = o[i].Mul(1 + k*(math.Sin(2*t+a)*.6+math.Sin(3*t+b)*.4+(r.Float64()-.5)*.5))
	}
	return o
}

// crescent is a fruit slice: skin side bowed, cut side nearly straight.
func crescent(l, w float64) geom.Outline {
	var o geom.Outline
	for i := 0; i <= 10; i++ {
		t := float64(i)/10*2 - 1
		o = append(o, geom.Pt(t*l/2, -w/2+w*t*t*.85))
	}
	return append(o, geom.Pt(l*.25, w*.48), geom.Pt(0, w/2), geom.Pt(-l*.25, w*.48))
}
