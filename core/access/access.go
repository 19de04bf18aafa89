// Package access tells from which sides guests come to a board and how far they reach over it.
package access

import (
	"slices"

	"happytray/core/board"
	"happytray/core/brief"
)

// Reach is how far one reaches over a board in comfort, mm (docs/craft.md, Boards).
const Reach = 450.0

// FarthestReach is what nobody reaches any more, mm: an outstretched arm less what a body keeps from the edge.
const FarthestReach = 600.0

// longBoard is the length over the breadth from which on nobody stands at the ends of a board
// unless the brief says so.
const longBoard = 1.8

// StandAt lists the sides of a board that guests stand at: those that it can be reached from, without
// the ends of a long one where the brief names no sides.
func StandAt(b brief.Brief, on *board.Board) []string {
	box := on.FoodZone.Bounds()
	ends := []string{}
	switch {
	case len(b.Access) > 0 || len(on.Access) < 4:
	case box.W() >= longBoard*box.H():
		ends = []string{"left", "right"}
	case box.H() >= longBoard*box.W():
		ends = []string{"top", "bottom"}
	}
	return slices.DeleteFunc(slices.Clone(on.Access), func(side string) bool { return slices.Contains(ends, side) })
}
