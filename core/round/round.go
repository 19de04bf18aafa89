// Package round keeps numbers as long as files and people want them.
package round

import "math"

// Tenth is a number with one digit after the point: grams, minutes, millimetres that are read.
func Tenth(v float64) float64 { return math.Round(v*10) / 10 }

// Hundredth is a number with two: millimetres and degrees of what lies on a board.
func Hundredth(v float64) float64 { return math.Round(v*100) / 100 }

// To is a number with so many digits after the point.
func To(v float64, digits int) float64 {
	k := math.Pow(10, float64(digits))
	return math.Round(v*k) / k
}
