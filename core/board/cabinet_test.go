package board

import (
	"math"
	"slices"
	"testing"

	"happytray/core/geom"
)

func TestCabinetHoldsOnesOwn(t *testing.T) {
	base := BuiltInCabinet()
	mine, err := Make(Request{Shape: "oval", LengthMM: 500, WidthMM: 300})
	if err != nil {
		t.Fatal(err)
	}
	mine.ID, mine.Name = "mine", "Mine"
	cup := Vessel{ID: "my-cup", Name: "My cup", DiameterMM: 40, HeightMM: 40, CapacityML: 20, Colour: "#aabbcc", Material: "ceramic"}
	c := base.With([]Board{mine}, []Vessel{cup})
	if got, ok := c.Board("mine"); !ok || got.Name != "Mine" {
		t.Error("the board is not there")
	}
	if vs := c.Vessels(); vs[0].ID != "my-cup" || !slices.IsSortedFunc(vs, func(a, b Vessel) int { return int(a.CapacityML - b.CapacityML) }) {
		t.Error("vessels are not smallest first")
	}
	if _, ok := base.Board("mine"); ok {
		t.Error("the built-in cabinet was changed")
	}
	if base.With(nil, nil) != base || base.Without(nil, nil) != base {
		t.Error("nothing made another cabinet")
	}
	without := c.Without(map[string]bool{"mine": true}, map[string]bool{"my-cup": true})
	for _, b := range without.Usual() {
		if b.ID == "mine" {
			t.Error("a board that was put away would be chosen")
		}
	}
	for _, v := range without.Vessels() {
		if v.ID == "my-cup" {
			t.Error("a cup that was put away would be chosen")
		}
	}
	if v, ok := without.Vessel("my-cup"); !ok || v.Name != "My cup" {
		t.Error("who names a cup that was put away cannot have it")
	}
	if b, err := without.Make(Request{ID: "mine"}); err != nil || b.Name != "Mine" {
		t.Errorf("a job on it cannot have it: %v", err)
	}
	if b, err := without.Make(Request{ID: "mine", Liner: "#efe8d9"}); err != nil || b.Liner != "#efe8d9" {
		t.Errorf("a liner for it: %q, %v", b.Liner, err)
	}
	if _, err := without.Make(Request{ID: "mine", Liner: "paper"}); err == nil {
		t.Error("a liner without a colour was taken")
	}
	if _, err := without.Make(Request{ID: "none-such"}); err == nil {
		t.Error("a board that is not there was made")
	}
	boards := c.Boards()
	boards[0].Name = "scribbled on"
	if c.Boards()[0].Name == "scribbled on" {
		t.Error("the cabinet hands out its own list")
	}
}

func TestOwnOutlineWithHoles(t *testing.T) {
	hole := geom.Circle(30, 20).Move(geom.Pt(420, 150))
	r := Request{Shape: "outline", Name: "Hatch", Outline: geom.Box(500, 300, 20).Move(geom.Pt(250, 150)), Holes: []geom.Outline{hole}, NotFoodSafe: true, Material: "metal", Colour: "#999999"}
	b, err := Make(r)
	if err != nil {
		t.Fatal(err)
	}
	if b.Name != "Hatch" || b.FoodSafe || len(b.Asks()) == 0 {
		t.Errorf("%+v", b)
	}
	if c := b.Keepouts[0].Centroid(); math.Abs(c.X-420) > .1 || math.Abs(c.Y-150) > .1 {
		t.Errorf("the hole lies at %v", c)
	}
	plain := r
	plain.Holes = nil
	whole, _ := Make(plain)
	if lost := whole.UsableMM2() - b.UsableMM2(); math.Abs(lost/(math.Pi*900)-1) > .03 {
		t.Errorf("the hole takes %.0f mm2, want about %.0f", lost, math.Pi*900)
	}
	r.Liner = "#efe8d9"
	if lined, _ := Make(r); len(lined.Asks()) != 0 || lined.Ground() != "#efe8d9" {
		t.Error("a lined surface still asks for a liner, or does not show it")
	}
	r.Holes = []geom.Outline{{{X: 0, Y: 0}, {X: 9, Y: 9}}}
	if _, err := Make(r); err == nil {
		t.Error("a hole of two points was taken")
	}
	r.Holes = make([]geom.Outline, MaxRegions+1)
	if _, err := Make(r); err == nil {
		t.Error("too many holes were taken")
	}
}

func TestGuestsByArea(t *testing.T) {
	last := 0
	for _, c := range []struct{ l, w float64 }{{260, 200}, {420, 300}, {620, 400}, {900, 540}, {2400, 700}} {
		b, err := Make(Request{Shape: "rectangle", LengthMM: c.l, WidthMM: c.w})
		if err != nil {
			t.Fatal(err)
		}
		n := b.Guests()
		per := b.UsableMM2() / 100 / float64(n)
		if n <= last || per < 170 || per > 270 {
			t.Errorf("%v x %v: %d guests at %.0f cm2 each", c.l, c.w, n, per)
		}
		last = n
	}
}
