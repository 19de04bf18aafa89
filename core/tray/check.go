package tray

import (
	"fmt"
	"math"

	"happytray/core/colour"
	"happytray/core/fault"
	"happytray/core/food"
)

// Complete says of each element what its file left out and its food tells: how wet it lies there.
func (t *Tray) Complete(larder *food.Larder) {
	for i := range t.Elements {
		if e := &t.Elements[i]; e.Wetness == "" {
			if f, ok := larder.Get(e.Food); ok {
				e.Wetness = f.Wetness
			}
		}
	}
}

// Check reports the first thing of the surface that cannot be worked with. Its brief is
// the job's to check; pieces are checked when they are read.
func (t *Tray) Check(larder *food.Larder) error {
	if err := t.Part.check(); err != nil {
		return err
	}
	if err := t.Rules.Check(); err != nil {
		return fault.In("rules", err)
	}
	if t.Board != nil {
		if err := t.Board.Check(); err != nil {
			return fault.In("board", err)
		}
	} else if len(t.Elements) > 0 {
		return fault.Bad("board", "a tray with elements needs a board")
	}
	vessels, err := t.checkVessels()
	if err != nil {
		return err
	}
	if err := t.checkElements(larder, vessels); err != nil {
		return err
	}
	return t.checkReserve(larder)
}

// checkVessels returns the ids of the vessels.
func (t *Tray) checkVessels() (map[string]bool, error) {
	if len(t.Vessels) > MaxElements {
		return nil, fault.Bad("vessels", "at most %d vessels", MaxElements)
	}
	ids := map[string]bool{}
	for i, v := range t.Vessels {
		at := fmt.Sprintf("vessels[%d]", i)
		if err := v.Check(); err != nil {
			return nil, fault.In(at, err)
		}
		if ids[v.ID] {
			return nil, fault.Bad(at+".id", "%.60q is used twice", v.ID)
		}
		ids[v.ID] = true
	}
	return ids, nil
}

func (t *Tray) checkElements(larder *food.Larder, vessels map[string]bool) error {
	if len(t.Elements) > MaxElements {
		return fault.Bad("elements", "at most %d elements", MaxElements)
	}
	ids, pieces := map[string]bool{}, 0
	for i := range t.Elements {
		e := &t.Elements[i]
		at := fmt.Sprintf("elements[%d]", i)
		if ids[e.ID] {
			return fault.Bad(at+".id", "%.60q is used twice", e.ID)
		}
		ids[e.ID] = true
		if e.Vessel != "" && !vessels[e.Vessel] {
			return fault.Bad(at+".vessel", "there is no vessel %.60q on this tray", e.Vessel)
		}
		if err := e.check(larder); err != nil {
			return fault.In(at, err)
		}
		if pieces += len(e.Pieces); pieces > MaxPieces {
			return fault.Bad(at+".pieces", "a tray may have at most %d pieces", MaxPieces)
		}
	}
	return nil
}

func (t *Tray) checkReserve(larder *food.Larder) error {
	if len(t.Reserve) > MaxElements {
		return fault.Bad("reserve", "at most %d entries", MaxElements)
	}
	for i, r := range t.Reserve {
		at := fmt.Sprintf("reserve[%d]", i)
		if _, ok := larder.Get(r.Food); !ok {
			return fault.Bad(at+".food", "there is no food %.60q in the larder", r.Food)
		}
		if err := fault.Between(at+".grams", r.Grams, 0, 1e7, " g"); err != nil {
			return err
		}
		if r.Count < 0 || r.Count > 1e8 {
			return fault.Bad(at+".count", "should be between 0 and 100000000")
		}
		if err := fault.Text(at+".why", r.Why, 400); err != nil {
			return err
		}
	}
	return nil
}

func (e *Element) check(larder *food.Larder) error {
	if e.ID == "" {
		return fault.Bad("id", "an element needs an id")
	}
	if err := fault.Text("id", e.ID, 80); err != nil {
		return err
	}
	f, ok := larder.Get(e.Food)
	if !ok {
		return fault.Bad("food", "there is no food %.60q in the larder", e.Food)
	}
	if _, ok := f.Spec(e.Form); !ok {
		return fault.Bad("form", "%s cannot be laid as %.40q", f.Name, e.Form)
	}
	if food.InVessel(e.Form) && e.Vessel == "" {
		return fault.Bad("vessel", "what is laid as %s needs a vessel", e.Form)
	}
	if e.Category != "" && e.Category != f.Category {
		return fault.Bad("category", "%s is %s, not %.40q", f.Name, f.Category, string(e.Category))
	}
	if e.Wetness != "" { // else it is as wet as its food
		if err := fault.OneOf("wetness", string(e.Wetness), food.Wetnesses...); err != nil {
			return err
		}
	}
	if err := fault.Between("grams", e.Grams, 0, 1e6, " g"); err != nil {
		return err
	}
	if e.Count < 0 || e.Count > MaxPieces {
		return fault.Bad("count", "should be between 0 and %d", MaxPieces)
	}
	for _, v := range []struct {
		field string
		v     float64
	}{{"x", e.X}, {"y", e.Y}, {"turn_deg", e.TurnDeg}} {
		if err := fault.Between(v.field, v.v, -MaxReach, MaxReach, ""); err != nil {
			return err
		}
	}
	if e.Layer < 0 || e.Layer > 100 {
		return fault.Bad("layer", "should be between 0 and 100")
	}
	if len(e.Path) > 400 {
		return fault.Bad("path", "at most 400 points")
	}
	for i, p := range e.Path {
		if math.Abs(p.X) > MaxReach || math.Abs(p.Y) > MaxReach {
			return fault.Bad(fmt.Sprintf("path[%d]", i), "lies too far from the board")
		}
	}
	if e.Colour != "" {
		if _, err := colour.Parse(e.Colour); err != nil {
			return fault.Bad("colour", "%s", err.Error())
		}
	}
	return nil
}

func (p *Piece) check() error {
	if len(p.Outline) > 64 {
		return fault.Bad("outline", "at most 64 points")
	}
	if err := p.Outline.Check(); err != nil {
		return fault.Bad("outline", "%s", err.Error())
	}
	for _, q := range p.Outline {
		if math.Abs(q.X) > MaxReach || math.Abs(q.Y) > MaxReach {
			return fault.Bad("outline", "lies too far from the board")
		}
	}
	if err := fault.Between("z_mm", p.ZMM, 0, 500, " mm"); err != nil {
		return err
	}
	if err := fault.Between("height_mm", p.HeightMM, 0, 500, " mm"); err != nil {
		return err
	}
	if p.Colour != "" {
		if _, err := colour.Parse(p.Colour); err != nil {
			return fault.Bad("colour", "%s", err.Error())
		}
	}
	if p.Variant < 0 || p.Variant >= 64 {
		return fault.Bad("variant", "should be between 0 and 63")
	}
	return nil
}
