// Package outline reads the outline of a board from an SVG drawing: its largest
// closed shape, and what is cut out of it. It takes paths with all commands,
// basic shapes, nested transforms and viewBoxes, and physical units; it refuses
// what reaches outside or runs.
package outline

import (
	"errors"
	"fmt"
	"math"
	"sort"

	"happytray/core/board"
	"happytray/core/fault"
	"happytray/core/geom"
)

// Traced is what an SVG file holds of a board, in mm, or, where the file says
// nothing physical, in its pixels at 96 to the inch.
type Traced struct {
	Outline  geom.Outline
	Holes    []geom.Outline
	Physical bool     // the file says how large it is
	Notes    []string // what was left out, in plain sentences
}

// Bounds of a drawing from outside.
const (
	maxElements = 20000
	maxDepth    = 64
	maxPath     = 300_000 // characters in one path
	maxShapes   = 600     // closed shapes in all
	maxPoints   = 60000   // of all shapes, once curves are lines
	maxHoles    = board.MaxRegions
)

// LengthMM and WidthMM are the longer and the shorter side of the outline's box.
func (d *Traced) LengthMM() float64 {
	b := d.Outline.Bounds()
	return math.Max(b.W(), b.H())
}

func (d *Traced) WidthMM() float64 {
	b := d.Outline.Bounds()
	return math.Min(b.W(), b.H())
}

// Request is the board of this drawing at its real size: the longer side as
// measured, in mm.
func (d *Traced) Request(lengthMM float64) (board.Request, error) {
	if err := fault.Between("length_mm", lengthMM, 100, 3000, " mm"); err != nil {
		return board.Request{}, err
	}
	k := lengthMM / d.LengthMM()
	r := board.Request{Shape: "outline", Outline: d.Outline.Scale(k).Round()}
	for _, h := range d.Holes {
		r.Holes = append(r.Holes, h.Scale(k).Round())
	}
	return r, nil
}

// Read finds the board in an SVG file.
func Read(svg []byte) (*Traced, error) {
	shapes, physical, err := parse(svg)
	if err != nil {
		return nil, err
	}
	type closed struct {
		o    geom.Outline
		area float64
	}
	var all []closed
	crossing := false
	for _, s := range shapes {
		o := tidy(s)
		if len(o) < 3 {
			continue
		}
		b := o.Bounds()
		o = o.Simplify(math.Max(b.W(), b.H()) / 1500)
		a := o.Area()
		if len(o) < 3 || a < 1e-9 || a < b.W()*b.H()*1e-4 {
			crossing = crossing || len(o) > 3 && o.Hull().Area() > b.W()*b.H()*.1 // its halves cancel out
			continue
		}
		all = append(all, closed{o, a})
	}
	if len(all) == 0 && crossing {
		return nil, errCrossing
	}
	if len(all) == 0 {
		return nil, fault.Bad("", "there is no closed shape with an area in this drawing; draw the board's edge as one closed line")
	}
	sort.SliceStable(all, func(i, j int) bool { return all[i].area > all[j].area })
	d := &Traced{Outline: all[0].o, Physical: physical}
	// a size at which the checks, which are in mm, mean something
	scale := 400 / d.LengthMM()
	if err := d.Outline.Scale(scale).Check(); err != nil {
		if errors.Is(err, geom.ErrCrossing) {
			return nil, errCrossing
		}
		return nil, fault.Bad("", "the outline cannot be used: %s", err.Error())
	}
	doubled, outside, tiny := 0, 0, 0
	for _, c := range all[1:] {
		switch {
		case c.area > .93*all[0].area: // the edge drawn twice, or a line along the rim
			doubled++
		case !within(c.o, d.Outline):
			outside++
		case c.area < all[0].area*3e-4 || c.o.Scale(scale).Check() != nil:
			tiny++
		case insideAny(c.o, d.Holes):
			tiny++
		case len(d.Holes) >= maxHoles:
			return nil, fault.Bad("", "more than %d shapes lie inside the outline; leave only the board's edge and its holes in the drawing", maxHoles)
		default:
			d.Holes = append(d.Holes, c.o)
		}
	}
	for _, n := range []struct {
		n         int
		one, many string
	}{
		{doubled, "One shape follows the edge closely and is taken for the edge drawn again", "%d shapes follow the edge closely and are taken for the edge drawn again"},
		{outside, "One shape lies outside the largest one or across its edge and is left out", "%d shapes lie outside the largest one or across its edge and are left out"},
		{tiny, "One shape inside is too small, or lies in a hole, and is left out", "%d shapes inside are too small, or lie in a hole, and are left out"},
		{len(d.Holes), "One shape inside is taken for a hole; nothing will be laid there", "%d shapes inside are taken for holes; nothing will be laid there"},
	} {
		switch n.n {
		case 0:
		case 1:
			d.Notes = append(d.Notes, n.one)
		default:
			d.Notes = append(d.Notes, fmt.Sprintf(n.many, n.n))
		}
	}
	return d, nil
}

var errCrossing = fault.Bad("", "the outline crosses itself; draw the board's edge as one line that does not")

// tidy drops points that repeat the one before.
func tidy(o geom.Outline) geom.Outline {
	b := o.Bounds()
	eps := math.Max(b.W(), b.H()) * 1e-7
	var out geom.Outline
	for _, p := range o {
		if len(out) == 0 || p.Dist(out[len(out)-1]) > eps {
			out = append(out, p)
		}
	}
	for len(out) > 1 && out[0].Dist(out[len(out)-1]) <= eps {
		out = out[:len(out)-1]
	}
	return out
}

func within(o, in geom.Outline) bool {
	for _, p := range o {
		if !in.Contains(p) {
			return false
		}
	}
	return true
}

func insideAny(o geom.Outline, holes []geom.Outline) bool {
	for _, h := range holes {
		if h.Contains(o.Centroid()) && within(o, h) {
			return true
		}
	}
	return false
}
