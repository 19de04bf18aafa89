// Package amount turns shares of the guests into grams of each chosen food, and those into
// groups of whole pieces, with the room that they take on a board.
package amount

import (
	"fmt"
	"math"
	"strconv"

	"happytray/core/brief"
	"happytray/core/craft"
	"happytray/core/food"
	"happytray/core/pick"
)

// Amount is how much of one chosen food the table gets.
type Amount struct {
	pick.Choice
	Grams float64
	Why   string
	Parts bool // a part of a round is enough: there are several trays, or single plates
}

// least is the part of its usual share that a food keeps when the host has set so
// much of another of its kind that nothing would be left of it.
const least = .4

// Of spreads the shares over the chosen foods by liking. A category that
// nothing was chosen from gives its share to the others in proportion. What the
// host has set holds, and the others of its kind share what is left. Of a food that
// everybody wants there is one piece for each guest, and of each at least a group
// that can be seen.
func Of(b brief.Brief, chosen []pick.Choice) []Amount {
	weight, free := map[food.Category]float64{}, map[food.Category]float64{}
	set := map[food.Category]float64{}
	for _, c := range chosen {
		weight[c.Food.Category] += pull(c)
		if c.Grams > 0 {
			set[c.Food.Category] += c.Grams
		} else {
			free[c.Food.Category] += pull(c)
		}
	}
	shares := craft.Shares(b, Meatless(chosen))
	have, all := 0.0, 0.0
	for _, c := range food.Categories { // in order, so that sums are the same each time
		all += shares[c]
		if weight[c] > 0 {
			have += shares[c]
		}
	}
	lift := 1.0
	if have > 0 {
		lift = min(1.6, all/have) // never more than half again of what people usually eat of it
	}
	var out []Amount
	for _, c := range chosen {
		a := Amount{Choice: c}
		f := c.Food
		spec, _ := f.Spec(c.Form)
		switch {
		case c.Grams > 0:
			a.Grams, a.Why = c.Grams, "Set by hand."
		case f.Category == food.Garnish:
			a.Grams = spec.MassG * float64(max(2, min(14, 2+b.Guests.Total()/6)))
			a.Why = "A few, apart, where the tray looks bland."
		case c.Form == "topping":
			a.Grams, a.Why = 2*spec.MassG, "A spoon or two, on what it suits."
		case f.Category == food.NotFood:
			a.Grams, a.Why = spec.MassG, "It is not eaten."
		default:
			share := shares[f.Category] * lift
			part := pull(c) / free[f.Category]
			usual := share * pull(c) / weight[f.Category]
			a.Grams = max((share-set[f.Category])*part, least*usual)
			a.Why = fmt.Sprintf("%.0f %% of the %.0f g of %s that %s eat, by how well it is liked.", 100*a.Grams/max(1, share), share, f.Category, appetites(b))
			if food.InVessel(spec.Form) && a.Grams < leastBowl {
				a.Grams, a.Why = leastBowl, fmt.Sprintf("%.0f g, the least worth a bowl.", leastBowl)
			}
			if few := spec.MassG * float64(fewest(b, spec)); few > a.Grams && !OneByOne(spec) {
				a.Grams = few
				a.Why = fmt.Sprintf("%d pieces, the least that looks like a group; its share of the %s would be less.", fewest(b, spec), f.Category)
			}
			if crowd := spec.MassG * float64(b.Guests.Total()); craft.IsWanted(f) && !OneByOne(spec) && a.Grams < crowd && !(b.Course == "sweet" && f.Category == food.Cheese) {
				a.Grams = crowd
				a.Why = fmt.Sprintf("One for each of %d guests, because everybody wants it.", b.Guests.Total())
			}
		}
		out = append(out, a)
	}
	return out
}

// leastBowl is the least that is worth a bowl of its own, grams: two spoons.
const leastBowl = 25.0

// few is the appetites under which a tray is a plate in all but its board.
const few = 2.5

// fewest is how many pieces of a form make a group that can be seen: half of a
// generous one, but three; on a single plate, or for one or two, a sixth of it, or two.
func fewest(b brief.Brief, s food.Spec) int {
	if b.Plates() || b.Guests.Appetites() < few {
		return max(2, s.Group/6)
	}
	return max(3, s.Group/2)
}

func appetites(b brief.Brief) string {
	n := b.Guests.Appetites()
	if n == 1 {
		return "one appetite"
	}
	return strconv.FormatFloat(math.Round(100*n)/100, 'f', -1, 64) + " appetites"
}

// Meatless says whether there is meat among what was chosen, or what stands in for it.
func Meatless(chosen []pick.Choice) craft.Meatless {
	out := craft.WithoutMeat
	for _, c := range chosen {
		switch {
		case c.Food.Category != food.Meat:
		case c.Food.Breaks([]string{"meat"}) != "":
			return craft.WithMeat
		default:
			out = craft.StandIn
		}
	}
	return out
}

// pull is a food's weight in its category: its liking, and twice that for what
// is laid as a trail, which must be long to lead the eye.
func pull(c pick.Choice) float64 {
	if c.Form == "trail" {
		return 2 * c.Food.Liking
	}
	return c.Food.Liking
}

// OneByOne is false for foods where a piece is a bite, true where a piece feeds many.
func OneByOne(s food.Spec) bool {
	return s.Form == "whole" || food.InVessel(s.Form) || s.Form == "rosette" || s.MassG > 40
}
