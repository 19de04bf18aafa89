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
	sightMM  = 6 // distance between lines of sight, at least

	mostSpots = 10000.0 // looked at on a board; on large ones the lines lie farther apart

	sixteenth = 16 // heights are counted in whole sixteenths of a mm
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
	seen, all := make([]int32, n), make([]int32, n)
	var before []int32 // before[a*n+b]: spots of b that a hides
	if !m.quiet {
		before = make([]int32, n*n)
	}
	step := max(1, int(sightMM/f.g.Cell), int(math.Ceil(math.Sqrt(float64(f.g.Cells())/mostSpots))))
	// the raster thinned out, so that four looks over it stay in the cache
	w, h := (f.g.W+step-1)/step, (f.g.H+step-1)/step
	if len(f.seenOwner) != w*h {
		f.seenOwner, f.seenTop = make([]int16, w*h), make([]int32, w*h)
	}
	for y := range h {
		row := y * step * f.g.W
		for x := range w {
			o := f.owner[row+x*step]
			f.seenOwner[y*w+x], f.seenTop[y*w+x] = o, int32(f.top[row+x*step])*sixteenth
		}
	}
	fall := int32(f.g.Cell * float64(step) * math.Tan(sightDeg*math.Pi/180) * sixteenth)
	look := func(start, across, away, lines, length int) {
		for k := range lines {
			horizon, who := int32(-1), int16(-1)
			at := start + k*across
			for range length {
				horizon -= fall
				if o := f.seenOwner[at]; o >= 0 {
					top := f.seenTop[at]
					all[o]++
					if top+slackMM*sixteenth >= horizon {
						seen[o]++
					} else if who >= 0 && !m.quiet {
						before[int(who)*n+int(o)]++
					}
					if top >= horizon {
						horizon, who = top, o
					}
				}
				at += away
			}
		}
	}
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
		share := float64(seen[i]) / float64(all[i])
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
