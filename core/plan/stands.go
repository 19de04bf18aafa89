package plan

import (
	"math"
	"slices"

	"happytray/core/amount"
	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/round"
	"happytray/core/tray"
)

// onTiers is a brief with every tiered stand that it names as a set of its boards; a fault where that cannot be.
func onTiers(b brief.Brief) (brief.Brief, error) {
	asked := b.Boards
	if len(asked) == 0 && b.Board != nil {
		asked = []board.Request{*b.Board}
	}
	all := board.OfStands(asked)
	if len(all) == len(asked) {
		return b, nil
	}
	if b.Plates() {
		return b, fault.Bad("board", "a tiered stand is shared; leave it out for a plate for each guest")
	}
	b.Board, b.Boards = nil, all
	return b, b.Check()
}

// isStand reports whether boards are the tiers of one stand.
func isStand(surfaces []board.Board) bool {
	return slices.ContainsFunc(board.Stands(), func(s board.Stand) bool {
		return slices.EqualFunc(s.Boards, surfaces, func(id string, b board.Board) bool { return id == b.ID })
	})
}

// dishesFor is how many dishes for stones boards want: one each, and a stand one.
func dishesFor(surfaces []board.Board) int {
	if isStand(surfaces) {
		return 1
	}
	return len(surfaces)
}

// rimMM is how wide the strip along an edge is in which nothing stiff comes to lie.
const rimMM = 12.0

// fromBelow is what lies on the lowest tier of a stand, what above it, and so on to the top: savoury below, sweet above, as a
// tea is served. What lies loose closes the gaps of every tier.
var fromBelow = []food.Category{food.Dip, food.Meat, food.Brined, food.Cheese, food.Vegetable, food.Fruit, food.Sweet}

// byTier is what is asked for the tiers of a stand: what is stiff on one of them each, as much on each as it has room for, since
// whoever reaches one reaches all. For other boards it is what was asked.
func byTier(amounts []amount.Amount, surfaces []board.Board, asked []board.Request) []board.Request {
	if !isStand(surfaces) || len(asked) != len(surfaces) {
		return asked
	}
	stiff := func(a amount.Amount) bool {
		kind := food.FormByID(a.Form).Kind()
		return food.InVessel(a.Form) || kind != food.KindLoose && kind != food.KindGarnish
	}
	room, all := make([]float64, len(surfaces)), 0.0
	for i, s := range surfaces {
		room[i] = s.UsableMM2() - rimMM*math.Pi*s.FoodZone.Bounds().W() // tiers are round
		all += room[i]
	}
	var order []amount.Amount
	takes, taken := map[string]float64{}, 0.0
	for _, kind := range fromBelow {
		for _, a := range amounts {
			if spec, ok := a.Food.Spec(a.Form); ok && a.Food.Category == kind && stiff(a) && free(asked, a.Food.ID) {
				takes[a.Food.ID] = footprint(a, spec)
				taken += takes[a.Food.ID]
				order = append(order, a)
			}
		}
	}
	out := slices.Clone(asked)
	pin := func(tier int, id string) { out[tier].Pins = append(slices.Clone(out[tier].Pins), id) }
	crackers := 0
	for _, a := range amounts { // in turn, so that something crisp is on every tier, and not all of it on one
		if a.Food.Category == food.Cracker && free(asked, a.Food.ID) {
			pin(crackers%len(out), a.Food.ID)
			crackers++
		}
	}
	tier, left := 0, taken*room[0]/all
	for _, a := range order {
		id := a.Food.ID
		for tier < len(out)-1 && left < takes[id]/2 { // of what is left, the next tier's part
			all -= room[tier]
			tier++
			left = taken * room[tier] / all
		}
		pin(tier, id)
		left -= takes[id]
		taken -= takes[id]
	}
	return out
}

// free reports whether the host has not said on which boards a food lies.
func free(asked []board.Request, id string) bool {
	return !slices.ContainsFunc(asked, func(r board.Request) bool { return slices.Contains(r.Pins, id) || slices.Contains(r.Bans, id) })
}

// footprint is about how much board an amount takes, mm2.
func footprint(a amount.Amount, s food.Spec) float64 {
	if food.InVessel(s.Form) {
		return 4500 // a bowl of 75 mm
	}
	return food.FootprintMM2(s, int(a.Grams/max(.1, s.MassG)+.5))
}

// besideStand brings the bread and the crackers that stand beside the tiers of a stand together: beside it there is one table,
// and they are the lowest tier's.
func besideStand(tiers []*tray.Tray) {
	lowest := tiers[0]
	for _, t := range tiers[1:] {
		t.Reserve = slices.DeleteFunc(t.Reserve, func(r tray.Reserve) bool {
			if r.Why != tray.KeptCrisp {
				return false
			}
			if k := slices.IndexFunc(lowest.Reserve, func(o tray.Reserve) bool { return o.Food == r.Food && o.Form == r.Form && o.Why == r.Why }); k >= 0 {
				lowest.Reserve[k].Grams = round.Tenth(lowest.Reserve[k].Grams + r.Grams)
				lowest.Reserve[k].Count += r.Count
			} else {
				lowest.Reserve = append(lowest.Reserve, r)
			}
			return true
		})
	}
}
