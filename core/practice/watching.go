package practice

import (
	"fmt"
	"math"
	"slices"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/graze"
	"happytray/core/job"
	"happytray/core/safety"
	"happytray/core/say"
	"happytray/core/tray"
)

// The exercises of a board that is out - what can be kept, by when it goes, what is done first - and of what it costs.

// hot is a day on which food has half of its hours, C.
const hot = 34.0

// at is a minute of the day as a clock shows it.
func at(minute float64) string {
	m := (int(math.Round(minute)) + 24*60) % (24 * 60)
	return fmt.Sprintf("%02d:%02d", m/60, m%60)
}

// keep asks how long food may stand out: which of some can still be put back, and which is thrown away. At the harder levels each
// thing has been out since a time of its own, as what was topped up later.
func (m *maker) keep() *Exercise {
	warm := 20.0
	if m.level > 2 && m.r.IntN(2) == 0 {
		warm = hot
	}
	b := brief.Brief{Guests: brief.Guests{Adults: 8}, TemperatureC: &warm}
	hold, says := safety.HoldingTime(b)
	var dry, cold []*food.Food
	for _, f := range m.usual(func(*food.Food) bool { return true }) {
		switch {
		case f.Needs(food.Perishable):
			cold = append(cold, f)
		case f.Category == food.Nut || f.Category == food.Dried || f.Category == food.Cracker:
			dry = append(dry, f)
		}
	}
	n := m.choices()
	now := float64(18*60 + 5*m.r.IntN(36))
	out := map[string]float64{} // minutes out, by food
	spread := 0.0               // how far the times of what perishes lie apart
	if m.level > 2 {
		spread = hold / 2
	}
	some := max(1, n/2)
	if m.level > 2 {
		some = n - 1 - m.r.IntN(2) // what is dry keeps anyway: hardly any of it is asked
	}
	middle := hold + float64(15*(1+m.r.IntN(4)))
	if m.level > 1 && m.r.IntN(3) == 0 {
		middle = hold - float64(15*(1+m.r.IntN(3)))
	}
	list := append(slices.Clone(dry[:n-some]), cold[:some]...)
	for k, f := range cold[:some] {
		out[f.ID] = middle
		if spread > 0 { // in steps over the whole of it, some on either side; nothing is asked within five minutes of its end
			off := math.Round((float64(k)/math.Max(1, float64(some-1))-.5)*2*spread/5) * 5
			if math.Abs(off) < 10 {
				off = 10
			}
			out[f.ID] = hold + off
		}
	}
	for _, f := range dry[:n-some] {
		out[f.ID] = middle
	}
	var keeps, goes []*food.Food
	for _, f := range list {
		if f.Needs(food.Perishable) && out[f.ID] > hold {
			goes = append(goes, f)
		} else {
			keeps = append(keeps, f)
		}
	}
	asks := say.That("practice.keep", say.Minutes(middle), say.Celsius(warm))
	if spread > 0 {
		asks = say.That("practice.keep.each", say.Word(at(now)), say.Celsius(warm))
	}
	e := m.asked("hours", asks, keeps, goes, func(f *food.Food) say.Text {
		switch {
		case !f.Needs(food.Perishable):
			return say.That("practice.keep.dry", say.Food(f.Name))
		case out[f.ID] <= hold:
			return say.That("practice.keep.within", say.Food(f.Name), say.Minutes(hold))
		}
		return say.That("practice.keep.over", say.Food(f.Name), say.Minutes(hold))
	})
	for k := range e.Choices {
		if c := &e.Choices[k]; spread > 0 {
			f, _ := m.larder.Get(c.ID)
			c.Says = say.That("practice.keep.since", say.Food(f.Name), say.Word(at(now-out[f.ID])))
		}
	}
	e.Brief = &b
	e.Solution.Because = append(e.Solution.Because, Because{Says: says})
	return e
}

// clock asks by when what perishes goes: its hours begin when it leaves the cold, not when guests come.
func (m *maker) clock() *Exercise {
	warm := 21.0
	if m.level > 2 && m.r.IntN(2) == 0 {
		warm = hot
	}
	b := brief.Brief{Guests: brief.Guests{Adults: 8}, TemperatureC: &warm}
	hold, says := safety.HoldingTime(b)
	f := m.usual(func(f *food.Food) bool { return f.Needs(food.Perishable) && f.WarmUpMin > 0 })[0]
	left := float64(15*60 + 5*m.r.IntN(40))
	serve := left + float64(5*(3+m.r.IntN(6)))
	topped := 0.0
	asks := say.That("practice.clock", say.Food(f.Name), say.Word(at(left)), say.Word(at(serve)), say.Celsius(warm))
	if m.level > 3 { // what came later has hours of its own, and does not make the first younger
		topped = serve + float64(5*(4+m.r.IntN(8)))
		asks = say.That("practice.clock.topped", say.Food(f.Name), say.Word(at(left)), say.Word(at(serve)), say.Word(at(topped)), say.Celsius(warm))
	}
	right := left + hold
	wrong := []float64{serve + hold, left + 2*hold, serve + hold/2, left + hold/2, serve + 2*hold, right + 30, right - 30}
	if topped > 0 {
		wrong = append([]float64{topped + hold}, wrong...)
	}
	list := []float64{right}
	for _, w := range wrong {
		if len(list) < min(6, m.choices()) && !slices.Contains(list, w) && w > topped {
			list = append(list, w)
		}
	}
	slices.Sort(list)
	e := &Exercise{Rules: []string{"hours"}, Pick: 1, Brief: &b, Asks: asks, Solution: &Solution{Right: []string{at(right)}}}
	for _, w := range list {
		e.Choices = append(e.Choices, Choice{ID: at(w), Says: say.Plain(at(w))})
	}
	e.Solution.Because = []Because{{Says: says}, {Says: say.That("practice.clock.why", say.Word(at(left)), say.Minutes(hold), say.Word(at(right)))}}
	return e
}

// How soon something at a board is done that is out: what can harm goes before what everybody waits for, that before what will be
// wanted soon, and looks come last. Of two that are alike nobody quarrels which is first.
const (
	harms = iota
	waited
	soon
	looks
)

// pressing is something to do at a board that is out.
type pressing struct {
	id        string
	how       int // soon
	says, why say.Text
}

// save asks what is done first at a board after some hours: what has run out and what runs low the simulated evening says.
func (m *maker) save() *Exercise {
	list := bases()
	n := m.r.IntN(len(list))
	t := list[n]
	warm := 22.0
	b := t.Brief
	b.TemperatureC = &warm
	hold, _ := safety.HoldingTime(b)
	minutes := hold + float64(10*(1+m.r.IntN(3)))
	taken := map[string]bool{}
	pick := func(of func(f *food.Food) bool) *food.Food {
		for _, id := range shuffled(m.r, t.Foods()) {
			if f, ok := m.larder.Get(id); ok && !taken[id] && f.Category != food.NotFood && f.Category != food.Garnish && of(f) {
				taken[id] = true
				return f
			}
		}
		return nil
	}
	var all []pressing
	add := func(how int, code, why string, with ...say.Value) {
		all = append(all, pressing{code, how, say.That(code, with...), say.That(why)})
	}
	gone, low := m.afterwards(t, taken)
	rows := map[string]bool{}
	for i := range t.Elements {
		if t.Elements[i].Kind() == food.KindRow {
			rows[t.Elements[i].Food] = true
		}
	}
	if gone != nil {
		add(waited, "practice.save.gone", "practice.save.why.gone", say.Food(gone.Name))
	} else {
		add(waited, "practice.save.knife", "practice.save.why.knife")
	}
	if low != nil {
		add(soon, "practice.save.low", "practice.save.why.low", say.Food(low.Name))
	} else {
		add(soon, "practice.save.plates", "practice.save.why.plates")
	}
	if f := pick(func(f *food.Food) bool { return f.Needs(food.Perishable) }); f != nil {
		add(harms, "practice.save.over", "practice.save.why.over", say.Food(f.Name), say.Minutes(minutes))
	}
	if f := pick(func(f *food.Food) bool { return f.Category == food.Cracker && rows[f.ID] }); f != nil {
		add(looks, "practice.save.crooked", "practice.save.why.crooked", say.Food(f.Name))
	}
	if f := pick(func(f *food.Food) bool { return f.Category == food.Cheese }); f != nil && m.level > 1 {
		add(harms, "practice.save.spoon", "practice.save.why.spoon", say.Food(f.Name))
	}
	more := []func(){
		func() { add(soon, "practice.save.napkins", "practice.save.why.napkins") },
		func() { add(looks, "practice.save.greens", "practice.save.why.greens") },
		func() { add(harms, "practice.save.unknown", "practice.save.why.unknown") },
		func() { add(soon, "practice.save.water", "practice.save.why.water") },
	}
	if gone != nil {
		more = append(more, func() { add(waited, "practice.save.knife", "practice.save.why.knife") })
	}
	for _, k := range m.r.Perm(len(more))[:min(len(more), max(0, m.level-1))] {
		more[k]()
	}
	e := &Exercise{Rules: []string{"hours", "top-up", "clean"}, Asks: say.That("practice.save", say.N(b.Guests.Total()), say.Minutes(hold-30)), Solution: &Solution{Because: []Because{}}}
	slices.SortStableFunc(all, func(x, y pressing) int { return x.how - y.how })
	for i, p := range all {
		e.Solution.Order = append(e.Solution.Order, p.id)
		e.Solution.Because = append(e.Solution.Because, Because{ID: p.id, Says: p.why})
		for _, o := range all[i+1:] {
			if o.how > p.how {
				e.Solution.Before = append(e.Solution.Before, [2]string{p.id, o.id})
			}
		}
	}
	for _, p := range shuffled(m.r, all) {
		e.Choices = append(e.Choices, Choice{ID: p.id, Says: p.says})
	}
	return e
}

// afterwards is of a tray, as a simulated evening has it, what ran out first and what was eaten most of the rest; both are noted
// as taken.
func (m *maker) afterwards(t *tray.Tray, taken map[string]bool) (gone, low *food.Food) {
	evening := graze.Play(&job.Job{Title: "practice", Brief: t.Brief, Trays: []*tray.Tray{t}}, m.larder, m.r.Uint64())
	first, most := math.Inf(1), .5 // less than half of it is left
	of := map[string]*food.Food{}
	for i := range t.Elements {
		if f, ok := m.larder.Get(t.Elements[i].Food); ok && f.Category != food.NotFood && f.Category != food.Garnish {
			of[t.Elements[i].ID] = f
		}
	}
	for _, o := range evening {
		if f := of[o.ID]; f != nil && o.GoneAtMin != nil && *o.GoneAtMin < first {
			gone, first = f, *o.GoneAtMin
		}
	}
	for _, o := range evening {
		if f := of[o.ID]; f != nil && f != gone && o.LeftG > 0 && 1-o.LeftG/o.LaidG > most {
			low, most = f, 1-o.LeftG/o.LaidG
		}
	}
	for _, f := range []*food.Food{gone, low} {
		if f != nil {
			taken[f.ID] = true
		}
	}
	return gone, low
}

// cost asks for the cheapest packs of a food: the others are too little, or dearer.
func (m *maker) cost() *Exercise {
	for _, f := range m.usual(func(f *food.Food) bool { return len(m.larder.PacksOf(f)) > 1 }) {
		laid := float64(10 * (10 + m.r.IntN(30*m.level)))
		form := f.Forms[0].Form
		need := laid
		if m.level > 2 { // what is peeled, stoned or shelled is bought by more than is laid
			need = f.BoughtFor(form, laid)
		}
		if m.level > 2 && need < laid*1.05 {
			continue
		}
		if e := m.packs(f, laid, need); e != nil {
			return e
		}
	}
	return m.cheap()
}

// cheap is the same of a food that comes as it is laid.
func (m *maker) cheap() *Exercise {
	for {
		for _, f := range m.usual(func(f *food.Food) bool { return len(m.larder.PacksOf(f)) > 1 }) {
			need := float64(10 * (10 + m.r.IntN(120)))
			if e := m.packs(f, need, need); e != nil {
				return e
			}
		}
	}
}

// packs are baskets of a food to choose the right one from; nil where there are too few that differ.
func (m *maker) packs(f *food.Food, laid, need float64) *Exercise {
	sizes := m.larder.PacksOf(f)
	best, bought, cost := food.Cover(sizes, need)
	if cost == 0 || bought > 6000 {
		return nil
	}
	type basket struct {
		says  string
		grams float64
		cost  int
	}
	written := func(of []food.Packs) basket {
		var b basket
		var parts []string
		for _, p := range of {
			if p.Count > 0 {
				parts = append(parts, fmt.Sprintf("%d × %g g", p.Count, p.Grams))
				b.grams += p.Grams * float64(p.Count)
				b.cost += p.Price * p.Count
			}
		}
		b.says = say.And(parts)
		return b
	}
	right := written(best)
	list := []basket{right}
	// one more and one fewer of each size, and all of one size
	try := func(of []food.Packs) {
		b := written(of)
		dearer, short := b.grams >= need && b.cost > cost, b.grams > 0 && b.grams < .93*need // nobody quarrels about a few grams
		if (dearer || short) && b.cost < 2*cost && len(list) < min(6, m.choices()) && !slices.ContainsFunc(list, func(o basket) bool { return o.says == b.says }) {
			list = append(list, b)
		}
	}
	count := func(grams float64) int {
		for _, p := range best {
			if p.Grams == grams {
				return p.Count
			}
		}
		return 0
	}
	for _, k := range m.r.Perm(len(sizes)) {
		whole := int(math.Ceil(need / sizes[k].Grams))
		for _, by := range []int{0, -1} {
			try([]food.Packs{{Grams: sizes[k].Grams, Price: sizes[k].Price, Count: whole + by}})
		}
		for _, by := range []int{-1, 1} {
			var other []food.Packs
			for _, s := range sizes {
				other = append(other, food.Packs{Grams: s.Grams, Price: s.Price, Count: max(0, count(s.Grams)+by*b2i(s == sizes[k]))})
			}
			slices.SortFunc(other, func(x, y food.Packs) int { return int(y.Grams - x.Grams) })
			try(other)
		}
	}
	if len(list) < 3 {
		return nil
	}
	prices := make([]string, 0, len(sizes))
	for _, s := range sizes {
		prices = append(prices, fmt.Sprintf("%g g for %s", s.Grams, money(s.Price)))
	}
	e := &Exercise{Rules: []string{"money"}, Pick: 1, Asks: say.That("practice.cost", say.Grams(laid), say.Food(f.Name), say.Word(say.And(prices))), Solution: &Solution{Right: []string{right.says}}}
	if need > laid {
		e.Rules = append(e.Rules, "yield")
		e.Asks = e.Asks.Then("practice.cost.yield", say.Percent(100*laid/need))
	}
	e.Asks = e.Asks.Then("practice.cost.which")
	for _, b := range shuffled(m.r, list) {
		e.Choices = append(e.Choices, Choice{ID: b.says, Says: say.Plain(b.says)})
		why := say.That("practice.cost.is", say.Word(money(b.cost)), say.Grams(b.grams))
		switch {
		case b.grams < need:
			why = say.That("practice.cost.short", say.Grams(b.grams), say.Grams(math.Ceil(need)))
		case b.cost > cost:
			why = say.That("practice.cost.dearer", say.Word(money(b.cost-cost)))
		}
		e.Solution.Because = append(e.Solution.Because, Because{ID: b.says, Says: why})
	}
	return e
}

// money is a price in the coin of the larder, as it is written on a shelf.
func money(minor int) string { return fmt.Sprintf("%d.%02d", minor/100, minor%100) }
