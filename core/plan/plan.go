// Package plan turns a brief into a job whose trays wait to be laid: foods picked, amounts
// reckoned, boards chosen, food shared out; and plans again around what lies already.
package plan

import (
	"fmt"
	"slices"
	"sort"

	"happytray/core/amount"
	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/pick"
	"happytray/core/tray"
)

// Full is the share of a board's food zone that planned footprints may take;
// the rest is the air between groups that packing never closes.
const Full = .96

// Stiff is the share that bowls, whole things, rows and trails may take of it:
// they cannot be squeezed, so loose food must have room to close the gaps round them.
const Stiff = .7

// crackersOn is how much of the crackers is laid on the board, first choice
// first: a few on and the rest beside is the house's default.
var crackersOn = map[string][]float64{"": {.8, .55, .35}, "some": {.8, .55, .35}, "on": {1}, "beside": {0}}

// Of picks, portions and chooses a board for a brief, and returns a job whose elements
// are not placed yet. What the board cannot carry is in reserve. The food may be shared
// out over several trays: boards that share fairly, a plate for each guest, or a tray of
// its own for those who eat no meat.
func Of(b brief.Brief, larder *food.Larder, cabinet *board.Cabinet) (*job.Job, error) {
	return plan(b, larder, cabinet, nil)
}

// plan is Of; where the brief names no board, last is taken again if it suits.
func plan(b brief.Brief, larder *food.Larder, cabinet *board.Cabinet, last *board.Board) (*job.Job, error) {
	if err := b.Check(); err != nil {
		return nil, err
	}
	for i, w := range append(slices.Clone(b.Foods), b.Pins...) {
		if _, ok := cabinet.Vessel(w.Vessel); !ok && w.Vessel != "" {
			field := fmt.Sprintf("foods[%d].vessel", i)
			if i >= len(b.Foods) {
				field = fmt.Sprintf("pins[%d].vessel", i-len(b.Foods))
			}
			return nil, fault.Bad(field, "there is no bowl %.60q; leave it out to have one chosen", w.Vessel)
		}
	}
	j := &job.Job{Title: title(b), Brief: b}
	all := parts(b)
	for _, p := range all {
		made, err := planPart(b, p, all, larder, cabinet, last)
		if err != nil {
			return nil, err
		}
		j.Trays = append(j.Trays, made...)
	}
	if len(j.Trays) > 1 {
		for i, t := range j.Trays {
			t.Part.Number, t.Part.Of = i+1, len(j.Trays)
		}
	}
	j.NoteFoods(larder)
	return j, nil
}

// planPart plans the trays of one part of the table: one, or as many as there are
// boards to share its food.
func planPart(b brief.Brief, p tray.Part, all []tray.Part, larder *food.Larder, cabinet *board.Cabinet, last *board.Board) ([]*tray.Tray, error) {
	whole := p.Of == 0 // nobody is parted from the rest
	theirs := briefOf(b, p, all, larder)
	ground, err := groundOf(theirs, cabinet)
	if err != nil {
		return nil, err
	}
	chosen, err := pick.Pick(theirs, larder, ground)
	if err != nil {
		return nil, err
	}
	amounts := amount.Of(theirs, chosen)
	for i, a := range amounts { // a whole that is far more than is eaten is laid in parts, as on a plate
		if whole := wholeOf(a); whole > 0 && a.Choice.Grams == 0 && (b.Plates() || a.Grams < .35*whole) {
			if parted, ok := divisible(a); ok {
				amounts[i] = parted
			}
		}
	}
	surfaces, err := chooseBoards(theirs, amounts, cabinet, last)
	if err != nil {
		return nil, err
	}
	var out []*tray.Tray
	for i, share := range shareOut(amounts, surfaces) {
		t := &tray.Tray{Rules: b.HouseRules(), Seed: 1}
		surface := surfaces[i]
		turn(&surface, b)
		t.Board = &surface
		if !whole || len(surfaces) > 1 {
			part := p
			if len(surfaces) > 1 {
				part.Share = share.of
			}
			t.Part = &part
		}
		t.Brief = t.Part.BriefOf(b)
		lay(t, theirs, share.amounts, cabinet)
		out = append(out, t)
	}
	return out, nil
}

// briefOf is the brief of one of the parts of the table. Where the table is parted,
// what is asked for by name but avoided by this part is left to the others, and an
// amount that is set is shared out over the guests who can eat it.
func briefOf(b brief.Brief, p tray.Part, all []tray.Part, larder *food.Larder) brief.Brief {
	theirs := p.BriefOf(b)
	if p.Of == 0 {
		return theirs
	}
	own := func(wants []brief.Want) (out []brief.Want) {
		for _, w := range wants {
			f, ok := larder.Get(w.Food)
			eats := func(q tray.Part) bool { return !ok || f.Breaks(q.BriefOf(b).OffTheTray()) == "" }
			if !eats(p) {
				continue
			}
			if w.Grams > 0 {
				eaters := 0.0
				for _, q := range all {
					if eats(q) {
						eaters += q.Guests.Appetites() * float64(max(1, q.Copies))
					}
				}
				w.Grams *= p.Guests.Appetites() / eaters
			}
			out = append(out, w)
		}
		return out
	}
	theirs.Foods, theirs.Pins = own(theirs.Foods), own(theirs.Pins)
	return theirs
}

// Choose picks the foods of all parts of the table, each once.
func Choose(b brief.Brief, larder *food.Larder, cabinet *board.Cabinet) ([]pick.Choice, error) {
	var out []pick.Choice
	seen := map[string]bool{}
	all := parts(b)
	for _, p := range all {
		theirs := briefOf(b, p, all, larder)
		chosen, err := pick.Pick(theirs, larder, Ground(theirs, cabinet))
		if err != nil {
			return nil, err
		}
		for _, c := range chosen {
			if !seen[c.Food.ID] {
				seen[c.Food.ID] = true
				out = append(out, c)
			}
		}
	}
	return out, nil
}

// turn sets a board down as the brief says: where its front is, and from which
// sides guests reach it. A tray that is photographed at a slant has a front.
func turn(surface *board.Board, b brief.Brief) {
	if b.Photographed == "slant" {
		surface.Front = "bottom"
	}
	if b.Front != "" {
		surface.Front = b.Front
	}
	if len(b.Access) > 0 {
		surface.Access = slices.Clone(b.Access)
	}
}

// groundOf is the colour that the food will lie on, where the brief names a board.
func groundOf(b brief.Brief, cabinet *board.Cabinet) (string, error) {
	r := b.Board
	at := "board"
	if len(b.Boards) > 0 {
		r, at = &b.Boards[0], "boards[0]"
	}
	if r == nil || r.Zero() {
		return "", nil
	}
	made, err := cabinet.Make(*r)
	if err != nil {
		return "", fault.In(at, err)
	}
	if made.Liner != "" {
		return made.Liner, nil
	}
	return made.Colour, nil
}

// Ground is the colour that the brief's food will lie on, or "" where no board is
// named or it is not there.
func Ground(b brief.Brief, cabinet *board.Cabinet) string {
	ground, _ := groundOf(b, cabinet)
	return ground
}

func title(b brief.Brief) string {
	n := b.Guests.Total()
	what := map[string]string{"nibble": "Nibbles", "grazing": "Grazing", "meal": "A meal"}[b.For()]
	if b.Course == "sweet" {
		what = "Dessert"
	}
	return fmt.Sprintf("%s for %d", what, n)
}

// chooseBoards are the boards that the brief names, or the one board that carries
// everything best.
func chooseBoards(b brief.Brief, amounts []amount.Amount, cabinet *board.Cabinet, last *board.Board) ([]board.Board, error) {
	if len(b.Boards) == 0 {
		if named := b.Board != nil && !b.Board.Zero(); last != nil && !named && !b.Plates() && suits(b, amounts, cabinet, *last) {
			return []board.Board{*last}, nil
		}
		one, err := chooseBoard(b, amounts, cabinet)
		return []board.Board{one}, err
	}
	var out []board.Board
	for i, r := range b.Boards {
		made, err := cabinet.Make(r)
		if err != nil {
			return nil, fault.In(fmt.Sprintf("boards[%d]", i), err)
		}
		out = append(out, made)
	}
	return out, nil
}

// chooseBoard is the board the brief names, or the smallest usual one that
// carries everything with some of the crackers beside it, or the largest.
func chooseBoard(b brief.Brief, amounts []amount.Amount, cabinet *board.Cabinet) (board.Board, error) {
	if b.Board != nil && !b.Board.Zero() {
		made, err := cabinet.Make(*b.Board)
		if err != nil {
			return board.Board{}, fault.In("board", err)
		}
		return made, nil
	}
	if b.Plates() {
		if plate, ok := cabinet.Board("plate-24"); ok {
			return plate, nil
		}
	}
	all := cabinet.Usual()
	sort.SliceStable(all, func(i, j int) bool { return all[i].UsableMM2() < all[j].UsableMM2() })
	for _, c := range all {
		if carries(b, amounts, cabinet, c) {
			return c, nil
		}
	}
	return all[len(all)-1], nil
}

// carries reports whether a board holds amounts with some of the crackers beside it.
func carries(b brief.Brief, amounts []amount.Amount, cabinet *board.Cabinet, c board.Board) bool {
	gs := amount.Split(amounts, b, c, cabinet, 1, .4)
	return amount.Footprint(gs) <= Full*c.UsableMM2() && amount.Stiff(gs) <= Stiff*c.UsableMM2()
}

// fair is the least share of a board that food should take, so that it is kept when
// a brief is planned again.
const fair = .6

// suits reports whether a board that was chosen before still does: it carries
// everything and is not left bare.
func suits(b brief.Brief, amounts []amount.Amount, cabinet *board.Cabinet, c board.Board) bool {
	if _, ok := cabinet.Board(c.ID); !ok {
		return false
	}
	return carries(b, amounts, cabinet, c) && amount.Footprint(amount.Split(amounts, b, c, cabinet, 1, .4)) >= fair*c.UsableMM2()
}
