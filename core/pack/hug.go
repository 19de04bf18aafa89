package pack

import (
	"math"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/tray"
)

const (
	// hugsMM is how near a thing lies to what it hugs at most.
	hugsMM = 22
	// drawsMM is from how far what is held in a hand is drawn against what it comes near to: half a
	// finger's breadth, less than a hand would notice as being led.
	drawsMM = 7
	// leavesMM is how far a hand draws an arc from its way round what it hugs before it comes off.
	leavesMM = 38
	// touchMM is what is left between two things that touch: what the cut of a knife or a rim takes.
	touchMM = .6
)

// host is what stands on a tray and other things lie against: a bowl, a cheese.
type host struct {
	element int
	bodies  []geom.Body
	centre  geom.Point
}

// hostsOn lists what others may lie against, but element k.
func hostsOn(t *tray.Tray, k int) (out []host) {
	for i := range t.Elements {
		o := &t.Elements[i]
		if i == k || !o.Placed || len(o.Pieces) == 0 || o.Vessel == "" && o.Kind() != food.KindAnchor {
			continue
		}
		out = append(out, host{i, bodiesOf(o.Pieces), BoxOf(o.Pieces).Centre()})
	}
	return out
}

func bodiesOf(pieces []tray.Piece) []geom.Body {
	out := make([]geom.Body, len(pieces))
	for i := range pieces {
		out[i] = geom.NewBody(pieces[i].Outline)
	}
	return out
}

// HostOf is the place on the tray of what element k lies against, -1 where that is nothing.
func HostOf(t *tray.Tray, k int) int {
	return against(hostsOn(t, k), bodiesOf(t.Elements[k].Pieces))
}

func against(hosts []host, bodies []geom.Body) int {
	found, near := -1, hugsMM+.0
	for h := range hosts {
		for n := range hosts[h].bodies {
			for m := range bodies {
				if d := geom.Gap(&bodies[m], &hosts[h].bodies[n], near); d < near {
					found, near = hosts[h].element, d
				}
			}
		}
	}
	return found
}

// TurnedRound is a pose carried round a point by so many degrees.
func TurnedRound(p geom.Pose, c geom.Point, deg float64) geom.Pose {
	at := c.Add(geom.Pose{Turn: deg}.Apply(p.At().Sub(c)))
	return geom.Pose{X: at.X, Y: at.Y, Turn: geom.NormalTurn(p.Turn + deg)}
}

// hugging is what a held element is drawn against.
type hugging struct {
	home   tray.Element
	bodies []geom.Body
	hosts  []host
	rail   int // of the hosts, the one round which an arc runs; -1 for none
	round  geom.Point
	mid    geom.Point // of the element, where it lay
}

func newHugging(t *tray.Tray, k int) hugging {
	h := hugging{home: t.Elements[k], hosts: hostsOn(t, k), rail: -1}
	if h.home.Kind() == food.KindLoose && h.home.Vessel == "" { // flows by itself
		h.hosts = nil
		return h
	}
	h.bodies = bodiesOf(h.home.Pieces)
	h.mid = MiddleOf(h.home.Pieces)
	if food.Has(h.home.Form, food.Hugs) {
		if e := against(h.hosts, h.bodies); e >= 0 {
			for i := range h.hosts {
				if h.hosts[i].element == e {
					h.rail, h.round = i, h.hosts[i].centre
				}
			}
		}
	}
	return h
}

// drawn is the pose to which a hand that holds the element at a pose brings it: an arc runs round the bowl
// or the cheese that it hugs until it is drawn away from it; whatever else comes near to a bowl or a cheese
// touches it, and a second one where it can slide there along the first.
func (h *hugging) drawn(to geom.Pose) geom.Pose {
	was := h.home.Pose()
	if h.rail >= 0 && to.Turn == was.Turn {
		from, now := h.mid.Sub(h.round), h.mid.Add(to.At().Sub(was.At())).Sub(h.round)
		if r := from.Len(); r > 1 && now.Len() > 1 && math.Abs(now.Len()-r) <= leavesMM {
			deg := (math.Atan2(now.Y, now.X) - math.Atan2(from.Y, from.X)) * 180 / math.Pi
			return TurnedRound(was, h.round, deg)
		}
	}
	if len(h.hosts) == 0 || len(h.bodies) == 0 {
		return to
	}
	bodies := make([]geom.Body, len(h.bodies))
	for i := range bodies {
		bodies[i] = h.bodies[i].Clone()
		bodies[i].Transform(&h.bodies[i], was.At(), to.Turn-was.Turn, to.At().Sub(was.At()))
	}
	first, at, ok := h.nearest(bodies, -1)
	if !ok {
		return to
	}
	step := first.Mul((first.Len() - touchMM) / first.Len())
	along := geom.Pt(-first.Y, first.X).Mul(1 / first.Len())
	for i := range bodies {
		b := bodies[i].Clone()
		bodies[i].Transform(&b, geom.Point{}, 0, step)
	}
	if second, _, ok := h.nearest(bodies, at); ok {
		// how far along the first the second is touched, where it does not lie behind or before it
		if slope := second.Dot(along) / second.Len(); math.Abs(slope) > .5 {
			if by := (second.Len() - touchMM) / slope; math.Abs(by) <= drawsMM {
				step = step.Add(along.Mul(by))
			}
		}
	}
	return geom.Pose{X: to.X + step.X, Y: to.Y + step.Y, Turn: to.Turn}
}

// nearest is the way to the nearest host but one, that is near enough to draw.
func (h *hugging) nearest(bodies []geom.Body, but int) (way geom.Point, host int, ok bool) {
	near := drawsMM + .0
	for i := range h.hosts {
		if i == but {
			continue
		}
		apart, towards := math.Inf(1), geom.Point{}
		for n := range h.hosts[i].bodies {
			for m := range bodies {
				if d := geom.Gap(&bodies[m], &h.hosts[i].bodies[n], near); d < apart {
					if apart = d; d > 0 && d <= near {
						towards = geom.Towards(&bodies[m], &h.hosts[i].bodies[n])
					}
				}
			}
		}
		if apart > touchMM && apart < near { // what is overlapped makes room
			near, way, host, ok = apart, towards, i, true
		}
	}
	return way, host, ok
}
