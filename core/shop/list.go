package shop

import (
	"cmp"
	"math"
	"slices"
	"strings"

	"happytray/core/brief"
	"happytray/core/diet"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/round"
	"happytray/core/say"
)

// Needs is what one job asks for of each food, grams as bought, beyond the packs that its host has.
type Needs struct {
	Job   string             `json:"job"` // id
	Title string             `json:"title"`
	Day   string             `json:"day"`             // of serving, 2026-11-30, or ""
	Grams map[string]float64 `json:"grams"`           // by food, as bought: with peel, rind and crust
	Cut   map[string]Cut     `json:"cut,omitempty"`   // by food, how it is asked for at a counter
	Off   []string           `json:"off"`             // what no food on its trays may contain
	Table *diet.Table        `json:"table,omitempty"` // what else its guests' food has to suit; nil in what was kept before this was
}

// NeedsOf adds up all trays of a job and their reserve.
func NeedsOf(j *job.Job, larder *food.Larder) Needs {
	at := diet.TableOf(j.Brief)
	n := Needs{Title: j.Title, Day: j.Brief.ServeDay(), Grams: map[string]float64{}, Off: at.Off, Table: &at}
	add := func(id, form string, g float64) {
		if f, ok := larder.Get(id); ok && f.Category != food.NotFood && g > 0 {
			n.Grams[id] = round.Tenth(n.Grams[id] + f.BoughtFor(form, g))
			if cut, ok := cutFor(f, form, g); ok {
				if n.Cut == nil {
					n.Cut = map[string]Cut{}
				}
				n.Cut[id] = n.Cut[id].and(cut)
			}
		}
	}
	for _, one := range j.Trays {
		times := float64(one.Copies())
		for _, e := range one.Elements {
			add(e.Food, e.Form, e.Grams*times)
		}
		for _, r := range one.Reserve {
			add(r.Food, r.Form, r.Grams*times)
		}
	}
	for id, g := range j.Brief.PackG() { // the host has it
		if n.Grams[id] = round.Tenth(n.Grams[id] - g); n.Grams[id] <= 0 {
			delete(n.Grams, id)
		}
	}
	return n
}

// Section is a part of a shop with what is bought there.
type Section struct {
	Name  string `json:"name"`
	Items []Item `json:"items"`
	Cost  int    `json:"cost"` // minor units
}

// Item is one food on a shopping list.
type Item struct {
	Food       string   `json:"food"`
	Name       string   `json:"name"`
	NeedG      float64  `json:"need_g"`
	CupboardG  float64  `json:"cupboard_g"`
	Packs      []Packs  `json:"packs"`
	Cost       int      `json:"cost"` // of its packs, minor units
	LeftG      float64  `json:"left_g"`
	For        []string `json:"for"` // titles of the jobs, in time order
	OutOfStock bool     `json:"out_of_stock"`
	Labelled   string   `json:"labelled,omitempty"` // what its label has to say, for guests who come
	Cut        Cut      `json:"cut,omitzero"`       // how it is asked for at a counter
	Drained    bool     `json:"drained,omitempty"`  // it comes in brine, whey or oil: packs are told by what is in them without
}

// Buys says which packs are bought: 2 × 125 g (40 g is in the cupboard).
func (it Item) Buys() say.Text {
	var packs []say.Value
	for _, p := range it.Packs {
		packs = append(packs, say.Part("pack", say.N(p.Count), say.Grams(p.Grams)))
	}
	what := say.That("buy.packs", say.All(packs...))
	switch {
	case len(packs) == 0:
		what = say.That("buy.none")
	case it.CupboardG >= 1:
		what = what.Then("buy.cupboard", say.Grams(it.CupboardG))
	}
	if it.Drained && len(packs) > 0 {
		what = what.Then("buy.drained")
	}
	if says := it.Cut.Says(); len(packs) > 0 && !says.IsZero() {
		what = what.Then("buy.counter").Also(says)
	}
	if it.Labelled != "" {
		what = what.Then("buy.labelled", say.Word(it.Labelled))
	}
	if it.OutOfStock {
		what = what.Then("buy.out")
	}
	return what
}

// List is what to buy for one job or for several.
type List struct {
	Sections []Section `json:"sections"`
	Cost     int       `json:"cost"`  // minor units
	Items    int       `json:"items"` // foods to buy
}

// sectionOf is where a food stands in a shop. What keeps for weeks once opened
// stands among the jars.
func sectionOf(f *food.Food) string {
	switch f.Category {
	case food.Cheese:
		return "Cheese counter"
	case food.Meat:
		return "Cold cuts"
	case food.Fruit, food.Vegetable, food.Garnish:
		return "Fruit, vegetables and herbs"
	case food.Cracker:
		return "Bread and crackers"
	case food.Dried, food.Nut:
		return "Dried fruit and nuts"
	case food.Sweet:
		return "Sweets"
	case food.Brined:
		return "Jars and tins"
	}
	if f.KeepsDays >= 21 {
		return "Jars and tins"
	}
	return "Chilled"
}

// Sections are the parts of a shop in the order one walks through it: what keeps
// first, what must stay cold last.
var Sections = []string{"Dried fruit and nuts", "Jars and tins", "Bread and crackers", "Sweets", "Fruit, vegetables and herbs", "Cheese counter", "Cold cuts", "Chilled"}

// Buy makes the list for jobs: of each food the needs of all are added up, what
// stands in the cupboard and is still good on a job's day is used for it first, the
// oldest for the earliest job, and packs for the rest are bought together.
func Buy(jobs []Needs, larder *food.Larder, stock food.Stock) List {
	jobs = slices.Clone(jobs)
	slices.SortStableFunc(jobs, func(a, b Needs) int { return cmp.Compare(dayKey(a.Day), dayKey(b.Day)) })
	by := map[string]*Section{}
	var out List
	all := larder.All()
	add := func(f *food.Food) {
		it := Item{Food: f.ID, Name: f.Name, Packs: []Packs{}, For: []string{}, Drained: f.Needs(food.Drain)}
		lots := slices.Clone(stock[f.ID])
		slices.SortStableFunc(lots, func(a, b food.Lot) int { return cmp.Compare(dayKey(a.BestBefore), dayKey(b.BestBefore)) })
		for _, j := range jobs {
			need := j.Grams[f.ID]
			if need <= 0 {
				continue
			}
			it.NeedG += need
			it.For = append(it.For, j.Title)
			it.Cut = it.Cut.and(j.Cut[f.ID])
			if label := diet.Labelled(j.Off, f); label != "" {
				it.Labelled = label
			}
			for i := range lots {
				if lots[i].BestBefore == "" || j.Day == "" || lots[i].BestBefore >= j.Day {
					g := math.Min(need, lots[i].Grams)
					lots[i].Grams -= g
					need -= g
					it.CupboardG += g
				}
			}
		}
		if it.NeedG <= 0 {
			return
		}
		buy := it.NeedG - it.CupboardG
		if buy < .05 {
			buy = 0
		}
		var bought float64
		it.Packs, bought, it.Cost = food.Cover(larder.PacksOf(f), buy)
		it.LeftG = round.Tenth(math.Max(0, bought-buy))
		it.NeedG, it.CupboardG = round.Tenth(it.NeedG), round.Tenth(it.CupboardG)
		it.OutOfStock = larder.OutOfStock(f.ID) && buy > 0
		name := sectionOf(f)
		if by[name] == nil {
			by[name] = &Section{Name: name}
		}
		s := by[name]
		s.Items = append(s.Items, it)
		s.Cost += it.Cost
		out.Cost += it.Cost
		out.Items++
	}
	seen := map[string]bool{}
	for i := range all {
		seen[all[i].ID] = true
		add(&all[i])
	}
	for _, j := range jobs { // what was put away since is still bought for the jobs that use it
		for id := range j.Grams {
			if f, ok := larder.Get(id); ok && !seen[id] {
				seen[id] = true
				add(f)
			}
		}
	}
	out.Sections = []Section{}
	for _, name := range Sections {
		if s := by[name]; s != nil {
			slices.SortFunc(s.Items, func(a, b Item) int { return strings.Compare(a.Name, b.Name) })
			out.Sections = append(out.Sections, *s)
		}
	}
	return out
}

// dayKey puts what has no day after everything that has.
func dayKey(day string) string {
	if day == "" {
		return "9999"
	}
	return day
}

// NextJob is a coming job that a remainder could go into.
type NextJob struct {
	Job   string `json:"job"`
	Title string `json:"title"`
	Says  string `json:"says"`
}

// suits reports whether a job's guests may be given a food unasked.
func (n *Needs) suits(f *food.Food) bool {
	at := diet.Table{}
	if n.Table != nil {
		at = *n.Table
	}
	at.Off = n.Off
	v, _ := at.For(f)
	return v == diet.Fine
}

// NextUse is the first coming job that can take what stays over of a food opened on
// day: one that has the food on its list anyway, or else one whose guests can eat
// it, served before the food is past its days. ok is false when there is none.
func NextUse(f *food.Food, day string, coming []Needs) (NextJob, bool) {
	coming = slices.Clone(coming)
	slices.SortStableFunc(coming, func(a, b Needs) int { return cmp.Compare(a.Day, b.Day) })
	var maybe *Needs
	for i := range coming {
		n := &coming[i]
		days, ok := brief.Days(day, n.Day)
		if !ok || days <= 0 || days > f.KeepsDays {
			continue
		}
		if n.Grams[f.ID] > 0 {
			return NextJob{n.Job, n.Title, "it is on its list"}, true
		}
		if maybe == nil && n.suits(f) {
			maybe = n
		}
	}
	if maybe != nil {
		return NextJob{maybe.Job, maybe.Title, "its guests can eat it"}, true
	}
	return NextJob{}, false
}
