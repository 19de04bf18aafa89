package plan

import (
	"math"
	"slices"

	"happytray/core/amount"
	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/diet"
	"happytray/core/food"
	"happytray/core/pick"
)

// A board has about one bowl for so much of it, cm2, two at least and never more than so many (docs/craft.md, Few bowls).
const (
	bowlCM2    = 550.0
	fewestBowl = 2
	mostBowls  = 5
)

// open is what lies on the board itself before more bowls are set out, first what is dry, then what was drained.
var open = []food.Category{food.Dried, food.Nut, food.Cracker, food.Vegetable, food.Brined}

// timesBowls is how many bowls there are for one as usual, and how many at most, by the house's rule.
var timesBowls = map[string]struct {
	times float64
	most  int
}{"": {1, mostBowls}, "usual": {1, mostBowls}, "few": {.6, 3}, "many": {1.6, 8}}

// bowlsFor is how many bowls suit the largest of some boards, as the house likes it.
func bowlsFor(surfaces []board.Board, rules brief.Rules) int {
	room := 0.0
	for _, s := range surfaces {
		room = math.Max(room, s.UsableMM2()/100)
	}
	way := timesBowls[rules.Bowls]
	return int(math.Max(fewestBowl, math.Min(float64(way.most), math.Round(way.times*room/bowlCM2))))
}

func inBowls(amounts []amount.Amount) (n int) {
	for i := range amounts {
		if food.InVessel(amounts[i].Form) {
			n++
		}
	}
	return n
}

// fewerBowls lays what can lie open on the board itself, until there are no more bowls than suit it, and gives a second
// bowl of one food only where there are fewer. What the host gave a form or a vessel keeps it; a dip, and what comes by
// the bowl, always stands in one.
func fewerBowls(b brief.Brief, amounts []amount.Amount, most int) []amount.Amount {
	out, at := slices.Clone(amounts), diet.TableOf(b)
	bowls := inBowls(out)
	for _, c := range open {
		for i := range out {
			a := &out[i]
			if bowls <= most || a.Food.Category != c || a.Pinned || a.Vessel != "" || !food.InVessel(a.Form) {
				continue
			}
			for _, form := range []string{"drift", "batons", "halves"} {
				if a.Food.Fits(form) && !at.NotAs(a.Food, form) && at.Suffers(a.Food, form) == "" {
					a.Form = form
					bowls--
					break
				}
			}
		}
	}
	kinds := map[food.Category]int{}
	for i := range out {
		kinds[out[i].Food.Category]++
	}
	for i := range out { // what is all there is of its kind takes as many as it takes
		if a := &out[i]; food.InVessel(a.Form) && a.Vessel == "" && kinds[a.Food.Category] > 1 {
			a.Bowls = 1 + max(0, most-bowls)
			bowls = max(bowls, most) // one food at most has the places that are left
		}
	}
	return out
}

// leaveOut takes foods that only come in a bowl out of a choice, the one that is least expected and liked first, until
// no more of them are left than suit the board; one dip stays, and so does what the host asked for.
func leaveOut(b brief.Brief, chosen []pick.Choice, amounts []amount.Amount, most int) []pick.Choice {
	out := slices.Clone(chosen)
	dips := 0
	for _, c := range chosen {
		if c.Food.Category == food.Dip {
			dips++
		}
	}
	for over := inBowls(amounts) - most; over > 0; over-- {
		worst, least := -1, math.Inf(1)
		foods := make([]*food.Food, len(out))
		for i, c := range out {
			foods[i] = c.Food
		}
		for i, c := range out {
			if c.Pinned || c.Liked || c.Vessel != "" || !slices.ContainsFunc(amounts, func(a amount.Amount) bool { return a.Food.ID == c.Food.ID && food.InVessel(a.Form) }) {
				continue
			}
			if c.Food.Category == food.Dip && dips == 1 || !missesNothing(b, foods, i) {
				continue
			}
			_, prior := c.Food.RoleOf()
			if v := c.Food.Liking + prior; v < least {
				worst, least = i, v
			}
		}
		if worst < 0 {
			break
		}
		if out[worst].Food.Category == food.Dip {
			dips--
		}
		out = slices.Delete(out, worst, worst+1)
	}
	return out
}
