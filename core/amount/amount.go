// Package amount turns shares of the guests into grams of each chosen food, and those into
// groups of whole pieces, with the room that they take on a board.
package amount

import (
	"math"
	"strconv"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/pick"
	"happytray/core/portion"
	"happytray/core/round"
	"happytray/core/say"
)

// Amount is how much of one chosen food the table gets.
type Amount struct {
	pick.Choice
	Grams float64
	Why   say.Text
	Bowls int     // it stands in at most; 0 for as many as it takes
	Parts bool    // a part of a round is enough: there are several trays, or single plates
	Usual float64 // grams that its part by liking would be before anything was learnt
}

// least is the part of its usual share that a food keeps when the host has set so
// much of another of its kind that nothing would be left of it, and most the share
// of it that it grows to where another comes in less than its own.
const (
	least = .4
	most  = 1.6
)

// Apportion reckons the grams of every chosen food. Each group of guests has its whole share, by kinds,
// of what it can eat, spread over those foods by how well they are liked; a kind that nothing was
// chosen from, or nothing a group can eat, gives its share to the group's others in proportion.
// What the host has set holds, and the others of its kind share what is left. Of a food that
// everybody wants there is one piece for each guest who eats it, out of its kind's share; wholes
// come whole; and of each there is at least a group that can be seen. Last, foods that guests with
// few to choose from can eat become more, and what only the others eat less, until every group
// finds its share. A food whose kind was tilted away is left out.
func Apportion(b brief.Brief, chosen []pick.Choice) []Amount {
	t := newTable(b, chosen)
	var out []Amount
	var kept []int
	for i, c := range chosen {
		if tilt, set := b.Tilt[string(c.Food.Category)]; set && tilt == 0 && c.Grams == 0 && !c.Pinned {
			continue
		}
		out = append(out, Amount{Choice: c})
		kept = append(kept, i)
	}
	t.only(kept)
	t.spread()
	t.one()
	t.cap()
	t.level()
	if len(t.groups) == 1 { // that every group finds its share goes first
		t.cap()
	}
	for i := range out {
		a := &out[i]
		f := a.Food
		spec, _ := f.Spec(a.Form)
		switch {
		case a.Packed && a.Choice.Grams > 0:
			a.Grams, a.Why, a.Parts = a.Choice.Grams, say.That("amount.packs"), true
		case a.Choice.Grams > 0:
			a.Grams, a.Why = a.Choice.Grams, say.That("amount.hand")
		case f.Category == food.Garnish:
			a.Grams = spec.MassG * float64(max(2, min(14, 2+b.Guests.Total()/6)))
			if b.HouseRules().Greenery == "generous" {
				if food.Has(a.Form, food.Tucked) {
					a.Grams = math.Max(1.2*a.Grams, generousG(b.Guests.Total())/float64(sprigs(out)))
				} else {
					a.Grams *= 2
				}
			}
			a.Why = say.That("amount.green")
		case food.Has(a.Form, food.OnFood):
			n := 2
			if over := b.GoesOver(f.ID); len(over) > 0 {
				n = len(over)
			}
			a.Grams, a.Why = float64(n)*spec.MassG, say.That("amount.topping")
		case f.Category == food.NotFood:
			a.Grams, a.Why = spec.MassG, say.That("amount.prop")
		default:
			if !a.Pinned {
				a.Form = t.finer(i)
			}
			a.Grams, a.Why, a.Parts = t.grams[i], t.why(i, a.Form), t.parts[i]
		}
		a.Usual = t.plain[i]
	}
	return out
}

// generousG is what sprigs weigh together at least where a house is generous with greens: 8 to 15 g on a board for up to two
// dozen guests, and as much for each two dozen more. Of heavy herbs a sparing house has nearly that, and a generous one a fifth more.
func generousG(guests int) float64 {
	const most, dozens = 15.0, 24
	if guests > dozens {
		return most * float64(guests) / dozens
	}
	return max(9, most*float64(guests)/dozens) // whole sprigs come to a little less
}

// sprigs is how many of the foods are greens that are tucked in.
func sprigs(all []Amount) int {
	n := 0
	for i := range all {
		if all[i].Food.Category == food.Garnish && food.Has(all[i].Form, food.Tucked) {
			n++
		}
	}
	return max(1, n)
}

// leastBowl is the least that is worth a bowl of its own, grams: two spoons.
const leastBowl = 25.0

// couple is the appetites under which a tray is a plate in all but its board.
const couple = 2.5

// aBite is what a single plate has at least of a food, grams, if that is fewer pieces than a group.
const aBite = 8.0

// aGroup is the least that looks like a group where pieces are large, grams.
const aGroup = 90.0

// fewest is how many pieces of a form make a group that can be seen: half of a
// generous one, but three; for one or two a sixth of it, or two; on a single plate no more
// than a bite, half of one for a child.
func fewest(b brief.Brief, s food.Spec) int {
	switch {
	case b.Plates():
		return max(1, min(max(2, s.Group/6), int(math.Ceil(aBite*math.Min(1, b.Guests.Appetites())/s.MassG))))
	case b.Guests.Appetites() < couple:
		return max(2, s.Group/6)
	}
	return max(1, min(max(3, s.Group/2), int(math.Ceil(aGroup/s.MassG))))
}

func portions(b brief.Brief) string {
	n := b.Guests.Appetites()
	if n == 1 {
		return "one portion"
	}
	return strconv.FormatFloat(round.Hundredth(n), 'f', -1, 64) + " portions"
}

// Meatless says whether there is meat among what was chosen, or what stands in for it.
func Meatless(chosen []pick.Choice) portion.Meatless {
	out := portion.WithoutMeat
	for _, c := range chosen {
		switch {
		case c.Food.Category != food.Meat:
		case c.Food.Holds("meat"):
			return portion.WithMeat
		default:
			out = portion.StandIn
		}
	}
	return out
}

// pull is a food's weight in its category: its liking, twice that for what
// is laid as a trail, which must be long to lead the eye, and half for what is tiny and stands in a bowl: lying open it fills
// the gaps between everything else, and counts for more than its part.
func pull(b brief.Brief, c pick.Choice) float64 {
	liking := portion.Liking(b, c.Food)
	if tiny(c.Food) && food.InVessel(c.Form) {
		return liking / 2
	}
	if food.Has(c.Form, food.Winding) {
		return 2 * liking
	}
	if s, ok := c.Food.Spec(c.Form); ok && s.FillsGaps() {
		return fillerPull * liking
	}
	return liking
}

// fillerPull is how much more than its part of its kind is planned of what fills the gaps: about a tenth of a full board is
// small food that goes down last (docs/craft.md, Amounts).
const fillerPull = 1.6

// OneByOne is false for foods where a piece is a bite, true where a piece feeds many.
func OneByOne(s food.Spec) bool {
	return food.Has(s.Form, food.AsItComes|food.Begun|food.Curled) || food.InVessel(s.Form) || s.MassG > 40
}
