package prep

import (
	"slices"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/say"
	"happytray/core/tray"
)

// against is how near a row or an arc lies to what it is laid against, mm.
const against = 7.0

// StepName is what an order of hands calls a step.
func StepName(foodID, form string) string { return foodID + "/" + form }

// needsOf tells, for each step, which others must be laid before it: what it lies on, and what it lies
// against where that is set down as a whole. Of two that lie on each other the one of the usual order goes first.
func needsOf(t *tray.Tray, steps []Step, usual []int) [][]Need {
	rank := make([]int, len(steps))
	for n, i := range usual {
		rank[i] = n
	}
	step := map[string]int{}
	for i := range steps {
		for _, id := range steps[i].Elements {
			step[id] = i
		}
	}
	type lying struct {
		e      *tray.Element
		box    geom.Rect
		bodies []geom.Body
	}
	var all []lying
	for i := range t.Elements {
		e := &t.Elements[i]
		if !e.Placed || len(e.Pieces) == 0 {
			continue
		}
		l := lying{e: e}
		for k := range e.Pieces {
			b := geom.NewBody(e.Pieces[k].Outline)
			l.bodies = append(l.bodies, b)
			if k == 0 {
				l.box = b.Box
			}
			l.box = l.box.Union(b.Box)
		}
		all = append(all, l)
	}
	needs := make([][]Need, len(steps))
	known := map[[2]int]bool{}
	for i := range all {
		for j := range all {
			a, b := &all[i], &all[j] // must b go before a?
			sa, oka := step[a.e.ID]
			sb, okb := step[b.e.ID]
			if i == j || !oka || !okb || sa == sb || known[[2]int{sa, sb}] || rank[sb] > rank[sa] || geom.BoxGap(a.box, b.box) > against {
				continue
			}
			how := ""
			switch {
			case a.e.Kind() == food.KindGarnish && lies(a.bodies, b.bodies, 2):
				how = "order.lies"
			case food.Has(a.e.Form, food.OnFood) && lies(a.bodies, b.bodies, 2):
				how = "order.over"
			case (a.e.Kind() == food.KindRow || a.e.Kind() == food.KindTrail) && (b.e.Kind() == food.KindAnchor || b.e.Vessel != "") && touches(a.bodies, b.bodies):
				how = "order.against"
			case a.e.Kind() == food.KindLoose && a.e.Vessel == "" && (b.e.Kind() == food.KindAnchor || b.e.Vessel != "") && touches(a.bodies, b.bodies):
				how = "order.fills"
			default:
				continue
			}
			known[[2]int{sa, sb}] = true
			needs[sa] = append(needs[sa], Need{sb, say.That(how, say.Food(steps[sa].Title), say.Food(steps[sb].Title))})
		}
	}
	return needs
}

// lies reports whether one thing lies more than a little upon another.
func lies(a, b []geom.Body, deep float64) bool {
	for i := range a {
		for j := range b {
			if d, _ := geom.Deeper(&a[i], &b[j], deep); d > 0 {
				return true
			}
		}
	}
	return false
}

func touches(a, b []geom.Body) bool {
	for i := range a {
		for j := range b {
			if geom.BoxGap(a[i].Box, b[j].Box) <= against && geom.Gap(&a[i], &b[j], against) < against {
				return true
			}
		}
	}
	return false
}

// wished is the usual order with the steps that are wished otherwise moved, as far as what must go before does.
func wished(wish []string, steps []Step, usual []int, needs [][]Need) []int {
	if len(wish) == 0 {
		return usual
	}
	at := map[string]int{}
	for n, name := range wish {
		if _, have := at[name]; !have {
			at[name] = n
		}
	}
	// what is not named keeps its neighbour before it in the usual order
	key := make([]float64, len(steps))
	last := -1.0
	for n, i := range usual {
		if k, ok := at[StepName(steps[i].Food, steps[i].Form)]; ok {
			last = float64(k)
			key[i] = last
		} else {
			key[i] = last + .001*float64(n+1)
		}
	}
	rest := slices.Clone(usual)
	slices.SortStableFunc(rest, func(a, b int) int {
		switch {
		case key[a] < key[b]:
			return -1
		case key[a] > key[b]:
			return 1
		}
		return 0
	})
	var out []int
	done := map[int]bool{}
	for len(rest) > 0 { // the first that waits for nothing; the usual order has none that wait for each other
		for n, i := range rest {
			free := !slices.ContainsFunc(needs[i], func(need Need) bool { return !done[need.Step] })
			if free || n == len(rest)-1 {
				out = append(out, i)
				done[i] = true
				rest = slices.Delete(rest, n, n+1)
				break
			}
		}
	}
	return out
}

// mostLayers bounds the layers of an arrangement.
const mostLayers = 100

// layingOrder is what is laid after what, by role: cheese keeps its site however it is cut, and nothing that is juicy or crisp
// waits under hands that still carry cheese and meat.
var layingOrder = map[food.Category]int{food.Cheese: 2, food.Meat: 3, food.Cracker: 4, food.Vegetable: 5, food.Brined: 6, food.Dip: 6, food.Fruit: 7, food.Sweet: 8, food.Dried: 9, food.Nut: 9, food.Garnish: 10, food.NotFood: 1}

// partOf is the part of the order of laying that a thing belongs to.
func partOf(f *food.Food, e *tray.Element) say.Text {
	switch {
	case food.Has(e.Form, food.OnFood):
		return say.That("part.toppings")
	case e.Vessel != "":
		return say.That("part.bowls")
	}
	switch f.Category {
	case food.Cheese:
		return say.That("part.cheese")
	case food.Meat:
		return say.That("part.meat")
	case food.Cracker:
		return say.That("part.crackers")
	case food.Vegetable, food.Brined, food.Dip:
		return say.That("part.vegetables")
	case food.Fruit:
		return say.That("part.fruit")
	case food.Garnish:
		return say.That("part.greens")
	case food.NotFood:
		return say.That("part.props")
	}
	return say.That("part.fillings")
}

// layingRank is the place of a thing in the order of laying, smaller for what goes down sooner. What the house begins with
// goes before the rest.
func layingRank(f *food.Food, e *tray.Element, begin string) int {
	rank := layingOrder[f.Category]
	switch {
	case food.Has(e.Form, food.OnFood):
		return 11
	case e.Vessel != "":
		rank = 1
	}
	if begin == "cheese" && rank == 2 || begin == "meat" && rank == 3 {
		return 0
	}
	return rank
}
