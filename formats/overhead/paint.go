package overhead

import (
	"fmt"
	"image"
	"image/color"
	"math"
	"slices"

	"golang.org/x/image/vector"

	"happytray/core/geom"
	"happytray/core/tray"
)

// Patch is a polygon with its colour and whose it is.
type Patch struct {
	Outline geom.Outline // mm on the board
	Colour  string
	Element int // in the tray; -1 for the board itself
	Z       float64
}

// Patches are the board and all pieces of a tray from below to above, moved by so much where moved says so.
func Patches(t *tray.Tray, moved map[string]geom.Point) []Patch {
	ground := t.Board.Colour
	if t.Board.Liner != "" {
		ground = t.Board.Liner
	}
	out := []Patch{{Outline: t.Board.Outline, Colour: ground, Element: -1, Z: math.Inf(-1)}}
	for i := range t.Elements {
		e := &t.Elements[i]
		by, is := moved[e.ID]
		for _, p := range e.Pieces {
			z := p.ZMM
			if is { // put down last
				z += onTop
			}
			out = append(out, Patch{p.Outline.Move(by), p.Colour, i, z})
		}
	}
	slices.SortStableFunc(out, func(a, b Patch) int {
		switch {
		case a.Z < b.Z:
			return -1
		case a.Z > b.Z:
			return 1
		}
		return 0
	})
	return out
}

// onTop is higher than anything stands, mm.
const onTop = 1000.0

// Fill calls put for every pixel of a w by h picture that a polygon covers, with how much of it, 0 to 255.
func Fill(outline geom.Outline, w, h int, put func(x, y int, cover uint8)) {
	box := outline.Bounds()
	x0, y0 := max(0, int(math.Floor(box.Min.X))), max(0, int(math.Floor(box.Min.Y)))
	x1, y1 := min(w, int(math.Ceil(box.Max.X))+1), min(h, int(math.Ceil(box.Max.Y))+1)
	if x1 <= x0 || y1 <= y0 || len(outline) < 3 {
		return
	}
	r := vector.NewRasterizer(x1-x0, y1-y0)
	for k, p := range outline {
		x, y := float32(p.X)-float32(x0), float32(p.Y)-float32(y0)
		if k == 0 {
			r.MoveTo(x, y)
		} else {
			r.LineTo(x, y)
		}
	}
	r.ClosePath()
	mask := image.NewAlpha(image.Rect(0, 0, x1-x0, y1-y0))
	r.Draw(mask, mask.Bounds(), image.Opaque, image.Point{})
	for y := range y1 - y0 {
		for x := range x1 - x0 {
			if a := mask.AlphaAt(x, y).A; a > 0 {
				put(x0+x, y0+y, a)
			}
		}
	}
}

// RGB reads a colour written #rrggbb; grey where it is none.
func RGB(hex string) color.NRGBA {
	out := color.NRGBA{128, 128, 128, 255}
	if _, err := fmt.Sscanf(hex, "#%02x%02x%02x", &out.R, &out.G, &out.B); err != nil {
		return color.NRGBA{128, 128, 128, 255}
	}
	return out
}
