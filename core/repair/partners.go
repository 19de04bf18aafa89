package repair

import (
	"cmp"
	"math"
	"slices"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
	"happytray/core/review"
	"happytray/core/tray"
)

// partners finds what an element may change places with, and which exchange promises most for one check: both are put
// where the other lies, as they are, and the tray is judged. It is not legal so, but its looks are those that come of it.
type partners struct {
	t     *tray.Tray
	live  *review.Live
	check string
	known map[int][]int // of an element, the best first
}

func newPartners(t *tray.Tray, larder *food.Larder, check string) *partners {
	return &partners{t: t, live: review.NewLive(t, larder), check: check, known: map[int][]int{}}
}

// mostPartners are judged for an element: those nearest to it in size.
const mostPartners = 12

// of lists what element k may change places with, movable elements of another food that take about as much room: the
// most promising first.
func (p *partners) of(k, n int) []int {
	all, known := p.known[k]
	if !known {
		all = alike(p.t, k)
		if len(all) > 1 {
			worth := map[int]float64{}
			for _, o := range all[:min(len(all), mostPartners)] {
				worth[o] = p.worth(k, o)
			}
			slices.SortStableFunc(all[:len(worth)], func(a, b int) int { return cmp.Compare(worth[b], worth[a]) })
		}
		p.known[k] = all
	}
	return all[:min(n, len(all))]
}

// worth is what the tray scores with two elements in each other's place, and checkGain more where the check gains.
func (p *partners) worth(k, o int) float64 {
	a, b := p.t.Elements[k].Pose(), p.t.Elements[o].Pose()
	p.live.Move(k, geom.Pose{X: b.X, Y: b.Y, Turn: a.Turn})
	p.live.Move(o, geom.Pose{X: a.X, Y: a.Y, Turn: b.Turn})
	rev := p.live.Totals()
	p.live.Set(k, p.t.Elements[k])
	p.live.Set(o, p.t.Elements[o])
	return rev.Score + 10*checkGain*rev.ScoreOf(p.check)
}

// alike lists movable elements of another food that take about as much room as element k, the most alike first.
func alike(t *tray.Tray, k int) []int {
	size := func(e *tray.Element) float64 { b := pack.BoxOf(e.Pieces); return math.Hypot(b.W(), b.H()) }
	mine := size(&t.Elements[k])
	off := map[int]float64{}
	var all []int
	for o := range t.Elements {
		e := &t.Elements[o]
		if o == k || !movable(e) || e.Food == t.Elements[k].Food || (e.Kind() == food.KindLoose) != (t.Elements[k].Kind() == food.KindLoose) {
			continue
		}
		if off[o] = math.Abs(math.Log(size(e) / mine)); off[o] < .4 {
			all = append(all, o)
		}
	}
	slices.SortStableFunc(all, func(a, b int) int { return cmp.Compare(off[a], off[b]) })
	return all
}
