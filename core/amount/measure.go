package amount

import (
	"math"

	"happytray/core/board"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/round"
)

// Measure is what a food in a form comes to, for a number of pieces: the room
// they take laid by themselves, what they weigh and how long hands need.
type Measure struct {
	Form     string        `json:"form"`
	Says     string        `json:"says"`
	Kind     food.Kind     `json:"kind"`
	Pieces   int           `json:"pieces"`    // as the amount asked for makes
	LengthMM float64       `json:"length_mm"` // of the box round all of it, as it is laid
	AcrossMM float64       `json:"across_mm"`
	HeightMM float64       `json:"height_mm"`
	AreaCM2  float64       `json:"area_cm2"` // board it takes, packed as hands pack it
	MassG    float64       `json:"mass_g"`
	Minutes  float64       `json:"minutes"`            // of handwork
	Slices   int           `json:"slices,omitempty"`   // in each rosette
	Glass    float64       `json:"glass_mm,omitempty"` // mm across, of the glass a rosette is turned out of; 0 for other forms
	Vessel   *board.Vessel `json:"vessel,omitempty"`
	Bowls    int           `json:"bowls,omitempty"`  // how many of them hold it
	Around   *board.Vessel `json:"around,omitempty"` // what an arc or a ring is laid round
	Laid     []food.Piece  `json:"-"`                // the pieces, unless they stand in a vessel
	Middle   geom.Point    `json:"-"`                // where what they are laid round stands
	Yields   []Yield       `json:"yields"`
}

// Yield is what one pack comes to in the form.
type Yield struct {
	PackG  float64 `json:"pack_g"`
	Price  int     `json:"price"`  // minor units
	Pieces int     `json:"pieces"` // whole ones
	LeftG  float64 `json:"left_g"`
}

// usualDip is the bowl that slices are shown round.
const usualDip = "dip-bowl"

// MaxMeasured bounds the pieces that are laid out to be measured.
const MaxMeasured = 400

// MeasureForm lays n pieces of the food in the form by themselves and measures
// them. For n below 1 it takes one generous group. glass is the rim a rosette is
// lapped round, in mm; 0 for the one it is known by. around is the round vessel
// that an arc or a ring is laid round, the usual dip bowl where nil. ok is false
// when the food cannot take the form.
func MeasureForm(f *food.Food, form string, n int, glass float64, around *board.Vessel, cabinet *board.Cabinet) (m Measure, spec food.Spec, ok bool) {
	spec, ok = f.Spec(form)
	if !ok {
		return m, spec, false
	}
	if n < 1 {
		n = GroupOf(spec)
	}
	n = min(n, MaxMeasured)
	if food.Has(form, food.Curled) {
		at := spec.L
		if glass > 0 {
			at = glass
		}
		if other, slices, can := spec.Round(at); can {
			spec, m.Slices, m.Glass = other, slices, at
		}
	}
	kind := food.FormByID(form)
	m.Form, m.Says, m.Kind, m.Pieces = form, kind.Says(), kind.Kind(), n
	m.MassG = round.Tenth(float64(n) * spec.MassG)
	m.Minutes = round.Tenth(float64(n) * spec.Seconds / 60)
	if food.InVessel(form) {
		used := map[string]bool{}
		ml := food.FillOf(f, spec, n)
		if v := vesselFor(ml, plain(cabinet), used); v.ID != "" {
			m.Vessel = &v
			m.Bowls = max(1, int(math.Ceil(ml/(v.CapacityML*.9)-1e-9)))
			box := v.Footprint().Bounds()
			m.LengthMM, m.AcrossMM, m.HeightMM = box.W(), box.H(), math.Max(v.HeightMM, standing(spec))
			m.AreaCM2 = round.Tenth(float64(m.Bowls) * v.Footprint().Area() / 100)
		}
	} else {
		var box geom.Rect
		m.Laid = kind.Lay(f.ID, spec, n)
		if r, can := kind.(food.Rounder); can {
			m.Around = around
			if around == nil {
				if v, have := cabinet.Vessel(usualDip); have {
					m.Around = &v
				}
			}
			if m.Around != nil {
				inner := m.Around.Across() / 2
				m.Laid = r.Round(f.ID, spec, n, inner)
				if _, bends := kind.(food.Bender); bends { // its line does not close: it bends round a middle below it
					m.Middle = geom.Pt(0, food.LineRadius(spec, inner))
				}
			}
		}
		for i, p := range m.Laid {
			b := p.ApplyAll(spec.Outline(f.ID, p.Variant)).Bounds()
			if i == 0 {
				box = b
			}
			box = box.Union(b)
			m.HeightMM = math.Max(m.HeightMM, p.Z+p.Height)
		}
		m.LengthMM, m.AcrossMM = math.Max(box.W(), box.H()), math.Min(box.W(), box.H())
		m.AreaCM2 = round.Tenth(food.FootprintMM2(spec, n) / 100)
		if food.Has(form, food.RoundAVessel) { // as wide as what it goes round makes it
			m.AreaCM2 = round.Tenth(2 * math.Pi * m.Laid[0].At().Len() * spec.L / 100)
		}
	}
	m.LengthMM, m.AcrossMM, m.HeightMM = math.Round(m.LengthMM), math.Round(m.AcrossMM), math.Round(m.HeightMM)
	for _, p := range f.Packs {
		ready := p.Grams * f.YieldAs(form) // without peel and ends
		y := Yield{PackG: p.Grams, Price: p.Price, Pieces: int(ready/spec.MassG + 1e-9)}
		if spec.Shape == "vessel" { // a dip has no pieces; a pack fills what it fills
			y.Pieces = 0
		} else {
			y.LeftG = round.Tenth(ready - float64(y.Pieces)*spec.MassG)
		}
		m.Yields = append(m.Yields, y)
	}
	return m, spec, true
}

// GroupOf is how many pieces of a form make one generous group.
func GroupOf(s food.Spec) int {
	switch {
	case food.Has(s.Form, food.CutInPlace):
		return max(3, s.N)
	case s.Group > 0:
		return s.Group
	case food.FormByID(s.Form).Kind() == food.KindAnchor, food.Has(s.Form, food.OnFood):
		return 1
	}
	return 8
}

// standing is how high what stands out of a vessel reaches.
func standing(s food.Spec) float64 {
	if food.Has(s.Form, food.StandsOut) {
		return math.Max(s.L, s.H)
	}
	return 0
}

// plain lists the vessels that are taken unasked.
func plain(cabinet *board.Cabinet) []board.Vessel {
	var out []board.Vessel
	for _, v := range cabinet.Vessels() {
		if v.Material != board.Hollowed {
			out = append(out, v)
		}
	}
	return out
}
