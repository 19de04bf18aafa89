package graze

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"happytray/core/say"
)

// much is the part of a dish from which on it is worth to say why it is left.
const much = .35

// why explains what becomes of a dish, what decides it first.
func (s *sum) why(i int, left float64, e Element) []string {
	d := &s.dishes[i]
	f := s.foods[d.food].food
	out := []string{}
	least := math.Inf(1)
	for _, far := range d.far {
		least = math.Min(least, far)
	}
	switch {
	case math.IsInf(least, 1) && len(d.heaps) == 0:
		return append(out, "It waits beside the board.")
	case math.IsInf(least, 1):
		return append(out, "Guests stand at no side of its board.")
	case least >= s.p.reachMost:
		return append(out, fmt.Sprintf("Nobody reaches it: the nearest of it lies %s from where guests stand.", say.Length(least)))
	}
	if none := s.outOfReach(d); none > 0 {
		out = append(out, say.Upper(fmt.Sprintf("%s of it lies out of everybody's reach.", inWords(float64(none)/float64(d.helpings)))))
	} else if from := s.reachedFrom(d); len(from) == 1 && len(s.sides()) > 1 {
		out = append(out, fmt.Sprintf("It is only reached from the %s.", s.word(from[0])))
	}
	if d.noTool {
		out = append(out, fmt.Sprintf("There is no tool for it: %s of the guests takes it all the same.", inWords(s.p.noTool)))
	}
	if d.uncut {
		out = append(out, fmt.Sprintf("Nobody has begun it: only %s of the guests cuts into it.", inWords(s.p.uncut)))
	}
	if not, who := s.notFor(d); not > 0 {
		out = append(out, fmt.Sprintf("%d of %d guests do not eat it (%s).", not*s.copies, s.people*s.copies, strings.Join(who, ", ")))
	}
	if d.messy {
		out = append(out, "It touches what is wet, and is passed over for what is crisp.")
	}
	switch {
	case left >= much && f.Liking < .5:
		out = append(out, "Few guests take it.")
	case left >= much && len(out) == 0:
		out = append(out, fmt.Sprintf("There is more of it than they want: %s stays.", inWords(left)))
	case e.GoneShare >= .5 && e.GoneAtMin != nil && e.GoneAtMin.P50 < .6*s.minutes:
		out = append(out, fmt.Sprintf("Gone after %s of %s: they would take more.", say.Hours(e.GoneAtMin.P50), say.Hours(s.minutes)))
	}
	return out
}

// outOfReach counts the helpings of a dish that nobody reaches.
func (s *sum) outOfReach(d *dish) (n int) {
	for _, h := range d.heaps {
		if h.from == 0 {
			n += h.helpings
		}
	}
	return n
}

// reachedFrom lists the sides from which a dish is reached.
func (s *sum) reachedFrom(d *dish) (out []string) {
	for k, far := range d.far {
		if far < s.p.reachMost && !slices.Contains(out, s.spots[k].side) {
			out = append(out, s.spots[k].side)
		}
	}
	return out
}

// word says a side as who stands before it would.
func (s *sum) word(side string) string {
	return s.spots[slices.IndexFunc(s.spots, func(p spot) bool { return p.side == side })].word
}

func (s *sum) sides() (out []string) {
	for _, p := range s.spots {
		if !slices.Contains(out, p.side) {
			out = append(out, p.side)
		}
	}
	return out
}

// notFor counts the guests who do not eat a dish.
func (s *sum) notFor(d *dish) (n int, who []string) {
	for g, eats := range s.foods[d.food].eats {
		if !eats {
			n += s.groups[g].count
			who = append(who, s.groups[g].who)
		}
	}
	return n, who
}

// inWords says a share in words of the table.
func inWords(share float64) string {
	for _, w := range []struct {
		most float64
		says string
	}{{.07, "very little"}, {.15, "a tenth"}, {.22, "a fifth"}, {.29, "a quarter"}, {.36, "a third"}, {.45, "two fifths"}, {.55, "half"}, {.63, "three fifths"}, {.71, "two thirds"}, {.85, "three quarters"}, {.97, "nearly all"}} {
		if share <= w.most {
			return w.says
		}
	}
	return "all"
}
