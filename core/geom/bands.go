package geom

// Bands is an outline with its edges sorted into bands of y, to be asked of many points whether they lie inside: only
// the edges of a point's own band are looked at. The answers are those of the outline itself, to the last bit.
type Bands struct {
	y0, step float64
	bands    [][][2]Point // of each band the edges that reach into it, each from a point to the one before
}

// bandsOf is how many bands there are: an outline of a hundred points has two or three edges in each.
const bandsOf = 64

// NewBands sorts the edges of an outline.
func NewBands(o Outline) Bands {
	box := o.Bounds()
	b := Bands{y0: box.Min.Y, step: box.H() / bandsOf, bands: make([][][2]Point, bandsOf+1)}
	if !(b.step > 0) {
		b.step = 1
	}
	for i, j := 0, len(o)-1; i < len(o); j, i = i, i+1 {
		for k := b.at(min(o[i].Y, o[j].Y)); k <= b.at(max(o[i].Y, o[j].Y)); k++ {
			b.bands[k] = append(b.bands[k], [2]Point{o[i], o[j]})
		}
	}
	return b
}

// at is the band of a y; beyond the outline the first or the last.
func (b *Bands) at(y float64) int {
	switch k := (y - b.y0) / b.step; {
	case !(k > 0): // what is no number, too
		return 0
	case k >= bandsOf:
		return bandsOf
	default:
		return int(k)
	}
}

// Contains reports whether p lies inside, by the even-odd rule.
func (b *Bands) Contains(p Point) bool {
	in := false
	for _, e := range b.bands[b.at(p.Y)] {
		q, o := e[0], e[1]
		if (q.Y > p.Y) != (o.Y > p.Y) && p.X < (o.X-q.X)*(p.Y-q.Y)/(o.Y-q.Y)+q.X {
			in = !in
		}
	}
	return in
}
