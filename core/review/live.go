package review

import (
	"math"
	"slices"

	"happytray/core/adjacency"
	"happytray/core/colour"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/tray"
	"happytray/core/workers"
)

// Live keeps a tray's measures up to date while elements move: a move costs
// what it touches. Its answers equal a review from scratch exactly. It is not
// safe for use by several goroutines at once.
type Live struct {
	tray        *tray.Tray
	larder      *food.Larder
	elems       []elem
	chart       chart
	painted     []*elem // as they lay when the chart was painted, of those that were set since; else nil
	set         []int   // which these are
	pairless    []int   // what was set since its pairs were measured
	pairs       []pair  // upper triangle, see at
	lean        geom.Outline
	half        float64 // half-diagonal of the zone's box, mm
	centre      geom.Point
	ground      colour.Lab                // of the board or its liner
	differences map[[2]colour.Lab]float64 // dE00 of what lay side by side so far
	off         []string
	zoneCv      bool
	rows        geom.Rows // of the zone, when it is convex
	rules       []Rule
	tastes      tastes
	mirror      bool // both sides should answer each other
	turns       []tray.Tasted
	told        *told    // of the choice; nil until it is asked for
	apart       []string // what guests at a shared tray avoid, that is kept apart on it
}

// elem is what is kept about one element between moves.
type elem struct {
	food    *food.Food
	spec    food.Spec
	kind    food.Kind
	bodies  []geom.Body
	tops    []uint8 // mm above the board, of each
	box     geom.Rect
	area    float64 // mm2 seen from above, pieces added up
	middle  geom.Point
	height  float64
	big     bool       // its single pieces are large
	surface colour.Lab // what its neighbours touch: the vessel's wall for a bowl
	top     colour.Lab // what is seen from above
	ground  float64    // dE00 between that and the board or its liner
	stands  float64    // the same of what stands on it: a bowl's wall
	drapes  bool
	outside float64 // mm2 beyond the food zone
	room    geom.Outline
	face    food.CuttingFace // on the board
	hasFace bool
	placed  bool
}

// pair is what is kept about two elements.
type pair struct {
	depth float64 // deepest overlap beyond what is allowed, mm
	at    geom.Point
	gap   float64 // mm between their pieces' boxes where they care for each other and it is small, else between their own
	wet   float64 // mm between their pieces, where one of them wets the other within adjacency.WetBesideCrisp; else infinite
}

// NewLive prepares a tray for review. The tray is copied.
func NewLive(t *tray.Tray, larder *food.Larder) *Live {
	l := &Live{tray: t.Clone(), larder: larder, off: t.Brief.OffTheTray(), rules: Rules(t.Rules), mirror: Mirrored(t), apart: t.Brief.KeptApart(), turns: t.Tasting(larder)}
	if t.Board == nil {
		return l
	}
	zone := t.Board.FoodZone
	l.lean = zone.Inset(-lean)
	if l.zoneCv = zone.Convex(); l.zoneCv {
		l.rows = geom.NewRows(zone, 128)
	}
	box := zone.Bounds()
	l.half = math.Hypot(box.W(), box.H()) / 2
	l.centre = zone.Centroid()
	l.ground = colour.Must(t.Board.Ground())
	l.differences = map[[2]colour.Lab]float64{}
	l.elems, l.painted = make([]elem, len(l.tray.Elements)), make([]*elem, len(l.tray.Elements))
	l.pairs = make([]pair, len(l.elems)*(len(l.elems)-1)/2)
	half := len(l.elems) / 2
	workers.Both(func() { l.measureAll(0, half) }, func() { l.measureAll(half, len(l.elems)) })
	l.tastes = newTastes(l)
	workers.Both(func() { l.chart.init(l) }, func() {
		for i := range l.elems {
			for j := range i {
				*l.at(i, j) = l.measurePair(i, j)
			}
		}
	})
	return l
}

func (l *Live) measureAll(from, to int) {
	for i := from; i < to; i++ {
		l.elems[i] = l.measure(&l.tray.Elements[i])
	}
}

// Mirrored reports whether a tray is to be laid so that both sides answer each other.
func Mirrored(t *tray.Tray) bool {
	return t.Rules.Symmetry == "mirrored" || t.Rules.Style == "mirrored"
}

func (l *Live) at(i, j int) *pair {
	if i < j {
		i, j = j, i
	}
	return &l.pairs[i*(i-1)/2+j]
}

// Tray is the tray as it stands; it is not to be changed.
func (l *Live) Tray() *tray.Tray { return l.tray }

// Move puts an element, with all its pieces, at a new pose.
func (l *Live) Move(i int, to geom.Pose) {
	e := l.tray.Elements[i]
	e.MoveTo(to)
	l.Set(i, e)
}

// Set replaces element i, which must keep its id. What is seen of the change is painted when it is asked for: several
// things that move together, or one that goes back, are painted once.
func (l *Live) Set(i int, e tray.Element) {
	if l.painted[i] == nil {
		before := l.elems[i]
		l.painted[i] = &before
		l.set = append(l.set, i)
	}
	if was := &l.tray.Elements[i]; was.Food != e.Food || was.Form != e.Form || was.Grams != e.Grams {
		l.told = nil
	}
	l.tray.Elements[i] = e
	l.elems[i] = l.measure(&l.tray.Elements[i])
	l.pairless = append(l.pairless, i)
}

// measurePairs measures what was set since the last time against everything else.
func (l *Live) measurePairs() {
	slices.Sort(l.pairless)
	l.pairless = slices.Compact(l.pairless)
	for n, i := range l.pairless {
		for j := range l.elems {
			if _, done := slices.BinarySearch(l.pairless[:n], j); j != i && !done {
				*l.at(i, j) = l.measurePair(i, j)
			}
		}
	}
	l.pairless = l.pairless[:0]
}

func (l *Live) measure(e *tray.Element) elem {
	f, _ := l.larder.Get(e.Food)
	s, _ := f.Spec(e.Form)
	m := elem{food: f, spec: s, kind: e.Kind(), drapes: drapes(e), placed: e.Placed && len(e.Pieces) > 0}
	m.top = colour.Must(f.SurfaceColour(s))
	if e.Colour != "" {
		m.top = colour.Must(e.Colour)
	}
	m.surface = m.top
	if v, ok := l.tray.Vessel(e.Vessel); ok {
		m.surface = colour.Must(v.Colour)
	}
	if !m.placed {
		return m
	}
	m.ground = colour.Difference(m.top, l.ground)
	m.stands = m.ground
	if m.surface != m.top {
		m.stands = colour.Difference(m.surface, l.ground)
	}
	zone := l.tray.Board.FoodZone
	if m.hangs() {
		zone = l.lean
	}
	zoneBox := zone.Bounds()
	m.bodies, m.tops = make([]geom.Body, len(e.Pieces)), make([]uint8, len(e.Pieces))
	var mid geom.Point
	for i, p := range e.Pieces {
		b := geom.NewBody(p.Outline)
		m.bodies[i] = b
		a := p.Outline.Area()
		m.area += a
		mid = mid.Add(p.Outline.Centroid().Mul(a))
		m.height = math.Max(m.height, p.ZMM+p.HeightMM)
		m.tops[i] = uint8(math.Min(255, p.ZMM+p.HeightMM))
		if i == 0 {
			m.box = b.Box
		}
		m.box = m.box.Union(b.Box)
		m.outside += l.outside(&b, a, zone, zoneBox)
	}
	if m.outside < .5 {
		m.outside = 0 // rounding of stored points
	}
	if m.area > 0 {
		m.middle = mid.Mul(1 / m.area)
		m.big = m.area/float64(len(e.Pieces)) > bigMM2
	}
	if face, ok := food.CutFace(f, s); ok {
		pose := e.Pose()
		at := pose.Apply(face.At)
		face.At, face.Dir = at, face.Dir+pose.Turn
		m.face, m.hasFace = face, true
		m.room = CutRoom(face)
	}
	return m
}

// CutRoom is the strip in front of a face that a knife needs.
func CutRoom(f food.CuttingFace) geom.Outline {
	side := geom.Polar(f.Width/2, f.Dir+90)
	out := geom.Polar(f.Need, f.Dir)
	return geom.Outline{f.At.Sub(side), f.At.Add(side), f.At.Add(side).Add(out), f.At.Sub(side).Add(out)}
}

func (l *Live) outside(b *geom.Body, area float64, zone geom.Outline, zoneBox geom.Rect) float64 {
	out := 0.0
	if l.zoneCv && len(l.tray.Board.Keepouts) == 0 && l.rows.Holds(b.Box) {
		return 0
	}
	inside := b.Box.Min.X >= zoneBox.Min.X && b.Box.Min.Y >= zoneBox.Min.Y && b.Box.Max.X <= zoneBox.Max.X && b.Box.Max.Y <= zoneBox.Max.Y
	if inside {
		for _, p := range b.Outline {
			if !zone.Contains(p) && zone.EdgeDistance(p) > .02 {
				inside = false
				break
			}
		}
		if inside && !l.zoneCv { // a notch of the zone may cut between two points
			inside = b.Shared(zone) > area*.999
		}
	}
	if !inside {
		shared := 0.0
		if l.zoneCv {
			shared = geom.SharedArea(b.Outline, zone)
		} else {
			shared = b.Shared(zone)
		}
		out += math.Max(0, area-shared)
	}
	for _, k := range l.tray.Board.Keepouts {
		if kb := k.Bounds(); kb.Meets(b.Box) {
			out += b.Shared(k)
		}
	}
	return out
}

func (l *Live) measurePair(i, j int) pair {
	if i < j {
		i, j = j, i // one order, so that following moves rounds as a fresh start does
	}
	a, b := &l.elems[i], &l.elems[j]
	if !a.placed || !b.placed {
		return pair{gap: math.Inf(1), wet: math.Inf(1)}
	}
	p := pair{gap: geom.BoxGap(a.box, b.box), wet: math.Inf(1)}
	if p.gap > farMM {
		return p // too far for anything but an estimate
	}
	wets := l.wets(i, j) || l.wets(j, i)
	near := p.gap
	if wets || l.cares(i, j) {
		near = l.boxGap(a, b)
		p.gap = near
	}
	if near == 0 {
		l.overlap(&p, i, j)
	}
	if near < adjacency.WetBesideCrisp && wets {
		p.wet = l.trueGap(i, j, adjacency.WetBesideCrisp)
	}
	return p
}

// farMM is the gap from which on two elements' own boxes are looked at only.
const farMM = 80

// cares reports whether the gap between two elements is asked for.
func (l *Live) cares(i, j int) bool {
	return l.tastes.cares[i*len(l.elems)+j] || len(l.apart) > 0
}

// boxGap is the distance between the boxes of two elements' pieces, mm; infinite from
// farMM on.
func (l *Live) boxGap(a, b *elem) float64 {
	near := math.Inf(1)
	for x := range a.bodies {
		box := a.bodies[x].Box
		if geom.BoxGap(box, b.box) > min(near, farMM) {
			continue
		}
		for y := range b.bodies {
			if near = min(near, geom.BoxGap(box, b.bodies[y].Box)); near == 0 {
				return 0
			}
		}
	}
	return near
}

// overlap finds the deepest overlap of two elements' pieces beyond what is allowed.
func (l *Live) overlap(p *pair, i, j int) {
	a, b := &l.elems[i], &l.elems[j]
	may := touch(nature{a.kind, l.tray.Elements[i].Wetness, a.drapes}, nature{b.kind, l.tray.Elements[j].Wetness, b.drapes})
	if math.IsInf(may, 1) {
		return
	}
	found := 0
	for x := range a.bodies {
		bx := &a.bodies[x]
		if geom.BoxDepth(bx.Box, b.box) <= may {
			continue
		}
		for y := range b.bodies {
			by := &b.bodies[y]
			if geom.BoxDepth(bx.Box, by.Box) <= may {
				continue
			}
			d, _ := geom.Deeper(bx, by, may+.02)
			if d == 0 {
				continue
			}
			if d-may > p.depth {
				p.depth = d - may
				p.at = bx.Box.Centre().Lerp(by.Box.Centre(), .5)
			}
			if found++; found == enough {
				return
			}
		}
	}
}

// difference is colour.Difference, remembered: a tray has few colours and many borders.
func (l *Live) difference(a, b colour.Lab) float64 {
	key := [2]colour.Lab{a, b}
	d, ok := l.differences[key]
	if !ok {
		d = colour.Difference(a, b)
		l.differences[key] = d
	}
	return d
}

// wets reports whether element i, lying open, softens element j.
func (l *Live) wets(i, j int) bool {
	a, b := &l.tray.Elements[i], &l.tray.Elements[j]
	return a.Vessel == "" && b.Vessel == "" && adjacency.Softens(a.Wetness, b.Wetness)
}

// enough is how many overlapping pieces settle that two elements are in the same
// place: heaps thrown on one spot would otherwise take minutes to compare.
const enough = 16

// trueGap is the distance between the pieces of two elements, mm, looked at
// only where their boxes come nearer than most.
func (l *Live) trueGap(i, j int, most float64) float64 {
	a, b := &l.elems[i], &l.elems[j]
	best := math.Inf(1)
	for x := range a.bodies {
		if geom.BoxGap(a.bodies[x].Box, b.box) > math.Min(best, most) {
			continue
		}
		for y := range b.bodies {
			if geom.BoxGap(a.bodies[x].Box, b.bodies[y].Box) > math.Min(best, most) {
				continue
			}
			best = math.Min(best, geom.Gap(&a.bodies[x], &b.bodies[y], math.Min(best, most)))
		}
	}
	return best
}
