package pack

import (
	"happytray/core/food"
	"happytray/core/round"
	"happytray/core/tray"
)

// NoRoom marks reserve that the arranger itself made; a later search may lay it again.
const NoRoom = "no room on this board; top up from this"

// TakeBack returns a copy of t in which food that an earlier search held back
// belongs to its elements again.
func TakeBack(t *tray.Tray, larder *food.Larder) *tray.Tray {
	c := t.Clone()
	var keep []tray.Reserve
	for _, r := range c.Reserve {
		given := false
		if r.Why == NoRoom && r.Count > 0 {
			for i := range c.Elements {
				e := &c.Elements[i]
				if e.Food == r.Food && e.Form == r.Form && !e.Locked {
					e.Count += r.Count
					e.Grams = round.Tenth(e.Grams + r.Grams)
					given = true
					break
				}
			}
		}
		if !given {
			keep = append(keep, r)
		}
	}
	c.Reserve = keep
	return c
}
