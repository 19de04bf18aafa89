package board

import (
	"sync"
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
