package plan

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"happytray/core/amount"
	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/fault"
	"happytray/core/safety"
	"happytray/core/say"
	"happytray/core/theme"
	"happytray/core/tray"
)

// The board that a guest gets, cm2 that food can lie on (docs/craft.md, Boards): with less there is
// hardly anything on it, with more it stands bare. Between the two it is what the food takes; what
// finds no room is for topping up.
const (
	leastEach = 172.0
	mostEach  = 280.0
)

// brimful is how much of the board that is looked for the food would cover if all of it lay there: a little more than there
// is, so that some waits to close the gaps (docs/craft.md, Amounts).
const brimful = 1.02

// How much a set of boards must be better than one board: each is one more thing to carry, with
// its own bowls and edges, and boards of a set are to look alike.
const (
	oneMore    = .15
	unlikely   = .3  // of two boards, by how far they differ in size
	otherMake  = .15 // a material or a shape that differs
	rimless    = .8  // all of them without a rim, on the road
	otherShape = .18 // than the theme is known on
	tooLittle  = .9  // of bare board: what is not on the board is not seen
)

// chooseBoards are the boards that the brief names, or those that suit its guests and its food
// best, and what has to be said about them.
func chooseBoards(b brief.Brief, amounts []amount.Amount, cabinet *board.Cabinet, last []board.Board) ([]board.Board, []say.Text, error) {
	if len(b.Boards) > 0 {
		var out []board.Board
		for i, r := range b.Boards {
			made, err := cabinet.Make(r)
			if err != nil {
				return nil, nil, fault.In(fmt.Sprintf("boards[%d]", i), err)
			}
			out = append(out, made)
		}
		return out, nil, nil
	}
	if b.Board != nil && !b.Board.Zero() {
		made, err := cabinet.Make(*b.Board)
		if err != nil {
			return nil, nil, fault.In("board", err)
		}
		return []board.Board{made}, nil, nil
	}
	if plate, ok := cabinet.Board("plate-24"); ok && b.Plates() {
		return []board.Board{plate}, nil, nil
	}
	want := wanted(b, amounts, cabinet)
	best := choose(want, b.Guests.Total(), cabinet.Usual(), safety.WantsRim(b), theme.ForBrief(b).Shape())
	rims := !safety.WantsRim(b) || !slices.ContainsFunc(last, withoutRim) || slices.ContainsFunc(best, withoutRim)
	if rims && suits(b, want, cabinet, last) {
		return last, nil, nil
	}
	says := borrow(b, best, want)
	if safety.WantsRim(b) && slices.ContainsFunc(best, withoutRim) {
		says = append(says, say.That("boards.rim"))
	}
	return best, says, nil
}

// wanted is how much board is looked for, cm2.
func wanted(b brief.Brief, amounts []amount.Amount, cabinet *board.Cabinet) float64 {
	guests, food := float64(b.Guests.Total()), BoardAreaCM2(b, amounts, cabinet)
	food *= Full / brimful
	if b.HouseRules().Gaps == "airy" { // who wants air wants room
		food *= brimful / airy
	}
	return math.Max(leastEach*guests, math.Min(mostEach*guests, food))
}

func withoutRim(c board.Board) bool { return c.RimMM == 0 }

func areaOf(boards []board.Board) (cm2 float64) {
	for _, c := range boards {
		cm2 += c.UsableMM2() / 100
	}
	return cm2
}

// choose finds the board, or the set of boards, whose area is nearest to what is wanted: one, two
// or three that look alike, or as much of a table run as it takes. What leaves the guests less or
// more than is good comes only where nothing else is there. With rim, boards that have one come first;
// one of the theme's shape, if it has one, before others that suit as well.
func choose(want float64, guests int, all []board.Board, rim bool, shape string) []board.Board {
	all = slices.Clone(all)
	slices.SortStableFunc(all, func(x, y board.Board) int { return cmp.Compare(x.UsableMM2(), y.UsableMM2()) })
	area := make([]float64, len(all))
	for i := range all {
		area[i] = all[i].UsableMM2() / 100
	}
	low, high := leastEach*float64(guests), mostEach*float64(guests)
	var best []board.Board
	least := math.Inf(1)
	try := func(unlike float64, of ...int) {
		have := 0.0
		for _, i := range of {
			have += area[i]
		}
		bad := oneMore*float64(len(of)-1) + unlike
		for _, i := range of {
			if rim && withoutRim(all[i]) {
				bad += rimless / float64(len(of))
			}
			if shape != "" && shapeOf(all[i]) != shape {
				bad += otherShape / float64(len(of))
			}
		}
		switch {
		case have < want:
			bad += tooLittle * (1 - have/want)
		default:
			bad += have/want - 1
		}
		if have < low {
			bad += 10 * (1 - have/low)
		}
		if have > high {
			bad += 10 * (have/high - 1)
		}
		if bad < least-1e-9 {
			least, best = bad, nil
			for _, i := range of {
				best = append(best, all[i])
			}
		}
	}
	unlike := func(i, j int) float64 {
		u := unlikely * (1 - math.Min(area[i], area[j])/math.Max(area[i], area[j]))
		if all[i].Material != all[j].Material {
			u += otherMake
		}
		if shapeOf(all[i]) != shapeOf(all[j]) {
			u += otherMake
		}
		return u
	}
	for i := range all {
		try(0, i)
		for j := range i {
			u := unlike(i, j)
			try(u, i, j)
			for k := range j {
				try((u+unlike(i, k)+unlike(j, k))/2, i, j, k)
			}
		}
	}
	for i, c := range all {
		if c.Material != "paper" { // it comes off a roll; of the others there is one each
			continue
		}
		times := int(math.Round(want / area[i]))
		for n := max(2, times); n <= min(times+1, tray.MaxTrays); n++ {
			// a run is one table after the other, whatever their number
			try(-oneMore*float64(n-2), slices.Repeat([]int{i}, n)...)
		}
		if times > tray.MaxTrays {
			try(-oneMore*float64(tray.MaxTrays-2), slices.Repeat([]int{i}, tray.MaxTrays)...)
		}
	}
	return best
}

// borrow proposes what to borrow where the boards there are leave the guests too little, and says
// so where even the smallest is far too much.
func borrow(b brief.Brief, have []board.Board, want float64) []say.Text {
	guests := float64(b.Guests.Total())
	each := areaOf(have) / guests
	switch {
	case each < leastEach*.97:
		lack := leastEach*guests - areaOf(have)
		side := math.Ceil(math.Sqrt(lack/1.5)/5) * 5
		if n := math.Ceil(lack / (90 * 60)); n > 1 {
			return []say.Text{say.That("boards.borrow", say.CM2(each), say.CM2(leastEach), say.N(int(n)), say.Size(900, 600))}
		}
		return []say.Text{say.That("boards.one", say.CM2(each), say.CM2(leastEach), say.Size(10*math.Ceil(1.5*side/5)*5, 10*side))}
	case each > mostEach*1.3:
		return []say.Text{say.That("boards.large", say.CM2(want), say.CM2(areaOf(have)))}
	}
	return nil
}

// suits reports whether boards that were chosen before still do: they are there, and leave the
// guests about what is wanted.
func suits(b brief.Brief, want float64, cabinet *board.Cabinet, last []board.Board) bool {
	for _, c := range last {
		if _, ok := cabinet.Board(c.ID); !ok {
			return false
		}
	}
	have, guests := areaOf(last), float64(b.Guests.Total())
	return len(last) > 0 && have >= .85*want && have <= 1.35*want && have >= .95*leastEach*guests && have <= 1.1*mostEach*guests
}

// carries reports whether a board holds amounts with some of the crackers beside it.
func carries(b brief.Brief, amounts []amount.Amount, cabinet *board.Cabinet, c board.Board) bool {
	gs := amount.Split(amounts, b, c, cabinet, 1, .4)
	return amount.Footprint(gs) <= Full*c.UsableMM2() && amount.Stiff(gs) <= Stiff*c.UsableMM2()
}
