package food

import (
	"math"

	"happytray/core/geom"
)

// Kind says how the hands, and so the arranger, treat a form.
type Kind string

const (
	KindAnchor  Kind = "anchor"  // rigid: put down first, others build round it
	KindRow     Kind = "row"     // overlapped pieces along a straight or bent line
	KindTrail   Kind = "trail"   // a long winding line through the tray
	KindLoose   Kind = "loose"   // pieces that settle into the room there is
	KindGarnish Kind = "garnish" // tucked in last, half on its neighbours
)

// Piece is one thing to put down, placed round its element's origin.
type Piece struct {
	geom.Pose
	Z, Height float64 // mm above the board of its foot, and its own height
	Variant   int     // of its drawing, 0 and up to Variants
}

// Form turns an amount of a food into pieces.
type Form interface {
	ID() string
	// Says is what hands do, as it is read out: "folded in four".
	Says() string
	Kind() Kind
	// Lay places n pieces of the food round the origin. Loose forms return them
	// as one tight heap, trails as a straight line along x.
	Lay(foodID string, s Spec, n int) []Piece
}

// Bender is a form whose line of pieces can follow a circle.
type Bender interface {
	Form
	// Bend lays n pieces along a circle of the given radius (mm, to the middle of
	// the line) whose centre lies at (0, radius). Radius zero is a straight line.
	Bend(foodID string, s Spec, n int, radius float64) []Piece
}

// forms are all there are, each with what hands do; the files form_*.go have what lays them. What else decides how a
// form is handled is said by its traits (traits.go).
var forms = []Form{
	// rigid: put down first
	whole{"whole", "left whole, with its knife"},
	whole{"begun", "a wedge begun, a few slices leaning on it"}, // its slices and all are one piece (Spec.N)
	cutRound{}, cutRound{12}, cutRound{16}, rosette{}, ring{}, crissCross{},
	whole{"stood", "sliced nearly through, fanned and stood up"}, // a pear on its broad end
	whole{"prop", "stands here, not to be eaten"},
	// in a vessel
	filled{"bowl", "in its bowl"}, filled{"pot", "pressed into its pot"}, filled{"upright", "standing in a cup"},
	filled{"flower", "folded and stood in a small dish like a flower"}, // which its neighbours then hide
	// lines
	lapped("shingle", "overlapped in a row"), // long sides across the line
	fanned("fan", "fanned out", 1.5),
	lapped("triangles", "in triangles, overlapped in a row"), // tips the same way
	row{id: "rings", says: "cut across in rings, overlapped", pitch: ownPitch, lean: halfHeight},
	arc{lapped("arc", "overlapped in an arc round its neighbour")},
	lapped("coins", "sliced in coins, overlapped"),
	spaced("rolls", "rolled, seam down, side by side", 1),
	bowed("half-fold-fan", "folded once, spread like cards", 1.2, 1),
	row{id: "batons", says: "in sticks, side by side", pitch: func(s Spec) float64 { return s.W + .8 }, lean: func(Spec) float64 { return 0 }, uneven: true},
	spaced("wound", "wound round breadsticks, side by side", 1),
	bowed("slices", "sliced and fanned, skin out", 2, .5),
	spaced("stack", "on edge in a row", .5), // leaning on each other like books
	spaced("slab", "sliced, side by side", 2),
	onPicks("skewer", "on picks, side by side"), // heads the same way
	trail{},
	// loose
	heap{"tumble", "heaped", KindLoose, true},
	heap{"ribbon", "gathered into ribbons", KindLoose, false}, // about 45 x 35 mm and 25 high
	heap{"drift", "in a small scattered pile", KindLoose, true},
	heap{"cluster", "snipped into small clusters", KindLoose, true},
	heap{"halves", "halved, cut side up", KindLoose, false},
	heap{"quarters", "quartered lengthwise", KindLoose, false}, // for the smallest guests
	heap{"fanned", "sliced nearly through and pressed into a fan", KindLoose, false},
	// what lies on others, last
	heap{"sprig", "tucked in, ends hidden", KindGarnish, false},
	heap{"scatter", "scattered singly", KindGarnish, false},
	heap{"petals", "as petals, let fall", KindGarnish, false},
	heap{"topping", "spooned on top, late", KindGarnish, false}, // jam, berries: one piece for each thing it is put on
	heap{"strewn", "strewn over, last", KindGarnish, false},     // seeds, arils, leaves: a pinch for each thing
	heap{"drizzled", "drizzled over, last", KindGarnish, false}, // honey, syrup, oil: 2 to 3 g on 100 cm2
}

// Forms lists every form.
func Forms() []Form { return forms }

// FormByID finds a form, or nil.
func FormByID(id string) Form {
	return formsByID[id]
}

var formsByID = func() map[string]Form {
	by := make(map[string]Form, len(forms))
	for _, f := range forms {
		by[f.ID()] = f
	}
	return by
}()

// CuttingFace is a side from which food is cut or spread, in the element's own
// coordinates.
type CuttingFace struct {
	At    geom.Point // middle of the face
	Dir   float64    // degrees, away from the food
	Width float64    // mm
	Need  float64    // mm of free or low room a knife wants (craft: 60 spread, 80 cut)
}

// CutFace is the face of a whole food that guests will cut; ok is false for
// everything that comes in pieces.
func CutFace(f *Food, s Spec) (face CuttingFace, ok bool) {
	if !Has(s.Form, AsItComes|Begun) || f.Category != Cheese && f.Category != Meat {
		return CuttingFace{}, false // a whole fruit waits for nobody's knife
	}
	need := 80.0
	if Has(s.Form, Begun) { // past the slices that lean on it
		return CuttingFace{At: geom.Pt(0, s.W*.46), Dir: 90, Width: s.L * .7, Need: need}, true
	}
	if f.Firmness == "fresh" || f.Firmness == "soft" {
		need = 60
	}
	switch s.Shape {
	case "wedge":
		mid := geom.Pt(0, s.W*.27)
		return CuttingFace{At: mid, Dir: 90 + 13, Width: s.L * .7, Need: need}, true
	default:
		return CuttingFace{At: geom.Pt(s.L/2, 0), Dir: 0, Width: math.Min(s.W, 60), Need: need}, true
	}
}

// Deep is how many layers the form may lie deep: heaps stand up to about 26 mm,
// so small things pile two or three deep and large ones lie singly (craft: nuts
// carry 1.2 to 1.5 g on a square centimetre, which is about two layers).
func (s Spec) Deep() float64 {
	if Has(s.Form, Halved) || s.Form == "ribbon" || !loose(s.Form) {
		return 1
	}
	return math.Max(1.15, math.Min(2.4, 26/s.H))
}

// FootprintMM2 is about how much board n pieces take in the form, packed as
// hands pack them: lapped rows by their pitch, heaps as deep as they stand.
func FootprintMM2(s Spec, n int) float64 {
	if n < 1 {
		return 0
	}
	switch f := FormByID(s.Form); {
	case f == nil:
		return 0
	case Has(s.Form, CutInPlace):
		per, d := max(3, s.N), s.L+8
		part := math.Min(1, 1.1*float64(n%per)/float64(per)) // a part of a round leaves room beside it that little else fills
		return (float64(n/per) + part) * math.Pi / 4 * d * d
	case Has(s.Form, RoundAVessel):
		return 2 * math.Pi * ringRadius(s, n, 0) * s.L * 1.04
	case Has(s.Form, Crossed):
		return s.L * s.L * 1.02
	case f.Kind() == KindAnchor:
		return float64(n) * s.AreaMM2()
	case f.Kind() == KindRow:
		pitch := s.Pitch
		if pitch == 0 {
			pitch = s.W + 1.5
		}
		return RowLength(n, pitch, s.W) * s.L * .95
	case f.Kind() == KindTrail:
		return RowLength(n, s.Pitch, s.L*.6) * s.L * 1.05
	case Has(s.Form, Halved), s.Form == "ribbon":
		return float64(n) * s.AreaMM2() / .82
	case f.Kind() == KindLoose:
		return float64(n) * s.AreaMM2() / .82 / (1 + .45*(s.Deep()-1))
	}
	return 0 // garnish lies on its neighbours
}

// Layer is how early hands put an element down: bowls and anchors first, then
// lines, then what closes the gaps, greens last (docs/craft.md, Where things go).
func Layer(f *Food, s Spec) int {
	switch FormByID(s.Form).Kind() {
	case KindAnchor:
		if InVessel(s.Form) {
			return 0
		}
		return 1
	case KindTrail:
		return 2
	case KindRow:
		if f.Category == Cracker {
			return 4
		}
		return 3
	case KindGarnish:
		if Has(s.Form, OnFood) {
			return 8
		}
		return 7
	}
	if f.Category == Fruit || f.Category == Vegetable {
		return 5
	}
	return 6
}
