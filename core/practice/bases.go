package practice

import (
	"bytes"
	"compress/gzip"
	_ "embed"
	"encoding/json"
	"fmt"
	"io"
	"slices"
	"sync"

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
	var out []*tray.Tray
	if err := json.Unmarshal(raw, &out); err != nil {
		panic(fmt.Errorf("practice: %w", err))
	}
	larder := food.BuiltIn()
	for _, t := range out {
		for i := range t.Elements {
			for n := range t.Elements[i].Pieces {
				if p := &t.Elements[i].Pieces[n]; slices.Equal(p.Outline, leftOut) {
					p.Outline = outlineOf(t, larder, &t.Elements[i], p)
				}
			}
		}
	}
	return out
})

// leftOut stands for an outline that follows from the rest.
var leftOut = geom.Outline{geom.Pt(0, 0), geom.Pt(0, 1), geom.Pt(1, 0)}

// outlineOf is the outline of a piece as its food, its form and its place have it: what is so is left out of the file.
func outlineOf(t *tray.Tray, larder *food.Larder, e *tray.Element, p *tray.Piece) geom.Outline {
	pose := geom.Pose{X: p.At.X, Y: p.At.Y, Turn: p.TurnDeg}
	if v, ok := t.Vessel(e.Vessel); ok {
		return pose.ApplyAll(v.Footprint()).Round()
	}
	f, _ := larder.Get(e.Food)
	spec, _ := f.Spec(e.Form)
	return pose.ApplyAll(spec.Outline(f.ID, p.Variant)).Round()
}
