package practice

import (
	"math"
	"slices"

	"happytray/core/brief"
	"happytray/core/diet"
	"happytray/core/food"
	"happytray/core/say"
)

// The exercises of knowing: some choices, of which one or several are right.

// most choices of an exercise, and how many more each level has
const fewestChoices, mostChoices = 4, 9

func (m *maker) choices() int { return min(mostChoices, fewestChoices-1+m.level) }

// usual are the foods that a host meets: no props, no garnish, with a form that is laid.
func (m *maker) usual(of func(f *food.Food) bool) (out []*food.Food) {
	for _, id := range m.larder.IDs() {
		if f, ok := m.larder.Get(id); ok && f.Category != food.NotFood && f.Category != food.Garnish && len(f.Forms) > 0 && f.Like == "" && of(f) {
			out = append(out, f)
		}
	}
	return shuffled(m.r, out)
}

// asked makes an exercise of choices: right and wrong foods, each with its why.
func (m *maker) asked(rule string, asks say.Text, right, wrong []*food.Food, why func(f *food.Food) say.Text) *Exercise {
	e := &Exercise{Rules: []string{rule}, Asks: asks, Solution: &Solution{}}
	for _, f := range shuffled(m.r, append(slices.Clone(right), wrong...)) {
		e.Choices = append(e.Choices, chosen(f))
		e.Solution.Because = append(e.Solution.Because, Because{ID: f.ID, Says: why(f)})
	}
	for _, f := range right {
		e.Solution.Right = append(e.Solution.Right, f.ID)
	}
	slices.Sort(e.Solution.Right)
	return e
}

// What is surely a partner and what surely is none, by affinity; what lies between is a matter of taste and not asked.
const surePair, noPair = .75, .02

// pair asks what goes with a food.
func (m *maker) pair() *Exercise {
	for _, f := range m.usual(func(f *food.Food) bool {
		return f.Category == food.Cheese || f.Category == food.Meat || f.Category == food.Dip
	}) {
		var good, bad []*food.Food
		for _, o := range m.usual(func(o *food.Food) bool { return o != f && o.Category != f.Category }) {
			worth, _ := food.Affinity(f, o)
			_, named := food.NamedPair(f, o)
			switch {
			case named && worth >= surePair:
				good = append(good, o)
			case !named && worth <= noPair && (m.level < 4 || worth < 0 || o.Category == food.Fruit || o.Category == food.Nut):
				bad = append(bad, o)
			}
		}
		n := 1 + m.level/2
		if len(good) < n || len(bad) < m.choices()-n {
			continue
		}
		if m.level > 2 { // those that clash are plain; of the others the foods of the same kinds as the right ones are harder
			slices.SortStableFunc(bad, func(a, b *food.Food) int { return b2i(like(b, good[:n])) - b2i(like(a, good[:n])) })
		}
		e := m.asked("pairs", say.That("practice.pair", say.Food(f.Name), say.N(n)), good[:n], bad[:m.choices()-n], func(o *food.Food) say.Text {
			worth, why := food.Affinity(f, o)
			switch {
			case worth >= surePair:
				return say.That("practice.pair.yes", say.Food(o.Name), say.Word(why))
			case worth < 0:
				return say.That("practice.pair.clash", say.Food(o.Name), say.Food(f.Name), say.Word(why))
			}
			return say.That("practice.pair.no", say.Food(o.Name), say.Food(f.Name))
		})
		e.Pick = n
		return e
	}
	panic("practice: no food has partners") // shipped data; a test asks for every seed
}

func like(f *food.Food, of []*food.Food) bool {
	return slices.ContainsFunc(of, func(o *food.Food) bool { return o.Category == f.Category })
}

func b2i(b bool) int {
	if b {
		return 1
	}
	return 0
}

// avoidable are words that an exercise asks of, the plain ones first.
var avoidable = [][]string{
	{"nuts", "milk", "egg"},
	{"gluten", "fish", "meat"},
	{"sesame", "mustard", "pork", "soy"},
	{"celery", "sulphites", "rennet", "alcohol"},
}

// diet asks which of some foods a guest may have, by their entries: what holds what is avoided, and what may hold it, is out.
func (m *maker) diet() *Exercise {
	words := []string{}
	for range 1 + b2i(m.level > 2) + b2i(m.level > 5) {
		tier := avoidable[min(len(avoidable)-1, m.r.IntN(1+min(3, m.level/2)))]
		if w := tier[m.r.IntN(len(tier))]; !slices.Contains(words, w) {
			words = append(words, w)
		}
	}
	b := brief.Brief{Guests: brief.Guests{Adults: 1}, Diets: []brief.Diet{{Who: "a guest", Count: 1, Avoid: words}}}
	var fine, traces, avoided []*food.Food
	for _, f := range m.usual(func(*food.Food) bool { return true }) {
		switch v, _ := diet.Avoiding(words, f); {
		case v == diet.Fine && !slices.ContainsFunc(words, func(w string) bool { return slices.Contains(f.Perhaps, w) }):
			fine = append(fine, f)
		case v == diet.Traces:
			traces = append(traces, f)
		case v == diet.Avoided:
			avoided = append(avoided, f)
		}
	}
	n := m.choices()
	right := min(len(fine), 1+m.r.IntN(max(1, n/2)))
	tricky := min(len(traces), b2i(m.level > 1)+b2i(m.level > 3)+b2i(m.level > 5), n-right-1) // traces are what labels are read for
	wrong := append(slices.Clone(traces[:max(0, tricky)]), avoided[:min(len(avoided), n-right-max(0, tricky))]...)
	e := m.asked("labels", say.That("practice.diet", say.Any(avoids(words)...)), fine[:right], wrong, func(f *food.Food) say.Text {
		switch v, w := diet.Avoiding(words, f); v {
		case diet.Fine:
			return say.That("practice.diet.fine", say.Food(f.Name))
		case diet.Traces:
			return say.That("practice.diet.traces", say.Food(f.Name), say.Word(diet.Says(w)))
		default:
			return say.That("practice.diet.avoided", say.Food(f.Name), say.Word(diet.Says(w)))
		}
	})
	e.Brief = &b
	e.Solution.Because = append(e.Solution.Because, Because{Says: say.That("practice.diet.labels")})
	return e
}

// avoids are words of a diet as they are said.
func avoids(words []string) (out []say.Value) {
	for _, w := range words {
		out = append(out, say.Word(diet.Says(w)))
	}
	return out
}

// tool asks what a food is served with.
func (m *maker) tool() *Exercise {
	of := map[string][]*food.Food{}
	var names []string
	for _, f := range m.usual(func(f *food.Food) bool { return f.Tool != "" }) {
		if of[f.Tool] == nil {
			names = append(names, f.Tool)
		}
		of[f.Tool] = append(of[f.Tool], f)
	}
	f := of[names[0]][0]
	e := &Exercise{Rules: []string{"tools"}, Pick: 1, Asks: say.That("practice.tool", say.Food(f.Name)),
		Solution: &Solution{Right: []string{f.Tool}, Because: []Because{{Says: say.That("practice.tool.why", say.Food(f.Name), say.Word(f.Tool))}}}}
	// one of a sort: nobody quarrels whether it is a spoon or a small spoon
	choices := names[:1]
	for _, name := range names[1:] {
		if len(choices) < m.choices() && !slices.ContainsFunc(choices, func(o string) bool { return alikeTools(name, o) }) {
			choices = append(choices, name)
		}
	}
	for _, name := range shuffled(m.r, choices) {
		e.Choices = append(e.Choices, Choice{ID: name, Says: say.Plain(name)})
	}
	return e
}

// eitherTool are tools of which the one does as well as the other (docs/craft.md, Kit), so that they are never both to choose from.
var eitherTool = [][]string{{"spoon", "small spoon", "scoop"}, {"fork", "slotted spoon"}, {"tongs", "picks", "fork"}, {"spade blade", "narrow pointed blade"}}

func alikeTools(a, b string) bool {
	return slices.ContainsFunc(eitherTool, func(of []string) bool { return slices.Contains(of, a) && slices.Contains(of, b) })
}

// months are how an exercise calls them.
var months = []string{"", "January", "February", "March", "April", "May", "June", "July", "August", "September", "October", "November", "December"}

// season asks what is at its best in a month; what is so in the month before or after is not asked below the harder levels.
func (m *maker) season() *Exercise {
	for _, k := range m.r.Perm(12) {
		month := k + 1
		var best, not []*food.Food
		for _, f := range m.usual(func(f *food.Food) bool { return f.Category == food.Fruit || f.Category == food.Vegetable }) {
			near := f.SeasonIn(month%12+1, "north") == food.AtBest || f.SeasonIn((month+10)%12+1, "north") == food.AtBest
			switch s := f.SeasonIn(month, "north"); {
			case s == food.AtBest:
				best = append(best, f)
			case len(f.Season) > 0 && len(f.Season) < 9 && (m.level > 3 || !near):
				not = append(not, f)
			}
		}
		n := 2 + m.level/3
		if len(best) < n || len(not) < m.choices()-n {
			continue
		}
		e := m.asked("season", say.That("practice.season", say.Word(months[month]), say.N(n)), best[:n], not[:m.choices()-n], func(f *food.Food) say.Text {
			if f.SeasonIn(month, "north") == food.AtBest {
				return say.That("practice.season.yes", say.Food(f.Name), say.Word(months[month]))
			}
			return say.That("practice.season.no", say.Food(f.Name), say.Word(spoken(f.Season)))
		})
		e.Pick = n
		return e
	}
	panic("practice: no month has fruit") // shipped data; a test asks for every seed
}

// spoken are months as they are said: June to August, or November, December and January.
func spoken(of []int) string {
	in := map[int]bool{}
	for _, k := range of {
		in[k] = true
	}
	var spans []string
	for k := 1; k <= 12; k++ {
		if !in[k] || in[(k+10)%12+1] && len(in) < 12 {
			continue
		}
		end := k
		for in[end%12+1] && end%12+1 != k {
			end = end%12 + 1
		}
		if end == k {
			spans = append(spans, months[k])
		} else {
			spans = append(spans, months[k]+" to "+months[end])
		}
	}
	return say.And(spans)
}

// board asks which board a party wants: the others are a third too small or too large at least, at the harder levels a quarter.
func (m *maker) board() *Exercise {
	step := 1.5 - .04*float64(m.level)
	for {
		b := m.party()
		made := m.plannedFor(b)
		t := made.Trays[0]
		if len(made.Trays) > 1 || t.Board.ID == "" {
			continue
		}
		right := t.Board.UsableMM2()
		e := &Exercise{Rules: []string{"boards"}, Pick: 1, Brief: &b, Asks: say.That("practice.board", say.N(b.Guests.Total()), say.Word(occasions[b.For()])), Solution: &Solution{Right: []string{t.Board.ID}}}
		list := []string{t.Board.ID}
		says := map[string]Because{t.Board.ID: {ID: t.Board.ID, Says: say.That("practice.board.yes", say.CM2(math.Round(right/100/float64(b.Guests.Total()))))}}
		taken := []float64{right}
		for _, c := range shuffled(m.r, m.cabinet.Usual()) {
			a := c.UsableMM2()
			if len(list) == min(6, m.choices()) || slices.ContainsFunc(taken, func(o float64) bool { return math.Max(a, o)/math.Min(a, o) < step }) {
				continue
			}
			taken, list = append(taken, a), append(list, c.ID)
			each := say.CM2(math.Round(a / 100 / float64(b.Guests.Total())))
			if a < right {
				says[c.ID] = Because{ID: c.ID, Says: say.That("practice.board.small", each)}
			} else {
				says[c.ID] = Because{ID: c.ID, Says: say.That("practice.board.large", each)}
			}
		}
		if len(list) < 3 {
			continue
		}
		for _, id := range shuffled(m.r, list) {
			c, _ := m.cabinet.Board(id)
			box := c.Outline.Bounds()
			e.Choices = append(e.Choices, Choice{ID: id, Says: say.That("practice.board.is", say.Word(c.Name), say.Size(box.W(), box.H()))})
			e.Solution.Because = append(e.Solution.Because, says[id])
		}
		return e
	}
}

// why asks for the reason of a rule: that of the path at the seed's remainder by the number of rules, so that each can be asked
// for. At the harder levels the other reasons are those of the same part of the work.
func (m *maker) why(seed uint64) *Exercise {
	rules := Path()
	of := rules[seed%uint64(len(rules))]
	e := &Exercise{Rules: []string{of.ID}, Pick: 1, Asks: say.That("practice.why", say.Word(of.Says)), Solution: &Solution{Right: []string{of.ID}, Because: []Because{}}}
	list := []Rule{of}
	for _, near := range []bool{m.level > 3, false} {
		for _, r := range shuffled(m.r, rules) {
			taken := slices.ContainsFunc(list, func(o Rule) bool { return o.ID == r.ID })
			if len(list) < min(5, m.choices()) && !taken && (!near || r.Stage == of.Stage) {
				list = append(list, r)
			}
		}
	}
	for _, r := range shuffled(m.r, list) {
		e.Choices = append(e.Choices, Choice{ID: r.ID, Says: say.Plain(r.Why)})
		if r.ID != of.ID {
			e.Solution.Because = append(e.Solution.Because, Because{ID: r.ID, Says: say.That("practice.why.other", say.Word(r.Says))})
		}
	}
	return e
}
