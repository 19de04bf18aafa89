package pack

import (
	"math/rand/v2"
	"testing"

	"happytray/core/geom"
	"happytray/core/tray"
)

// Deepest is how deep things on a tray stand in each other, mm beyond what they may.
func Deepest(t *tray.Tray) (most float64) {
	z := NewZone(t.Board)
	p := newSolver(z, t, nil, false)
	for i := range p.bodies {
		p.near(i, true, func(j int) bool {
			if p.bodies[i].e != p.bodies[j].e {
				if d, _, _, _ := p.overlap(i, j); d > most {
					most = d
				}
			}
			return true
		})
	}
	return most
}

// TurnedAway tries places for what stands on a tray: how many are taken, and how many of these are told at a glance.
func TurnedAway(t testing.TB, tr *tray.Tray, r *rand.Rand) (stuck, told int) {
	z := NewZone(tr.Board)
	p := newSolver(z, tr, nil, false)
	for i := range p.bodies {
		l := &p.bodies[i]
		if l.loose || l.mobility == 0 {
			continue
		}
		c := p.newOccupancy(i)
		for range 40 {
			to := geom.Pt(z.Box.Min.X+r.Float64()*z.Box.W(), z.Box.Min.Y+r.Float64()*z.Box.H()).Sub(l.home)
			turn := float64(45 * r.IntN(4))
			meets := c.meets(to, turn)
			l.put(to, turn)
			if is := p.stuck(i); is {
				stuck++
				if meets {
					told++
				}
			} else if meets {
				e := &tr.Elements[l.e]
				t.Errorf("%s (%s) at %v, turned by %g, is turned away and lies free", e.ID, e.Form, to.Add(l.home), turn)
			}
			l.put(geom.Point{}, 0)
		}
	}
	return stuck, told
}

// What the tests of what is laid want to know.
var Pieces = pieces

const (
	DrawsMM = drawsMM
	TouchMM = touchMM
)
