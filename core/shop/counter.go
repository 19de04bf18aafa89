package shop

import (
	"math"
	"slices"

	"happytray/core/food"
	"happytray/core/say"
)

// Cut is how a food is asked for where it is cut for the customer: slices of cold meat, cheese in one piece.
type Cut struct {
	Slices  int     `json:"slices,omitempty"`   // pieces
	SliceMM float64 `json:"slice_mm,omitempty"` // how thin
	Piece   bool    `json:"piece,omitempty"`    // in one piece, because it is cut here
	Rind    bool    `json:"rind,omitempty"`     // with its rind on
}

// thinMM is how thin a slice is that folds: a good millimetre, as the larder's half-folded slices come to by their weight and their round.
const thinMM = 1.0

// folded are the shapes of a slice once it is laid.
var folded = []string{"fold", "halffold", "gathered", "rose"}

// cutFor is how so many grams of a food, to be laid in a form, are asked for; ok is false for what comes in packs.
func cutFor(f *food.Food, form string, grams float64) (c Cut, ok bool) {
	s, has := f.Spec(form)
	if !has || s.MassG <= 0 || f.Holds("fish") {
		return c, false
	}
	switch {
	case f.Category == food.Meat && f.Holds("meat") && (slices.Contains(folded, s.Shape) || form == "rolls"):
		each := 1.0
		if _, n, round := s.Round(s.L); round && n > 0 {
			each = float64(n)
		}
		c.Slices, c.SliceMM = int(math.Ceil(grams/s.MassG*each-1e-6)), thinMM
		return c, true
	case f.Category == food.Meat && f.Holds("meat") && s.Shape == "disc" && f.KeepsDays >= curedKeeps:
		return Cut{Piece: true}, true
	case f.Category == food.Cheese && (f.Firmness == "firm" || f.Firmness == "hard") && f.Milk != "plant":
		return Cut{Piece: true, Rind: f.Rind != "" && f.Rind != "none"}, true
	}
	return c, false
}

// curedKeeps is from how many days on a sausage is bought in one piece and cut here.
const curedKeeps = 10

// mostCounted is up to how many slices anybody counts at a counter; more are asked for by weight.
const mostCounted = 60

// and is what both together ask for: slices add up, and what is also wanted in one piece is said.
func (c Cut) and(o Cut) Cut {
	c.Slices += o.Slices
	c.SliceMM = math.Max(c.SliceMM, o.SliceMM)
	c.Piece, c.Rind = c.Piece || o.Piece, c.Rind || o.Rind
	return c
}

// Says is what one says at the counter; nothing where there is nothing to say.
func (c Cut) Says() say.Text {
	switch {
	case c.Slices > mostCounted:
		return say.That("counter.thin", say.MM(c.SliceMM))
	case c.Slices > 0:
		out := say.That("counter.slices", say.N(c.Slices), say.MM(c.SliceMM))
		if c.Piece {
			out = out.Then("counter.rest")
		}
		return out
	case c.Rind:
		return say.That("counter.rind")
	case c.Piece:
		return say.That("counter.piece")
	}
	return say.Text{}
}
