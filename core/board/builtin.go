package board

import (
	"sync"

	"happytray/core/colour"
	"happytray/core/geom"
	"happytray/core/wire"
)

var builtIn = sync.OnceValue(func() []Board {
	list := []struct {
		name string
		r    Request
	}{
		{"Little round, beech", Request{ID: "round-26-beech", Shape: "round", LengthMM: 260, Colour: "#c79a63"}},
		{"Round, olive wood", Request{ID: "round-34-olive", Shape: "round", LengthMM: 340, Colour: "#a8783f"}},
		{"Round, marble", Request{ID: "round-40-marble", Shape: "round", LengthMM: 400, Colour: "#dedbd5", Material: "marble"}},
		{"Round, walnut", Request{ID: "round-48-walnut", Shape: "round", LengthMM: 480, Colour: "#6f4528"}},
		{"Great round with rim, oak", Request{ID: "round-60-oak", Shape: "round", LengthMM: 600, RimMM: 15, Colour: "#a97c4c"}},
		{"Kitchen board, beech", Request{ID: "rectangle-38-beech", Shape: "rectangle", LengthMM: 380, WidthMM: 250, Colour: "#c79a63"}},
		{"Slate", Request{ID: "rectangle-45-slate", Shape: "rectangle", LengthMM: 450, WidthMM: 300, Colour: "#3e4448", Material: "slate"}},
		{"Rimmed tray, ash", Request{ID: "rectangle-52-ash", Shape: "rectangle", LengthMM: 520, WidthMM: 340, RimMM: 25, Colour: "#b98f5f"}},
		{"Serving board, cherry", Request{ID: "rectangle-60-cherry", Shape: "rectangle", LengthMM: 600, WidthMM: 400, Colour: "#8f5432"}},
		{"Great board, oak", Request{ID: "rectangle-76-oak", Shape: "rectangle", LengthMM: 760, WidthMM: 460, Colour: "#a0713f"}},
		{"Oval, walnut", Request{ID: "oval-62-walnut", Shape: "oval", LengthMM: 620, WidthMM: 400, Colour: "#744a2b"}},
		{"Oval platter, glazed", Request{ID: "oval-46-glaze", Shape: "oval", LengthMM: 460, WidthMM: 320, RimMM: 12, Colour: "#e9e3d6", Material: "ceramic"}},
		{"Paddle, olive wood", Request{ID: "paddle-50-olive", Shape: "paddle", LengthMM: 500, WidthMM: 260, Colour: "#a8783f"}},
		{"Long plank, oak", Request{ID: "plank-100-oak", Shape: "plank", LengthMM: 1000, WidthMM: 280, Colour: "#9b6f42"}},
		{"Table run, paper", Request{ID: "run-140-paper", Shape: "plank", LengthMM: 1400, WidthMM: 600, Colour: "#efe8d9", Material: "paper"}},
		{"Long table run, paper", Request{ID: "run-240-paper", Shape: "plank", LengthMM: 2400, WidthMM: 700, Colour: "#efe8d9", Material: "paper"}},
	}
	var out []Board
	for _, e := range list {
		r := e.r
		id := r.ID
		r.ID = ""
		b, err := build(r)
		if err != nil {
			panic("built-in board " + id + ": " + err.Error()) // fixed data; the tests build it
		}
		b.ID, b.Name = id, e.name
		out = append(out, b)
	}
	return out
})

// BuiltIn lists the boards that ship with the product.
func BuiltIn() []Board { return append([]Board(nil), builtIn()...) }

// Vessel is a bowl, cup or dish that stands on a board. Its outline goes round
// its own centre; without one it is round with DiameterMM.
type Vessel struct {
	ID         string       `json:"id"`
	Name       string       `json:"name"`
	Outline    geom.Outline `json:"outline,omitempty"`
	DiameterMM float64      `json:"diameter_mm,omitempty"`
	HeightMM   float64      `json:"height_mm"`
	CapacityML float64      `json:"capacity_ml"`
	Colour     string       `json:"colour"`
	Material   string       `json:"material"`
	Extra      wire.Extra   `json:"-"`
}

type plainVessel Vessel

func (v *Vessel) UnmarshalJSON(raw []byte) (err error) {
	v.Extra, err = wire.ReadObject(raw, (*plainVessel)(v))
	return err
}

func (v Vessel) MarshalJSON() ([]byte, error) { return wire.WriteObject(plainVessel(v), v.Extra) }

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
		return wire.Bad("id", "a vessel needs an id")
	}
	if err := wire.Text("id", v.ID, 80); err != nil {
		return err
	}
	if err := wire.Text("name", v.Name, 120); err != nil {
		return err
	}
	if len(v.Outline) > 0 {
		if err := v.Outline.Check(); err != nil {
			return wire.Bad("outline", "%s", err.Error())
		}
	} else if err := wire.Between("diameter_mm", v.DiameterMM, 15, 600, " mm"); err != nil {
		return err
	}
	if err := wire.Between("height_mm", v.HeightMM, 1, 400, " mm"); err != nil {
		return err
	}
	if err := wire.Between("capacity_ml", v.CapacityML, 1, 20000, " ml"); err != nil {
		return err
	}
	if _, err := colour.Parse(v.Colour); err != nil {
		return wire.Bad("colour", "%s", err.Error())
	}
	return wire.Text("material", v.Material, 40)
}

// Vessels lists the vessels that ship with the product, smallest first.
func Vessels() []Vessel {
	return []Vessel{
		{ID: "pinch-bowl", Name: "Pinch bowl, blue-grey glaze", DiameterMM: 58, HeightMM: 28, CapacityML: 42, Colour: "#7f8f98", Material: "ceramic"},
		{ID: "glass-pot", Name: "Little glass pot", DiameterMM: 62, HeightMM: 48, CapacityML: 75, Colour: "#cfd8d6", Material: "glass"},
		{ID: "dip-bowl", Name: "Dip bowl, white glaze", DiameterMM: 72, HeightMM: 34, CapacityML: 82, Colour: "#ece7dc", Material: "ceramic"},
		{ID: "clay-cup", Name: "Clay cup", DiameterMM: 68, HeightMM: 52, CapacityML: 110, Colour: "#b26a45", Material: "clay"},
		{ID: "wood-bowl", Name: "Turned bowl, walnut", DiameterMM: 82, HeightMM: 38, CapacityML: 118, Colour: "#6d4629", Material: "wood"},
		{ID: "wide-dish", Name: "Wide dish, speckled", DiameterMM: 94, HeightMM: 32, CapacityML: 145, Colour: "#ddd5c4", Material: "ceramic"},
	}
}
