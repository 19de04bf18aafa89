package prep

import (
	"math"

	"happytray/core/food"
	"happytray/core/round"
	"happytray/core/say"
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
func (d *kitchenDay) fridge() (*Fridge, []say.Text) {
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
	shelves := say.Part("day.shelves", say.N(f.Shelves))
	litre := func(l float64) say.Value { return say.N(int(math.Round(l))) }
	return f, []say.Text{say.That("day.fridge", litre(litres), shelves, litre(float64(f.Shelves*shelfL)), litre(math.Ceil(litres-float64(f.Shelves*shelfL))))}
}
