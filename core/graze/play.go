package graze

import (
	"math"
	"math/rand/v2"

	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/round"
)

// Outcome is what became of one element on one evening.
type Outcome struct {
	Tray      int // from 0
	ID        string
	LaidG     float64
	LeftG     float64
	GoneAtMin *float64 // nil where something is left
}

// Play plays one evening: what a forecast is made of, and what the stand-ins of demos and tests look back on. The same
// seed plays the same evening.
func Play(j *job.Job, larder *food.Larder, seed uint64) (out []Outcome) {
	for n, b := range buffetsOf(j, larder) {
		e := b.run(rand.New(rand.NewPCG(seed, uint64(n))), nil)
		for i := range b.dishes {
			d := &b.dishes[i]
			if d.beside {
				continue
			}
			p := Outcome{Tray: d.tray, ID: j.Trays[d.tray].Elements[d.element].ID, LaidG: round.Tenth(d.laid), LeftG: round.Tenth(float64(e.left[i]) * d.helping)}
			if at := e.goneAt[i]; !math.IsInf(at, 1) {
				at = math.Round(at)
				p.GoneAtMin, p.LeftG = &at, 0
			}
			out = append(out, p)
		}
	}
	return out
}
