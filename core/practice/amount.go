package practice

import (
	"math"

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
func (m *maker) planned(b brief.Brief) *job.Job {
	j, err := plan.FromBrief(b, m.larder, m.cabinet)
	if err != nil {
		panic("practice: " + err.Error()) // ours; a test asks for every seed
	}
	return j
}

// asks are the numbers that can be guessed, from the level on at which they are asked.
type guess struct {
	id, unit string
	level    int
	rule     string
	planned  bool // it takes a plan to tell
}

var guesses = []guess{
	{"cheese", "g", 1, "shares", false}, {"crackers", "g", 1, "shares", false}, {"meat", "g", 1, "shares", false}, {"fruit", "g", 2, "shares", false},
	{"nuts", "g", 2, "shares", false}, {"cracker-pieces", "pieces", 2, "pieces", false}, {"board", "cm2", 3, "boards", true}, {"cheeses", "kinds", 3, "kinds", true},
	{"bowls", "pieces", 4, "bowls", true}, {"basket", "money", 5, "money", true}, {"minutes", "minutes", 6, "time", true},
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
	shares := portion.Shares(b, portion.WithMeat)
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
		if g.planned && j == nil {
			j = m.planned(b)
		}
		is, says := m.value(g.id, b, shares, j)
		e.Guesses = append(e.Guesses, Question{ID: g.id, Asks: asking(g.id), Unit: g.unit})
		e.Solution.Values = append(e.Solution.Values, Value{ID: g.id, Is: math.Round(is), Says: says})
		if !rules[g.rule] {
			rules[g.rule] = true
			e.Rules = append(e.Rules, g.rule)
		}
	}
	return e
}

// asking is how a number is asked for.
func asking(id string) say.Text {
	switch id {
	case "cheese":
		return say.That("practice.ask.cheese")
	case "crackers":
		return say.That("practice.ask.crackers")
	case "meat":
		return say.That("practice.ask.meat")
	case "fruit":
		return say.That("practice.ask.fruit")
	case "nuts":
		return say.That("practice.ask.nuts")
	case "cracker-pieces":
		return say.That("practice.ask.pieces")
	case "board":
		return say.That("practice.ask.board")
	case "cheeses":
		return say.That("practice.ask.cheeses")
	case "bowls":
		return say.That("practice.ask.bowls")
	case "basket":
		return say.That("practice.ask.basket")
	default:
		return say.That("practice.ask.minutes")
	}
}

// value is the answer to a question and how it comes about.
func (m *maker) value(id string, b brief.Brief, shares map[food.Category]float64, j *job.Job) (float64, say.Text) {
	portions := b.Guests.Appetites()
	of := func(c ...food.Category) (float64, say.Text) {
		g := 0.0
		for _, k := range c {
			g += shares[k]
		}
		return g, say.That("practice.share", say.Grams(g/portions), say.Figure(int(math.Round(portions))))
	}
	switch id {
	case "cheese":
		return of(food.Cheese)
	case "crackers":
		return of(food.Cracker)
	case "meat":
		return of(food.Meat)
	case "fruit":
		return of(food.Fruit, food.Vegetable)
	case "nuts":
		return of(food.Nut)
	case "cracker-pieces":
		g := shares[food.Cracker]
		return g / crackerG, say.That("practice.pieces", say.Grams(g), say.Grams(crackerG))
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
			n += len(t.Vessels)
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
