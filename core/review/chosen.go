package review

import (
	"happytray/core/board"
	"math"
	"slices"

	"happytray/core/amount"
	"happytray/core/diet"
	"happytray/core/food"
	"happytray/core/pick"
	"happytray/core/portion"
	"happytray/core/safety"
	"happytray/core/say"
)

// remark is a finding about what is on the tray, wherever it lies.
type remark struct {
	check, severity string
	worth           float64
	elements        []int
	says            say.Sentence
}

// told is what the second look says of the choice, the amounts, the board and the evening. It does
// not change while things move, and its checks weigh nothing unless a house gives them weight: no
// layout can mend them.
type told struct {
	values  map[string]float64
	remarks []remark
}

// chosen takes the measures of the choice, kept from one look to the next.
func (m *measures) chosen() {
	if m.l.told == nil {
		m.l.told = m.l.tell()
	}
	for id, v := range m.l.told.values {
		m.values[id] = v
	}
	for _, r := range m.l.told.remarks {
		at := m.l.centre
		if len(r.elements) > 0 && m.l.elems[r.elements[0]].placed {
			at = m.l.elems[r.elements[0]].middle
		}
		m.find(r.check, r.severity, r.worth, at, r.elements, r.says)
	}
}

// teller gathers what there is to tell.
type teller struct {
	l      *Live
	m      measures // for the names of elements
	out    told
	foods  []*food.Food // each once, in order
	first  map[string]int
	grams  map[string]float64
	bought map[string]float64 // what is bought for it
	asked  map[string]bool    // by the host, by name
}

func (l *Live) tell() *told {
	t := teller{l: l, m: measures{l: l}, out: told{values: map[string]float64{}}, first: map[string]int{}, grams: map[string]float64{}, bought: map[string]float64{}, asked: map[string]bool{}}
	for _, w := range l.tray.Brief.Foods {
		t.asked[w.Food] = true
	}
	for _, w := range l.tray.Brief.Pins {
		t.asked[w.Food] = true
	}
	add := func(f *food.Food, form string, element int, grams float64) {
		if _, seen := t.first[f.ID]; !seen {
			t.first[f.ID] = element
			t.foods = append(t.foods, f)
		}
		t.grams[f.ID] += grams
		t.bought[f.ID] += f.BoughtFor(form, grams)
	}
	for i := range l.elems {
		add(l.elems[i].food, l.tray.Elements[i].Form, i, l.tray.Elements[i].Grams)
	}
	for _, r := range l.tray.Reserve {
		if f, ok := l.larder.Get(r.Food); ok {
			add(f, r.Form, -1, r.Grams)
		}
	}
	t.hard()
	t.standing()
	t.dipping()
	t.bites()
	t.seasons()
	t.doubles()
	t.money()
	t.tooLarge()
	if len(t.foods) >= begun && l.tray.Brief.Guests.Total() > 0 {
		t.shares()
		t.kinds()
	}
	return &t.out
}

// begun is how many foods make a tray of which it is said what it lacks: with fewer it is only begun.
const begun = 6

func (t *teller) remark(check, severity string, worth float64, elements []int, says say.Sentence) {
	t.out.remarks = append(t.out.remarks, remark{check, severity, worth, elements, says})
}

// of lists the first element of a food, where one is on the tray.
func (t *teller) of(foods ...*food.Food) (out []int) {
	for _, f := range foods {
		if i := t.first[f.ID]; i >= 0 {
			out = append(out, i)
		}
	}
	return out
}

// hard is what does not keep in the heat or on the road, and a board without a rim on the road.
func (t *teller) hard() {
	b := t.l.tray.Brief
	heat, road := diet.TableOf(b).Harsh()
	if heat || road {
		n, seen := 0, map[*food.Food]bool{}
		for i := range t.l.elems {
			f := t.l.elems[i].food
			becomes := diet.TableOf(b).Suffers(f, t.l.tray.Elements[i].Form)
			if becomes == "" || seen[f] {
				continue
			}
			seen[f] = true
			n++
			says := say.New("care.heat."+becomes, t.m.it(i), say.Celsius(b.Warmth()))
			if !heat {
				says = say.New("care.heat."+becomes+".road", t.m.it(i), say.Minutes(b.Travels.Minutes))
			}
			t.remark("care.heat", Mend, 4, []int{i}, says)
		}
		t.out.values["care.heat"] = float64(n)
	}
	if safety.WantsRim(b) {
		t.out.values["care.rim"] = 0
		named := len(b.Boards) > 0 || b.Board != nil && !b.Board.Zero() // the planner says it of those it chose
		if t.l.tray.Board.RimMM == 0 {
			t.out.values["care.rim"] = 1
			if named {
				t.remark("care.rim", Mend, 6, nil, say.New("care.rim"))
			}
		}
	}
}

// standing is how much longer the evening is than perishable food may stand out, where the brief
// says how long it is.
func (t *teller) standing() {
	b := t.l.tray.Brief
	if b.LastsMinutes <= 0 && b.Travels.Minutes <= 0 {
		return
	}
	hold, _ := safety.HoldingTime(b)
	out := b.Lasts() + safety.OutBefore(b, t.foods)
	over := out - hold
	t.out.values["care.hold"] = math.Max(0, over)
	if over > 0 {
		t.remark("care.hold", Mend, over/20, nil, say.New("care.hold", say.Minutes(out), say.Minutes(hold)))
	}
}

// dipping counts savoury dips where there is nothing to take them with.
func (t *teller) dipping() {
	var dips []*food.Food
	for _, f := range t.foods {
		switch {
		case f.Category == food.Cracker, f.Category == food.Vegetable && f.Texture == "crunchy":
			t.out.values["service.dipper"] = 0
			return
		case f.Category == food.Dip && !food.SweetDip(f):
			dips = append(dips, f)
		}
	}
	if len(dips) > 0 {
		t.out.values["service.dipper"] = float64(len(dips))
		t.remark("service.dipper", Mend, 4, t.of(dips...), say.New("service.dipper", say.Food(dips[0].Name)))
	}
}

// bites counts whole fruit and halves that fill a hand: nobody can eat them as they lie.
func (t *teller) bites() {
	n, seen := 0, map[*food.Food]bool{}
	for i := range t.l.elems {
		if f := t.l.elems[i].food; !portion.IsBite(f, t.l.elems[i].spec) && !seen[f] {
			seen[f] = true
			n++
			t.remark("service.bite", Note, 2, []int{i}, say.New("service.bite", t.m.it(i)))
		}
	}
	t.out.values["service.bite"] = float64(n)
}

// seasons counts what was asked for and is out of season.
func (t *teller) seasons() {
	b, n := t.l.tray.Brief, 0
	for _, f := range t.foods {
		if !t.asked[f.ID] || f.SeasonIn(b.SeasonMonth(), b.Hemisphere) != food.NotNow {
			continue
		}
		n++
		t.remark("service.season", Note, 1, t.of(f), say.New("service.season", say.Word(f.Name)))
	}
	t.out.values["service.season"] = float64(n)
}

// doubles counts pairs of foods that guests take for the same, one of them asked for.
func (t *teller) doubles() {
	n := 0
	for i, f := range t.foods {
		for _, g := range t.foods[:i] {
			if (t.asked[f.ID] || t.asked[g.ID]) && pick.NearDoubles(f, g) {
				n++
				t.remark("spread.double", Note, 1, t.of(g, f), say.New("spread.double", say.Food(g.Name), say.Food(f.Name)))
			}
		}
	}
	t.out.values["spread.double"] = float64(n)
}

// money is how far the packs for this tray go over the budget of its guests.
func (t *teller) money() {
	b := t.l.tray.Brief
	budget := b.Money()
	if budget <= 0 {
		return
	}
	cost, day, times := 0, b.ServeDay(), float64(t.l.tray.Copies())
	for _, f := range t.foods {
		if f.Category != food.NotFood {
			cost += t.l.larder.CostOf(f, t.bought[f.ID]*times, day)
		}
	}
	over := float64(cost)/(budget*times) - 1
	t.out.values["service.budget"] = math.Max(0, over)
	if over > .005 {
		t.remark("service.budget", Mend, 10*over, nil, say.New("service.budget", say.Percent(math.Max(1, 100*over))))
	}
}

// tooMuchBoard is the board a guest gets from which on it looks bare, cm2: half as much again as
// the planner gives at most.
const tooMuchBoard = 420.0

// tooLarge is how much of a board that was asked for each guest gets, where it is far too much.
func (t *teller) tooLarge() {
	b, board := t.l.tray.Brief, t.l.tray.Board
	guests := float64(b.Guests.Total()) * t.share()
	if guests == 0 || b.Plates() || len(b.Boards) == 0 && (b.Board == nil || b.Board.Zero()) {
		return
	}
	each := board.UsableMM2() / 100 / guests
	t.out.values["fit.board"] = each
	if each > tooMuchBoard {
		t.remark("fit.board", Note, each/tooMuchBoard, nil, say.New("fit.board", say.CM2(each), say.CM2(250)))
	}
}

// share is the part of its guests' food that is on this tray.
func (t *teller) share() float64 {
	if p := t.l.tray.Part; p != nil && p.Share > 0 {
		return p.Share
	}
	return 1
}

// What a group of guests finds of its share is too little under tooLittle of it; on one of several
// boards, which carry not quite the same, under less of it.
const (
	tooLittle      = .8
	tooLittleOfSet = .6
)

// shares is what the worst-off group of guests finds of what it usually eats, if all share what they
// may eat.
func (t *teller) shares() {
	b, share := t.l.tray.Brief, t.share()
	least, limit := math.Inf(1), tooLittle
	if share < 1 {
		limit = tooLittleOfSet
	}
	for _, g := range amount.FoundBy(b, t.grams, t.l.larder) {
		if g.WantsG <= 0 {
			continue
		}
		finds := g.FindsG / share
		least = math.Min(least, finds/g.WantsG)
		if finds < limit*g.WantsG {
			t.remark("service.share", Mend, 8*(1-finds/g.WantsG), nil, say.New("service.share", say.Word(g.Who), say.Grams(math.Round(finds)), say.Grams(g.WantsG)))
		}
	}
	if !math.IsInf(least, 1) {
		t.out.values["service.share"] = least
	}
}

// mainKinds are the kinds that a tray is judged by: of them guests notice too much or too little.
var mainKinds = []struct {
	says string
	of   []food.Category
}{{"cheese", []food.Category{food.Cheese}}, {"meat", []food.Category{food.Meat}}, {"cracker", []food.Category{food.Cracker}}, {"produce", []food.Category{food.Fruit, food.Vegetable}}}

// A kind is too much from muchOfAKind of its usual part of the food on, and too little under
// littleOfAKind of it.
const (
	muchOfAKind   = 2.2
	littleOfAKind = .3
)

// kinds counts main kinds of which there is far more or less than such guests usually eat.
func (t *teller) kinds() {
	if t.out.values["service.kinds"] = 0; board.IsTier(t.l.tray.Board) { // what one has too little of, another has
		return
	}
	b := t.l.tray.Brief
	of, all := map[food.Category]float64{}, 0.0
	for _, f := range t.foods {
		if f.Category != food.Garnish && f.Category != food.NotFood {
			of[f.Category] += t.grams[f.ID]
			all += t.grams[f.ID]
		}
	}
	meat := portion.WithMeat
	if of[food.Meat] == 0 {
		meat = portion.WithoutMeat
	}
	shares := portion.Shares(b, meat)
	if b.Course == "sweet" {
		delete(shares, food.Cracker) // fruit and sweets are what it is made of
	}
	eaten := 0.0
	for _, c := range food.Categories {
		eaten += shares[c]
	}
	n := 0
	for _, k := range mainKinds {
		want, have := 0.0, 0.0
		for _, c := range k.of {
			want += shares[c] / eaten
			have += of[c] / all
		}
		if k.of[0] == food.Meat && meat == portion.WithMeat {
			want *= t.eatMeat()
		}
		if all == 0 || eaten == 0 || want < .08 || !t.toBeHad(k.of) {
			continue
		}
		switch {
		case have > muchOfAKind*want:
			n++
			t.remark("service.kinds", Note, have/want, nil, say.New("service.kinds", say.Percent(100*have), say.Group(k.says), say.Percent(100*want)))
		case have < littleOfAKind*want:
			n++
			code := "service.lack"
			if have == 0 {
				code = "service.none"
			}
			t.remark("service.kinds", Note, 3*(1-have/want), nil, say.New(code, say.Group(k.says), say.Percent(100*want)))
		}
	}
	t.out.values["service.kinds"] = float64(n)
}

// eatMeat is the part of the guests who eat meat.
func (t *teller) eatMeat() float64 {
	eat, all := 0.0, 0.0
	for _, g := range t.l.tray.Brief.Groups() {
		all += float64(g.Count)
		if !slices.Contains(g.Avoid, "meat") && !slices.Contains(g.Avoid, "animal") {
			eat += float64(g.Count)
		}
	}
	return eat / math.Max(1, all)
}

// toBeHad reports whether the larder has anything of some kinds that may go on this tray.
func (t *teller) toBeHad(kinds []food.Category) bool {
	all := t.l.larder.All()
	for i := range all {
		f := &all[i]
		if slices.Contains(kinds, f.Category) && diet.CanEat(t.l.off, f) {
			return true
		}
	}
	return false
}
