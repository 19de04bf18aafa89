package review

import (
	"math"

	"happytray/core/board"
	"happytray/core/geom"
	"happytray/core/say"
)

// A board that is all of one height reads flat, however full it is. Levels are what stands under LowMM, what
// stands up to TallMM, and what stands above; every part of a board, of about a forearm's reach, wants all three
// (docs/craft.md, Where things go: tall things, different heights look alive).
const (
	// TallMM is the height, mm, over which something stands above what lies round it.
	TallMM    = 40.0
	partMM    = 250.0
	leastSeen = 40 // spots of the raster with food on them from which a part counts

	// StoreyMM is how high, mm, something stands that makes a long table rise.
	StoreyMM      = 100.0
	storeysFromMM = 1500.0 // how long a table is that wants it, once a metre
	storeyMM2     = 3000.0 // seen of it: a bowl of 62 mm
	storeyShare   = .2     // of the relief of such a table
)

// Storeys is how many things a board wants that stand StoreyMM high and more, along its longer way; none on one that is not long.
func Storeys(b *board.Board) int {
	box := b.FoodZone.Bounds()
	if long := math.Max(box.W(), box.H()); long >= storeysFromMM {
		return int(math.Round(long / 1000))
	}
	return 0
}

// storeys are which of the parts along a long table have something that high, from its one end to the other.
func (l *Live) storeys() []bool {
	n := Storeys(l.tray.Board)
	if n == 0 {
		return nil
	}
	box := l.tray.Board.FoodZone.Bounds()
	s, g := &l.chart.sight, l.chart.g
	spots, out := make([]int, n), make([]bool, n)
	for y := range s.h {
		for x := range s.w {
			if s.top[y*s.w+x] < StoreyMM*sixteenth {
				continue
			}
			at, from, long := g.Centre(x*s.step, y*s.step), box.Min.X, box.W()
			along := at.X
			if box.H() > box.W() {
				along, from, long = at.Y, box.Min.Y, box.H()
			}
			spots[max(0, min(n-1, int((along-from)/long*float64(n))))]++
		}
	}
	each := g.Cell * float64(s.step)
	for k := range out {
		out[k] = float64(spots[k])*each*each >= storeyMM2
	}
	return out
}

// levelShares are the shares of what lies on a part of the board that make a level of it: a single tall bowl does.
var levelShares = [3]float64{.15, .15, .04}

// part is what stands on a part of a board, in spots of the raster by level.
type part struct {
	spots [3]int
	mid   geom.Point
}

// levels is how much of each level a part has, 0 to 1.
func (p *part) levels() (out [3]float64, all int) {
	all = p.spots[0] + p.spots[1] + p.spots[2]
	for k, n := range p.spots {
		out[k] = math.Min(1, float64(n)/math.Max(1, levelShares[k]*float64(all)))
	}
	return out, all
}

// parts counts what stands on each part of the board.
func (l *Live) parts() []part {
	box := l.tray.Board.FoodZone.Bounds()
	across, down := max(1, int(math.Round(box.W()/partMM))), max(1, int(math.Round(box.H()/partMM)))
	out := make([]part, across*down)
	s, g := &l.chart.sight, l.chart.g
	column := make([]int, s.w)
	for x := range column {
		column[x] = max(0, min(across-1, int((g.Centre(x*s.step, 0).X-box.Min.X)/box.W()*float64(across))))
	}
	for y := range s.h {
		row := max(0, min(down-1, int((g.Centre(0, y*s.step).Y-box.Min.Y)/box.H()*float64(down)))) * across
		for x := range s.w {
			if s.owner[y*s.w+x] < 0 {
				continue
			}
			p := &out[row+column[x]]
			switch top := s.top[y*s.w+x]; {
			case top < LowMM*sixteenth:
				p.spots[0]++
			case top <= TallMM*sixteenth:
				p.spots[1]++
			default:
				p.spots[2]++
			}
		}
	}
	for k := range out {
		out[k].mid = geom.Pt(box.Min.X+(float64(k%across)+.5)*box.W()/float64(across), box.Min.Y+(float64(k/across)+.5)*box.H()/float64(down))
	}
	return out
}

// relief measures how much of three levels the parts of the board have, the mean of all. On the road nothing stands tall,
// and nobody asks for it.
func (m *measures) relief() {
	if m.l.tray.Brief.Travels.Yes {
		return
	}
	sum, n := 0.0, 0
	worst, least, lacks := geom.Point{}, 1.0, 0
	for _, p := range m.l.parts() {
		levels, all := p.levels()
		if all < leastSeen {
			continue
		}
		has := (levels[0] + levels[1] + levels[2]) / 3
		sum, n = sum+has, n+1
		if has < least {
			worst, least, lacks = p.mid, has, 0
			for k := range levels {
				if levels[k] < levels[lacks] {
					lacks = k
				}
			}
		}
	}
	if n == 0 {
		return
	}
	value, flat := sum/float64(n), -1
	if high := m.l.storeys(); len(high) > 0 {
		have := 0.0
		for k := range high {
			if high[k] {
				have++
			} else if flat < 0 {
				flat = k
			}
		}
		value = (1-storeyShare)*value + storeyShare*have/float64(len(high))
	}
	m.values["height.relief"] = value
	if flat >= 0 && least > .72 && !m.quiet {
		m.find("height.relief", Note, 3, m.along(flat), nil, say.New("relief.storey", say.Word(m.side(m.along(flat))), say.MM(StoreyMM)))
	}
	if least > .72 || m.quiet {
		return
	}
	where := say.Word(m.side(worst))
	says := [3]say.Sentence{say.New("relief.low", where, say.MM(LowMM)), say.New("relief.middle", where), say.New("relief.tall", where, say.MM(TallMM))}[lacks]
	m.find("height.relief", Note, 6*(1-least), worst, nil, says)
}

// along is the middle of one of the parts along a long table.
func (m *measures) along(part int) geom.Point {
	box, n := m.l.tray.Board.FoodZone.Bounds(), Storeys(m.l.tray.Board)
	share := (float64(part) + .5) / float64(n)
	if box.H() > box.W() {
		return geom.Pt(box.Centre().X, box.Min.Y+share*box.H())
	}
	return geom.Pt(box.Min.X+share*box.W(), box.Centre().Y)
}
