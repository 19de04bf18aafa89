package portion

import "happytray/core/food"

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
