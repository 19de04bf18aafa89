package pick

import (
	"math"
	"slices"

	"happytray/core/brief"
	"happytray/core/diet"
	"happytray/core/food"
)

// What guests by name like and dislike is worth, in points of liking.
const (
	firstOfOnes = 3.0  // a favourite of a guest who finds none yet
	nextOfOnes  = .8   // a further one
	disliked    = -2.5 // what everybody at the table dislikes; less, the fewer do
	mostDislike = .5   // share of the table from which on what they dislike is not chosen unasked
)

// tastes is who of the people of a brief, by their place in its list, likes and dislikes each food, by id.
type tastes struct{ likes, dislikes map[string][]int }

func tastesOf(b brief.Brief, larder *food.Larder) (t tastes) {
	if len(b.People) == 0 {
		return t
	}
	t = tastes{likes: map[string][]int{}, dislikes: map[string][]int{}}
	note := func(to map[string][]int, person int, words []string, holding bool) {
		for _, w := range words {
			for _, id := range larder.Taste(w, holding) {
				if !slices.Contains(to[id], person) {
					to[id] = append(to[id], person)
				}
			}
		}
	}
	for i, p := range b.People {
		note(t.likes, i, p.Likes, false)
		note(t.dislikes, i, p.Dislikes, true)
	}
	for id, by := range t.likes { // nobody's favourite is what they dislike more exactly, or must not eat
		f, _ := larder.Get(id)
		t.likes[id] = slices.DeleteFunc(by, func(i int) bool {
			return slices.Contains(t.dislikes[id], i) || slices.ContainsFunc(b.Diets, func(d brief.Diet) bool { return b.People[i].Is(d.Who) && !diet.CanEat(d.Avoid, f) })
		})
	}
	return t
}

// offputting is the share of the table that dislikes a food.
func (t tastes) offputting(b brief.Brief, id string) float64 {
	return float64(len(t.dislikes[id])) / math.Max(1, float64(b.Guests.Total()))
}

// toPeople sees to it that every guest with a name finds something they like, where the larder has it: it comes in place
// of what the choice loses least by, or beside it. What somebody else likes stays.
func (f *candidates) toPeople(b brief.Brief, s *stats, fixed map[int]bool) {
	for p := range f.people {
		if s.favours[p] > 0 {
			continue
		}
		theirs := func(j int) bool { return slices.Contains(f.cands[j].likedBy, p) }
		onlyOnes := func(i int) bool {
			return slices.ContainsFunc(f.cands[i].likedBy, func(o int) bool { return s.favours[o] == 1 })
		}
		broken := f.broken(b, s)
		if f.swap(s, exchange{
			leaves: func(i int) bool { return !fixed[i] && !onlyOnes(i) },
			comes:  func(i, j int) bool { return theirs(j) && !f.dearer(s, i, j) },
			worth: func(_, j int, v float64) float64 {
				if f.cands[j].notNow {
					v += rested
				}
				return v
			},
			holds: func() bool { return f.broken(b, s) <= broken },
		}) {
			continue
		}
		best, most := -1, math.Inf(-1)
		for j := range f.cands {
			if v := f.marginal(s, j); theirs(j) && v > most {
				best, most = j, v
			}
		}
		if best >= 0 && (f.budget == 0 || s.cost+f.cands[best].cost <= f.budget) {
			f.put(s, best, 1)
		}
	}
}

// Favourites is the foods, of some, that somebody of a brief likes, by id.
func Favourites(p brief.Person, foods []*food.Food, larder *food.Larder) (out []string) {
	t := tastesOf(brief.Brief{Guests: p.Guests(), People: []brief.Person{p}}, larder)
	for _, f := range foods {
		if len(t.likes[f.ID]) > 0 && len(t.dislikes[f.ID]) == 0 {
			out = append(out, f.ID)
		}
	}
	return out
}
