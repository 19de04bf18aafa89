package tray

import (
	"happytray/core/board"
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
	along := side((p.Y-box.Min.Y)/box.H(), "far", "near")
	switch {
	case across == "" && along == "":
		return "in the middle"
	case across == "":
		return along + " side, middle"
	case along == "":
		return across + " side, middle"
	}
	return along + " " + across
}
