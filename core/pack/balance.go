package pack

import (
	"math"

	"happytray/core/diet"
	"happytray/core/food"
	"happytray/core/round"
	"happytray/core/tray"
)

const (
	fullest     = 1.12 // of the room that is left, how much loose food is laid out for: what is too much piles up or goes back
	fillerShare = .3   // of what is small waits at first, and is laid last, into the pockets between things
	fillerMM    = 9.0  // mean radius of the largest piece that fills pockets
	crumbShare  = .85  // of what fits the narrowest of them nearly all does
	crumbMM     = 6.2
	fewFillers  = 6 // pieces of a heap of which none is kept back
)

// Balance brings loose food from the reserve back to its heaps, as much as there is room for once bowls, rows and trails lie:
// alike of everything, so that no heap lies thin while its food waits beside the board.
func (l *Layout) Balance(loose []int) {
	rs := newRaster(l, nil)
	free := 0.0
	for _, v := range rs.label {
		if v == open {
			free += rs.g.Cell * rs.g.Cell
		}
	}
	type way struct{ food, form string }
	count, mm2 := map[way]int{}, map[way]float64{}
	want := 0.0
	for _, i := range loose {
		e := &l.Tray.Elements[i]
		if e.Count == 0 || e.Locked && e.Placed {
			continue
		}
		f, _ := l.Larder.Get(e.Food)
		spec, _ := f.Spec(e.Form)
		a := food.FootprintMM2(spec, e.Count)
		want += a
		if radiusOf(f, spec) > crumbMM && e.Category != food.Cracker && e.Vessel == "" && !food.Has(e.Form, food.OnFood) {
			count[way{e.Food, e.Form}] += e.Count
			mm2[way{e.Food, e.Form}] += a
		}
	}
	extra := 0.0
	for _, q := range l.Tray.Reserve {
		if n := count[way{q.Food, q.Form}]; n > 0 {
			extra += mm2[way{q.Food, q.Form}] / float64(n) * float64(q.Count)
		}
	}
	most := fullest
	if l.Begin != nil {
		most = 1 // each begins where it is wanted, and none is to be crowded out
	}
	share := math.Min(1, (most*free-want)/math.Max(1, extra))
	if share <= 0 {
		return
	}
	var keep []tray.Reserve
	for _, q := range l.Tray.Reserve {
		of := count[way{q.Food, q.Form}]
		for left, k := int(float64(q.Count)*share+.5), 0; left > 0 && of > 0 && k < len(loose); k++ {
			e := &l.Tray.Elements[loose[k]]
			if e.Food != q.Food || e.Form != q.Form || e.Locked && e.Placed || q.Count == 0 {
				continue
			}
			n := min(q.Count, int(math.Ceil(float64(left)*float64(e.Count)/float64(of))))
			of -= e.Count
			left -= n
			l.giveBack(e, &q, n)
		}
		if q.Count > 0 || q.Grams > 0 {
			keep = append(keep, q)
		}
	}
	l.Tray.Reserve = keep
}

// giveBack moves n pieces of a line of the reserve to an element.
func (l *Layout) giveBack(e *tray.Element, q *tray.Reserve, n int) {
	g := q.Grams
	if n < q.Count {
		g = round.Tenth(q.Grams / float64(q.Count) * float64(n))
	}
	e.Count, q.Count = e.Count+n, q.Count-n
	e.Grams, q.Grams = round.Tenth(e.Grams+g), round.Tenth(q.Grams-g)
}

// HoldFillers keeps a part of what is small and loose back, for the pockets that stay bare between everything else.
func (l *Layout) HoldFillers(loose []int) {
	for _, i := range loose {
		e := &l.Tray.Elements[i]
		if e.Locked && e.Placed || e.Vessel != "" || e.Count < fewFillers || e.Category == food.Cracker || e.Kind() != food.KindLoose || food.Has(e.Form, food.OnFood) {
			continue
		}
		f, _ := l.Larder.Get(e.Food)
		spec, _ := f.Spec(e.Form)
		switch r := radiusOf(f, spec); {
		case !diet.Everybodys(l.Tray.Brief, f):
		case r <= crumbMM:
			l.HoldBack(e, max(fewFillers, int(math.Ceil(float64(e.Count)*(1-crumbShare)))))
		case r <= fillerMM:
			l.HoldBack(e, int(math.Ceil(float64(e.Count)*(1-fillerShare))))
		}
	}
}

// radiusOf is the mean radius of a form's pieces, mm.
func radiusOf(f *food.Food, spec food.Spec) float64 {
	_, mean := shapesOf(f, spec)
	return math.Sqrt(mean / math.Pi)
}
