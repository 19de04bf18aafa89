package art

import (
	"math"
	"strings"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/tray"
)

// label is a name that is to stand at a point of a picture.
type label struct {
	food, says string
	at         geom.Point
}

// labels are the names of what lies on a tray, each at the piece that lies nearest to the middle of its element;
// where tells where on the picture a point of the board lies, at a height.
func labels(t *tray.Tray, larder *food.Larder, where func(q geom.Point, high float64) geom.Point) (out []label) {
	for i := range t.Elements {
		e := &t.Elements[i]
		fd, ok := larder.Get(e.Food)
		if !ok || !e.Placed || len(e.Pieces) == 0 || e.Kind() == food.KindGarnish {
			continue
		}
		var mid geom.Point
		for k := range e.Pieces {
			mid = mid.Add(e.Pieces[k].At)
		}
		mid = mid.Mul(1 / float64(len(e.Pieces)))
		best, far := 0, math.Inf(1)
		for k := range e.Pieces {
			if d := e.Pieces[k].Outline.Centroid().Dist(mid); d < far {
				best, far = k, d
			}
		}
		p := &e.Pieces[best]
		says, _, _ := strings.Cut(fd.Name, ",")
		out = append(out, label{fd.ID, says, where(p.Outline.Centroid(), p.ZMM+p.HeightMM)})
	}
	return out
}

// writeNames writes names over a picture, so large that they are read at arm's length, none upon another: one that
// finds no room beside its place is left out, as long as its food is named elsewhere.
func writeNames(m *markup, all []label, size float64) {
	var taken []geom.Rect
	m.open("g", "font-family", "'Instrument Sans','Instrument Sans Variable',sans-serif", "font-weight", "600", "font-size", f(size), "text-anchor", "middle", "fill", "#22302e",
		"stroke", "#fbfaf6", "stroke-width", f(size*.28), "stroke-linejoin", "round", "paint-order", "stroke")
	defer m.shut("g")
	write := func(l label, must bool) {
		w := size * .54 * float64(len([]rune(l.says)))
		for _, by := range []float64{0, -1.15, 1.15, -2.3, 2.3, 3.4, -3.4} {
			at := l.at.Add(geom.Pt(0, by*size+size*.35))
			box := geom.Rect{Min: geom.Pt(at.X-w/2, at.Y-size*.85), Max: geom.Pt(at.X+w/2, at.Y+size*.25)}
			free := true
			for _, o := range taken {
				free = free && !o.Meets(box)
			}
			if !free && !(must && by == -3.4) {
				continue
			}
			taken = append(taken, box)
			m.open("text", "x", f(at.X), "y", f(at.Y))
			m.text(l.says)
			m.shut("text")
			return
		}
	}
	first := map[string]bool{}
	for _, l := range all { // each food once, then again where there is room
		if !first[l.food] {
			first[l.food] = true
			write(l, true)
		}
	}
	again := map[string]bool{}
	for _, l := range all {
		if again[l.food] {
			write(l, false)
		}
		again[l.food] = true
	}
}

// nameSize is how large names are written on a picture so wide, mm.
func nameSize(w float64) float64 { return math.Max(6.5, math.Min(16, w/62)) }
