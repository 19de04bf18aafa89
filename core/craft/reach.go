package craft

import "happytray/core/food"

// Reach is how far one reaches over a board in comfort, mm (docs/craft.md, Boards).
const Reach = 450.0

// WetBesideCrisp is how far what is juicy or runny keeps from what is crisp, mm, unless a
// vessel holds one of them (docs/craft.md, Where things go).
const WetBesideCrisp = 25.0

// Sought is the liking from which a food should lie within reach of every side that guests
// stand at, and Wanted the one from which everybody wants at least one.
const (
	Sought = .72
	Wanted = .85
)

// IsSought reports whether many guests look for a food.
func IsSought(f *food.Food) bool { return f.Liking >= Sought }

// IsWanted reports whether everybody wants one of a food: a crowd-pleaser.
func IsWanted(f *food.Food) bool { return f.Liking >= Wanted }
