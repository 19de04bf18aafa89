package board

import (
	"sync"

	"happytray/core/geom"
)

// entry is one built-in board. Boards of unusual shapes are only taken by those
// who ask for them, never chosen for a brief.
type entry struct {
	name    string
	r       Request
	unusual bool
	finish  func(b *Board) // wells, grooves and handles
}

var builtIn = sync.OnceValue(func() []built {
	list := []entry{
		{name: "Little round, beech", r: Request{ID: "round-26-beech", Shape: "round", LengthMM: 260, Colour: "#c79a63"}},
		{name: "Small round, maple", r: Request{ID: "round-30-maple", Shape: "round", LengthMM: 300, Colour: "#d3ac77"}},
		{name: "Round, olive wood", r: Request{ID: "round-34-olive", Shape: "round", LengthMM: 340, Colour: "#a8783f"}},
		{name: "Round, marble", r: Request{ID: "round-40-marble", Shape: "round", LengthMM: 400, Colour: "#dedbd5", Material: "marble"}},
		{name: "Round, walnut", r: Request{ID: "round-48-walnut", Shape: "round", LengthMM: 480, Colour: "#6f4528"}},
		{name: "Great round with rim, oak", r: Request{ID: "round-60-oak", Shape: "round", LengthMM: 600, RimMM: 15, Colour: "#a97c4c"}},
		{name: "Kitchen board, beech", r: Request{ID: "rectangle-38-beech", Shape: "rectangle", LengthMM: 380, WidthMM: 250, Colour: "#c79a63"}},
		{name: "Slate", r: Request{ID: "rectangle-45-slate", Shape: "rectangle", LengthMM: 450, WidthMM: 300, Colour: "#3e4448", Material: "slate"}},
		{name: "Rimmed tray, ash", r: Request{ID: "rectangle-52-ash", Shape: "rectangle", LengthMM: 520, WidthMM: 340, RimMM: 25, Colour: "#b98f5f"}},
		{name: "Serving board, cherry", r: Request{ID: "rectangle-60-cherry", Shape: "rectangle", LengthMM: 600, WidthMM: 400, Colour: "#8f5432"}},
		{name: "Great board, oak", r: Request{ID: "rectangle-76-oak", Shape: "rectangle", LengthMM: 760, WidthMM: 460, Colour: "#a0713f"}},
		{name: "Harvest board, elm", r: Request{ID: "rectangle-90-elm", Shape: "rectangle", LengthMM: 900, WidthMM: 540, Colour: "#8c6a48"}},
		{name: "Long harvest board, pine", r: Request{ID: "rectangle-110-pine", Shape: "rectangle", LengthMM: 1100, WidthMM: 600, Colour: "#c9a46c"}},
		{name: "Oval, walnut", r: Request{ID: "oval-62-walnut", Shape: "oval", LengthMM: 620, WidthMM: 400, Colour: "#744a2b"}},
		{name: "Oval platter, glazed", r: Request{ID: "oval-46-glaze", Shape: "oval", LengthMM: 460, WidthMM: 320, RimMM: 12, Colour: "#e9e3d6", Material: "ceramic"}},
		{name: "Little board, ash", r: Request{ID: "rectangle-32-ash", Shape: "rectangle", LengthMM: 320, WidthMM: 200, Colour: "#bd9663"}},
		{name: "Small oval, olive wood", r: Request{ID: "oval-38-olive", Shape: "oval", LengthMM: 380, WidthMM: 260, Colour: "#a8783f"}},
		{name: "Serving tray, maple", r: Request{ID: "rectangle-48-maple", Shape: "rectangle", LengthMM: 480, WidthMM: 320, RimMM: 15, Colour: "#d3ac77"}},
		{name: "Round, cherry", r: Request{ID: "round-53-cherry", Shape: "round", LengthMM: 530, Colour: "#8f5432"}},
		{name: "Wide board, maple", r: Request{ID: "rectangle-70-maple", Shape: "rectangle", LengthMM: 700, WidthMM: 450, Colour: "#cfa872"}},
		{name: "Great oval, elm", r: Request{ID: "oval-84-elm", Shape: "oval", LengthMM: 840, WidthMM: 560, Colour: "#8c6a48"}},
		{name: "Feast board, ash", r: Request{ID: "rectangle-87-ash", Shape: "rectangle", LengthMM: 870, WidthMM: 510, Colour: "#b98f5f"}},
		{name: "Long board, beech", r: Request{ID: "rectangle-100-beech", Shape: "rectangle", LengthMM: 1000, WidthMM: 570, Colour: "#c79a63"}},
		{name: "Short table run, paper", r: Request{ID: "run-120-paper", Shape: "plank", LengthMM: 1200, WidthMM: 600, Colour: "#efe8d9", Material: "paper"}},
		{name: "Paddle, olive wood", r: Request{ID: "paddle-50-olive", Shape: "paddle", LengthMM: 500, WidthMM: 260, Colour: "#a8783f"}, unusual: true},
		{name: "Great paddle, slate", r: Request{ID: "paddle-70-slate", Shape: "paddle", LengthMM: 700, WidthMM: 360, Colour: "#454b4e", Material: "slate"}, unusual: true},
		{name: "Long plank, oak", r: Request{ID: "plank-100-oak", Shape: "plank", LengthMM: 1000, WidthMM: 280, Colour: "#9b6f42"}, unusual: true},
		{name: "Narrow plank with a groove, ash", r: Request{ID: "plank-80-groove", Shape: "plank", LengthMM: 800, WidthMM: 200, Colour: "#bd9663"}, unusual: true, finish: groove},
		{name: "Half-round, cherry", r: Request{ID: "half-round-50-cherry", Shape: "half-round", LengthMM: 500, WidthMM: 260, Colour: "#8a5030"}, unusual: true},
		{name: "Hexagon, walnut", r: Request{ID: "hexagon-42-walnut", Shape: "hexagon", LengthMM: 420, Colour: "#6a4229"}, unusual: true},
		{name: "Ring, beech", r: Request{ID: "ring-46-beech", Shape: "ring", LengthMM: 460, Colour: "#c79a63"}, unusual: true},
		{name: "Heart, cherry", r: Request{ID: "heart-42-cherry", Shape: "heart", LengthMM: 420, Colour: "#8f5432"}, unusual: true},
		{name: "Fir tree, larch", r: Request{ID: "tree-42-larch", Shape: "tree", LengthMM: 420, WidthMM: 540, Colour: "#a8774a"}, unusual: true},
		{name: "Star, maple", r: Request{ID: "star-50-maple", Shape: "star", LengthMM: 500, Colour: "#d3ac77"}, unusual: true},
		{name: "Turntable, ash", r: Request{ID: "turntable-50-ash", Shape: "round", LengthMM: 500, RimMM: 10, Colour: "#b68c5b", Turns: true}, unusual: true},
		{name: "Carving board with a well, oak", r: Request{ID: "rectangle-48-well", Shape: "rectangle", LengthMM: 480, WidthMM: 340, Colour: "#a4763f"}, unusual: true, finish: well},
		{name: "Butler's tray with grips, steel", r: Request{ID: "rectangle-58-steel", Shape: "rectangle", LengthMM: 580, WidthMM: 380, RimMM: 30, Colour: "#b9bdbd", Material: "metal"}, unusual: true, finish: grips},
		{name: "Single plate, speckled glaze", r: Request{ID: "plate-24", Shape: "round", LengthMM: 240, RimMM: 12, Colour: "#e4dccb", Material: "ceramic"}, unusual: true},
		{name: "Small box with a lid, card", r: Request{ID: "box-22-card", Shape: "rectangle", LengthMM: 220, WidthMM: 220, RimMM: 50, LidMM: 50, Colour: "#b98d5f", Material: "card", Liner: "#efe8d9"}, unusual: true, finish: folded},
		{name: "Box with a lid, card", r: Request{ID: "box-36-card", Shape: "rectangle", LengthMM: 360, WidthMM: 250, RimMM: 60, LidMM: 60, Colour: "#b98d5f", Material: "card", Liner: "#efe8d9"}, unusual: true, finish: folded},
		{name: "Large box with a lid, card", r: Request{ID: "box-46-card", Shape: "rectangle", LengthMM: 460, WidthMM: 310, RimMM: 80, LidMM: 80, Colour: "#b98d5f", Material: "card", Liner: "#efe8d9"}, unusual: true, finish: folded},
		{name: "Bottom of a stand of two, glazed", r: Request{ID: "tier-30-glaze", Shape: "round", LengthMM: 300, RimMM: 8, Colour: "#ece7db", Material: "ceramic"}, unusual: true, finish: post},
		{name: "Top of a stand, glazed", r: Request{ID: "tier-22-glaze", Shape: "round", LengthMM: 220, RimMM: 8, Colour: "#ece7db", Material: "ceramic"}, unusual: true, finish: post},
		{name: "Bottom of a stand of three, glazed", r: Request{ID: "tier-34-glaze", Shape: "round", LengthMM: 340, RimMM: 8, Colour: "#ece7db", Material: "ceramic"}, unusual: true, finish: post},
		{name: "Middle of a stand of three, glazed", r: Request{ID: "tier-28-glaze", Shape: "round", LengthMM: 280, RimMM: 8, Colour: "#ece7db", Material: "ceramic"}, unusual: true, finish: post},
		{name: "Bottom of a great stand, oak", r: Request{ID: "tier-42-oak", Shape: "round", LengthMM: 420, RimMM: 10, Colour: "#a97c4c"}, unusual: true, finish: post},
		{name: "Middle of a great stand, oak", r: Request{ID: "tier-34-oak", Shape: "round", LengthMM: 340, RimMM: 10, Colour: "#a97c4c"}, unusual: true, finish: post},
		{name: "Top of a great stand, oak", r: Request{ID: "tier-26-oak", Shape: "round", LengthMM: 260, RimMM: 10, Colour: "#a97c4c"}, unusual: true, finish: post},
		{name: "Chalkboard", r: Request{ID: "rectangle-50-chalk", Shape: "rectangle", LengthMM: 500, WidthMM: 350, Colour: "#34393a", Material: "chalkboard"}, unusual: true, finish: lined},
		{name: "Glass round", r: Request{ID: "round-36-glass", Shape: "round", LengthMM: 360, Colour: "#cfdad8", Material: "glass"}, unusual: true},
		{name: "Table run, paper", r: Request{ID: "run-140-paper", Shape: "plank", LengthMM: 1400, WidthMM: 600, Colour: "#efe8d9", Material: "paper"}},
		{name: "Long table run, paper", r: Request{ID: "run-240-paper", Shape: "plank", LengthMM: 2400, WidthMM: 700, Colour: "#efe8d9", Material: "paper"}},
	}
	var out []built
	for _, e := range list {
		r := e.r
		id := r.ID
		r.ID = ""
		b, err := build(r)
		if err != nil {
			panic("built-in board " + id + ": " + err.Error()) // fixed data; the tests build it
		}
		b.ID, b.Name = id, e.name
		if e.finish != nil {
			e.finish(&b)
		}
		out = append(out, built{b, e.unusual})
	}
	return out
})

// built is a built-in board and whether only those who ask for it get it.
type built struct {
	Board
	unusual bool
}

// groove is a carved channel along the back, for breadsticks, nuts or a row of slices.
func groove(b *Board) {
	z := b.FoodZone.Bounds()
	b.Wells = []geom.Outline{geom.Capsule(z.W()*.82, 34).Move(geom.Pt(z.Centre().X, z.Min.Y+30)).Round()}
}

// well is a round hollow at one side that keeps together what rolls.
func well(b *Board) {
	z := b.FoodZone.Bounds()
	b.Wells = []geom.Outline{geom.Circle(52, 28).Move(geom.Pt(z.Max.X-70, z.Centre().Y)).Round()}
}

// grips are the two ends by which a tray is carried: nothing lies there.
func grips(b *Board) {
	z := b.FoodZone.Bounds()
	for _, x := range []float64{z.Min.X + 9, z.Max.X - 9} {
		b.Keepouts = append(b.Keepouts, geom.Box(18, 120, 8).Move(geom.Pt(x, z.Centre().Y)).Round())
	}
}

// folded is a box of card: its corners are sharp.
func folded(b *Board) {
	box := b.Outline.Bounds()
	b.Outline = geom.Box(box.W(), box.H(), 5).Move(box.Centre()).Round()
	b.FoodZone = geom.Box(box.W()-24, box.H()-24, 3).Move(box.Centre()).Round()
}

// post is what goes up through the middle of a tier: nothing lies where it stands, with its nut.
func post(b *Board) {
	b.Keepouts = append(b.Keepouts, geom.Circle(12, 20).Move(b.FoodZone.Bounds().Centre()).Round())
}

// lined is a surface that is not fit for food, under a paper liner.
func lined(b *Board) {
	b.FoodSafe, b.Liner = false, "#efe8d9"
}

// BuiltIn lists the boards that ship with the product.
func BuiltIn() []Board { return boards(true) }

// Usual lists the built-in boards that may be chosen for a brief unasked.
func Usual() []Board { return boards(false) }

func boards(all bool) []Board {
	var out []Board
	for _, b := range builtIn() {
		if all || !b.unusual {
			out = append(out, b.Board)
		}
	}
	return out
}
