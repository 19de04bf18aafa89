// Package safety says how long food may stand out, and what else the usual cautions count on. Local food rules come
// first, and nothing here promises that something is safe.
package safety

import (
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/say"
)

// WantsRim reports whether a brief's boards should have a rim: it keeps things on, on the road.
func WantsRim(b brief.Brief) bool { return b.Travels.Yes }

// Minutes that perishable food may be out of the cold by the schools that there are (docs/craft.md, Time and care).
const (
	twoHours  = 120
	fourHours = 240
	inTheHeat = 60 // above brief.Hot, whichever the house goes by
)

// HoldingTime is how long perishable food may be out of the cold at a brief's table by the rule of the house, minutes, and
// the usual caution in words. Whatever the house goes by, local rules come first.
func HoldingTime(b brief.Brief) (minutes float64, says say.Text) {
	if b.Warmth() > brief.Hot {
		return inTheHeat, say.That("hold.hot", say.Celsius(b.Warmth()))
	}
	switch b.HouseRules().Hours {
	case "four":
		return fourHours, say.That("hold.four", say.Celsius(brief.Hot))
	case "two-and-four":
		return fourHours, say.That("hold.two-four", say.Celsius(brief.Hot))
	}
	return twoHours, say.That("hold.usual", say.Celsius(brief.Hot))
}

// HoldingTimeOf is the same of one food, minutes: what holds little water and much salt has hours of its own where the
// house goes by them, but for in the heat.
func HoldingTimeOf(b brief.Brief, f *food.Food) float64 {
	hold, _ := HoldingTime(b)
	if b.Warmth() > brief.Hot || b.HouseRules().DryHours != "longer" {
		return hold
	}
	return max(hold, float64(f.StandsMin))
}

// MayGoBack is for how long a perishable food may have been out of the cold, minutes, and still go back into it by the rule of the
// house; 0 where what came out once stays out.
func MayGoBack(b brief.Brief, f *food.Food) float64 {
	switch hold := HoldingTimeOf(b, f); b.HouseRules().Hours {
	case "four":
		return 0
	case "two-and-four":
		if b.HouseRules().DryHours == "longer" {
			return min(hold, max(twoHours, float64(f.StandsMin)))
		}
		return min(hold, twoHours)
	default:
		return hold
	}
}

// OutBefore is how long what perishes of some foods is out of the cold before guests come, minutes, at the least: for as long as it
// warms up, as its entry says or the house has it, and on the road where it travels open. The day's plan knows more (prep.TrayOut).
func OutBefore(b brief.Brief, foods []*food.Food) (minutes float64) {
	hold, _ := HoldingTime(b)
	for _, f := range foods {
		if f.Needs(food.Perishable) {
			minutes = max(minutes, WarmUp(b, f, hold))
		}
	}
	if b.RoadCold == "open" && b.Travels.Yes {
		minutes += b.Travels.Minutes
	}
	return minutes
}

// GuestsPart is how much of the hours that perishable food may stand is the guests' at least, minutes.
const GuestsPart = 30

// WarmUp is how long before serving a food leaves the cold, minutes: as its entry says, or as the house does it with all cheese
// and meat, and never so long that of its hours, hold, too little is left for the guests.
func WarmUp(b brief.Brief, f *food.Food, hold float64) float64 {
	warm := float64(f.WarmUpMin)
	if school := float64(b.HouseRules().WarmUpMin); school > 0 && warm > 0 && (f.Category == food.Cheese || f.Category == food.Meat) {
		warm = school
	}
	return min(warm, hold-GuestsPart)
}
