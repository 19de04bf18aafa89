package tray

import (
	"math"

	"happytray/core/food"
)

// Plates are what the bread and crackers lie on that stand beside a board from the first minute, kept crisp.
type Plates struct {
	Count    int      // of them
	AcrossMM float64  // of each
	Foods    []string // what lies there, in the order of the reserve
	Grams    float64  // of it all, with what is refilled from its box
}

const (
	fannedG     = .4    // of crackers in overlapped rows on a square centimetre (docs/craft.md, Amounts)
	widestPlate = 300.0 // mm: a hand reaches over it
	leastPlate  = 180.0 // mm
	mostPlates  = 2     // beside one board: what does not lie there is refilled
)

// Beside are the plates for the crackers and the bread that stand beside a board; none where all lies on it.
func (t *Tray) Beside(larder *food.Larder) Plates {
	var p Plates
	for _, r := range t.Reserve {
		if f, ok := larder.Get(r.Food); ok && f.Category == food.Cracker && r.Grams > 0 {
			p.Foods = append(p.Foods, r.Food)
			p.Grams += r.Grams
		}
	}
	if p.Grams == 0 {
		return p
	}
	area := p.Grams / fannedG * 100 // mm2
	p.Count = max(1, min(mostPlates, int(math.Ceil(area/(math.Pi*widestPlate*widestPlate/4)))))
	across := 2 * math.Sqrt(area/float64(p.Count)/math.Pi)
	p.AcrossMM = 20 * math.Ceil(math.Max(leastPlate, math.Min(widestPlate, across))/20)
	return p
}
