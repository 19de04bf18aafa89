package review

import (
	"fmt"
	"math"
	"strings"

	"happytray/core/colour"
	"happytray/core/food"
	"happytray/core/geom"
)

// Review judges the tray as it stands.
func (l *Live) Review() Review {
	if l.tray.Board == nil {
		return Review{Groups: map[string]float64{}, Checks: []Check{}, Findings: []Finding{}}
	}
	m := measures{l: l, values: map[string]float64{}}
	m.fit()
	m.colours()
	m.spread()
	m.flow()
	m.pairings()
	m.service()
	m.care()
	rev, _ := total(m.values)
	rev.Findings = m.found
	if rev.Findings == nil {
		rev.Findings = []Finding{}
	}
	sortFindings(rev.Findings)
	if len(rev.Findings) > mostFindings {
		rev.Findings = rev.Findings[:mostFindings]
	}
	return rev
}

// mostFindings bounds what one review says, worst first.
const mostFindings = 200

// Score is the total alone, without findings.
func (l *Live) Score() float64 {
	m := measures{l: l, values: map[string]float64{}, quiet: true}
	m.fit()
	m.colours()
	m.spread()
	m.flow()
	m.pairings()
	m.service()
	m.care()
	rev, _ := total(m.values)
	return rev.Score
}

type measures struct {
	l      *Live
	values map[string]float64
	found  []Finding
	quiet  bool
}

func (m *measures) find(check, severity string, worth float64, at geom.Point, elements []int, format string, args ...any) {
	if m.quiet {
		return
	}
	ids := make([]string, len(elements))
	for i, e := range elements {
		ids[i] = m.l.tray.Elements[e].ID
	}
	m.found = append(m.found, Finding{Check: check, Severity: severity, Elements: ids, At: at.Round(), Says: fmt.Sprintf(format, args...), worth: worth})
}

// name is how a sentence calls an element.
func (m *measures) name(i int) string {
	name := strings.ToLower(m.l.elems[i].food.Name)
	if m.l.tray.Elements[i].Vessel != "" {
		return "bowl of " + name
	}
	return name
}

// part says a share as a kitchen does.
func part(share float64) string {
	words := []string{"all", "all", "half", "a third", "a quarter", "a fifth", "a sixth", "a seventh", "an eighth", "a ninth", "a tenth"}
	return words[int(math.Min(10, math.Max(1, math.Round(1/math.Max(share, .01)))))]
}

func (m *measures) each(f func(i int, e *elem)) {
	for i := range m.l.elems {
		if m.l.elems[i].placed {
			f(i, &m.l.elems[i])
		}
	}
}

func (m *measures) fit() {
	l := m.l
	outside := 0.0
	m.each(func(i int, e *elem) {
		outside += e.outside
		if e.outside > 0 {
			m.find("fit.inside", Stop, e.outside, e.middle, []int{i}, "The %s lies over the edge by %.1f cm². Move it in.", m.name(i), e.outside/100)
		}
	})
	m.values["fit.inside"] = outside

	deepest := 0.0
	for i := range l.elems {
		for j := range i {
			if p := l.at(i, j); p.depth > 0 {
				deepest = math.Max(deepest, p.depth)
				m.find("fit.overlap", Stop, 100*p.depth, p.at, []int{i, j}, "The %s and the %s are in the same place, %.0f mm deep. Part them.", m.name(i), m.name(j), math.Ceil(p.depth))
			}
		}
	}
	m.values["fit.overlap"] = deepest

	f := &l.field
	cover := 0.0
	if f.open > 0 {
		cover = float64(f.covered) / float64(f.open)
	}
	m.values["fit.cover"] = cover
	gap, at := f.widest()
	m.values["fit.gap"] = gap
	if gap > 34 {
		m.find("fit.gap", Mend, gap/4, at, nil, "A bare patch %.0f mm across draws the eye here. A little heap or a few more crackers would close it.", gap)
	} else if cover < .88 {
		m.find("fit.cover", Mend, 5, at, nil, "About %s of the board shows. Spread the loose things wider, or take a smaller board.", part(1-cover))
	}

	count, placed := 0, 0
	for i := range l.elems {
		count++
		if l.elems[i].placed {
			placed++
		}
	}
	if count > 0 {
		m.values["fit.placed"] = float64(placed) / float64(count)
		if placed < count {
			m.find("fit.placed", Mend, 20, l.centre, nil, "%d of %d groups still wait beside the board.", count-placed, count)
		}
	} else {
		m.values["fit.placed"] = 0
	}
}

func (m *measures) colours() {
	l := m.l
	sum, length := 0.0, 0.0
	var alike alike
	for i := range l.elems {
		for j := range i {
			side := l.field.frontierMM(i, j)
			if side == 0 {
				continue
			}
			d := colour.Difference(l.elems[i].surface, l.elems[j].surface)
			sum += side * math.Min(d, 40)
			length += side
			if d < 9 && side > 30 && !m.quiet {
				alike.note(l, i, j, side*(12-d)/60)
			}
		}
	}
	for _, a := range alike.list {
		at := l.elems[a.i].middle.Lerp(l.elems[a.j].middle, .5)
		where := ""
		if a.places > 1 {
			where = fmt.Sprintf(" in %d places", a.places)
		}
		if l.elems[a.i].food == l.elems[a.j].food {
			m.find("spread.kind", Mend, a.worth, at, []int{a.i, a.j}, "Two heaps of %s lie side by side%s and read as one. Put one across the tray.", m.name(a.i), where)
		} else {
			m.find("colour.neighbour", Mend, a.worth, at, []int{a.i, a.j}, "The %s and the %s are nearly one colour and run together%s. Something bright between them would help.", m.name(a.i), m.name(a.j), where)
		}
	}
	if length > 0 {
		m.values["colour.neighbour"] = sum / length
	}
	ground := colour.Must(l.tray.Board.Ground())
	sum, area := 0.0, 0.0
	families := map[string]*centroid{}
	m.each(func(i int, e *elem) {
		sum += e.area * math.Min(40, colour.Difference(e.top, ground))
		area += e.area
		add(families, e.top.Family(), e, e.area)
	})
	if area > 0 {
		m.values["colour.ground"] = sum / area
	}
	m.balance("colour.spread", families, area, "The %s is all on the %s. A little of it on the other side would bring it round.", "%s")
}

// alike gathers neighbours of nearly one colour by their two foods, so that the
// same sentence is said once, at its worst spot.
type alike struct {
	at   map[[2]*food.Food]int
	list []alikePair
}

type alikePair struct {
	i, j, places int
	worth, worst float64
}

func (a *alike) note(l *Live, i, j int, worth float64) {
	key := [2]*food.Food{l.elems[i].food, l.elems[j].food}
	if key[1].ID < key[0].ID {
		key[0], key[1] = key[1], key[0]
	}
	k, seen := a.at[key]
	if !seen {
		if a.at == nil {
			a.at = map[[2]*food.Food]int{}
		}
		k = len(a.list)
		a.at[key] = k
		a.list = append(a.list, alikePair{i: i, j: j, worst: worth})
	}
	p := &a.list[k]
	p.places++
	p.worth += worth
	if worth > p.worst {
		p.i, p.j, p.worst = i, j, worth
	}
}

// centroid gathers elements of one kind.
type centroid struct {
	sum    geom.Point
	weight float64
	n      int
}

func add(into map[string]*centroid, key string, e *elem, weight float64) {
	c := into[key]
	if c == nil {
		c = &centroid{}
		into[key] = c
	}
	c.sum = c.sum.Add(e.middle.Mul(weight))
	c.weight += weight
	c.n++
}

// balance scores how far the centres of several kinds lie from the board's own,
// weighted by their area. A kind that is in one place only, or hardly there,
// cannot balance and does not count.
func (m *measures) balance(check string, kinds map[string]*centroid, area float64, says, word string) {
	sum, weight, worst := 0.0, 0.0, 0.0
	worstKey := ""
	for _, key := range sortedKeys(kinds) {
		c := kinds[key]
		if c.n < 2 || c.weight < .02*area {
			continue
		}
		d := c.sum.Mul(1/c.weight).Dist(m.l.centre) / m.l.half
		sum += d * c.weight
		weight += c.weight
		if d > worst {
			worst, worstKey = d, key
		}
	}
	if weight == 0 {
		return
	}
	m.values[check] = sum / weight
	if worst > .3 {
		at := kinds[worstKey].sum.Mul(1 / kinds[worstKey].weight)
		m.find(check, Mend, 8*worst, at, nil, says, fmt.Sprintf(word, worstKey), m.side(at))
	}
}

func sortedKeys(kinds map[string]*centroid) []string {
	var keys []string
	for _, f := range colour.Families {
		if kinds[f] != nil {
			keys = append(keys, f)
		}
	}
	for _, c := range food.Categories {
		if kinds[string(c)] != nil {
			keys = append(keys, string(c))
		}
	}
	return keys
}

// side says in a word where on the board a point lies.
func (m *measures) side(p geom.Point) string {
	d := p.Sub(m.l.centre)
	if math.Abs(d.X) > math.Abs(d.Y) {
		if d.X > 0 {
			return "right"
		}
		return "left"
	}
	if d.Y > 0 {
		return "near side"
	}
	return "far side"
}

func (m *measures) spread() {
	l := m.l
	categories := map[string]*centroid{}
	ground := colour.Must(l.tray.Board.Ground())
	area, weight := 0.0, 0.0
	var heavy geom.Point
	m.each(func(i int, e *elem) {
		if hangs(&l.tray.Elements[i]) {
			return
		}
		add(categories, string(e.food.Category), e, e.area)
		area += e.area
		w := e.area * (10 + e.height) * (.4 + math.Min(60, colour.Difference(e.top, ground))/60)
		heavy = heavy.Add(e.middle.Mul(w))
		weight += w
	})
	m.balance("spread.category", categories, area, "Nearly all the %s is on the %s. Guests across the tray would like some too.", "%s")
	if weight > 0 {
		heavy = heavy.Mul(1 / weight)
		d := heavy.Dist(l.centre) / l.half
		m.values["spread.weight"] = d
		if d > .22 {
			m.find("spread.weight", Mend, 10*d, heavy, nil, "The tray is heavy on the %s: big, tall and bright things crowd there.", m.side(heavy))
		}
	}
	same, all := 0.0, 0.0
	for i := range l.elems {
		for j := range i {
			s := l.field.frontierMM(i, j)
			all += s
			if l.elems[i].food.Category == l.elems[j].food.Category {
				same += s
			}
		}
	}
	if all > 0 {
		m.values["spread.kind"] = same / all
	}
}

// flow measures how much of the board's long axis the trails reach along.
func (m *measures) flow() {
	box := m.l.tray.Board.FoodZone.Bounds()
	along := func(p geom.Point) float64 { return (p.X - box.Min.X) / box.W() }
	if box.H() > box.W() {
		along = func(p geom.Point) float64 { return (p.Y - box.Min.Y) / box.H() }
	}
	const bins = 40
	var hit [bins]bool
	trails := false
	m.each(func(i int, e *elem) {
		if m.l.tray.Elements[i].Kind() != food.KindTrail {
			return
		}
		trails = true
		for b := range e.bodies {
			lo, hi := int(along(e.bodies[b].Box.Min)*bins), int(along(e.bodies[b].Box.Max)*bins)
			for k := max(0, lo); k <= min(bins-1, hi); k++ {
				hit[k] = true
			}
		}
	})
	if !trails {
		return
	}
	n := 0
	for _, h := range hit {
		if h {
			n++
		}
	}
	m.values["flow.span"] = float64(n) / bins
}

func (m *measures) pairings() {
	l := m.l
	by := map[string][]int{}
	m.each(func(i int, e *elem) { by[e.food.ID] = append(by[e.food.ID], i) })
	sum, n := 0.0, 0
	for i := range l.elems {
		e := &l.elems[i]
		if !e.placed || by[e.food.ID][0] != i {
			continue
		}
		for _, other := range e.food.Pairs {
			list := by[other]
			if len(list) == 0 {
				continue
			}
			best, bi, bj := math.Inf(1), i, list[0]
			for _, a := range by[e.food.ID] {
				for _, b := range list {
					if g := l.at(a, b).gap; g < best {
						best, bi, bj = g, a, b
					}
				}
			}
			sum += math.Min(best, 300)
			n++
			if best > 200 {
				m.find("pairs.near", Note, best/200, l.elems[bi].middle, []int{bi, bj}, "The %s would taste better nearer the %s.", m.name(bi), m.name(bj))
			}
		}
	}
	if n > 0 {
		m.values["pairs.near"] = sum / float64(n)
	}
}

func (m *measures) service() {
	l := m.l
	sum, n := 0.0, 0
	m.each(func(i int, e *elem) {
		if !e.hasFace {
			return
		}
		free := l.freeRoom(i)
		share := math.Min(1, free/e.face.Need)
		sum += share
		n++
		if share < .8 {
			m.find("service.cutroom", Mend, 10*(1-share), e.face.At, []int{i}, "The %s has %.0f mm free in front of it. A knife wants %.0f: turn it, or move what stands there.", m.name(i), free, e.face.Need)
		}
	})
	if n > 0 {
		m.values["service.cutroom"] = sum / float64(n)
	}
}

// lowMM is how high something may be and still let a knife pass over it.
const lowMM = 12

// freeRoom is how far, in mm, the room in front of an element's face is free or
// low, along five lines, the narrowest counting; beyond the food zone counts as taken.
func (l *Live) freeRoom(i int) float64 {
	e := &l.elems[i]
	dir, side := geom.Polar(1, e.face.Dir), geom.Polar(1, e.face.Dir+90)
	free := e.face.Need
	roomBox := e.room.Bounds()
	var near []*geom.Body
	for j := range l.elems {
		o := &l.elems[j]
		if j == i || !o.placed || o.height <= lowMM || !o.box.Meets(roomBox) {
			continue
		}
		for b := range o.bodies {
			if o.bodies[b].Box.Meets(roomBox) && l.tray.Elements[j].Pieces[b].ZMM+l.tray.Elements[j].Pieces[b].HeightMM > lowMM {
				near = append(near, &o.bodies[b])
			}
		}
	}
	for k := -2; k <= 2; k++ {
		from := e.face.At.Add(side.Mul(float64(k) * e.face.Width * .22))
		for d := 3.0; d < free; d += 3 {
			p := from.Add(dir.Mul(d))
			taken := !l.tray.Board.FoodZone.Contains(p)
			for _, b := range near {
				taken = taken || b.Outline.Contains(p)
			}
			if taken {
				free = d
				break
			}
		}
	}
	return free
}

func (m *measures) care() {
	l := m.l
	places := 0
	for i := range l.elems {
		for j := range l.elems {
			if i == j || !l.wets(i, j) {
				continue
			}
			if g := l.at(i, j).wet; g < wetMM {
				places++
				at := l.elems[i].middle.Lerp(l.elems[j].middle, .5)
				m.find("care.wetdry", Mend, (wetMM-g)/4, at, []int{i, j}, "The %s lies %.0f mm from the %s, which will go soft. Keep 25 mm or a bowl between them.", m.name(i), g, m.name(j))
			}
		}
	}
	m.values["care.wetdry"] = float64(places)

	loose := 0
	if l.tray.Board.RimMM == 0 {
		m.each(func(i int, e *elem) {
			if !e.food.Rolls || l.tray.Elements[i].Vessel != "" {
				return
			}
			n := 0
			var at geom.Point
			for b := range e.bodies {
				box := e.bodies[b].Box
				c := box.Centre()
				if l.tray.Board.Outline.EdgeDistance(c)-box.W()/2 < 40 && !l.held(c, box) {
					n++
					at = c
				}
			}
			loose += n
			if n > 0 {
				m.find("care.roll", Mend, float64(n), at, []int{i}, "%d of the %s near the edge have nothing to hold them and may roll off. Tuck them behind something.", n, m.name(i))
			}
		})
	}
	m.values["care.roll"] = float64(loose)

	broken := 0
	m.each(func(i int, e *elem) {
		if a := e.food.Breaks(l.off); a != "" {
			broken++
			m.find("care.allergen", Stop, 100, e.middle, []int{i}, "The %s contains %s, which guests of this brief avoid. Take it off; the labels of your own packs decide.", m.name(i), a)
		}
	})
	m.values["care.allergen"] = float64(broken)

	if b := l.tray.Board; !b.FoodSafe {
		m.values["care.ground"] = 0
		if b.Liner == "" {
			m.values["care.ground"] = 1
			m.find("care.ground", Mend, 20, b.FoodZone.Centroid(), nil, "This surface is not known to be fit for food. Line it with food-grade paper: choose a liner in the brief, or for the board itself.")
		}
	}

	if l.tray.Table().Young() {
		seen := map[string]bool{}
		m.each(func(i int, e *elem) {
			if e.food.Choking && !seen[e.food.ID] {
				seen[e.food.ID] = true
				m.find("care.child", Note, 1, e.middle, []int{i}, "Small children come: %s can choke. Cut them lengthwise, or keep them out of small hands.", m.name(i))
			}
		})
		m.values["care.child"] = float64(len(seen))
	}
}

// held reports whether a piece has neighbours on two sides that are not next to
// each other, within 5 mm.
func (l *Live) held(c geom.Point, box geom.Rect) bool {
	r := math.Max(box.W(), box.H())/2 + 5
	first := -1
	for k := range 8 {
		if l.field.occupied(c.Add(geom.Polar(r, float64(k)*45))) {
			if first < 0 {
				first = k
			} else if d := k - first; d >= 2 && d <= 6 {
				return true
			}
		}
	}
	return false
}
