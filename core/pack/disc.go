package pack

import (
	"math"

	"happytray/core/geom"
)

// Disc is one inside a hull; a few of them stand in for its shape.
type Disc struct {
	At geom.Point // its middle, mm
	R  float64    // its radius, mm
}

// DiscsIn covers a convex hull with at most so many discs, largest first: each is
// the deepest point not yet well inside an earlier one.
func DiscsIn(h geom.Outline, most int) []Disc {
	box := h.Bounds()
	step := math.Max(box.W(), box.H()) / 12
	var spots []Disc
	for y := box.Min.Y + step/2; y < box.Max.Y; y += step {
		for x := box.Min.X + step/2; x < box.Max.X; x += step {
			if q := geom.Pt(x, y); h.Contains(q) {
				spots = append(spots, Disc{q, h.EdgeDistance(q)})
			}
		}
	}
	c := h.Centroid()
	spots = append(spots, Disc{c, h.EdgeDistance(c)})
	var out []Disc
	for len(out) < most {
		best, pick := 0.0, Disc{}
		for _, s := range spots {
			v := s.R
			for _, b := range out {
				// how much of this disc is new: none when its middle lies deep in another
				v = math.Min(v, s.R*math.Max(0, (s.At.Dist(b.At)-.35*b.R)/b.R))
			}
			if v > best {
				best, pick = v, s
			}
		}
		if pick.R < 3 || len(out) > 0 && best < .3*out[0].R {
			break
		}
		out = append(out, pick)
	}
	return out
}
