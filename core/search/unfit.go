package search

import (
	"math"

	"happytray/core/food"
	"happytray/core/round"
	"happytray/core/say"
	"happytray/core/tray"
)

// Unfit is one food that the board could not take, wholly or in part.
type Unfit struct {
	Food    string   `json:"food"`
	Pieces  int      `json:"pieces"`   // that find no room
	AreaCM2 float64  `json:"area_cm2"` // room it would take
	Says    say.Text `json:"says"`
}

// keptOff is the code of what keeps an element that does not lie on a tray from lying there, where it would wet
// something or be softened; "" where nothing does.
func (s *composer) keptOff(t *tray.Tray, i int) string {
	for j := range t.Elements {
		switch {
		case j == i || !t.Elements[j].Placed || t.Elements[i].Placed:
		case s.Softens(i, j):
			return "unfit.softens"
		case s.Softens(j, i):
			return "unfit.softer"
		}
	}
	return ""
}

// unfit lists what t leaves out of what was asked, by food.
func (s *composer) unfit(t *tray.Tray) []Unfit {
	var out []Unfit
	if t == nil {
		return out
	}
	at := map[string]int{}
	for i := range t.Elements {
		e := &t.Elements[i]
		missing := 0
		switch {
		case !e.Placed:
			missing = e.Count
		case s.full[e.ID] > e.Count:
			missing = s.full[e.ID] - e.Count
		}
		if missing == 0 {
			continue
		}
		f, ok := s.Larder.Get(e.Food)
		if !ok {
			continue
		}
		spec, _ := f.Spec(e.Form)
		area := food.FootprintMM2(spec, missing) / 100
		if e.Kind() == food.KindGarnish { // it lies on its neighbours, so it has no footprint of its own
			area = float64(missing) * spec.AreaMM2() / 100
		}
		if v, ok := t.Vessel(e.Vessel); ok {
			area = v.Footprint().Area() / 100
		}
		k, seen := at[e.Food]
		if !seen {
			k = len(out)
			at[e.Food] = k
			out = append(out, Unfit{Food: e.Food})
		}
		out[k].Pieces += missing
		out[k].AreaCM2 = round.Tenth(out[k].AreaCM2 + area)
		if food.Has(e.Form, food.OnFood) {
			out[k].Says = say.That("unfit.topping", say.Food(f.Name))
			continue
		}
		if than := s.keptOff(t, i); than != "" {
			out[k].Says = say.That(than, say.Food(f.Name), say.N(out[k].Pieces), say.CM2(math.Max(1, out[k].AreaCM2)))
			continue
		}
		out[k].Says = say.That("unfit.room", say.Food(f.Name), say.N(out[k].Pieces), say.CM2(math.Max(1, out[k].AreaCM2)))
	}
	return out
}
