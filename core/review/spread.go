package review

import (
	"cmp"
	"math"
	"slices"

	"happytray/core/colour"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/say"
)

// centroid gathers elements of one kind.
type centroid struct {
	sum    geom.Point
	weight float64

	members []int
}

func add(into map[string]*centroid, key string, i int, e *elem, weight float64) {
	c := into[key]
	if c == nil {
		c = &centroid{}
		into[key] = c
	}
	c.sum = c.sum.Add(e.middle.Mul(weight))
	c.weight += weight
	c.members = append(c.members, i)
}

// balance scores how far the centres of several kinds lie from the board's own,
// weighted by their area. A kind that is in one place only, or hardly there,
// cannot balance and does not count.
func (m *measures) balance(check string, kinds map[string]*centroid, area float64) {
	sum, weight, worst := 0.0, 0.0, 0.0
	worstKey := ""
	for _, key := range sortedKeys(kinds) {
		c := kinds[key]
		if len(c.members) < 2 || c.weight < .02*area {
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
		c := kinds[worstKey]
		at := c.sum.Mul(1 / c.weight)
		largest := slices.Clone(c.members)
		slices.SortStableFunc(largest, func(a, b int) int { return cmp.Compare(m.l.elems[b].area, m.l.elems[a].area) })
		m.find(check, Mend, 8*worst, at, largest[:min(len(largest), 4)], say.New(check, say.Group(worstKey), say.Word(m.side(at))))
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
		return m.l.tray.Board.SideWord("bottom")
	}
	return m.l.tray.Board.SideWord("top")
}

func (m *measures) spread() {
	l := m.l
	categories := map[string]*centroid{}
	area, weight := 0.0, 0.0
	var heavy geom.Point
	m.each(func(i int, e *elem) {
		if l.elems[i].hangs() {
			return
		}
		if l.keptApart(i) == "" { // what is kept apart is on one side with intent
			add(categories, string(e.food.Category), i, e, e.area)
		}
		area += e.area
		w := e.area * (10 + e.height) * (.4 + math.Min(60, e.ground)/60)
		heavy = heavy.Add(e.middle.Mul(w))
		weight += w
	})
	m.balance("spread.category", categories, area)
	if weight > 0 {
		heavy = heavy.Mul(1 / weight)
		d := heavy.Dist(l.centre) / l.half
		m.values["spread.weight"] = d
		if d > .22 {
			m.find("spread.weight", Mend, 10*d, heavy, nil, say.New("spread.weight", say.Word(m.side(heavy))))
		}
	}
	same, large, all := 0.0, 0.0, 0.0
	for i := range l.elems {
		for j := range i {
			s := l.chart.frontierMM(i, j)
			if s == 0 {
				continue
			}
			all += s
			if l.elems[i].food.Category == l.elems[j].food.Category {
				same += s
			}
			if l.elems[i].big && l.elems[j].big {
				large += s
				if s > 40 && !l.leans(i, j) {
					m.find("spread.size", Note, s/60, l.elems[i].middle.Lerp(l.elems[j].middle, .5), []int{i, j}, say.New("spread.size", m.it(i), m.other(j, i)))
				}
			}
		}
	}
	if all > 0 {
		m.values["spread.kind"] = same / all
		m.values["spread.size"] = large / all
	}
	if l.mirror {
		m.mirrored()
	}
}

// bigMM2 is the size of a single piece from which a thing counts as large: a cheese,
// a bowl, a bunch of grapes (docs/craft.md, Where things go: big next to small).
const bigMM2 = 2400

// mirrorStep is how many cells of the raster apart the two sides are compared.
const mirrorStep = 2

// mirrored measures how much of the board shows another kind of food, or another
// colour, on its other side, left against right: half for each.
func (m *measures) mirrored() {
	f, l := &m.l.chart, m.l
	n, off := 0, 0.0
	type spot struct {
		worth float64
		sum   geom.Point
		n     float64
	}
	worst := map[[2]int16]spot{}
	for y := 0; y < f.g.H; y += mirrorStep {
		for x := 0; x < f.g.W; x += mirrorStep {
			c := f.g.Centre(x, y)
			if c.X >= l.centre.X {
				break
			}
			ox, oy := f.g.At(geom.Pt(2*l.centre.X-c.X, c.Y))
			if !f.g.In(ox, oy) {
				continue
			}
			i, j := y*f.g.W+x, oy*f.g.W+ox
			if !f.zone[i] || !f.zone[j] {
				continue
			}
			n++
			a, b := f.near[i], f.near[j]
			if a == b {
				continue
			}
			d := 1.0
			if a >= 0 && b >= 0 {
				d = 0
				if l.elems[a].food.Category != l.elems[b].food.Category {
					d += .5
				}
				if l.elems[a].food != l.elems[b].food {
					d += .5 * math.Min(1, colour.Difference(l.elems[a].surface, l.elems[b].surface)/20)
				}
			}
			off += d
			if !m.quiet && d > 0 && a >= 0 && b >= 0 {
				w := worst[[2]int16{a, b}]
				w.worth, w.sum, w.n = w.worth+d, w.sum.Add(c), w.n+1
				worst[[2]int16{a, b}] = w
			}
		}
	}
	if n == 0 {
		return
	}
	m.values["spread.mirror"] = off / float64(n)
	if m.quiet || off/float64(n) < .2 {
		return
	}
	var a, b int16 = -1, -1
	for k, w := range worst {
		if a < 0 || w.worth > worst[[2]int16{a, b}].worth || w.worth == worst[[2]int16{a, b}].worth && (k[0] < a || k[0] == a && k[1] < b) {
			a, b = k[0], k[1]
		}
	}
	if a >= 0 {
		w := worst[[2]int16{a, b}]
		m.find("spread.mirror", Mend, 8*off/float64(n), w.sum.Mul(1/w.n), []int{int(a), int(b)}, say.New("spread.mirror", m.it(int(a)), m.other(int(b), int(a))))
	}
}

// leans reports whether one of two things is a row and the other a bowl or a whole cheese that it lies against: rows do, and
// crackers round a bowl are how it is done.
func (l *Live) leans(i, j int) bool {
	row := func(k int) bool { return l.elems[k].kind == food.KindRow || l.elems[k].kind == food.KindTrail }
	stands := func(k int) bool {
		return l.elems[k].kind == food.KindAnchor || l.tray.Elements[k].Vessel != ""
	}
	return row(i) && stands(j) || row(j) && stands(i)
}
