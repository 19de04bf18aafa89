package lens

import (
	"cmp"
	"slices"

	"happytray/core/board"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/say"
	"happytray/core/tray"
)

// strengthHues tint what is tasted, from 1 mild to 5 strong: pale to dark, so that they are told apart without their colour.
var strengthHues = []string{"", "#f3e3a8", "#e2b95e", "#c5822f", "#93501f", "#56281a"}

// tasting shows cheeses and meats by strength, with a line from each to the next on the way of guests; where the way goes
// back from strong to mild it is marked. Where the house lays freely, cheeses are shown.
func (s *seeing) tasting() {
	t := s.t
	if len(t.Tasting(s.larder)) == 0 {
		c := *t
		c.Rules.Tasting = "cheese"
		t = &c
	}
	s.view.Title, s.view.Says = "Tasting order", say.That("lens.tasting", say.Word(board.WaySays[t.Board.Way()]))
	type stop struct {
		e        *tray.Element
		strength int
		at       geom.Point
		share    float64
	}
	rows, in := map[food.Category][]stop{}, map[string]bool{}
	for _, turn := range t.Tasting(s.larder) {
		e := &t.Elements[turn.Element]
		at, ok := e.Middle()
		if !ok {
			continue
		}
		in[e.ID] = true
		s.tinted(e, strengthHues[max(1, min(5, turn.Strength))], say.That("lens.strength", say.Figure(turn.Strength)))
		if share, ok := t.Board.Along(at); ok {
			rows[turn.Category] = append(rows[turn.Category], stop{e, turn.Strength, at, share})
		}
	}
	s.each(func(e *tray.Element, _ *food.Food) {
		if !in[e.ID] {
			s.quiet(e, "#dcd7ca", "not tasted in turn")
		}
	})
	right, all := 0, 0
	for _, kind := range []food.Category{food.Cheese, food.Meat} {
		row := rows[kind]
		slices.SortStableFunc(row, func(a, b stop) int { return cmp.Compare(a.share, b.share) })
		for k := 1; k < len(row); k++ {
			a, b := row[k-1], row[k]
			all++
			if a.strength <= b.strength {
				right++
			}
			s.view.Lines = append(s.view.Lines, Line{Path: []geom.Point{a.at.Round(), b.at.Round()}, Bad: a.strength > b.strength, Ends: true,
				Says: say.That("lens.two", say.Word(s.name(a.e)), say.Word(s.name(b.e)))})
		}
	}
	s.view.Number = say.That("lens.inturn", say.Figure(right), say.Figure(all))
}
