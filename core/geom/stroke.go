package geom

import (
	"cmp"
	"math"
	"slices"
)

// Stroked is what a pen of the given width, mm, leaves that is drawn along open lines: the outline of the largest part, and
// the holes in it, to about a tenth of a millimetre.
func Stroked(lines [][]Point, width float64) (outline Outline, holes []Outline) {
	var all Outline
	for _, l := range lines {
		all = append(all, l...)
	}
	if len(all) == 0 || width <= 0 {
		return nil, nil
	}
	found := levels(all.Bounds().Grow(width/2+3), func(p Point) float64 {
		near := math.Inf(1)
		for _, l := range lines {
			for i := 1; i < len(l); i++ {
				near = math.Min(near, p.Dist(nearestOnSegment(p, l[i-1], l[i])))
			}
		}
		return width/2 - near
	})
	// walks begin anywhere, so what is found is put into an order of its own
	for i := range found {
		found[i] = simplify(canonical(found[i]), .15)
	}
	slices.SortFunc(found, func(a, b Outline) int { return cmp.Or(cmp.Compare(b.Area(), a.Area()), cmp.Compare(a[0].X, b[0].X)) })
	for _, o := range found[min(1, len(found)):] {
		if o.SignedArea()*found[0].SignedArea() < 0 && found[0].Contains(o[0]) {
			holes = append(holes, o)
		}
	}
	return found[0], holes
}
