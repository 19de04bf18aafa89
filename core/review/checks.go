package review

import (
	"slices"

	"happytray/core/geom"
	"happytray/core/say"
)

// Review judges the tray as it stands.
func (l *Live) Review() Review {
	if l.tray.Board == nil {
		return Review{Groups: map[string]float64{}, Checks: []Check{}, Findings: []Finding{}}
	}
	m := l.measured(false)
	rev := total(l.rules, m.values)
	well := map[string]bool{}
	for i := range l.rules {
		if v, ok := m.values[l.rules[i].ID]; !ok || l.rules[i].enough(v) {
			well[l.rules[i].ID] = true
		}
	}
	good := rev.fullAndFair() >= goodTray
	rev.Findings = gather(slices.DeleteFunc(m.found, func(f Finding) bool {
		return f.Severity != Stop && looks(f.Check) && (well[f.Check] && f.worth < glaring || good && f.worth < trifling)
	}))
	return rev
}

// wellEnough is the score of a check of the looks from which on only what is glaring is said of it, by its worth, where
// the check does not say itself from which value on: a tray that is good is told that it is good. The ramps
// go on beyond that, so that the total still tells a good tray from the best.
const (
	wellEnough = .98
	glaring    = 5.0
	goodTray   = 85.0 // points for its fill and its looks from which on nothing trifling is said of the looks
	trifling   = 2.0  // by its worth: a single small border, an accent of a few pieces
)

// Score is the total alone, without findings.
func (l *Live) Score() float64 { return l.Totals().Score }

// Totals is the review without its findings.
func (l *Live) Totals() Review { return total(l.rules, l.measured(true).values) }

// Fits reports whether everything that is laid lies on the board and in no other thing's
// place; far quicker than a review.
func (l *Live) Fits() bool {
	for i := range l.elems {
		if l.elems[i].outside > 0 {
			return false
		}
	}
	l.measurePairs()
	for i := range l.pairs {
		if l.pairs[i].depth > 0 {
			return false
		}
	}
	return true
}

// measured takes every measure; quiet leaves the findings out.
func (l *Live) measured(quiet bool) *measures {
	l.measurePairs()
	l.repaint()
	m := &measures{l: l, values: make(map[string]float64, len(l.rules)), quiet: quiet}
	m.fit()
	m.colours()
	m.spread()
	m.flow()
	m.pairings()
	m.height()
	m.relief()
	m.service()
	m.eaten()
	m.care()
	m.chosen()
	return m
}

type measures struct {
	l      *Live
	values map[string]float64
	found  []Finding
	quiet  bool
}

func (m *measures) find(check, severity string, worth float64, at geom.Point, elements []int, says say.Sentence) {
	if m.quiet {
		return
	}
	ids := make([]string, len(elements))
	for i, e := range elements {
		ids[i] = m.l.tray.Elements[e].ID
	}
	m.found = append(m.found, Finding{Check: check, Severity: severity, Elements: ids, At: at.Round(), Sentence: says, worth: worth})
}

// it is an element in a sentence.
func (m *measures) it(i int) say.Value {
	name := m.l.elems[i].food.Name
	if m.l.tray.Elements[i].Vessel != "" {
		return say.Bowl(name)
	}
	return say.Food(name)
}

// other is the same of an element that is named after another one, so that two heaps of one food are told apart.
func (m *measures) other(j, than int) say.Value {
	name := m.l.elems[j].food.Name
	if name != m.l.elems[than].food.Name {
		return m.it(j)
	}
	name = "Other " + say.Lower(name)
	if m.l.tray.Elements[j].Vessel != "" {
		return say.Bowl(name)
	}
	return say.Food(name)
}

func (m *measures) each(f func(i int, e *elem)) {
	for i := range m.l.elems {
		if m.l.elems[i].placed {
			f(i, &m.l.elems[i])
		}
	}
}
