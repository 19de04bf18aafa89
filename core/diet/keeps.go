package diet

import "happytray/core/food"

// What is hard on food (docs/craft.md, Time and care): above HotForFood, in degrees C, soft cheese and chocolate
// lose their shape, and on more than LongRoad, in minutes, what gives off juice or flows has wetted
// its neighbours before anybody eats. Food law's own limit is brief.Hot.
const (
	HotForFood = 28.0
	LongRoad   = 30.0
)

// Harsh reports whether the heat at a table, or the road to it, is hard on food.
func (t Table) Harsh() (heat, road bool) { return t.WarmthC > HotForFood, t.RoadMin > LongRoad }

// Suffers says what becomes of a food that lies open in a form at a table or on the way to it: "melts", "weeps" or
// "runs"; "" where it keeps, and in a vessel, which travels covered.
func (t Table) Suffers(f *food.Food, form string) string {
	heat, road := t.Harsh()
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

// always says what becomes of a food in every form it takes, or that there is one in which it keeps.
func (t Table) always(f *food.Food) (becomes string, always bool) {
	for _, s := range f.Forms {
		if food.Has(s.Form, food.OnFood) {
			continue
		}
		is := t.Suffers(f, s.Form)
		if is == "" {
			return "", false
		}
		becomes = is
	}
	return becomes, becomes != ""
}
