package prep

import (
	"math"

	"happytray/core/food"
	"happytray/core/job"
)

// Weighing is what is weighed out of a food in a form, for all trays and the reserve together.
type Weighing struct {
	Food    string  `json:"food"`
	Form    string  `json:"form"`
	Grams   float64 `json:"grams"`
	PieceG  float64 `json:"piece_g"`  // of one piece; 0 where it is not counted
	WithinG float64 `json:"within_g"` // how far off is right
	BoughtG float64 `json:"bought_g"` // what it is cut from, as bought
}

// What is right on a kitchen scale: two per cent, or what it shows.
const (
	withinShare = .02
	withinLeast = 2
)

// Weighings are what is weighed out for a job, in the order in which they are first met.
func Weighings(j *job.Job, larder *food.Larder) []Weighing {
	out := []Weighing{}
	for _, p := range (&worker{j: j, larder: larder}).portions() {
		q := Weighing{Food: p.food.ID, Form: p.spec.Form, Grams: math.Round(p.grams), WithinG: math.Max(withinLeast, p.grams*withinShare), BoughtG: math.Round(p.food.BoughtFor(p.spec.Form, p.grams))}
		if !food.InVessel(p.spec.Form) && p.pieces > 1 {
			q.PieceG = p.spec.MassG
		}
		if q.Grams > 0 {
			out = append(out, q)
		}
	}
	return out
}
