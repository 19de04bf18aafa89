package geom

import "math"

// Rows answers quickly whether boxes lie inside a convex outline: for each row
// of a height it keeps the span that is inside all over the row.
type Rows struct {
	top, height float64
	spans       [][2]float64
}

// NewRows prepares a convex outline, in about n rows.
func NewRows(o Outline, n int) Rows {
	b := o.Bounds()
	r := Rows{top: b.Min.Y, height: b.H() / float64(max(1, n))}
	cut := func(y float64) (lo, hi float64) { // the outline's span at y
		lo, hi = math.Inf(1), math.Inf(-1)
		for i, p := range o {
			q := o[(i+1)%len(o)]
			if (p.Y > y) == (q.Y > y) {
				continue
			}
			x := p.X + (q.X-p.X)*(y-p.Y)/(q.Y-p.Y)
			lo, hi = math.Min(lo, x), math.Max(hi, x)
		}
		return lo, hi
	}
	above0, above1 := cut(b.Min.Y)
	for k := range n {
		below0, below1 := cut(b.Min.Y + float64(k+1)*r.height)
		r.spans = append(r.spans, [2]float64{math.Max(above0, below0), math.Min(above1, below1)})
		above0, above1 = below0, below1
	}
	return r
}

// Holds reports whether the box lies inside for sure. Near the edge it may say
// no of a box that does.
func (r Rows) Holds(box Rect) bool {
	first, last := int(math.Floor((box.Min.Y-r.top)/r.height)), int(math.Floor((box.Max.Y-r.top)/r.height))
	if first < 0 || last >= len(r.spans) {
		return false
	}
	// between two rows of a convex outline every row is at least as wide
	for _, k := range [2]int{first, last} {
		if box.Min.X < r.spans[k][0] || box.Max.X > r.spans[k][1] {
			return false
		}
	}
	return true
}
