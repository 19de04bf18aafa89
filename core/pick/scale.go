package pick

import (
	"slices"

	"happytray/core/bite"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/portion"
)

// Scale weighs changes to a choice: how much balance it loses or wins by them.
type Scale struct {
	candidates *candidates
	stats      *stats
}

// NewScale prepares a choice of foods under a brief.
func NewScale(b brief.Brief, larder *food.Larder, under Under, foods []*food.Food) *Scale {
	b.Foods = nil
	for _, f := range foods { // so that what is chosen is weighed even where it would not be picked unasked
		b.Foods = append(b.Foods, brief.Want{Food: f.ID})
	}
	b.Budget, b.PerGuest = 0, 0 // money is not balance
	f := newCandidates(b, larder, under, KindsFor(b, under), portion.Shares(b, portion.WithMeat))
	s := f.empty()
	for _, c := range foods {
		if i, ok := f.by[c.ID]; ok {
			f.put(s, i, 1)
		}
	}
	return &Scale{f, s}
}

// Change is what the choice is worth more, in points of liking, with one food taken
// out and another put in; either may be "". A food that does not suit the brief
// brings nothing.
func (s *Scale) Change(out, in string) float64 {
	v := 0.0
	i, there := s.candidates.by[out]
	if there {
		s.candidates.put(s.stats, i, -1)
		v -= s.candidates.marginal(s.stats, i)
	}
	if j, ok := s.candidates.by[in]; ok {
		v += s.candidates.marginal(s.stats, j)
	}
	if there {
		s.candidates.put(s.stats, i, 1)
	}
	return v
}

// Explain says of a choice that was made before what speaks most for each food
// beside the others. Foods that the brief asks for or pins say so.
func Explain(b brief.Brief, larder *food.Larder, under Under, chosen []Choice) []Choice {
	asked := map[string]string{}
	for _, w := range b.Foods {
		asked[w.Food] = "asked for in the brief"
	}
	for _, w := range b.Pins {
		asked[w.Food] = "pinned"
	}
	var foods []*food.Food
	for _, c := range chosen {
		foods = append(foods, c.Food)
	}
	s := NewScale(b, larder, under, foods)
	inBite := tellBites(bite.Of(foods, b), larder)
	out := slices.Clone(chosen)
	for k := range out {
		c := &out[k]
		if why, ok := asked[c.Food.ID]; ok {
			c.Why, c.Pinned = why, true
			continue
		}
		i := s.candidates.by[c.Food.ID]
		s.candidates.put(s.stats, i, -1)
		c.Why = s.candidates.why(s.stats, i, inBite[c.Food.ID])
		s.candidates.put(s.stats, i, 1)
	}
	return out
}
