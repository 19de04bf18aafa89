package review

import (
	"math"

	"happytray/core/access"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/say"
)

// eaten measures what guests will not get at, by weight: what lies beyond everybody's reach. It is what a forecast of
// many evenings (core/graze) says of the same, cheap enough to follow a hand. What few dare to take, because it is whole
// or has no tool, is told by service.started and service.tool.
func (m *measures) eaten() {
	l := m.l
	all, far := 0.0, 0.0
	sides := l.standAt()
	if l.tray.Board.Turns {
		sides = allSides
	}
	box := l.tray.Board.FoodZone.Bounds()
	deep := anywhereBeyond(box, sides)
	m.each(func(i int, e *elem) {
		t := &l.tray.Elements[i]
		if e.food.Category == food.NotFood || e.food.Category == food.Garnish || t.Grams <= 0 || len(e.bodies) == 0 {
			return
		}
		all += t.Grams
		if deep {
			out, nearest := 0, math.Inf(1)
			for b := range e.bodies {
				d := depth(box, sides, e.bodies[b].Box)
				nearest = math.Min(nearest, d)
				if d >= access.FarthestReach {
					out++
				}
			}
			if part := float64(out) / float64(len(e.bodies)); part > 0 {
				far += part * t.Grams
				if out == len(e.bodies) {
					m.find("eaten.reach", Mend, 1+3*part, e.middle, []int{i}, say.New("eaten.reach", m.it(i), say.MM(nearest)))
				}
			}
		}
	})
	if all > 0 {
		m.values["eaten.reach"] = far / all
	}
}

// anywhereBeyond reports whether a board has places that nobody reaches from these sides.
func anywhereBeyond(box geom.Rect, sides []string) bool {
	c := box.Centre()
	if len(sides) == 1 { // the far end of it
		from, in := SideLine(box, sides[0])
		return math.Max(box.Min.Sub(from).Dot(in), box.Max.Sub(from).Dot(in)) >= access.FarthestReach
	}
	return depth(box, sides, geom.Rect{Min: c, Max: c}) >= access.FarthestReach || corner(box, sides)
}

// corner reports whether a corner of a board that is reached from a few sides only lies beyond reach.
func corner(box geom.Rect, sides []string) bool {
	for _, c := range []geom.Point{box.Min, box.Max, geom.Pt(box.Min.X, box.Max.Y), geom.Pt(box.Max.X, box.Min.Y)} {
		if depth(box, sides, geom.Rect{Min: c, Max: c}) >= access.FarthestReach {
			return true
		}
	}
	return false
}

// depth is how far a guest at the nearest of the sides reaches in for the middle of a piece.
func depth(box geom.Rect, sides []string, piece geom.Rect) float64 {
	least := math.Inf(1)
	c := piece.Centre()
	for _, s := range sides {
		from, in := SideLine(box, s)
		least = math.Min(least, math.Max(0, c.Sub(from).Dot(in)))
	}
	return least
}
