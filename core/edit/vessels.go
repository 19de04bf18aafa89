package edit

import (
	"math"
	"slices"

	"happytray/core/board"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/pack"
	"happytray/core/tray"
)

// vessel puts what stands in one vessel into another.
func (h *hand) vessel(v *board.Vessel) error {
	if h.e.Vessel == "" {
		return fault.Bad("element", "%s: not in a bowl", h.food.Name)
	}
	if v == nil {
		return fault.Bad("vessel", "there is no such vessel")
	}
	if ml := h.fills(h.e.Grams); ml > v.CapacityML {
		return fault.Bad("vessel", "%s holds %.0f ml, and this is %.0f ml; take some away first, or choose a larger one", v.Name, v.CapacityML, ml)
	}
	if _, have := h.t.Vessel(v.ID); !have {
		h.t.Vessels = append(slices.Clone(h.t.Vessels), *v)
	}
	up := h.e.Pieces[0].ZMM
	h.e.Vessel = v.ID
	put, err := pack.Put(h.t, h.larder, h.e.ID, h.e.Pose())
	if err != nil {
		return err
	}
	h.t.Elements[h.k] = put
	h.e = &h.t.Elements[h.k]
	return h.raise(up)
}

// NextVessel is the next larger of some vessels, smallest first, that holds what stands in one; after the largest the
// smallest that does.
func NextVessel(t *tray.Tray, larder *food.Larder, id string, vessels []board.Vessel) (*board.Vessel, error) {
	e, f, spec, err := pack.Lookup(t, larder, id)
	if err != nil {
		return nil, err
	}
	if e.Vessel == "" {
		return nil, fault.Bad("element", "%s: not in a bowl", f.Name)
	}
	h := hand{food: f, spec: spec}
	ml := h.fills(e.Grams)
	first := slices.IndexFunc(vessels, func(v board.Vessel) bool { return v.ID == e.Vessel }) + 1
	for k := range vessels {
		if v := &vessels[(first+k)%len(vessels)]; v.ID != e.Vessel && v.CapacityML >= ml {
			return v, nil
		}
	}
	return nil, fault.Bad("vessel", "no other vessel holds %.0f ml", ml)
}

// lift sets what stands upon something under it.
func (h *hand) lift(mm float64) error {
	if h.e.Vessel == "" && h.e.Kind() != food.KindAnchor {
		return fault.Bad("element", "only what stands can be lifted: a bowl, a cheese")
	}
	return h.raise(mm)
}

func (h *hand) raise(mm float64) error {
	if mm < 0 || mm > mostLiftMM || math.IsNaN(mm) {
		return fault.Bad("lift_mm", "should be between 0 and %d mm", mostLiftMM)
	}
	*h.e = pack.Raised(*h.e, mm)
	return nil
}
