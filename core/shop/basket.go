// Package shop turns a planned job into what is bought for it: packs by cheapest cover,
// money, lists, and what would make it cheaper.
package shop

import (
	"math"
	"slices"

	"happytray/core/amount"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/plan"
	"happytray/core/recipe"
	"happytray/core/round"
	"happytray/core/say"
	"happytray/core/tray"
)

// What is bought: packs of one food, and packs that hold several.
type (
	Packs      = food.Packs
	MixedPacks = food.MixedPacks
)

// Line is one food's row in the basket.
type Line struct {
	Food         string          `json:"food"`
	Name         string          `json:"name"`
	Category     string          `json:"category"`
	OnTrayG      float64         `json:"on_tray_g"`
	ReserveG     float64         `json:"reserve_g"`
	Pieces       int             `json:"pieces"`     // laid or to be laid, without the reserve
	Yield        float64         `json:"yield"`      // share of what is bought that is laid, over all its forms
	CupboardG    float64         `json:"cupboard_g"` // of what is needed, there already, as it is laid
	BoughtG      float64         `json:"bought_g"`   // in all packs, as bought
	Packs        []Packs         `json:"packs"`
	BasketCost   int             `json:"basket_cost"` // minor units
	UsedCost     int             `json:"used_cost"`   // minor units; its part of what its packs cost, and what is taken from the cupboard
	LeftG        float64         `json:"left_g"`      // as bought
	KeepsDays    int             `json:"keeps_days"`  // once opened
	Explanation  say.Text        `json:"explanation"`
	HandworkSecs float64         `json:"handwork_seconds"`
	OutOfStock   bool            `json:"out_of_stock"`         // the shop has none today
	Makeable     bool            `json:"makeable,omitempty"`   // there is a recipe for it
	Parts        []recipe.Amount `json:"parts,omitempty"`      // what is bought to make it in the house; nil where it is bought
	HouseEats    bool            `json:"house_eats,omitempty"` // what stays over is eaten in the house anyway
	Next         *NextJob        `json:"next,omitempty"`       // the coming job that what stays over could go into
	mixed        []string        // the packs of several foods that hold it
}

// holding names the packs of several foods that hold one.
func holding(mixed []MixedPacks, id string) (names []string) {
	for _, m := range mixed {
		if slices.ContainsFunc(m.Holds, func(h food.Held) bool { return h.Food == id }) {
			names = append(names, m.Name)
		}
	}
	return names
}

// Basket is everything to buy for a tray and its reserve.
type Basket struct {
	Lines        []Line         `json:"lines"`
	OnTrayG      float64        `json:"on_tray_g"`
	ReserveG     float64        `json:"reserve_g"`
	BasketCost   int            `json:"basket_cost"`     // what the till says, minor units
	UsedCost     int            `json:"used_cost"`       // minor units
	PerGuest     int            `json:"per_guest"`       // of the basket, minor units
	Minutes      float64        `json:"minutes"`         // of handwork for all trays, filled in by who knows the steps
	Budget       int            `json:"budget"`          // in all; 0 for none
	Over         int            `json:"over"`            // how far the basket is over it; below 0 what is to spare
	Groups       []amount.Found `json:"groups"`          // what each group of guests finds; empty where each has a tray of their own
	Mixed        []MixedPacks   `json:"mixed,omitempty"` // packs of several foods, whose grams and money are on the lines of their foods
	CupboardCost int            `json:"cupboard_cost"`   // what is used from the cupboard, at today's prices by weight
}

// NewBasket adds up all trays of a job: grams, what of them stands in the cupboard and is still
// good when they are served, packs for the rest by cheapest cover, used and basket
// cost. What comes from the cupboard is used at the price of its cheapest pack by
// weight, and costs nothing at the till.
func NewBasket(j *job.Job, larder *food.Larder) Basket {
	lines := map[string]*Line{}
	var order []string
	bought := map[string]float64{} // grams to have as bought, by food
	line := func(id string) *Line {
		l, ok := lines[id]
		if !ok {
			l = &Line{Food: id, Packs: []Packs{}}
			if f, known := larder.Get(id); known {
				l.Name, l.Category, l.KeepsDays = f.Name, string(f.Category), f.KeepsDays
			}
			lines[id] = l
			order = append(order, id)
		}
		return l
	}
	for _, one := range j.Trays {
		times := one.Copies()
		for _, e := range one.Elements {
			if e.Category == food.NotFood {
				continue // it is kit, not food
			}
			l := line(e.Food)
			l.OnTrayG += e.Grams * float64(times)
			l.Pieces += e.Count * times
			if f, ok := larder.Get(e.Food); ok {
				bought[e.Food] += f.BoughtFor(e.Form, e.Grams*float64(times))
				if s, ok := f.Spec(e.Form); ok {
					l.HandworkSecs += s.Seconds * float64(e.Count*times)
				}
			}
		}
		for _, r := range one.Reserve {
			f, ok := larder.Get(r.Food)
			if ok && f.Category == food.NotFood {
				continue
			}
			if ok {
				bought[r.Food] += f.BoughtFor(r.Form, r.Grams*float64(times))
			}
			line(r.Food).ReserveG += r.Grams * float64(times)
		}
	}
	var b Basket
	whys := plan.Whys(j, larder)
	day := j.Brief.ServeDay()
	buy, there := map[string]float64{}, map[string]float64{} // grams as bought: to buy, and in the cupboard
	for _, id := range order {
		if _, ok := larder.Get(id); ok {
			buy[id], there[id] = lines[id].toBuy(bought[id], larder.OnHand(id, day))
			_, lines[id].Makeable = recipe.Of(id)
			if r, made := recipe.For(j.Brief, id); made && buy[id] > 0 {
				lines[id].make(r, buy[id])
				delete(buy, id)
			}
		}
	}
	filled := larder.Fill(buy, plan.MayShare(j.Brief, larder))
	b.Mixed = filled.Mixed
	for _, id := range order {
		l := lines[id]
		if f, ok := larder.Get(id); ok {
			l.OutOfStock = larder.OutOfStock(id)
			if got, ok := filled.Of[id]; ok {
				l.Packs, l.BoughtG, l.BasketCost = got.Packs, got.Grams, got.Cost
				l.mixed = holding(filled.Mixed, id)
			}
			if l.BoughtG > 0 && l.Parts == nil {
				l.UsedCost = int(math.Round(float64(l.BasketCost) * buy[id] / l.BoughtG))
				l.LeftG = round.Tenth(l.BoughtG - buy[id])
			}
			worth := int(math.Round(there[id] * larder.GramPrice(f)))
			l.UsedCost += worth
			b.CupboardCost += worth
		}
		l.HouseEats = j.Brief.HouseRules().EatsAnyway(id)
		l.Explanation = whys[id].Also(explain(l))
		l.OnTrayG, l.ReserveG = round.Tenth(l.OnTrayG), round.Tenth(l.ReserveG)
		b.OnTrayG += l.OnTrayG
		b.ReserveG += l.ReserveG
		b.BasketCost += l.BasketCost
		b.UsedCost += l.UsedCost
		b.Lines = append(b.Lines, *l)
	}
	if b.Lines == nil {
		b.Lines = []Line{}
	}
	if b.Budget = int(j.Brief.Money()); b.Budget > 0 {
		b.Over = b.BasketCost - b.Budget
	}
	b.Groups = []amount.Found{}
	if whole := !slices.ContainsFunc(j.Trays, func(t *tray.Tray) bool { return t.Part.Whose() != "" }); whole {
		grams := map[string]float64{}
		for _, l := range b.Lines {
			grams[l.Food] = l.OnTrayG + l.ReserveG
		}
		b.Groups = amount.FoundBy(j.Brief, grams, larder)
	}
	if n := j.Brief.Guests.Total(); n > 0 {
		b.PerGuest = int(math.Round(float64(b.BasketCost) / float64(n)))
	}
	return b
}

// make has so many grams of a line made in the house of parts that are bought loose: none of them stays over.
func (l *Line) make(r *recipe.Recipe, grams float64) {
	l.Parts = r.Bought(grams)
	for _, p := range l.Parts {
		l.BasketCost += p.Cost
	}
	l.UsedCost, l.BoughtG = l.BasketCost, round.Tenth(grams)
}

// toBuy is what of a line is bought and what is taken from the cupboard, grams as bought, of raw that it asks for and onHand
// that stands there. It says on the line what share of what is bought is laid.
func (l *Line) toBuy(raw, onHand float64) (buy, there float64) {
	exact := l.OnTrayG + l.ReserveG
	need := round.Tenth(l.OnTrayG) + round.Tenth(l.ReserveG) // as it is told
	if exact > 0 {
		raw *= need / exact
	}
	there = math.Min(raw, onHand)
	if raw > 0 {
		l.Yield = math.Floor(1e4*need/raw+1e-6) / 1e4 // rounded down, so that what it promises is there
	}
	if l.CupboardG = need; there < raw-1e-6 {
		l.CupboardG = math.Min(need, math.Floor(10*there*l.Yield+1e-6)/10)
	}
	l.CupboardG = round.Tenth(l.CupboardG)
	if rest := round.Tenth(need - l.CupboardG); rest > 0 && l.Yield > 0 {
		buy = rest / l.Yield
	}
	return buy, there
}

// explain says how the row comes about, and what to buy.
func explain(l *Line) say.Text {
	out := say.That("basket.tray", say.Grams(l.OnTrayG))
	switch {
	case l.OnTrayG < .5 && l.ReserveG >= 1: // as crackers that stand beside it
		out = say.That("basket.waits", say.Grams(l.ReserveG))
	case l.ReserveG >= 1:
		out = out.Then("basket.reserve", say.Grams(l.ReserveG))
	case l.OnTrayG < 1: // a few flowers
		out = say.That("basket.pinch")
	}
	if l.CupboardG >= 1 {
		out = out.Then("basket.cupboard", say.Grams(l.CupboardG))
	}
	out = out.Then("basket.stop")
	if len(l.Parts) > 0 {
		var parts []say.Value
		for _, p := range l.Parts {
			parts = append(parts, say.Part("buy.held", say.Grams(p.Grams), say.Word(p.Name)))
		}
		return out.Then("basket.made", say.All(parts...))
	}
	if len(l.Packs)+len(l.mixed) == 0 {
		return out
	}
	var buy []say.Value
	for _, p := range l.Packs {
		buy = append(buy, say.Part("pack", say.N(p.Count), say.Grams(p.Grams)))
	}
	if len(buy) > 0 {
		out = out.Then("basket.buy", say.All(buy...))
	}
	if len(l.mixed) > 0 {
		out = out.Then("basket.mixed", say.Word(say.And(l.mixed)))
	}
	if l.Yield < fullYield {
		out = out.Then("basket.yield", say.Percent(100*l.Yield))
	}
	switch {
	case l.HouseEats && l.LeftG >= 1:
		out = out.Then("basket.eaten", say.Grams(l.LeftG))
	case l.LeftG >= 1:
		out = out.Then("basket.left", say.Grams(l.LeftG), say.N(l.KeepsDays))
	}
	return out
}

// fullYield is the share from which on nobody speaks of peel and ends.
const fullYield = .97

// PassOn tells for what stays over of each line, where it is worth a thought, in which
// coming job it could go.
func (b *Basket) PassOn(day string, coming []Needs, larder *food.Larder) {
	for i := range b.Lines {
		l := &b.Lines[i]
		if f, ok := larder.Get(l.Food); ok && l.LeftG >= worthKeeping && !l.HouseEats {
			if use, ok := NextUse(f, day, coming); ok {
				l.Next = &use
			}
		}
	}
}

// worthKeeping is the least that is worth a thought where it could go, grams.
const worthKeeping = 10
