package practice

import (
	"bytes"
	"compress/gzip"
	_ "embed"
	"encoding/json"
	"fmt"
	"io"
	"sync"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/tray"
)

// basesGz is a list of trays, laid by the search and mended until the review finds nothing on any of them: what faults are
// planted on. They are data rather than laid anew for each exercise, so that an exercise is there at once and the same
// everywhere. go test ./core/practice -run Bases -update makes them anew.
//
//go:embed bases.json.gz
var basesGz []byte

// bases are the trays that faults are planted on.
var bases = sync.OnceValue(func() []*tray.Tray {
	r, err := gzip.NewReader(bytes.NewReader(basesGz))
	if err != nil {
		panic(fmt.Errorf("practice: %w", err)) // shipped data; a test reads it
	}
	raw, err := io.ReadAll(r)
	if err != nil {
		panic(fmt.Errorf("practice: %w", err))
	}
	var kept []base
	if err := json.Unmarshal(raw, &kept); err != nil {
		panic(fmt.Errorf("practice: %w", err))
	}
	larder := food.BuiltIn()
	var out []*tray.Tray
	for _, b := range kept {
		for i := range b.Tray.Elements {
			e := &b.Tray.Elements[i]
			e.Pieces = b.Pieces[i].unpacked()
			e.Placed = len(e.Pieces) > 0 // one without pieces is read as one that waits
			for n := range e.Pieces {
				e.Pieces[n].Outline = outlineOf(b.Tray, larder, e, &e.Pieces[n])
			}
		}
		for id, r := range slack {
			b.Tray.Rules.Checks[id] = r
		}
		out = append(out, b.Tray)
	}
	return out
})

// slack is from where on a board of an exercise counts as bare: what an exchanged heap leaves open is no fault, a heap that is
// missing is.
var slack = map[string]brief.CheckRule{
	"fit.cover": {Good: number(.82), Bad: number(.6)},
	"fit.gap":   {Good: number(20), Bad: number(56)},
}

func number(v float64) *float64 { return &v }

// base is a tray as it is kept: the pieces of each element in columns, without their outlines, which follow from food, form
// and place.
type base struct {
	Tray   *tray.Tray `json:"tray"`
	Pieces []columns  `json:"pieces"` // of each element
}

// columns are the pieces of an element; what all have alike stands once.
type columns struct {
	X       []float64 `json:"x"` // board coordinates, mm
	Y       []float64 `json:"y"`
	Turn    []float64 `json:"turn"` // degrees
	Z       []float64 `json:"z"`    // mm
	High    []float64 `json:"high"` // mm
	Colour  []string  `json:"colour"`
	Variant []int     `json:"variant"`
}

// of is the n-th of a column.
func of[T any](column []T, n int) T { return column[min(n, len(column)-1)] }

func (c columns) unpacked() (out []tray.Piece) {
	for n := range c.X {
		out = append(out, tray.Piece{At: geom.Pt(c.X[n], c.Y[n]), TurnDeg: of(c.Turn, n), ZMM: of(c.Z, n), HeightMM: of(c.High, n), Colour: of(c.Colour, n), Variant: of(c.Variant, n)})
	}
	return out
}

// packed puts pieces into columns.
func packed(pieces []tray.Piece) (c columns) {
	for _, p := range pieces {
		c.X, c.Y, c.Turn, c.Z, c.High = append(c.X, p.At.X), append(c.Y, p.At.Y), append(c.Turn, p.TurnDeg), append(c.Z, p.ZMM), append(c.High, p.HeightMM)
		c.Colour, c.Variant = append(c.Colour, p.Colour), append(c.Variant, p.Variant)
	}
	c.Turn, c.Z, c.High, c.Colour, c.Variant = once(c.Turn), once(c.Z), once(c.High), once(c.Colour), once(c.Variant)
	return c
}

// once is a column whose values are all alike as one of them.
func once[T comparable](column []T) []T {
	for _, v := range column {
		if v != column[0] {
			return column
		}
	}
	return column[:min(1, len(column))]
}

// outlineOf is the outline of a piece as its food, its form and its place have it.
func outlineOf(t *tray.Tray, larder *food.Larder, e *tray.Element, p *tray.Piece) geom.Outline {
	pose := geom.Pose{X: p.At.X, Y: p.At.Y, Turn: p.TurnDeg}
	if v, ok := t.Vessel(e.Vessel); ok {
		return pose.ApplyAll(v.Footprint()).Round()
	}
	f, _ := larder.Get(e.Food)
	spec, _ := f.Spec(e.Form)
	return pose.ApplyAll(spec.Outline(f.ID, p.Variant)).Round()
}
