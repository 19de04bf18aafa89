package practice

import (
	"maps"
	"math"
	"slices"

	"happytray/core/access"
	"happytray/core/adjacency"
	"happytray/core/brief"
	"happytray/core/colour"
	"happytray/core/diet"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
	"happytray/core/portion"
	"happytray/core/review"
	"happytray/core/safety"
	"happytray/core/tray"
)

// The faults, one by one. Each answers with a copy of the tray that has it, or nil.

// overTheEdge pushes some pieces of a heap or a row out until they hang over.
func (m *maker) overTheEdge(t *tray.Tray) *tray.Tray {
	zone := t.Board.FoodZone
	near := func(p *tray.Piece) bool { return zone.EdgeDistance(p.At) < 24 }
	i, ok := pick(m.r, m.lying(t, func(_ int, e *tray.Element, f *food.Food) bool {
		return e.Vessel == "" && (e.Kind() == food.KindLoose || e.Kind() == food.KindRow) && !food.Has(e.Form, food.OnFood) && !f.Rolls && slices.ContainsFunc(e.Pieces, func(p tray.Piece) bool { return near(&p) })
	}))
	if !ok {
		return nil
	}
	c := t.Clone()
	e := &c.Elements[i]
	for n, moved := 0, 0; n < len(e.Pieces) && moved < 3; n++ {
		p := &e.Pieces[n]
		if !near(p) {
			continue
		}
		by := zone.NearestOnEdge(p.At).Sub(p.At)
		by = by.Unit().Mul(by.Len() + 2 + 6*m.r.Float64())
		p.At = p.At.Add(by).Round()
		p.Outline = p.Outline.Move(by).Round()
		moved++
	}
	return c
}

// bare takes a heap off, so that the board shows.
func (m *maker) bare(t *tray.Tray) *tray.Tray {
	i, ok := pick(m.r, m.lying(t, func(i int, e *tray.Element, f *food.Food) bool { return loose(i, e, f) && e.Grams > 15 }))
	if !ok {
		return nil
	}
	c := t.Clone()
	c.Elements = slices.Delete(c.Elements, i, i+1)
	return c
}

// avoidedWords are allergens of which a guest of an exercise avoids one.
var avoidedWords = []string{"nuts", "egg", "sesame", "mustard", "fish", "celery", "soy", "sulphites", "gluten", "milk"}

// avoided lets a guest avoid what exactly one thing on the board holds.
func (m *maker) avoided(t *tray.Tray) *tray.Tray { return m.withDiet(t, diet.Avoided) }

// mayHold lets a guest avoid what exactly one thing may hold in traces.
func (m *maker) mayHold(t *tray.Tray) *tray.Tray { return m.withDiet(t, diet.Traces) }

func (m *maker) withDiet(t *tray.Tray, as diet.Verdict) *tray.Tray {
	if len(t.Brief.Diets) > 0 {
		return nil
	}
	for _, w := range shuffled(m.r, avoidedWords) {
		verdicts := map[diet.Verdict]int{}
		for i := range t.Elements {
			if f, ok := m.larder.Get(t.Elements[i].Food); ok {
				v, _ := diet.Avoiding([]string{w}, f)
				verdicts[v]++
			}
		}
		other := diet.Avoided + diet.Traces - as
		if verdicts[as] == 1 && verdicts[other] == 0 {
			c := t.Clone()
			c.Brief.Diets = []brief.Diet{{Who: "a guest", Count: 1, Avoid: []string{w}}}
			return c
		}
	}
	return nil
}

// intoEachOther pushes one thing that stands into another.
func (m *maker) intoEachOther(t *tray.Tray) *tray.Tray {
	stand := m.lying(t, func(_ int, e *tray.Element, _ *food.Food) bool { return e.Kind() == food.KindAnchor })
	best, gap := [2]int{}, 7.0
	for _, i := range stand {
		for _, j := range stand {
			if d := geom.BoxGap(pack.BoxOf(t.Elements[i].Pieces), pack.BoxOf(t.Elements[j].Pieces)); i < j && d < gap {
				best, gap = [2]int{i, j}, d
			}
		}
	}
	if gap == 7 {
		return nil
	}
	c := t.Clone()
	a, b := &c.Elements[best[0]], &c.Elements[best[1]]
	by := pack.BoxOf(b.Pieces).Centre().Sub(pack.BoxOf(a.Pieces).Centre()).Unit().Mul(gap + 5 + 3*m.r.Float64())
	to := a.Pose()
	to.X, to.Y = to.X+by.X, to.Y+by.Y
	a.MoveTo(to)
	return c
}

// unlined lays it all on a surface that is not known to be fit for food.
func (m *maker) unlined(t *tray.Tray) *tray.Tray {
	if !t.Board.FoodSafe {
		return nil
	}
	c := t.Clone()
	board := *t.Board
	board.FoodSafe, board.Liner, board.Material, board.Name, board.Colour = false, "", "wood", "Painted board, old", "#7d8f8a"
	c.Board = &board
	return c
}

// stones puts something with stones or shells there, and no dish.
func (m *maker) stones(t *tray.Tray) *tray.Tray {
	return m.exchangedFor(t, m.lying(t, loose), m.others(func(f *food.Food) bool {
		return safety.LeavesStones(f) && !m.breaks(t, f)
	}))
}

// breaks reports whether somebody at the table avoids a food.
func (m *maker) breaks(t *tray.Tray, f *food.Food) bool { return !diet.CanEat(t.Brief.Avoided(), f) }

// chokes lets small children come where something lies that they can choke on.
func (m *maker) chokes(t *tray.Tray) *tray.Tray {
	if t.Brief.Young() || t.Brief.Guests.Adults < 4 {
		return nil
	}
	c := t.Clone()
	c.Brief.Guests.Adults -= 2
	c.Brief.Guests.Children = 2
	return c
}

// wetByCrisp puts something juicy in the place of a heap that lies by crackers.
func (m *maker) wetByCrisp(t *tray.Tray) *tray.Tray {
	crisp := m.lying(t, func(_ int, e *tray.Element, _ *food.Food) bool { return e.Vessel == "" && e.Wetness == food.Crisp })
	near := m.lying(t, func(i int, e *tray.Element, f *food.Food) bool {
		return loose(i, e, f) && !e.Wetness.Wets() && slices.ContainsFunc(crisp, func(k int) bool {
			return k != i && geom.BoxGap(pack.BoxOf(e.Pieces), pack.BoxOf(t.Elements[k].Pieces)) < adjacency.WetBesideCrisp/2
		})
	})
	return m.exchangedFor(t, near, m.others(func(f *food.Food) bool {
		return f.Wetness.Wets() && !m.breaks(t, f) && !f.Rolls && !safety.LeavesStones(f) && !(t.Brief.Young() && f.Choking)
	}))
}

// clumped puts the food of a heap beside another into its place, so that the two read as one.
func (m *maker) clumped(t *tray.Tray) *tray.Tray {
	heaps := m.lying(t, loose)
	for _, i := range heaps {
		for _, j := range heaps {
			if i == j || t.Elements[i].Food == t.Elements[j].Food || geom.BoxGap(pack.BoxOf(t.Elements[i].Pieces), pack.BoxOf(t.Elements[j].Pieces)) > 4 {
				continue
			}
			f, _ := m.larder.Get(t.Elements[i].Food)
			if c := m.exchanged(t, j, f); c != nil {
				return c
			}
		}
	}
	return nil
}

// rolls puts something round at an edge without a rim.
func (m *maker) rolls(t *tray.Tray) *tray.Tray {
	if t.Board.RimMM > 0 {
		return nil
	}
	edge := m.lying(t, func(i int, e *tray.Element, f *food.Food) bool {
		return loose(i, e, f) && !f.Rolls && slices.ContainsFunc(e.Pieces, func(p tray.Piece) bool { return t.Board.FoodZone.EdgeDistance(p.At) < 25 })
	})
	return m.exchangedFor(t, edge, m.others(func(f *food.Food) bool {
		return f.Rolls && !m.breaks(t, f) && !safety.LeavesStones(f) && !(t.Brief.Young() && f.Choking)
	}))
}

// noRoomToCut leaves a round whole, for guests to cut, where no knife comes to it.
func (m *maker) noRoomToCut(t *tray.Tray) *tray.Tray {
	c := m.leftWhole(t, float64(m.r.IntN(turns))*360/turns)
	if c != nil {
		c.Rules.FirstSlice = "left" // so that it is no fault that nobody has begun it
	}
	return c
}

// likeColours puts a food of its neighbour's colour beside it.
func (m *maker) likeColours(t *tray.Tray) *tray.Tray {
	heaps := m.lying(t, loose)
	for _, i := range heaps[:min(4, len(heaps))] {
		var beside []colour.Lab
		for k := range t.Elements {
			if e := &t.Elements[k]; k != i && e.Placed && e.Kind() != food.KindGarnish && geom.BoxGap(pack.BoxOf(t.Elements[i].Pieces), pack.BoxOf(e.Pieces)) < 2 {
				beside = append(beside, colour.Must(e.Colour))
			}
		}
		for _, f := range m.others(func(f *food.Food) bool {
			return !f.Wetness.Wets() && !f.Rolls && !m.breaks(t, f) && !safety.LeavesStones(f) && !(t.Brief.Young() && f.Choking) && !slices.Contains(t.Foods(), f.ID)
		}) {
			lab := colour.Must(f.Colour)
			if !slices.ContainsFunc(beside, func(o colour.Lab) bool { return colour.Difference(lab, o) < 5 }) {
				continue
			}
			if c := m.exchanged(t, i, f); c != nil {
				return c
			}
		}
	}
	return nil
}

// tallBefore sets the bowl that stands nearest to the front up before what lies behind it.
func (m *maker) tallBefore(t *tray.Tray) *tray.Tray {
	if !fronted(t) {
		return nil
	}
	bowls := m.lying(t, func(_ int, e *tray.Element, _ *food.Food) bool { return e.Vessel != "" })
	if len(bowls) == 0 {
		return nil
	}
	slices.SortStableFunc(bowls, func(a, b int) int { return int(t.Elements[b].Y - t.Elements[a].Y) })
	c := t.Clone()
	for n := range c.Elements[bowls[0]].Pieces {
		c.Elements[bowls[0]].Pieces[n].ZMM += 70
	}
	return c
}

// across turns a row off what it lies along.
func (m *maker) across(t *tray.Tray) *tray.Tray {
	i, ok := pick(m.r, m.lying(t, func(_ int, e *tray.Element, _ *food.Food) bool {
		return e.Kind() == food.KindRow && len(e.Pieces) >= 3 && len(e.Pieces) <= 6
	}))
	if !ok {
		return nil
	}
	c := t.Clone()
	e := &c.Elements[i]
	to := e.Pose()
	to.Turn += []float64{35, 50, -35, -50}[m.r.IntN(4)]
	e.MoveTo(to)
	if c = cleared(c, i); c == nil {
		return nil
	}
	return strictly(c, "flow.follow")
}

// stuttering takes folds out of a trail.
func (m *maker) stuttering(t *tray.Tray) *tray.Tray {
	i, ok := pick(m.r, m.lying(t, func(_ int, e *tray.Element, _ *food.Food) bool {
		return e.Kind() == food.KindTrail && len(e.Pieces) > 9
	}))
	if !ok {
		return nil
	}
	c := t.Clone()
	e := &c.Elements[i]
	var left []tray.Piece
	for n := range e.Pieces {
		if n%4 != 2 {
			left = append(left, e.Pieces[n])
		}
	}
	e.Pieces, e.Count = left, len(left)
	return c
}

// spoiling puts beside a food what covers or fights it.
func (m *maker) spoiling(t *tray.Tray) *tray.Tray {
	heaps := m.lying(t, loose)
	for _, i := range heaps[:min(4, len(heaps))] {
		for _, k := range m.lying(t, func(k int, e *tray.Element, _ *food.Food) bool {
			return k != i && e.Kind() != food.KindGarnish && geom.BoxGap(pack.BoxOf(t.Elements[i].Pieces), pack.BoxOf(e.Pieces)) < 5
		}) {
			o, _ := m.larder.Get(t.Elements[k].Food)
			for _, f := range m.others(func(f *food.Food) bool {
				worth, _ := food.Affinity(f, o)
				return adjacency.SpoilEachOther(float32(worth)) && !f.Rolls && !m.breaks(t, f) && !safety.LeavesStones(f) && !(t.Brief.Young() && f.Choking)
			}) {
				if c := m.exchanged(t, i, f); c != nil && !slices.Contains(t.Foods(), f.ID) {
					return strictly(c, "pairs.apart")
				}
			}
		}
	}
	return nil
}

// tooHot makes it a hot day, on which one thing melts, weeps or runs.
func (m *maker) tooHot(t *tray.Tray) *tray.Tray {
	if t.Brief.TemperatureC != nil {
		return nil
	}
	c := t.Clone()
	warm := hot
	c.Brief.TemperatureC = &warm
	suffer := map[string]bool{}
	for i := range c.Elements {
		if f, ok := m.larder.Get(c.Elements[i].Food); ok && diet.TableOf(c.Brief).Suffers(f, c.Elements[i].Form) != "" {
			suffer[f.ID] = true
		}
	}
	if len(suffer) != 1 { // of several the one that is named would not be the only one
		return nil
	}
	return c
}

// leftWhole is a tray on which a round that was cut lies whole, its face turned by so many degrees; nil where there is none.
func (m *maker) leftWhole(t *tray.Tray, turn float64) *tray.Tray {
	const whole = "whole"
	for _, i := range m.lying(t, func(_ int, e *tray.Element, f *food.Food) bool {
		_, comes := f.Spec(whole)
		return comes && e.Vessel == "" && food.Has(e.Form, food.CutInPlace)
	}) {
		c := t.Clone()
		e := &c.Elements[i]
		f, _ := m.larder.Get(e.Food)
		spec, _ := f.Spec(whole)
		to := e.Pose()
		to.Turn += turn
		e.Form, e.Count, e.TurnDeg = whole, 1, to.Turn
		e.Pieces = tray.LayOut(f, spec, nil, to, food.FormByID(whole).Lay(f.ID, spec, 1))
		if c = cleared(c, i); c != nil {
			return c
		}
	}
	return nil
}

// turns are the ways in which a round is tried.
const turns = 4

// unbegun leaves a round whole that was cut, with room for the knife, so that nobody likes to be the first.
func (m *maker) unbegun(t *tray.Tray) *tray.Tray {
	for k := range turns {
		c := m.leftWhole(t, float64(k)*360/turns)
		if c == nil {
			return nil
		}
		if !slices.ContainsFunc(found(c, m.larder), func(f Fault) bool { return f.Check == "service.cutroom" }) {
			return c
		}
	}
	return nil
}

// strictly has a tray judged by the shipped measure of a check, not by the kinder one of the boards of exercises.
func strictly(t *tray.Tray, check string) *tray.Tray {
	t.Rules.Checks = maps.Clone(t.Rules.Checks)
	delete(t.Rules.Checks, check)
	return t
}

// outOfReach lets guests stand on one side alone, and puts something that everybody wants where none of them reaches it: a heap
// near them and one at the far end change places.
func (m *maker) outOfReach(t *tray.Tray) *tray.Tray {
	if len(t.Board.Access) < 2 || t.Board.Turns {
		return nil
	}
	zone := t.Board.FoodZone.Bounds()
	heaps := m.lying(t, loose)
	for _, side := range shuffled(m.r, []string{"top", "bottom", "left", "right"}) {
		from, in := review.SideLine(zone, side)
		depth := func(i int) float64 { // of what lies nearest to the guests
			least := math.Inf(1)
			for n := range t.Elements[i].Pieces {
				least = math.Min(least, t.Elements[i].Pieces[n].Outline.Bounds().Centre().Sub(from).Dot(in)-20)
			}
			return least
		}
		for _, i := range heaps {
			f, _ := m.larder.Get(t.Elements[i].Food)
			if !portion.IsSought(f) || slices.ContainsFunc(t.Elements, func(e tray.Element) bool { return e.Food == f.ID && e.ID != t.Elements[i].ID }) {
				continue
			}
			for _, j := range heaps {
				if i == j || depth(j) < access.Reach+10 {
					continue
				}
				o, _ := m.larder.Get(t.Elements[j].Food)
				c := m.exchanged(t, j, f)
				if c == nil {
					continue
				}
				if c = m.exchanged(c, i, o); c == nil {
					continue
				}
				board := *t.Board
				board.Access = []string{side}
				c.Board = &board
				return c
			}
		}
	}
	return nil
}

// cleared takes away the small pieces that an element now lies on; nil where something larger is in its way.
func cleared(t *tray.Tray, i int) *tray.Tray {
	var mine []geom.Body
	for n := range t.Elements[i].Pieces {
		mine = append(mine, geom.NewBody(t.Elements[i].Pieces[n].Outline))
	}
	for k := range t.Elements {
		e := &t.Elements[k]
		if k == i || !e.Placed || e.Kind() == food.KindGarnish {
			continue
		}
		hit := func(p tray.Piece) bool {
			b := geom.NewBody(p.Outline)
			return slices.ContainsFunc(mine, func(a geom.Body) bool {
				d, _ := geom.Deeper(&a, &b, .5)
				return d > 0
			})
		}
		if !slices.ContainsFunc(e.Pieces, hit) {
			continue
		}
		if e.Kind() != food.KindLoose || e.Vessel != "" {
			return nil
		}
		was := len(e.Pieces)
		e.Pieces = slices.DeleteFunc(slices.Clone(e.Pieces), hit)
		if len(e.Pieces) < was/2 || len(e.Pieces) == 0 {
			return nil
		}
		e.Grams *= float64(len(e.Pieces)) / float64(was)
		e.Count = len(e.Pieces)
	}
	return t
}

// outOfSeason makes it a month in which something that the host asked for is out of season.
func (m *maker) outOfSeason(t *tray.Tray) *tray.Tray {
	if len(t.Brief.Pins) > 0 {
		return nil
	}
	for _, id := range shuffled(m.r, t.Foods()) {
		f, ok := m.larder.Get(id)
		if !ok || len(f.Season) == 0 || f.Category == food.NotFood || f.Category == food.Garnish {
			continue
		}
		for _, k := range m.r.Perm(12) {
			if f.SeasonIn(k+1, "north") == food.NotNow {
				c := t.Clone()
				c.Brief.Month, c.Brief.ServeAt = k+1, ""
				c.Brief.Pins = []brief.Want{{Food: id}}
				return c
			}
		}
	}
	return nil
}
