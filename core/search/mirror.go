package search

import (
	"happytray/core/food"
	"happytray/core/geom"
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

// toAnswer begins a body where it answers what it is paired with, if that lies elsewhere than planned by now.
func (l *building) toAnswer(b *body) {
	if !b.mirror || b.twin == pack.Alone {
		return
	}
	twin := &l.plan.bodies[b.twin]
	o := &l.Tray.Elements[twin.e]
	if !o.Placed || twin.fixed || o.Pose().At().Dist(twin.pose.At()) < asPlannedMM {
		return
	}
	b.standAlone()
	b.move(surface{l.Zone}.flip(o.Pose()))
}

// asPlannedMM is how far from where it was planned a thing may lie by rounding alone, mm.
const asPlannedMM = .05

// answerable reports whether what a body is paired with, and is not laid yet, would find room as its answer.
func (l *building) answerable(b *body) bool {
	twin := l.plan.bodies[b.twin]
	twin.standAlone()
	twin.move(surface{l.Zone}.flip(b.pose))
	if !l.roomFor(&twin) {
		return false
	}
	for _, mine := range b.firm() {
		for _, other := range twin.firm() {
			if d, _ := geom.Deeper(&mine, &other, 0); d > 0 {
				return false
			}
		}
	}
	e := &l.Tray.Elements[twin.e]
	was := *e
	twin.write(e)
	well := l.Clear(twin.e) && !l.Softened(twin.e)
	*e = was
	return well
}

// awaits reports whether a body is laid before what it is paired with.
func (l *building) awaits(b *body) bool {
	return b.mirror && b.twin != pack.Alone && !l.plan.bodies[b.twin].fixed && !l.Tray.Elements[l.plan.bodies[b.twin].e].Placed
}

// standAlone lets an arc go its own way, as a straight row.
func (b *body) standAlone() {
	if b.host >= 0 {
		b.host, b.bend = -1, 0
		b.shape()
	}
}
