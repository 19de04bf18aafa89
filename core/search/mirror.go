package search

import (
	"happytray/core/food"
	"happytray/core/pack"
)

// Mirrored trays: each thing has its answer on the other side of the board's upright
// middle line, and what has none lies on the line.

// pairBodies finds each body's answer. What is locked answers to nobody.
func (p *plan) pairBodies() {
	var free []int
	for i := range p.bodies {
		p.bodies[i].twin = pack.Alone
		if !p.bodies[i].fixed {
			free = append(free, i)
		}
	}
	at := func(k int) *body { return &p.bodies[free[k]] }
	twin := pack.Twins(len(free), func(k int) string { return at(k).food.ID + "/" + at(k).spec.Form },
		func(k int) string { return string(at(k).food.Category) + "/" + string(at(k).kind) },
		func(k int) float64 { return at(k).reach * at(k).reach })
	for k, i := range free {
		if twin[k] != pack.Alone {
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
	z := m.s.surface
	if b.twin == pack.Alone {
		b.move(z.onLine(b.pose, b.kind == food.KindAnchor || b.bend == 0))
		return
	}
	m.p.bodies[b.twin].move(z.flip(b.pose))
}
