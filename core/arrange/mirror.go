package arrange

import (
	"math"

	"happytray/core/food"
	"happytray/core/geom"
)

// Mirrored trays: each thing has its answer on the other side of the board's upright
// middle line, and what has none lies on the line.

// alone marks what lies on the middle line; paired things hold their answer's index.
const alone = -1

// flip is a pose seen in the middle line, for things that are alike left and right.
func (z *zone) flip(p geom.Pose) geom.Pose {
	return geom.Pose{X: 2*z.centre.X - p.X, Y: p.Y, Turn: geom.NormalTurn(-p.Turn)}
}

func (z *zone) flipped(p geom.Point) geom.Point { return geom.Pt(2*z.centre.X-p.X, p.Y) }

// onLine brings a pose to the middle line, turned so that both sides look alike.
func (z *zone) onLine(p geom.Pose, straight bool) geom.Pose {
	by := 180.0
	if straight {
		by = 90
	}
	return geom.Pose{X: z.centre.X, Y: p.Y, Turn: geom.NormalTurn(math.Round(p.Turn/by) * by)}
}

// twins pairs things that can answer each other: the same food first, then the same
// kind of about the same size, then anything of its size while too many are alone.
func twins(n int, food func(i int) string, kind func(i int) string, size func(i int) float64) []int {
	twin := make([]int, n)
	for i := range twin {
		twin[i] = alone
	}
	match := func(like func(a, b int) bool, keep int) {
		for i := range n {
			left := 0
			for _, t := range twin {
				if t == alone {
					left++
				}
			}
			if left <= keep {
				return
			}
			if twin[i] != alone {
				continue
			}
			best, pick := math.Inf(1), alone
			for j := i + 1; j < n; j++ {
				if twin[j] == alone && like(i, j) {
					if d := math.Abs(math.Log(size(i) / size(j))); d < best {
						best, pick = d, j
					}
				}
			}
			if pick != alone {
				twin[i], twin[pick] = pick, i
			}
		}
	}
	about := func(i, j int, by float64) bool { return math.Abs(math.Log(size(i)/size(j))) < by }
	match(func(i, j int) bool { return food(i) == food(j) && about(i, j, .7) }, 0)
	match(func(i, j int) bool { return kind(i) == kind(j) && about(i, j, .35) }, 0)
	match(func(i, j int) bool { return about(i, j, .25) }, 3)
	return twin
}

// pairBodies finds each body's answer. What is locked answers to nobody.
func (p *plan) pairBodies() {
	var free []int
	for i := range p.bodies {
		p.bodies[i].twin = alone
		if !p.bodies[i].fixed {
			free = append(free, i)
		}
	}
	at := func(k int) *body { return &p.bodies[free[k]] }
	twin := twins(len(free), func(k int) string { return at(k).food.ID + "/" + at(k).spec.Form },
		func(k int) string { return string(at(k).food.Category) + "/" + string(at(k).kind) },
		func(k int) float64 { return at(k).reach * at(k).reach })
	for k, i := range free {
		if twin[k] != alone {
			p.bodies[i].twin = free[twin[k]]
		}
		p.bodies[i].mirror = true
	}
}

// answer puts the body that answers body i where i asks for, or i itself on the line.
func (m *mover) answer(i int) {
	b := &m.p.bodies[i]
	if !b.mirror {
		return
	}
	z := &m.s.zone
	if b.twin == alone {
		b.move(z.onLine(b.pose, b.kind == food.KindAnchor || b.bend == 0))
		return
	}
	m.p.bodies[b.twin].move(z.flip(b.pose))
}
