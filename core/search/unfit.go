package search

import (
	"fmt"
	"math"

	"happytray/core/food"
	"happytray/core/round"
	"happytray/core/tray"
)

// Unfit is one food that the board could not take, wholly or in part.
type Unfit struct {
	Food    string  `json:"food"`
	Pieces  int     `json:"pieces"`   // that find no room
	AreaCM2 float64 `json:"area_cm2"` // room it would take
	Says    string  `json:"says"`
}

// keptOff says what an element that does not lie on a tray would wet or be softened by there.
func (s *composer) keptOff(t *tray.Tray, i int) string {
	for j := range t.Elements {
		switch {
		case j == i || !t.Elements[j].Placed || t.Elements[i].Placed:
		case s.Softens(i, j):
			return "it would soften"
		case s.Softens(j, i):
			return "would soften it"
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
			area = float64(missing) * spec.Outline(f.ID, 0).Area() / 100
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
			out[k].Says = fmt.Sprintf("%s: there is nothing to put it on. A soft cheese left whole or in its round would take it, or a dip.", f.Name)
			continue
		}
		if than := s.keptOff(t, i); than != "" {
			out[k].Says = fmt.Sprintf("%s: %d found no place away from what %s, about %.0f cm² of board. A bowl for it, a larger board, or less of one of the two would do.", f.Name, out[k].Pieces, than, math.Max(1, out[k].AreaCM2))
			continue
		}
		out[k].Says = fmt.Sprintf("%s: %d did not fit, about %.0f cm² of board. A larger board, a second one or less of it would do.", f.Name, out[k].Pieces, math.Max(1, out[k].AreaCM2))
	}
	return out
}
