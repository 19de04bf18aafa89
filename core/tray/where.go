package tray

import (
	"slices"
	"strings"

	"happytray/core/board"
	"happytray/core/food"
	"happytray/core/geom"
)

// third is how far from an edge of the food zone something lies at the side, as a share of
// the zone: a little more than a third, so that the middle is the narrower part.
const third = .36

// Where says where on a board a point lies, as one would say it standing before it.
func Where(b *board.Board, p geom.Point) string {
	box := b.FoodZone.Bounds()
	side := func(share float64, low, high string) string {
		switch {
		case share < third:
			return low
		case share > 1-third:
			return high
		}
		return ""
	}
	across := side((p.X-box.Min.X)/box.W(), "left", "right")
	along := side((p.Y-box.Min.Y)/box.H(), strings.TrimSuffix(b.SideWord("top"), " side"), strings.TrimSuffix(b.SideWord("bottom"), " side"))
	switch {
	case across == "" && along == "":
		return "in the middle"
	case across == "":
		return along + ", middle"
	case along == "":
		return across + " side, middle"
	}
	return along + " " + across
}

// beside is how near something lies to be called next to, mm between boxes of pieces.
const beside = 14.0

// Neighbours lists, for each element, the places on the tray of the two that lie nearest to it, as far as they are next
// to it; greens are not counted.
func (t *Tray) Neighbours() [][]int {
	n := len(t.Elements)
	out := make([][]int, n)
	boxes, all := make([][]geom.Rect, n), make([]geom.Rect, n)
	for i := range t.Elements {
		e := &t.Elements[i]
		if !e.Placed || len(e.Pieces) == 0 {
			continue
		}
		for k := range e.Pieces {
			b := e.Pieces[k].Outline.Bounds()
			boxes[i] = append(boxes[i], b)
			if k == 0 {
				all[i] = b
			}
			all[i] = all[i].Union(b)
		}
	}
	type near struct {
		j    int
		gap  float64
		long int // how many of its pieces lie beside
	}
	for i := range t.Elements {
		var found []near
		for j := range t.Elements {
			if j == i || len(boxes[i]) == 0 || len(boxes[j]) == 0 || t.Elements[j].Kind() == food.KindGarnish || t.Elements[j].Food == t.Elements[i].Food || geom.BoxGap(all[i], all[j]) > beside {
				continue
			}
			f := near{j: j, gap: beside + 1}
			for _, a := range boxes[i] {
				for _, b := range boxes[j] {
					if gap := geom.BoxGap(a, b); gap <= beside {
						f.gap = min(f.gap, gap)
						f.long++
					}
				}
			}
			if f.gap <= beside {
				found = append(found, f)
			}
		}
		slices.SortStableFunc(found, func(a, b near) int { return b.long - a.long })
		for _, f := range found[:min(2, len(found))] {
			out[i] = append(out[i], f.j)
		}
	}
	return out
}
