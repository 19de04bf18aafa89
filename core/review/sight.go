package review

import (
	"math"
	"slices"

	"happytray/core/geom"
	"happytray/core/say"
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

// sight keeps what is seen of every element. From each side that is looked from, lines of
// sight run across the board; a spot is seen unless something before it stands higher than
// the line that comes down to it at 40 degrees. Only lines across what was painted anew are
// followed again.
type sight struct {
	step, w, h int     // the raster thinned out, so that all looks over it stay in the cache
	owner      []int16 // element on top, -1 for bare
	top        []int32 // sixteenths of a mm above the board
	fall       int32   // of a line of sight from spot to spot, sixteenths of a mm
	looks      []look
	seen, all  []int32 // spots of each element, over all looks
}

// look is the view from one side: lines of spots, from the side on.
type look struct {
	start, across, away int // spots: the first one, from line to line, along a line
	lines, length       int
	upright             bool // lines run along columns
	spots               []int16
}

// What is at a spot of a look: bare, or twice the element and whether it is seen.
const bareSpot = -1

func (s *sight) init(g geom.Grid, elements int, from []string) {
	s.step = max(1, int(sightMM/g.Cell), int(math.Ceil(math.Sqrt(float64(g.Cells())/mostSpots))))
	s.w, s.h = (g.W+s.step-1)/s.step, (g.H+s.step-1)/s.step
	s.owner, s.top = make([]int16, s.w*s.h), make([]int32, s.w*s.h)
	s.fall = int32(g.Cell * float64(s.step) * math.Tan(sightDeg*math.Pi/180) * sixteenth)
	s.seen, s.all = make([]int32, elements), make([]int32, elements)
	for _, side := range from {
		var k look
		switch side {
		case "bottom":
			k = look{start: (s.h - 1) * s.w, across: 1, away: -s.w, lines: s.w, length: s.h, upright: true}
		case "top":
			k = look{across: 1, away: s.w, lines: s.w, length: s.h, upright: true}
		case "left":
			k = look{across: s.w, away: 1, lines: s.h, length: s.w}
		case "right":
			k = look{start: s.w - 1, across: s.w, away: -1, lines: s.h, length: s.w}
		}
		k.spots = make([]int16, s.w*s.h)
		for i := range k.spots {
			k.spots[i] = bareSpot
		}
		s.looks = append(s.looks, k)
	}
}

// across is the part of the thinned raster in a window of the whole one.
func (s *sight) across(win geom.Window) geom.Window {
	thin := func(v int) int { return (v + s.step - 1) / s.step }
	return geom.Window{X0: thin(win.X0), Y0: thin(win.Y0), X1: thin(win.X1), Y1: thin(win.Y1)}
}

// update follows what was painted in win.
func (s *sight) update(f *chart, win geom.Window) {
	thin := s.across(win)
	if thin.Empty() {
		return
	}
	for y := thin.Y0; y < thin.Y1; y++ {
		for x := thin.X0; x < thin.X1; x++ {
			i := y*s.step*f.g.W + x*s.step
			s.owner[y*s.w+x], s.top[y*s.w+x] = f.owner[i], int32(f.top[i])*sixteenth
		}
	}
	for i := range s.looks {
		k := &s.looks[i]
		from, to := k.between(thin)
		for line := from; line < to; line++ {
			s.follow(k, line, nil)
		}
	}
}

// between is the lines of a look that cross a window of the thinned raster.
func (k *look) between(thin geom.Window) (from, to int) {
	if k.upright {
		return thin.X0, thin.X1
	}
	return thin.Y0, thin.Y1
}

// follow runs along one line and corrects what is seen by it. Where hidden is given,
// nothing is corrected: it is told which element hides a spot of which.
func (s *sight) follow(k *look, line int, hidden func(by, what int16)) {
	horizon, who := int32(-1), int16(-1)
	at := k.start + line*k.across
	for range k.length {
		horizon -= s.fall
		spot := int16(bareSpot)
		if o := s.owner[at]; o >= 0 {
			top := s.top[at]
			spot = o << 1
			if top+slackMM*sixteenth >= horizon {
				spot |= 1
			} else if hidden != nil && who >= 0 {
				hidden(who, o)
			}
			if top >= horizon {
				horizon, who = top, o
			}
		}
		if was := k.spots[at]; spot != was && hidden == nil {
			if was != bareSpot {
				s.all[was>>1]--
				s.seen[was>>1] -= int32(was & 1)
			}
			if spot != bareSpot {
				s.all[spot>>1]++
				s.seen[spot>>1] += int32(spot & 1)
			}
			k.spots[at] = spot
		}
		at += k.away
	}
}

// hider is the element that hides most of element i, or -1.
func (s *sight) hider(i int, g geom.Grid, box geom.Rect) int {
	before := make([]int32, len(s.all))
	thin := s.across(g.Window(box, 1))
	for n := range s.looks {
		k := &s.looks[n]
		from, to := k.between(thin)
		for line := from; line < to; line++ {
			s.follow(k, line, func(by, what int16) {
				if int(what) == i {
					before[by]++
				}
			})
		}
	}
	worst := 0
	for a := range before {
		if before[a] > before[worst] {
			worst = a
		}
	}
	if before[worst] == 0 || worst == i {
		return -1
	}
	return worst
}

// height measures what hides what. An element counts by the share of its top that is
// seen, the mean of all sides; the quarter of the elements that is seen least counts,
// because a tray is not better for what nothing stands before.
func (m *measures) height() {
	l, s := m.l, &m.l.chart.sight
	from := LooksFrom(l.tray.Board.Front, l.tray.Board.Access)
	var shares []float64
	for i := range l.elems {
		if s.all[i] == 0 {
			continue
		}
		share := float64(s.seen[i]) / float64(s.all[i])
		shares = append(shares, share)
		says := func(with ...say.Value) say.Sentence {
			if len(from) == 1 {
				return say.New("height.sight", with...)
			}
			return say.New("height.around", with...)
		}
		if share < .5 && !m.quiet {
			if worst := s.hider(i, l.chart.g, l.elems[i].box); worst >= 0 {
				m.find("height.sight", Mend, 6*(1-share), l.elems[i].middle, []int{i, worst}, says(m.it(worst), m.other(i, worst), say.Share(share)))
			}
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
		return allSides
	}
	return access
}

// SideLine gives a point on a side of the board's box and the direction inward, for
// distances from it.
func SideLine(box geom.Rect, side string) (at, inward geom.Point) {
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
