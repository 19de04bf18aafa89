package review

import (
	"math"
	"slices"

	"happytray/core/geom"
)

// Guests look down on a tray at about sightDeg; eyes are never that exact, so what is
// hidden by less than slackMM counts as seen.
const (
	sightDeg = 40
	slackMM  = 2
	sightMM  = 6 // distance between lines of sight
)

// height measures what hides what. From each side that is looked from, lines of sight
// run across the board; a spot is seen unless something before it stands higher than
// the line that comes down to it at 40 degrees. An element counts by the share of its
// top that is seen, the mean of all sides; the quarter of the elements that is seen least
// counts, because a tray is not better for what nothing stands before.
func (m *measures) height() {
	l, f := m.l, &m.l.field
	n := len(l.elems)
	from := LooksFrom(l.tray.Board.Front, l.tray.Board.Access)
	seen, all := make([]float64, n), make([]float64, n)
	before := make([]int32, n*n) // before[a*n+b]: spots of b that a hides
	step := max(1, int(sightMM/f.g.Cell))
	fall := f.g.Cell * float64(step) * math.Tan(sightDeg*math.Pi/180)
	look := func(start, across, away, lines, length int) {
		for k := 0; k < lines; k += step {
			horizon, who := -1.0, int16(-1)
			at := start + k*across
			for d := 0; d < length; d, at = d+step, at+away*step {
				horizon -= fall
				o := f.owner[at]
				if o < 0 {
					continue
				}
				h := float64(f.top[at])
				all[o]++
				if h+slackMM >= horizon {
					seen[o]++
				} else if who >= 0 && !m.quiet {
					before[int(who)*n+int(o)]++
				}
				if h >= horizon {
					horizon, who = h, o
				}
			}
		}
	}
	w, h := f.g.W, f.g.H
	for _, side := range from {
		switch side {
		case "bottom":
			look((h-1)*w, 1, -w, w, h)
		case "top":
			look(0, 1, w, w, h)
		case "left":
			look(0, w, 1, h, w)
		case "right":
			look(w-1, w, -1, h, w)
		}
	}
	var shares []float64
	for i := range l.elems {
		if all[i] == 0 {
			continue
		}
		share := seen[i] / all[i]
		shares = append(shares, share)
		if share < .5 && !m.quiet {
			worst := 0
			for a := range n {
				if before[a*n+i] > before[worst*n+i] {
					worst = a
				}
			}
			if before[worst*n+i] == 0 || worst == i {
				continue
			}
			m.find("height.sight", Mend, 6*(1-share), l.elems[i].middle, []int{i, worst}, "The %s %s before the %s: %s of it is seen from %s. Tall things go %s.",
				m.name(worst), m.does(worst, "stands", "stand"), m.name(i), part(share), sidesSaid(from), tallPlace(from))
		}
	}
	if len(shares) == 0 {
		return
	}
	slices.Sort(shares)
	worst := shares[:(len(shares)+3)/4]
	sum := 0.0
	for _, s := range worst {
		sum += s
	}
	m.values["height.sight"] = sum / float64(len(worst))
}

// LooksFrom lists the sides that a board is looked at from: its front, or where guests
// stand when it has none.
func LooksFrom(front string, access []string) []string {
	if front != "" && front != "none" {
		return []string{front}
	}
	if len(access) == 0 {
		return []string{"top", "right", "bottom", "left"}
	}
	return access
}

func sidesSaid(from []string) string {
	if len(from) == 1 {
		return "the front"
	}
	return "around"
}

func tallPlace(from []string) string {
	if len(from) == 1 {
		return "to the back or the sides"
	}
	return "in the middle"
}

// sideLine gives a point on a side of the board's box and the direction inward, for
// distances from it.
func sideLine(box geom.Rect, side string) (at, inward geom.Point) {
	switch side {
	case "top":
		return box.Min, geom.Pt(0, 1)
	case "bottom":
		return box.Max, geom.Pt(0, -1)
	case "left":
		return box.Min, geom.Pt(1, 0)
	}
	return box.Max, geom.Pt(-1, 0)
}
