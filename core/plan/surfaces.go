package plan

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"strings"

	"happytray/core/amount"
	"happytray/core/board"
	"happytray/core/brief"
)

// Surface is a board, or a set of boards, that carries the food of a brief.
type Surface struct {
	Boards []string `json:"boards"` // ids, one for each board of the set
	Name   string   `json:"name"`
	CM2    float64  `json:"area_cm2"` // that food can lie on
	Fill   float64  `json:"fill"`     // share of it that the food takes, 0 to 1
	Says   string   `json:"says"`
}

// BoardAreaCM2 is how much board the amounts of a brief ask for, cm2, with some of the
// crackers beside it. It is what a board must have to carry everything.
func BoardAreaCM2(b brief.Brief, amounts []amount.Amount, cabinet *board.Cabinet) float64 {
	wide, ok := cabinet.Board("rectangle-110-pine") // no form is too long for this one
	if !ok {
		all := cabinet.Boards()
		wide = slices.MaxFunc(all, func(a, b board.Board) int { return cmp.Compare(a.UsableMM2(), b.UsableMM2()) })
	}
	gs := amount.Split(amounts, b, wide, cabinet, 1, .4)
	return math.Max(amount.Footprint(gs)/Full, amount.Stiff(gs)/Stiff) / 100
}

// setRoom is how much more room a set of boards wants than one board: each has its
// own bowls and its own edges.
const setRoom = 1.08

// Surfaces lists boards and sets of boards of the cabinet that carry amounts: up to
// n single boards, smallest first, then up to n pairs, then threes where no two are
// enough, those that match and leave least bare first. Where those are not
// enough either, table runs of paper. An empty list means that nothing is large enough.
func Surfaces(b brief.Brief, amounts []amount.Amount, cabinet *board.Cabinet, n int) []Surface {
	room := BoardAreaCM2(b, amounts, cabinet)
	all := slices.DeleteFunc(cabinet.Boards(), func(c board.Board) bool {
		return c.ID == "plate-24" || board.IsTier(&c) || !c.FoodSafe && c.Liner == "" || slices.Contains(festive, shapeOf(c))
	})
	slices.SortStableFunc(all, func(x, y board.Board) int { return cmp.Compare(x.UsableMM2(), y.UsableMM2()) })
	area := func(c board.Board) float64 { return c.UsableMM2() / 100 }
	out := []Surface{}
	for _, c := range all {
		if len(out) < n && area(c) >= room && carries(b, amounts, cabinet, c) {
			out = append(out, surface(room, c))
		}
	}
	type set struct {
		boards []board.Board
		bare   float64 // of what it has too much, and how little the boards match
	}
	var sets []set
	add := func(list ...board.Board) {
		have, least, most := 0.0, math.Inf(1), 0.0
		for _, c := range list {
			have += area(c)
			least, most = math.Min(least, area(c)), math.Max(most, area(c))
		}
		if have < room*setRoom || have > 2*room {
			return
		}
		match := .3 * (1 - least/most)
		for _, c := range list[1:] {
			if c.Material != list[0].Material {
				match += .15
			}
			if shapeOf(c) != shapeOf(list[0]) {
				match += .15
			}
		}
		sets = append(sets, set{slices.Clone(list), have/(room*setRoom) - 1 + match})
	}
	for i, c := range all {
		for _, d := range all[:i] {
			add(c, d)
		}
	}
	if len(sets) == 0 {
		for i, c := range all {
			for j, d := range all[:i] {
				for _, e := range all[:j] {
					add(c, d, e)
				}
			}
		}
	}
	if run := all[len(all)-1]; len(out)+len(sets) == 0 && run.Material == "paper" { // as much of it as it takes
		for times := 2; times <= brief.MaxBoards; times++ {
			if list := slices.Repeat([]board.Board{run}, times); float64(times)*area(run) >= room*setRoom {
				s := surface(room*setRoom, list...)
				s.Name = fmt.Sprintf("%d × %s", times, run.Name)
				return append(out, s)
			}
		}
	}
	slices.SortStableFunc(sets, func(x, y set) int { return cmp.Compare(x.bare, y.bare) })
	for _, s := range sets[:min(n, len(sets))] {
		out = append(out, surface(room*setRoom, s.boards...))
	}
	return out
}

// festive are the shapes of built-in boards that are taken for an occasion, and never proposed for their room.
var festive = []string{"ring", "heart", "tree", "star"}

// shapeOf is a board's shape as its id tells it.
func shapeOf(c board.Board) string {
	shape, _, _ := strings.Cut(c.ID, "-")
	return shape
}

func surface(room float64, list ...board.Board) Surface {
	s := Surface{Boards: []string{}}
	var names []string
	for _, c := range list {
		s.Boards = append(s.Boards, c.ID)
		s.CM2 += math.Round(c.UsableMM2() / 100)
		names = append(names, c.Name)
	}
	s.Name = strings.Join(names, " and ")
	s.Fill = math.Round(100*room/s.CM2) / 100
	switch {
	case s.Fill > .9:
		s.Says = "just right"
	case s.Fill > .7:
		s.Says = "with room to spare"
	default:
		s.Says = fmt.Sprintf("large: food covers about %.0f %% of it", 100*s.Fill)
	}
	return s
}
