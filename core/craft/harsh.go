package craft

import (
	"fmt"

	"happytray/core/brief"
	"happytray/core/food"
)

// What is hard on food (docs/craft.md, Time and care): above HotForFood, in degrees C, soft cheese and chocolate
// lose their shape, and on more than LongRoad, in minutes, what gives off juice or flows has wetted
// its neighbours before anybody eats. Food law's own limit is brief.Hot.
const (
	HotForFood = 28.0
	LongRoad   = 30.0
)

// Harsh reports whether the heat at a brief's table, or its road, is hard on food.
func Harsh(b brief.Brief) (heat, road bool) {
	return b.Warmth() > HotForFood, b.Travels.Minutes > LongRoad
}

// Suffers says what becomes of a food that lies open in a form at a brief's table or on the way to
// it: "melts", "weeps" or "runs"; "" where it keeps, and in a vessel, which travels covered.
func Suffers(b brief.Brief, f *food.Food, form string) string {
	heat, road := Harsh(b)
	switch {
	case !heat && !road || food.InVessel(form):
		return ""
	case f.Melts:
		return "melts"
	case f.Wetness == food.Runny:
		return "runs"
	case f.Wetness == food.Juicy:
		return "weeps"
	case heat && f.Category == food.Cheese && f.Texture == "creamy" && (f.Firmness == "soft" || f.Firmness == "fresh"):
		return "runs"
	}
	return ""
}

// SuffersAlways reports whether there is no form of a food that keeps at a brief's table and on the
// way to it.
func SuffersAlways(b brief.Brief, f *food.Food) bool {
	for _, s := range f.Forms {
		if s.Form != "topping" && Suffers(b, f, s.Form) == "" {
			return false
		}
	}
	return true
}

// WantsRim reports whether a brief's boards should have a rim: it keeps things on, on the road.
func WantsRim(b brief.Brief) bool { return b.Travels.Yes }

// Hold is how long perishable food may stand out at a brief's table, minutes, and the usual caution
// in words (docs/craft.md, Time and care).
func Hold(b brief.Brief) (minutes float64, says string) {
	if b.Warmth() > brief.Hot {
		return 60, fmt.Sprintf("At %.0f °C perishable food stands out one hour in all, then it is thrown away. Local food rules come first.", b.Warmth())
	}
	return 120, "Perishable food stands out two hours in all, one hour above 32 °C, then it is thrown away. Local food rules come first."
}
