package diet

import (
	"happytray/core/brief"
	"happytray/core/food"
)

// MayShare reports of packs that hold several foods whether they may come to a table where somebody avoids some words. In
// such a pack foods touch, and touch again when it is opened: one that holds anything that a guest avoids is left in the shop.
func MayShare(avoided []string, larder *food.Larder) func(food.Mixed) bool {
	return func(m food.Mixed) bool {
		for _, h := range m.Holds {
			f, known := larder.Get(h.Food)
			if !known || !CanEat(avoided, f) {
				return false
			}
		}
		return true
	}
}

// Everybodys reports whether every guest can eat a food, by its traces too: it may run out between the others on a board.
func Everybodys(b brief.Brief, f *food.Food) bool {
	for _, d := range b.Diets {
		if !CanEat(d.Avoid, f) {
			return false
		}
	}
	return true
}
