package safety

import "happytray/core/food"

// StoneDish is the prop of the larder that takes stones and shells.
const StoneDish = "stone-dish"

// LeavesStones reports whether guests are left with a stone or a shell, and look for a dish.
func LeavesStones(f *food.Food) bool { return f.Stone || f.Shell }
