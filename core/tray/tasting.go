package tray

import (
	"slices"

	"happytray/core/food"
	"happytray/core/geom"
)

// Tasted is an element that is tasted in its turn, from mild to strong along the way of guests (Board.Way).
type Tasted struct {
	Element  int // index
	Category food.Category
	Strength int     // 1 mild to 5 strong
	From, To float64 // where along the way it wants to lie, shares of it; those of one strength have one place
}

// tastedKinds are the categories that each house rule puts in tasting order.
var tastedKinds = map[string][]food.Category{"cheese": {food.Cheese}, "meat": {food.Meat}, "both": {food.Cheese, food.Meat}}

// Tasting is what lies in tasting order by the house's rule, mildest first, kind by kind; none where it is laid freely.
// What is spooned or strewn over something goes with that.
func (t *Tray) Tasting(larder *food.Larder) (out []Tasted) {
	for _, kind := range tastedKinds[t.Rules.Tasting] {
		var row []Tasted
		for i := range t.Elements {
			e := &t.Elements[i]
			if f, ok := larder.Get(e.Food); ok && f.Category == kind && e.Kind() != food.KindGarnish {
				row = append(row, Tasted{Element: i, Category: kind, Strength: f.Strength})
			}
		}
		slices.SortStableFunc(row, func(a, b Tasted) int { return a.Strength - b.Strength })
		for from := 0; from < len(row); {
			to := from + 1
			for to < len(row) && row[to].Strength == row[from].Strength {
				to++
			}
			for k := from; k < to; k++ {
				row[k].From, row[k].To = float64(from)/float64(len(row)), float64(to)/float64(len(row))
			}
			from = to
		}
		if len(row) > 1 && row[0].Strength < row[len(row)-1].Strength {
			out = append(out, row...)
		}
	}
	return out
}

// Middle is the middle of what is seen of an element, by area, board mm; ok is false where it does not lie on the board.
func (e *Element) Middle() (at geom.Point, ok bool) {
	all := 0.0
	for i := range e.Pieces {
		a := e.Pieces[i].Outline.Area()
		at, all = at.Add(e.Pieces[i].Outline.Centroid().Mul(a)), all+a
	}
	if all == 0 || !e.Placed {
		return geom.Point{}, false
	}
	return at.Mul(1 / all), true
}
