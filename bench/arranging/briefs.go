package main

import (
	"math"
	"math/rand/v2"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/plan"
	"happytray/core/tray"
)

var larder = food.BuiltIn()

// outlines are boards that people own and nobody sells: a leaf, an L, a bean, a star
// with blunt tips, in units of a half-length.
var outlines = []geom.Outline{
	bent(64, func(a float64) float64 { return .62 + .38*math.Abs(math.Cos(a)) }),
	{geom.Pt(-1, -.7), geom.Pt(1, -.7), geom.Pt(1, 0), geom.Pt(0, 0), geom.Pt(0, .7), geom.Pt(-1, .7)},
	bent(64, func(a float64) float64 { return .8 - .22*math.Sin(a) + .1*math.Cos(2*a) }),
	bent(80, func(a float64) float64 { return .82 + .16*math.Cos(5*a) }),
}

func bent(n int, radius func(a float64) float64) geom.Outline {
	var o geom.Outline
	for i := range n {
		a := 2 * math.Pi * float64(i) / float64(n)
		o = append(o, geom.Pt(radius(a)*math.Cos(a), radius(a)*math.Sin(a)))
	}
	return o
}

// generated plans n briefs over all shapes of board and all styles, 4 to 60 elements,
// on boards from half as large again as the plan would choose down to far too small.
func generated(n int) []*tray.Tray {
	r := rand.New(rand.NewPCG(7, 2026))
	avoid := [][]string{nil, nil, nil, {"meat"}, {"nuts"}, {"gluten"}}
	var out []*tray.Tray
	for k := 0; len(out) < n; k++ {
		i := len(out)
		b := brief.Brief{Guests: brief.Guests{Adults: 2 + int(math.Exp(r.Float64()*3.2)), Children: r.IntN(3)}, Month: 1 + r.IntN(12),
			Occasion: []string{"nibble", "nibble", "grazing", "meal"}[r.IntN(4)],
			Rules:    &brief.Rules{Style: append([]string{""}, brief.Styles...)[i%6]}}
		if a := avoid[r.IntN(len(avoid))]; a != nil {
			count := 0
			if a[0] == "meat" {
				count = 1
			}
			b.Diets = []brief.Diet{{Who: "guests", Count: count, Avoid: a}}
		}
		if r.IntN(4) == 0 {
			b.Front = "bottom"
		}
		made, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
		if err != nil {
			continue
		}
		first := made.Trays[0]
		// its board anew in another shape, by area
		area := first.Board.UsableMM2() * []float64{1.5, 1.1, 1, .85, .65}[r.IntN(5)]
		b.Board = &board.Request{Shape: board.Shapes[i%len(board.Shapes)], RimMM: float64(r.IntN(2)) * 15}
		ratio := 1.25 + .5*r.Float64()
		switch b.Board.Shape {
		case "round", "hexagon", "ring", "heart", "star":
			ratio = 1
		case "figure":
			ratio, b.Board.Figure = .75, string(rune('A'+i%26))
		case "plank":
			ratio = 3
		case "half-round":
			ratio = 2
			area *= 1.15
		case "outline":
			o := outlines[(i/len(board.Shapes))%len(outlines)]
			k := math.Sqrt(area / o.Area())
			b.Board.Outline = o.Scale(k)
		}
		if b.Board.Shape != "outline" {
			w := math.Sqrt(area * 1.12 / ratio)
			b.Board.LengthMM, b.Board.WidthMM = math.Max(140, w*ratio), math.Max(140, w)
		}
		made, err = plan.FromBrief(b, larder, board.BuiltInCabinet())
		if err != nil {
			continue
		}
		t := made.Trays[0]
		if r.IntN(4) == 0 { // and some on a board that is too small for the plan
			less := *b.Board
			k := .92 - .2*r.Float64()
			less.LengthMM, less.WidthMM, less.Outline = math.Max(120, less.LengthMM*k), math.Max(120, less.WidthMM*k), less.Outline.Scale(k)
			if less.Shape == "outline" {
				less.LengthMM, less.WidthMM = 0, 0
			}
			if small, err := board.Make(less); err == nil {
				t.Board = &small
			}
		}
		if len(t.Elements) < 4 || len(t.Elements) > 60 {
			continue
		}
		out = append(out, t)
	}
	return out
}
