package board

import (
	"math"
	"sort"
	"strings"
	"sync"

	"happytray/core/colour"
	"happytray/core/document"
	"happytray/core/fault"
	"happytray/core/geom"
)

// Vessel is a bowl, cup or dish that stands on a board. Its outline goes round
// its own centre; without one it is round with DiameterMM.
type Vessel struct {
	ID         string         `json:"id"`
	Name       string         `json:"name"`
	Outline    geom.Outline   `json:"outline,omitempty"`
	DiameterMM float64        `json:"diameter_mm,omitempty"`
	HeightMM   float64        `json:"height_mm"`
	CapacityML float64        `json:"capacity_ml"`
	Colour     string         `json:"colour"`
	Material   string         `json:"material"`
	Extra      document.Extra `json:"-"`
}

type plainVessel Vessel

func (v *Vessel) UnmarshalJSON(raw []byte) (err error) {
	v.Extra, err = document.ReadObject(raw, (*plainVessel)(v))
	return err
}

func (v Vessel) MarshalJSON() ([]byte, error) { return document.WriteObject(plainVessel(v), v.Extra) }

// Footprint is the vessel's outline round its own centre.
func (v Vessel) Footprint() geom.Outline {
	if len(v.Outline) > 0 {
		return v.Outline
	}
	return geom.Circle(v.DiameterMM/2, 28).Round()
}

// Check bounds a vessel that came from outside.
func (v Vessel) Check() error {
	if v.ID == "" {
		return fault.Bad("id", "a vessel needs an id")
	}
	if err := fault.Text("id", v.ID, 80); err != nil {
		return err
	}
	if err := fault.Text("name", v.Name, 120); err != nil {
		return err
	}
	if len(v.Outline) > 0 {
		if err := v.Outline.Check(); err != nil {
			return fault.Bad("outline", "%s", err.Error())
		}
	} else if err := fault.Between("diameter_mm", v.DiameterMM, 15, 600, " mm"); err != nil {
		return err
	}
	if err := fault.Between("height_mm", v.HeightMM, 1, 400, " mm"); err != nil {
		return err
	}
	if err := fault.Between("capacity_ml", v.CapacityML, 1, 20000, " ml"); err != nil {
		return err
	}
	if _, err := colour.Parse(v.Colour); err != nil {
		return fault.Bad("colour", "%s", err.Error())
	}
	return fault.Text("material", v.Material, 40)
}

// Across is the vessel's largest width, mm.
func (v Vessel) Across() float64 {
	if len(v.Outline) == 0 {
		return v.DiameterMM
	}
	b := v.Outline.Bounds()
	return max(b.W(), b.H())
}

// Round reports whether the vessel is so nearly round that slices can be laid in
// an arc round it: its area is that of a circle as wide, within a tenth.
func (v Vessel) Round() bool {
	if len(v.Outline) == 0 {
		return true
	}
	circle := math.Pi / 4 * v.Across() * v.Across()
	return math.Abs(v.Outline.Area()/circle-1) < .1
}

// Hollowed is the material of a vegetable or fruit that serves as a bowl, and is used once: one stands on a large board as its
// showpiece, others are there for those who ask for one.
const Hollowed = "hollowed"

// HollowedFrom is what a hollowed vessel is made of, as one buys it: a little squash. Empty for any other.
func (v Vessel) HollowedFrom() string {
	if v.Material != Hollowed {
		return ""
	}
	name := strings.ToLower(v.Name)
	for _, word := range []string{"hollowed", "half a", ","} {
		name = strings.ReplaceAll(name, word, " ")
	}
	return strings.Join(strings.Fields(name), " ")
}

// builtInVessels are bowls and dishes for whatever is wet, oily, runny, tiny or
// loose (docs/craft.md, Boards): 60 to 90 mm across and 30 to 55 high for the most
// part, some wide and low, some small and tall, in many makes. Capacities are
// about half of the outer box: walls, a rounded foot, and room below the brim.
var builtInVessels = sync.OnceValue(func() []Vessel {
	round := func(id, name string, across, high, ml float64, colour, material string) Vessel {
		return Vessel{ID: id, Name: name, DiameterMM: across, HeightMM: high, CapacityML: ml, Colour: colour, Material: material}
	}
	shaped := func(id, name string, o geom.Outline, high, ml float64, colour, material string) Vessel {
		return Vessel{ID: id, Name: name, Outline: o.Round(), HeightMM: high, CapacityML: ml, Colour: colour, Material: material}
	}
	all := []Vessel{
		round("pinch-bowl", "Pinch bowl, blue-grey glaze", 58, 28, 42, "#7f8f98", "ceramic"),
		round("salt-pot", "Salt pot, marble", 60, 34, 50, "#d9d6d0", "marble"),
		round("glass-pot", "Little glass pot", 62, 48, 75, "#cfd8d6", "glass"),
		round("dip-bowl", "Dip bowl, white glaze", 72, 34, 82, "#ece7dc", "ceramic"),
		round("sand-bowl", "Sand-glazed bowl", 76, 36, 95, "#c9a983", "ceramic"),
		round("copper-pan", "Copper pan without its handle", 78, 34, 102, "#b87348", "metal"),
		round("clay-cup", "Clay cup", 68, 52, 110, "#b26a45", "clay"),
		round("wood-bowl", "Turned bowl, walnut", 82, 38, 118, "#6d4629", "wood"),
		round("moss-bowl", "Moss-glazed bowl", 80, 44, 128, "#6f7a5c", "ceramic"),
		round("wide-dish", "Wide dish, speckled", 94, 32, 145, "#ddd5c4", "ceramic"),
		round("tall-glass", "Tall glass", 66, 78, 150, "#cdd8d8", "glass"),
		round("beech-bowl", "Turned bowl, beech", 92, 42, 160, "#c59d6b", "wood"),
		round("ink-bowl", "Ink-glazed bowl", 90, 48, 175, "#3d4a5c", "ceramic"),
		round("enamel-bowl", "Enamel bowl, cream", 100, 46, 205, "#e8e0cb", "metal"),
		round("olive-bowl", "Great bowl, olive wood", 112, 48, 265, "#a5763d", "wood"),
		round("great-bowl", "Great bowl, white glaze", 120, 55, 340, "#ece8df", "ceramic"),
		round("pepper-cup", "Hollowed yellow pepper", 76, 62, 120, "#e5b52f", Hollowed),
		round("squash-bowl", "Hollowed little squash", 104, 62, 220, "#d9782c", Hollowed),
		round("cabbage-bowl", "Hollowed red cabbage", 124, 58, 290, "#7a3a63", Hollowed),
		round("melon-bowl", "Half a melon, hollowed", 134, 62, 380, "#cdbb78", Hollowed),
		shaped("boat", "Little boat, cream glaze", geom.Ellipse(39, 25, 28), 28, 42, "#e6dcc6", "ceramic"),
		shaped("square-dish", "Square dish, slate glaze", geom.Box(64, 64, 12), 30, 66, "#5b6468", "ceramic"),
		shaped("oval-dish", "Oval dish, rust glaze", geom.Ellipse(52, 34, 28), 34, 98, "#a05a3c", "ceramic"),
		shaped("eight-side", "Eight-sided bowl, white", geom.Ellipse(44, 44, 8).Turn(22.5), 40, 108, "#e7e3da", "ceramic"),
		shaped("trough", "Trough, ash wood", geom.Box(132, 52, 16), 30, 112, "#b9935f", "wood"),
		shaped("long-dish", "Long dish, white glaze", geom.Capsule(150, 58), 30, 138, "#ebe6db", "ceramic"),
		shaped("square-bowl", "Square bowl, sand", geom.Box(86, 86, 18), 42, 170, "#cdb492", "ceramic"),
		shaped("oval-bowl", "Oval bowl, steel", geom.Ellipse(66, 44, 28), 44, 205, "#b9bcbc", "metal"),
	}
	sort.SliceStable(all, func(i, j int) bool { return all[i].CapacityML < all[j].CapacityML })
	return all
})

// Vessels lists the vessels that ship with the product, smallest first.
func Vessels() []Vessel { return append([]Vessel(nil), builtInVessels()...) }
