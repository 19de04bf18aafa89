package prep

import (
	"fmt"
	"math"

	"happytray/core/food"
	"happytray/core/round"
)

// Fridge is the room that cold food takes before anything of it is got out, when it takes most.
type Fridge struct {
	Litres  float64 `json:"litres"`
	Shelves int     `json:"shelves"` // there are
	Needs   int     `json:"needs"`   // shelves
}

const (
	// MostShelves bounds a cold room.
	MostShelves = 60
	// shelfL is what a shelf takes in lidded boxes, litres: 50 by 35 cm with 15 cm above it are 26, of which lids, corners
	// and the air that the cold needs around it take half.
	shelfL = 13
)

// fridge reckons the room that the cold food of all jobs takes, reserve too, at the density of each and as loosely as
// pieces lie in a box; nil where no shelves are counted.
func (d *kitchenDay) fridge() (*Fridge, []string) {
	if d.o.Shelves == 0 {
		return nil, nil
	}
	litres := 0.0
	for _, w := range d.jobs {
		for _, p := range w.portions() {
			if p.food.Needs(food.Cold) && p.food.Density > 0 {
				litres += p.grams / p.food.Density / food.Loosely / 1000
			}
		}
	}
	f := &Fridge{Litres: round.Tenth(litres), Shelves: d.o.Shelves, Needs: int(math.Ceil(litres / shelfL))}
	if f.Needs <= f.Shelves {
		return f, nil
	}
	return f, []string{fmt.Sprintf("About %.0f l of food wait in the cold before the work begins, and the %s about %.0f: have a cool box for %.0f l, or let the last of it come later.",
		litres, shelves(f.Shelves), float64(f.Shelves*shelfL), math.Ceil(litres-float64(f.Shelves*shelfL)))}
}

func shelves(n int) string {
	if n == 1 {
		return "one shelf takes"
	}
	return fmt.Sprintf("%d shelves take", n)
}
