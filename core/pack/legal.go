package pack

import (
	"slices"

	"happytray/core/food"
	"happytray/core/review"
	"happytray/core/tray"
)

// AnyPlaced reports whether anything lies on a tray.
func AnyPlaced(t *tray.Tray) bool {
	for i := range t.Elements {
		if t.Elements[i].Placed {
			return true
		}
	}
	return false
}

// Legal reports whether what is placed overlaps nothing and lies on the board.
func Legal(t *tray.Tray, larder *food.Larder) bool {
	placed := t.Clone()
	placed.Elements = placed.Elements[:0]
	for _, e := range t.Elements {
		if e.Placed {
			placed.Elements = append(placed.Elements, e)
		}
	}
	return review.Judge(placed, larder).Legal()
}

// LiesAlike reports whether an element has the same pieces in the same places.
func LiesAlike(a, b *tray.Element) bool {
	return a.Placed == b.Placed && a.Pose() == b.Pose() && slices.EqualFunc(a.Pieces, b.Pieces, func(p, q tray.Piece) bool {
		return p.At == q.At && p.ZMM == q.ZMM && slices.Equal(p.Outline, q.Outline)
	})
}

// Recentre makes the middle of an element's pieces its place, so that it turns about itself.
func Recentre(e *tray.Element) {
	at := MiddleOf(e.Pieces).Round()
	e.X, e.Y = at.X, at.Y
}
