package plan

import (
	"math"

	"happytray/core/brief"
	"happytray/core/diet"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/say"
)

// leanest is the least of their amounts that foods are planned with to keep a budget: with less,
// guests would not find enough.
const leanest = .93

// within plans so that the till asks for no more than the budget: first as it is, then with foods
// picked for less and less money, at last with a little less of each. What it is still over, the
// job says, and why.
func within(b brief.Brief, larder *food.Larder, plan func(money, lean float64) (*job.Job, error)) (*job.Job, error) {
	budget := b.Money()
	best, err := plan(budget, 1)
	if err != nil || budget <= 0 {
		return best, err
	}
	least := till(best, larder)
	money := budget
	rounds := 5
	if len(b.Foods) > 0 { // nothing is picked: only their amounts can give
		rounds = 1
	}
	for round := 0; round < rounds && least > budget; round++ {
		lean := 1.0
		if money *= math.Max(.5, .97*budget/till(best, larder)); round >= 2 || len(b.Foods) > 0 {
			lean = leanest
		}
		j, err := plan(money, lean)
		if err != nil {
			return nil, err
		}
		if cost := till(j, larder); cost < least {
			best, least = j, cost
		}
	}
	if least > budget {
		best.Says = append(best.Says, overBudget(b, best, larder, least-budget))
	}
	return best, nil
}

// till is what the till would say for a job, minor units: the packs for all its trays and their
// reserve, less what stands in the cupboard.
func till(j *job.Job, larder *food.Larder) float64 {
	sum := 0
	for _, c := range costs(j, larder) {
		sum += c.cost
	}
	return float64(sum)
}

// MayShare says which packs of several foods may be bought for a brief.
func MayShare(b brief.Brief, larder *food.Larder) func(food.Mixed) bool {
	return diet.MayShare(b.Avoided(), larder)
}

type cost struct {
	food *food.Food
	cost int
}

// needed is what a job needs of each food with its reserve, grams as bought, and the foods in the order in which they come.
func needed(j *job.Job, larder *food.Larder) (grams map[string]float64, order []string) {
	grams = map[string]float64{}
	need := func(id, form string, g float64, times int) {
		if _, seen := grams[id]; !seen {
			order = append(order, id)
		}
		if f, ok := larder.Get(id); ok {
			grams[id] += f.BoughtFor(form, g*float64(times))
		}
	}
	for _, t := range j.Trays {
		for _, e := range t.Elements {
			need(e.Food, e.Form, e.Grams, t.Copies())
		}
		for _, r := range t.Reserve {
			need(r.Food, r.Form, r.Grams, t.Copies())
		}
	}
	return grams, order
}

func costs(j *job.Job, larder *food.Larder) (out []cost) {
	grams, order := needed(j, larder)
	day := j.Brief.ServeDay()
	for id := range grams {
		if f, ok := larder.Get(id); !ok || f.Category == food.NotFood {
			delete(grams, id)
		} else {
			grams[id] = math.Max(0, grams[id]-larder.OnHand(id, day))
		}
	}
	filled := larder.Fill(grams, MayShare(j.Brief, larder))
	for _, id := range order {
		if _, ok := grams[id]; ok {
			f, _ := larder.Get(id)
			out = append(out, cost{f, filled.Of[id].Cost})
		}
	}
	return out
}

// overBudget says by how much a job is over its budget, what costs most of it, and what gives.
func overBudget(b brief.Brief, j *job.Job, larder *food.Larder, over float64) say.Text {
	asked := map[string]bool{}
	for _, w := range b.Foods {
		asked[w.Food] = true
	}
	for _, w := range b.Pins {
		asked[w.Food] = true
	}
	wished, dearest := 0, cost{}
	for _, c := range costs(j, larder) {
		if asked[c.food.ID] {
			wished += c.cost
		}
		if c.cost > dearest.cost {
			dearest = c
		}
	}
	why := say.Part("budget.packs", say.N(b.Guests.Total()))
	if float64(wished) >= .6*b.Money() {
		why = say.Part("budget.named")
	}
	if times := 1 + over/b.Money(); times >= 3 {
		return say.That("budget.far", say.N(int(math.Round(times))), why, say.Food(dearest.food.Name))
	}
	return say.That("budget.over", say.Percent(math.Max(1, 100*over/b.Money())), why, say.Food(dearest.food.Name))
}
