package pack

import (
	"math"
	"slices"

	"happytray/core/adjacency"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/review"
	"happytray/core/tray"
)

// Problem is a tray to be laid, made ready for the questions that every layout of it asks.
type Problem struct {
	Given  *tray.Tray
	Larder *food.Larder
	Zone   *Zone
	tastes [][]float32        // of each pair of elements: how well their foods go together, -1 to 1
	meats  []bool             // elements that are kept apart for some guests
	mains  []bool             // elements that those guests eat, lying open
	inBite []uint8            // of each element: the bites that its food is in, a bit each
	turns  map[int][2]float64 // of elements in tasting order: from where to where along the way of guests, shares of it
	Begin  map[int]geom.Point // where loose elements begin; nil for anywhere
}

// NewProblem readies a tray.
func NewProblem(t *tray.Tray, larder *food.Larder) *Problem {
	p := &Problem{Given: t, Larder: larder, Zone: NewZone(t.Board)}
	p.know()
	p.turns = map[int][2]float64{}
	for _, t := range t.Tasting(larder) {
		p.turns[t.Element] = [2]float64{t.From, t.To}
	}
	return p
}

// Turn is where along the way of guests an element wants to lie, as a share of it; ok is false where it is not in tasting
// order.
func (p *Problem) Turn(element int) (from float64, ok bool) {
	t, ok := p.turns[element]
	return t[0], ok
}

// OutOfTurn is how far from its place in the tasting order an element would lie at a point, as a share of the way of guests;
// none where it has no place in it.
func (p *Problem) OutOfTurn(element int, at geom.Point) float64 {
	t, ok := p.turns[element]
	if !ok {
		return 0
	}
	share, ok := p.Zone.Board.Along(at)
	if !ok {
		return midstTurn
	}
	return math.Max(0, math.Max(t[0]-share, share-t[1]))
}

// midstTurn is what it costs to lie in the midst of a board that is gone round, where nothing has its turn.
const midstTurn = .2

// Affinity is how well the foods of two elements go together, -1 to 1.
func (p *Problem) Affinity(a, b int) float32 { return p.tastes[a][b] }

// KeptApart reports whether two elements are to be kept apart for some guests.
func (p *Problem) KeptApart(a, b int) bool {
	return p.meats[a] && p.mains[b] || p.meats[b] && p.mains[a]
}

// know looks up what the elements are to each other.
func (p *Problem) know() {
	n := len(p.Given.Elements)
	foods := make([]*food.Food, 0, n)
	at, index := map[string]int{}, make([]int, n)
	for i := range p.Given.Elements {
		id := p.Given.Elements[i].Food
		k, ok := at[id]
		if !ok {
			k = len(foods)
			at[id] = k
			f, _ := p.Larder.Get(id)
			foods = append(foods, f)
		}
		index[i] = k
	}
	palate := food.NewPalate(foods)
	p.inBite = make([]uint8, n)
	for k, b := range p.Given.Bites(p.Larder) {
		if review.Mirrored(p.Given) {
			break // both sides answer each other: what belongs together lies in two places or on the axis
		}
		for i := range p.Given.Elements {
			if slices.Contains(b.Foods, p.Given.Elements[i].Food) {
				p.inBite[i] |= 1 << k
			}
		}
	}
	words := p.Given.Brief.KeptApart()
	p.tastes, p.meats, p.mains = make([][]float32, n), make([]bool, n), make([]bool, n)
	for i := range p.Given.Elements {
		row := palate.Affinities(index[i])
		p.tastes[i] = make([]float32, n)
		for j := range n {
			p.tastes[i][j] = row[index[j]]
		}
		side := adjacency.ApartOf(foods[index[i]], words, p.Given.Elements[i].Vessel == "")
		p.meats[i], p.mains[i] = side == adjacency.KeptOff, side == adjacency.ForAll
	}
}

// InOneBite reports whether the foods of two elements are eaten in one bite, which wants to lie together.
func (p *Problem) InOneBite(a, b int) bool {
	return p.inBite[a]&p.inBite[b] != 0 && p.Given.Elements[a].Food != p.Given.Elements[b].Food
}

// Softens reports whether element a, lying open, would soften element b.
func (p *Problem) Softens(a, b int) bool {
	ea, eb := &p.Given.Elements[a], &p.Given.Elements[b]
	return ea.Vessel == "" && eb.Vessel == "" && adjacency.Softens(ea.Wetness, eb.Wetness)
}
