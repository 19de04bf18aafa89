package practice

import (
	"math"
	"strconv"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/plan"
	"happytray/core/portion"
	"happytray/core/prep"
	"happytray/core/say"
	"happytray/core/shop"
)

// occasions are how an exercise calls them.
var occasions = map[string]string{"nibble": "a nibble before a meal", "grazing": "two or three hours of grazing", "meal": "a board instead of a meal", "event": "a party"}

// party is a made-up brief; more people and more that is to be minded at the harder levels.
func (m *maker) party() brief.Brief {
	b := brief.Brief{Guests: brief.Guests{Adults: 4 + 2*m.r.IntN(3+2*m.level)}, Occasion: []string{"nibble", "grazing", "meal"}[m.r.IntN(3)], Month: 1 + m.r.IntN(12)}
	if m.level > 1 && m.r.IntN(2) == 0 {
		b.Guests.Children = 2 + m.r.IntN(4)
	}
	if m.level > 2 && m.r.IntN(2) == 0 {
		b.Diets = []brief.Diet{{Who: "some who eat no meat", Count: 2 + m.r.IntN(max(1, b.Guests.Adults/3)), Avoid: []string{"meat"}}}
	}
	if m.level > 4 && m.r.IntN(2) == 0 {
		b.LastsMinutes = float64(60 * (2 + m.r.IntN(3)))
	}
	return b
}

// planned is a plan of a brief that the exercise made up, so that nothing in it can be wrong.
func (m *maker) plannedFor(b brief.Brief) *job.Job {
	j, err := plan.FromBrief(b, m.larder, m.cabinet)
	if err != nil {
		panic("practice: " + err.Error()) // ours; a test asks for every seed
	}
	return j
}

// guess is a number that can be asked for.
type guess struct {
	id, unit string
	level    int // from which on it is asked
	rule     string
	of       []food.Category // whose shares it is; none where it takes a plan to tell
	asks     say.Text
}

var guesses = []guess{
	{"cheese", "g", 1, "shares", []food.Category{food.Cheese}, say.That("practice.ask.cheese")},
	{"crackers", "g", 1, "shares", []food.Category{food.Cracker}, say.That("practice.ask.crackers")},
	{"meat", "g", 1, "shares", []food.Category{food.Meat}, say.That("practice.ask.meat")},
	{"fruit", "g", 2, "shares", []food.Category{food.Fruit, food.Vegetable}, say.That("practice.ask.fruit")},
	{"nuts", "g", 2, "shares", []food.Category{food.Nut}, say.That("practice.ask.nuts")},
	{"cracker-pieces", "pieces", 2, "pieces", []food.Category{food.Cracker}, say.That("practice.ask.pieces")},
	{"board", "cm2", 3, "boards", nil, say.That("practice.ask.board")},
	{"cheeses", "kinds", 3, "kinds", nil, say.That("practice.ask.cheeses")},
	{"bowls", "pieces", 4, "bowls", nil, say.That("practice.ask.bowls")},
	{"basket", "money", 5, "money", nil, say.That("practice.ask.basket")},
	{"minutes", "minutes", 6, "time", nil, say.That("practice.ask.minutes")},
}

// tableShares are the grams of each kind for the whole table: who eats no meat has its share in cheese, dips, vegetables and nuts,
// and nobody's meat is reckoned for them.
func tableShares(b brief.Brief) map[food.Category]float64 {
	without := 0
	for _, d := range b.Diets {
		without += d.Count
	}
	part := float64(without) / math.Max(1, float64(b.Guests.Total())) // of the appetites, as if they were like the others
	out := portion.SharesOf(b, (1-part)*b.Guests.Appetites(), portion.WithMeat)
	for c, g := range portion.SharesOf(b, part*b.Guests.Appetites(), portion.WithoutMeat) {
		out[c] += g
	}
	return out
}

// crackerG is a usual round cracker (docs/craft.md, Foods).
const crackerG = 3.5

// amount asks for numbers of a party.
func (m *maker) amount() *Exercise {
	b := m.party()
	e := &Exercise{Brief: &b, Asks: say.That("practice.amount", say.N(b.Guests.Adults), say.N(b.Guests.Children), say.Word(occasions[b.For()])), Solution: &Solution{Because: []Because{}}}
	if b.Guests.Children == 0 {
		e.Asks = say.That("practice.amount.adults", say.N(b.Guests.Adults), say.Word(occasions[b.For()]))
	}
	for _, d := range b.Diets {
		e.Asks = e.Asks.Then("practice.amount.meatless", say.N(d.Count))
	}
	if b.LastsMinutes > 0 {
		e.Asks = e.Asks.Then("practice.amount.lasts", say.Minutes(b.LastsMinutes))
	}
	shares := tableShares(b)
	var there []guess
	for _, g := range guesses {
		if g.level <= m.level && g.level > m.level-4 {
			there = append(there, g)
		}
	}
	there = shuffled(m.r, there)[:min(len(there), 2+(m.level-1)/2)]
	var j *job.Job
	rules := map[string]bool{}
	for _, g := range there {
		if g.of == nil && j == nil {
			j = m.plannedFor(b)
		}
		is, says := m.value(g, b, shares, j)
		e.Guesses = append(e.Guesses, Question{ID: g.id, Asks: g.asks, Unit: g.unit})
		e.Solution.Values = append(e.Solution.Values, Value{ID: g.id, Is: math.Round(is), Says: says})
		if !rules[g.rule] {
			rules[g.rule] = true
			e.Rules = append(e.Rules, g.rule)
		}
	}
	return e
}

// value is the answer to a question and how it comes about.
func (m *maker) value(q guess, b brief.Brief, shares map[food.Category]float64, j *job.Job) (float64, say.Text) {
	if q.of != nil {
		g := 0.0
		for _, c := range q.of {
			g += shares[c]
		}
		if q.id == "cracker-pieces" {
			return g / crackerG, say.That("practice.pieces", say.Grams(g), say.Grams(crackerG))
		}
		portions := b.Guests.Appetites()
		return g, say.That("practice.share", say.Grams(g/portions), say.Word(strconv.FormatFloat(portions, 'f', -1, 64)))
	}
	switch q.id {
	case "board":
		a := 0.0
		for _, t := range j.Trays {
			a += t.Board.UsableMM2() / 100
		}
		return a, say.That("practice.board.yes", say.CM2(math.Round(a/float64(b.Guests.Total()))))
	case "cheeses":
		kinds := map[string]bool{}
		for _, t := range j.Trays {
			for _, id := range t.Foods() {
				if f, ok := m.larder.Get(id); ok && f.Category == food.Cheese {
					kinds[id] = true
				}
			}
		}
		return float64(len(kinds)), say.That("practice.cheeses", say.Figure(len(kinds)))
	case "bowls":
		n := 0
		for _, t := range j.Trays {
			for i := range t.Elements {
				n += b2i(t.Elements[i].Vessel != "" && t.Elements[i].Category != food.NotFood)
			}
		}
		return float64(n), say.That("practice.bowls")
	case "basket":
		return float64(shop.NewBasket(j, m.larder).BasketCost) / 100, say.That("practice.basket")
	default:
		day, err := prep.Plan(j, m.larder, prep.Options{People: 1, Ovens: 1})
		if err != nil {
			panic("practice: " + err.Error()) // ours; a test asks for every seed
		}
		minutes := 0.0
		for _, k := range day.Tasks {
			if k.Who != "" {
				minutes += k.Minutes
			}
		}
		return minutes, say.That("practice.minutes")
	}
}
