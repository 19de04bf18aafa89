package plan

import (
	"slices"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
)

// lidAir is what is kept between the food and a lid, mm: what lies on something else lies a little higher.
const lidAir = 5

// lidOf is how high food may stand on the lowest of a brief's boards that have a lid, mm; 0 where none has.
func lidOf(b brief.Brief, cabinet *board.Cabinet) float64 {
	requests := b.Boards
	if len(requests) == 0 && b.Board != nil && !b.Board.Zero() {
		requests = []board.Request{*b.Board}
	}
	lid := 0.0
	for _, r := range requests {
		if made, err := cabinet.Make(r); err == nil && made.LidMM > 0 && (lid == 0 || made.LidMM < lid) {
			lid = made.LidMM
		}
	}
	return lid
}

// underLid is what there is to choose from for a board that is closed with a lid: food in low forms, low bowls. What the
// host asked for by name stays.
func underLid(b brief.Brief, larder *food.Larder, cabinet *board.Cabinet) (*food.Larder, *board.Cabinet) {
	lid := lidOf(b, cabinet)
	if lid == 0 {
		return larder, cabinet
	}
	asked := func(id string) bool {
		named := func(w brief.Want) bool { return w.Food == id }
		return slices.ContainsFunc(b.Foods, named) || slices.ContainsFunc(b.Pins, named)
	}
	return larder.Low(lid-lidAir, asked), cabinet.Low(lid - lidAir)
}
