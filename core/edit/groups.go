package edit

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
	"happytray/core/round"
	"happytray/core/tray"
)

// swap lets two things change places, middle to middle.
func (h *hand) swap(id string) ([]int, error) {
	o, err := h.other(id)
	if err != nil {
		return nil, err
	}
	other := &h.t.Elements[o]
	if other.Locked {
		return nil, fault.Bad("other", "one of the two is locked; unlock it first")
	}
	by := pack.BoxOf(other.Pieces).Centre().Sub(pack.BoxOf(h.e.Pieces).Centre())
	shift(h.e, by)
	shift(other, by.Mul(-1))
	if !inEachOther(h.e, other) {
		return []int{h.k, o}, nil
	}
	// a long heap beside a wide bowl: where they stand in each other's way what is loose makes room for what is rigid
	if h.e.Kind() == food.KindLoose && h.e.Vessel == "" {
		return []int{o}, nil
	}
	return []int{h.k}, nil
}

// inEachOther reports whether two elements lie in the same place by more than a mm.
func inEachOther(a, b *tray.Element) bool {
	for i := range a.Pieces {
		box, body := a.Pieces[i].Outline.Bounds(), geom.NewBody(a.Pieces[i].Outline)
		for k := range b.Pieces {
			if !box.Meets(b.Pieces[k].Outline.Bounds()) {
				continue
			}
			other := geom.NewBody(b.Pieces[k].Outline)
			if depth, _ := geom.Penetration(&body, &other); depth > 1 {
				return true
			}
		}
	}
	return false
}

// anotherID is an id for an element made of one that no other has.
func (h *hand) anotherID() string {
	for n := 2; ; n++ {
		if id := fmt.Sprintf("%.70s-%d", h.e.ID, n); h.t.Find(id) < 0 {
			return id
		}
	}
}

// duplicate lays the same again beside it.
func (h *hand) duplicate() ([]int, error) {
	if len(h.t.Elements) >= tray.MaxElements {
		return nil, fault.Bad("element", "a tray holds %d elements at most", tray.MaxElements)
	}
	c := *h.e
	c.ID, c.Locked, c.Extra = h.anotherID(), false, nil
	c.Grams = round.Tenth(h.fetch(c.Count, c.Grams/float64(max(1, c.Count))))
	box := pack.BoxOf(c.Pieces)
	by := geom.Pt(box.W()+4, 0)
	if zone := h.t.Board.FoodZone.Bounds(); box.Max.X+box.W() > zone.Max.X {
		by.X = -by.X
	}
	shift(&c, by)
	h.t.Elements = append(h.t.Elements, c)
	return []int{len(h.t.Elements) - 1}, nil
}

// divisible reports whether an element is a group of pieces.
func (h *hand) divisible() error {
	switch {
	case h.e.Vessel != "":
		return fault.Bad("element", "what stands in a bowl is one thing; duplicate it instead")
	case h.e.Kind() == food.KindAnchor:
		return fault.Bad("element", "%s: one thing cannot be parted", h.food.Name)
	}
	return nil
}

// split makes two groups of one, where its pieces lie.
func (h *hand) split() ([]int, error) {
	if err := h.divisible(); err != nil {
		return nil, err
	}
	if len(h.e.Pieces) < 2 {
		return nil, fault.Bad("element", "a single piece cannot be split")
	}
	if len(h.t.Elements) >= tray.MaxElements {
		return nil, fault.Bad("element", "a tray holds %d elements at most", tray.MaxElements)
	}
	ps := slices.Clone(h.e.Pieces)
	if h.e.Kind() == food.KindLoose { // across its longer side
		box := pack.BoxOf(ps)
		along := func(p tray.Piece) float64 { return p.At.X }
		if box.H() > box.W() {
			along = func(p tray.Piece) float64 { return p.At.Y }
		}
		slices.SortStableFunc(ps, func(a, b tray.Piece) int { return cmp.Compare(along(a), along(b)) })
	}
	c := *h.e
	c.ID, c.Extra, c.Path = h.anotherID(), nil, nil
	n := len(ps) / 2
	each := h.e.Grams / float64(max(1, h.e.Count))
	c.Pieces = slices.Clone(ps[n:])
	h.e.Pieces, h.e.Path = ps[:n:n], nil
	c.Count, h.e.Count = len(c.Pieces), n
	c.Grams = round.Tenth(each * float64(c.Count))
	h.e.Grams = round.Tenth(h.e.Grams - c.Grams)
	pack.Recentre(h.e)
	pack.Recentre(&c)
	h.t.Elements = append(h.t.Elements, c)
	h.e = &h.t.Elements[h.k]
	return []int{h.k}, nil // the other half is pushed off it
}

// join makes one group of two of the same food in the same form: the second comes to the first.
func (h *hand) join(id string) ([]int, error) {
	o, err := h.other(id)
	if err != nil {
		return nil, err
	}
	other := h.t.Elements[o]
	switch {
	case other.Food != h.e.Food || other.Form != h.e.Form:
		return nil, fault.Bad("other", "only the same food in the same form can be joined")
	case other.Locked:
		return nil, fault.Bad("other", "one of the two is locked; unlock it first")
	case h.e.Vessel != "":
		v, _ := h.t.Vessel(h.e.Vessel)
		if ml := h.fills(h.e.Grams + other.Grams); ml > v.CapacityML {
			return nil, fault.Bad("other", "%s holds %.0f ml, and both are %.0f ml; choose a larger bowl first", v.Name, v.CapacityML, ml)
		}
	default:
		if err := h.divisible(); err != nil {
			return nil, err
		}
		if h.e.Count+other.Count > mostOfOne {
			return nil, fault.Bad("other", "a group has %d pieces at most; leave them as two", mostOfOne)
		}
		by := geom.Point{}
		if a, b := pack.BoxOf(h.e.Pieces), pack.BoxOf(other.Pieces); geom.BoxGap(a, b) > 6 { // beside it
			way := b.Centre().Sub(a.Centre())
			far := math.Abs(way.X)*2 > a.W()+b.W()
			if far {
				by.X = math.Copysign((a.W()+b.W())/2-2, way.X) - way.X
			}
			if !far || math.Abs(way.Y)*2 > a.H()+b.H() {
				by.Y = math.Copysign(math.Min(math.Abs(way.Y), (a.H()+b.H())/2-2), way.Y) - way.Y
			}
		}
		shift(&other, by)
		h.e.Pieces = append(slices.Clone(h.e.Pieces), other.Pieces...)
		h.e.Path = nil
		pack.Recentre(h.e)
	}
	h.e.Count += other.Count
	h.e.Grams = round.Tenth(h.e.Grams + other.Grams)
	id = h.e.ID // its place changes where the other lay before it
	h.t.Elements = slices.Delete(h.t.Elements, o, o+1)
	h.k = h.t.Find(id)
	h.e = &h.t.Elements[h.k]
	return []int{h.k}, nil
}
