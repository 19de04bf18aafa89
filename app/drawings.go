package app

import (
	"context"

	"happytray/art"
	"happytray/core/amount"
	"happytray/core/board"
	"happytray/core/colour"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/job"
	"happytray/core/lens"
	"happytray/core/prep"
	"happytray/core/shop"
	"happytray/formats/outline"
	"happytray/formats/palette"
	"happytray/formats/photo"
)

// DrawBoard draws a bare board as SVG.
func DrawBoard(b *board.Board) string { return art.BoardAlone(b) }

// DrawVessel draws an empty vessel as SVG.
func DrawVessel(v board.Vessel) string { return art.VesselAlone(v) }

// DrawPortion draws a food in one of its forms as SVG; small, as on a shelf, with what can be seen there.
func DrawPortion(f *food.Food, form string, small bool) string {
	least := art.Least(0)
	if small {
		least = art.Thumb
	}
	return art.PortionFrom(least, f, form)
}

// View is how a tray is drawn: from above, or at a slant from a side; crop cuts the picture.
type View struct {
	From  string // above, or one of the sides
	Names bool
	Crop  string
}

// DrawTray draws a job's first tray as SVG.
func DrawTray(j *job.Job, larder *food.Larder, how View) (string, error) {
	t, err := surface(j)
	if err != nil {
		return "", err
	}
	if how.From != "above" {
		return art.Slant(j.Title, t, larder, how.From, how.Names)
	}
	return art.Picture(j.Title, t, larder, how.Names, how.Crop)
}

// SceneOf is a job's first tray as drawings to place.
func SceneOf(j *job.Job, larder *food.Larder) art.Scene { return art.Compose(j.Trays[0], larder) }

// Lens looks at a job's first tray in one respect.
func (a *App) Lens(ctx context.Context, j *job.Job, larder *food.Larder, name, word string) (lens.View, error) {
	v, err := lens.Apply(j.Trays[0], larder, name, word)
	return spoken(ctx, a, v), err
}

// PrepOf is the work on a job's first tray.
func (a *App) PrepOf(ctx context.Context, j *job.Job, larder *food.Larder) prep.Sheet {
	return spoken(ctx, a, prep.Order(j.Trays[0], larder))
}

// Savings are the changes by which most of a job's basket is saved.
func (a *App) Savings(ctx context.Context, j *job.Job, h *House, larder *food.Larder) []shop.Saving {
	return spoken(ctx, a, shop.Savings(j, larder, h.Cabinet, 3))
}

// GroupOf names the group of forms that a spec belongs to.
func GroupOf(s food.Spec) int { return amount.GroupOf(s) }

// Measured is a food measured in one of its forms, with a drawing of what is laid.
type Measured struct {
	amount.Measure
	Box geom.Rect // of the drawing, mm
	SVG string
}

// Measure measures a food in a form: so many pieces, a glass of so many mm, round a vessel; zeros are the usual
// ones. ok is false where it has no such form.
func (h *House) Measure(f *food.Food, form string, pieces int, glass float64, around *board.Vessel) (out Measured, ok bool) {
	m, spec, ok := amount.MeasureForm(f, form, pieces, glass, around, h.Cabinet)
	if !ok {
		return out, false
	}
	out.Measure = m
	if m.Around != nil {
		out.Box, out.SVG = art.LaidRound(f, spec, m.Laid, *m.Around, m.Middle)
	} else {
		out.Box, out.SVG = art.Laid(f, spec, m.Laid, m.Vessel)
	}
	return out, true
}

// Outlined is the board in a drawing.
type Outlined struct {
	Physical          bool // the drawing says how large it is
	LengthMM, WidthMM float64
	Notes             []string
	Request           board.Request
	Board             board.Board
}

// ReadOutline reads the board in a drawing. length is the real length of its longer side, mm; 0 where the
// drawing is to be believed.
func ReadOutline(raw []byte, length float64) (out Outlined, err error) {
	d, err := outline.Read(raw)
	if err != nil {
		return out, err
	}
	out = Outlined{Physical: d.Physical, LengthMM: d.LengthMM(), WidthMM: d.WidthMM(), Notes: d.Notes}
	if length == 0 {
		if length = d.LengthMM(); !d.Physical || length < 100 || length > 3000 { // shown at a usual size until it is known
			length = 450
		}
	}
	if out.Request, err = d.Request(length); err == nil {
		out.Board, err = board.Make(out.Request)
	}
	return out, err
}

// Picture is a picture that was read.
type Picture = photo.Picture

// ReadPicture decodes a picture from outside.
func ReadPicture(raw []byte) (*Picture, error) { return photo.Read(raw) }

// LargeSide is the longer side of a photograph that is kept, px.
const LargeSide = photo.LargeSide

// mostOfTheme is how many colours a theme may have; a file with more is brought down to its main ones.
const mostOfTheme = 12

// ReadPalette reads the colours of a theme from a file, and its name.
func ReadPalette(raw []byte) (name string, colours []string, err error) {
	p, err := palette.Read(raw)
	if err == nil && len(p.Colours) > mostOfTheme {
		p.Colours = mainOf(p.Colours)
	}
	return p.Name, p.Colours, err
}

// WritePalette writes a theme's colours as a file.
func WritePalette(name string, colours []string) []byte {
	return palette.Write(palette.Palette{Name: name, Colours: colours})
}

// RegionColours are the main colours of the foods of a region; none where the larder has none from there.
func (h *House) RegionColours(region string) []string {
	var hexes []string
	all := h.Larder.All()
	for i := range all {
		if f := &all[i]; f.Region == region {
			hexes = append(hexes, f.Colour, f.Cut)
		}
	}
	return mainOf(hexes)
}

// mainOf brings colours down to their three to five main ones.
func mainOf(hexes []string) []string {
	if len(hexes) == 0 {
		return nil
	}
	all := make([]colour.Lab, 0, len(hexes))
	for _, hex := range hexes {
		all = append(all, colour.Must(hex))
	}
	out := []string{}
	for _, m := range colour.Main(all) {
		out = append(out, m.Colour.Hex())
	}
	return out
}
