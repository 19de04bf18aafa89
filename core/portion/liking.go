package portion

import (
	"happytray/core/brief"
	"happytray/core/food"
)

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

// Liking is how many of a brief's guests take some of a food, 0 to 1: of the grown-ups and of the children, by their
// appetites.
func Liking(b brief.Brief, f *food.Food) float64 {
	all := b.Guests.Appetites()
	if b.Guests.Children == 0 || all <= 0 {
		return f.Liking
	}
	young := .5 * float64(b.Guests.Children) / all
	return (1-young)*f.Liking + young*f.LikedByChildren()
}
