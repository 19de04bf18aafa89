package paint

import (
	"image"
	"testing"

	"happytray/art"
	"happytray/core/food"
	"happytray/core/geom"
)

// What stands on edge leans over what is behind it, and what is on a pick has the pick.

// reach is how far beyond its outline something of a drawing may be seen, mm: stalks, calyxes, crumbs, fat that hangs over.
const reach = 4.0

// No mark of a drawing lies beside what it is of: a crease drawn for one shape lay across the neighbours of another.
func TestMarksLieOnTheirFood(t *testing.T) {
	all := larder.All()
	for i := range all {
		f := &all[i]
		for _, s := range f.Ways() {
			if food.InVessel(s.Form) || food.Has(s.Form, food.OnFood) || f.Category == food.NotFood || f.Category == food.Garnish || s.Shape == "skewer" || s.Shape == "edge" {
				continue
			}
			for variant := range 2 {
				o := s.Outline(f.ID, variant)
				box := o.Bounds().Grow(24)
				const dots = 1.5
				on := image.NewRGBA(image.Rect(0, 0, int(box.W()*dots), int(box.H()*dots)))
				defs := map[string]string{}
				d, err := read(art.Sprite(f, s, variant, defs), defs)
				if err != nil {
					t.Fatalf("%s %s: %v", f.ID, s.Form, err)
				}
				newPainter(on, dots, box.Min).put(d, geom.Point{}, 0)
				beside := 0
				for y := range on.Bounds().Dy() {
					for x := range on.Bounds().Dx() {
						if on.RGBAAt(x, y).A < 40 {
							continue
						}
						q := geom.Pt(box.Min.X+(float64(x)+.5)/dots, box.Min.Y+(float64(y)+.5)/dots)
						if !o.Contains(q) && o.EdgeDistance(q) > reach {
							beside++
						}
					}
				}
				if mm2 := float64(beside) / dots / dots; mm2 > 30 {
					t.Errorf("%s as %s, variant %d: %.0f mm² of marks lie beside it", f.ID, s.Form, variant, mm2)
				}
			}
		}
	}
}
