package lens

import (
	"math"

	"happytray/core/bite"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/say"
	"happytray/core/tray"
)

// bite tints, one for each of those that a board has
var biteHues = []string{"#c8742a", "#5f7a3a", "#7a3b6a"}

// bites shows what is eaten together, each bite in a colour of its own where its foods lie nearest to each other, with a
// line between them.
func (s *seeing) bites() {
	s.view.Title, s.view.Says = "Bites", say.That("lens.bites", say.MM(bite.Near))
	hue, told := map[string]string{}, map[string]say.Text{}
	near, all := 0, 0
	for k, b := range s.t.Bites(s.larder) {
		lying := s.together(b)
		if len(lying) < 2 {
			continue
		}
		all++
		wide := 0.0
		for i, e := range lying {
			if hue[e.ID] == "" { // a carrier that two bites share shows the first
				hue[e.ID], told[e.ID] = biteHues[k%len(biteHues)], say.Plain(b.Name)
			}
			for _, o := range lying[:i] {
				gap, at, to, ok := nearest(bodies(o), bodies(e), math.Inf(1))
				if wide = math.Max(wide, gap); ok && o == lying[0] {
					s.view.Lines = append(s.view.Lines, Line{Path: []geom.Point{at.Round(), to.Round()}, Bad: gap > bite.Near,
						Says: say.That("lens.pair", say.Word(s.name(o)), say.Word(s.name(e)), say.MM(gap))})
				}
			}
		}
		if wide <= bite.Near {
			near++
		}
	}
	s.each(func(e *tray.Element, _ *food.Food) {
		if hue[e.ID] != "" {
			s.tinted(e, hue[e.ID], told[e.ID])
		} else {
			s.quiet(e, "#dcd7ca", "in no bite")
		}
	})
	s.view.Number = say.That("lens.bitten", say.Figure(near), say.Figure(all))
}

// together are elements of a bite's foods, one of each that lies on the board, that lie nearest to one of the rich food.
func (s *seeing) together(b bite.Bite) (best []*tray.Element) {
	of := map[string][]*tray.Element{}
	s.each(func(e *tray.Element, _ *food.Food) { of[e.Food] = append(of[e.Food], e) })
	least := math.Inf(1)
	for _, first := range of[b.Foods[0]] {
		lying, wide := []*tray.Element{first}, 0.0
		for _, id := range b.Foods[1:] {
			var found *tray.Element
			to := math.Inf(1)
			for _, e := range of[id] {
				if gap, _, _, ok := nearest(bodies(first), bodies(e), math.Inf(1)); ok && gap < to {
					found, to = e, gap
				}
			}
			if found != nil {
				lying, wide = append(lying, found), math.Max(wide, to)
			}
		}
		if wide < least {
			best, least = lying, wide
		}
	}
	return best
}
